package app.decant.pdf.keep;

import app.decant.page.Rewritten;
import app.decant.pdf.keep.PageRewriting.NoRoom;
import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.PageReader;
import app.decant.pdf.read.ShownGlyph;
import app.decant.words.Message;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.apache.pdfbox.pdmodel.PDPage;

/**
 * Sets the lines of a passage anew within its own column, from the line on where it says something else: in the letters and at the places that are there. It
 * ends where a line begins as one did before; what follows then goes down or up as it is.
 */
final class PassageSetting {
    /** Some writers stretch the letters of each line a little, so that it is full (9.3.4); elsewhere they are as wide as those of the line there. */
    private static final double MOST_STRETCHED = 0.05;
    /** A gap this wide, in ems, leads to a tab stop. */
    private static final double TAB = 1.6;
    /** A line stands so much lower than that before it, in ems, or it is in another column. */
    static final double APART = 0.5;

    private final ChangedPage at;
    private final PDPage page;
    private final PageReader.Addressed read;
    private final MarkRows rows;
    private final Map<Integer, ShownGlyph> byOrder;
    private final ChangedStream stream;
    private final NewLetters letters;
    private final DrawnLines drawn;
    private final PageChanges changes;
    private final Overflow overflow;
    private final WordMarkings markings;
    private final CarriedAnnotations links;
    private final PlacedAnew placed;

    /** @param placed hears where letters come to stand */
    PassageSetting(ChangedPage at, PlacedAnew placed) {
        this.at = at;
        this.placed = placed;
        page = at.page;
        read = at.read;
        rows = at.rows;
        byOrder = at.byOrder;
        stream = at.stream;
        letters = at.letters;
        drawn = at.drawn;
        markings = at.markings;
        links = at.links;
        changes = at.changes;
        overflow = at.overflow;
    }

    void set(Correction correction) throws Refused, IOException { set(correction, null); }

    /** Sets lines of a passage with words before them that come from the page before. */
    void set(GivenWords words) throws Refused, IOException {
        Correction before = PageRewriting.inColumn(Correction.before(words.to(), List.of(), words.set()), at);
        set(before, new GoingOn(at).coming(words));
    }

