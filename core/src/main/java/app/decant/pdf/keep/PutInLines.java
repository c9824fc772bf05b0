package app.decant.pdf.keep;

import app.decant.page.Rewritten;
import app.decant.pdf.keep.GivenLines.Letter;
import app.decant.pdf.keep.GivenLines.Line;
import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.pdf.read.ShownGlyph;
import java.io.IOException;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/**
 * Paragraphs that are put into a tagged page (ISO 32000-2, 14.8): each is a paragraph of its own to those who have the page read out, before or behind the one
 * that it is put in beside. Their lines are written outside of what that is marked as.
 */
final class PutInLines {
    private final ChangedPage at;
    private final List<Waiting> waiting = new ArrayList<>();

    /**
     * A paragraph that is put in.
     *
     * @param contents the number of the marked content that it is beside
     */
    record Beside(int contents, Rewritten.Beside paragraph) { }

    /** A line that stands where a mark does, wherever that goes. */
    private record Waiting(Line line, ShownGlyph with) { }

    PutInLines(ChangedPage at) { this.at = at; }

    /** Those of the lines of a passage that are of paragraphs which are put in, as far as they can stand by themselves. */
    Map<ComposedLine, Beside> of(Correction correction, StandingLine first, List<ComposedLine> composed, ShownGlyph like) throws Refused, IOException {
        Map<ComposedLine, Beside> besides = new IdentityHashMap<>();
        boolean tagged = correction.passage().parting() != null && like.path().isEmpty() && at.stream.isTagged();
        if (!tagged || !at.stream.takesBeside(first.first().operator())) return besides;
        List<List<ComposedLine>> paragraphs = paragraphs(composed);
        int own = 0;
        for (int i = paragraphs.size() - 1; i >= 0; i--) if (shown(paragraphs.get(i)) != null) own = i;
        ShownGlyph mark = shown(paragraphs.get(own));
        int contents = at.stream.contents(mark == null ? first.first() : mark);
        for (int i = 0; i < paragraphs.size(); i++) {
            List<ComposedLine> paragraph = paragraphs.get(i);
            boolean stands = i > own && paragraph.get(0).words().get(0).opens() == SetWord.STANDS;
            if (stands && shown(paragraph) != null) {
                own = i;
                contents = at.stream.contents(shown(paragraph));
            }
            if (i == own || stands || contents < 0 || !standsAlone(correction, paragraph)) continue;
            Rewritten.Beside beside = new Rewritten.Beside(i - own, paragraph.get(0).label() != null, 0, 0,
                    correction.passage().parting().level(i));
            for (ComposedLine line : paragraph) besides.put(line, new Beside(contents, beside));
        }
        return besides;
    }

    private static List<List<ComposedLine>> paragraphs(List<ComposedLine> composed) {
        List<List<ComposedLine>> paragraphs = new ArrayList<>();
        for (ComposedLine line : composed) {
            if (paragraphs.isEmpty() || line.words().get(0).isOpening()) paragraphs.add(new ArrayList<>());
            paragraphs.get(paragraphs.size() - 1).add(line);
        }
        return paragraphs;
    }

    /** A mark of the page that it says; null where all of it is new. */
    private static ShownGlyph shown(List<ComposedLine> paragraph) {
        return paragraph.stream().flatMap(line -> line.words().stream()).flatMap(word -> word.letters().stream()).map(SetWord.Letter::shown)
                .filter(one -> one != null).findFirst().orElse(null);
    }

    private boolean standsAlone(Correction correction, List<ComposedLine> paragraph) throws Refused, IOException {
        boolean says = false;
        for (ComposedLine line : paragraph) {
            List<SetWord> words = new ArrayList<>(line.words());
            if (line.label() != null) words.add(line.label().word());
            for (SetWord word : words) {
                for (SetWord.Letter letter : word.letters()) {
                    ShownGlyph like = letter.like();
                    boolean plain = Overflow.isPlain(correction, letter) && like.mode() == 0 && like.glyph().link() == null && like.path().isEmpty()
                            && (letter.shown() == null || letter.shown().glyph().link() == null) && at.stream.address(like) != null;
                    if (!plain) return false;
                    says = true;
                }
            }
        }
        return says;
    }

    /**
     * Takes a line, to be written where it stands.
     *
     * @param with the mark that it goes down with
     */
    void take(ComposedLine line, Beside beside, ShownGlyph like, ShownGlyph with) throws Refused, IOException {
        List<Letter> letters = new ArrayList<>();
        double size = like.glyph().size() * line.share();
        List<ComposedLine.Placed> places = new ArrayList<>();
        if (line.label() != null) {
            double x = line.label().left();
            for (SetWord.Letter letter : line.label().word().letters()) {
                x += letter.before();
                places.add(new ComposedLine.Placed(letter, x, PenPath.width(letter, like)));
                x += PenPath.width(letter, like);
            }
        }
        places.addAll(line.places(like));
        double pen = Double.NaN;
        for (ComposedLine.Placed one : places) {
            Letter set = at.overflow.set(one, line, like);
            Letter space = pen < set.x() - 0.1 * set.size() ? space(one.letter().like(), set, pen) : null;
            if (space != null) letters.add(space.of(beside.contents(), beside.paragraph()));
            letters.add(set.of(beside.contents(), beside.paragraph()));
            pen = set.right();
        }
        Letter end = letters.isEmpty() || line.ends() ? null : space(places.get(places.size() - 1).letter().like(), letters.get(letters.size() - 1), pen);
        if (end != null) letters.add(end.of(beside.contents(), beside.paragraph()));
        if (!letters.isEmpty()) waiting.add(new Waiting(new Line(line.baseline(), Double.NaN, size, letters), with));
    }

    /** What parts words for those who do not see the gap between them; null where the font has none. */
    private Letter space(ShownGlyph like, Letter beside, double x) throws Refused, IOException {
        LetterCodes.Code code = at.letters.codes(like).of(" ");
        return code == null ? null : at.overflow.letter(like, " ", code.bytes(), code.width(), x, beside.baseline(), beside.size() / like.glyph().size(),
                beside.rgb());
    }

    /** Writes all of them, once it is known how far down what they stand with goes. */
    void write() throws Refused, IOException {
        for (int i = 0; i < waiting.size();) {
            ShownGlyph with = waiting.get(i).with;
            List<Line> lines = new ArrayList<>();
            for (; i < waiting.size() && waiting.get(i).with == with; i++) lines.add(waiting.get(i).line.lower(at.changes.lowered(with)));
            at.written.write(at.read.page().index(), lines, with);
        }
    }
}
