package app.decant.pdf.keep;

import app.decant.pdf.keep.PageRewriting.NoRoom;
import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.pdf.keep.StretchedPath.Step;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.Ink;
import app.decant.pdf.read.PageReader;
import app.decant.pdf.read.PageReader.Painted;
import app.decant.pdf.read.PageReader.Saved;
import app.decant.pdf.read.PageReader.State;
import app.decant.pdf.read.ShownGlyph;
import app.decant.pdf.read.StreamOperators;
import app.decant.words.Message;
import java.awt.geom.AffineTransform;
import java.awt.geom.NoninvertibleTransformException;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * Pictures, rules, areas and shapes of a page that go down or up as they are: the matrix before them (ISO 32000-2, 8.3.4) is led so, all else of their
 * operators stays. What clips them goes with them where it clips nothing else.
 */
final class MovedDrawings {
    /** What paints a path (ISO 32000-2, table 59). */
    static final Set<String> PAINTING = Set.of("f", "F", "f*", "S", "s", "B", "B*", "b", "b*");
    private static final Set<String> PATH = Set.of("m", "l", "c", "v", "y", "h", "re");
    /** So much may come to lie beyond a clip, in points. */
    private static final double CUT = 0.5;

    private final PageReader.Addressed read;
    private final ChangedStream stream;
    private final PageChanges changes;
    private final Map<Integer, Rectangle2D> boxes;
    private final Set<Integer> washes = new HashSet<>();

    /**
     * What one operator draws, and around where, in points from the page's top left corner as it was read.
     *
     * @param letters that it shows too, where it calls a form that has some: they go with it
     */
    record Drawing(Painted painted, Rectangle2D box, List<ShownGlyph> letters) {
        boolean has(Glyph glyph) { return glyph.order() >= painted.from() && glyph.order() < painted.to(); }
    }

    MovedDrawings(PageReader.Addressed read, ChangedStream stream, PageChanges changes) {
        this.read = read;
        this.stream = stream;
        this.changes = changes;
        boxes = LineRoom.drawn(read);
        for (Ink ink : read.page().ink()) if (ink instanceof Ink.Wash) washes.add(ink.order());
    }

    /**
     * All drawings of the page. A form that it calls is one of them, whatever that draws and says, as long as none of some marks is in it.
     *
     * @param text marks that are moved as text
     */
    List<Drawing> all(Set<Integer> text) {
        List<Drawing> all = new ArrayList<>();
        List<Painted> whole = new ArrayList<>();
        for (Painted call : read.calls()) {
            boolean outer = read.calls().stream().noneMatch(other -> holds(other, call) && isFree(other, text));
            if (outer && isFree(call, text)) whole.add(call);
        }
        for (Painted call : whole) add(all, call, read.shown().stream().filter(mark -> mark.glyph().order() >= call.from() && mark.glyph().order() < call.to())
                .toList());
        for (Painted painted : read.painted()) if (whole.stream().noneMatch(call -> holds(call, painted))) add(all, painted, List.of());
        return all;
    }

    private static boolean isFree(Painted call, Set<Integer> text) { return text.stream().noneMatch(mark -> mark >= call.from() && mark < call.to()); }

    private static boolean holds(Painted call, Painted other) { return other != call && other.from() >= call.from() && other.to() <= call.to(); }

    private void add(List<Drawing> all, Painted painted, List<ShownGlyph> letters) {
        Rectangle2D box = null;
        for (int order = painted.from(); order < painted.to(); order++) {
            Rectangle2D one = boxes.get(order);
            if (one != null) box = box == null ? (Rectangle2D) one.clone() : box.createUnion(one);
        }
        for (ShownGlyph mark : letters) {
            Glyph glyph = mark.glyph();
            Rectangle2D one = new Rectangle2D.Double(glyph.x(), glyph.baseline() - 0.75 * glyph.size(), glyph.width(), glyph.size());
            box = box == null ? one : box.createUnion(one);
        }
        if (box != null) all.add(new Drawing(painted, box, letters));
    }

    /** Moves drawings, each so many points down, up where it is below 0. */
    void move(Map<Drawing, Double> by) throws Refused, IOException {
        Set<Painted> done = new HashSet<>();
        for (Map.Entry<Drawing, Double> one : by.entrySet()) {
            Painted painted = one.getKey().painted;
            changes.draws(painted, one.getValue());
            for (ShownGlyph mark : one.getKey().letters) changes.carries(mark, one.getValue());
            if (done.contains(painted)) continue;
            Rectangle2D moved = moved(one.getKey().box, one.getValue());
            if (isWithin(moved, painted.state().clip()) || !isWithin(one.getKey().box, painted.state().clip())) wrap(painted, one.getValue());
            else moveBlock(one.getKey(), one.getValue(), by, done);
        }
    }

    private static Rectangle2D moved(Rectangle2D box, double by) {
        return new Rectangle2D.Double(box.getX(), box.getY() + by, box.getWidth(), box.getHeight());
    }

    private static boolean isWithin(Rectangle2D box, Rectangle2D clip) {
        return box.getMinX() > clip.getMinX() - CUT && box.getMaxX() < clip.getMaxX() + CUT && box.getMinY() > clip.getMinY() - CUT
                && box.getMaxY() < clip.getMaxY() + CUT;
    }

