package app.decant.sheet;

import app.decant.document.Picture;
import app.decant.document.TextBox;

/**
 * What lies over the cells of a sheet: a picture, a chart drawn from the numbers that the file keeps of it, a drawn shape with its words.
 *
 * @param cells   from the cell in which it begins to that in which it ends
 * @param left    how far from the edge of its first column it begins, in points; the others likewise
 * @param right   from the left edge of its last column
 * @param bottom  from the upper edge of its last row
 * @param picture what is seen of it; null for a shape that is a plain box
 * @param shape   what a shape is beyond its picture; null for all else
 * @param markup  of a chart or a shape as its file had it (ISO/IEC 29500-1, 21.2 and 20.5.2.29), where that needs nothing else; null for all else
 */
public record SheetObject(Kind kind, Range cells, double left, double top, double right, double bottom, Picture picture, Shape shape, byte[] markup) {
    public SheetObject {
        if (picture == null && (shape == null || shape.words == null)) throw new IllegalArgumentException("Something is seen of it");
    }

    public SheetObject(Kind kind, Range cells, double left, double top, double right, double bottom, Picture picture) {
        this(kind, cells, left, top, right, bottom, picture, null, null);
    }

    /**
     * What a shape is beyond its picture.
     *
     * @param words  in a box as large as the shape, with its area and line where it is a plain one; null where it has none
     * @param width  of the shape as it was read, in points, as is {@code height}
     * @param x      how far to the right of the shape's box its picture begins: lines reach out of it, and so do turned shapes
     * @param y      how far below its upper edge
     */
    public record Shape(TextBox words, double width, double height, double x, double y) { }

    /** What it is, for whoever tells that it has no place in a format. */
    public enum Kind { PICTURE, CHART, SHAPE }
}
