package app.decant.format.html;

import app.decant.document.NumberFormat;
import app.decant.document.Numbering;
import java.util.Set;

/**
 * The label of a list item as a page can show it.
 *
 * @param count what it counts, where browsers count for themselves; else 1
 * @param words what it says
 * @param usual whether browsers show it by themselves
 */
record ItemLabel(Kind kind, int count, String words, boolean usual) {
    private static final Set<NumberFormat> COUNTED = Set.of(NumberFormat.DECIMAL, NumberFormat.LOWER_LETTER, NumberFormat.UPPER_LETTER,
            NumberFormat.LOWER_ROMAN,
            NumberFormat.UPPER_ROMAN);
    private static final int MOST = 5000;

    /** A sign before each item, a count of its own, or words that only this item has. */
    enum Kind { SIGN, COUNTED, WORDS }

    /** @param depth of the level, from 0 */
    static ItemLabel of(Numbering.Level level, int depth, String words) {
        if (level.format() == NumberFormat.BULLET) return new ItemLabel(Kind.SIGN, 1, words, true);
        String own = "%" + (depth + 1);
        boolean alone = level.label().contains(own) && !level.label().replace(own, "").matches(".*%[1-9].*") && COUNTED.contains(level.format());
        int count = alone ? counted(level, own, words) : -1;
        if (count < 0) return new ItemLabel(Kind.WORDS, 1, words, false);
        return new ItemLabel(Kind.COUNTED, count, words, level.label().equals(own + "."));
    }

    /** What a label counts; -1 where it is no count of its level. */
    private static int counted(Numbering.Level level, String own, String words) {
        if (level.format() == NumberFormat.DECIMAL) {
            String[] around = level.label().split(own, -1);
            boolean fits = around.length == 2 && words.length() > around[0].length() + around[1].length() && words.startsWith(around[0])
                    && words.endsWith(around[1]);
            String digits = fits ? words.substring(around[0].length(), words.length() - around[1].length()) : "";
            return digits.matches("\\d{1,9}") ? Integer.parseInt(digits) : -1;
        }
        for (int count = 1; count < MOST; count++) if (level.label().replace(own, level.format().write(count)).equals(words)) return count;
        return -1;
    }

    /** Whether it stands in the item's text, since no browser would show it. */
    boolean isShown() { return kind == Kind.WORDS && !words.isBlank() || kind == Kind.COUNTED && !usual; }
}
