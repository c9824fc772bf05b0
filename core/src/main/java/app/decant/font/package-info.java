/**
 * Typefaces: which are here ({@link app.decant.font.FontCatalogue}), which one stands in for which, how text becomes glyphs
 * ({@link app.decant.font.Face#shape}), and what a face's licence bits allow ({@link app.decant.font.EmbeddingRight}).
 *
 * <p>A face's numbers are in ems (1 = the size of the type), so that a shaped word serves all sizes. What does not live here: lines, pages,
 * and the writing of fonts into files.
 */
package app.decant.font;
