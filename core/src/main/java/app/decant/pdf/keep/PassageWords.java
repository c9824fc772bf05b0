package app.decant.pdf.keep;

import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.pdf.keep.WordMarkings.Marking;
import app.decant.pdf.read.ShownGlyph;
import app.decant.words.Message;
import java.io.IOException;
import java.util.List;

/** The words of a passage as they are to be set: those that stay, letter by letter as the page has them, and those that are put in. */
final class PassageWords {
    /** A gap this wide, in ems, parts words. */
    private static final double SPACE = 0.12;

    private final ChangedPage at;
    private final ChangedStream stream;
    private final NewLetters letters;
    private final WordMarkings markings;

    PassageWords(ChangedPage at) {
        this.at = at;
        stream = at.stream;
        letters = at.letters;
        markings = at.markings;
    }

    /**
     * The words of lines, with what is put in.
     *
     * @param like the letter of them in whose ems all are told
     */
    List<SetWord> of(Correction correction, List<StandingLine> lines, GoingOn.Coming coming, ShownGlyph like) throws Refused, IOException {
        SetWord.Gathering words = new SetWord.Gathering();
        if (coming != null) words.take(coming);
        List<Integer> firstLine = correction.passage().lines().get(correction.first());
        int begin = firstLine.indexOf(lines.get(0).first().glyph().order());
        int last = correction.last() - correction.first();
        Correction.Parting parting = correction.passage().parting();
        for (int i = 0; i < lines.size(); i++) {
            List<ShownGlyph> marks = lines.get(i).marks().stream().filter(mark -> !mark.glyph().isSpace()).toList();
            List<Integer> all = correction.passage().lines().get(correction.first() + i);
            // An end of a paragraph within what goes has gone with it.
            if (parting != null && i > last && parting.starts().contains(correction.first() + i)) words.endParagraph(SetWord.STANDS);
            ShownGlyph before = null;
            for (ShownGlyph mark : marks) {
                int index = all.indexOf(mark.glyph().order());
                boolean after = i > 0 || index >= correction.from();
                boolean goes = after && (i < last || i == last && index < correction.to());
                boolean gap = before == null || mark.glyph().x() - before.glyph().right() > SPACE * mark.glyph().size();
                if (coming == null && i == 0 && index == Math.max(begin, correction.from())) {
                    if (gap) words.end(-1);
                    add(words, correction, mark, lines.get(i).marks(), like);
                }
                if (!goes && !correction.passage().hyphens().contains(mark.glyph().order())) {
                    boolean joins = before == null && i == 0 && coming != null && coming.joins();
                    if (gap && !joins && !(before == null && i > 0 && endsParted(lines.get(i - 1), correction))) words.end(before == null ? i : -1);
                    double kerned = words.isBetween() || before == null || gap ? 0 : mark.glyph().x() - before.glyph().x() - natural(before, before);
                    words.take(standing(mark, lines.get(i), kerned, like));
                }
                before = mark;
            }
        }
        return words.all();
    }

    /** Words that are put in where none stand. */
    List<SetWord> fresh(Correction correction, ShownGlyph like) throws Refused, IOException {
        SetWord.Gathering words = new SetWord.Gathering();
        add(words, correction, like, List.of(like), like);
        return words.all();
    }

    /** A mark of a line as a letter to be set. */
    private SetWord.Letter standing(ShownGlyph mark, StandingLine line, double kerned, ShownGlyph like) throws Refused, IOException {
        boolean raised = StandingLine.isRaised(mark, like, line.baseline());
        double share = StandingLine.isAsLarge(mark, like) ? 1 : mark.glyph().size() / like.glyph().size();
        return new SetWord.Letter(mark, -1, mark.glyph().text(), letters.bytes(mark), mark.width() * share, mark, null, kerned, share,
                raised ? line.baseline() - mark.glyph().baseline() : 0, painted(mark, like), mark.glyph().rgb(), markings.of(mark));
    }

    /** The operators that set the colour of a mark, where it is another than that of the passage's first. */
    private String painted(ShownGlyph mark, ShownGlyph like) throws Refused, IOException {
        if (mark.glyph().rgb() == like.glyph().rgb()) return null;
        String colour = stream.of(mark).colour(mark);
        if (mark.mode() != 0 || colour == null || stream.of(like).colour(like) == null) throw new Refused(Message.of("keep.its-colour-is-set-elsewhere"));
        return colour;
    }

