package app.decant.pdf.keep;

import app.decant.pdf.keep.Correction.Passage;
import app.decant.pdf.keep.MovedDrawings.Drawing;
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
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/**
 * Moves what stands below a passage down or up, line by line as it is, until a gap takes it up: no letter is set anew, each is only shown higher or lower. What
 * is drawn between goes along: pictures, rules, a table with its lines.
 */
final class LowerLines {
    /** A gap of so many lines parts what stands below from what is read on. */
    static final double APART = 2.6;
    /** Nothing is moved nearer to the foot of the page, in points; nor nearer than three quarters of what is free above its text. */
    static final double FOOT = 24;
    private static final double MARGIN = 0.75;
    /** What is drawn nearer to the edges of the page than this, in points, stands in its margin. */
    private static final double EDGE = 50;
    /** What stands below stays at least so many lines away. */
    private static final double AWAY = 0.6;
    /** How much lower than others a page may end, in lines. */
    private static final double LONGER = 1.05;
    /** Below a line so much of one is its own. */
    static final double LEAST_BELOW = 0.25;
    /** Rules are no thicker, in points. */
    static final double THIN = 3;
    /** What of the room between paragraphs may go where a page is full. */
    private static final double GIVES = 0.45;

    private final PageReader.Addressed read;
    private final MarkRows rows;
    private final Map<Integer, ShownGlyph> byOrder;
    private final ChangedStream stream;
    private final PageChanges changes;
    private final LineRoom room;
    final MovedDrawings drawings;
    private final Overflow overflow;
    private final WordMarkings markings;
    private final FullPage full;
    private final CarriedBoxes boxes;
    final StandingBelow below;
    final List<Drawing> going = new ArrayList<>();
    /** The marks that go, by their numbers in the page's order of painting: letters and what is drawn. */
    final Set<Integer> moved = new HashSet<>();
    private double left = Double.MAX_VALUE;
    private double right;
    private double bottom;
    private double top;
    private double reached;
    /** How low what is moved reached before. */
    private double stood;
    /** How much lower the last of what is moved stands for changes further up; NaN where nothing is moved. */
    private double carried = Double.NaN;
    private double cut = Double.NaN;

    LowerLines(ChangedPage at) {
        read = at.read;
        rows = at.rows;
        byOrder = at.byOrder;
        stream = at.stream;
        changes = at.changes;
        room = at.room;
        overflow = at.overflow;
        markings = at.markings;
        full = new FullPage(at);
        boxes = at.boxes;
        drawings = new MovedDrawings(read, stream, changes);
        below = new StandingBelow(at, drawings);
    }

    /** Where what was moved stood; nothing where nothing was. */
    Rectangle2D extent(double size) {
        if (moved.isEmpty()) return new Rectangle2D.Double();
        return new Rectangle2D.Double(left, top - 0.9 * size, right - left, reached - top + 1.2 * size);
    }

    /** Whether text or a picture follows the passage on this page still, above its foot: then none of the passage's own lines may go over. */
    boolean isFollowed(Passage passage, double lowest, double from, double to) {
        if (passage.following() == null) return false;
        double foot = most(passage);
        boolean pictured = read.page().pictures().stream().filter(one -> !moved.contains(one.order()))
                .anyMatch(one -> one.y() > lowest && one.y() < foot && one.x() < to && one.x() + one.width() > from);
        if (pictured) return true;
        return passage.following().stream().filter(line -> !line.isEmpty() && !overflow.isGiven(line.get(0))).map(line -> byOrder.get(line.get(0)))
                .anyMatch(mark -> mark != null && mark.glyph().baseline() < foot);
    }

    /** What was moved, and where it came from and went: its extent. */
    double left() { return left; }
    double right() { return right; }
    double bottom() { return Double.isNaN(carried) ? bottom : bottom + carried; }

    /** How low what was moved reached before, and reaches now but for changes further up; 0 where nothing was. */
    double stood() { return stood; }
    double reached() { return reached; }

