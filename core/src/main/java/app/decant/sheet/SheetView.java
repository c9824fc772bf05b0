package app.decant.sheet;

import app.decant.document.Colour;

/**
 * How a sheet is shown on a screen (ISO/IEC 29500-1, 18.3.1.87).
 *
 * @param frozenRows    that stay where they are while others go by; 0 for none
 * @param frozenColumns likewise
 * @param grid          whether lines are seen between cells; those on paper are a matter of its {@link PageSetup}
 * @param rightToLeft   whether the first column stands at the right
 * @param zoom          1 as it is
 * @param tab           the colour of its tab, or null
 */
public record SheetView(int frozenRows, int frozenColumns, boolean grid, boolean rightToLeft, double zoom, Colour tab) {
    public static final SheetView PLAIN = new SheetView(0, 0, true, false, 1, null);
    private static final double LEAST = 0.1;
    private static final double MOST = 4;

    public SheetView {
        frozenRows = Math.max(0, Math.min(Range.MOST_ROWS - 1, frozenRows));
        frozenColumns = Math.max(0, Math.min(Range.MOST_COLUMNS - 1, frozenColumns));
        zoom = Double.isNaN(zoom) ? 1 : Math.max(LEAST, Math.min(MOST, zoom));
    }

    public boolean isFrozen() { return frozenRows > 0 || frozenColumns > 0; }
}
