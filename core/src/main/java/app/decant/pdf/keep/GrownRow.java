package app.decant.pdf.keep;

import app.decant.pdf.keep.Correction.Passage;
import app.decant.pdf.keep.PageRewriting.NoRoom;
import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.pdf.read.ShownGlyph;
import app.decant.words.Message;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.DoubleStream;

/**
 * A row of a table one cell of which says more than it has room for: it gets higher, the sides and areas of its cells with it, and what stands below it goes
 * down. What its other cells say stays where it is.
 */
final class GrownRow {
    /** Letters reach so far above and below their baseline, in ems. */
    private static final double ABOVE = 0.7;
    private static final double BELOW = 0.25;
    /** What is drawn this much higher than the edge of the row, in points, is still its edge. */
    private static final double EDGE = 1;
    /** A row with more room than this below its words, in lines, has room for another; so much of it is kept. */
    private static final double ROOMY = 1.3;
    private static final double KEPT = 0.45;
    /** The edge above a row is at least so far above its baseline, in ems, and not farther than this above that, in points. */
    private static final double HALF = 0.5;
    private static final double FAR = 100;

    private final ChangedPage at;
    private final LowerLines lower;
    private final StretchedFrames frames;
    private final Passage passage;
    private final double leading;
    private double edge;
    private List<Rectangle2D> edged = List.of();
    private double left = Double.MAX_VALUE;
    private double right;

    GrownRow(ChangedPage at, LowerLines lower, Passage passage, double leading) {
        this.at = at;
        this.lower = lower;
        frames = new StretchedFrames(at, lower);
        this.passage = passage;
        this.leading = leading;
    }

    /**
     * Makes room for lines.
     *
     * @param own   the rest of the passage
     * @param set   where its new lines stand
     * @param stood the baseline of the last of those that they stand for
     * @param by    how much deeper they are than these, in points
     * @return the lowest baseline of the cell then
     */
    double grow(List<List<ShownGlyph>> own, Rectangle2D set, double stood, double by) throws Refused, IOException {
        List<List<ShownGlyph>> within = lower.lines(passage, own);
        double ends = within.stream().mapToDouble(line -> line.get(0).glyph().baseline()).max().orElse(stood);
        lower.moveAll(within, by);
        if (!within.isEmpty()) at.changes.pushes(set.getMinX() - 1, stood + 0.1, set.getMaxX() + 1, ends + 0.1, by);
        double reaches = Math.max(set.getMaxY(), within.isEmpty() ? stood : ends + by);
        if (at.grown(passage.row().marks()) < 0) throw new NoRoom(Message.of("keep.rows-come-and-it-grows"));
        edge();
        double size = size();
        double spare = edge - bottom() > ROOMY * leading ? edge - bottom() - KEPT * leading : 0;
        double grows = reaches - bottom() - spare - at.grown(passage.row().marks());
        if (grows > 0.1) {
            at.grows(passage.row().marks(), grows);
            grow(edge - EDGE, grows);
        }
        // What is below the edge of the row went down as far as it has grown.
        double begins = stood + BELOW * size;
        double until = Math.min(reaches + BELOW * size, edge - EDGE);
        if (until > begins) lower.refuseOn(passage, new Rectangle2D.Double(set.getX(), begins, set.getWidth(), until - begins));
        return reaches;
    }

    /** The letters of the row. */
    private List<ShownGlyph> words() {
        return passage.row().marks().stream().map(at.byOrder::get).filter(Objects::nonNull).filter(mark -> !mark.glyph().isSpace()).toList();
    }

    private ShownGlyph lowest() { return words().stream().max(Comparator.comparingDouble(mark -> mark.glyph().baseline())).orElseThrow(); }

    private double bottom() { return lowest().glyph().baseline(); }

    private double size() { return lowest().glyph().size(); }

    /** Where the row ends: at the first edge of what is drawn below its words, else before what stands there. */
    double edge() {
        double bottom = bottom();
        double next = passage.row().below().stream().flatMap(List::stream).map(at.byOrder::get).filter(Objects::nonNull)
                .mapToDouble(mark -> mark.glyph().baseline() - ABOVE * mark.glyph().size()).min().orElse(bottom + 2 * leading);
        double from = bottom + 0.1 * size();
        edged = frames.edged(passage, words(), from, Math.max(next + EDGE, bottom + size()));
        for (Rectangle2D box : edged) {
            left = Math.min(left, box.getMinX());
            right = Math.max(right, box.getMaxX());
        }
        edge = edged.stream().flatMapToDouble(box -> DoubleStream.of(box.getMinY(), box.getMaxY())).filter(one -> one > from).min()
                .orElse(Math.min(next, bottom + BELOW * leading + EDGE));
        return edge;
    }

