package app.decant.pdf.keep;

import app.decant.document.Colour;
import app.decant.document.Finding;
import app.decant.page.Rewritten;
import app.decant.pdf.keep.GivenLines.Letter;
import app.decant.pdf.keep.GivenLines.Line;
import app.decant.pdf.keep.PageRewriting.NoRoom;
import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.pdf.read.PageReader;
import app.decant.pdf.read.ShownGlyph;
import app.decant.words.Message;
import java.awt.geom.AffineTransform;
import java.awt.geom.NoninvertibleTransformException;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.IntFunction;

/** Puts lines that another page has no room for at the head of the text of a page: what is there goes down as it is, and so do they stand above it. */
final class ArrivingLines {
    /** How far letters reach above and below their baseline, in ems. */
    private static final double ABOVE = 0.75;
    private static final double BELOW = 0.22;
    /** From one baseline to the next where nothing tells, in ems. */
    private static final double LEADING = 1.2;

    private final ChangedPage at;
    private final PageReader.Addressed read;
    private final ChangedStream stream;
    private final PageChanges changes;
    private final List<Rewritten.Tagged> tagged = new ArrayList<>();

    ArrivingLines(ChangedPage at) {
        this.at = at;
        read = at.read;
        stream = at.stream;
        changes = at.changes;
    }

    /** What they belong to, that goes on here. */
    List<Rewritten.Tagged> tagged() { return tagged; }

    /** Puts them on a page that is put in for them; how much lower they stand than on the page they come from. */
    double putOnAdded(GivenLines given, IntFunction<PageReader.Addressed> others) throws Refused, IOException {
        AddedPage page = AddedPage.begin(at, given, others);
        double begins = page.begins(given);
        show(given, given.standing(begins), page.like());
        at.findings.add(Finding.changed(Message.of("keep.page-added", given.from() + 1)));
        return begins - given.lines().get(0).baseline();
    }

    /** How much lower the lines stand than on the page they come from. */
    double put(GivenLines given, Onward onward) throws Refused, IOException {
        List<ShownGlyph> head = PageRewriting.movable(given.to().lines().get(0), at.byOrder);
        ShownGlyph first = head.get(0);
        double large = head.stream().mapToDouble(mark -> mark.glyph().size()).max().orElseThrow();
        double was = first.glyph().baseline();
        double begins = was + ABOVE * (given.lines().get(0).size() - large);
        List<Line> lines = given.standing(begins);
        double by = lines.get(lines.size() - 1).baseline() + given.to().gap() - was;
        Rectangle2D box = box(lines);
        List<List<Integer>> all = given.to().lines();
        Correction.Passage passage = new Correction.Passage(all.subList(0, 1), Set.of(), false, all.subList(1, all.size()), given.to().foot(), null, Set.of(),
                onward, null);
        double leading = LEADING * large;
        LowerLines lower = new LowerLines(at);
        double lowest = lower.move(passage, List.of(head), was - ABOVE * large - BELOW * leading, by, leading);
        lower.refuseObstacles(passage, List.of(), box.getMinX(), box.getMaxX(), lowest, 0, leading);
        Rectangle2D touched = new Rectangle2D.Double(Math.min(box.getMinX(), lower.left()), Math.min(box.getMinY(), was - large), 0, 0);
        touched.add(Math.max(box.getMaxX(), lower.right()), Math.max(lowest, lower.bottom()) + BELOW * large);
        if (LoweredPlaces.refuses(at.page, read.page().turn(), lower.extent(large), touched, Set.of()))
            throw new NoRoom(Message.of("keep.a-field-a-note-or-a-link"));
        changes.touches(touched.getMinX() - 0.5 * large, touched.getMinY() - 0.6 * large, touched.getMaxX() + 0.5 * large, touched.getMaxY() + 0.4 * large);
        show(given, lines, first);
        return begins - given.lines().get(0).baseline();
    }

    private static Rectangle2D box(List<Line> lines) {
        Rectangle2D box = null;
        for (Line line : lines) {
            for (Letter letter : line.letters()) {
                Rectangle2D one = new Rectangle2D.Double(letter.x(), letter.baseline() - ABOVE * letter.size(), Math.max(0.1, letter.width()), letter.size());
                box = box == null ? one : box.createUnion(one);
            }
        }
        return box;
    }

