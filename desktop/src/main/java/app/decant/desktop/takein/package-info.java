/**
 * Taking in: the place to drop a document, and a PDF beside what it will be.
 */
package app.decant.desktop.takein;
