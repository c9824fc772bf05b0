package app.decant.pdf.font;

import app.decant.font.EmbeddingRight;
import app.decant.font.Face;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.Standard;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.TreeSet;
import org.apache.fontbox.cff.CFFCIDFont;
import org.apache.fontbox.cff.CFFFont;
import org.apache.fontbox.ttf.HeaderTable;
import org.apache.fontbox.ttf.OpenTypeFont;
import org.apache.fontbox.ttf.TTFSubsetter;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSNumber;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.cos.COSString;

/**
 * A face on its way into a PDF as a composite font (ISO 32000-1, 9.7). Every pair of a glyph and the text it stands for gets a character code of
 * its own, so that copying text out gives exactly that text back, ligatures included; the code is mapped to the glyph in the font file.
 */
public final class EmbeddedFace implements PageFont {
    private final Face face;
    private final COSDictionary dictionary = new COSDictionary();
    private final Map<Long, Map<String, Integer>> codes = new HashMap<>();
    private final List<Integer> glyphs = new ArrayList<>();
    private final List<String> texts = new ArrayList<>();
    private final boolean ownCodes;
    private final double[] widths;
    private final char[] usualCharacter;
    private final int[] usualCode;
    private PdfStyle style;
    private boolean bare;

    public EmbeddedFace(Face face) {
        this.face = face;
        // Fonts with CFF outlines take no map from codes to glyphs (9.7.4.2): there the code is the glyph.
        this.ownCodes = !face.hasCffOutlines();
        glyphs.add(0);
        texts.add("");
        dictionary.setDirect(false);
        int count = glyphCount(face);
        widths = new double[count];
        Arrays.fill(widths, -1);
        usualCharacter = new char[count];
        usualCode = new int[count];
    }

