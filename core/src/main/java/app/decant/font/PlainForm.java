package app.decant.font;

import java.text.Normalizer;

/**
 * The letter that a character is a form of, for faces that have the letter and not the form: the alphabets that formulas are written with are the plain
 * ones in bold and italic (Unicode, Mathematical Alphanumeric Symbols), angle brackets have been given a second number.
 */
public final class PlainForm {
    private static final int FIRST = 0x1D400;
    private static final int LAST = 0x1D7FF;

    private PlainForm() { }

    /** The plain letter, always one char; -1 where it would say something else, as for letters with double strokes, or where there is none. */
    static int of(int codePoint) {
        if (codePoint == 0x2329 || codePoint == 0x232A) return codePoint - 0x2329 + 0x27E8;
        if (!isOfAlphabet(codePoint)) return -1;
        String name = Character.getName(codePoint);
        if (name == null || name.contains("DOUBLE-STRUCK") || name.contains("FRAKTUR") || name.contains("SCRIPT")) return -1;
        String plain = Normalizer.normalize(Character.toString(codePoint), Normalizer.Form.NFKC);
        return plain.length() == 1 ? plain.charAt(0) : -1;
    }

    static boolean isBold(int codePoint) { return isOfAlphabet(codePoint) && Character.getName(codePoint).contains("BOLD"); }

    static boolean isItalic(int codePoint) { return isOfAlphabet(codePoint) && Character.getName(codePoint).contains("ITALIC"); }

    private static boolean isOfAlphabet(int codePoint) { return codePoint >= FIRST && codePoint <= LAST && Character.isDefined(codePoint); }
}
