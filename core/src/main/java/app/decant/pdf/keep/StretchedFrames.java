package app.decant.pdf.keep;

import app.decant.pdf.keep.Correction.Passage;
import app.decant.pdf.keep.MovedDrawings.Drawing;
import app.decant.pdf.keep.PageRewriting.NoRoom;
import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.pdf.read.ShownGlyph;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/** Areas, frames and the sides of cells that reach across the place where lines go down or up: they get longer, or shorter, with what they hold. */
final class StretchedFrames {
    private static final double SAME = 1e-6;
    /** What ends this much further down, in points, ends there. */
    private static final double CUT = 1;

    private final ChangedPage at;
    private final LowerLines lower;

    /** @param lower which has moved the lines */
    StretchedFrames(ChangedPage at, LowerLines lower) {
        this.at = at;
        this.lower = lower;
    }

    /**
     * Makes areas and frames longer, or shorter, that hold the passage and end below it: what moves below it stays within them or beneath them.
     *
     * @param lowest the baseline above what moves
     * @param end    the lowest baseline then
     * @throws Refused where what goes up would come to stand on something
     */
    void stretch(Passage passage, double lowest, double by, double end, double leading) throws Refused, IOException {
        Set<Integer> known = new HashSet<>(lower.moved);
        Rectangle2D words = null;
        for (int order : passage.marks()) {
            known.add(order);
            ShownGlyph mark = at.byOrder.get(order);
            if (mark == null) continue;
            Rectangle2D box = new Rectangle2D.Double(mark.glyph().x(), mark.glyph().baseline(), Math.max(0, mark.glyph().width()), 0);
            words = words == null ? box : words.createUnion(box);
        }
        if (words == null) return;
        double from = Math.min(lower.left(), words.getMinX());
        double to = Math.max(lower.right(), words.getMaxX());
        double ends = Math.max(lowest, lower.stood());
        double height = lowest + LoweredUnit.BELOW * leading;
        Rectangle2D swept = new Rectangle2D.Double(from, lowest, to - from, Math.max(0.1, end + LowerLines.LEAST_BELOW * leading - lowest));
        for (Drawing one : lower.drawings.all(known)) {
            Rectangle2D box = one.box();
            boolean crosses = box.getMinY() < lowest && box.getMaxY() > lowest && box.getMinX() < to + leading && box.getMaxX() > from - leading;
            if (!crosses || isNone(one, ends, leading)) continue;
            // A drawing beside the words is none that holds them; a line down may be the side of a frame.
            boolean beside = box.getMinX() > words.getMinX() + LowerLines.THIN || box.getMaxX() < words.getMaxX() - LowerLines.THIN;
            if (box.getWidth() > LowerLines.THIN && beside) continue;
            boolean holds = box.contains(swept);
            if (box.getMaxY() + by > at.read.page().height() - LowerLines.FOOT && holds) continue;
            try {
                stretch(one, height, by);
            } catch (NoRoom e) {
                if (holds || by < 0 || isGround(one, passage)) continue;
                throw e;
            }
        }
        if (by < 0 && lower.reached() > 0) lower.refuseObstacles(passage, List.of(), lower.left(), lower.right(), lower.reached() + by, -by, leading);
    }

    /** Areas and rules across words that have an edge between two heights of the page, or across what else is drawn so; but none drawn with the words. */
    List<Rectangle2D> edged(Passage passage, List<ShownGlyph> words, double from, double to) {
        Set<Integer> own = lower.ofWords(words);
        List<Rectangle2D> near = new ArrayList<>(lower.drawings.all(passage.marks()).stream().filter(one -> !LowerLines.isOf(one, own)).map(Drawing::box)
                .filter(box -> box.getWidth() > LowerLines.THIN)
                .filter(box -> box.getMinY() > from && box.getMinY() < to || box.getMaxY() > from && box.getMaxY() < to).toList());
        double begins = words.stream().mapToDouble(mark -> mark.glyph().x()).min().orElse(0);
        double ends = words.stream().mapToDouble(mark -> mark.glyph().right()).max().orElse(0);
        List<Rectangle2D> edged = new ArrayList<>();
        for (boolean more = true; more;) {
            double least = begins;
            double most = ends;
            List<Rectangle2D> next = near.stream().filter(box -> box.getMinX() < most + LowerLines.THIN && box.getMaxX() > least - LowerLines.THIN).toList();
            more = !next.isEmpty();
            near.removeAll(next);
            edged.addAll(next);
            for (Rectangle2D box : next) {
                begins = Math.min(begins, box.getMinX());
                ends = Math.max(ends, box.getMaxX());
            }
        }
        return edged;
    }

    /**
     * Makes all that is drawn across a height of the page longer, between two places: the sides of cells, and areas behind them.
     *
     * @param swept what comes to be between them
     */
    void stretchAcross(Passage passage, double height, double by, Rectangle2D swept, double leading) throws Refused, IOException {
        Set<Integer> known = new HashSet<>(lower.moved);
        known.addAll(passage.marks());
        double ends = Math.max(height, lower.stood());
        for (Drawing one : lower.drawings.all(known)) {
            Rectangle2D box = one.box();
            boolean crosses = box.getMinY() < height && box.getMaxY() > height && box.getMinX() < swept.getMaxX() + LowerLines.THIN
                    && box.getMaxX() > swept.getMinX() - LowerLines.THIN;
            if (!crosses || isNone(one, ends, leading)) continue;
            stretch(one, height, by);
        }
    }

    /** Whether a drawing fills all that the words may be painted on, as the colour of a page does: what would stand beyond it is cut off with it. */
    private boolean isGround(Drawing one, Passage passage) {
        Rectangle2D clip = one.painted().state().clip();
        ShownGlyph first = at.byOrder.get(passage.lines().get(0).get(0));
        boolean same = first != null && first.state().clip().getMaxY() < clip.getMaxY() + CUT;
        return same && one.box().getMaxY() > clip.getMaxY() - CUT;
    }

    /** What goes along, is gone, or ends far below all that moves, such as the colour of a page. */
    private boolean isNone(Drawing one, double ends, double leading) {
        return lower.going.contains(one) || at.changes.isUndrawn(one.painted().from()) || one.box().getMaxY() > ends + LowerLines.APART * leading;
    }

    private void stretch(Drawing one, double height, double down) throws Refused, IOException {
        double by = down;
        // The sides of a table of which rows went over end with those that stay.
        if (one.box().getMaxY() > lower.cut() + CUT) {
            at.overflow.giveBelow(one, lower.cut());
            by -= one.box().getMaxY() - lower.cut();
        }
        if (Math.abs(by) > SAME) lower.drawings.stretch(one, Math.min(height, one.box().getMaxY() - 0.01), by);
        lower.stretched(one, by);
    }
}