    /** @param coming words that are set before those that are there; null for none */
    void set(Correction correction, GoingOn.Coming coming) throws Refused, IOException {
        for (List<Integer> line : correction.passage().lines())
            for (int order : line) if (overflow.isGiven(order)) throw new NoRoom(Message.of("keep.the-page-has-no-room"));
        List<StandingLine> lines = lines(correction);
        ShownGlyph like = StandingLine.like(lines);
        PassageColumn column = PassageColumn.of(at, correction, lines, coming);
        List<SetWord> words = new PassageWords(at).of(correction, lines, coming, like);
        Correction.Edges edges = correction.edges();
        PassageComposition composition = new PassageComposition(at, correction, lines, column, like);
        List<ComposedLine> composed = composition.of(words, edges != null);
        Correction.Parting parting = correction.passage().parting();
        int rest = parting == null && edges == null ? composition.rest() : -1;
        if (edges != null) refuseOnOthers(correction, composed, column, lines.size());
        if (correction.passage().goesOn() && (rest < 0 || composed.size() > rest && correction.passage().onward() == null)) {
            if (rest >= 0) composed = composition.of(words, true);
            composed = going(correction, composed, lines, column);
            rest = -1;
        }
        int consumed = rest < 0 ? lines.size() : rest;
        // A passage without words keeps a line to write on.
        boolean given = parting == null && edges == null && correction.passage().goesOn() && rest < 0;
        double by = correction.isRemoval() ? gone(correction, lines) : given ? 0 : composition.lowered(composed, consumed);
        takeMarkings(correction, lines, consumed);
        LowerLines lower = new LowerLines(at);
        List<List<ShownGlyph>> own = lines.subList(consumed, lines.size()).stream().map(StandingLine::marks).toList();
        double stood = lines.get(consumed - 1).baseline();
        GrownRow row = correction.passage().row() == null || by <= 0 ? null : new GrownRow(at, lower, correction.passage(), column.leading());
        double bottom = row != null ? row.grow(own, extent(composed), stood, by)
                : by == 0 ? stood : lower.move(correction.passage(), own, stood, by, column.leading());
        // Where a line stood there is room for one.
        int stays = row == null && rest < 0 && by > 0 ? stays(correction, composed, like, lower, column, stood) : composed.size();
        Map<ComposedLine, PutInLines.Beside> besides = at.fresh.of(correction, lines.get(0), composed, like);
        if (stays < composed.size()) overflow.give(correction, composed.subList(stays, composed.size()), by, like, besides);
        double last = composed.subList(0, stays).stream().filter(line -> !line.isBlank()).mapToDouble(ComposedLine::baseline).max().orElse(0);
        double lowest = last == 0 && stays < composed.size() ? lines.get(0).baseline() : Math.max(bottom, last);
        // A row stays as high as it is where one of its cells says less.
        if (by != 0 && correction.passage().row() == null) new StretchedFrames(at, lower).stretch(correction.passage(), stood, by, lowest, column.leading());
        for (StandingLine line : lines.subList(0, consumed)) {
            rows.refuseDoubled(line.marks());
            rows.refuseDoubled(line.label());
        }
        double right = Math.max(column.right(), composed.stream().mapToDouble(ComposedLine::edge).max().orElse(0));
        double left = Math.min(column.left(), composed.stream().filter(line -> edges != null || line.frame() != null).mapToDouble(ComposedLine::left).min()
                .orElse(column.left()));
        if (by > 0 && row == null) lower.refuseObstacles(correction.passage(), lines.get(consumed - 1).marks(), left, right, lowest, 0, column.leading());
        put(correction, lines.subList(0, consumed), composed, stays, like, besides);
        if (correction.text().isEmpty()) links.leave(correction.going());
        double size = like.glyph().size() * Math.max(1, composed.stream().mapToDouble(ComposedLine::share).max().orElse(1));
        double from = Math.min(left, lines.stream().mapToDouble(StandingLine::left).min().orElse(left));
        double to = Math.max(right, lines.stream().mapToDouble(StandingLine::right).max().orElse(right));
        double top = Math.min(like.glyph().baseline(), composed.isEmpty() ? Double.MAX_VALUE : composed.get(0).baseline());
        Rectangle2D touched = new Rectangle2D.Double(Math.min(from, lower.left()), top - 0.7 * size, 0, 0);
        touched.add(Math.max(to, lower.right()), Math.max(lowest, lower.bottom()) + 0.2 * size);
        at.refuseAnnotations(lower.extent(size), touched);
        changes.touches(touched.getMinX() - 0.5 * size, touched.getMinY() - 0.6 * size, touched.getMaxX() + 0.5 * size, touched.getMaxY() + 0.4 * size);
    }

    /** Around lines, from the baseline of the first to that of the last. */
    static Rectangle2D extent(List<ComposedLine> lines) {
        Rectangle2D all = null;
        for (ComposedLine line : lines) {
            Rectangle2D one = new Rectangle2D.Double(line.left(), line.baseline(), line.width(), 0);
            if (all == null) all = one;
            else all.add(one);
        }
        return all == null ? new Rectangle2D.Double() : all;
    }

    /** Lines that stand otherwise must not come to stand on what is beside them, such as a picture; the colour behind them all they may. */
    private void refuseOnOthers(Correction correction, List<ComposedLine> composed, PassageColumn column, int standing) throws Refused {
        if (standing < correction.passage().lines().size()) throw new Refused(Message.of("keep.its-lines-do-not-stand-one-below"));
        Set<Integer> own = new HashSet<>(correction.passage().marks());
        own.addAll(changes.undrawn());
        for (List<Integer> line : correction.passage().following() == null ? List.<List<Integer>>of() : correction.passage().following()) own.addAll(line);
        List<Rectangle2D> others = at.room.all(own);
        for (ComposedLine line : composed) {
            Rectangle2D box = new Rectangle2D.Double(line.left(), line.baseline() - 0.5 * column.leading(), line.width(), 0.5 * column.leading());
            if (others.stream().anyMatch(other -> other.intersects(box) && !other.contains(box)))
                throw new NoRoom(Message.of("keep.something-stands-in-its-way"));
        }
    }

