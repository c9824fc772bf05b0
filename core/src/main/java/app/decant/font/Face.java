package app.decant.font;

import app.decant.document.DecantException;
import app.decant.words.Message;
import java.awt.Font;
import java.awt.FontFormatException;
import java.awt.font.FontRenderContext;
import java.awt.font.GlyphVector;
import java.awt.font.TextAttribute;
import java.awt.geom.Point2D;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.Queue;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentLinkedQueue;
import org.apache.fontbox.ttf.CmapLookup;
import org.apache.fontbox.ttf.HorizontalHeaderTable;
import org.apache.fontbox.ttf.OS2WindowsMetricsTable;
import org.apache.fontbox.ttf.OTFParser;
import org.apache.fontbox.ttf.OpenTypeFont;
import org.apache.fontbox.ttf.PostScriptTable;
import org.apache.fontbox.ttf.TTFSubsetter;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;

/**
 * One face of a family, such as the bold italic, read from a font file. Immutable to its users; safe for several threads.
 * All measures are in ems.
 */
public final class Face {
    private static final FontRenderContext EXACT = new FontRenderContext(null, true, true);
    private static final int REMEMBERED_WORDS = 200_000;
    /** Stands where a plain letter is shown for one of two chars; nothing is to be seen of it. */
    private static final char SECOND_HALF = '\u200B';

    private final String family;
    private final boolean bold;
    private final boolean italic;
    private final byte[] file;
    private final TrueTypeFont tables;
    private final CmapLookup characters;
    private final Font drawn;
    private final int unitsPerEm;
    private final double ascent;
    private final double descent;
    private final double lineGap;
    private final double underlineOffset;
    private final double underlineThickness;
    private final int fsType;
    private final String postScriptName;
    private final Map<Key, Shaped> words = new ConcurrentHashMap<>();
    private final Queue<TrueTypeFont> spare = new ConcurrentLinkedQueue<>();
    private final Map<Integer, Font> dressed = new ConcurrentHashMap<>();

    /** Words are looked up for every line that is set; what records do of themselves is slow until it is warm. */
    private record Key(String text, int features) {
        @Override public boolean equals(Object other) { return other instanceof Key key && features == key.features && text.equals(key.text); }
        @Override public int hashCode() { return 31 * text.hashCode() + features; }
    }

    private Face(String family, boolean bold, boolean italic, byte[] file) throws IOException, FontFormatException {
        this.family = family;
        this.bold = bold;
        this.italic = italic;
        this.file = file;
        // FontBox's OTFParser reads TrueType and CFF outlines alike.
        this.tables = new OTFParser().parse(new RandomAccessReadBuffer(file));
        this.characters = tables.getUnicodeCmapLookup(false);
        this.unitsPerEm = tables.getUnitsPerEm();
        this.drawn = Font.createFont(Font.TRUETYPE_FONT, new ByteArrayInputStream(file)).deriveFont((float) unitsPerEm);
        HorizontalHeaderTable header = tables.getHorizontalHeader();
        double em = unitsPerEm;
        OS2WindowsMetricsTable os2 = tables.getOS2Windows();
        boolean typographic = os2 != null && (os2.getFsSelection() & 0x80) != 0;
        // As the programs measured in which most office files were set: what the third pair of measures leaves of the gap (OpenType, recommendations for OS/2).
        boolean windows = os2 != null && !typographic && os2.getWinAscent() > 0;
        ascent = (typographic ? os2.getTypoAscender() : windows ? os2.getWinAscent() : header.getAscender()) / em;
        descent = (typographic ? -os2.getTypoDescender() : windows ? os2.getWinDescent() : -header.getDescender()) / em;
        double whole = (header.getAscender() - header.getDescender() + Math.max(0, header.getLineGap())) / em;
        lineGap = Math.max(0, typographic ? os2.getTypoLineGap() / em : whole - ascent - descent);
        fsType = os2 == null ? 0 : os2.getFsType();
        PostScriptTable post = tables.getPostScript();
        underlineOffset = post == null || post.getUnderlineThickness() == 0 ? 0.1 : -post.getUnderlinePosition() / em;
        underlineThickness = post == null || post.getUnderlineThickness() == 0 ? 0.05 : post.getUnderlineThickness() / em;
        postScriptName = tables.getName() == null ? family.replace(" ", "") : tables.getName();
    }

