/**
 * Faces as font programs inside a PDF (ISO 32000-2, 9.6 to 9.9): embedded, made small, or one of the standard fourteen. Begin with
 * {@link app.decant.pdf.font.EmbeddedFace}; {@link app.decant.pdf.font.CffSubset} keeps the outlines that are used.
 */
package app.decant.pdf.font;
