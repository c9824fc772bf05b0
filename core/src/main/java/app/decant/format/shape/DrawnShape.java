package app.decant.format.shape;

import app.decant.document.Anchor;
import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.Image;
import app.decant.document.Picture;
import app.decant.picture.PictureDecoder;
import java.awt.geom.AffineTransform;
import java.awt.geom.Ellipse2D;
import java.awt.geom.FlatteningPathIterator;
import java.awt.geom.Path2D;
import java.awt.geom.PathIterator;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.graphics.state.PDExtendedGraphicsState;

/** Shapes drawn from their outlines, as drawings without pixels: areas, lines, the heads of arrows. All measures in points, y down. */
public final class DrawnShape {
    /** How long and wide the head of an arrow is against its line, and the least it is. */
    private static final double HEAD = 3;
    private static final double LEAST_HEAD = 4.5;
    private static final double MOST_POINTS = 5000;

    private DrawnShape() { }

    /** One outline. @param shade of its area against the shape's colour: less than 1 darker, more lighter */
    public record Part(Path2D path, boolean filled, boolean stroked, double shade) { }

    /** What an open line ends in. */
    public enum Head { NONE, TRIANGLE, OPEN, OVAL, DIAMOND }

    /** How its lines are drawn. @param dash lengths of strokes and gaps in widths of the line; empty for one without gaps */
    public record Pen(double width, Colour colour, List<Double> dash, Head start, Head end) {
        public static final Pen NONE = new Pen(0, Colour.BLACK, List.of(), Head.NONE, Head.NONE);

        public Pen { dash = List.copyOf(dash); }

        public boolean isVisible() { return width > 0; }

        /** The line as that of a box, or null. */
        public Border border() { return isVisible() ? Border.single(width, colour) : null; }
    }

    /** What it is drawn with. @param fill of its areas, or null @param blend over them instead where that can be drawn, or null */
    public record Ink(Colour fill, double opacity, Pen pen, Blend blend) {
        public Ink(Colour fill, double opacity, Pen pen) { this(fill, opacity, pen, null); }

        public Ink with(Pen other) { return new Ink(fill, opacity, other, blend); }

        public boolean isVisible() { return fill != null && opacity > 0 || pen.isVisible(); }
    }

    /** A drawing, and where its upper left corner lies from the shape's own: lines reach out of their box, and so do turned shapes. */
    public record Made(Picture picture, double x, double y) {
        /** Where it is put for its shape to stand at a place. */
        public Anchor at(Anchor shape) { return shape.moved(x, y); }
    }

    /**
     * Draws a shape.
     *
     * @param turn  by which it is turned and mirrored
     * @param words read to people who do not see it, or null
     * @return null where there is nothing to be seen, or it is larger than any page
     */
    public static Made draw(List<Part> parts, Ink ink, AffineTransform turn, String words) {
        if (!ink.isVisible() || parts.isEmpty()) return null;
        List<Part> turned = parts.stream().map(part -> new Part(new Path2D.Double(part.path, turn), part.filled, part.stroked, part.shade)).toList();
        Rectangle2D box = null;
        for (Part part : turned) {
            Rectangle2D own = part.path.getBounds2D();
            box = box == null ? own : box.createUnion(own);
        }
        if (box.getWidth() == 0 && box.getHeight() == 0) return null;
        boolean heads = ink.pen.start != Head.NONE || ink.pen.end != Head.NONE;
        double margin = ink.pen.width / 2 + 0.5 + (heads ? head(ink.pen) : 0);
        double width = box.getWidth() + 2 * margin;
        double height = box.getHeight() + 2 * margin;
        if (!(width < MOST_POINTS && height < MOST_POINTS)) return null;
        double left = box.getX() - margin;
        double top = box.getY() - margin;
        AffineTransform onPage = new AffineTransform(1, 0, 0, -1, -left, height + top);
        Image image = new Image(PictureDecoder.DRAWING, DrawnPage.of(width, height, (pdf, out) -> paint(turned, ink, onPage, out)));
        return new Made(new Picture(image, width, height, words), left, top);
    }

    static void paint(List<Part> parts, Ink ink, AffineTransform onPage, PDPageContentStream out) throws IOException {
        if (ink.opacity < 1) {
            PDExtendedGraphicsState state = new PDExtendedGraphicsState();
            state.setNonStrokingAlphaConstant((float) ink.opacity);
            out.setGraphicsStateParameters(state);
        }
        for (Part part : parts) paint(part, ink, onPage, out);
    }