    /**
     * Reads a face.
     *
     * @param file a whole TrueType or OpenType file
     * @throws DecantException ({@code UNREADABLE}) where it is none
     */
    public static Face read(String family, boolean bold, boolean italic, byte[] file) {
        try {
            return new Face(family, bold, italic, file);
        } catch (IOException | FontFormatException | RuntimeException e) {
            throw new DecantException(DecantException.Kind.UNREADABLE, Message.of("font.the-font-cannot-be-read-its-file", family), e);
        }
    }

    /**
     * The style a font file says it has: 1 for bold, 2 for italic, 3 for both (OpenType 1.9, table head, {@code macStyle}).
     *
     * @throws DecantException ({@code UNREADABLE}) where it is no font
     */
    public static int styleOf(byte[] file) {
        try (TrueTypeFont font = new OTFParser().parse(new RandomAccessReadBuffer(file))) {
            return font.getHeader().getMacStyle() & 3;
        } catch (IOException | RuntimeException e) {
            throw new DecantException(DecantException.Kind.UNREADABLE, Message.of("font.a-font-cannot-be-read-its-file"), e);
        }
    }

    /** Six letters that tell one subset of a font from another (ISO 32000-1, 9.6.4), made from what is in it. */
    public static String tag(int hash) {
        StringBuilder tag = new StringBuilder();
        for (int i = 0; i < 6; i++, hash = hash / 26 ^ hash << 5) tag.append((char) ('A' + Math.floorMod(hash, 26)));
        return tag.toString();
    }

    /**
     * The face with some characters only, as a font file of its own; all of it where its outlines or its licence allow no less.
     *
     * @param characters code points, none of which may need joining with its neighbours
     */
    public byte[] only(Set<Integer> characters) throws IOException {
        if (hasCffOutlines() || EmbeddingRight.forbidsSubsets(fsType)) return file;
        return withOwnTables(own -> {
            TTFSubsetter subsetter = new TTFSubsetter(own);
            // Six letters and a plus tell that it is not the whole font.
            subsetter.setPrefix(tag(characters.hashCode()) + "+");
            subsetter.addAll(characters);
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            subsetter.writeToStream(bytes);
            return bytes.toByteArray();
        });
    }

    public String family() { return family; }
    public boolean bold() { return bold; }
    public boolean italic() { return italic; }
    public String postScriptName() { return postScriptName; }
    public double ascent() { return ascent; }
    /** Below the baseline, positive. */
    public double descent() { return descent; }
    public double lineGap() { return lineGap; }
    /** Of the underline's middle below the baseline, positive. */
    public double underlineOffset() { return underlineOffset; }
    public double underlineThickness() { return underlineThickness; }
    public int unitsPerEm() { return unitsPerEm; }
    /** The licence bits; see {@link EmbeddingRight}. */
    public int fsType() { return fsType; }
    public EmbeddingRight embeddingRight() { return EmbeddingRight.of(fsType); }
    /** The parsed tables of the file. */
    public TrueTypeFont tables() { return tables; }
    /**
     * Reads the file from end to end, as subsetting does. The tables have a single place in the file where they read, so several documents that are
     * written at once each borrow tables of their own.
     */
    public <T> T withOwnTables(TableReading<T> reading) throws IOException {
        TrueTypeFont own = spare.poll();
        if (own == null) own = new OTFParser().parse(new RandomAccessReadBuffer(file));
        T result = reading.read(own);
        spare.add(own);
        return result;
    }

    /** Something read from a font's tables. */
    @FunctionalInterface
    public interface TableReading<T> { T read(TrueTypeFont tables) throws IOException; }

    /** The font file itself; not a copy. */
    public byte[] file() { return file; }
    public boolean hasCffOutlines() { return tables instanceof OpenTypeFont open && open.isPostScript(); }
    /** The face at a size of one em = {@link #unitsPerEm()} points, for painting by glyph number. */
    public Font drawn() { return drawn; }

