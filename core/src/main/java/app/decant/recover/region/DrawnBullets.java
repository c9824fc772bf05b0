package app.decant.recover.region;

import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.Ink;
import app.decant.pdf.read.VectorPicture;
import app.decant.recover.line.LineFinder;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** Bullets that a program drew as little discs, rings or squares instead of writing them: made letters again, so that lists are lists. */
public final class DrawnBullets {
    private static final double LEAST = 1.2;
    private static final double MOST = 10;
    private static final int MOST_SHAPES = 4000;

    private DrawnBullets() { }

    /** Something drawn that looks like a bullet. */
    private record Dot(Ink ink, Rectangle2D box, String text, int rgb) { }

    /** Takes drawn bullets out of a page's ink and puts them among its letters. */
    static void take(List<Ink> ink, List<Glyph> glyphs) {
        List<Dot> dots = new ArrayList<>();
        for (Ink one : ink) {
            Dot dot = dot(one);
            if (dot != null) dots.add(dot);
        }
        if (dots.isEmpty() || dots.size() > MOST_SHAPES) return;
        Map<Long, List<Glyph>> byHeight = new TreeMap<>();
        for (Glyph glyph : glyphs) {
            if (glyph.isSpace() || glyph.text().isEmpty() || !glyph.seen()) continue;
            byHeight.computeIfAbsent((long) Math.floor(glyph.baseline() / 20), key -> new ArrayList<>()).add(glyph);
        }
        List<Ink> gone = new ArrayList<>();
        for (Dot dot : dots) {
            Glyph text = textOf(dot, byHeight);
            if (text == null) continue;
            gone.add(dot.ink);
            glyphs.add(new Glyph(dot.text, dot.box.getMinX(), text.baseline(), dot.box.getWidth(), text.size(), text.space(), text.face(), dot.rgb,
                    text.tag(), 0, true, null, text.order()));
        }
        ink.removeAll(gone);
    }

    private static Dot dot(Ink ink) {
        if (ink instanceof Ink.Stroke) return null;
        Rectangle2D box = ink instanceof Ink.Shape shape ? shape.path().getBounds2D() : VectorPicture.bounds(ink);
        double width = box.getWidth();
        double height = box.getHeight();
        if (width < LEAST || height < LEAST || width > MOST || height > MOST || Math.abs(width - height) > 0.25 * Math.max(width, height)) return null;
        if (ink instanceof Ink.Shape shape) return new Dot(ink, box, shape.line() > 0 ? "◦" : "•", shape.rgb());
        return ink instanceof Ink.Fill fill ? new Dot(ink, box, "▪", fill.rgb()) : null;
    }

    /** The first letter of the line that a dot stands before; null where it stands before none. */
    private static Glyph textOf(Dot dot, Map<Long, List<Glyph>> byHeight) {
        double middle = dot.box.getCenterY();
        Glyph after = null;
        Glyph before = null;
        for (long band = (long) Math.floor(middle / 20); band <= (long) Math.floor((middle + 20) / 20); band++) {
            for (Glyph glyph : byHeight.getOrDefault(band, List.of())) {
                double up = (glyph.baseline() - middle) / glyph.size();
                if (up < 0.1 || up > 0.6) continue;
                if (glyph.x() > dot.box.getMaxX() && (after == null || glyph.x() < after.x())) after = glyph;
                if (glyph.x() < dot.box.getMinX() && (before == null || glyph.right() > before.right())) before = glyph;
            }
        }
        // Something close at its other side: it stands within a line.
        boolean lineAfter = after != null && fits(dot, after, after.x() - dot.box.getMaxX())
                && (before == null || before.right() < dot.box.getMinX() - 2 * after.size());
        if (lineAfter) return after;
        boolean lineBefore = before != null && LineFinder.direction(before) > 0 && fits(dot, before, dot.box.getMinX() - before.right())
                && (after == null || after.x() > dot.box.getMaxX() + 2 * before.size());
        return lineBefore ? before : null;
    }

    private static boolean fits(Dot dot, Glyph first, double away) {
        double gap = away / first.size();
        double height = dot.box.getHeight() / first.size();
        return gap > 0.12 && gap < 3 && height > 0.15 && height < 0.75 && dot.rgb == first.rgb();
    }
}
