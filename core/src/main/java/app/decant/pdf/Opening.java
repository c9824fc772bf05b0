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
 */
public record Opening(int page, double zoom, Arrangement arrangement, Panel panel, boolean fullScreen, boolean hidden, boolean titled) {
    /** The zoom is left to the reader; the whole page fits; its width fits. */
    public static final double AS_BEFORE = 0;
    public static final double WHOLE_PAGE = -1;
    public static final double PAGE_WIDTH = -2;

    /** Bookmarks showing where there are some; all else as the reader does it. */
    public static final Opening PLAIN = new Opening(0, AS_BEFORE, Arrangement.AS_BEFORE, Panel.BOOKMARKS, false, false, true);

    /** How pages stand. */
    public enum Arrangement { AS_BEFORE, ONE_PAGE, ONE_COLUMN, SPREADS, SPREADS_FROM_COVER }

    /** What shows beside the pages. */
    public enum Panel { NONE, BOOKMARKS, PAGE_PICTURES, ATTACHMENTS }
}
