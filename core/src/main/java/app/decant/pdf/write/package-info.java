/**
 * Pages as a PDF file (ISO 32000-2, 7): objects, catalogue, outline, facts, and the order of a file that is shown while it is still on its way
 * (annex F). Read {@link app.decant.pdf.write.PdfWriter} first, {@link app.decant.pdf.write.Linearizer} last. What a page paints is {@code pdf.page}.
 */
package app.decant.pdf.write;
