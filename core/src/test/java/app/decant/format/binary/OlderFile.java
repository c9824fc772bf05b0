package app.decant.format.binary;

import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.Charset;
import java.util.ArrayList;
import java.util.List;
import org.apache.poi.poifs.filesystem.POIFSFileSystem;

/** A text document of 1993 to 1995, laid out byte by byte as programs of that time did it. */
final class OlderFile {
    private static final int HEAD = 768;
    private static final int PAGE = 512;

    private final ByteArrayOutputStream text = new ByteArrayOutputStream();
    private final List<byte[]> runs = new ArrayList<>();
    private final List<Integer> runEnds = new ArrayList<>();
    private final List<byte[]> paragraphs = new ArrayList<>();
    private final List<Integer> paragraphEnds = new ArrayList<>();
    private final List<byte[]> styles = new ArrayList<>();
    private final List<byte[]> fonts = new ArrayList<>();
    private final int[] lengths = new int[8];
    private byte[] section = new byte[0];
    private byte[] stories = new byte[0];
    private byte[] pieces = new byte[0];
    private int flags;

    static byte[] bytes(int... told) {
        byte[] bytes = new byte[told.length];
        for (int i = 0; i < told.length; i++) bytes[i] = (byte) told[i];
        return bytes;
    }

    static byte[] joined(byte[]... parts) {
        ByteArrayOutputStream all = new ByteArrayOutputStream();
        for (byte[] part : parts) all.writeBytes(part);
        return all.toByteArray();
    }

    OlderFile font(String name, int set) {
        fonts.add(joined(bytes(6 + name.length(), 0x16, 0x90, 1, set, 0), name.getBytes(Charset.forName("windows-1252")), bytes(0)));
        return this;
    }

    /** @param number of a built-in style; {@code next} style is the first; @param paragraph its modifiers, and those of its letters */
    OlderFile style(int number, String name, int parent, byte[] paragraph, byte[] letters) {
        byte[] head = bytes(number & 0xFF, number >> 8, 1 | parent << 4 & 0xF0, parent >> 4, 2, 0, 0, 0, name.length());
        byte[] body = joined(head, name.getBytes(Charset.forName("windows-1252")), bytes(0));
        if (body.length % 2 != 0) body = joined(body, bytes(0));
        body = joined(body, bytes(2 + paragraph.length, 0, styles.size(), 0), paragraph);
        if (body.length % 2 != 0) body = joined(body, bytes(0));
        styles.add(joined(body, bytes(letters.length, 0), letters));
        return this;
    }

    OlderFile run(String words, String letters, int... modifiers) {
        text.writeBytes(words.getBytes(Charset.forName(letters)));
        runs.add(bytes(modifiers));
        runEnds.add(text.size());
        return this;
    }

    OlderFile run(String words, int... modifiers) { return run(words, "windows-1252", modifiers); }

    /** Ends a paragraph, whose sign is there already. */
    OlderFile paragraph(int style, int... modifiers) {
        paragraphs.add(joined(bytes(style, 0), bytes(modifiers)));
        paragraphEnds.add(text.size());
        return this;
    }

    /** All that was said since the last part becomes one: the body is 0, headers are 2. */
    OlderFile part(int number) {
        int before = 0;
        for (int length : lengths) before += length;
        lengths[number] = text.size() - before;
        return this;
    }

    OlderFile section(int... modifiers) {
        section = bytes(modifiers);
        return this;
    }

    OlderFile stories(int... places) {
        ByteBuffer table = ByteBuffer.allocate(4 * places.length).order(ByteOrder.LITTLE_ENDIAN);
        for (int place : places) table.putInt(place);
        stories = table.array();
        return this;
    }

