/**
 * The doors for files: each family of formats has a package below with a reader and a writer; {@link app.decant.format.FileKind} tells by
 * content what a file is, and {@link app.decant.format.TextFormats} leads to the right door. Readers give a document <em>and</em> findings.
 *
 * <p>What does not live here: PDF, which is made from pages, not from documents.
 */
package app.decant.format;
