package app.decant.edit;

/** To which side a place clings when something is put in just there. */
public enum Side { BEFORE, AFTER }
