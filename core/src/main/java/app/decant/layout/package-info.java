/**
 * Documents onto pages.
 *
 * <p>Read in this order: {@link app.decant.layout.Layout} makes a {@link app.decant.layout.PagedDocument} of a document and keeps what it can when
 * the document changes; {@code PageFlow} fills one page from a {@code Cursor} on, {@code ColumnFlow} one column of it, both as pure functions;
 * {@code ParagraphSetter} breaks one paragraph into lines, {@code TableSetter} one table into rows. What comes out is paper, as the package
 * {@code page} tells it; {@code StructureTree} says what it holds for those who can't see it.
 *
 * <p>What does not live here: files, pixels, and the choices of publishing.
 */
package app.decant.layout;