    /** A drawing reaches so much further down, or less far: it is in nobody's way. */
    void stretched(Drawing one, double by) {
        Rectangle2D box = one.box();
        for (int order = one.painted().from(); order < one.painted().to(); order++) moved.add(order);
        bottom = Math.max(bottom, box.getMaxY() + Math.max(0, by));
        reach(box.getMinX(), box.getMaxX());
    }

    /**
     * Moves lines, and what is drawn between them. Where the page is full, the room between paragraphs gives a little, as compositors do it.
     *
     * @param own     the rest of the passage
     * @param lowest  the baseline above it
     * @param by      points, up where it is below 0
     * @param leading of the passage
     * @return the lowest baseline then
     */
    double move(Passage passage, List<List<ShownGlyph>> own, double lowest, double by, double leading) throws Refused, IOException {
        List<LoweredUnit> units = units(passage, own, lowest, by, leading);
        if (units.isEmpty()) return lowest;
        double ends = units.stream().mapToDouble(unit -> unit.ends).max().orElseThrow();
        double free = Math.max(ends, free(passage, units, leading));
        double limit = Math.min(most(passage), free);
        // What was moved for a change further up stands that much lower.
        double[] lowered = lowered(units);
        double already = lowered[units.size() - 1];
        double over = ends + already + by - limit;
        int stays = units.size();
        double[] gives = new double[units.size()];
        double spare = 0;
        for (int i = 0; by > 0 && over > 0 && i < gives.length; i++) {
            double distance = units.get(i).begins - (i == 0 ? lowest : units.get(i - 1).ends + lowered[i - 1] - lowered[i]);
            gives[i] = GIVES * Math.max(0, distance - Math.max(1.05 * leading, 1.15 * units.get(i).size));
            spare += gives[i];
        }
        if (by > 0 && over > spare) {
            over -= Math.min(most(passage) + longer(passage, leading), free) - limit;
            if (over > spare) {
                stays = full.stays(passage, units, limit - already - by);
                over = 0;
            }
        }
        stood = units.stream().mapToDouble(unit -> unit.isLine() ? unit.ends : Math.max(unit.ends, unit.bottom)).max().orElseThrow();
        top = units.get(0).begins;
        if (stays < units.size()) cut = full.give(passage, units, stays);
        double given = 0;
        double before = lowest;
        Map<Drawing, Double> drawn = new LinkedHashMap<>();
        for (int i = 0; i < stays; i++) {
            if (by > 0 && over > 0) given += gives[i] * over / spare;
            LoweredUnit unit = units.get(i);
            for (ShownGlyph mark : unit.marks) lower(mark, by - given);
            for (Drawing one : unit.drawings) {
                drawn.put(one, by - given);
                bottom = Math.max(bottom, one.box().getMaxY() + Math.max(0, by - given));
            }
            for (CarriedBoxes.Box one : unit.boxes) {
                changes.carries(one, by - given);
                bottom = Math.max(bottom, one.area().getMaxY() + Math.max(0, by - given));
            }
            double end = unit.isLine() ? unit.ends : Math.max(unit.ends, unit.bottom);
            changes.pushes(left - 1, before + 0.1, right + 1, end + 0.1, by - given);
            before = end;
        }
        drawings.move(drawn);
        if (stays == 0) return lowest;
        carried = lowered[stays - 1];
        reached = units.get(stays - 1).ends;
        bottom = Math.max(bottom, Math.max(reached, reached + by - given));
        return reached + by - given;
    }

    /**
     * All that stands below a height goes over to the next page.
     *
     * @param edge where it begins
     */
    void giveAll(Passage passage, double lowest, double edge, double leading) throws Refused, IOException {
        List<LoweredUnit> units = units(passage, List.of(), lowest, Double.MAX_VALUE, leading);
        if (units.isEmpty()) return;
        full.giveAll(passage, units);
        cut = edge;
    }

