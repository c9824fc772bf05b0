package app.decant.recover.region;

import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Boxes on a page by where they lie, so that what meets one is found without asking all: pages of charts hold a hundred thousand. */
final class BoxGrid {
    /** Of a square of the grid, in points. */
    private static final double SIDE = 12;
    /** Boxes over more squares than this are asked one by one. */
    private static final int MOST_SQUARES = 400;

    private final Map<Long, List<Rectangle2D>> squares = new HashMap<>();
    private final List<Rectangle2D> large = new ArrayList<>();

    void add(Rectangle2D box) {
        if (count(box) > MOST_SQUARES) large.add(box);
        else for (int x = square(box.getMinX()); x <= square(box.getMaxX()); x++)
            for (int y = square(box.getMinY()); y <= square(box.getMaxY()); y++) squares.computeIfAbsent(key(x, y), key -> new ArrayList<>(2)).add(box);
    }

    /** Whether any of them lies over a part of a box. */
    boolean meets(Rectangle2D box) {
        for (Rectangle2D one : large) if (one.intersects(box)) return true;
        if (count(box) > squares.size()) return squares.values().stream().flatMap(List::stream).anyMatch(one -> one.intersects(box));
        for (int x = square(box.getMinX()); x <= square(box.getMaxX()); x++)
            for (int y = square(box.getMinY()); y <= square(box.getMaxY()); y++)
                for (Rectangle2D one : squares.getOrDefault(key(x, y), List.of())) if (one.intersects(box)) return true;
        return false;
    }

    private static double count(Rectangle2D box) { return (box.getWidth() / SIDE + 1) * (box.getHeight() / SIDE + 1); }

    private static int square(double at) { return (int) Math.floor(Math.max(-1e6, Math.min(1e6, at)) / SIDE); }

    private static long key(int x, int y) { return (long) x << 32 | y & 0xFFFFFFFFL; }
}
