/**
 * PDF files (ISO 32000-2): what is wished of one ({@link app.decant.pdf.PdfChoices}), and the door by which files are opened
 * ({@link app.decant.pdf.PdfDoor}).
 *
 * <p>Read {@code write} for how a file comes to be, then {@code page}, {@code font}, {@code picture}, {@code structure} and {@code lock} for its parts,
 * {@code check} for how it is tried, {@code read} for what a page of any file shows. What does not live here: names and folders of files, recipes, and
 * the recovery of documents.
 */
package app.decant.pdf;
