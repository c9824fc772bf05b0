/**
 * Glyphs to lines: a {@link app.decant.recover.line.Chunk} is a stretch of glyphs with no gap, a {@link app.decant.recover.line.TextLine} the chunks on
 * one baseline of a column. Read {@link app.decant.recover.line.LineFinder} first. Text that has no letters is read from its picture here too.
 */
package app.decant.recover.line;
