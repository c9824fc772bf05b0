package app.decant.desktop.station;

/** The four stations of the work, in their order. */
public enum Station { TAKE_IN, REVISE, CHECK, PUBLISH }
