package app.decant.pdf.keep;

import app.decant.pdf.keep.Correction.Passage;
import app.decant.pdf.keep.MovedDrawings.Drawing;
import app.decant.pdf.keep.PageRewriting.NoRoom;
import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.pdf.read.ShownGlyph;
import app.decant.words.Message;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * Takes rows of a table out of a page: their words, what is drawn within them and their height go; the sides of the table and areas behind several rows get
 * shorter, what stands below comes up.
 */
final class TakenOutRows {
    /** What reaches this much beyond the edge of a row, in points, ends at it. */
    private static final double NEAR = 1.2;

    private final ChangedPage at;
    private final LowerLines lower;

    TakenOutRows(ChangedPage at) {
        this.at = at;
        lower = new LowerLines(at);
    }

    void set(Correction correction) throws Refused, IOException {
        Passage passage = correction.passage();
        double size = CellFilling.LEADING * PageRewriting.movable(passage.lines().get(0), at.byOrder).get(0).glyph().size();
        GrownRow row = new GrownRow(at, lower, passage, size);
        if (at.grown(passage.row().marks()) != 0) throw new NoRoom(Message.of("keep.rows-come-and-it-grows"));
        at.grows(passage.row().marks(), Double.NEGATIVE_INFINITY);
        double bottom = row.edge();
        double top = row.top(bottom);
        if (!(top < bottom)) throw new NoRoom(Message.of("keep.the-row-has-no-edges"));
        Set<Integer> gone = new HashSet<>();
        for (List<Integer> line : passage.lines()) remove(PageRewriting.movable(line, at.byOrder), gone);
        undraw(passage, top, bottom, row);
        row.takeOut(top, bottom);
        double left = Math.min(row.left(), lower.left());
        double right = Math.max(row.right(), lower.right());
        Rectangle2D touched = new Rectangle2D.Double(left, top - NEAR, right - left, Math.max(bottom, lower.bottom()) + NEAR - top);
        at.refuseAnnotations(lower.extent(size), touched);
        at.changes.touches(left - NEAR, touched.getMinY() - NEAR, right + NEAR, touched.getMaxY() + 0.4 * size);
    }

    private void remove(List<ShownGlyph> words, Set<Integer> gone) throws Refused, IOException {
        List<ShownGlyph> line = at.rows.withSpaces(words);
        at.rows.refuseDoubled(line);
        for (ShownGlyph mark : line) {
            if (mark.glyph().link() != null) throw new NoRoom(Message.of("keep.a-field-a-note-or-a-link"));
            if (!gone.add(mark.glyph().order())) continue;
            at.stream.of(mark).rewriting(mark, at.read.shown()).remove(mark.code());
            at.changes.removes(mark);
            at.written.gone(at.stream.contents(mark), at.read.page().index());
        }
        at.markings.takeOut(line, gone, (marking, box, mark) -> { });
    }

    /** All that is drawn within the rows but their edges goes with them. */
    private void undraw(Passage passage, double top, double bottom, GrownRow row) throws Refused, IOException {
        for (Drawing one : lower.drawings.all(passage.row().marks())) {
            Rectangle2D box = one.box();
            boolean beside = box.getMaxX() < row.left() - NEAR || box.getMinX() > row.right() + NEAR;
            boolean above = box.getMaxY() < top + NEAR || box.getMinY() < top - NEAR;
            boolean below = box.getMinY() > bottom - NEAR || box.getMaxY() > bottom + NEAR;
            boolean within = box.getMinY() > top + NEAR && box.getMinY() < bottom - NEAR;
            boolean ends = box.getMinY() < top - NEAR && box.getMaxY() > top + NEAR && box.getMaxY() < bottom - NEAR;
            if (beside || at.changes.isUndrawn(one.painted().from())) continue;
            // What begins or ends in the middle of a row holds more than it.
            if (within && box.getMaxY() > bottom + NEAR || ends) throw new NoRoom(Message.of("keep.something-stands-in-its-way"));
            if (above || below) continue;
            ChangedStream own = at.stream.of(one.painted().path());
            boolean path = MovedDrawings.PAINTING.contains(own.operators().get(one.painted().operator()).name());
            if (!path || !one.letters().isEmpty()) throw new NoRoom(Message.of("keep.something-stands-in-its-way"));
            own.unpaint(one.painted().operator());
            for (int order = one.painted().from(); order < one.painted().to(); order++) at.changes.undraws(order);
        }
    }
}
