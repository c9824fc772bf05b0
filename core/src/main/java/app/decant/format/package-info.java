/**
 * The doors for files. A {@link app.decant.format.Format} is all that is known of one kind of file; {@link app.decant.format.Formats} lists them and tells
 * by its {@link app.decant.format.Content} what a file is. Each family has a package below with its readers and writers, which do not see each other; a
 * new kind is a constant of its family, a new family a line in {@code META-INF/services}. Readers give a document <em>and</em> findings.
 *
 * <p>What does not live here: how PDFs are read, which is recovery, and written, since they are made from pages and not from documents.
 */
package app.decant.format;
