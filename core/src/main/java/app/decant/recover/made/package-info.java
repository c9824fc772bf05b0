/**
 * Elements to a {@link app.decant.document.Document}: runs and their looks, styles that many share, tables, frames, sections. Begin with
 * {@link app.decant.recover.made.Assembly}.
 */
package app.decant.recover.made;