    /** The lines that stay where a passage goes on; the words of the others go on with it. */
    private List<ComposedLine> going(Correction correction, List<ComposedLine> composed, List<StandingLine> lines, PassageColumn column)
            throws Refused, IOException {
        Correction.Passage passage = correction.passage();
        boolean whole = passage.rest() != null && passage.parting() == null && !composed.isEmpty()
                && lines.size() == passage.lines().size() - correction.first();
        if (!whole || composed.stream().anyMatch(line -> line.share() != 1)) throw new NoRoom(Message.of("keep.its-passage-goes-on-elsewhere"));
        int stays = GoingOn.stays(composed, lines.size(), column.right(), correction.set(), StandingLine.like(lines));
        new GoingOn(at).send(correction, composed.subList(stays, composed.size()), lines, column.right() - column.indent(), placed);
        return composed.subList(0, stays);
    }

    /** What is drawn with the words of lines goes, to be drawn again where these come to stand. */
    private void takeMarkings(Correction correction, List<StandingLine> lines, int consumed) throws Refused, IOException {
        List<ShownGlyph> marks = lines.subList(0, consumed).stream().flatMap(line -> line.marks().stream()).toList();
        boolean marked = lines.stream().flatMap(line -> line.marks().stream()).anyMatch(mark -> !markings.of(mark).isEmpty());
        if (correction.drawnBy() && !marked) throw new Refused(Message.of("keep.lines-are-drawn-under-its-words"));
        Set<Integer> anew = marks.stream().map(mark -> mark.glyph().order()).collect(Collectors.toSet());
        markings.takeOut(marks, anew, drawn::stays);
    }

    /** How far what follows goes where nothing of a passage stays: of the room above it and below it the larger is kept, as between paragraphs. */
    private double gone(Correction correction, List<StandingLine> lines) {
        List<List<Integer>> following = correction.passage().following();
        if (following == null || following.isEmpty() || following.get(0).isEmpty() || correction.first() > 0) return 0;
        ShownGlyph next = byOrder.get(following.get(0).get(0));
        if (next == null) return 0;
        StandingLine first = lines.get(0);
        double size = first.first().glyph().size();
        double above = read.shown().stream().map(ShownGlyph::glyph).filter(glyph -> !glyph.isSpace() && glyph.baseline() < first.baseline() - 0.5 * size
                && glyph.x() < first.right() && glyph.right() > first.left()).mapToDouble(Glyph::baseline).max().orElse(Double.NEGATIVE_INFINITY);
        double before = first.baseline() - above;
        double after = next.glyph().baseline() - lines.get(lines.size() - 1).baseline();
        return Math.min(0, first.baseline() - next.glyph().baseline() + Math.max(0, after - before));
    }

    /** The lines from the first on where something is another, as far as they stand one below another. */
    private List<StandingLine> lines(Correction correction) throws Refused {
        List<StandingLine> lines = new ArrayList<>();
        List<List<Integer>> all = correction.passage().lines();
        for (int i = correction.first(); i < all.size(); i++) {
            List<ShownGlyph> marks = PageRewriting.movable(all.get(i), byOrder);
            List<ShownGlyph> label = marks.stream().filter(mark -> !correction.isText(mark)).toList();
            if (i == correction.first()) marks = marks.subList(begin(correction, marks, label.size()), marks.size());
            // The label of the line on which the change begins stays where it is.
            StandingLine line = i == correction.first() ? PassageColumn.line(rows, marks, List.of())
                    : PassageColumn.line(rows, marks.stream().filter(correction::isText).toList(), label);
            if (!lines.isEmpty() && line.baseline() <= lines.get(lines.size() - 1).baseline() + APART * line.first().glyph().size()) break;
            lines.add(line);
        }
        if (lines.size() <= correction.last() - correction.first()) throw new Refused(Message.of("keep.its-lines-do-not-stand-one-below"));
        ShownGlyph like = StandingLine.like(lines);
        for (StandingLine line : lines) for (ShownGlyph mark : line.marks()) refuseOther(mark, like, line.baseline());
        return lines;
    }

