package app.decant.recover;

/**
 * A face as a PDF uses it.
 *
 * @param family     by its name, subset mark and style words taken off, written with spaces as people write it
 * @param serif      whether the file says so, or its name
 * @param fixed      whether all its letters are as wide as each other
 * @param mapped     false where nothing in the file tells which characters its glyphs are
 */
record FaceUse(String family, boolean bold, boolean italic, boolean serif, boolean fixed, boolean mapped) { }
