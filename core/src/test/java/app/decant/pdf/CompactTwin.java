package app.decant.pdf;

import app.decant.pdf.font.CffWriting;
import java.awt.geom.GeneralPath;
import java.awt.geom.PathIterator;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.apache.fontbox.ttf.GlyphData;
import org.apache.fontbox.ttf.TTFParser;
import org.apache.fontbox.ttf.TrueTypeFont;
import org.apache.pdfbox.io.RandomAccessReadBuffer;

/** An OpenType font with cubic outlines made from one with quadratic outlines: the same glyphs, so that pages set in either must look alike. */
final class CompactTwin {
    /** How long the piece is that no glyph calls. */
    static final int UNUSED = 20_000;

    private CompactTwin() { }

    static byte[] of(byte[] trueType) throws IOException {
        TrueTypeFont font = new TTFParser().parse(new RandomAccessReadBuffer(trueType));
        Map<String, byte[]> tables = new TreeMap<>();
        for (String name : List.of("OS/2", "cmap", "head", "hhea", "hmtx", "name")) tables.put(name, font.getTableBytes(font.getTableMap().get(name)));
        tables.put("maxp", ByteBuffer.allocate(6).putInt(0x00005000).putShort((short) font.getNumberOfGlyphs()).array());
        tables.put("post", ByteBuffer.allocate(32).putInt(0x00030000).array());
        tables.put("CFF ", compact(font));
        int at = 12 + 16 * tables.size();
        int length = at + tables.values().stream().mapToInt(table -> table.length + 3 & ~3).sum();
        ByteBuffer file = ByteBuffer.allocate(length).put("OTTO".getBytes(StandardCharsets.US_ASCII)).putShort((short) tables.size())
                .putShort((short) 128).putShort((short) 3).putShort((short) (tables.size() * 16 - 128));
        for (Map.Entry<String, byte[]> table : tables.entrySet()) {
            file.put(table.getKey().getBytes(StandardCharsets.US_ASCII)).putInt(0).putInt(at).putInt(table.getValue().length);
            at += table.getValue().length + 3 & ~3;
        }
        for (byte[] table : tables.values()) file.put(table).position(file.position() + 3 & ~3);
        return file.array();
    }

    /** A name-keyed compact font whose glyphs end through a shared piece of their own part or of the whole font, in turn. */
    private static byte[] compact(TrueTypeFont font) throws IOException {
        List<byte[]> glyphs = new ArrayList<>();
        for (int glyph = 0; glyph < font.getNumberOfGlyphs(); glyph++) glyphs.add(program(font, glyph));
        byte[] end = {14};
        byte[] head = new CffWriting().card8(1).card8(0).card8(4).card8(4).index(List.of("Twin".getBytes(StandardCharsets.US_ASCII))).bytes();
        byte[] strings = new CffWriting().index(List.of()).bytes();
        byte[] global = new CffWriting().index(List.of(end)).bytes();
        byte[] outlines = new CffWriting().index(glyphs).bytes();
        byte[] charset = new CffWriting().card8(2).card16(1).card16(glyphs.size() - 2).bytes();
        byte[] hints = new CffWriting().operator(20, 0).operator(21, 0).places(19, new CffWriting().operator(20, 0).operator(21, 0).places(19, 0).length())
                .bytes();
        int topLength = new CffWriting().index(List.of(top(font, 0, 0, 0, 0))).length();
        int charsetAt = head.length + topLength + strings.length + global.length;
        int outlinesAt = charsetAt + charset.length;
        int hintsAt = outlinesAt + outlines.length;
        return new CffWriting().raw(head).index(List.of(top(font, charsetAt, outlinesAt, hints.length, hintsAt))).raw(strings).raw(global).raw(charset)
                .raw(outlines).raw(hints).index(List.of(end, new byte[UNUSED])).bytes();
    }

    private static byte[] top(TrueTypeFont font, int charset, int outlines, int hintsLength, int hints) throws IOException {
        double em = 1.0 / font.getUnitsPerEm();
        return new CffWriting().operator(0x0C07, em, 0, 0, em, 0, 0).places(15, charset).places(17, outlines).places(18, hintsLength, hints).bytes();
    }

    private static byte[] program(TrueTypeFont font, int glyph) throws IOException {
        CffWriting program = new CffWriting();
        GlyphData data = font.getGlyph().getGlyph(glyph);
        GeneralPath path = data == null ? new GeneralPath() : data.getPath();
        number(program, font.getAdvanceWidth(glyph));
        double[] at = {0, 0};
        double[] c = new double[6];
        for (PathIterator i = path.getPathIterator(null); !i.isDone(); i.next()) {
            switch (i.currentSegment(c)) {
                case PathIterator.SEG_MOVETO -> step(program, at, 21, c[0], c[1]);
                case PathIterator.SEG_LINETO -> step(program, at, 5, c[0], c[1]);
                case PathIterator.SEG_QUADTO -> step(program, at, 8, at[0] + (c[0] - at[0]) * 2 / 3, at[1] + (c[1] - at[1]) * 2 / 3,
                        c[2] + (c[0] - c[2]) * 2 / 3, c[3] + (c[1] - c[3]) * 2 / 3, c[2], c[3]);
                default -> { }
            }
        }
        if (path.getCurrentPoint() == null) return program.card8(14).bytes();
        // Number 0 of a small table is called as -107.
        number(program, -107);
        return program.card8(glyph % 2 == 0 ? 10 : 29).bytes();
    }

    private static void step(CffWriting program, double[] at, int operator, double... points) {
        for (int i = 0; i < points.length; i += 2) {
            for (int axis = 0; axis < 2; axis++) {
                int move = (int) Math.round(points[i + axis] - at[axis]);
                number(program, move);
                at[axis] += move;
            }
        }
        program.card8(operator);
    }

    private static void number(CffWriting program, int value) { program.card8(28).card16(value); }
}
