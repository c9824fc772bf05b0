package app.decant.pdf.keep;

import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import app.decant.page.Rewritten;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.PageReader;
import app.decant.pdf.read.ShownGlyph;
import app.decant.pdf.read.SourceFile;
import app.decant.pdf.read.StreamOperators;
import app.decant.words.Message;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.IntFunction;
import org.slf4j.LoggerFactory;

/**
 * Puts other words into a page's own content stream: in the font, colour, layer and tag that were there, at the place of the first mark that goes, all other
 * bytes as they are. What can't be done safely is refused, with the reason, and what was done is read again: every glyph that stays must stand where it stood.
 */
public final class PageRewriting {
    /** Spaces of a line that fills its column may grow by so many ems, and shrink by this share of their width. */
    private static final double MOST_WIDER = 0.6;
    private static final double MOST_NARROWER = 0.35;

    private final int page;
    private final ChangedPage at;
    private final PageReader.Addressed read;
    private final PageChanges changes;
    private final NewLetters letters;
    private final ArrivingLines arriving;

    /** Something that can't be done within the page's own stream. */
    public static class Refused extends Exception {
        private static final long serialVersionUID = 1;

        Refused(Message why) { super(why.toString()); }
    }

    /** What would not fit on its line. */
    static final class NoRoom extends Refused {
        private static final long serialVersionUID = 1;

        NoRoom(Message why) { super(why); }
    }

    private PageRewriting(SourceFile source, PageReader.Addressed read, FontCatalogue faces) throws IOException {
        page = read.page().index();
        this.read = read;
        at = new ChangedPage(source.pdf().getPage(page), read, faces);
        changes = at.changes;
        letters = at.letters;
        arriving = new ArrivingLines(at);
    }

    /** A page that was written anew, and has not been looked at yet. */
    public static final class Made {
        private final Rewritten page;
        private final PageRewriting rewriting;
        private final double down;

        private Made(Rewritten page, PageRewriting rewriting, double down) {
            this.page = page;
            this.rewriting = rewriting;
            this.down = down;
        }

        public Rewritten page() { return page; }

        /** What the page has no room for, that the next is to take; null for nothing. */
        public Arrival given() { return rewriting.at.overflow.given(); }

        /** The page, once it is known where on the next stands what it gives over. */
        public Rewritten page(Made next) {
            List<Rewritten.Given> given = rewriting.at.overflow.told(next.down);
            if (next.page.arrived() != null) rewriting.at.overflow.told(next.page.arrived(), next.rewriting.page);
            return rewriting.rewritten(page.content(), given);
        }

        /**
         * Reads and paints it again.
         *
         * @param file the same, opened for this: whoever writes on goes on with its own
         * @throws Refused where anything is not as it was that should be
         */
        public void prove(SourceFile file) throws Refused {
            try {
                rewriting.prove(page, file);
            } catch (IOException | RuntimeException e) {
                throw damaged(e, rewriting.page);
            }
        }
    }

    /**
     * Makes corrections on a page. What comes of it can be looked at; it is published only once it is proven.
     *
     * @param read  the page as it is
     * @param come  what the page before it has no room for; null for nothing
     * @param onward where what it has no room for may go; null for nowhere
     * @param faces that help out where a font inside the file lacks a letter
     * @param others pages of the file as they are, which one that is put in is to look like
     * @throws Refused where one of them can't be made there
     */
    public static Made rewrite(SourceFile source, PageReader.Addressed read, List<Correction> corrections, Arrival come, Onward onward,
            FontCatalogue faces, IntFunction<PageReader.Addressed> others) throws Refused {
        try {
            PageRewriting rewriting = new PageRewriting(source, read, faces);
            double down = 0;
            if (come instanceof GivenLines lines) down = lines.to().added() == null ? rewriting.arriving.put(lines, onward)
                    : rewriting.arriving.putOnAdded(lines, others);
            if (come instanceof GivenWords words) rewriting.take(words);
            for (Correction correction : corrections) rewriting.correct(correction);
            rewriting.at.fresh.write();
            rewriting.at.drawn.paint();
            rewriting.changes.refuseCut();
            byte[] made = rewriting.at.stream.made();
            rewriting.at.links.touch();
            return new Made(rewriting.rewritten(made, List.of()), rewriting, down);
        } catch (IOException | RuntimeException e) {
            throw damaged(e, read.page().index());
        }
    }

