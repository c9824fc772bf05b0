package app.decant.format.binary;

import app.decant.document.Block;
import app.decant.document.Comment;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.format.CommentRanges;
import app.decant.format.OfficeTime;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Comments ([MS-DOC], 2.8.7, 2.9.4 and 2.9.6): where they are referred to, who made them and when, what they say, which of them answer which, and the
 * bookmarks that tell how far they reach.
 */
final class CommentReading {
    private static final int REFERENCES = 4;
    private static final int TEXTS = 5;
    private static final int OWNERS = 36;
    private static final int RANGES = 37;
    private static final int RANGE_STARTS = 42;
    private static final int RANGE_ENDS = 43;
    private static final int REFERENCE_LENGTH = 30;
    /** Of the generation of 2002 and later ones: times, and what is answered. */
    private static final int EXTRAS = 112;
    private static final int EXTRA_LENGTH = 18;

    private final CommentRanges ranges = new CommentRanges();
    private final Map<Integer, Comment> marks = new HashMap<>();
    private final Map<Integer, List<Comment>> starts = new HashMap<>();
    private final Map<Integer, List<Comment>> ends = new HashMap<>();

    /** A comment that answers none, before its own answers are known. @param range it reaches over, or null */
    private record Raw(int index, int at, Comment.Remark remark, int[] range) { }

    /** No comments. */
    CommentReading() { }

    /** @param from where their texts begin in the file's text, {@code to} where they end */
    CommentReading(DocReader reader, byte[] table, int from, int to) {
        byte[] references = part(reader, table, REFERENCES);
        byte[] texts = part(reader, table, TEXTS);
        List<String> owners = owners(part(reader, table, OWNERS));
        Map<Integer, int[]> bookmarks = bookmarks(reader, table);
        byte[] extras = reader.hasTable(EXTRAS) ? part(reader, table, EXTRAS) : new byte[0];
        Map<Integer, List<Comment.Remark>> answers = new HashMap<>();
        List<Raw> raws = new ArrayList<>();
        int count = Math.max(0, (references.length - 4) / (4 + REFERENCE_LENGTH));
        for (int i = 0; i < count; i++) {
            int at = Modifiers.four(references, 4 * i);
            int data = 4 * (count + 1) + REFERENCE_LENGTH * i;
            int owner = Modifiers.two(references, data + 20);
            StringBuilder text = new StringBuilder();
            long begins = (long) from + Modifiers.four(texts, 4 * i);
            long stops = Math.min(to, (long) from + Modifiers.four(texts, 4 * i + 4));
            if (begins < from || stops <= begins) continue;
            for (Block block : new BodyReading(reader).blocks((int) begins, (int) stops))
                if (block instanceof Paragraph paragraph) text.append(paragraph.plainText()).append('\n');
            String author = owner < owners.size() ? owners.get(owner) : "";
            boolean told = extras.length >= EXTRA_LENGTH * (i + 1);
            Instant when = told ? OfficeTime.of(Modifiers.four(extras, EXTRA_LENGTH * i)) : null;
            Comment.Remark remark = new Comment.Remark(author, when, text.toString());
            int depth = told ? Modifiers.four(extras, EXTRA_LENGTH * i + 6) : 0;
            int parent = i + (depth > 0 ? Modifiers.four(extras, EXTRA_LENGTH * i + 10) : 0);
            if (parent < i && parent >= 0 && answers.containsKey(parent)) {
                answers.get(parent).add(remark);
                answers.put(i, answers.get(parent));
                continue;
            }
            answers.put(i, new ArrayList<>());
            raws.add(new Raw(i, at, remark, bookmarks.get(Modifiers.four(references, data + 26))));
        }
        for (Raw raw : raws) {
            Comment comment = new Comment(raw.index + 1, raw.remark, answers.get(raw.index), false);
            marks.put(raw.at, comment);
            int[] range = raw.range;
            if (range == null) continue;
            starts.computeIfAbsent(range[0], place -> new ArrayList<>()).add(comment);
            ends.computeIfAbsent(range[1], place -> new ArrayList<>()).add(comment);
        }
    }

    private static byte[] part(DocReader reader, byte[] table, int number) {
        int[] place = reader.place(number);
        if (place[1] <= 0 || place[0] < 0 || place[0] > table.length - place[1]) return new byte[0];
        byte[] part = new byte[place[1]];
        System.arraycopy(table, place[0], part, 0, place[1]);
        return part;
    }

    /** Names behind one another, each after the number of its letters (2.9.353). */
    private static List<String> owners(byte[] names) {
        List<String> owners = new ArrayList<>();
        for (int at = 0; at + 2 <= names.length; ) {
            int letters = Modifiers.two(names, at);
            if (at + 2 + 2 * letters > names.length) break;
            owners.add(new String(names, at + 2, 2 * letters, StandardCharsets.UTF_16LE));
            at += 2 + 2 * letters;
        }
        return owners;
    }

    /** The stretches of bookmarks of comments by their tags (2.9.272: no names, ten bytes about each). */
    private static Map<Integer, int[]> bookmarks(DocReader reader, byte[] table) {
        byte[] names = part(reader, table, RANGES);
        byte[] begins = part(reader, table, RANGE_STARTS);
        byte[] stops = part(reader, table, RANGE_ENDS);
        Map<Integer, int[]> bookmarks = new HashMap<>();
        int count = Math.min(Modifiers.two(names, 2), Math.max(0, (begins.length - 4) / 8));
        for (int i = 0; i < count; i++) {
            int tag = Modifiers.four(names, 6 + 12 * i + 2 + 2);
            int end = Modifiers.two(begins, 4 * (count + 1) + 4 * i);
            if (4 * end + 4 <= stops.length) bookmarks.put(tag, new int[] {Modifiers.four(begins, 4 * i), Modifiers.four(stops, 4 * end)});
        }
        return bookmarks;
    }

    /** Whether something begins or ends before the letter at a place. */
    boolean turnsAt(int at) { return starts.containsKey(at) || ends.containsKey(at); }

    void turn(int at) {
        ends.getOrDefault(at, List.of()).forEach(ranges::end);
        starts.getOrDefault(at, List.of()).forEach(ranges::begin);
    }

    Look on(Look look) { return ranges.on(look); }

    /** The mark of a comment at a place, after what was read so far. */
    void mark(int at, List<Inline> before) { ranges.mark(marks.get(at), before); }

    Paragraph ended(Paragraph paragraph) { return ranges.ended(paragraph); }
}
