package app.decant.recover.region;

import app.decant.document.FormField;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.Ink;
import app.decant.pdf.read.VectorPicture;
import java.awt.geom.PathIterator;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;

/**
 * Boxes to be ticked and rings to be picked: small squares and circles drawn in a line of text. They become signs of that line, ticked where something stands
 * in them.
 */
final class DrawnBoxes {
    private static final double LEAST = 5;
    private static final double MOST = 18;
    private static final double JOINT = 1.2;
    private static final int MOST_LINES = 3000;
    /** More than this are a grid, or the points of a chart. */
    private static final int MOST_BOXES = 500;
    /** Of the size of the letters beside; what is smaller is a bullet. */
    private static final double LEAST_SHARE = 0.62;
    static final String UNPICKED = "\u25EF";
    static final String PICKED = "\u25C9";
    private static final String TICKS = "xX\u00D7\u2713\u2714\u2715\u2716\u2717\u2718\u2022\u25A0\u25CF";

    private DrawnBoxes() { }

    /** Takes boxes out of a page's ink and puts them among its letters. */
    static void take(List<Ink> ink, List<Glyph> glyphs) {
        List<Ink.Stroke> across = new ArrayList<>();
        List<Ink.Stroke> down = new ArrayList<>();
        for (Ink one : ink)
            if (one instanceof Ink.Stroke stroke && stroke.length() > LEAST - 1 && stroke.length() < MOST + 1) (stroke.isAcross() ? across : down).add(stroke);
        List<List<Ink>> boxes = new ArrayList<>();
        for (Ink one : ink) if (one instanceof Ink.Shape shape && shape.line() > 0 && isSquare(shape.path().getBounds2D())) boxes.add(List.of(one));
        if (across.size() > MOST_LINES) across.clear();
        for (Ink.Stroke top : across) {
            for (Ink.Stroke bottom : across) {
                double height = bottom.y1() - top.y1();
                if (height < LEAST || height > MOST || Math.abs(height - top.length()) > 0.25 * height || Math.abs(top.x1() - bottom.x1()) > JOINT
                        || Math.abs(top.x2() - bottom.x2()) > JOINT) continue;
                Ink.Stroke left = side(down, top.x1(), top.y1(), bottom.y1());
                Ink.Stroke right = side(down, top.x2(), top.y1(), bottom.y1());
                if (left != null && right != null && left != right) boxes.add(List.of(top, bottom, left, right));
            }
        }
        if (boxes.size() > MOST_BOXES) return;
        for (List<Ink> box : boxes) if (boxes.stream().noneMatch(other -> other != box && other.stream().anyMatch(box::contains))) take(box, ink, glyphs);
    }

    private static boolean isSquare(Rectangle2D box) {
        return box.getHeight() >= LEAST && box.getHeight() <= MOST && Math.abs(box.getHeight() - box.getWidth()) < 0.2 * box.getHeight();
    }

    private static boolean isRound(Ink one) {
        if (!(one instanceof Ink.Shape shape)) return false;
        for (PathIterator it = shape.path().getPathIterator(null); !it.isDone(); it.next())
            if (it.currentSegment(new double[6]) == PathIterator.SEG_CUBICTO) return true;
        return false;
    }

    private static Ink.Stroke side(List<Ink.Stroke> down, double x, double from, double to) {
        for (Ink.Stroke stroke : down)
            if (Math.abs(stroke.x1() - x) < JOINT && Math.abs(stroke.y1() - from) < JOINT && Math.abs(stroke.y2() - to) < JOINT) return stroke;
        return null;
    }

    private static void take(List<Ink> box, List<Ink> ink, List<Glyph> glyphs) {
        Rectangle2D area = null;
        for (Ink side : box) area = area == null ? VectorPicture.bounds(side) : area.createUnion(VectorPicture.bounds(side));
        Rectangle2D square = area;
        Glyph beside = null;
        double least = Double.MAX_VALUE;
        List<Glyph> inside = new ArrayList<>();
        for (Glyph glyph : glyphs) {
            if (glyph.isSpace()) continue;
            double middle = glyph.x() + glyph.width() / 2;
            double over = (glyph.baseline() - square.getCenterY()) / glyph.size();
            if (square.contains(middle, glyph.baseline() - 0.3 * glyph.size())) {
                inside.add(glyph);
            } else if (over > -0.15 && over < 0.75) {
                double away = middle > square.getCenterX() ? glyph.x() - square.getMaxX() : square.getMinX() - glyph.right();
                if (away > -1 && away < 2.5 * glyph.size() && away < least) {
                    beside = glyph;
                    least = away;
                }
            }
        }
        if (beside == null || square.getHeight() < LEAST_SHARE * beside.size()) return;
        if (inside.size() > 1 || inside.size() == 1 && !TICKS.contains(inside.get(0).text())) return;
        List<Ink> marks = ink.stream().filter(one -> !box.contains(one) && square.contains(VectorPicture.bounds(one))).toList();
        boolean ticked = !inside.isEmpty() || marks.stream().anyMatch(one -> !(one instanceof Ink.Fill fill && fill.rgb() == 0xFFFFFF));
        ink.removeAll(box);
        ink.removeAll(marks);
        glyphs.removeAll(inside);
        boolean round = isRound(box.get(0));
        String sign = round ? ticked ? PICKED : UNPICKED : ticked ? FormField.TICKED : FormField.UNTICKED;
        glyphs.add(new Glyph(sign, square.getMinX(), beside.baseline(), square.getWidth(), beside.size(),
                beside.space(), beside.face(), beside.rgb(), beside.tag(), 0, true, null, beside.order()));
    }
}