    /** Writes them before the text of a mark, each in the marked content that it belongs to. */
    private void show(GivenLines given, List<Line> lines, ShownGlyph first) throws Refused, IOException {
        ChangedStream own = stream.of(first);
        AffineTransform back;
        try {
            back = first.state().place().createInverse();
        } catch (NoninvertibleTransformException e) {
            throw new Refused(Message.of("keep.its-stream-is-damaged"));
        }
        boolean tags = own.isTagged();
        Map<Integer, StringBuilder> parts = new LinkedHashMap<>();
        for (Line line : lines) {
            List<Letter> letters = line.letters();
            int from = 0;
            for (int to = 1; to <= letters.size(); to++) {
                if (to < letters.size() && letters.get(to).looksAs(letters.get(from))) continue;
                int contents = tags ? letters.get(from).contents() : Letter.NONE;
                parts.computeIfAbsent(contents, key -> new StringBuilder()).append(run(letters.subList(from, to), own, back));
                from = to;
            }
            for (Letter letter : letters) changes.arrives(letter.text(), letter.x(), letter.width(), letter.baseline(), first, letter.rgb());
        }
        String behind = rules(lines, true, first, tags);
        StringBuilder block = new StringBuilder(behind + "\nq 0 Tc 0 Tw 100 Tz 0 Ts 0 Tr ");
        int number = own.freeNumber();
        for (Map.Entry<Integer, StringBuilder> part : parts.entrySet()) {
            String text = "BT " + part.getValue() + "ET ";
            if (part.getKey() == Letter.NONE) {
                block.append(tags ? "/Artifact BMC " + text + "EMC " : text);
            } else if (part.getKey() == Letter.ARTIFACT) {
                block.append("/Artifact BMC ").append(text).append("EMC ");
            } else {
                block.append("/P <</MCID ").append(number).append(">> BDC ").append(text).append("EMC ");
                tagged.add(new Rewritten.Tagged(number++, given.from(), part.getKey()));
            }
        }
        own.putBeside(first.operator(), block + "Q\n" + rules(lines, false, first, tags));
    }

    /** What is drawn with their words, which in tagged content is none (14.8.2.2). */
    private String rules(List<Line> lines, boolean behind, ShownGlyph first, boolean tags) throws Refused {
        StringBuilder painting = new StringBuilder();
        for (Line line : lines) {
            for (GivenLines.Rule rule : line.rules()) {
                if (rule.behind() != behind) continue;
                painting.append(NewLetters.colour(new Colour(rule.rgb()))).append(' ').append(DrawnLines.path(rule.box(), first.state().place())).append(" f ");
                changes.draws(rule.box());
            }
        }
        if (painting.isEmpty()) return "";
        return tags ? "\n/Artifact BMC q " + painting + "Q EMC\n" : "\nq " + painting + "Q\n";
    }

    /** Letters of one look: their font, where they stand, and the gaps between them in thousandths of an em (9.4.3). */
    private static String run(List<Letter> letters, ChangedStream own, AffineTransform back) {
        Letter first = letters.get(0);
        AffineTransform matrix = new AffineTransform(first.across(), 0, first.slant(), -first.height(), first.x(), first.baseline());
        matrix.preConcatenate(back);
        StringBuilder run = new StringBuilder(NewLetters.colour(new Colour(first.rgb()))).append(' ').append(own.lent(first.font())).append(" 1 Tf ");
        double[] six = new double[6];
        matrix.getMatrix(six);
        for (double one : six) run.append(TextRewriting.number(one)).append(' ');
        run.append("Tm [");
        double pen = first.x();
        boolean open = false;
        for (Letter letter : letters) {
            double gap = (letter.x() - pen) * 1000 / letter.across();
            if (Math.abs(gap) > 1e-3) {
                run.append(open ? "> " : " ").append(TextRewriting.number(-gap)).append(' ');
                open = false;
            }
            if (!open) run.append('<');
            open = true;
            run.append(letter.code());
            pen = letter.x() + letter.em() * letter.across();
        }
        return run.append("> ] TJ ").toString();
    }
}
