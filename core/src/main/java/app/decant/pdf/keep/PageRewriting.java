package app.decant.pdf.keep;

import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import app.decant.page.Rewritten;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.PageReader;
import app.decant.pdf.read.ShownGlyph;
import app.decant.pdf.read.SourceFile;
import app.decant.words.Message;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.pdmodel.PDPage;
import org.slf4j.LoggerFactory;

/**
 * Puts other words into a page's own content stream: in the font, colour, layer and tag that were there, at the place of the first mark that goes, all other
 * bytes as they are. What can't be done safely is refused, with the reason, and what was done is read again: every glyph that stays must stand where it stood.
 */
public final class PageRewriting {
    /** Spaces of a line that fills its column may grow by so many ems, and shrink by this share of their width. */
    private static final double MOST_WIDER = 0.6;
    private static final double MOST_NARROWER = 0.35;

    private final SourceFile source;
    private final int page;
    private final FontCatalogue faces;
    private final PageReader.Addressed read;
    private final Map<Integer, ShownGlyph> byOrder = new HashMap<>();
    private final List<Finding> findings = new ArrayList<>();
    private final LineRoom room;
    private final PageChanges changes;
    private ChangedStream stream;
    private NewLetters letters;
    private DrawnLines lines;
    private Overflow overflow;
    private WordMarkings markings;
    private CarriedLinks links;
    private ArrivingLines arriving;

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

    private PageRewriting(SourceFile source, PageReader.Addressed read, FontCatalogue faces) {
        this.source = source;
        this.page = read.page().index();
        this.faces = faces;
        this.read = read;
        room = new LineRoom(read);
        changes = new PageChanges(read);
        for (ShownGlyph glyph : read.shown()) byOrder.put(glyph.glyph().order(), glyph);
    }