    /** Whether the face has a glyph for the character. */
    public boolean has(int codePoint) { return codePoint >= 0 && characters != null && characters.getGlyphId(codePoint) != 0; }

    /** Whether the face has a glyph for the character, or for the plain letter that it is a form of. */
    public boolean shows(int codePoint) { return has(codePoint) || has(PlainForm.of(codePoint)); }

    /**
     * Text as glyphs of this face, in one direction. Marks, joining and the like always come out right; kerning and optional ligatures only
     * where they are asked for, since line ends must agree with programs that do neither by default.
     */
    public Shaped shape(String text, boolean rightToLeft, boolean kerning, boolean ligatures) {
        int features = (rightToLeft ? 1 : 0) | (kerning ? 2 : 0) | (ligatures ? 4 : 0);
        Key key = new Key(text, features);
        Shaped known = words.get(key);
        if (known != null) return known;
        if (words.size() > REMEMBERED_WORDS) words.clear();
        Shaped shaped = shapeAnew(text, features);
        words.put(key, shaped);
        return shaped;
    }

    private Shaped shapeAnew(String text, int features) {
        boolean rightToLeft = (features & 1) != 0;
        char[] chars = shown(text).toCharArray();
        GlyphVector vector = font(features & 6).layoutGlyphVector(EXACT, chars, 0, chars.length, rightToLeft ? Font.LAYOUT_RIGHT_TO_LEFT
                : Font.LAYOUT_LEFT_TO_RIGHT);
        int count = vector.getNumGlyphs();
        int[] glyphs = new int[count];
        int[] clusters = new int[count];
        float[] x = new float[count + 1];
        float[] y = null;
        int kept = 0;
        for (int i = 0; i < count; i++) {
            int glyph = vector.getGlyphCode(i);
            Point2D at = vector.getGlyphPosition(i);
            int cluster = Math.min(chars.length - 1, Math.max(0, vector.getGlyphCharIndex(i)));
            // The JDK's mark for a glyph that shows nothing; and what stands for the second half of a letter.
            if (glyph >= 0xFFFE || chars[cluster] == SECOND_HALF && text.charAt(cluster) != SECOND_HALF) continue;
            glyphs[kept] = glyph;
            clusters[kept] = cluster;
            x[kept] = (float) (at.getX() / unitsPerEm);
            if (at.getY() != 0) {
                if (y == null) y = new float[count];
                y[kept] = (float) (-at.getY() / unitsPerEm);
            }
            kept++;
        }
        x[kept] = (float) (vector.getGlyphPosition(count).getX() / unitsPerEm);
        if (kept < count) {
            glyphs = Arrays.copyOf(glyphs, kept);
            clusters = Arrays.copyOf(clusters, kept);
            x = Arrays.copyOf(x, kept + 1);
        }
        return new Shaped(glyphs, x, y, clusters, text, rightToLeft);
    }

    /** The text with plain letters for forms that the face lacks; as long as it was. */
    private String shown(String text) {
        StringBuilder shown = null;
        for (int i = 0; i < text.length(); i += Character.charCount(text.codePointAt(i))) {
            int letter = text.codePointAt(i);
            int plain = has(letter) ? -1 : PlainForm.of(letter);
            if (!has(plain)) continue;
            if (shown == null) shown = new StringBuilder(text);
            shown.setCharAt(i, (char) plain);
            if (Character.charCount(letter) == 2) shown.setCharAt(i + 1, SECOND_HALF);
        }
        return shown == null ? text : shown.toString();
    }

    private Font font(int features) {
        if (features == 0) return drawn;
        return dressed.computeIfAbsent(features, wanted -> {
            Map<TextAttribute, Object> attributes = new HashMap<>();
            if ((wanted & 2) != 0) attributes.put(TextAttribute.KERNING, TextAttribute.KERNING_ON);
            if ((wanted & 4) != 0) attributes.put(TextAttribute.LIGATURES, TextAttribute.LIGATURES_ON);
            return drawn.deriveFont(attributes);
        });
    }

    @Override public String toString() { return family + (bold ? " Bold" : "") + (italic ? " Italic" : ""); }
}
