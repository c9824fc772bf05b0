/**
 * The tags of a PDF (ISO 32000-2, 14.7 and 14.8): {@link app.decant.pdf.structure.Structure} builds the tree, {@link app.decant.pdf.structure.PageTags} hangs
 * each page on it.
 */
package app.decant.pdf.structure;
