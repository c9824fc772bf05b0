package app.decant.page;

import java.util.List;

/**
 * A page of a file that says something else in some places, and is itself everywhere else.
 *
 * @param content the page's content stream, not packed
 * @param areas   outside of which nothing on it looks otherwise
 */
public record Rewritten(byte[] content, List<Area> areas) {
    public Rewritten { areas = List.copyOf(areas); }

    /** A part of a page as it is seen, in points from its top left corner. */
    public record Area(double left, double top, double right, double bottom) {
        public boolean holds(double x, double y) { return x >= left && x <= right && y >= top && y <= bottom; }
    }
}
