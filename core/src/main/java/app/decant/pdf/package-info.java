/**
 * Pages as PDF (ISO 32000), and PDF files opened again to see whether they hold what they should.
 *
 * <p>{@link app.decant.pdf.PdfWriter} writes; {@link app.decant.pdf.PdfCheck} reads back. What does not live here: names and folders of files,
 * recipes, and the recovery of documents from PDF.
 */
package app.decant.pdf;
