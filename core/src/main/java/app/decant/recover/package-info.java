/**
 * From a PDF back to a document. {@link app.decant.recover.Recovery} calls the stages in order, and each hands plain values to the next:
 * {@code pdf.read} gives what a page shows, {@code line} lines, {@code table} grids, {@code region} parts in reading order, {@code text} paragraphs and
 * what they are, {@code made} a {@link app.decant.document.Document}, {@code fit} one whose lines and pages end where the original's do.
 *
 * <p>Words used throughout: <i>ink</i> is a line or area that is drawn, <i>placed</i> a picture where it stands, <i>framed</i> a box that text stands
 * in, <i>matter</i> all that a page shows. Nothing here writes a PDF or judges the result; that is {@code pdf.write} and {@code proof}.
 */
package app.decant.recover;
