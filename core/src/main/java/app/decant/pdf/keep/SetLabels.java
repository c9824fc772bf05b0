package app.decant.pdf.keep;

import app.decant.pdf.keep.PageRewriting.NoRoom;
import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.pdf.read.ShownGlyph;
import app.decant.words.Message;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Map;

/** The labels of list items that come, or whose items are set anew: as those that are there look, and as far before their items. */
final class SetLabels {
    /** A label stays so far away from its item, in ems: what parts words. */
    private static final double LEAST = 0.12;

    private final ChangedStream stream;
    private final NewLetters letters;
    private final Map<Integer, ShownGlyph> byOrder;

    /**
     * A label as it is to be.
     *
     * @param left where it begins, in points from the page's left edge
     */
    record SetLabel(SetWord word, double left) { }

    SetLabels(ChangedStream stream, NewLetters letters, Map<Integer, ShownGlyph> byOrder) {
        this.stream = stream;
        this.letters = letters;
        this.byOrder = byOrder;
    }

    /**
     * Sets a label.
     *
     * @param like  the first letter of the passage
     * @param opens where the first lines of items begin
     * @param texts the first letters of the lines of the passage, among them the one that stands beside the label's example
     */
    SetLabel of(Correction.Label label, ShownGlyph like, double opens, Collection<ShownGlyph> texts) throws Refused, IOException {
        List<ShownGlyph> marks = PageRewriting.movable(label.like(), byOrder);
        ShownGlyph first = marks.get(0);
        if (!first.path().equals(like.path()) || first.mode() != like.mode()) throw new Refused(Message.of("keep.its-lines-are-not-set-in-one"));
        ShownGlyph beside = texts.stream().filter(text -> Math.abs(text.glyph().baseline() - first.glyph().baseline()) < 0.5 * like.glyph().size()).findFirst()
                .orElseThrow(() -> new Refused(Message.of("keep.its-text-is-not-where-it-seems")));
        double raised = beside.glyph().baseline() - first.glyph().baseline();
        List<SetWord.Letter> word = label.text() == null ? same(marks, like, raised) : anew(label.text(), marks, like, raised);
        double width = word.stream().mapToDouble(letter -> letter.before() + PenPath.width(letter, like)).sum();
        double right = marks.get(marks.size() - 1).glyph().right();
        double from = (label.atRight() ? right - width : first.glyph().x()) - beside.glyph().x();
        if (from + width > -LEAST * like.glyph().size()) throw new NoRoom(Message.of("keep.the-line-has-no-room"));
        return new SetLabel(new SetWord(word, -1, -1), opens + from);
    }

    private List<SetWord.Letter> same(List<ShownGlyph> marks, ShownGlyph like, double raised) throws Refused, IOException {
        List<SetWord.Letter> word = new ArrayList<>();
        double pen = marks.get(0).glyph().x();
        for (ShownGlyph mark : marks) {
            SetWord.Letter letter = letter(mark, mark.glyph().text(), letters.bytes(mark), mark.width() * mark.across(), null, like, raised,
                    mark.glyph().x() - pen);
            word.add(letter);
            pen = mark.glyph().x() + PenPath.width(letter, like);
        }
        return word;
    }

    private List<SetWord.Letter> anew(String text, List<ShownGlyph> marks, ShownGlyph like, double raised) throws Refused, IOException {
        ShownGlyph first = marks.get(0);
        List<SetWord.Letter> word = new ArrayList<>();
        int at = 0;
        for (TextRewriting.Insert one : letters.inserts(Correction.Run.plain(text), first, marks)) {
            double width = (one.advance() / 1000 - first.spacing() / first.size()) * first.across();
            word.add(letter(first, text.substring(at, at + one.letters()), one.bytes(), width, one.font(), like, raised, 0));
            at += one.letters();
        }
        return word;
    }

    /** A letter as one mark looks, told in ems of the passage's. */
    private SetWord.Letter letter(ShownGlyph mark, String text, byte[] bytes, double width, String font, ShownGlyph like, double raised, double before)
            throws Refused, IOException {
        boolean painted = mark.glyph().rgb() != like.glyph().rgb();
        String colour = painted ? stream.of(mark).colour(mark) : null;
        if (painted && (mark.mode() != 0 || colour == null || stream.of(like).colour(like) == null))
            throw new Refused(Message.of("keep.its-colour-is-set-elsewhere"));
        double share = mark.glyph().size() / like.glyph().size();
        return new SetWord.Letter(null, SetWord.LABEL, text, bytes, width / like.across(), mark, font, before, Math.abs(share - 1) < 0.01 ? 1 : share, raised,
                colour, mark.glyph().rgb(), List.of());
    }
}