    private Rewritten rewritten(byte[] content, List<Rewritten.Given> given) {
        return new Rewritten(content, at.stream.parts(), changes.areas(), changes.reset(), changes.pushed(), given, at.links.made(), at.written.tagged(),
                changes.arrived(), at.findings);
    }

    private static Refused damaged(Exception cause, int page) {
        LoggerFactory.getLogger(PageRewriting.class).info("Page {} can't be rewritten", page + 1, cause);
        return new Refused(Message.of("keep.its-stream-is-damaged"));
    }

    /** Words of a passage come from the page before. */
    private void take(GivenWords words) throws Refused, IOException {
        PlacedAnew placed = new PlacedAnew(words.count());
        changes.takes(placed);
        new PassageSetting(at, placed).set(words);
    }

    private void correct(Correction correction) throws Refused, IOException {
        if (correction.cell() != null) {
            PlacedAnew placed = new PlacedAnew(correction.text().length());
            changes.resets(placed);
            new CellFilling(at, placed).set(correction);
            return;
        }
        if (!correction.rows().isEmpty()) {
            PlacedAnew placed = new PlacedAnew(PutInRows.letters(correction));
            changes.resets(placed);
            new PutInRows(at, placed).set(correction);
            return;
        }
        if (correction.isOfRows()) {
            changes.resets(new PlacedAnew(0));
            new TakenOutRows(at).set(correction);
            return;
        }
        Correction wished = inColumn(correction, at);
        if (wished.isOnOneLine() && !wished.isRemoval() && wished.passage().parting() == null && wished.edges() == null) {
            NewLetters.Told told = letters.told();
            try {
                correctLine(wished);
                return;
            } catch (NoRoom e) {
                letters.untell(told);
                LoggerFactory.getLogger(PageRewriting.class).debug("The passage is set anew: {}", e.getMessage());
            }
        }
        PlacedAnew placed = new PlacedAnew(wished.text().length());
        changes.resets(placed);
        new PassageSetting(at, placed).set(wished);
    }

    /** A correction within its own column: another begins above the end of the one before it, and beside it. */
    static Correction inColumn(Correction correction, ChangedPage at) throws Refused {
        List<List<Integer>> lines = correction.passage().lines();
        boolean[] opens = new boolean[lines.size()];
        double before = 0;
        double right = 0;
        for (int i = 0; i < opens.length; i++) {
            List<ShownGlyph> marks = movable(lines.get(i), at.byOrder);
            Glyph first = marks.get(0).glyph();
            double apart = PassageSetting.APART * first.size();
            opens[i] = i > 0 && first.baseline() < before - apart && first.x() > right;
            // Parts of one line, or lines in no order, are no columns.
            if (i > 0 && !opens[i] && first.baseline() <= before + apart) return correction;
            double ends = marks.stream().mapToDouble(mark -> mark.glyph().right()).max().orElseThrow();
            right = opens[i] ? ends : Math.max(right, ends);
            before = first.baseline();
        }
        return correction.inColumn(at.read.page().index(), opens);
    }

    /** The marks of a line, all of which can be taken out and put elsewhere. */
    static List<ShownGlyph> movable(List<Integer> line, Map<Integer, ShownGlyph> byOrder) throws Refused {
        List<ShownGlyph> marks = new ArrayList<>();
        for (int order : line) {
            ShownGlyph glyph = byOrder.get(order);
            if (glyph == null) throw new Refused(Message.of("keep.its-text-is-not-where-it-seems"));
            if (!glyph.isMovable()) throw new Refused(
                    Message.of("keep.its-text-is-drawn-in-a-way", glyph.operator() < 0, glyph.replaced(), glyph.glyph().angle() != 0));
            marks.add(glyph);
        }
        return marks;
    }

