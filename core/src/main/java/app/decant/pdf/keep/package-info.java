/**
 * A PDF that stays itself: its own pages published again under the choices of a recipe, each of which does only what it says. Content streams are never
 * parsed and never written anew; what a choice does not name leaves as it came.
 *
 * <p>Read {@link app.decant.pdf.keep.OwnPages}, which tells what the file has, then {@link app.decant.pdf.keep.KeptWriter}, which calls the others:
 * {@code PageSelection} (which pages), {@code ActiveContent} (what would run), {@code KeptFacts}, {@code KeptBookmarks}, {@code KeptPictures},
 * {@code LaidOnPages} (letterheads, stamps). Whether the result keeps its promise is for {@code pdf.check}.
 */
package app.decant.pdf.keep;