    private void begin() throws IOException {
        PDPage own = source.pdf().getPage(page);
        try (InputStream in = own.getContents()) {
            stream = ChangedStream.of(in, own.getResources() == null ? null : own.getResources().getCOSObject());
        }
        letters = new NewLetters(read, stream, faces, findings);
        lines = new DrawnLines(stream, changes);
        markings = new WordMarkings(read, stream, changes);
        links = new CarriedLinks(own, read, changes);
        overflow = new Overflow(own, read, stream, letters, changes);
        arriving = new ArrivingLines(own, read, byOrder, stream, changes, room, overflow);
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
        public GivenLines given() { return rewriting.overflow.given(); }

        /** How much lower what it took from the page before it stands than there, in points. */
        public double down() { return down; }

        /** The page where what it gives over stands so much lower on the next. */
        public Rewritten page(double lower) {
            return given() == null ? page : new Rewritten(page.content(), page.parts(), page.areas(), page.reset(), page.pushed(), rewriting.overflow.told(lower),
                    page.relinked(), page.tagged(), page.findings());
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
                throw rewriting.damaged(e);
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
     * @throws Refused where one of them can't be made there
     */
    public static Made rewrite(SourceFile source, PageReader.Addressed read, List<Correction> corrections, GivenLines come, Onward onward,
            FontCatalogue faces) throws Refused {
        PageRewriting rewriting = new PageRewriting(source, read, faces);
        try {
            rewriting.begin();
            double down = come == null ? 0 : rewriting.arriving.put(come, onward);
            for (Correction correction : corrections) rewriting.correct(correction);
            rewriting.lines.paint();
            rewriting.changes.refuseCut();
            byte[] made = rewriting.stream.made();
            return new Made(rewriting.rewritten(made), rewriting, down);
        } catch (IOException | RuntimeException e) {
            throw rewriting.damaged(e);
        }
    }

    private Rewritten rewritten(byte[] content) {
        return new Rewritten(content, stream.parts(), changes.areas(), changes.reset(), changes.pushed(), List.of(), links.made(), arriving.tagged(),
                findings);
    }

    private Refused damaged(Exception cause) {
        LoggerFactory.getLogger(PageRewriting.class).info("Page {} can't be rewritten", page + 1, cause);
        return new Refused(Message.of("keep.its-stream-is-damaged"));
    }

    private void correct(Correction wished) throws Refused, IOException {
        if (wished.isOnOneLine() && !wished.isRemoval() && wished.passage().parting() == null) {
            try {
                correctLine(wished);
                return;
            } catch (NoRoom e) {
                LoggerFactory.getLogger(PageRewriting.class).debug("The passage is set anew: {}", e.getMessage());
            }
        }
        new PassageSetting(source.pdf().getPage(page), read, byOrder, stream, letters, lines, markings, links, room, changes, overflow).set(wished);
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
        List<ShownGlyph> words = movable(correction.line(), byOrder);
        // Labels stay at their place, whatever is done to their lines.
        boolean besides = correction.set() == Correction.Setting.AT_LEFT || correction.set() == Correction.Setting.JUSTIFIED;
        List<ShownGlyph> line = withSpaces(besides ? words.stream().filter(correction::isText).toList() : words, read);
        int from = line.indexOf(words.get(correction.from()));
        int to = line.indexOf(words.get(correction.to() - 1)) + 1;
        List<ShownGlyph> going = line.subList(from, to);
        ShownGlyph first = going.get(0);
        ShownGlyph last = going.get(going.size() - 1);
        for (ShownGlyph glyph : line)
            if (Math.abs(glyph.glyph().baseline() - first.glyph().baseline()) > 0.6 * first.glyph().size()) throw new Refused(
                    Message.of("keep.the-line-is-not-one"));
        refuseDoubled(going, read);
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
            stream.of(leader).rewriting(leader, read.shown()).remove(leader.code());
            changes.removes(leader);
        }
        Map<Integer, Rewritten.Spot> spots = new HashMap<>();
        for (int i = 0; i < line.size(); i++) {
            ShownGlyph glyph = line.get(i);
            boolean goes = i >= from && i < to;
            TextRewriting operator = stream.of(glyph).rewriting(glyph, read.shown());
            if (goes) operator.remove(glyph.code());
            if (i == from) {
                operator.insert(glyph.code(), inserts);
                operator.goesBackTo(stream.of(glyph).named(glyph));
                operator.goesBackToColour(stream.of(glyph).colour(glyph));
            }
            operator.shift(glyph.code(), goes ? shifts[from] : shifts[i]);
            if (goes) {
                changes.removes(glyph);
            } else if (!changes.isRemoved(glyph)) {
                changes.moves(glyph, shifts[i]);
                spots.put(glyph.glyph().order(), spot(glyph.glyph().x() + shifts[i], glyph.glyph().right() + shifts[i], glyph.glyph().baseline()));
            }
        }
        area(line, change);
        changes.resets(spots, put(inserts, correction, first.glyph().x() + shifts[from], first), first);
    }

    static Rewritten.Spot spot(double left, double right, double baseline) { return new Rewritten.Spot((float) left, (float) right, (float) baseline); }

    /** Tells where the letters of a text stand that begins somewhere. */
    private List<Rewritten.Spot> put(List<TextRewriting.Insert> inserts, Correction correction, double from, ShownGlyph first)
            throws Refused, IOException {
        String text = correction.text();
        List<Integer> rgb = correction.rgb(first.glyph().rgb());
        List<Rewritten.Spot> spots = new ArrayList<>();
        double x = from;
        double baseline = first.glyph().baseline();
        for (TextRewriting.Insert one : inserts) {
            double width = one.advance() * first.across() / 1000;
            changes.puts(text.substring(spots.size(), spots.size() + one.letters()), x, width, baseline, first, rgb.get(spots.size()));
            lines.letter(correction, spots.size(), spots.size() + one.letters(), x, x + width, baseline, first.glyph().size(), first, one.colour());
            for (int i = 0; i < one.letters(); i++) spots.add(spot(x + width * i / one.letters(), x + width * (i + 1) / one.letters(), baseline));
            x += width;
        }
        return spots;
    }

    /** With the spaces that are shown between the letters: they move with them, though nobody sees it. */
    static List<ShownGlyph> withSpaces(List<ShownGlyph> words, PageReader.Addressed read) {
        Glyph first = words.get(0).glyph();
        List<ShownGlyph> spaces = read.shown().stream().filter(glyph -> glyph.glyph().isSpace() && glyph.isMovable() && !words.contains(glyph)
                && Math.abs(glyph.glyph().baseline() - first.baseline()) < 0.5).toList();
        if (spaces.isEmpty()) return words;
        List<ShownGlyph> line = new ArrayList<>();
        for (int i = 0; i < words.size(); i++) {
            Glyph here = words.get(i).glyph();
            line.add(words.get(i));
            double until = i + 1 < words.size() ? words.get(i + 1).glyph().x() : here.right() + here.size();
            for (ShownGlyph space : spaces)
                if (space.glyph().x() > here.x() && space.glyph().x() >= here.right() - 0.3 * here.size() && space.glyph().x() < until) line.add(space);
        }
        return line;
    }

    /** Text drawn twice for weight or shadow would keep its other copy. */
    static void refuseDoubled(List<ShownGlyph> going, PageReader.Addressed read) throws Refused {
        for (ShownGlyph glyph : going) {
            for (ShownGlyph other : read.shown()) {
                boolean twin = other != glyph && other.glyph().text().equals(glyph.glyph().text()) && !other.glyph().isSpace()
                        && Math.hypot(other.glyph().x() - glyph.glyph().x(), other.glyph().baseline() - glyph.glyph().baseline()) < 0.1 * glyph.glyph().size();
                if (twin) throw new Refused(Message.of("keep.its-letters-are-drawn-twice"));
            }
        }
    }

    /** How far each mark of the line moves to the right, in points. */
    private double[] shifts(Correction correction, List<ShownGlyph> line, int from, int to, double change, TabbedLine tabs) throws Refused {
        double[] shifts = new double[line.size()];
        boolean after = to < line.size();
        Correction.Setting set = correction.lineSetting();
        if (Math.abs(change) < 0.01) return shifts;
        if (isMarked(correction, line.subList(set == Correction.Setting.AT_LEFT ? from : 0, line.size())))
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
        if (before + change > 0.2 && right + before + change > room.right(line, right, correction)) throw new NoRoom(Message.of("keep.the-line-has-no-room"));
        if (before < -0.2 && left + before < room.left(line, left)) throw new NoRoom(Message.of("keep.the-line-has-no-room"));
        if (!after && set == Correction.Setting.JUSTIFIED && change > 0.5) throw new NoRoom(Message.of("keep.the-line-has-no-room"));
        return shifts;
    }

    /** Whether something is drawn with words that move: it has to go along. */
    private boolean isMarked(Correction correction, List<ShownGlyph> moving) {
        return correction.drawnBy() || moving.stream().anyMatch(mark -> mark.glyph().link() != null || !markings.of(mark).isEmpty());
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
        PaintedPage before = PaintedPage.of(file.pdf(), page);
        changes.prove(KeptWriter.lookingAt(made, file.pdf(), page, there -> PageReader.addressed(file, there, Progress.SILENT)));
        PaintedPage after = KeptWriter.lookingAt(made, file.pdf(), page, there -> PaintedPage.of(file.pdf(), there));
        if (before.differing(after, made.areas()) > 0) throw new Refused(Message.of("keep.it-would-look-otherwise-where-nothing"));
    }
}