    /** Puts other words into a line, if it has the room. */
    private void correctLine(Correction correction) throws Refused, IOException {
        List<ShownGlyph> words = movable(correction.line(), at.byOrder);
        // Labels stay at their place, whatever is done to their lines.
        boolean besides = correction.set() == Correction.Setting.AT_LEFT || correction.set() == Correction.Setting.JUSTIFIED;
        List<ShownGlyph> line = at.rows.withSpaces(besides ? words.stream().filter(correction::isText).toList() : words);
        int from = line.indexOf(words.get(correction.from()));
        int to = line.indexOf(words.get(correction.to() - 1)) + 1;
        List<ShownGlyph> going = line.subList(from, to);
        ShownGlyph first = going.get(0);
        ShownGlyph last = going.get(going.size() - 1);
        for (ShownGlyph glyph : line)
            if (Math.abs(glyph.glyph().baseline() - first.glyph().baseline()) > 0.6 * first.glyph().size()) throw new Refused(
                    Message.of("keep.the-line-is-not-one"));
        at.rows.refuseDoubled(going);
        // Larger and smaller letters take another height: their passage is set.
        if (correction.runs().stream().anyMatch(run -> run.share() != 1)) throw new NoRoom(Message.of("keep.its-letters-get-another-size"));
        if (correction.runs().stream().anyMatch(run -> !run.undrawn().isEmpty())) throw new NoRoom(Message.of("keep.lines-are-drawn-under-its-words"));
        List<TextRewriting.Insert> inserts = new ArrayList<>();
        for (Correction.Run run : correction.runs()) inserts.addAll(letters.inserts(run, first, line));
        double width = inserts.stream().mapToDouble(TextRewriting.Insert::advance).sum() * first.across() / 1000
                - (inserts.isEmpty() ? 0 : first.spacing() / first.size() * first.across());
        double change = width - (last.glyph().right() - first.glyph().x());
        TabbedLine tabs = TabbedLine.of(line, to, correction.lineSetting());
        double[] shifts = shifts(correction, line, from, to, change, tabs);
        for (ShownGlyph leader : tabs.covered(change)) {
            at.stream.of(leader).rewriting(leader, read.shown()).remove(leader.code());
            changes.removes(leader);
        }
        PlacedAnew placed = new PlacedAnew(correction.text().length());
        for (int i = 0; i < line.size(); i++) {
            ShownGlyph glyph = line.get(i);
            boolean goes = i >= from && i < to;
            TextRewriting operator = at.stream.of(glyph).rewriting(glyph, read.shown());
            if (goes) operator.remove(glyph.code());
            if (i == from) {
                operator.insert(glyph.code(), inserts);
                operator.goesBackTo(at.stream.of(glyph).named(glyph));
                operator.goesBackToColour(at.stream.of(glyph).colour(glyph));
            }
            operator.shift(glyph.code(), goes ? shifts[from] : shifts[i]);
            if (goes) {
                changes.removes(glyph);
            } else if (!changes.isRemoved(glyph)) {
                changes.moves(glyph, shifts[i]);
                at.links.along(glyph, shifts[i]);
                placed.mark(glyph.glyph().order(), spot(glyph.glyph().x() + shifts[i], glyph.glyph().right() + shifts[i], glyph.glyph().baseline()), first);
            }
        }
        area(line, change);
        if (correction.text().isEmpty()) at.links.leave(correction.going());
        put(inserts, correction, first.glyph().x() + shifts[from], first, placed);
        changes.resets(placed);
    }

    static Rewritten.Spot spot(double left, double right, double baseline) { return new Rewritten.Spot((float) left, (float) right, (float) baseline); }

    /** Tells where the letters of a text stand that begins somewhere. */
    private void put(List<TextRewriting.Insert> inserts, Correction correction, double from, ShownGlyph first, PlacedAnew placed)
            throws Refused, IOException {
        String text = correction.text();
        List<Integer> rgb = correction.rgb(first.glyph().rgb());
        int letter = 0;
        double x = from;
        double baseline = first.glyph().baseline();
        for (TextRewriting.Insert one : inserts) {
            double width = one.advance() * first.across() / 1000;
            changes.puts(text.substring(letter, letter + one.letters()), x, width, baseline, first, rgb.get(Math.min(letter, rgb.size() - 1)));
            if (one.letters() > 0)
                at.drawn.letter(correction, letter, letter + one.letters(), x, x + width, baseline, first.glyph().size(), first, one.colour());
            at.links.carry(first, x, x + width, baseline, first);
            for (int i = 0; i < one.letters(); i++)
                placed.letter(letter + i, spot(x + width * i / one.letters(), x + width * (i + 1) / one.letters(), baseline), first);
            letter += one.letters();
            x += width;
        }
    }

