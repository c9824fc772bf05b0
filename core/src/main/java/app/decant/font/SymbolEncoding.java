package app.decant.font;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.pdmodel.font.encoding.GlyphList;
import org.apache.pdfbox.pdmodel.font.encoding.ZapfDingbatsEncoding;

/**
 * The characters of pictorial fonts that number their signs themselves (in the private use area from U+F000), as Unicode characters that any
 * wide font can show.
 */
public final class SymbolEncoding {
    private static final int FIRST = 0xF020;
    private static final int LAST = 0xF0FF;
    private static final int PRIVATE = 0xE000;
    private static final int PRIVATE_END = 0xF8FF;
    private static final String BULLET = "\u2022";
    /** Names under which the symbol set that all readers of PDF have goes about. */
    private static final Set<String> SYMBOL = Set.of("Symbol", "SymbolMT", "Standard Symbols L", "Standard Symbols PS", "Symbol Std");
    private static final Set<String> DINGBATS = Set.of("ZapfDingbats", "Zapf Dingbats", "ITC Zapf Dingbats", "Dingbats", "D050000L");
    private static final Map<String, Map<Integer, String>> SIGNS = signs();

    private SymbolEncoding() { }

    private static Map<String, Map<Integer, String>> signs() {
        Map<String, Map<Integer, String>> signs = new HashMap<>();
        try (BufferedReader lines = new BufferedReader(new InputStreamReader(SymbolEncoding.class.getResourceAsStream("signs.txt"), StandardCharsets.UTF_8))) {
            for (String line = lines.readLine(); line != null; line = lines.readLine()) {
                if (line.startsWith("#")) continue;
                String[] parts = line.split("\t");
                int first = Integer.parseInt(parts[1], 16);
                int[] row = parts[2].codePoints().toArray();
                for (int i = 0; i < row.length; i++)
                    if (row[i] != '_') signs.computeIfAbsent(parts[0], family -> new HashMap<>()).put(first + i, Character.toString(row[i]));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return signs;
    }

    /** Whether the family numbers its signs itself. */
    public static boolean isPictorial(String family) {
        return family != null && (SYMBOL.contains(family) || DINGBATS.contains(family) || SIGNS.containsKey(family));
    }

    /** Whether there is a sign in the text that is numbered outside of what Unicode has agreed upon. */
    public static boolean hasSigns(String text) {
        for (int i = 0; i < text.length(); i++) if (text.charAt(i) >= PRIVATE && text.charAt(i) <= PRIVATE_END) return true;
        return false;
    }

    private static boolean isNumbered(int character) { return character >= FIRST && character <= LAST; }

    /** The text with every sign that is known here put as Unicode: those of pictorial families, and those that a list of glyph names keeps for itself. */
    public static String unicode(String family, String text) {
        if (!hasSigns(text)) return text;
        StringBuilder result = new StringBuilder();
        text.codePoints().forEach(c -> {
            String sign = !isNumbered(c) ? corporate(c) : isPictorial(family) ? sign(family, c & 0xFF) : null;
            result.append(sign == null ? Character.toString(c) : sign);
        });
        return result.toString();
    }

    /** The same for what stands before an item, where a bullet does for signs that are not known. */
    public static String label(String family, String text) {
        String shown = unicode(family, text);
        return isPictorial(family) && hasSigns(shown) ? shown.replaceAll("[\uF020-\uF0FF]", BULLET) : shown;
    }

    /** The sign of a character that the Adobe Glyph List (1.2, corporate use) names as one of the symbol set; null where it is none. */
    private static String corporate(int character) {
        if (character < PRIVATE || character > PRIVATE_END) return null;
        Integer code = org.apache.pdfbox.pdmodel.font.encoding.SymbolEncoding.INSTANCE.getNameToCodeMap()
                .get(GlyphList.getAdobeGlyphList().codePointToName(character));
        return code == null ? null : SIGNS.get("Symbol").get(code);
    }

    /** The sign of a number, by the names that the encodings give it (ISO 32000-1, D.5 and D.6) or by the list of this package; null where it has none. */
    private static String sign(String family, int code) {
        String known = SIGNS.getOrDefault(SYMBOL.contains(family) ? "Symbol" : family, Map.of()).get(code);
        if (known != null) return known;
        if (SYMBOL.contains(family))
            return GlyphList.getAdobeGlyphList().toUnicode(org.apache.pdfbox.pdmodel.font.encoding.SymbolEncoding.INSTANCE.getName(code));
        if (DINGBATS.contains(family)) return GlyphList.getZapfDingbats().toUnicode(ZapfDingbatsEncoding.INSTANCE.getName(code));
        return null;
    }
}
