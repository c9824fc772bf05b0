package app.decant.pdf.keep;

import app.decant.page.Rewritten;
import app.decant.pdf.keep.PageRewriting.NoRoom;
import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.pdf.keep.StretchedPath.Step;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.PageReader;
import app.decant.pdf.read.ShownGlyph;
import app.decant.words.Message;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** What is done to the marks of a page: those that go, those that move, what is put in; and whether the page, read again, shows just that. */
final class PageChanges {
    /** Glyphs may come to lie this far, in points, from where they should: what rounding does. */
    private static final double SAME = 0.02;
    /** New letters add up their widths, each of which is rounded. */
    private static final double NEAR = 0.15;

    /** So much may be cut off more, in points: what nobody sees. */
    private static final double CUT = 0.5;
    /** Areas as thin as this, in points, may be read as lines, which have another middle. */
    private static final double THIN = 3;

    private final PageReader.Addressed read;
    private final Set<Integer> removed = new HashSet<>();
    private final Map<Integer, Double> right = new HashMap<>();
    private final Map<Integer, Double> down = new HashMap<>();
    private final Set<Integer> carried = new HashSet<>();
    private final Map<Integer, Double> drawn = new HashMap<>();
    private final Set<Integer> undrawn = new HashSet<>();
    private final Map<Integer, Rectangle2D> stretched = new HashMap<>();
    private final Map<Integer, List<Step>> steps = new HashMap<>();
    private final List<Rectangle2D> added = new ArrayList<>();
    private final List<Expected> expected = new ArrayList<>();
    private final List<Rewritten.Area> areas = new ArrayList<>();
    private final List<PlacedAnew> reset = new ArrayList<>();
    private PlacedAnew arrived;
    private final List<Rewritten.Push> pushed = new ArrayList<>();

    /**
     * A letter that is put in.
     *
     * @param mark it is put before: where that goes down, so does the letter
     * @param rgb  what it is painted in
     * @param alone whether it stays where it is, whatever that does
     */
    private record Expected(String text, double x, double right, double baseline, ShownGlyph mark, int rgb, boolean alone) { }

    private double baseline(Expected one) { return one.baseline + (one.alone ? 0 : lowered(one.mark)); }

    PageChanges(PageReader.Addressed read) { this.read = read; }

    List<Rewritten.Area> areas() { return areas; }

    /** Where passages stand that say something else, once all that pushes them down is known. */
    List<Rewritten.Reset> reset() { return reset.stream().map(one -> one.told(down)).toList(); }

    /** Where the passage stands that took words from the page before; null for none. */
    Rewritten.Reset arrived() { return arrived == null ? null : arrived.told(down); }

    List<Rewritten.Push> pushed() { return pushed; }

    void removes(ShownGlyph glyph) { removed.add(glyph.glyph().order()); }

    boolean isRemoved(ShownGlyph glyph) { return removed.contains(glyph.glyph().order()); }

    void moves(ShownGlyph glyph, double points) { right.put(glyph.glyph().order(), points); }

    void lowers(ShownGlyph glyph, double points) { down.merge(glyph.glyph().order(), points, Double::sum); }

    /** A letter goes down with the form that it is of, and with all that clips it. */
    void carries(ShownGlyph glyph, double points) {
        lowers(glyph, points);
        carried.add(glyph.glyph().order());
    }

    /** What an operator draws goes down by so many points. */
    void draws(PageReader.Painted painted, double points) {
        for (int order = painted.from(); order < painted.to(); order++) drawn.merge(order, points, Double::sum);
    }

    /** A field or a note goes down with all that it shows. */
    void carries(CarriedBoxes.Box box, double points) {
        for (ShownGlyph mark : box.marks()) carries(mark, points);
        for (int order : box.orders()) drawn.merge(order, points, Double::sum);
    }

    /** A drawing goes. */
    void undraws(int order) { undrawn.add(order); }

    Set<Integer> undrawn() { return undrawn; }

    boolean isUndrawn(int order) { return undrawn.contains(order); }

