package app.decant.sheet;

import app.decant.document.Picture;

/**
 * What lies over the cells of a sheet: a picture, or a chart drawn from the numbers that the file keeps of it.
 *
 * @param cells   from the cell in which it begins to that in which it ends
 * @param left    how far from the edge of its first column it begins, in points; the others likewise
 * @param right   from the left edge of its last column
 * @param bottom  from the upper edge of its last row
 * @param chart   the markup of a chart as its file had it (ISO/IEC 29500-1, 21.2), where that needs nothing else; null for all else
 */
public record SheetObject(Kind kind, Range cells, double left, double top, double right, double bottom, Picture picture, byte[] chart) {
    public SheetObject(Kind kind, Range cells, double left, double top, double right, double bottom, Picture picture) {
        this(kind, cells, left, top, right, bottom, picture, null);
    }

    /** What it is, for whoever tells that it has no place in a format. */
    public enum Kind { PICTURE, CHART }
}
