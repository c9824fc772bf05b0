/**
 * The form in which the program keeps documents for itself: in working copies, in the queue, from one window to another.
 *
 * <p>It says all that a {@link app.decant.document.Document} says, so that what is read equals what was written. An archive holds the values as JSON
 * ({@code document.json}), and beside it the bytes of pictures, fonts and kept parts, each once. {@link app.decant.format.kept.KeptDocument} writes and
 * reads it; {@code KeptValues} says how the values read as JSON.
 *
 * <p>It carries a version: a newer one is refused in words, older ones are read. It is not meant for giving away.
 */
package app.decant.format.kept;
