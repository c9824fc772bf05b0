package app.decant.pdf.keep;

import app.decant.pdf.keep.PageRewriting.NoRoom;
import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.PageReader;
import app.decant.pdf.read.ShownGlyph;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Moves what stands below a passage down or up, line by line as it is, until a gap takes it up: no letter is set anew, each is only shown higher or lower. */
final class LowerLines {
    /** A gap of so many lines parts what stands below from what is read on. */
    private static final double APART = 2.6;
    /** Nothing is moved nearer to the foot of the page, in points. */
    private static final double FOOT = 24;

    private final PageReader.Addressed read;
    private final Map<Integer, ShownGlyph> byOrder;
    private final ChangedStream stream;
    private final PageChanges changes;
    private final LineRoom room;
    private final Set<Integer> moved = new HashSet<>();
    private double left = Double.MAX_VALUE;
    private double right;
    private double bottom;
    private double top;
    private double reached;

    LowerLines(PageReader.Addressed read, Map<Integer, ShownGlyph> byOrder, ChangedStream stream, PageChanges changes, LineRoom room) {
        this.read = read;
        this.byOrder = byOrder;
        this.stream = stream;
        this.changes = changes;
        this.room = room;
    }

    /** Where what was moved stood; nothing where nothing was. */
    Rectangle2D extent(double size) {
        if (moved.isEmpty()) return new Rectangle2D.Double();
        return new Rectangle2D.Double(left, top - 0.9 * size, right - left, reached - top + 1.2 * size);
    }

    /** What was moved, and where it came from and went: its extent. */
    double left() { return left; }
    double right() { return right; }
    double bottom() { return bottom; }

    /**
     * Moves lines.
     *
     * @param own     the rest of the passage
     * @param lowest  the baseline above it
     * @param by      points, up where it is below 0
     * @param leading of the passage
     * @return the lowest baseline then
     */
    double move(Correction correction, List<List<ShownGlyph>> own, double lowest, double by, double leading) throws Refused, IOException {
        List<List<ShownGlyph>> lines = new ArrayList<>(own);
        if (correction.passage().following() == null) throw new Refused("it is not known what stands below it");
        for (List<Integer> line : correction.passage().following()) if (!line.isEmpty()) lines.add(PageRewriting.movable(line, byOrder));
        top = Double.MAX_VALUE;
        reached = lowest;
        for (List<ShownGlyph> line : lines) {
            double baseline = line.get(0).glyph().baseline();
            if (baseline - reached > APART * leading + Math.max(0, by)) break;
            lower(PageRewriting.withSpaces(line, read), by);
            reached = Math.max(reached, baseline);
            top = Math.min(top, baseline);
        }
        if (moved.isEmpty()) return lowest;
        changes.pushes(left - 1, lowest + 0.1, right + 1, reached + 0.1, by);
        if (by < 0) refuseObstacles(List.of(), left, right, reached);
        return reached + by;
    }

    private void lower(List<ShownGlyph> line, double by) throws Refused, IOException {
        for (ShownGlyph mark : line) {
            if (!moved.add(mark.glyph().order())) continue;
            if (!mark.isMovable()) throw new Refused("what stands below it can't be moved");
            stream.of(mark).rewriting(mark, read.shown()).lift(mark.code(), -by * mark.size() / mark.glyph().size());
            changes.lowers(mark, by);
            left = Math.min(left, mark.glyph().x());
            right = Math.max(right, mark.glyph().right());
            bottom = Math.max(bottom, mark.glyph().baseline() + Math.max(0, by));
        }
    }

    /** Whatever is not moved must not stand where lines come to stand, nor between them. */
    void refuseObstacles(List<ShownGlyph> last, double from, double to, double lowest) throws Refused {
        double size = last.isEmpty() ? 10 : last.get(0).glyph().size();
        double foot = Math.max(lowest, bottom) + 0.25 * size;
        if (foot > read.page().height() - FOOT) throw new NoRoom("the page has no room for it");
        Set<Integer> own = new HashSet<>(moved);
        double top = last.isEmpty() ? Double.MAX_VALUE : last.get(0).glyph().baseline() + 0.25 * size;
        for (ShownGlyph shown : read.shown()) {
            Glyph glyph = shown.glyph();
            if (changes.isRemoved(shown)) own.add(glyph.order());
            if (moved.contains(glyph.order())) top = Math.min(top, glyph.baseline() - 0.9 * glyph.size());
        }
        double l = Math.min(from, left);
        Rectangle2D swept = new Rectangle2D.Double(l, top, Math.max(to, right) - l, Math.max(0.1, foot - top));
        for (ShownGlyph mark : last) own.add(mark.glyph().order());
        for (Rectangle2D box : room.all(own)) {
            // What lies behind all of it, such as the colour of the page, stays behind it.
            boolean behind = box.contains(swept);
            if (!behind && box.intersects(swept.getX(), swept.getY(), swept.getWidth(), swept.getHeight())) throw new NoRoom("something stands in its way");
        }
    }
}
