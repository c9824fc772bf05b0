/**
 * A finished PDF opened again, to see whether it holds what was promised. Begin with {@link app.decant.pdf.check.PdfCheck}; the others each look at one
 * thing. Nothing here believes what the writer says of itself.
 */
package app.decant.pdf.check;