    /** How low text may stand on the page, at most. */
    double lowest(Passage passage, double leading) { return most(passage) + longer(passage, leading); }

    /** Where what goes over to the next page began; NaN where nothing does. */
    double cut() { return cut; }

    /** How much lower each stands for changes further up; what is drawn alone went with what is above it. */
    private double[] lowered(List<LoweredUnit> units) {
        double[] lowered = new double[units.size()];
        for (int i = 0; i < lowered.length; i++) {
            List<ShownGlyph> marks = units.get(i).marks;
            lowered[i] = marks.isEmpty() ? i == 0 ? 0 : lowered[i - 1] : marks.stream().mapToDouble(changes::lowered).max().orElse(0);
        }
        return lowered;
    }

    Set<Integer> ofWords(List<ShownGlyph> marks) { return markings.orders(marks); }

    static boolean isOf(Drawing one, Set<Integer> own) {
        return IntStream.range(one.painted().from(), one.painted().to()).allMatch(own::contains);
    }

    /** Moves lines, with what is drawn with their words, whatever stands below them. */
    void moveAll(List<List<ShownGlyph>> lines, double by) throws Refused, IOException {
        List<ShownGlyph> marks = lines.stream().flatMap(List::stream).toList();
        Set<Integer> own = ofWords(marks);
        for (ShownGlyph mark : marks) {
            lower(mark, by);
            moved.add(mark.glyph().order());
        }
        Map<Drawing, Double> drawn = new LinkedHashMap<>();
        for (Drawing one : drawings.all(moved)) if (isOf(one, own)) drawn.put(one, by);
        going.addAll(drawn.keySet());
        moved.addAll(own);
        drawings.move(drawn);
    }

    /** How low the last line may come to stand before what stays below it, such as notes at the foot of the page. */
    private double free(Passage passage, List<LoweredUnit> units, double leading) {
        Set<Integer> own = new HashSet<>(moved);
        own.addAll(passage.marks());
        double bottom = units.stream().mapToDouble(unit -> unit.bottom).max().orElseThrow();
        double hanging = bottom - units.stream().mapToDouble(unit -> unit.ends).max().orElseThrow();
        double next = room.all(own).stream().filter(box -> box.getMinY() > bottom - 0.5 && box.getMaxX() > left && box.getMinX() < right)
                .mapToDouble(Rectangle2D::getMinY).min().orElse(Double.MAX_VALUE);
        return next - hanging - (LEAST_BELOW + AWAY) * leading;
    }

    /** A full page may end a line lower than others: common practice. What stands in its margin is looked for like all else. */
    private static double longer(Passage passage, double leading) { return passage.foot() > 0 ? LONGER * leading : 0.1; }

    /** What goes: down as far as to the first gap that takes the move up. */
    private List<LoweredUnit> units(Passage passage, List<List<ShownGlyph>> own, double lowest, double by, double leading) throws Refused {
        List<LoweredUnit> each = new ArrayList<>();
        for (List<ShownGlyph> line : lines(passage, own)) {
            LoweredUnit unit = new LoweredUnit();
            unit.take(line);
            each.add(unit);
        }
        below.add(passage, each, new double[] {left, right}, moved, lowest, leading);
        List<LoweredUnit> units = new ArrayList<>();
        double end = lowest;
        for (LoweredUnit unit : each) {
            // A gap takes up what goes down; what goes up leaves none behind.
            if (by > 0 && unit.begins - end > APART * leading + by) break;
            end = Math.max(end, unit.ends);
            LoweredUnit last = units.isEmpty() ? null : units.get(units.size() - 1);
            if (last != null && last.hangsTogether(unit)) last.take(unit);
            else units.add(unit);
        }
        for (LoweredUnit unit : units) {
            for (ShownGlyph mark : unit.marks) {
                moved.add(mark.glyph().order());
                reach(mark.glyph().x(), mark.glyph().right());
            }
            going.addAll(unit.drawings);
            for (CarriedBoxes.Box one : unit.boxes) {
                moved.addAll(one.orders());
                reach(one.area().getMinX(), one.area().getMaxX());
            }
            for (Drawing one : unit.drawings) {
                for (int order = one.painted().from(); order < one.painted().to(); order++) moved.add(order);
                reach(one.box().getMinX(), one.box().getMaxX());
            }
        }
        return units;
    }

