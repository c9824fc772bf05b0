package app.decant.pdf.keep;

import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.font.EmbeddingRight;
import app.decant.font.Face;
import app.decant.font.FontCatalogue;
import app.decant.page.Rewritten;
import app.decant.pdf.read.FaceUse;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.PageReader;
import app.decant.pdf.read.ShownGlyph;
import app.decant.pdf.read.SourceFile;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.pdmodel.PDPage;
import org.slf4j.LoggerFactory;

/**
 * Puts other words into a page's own content stream: in the font, colour, layer and tag that were there, at the place of the first mark that goes, all other
 * bytes as they are. What can't be done safely is refused, with the reason, and what was done is read again: every glyph that stays must stand where it stood.
 */
public final class PageRewriting {
    /** Glyphs may come to lie this far, in points, from where they were: what rounding does. */
    private static final double SAME = 0.02;
    /** Spaces of a line that fills its column may grow by so many ems, and shrink by this share of their width. */
    private static final double MOST_WIDER = 0.6;
    private static final double MOST_NARROWER = 0.35;

    private final SourceFile source;
    private final int page;
    private final FontCatalogue faces;
    private final PageReader.Addressed read;
    private final Map<Integer, ShownGlyph> byOrder = new HashMap<>();
    private final Map<COSBase, LetterCodes> fonts = new IdentityHashMap<>();
    private final List<Rewritten.Area> areas = new ArrayList<>();
    private final List<Rewritten.Reset> reset = new ArrayList<>();
    private final List<Finding> findings = new ArrayList<>();
    private final Set<Integer> removed = new HashSet<>();
    private final Map<Integer, Double> moved = new HashMap<>();
    private final LineRoom room;
    private ChangedStream stream;
    private int added;

    /** Something that can't be done within the page's own stream. */
    public static final class Refused extends Exception {
        private static final long serialVersionUID = 1;

        Refused(String why) { super(why); }
    }

    private PageRewriting(SourceFile source, PageReader.Addressed read, FontCatalogue faces) {
        this.source = source;
        this.page = read.page().index();
        this.faces = faces;
        this.read = read;
        room = new LineRoom(read);
        for (ShownGlyph glyph : read.shown()) byOrder.put(glyph.glyph().order(), glyph);
    }

    private void begin() throws IOException {
        PDPage own = source.pdf().getPage(page);
        try (InputStream in = own.getContents()) {
            stream = ChangedStream.of(in, own.getResources() == null ? null : own.getResources().getCOSObject());
        }
    }

    /** A page that was written anew, and has not been looked at yet. */
    public static final class Made {
        private final Rewritten page;
        private final PageRewriting rewriting;

        private Made(Rewritten page, PageRewriting rewriting) {
            this.page = page;
            this.rewriting = rewriting;
        }

        public Rewritten page() { return page; }

        /**
         * Reads and paints it again.
         *
         * @throws Refused where anything is not as it was that should be
         */
        public void prove() throws Refused {
            try {
                rewriting.prove(page);
            } catch (IOException | RuntimeException e) {
                throw rewriting.damaged(e);
            }
        }
    }

    /**
     * Makes corrections on a page. What comes of it can be looked at; it is published only once it is proven.
     *
     * @param read  the page as it is
     * @param faces that help out where a font inside the file lacks a letter
     * @throws Refused where one of them can't be made there
     */
    public static Made rewrite(SourceFile source, PageReader.Addressed read, List<Correction> corrections, FontCatalogue faces) throws Refused {
        PageRewriting rewriting = new PageRewriting(source, read, faces);
        try {
            rewriting.begin();
            for (Correction correction : corrections) rewriting.correct(correction);
            byte[] made = rewriting.stream.made();
            return new PageRewriting.Made(new Rewritten(made, rewriting.stream.parts(), rewriting.areas, rewriting.reset, rewriting.findings), rewriting);
        } catch (IOException | RuntimeException e) {
            throw rewriting.damaged(e);
        }
    }

    private Refused damaged(Exception cause) {
        LoggerFactory.getLogger(PageRewriting.class).info("Page {} can't be rewritten", page + 1, cause);
        return new Refused("its stream is damaged");
    }

