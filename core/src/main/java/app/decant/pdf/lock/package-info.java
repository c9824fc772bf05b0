/**
 * Passwords and permissions of a PDF (ISO 32000-2, 7.6): what is wished ({@link app.decant.pdf.lock.Protection}) and the lock put on.
 */
package app.decant.pdf.lock;
