package app.decant.desktop.table;

import com.ibm.icu.text.BreakIterator;
import java.util.Locale;

/** Where words begin and end (Unicode Standard Annex 29, by ICU). */
public final class WordBounds {
    private WordBounds() { }

    /** The start and end of the word around an offset. */
    static int[] at(String text, int offset) {
        if (text.isEmpty()) return new int[] {0, 0};
        BreakIterator words = BreakIterator.getWordInstance(Locale.ROOT);
        words.setText(text);
        int inside = Math.min(offset, text.length() - 1);
        int end = words.following(inside);
        return new int[] {words.previous(), end};
    }

    /** The start of the next word to the right, or the text's end. */
    static int next(String text, int offset) {
        int at = offset;
        while (at < text.length() && !Character.isWhitespace(text.charAt(at))) at++;
        while (at < text.length() && Character.isWhitespace(text.charAt(at))) at++;
        return at;
    }

    /** The start of the word to the left, or 0. */
    static int previous(String text, int offset) {
        int at = offset;
        while (at > 0 && Character.isWhitespace(text.charAt(at - 1))) at--;
        while (at > 0 && !Character.isWhitespace(text.charAt(at - 1))) at--;
        return at;
    }

    /** Whether a caret may stand there: not within what a person sees as one character. */
    static boolean isStop(String text, int offset) {
        BreakIterator characters = BreakIterator.getCharacterInstance(Locale.ROOT);
        characters.setText(text);
        return characters.isBoundary(offset);
    }

    /** The end of the character a person sees (Annex 29 grapheme) after or before an offset. */
    static int step(String text, int offset, boolean forward) {
        BreakIterator characters = BreakIterator.getCharacterInstance(Locale.ROOT);
        characters.setText(text);
        int found = forward ? characters.following(Math.min(offset, text.length())) : characters.preceding(Math.max(0, offset));
        return found == BreakIterator.DONE ? forward ? text.length() : 0 : found;
    }
}
