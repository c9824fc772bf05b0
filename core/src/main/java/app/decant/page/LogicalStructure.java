package app.decant.page;

import java.awt.geom.Rectangle2D;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * The structure of pages that were made elsewhere, and which of their marks belong to each part of it (ISO 32000-2, 14.7.5). Marks that belong to nothing are
 * ornaments of the page.
 *
 * @param document its elements in reading order
 * @param shares   of each passage, in reading order: the marks that show it
 * @param pictures where each figure stands, by its place among the figures of {@code document}
 * @param inLines  pictures that stand in the lines of passages
 * @param places   on pages that say something else in some places: where the letters of passages stand, in reading order
 */
public record LogicalStructure(Element document, Map<Passage, List<Share>> shares, Map<Integer, Area> pictures, List<InLine> inLines, List<Place> places) {
    public LogicalStructure {
        shares = Collections.unmodifiableMap(new LinkedHashMap<>(shares));
        pictures = Map.copyOf(pictures);
        inLines = List.copyOf(inLines);
        places = List.copyOf(places);
    }

    /**
     * Marks of one page.
     *
     * @param page  its index
     * @param marks their numbers in the page's order of painting
     * @param label whether they show the label before a list's item
     */
    public record Share(int page, List<Integer> marks, boolean label) {
        public Share { marks = List.copyOf(marks); }
    }

    /**
     * A letter of a passage, in points from the left top corner of the page as it was read.
     *
     * @param page  its index
     * @param label whether it is one of the label before a list's item
     */
    public record Place(Passage passage, int page, double left, double right, double baseline, boolean label) { }

    /**
     * A picture in a line.
     *
     * @param description in words, or null
     */
    public record InLine(Passage passage, String description, Area area) { }

    /** A part of a page, in points from the left top corner of the page as it was read. */
    public record Area(int page, double left, double top, double right, double bottom) {
        /** Lines are drawn half a width beyond where they run. */
        private static final double NEAR = 2;

        /** Whether something stands in it. */
        public boolean holds(Rectangle2D box) {
            return box.getMinX() > left - NEAR && box.getMaxX() < right + NEAR && box.getMinY() > top - NEAR && box.getMaxY() < bottom + NEAR;
        }
    }
}
