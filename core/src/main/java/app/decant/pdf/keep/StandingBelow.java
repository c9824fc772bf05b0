package app.decant.pdf.keep;

import app.decant.pdf.keep.Correction.Passage;
import app.decant.pdf.keep.MovedDrawings.Drawing;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.PageReader;
import app.decant.pdf.read.ShownGlyph;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** What stands on a page among the lines below a passage, beside their words: drawings, fields and notes, and signs that are nobody's text. */
final class StandingBelow {
    /** Drawings nearer to each other than this, in points, touch. */
    private static final double TOUCH = 0.7;

    private final PageReader.Addressed read;
    private final Map<Integer, ShownGlyph> byOrder;
    private final PageChanges changes;
    private final Overflow overflow;
    private final CarriedBoxes boxes;
    private final MovedDrawings drawings;
    private final Set<Drawing> standing = new HashSet<>();

    StandingBelow(ChangedPage at, MovedDrawings drawings) {
        this.drawings = drawings;
        read = at.read;
        byOrder = at.byOrder;
        changes = at.changes;
        overflow = at.overflow;
        boxes = at.boxes;
    }

    /** A drawing stays where it is, though it is below what moves. */
    void stands(Drawing one) { standing.add(one); }

    /**
     * Adds it to the lines; all of them are in order then, from above.
     *
     * @param each   the lines
     * @param before from where to where what was moved before stands
     * @param moved  the marks that were moved before
     * @param lowest the baseline above
     */
    void add(Passage passage, List<LoweredUnit> each, double[] before, Set<Integer> moved, double lowest, double leading) {
        Set<Integer> words = new HashSet<>(passage.marks());
        for (LoweredUnit unit : each) for (ShownGlyph mark : unit.marks) words.add(mark.glyph().order());
        double[] column = column(words, before);
        addLoose(each, words, moved, column);
        double foot = passage.foot() > 0 ? passage.foot() + LoweredUnit.BELOW * leading : read.page().height() - LowerLines.FOOT;
        List<CarriedBoxes.Box> among = boxes.among(read, each, column, lowest, foot, words);
        for (Drawing drawing : drawn(words, column, lowest, foot, leading)) {
            LoweredUnit unit = new LoweredUnit();
            unit.take(drawing, leading);
            each.add(unit);
        }
        for (CarriedBoxes.Box box : among) {
            LoweredUnit unit = new LoweredUnit();
            unit.take(box, leading);
            each.add(unit);
        }
        each.sort(Comparator.comparingDouble(unit -> unit.top));
    }

    /** What of a formula or a chart is nobody's text goes with the line it stands beside, where it stands among those that go. */
    private void addLoose(List<LoweredUnit> lines, Set<Integer> words, Set<Integer> moved, double[] column) {
        lines.sort(Comparator.comparingDouble(line -> line.top));
        List<Integer> own = lines.isEmpty() ? List.of() : lines.get(0).marks.get(0).path();
        for (ShownGlyph mark : read.shown()) {
            Glyph glyph = mark.glyph();
            double middle = glyph.x() + glyph.width() / 2;
            boolean known = words.contains(glyph.order()) || moved.contains(glyph.order()) || changes.isRemoved(mark) || overflow.isGiven(mark);
            if (known || glyph.isSpace() || !mark.isMovable() || !mark.path().equals(own) || middle < column[0] || middle > column[1]) continue;
            double height = glyph.baseline() - 0.3 * glyph.size();
            for (int i = 0; i < lines.size(); i++) {
                LoweredUnit line = lines.get(i);
                double until = i + 1 < lines.size() ? Math.min(lines.get(i + 1).top, line.bottom + LowerLines.APART * line.size) : line.bottom;
                if (height <= line.top || height >= until) continue;
                line.marks.add(mark);
                words.add(glyph.order());
                break;
            }
        }
    }

    /** What is drawn below the passage in its column, with no words on it but those that go, and above the foot of the page. */
    private List<Drawing> drawn(Set<Integer> known, double[] column, double lowest, double foot, double leading) {
        List<Drawing> drawn = new ArrayList<>();
        List<Drawing> beside = new ArrayList<>();
        for (Drawing one : drawings.all(known)) {
            if (changes.isUndrawn(one.painted().from()) || standing.contains(one)) continue;
            Rectangle2D box = one.box();
            if (isAbove(box, lowest, leading) || box.getMaxY() >= foot || isOverNotes(box, known, leading)) continue;
            boolean others = read.shown().stream().map(ShownGlyph::glyph)
                    .anyMatch(glyph -> !known.contains(glyph.order()) && !boxes.isOwn(glyph.order()) && !one.has(glyph) && isOn(glyph, box));
            if (!others) (isIn(box, column, leading) ? drawn : beside).add(one);
        }
        // The frame of a table goes along where it stands beside all of its words.
        for (int i = 0; i < drawn.size() && !beside.isEmpty(); i++) {
            Rectangle2D box = drawn.get(i).box();
            List<Drawing> next = beside.stream().filter(one -> one.box().intersects(box.getX() - TOUCH, box.getY() - TOUCH, box.getWidth() + 2 * TOUCH,
                    box.getHeight() + 2 * TOUCH)).toList();
            drawn.addAll(next);
            beside.removeAll(next);
        }
        return drawn;
    }

    /** Whether a drawing is in a column, or at its edge the side of a frame that is drawn line by line. */
    private static boolean isIn(Rectangle2D box, double[] column, double leading) {
        double around = box.getWidth() < LowerLines.THIN && box.getHeight() < 1.5 * leading ? leading : 0;
        return box.getMaxX() > column[0] - around && box.getMinX() < column[1] + around;
    }

    /** Whether a drawing is of the words above, such as a line under them, or begins among them. */
    private static boolean isAbove(Rectangle2D box, double lowest, double leading) {
        return box.getMinY() <= lowest || box.getCenterY() <= lowest + LoweredUnit.BELOW * leading;
    }

    /** From where to where on the page words stand, with what was moved with them before. */
    private double[] column(Set<Integer> words, double[] before) {
        double[] column = before.clone();
        for (int order : words) {
            ShownGlyph mark = byOrder.get(order);
            if (mark == null) continue;
            column[0] = Math.min(column[0], mark.glyph().x());
            column[1] = Math.max(column[1], mark.glyph().right());
        }
        return column;
    }

    /** Whether it is a rule with words right below it that go nowhere: what parts notes from the text. */
    private boolean isOverNotes(Rectangle2D box, Set<Integer> known, double leading) {
        return box.getHeight() < LowerLines.THIN && read.shown().stream().map(ShownGlyph::glyph).anyMatch(glyph -> !known.contains(glyph.order())
                && !glyph.isSpace() && glyph.baseline() > box.getMaxY() && glyph.baseline() < box.getMaxY() + 1.5 * leading && glyph.x() < box.getMaxX()
                && glyph.right() > box.getMinX());
    }

    private static boolean isOn(Glyph glyph, Rectangle2D box) {
        return !glyph.isSpace() && box.contains(glyph.x() + glyph.width() / 2, glyph.baseline() - 0.3 * glyph.size());
    }
}
