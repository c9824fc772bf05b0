package app.decant.pdf.keep;

import app.decant.page.Rewritten;
import app.decant.pdf.keep.GivenLines.Letter;
import app.decant.pdf.keep.GivenLines.Line;
import app.decant.pdf.keep.MovedDrawings.Drawing;
import app.decant.pdf.keep.PageRewriting.NoRoom;
import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.pdf.read.PageReader;
import app.decant.pdf.read.ShownGlyph;
import app.decant.words.Message;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.apache.pdfbox.cos.COSObjectKey;
import org.apache.pdfbox.pdmodel.PDPage;
import org.slf4j.LoggerFactory;

/** What a page has no room for: lines at the foot of its text that are taken out, to stand at the head of the next. */
final class Overflow {
    /** Of the height of an em this is above the baseline, and this below. */
    private static final double ABOVE = 0.8;
    private static final double BELOW = 0.25;

    private final PDPage page;
    private final PageReader.Addressed read;
    private final MarkRows rows;
    private final ChangedStream stream;
    private final NewLetters letters;
    private final PageChanges changes;
    private final WordMarkings markings;
    private final DrawnLines drawn;
    private final RowDrawings drawings;
    private final Set<Integer> gone = new HashSet<>();
    private GivenLines given;
    private GivenWords words;
    private PlacedAnew placed;

    Overflow(ChangedPage at) {
        page = at.page;
        read = at.read;
        rows = at.rows;
        stream = at.stream;
        letters = at.letters;
        changes = at.changes;
        markings = at.markings;
        drawn = at.drawn;
        drawings = new RowDrawings(read);
    }

    boolean isGiven(ShownGlyph mark) { return isGiven(mark.glyph().order()); }

    /** The same of a mark by its number in the page's order of painting. */
    boolean isGiven(int order) { return gone.contains(order); }

    /** What was given over; null for nothing. */
    Arrival given() { return words != null ? words : given; }

    /** Words of a passage that their page has no room for go to its lines on the next. */
    void give(GivenWords going, PlacedAnew passage) throws NoRoom {
        if (given != null || words != null) throw new NoRoom(Message.of("keep.the-page-has-no-room"));
        words = going;
        placed = passage;
    }

    /** Where words that were given over stand now. */
    void told(Rewritten.Reset there, int to) {
        if (words == null) return;
        int at = 0;
        for (List<GivenWords.Letter> word : words.words()) {
            for (GivenWords.Letter letter : word) {
                // A gap shows no letter.
                if (letter.text().isEmpty()) continue;
                placed.elsewhere(letter, there.letters().get(at), to);
                at += letter.text().length();
            }
        }
    }

    /**
     * Where it stood, and where it stands now.
     *
     * @param lower how much lower the first line stands on the next page than it would here
     */
    List<Rewritten.Given> told(double lower) {
        List<Rewritten.Given> told = new ArrayList<>();
        if (given == null) return told;
        List<Line> lines = given.lines();
        int from = 0;
        for (int to = 1; to <= lines.size(); to++) {
            boolean together = to < lines.size() && lines.get(to).isFresh() == lines.get(from).isFresh()
                    && Math.abs(lines.get(to).lowered() - lines.get(from).lowered()) < 1e-6;
            if (together) continue;
            told.add(told(lines.subList(from, to), lower));
            from = to;
        }
        return told;
    }

    private Rewritten.Given told(List<Line> lines, double lower) {
        double top = Double.MAX_VALUE;
        double bottom = 0;
        double left = Double.MAX_VALUE;
        double right = 0;
        double lowered = lines.get(0).lowered();
        for (Line line : lines) {
            top = Math.min(top, line.baseline() - lowered - ABOVE * line.size());
            bottom = Math.max(bottom, line.baseline() - lowered + BELOW * line.size());
            for (Letter letter : line.letters()) {
                left = Math.min(left, letter.x());
                right = Math.max(right, letter.right());
            }
            for (GivenLines.Shown picture : line.pictures()) {
                left = Math.min(left, picture.box().getMinX());
                right = Math.max(right, picture.box().getMaxX());
            }
        }
        // A row that says nothing has no letters.
        left = Math.min(left, right);
        Rewritten.Area area = new Rewritten.Area(left - 1, top, right + 1, bottom);
        return new Rewritten.Given(area, read.page().turn(), given.to().page(), given.to().across(), lowered + lower, lines.get(0).isFresh());
    }

