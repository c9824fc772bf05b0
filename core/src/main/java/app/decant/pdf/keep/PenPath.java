package app.decant.pdf.keep;

import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.pdf.read.ShownGlyph;
import app.decant.words.Message;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;

/** What is put in before a mark that goes: letters wherever each stands, and how the pen is led from one to the next. */
final class PenPath {
    /** A gap smaller than this, in points, is none. */
    private static final double NOTHING = 5e-4;

    private final ShownGlyph target;
    private final ShownGlyph like;
    private final ChangedStream stream;
    private final PageChanges changes;
    private final LetterCodes.Code blank;
    private final double blankWidth;
    private final List<TextRewriting.Insert> inserts = new ArrayList<>();
    private double pen;
    private double baseline;
    /** The font that is in force, where it is not the target's own. */
    private String by;

    /**
     * Begins a path.
     *
     * @param like the first letter of the passage, whose colour is that of letters that tell none
     * @param from where the pen is, in points from the page's left edge
     */
    PenPath(ShownGlyph target, ShownGlyph like, double from, ChangedStream stream, NewLetters letters, PageChanges changes) throws Refused, IOException {
        this.target = target;
        this.like = like;
        this.stream = stream;
        this.changes = changes;
        pen = from;
        blank = letters.codes(target).of(" ");
        blankWidth = blank == null ? 0 : (blank.width() + letters.spaceSpacing(target) / target.size()) * target.across();
    }

    List<TextRewriting.Insert> inserts() { return inserts; }

    /** What follows stands on a line. */
    void begin(double line) {
        baseline = line;
        by = null;
    }

    private double rise() { return -(baseline - target.glyph().baseline()) * target.size() / target.glyph().size(); }

    /** How far the pen goes on for a letter where the spacing of a mark holds, in points. */
    static double width(SetWord.Letter letter, ShownGlyph like) { return (letter.em() + like.spacing() / like.size()) * like.across(); }

    /** Puts a letter in; gives the colour it is told to have, null for that in force. */
    String put(SetWord.Letter letter, double x) throws Refused, IOException {
        if (Math.abs(x - pen) > NOTHING) inserts.add(new TextRewriting.Insert(new byte[0], (x - pen) * 1000 / target.across(), by, 0, rise(), null));
        String font = font(letter);
        double width = width(letter, target);
        double raised = rise() + letter.raised() * target.size() / target.glyph().size();
        // Each line is put in where it began, in the colour that was in force there.
        String colour = letter.rgb() == target.glyph().rgb() ? null : letter.colour() != null ? letter.colour() : stream.of(like).colour(like);
        inserts.add(new TextRewriting.Insert(letter.bytes(), width * 1000 / target.across(), font, letter.text().length(), raised, colour));
        // Gaps are told in ems of the font that is in force (9.4.3): by one as large as the passage's.
        by = letter.share() == 1 ? font : null;
        changes.puts(letter.text(), x, width, baseline - letter.raised(), target, letter.rgb());
        pen = x + width;
        return colour;
    }

    /** A space, which nobody sees, so that words are told apart by those who read the page; not in fonts that have none. */
    void space() {
        if (blank == null) return;
        inserts.add(new TextRewriting.Insert(blank.bytes(), blankWidth * 1000 / target.across(), null, 1, rise(), null));
        by = null;
        pen += blankWidth;
    }

    /** The operands by which a letter's font is chosen, where it is not that of the target. */
    private String font(SetWord.Letter letter) throws Refused, IOException {
        if (letter.otherFont() != null) return letter.otherFont();
        if (letter.share() == 1 && letter.like().font().getCOSObject() == target.font().getCOSObject()) return null;
        ShownGlyph own = letter.like();
        boolean scaled = Math.abs(own.glyph().size() / own.size() - target.glyph().size() / target.size()) > 1e-6;
        String named = stream.of(own).named(own, letter.share() == 1 && !scaled ? own.size() : target.size() * letter.share());
        if (named == null) throw new Refused(Message.of("keep.its-font-has-no-name"));
        return named;
    }
}
