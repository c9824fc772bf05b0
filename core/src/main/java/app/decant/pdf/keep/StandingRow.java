package app.decant.pdf.keep;

import app.decant.pdf.keep.Correction.Passage;
import app.decant.pdf.keep.MovedDrawings.Drawing;
import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.pdf.read.ShownGlyph;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.List;
import java.util.Objects;
import java.util.stream.DoubleStream;

/**
 * The row of a table with which a page begins, where others are put in above it: it goes down with all below it. What ends the head of the table above it
 * stays there, its sides get longer; where the table begins with it, all of the table goes.
 */
final class StandingRow {
    /** What is drawn as near to the edge of the row, in points, is its edge. */
    private static final double EDGE = 1;
    /** The edge above a row is at least so far above its baseline, in ems, and not farther than this above that, in points. */
    private static final double HALF = 0.5;
    private static final double FAR = 60;
    /** Letters reach so far above and below their baseline, in ems. */
    private static final double ABOVE = 0.75;
    private static final double BELOW = 0.25;

    private final LowerLines lower;
    private final StretchedFrames frames;
    private final Passage passage;
    private final boolean goesOn;
    private final double top;
    private double left;
    private double right;

    /** @param passage the first line of the row, with all that is below it */
    StandingRow(ChangedPage at, LowerLines lower, Passage passage, Onward.Row row) {
        this.lower = lower;
        this.passage = passage;
        frames = new StretchedFrames(at, lower);
        goesOn = row.goesOn();
        List<ShownGlyph> words = row.marks().stream().map(at.byOrder::get).filter(Objects::nonNull).filter(mark -> !mark.glyph().isSpace()).toList();
        double first = words.stream().mapToDouble(mark -> mark.glyph().baseline()).min().orElseThrow();
        double size = words.stream().mapToDouble(mark -> mark.glyph().size()).max().orElseThrow();
        left = words.stream().mapToDouble(mark -> mark.glyph().x()).min().orElseThrow();
        right = words.stream().mapToDouble(mark -> mark.glyph().right()).max().orElseThrow();
        double until = first - HALF * size;
        List<Rectangle2D> edged = frames.edged(passage, words, until - FAR, until);
        double edge = edged.stream().flatMapToDouble(box -> DoubleStream.of(box.getMinY(), box.getMaxY())).filter(one -> one < until && one > until - FAR)
                .max().orElse(0);
        for (Rectangle2D box : edged) {
            left = Math.min(left, box.getMinX());
            right = Math.max(right, box.getMaxX());
        }
        top = edge > 0 ? edge : first - ABOVE * size;
        if (!goesOn || edge == 0) return;
        // The rule between the head and the row stays where it is.
        for (Drawing one : lower.drawings.all(row.marks()))
            if (one.box().getHeight() < LowerLines.THIN && Math.abs(one.box().getCenterY() - edge) < EDGE) lower.below.stands(one);
    }

    /** Whether it goes on with a table that the page before ends with. */
    boolean goesOn() { return goesOn; }

    /** Where it begins. */
    double top() { return top; }

    /** All that begins below this goes down. */
    double opens() { return top - EDGE; }

    /** Makes what reaches across its edge longer. */
    void grow(double by, double lowest, double leading) throws Refused, IOException {
        left = Math.min(left, lower.left());
        right = Math.max(right, lower.right());
        frames.stretchAcross(passage, opens(), by, new Rectangle2D.Double(left, opens(), right - left, Math.max(by, lowest - opens())), leading);
        double reach = Math.max(top + by, lower.bottom());
        lower.refuseBelow(passage, lowest, leading);
        lower.refuseOn(passage, new Rectangle2D.Double(left, top + EDGE, right - left, Math.max(0.1, reach + BELOW * leading - top - EDGE)));
    }
}
