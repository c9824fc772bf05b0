package app.decant.pdf.keep;

import app.decant.pdf.keep.MovedDrawings.Drawing;
import app.decant.pdf.keep.PageRewriting.NoRoom;
import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.PageReader;
import app.decant.pdf.read.ShownGlyph;
import app.decant.pdf.read.StreamOperators;
import app.decant.words.Message;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.SortedMap;
import java.util.function.IntFunction;

/**
 * A page that is put in behind one of the file. It begins as a copy of that one's stream, out of which all is taken that it alone says: headers, footers,
 * the colour behind all of it and what other pages show at the very same place around their text stay, so that it looks as one of theirs.
 */
final class AddedPage {
    /** What pages share stands at the same place on each, within so many points. */
    private static final double SAME = 0.5;
    /** What covers as much of a page lies behind it. */
    private static final double COVERS = 0.6;
    /** How far letters reach above and below their baseline, in ems. */
    private static final double ABOVE = 0.75;
    private static final double BELOW = 0.25;
    /** Nothing is put nearer to the foot of a page where no other tells how far its text goes, in points. */
    private static final double FOOT = 36;
    /** There is at least as much of the room above its text left below it. */
    private static final double MARGIN = 0.75;
    /** What is drawn nearer to the edges of the page than this, in points, stands in its margin. */
    private static final double EDGE = 50;
    /** The lowest line may stand so much lower than others do, in points. */
    private static final double LONGER = 2;
    /** The rendering mode after which text clips (ISO 32000-2, table 104). */
    private static final int LAST_UNCLIPPED = 3;

    private final ChangedPage at;
    private final Onward.Added added;
    private final List<PageReader.Addressed> alike = new ArrayList<>();
    private final List<Rectangle2D> kept = new ArrayList<>();
    private final SortedMap<Integer, Rectangle2D> drawn;
    private ShownGlyph like;
    private double top = Double.MAX_VALUE;

    private AddedPage(ChangedPage at, Onward.Added added, IntFunction<PageReader.Addressed> others) {
        this.at = at;
        this.added = added;
        drawn = LineRoom.drawn(at.read);
        for (int page : added.alike()) alike.add(others.apply(page));
    }

    /**
     * Begins one.
     *
     * @param at     what the page is that it follows
     * @param others pages of the file as they are
     * @throws Refused where something can't be taken out, or there is no room for the lines
     */
    static AddedPage begin(ChangedPage at, GivenLines given, IntFunction<PageReader.Addressed> others) throws Refused, IOException {
        AddedPage page = new AddedPage(at, given.to().added(), others);
        page.clear();
        page.refuseFull(given);
        at.changes.touches(0, 0, at.read.page().width(), at.read.page().height());
        return page;
    }

    /** The mark before which other text may be put: where most may be painted, since lines of a file may each stand within edges of their own. */
    ShownGlyph like() { return like; }

    /** Where the first of some lines stands: as on other pages; where there are none, at the head of what the page says that it follows. */
    double begins(GivenLines given) {
        double below = Math.max(EDGE, top) + ABOVE * given.lines().get(0).size();
        return alike.isEmpty() ? Math.min(added.first(), below) : added.first();
    }

    /** Takes out of the page what it alone says. */
    private void clear() throws Refused, IOException {
        List<ShownGlyph> going = new ArrayList<>();
        for (ShownGlyph mark : at.read.shown()) {
            if (stays(mark)) kept.add(box(mark.glyph()));
            else going.add(mark);
        }
        Set<Integer> orders = new HashSet<>();
        for (ShownGlyph mark : going) {
            if (mark.operator() < 0 || mark.mode() > LAST_UNCLIPPED) throw new Refused(
                    Message.of("keep.its-text-is-drawn-in-a-way", mark.operator() < 0, false, mark.glyph().angle() != 0));
            if (mark.replaced()) at.stream.of(mark).tellNothing(mark.operator());
            at.stream.of(mark).rewriting(mark, at.read.shown()).remove(mark.code());
            at.changes.removes(mark);
            orders.add(mark.glyph().order());
            top = Math.min(top, box(mark.glyph()).getMinY());
        }
        for (Drawing drawing : new MovedDrawings(at.read, at.stream, at.changes).all(orders)) {
            List<Boolean> each = parts(drawing).stream().map(this::stays).distinct().toList();
            boolean stays = each.contains(true) && drawing.letters().stream().allMatch(this::stays);
            // What one operator draws can't be taken apart.
            if (stays && each.contains(false)) throw new NoRoom(Message.of("keep.something-stands-in-its-way"));
            if (stays) kept.addAll(parts(drawing));
            else remove(drawing);
        }
        like = going.stream().filter(ShownGlyph::isMovable).max(Comparator.comparingDouble(mark -> mark.state().clip().getWidth()
                * mark.state().clip().getHeight())).orElseThrow(() -> new Refused(Message.of("keep.its-text-is-not-where-it-seems")));
    }