    /** Of what one operator draws, a part goes along with what stands below it; all such steps so far. */
    List<Step> stretches(int from, Step step) {
        List<Step> all = steps.computeIfAbsent(from, key -> new ArrayList<>());
        all.add(step);
        return all;
    }

    /** A drawing reaches as far as this now. */
    void stretches(int order, Rectangle2D box) { stretched.put(order, box); }

    /** A line or an area is drawn that was not there. */
    void draws(Rectangle2D box) { added.add(box); }

    /** How far a mark goes down. */
    double lowered(ShownGlyph mark) { return down.getOrDefault(mark.glyph().order(), 0.0); }

    void puts(String text, double x, double width, double baseline, ShownGlyph before, int rgb) {
        if (!text.isBlank()) expected.add(new Expected(text, x, x + width, baseline, before, rgb, false));
    }

    /** A letter comes from another page, to stand above a mark. */
    void arrives(String text, double x, double width, double baseline, ShownGlyph above, int rgb) {
        if (!text.isBlank()) expected.add(new Expected(text, x, x + width, baseline, above, rgb, true));
    }

    /** What moved or came must not be cut off where what is painted ends, more than it was. */
    void refuseCut() throws NoRoom {
        for (ShownGlyph old : read.shown()) {
            Glyph glyph = old.glyph();
            double across = right.getOrDefault(glyph.order(), 0.0);
            double deeper = down.getOrDefault(glyph.order(), 0.0);
            if (removed.contains(glyph.order()) || carried.contains(glyph.order()) || glyph.isSpace() || across == 0 && deeper == 0) continue;
            double before = old.cut(glyph.x(), glyph.right(), glyph.baseline());
            if (old.cut(glyph.x() + across, glyph.right() + across, glyph.baseline() + deeper) > before + CUT)
                throw new NoRoom(Message.of("keep.it-would-be-cut-off"));
        }
        List<ShownGlyph> cut = read.shown().stream().filter(old -> removed.contains(old.glyph().order())
                && old.cut(old.glyph().x(), old.glyph().right(), old.glyph().baseline()) > 0).toList();
        for (Expected one : expected) {
            // As much as what it stands for was.
            double before = cut.stream().filter(old -> old.isClippedAs(one.mark)
                    && Math.abs(old.glyph().baseline() - one.baseline) < one.mark.glyph().size())
                    .mapToDouble(old -> old.cut(old.glyph().x(), old.glyph().right(), old.glyph().baseline())).max().orElse(0);
            if (one.mark.cut(one.x, one.right, baseline(one)) > before + CUT)
                throw new NoRoom(Message.of("keep.it-would-be-cut-off"));
        }
    }

    /** A passage says something else. */
    void resets(PlacedAnew passage) { reset.add(passage); }

    /** A passage takes words from the page before. */
    void takes(PlacedAnew passage) { arrived = passage; }

    void pushes(double left, double top, double to, double bottom, double by) {
        pushed.add(new Rewritten.Push(new Rewritten.Area(left, top, to, bottom), by, read.page().turn()));
    }

    /** Says that a part of the page may look otherwise, told as it was read: it may have been turned for that. */
    void touches(double left, double top, double to, double bottom) {
        double width = read.page().width();
        double height = read.page().height();
        areas.add(switch (read.page().turn()) {
            case 90 -> new Rewritten.Area(top, width - to, bottom, width - left);
            case 180 -> new Rewritten.Area(width - to, height - bottom, width - left, height - top);
            case 270 -> new Rewritten.Area(height - bottom, left, height - top, to);
            default -> new Rewritten.Area(left, top, to, bottom);
        });
    }