    /** Puts a matrix before what one operator paints, with its path, and takes it back after that. */
    private void wrap(Painted painted, double by) throws Refused, IOException {
        ChangedStream own = stream.of(painted.path());
        List<StreamOperators.Found> operators = own.operators();
        int from = painted.operator();
        boolean shades = operators.get(from).name().equals("sh");
        // A pattern stands where its page says, whatever the matrix (8.7.3.1).
        boolean calls = operators.get(from).name().equals("Do");
        for (int order = painted.from(); order < painted.to() && !shades && !calls; order++) if (washes.contains(order)) throw immovable();
        while (from > 0 && PATH.contains(operators.get(from - 1).name())) from--;
        String before = from > 0 ? operators.get(from - 1).name() : "";
        if (before.equals("W") || before.equals("W*") || isInText(operators, from)) throw immovable();
        own.putBefore(from, "\nq " + matrix(painted.state(), by));
        own.putAfter(painted.operator(), "\nQ");
    }

    /**
     * Makes a drawing reach further down, or less far: what of its path is below a height goes along, all else stays.
     *
     * @throws Refused where it is a picture or a shading, or would be cut off
     */
    void stretch(Drawing drawing, double height, double by) throws Refused, IOException {
        Painted painted = drawing.painted;
        ChangedStream own = stream.of(painted.path());
        List<StreamOperators.Found> operators = own.operators();
        int from = painted.operator();
        if (!drawing.letters.isEmpty() || !PAINTING.contains(operators.get(from).name())) throw immovable();
        for (int order = painted.from(); order < painted.to(); order++) if (washes.contains(order)) throw immovable();
        while (from > 0 && PATH.contains(operators.get(from - 1).name())) from--;
        String before = from > 0 ? operators.get(from - 1).name() : "";
        if (from == painted.operator() || before.equals("W") || before.equals("W*")) throw immovable();
        Rectangle2D longer = new Rectangle2D.Double(drawing.box.getX(), drawing.box.getY(), drawing.box.getWidth(), drawing.box.getHeight() + by);
        if (!isWithin(longer, painted.state().clip()) && isWithin(drawing.box, painted.state().clip())) throw immovable();
        List<Step> steps = changes.stretches(painted.from(), new Step(height, by));
        StretchedPath path = new StretchedPath(painted.state().place(), steps);
        for (int i = from; i < painted.operator(); i++) own.putInstead(i, path.of(operators.get(i)));
        for (int order = painted.from(); order < painted.to(); order++) {
            Rectangle2D box = boxes.get(order);
            if (box == null) continue;
            double top = Step.moved(steps, box.getMinY());
            double bottom = Step.moved(steps, box.getMaxY());
            changes.stretches(order, new Rectangle2D.Double(box.getX(), top, box.getWidth(), bottom - top));
        }
    }

    private static boolean isInText(List<StreamOperators.Found> operators, int at) {
        for (int i = at - 1; i >= 0; i--) {
            if (operators.get(i).name().equals("ET")) return false;
            if (operators.get(i).name().equals("BT")) return true;
        }
        return false;
    }

    /** Moves all that is painted within a saved state, its clip too: the innermost that clips less, as long as all of it is to be moved alike. */
    private void moveBlock(Drawing drawing, double by, Map<Drawing, Double> all, Set<Painted> done) throws Refused, IOException {
        ChangedStream own = stream.of(drawing.painted.path());
        List<Saved> saved = drawing.painted.saved();
        for (int i = saved.size() - 1; i >= 0; i--) {
            Saved one = saved.get(i);
            if (!isWithin(moved(drawing.box, by), one.state().clip())) continue;
            int end = end(own.operators(), one.operator());
            List<Painted> within = within(drawing.painted.path(), one.operator(), end);
            if (within == null || end < 0 || !within.stream().allMatch(painted -> isMoved(painted, by, all)) || within.stream().anyMatch(done::contains)) break;
            own.putAfter(one.operator(), "\n" + matrix(one.state(), by));
            done.addAll(within);
            return;
        }
        throw immovable();
    }

    private static boolean isMoved(Painted painted, double by, Map<Drawing, Double> all) {
        return all.entrySet().stream().anyMatch(one -> one.getKey().painted.equals(painted) && Math.abs(one.getValue() - by) < 1e-6);
    }

    /** What is painted between two operators of a stream; null where text is shown there, or another stream called that shows something. */
    private List<Painted> within(List<Integer> path, int from, int to) {
        for (ShownGlyph glyph : read.shown()) if (isBetween(glyph.path(), glyph.operator(), path, from, to)) return null;
        List<Painted> within = new ArrayList<>();
        for (Painted painted : read.painted()) {
            if (!isBetween(painted.path(), painted.operator(), path, from, to)) continue;
            if (painted.path().size() > path.size()) return null;
            within.add(painted);
        }
        return within;
    }

    private static boolean isBetween(List<Integer> path, int operator, List<Integer> stream, int from, int to) {
        if (path == null || path.size() < stream.size() || !path.subList(0, stream.size()).equals(stream)) return false;
        int at = path.size() > stream.size() ? path.get(stream.size()) : operator;
        return at > from && at < to;
    }

    /** The operator that restores what another saved; -1 where none does. */
    private static int end(List<StreamOperators.Found> operators, int save) {
        int depth = 0;
        for (int i = save; i < operators.size(); i++) {
            if (operators.get(i).name().equals("q")) depth++;
            if (operators.get(i).name().equals("Q") && --depth == 0) return i;
        }
        return -1;
    }

    private static Refused immovable() { return new NoRoom(Message.of("keep.something-stands-in-its-way")); }

    /** Moves everything after it so many points down the page as it is read: what is to be done in the page's points, told in user space. */
    private static String matrix(State state, double by) throws Refused {
        try {
            AffineTransform matrix = state.place().createInverse();
            matrix.concatenate(AffineTransform.getTranslateInstance(0, by));
            matrix.concatenate(state.place());
            return "1 0 0 1 " + TextRewriting.number(matrix.getTranslateX()) + " " + TextRewriting.number(matrix.getTranslateY()) + " cm";
        } catch (NoninvertibleTransformException e) {
            throw immovable();
        }
    }
}
