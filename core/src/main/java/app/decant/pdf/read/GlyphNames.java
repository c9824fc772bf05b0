package app.decant.pdf.read;

import java.nio.charset.Charset;
import java.util.Map;
import org.apache.pdfbox.pdmodel.font.PDSimpleFont;
import org.apache.pdfbox.pdmodel.font.encoding.DictionaryEncoding;
import org.apache.pdfbox.pdmodel.font.encoding.GlyphList;

/**
 * What glyphs are called where no map tells their characters: names in parts (Adobe Glyph List Specification, 2), names of mathematical fonts, and names that
 * are nothing but the number of the code.
 */
final class GlyphNames {
    private static final Charset WESTERN = Charset.forName("windows-1252");
    /** Signs of growing size in the extension fonts of TeX; common practice, no source. */
    private static final Map<String, String> SIGNS = Map.ofEntries(Map.entry("integral", "\u222B"), Map.entry("contintegral", "\u222E"),
            Map.entry("summation", "\u2211"), Map.entry("product", "\u220F"), Map.entry("coproduct", "\u2210"), Map.entry("union", "\u22C3"),
            Map.entry("intersection", "\u22C2"), Map.entry("radical", "\u221A"), Map.entry("parenleft", "("), Map.entry("parenright", ")"),
            Map.entry("bracketleft", "["), Map.entry("bracketright", "]"), Map.entry("braceleft", "{"), Map.entry("braceright", "}"),
            Map.entry("floorleft", "\u230A"), Map.entry("floorright", "\u230B"), Map.entry("ceilingleft", "\u2308"), Map.entry("ceilingright", "\u2309"),
            Map.entry("angbracketleft", "\u27E8"), Map.entry("angbracketright", "\u27E9"), Map.entry("slash", "/"), Map.entry("backslash", "\\"),
            Map.entry("logicaland", "\u22C0"), Map.entry("logicalor", "\u22C1"), Map.entry("circleplus", "\u2A01"), Map.entry("circlemultiply", "\u2A02"),
            Map.entry("circledot", "\u2A00"), Map.entry("hatwide", "\u0302"), Map.entry("tildewide", "\u0303"), Map.entry("vextendsingle", "|"));

    private GlyphNames() { }

    /** The text of a code by its glyph's name, or null where the name tells none. */
    static String text(PDSimpleFont font, int code) {
        if (font.getEncoding() == null) return null;
        String name = font.getEncoding().getName(code);
        if (name == null || name.isEmpty() || name.equals(".notdef")) return null;
        int dot = name.indexOf('.', 1);
        String base = dot < 0 ? name : name.substring(0, dot);
        String sign = SIGNS.get(base.replaceFirst("(text|display|[bB]igg?)$", ""));
        if (sign != null) return sign;
        StringBuilder text = new StringBuilder();
        for (String part : base.split("_")) {
            String letter = GlyphList.getAdobeGlyphList().toUnicode(part);
            if (letter == null) return areCodes(font) && code >= 32 ? new String(new byte[] {(byte) code}, WESTERN) : null;
            text.append(letter);
        }
        return text.isEmpty() ? null : text.toString();
    }

    /** Whether every name is a letter or two and the number of the code itself, as programs write that know no names. */
    private static boolean areCodes(PDSimpleFont font) {
        if (!(font.getEncoding() instanceof DictionaryEncoding encoding) || encoding.getDifferences().isEmpty()) return false;
        return encoding.getDifferences().entrySet().stream().allMatch(one -> one.getValue().equals(".notdef")
                || one.getValue().matches("\\p{Alpha}{1,2}0*" + one.getKey()));
    }
}
