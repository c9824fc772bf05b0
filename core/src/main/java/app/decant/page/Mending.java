package app.decant.page;

/**
 * What the own pages of a file need so that they keep a standard which the file does not keep by itself.
 *
 * @param inks      whether the colours of printing inks on them need to be told what they mean
 * @param structure what they hold for whoever can't see them, to be hung on their marks; null where they keep what they say of it
 */
public record Mending(boolean inks, LogicalStructure structure) { }
