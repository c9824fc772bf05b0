package app.decant.font;

import java.io.IOException;
import java.nio.ByteBuffer;

/** A file that holds several fonts which share tables (OpenType 1.9, "Font collections"). */
final class FontCollection {
    private static final int TAG = 0x74746366; // "ttcf"
    private static final int MOST_TABLES = 512;

    private FontCollection() { }

    /**
     * One font of a collection as a file of its own, with tables copied and none changed.
     *
     * @param file   a collection, or a plain font, which is given back as it is
     * @param number of the font in it, from 0
     * @throws IOException where there is no such font, or the file is damaged
     */
    static byte[] font(byte[] file, int number) throws IOException {
        ByteBuffer in = ByteBuffer.wrap(file);
        if (file.length < 16 || in.getInt(0) != TAG) return file;
        try {
            if (number < 0 || number >= in.getInt(8)) throw new IOException("No font " + number + " in the collection");
            return copy(in, in.getInt(12 + 4 * number));
        } catch (IndexOutOfBoundsException | IllegalArgumentException e) {
            throw new IOException("The collection is damaged", e);
        }
    }

    private static byte[] copy(ByteBuffer in, int directory) throws IOException {
        int count = in.getShort(directory + 4) & 0xFFFF;
        if (count > MOST_TABLES) throw new IOException("A font of " + count + " tables");
        long length = 12 + 16L * count;
        for (int i = 0; i < count; i++) length += in.getInt(directory + 12 + 16 * i + 12) + 3 & ~3;
        if (length > in.capacity() + 12 + 20L * count || length < 0) throw new IOException("Tables longer than the file");
        ByteBuffer out = ByteBuffer.allocate((int) length);
        out.put(in.array(), directory, 12 + 16 * count);
        for (int i = 0; i < count; i++) {
            int entry = 12 + 16 * i;
            int from = in.getInt(directory + entry + 8);
            int size = in.getInt(directory + entry + 12);
            out.putInt(entry + 8, out.position());
            out.put(in.array(), from, size);
            out.position(out.position() + 3 & ~3);
        }
        return out.array();
    }
}
