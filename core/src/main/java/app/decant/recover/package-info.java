/**
 * From a PDF back to a document: glyphs, lines, regions in reading order, tables, paragraphs, running heads, headings, lists, notes, and at the end
 * a {@link app.decant.document.Document} fitted so that its lines and pages end where the original's do. Each stage is a class of its own and hands
 * plain values to the next; {@link app.decant.recover.Recovery} calls them in order. Nothing here writes a PDF or judges the result; that is
 * {@code pdf} and {@code proof}.
 */
package app.decant.recover;
