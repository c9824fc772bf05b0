package app.decant.format.shape;

import app.decant.format.shape.DrawnShape.Part;
import java.awt.geom.AffineTransform;
import java.awt.geom.Path2D;
import java.util.ArrayList;
import java.util.List;

/** Gathers the outlines of a shape while one of the languages that tell them is read: each ends with how it is painted. */
final class PartTracer {
    private final AffineTransform fit;
    private final List<Part> parts = new ArrayList<>();
    Path2D path = new Path2D.Double();
    boolean filled = true;
    boolean stroked = true;

    /** @param fit from the measure of the points to that of the shape */
    PartTracer(AffineTransform fit) { this.fit = fit; }

    List<Part> parts() { return parts; }

    boolean isBegun() { return path.getCurrentPoint() != null; }

    void close() {
        if (isBegun()) path.closePath();
    }

    /** Ends an outline; what lies in it twice is a hole. */
    void end() {
        if (isBegun()) {
            path.transform(fit);
            path.setWindingRule(Path2D.WIND_EVEN_ODD);
            parts.add(new Part(path, filled, stroked, 1));
        }
        path = new Path2D.Double();
        filled = true;
        stroked = true;
    }
}
