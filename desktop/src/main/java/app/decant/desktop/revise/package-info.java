/**
 * Revising: the slip about what is picked, finding.
 */
package app.decant.desktop.revise;
