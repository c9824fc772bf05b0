package app.decant.pdf.mend;

import app.decant.document.Finding;
import app.decant.font.EmbeddingRight;
import app.decant.font.Face;
import app.decant.font.FontCatalogue;
import app.decant.pdf.font.UnicodeMap;
import app.decant.pdf.read.FaceNames;
import app.decant.pdf.read.FaceUse;
import app.decant.words.Message;
import java.io.IOException;
import java.io.OutputStream;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.TreeSet;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.HeaderTable;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDFontFactory;
import org.apache.pdfbox.pdmodel.font.PDSimpleFont;
import org.apache.pdfbox.pdmodel.font.PDTrueTypeFont;
import org.apache.pdfbox.pdmodel.font.PDType3Font;
import org.slf4j.LoggerFactory;

/**
 * Puts fonts that a file only names into it (ISO 19005-2, 6.2.11.4): a face of the name where there is one that may be embedded, else one like it. The codes
 * on pages and the widths they reckon with stay, so that every letter stands where it stood.
 */
public final class MissingFonts {
    /** Faces that have the signs which others lack. */
    private static final List<String> OF_SIGNS = List.of("DejaVu Sans", "Droid Sans Fallback");

    private final FontCatalogue faces;
    private final Set<COSDictionary> seen = Collections.newSetFromMap(new IdentityHashMap<>());
    private final Map<String, Set<String>> put = new TreeMap<>();
    private final Set<String> left = new TreeSet<>();

    private MissingFonts(FontCatalogue faces) { this.faces = faces; }

    /**
     * Puts them in.
     *
     * @return which face stands for which font, and which fonts there is none for
     */
    public static List<Finding> embed(PDDocument pdf, FontCatalogue faces) {
        MissingFonts missing = new MissingFonts(faces);
        FileObjects.each(pdf, dictionary -> {
            COSDictionary fonts = dictionary.getCOSDictionary(COSName.FONT);
            if (fonts == null) return;
            for (COSName name : fonts.keySet()) if (fonts.getDictionaryObject(name) instanceof COSDictionary font) missing.embed(font);
        });
        List<Finding> findings = new ArrayList<>();
        missing.put.forEach((face, names) -> findings.add(Finding.changed(Message.of("mend.font-put-in", String.join(", ", names), face))));
        if (!missing.left.isEmpty()) findings.add(Finding.changed(Message.of("mend.fonts-not-here", missing.left.size(), String.join(", ", missing.left))));
        return findings;
    }

    private void embed(COSDictionary dictionary) {
        if (!seen.add(dictionary) || !dictionary.containsKey(COSName.SUBTYPE)) return;
        try {
            PDFont font = PDFontFactory.createFont(dictionary);
            if (font.isEmbedded() || font instanceof PDType3Font) return;
            if (!(font instanceof PDSimpleFont simple) || !embed(dictionary, simple)) left.add(String.valueOf(font.getName()));
        } catch (IOException | RuntimeException e) {
            LoggerFactory.getLogger(MissingFonts.class).info("The font {} can't be put in", dictionary.getNameAsString(COSName.BASE_FONT), e);
            left.add(String.valueOf(dictionary.getNameAsString(COSName.BASE_FONT)));
        }
    }

    private boolean embed(COSDictionary dictionary, PDSimpleFont font) throws IOException {
        SortedMap<Integer, String> texts = texts(font);
        if (texts.isEmpty()) return false;
        FaceUse use = FaceNames.of(font);
        Face face = face(use, texts);
        CmapLookup characters = face.tables().getUnicodeCmapLookup();
        Map<Integer, Integer> glyphs = new TreeMap<>();
        Map<Integer, Double> widths = new TreeMap<>();
        for (int code = 0; code < 256; code++) {
            String text = texts.get(code);
            glyphs.put(code, text == null ? 0 : characters.getGlyphId(text.codePointAt(0)));
            widths.put(code, width(font, code));
        }
        String name = Face.tag(31 * glyphs.hashCode() + widths.hashCode()) + "+" + face.postScriptName();
        byte[] program = CodedTrueType.of(face, glyphs, widths);
        put.computeIfAbsent(face.toString(), key -> new TreeSet<>()).add(font.getName());
        dictionary.setItem(COSName.SUBTYPE, COSName.TRUE_TYPE);
        dictionary.setName(COSName.BASE_FONT, name);
        // The file's own map from codes is meant (9.6.5.4).
        dictionary.removeItem(COSName.ENCODING);
        widths(dictionary, font);
        // Codes that show nothing are copied as spaces: every code is to be told (ISO 19005-2, 6.2.11.7.2).
        for (int code = 0; code < 256; code++) texts.putIfAbsent(code, " ");
        if (!dictionary.containsKey(COSName.TO_UNICODE)) dictionary.setItem(COSName.TO_UNICODE, stream(UnicodeMap.of(texts, 1)));
        dictionary.setItem(COSName.FONT_DESC, descriptor(face, name, use, program));
        return true;
    }