    /**
     * Makes room for rows below it.
     *
     * @param head whether what is drawn behind the row below gets longer, rather than what is drawn behind this
     */
    void below(double by, boolean head) throws Refused, IOException {
        if (at.grown(passage.row().marks()) != 0) throw new NoRoom(Message.of("keep.rows-come-and-it-grows"));
        // It can't grow any more: what came below it stands where it stands.
        at.grows(passage.row().marks(), Double.NEGATIVE_INFINITY);
        grow(head ? edge + EDGE : edge - EDGE, by);
    }

    /** Whether there is room for rows below it that are as high. */
    boolean fits(double by) { return edge - EDGE + by <= lower.lowest(passage, leading); }

    /** Makes room for as many rows below it as the page has room for; what is below them goes over to the next. */
    void over(double by) throws Refused, IOException {
        if (at.grown(passage.row().marks()) != 0) throw new NoRoom(Message.of("keep.rows-come-and-it-grows"));
        at.grows(passage.row().marks(), Double.NEGATIVE_INFINITY);
        Passage whole = whole();
        double height = edge - EDGE;
        for (MovedDrawings.Drawing one : lower.drawings.all(whole.marks()))
            if (RowDrawings.isRule(one) && Math.abs(one.box().getCenterY() - edge) <= EDGE) lower.below.stands(one);
        lower.giveAll(whole, height - LoweredUnit.BELOW * leading, edge, leading);
        double from = Math.min(left, words().stream().mapToDouble(mark -> mark.glyph().x()).min().orElseThrow());
        double to = Math.max(right, words().stream().mapToDouble(mark -> mark.glyph().right()).max().orElseThrow());
        frames.stretchAcross(whole, height, by, new Rectangle2D.Double(from, height, to - from, by), leading);
        if (by > 0) lower.refuseOn(whole, new Rectangle2D.Double(from, edge + EDGE, to - from, by + BELOW * leading));
    }

    /**
     * Where the row begins: at the last edge of what is drawn above its words, or as far above its end as it is known to be high.
     *
     * @param bottom where it ends
     */
    double top(double bottom) {
        ShownGlyph first = words().stream().min(Comparator.comparingDouble(mark -> mark.glyph().baseline())).orElseThrow();
        double until = first.glyph().baseline() - HALF * first.glyph().size();
        double from = until - FAR;
        double top = edged.isEmpty() ? 0 : frames.edged(passage, words(), from, until).stream().flatMapToDouble(box -> DoubleStream.of(box.getMinY(),
                box.getMaxY())).filter(one -> one < until && one > from).max().orElse(0);
        return top > 0 ? top : passage.row().height() > 0 ? bottom - passage.row().height() : Double.NaN;
    }

    /** Takes the room of the row away, once nothing stands in it any more. */
    void takeOut(double top, double bottom) throws Refused, IOException {
        if (left < right) lower.reach(left, right);
        double by = top - bottom;
        double height = bottom - EDGE;
        Passage whole = whole();
        lower.move(whole, List.of(), height - LoweredUnit.BELOW * leading, by, leading);
        left = Math.min(left, lower.left());
        right = Math.max(right, lower.right());
        frames.stretchAcross(whole, height, by, new Rectangle2D.Double(left, height, right - left, 0), leading);
        double reach = Math.max(height, lower.bottom());
        lower.refuseOn(whole, new Rectangle2D.Double(left, top + EDGE, right - left, Math.max(0.1, reach + BELOW * leading - top - EDGE)));
    }

    /** The row with the passage, as one. */
    private Passage whole() {
        List<List<Integer>> lines = new ArrayList<>(passage.lines());
        lines.add(List.copyOf(passage.row().marks()));
        return new Passage(lines, passage.hyphens(), false, passage.row().below(), passage.foot(), null, Set.of(), passage.row().onward(), null,
                passage.row());
    }

    /** Between which all of the row is drawn, once its edge is known. */
    double left() { return left; }
    double right() { return right; }

    private void grow(double height, double by) throws Refused, IOException {
        List<ShownGlyph> words = words();
        if (left < right) lower.reach(left, right);
        Passage whole = whole();
        double from = words.stream().mapToDouble(mark -> mark.glyph().x()).min().orElseThrow();
        double to = words.stream().mapToDouble(mark -> mark.glyph().right()).max().orElseThrow();
        double end = lower.move(whole, List.of(), height - LoweredUnit.BELOW * leading, by, leading);
        from = Math.min(from, lower.left());
        to = Math.max(to, lower.right());
        Rectangle2D swept = new Rectangle2D.Double(from, height, to - from, Math.max(by, end - height));
        frames.stretchAcross(whole, height, by, swept, leading);
        double reach = Math.max(height + by, lower.bottom());
        lower.refuseBelow(passage, Math.max(end, height + by), leading);
        lower.refuseOn(whole, new Rectangle2D.Double(from, height, to - from, reach + BELOW * leading - height));
    }
}
