package app.decant.pdf.keep;

import app.decant.document.Colour;
import app.decant.pdf.keep.PageRewriting.NoRoom;
import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.pdf.read.ShownGlyph;
import app.decant.words.Message;
import java.io.IOException;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;

/**
 * Words of a passage that goes on elsewhere: where its lines take no more of them, they are set before those with which it goes on, in another column or at
 * the head of the next page.
 */
final class GoingOn {
    /** A line that is as full as this stays the last of its column: justified it is spread, else nobody sees it. */
    private static final double FULL = 0.85;
    private static final double RAGGED = 0.7;

    private final ChangedPage at;

    /**
     * Words that come.
     *
     * @param joins whether the last of them goes on in the first that is there
     * @param width of the column that they come from, in points
     */
    record Coming(List<SetWord> words, boolean joins, double width) {
        Coming { words = List.copyOf(words); }
    }

    GoingOn(ChangedPage at) { this.at = at; }

    /**
     * How many of the lines of a passage that goes on elsewhere stay where they are: as many as there were, and none that is not full.
     *
     * @param were how many lines there were
     */
    static int stays(List<ComposedLine> composed, int were, double right, Correction.Setting set, ShownGlyph like) {
        if (composed.size() > were) return were;
        ComposedLine last = composed.get(composed.size() - 1);
        double least = set == Correction.Setting.JUSTIFIED ? FULL : RAGGED;
        boolean full = last.natural(like) >= least * (right - last.left());
        return full || composed.size() == 1 ? composed.size() : composed.size() - 1;
    }

    /**
     * Sends words to the lines with which their passage goes on.
     *
     * @param lines   those that do not stay
     * @param standing the lines of the passage as they are
     */
    void send(Correction correction, List<ComposedLine> lines, List<StandingLine> standing, double width, PlacedAnew placed) throws Refused, IOException {
        ShownGlyph like = StandingLine.like(standing);
        List<ShownGlyph> last = standing.get(standing.size() - 1).marks().stream().filter(mark -> !mark.glyph().isSpace()).toList();
        boolean parted = correction.passage().hyphens().contains(last.get(last.size() - 1).glyph().order());
        if (lines.isEmpty()) {
            if (parted) throw new NoRoom(Message.of("keep.its-passage-goes-on-elsewhere"));
            return;
        }
        List<SetWord> words = lines.stream().flatMap(line -> line.words().stream()).toList();
        Correction.Rest rest = correction.passage().rest();
        if (rest.page() == at.read.page().index()) here(correction, new Coming(words, parted, width), like, placed);
        else at.overflow.give(new GivenWords(at.read.page().index(), rest.passage(), correction.set(), width, like.glyph().size(), parted,
                given(words, correction)), placed);
    }

    /** In another column of the page. */
    private void here(Correction correction, Coming coming, ShownGlyph like, PlacedAnew placed) throws Refused, IOException {
        Correction.Passage rest = correction.passage().rest().passage();
        ShownGlyph there = new StandingLine(PageRewriting.movable(rest.lines().get(0), at.byOrder), List.of()).first();
        boolean same = Math.abs(there.glyph().size() - like.glyph().size()) < 0.02 && Math.abs(there.across() - like.across()) < 0.02
                && there.glyph().rgb() == like.glyph().rgb() && there.path().equals(like.path());
        if (!same) throw new Refused(Message.of("keep.its-lines-are-not-set-in-one"));
        new PassageSetting(at, placed).set(PageRewriting.inColumn(Correction.before(rest, correction.runs(), correction.set()), at), coming);
    }

    private List<List<GivenWords.Letter>> given(List<SetWord> words, Correction correction) throws Refused, IOException {
        List<List<GivenWords.Letter>> given = new ArrayList<>();
        for (SetWord word : words) {
            List<GivenWords.Letter> letters = new ArrayList<>();
            for (SetWord.Letter letter : word.letters()) {
                ShownGlyph mark = letter.like();
                boolean plain = letter.otherFont() == null && letter.marked().isEmpty() && mark.mode() == 0 && mark.glyph().link() == null
                        && (letter.at() < 0 || letter.text().isEmpty() || correction.drawn(letter.at()).isEmpty());
                GivenLines.FontAddress font = plain ? at.stream.of(mark).address(mark) : null;
                if (font == null) throw new NoRoom(Message.of("keep.its-last-lines-cannot-go-over"));
                String code = HexFormat.of().withUpperCase().formatHex(letter.bytes());
                letters.add(new GivenWords.Letter(letter.text(), code, font, letter.em(), letter.before(), letter.share(),
                        letter.raised(), letter.rgb(), letter.shown() == null ? -1 : letter.shown().glyph().order(), letter.at()));
            }
            given.add(letters);
        }
        return given;
    }

    /** Words that came from the page before, in fonts that are lent from there. */
    Coming coming(GivenWords given) throws Refused, IOException {
        ShownGlyph there = new StandingLine(PageRewriting.movable(given.to().lines().get(0), at.byOrder), List.of()).first();
        if (Math.abs(there.glyph().size() - given.size()) > 0.02 || there.mode() != 0 || there.glyph().link() != null)
            throw new NoRoom(Message.of("keep.its-lines-are-not-set-in-one"));
        ChangedStream own = at.stream.of(there);
        List<SetWord> words = new ArrayList<>();
        int count = 0;
        for (List<GivenWords.Letter> word : given.words()) {
            List<SetWord.Letter> letters = new ArrayList<>();
            for (GivenWords.Letter letter : word) {
                byte[] bytes = HexFormat.of().parseHex(letter.code());
                String font = own.lent(letter.font()) + " " + TextRewriting.number(there.size() * letter.share());
                String colour = letter.rgb() == there.glyph().rgb() ? null : NewLetters.colour(new Colour(letter.rgb()));
                letters.add(new SetWord.Letter(null, count, letter.text(), bytes, letter.em(), there, font, letter.before(), letter.share(), letter.raised(),
                        colour, letter.rgb(), List.of()));
                count += letter.text().length();
            }
            words.add(new SetWord(letters, -1, -1));
        }
        return new Coming(words, given.joins(), given.width());
    }
}