    /** How far each mark of the line moves to the right, in points. */
    private double[] shifts(Correction correction, List<ShownGlyph> line, int from, int to, double change, TabbedLine tabs) throws Refused {
        double[] shifts = new double[line.size()];
        boolean after = to < line.size();
        Correction.Setting set = correction.lineSetting();
        if (Math.abs(change) < 0.01) return shifts;
        if (isMarked(correction, line.subList(set == Correction.Setting.AT_LEFT ? from : 0, tabs.stays())))
            throw new NoRoom(Message.of("keep.lines-are-drawn-under-its-words"));
        double before = switch (set) {
            case AT_RIGHT -> -change;
            case CENTRED -> -change / 2;
            default -> 0;
        };
        if (set == Correction.Setting.JUSTIFIED && spread(line, from, to, change, shifts)) return shifts;
        for (int i = 0; i < tabs.stays(); i++) shifts[i] = i < to ? before : before + change;
        double right = tabs.right();
        if (tabs.stays() < line.size()) {
            if (right + change > tabs.limit()) throw new NoRoom(Message.of("keep.the-line-has-no-room"));
            return shifts;
        }
        double left = line.stream().mapToDouble(glyph -> glyph.glyph().x()).min().orElse(0);
        if (before + change > 0.2 && right + before + change > at.room.right(line, right, correction))
            throw new NoRoom(Message.of("keep.the-line-has-no-room"));
        if (before < -0.2 && left + before < at.room.left(line, left)) throw new NoRoom(Message.of("keep.the-line-has-no-room"));
        if (!after && set == Correction.Setting.JUSTIFIED && change > 0.5) throw new NoRoom(Message.of("keep.the-line-has-no-room"));
        return shifts;
    }

    /** Whether something is drawn with words that move: it has to go along. */
    private boolean isMarked(Correction correction, List<ShownGlyph> moving) {
        return correction.drawnBy() || moving.stream().anyMatch(mark -> !at.markings.of(mark).isEmpty());
    }

    /** Both ends stay where they are, and all spaces of the line that stay take up what the change makes. */
    private boolean spread(List<ShownGlyph> line, int from, int to, double change, double[] shifts) throws Refused {
        Set<Integer> spaces = new HashSet<>();
        double width = 0;
        for (int i = 1; i < line.size(); i++) {
            if (i > from && i < to) continue;
            Glyph glyph = line.get(i).glyph();
            double gap = glyph.isSpace() ? glyph.width() : glyph.x() - line.get(i - 1).glyph().right();
            if (glyph.isSpace() || gap > 0.12 * glyph.size() && !line.get(i - 1).glyph().isSpace()) {
                spaces.add(i);
                width += gap;
            }
        }
        if (spaces.isEmpty()) return false;
        double each = -change / spaces.size();
        if (each > MOST_WIDER * line.get(0).glyph().size()) throw new NoRoom(Message.of("keep.the-line-would-have-gaps"));
        if (-each * spaces.size() > MOST_NARROWER * width) throw new NoRoom(Message.of("keep.the-line-has-no-room"));
        double now = 0;
        for (int i = 0; i < line.size(); i++) {
            if (i == to) now += change;
            // A space that is a mark itself moves with what stands before it; what follows has the room.
            boolean mark = line.get(i).glyph().isSpace();
            if (spaces.contains(i) && !mark) now += each;
            shifts[i] = now;
            if (spaces.contains(i) && mark) now += each;
        }
        return true;
    }

    private void area(List<ShownGlyph> line, double change) {
        double size = line.stream().mapToDouble(glyph -> glyph.glyph().size()).max().orElse(0);
        double left = line.stream().mapToDouble(glyph -> glyph.glyph().x()).min().orElse(0) - Math.abs(change);
        double right = line.stream().mapToDouble(glyph -> glyph.glyph().right()).max().orElse(0) + Math.abs(change);
        double baseline = line.get(0).glyph().baseline();
        changes.touches(left - 0.5 * size, baseline - 1.3 * size, right + 0.5 * size, baseline + 0.6 * size);
    }

    /** Reads and paints the page with its new stream, and compares. */
    private void prove(Rewritten made, SourceFile file) throws IOException, Refused {
        try (InputStream old = file.pdf().getPage(page).getContents()) {
            if (StreamOperators.hasUnknown(made.content(), old.readAllBytes())) throw new Refused(Message.of("keep.its-stream-is-damaged"));
        }
        PaintedPage before = PaintedPage.of(file.pdf(), page);
        changes.prove(KeptWriter.lookingAt(made, file.pdf(), page, there -> PageReader.addressed(file, there, Progress.SILENT)));
        PaintedPage after = KeptWriter.lookingAt(made, file.pdf(), page, there -> PaintedPage.of(file.pdf(), there));
        if (before.differing(after, made.areas()) > 0) throw new Refused(Message.of("keep.it-would-look-otherwise-where-nothing"));
    }
}
