package app.decant.pdf.keep;

import app.decant.pdf.keep.PageRewriting.NoRoom;
import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.PageReader;
import app.decant.pdf.read.ShownGlyph;
import app.decant.words.Message;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Moves what stands below a passage down or up, line by line as it is, until a gap takes it up: no letter is set anew, each is only shown higher or lower. */
final class LowerLines {
    /** A gap of so many lines parts what stands below from what is read on. */
    private static final double APART = 2.6;
    /** Nothing is moved nearer to the foot of the page, in points; nor nearer than three quarters of what is free above its text. */
    private static final double FOOT = 24;
    private static final double MARGIN = 0.75;
    /** What stands below stays at least so many lines away. */
    private static final double AWAY = 0.6;
    /** How much lower than others a page may end, in lines. */
    private static final double LONGER = 1.05;
    /** What of the room between paragraphs may go where a page is full. */
    private static final double GIVES = 0.45;

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

    /** What stands on one baseline below the passage. */
    private record Row(double baseline, List<ShownGlyph> marks) {
        double size() { return marks.stream().mapToDouble(mark -> mark.glyph().size()).max().orElse(0); }
    }

    /**
     * Moves lines. Where the page is full, the room between paragraphs gives a little, as compositors do it.
     *
     * @param own     the rest of the passage
     * @param lowest  the baseline above it
     * @param by      points, up where it is below 0
     * @param leading of the passage
     * @return the lowest baseline then
     */
    double move(Correction correction, List<List<ShownGlyph>> own, double lowest, double by, double leading) throws Refused, IOException {
        List<Row> rows = rows(correction, own, lowest, by, leading);
        if (rows.isEmpty()) return lowest;
        double most = most(correction);
        double over = rows.get(rows.size() - 1).baseline + by - most;
        double[] gives = new double[rows.size()];
        double spare = 0;
        for (int i = 0; by > 0 && over > 0 && i < gives.length; i++) {
            double distance = rows.get(i).baseline - (i == 0 ? lowest : rows.get(i - 1).baseline);
            gives[i] = GIVES * Math.max(0, distance - Math.max(1.05 * leading, 1.15 * rows.get(i).size()));
            spare += gives[i];
        }
        if (by > 0 && over > spare) {
            over -= longer(correction, leading);
            if (over > spare) throw new NoRoom(Message.of("keep.the-page-has-no-room"));
        }
        double given = 0;
        double before = lowest;
        for (int i = 0; i < rows.size(); i++) {
            if (by > 0 && over > 0) given += gives[i] * over / spare;
            Row row = rows.get(i);
            for (ShownGlyph mark : row.marks) lower(mark, by - given);
            changes.pushes(left - 1, before + 0.1, right + 1, row.baseline + 0.1, by - given);
            before = row.baseline;
        }
        top = rows.get(0).baseline;
        reached = before;
        bottom = Math.max(reached, reached + by - given);
        if (by < 0) refuseObstacles(correction, List.of(), left, right, reached + by, -by, leading);
        return reached + by - given;
    }

    /** A full page may end a line lower than others: common practice. What stands in its margin is looked for like all else. */
    private static double longer(Correction correction, double leading) { return correction.passage().foot() > 0 ? LONGER * leading : 0.1; }

    /** The lines that go: those that go down as far as to the first gap that takes the move up. */
    private List<Row> rows(Correction correction, List<List<ShownGlyph>> own, double lowest, double by, double leading) throws Refused {
        List<List<ShownGlyph>> lines = new ArrayList<>(own);
        if (correction.passage().following() == null) throw new Refused(Message.of("keep.it-is-not-known-what-stands-below"));
        for (List<Integer> line : correction.passage().following()) if (!line.isEmpty()) lines.add(PageRewriting.movable(line, byOrder));
        lines.sort(Comparator.comparingDouble(line -> line.get(0).glyph().baseline()));
        List<Row> rows = new ArrayList<>();
        double baseline = lowest;
        ShownGlyph first = byOrder.get(correction.passage().lines().get(0).get(0));
        for (List<ShownGlyph> line : lines) {
            // What is painted within other edges is another part of the page, such as the next of several frames.
            if (first != null && !line.get(0).isClippedAs(first)) break;
            double at = line.get(0).glyph().baseline();
            // A gap takes up what goes down; what goes up leaves none behind.
            if (by > 0 && at - baseline > APART * leading + by) break;
            List<ShownGlyph> marks = PageRewriting.withSpaces(line, read).stream().filter(mark -> moved.add(mark.glyph().order())).toList();
            if (marks.isEmpty()) continue;
            if (!rows.isEmpty() && at - baseline < 0.3) marks = joined(rows.remove(rows.size() - 1).marks, marks);
            rows.add(new Row(at, marks));
            for (ShownGlyph mark : marks) {
                left = Math.min(left, mark.glyph().x());
                right = Math.max(right, mark.glyph().right());
            }
            baseline = at;
        }
        return rows;
    }

    private static List<ShownGlyph> joined(List<ShownGlyph> some, List<ShownGlyph> others) {
        List<ShownGlyph> all = new ArrayList<>(some);
        all.addAll(others);
        return all;
    }

    private void lower(ShownGlyph mark, double by) throws Refused, IOException {
        if (!mark.isMovable()) throw new Refused(Message.of("keep.what-stands-below-it-cannot-be-moved"));
        stream.of(mark).rewriting(mark, read.shown()).lift(mark.code(), -by * mark.size() / mark.glyph().size());
        changes.lowers(mark, by);
    }

    /** How low text may stand on the page. */
    private double most(Correction correction) {
        double head = read.shown().stream().mapToDouble(mark -> mark.glyph().baseline() - mark.glyph().size()).min().orElse(0);
        return correction.passage().foot() > 0 ? correction.passage().foot() + 1 : read.page().height() - Math.max(FOOT, MARGIN * head);
    }

    /**
     * Whatever is not moved must not stand where lines come to stand, nor between them.
     *
     * @param up how far they went up, in points
     */
    void refuseObstacles(Correction correction, List<ShownGlyph> last, double from, double to, double lowest, double up, double leading) throws Refused {
        double size = last.isEmpty() ? 10 : last.get(0).glyph().size();
        double reach = Math.max(lowest, bottom);
        if (lowest > most(correction) + longer(correction, leading)) throw new NoRoom(Message.of("keep.the-page-has-no-room"));
        double foot = reach + 0.25 * size + AWAY * leading;
        Set<Integer> own = new HashSet<>(moved);
        double top = last.isEmpty() ? Double.MAX_VALUE : last.get(0).glyph().baseline() + 0.25 * size;
        for (ShownGlyph shown : read.shown()) {
            Glyph glyph = shown.glyph();
            if (changes.isRemoved(shown)) own.add(glyph.order());
            if (moved.contains(glyph.order())) top = Math.min(top, glyph.baseline() - 0.9 * glyph.size());
        }
        if (up > 0) own.addAll(correction.passage().marks());
        top -= up;
        double l = Math.min(from, left);
        Rectangle2D swept = new Rectangle2D.Double(l, top, Math.max(to, right) - l, Math.max(0.1, foot - top));
        for (ShownGlyph mark : last) own.add(mark.glyph().order());
        for (Rectangle2D box : room.all(own)) {
            // What lies behind all of it, such as the colour of the page, stays behind it.
            boolean behind = box.contains(swept);
            if (!behind && box.intersects(swept.getX(), swept.getY(), swept.getWidth(), swept.getHeight())) throw new NoRoom(
                    Message.of("keep.something-stands-in-its-way"));
        }
    }
}
