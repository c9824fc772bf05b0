/** Workbooks read from files: of Office Open XML, the binary generation before, OpenDocument, and values between separators. {@code SheetFormat} lists them. */
package app.decant.format.sheet;
