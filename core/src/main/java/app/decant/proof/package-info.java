/** Compares pages with pages and says how alike they are: a score for each page, and what differs, with its place. Changes nothing. */
package app.decant.proof;