    /** What the codes of a font stand for; none where nothing tells. */
    private static SortedMap<Integer, String> texts(PDSimpleFont font) {
        SortedMap<Integer, String> texts = new TreeMap<>();
        boolean unnamed = font.getEncoding() == null || font instanceof PDTrueTypeFont && font.isSymbolic()
                && !font.getCOSObject().containsKey(COSName.ENCODING);
        if (unnamed) return texts;
        for (int code = 0; code < 256; code++) {
            String text = font.toUnicode(code);
            if (text != null && !text.isEmpty() && text.charAt(0) >= ' ') texts.put(code, text);
        }
        return texts;
    }

    /** The face of the family where it may be embedded; one of signs where that has more of them. */
    private Face face(FaceUse use, Map<Integer, String> texts) throws IOException {
        Face best = null;
        long most = -1;
        Face own = faces.match(use.family(), use.bold(), use.italic()).face();
        Face shipped = FontCatalogue.shipped().match(use.family(), use.bold(), use.italic()).face();
        List<Face> others = OF_SIGNS.stream().map(family -> FontCatalogue.shipped().match(family, use.bold(), use.italic()).face()).toList();
        for (Face face : new Face[] {own, shipped, others.get(0), others.get(1)}) {
            if (face.hasCffOutlines() || EmbeddingRight.forbidsOutlines(face.fsType()) || EmbeddingRight.forbidsSubsets(face.fsType())) continue;
            long has = texts.values().stream().filter(text -> face.has(text.codePointAt(0))).count();
            // A face like it is better than a few signs more.
            if (has > most + (best == null ? 0 : texts.size() / 8)) {
                best = face;
                most = has;
            }
        }
        return best;
    }

    private static double width(PDSimpleFont font, int code) {
        try {
            // What no entry tells is as wide as the descriptor says, or nothing (9.6.2); the library has widths of its own for it.
            boolean told = font.getCOSObject().containsKey(COSName.WIDTHS) || font.toUnicode(code) != null;
            return told ? font.getWidth(code) : 0;
        } catch (IOException e) {
            LoggerFactory.getLogger(MissingFonts.class).debug("No width for code {}", code, e);
            return 0;
        }
    }

    /** The fourteen fonts that every reader has may leave their widths out; those inside a file may not (9.6.2). */
    private static void widths(COSDictionary dictionary, PDSimpleFont font) {
        if (dictionary.containsKey(COSName.WIDTHS) && dictionary.containsKey(COSName.FIRST_CHAR)) return;
        COSArray widths = new COSArray();
        for (int code = 0; code < 256; code++) widths.add(new COSFloat((float) width(font, code)));
        dictionary.setInt(COSName.FIRST_CHAR, 0);
        dictionary.setInt(COSName.LAST_CHAR, 255);
        dictionary.setItem(COSName.WIDTHS, widths);
    }

    private static COSDictionary descriptor(Face face, String name, FaceUse use, byte[] program) throws IOException {
        COSDictionary descriptor = new COSDictionary();
        descriptor.setItem(COSName.TYPE, COSName.FONT_DESC);
        descriptor.setName(COSName.FONT_NAME, name);
        // 9.8.2: all letters as wide as each other, serifs, signs by the file's own map, slanted.
        descriptor.setInt(COSName.FLAGS, (use.fixed() ? 1 : 0) | (use.serif() ? 2 : 0) | 4 | (use.italic() ? 64 : 0));
        HeaderTable head = face.tables().getHeader();
        double scale = 1000.0 / face.unitsPerEm();
        COSArray box = new COSArray();
        for (int value : new int[] {head.getXMin(), head.getYMin(), head.getXMax(), head.getYMax()}) box.add(COSInteger.get(Math.round(value * scale)));
        descriptor.setItem(COSName.FONT_BBOX, box);
        descriptor.setFloat(COSName.ITALIC_ANGLE, use.italic() ? -12 : 0);
        descriptor.setInt(COSName.ASCENT, (int) Math.round(face.ascent() * 1000));
        descriptor.setInt(COSName.DESCENT, (int) Math.round(-face.descent() * 1000));
        descriptor.setInt(COSName.CAP_HEIGHT, (int) Math.round(face.ascent() * 700));
        descriptor.setInt(COSName.STEM_V, use.bold() ? 140 : 80);
        COSStream file = stream(program);
        file.setInt(COSName.LENGTH1, program.length);
        descriptor.setItem(COSName.FONT_FILE2, file);
        return descriptor;
    }

    private static COSStream stream(byte[] bytes) throws IOException {
        COSStream stream = new COSStream();
        try (OutputStream out = stream.createOutputStream(COSName.FLATE_DECODE)) {
            out.write(bytes);
        }
        return stream;
    }
}