    private boolean stays(ShownGlyph mark) {
        Glyph glyph = mark.glyph();
        if (added.heads().contains(glyph.order())) return true;
        boolean around = glyph.angle() != 0 || glyph.baseline() < added.from() || glyph.baseline() - ABOVE * glyph.size() > added.to();
        return around && alike.stream().anyMatch(page -> page.shown().stream().map(ShownGlyph::glyph).anyMatch(other -> other.text().equals(glyph.text())
                && Math.abs(other.x() - glyph.x()) < SAME && Math.abs(other.baseline() - glyph.baseline()) < SAME));
    }

    /** Around each of the things that an operator draws. */
    private List<Rectangle2D> parts(Drawing drawing) {
        return List.copyOf(drawn.subMap(drawing.painted().from(), drawing.painted().to()).values());
    }

    private boolean stays(Rectangle2D box) {
        if (covers(box)) return true;
        boolean around = box.getMaxY() < added.from() + SAME || box.getMinY() > added.to() - SAME;
        return around && alike.stream().anyMatch(page -> LineRoom.drawn(page).values().stream()
                .anyMatch(other -> Math.abs(other.getMinX() - box.getMinX()) < SAME && Math.abs(other.getMinY() - box.getMinY()) < SAME
                        && Math.abs(other.getMaxX() - box.getMaxX()) < SAME && Math.abs(other.getMaxY() - box.getMaxY()) < SAME));
    }

    private boolean covers(Rectangle2D box) {
        return box.getWidth() * box.getHeight() > COVERS * at.read.page().width() * at.read.page().height();
    }

    private void remove(Drawing drawing) throws Refused, IOException {
        ChangedStream own = at.stream.of(drawing.painted().path());
        StreamOperators.Found operator = own.operators().get(drawing.painted().operator());
        // A path goes on being one to clip with; all else is painted by one operator.
        if (MovedDrawings.PAINTING.contains(operator.name())) own.unpaint(drawing.painted().operator());
        else own.putInstead(drawing.painted().operator(), "\n");
        top = Math.min(top, drawing.box().getMinY());
        for (int order = drawing.painted().from(); order < drawing.painted().to(); order++) at.changes.undraws(order);
        for (ShownGlyph mark : drawing.letters()) at.changes.removes(mark);
    }

    private void refuseFull(GivenLines given) throws NoRoom {
        double begins = begins(given);
        List<GivenLines.Line> lines = given.standing(begins);
        double foot = given.to().foot() > 0 ? given.to().foot() + LONGER
                : at.read.page().height() - Math.max(FOOT, MARGIN * (begins - lines.get(0).size()));
        if (lines.get(lines.size() - 1).baseline() > foot) throw new NoRoom(Message.of("keep.the-page-has-no-room"));
        for (GivenLines.Line line : lines) {
            for (GivenLines.Letter letter : line.letters()) {
                Rectangle2D box = new Rectangle2D.Double(letter.x(), letter.baseline() - ABOVE * letter.size(), Math.max(0.1, letter.width()), letter.size());
                for (Rectangle2D one : kept) if (!covers(one) && one.intersects(box)) throw new NoRoom(Message.of("keep.something-stands-in-its-way"));
            }
        }
    }

    private static Rectangle2D box(Glyph glyph) {
        return new Rectangle2D.Double(glyph.x(), glyph.baseline() - ABOVE * glyph.size(), Math.max(0.1, glyph.width()), (ABOVE + BELOW) * glyph.size());
    }
}
