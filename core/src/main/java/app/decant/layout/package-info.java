/**
 * Documents onto pages.
 *
 * <p>Read in this order: {@link app.decant.layout.Layout} makes {@link app.decant.layout.Pages} of a document and keeps what it can when the
 * document changes; {@code PageFlow} fills one page from a {@code Cursor} on, {@code ColumnFlow} one column of it, both as pure functions;
 * {@code ParagraphSetter} breaks one paragraph into {@link app.decant.layout.Line}s, {@code TableSetter} one table into rows. A finished
 * {@link app.decant.layout.Page} tells what stands where, in points from its top left corner, to whoever implements
 * {@link app.decant.layout.Canvas}: the painter and the PDF writer see the very same page.
 *
 * <p>What does not live here: files, pixels, and the choices of publishing.
 */
package app.decant.layout;
