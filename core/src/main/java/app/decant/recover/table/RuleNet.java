package app.decant.recover.table;

import app.decant.pdf.read.Ink;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Straight lines that may border the cells of a table, and which of them runs along an edge. */
public final class RuleNet {
    /** Lines this close to an edge run along it, in points. */
    static final double NEAR = 2.5;
    /** The areas behind cells reach no farther beyond their texts. */
    private static final double AROUND = 12;
    private static final double BEYOND = 300;
    /** A page of more lines is a drawing, or hatched. */
    private static final int MOST = 2000;

    final List<Ink.Stroke> across = new ArrayList<>();
    final List<Ink.Stroke> down = new ArrayList<>();

    void add(Ink.Stroke stroke) { (stroke.isAcross() ? across : down).add(stroke); }

    /** The lines of a page's ink within a region. */
    static RuleNet within(List<Ink> ink, double left, double top, double right, double bottom) {
        RuleNet net = new RuleNet();
        for (Ink one : ink) {
            boolean inside = one instanceof Ink.Stroke stroke && stroke.x1() > left - NEAR && stroke.x2() < right + NEAR && stroke.y1() > top - NEAR
                    && stroke.y2() < bottom + NEAR;
            if (inside) net.add((Ink.Stroke) one);
        }
        return net;
    }

    /**
     * How far up and down the lines reach that run along words, each closed by those that run across all of it.
     *
     * @return top and bottom; null where there are none
     */
    static double[] framed(List<Ink> ink, double left, double top, double right, double bottom) {
        RuleNet all = within(ink, left - BEYOND, Double.NEGATIVE_INFINITY, right + BEYOND, Double.POSITIVE_INFINITY);
        double[] ends = null;
        if (all.down.size() > MOST || all.across.size() > MOST) return null;
        for (Ink.Stroke stroke : all.down) {
            boolean along = stroke.x1() > left && stroke.x1() < right && stroke.y1() < bottom && stroke.y2() > top
                    && all.closes(stroke, stroke.y1(), left, right) && all.closes(stroke, stroke.y2(), left, right);
            if (!along) continue;
            if (ends == null) ends = new double[] {top, bottom};
            ends[0] = Math.min(ends[0], stroke.y1());
            ends[1] = Math.max(ends[1], stroke.y2());
        }
        return ends;
    }

    private boolean closes(Ink.Stroke stroke, double y, double left, double right) { return isCrossed(stroke, y) && lineAcross(y, left, right) != null; }

    /** Whether a line across meets one that runs down at an end of it. */
    boolean isCrossed(Ink.Stroke stroke, double y) {
        return across.stream().anyMatch(one -> Math.abs(one.y1() - y) < NEAR && one.x1() < stroke.x1() + NEAR && one.x2() > stroke.x1() - NEAR);
    }

    /** The line that runs down at a place, or null: it covers most of the way. */
    Ink.Stroke lineDown(double x, double y1, double y2) { return along(down, x, y1, y2, false); }

    /** The line that runs across at a place, or null: it covers most of the way. */
    Ink.Stroke lineAcross(double y, double x1, double x2) { return along(across, y, x1, x2, true); }

    private static Ink.Stroke along(List<Ink.Stroke> strokes, double at, double from, double to, boolean across) {
        double covered = 0;
        Ink.Stroke found = null;
        for (Ink.Stroke stroke : strokes) {
            if (Math.abs((across ? stroke.y1() : stroke.x1()) - at) > 2 * NEAR) continue;
            double part = Math.min(to, across ? stroke.x2() : stroke.y2()) - Math.max(from, across ? stroke.x1() : stroke.y1());
            if (part <= 0) continue;
            covered += part;
            found = stroke;
        }
        return covered > 0.6 * (to - from) ? found : null;
    }

    /** The colour of the area that fills most of a cell, or null. */
    static Integer shading(List<Ink> ink, double x1, double y1, double x2, double y2) {
        Ink.Fill best = null;
        for (Ink one : ink) {
            if (!(one instanceof Ink.Fill fill)) continue;
            double across = Math.min(fill.right(), x2) - Math.max(fill.x(), x1);
            double down = Math.min(fill.bottom(), y2) - Math.max(fill.y(), y1);
            if (across > 0.8 * (x2 - x1) && down > 0.6 * (y2 - y1) && (best == null || fill.order() > best.order())) best = fill;
        }
        return best == null || best.rgb() == 0xFFFFFF ? null : best.rgb();
    }