    private static void paint(Part part, Ink ink, AffineTransform onPage, PDPageContentStream out) throws IOException {
        if (part.filled && ink.blend != null && part.shade == 1) {
            out.saveGraphicsState();
            TracedPath.trace(part.path, onPage, out);
            if (part.path.getWindingRule() == Path2D.WIND_EVEN_ODD) out.clipEvenOdd();
            else out.clip();
            out.shadingFill(ink.blend.shading(part.path.getBounds2D(), onPage));
            out.restoreGraphicsState();
        } else if (part.filled && ink.fill != null) {
            Colour fill = part.shade < 1 ? ink.fill.mixed(Colour.BLACK, part.shade) : ink.fill.mixed(Colour.WHITE, 2 - part.shade);
            out.setNonStrokingColor(fill.red() / 255f, fill.green() / 255f, fill.blue() / 255f);
            TracedPath.trace(part.path, onPage, out);
            if (part.path.getWindingRule() == Path2D.WIND_EVEN_ODD) out.fillEvenOdd();
            else out.fill();
        }
        Pen pen = ink.pen;
        if (!part.stroked || !pen.isVisible()) return;
        out.setLineWidth((float) pen.width);
        out.setStrokingColor(pen.colour.red() / 255f, pen.colour.green() / 255f, pen.colour.blue() / 255f);
        float[] dash = new float[pen.dash.size()];
        for (int i = 0; i < dash.length; i++) dash[i] = (float) (pen.dash.get(i) * pen.width);
        out.setLineDashPattern(dash, 0);
        out.setLineJoinStyle(1);
        TracedPath.trace(part.path, onPage, out);
        out.stroke();
        List<Point2D> way = way(part.path);
        if (way.size() < 2) return;
        out.setLineDashPattern(new float[0], 0);
        out.setNonStrokingColor(pen.colour.red() / 255f, pen.colour.green() / 255f, pen.colour.blue() / 255f);
        end(pen, pen.start, way.get(1), way.get(0), onPage, out);
        end(pen, pen.end, way.get(way.size() - 2), way.get(way.size() - 1), onPage, out);
    }

    /** The corners of a line that is open; nothing for one that closes. */
    private static List<Point2D> way(Path2D path) {
        List<Point2D> way = new ArrayList<>();
        double[] point = new double[6];
        for (PathIterator flat = new FlatteningPathIterator(path.getPathIterator(null), 0.2); !flat.isDone(); flat.next()) {
            int kind = flat.currentSegment(point);
            if (kind == PathIterator.SEG_CLOSE || kind == PathIterator.SEG_MOVETO && !way.isEmpty()) return List.of();
            Point2D next = new Point2D.Double(point[0], point[1]);
            if (way.isEmpty() || way.get(way.size() - 1).distance(next) > 0.01) way.add(next);
        }
        return way;
    }

    private static double head(Pen pen) { return Math.max(LEAST_HEAD, HEAD * pen.width); }

    private static void end(Pen pen, Head head, Point2D from, Point2D to, AffineTransform onPage, PDPageContentStream out) throws IOException {
        if (head == Head.NONE) return;
        double size = head(pen);
        Path2D path = new Path2D.Double();
        switch (head) {
            case OVAL -> path.append(new Ellipse2D.Double(-size / 2, -size / 2, size, size), false);
            case DIAMOND -> corners(path, size / 2, 0, 0, size / 2, -size / 2, 0, 0, -size / 2);
            default -> corners(path, 0, 0, -size, size / 2, -size, -size / 2);
        }
        if (head == Head.OPEN) {
            path = new Path2D.Double();
            path.moveTo(-size, size / 2);
            path.lineTo(0, 0);
            path.lineTo(-size, -size / 2);
        } else path.closePath();
        AffineTransform there = new AffineTransform(onPage);
        there.translate(to.getX(), to.getY());
        there.rotate(Math.atan2(to.getY() - from.getY(), to.getX() - from.getX()));
        TracedPath.trace(path, there, out);
        if (head == Head.OPEN) out.stroke();
        else out.fill();
    }

    private static void corners(Path2D path, double... points) {
        path.moveTo(points[0], points[1]);
        for (int i = 2; i < points.length; i += 2) path.lineTo(points[i], points[i + 1]);
    }
}