    /** What stands between two places of the page goes along. */
    void reach(double from, double to) {
        left = Math.min(left, from);
        right = Math.max(right, to);
    }

    /** The lines below, from above. */
    List<List<ShownGlyph>> lines(Passage passage, List<List<ShownGlyph>> own) throws Refused {
        if (passage.following() == null) throw new Refused(Message.of("keep.it-is-not-known-what-stands-below"));
        List<List<ShownGlyph>> lines = new ArrayList<>(own);
        for (List<Integer> line : passage.following()) {
            // Fields and notes go by themselves.
            List<Integer> page = boxes.without(line);
            if (!page.isEmpty()) lines.add(PageRewriting.movable(page, byOrder));
        }
        lines.sort(Comparator.comparingDouble(line -> line.get(0).glyph().baseline()));
        ShownGlyph first = byOrder.get(passage.lines().get(0).get(0));
        Set<Integer> taken = new HashSet<>();
        List<List<ShownGlyph>> all = new ArrayList<>();
        for (List<ShownGlyph> line : lines) {
            // What is painted within other edges is another part of the page, such as the next of several frames, or a chart.
            boolean elsewhere = passage.row() == null && first != null && !line.get(0).isClippedAs(first);
            if (elsewhere) continue;
            List<ShownGlyph> marks = rows.withSpaces(line).stream()
                    .filter(mark -> !overflow.isGiven(mark) && taken.add(mark.glyph().order())).toList();
            if (!marks.isEmpty()) all.add(marks);
        }
        return all;
    }

    private void lower(ShownGlyph mark, double by) throws Refused, IOException {
        if (!mark.isMovable()) throw new Refused(Message.of("keep.what-stands-below-it-cannot-be-moved"));
        stream.of(mark).rewriting(mark, read.shown()).lift(mark.code(), -by * mark.size() / mark.glyph().size());
        changes.lowers(mark, by);
    }

    /** How low the last line of a page may stand that begins between two places: on the page, and above what stands at its foot. */
    double limit(Passage passage, double from, double to, double leading, ShownGlyph like) {
        Set<Integer> own = new HashSet<>(moved);
        own.addAll(passage.marks());
        own.addAll(changes.undrawn());
        double lowest = passage.lines().stream().mapToDouble(line -> byOrder.containsKey(line.get(0)) ? byOrder.get(line.get(0)).glyph().baseline() : 0).max()
                .orElse(0);
        // A frame around the passage can be made longer.
        for (Drawing one : drawings.all(own))
            if (one.box().getMinY() < lowest && one.box().getMaxY() > lowest)
                for (int order = one.painted().from(); order < one.painted().to(); order++) own.add(order);
        double next = room.all(own).stream().filter(box -> box.getMinY() > lowest && box.getMaxX() > from && box.getMinX() < to)
                .mapToDouble(Rectangle2D::getMinY).min().orElse(Double.MAX_VALUE);
        return Math.min(most(passage) + longer(passage, leading), next - (LEAST_BELOW + AWAY) * leading) - changes.lowered(like);
    }

    /** How low text may stand on the page. */
    private double most(Passage passage) {
        double head = read.shown().stream().mapToDouble(mark -> mark.glyph().baseline() - mark.glyph().size()).min().orElse(0);
        // A picture may stand above its text; what bleeds off the page tells nothing.
        for (Rectangle2D drawn : LineRoom.drawn(read).values()) head = Math.min(head, Math.max(EDGE, drawn.getMinY()));
        double most = passage.foot() > 0 ? passage.foot() + 1 : read.page().height() - Math.max(FOOT, MARGIN * head);
        ShownGlyph first = byOrder.get(passage.lines().get(0).get(0));
        // What would stand below the area that is painted on is not seen.
        double painted = first == null ? most : first.state().clip().getMaxY() - LEAST_BELOW * first.glyph().size();
        return painted > most || painted < stood(passage) ? most : painted;
    }