    /** What is set anew begins after the label, and the last tab before the change. */
    private static int begin(Correction correction, List<ShownGlyph> marks, int labelled) throws Refused {
        int from = correction.from();
        int begin = labelled;
        // Where all of a passage goes, so do its tabs.
        for (int i = labelled + 1; i < marks.size() && !correction.isRemoval(); i++) {
            Glyph glyph = marks.get(i).glyph();
            boolean tab = glyph.x() - marks.get(i - 1).glyph().right() >= TAB * glyph.size();
            if (!tab && (i <= from || !TabbedLine.isLed(marks, i))) continue;
            if (i > from) throw new Refused(Message.of("keep.tabs-stand-in-its-line"));
            begin = i;
        }
        return begin;
    }

    /** All letters are shown by one stream and in one manner, on one line but for those that are raised; by several fonts, sizes and colours if need be. */
    private static void refuseOther(ShownGlyph mark, ShownGlyph like, double baseline) throws Refused {
        boolean same = mark.path().equals(like.path()) && mark.mode() == like.mode()
                && Math.abs(mark.glyph().size() / like.glyph().size() / (mark.across() / like.across()) - 1) < MOST_STRETCHED;
        boolean raised = StandingLine.isRaised(mark, like, baseline);
        if (!same) throw new Refused(Message.of("keep.its-lines-are-not-set-in-one"));
        if (!raised && Math.abs(mark.glyph().baseline() - baseline) > 0.1 * like.glyph().size()) throw new Refused(
                Message.of("keep.letters-stand-above-or-below-its-lines"));
    }

    /** How many of the lines a page keeps that ends with them; no first line of a paragraph is left alone, nor a last one; common practice. */
    private static int stays(Correction correction, List<ComposedLine> composed, ShownGlyph like, LowerLines lower, PassageColumn column, double stood) {
        double limit = Math.max(stood, lower.limit(correction.passage(), column.left(), column.right(), column.leading(), like));
        int stays = composed.size();
        while (stays > 0 && (composed.get(stays - 1).isBlank() || composed.get(stays - 1).baseline() > limit)) stays--;
        boolean all = composed.subList(stays, composed.size()).stream().allMatch(ComposedLine::isBlank);
        if (all || correction.passage().onward() == null || lower.isFollowed(correction.passage(), stood, column.left(), column.right()))
            return composed.size();
        int before = correction.first();
        if (composed.size() - stays == 1 && before + stays > 2) stays--;
        if (before + stays == 1) stays = 0;
        return stays;
    }

