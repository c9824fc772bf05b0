package app.decant.format.binary;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** One part of a file's text, such as the body or all notes, as it grows: characters, what they look like, fields, and what is anchored in it. */
final class Story {
    final StringBuilder text = new StringBuilder();
    final List<Stretch> letters = new ArrayList<>();
    final List<ParagraphStretch> paragraphs = new ArrayList<>();
    final List<FieldMark> fields = new ArrayList<>();
    final List<Reference> footnotes = new ArrayList<>();
    final List<Reference> endnotes = new ArrayList<>();
    final List<Anchored> anchored = new ArrayList<>();
    final Map<String, Integer> bookmarkStarts = new LinkedHashMap<>();
    final Map<String, Integer> bookmarkEnds = new HashMap<>();

    /** Text up to a place, and its properties. */
    record Stretch(int end, Properties properties) { }

    /** A paragraph up to a place. */
    record ParagraphStretch(int end, int style, Properties properties) { }

    /** The beginning (0x13), middle (0x14) or end (0x15) of a field (2.9.90). */
    record FieldMark(int at, int sign, int flags) { }

    /** Where a note is referred to, and whether its mark is a number. */
    record Reference(int at, boolean counted) { }

    /** Where a drawn shape is anchored: its number, its box in twentieths of a point, how text runs round it. */
    record Anchored(int at, int shape, int left, int top, int right, int bottom, int flags) { }

    int length() { return text.length(); }

    void run(String letters, Properties properties) {
        if (letters.isEmpty()) return;
        text.append(letters);
        Stretch last = this.letters.isEmpty() ? null : this.letters.get(this.letters.size() - 1);
        if (last != null && last.properties.equals(properties)) this.letters.set(this.letters.size() - 1, new Stretch(length(), properties));
        else this.letters.add(new Stretch(length(), properties));
    }

    /** A sign with a meaning of its own (sprmCFSpec). */
    void special(char sign, Properties properties) { run(String.valueOf(sign), new Properties().all(properties).flag(0x0855, true)); }

    void field(char sign, int flags, Properties properties) {
        fields.add(new FieldMark(length(), sign, flags));
        special(sign, properties);
    }

    /** Ends a paragraph with its mark. */
    void end(char mark, Properties letters, int style, Properties properties) {
        run(String.valueOf(mark), letters);
        paragraphs.add(new ParagraphStretch(length(), style, properties));
    }

    /** The places of fields with their flags (2.8.25), or nothing. */
    byte[] fieldTable() {
        if (fields.isEmpty()) return new byte[0];
        Bytes table = new Bytes();
        for (FieldMark mark : fields) table.four(mark.at);
        table.four(length());
        for (FieldMark mark : fields) table.one(mark.sign).one(mark.flags);
        return table.toBytes();
    }
}