    private void correct(Correction wished) throws Refused, IOException {
        List<ShownGlyph> words = new ArrayList<>();
        for (int order : wished.line()) {
            ShownGlyph glyph = byOrder.get(order);
            if (glyph == null) throw new Refused("its text is not where it seems to be");
            if (!glyph.isMovable()) throw new Refused(glyph.operator() < 0 ? "its text is a field or a note" : glyph.replaced() ? "its text stands for another"
                    : glyph.glyph().angle() != 0 ? "its text is turned" : "its text is drawn in a way that can't be changed safely");
            words.add(glyph);
        }
        List<ShownGlyph> line = withSpaces(words);
        int from = line.indexOf(words.get(wished.from()));
        int to = line.indexOf(words.get(wished.to() - 1)) + 1;
        Correction correction = new Correction(line.stream().map(glyph -> glyph.glyph().order()).toList(), from, to, wished.text(), wished.set(),
                wished.passage(), wished.drawnBy());
        List<ShownGlyph> going = line.subList(correction.from(), correction.to());
        ShownGlyph first = going.get(0);
        ShownGlyph last = going.get(going.size() - 1);
        for (ShownGlyph glyph : line)
            if (Math.abs(glyph.glyph().baseline() - first.glyph().baseline()) > 0.6 * first.glyph().size()) throw new Refused("the line is not one");
        refuseDoubled(going);
        List<TextRewriting.Insert> inserts = inserts(correction.text(), first, line);
        double width = inserts.stream().mapToDouble(TextRewriting.Insert::advance).sum() * first.across() / 1000
                - (inserts.isEmpty() ? 0 : first.spacing() / first.size() * first.across());
        double change = width - (last.glyph().right() - first.glyph().x());
        double[] shifts = shifts(correction, line, change);
        for (int i = 0; i < line.size(); i++) {
            ShownGlyph glyph = line.get(i);
            boolean goes = i >= correction.from() && i < correction.to();
            TextRewriting operator = stream.of(glyph).rewriting(glyph, read.shown());
            if (goes) operator.remove(glyph.code());
            if (i == correction.from()) {
                operator.insert(glyph.code(), inserts);
                operator.goesBackTo(stream.of(glyph).named(glyph));
            }
            operator.shift(glyph.code(), goes ? shifts[correction.from()] : shifts[i]);
            if (goes) removed.add(glyph.glyph().order());
            else moved.put(glyph.glyph().order(), shifts[i]);
        }
        added += correction.text().replace(" ", "").length();
        area(line, change);
        Map<Integer, Double> own = new HashMap<>();
        for (ShownGlyph glyph : line) if (moved.containsKey(glyph.glyph().order())) own.put(glyph.glyph().order(), moved.get(glyph.glyph().order()));
        reset.add(new Rewritten.Reset(own, edges(inserts, first.glyph().x() + shifts[correction.from()], first.across())));
    }

    /** Where the letters of a text stand that begins somewhere. */
    private static float[] edges(List<TextRewriting.Insert> inserts, double from, double across) {
        float[] edges = new float[inserts.stream().mapToInt(TextRewriting.Insert::letters).sum() + 1];
        int at = 0;
        double x = from;
        for (TextRewriting.Insert one : inserts) {
            for (int i = 0; i < one.letters(); i++) edges[at++] = (float) (x + one.advance() * across / 1000 * i / one.letters());
            x += one.advance() * across / 1000;
        }
        edges[at] = (float) x;
        return edges;
    }

