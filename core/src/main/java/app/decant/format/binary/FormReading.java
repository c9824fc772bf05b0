package app.decant.format.binary;

import app.decant.format.FormTold;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;

/** The data of a form field in the data stream ([MS-DOC], 2.9.78 and 2.9.158). */
final class FormReading {
    private static final int HEAD = 0x44;

    private final byte[] data;
    private int at;

    private FormReading(byte[] data, int at) {
        this.data = data;
        this.at = at;
    }

    /** What is said at a place; null where there is nothing of the kind. */
    static FormTold of(byte[] data, int place) {
        if (data == null || place < 0 || place > data.length - HEAD - 12) return null;
        int length = Modifiers.four(data, place);
        if (Modifiers.two(data, place + 4) != HEAD || length < HEAD + 10 || Modifiers.four(data, place + HEAD) != 0xFFFFFFFF) return null;
        return new FormReading(data, place + HEAD + 4).read();
    }

    private FormTold read() {
        int bits = two();
        int type = bits & 3;
        int result = bits >> 2 & 0x1F;
        at += 4;
        String name = text();
        if (type == 0) text();
        int otherwise = type == 0 ? 0 : two();
        for (int i = 0; i < 5; i++) text();
        return FormTold.of(type, name, type == 2 ? list() : List.of(), result, otherwise);
    }

    private int two() {
        at += 2;
        return Modifiers.two(data, at - 2);
    }

    /** Letters after their number, ended by a zero. */
    private String text() {
        int letters = Math.min(two(), Math.max(0, (data.length - at) / 2));
        String text = new String(data, Math.min(at, data.length), 2 * letters, StandardCharsets.UTF_16LE);
        at += 2 * letters + 2;
        return text;
    }

    /** A string table (2.2.4): its mark, how many there are, how long what follows each is; all of two bytes, as files have it. */
    private List<String> list() {
        if (two() != 0xFFFF) return List.of();
        int count = two();
        int extra = two();
        List<String> entries = new ArrayList<>();
        for (int i = 0; i < count && at < data.length; i++) {
            int letters = Math.min(two(), Math.max(0, (data.length - at) / 2));
            entries.add(new String(data, Math.min(at, data.length), 2 * letters, StandardCharsets.UTF_16LE));
            at += 2 * letters + extra;
        }
        return entries;
    }
}
