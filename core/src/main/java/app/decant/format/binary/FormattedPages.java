package app.decant.format.binary;

import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The pages of 512 bytes that tell which text has which properties (MS-DOC 2.9.33 ChpxFkp, 2.9.174 PapxFkp), and the table that leads to them. Text is
 * told by its place in the stream of the document.
 */
final class FormattedPages {
    private static final int PAGE = 512;
    /** What one entry beside its properties takes: a place, and one byte for text; thirteen for paragraphs. */
    private final int entry;
    private final boolean paragraphs;
    private final List<byte[]> pages = new ArrayList<>();
    private final List<Integer> firsts = new ArrayList<>();
    private final List<Integer> places = new ArrayList<>();
    private final List<byte[]> properties = new ArrayList<>();
    private int used;
    private int end;

    FormattedPages(boolean paragraphs, int start) {
        this.paragraphs = paragraphs;
        this.entry = 4 + (paragraphs ? 13 : 1);
        this.end = start;
        used = 5;
    }

    /**
     * Adds the next stretch.
     *
     * @param to   where it ends in the stream
     * @param data the properties, with their length in front as the kind of page wants it; empty for none
     */
    void add(int to, byte[] data) {
        if (to <= end) return;
        int padded = data.length + data.length % 2;
        boolean known = properties.stream().anyMatch(one -> Arrays.equals(one, data));
        // One byte more, so that data can begin at an even place whatever the number of entries.
        if (used + entry + (known ? 0 : padded) + 1 > PAGE || places.size() == 101) flush();
        if (places.isEmpty()) firsts.add(end);
        known = properties.stream().anyMatch(one -> Arrays.equals(one, data));
        places.add(end);
        properties.add(data);
        used += entry + (known ? 0 : padded);
        end = to;
    }

    private void flush() {
        if (places.isEmpty()) return;
        byte[] page = new byte[PAGE];
        int count = places.size();
        for (int i = 0; i < count; i++) four(page, 4 * i, places.get(i));
        four(page, 4 * count, end);
        int at = PAGE - 1;
        for (int i = 0; i < count; i++) {
            byte[] data = properties.get(i);
            int word = 0;
            int same = properties.subList(0, i).stream().map(one -> Arrays.equals(one, data)).toList().indexOf(true);
            int slot = 4 * (count + 1) + i * (paragraphs ? 13 : 1);
            if (data.length > 0 && same >= 0) {
                word = page[4 * (count + 1) + same * (paragraphs ? 13 : 1)] & 0xFF;
            } else if (data.length > 0) {
                at -= data.length;
                at -= at % 2;
                System.arraycopy(data, 0, page, at, data.length);
                word = at / 2;
            }
            page[slot] = (byte) word;
        }
        page[PAGE - 1] = (byte) count;
        pages.add(page);
        places.clear();
        properties.clear();
        used = 5;
    }

    private static void four(byte[] page, int at, int value) { for (int i = 0; i < 4; i++) page[at + i] = (byte) (value >> 8 * i); }

    /** All pages, finished. */
    List<byte[]> pages() {
        flush();
        return pages;
    }

    /** The table that leads to the pages (2.8.5, 2.8.6). @param first the number of the first page in the stream */
    byte[] table(int first) {
        Bytes table = new Bytes();
        for (int place : firsts) table.four(place);
        table.four(end);
        for (int i = 0; i < firsts.size(); i++) table.four(first + i);
        return table.toBytes();
    }
}
