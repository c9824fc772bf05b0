package app.decant.pdf;

/** Which times a file tells (ISO 32000-1, table 317): when it was made itself, when the document it was made from was, or none. */
public enum Dates { OF_THE_FILE, OF_THE_DOCUMENT, NONE }