    /**
     * Whatever is not moved must not stand where lines come to stand, nor between them.
     *
     * @param up how far they went up, in points
     */
    void refuseObstacles(Passage passage, List<ShownGlyph> last, double from, double to, double lowest, double up, double leading) throws Refused {
        double size = last.isEmpty() ? 10 : last.get(0).glyph().size();
        double reach = Math.max(lowest, bottom);
        double already = last.isEmpty() ? 0 : Double.isNaN(carried) ? changes.lowered(last.get(0)) : carried;
        if (lowest + already > lowest(passage, leading)) throw new NoRoom(Message.of("keep.the-page-has-no-room"));
        // What ends no lower than it did is as near to what stands below as it was.
        double foot = reach + LEAST_BELOW * size + (reach > Math.max(stood, stood(passage)) + 0.1 ? AWAY * leading : -LEAST_BELOW * size);
        Set<Integer> own = new HashSet<>(moved);
        own.addAll(changes.undrawn());
        double top = last.isEmpty() ? Double.MAX_VALUE : last.get(0).glyph().baseline() + 0.25 * size;
        for (ShownGlyph shown : read.shown()) {
            Glyph glyph = shown.glyph();
            if (changes.isRemoved(shown)) own.add(glyph.order());
            if (moved.contains(glyph.order())) top = Math.min(top, glyph.baseline() - 0.9 * glyph.size());
        }
        for (Drawing one : going) top = Math.min(top, one.box().getMinY());
        if (up > 0) own.addAll(passage.marks());
        top -= up;
        double l = Math.min(from, left);
        for (ShownGlyph mark : last) own.add(mark.glyph().order());
        Rectangle2D swept = new Rectangle2D.Double(l, top, Math.max(to, right) - l, Math.max(0.1, foot - top));
        refuseOn(swept, new Rectangle2D.Double(l, top, swept.getWidth(), Math.max(0.1, reach + LEAST_BELOW * size - top)), own);
    }

    /** How low the lines of a passage stood, and those below it, whether they go over to another page or not. */
    private double stood(Passage passage) {
        return Stream.concat(passage.lines().stream(), passage.following() == null ? Stream.empty() : passage.following().stream())
                .filter(line -> !line.isEmpty() && byOrder.containsKey(line.get(0))).mapToDouble(line -> byOrder.get(line.get(0)).glyph().baseline()).max()
                .orElse(0);
    }

    /**
     * What stays must not stand where something comes to stand; what lies behind all of it, such as the colour of the page, stays behind it.
     *
     * @param lines the same without the room that is kept free below it
     */
    private void refuseOn(Rectangle2D swept, Rectangle2D lines, Set<Integer> own) throws NoRoom {
        for (Rectangle2D box : room.all(own)) {
            if (!box.contains(lines) && box.intersects(swept.getX(), swept.getY(), swept.getWidth(), swept.getHeight()))
                throw new NoRoom(Message.of("keep.something-stands-in-its-way"));
        }
    }

    /** The same of a part of the page that something which moves with others came into; what they are does not stand in their way. */
    void refuseOn(Passage passage, Rectangle2D swept) throws NoRoom {
        Set<Integer> own = new HashSet<>(moved);
        own.addAll(passage.marks());
        own.addAll(changes.undrawn());
        refuseOn(swept, swept, own);
    }

    /** Whether a page has room for lines as low as this. */
    void refuseBelow(Passage passage, double lowest, double leading) throws NoRoom {
        if (lowest > lowest(passage, leading)) throw new NoRoom(Message.of("keep.the-page-has-no-room"));
    }
}
