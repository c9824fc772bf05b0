/**
 * Pictures inside a PDF (ISO 32000-2, 8.9): how fine, how packed, in which colours. Begin with {@link app.decant.pdf.picture.PictureEmbedding}.
 */
package app.decant.pdf.picture;
