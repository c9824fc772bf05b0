/**
 * Lines to paragraphs, and what paragraphs are: headings, items of lists, notes, entries of contents. Begin with {@link app.decant.recover.text.Body},
 * which makes {@link app.decant.recover.text.Element} of each part.
 */
package app.decant.recover.text;
