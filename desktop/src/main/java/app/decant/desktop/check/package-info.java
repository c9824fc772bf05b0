/**
 * Checking: what wants a look.
 */
package app.decant.desktop.check;
