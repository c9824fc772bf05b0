/** Pages onto images: for the screen, for pictures of pages, for print. What it paints is the very page that a PDF is written from. */
package app.decant.paint;