    /** With the spaces that are shown between the letters: they move with them, though nobody sees it. */
    private List<ShownGlyph> withSpaces(List<ShownGlyph> words) {
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
    private void refuseDoubled(List<ShownGlyph> going) throws Refused {
        for (ShownGlyph glyph : going) {
            for (ShownGlyph other : read.shown()) {
                boolean twin = other != glyph && other.glyph().text().equals(glyph.glyph().text()) && !other.glyph().isSpace()
                        && Math.hypot(other.glyph().x() - glyph.glyph().x(), other.glyph().baseline() - glyph.glyph().baseline()) < 0.1 * glyph.glyph().size();
                if (twin) throw new Refused("its letters are drawn twice");
            }
        }
    }

    /** The new text in the font of the first mark that goes. */
    private List<TextRewriting.Insert> inserts(String text, ShownGlyph first, List<ShownGlyph> line) throws Refused, IOException {
        LetterCodes codes = codes(first);
        List<TextRewriting.Insert> inserts = new ArrayList<>();
        for (int at = 0; at < text.length(); at += Character.charCount(text.codePointAt(at))) {
            String letter = Character.toString(text.codePointAt(at));
            LetterCodes.Code code = codes.of(letter);
            if (code == null && letter.isBlank()) {
                inserts.add(new TextRewriting.Insert(new byte[0], space(line, first), null, letter.length()));
                continue;
            }
            if (code == null) return others(text, letter, first);
            double word = letter.equals(" ") ? wordSpacing(line, first) : 0;
            double advance = 1000 * (code.width() + (first.spacing() + word) / first.size());
            inserts.add(new TextRewriting.Insert(code.bytes(), advance, null, letter.length()));
        }
        return inserts;
    }

    /** The new text in a face like the one it stands among, which lacks a letter. */
    private List<TextRewriting.Insert> others(String text, String missing, ShownGlyph first) throws Refused, IOException {
        FaceUse use = first.glyph().face();
        Face face = faces.match(use.family(), use.bold(), use.italic()).face();
        if (!text.codePoints().allMatch(face::has)) face = faces.fallback(face, missing.codePointAt(0));
        List<TextRewriting.Insert> inserts = face == null || EmbeddingRight.forbidsOutlines(face.fsType()) || !text.codePoints().allMatch(face::has)
                || stream.of(first).named(first) == null ? null : stream.of(first).inserts(text, face, first);
        if (inserts == null) throw new Refused("the font inside the file has no “" + missing + "”");
        findings.add(Finding.changed("The font inside the file has no “" + missing + "”; “" + text + "” is set in " + face + ".", "page " + (page + 1)));
        return inserts;
    }

    /** How wide spaces of the line are, in thousandths of an em. */
    private static double space(List<ShownGlyph> line, ShownGlyph first) {
        double sum = 0;
        int count = 0;
        for (int i = 1; i < line.size(); i++) {
            double gap = line.get(i).glyph().x() - line.get(i - 1).glyph().right();
            if (gap > 0.12 * first.glyph().size() && gap < 0.8 * first.glyph().size()) {
                sum += gap;
                count++;
            }
        }
        return count == 0 ? 250 : 1000 * sum / count / first.across();
    }

    /** What a space gets beside the others in its line. */
    private static double wordSpacing(List<ShownGlyph> line, ShownGlyph first) {
        return line.stream().filter(glyph -> glyph.glyph().isSpace()).findFirst().map(glyph -> glyph.spacing() - first.spacing()).orElse(0.0);
    }

    private LetterCodes codes(ShownGlyph first) throws IOException, Refused {
        COSBase key = first.font().getCOSObject();
        LetterCodes known = fonts.get(key);
        if (known != null) return known;
        LetterCodes codes = new LetterCodes(first.font());
        Map<StreamOperators.Found, List<byte[]>> written = new IdentityHashMap<>();
        for (ShownGlyph glyph : read.shown()) {
            // The same stream's: what others show by the font may be anywhere.
            if (glyph.operator() < 0 || glyph.font().getCOSObject() != key || !first.path().equals(glyph.path())) continue;
            StreamOperators.Found operator = stream.of(glyph).operator(glyph);
            List<byte[]> some = written.get(operator);
            if (some == null) written.put(operator, some = TextRewriting.codes(operator, glyph.font()));
            if (glyph.code() < some.size()) codes.see(glyph, some.get(glyph.code()));
        }
        fonts.put(key, codes);
        return codes;
    }

    /** How far each mark of the line moves to the right, in points. */
    private double[] shifts(Correction correction, List<ShownGlyph> line, double change) throws Refused {
        double[] shifts = new double[line.size()];
        boolean after = correction.to() < line.size();
        if (Math.abs(change) < 0.01) return shifts;
        if (correction.drawnBy()) throw new Refused("lines are drawn under its words");
        double before = switch (correction.set()) {
            case AT_RIGHT -> -change;
            case CENTRED -> -change / 2;
            default -> 0;
        };
        if (correction.set() == Correction.Setting.JUSTIFIED && spread(correction, line, change, shifts)) return shifts;
        for (int i = 0; i < line.size(); i++) shifts[i] = i < correction.to() ? before : before + change;
        double right = line.stream().mapToDouble(glyph -> glyph.glyph().right()).max().orElse(0);
        double left = line.stream().mapToDouble(glyph -> glyph.glyph().x()).min().orElse(0);
        if (before + change > 0.2 && right + before + change > room.right(line, right, correction)) throw new Refused("the line has no room for it");
        if (before < -0.2 && left + before < room.left(line, left)) throw new Refused("the line has no room for it");
        if (!after && correction.set() == Correction.Setting.JUSTIFIED && change > 0.5) throw new Refused("the line has no room for it");
        return shifts;
    }

    /** Both ends stay where they are, and all spaces of the line that stay take up what the change makes. */
    private boolean spread(Correction correction, List<ShownGlyph> line, double change, double[] shifts) throws Refused {
        Set<Integer> spaces = new HashSet<>();
        double width = 0;
        for (int i = 1; i < line.size(); i++) {
            if (i > correction.from() && i < correction.to()) continue;
            Glyph glyph = line.get(i).glyph();
            double gap = glyph.isSpace() ? glyph.width() : glyph.x() - line.get(i - 1).glyph().right();
            if (glyph.isSpace() || gap > 0.12 * glyph.size() && !line.get(i - 1).glyph().isSpace()) {
                spaces.add(i);
                width += gap;
            }
        }
        if (spaces.isEmpty()) return false;
        double each = -change / spaces.size();
        if (each > MOST_WIDER * line.get(0).glyph().size()) throw new Refused("the line would have gaps");
        if (-each * spaces.size() > MOST_NARROWER * width) throw new Refused("the line has no room for it");
        double now = 0;
        for (int i = 0; i < line.size(); i++) {
            if (i == correction.to()) now += change;
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
        areas.add(seen(left - 0.5 * size, baseline - 1.3 * size, right + 0.5 * size, baseline + 0.6 * size));
    }

    /** An area of the page as it was read, on the page as it is seen: it may have been turned for reading. */
    private Rewritten.Area seen(double left, double top, double right, double bottom) {
        double width = read.page().width();
        double height = read.page().height();
        return switch (read.page().turn()) {
            case 90 -> new Rewritten.Area(top, width - right, bottom, width - left);
            case 180 -> new Rewritten.Area(width - right, height - bottom, width - left, height - top);
            case 270 -> new Rewritten.Area(height - bottom, left, height - top, right);
            default -> new Rewritten.Area(left, top, right, bottom);
        };
    }

    /** Reads the page with its new stream, and compares glyph by glyph. */
    private void prove(Rewritten made) throws IOException, Refused {
        PaintedPage before = PaintedPage.of(source.pdf(), page);
        List<ShownGlyph> now = KeptWriter.lookingAt(made, source.pdf(), page, there -> PageReader.addressed(source, there, Progress.SILENT).shown());
        PaintedPage after = KeptWriter.lookingAt(made, source.pdf(), page, there -> PaintedPage.of(source.pdf(), there));
        if (before.differing(after, areas) > 0) throw new Refused("it would look otherwise where nothing was changed");
        int next = 0;
        int extra = 0;
        for (ShownGlyph old : read.shown()) {
            if (removed.contains(old.glyph().order())) continue;
            double x = old.glyph().x() + moved.getOrDefault(old.glyph().order(), 0.0);
            while (next < now.size() && !stands(old, x, now.get(next))) {
                next++;
                extra++;
            }
            if (next++ >= now.size()) throw new Refused("what stays on it would move");
        }
        extra += now.size() - next;
        if (extra > 2 * added + 4) throw new Refused("it would show more than was wished");
    }

    private static boolean stands(ShownGlyph old, double x, ShownGlyph now) {
        return old.glyph().text().equals(now.glyph().text()) && Math.abs(x - now.glyph().x()) < SAME && old.glyph().rgb() == now.glyph().rgb()
                && Math.abs(old.glyph().baseline() - now.glyph().baseline()) < SAME && Math.abs(old.glyph().size() - now.glyph().size()) < SAME;
    }
}
