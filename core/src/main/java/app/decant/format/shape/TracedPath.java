package app.decant.format.shape;

import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.PathIterator;
import java.awt.geom.Point2D;
import java.io.IOException;
import org.apache.pdfbox.pdmodel.PDPageContentStream;

/** Traces outlines on a page of a PDF (ISO 32000-1, 8.5.2), which knows curves of the third degree only. */
public final class TracedPath {
    private TracedPath() { }

    /**
     * Begins a path there with the outline.
     *
     * @param onPage brings it to its place
     * @return whether there was anything to trace
     */
    public static boolean trace(Shape shape, AffineTransform onPage, PDPageContentStream out) throws IOException {
        float[] p = new float[6];
        Point2D last = new Point2D.Float();
        boolean any = false;
        for (PathIterator all = shape.getPathIterator(onPage); !all.isDone(); all.next()) {
            any = true;
            int kind = all.currentSegment(p);
            switch (kind) {
                case PathIterator.SEG_MOVETO -> out.moveTo(p[0], p[1]);
                case PathIterator.SEG_LINETO -> out.lineTo(p[0], p[1]);
                case PathIterator.SEG_QUADTO -> {
                    float x = (float) last.getX();
                    float y = (float) last.getY();
                    out.curveTo(x + (p[0] - x) * 2 / 3, y + (p[1] - y) * 2 / 3, p[2] + (p[0] - p[2]) * 2 / 3, p[3] + (p[1] - p[3]) * 2 / 3, p[2], p[3]);
                }
                case PathIterator.SEG_CUBICTO -> out.curveTo(p[0], p[1], p[2], p[3], p[4], p[5]);
                default -> out.closePath();
            }
            int end = kind == PathIterator.SEG_CUBICTO ? 4 : kind == PathIterator.SEG_QUADTO ? 2 : 0;
            if (kind != PathIterator.SEG_CLOSE) last.setLocation(p[end], p[end + 1]);
        }
        return any;
    }
}