    /** Lets the edges of a table reach as far as the areas behind its outer rows and columns do. */
    static void widen(List<Ink> ink, double[] xs, double[] ys) {
        double left = xs[0];
        double top = ys[0];
        double right = xs[xs.length - 1];
        double bottom = ys[ys.length - 1];
        for (Ink one : ink) {
            if (!(one instanceof Ink.Fill fill) || fill.right() < left || fill.x() > right || fill.bottom() < top + NEAR || fill.y() > bottom - NEAR) continue;
            // Sideways a row may reach far beyond its texts.
            boolean row = fill.x() < left + AROUND || fill.x() > xs[xs.length - 2] - AROUND;
            boolean inside = fill.x() > left - AROUND && fill.right() < right + (row ? BEYOND : AROUND) && fill.y() > top - AROUND
                    && fill.bottom() < bottom + AROUND;
            if (!inside || fill.height() < 2 * NEAR || fill.width() < 2 * NEAR) continue;
            xs[0] = Math.min(xs[0], fill.x());
            ys[0] = Math.min(ys[0], fill.y());
            xs[xs.length - 1] = Math.max(xs[xs.length - 1], fill.right());
            ys[ys.length - 1] = Math.max(ys[ys.length - 1], fill.bottom());
        }
    }

    /** Takes what was drawn for a table out of a page's ink. */
    static void takeFrom(List<Ink> ink, TableGrid grid) {
        Set<Ink> gone = new HashSet<>();
        for (Ink one : ink) {
            boolean line = one instanceof Ink.Stroke stroke && stroke.x1() > grid.left() - 6 && stroke.x2() < grid.right() + 6 && stroke.y1() > grid.top()
                    - 3 && stroke.y2() < grid.bottom() + 3;
            boolean area = one instanceof Ink.Fill fill && fill.x() > grid.left() - 6 && fill.right() < grid.right() + 6 && fill.y() > grid.top() - 3
                    && fill.bottom() < grid.bottom() + 3;
            if (line || area) gone.add(one);
        }
        ink.removeAll(gone);
    }

    /** Lines drawn piece by piece, cell after cell, made one again. */
    public static void join(List<Ink> ink) {
        List<Ink.Stroke> strokes = new ArrayList<>();
        for (Ink one : ink) if (one instanceof Ink.Stroke stroke && stroke.isAcross()) strokes.add(stroke);
        strokes.sort(Comparator.comparingLong((Ink.Stroke stroke) -> Math.round(stroke.y1() * 4)).thenComparingDouble(Ink.Stroke::x1));
        Map<Ink, Ink> now = new IdentityHashMap<>();
        for (int i = 0; i + 1 < strokes.size(); i++) {
            Ink.Stroke one = strokes.get(i);
            Ink.Stroke next = strokes.get(i + 1);
            boolean goesOn = Math.abs(one.y1() - next.y1()) < 0.3 && Math.abs(one.y2() - next.y2()) < 0.3 && next.x1() - one.x2() < 0.6
                    && Math.abs(one.width() - next.width()) < 0.1 && one.rgb() == next.rgb() && one.dashed() == next.dashed();
            if (!goesOn) continue;
            Ink.Stroke both = new Ink.Stroke(one.x1(), one.y1(), Math.max(one.x2(), next.x2()), next.y2(), one.width(), one.rgb(), one.dashed(),
                    Math.min(one.order(), next.order()));
            now.put(one, null);
            now.put(next, both);
            strokes.set(i + 1, both);
            now.put(both, both);
        }
        if (now.isEmpty()) return;
        List<Ink> joined = new ArrayList<>();
        for (Ink one : ink) {
            Ink at = one;
            while (at != null && now.containsKey(at) && now.get(at) != at) at = now.get(at);
            if (at != null) joined.add(at);
        }
        ink.clear();
        ink.addAll(joined);
    }
}
