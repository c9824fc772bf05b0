/**
 * The fields of a PDF's own form (ISO 32000-2, 12.7), to be filled in while its pages stay what they are: {@link app.decant.pdf.form.FileForm} finds them,
 * {@link app.decant.pdf.form.FileField} is one of them, {@link app.decant.pdf.form.Filling} writes what is filled in. Fields that are made here, of places of
 * a document, are {@code write}'s.
 */
package app.decant.pdf.form;