    /** Takes the old lines out, and puts the new ones in where they began. */
    private void put(Correction correction, List<StandingLine> lines, List<ComposedLine> all, int stays, ShownGlyph like,
            Map<ComposedLine, PutInLines.Beside> besides) throws Refused, IOException {
        List<ComposedLine> composed = all.subList(0, stays);
        ShownGlyph first = lines.get(0).first();
        for (int i = 0; i < lines.size(); i++) {
            ShownGlyph target = lines.get(i).first(like);
            for (List<ShownGlyph> some : List.of(lines.get(i).marks(), lines.get(i).label())) {
                for (ShownGlyph mark : some) {
                    stream.of(mark).rewriting(mark, read.shown()).remove(mark.code());
                    changes.removes(mark);
                }
            }
            int until = i == lines.size() - 1 ? composed.size() : Math.min(i + 1, composed.size());
            if (i >= until) continue;
            double begin = composed.get(i).left();
            PenPath path = new PenPath(target, like, begin, stream, letters, changes);
            for (int j = i; j < until; j++) {
                ComposedLine line = composed.get(j);
                if (!besides.containsKey(line)) {
                    put(correction, line, target, path, first);
                    continue;
                }
                at.fresh.take(line, besides.get(line), like, first);
                SetWord begins = line.words().get(0);
                if (begins.opens() >= 0) placed.letter(begins.opens(), PageRewriting.spot(line.left(), line.left(), line.baseline()), first);
                for (ComposedLine.Placed one : line.places(like))
                    place(one.letter(), PageRewriting.spot(one.x(), one.x() + one.width(), line.baseline()), first);
            }
            List<TextRewriting.Insert> inserts = path.inserts();
            TextRewriting operator = stream.of(target).rewriting(target, read.shown());
            operator.insert(target.code(), inserts);
            operator.shift(target.code(), begin - target.glyph().x());
            String own = stream.of(target).named(target);
            if (own == null && inserts.stream().anyMatch(one -> one.font() != null)) throw new Refused(Message.of("keep.its-font-has-no-name"));
            operator.goesBackTo(own);
            operator.goesBackToColour(stream.of(target).colour(target));
        }
        for (ComposedLine line : all.subList(stays, all.size())) {
            for (SetWord word : line.words()) {
                Rewritten.Spot spot = PageRewriting.spot(line.left(), line.left(), line.baseline());
                if (word.opens() >= 0) placed.letter(word.opens(), line.isBlank() ? spot : spot.goingOver(), first);
            }
            for (ComposedLine.Placed one : line.places(like)) {
                Rewritten.Spot spot = PageRewriting.spot(one.x(), one.x() + one.width(), line.baseline()).goingOver();
                place(one.letter(), spot, first);
            }
        }
    }

    private void place(SetWord.Letter letter, Rewritten.Spot spot, ShownGlyph first) {
        if (letter.shown() != null) placed.mark(letter.shown().glyph().order(), spot, first);
        else for (int letterAt = letter.at(); letterAt < letter.at() + letter.text().length(); letterAt++) placed.letter(letterAt, spot, first);
    }

    /** Puts a line in, with the label that belongs before it. */
    private void put(Correction correction, ComposedLine line, ShownGlyph target, PenPath path, ShownGlyph first) throws Refused, IOException {
        double natural = line.words().stream().mapToDouble(word -> word.width(target)).sum();
        double space = line.words().size() < 2 ? 0 : (line.width() - natural) / (line.words().size() - 1);
        double x = line.left();
        path.begin(line.baseline());
        if (line.label() != null) {
            double at = line.label().left();
            for (SetWord.Letter letter : line.label().word().letters()) {
                at += letter.before();
                path.put(letter, at);
                at += PenPath.width(letter, target);
            }
            if (!line.words().get(0).letters().isEmpty()) path.space();
        }
        for (int i = 0; i < line.words().size(); i++) {
            SetWord word = line.words().get(i);
            if (word.opens() >= 0) placed.letter(word.opens(), PageRewriting.spot(line.left(), line.left(), line.baseline()), first);
            for (SetWord.Letter letter : word.letters()) {
                x += letter.before();
                double width = PenPath.width(letter, target);
                String colour = path.put(letter, x);
                Rewritten.Spot spot = PageRewriting.spot(x, x + width, line.baseline());
                drawn.carry(letter.marked(), x, x + width, line.baseline(), target);
                links.carry(letter.shown() == null ? letter.like() : letter.shown(), x, x + width, line.baseline(), target);
                boolean own = letter.shown() == null && !letter.text().isEmpty() && letter.at() < correction.text().length();
                if (own) drawn.letter(correction, letter.at(), letter.at() + letter.text().length(), x, x + width, line.baseline(),
                        letter.share() * target.glyph().size(), target, colour);
                place(letter, spot, first);
                x += width;
            }
            x += space - target.spacing() / target.size() * target.across();
            if (i < line.words().size() - 1) path.space();
        }
    }
}
