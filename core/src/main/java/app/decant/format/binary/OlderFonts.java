package app.decant.format.binary;

import java.nio.charset.Charset;
import java.util.ArrayList;
import java.util.List;
import org.apache.poi.common.usermodel.fonts.FontCharset;

/**
 * The fonts of a file of 1993 to 1995: each tells its family and of which code page its letters are, so a text of eight bits is read by its fonts. Entries
 * tell their length first, the code page at 4 and the name from 6.
 */
final class OlderFonts {
    private static final Charset WESTERN = Charset.forName("windows-1252");
    private static final int ANSI = 0;
    private static final int USUAL = 1;
    private static final int SYMBOL = 2;
    private static final int MACINTOSH = 77;
    private static final List<Integer> PAIRED = List.of(128, 129, 134, 136);

    /** A font. @param set the number of its code page ([MS-WMF], 2.1.1.5) */
    private record Font(String family, int set) { }

    private final List<Font> fonts = new ArrayList<>();
    private final boolean macintosh;

    OlderFonts(byte[] told, boolean macintosh) {
        this.macintosh = macintosh;
        for (int at = 2; at + 6 < told.length; at += 1 + (told[at] & 0xFF)) {
            int set = told[at + 4] & 0xFF;
            int end = at + 6;
            while (end < told.length && end <= at + (told[at] & 0xFF) && told[end] != 0) end++;
            fonts.add(new Font(new String(told, at + 6, end - at - 6, letters(set, western())), set));
        }
    }

    /** The family of a font's number, or null. */
    String family(int number) { return number < 0 || number >= fonts.size() || fonts.get(number).family.isBlank() ? null : fonts.get(number).family; }

    boolean isPictorial(int number) { return number >= 0 && number < fonts.size() && fonts.get(number).set == SYMBOL; }

    /** How the letters of a font are to be read. */
    Charset letters(int number) { return number < 0 || number >= fonts.size() ? usual() : letters(fonts.get(number).set, western()); }

    private Charset letters(int set, Charset otherwise) {
        if (set == ANSI || set == USUAL || set == SYMBOL) return otherwise;
        FontCharset told = FontCharset.valueOf(set);
        return set == MACINTOSH ? Charset.forName("x-MacRoman") : told == null || told.getCharset() == null ? otherwise : told.getCharset();
    }

    /** Names of styles, bookmarks and people are in letters of the first font. */
    Charset usual() { return fonts.isEmpty() ? western() : letters(fonts.get(0).set, western()); }

    private Charset western() { return macintosh ? Charset.forName("x-MacRoman") : WESTERN; }

    /** How two bytes are read that are one letter: as the font says, or the first that says so; null where none does. */
    Charset pairs(int number) {
        if (number >= 0 && number < fonts.size() && PAIRED.contains(fonts.get(number).set)) return letters(number);
        for (Font font : fonts) if (PAIRED.contains(font.set)) return letters(font.set, WESTERN);
        return null;
    }
}
