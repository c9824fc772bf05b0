package app.decant.pdf.keep;

import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.Ink;
import app.decant.pdf.read.PageReader;
import app.decant.pdf.read.Placed;
import app.decant.pdf.read.ShownGlyph;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;

/** How much room there is beside a line of a page before it runs into something, or out of its column. */
final class LineRoom {
    private static final double MARGIN = 18;
    /** Items of lists begin so far behind the edge of their column, in ems. */
    private static final double MOST_LABEL = 4;

    private final PageReader.Addressed read;

    LineRoom(PageReader.Addressed read) { this.read = read; }

    /** How far to the right the line may reach: to the edge of its paragraph where that has several lines, to what stands there otherwise. */
    double right(List<ShownGlyph> line, double right, Correction correction) {
        Set<Integer> own = new HashSet<>(correction.line());
        Set<Integer> passageMarks = correction.passage().marks();
        double passage = right;
        double farthest = right;
        for (ShownGlyph glyph : read.shown()) {
            if (passageMarks.contains(glyph.glyph().order())) passage = Math.max(passage, glyph.glyph().right());
            if (!glyph.glyph().isSpace()) farthest = Math.max(farthest, glyph.glyph().right());
        }
        boolean several = !own.containsAll(passageMarks);
        double wished = several ? Math.max(passage, column(line)) + 0.5 : Math.max(farthest, read.page().width() - 4 * MARGIN);
        double limit = Math.min(read.page().width() - MARGIN, wished);
        double top = line.stream().mapToDouble(glyph -> glyph.glyph().baseline() - 0.7 * glyph.glyph().size()).min().orElse(0);
        double bottom = line.stream().mapToDouble(glyph -> glyph.glyph().baseline() + 0.2 * glyph.glyph().size()).max().orElse(0);
        double room = 0.4 * line.get(0).glyph().size();
        for (Rectangle2D box : obstacles(own)) {
            if (box.getMaxY() < top || box.getMinY() > bottom) continue;
            for (double edge : new double[] {box.getMinX(), box.getMaxX()}) if (edge > right - 0.5) limit = Math.min(limit, Math.max(right, edge - room));
        }
        return limit;
    }

    /** How far lines reach that begin where this one does, or a label's width before it: the width of its column. */
    private double column(List<ShownGlyph> line) {
        double size = line.get(0).glyph().size();
        double left = line.stream().mapToDouble(glyph -> glyph.glyph().x()).min().orElse(0);
        Map<Long, List<Glyph>> rows = new TreeMap<>();
        for (ShownGlyph shown : read.shown())
            if (!shown.glyph().isSpace()) rows.computeIfAbsent(Math.round(shown.glyph().baseline() * 2), key -> new ArrayList<>()).add(shown.glyph());
        double farthest = 0;
        for (List<Glyph> row : rows.values()) {
            row.sort(Comparator.comparingDouble(Glyph::x));
            double begins = row.get(0).x();
            double ends = row.get(0).right();
            for (Glyph glyph : row) {
                if (glyph.x() > ends + 2 * glyph.size()) {
                    if (isOfColumn(begins, left, row, size)) farthest = Math.max(farthest, ends);
                    begins = glyph.x();
                }
                ends = glyph.right();
            }
            if (isOfColumn(begins, left, row, size)) farthest = Math.max(farthest, ends);
        }
        return farthest;
    }

    private static boolean isOfColumn(double begins, double left, List<Glyph> row, double size) {
        return Math.abs(begins - left) < 3 || begins < left && begins > left - MOST_LABEL * size && row.stream().allMatch(glyph -> glyph.size() < 1.05 * size);
    }

    /** How far to the left it may. */
    double left(List<ShownGlyph> line, double left) {
        Set<Integer> own = new HashSet<>();
        for (ShownGlyph glyph : line) own.add(glyph.glyph().order());
        double limit = MARGIN;
        double top = line.get(0).glyph().baseline() - 0.7 * line.get(0).glyph().size();
        double bottom = line.get(0).glyph().baseline() + 0.2 * line.get(0).glyph().size();
        double room = 0.4 * line.get(0).glyph().size();
        for (Rectangle2D box : obstacles(own)) {
            if (box.getMaxY() < top || box.getMinY() > bottom) continue;
            for (double edge : new double[] {box.getMinX(), box.getMaxX()}) if (edge < left + 0.5) limit = Math.max(limit, Math.min(left, edge + room));
        }
        return limit;
    }

    /** All else on the page that a longer line could run into. */
    private List<Rectangle2D> obstacles(Set<Integer> own) {
        List<Rectangle2D> boxes = letters(own);
        for (Ink ink : read.page().ink()) {
            if (ink instanceof Ink.Stroke stroke && !stroke.isAcross() || ink instanceof Ink.Fill || ink instanceof Ink.Shape) boxes.add(box(ink));
        }
        return boxes;
    }

    /** All else on the page that lines could come to stand upon, but for some marks. */
    List<Rectangle2D> all(Set<Integer> own) {
        List<Rectangle2D> boxes = letters(own);
        for (Ink ink : read.page().ink()) if (!own.contains(ink.order())) boxes.add(box(ink));
        return boxes;
    }

    private List<Rectangle2D> letters(Set<Integer> own) {
        List<Rectangle2D> boxes = new ArrayList<>();
        for (ShownGlyph shown : read.shown()) {
            Glyph glyph = shown.glyph();
            // What shows nothing, such as a sign between words, is in nobody's way.
            boolean shows = !glyph.isSpace() && (glyph.width() > 0 || shown.isMovable());
            if (!own.contains(glyph.order()) && shows)
                boxes.add(new Rectangle2D.Double(glyph.x(), glyph.baseline() - 0.7 * glyph.size(), Math.max(0.1, glyph.width()), 0.9 * glyph.size()));
        }
        for (Placed placed : read.page().pictures())
            if (!own.contains(placed.order())) boxes.add(new Rectangle2D.Double(placed.x(), placed.y(), placed.width(), placed.height()));
        return boxes;
    }

    /** Around what is drawn on a page and its pictures, by their numbers in the order of painting. */
    static SortedMap<Integer, Rectangle2D> drawn(PageReader.Addressed read) {
        SortedMap<Integer, Rectangle2D> boxes = new TreeMap<>();
        for (Ink ink : read.page().ink()) boxes.put(ink.order(), box(ink));
        for (Placed placed : read.page().pictures())
            boxes.put(placed.order(), new Rectangle2D.Double(placed.x(), placed.y(), placed.width(), placed.height()));
        return boxes;
    }

    private static Rectangle2D box(Ink ink) {
        if (ink instanceof Ink.Stroke stroke)
            return new Rectangle2D.Double(stroke.x1(), stroke.y1(), Math.max(0.1, stroke.x2() - stroke.x1()), Math.max(0.1, stroke.y2() - stroke.y1()));
        if (ink instanceof Ink.Fill fill) return new Rectangle2D.Double(fill.x(), fill.y(), fill.width(), fill.height());
        return ink instanceof Ink.Shape shape ? shape.path().getBounds2D() : ((Ink.Wash) ink).path().getBounds2D();
    }
}
