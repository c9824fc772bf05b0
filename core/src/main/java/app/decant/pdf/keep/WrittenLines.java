package app.decant.pdf.keep;

import app.decant.document.Colour;
import app.decant.page.Rewritten;
import app.decant.pdf.keep.GivenLines.Letter;
import app.decant.pdf.keep.GivenLines.Line;
import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.pdf.read.ShownGlyph;
import app.decant.words.Message;
import java.awt.geom.AffineTransform;
import java.awt.geom.NoninvertibleTransformException;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** Lines that are written into a page by themselves, outside of what stands there, each in the marked content that it belongs to (ISO 32000-2, 14.6). */
final class WrittenLines {
    private final ChangedPage at;
    private final List<Rewritten.Tagged> tagged = new ArrayList<>();
    private int next;

    /** What letters belong to: a marked content, or a paragraph beside it. */
    private record Part(int contents, Rewritten.Beside beside) { }

    WrittenLines(ChangedPage at) { this.at = at; }

    /** What they belong to. */
    List<Rewritten.Tagged> tagged() { return tagged; }

    /**
     * Writes lines before the text of a mark.
     *
     * @param from the index of the page by whose numbers they tell what they belong to
     */
    void write(int from, List<Line> lines, ShownGlyph first) throws Refused, IOException {
        ChangedStream own = at.stream.of(first);
        AffineTransform back;
        try {
            back = first.state().place().createInverse();
        } catch (NoninvertibleTransformException e) {
            throw new Refused(Message.of("keep.its-stream-is-damaged"));
        }
        boolean tags = own.isTagged();
        Map<Part, StringBuilder> parts = new LinkedHashMap<>();
        for (Line line : lines) {
            List<Letter> letters = line.letters();
            int begin = 0;
            for (int to = 1; to <= letters.size(); to++) {
                if (to < letters.size() && letters.get(to).looksAs(letters.get(begin))) continue;
                Part part = tags ? new Part(letters.get(begin).contents(), letters.get(begin).beside()) : new Part(Letter.NONE, null);
                parts.computeIfAbsent(part, key -> new StringBuilder()).append(run(letters.subList(begin, to), own, back));
                begin = to;
            }
            for (Letter letter : letters) at.changes.arrives(letter.text(), letter.x(), letter.width(), letter.baseline(), first, letter.rgb());
        }
        next = Math.max(next, own.freeNumber());
        String behind = rules(lines, true, first, tags) + pictures(from, lines, own, back);
        StringBuilder block = new StringBuilder(behind + "\nq 0 Tc 0 Tw 100 Tz 0 Ts 0 Tr ");
        for (Map.Entry<Part, StringBuilder> one : parts.entrySet()) {
            String text = "BT " + one.getValue() + "ET ";
            Part part = one.getKey();
            if (part.contents < 0) {
                block.append(tags ? "/Artifact BMC " + text + "EMC " : text);
            } else {
                block.append("/P <</MCID ").append(next).append(">> BDC ").append(text).append("EMC ");
                tagged.add(new Rewritten.Tagged(next++, from, part.contents, part.beside));
            }
        }
        own.putBeside(first.operator(), block + "Q\n" + rules(lines, false, first, tags));
    }

    private String pictures(int from, List<Line> lines, ChangedStream own, AffineTransform back) {
        StringBuilder painting = new StringBuilder();
        for (Line line : lines) {
            for (GivenLines.Shown one : line.pictures()) {
                AffineTransform matrix = one.place();
                matrix.preConcatenate(back);
                double[] six = new double[6];
                matrix.getMatrix(six);
                StringBuilder shown = new StringBuilder("q ");
                for (double number : six) shown.append(TextRewriting.number(number)).append(' ');
                shown.append("cm ").append(own.lent(one.picture())).append(" Do Q");
                if (!own.isTagged()) {
                    painting.append('\n').append(shown);
                } else if (one.contents() < 0) {
                    painting.append("\n/Artifact BMC ").append(shown).append(" EMC");
                } else {
                    painting.append("\n/Figure <</MCID ").append(next).append(">> BDC ").append(shown).append(" EMC");
                    tagged.add(new Rewritten.Tagged(next++, from, one.contents(), null));
                }
                at.changes.draws(one.box());
            }
        }
        return painting.append('\n').toString();
    }

    /** A row of a table goes of which a marked content was a part; below 0 for none. */
    void gone(int contents, int page) {
        Rewritten.Tagged row = new Rewritten.Tagged(contents, page, contents, Rewritten.Beside.GONE);
        if (contents >= 0 && !tagged.contains(row)) tagged.add(row);
    }

    /** What is drawn with their words, which in tagged content is none (14.8.2.2). */
    private String rules(List<Line> lines, boolean behind, ShownGlyph first, boolean tags) throws Refused {
        StringBuilder painting = new StringBuilder();
        for (Line line : lines) {
            for (GivenLines.Rule rule : line.rules()) {
                if (rule.behind() != behind) continue;
                painting.append(NewLetters.colour(new Colour(rule.rgb()))).append(' ').append(DrawnLines.path(rule.box(), first.state().place())).append(" f ");
                at.changes.draws(rule.box());
            }
        }
        if (painting.isEmpty()) return "";
        return tags ? "\n/Artifact BMC q " + painting + "Q EMC\n" : "\nq " + painting + "Q\n";
    }

    private static String named(GivenLines.FontName font, ChangedStream own) {
        return font instanceof GivenLines.FontResource there ? there.name() : own.lent((GivenLines.FontAddress) font);
    }

    /** Letters of one look: their font, where they stand, and the gaps between them in thousandths of an em (9.4.3). */
    private static String run(List<Letter> letters, ChangedStream own, AffineTransform back) {
        Letter first = letters.get(0);
        AffineTransform matrix = new AffineTransform(first.across(), 0, first.slant(), -first.height(), first.x(), first.baseline());
        matrix.preConcatenate(back);
        StringBuilder run = new StringBuilder(NewLetters.colour(new Colour(first.rgb()))).append(' ').append(named(first.font(), own)).append(" 1 Tf ");
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
