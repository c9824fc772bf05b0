/**
 * Notes that people put on the pages of a PDF (ISO 32000-2, 12.5.6): {@link app.decant.pdf.note.FileNotes} reads them as comments,
 * {@link app.decant.pdf.note.NoteWriter} puts in what was remarked, answered and taken out since.
 */
package app.decant.pdf.note;
