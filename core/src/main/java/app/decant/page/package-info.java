/**
 * Paper: what stands where, and nothing of where it came from.
 *
 * <p>Read in this order: {@link app.decant.page.Pages} is what any document, workbook or file becomes before it is painted, published or compared;
 * a {@link app.decant.page.Page} holds {@link app.decant.page.Item}s in points from its top left corner, lines of text among them, each a row of
 * {@link app.decant.page.Piece}s; whoever implements {@link app.decant.page.Canvas} is shown all of it, from back to front: the painter and the PDF
 * writer see the very same page. {@link app.decant.page.Element} tells the same in words. Pages of a file that stay its own are a
 * {@link app.decant.page.Rewritten} where words were changed, and have a {@link app.decant.page.Mending} where a standard asks more than the file keeps.
 *
 * <p>What does not live here: how things got their place, files, pixels.
 */
package app.decant.page;
