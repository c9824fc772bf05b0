package app.decant.pdf.keep;

import app.decant.pdf.read.ShownGlyph;
import app.decant.pdf.keep.WordMarkings.Marking;
import java.util.ArrayList;
import java.util.List;

/**
 * A word of a passage that is set anew; one without letters is a paragraph that has none.
 *
 * @param begins the line that it begins as the page is, counted from the first that is set anew, or -1
 * @param opens  where in the new text the end of the paragraph before it is told, {@link #STANDS} where it begins one that is there; else -1
 */
record SetWord(List<Letter> letters, int begins, int opens) {
    /** A paragraph that begins where one began. */
    static final int STANDS = -2;
    /** Where letters of labels are in the new text: nowhere. */
    static final int LABEL = -1;

    /**
     * A letter to be set.
     *
     * @param shown  the mark that shows it now; null for a new one
     * @param at     where in the new text it is; -1 for one that was there
     * @param em     its advance without spacing, in ems of the passage's letters
     * @param before what is kept free before it within its word, in points
     * @param share  its size beside that of the passage's letters: less for the number of a note
     * @param raised how far it stands above the line, in points
     * @param colour the operators that set what it is painted in, where that is not as the passage's first letter; else null
     * @param rgb    that colour
     * @param marked what is drawn with it
     */
    record Letter(ShownGlyph shown, int at, String text, byte[] bytes, double em, ShownGlyph like, String otherFont, double before, double share,
            double raised, String colour, int rgb, List<Marking> marked) { }

    boolean isOpening() { return opens != -1; }

    /** How wide it is where the spacing of a mark holds, in points. */
    double width(ShownGlyph like) {
        if (letters.isEmpty()) return 0;
        double sum = letters.stream().mapToDouble(letter -> letter.before() + PenPath.width(letter, like)).sum();
        return sum - like.spacing() / like.size() * like.across();
    }

    /** The size of the largest letters among words; those of notes are not asked. */
    static double share(List<SetWord> words) {
        return words.stream().flatMap(word -> word.letters.stream()).filter(letter -> letter.raised == 0).mapToDouble(Letter::share).max().orElse(1);
    }

    /** Gathers words: letters until a space, spaces until a letter, ends of paragraphs between. */
    static final class Gathering {
        private final List<SetWord> words = new ArrayList<>();
        private final List<Letter> word = new ArrayList<>();
        private int begins;
        private int opens = -1;

        void take(Letter letter) { word.add(letter); }

        /** Begins with words that come from elsewhere; the last of them may go on. */
        void take(GoingOn.Coming coming) {
            for (SetWord one : coming.words()) {
                end(-1);
                begins = -1;
                word.addAll(one.letters);
            }
        }

        /** Whether no word has begun. */
        boolean isBetween() { return word.isEmpty(); }

        /** Ends a word; what comes next begins a line of the page, or -1. */
        void end(int next) {
            if (!word.isEmpty()) {
                words.add(new SetWord(List.copyOf(word), begins, opens));
                opens = -1;
            }
            word.clear();
            begins = next;
        }

        /** Ends a paragraph. */
        void endParagraph(int at) {
            end(-1);
            if (opens != -1 || words.isEmpty()) words.add(new SetWord(List.of(), -1, opens));
            opens = at;
        }

        List<SetWord> all() {
            end(-1);
            if (opens != -1) words.add(new SetWord(List.of(), -1, opens));
            return words;
        }
    }
}