    private static boolean endsParted(StandingLine line, Correction correction) {
        List<ShownGlyph> marks = line.marks().stream().filter(mark -> !mark.glyph().isSpace()).toList();
        return correction.passage().hyphens().contains(marks.get(marks.size() - 1).glyph().order());
    }

    /** The words that are put in. */
    private void add(SetWord.Gathering words, Correction correction, ShownGlyph first, List<ShownGlyph> line, ShownGlyph like) throws Refused, IOException {
        int next = 0;
        List<Integer> rgb = correction.rgb(first.glyph().rgb());
        double larger = StandingLine.isAsLarge(first, like) ? 1 : first.glyph().size() / like.glyph().size();
        for (Correction.Run run : correction.runs()) {
            List<Marking> marked = markings.of(first).stream().filter(one -> !run.undrawn().contains(one.place())).toList();
            for (String part : run.text().split("(?<=\\s|\u2029)|(?=\\s|\u2029)")) {
                if (part.indexOf(Correction.PARAGRAPH) >= 0) {
                    words.endParagraph(next);
                } else if (part.isBlank()) {
                    words.end(-1);
                } else if (run.like() >= 0) {
                    addLike(words, run.part(part), next, like);
                } else {
                    int in = 0;
                    for (TextRewriting.Insert one : letters.inserts(run.part(part), first, line)) {
                        double em = (one.advance() / 1000 - first.spacing() / first.size()) * run.share() * larger;
                        String letter = part.substring(in, in + one.letters());
                        words.take(new SetWord.Letter(null, next + in, letter, one.bytes(), em, first, one.font(), 0, run.share() * larger, 0,
                                one.colour() == null ? painted(first, like) : one.colour(), rgb.get(next), marked));
                        in += one.letters();
                    }
                }
                next += part.length();
            }
        }
    }

    /** Words in the letters of a mark of the page, told in ems of the passage's. */
    private void addLike(SetWord.Gathering words, Correction.Run run, int from, ShownGlyph like) throws Refused, IOException {
        ShownGlyph model = at.byOrder.get(run.like());
        if (model == null) throw new Refused(Message.of("keep.its-text-is-not-where-it-seems"));
        boolean same = model.path().equals(like.path()) && model.mode() == like.mode()
                && Math.abs(model.glyph().size() / model.across() - like.glyph().size() / like.across()) < 0.01;
        if (!same) throw new Refused(Message.of("keep.its-lines-are-not-set-in-one"));
        String colour = model.glyph().rgb() == like.glyph().rgb() ? null : stream.of(model).colour(model);
        boolean painted = model.glyph().rgb() != like.glyph().rgb();
        if (painted && (colour == null || model.mode() != 0 || stream.of(like).colour(like) == null))
            throw new Refused(Message.of("keep.its-colour-is-set-elsewhere"));
        double share = run.share() * model.glyph().size() / like.glyph().size();
        if (Math.abs(share - 1) < 0.002) share = 1;
        boolean scaled = Math.abs(model.glyph().size() / model.size() - like.glyph().size() / like.size()) > 1e-6;
        int in = 0;
        for (TextRewriting.Insert one : letters.inserts(Correction.Run.as(-1, run.text(), run.share(), List.of()), model, List.of(model))) {
            if (scaled && one.font() != null) throw new Refused(Message.of("keep.its-lines-are-not-set-in-one"));
            double width = (one.advance() / 1000 - model.spacing() / model.size()) * model.across() * run.share();
            String letter = run.text().substring(in, in + one.letters());
            words.take(new SetWord.Letter(null, from + in, letter, one.bytes(), width / like.across(), model, one.font(), 0, share, 0, colour,
                    model.glyph().rgb(), List.of()));
            in += one.letters();
        }
    }

    /** How far the pen goes on for a glyph where the spacing of another holds, in points. */
    private static double natural(ShownGlyph glyph, ShownGlyph like) { return (glyph.width() + like.spacing() / like.size()) * glyph.across(); }
}
