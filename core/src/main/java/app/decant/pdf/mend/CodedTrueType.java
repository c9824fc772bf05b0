package app.decant.pdf.mend;

import app.decant.font.Face;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import org.apache.fontbox.ttf.TTFSubsetter;

/**
 * A TrueType file for codes of one byte that pages already have: its only character map (platform 3, encoding 0) leads from each code to a glyph that is as
 * wide as the pages take it to be (ISO 32000-2, 9.6.5.4; ISO 19005-2, 6.2.11.5). A glyph of the face that is not so wide is shown by another that makes it
 * narrower or wider; a code that shows nothing has a glyph that is empty.
 */
final class CodedTrueType {
    /** Where a map for symbols has its codes (OpenType 1.9, cmap, encoding 0 of platform 3). */
    private static final int SYMBOLS = 0xF000;
    /** Widths in thousandths may be so far apart and are the same to every reader. */
    private static final double SAME = 0.9;
    /** A letter is made narrower or wider by no more than this; beyond it stays as it is and only its room is another. */
    private static final double NARROWEST = 0.5;
    private static final double WIDEST = 1.6;
    /** What a glyph of parts says (OpenType 1.9, glyf): its numbers are words, and places; it has a scale for each direction. */
    private static final int PLACED = 0x0001 | 0x0002;
    private static final int SCALED = 0x0040;

    private final Map<String, byte[]> tables = new TreeMap<>();
    private final ByteArrayOutputStream glyphs = new ByteArrayOutputStream();
    private final ByteArrayOutputStream places = new ByteArrayOutputStream();
    private final ByteArrayOutputStream metrics = new ByteArrayOutputStream();
    private int count;
    private int widest;

    private CodedTrueType() { }

    /**
     * Makes the file.
     *
     * @param face   with TrueType outlines
     * @param glyphs of the face, by codes from 0 to 255; 0 for a code that shows nothing
     * @param widths of the codes, in thousandths of the size
     */
    static byte[] of(Face face, Map<Integer, Integer> glyphs, Map<Integer, Double> widths) throws IOException {
        Map<Integer, Integer> moved = new HashMap<>();
        byte[] subset = face.withOwnTables(file -> {
            TTFSubsetter subsetter = new TTFSubsetter(file);
            subsetter.addGlyphIds(new TreeSet<>(glyphs.values()));
            subsetter.setPrefix("");
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            subsetter.writeToStream(bytes);
            subsetter.getGIDMap().forEach((now, before) -> moved.put(before, now));
            return bytes.toByteArray();
        });
        CodedTrueType font = new CodedTrueType();
        font.read(subset);
        font.takeGlyphs();
        Map<Integer, Integer> codes = new TreeMap<>();
        glyphs.forEach((code, glyph) -> codes.put(code, font.glyph(moved.getOrDefault(glyph, 0), widths.get(code), face.unitsPerEm())));
        font.putGlyphs();
        font.tables.put("cmap", characters(codes));
        return font.bytes();
    }

    private void read(byte[] file) {
        ByteBuffer bytes = ByteBuffer.wrap(file);
        int tableCount = bytes.getShort(4);
        for (int i = 0; i < tableCount; i++) {
            int at = 12 + 16 * i;
            byte[] table = new byte[bytes.getInt(at + 12)];
            bytes.get(bytes.getInt(at + 8), table);
            tables.put(new String(file, at, 4, StandardCharsets.US_ASCII), table);
        }
    }

    /** The glyphs there are, each with a width of its own told. */
    private void takeGlyphs() {
        count = word("maxp", 4);
        int told = word("hhea", 34);
        glyphs.writeBytes(tables.get("glyf"));
        boolean wide = word("head", 50) == 1;
        for (int glyph = 0; glyph <= count; glyph++) put(places, 4, wide ? ByteBuffer.wrap(tables.get("loca")).getInt(4 * glyph) : 2 * word("loca", 2 * glyph));
        for (int glyph = 0; glyph < count; glyph++)
            metric(word("hmtx", 4 * Math.min(glyph, told - 1)), word("hmtx", glyph < told ? 4 * glyph + 2 : 4 * told + 2 * (glyph - told)));
    }

    private int word(String table, int at) { return ByteBuffer.wrap(tables.get(table)).getShort(at) & 0xFFFF; }

    private static void put(ByteArrayOutputStream out, int bytes, int value) {
        for (int shift = 8 * (bytes - 1); shift >= 0; shift -= 8) out.write(value >> shift);
    }

    private void metric(int advance, int bearing) {
        put(metrics, 2, advance);
        put(metrics, 2, bearing);
        widest = Math.max(widest, advance);
    }

