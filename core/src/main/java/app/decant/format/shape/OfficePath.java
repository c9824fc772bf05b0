package app.decant.format.shape;

import app.decant.format.shape.DrawnShape.Part;
import java.awt.geom.AffineTransform;
import java.util.List;

/** Outlines told point by point (MS-ODRAW 2.3.6.6 to 2.3.6.8, and 2.2.51 for what to do with the points). */
final class OfficePath {
    private static final int USUAL_SIZE = 21_600;
    /** As many points as a record can tell. */
    private static final int MOST = 65_535;

    private final int[] points;
    private final PartTracer traced;
    private int at;
    private boolean isKnown = true;

    private OfficePath(int[] points, AffineTransform fit) {
        this.points = points;
        traced = new PartTracer(fit);
    }

    /** @return nothing where points are worked out by formulas, or there are none */
    static List<Part> parts(OfficeShape.Properties told, double width, double height) {
        int left = told.number(0x0140, 0);
        int top = told.number(0x0141, 0);
        double across = (double) told.number(0x0142, USUAL_SIZE) - left;
        double down = (double) told.number(0x0143, USUAL_SIZE) - top;
        int[] points = told.numbers(0x0145);
        if (across <= 0 || down <= 0 || points == null || points.length < 4 || points.length > 2 * MOST) return List.of();
        // What is so far away is the number of a formula.
        for (int one : points) if (one < -0x400_0000 || one > 0x400_0000) return List.of();
        AffineTransform fit = AffineTransform.getScaleInstance(width / across, height / down);
        fit.translate(-left, -top);
        OfficePath outline = new OfficePath(points, fit);
        int[] steps = told.numbers(0x0146);
        if (steps == null || steps.length == 0) outline.plain(told.number(0x0144, 1));
        else for (int i = 0; i < steps.length && i < MOST && outline.isKnown; i++) outline.step(steps[i]);
        outline.traced.end();
        return outline.isKnown ? outline.traced.parts() : List.of();
    }

    private boolean has(int count) {
        if (at + 2 * count <= points.length) return true;
        at = points.length;
        return false;
    }

    private double next() { return points[at++]; }

    private void move() {
        if (has(1)) traced.path.moveTo(next(), next());
    }

    private void line() {
        if (!traced.isBegun()) move();
        else if (has(1)) traced.path.lineTo(next(), next());
    }

    private void curve() {
        if (!traced.isBegun()) move();
        if (traced.isBegun() && has(3)) traced.path.curveTo(next(), next(), next(), next(), next(), next());
    }

    /** Without steps all points are of one kind (2.4.25): lines or curves, open or closed. */
    private void plain(int kind) {
        while (at < points.length) {
            if (kind >= 2) curve();
            else line();
        }
        if (kind == 1 || kind == 3) traced.close();
    }

    private void step(int told) {
        int count = told & 0x1FFF;
        switch (told >> 13 & 7) {
            case 0 -> {
                for (int i = 0; i < Math.max(1, count) && at < points.length; i++) line();
            }
            case 1 -> {
                for (int i = 0; i < Math.max(1, count) && at < points.length; i++) curve();
            }
            case 2 -> move();
            case 3 -> traced.close();
            case 4 -> traced.end();
            case 5 -> special(told >> 8 & 0x1F);
            default -> isKnown = false;
        }
    }

    /** Only what says how to paint; arcs are left to shapes that have a number. */
    private void special(int code) {
        switch (code) {
            case 0x0A -> traced.filled = false;
            case 0x0B -> traced.stroked = false;
            case 0x0C, 0x0D, 0x0E, 0x0F, 0x10, 0x11, 0x12, 0x13, 0x14 -> { }
            default -> isKnown = false;
        }
    }
}
