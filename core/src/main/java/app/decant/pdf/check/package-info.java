/**
 * A finished PDF opened again, to see whether it holds what was promised. Begin with {@link app.decant.pdf.check.PdfCheck}; the others each look at one
 * thing: {@code KeptCheck} at pages that were kept, {@code RepairedCheck} and {@code SamePainting} at those that were repaired and tagged, {@link
 * app.decant.pdf.check.StandardCheck} at the machine rules of standards. Nothing here believes what the writer says of itself.
 */
package app.decant.pdf.check;
