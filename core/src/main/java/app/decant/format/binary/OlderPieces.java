package app.decant.format.binary;

import app.decant.format.binary.Modifiers.Modifier;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * The pieces that the text of a file of 1993 to 1995 is put together from, and what is said of it on pages of 512 bytes, which name it by its places in the
 * file ([MS-DOC], 2.4.1 and 2.9.33; entries of paragraphs are seven bytes there).
 */
final class OlderPieces {
    private static final int TEXT = 0x18;
    private static final int PIECES = 0x160;
    private static final int LETTER_PAGES = 0xB8;
    private static final int PARAGRAPH_PAGES = 0xC0;
    /** The first page of each kind, and after both how many pages there are: tables saved in a hurry name some of them only. */
    private static final int FIRST_PAGES = 0x18A;
    private static final int PAGE = 512;
    private static final long MOST_TIMES = 4;

    /** A piece. @param from the first character of the text in it; @param place of that in the file; @param modifiers of all of it */
    private record Piece(int from, int to, int place, List<Modifier> modifiers) { }

    /** What is said of a part of the file. */
    private record Said(int from, int to, int style, List<Modifier> modifiers) { }

    private final byte[] main;
    private final int width;
    private final List<Piece> pieces;

    /**
     * @param pieced whether a table tells of pieces; otherwise the text is one
     * @param wide   whether characters are two bytes
     * @param length of all parts of the text, in characters
     */
    OlderPieces(byte[] main, boolean pieced, boolean wide, int length) {
        this.main = main;
        width = wide ? 2 : 1;
        List<Piece> told = pieced ? told() : List.of();
        int first = Math.max(0, Modifiers.four(main, TEXT));
        int end = Math.min(main.length, Math.max(first, Modifiers.four(main, TEXT + 4)));
        int most = (end - first) / width;
        pieces = !told.isEmpty() ? told : List.of(new Piece(0, length > 0 ? Math.min(length, most) : most, first, List.of()));
    }

    private List<Piece> told() {
        int at = Modifiers.four(main, PIECES);
        long end = (long) at + Modifiers.four(main, PIECES + 4);
        List<List<Modifier>> lists = new ArrayList<>();
        while (at > 0 && at + 5 < Math.min(end, main.length) && main[at] == 1) {
            int length = Modifiers.two(main, at + 1);
            lists.add(OlderModifiers.in(Arrays.copyOfRange(main, at + 3, Math.min(main.length, at + 3 + length)), 0));
            at += 3 + length;
        }
        List<Piece> told = new ArrayList<>();
        if (at <= 0 || at + 5 > main.length || main[at] != 2) return told;
        int count = Math.max(0, (Modifiers.four(main, at + 1) - 4) / 12);
        int table = at + 5;
        int next = 0;
        for (int i = 0; i < count && table + 4 * (count + 1L) + 8L * (i + 1) <= main.length; i++) {
            int from = Modifiers.four(main, table + 4 * i);
            int to = Modifiers.four(main, table + 4 * i + 4);
            int entry = table + 4 * (count + 1) + 8 * i;
            int place = Modifiers.four(main, entry + 2);
            boolean lies = from != next || to < from || place < 0 || place + (long) (to - from) * width > main.length;
            // Pieces that say the same part of the file again and again are an attack on the memory.
            if (lies || to > MOST_TIMES * main.length) return told;
            told.add(new Piece(from, to, place, changes(Modifiers.two(main, entry + 6), lists)));
            next = to;
        }
        return told;
    }

    /** One modifier with a value, or a list of the table ([MS-DOC], 2.9.212 and 2.9.213). */
    private static List<Modifier> changes(int told, List<List<Modifier>> lists) {
        if ((told & 1) != 0) return told >> 1 < lists.size() ? lists.get(told >> 1) : List.of();
        return told == 0 ? List.of() : List.of(new Modifier(told >> 1 & 0x7F, new byte[] {(byte) (told >> 8)}));
    }

    /** How many characters the text has. */
    int length() { return pieces.isEmpty() ? 0 : pieces.get(pieces.size() - 1).to; }

    boolean isWide() { return width == 2; }