    /** Lines that the page has no room for go over to the next as they are set. */
    void give(Correction correction, List<ComposedLine> lines, double by, ShownGlyph like, Map<ComposedLine, PutInLines.Beside> besides)
            throws Refused, IOException {
        List<Integer> first = correction.passage().lines().get(0);
        boolean opens = correction.first() == 0 && lines.get(0).words().get(0).begins() == 0;
        if (opens && !correction.passage().onward().openers().contains(first.get(0))) throw new NoRoom(Message.of("keep.the-page-has-no-room"));
        List<Line> given = new ArrayList<>();
        for (ComposedLine line : lines) {
            List<Letter> set = new ArrayList<>();
            if (line.label() != null) throw new NoRoom(Message.of("keep.its-last-lines-cannot-go-over"));
            PutInLines.Beside beside = besides.get(line);
            for (ComposedLine.Placed one : line.places(like)) {
                SetWord.Letter letter = one.letter();
                if (letter.otherFont() != null || !isPlain(correction, letter)) throw new NoRoom(Message.of("keep.its-last-lines-cannot-go-over"));
                // What is new belongs to what it was put into, in whose letters ever it is.
                int contents = beside != null ? beside.contents() : stream.contents(letter.shown() == null ? like : letter.like());
                set.add(set(one, line, like).of(contents, beside == null ? null : beside.paragraph()));
            }
            if (!set.isEmpty()) given.add(new Line(line.baseline(), Double.NaN, like.glyph().size() * line.share(), set));
        }
        giveFresh(given, by, correction.passage().onward());
    }

    /**
     * Rows that were put into a table go over, and what was below them after them.
     *
     * @param by how much further down that would stand for all that are put in
     */
    void give(List<Line> rows, double by, Onward to) throws NoRoom { giveFresh(rows, by, to); }

    /** Whether a letter is but that: nothing is drawn with it. */
    static boolean isPlain(Correction correction, SetWord.Letter letter) {
        return letter.marked().isEmpty() && (letter.at() < 0 || letter.text().isEmpty() || correction.drawn(letter.at()).isEmpty());
    }

    /** A letter of a line that is set anew. */
    Letter set(ComposedLine.Placed one, ComposedLine line, ShownGlyph like) throws Refused, IOException {
        SetWord.Letter letter = one.letter();
        ShownGlyph mark = letter.like();
        double share = letter.share() * like.glyph().size() / mark.glyph().size();
        double em = letter.em() * like.across() / (mark.across() * share);
        Letter set = letter(mark, letter.text(), letter.bytes(), em, one.x(), line.baseline() - letter.raised(), share, letter.rgb());
        // Operands of Tf: a name and a size.
        return letter.otherFont() == null ? set : set.by(new GivenLines.FontResource(letter.otherFont().substring(0, letter.otherFont().lastIndexOf(' '))));
    }

    /**
     * Lines that were set anew go over, and what was below them after them.
     *
     * @param by how much further down that would stand for them
     */
    private void giveFresh(List<Line> lines, double by, Onward to) throws NoRoom {
        if (words != null) throw new NoRoom(Message.of("keep.the-page-has-no-room"));
        List<Line> all = new ArrayList<>(lines);
        if (given != null) given.lines().forEach(line -> all.add(line.lower(by)));
        given = new GivenLines(read.page().index(), to, all);
    }

