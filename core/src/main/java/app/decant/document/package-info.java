/**
 * The document as values.
 *
 * <p>A {@link app.decant.document.Document} is sections of blocks (paragraphs, tables, contents lists), styles, numbering and
 * facts. Nothing here changes once made: the steps of the package {@code edit} give a new document that shares every untouched block
 * <em>by identity</em>, so undo is a list of documents and the layout can tell at a glance what it has to do again.
 *
 * <p>Lengths are points (1/72 inch). How a passage looks is a {@link app.decant.document.Look}, a set of named properties; styles are
 * named looks with a parent, and {@link app.decant.document.Cascade} works out what a run or a paragraph looks like in the end.
 *
 * <p>What hangs on words goes with them as properties of their look: where they {@link app.decant.document.Link lead}, what somebody
 * {@link app.decant.document.TrackedChange changed} or {@link app.decant.document.Comment remarked}, what
 * {@link app.decant.document.FormField form} they fill in.
 *
 * <p>What does not live here: fonts, pages, files. This package uses nothing else of ours.
 */
package app.decant.document;
