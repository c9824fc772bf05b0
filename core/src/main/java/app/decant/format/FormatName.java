package app.decant.format;

import app.decant.format.Format.Group;

/**
 * What a format is called.
 *
 * @param ending of file names, without its stop; empty for what has no name of its own
 */
public record FormatName(String ending, Group group) { }