    /** The characters as the file has them, by their numbers. */
    char[] units() {
        char[] units = new char[length()];
        for (Piece piece : pieces)
            for (int at = piece.from; at < piece.to; at++) {
                int place = piece.place + (at - piece.from) * width;
                units[at] = (char) (width == 2 ? Modifiers.two(main, place) : main[place] & 0xFF);
            }
        return units;
    }

    /** Stretches of letters that look alike, in order and without gaps, with modifiers of their own generation. */
    List<Stretch> runs() {
        List<Said> all = said(LETTER_PAGES, FIRST_PAGES, false);
        List<Stretch> runs = new ArrayList<>();
        for (Piece piece : pieces) {
            int at = piece.from;
            while (at < piece.to) {
                int place = piece.place + (at - piece.from) * width;
                Said said = at(all, place);
                int end = said == null ? piece.to : Math.min(piece.to, at + Math.max(1, (said.to - place) / width));
                runs.add(new Stretch(at, end, 0, both(said, piece)));
                at = end;
            }
        }
        return runs;
    }

    /** Paragraphs in order; what is said of one is said of its last character. */
    List<Stretch> paragraphs() {
        List<Said> all = said(PARAGRAPH_PAGES, FIRST_PAGES + 2, true);
        List<Stretch> paragraphs = new ArrayList<>();
        char[] units = units();
        int begin = 0;
        for (Piece piece : pieces)
            for (int at = piece.from; at < piece.to; at++) {
                boolean last = at == units.length - 1;
                if (!last && units[at] != '\r' && units[at] != '\u0007' && units[at] != '\f') continue;
                int place = piece.place + (at - piece.from) * width;
                Said said = at(all, place);
                // A page may end in the middle of a paragraph by the same sign.
                if (!last && units[at] == '\f' && (said == null || said.to != place + width)) continue;
                paragraphs.add(new Stretch(begin, at + 1, said == null ? 0 : said.style, both(said, piece)));
                begin = at + 1;
            }
        return paragraphs;
    }

    private static List<Modifier> both(Said said, Piece piece) {
        if (said == null || piece.modifiers.isEmpty()) return said == null ? piece.modifiers : said.modifiers;
        List<Modifier> both = new ArrayList<>(said.modifiers);
        both.addAll(piece.modifiers);
        return both;
    }

    private static Said at(List<Said> all, int place) {
        int low = 0;
        int high = all.size();
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (all.get(middle).to <= place) low = middle + 1;
            else high = middle;
        }
        return low < all.size() && all.get(low).from <= place ? all.get(low) : null;
    }

    /** What the pages of a table say, in order of the places. */
    private List<Said> said(int table, int first, boolean paragraphs) {
        int at = Modifiers.four(main, table);
        int length = Modifiers.four(main, table + 4);
        int count = at <= 0 || length < 10 || at > main.length - length ? 0 : (length - 4) / 6;
        int pages = Math.max(count, Math.min(main.length / PAGE, Modifiers.two(main, first + 4)));
        int start = Modifiers.two(main, first);
        List<Said> all = new ArrayList<>();
        int page = start - 1;
        for (int i = 0; i < pages; i++) {
            page = i < count ? Modifiers.two(main, at + 4 * (count + 1) + 2 * i) : page + 1;
            if (page <= 0 || (page + 1L) * PAGE > main.length) continue;
            page(page * PAGE, paragraphs, all);
        }
        all.sort(Comparator.comparingInt(Said::from));
        return all;
    }

    private void page(int page, boolean paragraphs, List<Said> all) {
        int count = main[page + PAGE - 1] & 0xFF;
        int entry = paragraphs ? 7 : 1;
        if (4 * (count + 1) + entry * count > PAGE - 1) return;
        for (int i = 0; i < count; i++) {
            int offset = 2 * (main[page + 4 * (count + 1) + entry * i] & 0xFF);
            int length = offset == 0 ? 0 : (main[page + offset] & 0xFF) * (paragraphs ? 2 : 1);
            // A paragraph tells how many words follow, of which the first is its style.
            byte[] told = length == 0 ? new byte[0] : Arrays.copyOfRange(main, page + offset + 1, Math.min(page + PAGE, page + offset + 1 + length));
            all.add(new Said(Modifiers.four(main, page + 4 * i), Modifiers.four(main, page + 4 * i + 4), paragraphs ? Modifiers.two(told, 0) : 0,
                    OlderModifiers.in(told, paragraphs ? 2 : 0)));
        }
    }
}