    /** The glyph that shows another as wide as wished. */
    private int glyph(int shown, double width, int unitsPerEm) {
        ByteBuffer told = ByteBuffer.wrap(metrics.toByteArray());
        int natural = told.getShort(4 * shown) & 0xFFFF;
        if (shown != 0 && Math.abs(natural * 1000.0 / unitsPerEm - width) < SAME) return shown;
        int advance = (int) Math.round(width * unitsPerEm / 1000);
        ByteBuffer where = ByteBuffer.wrap(places.toByteArray());
        int from = where.getInt(4 * shown);
        boolean empty = shown == 0 || where.getInt(4 * shown + 4) == from;
        if (empty) metric(advance, 0);
        else part(shown, from, natural == 0 ? 1 : (double) advance / natural, advance);
        while (glyphs.size() % 4 != 0) glyphs.write(0);
        put(places, 4, glyphs.size());
        return count++;
    }

    /** A glyph with another as its only part. */
    private void part(int shown, int from, double wished, int advance) {
        double scale = wished < NARROWEST || wished > WIDEST ? 1 : wished;
        ByteBuffer box = ByteBuffer.wrap(glyphs.toByteArray(), from + 2, 8).slice();
        int left = (int) Math.floor(box.getShort(0) * scale);
        put(glyphs, 2, -1);
        put(glyphs, 2, left);
        put(glyphs, 2, box.getShort(2));
        put(glyphs, 2, (int) Math.ceil(box.getShort(4) * scale));
        put(glyphs, 2, box.getShort(6));
        put(glyphs, 2, PLACED | SCALED);
        put(glyphs, 2, shown);
        put(glyphs, 4, 0);
        put(glyphs, 2, (int) Math.round(scale * (1 << 14)));
        put(glyphs, 2, 1 << 14);
        metric(advance, left);
    }

    private void putGlyphs() {
        tables.put("glyf", glyphs.toByteArray());
        tables.put("loca", places.toByteArray());
        tables.put("hmtx", metrics.toByteArray());
        ByteBuffer.wrap(tables.get("head")).putShort(50, (short) 1);
        ByteBuffer.wrap(tables.get("hhea")).putShort(10, (short) widest).putShort(34, (short) count);
        // Names of glyphs are told to nobody (post, version 3).
        if (tables.containsKey("post")) tables.put("post", ByteBuffer.wrap(Arrays.copyOf(tables.get("post"), 32)).putInt(0, 0x00030000).array());
        ByteBuffer most = ByteBuffer.wrap(tables.get("maxp"));
        most.putShort(4, (short) count);
        // Parts within parts: one more than the face has.
        if (most.capacity() >= 32) most.putShort(28, (short) Math.max(1, most.getShort(28))).putShort(30, (short) (most.getShort(30) + 1));
    }

    /** One segment for all codes, and the last one that every map ends with (format 4). */
    private static byte[] characters(Map<Integer, Integer> codes) {
        int length = 16 + 8 * 2 + 2 * 256;
        ByteBuffer table = ByteBuffer.allocate(12 + length);
        table.putShort((short) 0).putShort((short) 1).putShort((short) 3).putShort((short) 0).putInt(12);
        table.putShort((short) 4).putShort((short) length).putShort((short) 0);
        table.putShort((short) 4).putShort((short) 4).putShort((short) 1).putShort((short) 0);
        table.putShort((short) (SYMBOLS + 255)).putShort((short) 0xFFFF).putShort((short) 0);
        table.putShort((short) SYMBOLS).putShort((short) 0xFFFF);
        table.putShort((short) 0).putShort((short) 1);
        // From its own place to the glyphs, past the other segment's.
        table.putShort((short) 4).putShort((short) 0);
        for (int code = 0; code < 256; code++) table.putShort((short) (int) codes.getOrDefault(code, 0));
        return table.array();
    }

    private byte[] bytes() {
        int tableCount = tables.size();
        int power = Integer.highestOneBit(tableCount);
        int length = 12 + 16 * tableCount;
        for (byte[] table : tables.values()) length += table.length + 3 & ~3;
        ByteBuffer file = ByteBuffer.allocate(length);
        file.putInt(0x00010000).putShort((short) tableCount).putShort((short) (16 * power)).putShort((short) Integer.numberOfTrailingZeros(power))
                .putShort((short) (16 * (tableCount - power)));
        ByteBuffer.wrap(tables.get("head")).putInt(8, 0);
        int at = 12 + 16 * tableCount;
        int head = 0;
        for (Map.Entry<String, byte[]> table : tables.entrySet()) {
            if (table.getKey().equals("head")) head = at;
            file.put(table.getKey().getBytes(StandardCharsets.US_ASCII)).putInt(sum(table.getValue())).putInt(at).putInt(table.getValue().length);
            file.put(at, table.getValue());
            at += table.getValue().length + 3 & ~3;
        }
        file.putInt(head + 8, 0xB1B0AFBA - sum(file.array()));
        return file.array();
    }

    /** The sum of all words of four bytes, zeros filled in (OpenType 1.9, calculating checksums). */
    private static int sum(byte[] bytes) {
        int sum = 0;
        for (int i = 0; i < bytes.length; i++) sum += (bytes[i] & 0xFF) << 8 * (3 - i % 4);
        return sum;
    }
}
