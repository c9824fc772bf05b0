package app.decant.format.binary;

import app.decant.format.binary.Modifiers.Modifier;
import java.nio.charset.Charset;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Makes letters of the numbers that a file of 1993 to 1995 has for them, each by the font that it is set in. */
final class OlderLetters {
    private static final int FONT = 93;
    private static final char UNKNOWN = '\uFFFD';
    private static final int PICTORIAL = 0xF000;

    private final OlderPieces pieces;
    private final OlderFonts fonts;
    private final OlderStyles styles;
    private final Map<Charset, char[]> tables = new HashMap<>();

    OlderLetters(OlderPieces pieces, OlderFonts fonts, OlderStyles styles) {
        this.pieces = pieces;
        this.fonts = fonts;
        this.styles = styles;
    }

    /** The whole text; places in it stay what they are in the file. */
    CharSequence text(List<Stretch> paragraphs, List<Stretch> runs) {
        char[] units = pieces.units();
        for (Stretch paragraph : paragraphs) {
            int usual = Math.max(0, styles.font(paragraph.style()));
            for (Stretch run : Stretch.between(runs, paragraph.from(), paragraph.to())) {
                Modifier own = OlderStyles.last(run.modifiers(), FONT);
                read(units, Math.max(run.from(), paragraph.from()), Math.min(run.to(), paragraph.to()), own == null ? usual : own.two());
            }
        }
        return new String(units);
    }

    private void read(char[] units, int from, int to, int font) {
        Charset letters = fonts.letters(font);
        char[] table = tables.computeIfAbsent(letters, OlderLetters::table);
        boolean paired = letters.newEncoder().maxBytesPerChar() > 1;
        for (int at = from; at < to; at++) {
            char unit = units[at];
            if (unit <= ' ') continue;
            if (unit > 0xFF) {
                Charset pairs = fonts.pairs(font);
                if (pairs != null) units[at] = new String(new byte[] {(byte) (unit >> 8), (byte) unit}, pairs).charAt(0);
            } else if (fonts.isPictorial(font)) units[at] = (char) (PICTORIAL + unit);
            else if (table[unit] == UNKNOWN && at + 1 < to && units[at + 1] > ' ') {
                // The first of two bytes that are one letter; the place of the second stays, empty.
                units[at] = new String(new byte[] {(byte) unit, (byte) units[at + 1]}, letters).charAt(0);
                units[++at] = 0;
            } else if (table[unit] != UNKNOWN) units[at] = table[unit];
        }
    }

    private static char[] table(Charset letters) {
        char[] table = new char[256];
        for (int i = 0; i < table.length; i++) table[i] = new String(new byte[] {(byte) i}, letters).charAt(0);
        return table;
    }
}
