package app.decant.pdf.keep;

import app.decant.pdf.keep.Correction.Drawn.Place;
import app.decant.pdf.keep.PageRewriting.NoRoom;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.Ink;
import app.decant.pdf.read.PageReader.Painted;
import app.decant.pdf.read.PageReader;
import app.decant.pdf.read.ShownGlyph;
import app.decant.words.Message;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** The lines under and through words of a page and the areas behind them, as far as these are drawn for just those words: they go where their words go. */
final class WordMarkings {
    /** A line is no thicker than this, in ems; an area is as high as letters are. */
    private static final double THICK = 0.16;
    private static final double LEAST_AREA = 0.7;
    private static final double MOST_AREA = 1.7;
    /** What reaches further than its words, in ems, is a rule of the page. */
    private static final double BEYOND = 0.7;
    /** The same of areas: that of a cell may fit its words nearly as closely as a light on them. */
    private static final double AREA_BEYOND = 0.3;
    /** Words that are further apart, in ems, stand in cells of their own. */
    private static final double APART = 1;
    /** From the baseline down, in ems: where lines are under words, and where they go through them. */
    private static final double UNDER_FROM = -0.02;
    private static final double UNDER_TO = 0.35;
    private static final double THROUGH_FROM = -0.5;
    private static final double THROUGH_TO = -0.12;

    private final PageReader.Addressed read;
    private final ChangedStream stream;
    private final PageChanges changes;
    private final Set<Marking> gone = new HashSet<>();
    private Map<Integer, List<Marking>> byMark;

    /**
     * A line or an area.
     *
     * @param painted by what it is drawn
     * @param order   its number in the page's order of painting
     * @param top     how far below the baseline of its words it begins, in points; above where it is below 0
     */
    record Marking(Painted painted, int order, Place place, Rectangle2D box, int rgb, double top) { }

    /** Hears what stays where it is beside words that do not. */
    interface Rest {
        /** @param mark the last of the words that it stays with */
        void stays(Marking marking, Rectangle2D box, ShownGlyph mark);
    }

    WordMarkings(PageReader.Addressed read, ChangedStream stream, PageChanges changes) {
        this.read = read;
        this.stream = stream;
        this.changes = changes;
    }

    /** What is drawn with a mark. */
    List<Marking> of(ShownGlyph mark) {
        if (byMark == null) byMark = found();
        return byMark.getOrDefault(mark.glyph().order(), List.of());
    }

    /** The numbers of all that is drawn with marks, in the page's order of painting. */
    Set<Integer> orders(Collection<ShownGlyph> marks) {
        Set<Integer> orders = new HashSet<>();
        for (ShownGlyph mark : marks) for (Marking marking : of(mark)) orders.add(marking.order);
        return orders;
    }

    private Map<Integer, List<Marking>> found() {
        Map<Integer, List<Marking>> found = new HashMap<>();
        for (Painted painted : read.painted()) {
            for (Ink ink : read.page().ink()) {
                if (ink.order() < painted.from() || ink.order() >= painted.to()) continue;
                Rectangle2D box = box(ink);
                if (box != null) attach(painted, ink.order(), box, rgb(ink), found);
            }
        }
        return found;
    }

    private static Rectangle2D box(Ink ink) {
        if (ink instanceof Ink.Fill fill) return new Rectangle2D.Double(fill.x(), fill.y(), fill.width(), fill.height());
        if (!(ink instanceof Ink.Stroke stroke) || !stroke.isAcross() || stroke.dashed()) return null;
        return new Rectangle2D.Double(stroke.x1(), (stroke.y1() + stroke.y2() - stroke.width()) / 2, stroke.x2() - stroke.x1(), stroke.width());
    }

    private static int rgb(Ink ink) { return ink instanceof Ink.Fill fill ? fill.rgb() : ((Ink.Stroke) ink).rgb(); }