    private static int glyphCount(Face face) {
        try {
            return face.tables().getNumberOfGlyphs();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public Face face() { return face; }
    @Override public COSDictionary dictionary() { return dictionary; }

    /** The character code for a glyph that stands for one character; nearly all do, so this way is kept short. */
    public int code(int glyph, char character) {
        if (usualCharacter[glyph] == character && usualCode[glyph] != 0) return usualCode[glyph];
        int code = code(glyph, String.valueOf(character));
        usualCharacter[glyph] = character;
        usualCode[glyph] = Math.max(0, code);
        return code;
    }

    /** The character code for a glyph that stands for some text, or -1 where the glyph already stands for another text and cannot do both. */
    public int code(int glyph, String text) {
        Map<String, Integer> known = codes.computeIfAbsent((long) glyph, key -> new HashMap<>(2));
        Integer code = known.get(text);
        if (code != null) return code;
        if (!ownCodes) {
            if (!known.isEmpty()) return -1;
            known.put(text, glyph);
            glyphs.add(glyph);
            texts.add(text);
            return glyph;
        }
        if (glyphs.size() > 0xFFFF) return -1;
        code = glyphs.size();
        known.put(text, code);
        glyphs.add(glyph);
        texts.add(text);
        return code;
    }

    /** Any code of a glyph whose text is told otherwise. */
    public int anyCode(int glyph) {
        Map<String, Integer> known = codes.get((long) glyph);
        return known != null && !known.isEmpty() ? known.values().iterator().next() : code(glyph, "");
    }

    /** The advance of a glyph in thousandths of the size, as the font's widths array says it. */
    public double width(int glyph) {
        if (widths[glyph] < 0) widths[glyph] = readWidth(glyph);
        return widths[glyph];
    }

    private double readWidth(int glyph) {
        try {
            return Math.round(face.tables().getAdvanceWidth(glyph) * 1000.0 / face.unitsPerEm() * 100) / 100.0;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Writes the font itself, once all pages are done. */
    public void finish(PdfStyle style) throws IOException {
        this.style = style;
        boolean subset = !style.takesWhole(face.family()) && !EmbeddingRight.forbidsSubsets(face.fsType());
        String name = face.postScriptName();
        Map<Integer, Integer> moved = new HashMap<>();
        byte[] file = face.file();
        if (subset && !ownCodes) {
            name = tag() + "+" + name;
            file = CffSubset.of(compact(), face.unitsPerEm(), glyphs);
        } else if (!ownCodes && (style.standard() != Standard.NONE || compact() instanceof CFFCIDFont)) {
            // Not every reader that keeps a standard takes OpenType files, and the first archive standard forbids them; fonts keyed by their makers'
            // numbers must be keyed by glyphs.
            file = CffSubset.whole(compact(), face.unitsPerEm());
            bare = true;
        } else if (subset) {
            file = face.withOwnTables(tables -> {
                TTFSubsetter subsetter = new TTFSubsetter(tables);
                subsetter.addGlyphIds(new TreeSet<>(glyphs));
                subsetter.setPrefix("");
                ByteArrayOutputStream bytes = new ByteArrayOutputStream();
                subsetter.writeToStream(bytes);
                subsetter.getGIDMap().forEach((now, before) -> moved.put(before, now));
                return bytes.toByteArray();
            });
            name = tag() + "+" + name;
        }
        dictionary.setItem(COSName.TYPE, COSName.FONT);
        dictionary.setItem(COSName.SUBTYPE, COSName.TYPE0);
        dictionary.setName(COSName.BASE_FONT, name);
        dictionary.setItem(COSName.ENCODING, COSName.IDENTITY_H);
        dictionary.setItem(COSName.TO_UNICODE, stream(unicodeMap()));
        COSArray descendants = new COSArray();
        descendants.add(descendant(name, file, moved, subset));
        dictionary.setItem(COSName.DESCENDANT_FONTS, descendants);
    }

    private CFFFont compact() throws IOException { return ((OpenTypeFont) face.tables()).getCFF().getFont(); }

    private COSDictionary descendant(String name, byte[] file, Map<Integer, Integer> moved, boolean subset) throws IOException {
        COSDictionary font = new COSDictionary();
        font.setItem(COSName.TYPE, COSName.FONT);
        font.setItem(COSName.SUBTYPE, ownCodes ? COSName.CID_FONT_TYPE2 : COSName.CID_FONT_TYPE0);
        font.setName(COSName.BASE_FONT, name);
        COSDictionary system = new COSDictionary();
        system.setItem(COSName.REGISTRY, new COSString("Adobe"));
        system.setItem(COSName.ORDERING, new COSString("Identity"));
        system.setInt(COSName.SUPPLEMENT, 0);
        font.setItem(COSName.CIDSYSTEMINFO, system);
        font.setItem(COSName.FONT_DESC, descriptor(name, file, subset));
        font.setItem(COSName.W, widths());
        font.setInt(COSName.DW, 1000);
        if (ownCodes) {
            ByteArrayOutputStream map = new ByteArrayOutputStream();
            for (int glyph : glyphs) {
                int target = subset ? moved.getOrDefault(glyph, 0) : glyph;
                map.write(target >> 8);
                map.write(target);
            }
            font.setItem(COSName.CID_TO_GID_MAP, stream(map.toByteArray()));
        }
        return font;
    }

    private COSArray widths() {
        COSArray widths = new COSArray();
        if (ownCodes) {
            widths.add(COSInteger.ZERO);
            COSArray row = new COSArray();
            for (int i = 0; i < glyphs.size(); i++) {
                // No array of an archive file has more than 8,191 entries (ISO 19005-1, 6.1.12).
                if (row.size() == 8000) {
                    widths.add(row);
                    widths.add(COSInteger.get(i));
                    row = new COSArray();
                }
                row.add(number(width(glyphs.get(i))));
            }
            widths.add(row);
        } else {
            for (int glyph : new TreeSet<>(glyphs)) {
                widths.add(COSInteger.get(glyph));
                COSArray row = new COSArray();
                row.add(number(width(glyph)));
                widths.add(row);
            }
        }
        return widths;
    }

    private static COSNumber number(double value) {
        return value == Math.rint(value) ? COSInteger.get((long) value) : new COSFloat((float) value);
    }

    private COSDictionary descriptor(String name, byte[] file, boolean subset) throws IOException {
        COSDictionary descriptor = new COSDictionary();
        descriptor.setItem(COSName.TYPE, COSName.FONT_DESC);
        descriptor.setName(COSName.FONT_NAME, name);
        descriptor.setString(COSName.FONT_FAMILY, face.family());
        boolean fixed = face.tables().getPostScript() != null && face.tables().getPostScript().getIsFixedPitch() != 0;
        // 9.8.2: fixed pitch, symbolic (the font's own encoding is used), italic, bold forced.
        descriptor.setInt(COSName.FLAGS, (fixed ? 1 : 0) | 4 | (face.italic() ? 64 : 0));
        HeaderTable head = face.tables().getHeader();
        double scale = 1000.0 / face.unitsPerEm();
        COSArray box = new COSArray();
        for (int value : new int[] {head.getXMin(), head.getYMin(), head.getXMax(), head.getYMax()}) box.add(COSInteger.get(Math.round(value * scale)));
        descriptor.setItem(COSName.FONT_BBOX, box);
        descriptor.setFloat(COSName.ITALIC_ANGLE, face.tables().getPostScript() == null ? 0 : face.tables().getPostScript().getItalicAngle());
        descriptor.setInt(COSName.ASCENT, (int) Math.round(face.ascent() * 1000));
        descriptor.setInt(COSName.DESCENT, (int) Math.round(-face.descent() * 1000));
        int capitals = face.tables().getOS2Windows() == null ? 0 : face.tables().getOS2Windows().getCapHeight();
        descriptor.setInt(COSName.CAP_HEIGHT, (int) Math.round(capitals > 0 ? capitals * scale : face.ascent() * 700));
        descriptor.setInt(COSName.STEM_V, face.bold() ? 140 : 80);
        COSStream program = stream(file);
        if (ownCodes) {
            program.setInt(COSName.LENGTH1, file.length);
            descriptor.setItem(COSName.FONT_FILE2, program);
        } else {
            program.setItem(COSName.SUBTYPE, COSName.getPDFName(subset || bare ? "CIDFontType0C" : "OpenType"));
            descriptor.setItem(COSName.FONT_FILE3, program);
        }
        // The first archive standard wants to know which characters a subset holds (ISO 19005-1, 6.3.5); the later ones do without.
        if (subset && style.standard().part() == 1) descriptor.setItem(COSName.CID_SET, stream(charactersHeld()));
        return descriptor;
    }

    private byte[] charactersHeld() {
        BitSet held = new BitSet();
        for (int i = 0; i < glyphs.size(); i++) held.set(ownCodes ? i : glyphs.get(i));
        byte[] bits = new byte[(held.length() + 7) / 8];
        held.stream().forEach(i -> bits[i / 8] |= (byte) (0x80 >> i % 8));
        return bits;
    }

    /** The same subset has the same tag. */
    private String tag() { return Face.tag(texts.hashCode() * 31 + glyphs.hashCode()); }

    private byte[] unicodeMap() {
        SortedMap<Integer, String> told = new TreeMap<>();
        for (int i = 1; i < texts.size(); i++) if (!texts.get(i).isEmpty()) told.put(ownCodes ? i : glyphs.get(i), texts.get(i));
        return UnicodeMap.of(told, 2);
    }

    private static COSStream stream(byte[] bytes) throws IOException {
        COSStream stream = new COSStream();
        try (OutputStream out = stream.createOutputStream(COSName.FLATE_DECODE)) {
            out.write(bytes);
        }
        return stream;
    }
}
