/**
 * A PDF that stays itself: its own pages published again under the choices of a recipe, each of which does only what it says. What no choice names, and
 * nobody edited, leaves as it came.
 *
 * <p>Read {@link app.decant.pdf.keep.OwnPages}, which tells what the file has, then {@link app.decant.pdf.keep.KeptWriter}, which calls the others:
 * {@code PageSelection} (which pages), {@code ActiveContent} (what would run), {@code KeptFacts} and {@code Metadata}, {@code KeptBookmarks},
 * {@code KeptPictures}, {@code LaidOnPages} (letterheads, stamps), {@code AnewPages} (pages that are set here after all). What a standard forbids is repaired
 * by {@link app.decant.pdf.mend.StandardMending}. A signed file gets what is new behind its bytes where that can be.
 *
 * <p>Words are changed by {@link app.decant.pdf.keep.PageRewriting}: a {@link app.decant.pdf.keep.Correction} of a line becomes other codes in the
 * operator that shows them ({@code ChangedStream}, {@code TextRewriting}), found by {@code LetterCodes}, if {@code LineRoom} has room. What has none, and
 * paragraphs that come or go, are set by {@code PassageSetting}, and {@code LowerLines}, {@code MovedDrawings} and {@code StretchedFrames} make the room;
 * in tables {@code GrownRow} does, and {@code CellFilling} fills empty cells. What is put into a tagged page is content of its own ({@code PutInLines},
 * {@code PutInElements}). Then the page is read and painted again, and what is not exactly as it should be is refused ({@code PageChanges}, {@code
 * PaintedPage}). Whether the result as a whole keeps its promise is for {@code pdf.check}.
 */
package app.decant.pdf.keep;