    private void attach(Painted painted, int order, Rectangle2D box, int rgb, Map<Integer, List<Marking>> found) {
        List<ShownGlyph> words = new ArrayList<>();
        Place place = null;
        double left = Double.MAX_VALUE;
        double right = 0;
        for (ShownGlyph mark : read.shown()) {
            Glyph glyph = mark.glyph();
            double middle = glyph.x() + glyph.width() / 2;
            Place here = glyph.angle() != 0 || middle < box.getMinX() || middle > box.getMaxX() ? null : place(box, glyph);
            if (here == null) continue;
            // An area behind several lines is more than a mark of words.
            if (place != null && here != place || !words.isEmpty() && Math.abs(words.get(0).glyph().baseline() - glyph.baseline()) > 0.4 * glyph.size()) return;
            place = here;
            words.add(mark);
            left = Math.min(left, glyph.x());
            right = Math.max(right, glyph.right());
        }
        if (words.stream().allMatch(mark -> mark.glyph().isSpace())) return;
        double size = words.stream().mapToDouble(mark -> mark.glyph().size()).max().orElseThrow();
        double beyond = (place == Place.BEHIND ? AREA_BEYOND : BEYOND) * size;
        if (box.getMinX() < left - beyond || box.getMaxX() > right + beyond || widestGap(words) > APART * size) return;
        double baseline = words.stream().filter(mark -> mark.glyph().size() > 0.9 * size).findFirst().orElseThrow().glyph().baseline();
        Marking marking = new Marking(painted, order, place, box, rgb, box.getMinY() - baseline);
        for (ShownGlyph mark : words) found.computeIfAbsent(mark.glyph().order(), key -> new ArrayList<>()).add(marking);
    }

    /** What is drawn through the cells of a row is the row's, not their words'. */
    private static double widestGap(List<ShownGlyph> words) {
        List<Glyph> across = words.stream().map(ShownGlyph::glyph).sorted(Comparator.comparingDouble(Glyph::x)).toList();
        double gap = 0;
        double end = across.get(0).right();
        for (Glyph glyph : across) {
            gap = Math.max(gap, glyph.x() - end);
            end = Math.max(end, glyph.right());
        }
        return gap;
    }

    private static Place place(Rectangle2D box, Glyph glyph) {
        double height = box.getHeight() / glyph.size();
        double from = (box.getMinY() - glyph.baseline()) / glyph.size();
        double to = (box.getMaxY() - glyph.baseline()) / glyph.size();
        if (height > LEAST_AREA && height < MOST_AREA) return from < -0.5 && to > -0.05 ? Place.BEHIND : null;
        double middle = (from + to) / 2;
        if (height > Math.max(THICK, 1.6 / glyph.size())) return null;
        if (middle > UNDER_FROM && middle < UNDER_TO) return Place.UNDER;
        return middle > THROUGH_FROM && middle < THROUGH_TO ? Place.THROUGH : null;
    }

    /**
     * Takes out what is drawn with marks that are to be set anew.
     *
     * @param anew the numbers of all of these
     * @param rest hears of what other words have a part in: there it is to be drawn again
     */
    void takeOut(Collection<ShownGlyph> marks, Set<Integer> anew, Rest rest) throws PageRewriting.Refused, IOException {
        Set<Marking> going = new LinkedHashSet<>();
        for (ShownGlyph mark : marks) going.addAll(of(mark));
        going.removeAll(gone);
        for (Marking marking : going) {
            // What draws other things as well would take these along.
            for (int order = marking.painted.from(); order < marking.painted.to(); order++) {
                int one = order;
                boolean known = going.stream().anyMatch(other -> other.order == one) || gone.stream().anyMatch(other -> other.order == one);
                if (!known && LineRoom.drawn(read).containsKey(order)) throw new NoRoom(Message.of("keep.lines-are-drawn-under-its-words"));
            }
            gone.add(marking);
            changes.undraws(marking.order);
            stream.of(marking.painted.path()).unpaint(marking.painted.operator());
            ShownGlyph last = null;
            for (ShownGlyph mark : read.shown()) {
                if (anew.contains(mark.glyph().order()) || mark.glyph().isSpace() || !of(mark).contains(marking)) continue;
                if (last == null || mark.glyph().right() > last.glyph().right()) last = mark;
            }
            if (last == null) continue;
            Rectangle2D box = marking.box;
            rest.stays(marking, new Rectangle2D.Double(box.getMinX(), box.getMinY(), last.glyph().right() - box.getMinX(), box.getHeight()), last);
        }
    }
}