    /**
     * Takes lines out, and rows of tables with what is drawn of them.
     *
     * @param units each with the spaces in it, from above, as they stand on the page as it is
     * @param above the rule that stays above the first, where that is a row, and the page it goes to has none for it; else null
     */
    void give(List<LoweredUnit> units, Drawing above, Onward to) throws Refused, IOException {
        List<Line> all = new ArrayList<>();
        List<List<ShownGlyph>> lines = new ArrayList<>();
        List<GivenLines.Rule> next = above == null ? new ArrayList<>() : new ArrayList<>(plain(above));
        Rectangle2D area = null;
        for (LoweredUnit unit : units) {
            List<ShownGlyph> line = unit.marks;
            List<GivenLines.Shown> shown = new ArrayList<>();
            Set<Integer> own = markings.orders(line);
            for (Drawing one : unit.drawings) {
                if (LowerLines.isOf(one, own)) continue;
                GivenLines.Shown picture = picture(one);
                if (picture == null) {
                    next.addAll(plain(one));
                    takeOut(one);
                } else {
                    shown.add(picture);
                    stream.of(one.painted().path()).putInstead(one.painted().operator(), "\n");
                    for (int order = one.painted().from(); order < one.painted().to(); order++) changes.undraws(order);
                }
                area = area == null ? one.box() : area.createUnion(one.box());
            }
            if (line.isEmpty() && !shown.isEmpty()) {
                all.add(Line.of(shown.get(0)).showing(shown.subList(1, shown.size())).with(next));
                next = new ArrayList<>();
                continue;
            }
            if (line.isEmpty()) {
                // A rule below a row goes with it.
                if (!all.isEmpty()) all.set(all.size() - 1, all.get(all.size() - 1).with(next));
                if (!all.isEmpty()) next = new ArrayList<>();
                continue;
            }
            rows.refuseDoubled(line);
            for (List<ShownGlyph> part : unit.drawings.isEmpty() ? List.of(line) : ofRow(line)) {
                lines.add(part);
                List<Letter> some = new ArrayList<>();
                double size = 0;
                for (ShownGlyph mark : part) {
                    stream.of(mark).rewriting(mark, read.shown()).remove(mark.code());
                    changes.removes(mark);
                    gone.add(mark.glyph().order());
                    some.add(standing(mark));
                    size = Math.max(size, mark.glyph().size());
                    Rectangle2D box = new Rectangle2D.Double(mark.glyph().x(), mark.glyph().baseline() - ABOVE * mark.glyph().size(),
                            Math.max(0.1, mark.glyph().width()), mark.glyph().size());
                    area = area == null ? box : area.createUnion(box);
                }
                double baseline = part.get(0).glyph().baseline();
                all.add(new Line(baseline, baseline, size, some, rules(part)).with(next).showing(shown));
                next = new ArrayList<>();
                shown = new ArrayList<>();
            }
        }
        if (all.isEmpty()) throw new NoRoom(Message.of("keep.the-page-has-no-room"));
        List<ShownGlyph> marks = lines.stream().flatMap(List::stream).toList();
        markings.takeOut(marks, gone, drawn::stays);
        if (words != null) throw new NoRoom(Message.of("keep.the-page-has-no-room"));
        if (LoweredPlaces.refuses(page, read.page().turn(), area, area, List.of(), Set.of()))
            throw new NoRoom(Message.of("keep.a-field-a-note-or-a-link"));
        changes.touches(area.getMinX() - 2, area.getMinY() - 2, area.getMaxX() + 2, area.getMaxY() + 2);
        given = given == null ? new GivenLines(read.page().index(), to, all) : given.and(all);
    }

    /** The lines of a row of a table, whatever cells they are in. */
    private static List<List<ShownGlyph>> ofRow(List<ShownGlyph> marks) {
        Map<Long, List<ShownGlyph>> lines = new TreeMap<>();
        for (ShownGlyph mark : marks) lines.computeIfAbsent(Math.round(2 * mark.glyph().baseline()), key -> new ArrayList<>()).add(mark);
        return List.copyOf(lines.values());
    }

