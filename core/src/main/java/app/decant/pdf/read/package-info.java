/**
 * What a page of a PDF shows (ISO 32000-2, 8 and 9), read and not interpreted: glyphs with their Unicode text, lines and areas, pictures, and the tags.
 *
 * <p>Read {@link app.decant.pdf.read.SourceFile}, then {@link app.decant.pdf.read.PageReader}, which gives a {@link app.decant.pdf.read.SourcePage}. All
 * places are points from the upper left corner of the upright page. What the marks mean is for {@code recover}.
 */
package app.decant.pdf.read;