    /** The text is put together from pieces: where each begins in the text as written, its length, and one modifier with its value or 0. */
    OlderFile pieced(int[]... told) {
        ByteBuffer table = ByteBuffer.allocate(5 + 4 + 12 * told.length).order(ByteOrder.LITTLE_ENDIAN);
        table.put((byte) 2).putInt(4 + 12 * told.length).putInt(0);
        int at = 0;
        for (int[] one : told) table.putInt(at += one[1]);
        for (int[] one : told) table.putShort((short) 0).putInt(HEAD + one[0]).putShort((short) (one[2] << 1 | one[3] << 8));
        pieces = table.array();
        flags |= 4;
        return this;
    }

    OlderFile locked() {
        flags |= 0x100;
        return this;
    }

    byte[] made() {
        ByteBuffer main = ByteBuffer.allocate(64 * PAGE).order(ByteOrder.LITTLE_ENDIAN);
        main.putShort(0, (short) 0xA5DC).putShort(2, (short) 101).putShort(10, (short) flags).putInt(0x18, HEAD).putInt(0x1C, HEAD + text.size());
        for (int i = 0; i < lengths.length; i++) main.putInt(0x34 + 4 * i, lengths[i]);
        main.position(HEAD).put(text.toByteArray());
        int page = main.position() / PAGE + 1;
        page(main, page, runs, runEnds, false);
        page(main, page + 1, paragraphs, paragraphEnds, true);
        main.position((page + 2) * PAGE);
        part(main, 0xB8, joined(four(HEAD), four(HEAD + text.size()), bytes(page, 0)));
        part(main, 0xC0, joined(four(HEAD), four(HEAD + text.size()), bytes(page + 1, 0)));
        ByteArrayOutputStream sheet = new ByteArrayOutputStream();
        sheet.writeBytes(bytes(8, 0, styles.size(), 0, 8, 0, 1, 0, 0x4B, 0));
        for (byte[] style : styles) sheet.writeBytes(joined(bytes(style.length & 0xFF, style.length >> 8), style));
        part(main, 0x60, sheet.toByteArray());
        byte[] all = joined(fonts.toArray(new byte[0][]));
        part(main, 0xD0, joined(bytes(all.length + 2 & 0xFF, all.length + 2 >> 8), all));
        int said = main.position();
        main.putShort((short) section.length).put(section);
        part(main, 0x88, joined(four(0), four(lengths[0]), bytes(0, 0), four(said), new byte[6]));
        if (stories.length > 0) part(main, 0xB0, stories);
        if (pieces.length > 0) part(main, 0x160, pieces);
        part(main, 0x150, joined(bytes(0x22, 0), new byte[8], bytes(0xD0, 2), new byte[72]));
        byte[] stream = new byte[main.position()];
        main.get(0, stream);
        try (POIFSFileSystem container = new POIFSFileSystem(); ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            container.createDocument(new ByteArrayInputStream(stream), "WordDocument");
            container.writeFilesystem(out);
            return out.toByteArray();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static byte[] four(int number) { return bytes(number, number >> 8, number >> 16, number >> 24); }

    private static void part(ByteBuffer main, int at, byte[] part) {
        main.putInt(at, main.position()).putInt(at + 4, part.length);
        main.put(part);
    }

    private static void page(ByteBuffer main, int page, List<byte[]> told, List<Integer> ends, boolean paragraphs) {
        int start = page * PAGE;
        int entry = paragraphs ? 7 : 1;
        int free = PAGE - 2;
        main.putInt(start, HEAD);
        for (int i = 0; i < told.size(); i++) {
            main.putInt(start + 4 * (i + 1), HEAD + ends.get(i));
            byte[] one = told.get(i);
            free = free - one.length - 2 & ~1;
            main.put(start + 4 * (told.size() + 1) + entry * i, (byte) (free / 2));
            main.put(start + free, (byte) (paragraphs ? (one.length + 1) / 2 : one.length));
            main.position(start + free + 1).put(one);
        }
        if (4 * (told.size() + 1) + entry * told.size() > free) throw new IllegalStateException("too much for a page");
        main.put(start + PAGE - 1, (byte) told.size());
    }
}
