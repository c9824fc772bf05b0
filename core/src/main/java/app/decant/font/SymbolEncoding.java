package app.decant.font;

import java.util.Map;
import org.apache.pdfbox.pdmodel.font.encoding.GlyphList;

/**
 * The characters of pictorial fonts that number their signs themselves (in the private use area from U+F000), as Unicode characters that any
 * wide font can show. Common practice; covers the signs used as list bullets.
 */
public final class SymbolEncoding {
    private static final Map<Integer, String> SYMBOL = Map.ofEntries(Map.entry(0xB7, "\u2022"), Map.entry(0xA7, "\u2663"), Map.entry(0xA8, "\u2666"),
            Map.entry(0x2D, "\u2212"), Map.entry(0xB0, "\u00B0"), Map.entry(0xB1, "\u00B1"), Map.entry(0xB4, "\u00D7"), Map.entry(0xAE, "\u2192"),
            Map.entry(0xAC, "\u2190"), Map.entry(0xDE, "\u21D2"), Map.entry(0x6D, "\u03BC"), Map.entry(0x61, "\u03B1"), Map.entry(0x62, "\u03B2"),
            Map.entry(0x70, "\u03C0"), Map.entry(0xA3, "\u2264"), Map.entry(0xB3, "\u2265"), Map.entry(0xB9, "\u2260"), Map.entry(0x6F, "\u03BF"));
    private static final Map<Integer, String> DINGBATS = Map.ofEntries(Map.entry(0xA7, "\u25AA"), Map.entry(0xD8, "\u27A2"), Map.entry(0xFC, "\u2713"),
            Map.entry(0xFB, "\u2717"), Map.entry(0x76, "\u2756"), Map.entry(0x71, "\u2751"), Map.entry(0xA8, "\u25FB"), Map.entry(0x6C, "\u25CF"),
            Map.entry(0x6E, "\u25A0"), Map.entry(0x6F, "\u25A1"), Map.entry(0x75, "\u25C6"), Map.entry(0x77, "\u25C6"), Map.entry(0x9F, "\u2022"),
            Map.entry(0xE0, "\u2192"), Map.entry(0xDF, "\u2190"), Map.entry(0xE8, "\u2794"), Map.entry(0xF0, "\u21E8"), Map.entry(0xFE, "\u2611"),
            Map.entry(0x4A, "\u263A"), Map.entry(0x4C, "\u2639"));

    private SymbolEncoding() { }

    /** The symbol set that all readers of PDF have (ISO 32000-1, D.6), by the names of its signs; null where it has none of the number. */
    private static String standard(int code) {
        return GlyphList.getAdobeGlyphList().toUnicode(org.apache.pdfbox.pdmodel.font.encoding.SymbolEncoding.INSTANCE.getName(code));
    }

    /** Whether the family numbers its signs itself. */
    public static boolean isPictorial(String family) { return family != null && (family.equals("Symbol") || family.startsWith("Wingdings")); }

    /** The text with every sign of the family that is known here put as Unicode; others become a bullet. */
    public static String unicode(String family, String text) {
        if (!isPictorial(family)) return text;
        Map<Integer, String> signs = family.equals("Symbol") ? SYMBOL : DINGBATS;
        StringBuilder result = new StringBuilder();
        text.codePoints().forEach(c -> {
            String sign = c < 0xF000 || c > 0xF0FF ? null : signs.get(c & 0xFF);
            if (sign == null && c >= 0xF020 && c <= 0xF0FF && family.equals("Symbol")) sign = standard(c & 0xFF);
            if (c >= 0xF000 && c <= 0xF0FF) result.append(sign == null ? "\u2022" : sign);
            else result.appendCodePoint(c);
        });
        return result.toString();
    }
}
