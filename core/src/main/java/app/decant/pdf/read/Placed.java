package app.decant.pdf.read;

import app.decant.document.Picture;

/** A picture on a page: its left top corner in points, and its place in the order of painting. */
public record Placed(Picture picture, double x, double y, int order) implements Box {
    @Override public double left() { return x; }
    @Override public double top() { return y; }
    @Override public double right() { return x + picture.width(); }
    @Override public double bottom() { return y + picture.height(); }
}
