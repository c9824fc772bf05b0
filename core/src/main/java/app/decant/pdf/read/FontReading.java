package app.decant.pdf.read;

import app.decant.font.SymbolEncoding;
import java.io.IOException;
import java.text.Normalizer;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.pdmodel.font.PDCIDFontType2;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDSimpleFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.slf4j.LoggerFactory;

/** One font of a PDF: what its codes read as (ISO 32000-1, 9.10), how wide its space is, and which face it is. */
public final class FontReading {
    /** What stands where nothing tells the character. */
    public static final String UNKNOWN = "\uFFFD";

    private final PDFont font;
    private final FaceUse face;
    private final double space;
    private final Map<Integer, String> texts = new HashMap<>();

    private FontReading(PDFont font) {
        this.font = font;
        this.face = FaceNames.of(font);
        this.space = spaceOf(font);
    }

    FaceUse face() { return face; }
    /** In ems. */
    double space() { return space; }

    String text(int code) { return texts.computeIfAbsent(code, this::read); }

    private String read(int code) {
        String text = null;
        try {
            text = font.toUnicode(code);
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(FontReading.class).debug("No text for code {} of {}", code, font.getName(), e);
        }
        boolean told = text != null && !text.isEmpty() && !text.equals("\u0000") && !text.equals(UNKNOWN);
        if (!told) text = font instanceof PDSimpleFont simple ? GlyphNames.text(simple, code) : null;
        if (text == null) text = fromOutlines(code);
        return plain(SymbolEncoding.unicode(face.family(), text));
    }

    /** The character an embedded face itself has the glyph for. */
    private String fromOutlines(int code) {
        try {
            if (font instanceof PDType0Font composite && composite.getDescendantFont() instanceof PDCIDFontType2 descendant && descendant.isEmbedded()) {
                CmapLookup characters = descendant.getTrueTypeFont().getUnicodeCmapLookup(false);
                List<Integer> points = characters == null ? null : characters.getCharCodes(composite.codeToGID(code));
                if (points != null && !points.isEmpty()) return Character.toString(points.get(0));
            }
        } catch (IOException | RuntimeException e) {
            LoggerFactory.getLogger(FontReading.class).debug("No character for code {} of {}", code, font.getName(), e);
        }
        return UNKNOWN;
    }

    /**
     * Ligatures and letters in a shown form made the letters they stand for; white space made one kind; signs that a list of names
     * keeps for itself made Unicode's; what is no character left out.
     */
    static String plain(String told) {
        String text = SymbolEncoding.unicode(null, told);
        StringBuilder result = null;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            boolean presentation = c >= 0xFB00 && c <= 0xFDFF && c != 0xFD3E && c != 0xFD3F || c >= 0xFE70 && c <= 0xFEFC;
            boolean space = c == 0xA0 || c == '\t' || c == '\r' || c == '\n' || c >= 0x2000 && c <= 0x200A || c == 0x3000;
            boolean half = Character.isHighSurrogate(c) && (i + 1 == text.length() || !Character.isLowSurrogate(text.charAt(i + 1)))
                    || Character.isLowSurrogate(c) && (i == 0 || !Character.isHighSurrogate(text.charAt(i - 1)));
            boolean nothing = c < 32 && !space || c == 0x200B || c == 0xFEFF || c >= 0xFFFE || half;
            if ((presentation || space || nothing) && result == null) result = new StringBuilder(text.substring(0, i));
            if (result == null) continue;
            if (presentation) result.append(Normalizer.normalize(String.valueOf(c), Normalizer.Form.NFKC));
            else if (space) result.append(c == 0xA0 ? '\u00A0' : ' ');
            else if (!nothing) result.append(c);
        }
        return result == null ? text : result.toString();
    }

    private static double spaceOf(PDFont font) {
        try {
            double width = font.getSpaceWidth() / 1000;
            // A subset without a space tells the width of its sign for missing characters instead.
            return width > 0.05 && width <= (FaceNames.of(font).fixed() ? 0.7 : 0.45) ? width : 0.25;
        } catch (RuntimeException e) {
            return 0.25;
        }
    }

    /** The fonts met so far; pages share them. */
    static final class Fonts {
        private final Map<COSDictionary, FontReading> known = new IdentityHashMap<>();

        FontReading of(PDFont font) { return known.computeIfAbsent(font.getCOSObject(), key -> new FontReading(font)); }
    }
}
