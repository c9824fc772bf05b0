package app.decant.pdf.read;

import java.awt.geom.Path2D;
import java.awt.geom.PathIterator;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntSupplier;

/** Tells lines, rectangles and other shapes apart among painted paths. A thin filled rectangle is a line, as many programs draw it. */
public final class PathReading {
    private static final double THIN = 2.6;
    private static final double STRAIGHT = 0.4;

    private final List<Ink> ink;
    private final IntSupplier order;

    PathReading(List<Ink> ink, IntSupplier order) {
        this.ink = ink;
        this.order = order;
    }

    /** A part of a path without a jump: its corners, and whether it has curves or closes. */
    private static final class Part {
        final List<double[]> points = new ArrayList<>();
        boolean curved;
        boolean closed;

        boolean isUpright() {
            if (curved) return false;
            for (int i = 1; i < points.size(); i++) {
                double dx = Math.abs(points.get(i)[0] - points.get(i - 1)[0]);
                double dy = Math.abs(points.get(i)[1] - points.get(i - 1)[1]);
                if (dx > STRAIGHT && dy > STRAIGHT) return false;
            }
            return true;
        }

        Rectangle2D bounds() {
            Rectangle2D.Double box = new Rectangle2D.Double(points.get(0)[0], points.get(0)[1], 0, 0);
            for (double[] point : points) box.add(point[0], point[1]);
            return box;
        }

        /** Whether it is a rectangle: every corner of it lies in a corner of its bounds. */
        boolean isRectangle() {
            if (!isUpright() || points.size() < 4 || points.size() > 6) return false;
            Rectangle2D box = bounds();
            for (double[] point : points) {
                boolean onX = Math.abs(point[0] - box.getMinX()) < STRAIGHT || Math.abs(point[0] - box.getMaxX()) < STRAIGHT;
                boolean onY = Math.abs(point[1] - box.getMinY()) < STRAIGHT || Math.abs(point[1] - box.getMaxY()) < STRAIGHT;
                if (!onX || !onY) return false;
            }
            return true;
        }
    }

    void stroke(Path2D path, double width, float[] dash, int rgb, double alpha) {
        List<Part> parts = parts(path);
        if (parts.stream().allMatch(Part::isUpright)) {
            for (Part part : parts) {
                for (int i = 1; i < part.points.size(); i++) line(part.points.get(i - 1), part.points.get(i), width, rgb, dash != null);
                if (part.closed && part.points.size() > 2) line(part.points.get(part.points.size() - 1), part.points.get(0), width, rgb, dash != null);
            }
        } else {
            ink.add(new Ink.Shape(path, width, dash, rgb, alpha, false, order.getAsInt()));
        }
    }

    private void line(double[] from, double[] to, double width, int rgb, boolean dashed) {
        double x1 = Math.min(from[0], to[0]);
        double x2 = Math.max(from[0], to[0]);
        double y1 = Math.min(from[1], to[1]);
        double y2 = Math.max(from[1], to[1]);
        if (x2 - x1 < 0.5 && y2 - y1 < 0.5) return;
        // A thick short line is an area: some programs fill rectangles so.
        if (width > 6 && Math.max(x2 - x1, y2 - y1) > 1) {
            boolean across = x2 - x1 >= y2 - y1;
            ink.add(across ? new Ink.Fill(x1, y1 - width / 2, x2 - x1, width, rgb, order.getAsInt()) : new Ink.Fill(x1 - width / 2, y1, width, y2 - y1, rgb,
                    order.getAsInt()));
            return;
        }
        ink.add(new Ink.Stroke(x1, y1, x2, y2, width, rgb, dashed, order.getAsInt()));
    }

    void fill(Path2D path, Rectangle2D clip, boolean evenOdd, int rgb, double alpha) {
        List<Part> parts = parts(path);
        if (!parts.isEmpty() && parts.stream().allMatch(Part::isRectangle) && alpha > 0.95) {
            for (Part part : parts) {
                Rectangle2D box = part.bounds().createIntersection(clip);
                double w = box.getWidth();
                double h = box.getHeight();
                if (w <= 0 || h <= 0) continue;
                if (h <= THIN && w > 3 * h)
                    ink.add(new Ink.Stroke(box.getMinX(), box.getCenterY(), box.getMaxX(), box.getCenterY(), h, rgb, false, order.getAsInt()));
                else if (w <= THIN && h > 3 * w)
                    ink.add(new Ink.Stroke(box.getCenterX(), box.getMinY(), box.getCenterX(), box.getMaxY(), w, rgb, false, order.getAsInt()));
                else ink.add(new Ink.Fill(box.getMinX(), box.getMinY(), w, h, rgb, order.getAsInt()));
            }
        } else if (!parts.isEmpty() && path.getBounds2D().intersects(clip)) {
            ink.add(new Ink.Shape(path, 0, null, rgb, alpha, evenOdd, order.getAsInt()));
        }
    }

    private static List<Part> parts(Path2D path) {
        List<Part> parts = new ArrayList<>();
        Part part = null;
        double[] c = new double[6];
        for (PathIterator it = path.getPathIterator(null); !it.isDone(); it.next()) {
            int kind = it.currentSegment(c);
            if (kind == PathIterator.SEG_CLOSE) {
                if (part != null) part.closed = true;
                continue;
            }
            if (kind == PathIterator.SEG_MOVETO || part == null) {
                part = new Part();
                parts.add(part);
            }
            if (kind == PathIterator.SEG_QUADTO || kind == PathIterator.SEG_CUBICTO) part.curved = true;
            int last = kind == PathIterator.SEG_CUBICTO ? 4 : kind == PathIterator.SEG_QUADTO ? 2 : 0;
            part.points.add(new double[] {c[last], c[last + 1]});
        }
        parts.removeIf(one -> one.points.size() < 2);
        return parts;
    }
}