    private List<GivenLines.Rule> plain(Drawing one) throws NoRoom {
        List<GivenLines.Rule> rules = drawings.of(one);
        if (rules == null) throw new NoRoom(Message.of("keep.the-page-has-no-room"));
        return rules;
    }

    /** A drawing that is but a picture which another page can have; null for any other. */
    GivenLines.Shown picture(Drawing one) {
        try {
            ChangedStream own = stream.of(one.painted().path());
            COSObjectKey picture = one.letters().isEmpty() && one.painted().to() - one.painted().from() == 1 ? own.picture(one.painted().operator()) : null;
            return picture == null || !one.painted().state().clip().contains(one.box()) ? null
                    : new GivenLines.Shown(picture, one.painted().state().place(), own.contents(one.painted().operator()));
        } catch (IOException | Refused e) {
            LoggerFactory.getLogger(Overflow.class).debug("A drawing stays on its page", e);
            return null;
        }
    }

    private void takeOut(Drawing one) throws Refused, IOException {
        ChangedStream own = stream.of(one.painted().path());
        if (!MovedDrawings.PAINTING.contains(own.operators().get(one.painted().operator()).name())) throw new NoRoom(Message.of("keep.the-page-has-no-room"));
        own.unpaint(one.painted().operator());
        for (int order = one.painted().from(); order < one.painted().to(); order++) changes.undraws(order);
    }

    /**
     * What is drawn along the sides of rows that went over, or behind them and others, goes over as far as it is below those that stay.
     *
     * @param height where these end
     */
    void giveBelow(Drawing one, double height) throws NoRoom {
        if (given == null) throw new IllegalStateException("Rows went over");
        List<GivenLines.Rule> below = RowDrawings.below(plain(one), height);
        if (below.stream().anyMatch(rule -> rule.y() > height)) throw new NoRoom(Message.of("keep.the-page-has-no-room"));
        given = given.with(below);
    }

    /** What is drawn with the words of a line, each once. */
    private List<GivenLines.Rule> rules(List<ShownGlyph> line) {
        return line.stream().flatMap(mark -> markings.of(mark).stream()).distinct().map(one -> new GivenLines.Rule(one.box().getX(), one.box().getY(),
                one.box().getWidth(), one.box().getHeight(), one.rgb(), one.place() == Correction.Drawn.Place.BEHIND)).toList();
    }

    /** A letter that goes over in its line as it stands; a link goes with it. */
    private Letter standing(ShownGlyph mark) throws Refused, IOException {
        return made(mark, mark.glyph().text(), letters.bytes(mark), mark.width(), mark.glyph().x(), mark.glyph().baseline(), 1, mark.glyph().rgb());
    }

    /**
     * A letter as one mark looks.
     *
     * @param em    its advance, 1 for an em of its font
     * @param share its size beside that of the mark
     */
    Letter letter(ShownGlyph like, String text, byte[] bytes, double em, double x, double baseline, double share, int rgb) throws Refused, IOException {
        if (like.glyph().link() != null) throw new NoRoom(Message.of("keep.its-last-lines-cannot-go-over"));
        return made(like, text, bytes, em, x, baseline, share, rgb);
    }

    private Letter made(ShownGlyph like, String text, byte[] bytes, double em, double x, double baseline, double share, int rgb) throws Refused, IOException {
        GivenLines.FontAddress font = stream.of(like).address(like);
        if (like.mode() != 0 || font == null) throw new NoRoom(Message.of("keep.its-last-lines-cannot-go-over"));
        double size = like.glyph().size();
        double height = Math.sqrt(Math.max(0, size * size - like.slant() * like.slant()));
        String code = HexFormat.of().withUpperCase().formatHex(bytes);
        return new Letter(text, code, font, em, x, em * like.across() * share, baseline, size * share, height * share, like.across() * share,
                like.slant() * share, rgb, stream.contents(like), null);
    }
}
