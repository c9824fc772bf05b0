package app.decant.pdf;

/**
 * How a reader is asked to open the file (ISO 32000-2, 12.2 and table 29).
 *
 * @param page     the page shown first, as its place in the file from 1; 0 says nothing
 * @param zoom     a share of the natural size, such as 1.25; or one of the constants
 * @param arrangement of pages beside and below each other
 * @param panel    what shows beside the pages
 * @param hidden   whether bars and menus are put away
 * @param titled   whether the window shows the title rather than the name of the file
 * @param printing what its print window is asked to begin with
 */
public record Opening(int page, double zoom, Arrangement arrangement, Panel panel, boolean fullScreen, boolean hidden, boolean titled, Printing printing) {
    /** The zoom is left to the reader; the whole page fits; its width fits. */
    public static final double AS_BEFORE = 0;
    public static final double WHOLE_PAGE = -1;
    public static final double PAGE_WIDTH = -2;

    /** Bookmarks showing where there are some; all else as the reader does it. */
    public static final Opening PLAIN = new Opening(0, AS_BEFORE, Arrangement.AS_BEFORE, Panel.BOOKMARKS, false, false, true, Printing.AS_BEFORE);

    public Opening page(int other) { return new Opening(other, zoom, arrangement, panel, fullScreen, hidden, titled, printing); }
    public Opening zoom(double other) { return new Opening(page, other, arrangement, panel, fullScreen, hidden, titled, printing); }
    public Opening with(Arrangement other) { return new Opening(page, zoom, other, panel, fullScreen, hidden, titled, printing); }
    public Opening with(Panel other) { return new Opening(page, zoom, arrangement, other, fullScreen, hidden, titled, printing); }
    public Opening fullScreen(boolean other) { return new Opening(page, zoom, arrangement, panel, other, hidden, titled, printing); }
    public Opening hidden(boolean other) { return new Opening(page, zoom, arrangement, panel, fullScreen, other, titled, printing); }
    public Opening with(Printing other) { return new Opening(page, zoom, arrangement, panel, fullScreen, hidden, titled, other); }

    /**
     * What printing begins with (ISO 32000-2, table 147).
     *
     * @param copies 0 says nothing
     * @param natural whether pages are printed in their size, not fitted to the paper
     */
    public record Printing(int copies, Sides sides, boolean natural) {
        public static final Printing AS_BEFORE = new Printing(0, Sides.AS_BEFORE, false);
    }

    /** Which sides of the paper: one; both, turned like a book or like a notepad. */
    public enum Sides { AS_BEFORE, ONE, BOTH_LIKE_A_BOOK, BOTH_LIKE_A_NOTEPAD }

    /** How pages stand. */
    public enum Arrangement { AS_BEFORE, ONE_PAGE, ONE_COLUMN, SPREADS, SPREADS_FROM_COVER }

    /** What shows beside the pages. */
    public enum Panel { NONE, BOOKMARKS, PAGE_PICTURES, ATTACHMENTS }
}
