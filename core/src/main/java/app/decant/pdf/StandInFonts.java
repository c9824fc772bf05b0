package app.decant.pdf;

import app.decant.font.Face;
import app.decant.font.FontCatalogue;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Locale;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.apache.fontbox.FontBoxFont;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;
import org.apache.pdfbox.pdmodel.font.CIDFontMapping;
import org.apache.pdfbox.pdmodel.font.FontMapper;
import org.apache.pdfbox.pdmodel.font.FontMappers;
import org.apache.pdfbox.pdmodel.font.FontMapping;
import org.apache.pdfbox.pdmodel.font.PDCIDSystemInfo;
import org.apache.pdfbox.pdmodel.font.PDFontDescriptor;

/**
 * The shipped faces for PDFs that name a font without holding it, the standard fourteen first of all (ISO 32000-1, 9.6.2.2), so that such a file
 * looks the same on every machine, in its own weights and slants.
 */
public final class StandInFonts implements FontMapper {
    private static final Map<String, String> FAMILIES = Map.of("helvetica", "Liberation Sans", "arial", "Liberation Sans", "times", "Liberation Serif",
            "courier", "Liberation Mono",
            "calibri", "Carlito", "cambria", "Caladea");
    private static boolean used;

    private final FontMapper others;
    private final Map<String, TrueTypeFont> fonts = new ConcurrentHashMap<>();

    private StandInFonts(FontMapper others) { this.others = others; }

    /** From now on PDFs that lack a font are shown with these. */
    public static synchronized void use() {
        if (used) return;
        FontMappers.set(new StandInFonts(FontMappers.instance()));
        used = true;
    }

    @Override public FontMapping<TrueTypeFont> getTrueTypeFont(String name, PDFontDescriptor descriptor) {
        TrueTypeFont font = font(name);
        return font != null ? new FontMapping<>(font, false) : others.getTrueTypeFont(name, descriptor);
    }

    @Override public FontMapping<FontBoxFont> getFontBoxFont(String name, PDFontDescriptor descriptor) {
        TrueTypeFont font = font(name);
        return font != null ? new FontMapping<>(font, false) : others.getFontBoxFont(name, descriptor);
    }

    @Override public CIDFontMapping getCIDFont(String name, PDFontDescriptor descriptor, PDCIDSystemInfo system) {
        return others.getCIDFont(name, descriptor, system);
    }

    /** The shipped face for a name, or null where none is meant by it. */
    private TrueTypeFont font(String name) {
        if (name == null) return null;
        String key = name.toLowerCase(Locale.ROOT).replaceFirst("^[a-z]{6}\\+", "");
        String family = FAMILIES.entrySet().stream().filter(entry -> key.startsWith(entry.getKey())).map(Map.Entry::getValue).findFirst().orElse(null);
        if (family == null || key.contains("narrow") || key.contains("condensed") || key.contains("black")) return null;
        boolean bold = key.contains("bold");
        boolean italic = key.contains("italic") || key.contains("oblique");
        return fonts.computeIfAbsent(family + bold + italic, made -> read(FontCatalogue.shipped().match(family, bold, italic).face()));
    }

    private static TrueTypeFont read(Face face) {
        try {
            return new TTFParser().parse(new RandomAccessReadBuffer(face.file()));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
