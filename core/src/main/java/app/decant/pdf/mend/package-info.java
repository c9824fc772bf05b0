/**
 * What a standard asks of a file whose pages are kept, as far as it can be had without changing how they look (ISO 19005-1 to -3, ISO 14289-1). Begin with
 * {@link app.decant.pdf.mend.StandardMending}, which goes through the chapters of the standards: {@code FontRules} and {@code MissingFonts} (with
 * {@code CodedTrueType}, a font file of our own for codes that the page already has), {@code ColourRules}, {@code AnnotationRules}, {@code ActionRules},
 * {@code StreamRules}; and {@link app.decant.pdf.mend.PageTagging}, which hangs recovered structure on what pages show. Whether the standard is kept
 * afterwards is for {@code pdf.check} to say.
 */
package app.decant.pdf.mend;