    /** Compares the page as it is read now, glyph by glyph and drawing by drawing. */
    void prove(PageReader.Addressed again) throws Refused {
        List<Rectangle2D> found = List.copyOf(LineRoom.drawn(again).values());
        List<Rectangle2D> extra = new ArrayList<>();
        int next = 0;
        for (Rectangle2D one : wished()) {
            while (next < found.size() && !isSame(one, found.get(next))) extra.add(found.get(next++));
            if (next++ >= found.size()) throw new Refused(Message.of("keep.what-stays-on-it-would-move"));
        }
        if (next < found.size()) extra.addAll(found.subList(next, found.size()));
        for (Rectangle2D line : added) {
            if (extra.stream().filter(one -> isNear(one, line)).findFirst().filter(extra::remove).isEmpty())
                throw new Refused(Message.of("keep.what-stays-on-it-would-move"));
        }
        if (!extra.isEmpty()) throw new Refused(Message.of("keep.it-would-show-more-than-was-wished"));
        prove(again.shown());
    }

    private static boolean isNear(Rectangle2D one, Rectangle2D line) {
        return isNear(one.getMinX(), one.getMaxX(), line.getMinX(), line.getMaxX())
                && isNear(one.getMinY(), one.getMaxY(), line.getMinY(), line.getMaxY());
    }

    private static boolean isSame(Rectangle2D one, Rectangle2D other) {
        return Math.abs(one.getMinX() - other.getMinX()) < NEAR && Math.abs(one.getMinY() - other.getMinY()) < NEAR
                && Math.abs(one.getMaxX() - other.getMaxX()) < NEAR && Math.abs(one.getMaxY() - other.getMaxY()) < NEAR;
    }

    private static boolean isNear(double from, double to, double wished, double end) {
        boolean same = Math.abs(from - wished) < NEAR && Math.abs(to - end) < NEAR;
        return same || end - wished < THIN && from > wished - NEAR && to < end + NEAR;
    }

    /** Where drawings and pictures are to stand, in the order of painting. */
    private List<Rectangle2D> wished() {
        List<Rectangle2D> told = new ArrayList<>();
        LineRoom.drawn(read).forEach((order, was) -> {
            if (undrawn.contains(order)) return;
            Rectangle2D box = stretched.getOrDefault(order, was);
            told.add(new Rectangle2D.Double(box.getX(), box.getY() + drawn.getOrDefault(order, 0.0), box.getWidth(), box.getHeight()));
        });
        return told;
    }

    private void prove(List<ShownGlyph> now) throws Refused {
        List<Glyph> extra = new ArrayList<>();
        int next = 0;
        for (ShownGlyph old : read.shown()) {
            int order = old.glyph().order();
            if (removed.contains(order)) continue;
            double x = old.glyph().x() + right.getOrDefault(order, 0.0);
            double baseline = old.glyph().baseline() + down.getOrDefault(order, 0.0);
            while (next < now.size() && !stands(old, x, baseline, now.get(next))) extra.add(now.get(next++).glyph());
            if (next++ >= now.size()) throw new Refused(Message.of("keep.what-stays-on-it-would-move"));
        }
        while (next < now.size()) extra.add(now.get(next++).glyph());
        extra.removeIf(glyph -> glyph.text().isBlank());
        for (Expected one : expected) {
            double baseline = baseline(one);
            Optional<Glyph> found = extra.stream().filter(glyph -> Math.abs(glyph.x() - one.x) < NEAR && Math.abs(glyph.baseline() - baseline) < NEAR
                    && glyph.text().equals(one.text) && glyph.rgb() == one.rgb).findFirst();
            if (found.isEmpty()) throw new Refused(Message.of("keep.its-words-would-not-stand-where-they"));
            extra.remove(found.get());
        }
        if (!extra.isEmpty()) throw new Refused(Message.of("keep.it-would-show-more-than-was-wished"));
    }

    private static boolean stands(ShownGlyph old, double x, double baseline, ShownGlyph now) {
        return old.glyph().text().equals(now.glyph().text()) && Math.abs(x - now.glyph().x()) < SAME && old.glyph().rgb() == now.glyph().rgb()
                && Math.abs(baseline - now.glyph().baseline()) < SAME && Math.abs(old.glyph().size() - now.glyph().size()) < SAME;
    }
}
