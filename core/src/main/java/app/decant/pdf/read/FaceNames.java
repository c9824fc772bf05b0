package app.decant.pdf.read;

import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.font.PDCIDFontType2;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDFontDescriptor;
import org.apache.pdfbox.pdmodel.font.PDSimpleFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.font.PDType3Font;

/** Tells family and style of a PDF's font from its names, flags and numbers (ISO 32000-1, 9.8). */
public final class FaceNames {
    private static final Pattern SUBSET = Pattern.compile("^[A-Z]{6}\\+");
    private static final Pattern BOLD = Pattern.compile("(?i)bold|black|heavy|demi(?!ng)|semibold|cmbx|-bd|bx\\d|nimbusrom.*-medi");
    private static final Pattern ITALIC = Pattern.compile("(?i)italic|oblique|slanted|kursiv|cmti|cmsl|-it\\b|-[a-z]*(?:ital|obli)$");
    private static final Pattern STYLE_WORDS =
            Pattern.compile("(?i)(extra|ultra|semi|demi)?(bold|black|heavy|light|medium|thin|book|"
                    + "regular|roman|normal|italic|oblique|cond(ensed)?|narrow)+(mt|ps)?$");
    private static final Pattern SMALL_CAPITALS = Pattern.compile("(?i)small-?caps?|csc\\d|(?-i)(?<=[a-z-])SC(?![a-zA-Z])");
    private static final Map<String, String> KNOWN = known();

    private FaceNames() { }

    /** The face of a font. */
    public static FaceUse of(PDFont font) {
        PDFontDescriptor descriptor = font.getFontDescriptor();
        String name = SUBSET.matcher(font.getName() == null ? "" : font.getName()).replaceFirst("");
        boolean bold = BOLD.matcher(name).find() || descriptor != null && (descriptor.getFontWeight() >= 600 || descriptor.isForceBold());
        boolean italic = ITALIC.matcher(name).find() || descriptor != null && (descriptor.isItalic() || descriptor.getItalicAngle() != 0);
        boolean smallCapitals = isSmallCapitals(name);
        String family = family(SMALL_CAPITALS.matcher(name).replaceFirst(""), descriptor);
        String lower = family.toLowerCase(Locale.ROOT);
        boolean fixed = descriptor != null && descriptor.isFixedPitch() || lower.contains("mono") || lower.contains("courier") || lower.contains("typewriter");
        boolean serif = !lower.contains("sans") && (descriptor != null && descriptor.isSerif() || lower.contains("serif") || lower.contains("roman")
                || lower.startsWith("times"));
        return new FaceUse(family, bold, italic, serif, fixed, isMapped(font), smallCapitals);
    }

    private static String family(String name, PDFontDescriptor descriptor) {
        if (descriptor != null && descriptor.getFontFamily() != null && !descriptor.getFontFamily().isBlank()) return descriptor.getFontFamily().trim();
        String plain = name;
        int cut = plain.indexOf(',');
        if (cut < 0) cut = plain.indexOf('-');
        if (cut > 0) plain = plain.substring(0, cut);
        String whole = plain;
        plain = STYLE_WORDS.matcher(plain).replaceFirst("");
        if (plain.isBlank()) plain = whole;
        String known = KNOWN.get(key(plain));
        if (known == null) known = KNOWN.get(key(plain.replaceFirst("(?i)(ps)?mt$", "")));
        if (known == null) known = KNOWN.get(key(plain.replaceFirst("\\d+$", "")));
        if (known != null) return known;
        plain = plain.replaceFirst("(PS)?MT$", "").replace('_', ' ');
        String spaced = plain.replaceAll("(?<=[a-z])(?=[A-Z])|(?<=[A-Z])(?=[A-Z][a-z])", " ").trim();
        return spaced.isEmpty() ? "Unnamed" : spaced;
    }

    /** Whether characters can be told from codes: by a map, a known encoding, or names of glyphs. */
    private static boolean isMapped(PDFont font) {
        if (font.getCOSObject().containsKey(COSName.TO_UNICODE)) return true;
        if (font instanceof PDType0Font composite)
            return !composite.isEmbedded() || composite.getDescendantFont() instanceof PDCIDFontType2;
        if (font instanceof PDType3Font type3) return type3.getEncoding() != null;
        return font instanceof PDSimpleFont;
    }

    public static boolean isSmallCapitals(String name) { return SMALL_CAPITALS.matcher(name).find(); }

    static String key(String family) { return family.toLowerCase(Locale.ROOT).replaceAll("[ _-]", ""); }

    private static Map<String, String> known() {
        Map<String, String> names = new LinkedHashMap<>();
        try (InputStream in = FaceNames.class.getResourceAsStream("families.txt")) {
            for (String line : new String(in.readAllBytes(), StandardCharsets.UTF_8).split("\n")) {
                if (line.isBlank() || line.startsWith("#")) continue;
                String[] parts = line.split("\\s*;\\s*");
                names.put(key(parts[0]), parts[parts.length - 1].trim());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return names;
    }
}
