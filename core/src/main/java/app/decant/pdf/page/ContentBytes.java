package app.decant.pdf.page;

import java.nio.charset.StandardCharsets;
import java.util.Arrays;

/** The bytes of a content stream while it grows: operators, numbers, hexadecimal strings. */
public final class ContentBytes {
    private static final byte[] DIGITS = "0123456789ABCDEF".getBytes(StandardCharsets.US_ASCII);
    private byte[] bytes = new byte[8192];
    private int length;

    private void room(int more) { if (length + more > bytes.length) bytes = Arrays.copyOf(bytes, Math.max(bytes.length * 2, length + more)); }

    /** ASCII text as it is. */
    ContentBytes append(String ascii) {
        room(ascii.length());
        for (int i = 0; i < ascii.length(); i++) bytes[length++] = (byte) ascii.charAt(i);
        return this;
    }

    ContentBytes append(char ascii) {
        room(1);
        bytes[length++] = (byte) ascii;
        return this;
    }

    /** A number with up to four places and no more than it needs. */
    ContentBytes number(double value) {
        long scaled = Math.round(value * 10000);
        if (scaled < 0) append('-');
        long positive = Math.abs(scaled);
        whole(positive / 10000);
        int rest = (int) (positive % 10000);
        if (rest == 0) return this;
        append('.');
        for (int place = 1000; rest > 0; place /= 10) {
            append((char) ('0' + rest / place));
            rest %= place;
        }
        return this;
    }

    ContentBytes whole(long value) {
        if (value < 0) append('-');
        long positive = Math.abs(value);
        long power = 1;
        while (positive / power >= 10) power *= 10;
        for (; power > 0; power /= 10) append((char) ('0' + positive / power % 10));
        return this;
    }

    /** Four hexadecimal digits. */
    ContentBytes hex(int code) {
        room(4);
        bytes[length] = DIGITS[code >> 12 & 15];
        bytes[length + 1] = DIGITS[code >> 8 & 15];
        bytes[length + 2] = DIGITS[code >> 4 & 15];
        bytes[length + 3] = DIGITS[code & 15];
        length += 4;
        return this;
    }

    /** A character code as the two bytes of a literal string (ISO 32000-1, 7.3.4.2): half the length of hexadecimal, so quicker to compress. */
    ContentBytes code(int code) {
        room(4);
        escaped((byte) (code >> 8));
        escaped((byte) code);
        return this;
    }

    /** A character code as one byte of a literal string. */
    ContentBytes shortCode(int code) {
        room(2);
        escaped((byte) code);
        return this;
    }

    private void escaped(byte one) {
        boolean carriageReturn = one == '\r';
        if (one == '(' || one == ')' || one == '\\' || carriageReturn) bytes[length++] = '\\';
        bytes[length++] = carriageReturn ? (byte) 'r' : one;
    }

    boolean endsWith(String ascii) {
        if (length < ascii.length()) return false;
        for (int i = 0; i < ascii.length(); i++) if (bytes[length - ascii.length() + i] != ascii.charAt(i)) return false;
        return true;
    }

    /** Takes the last bytes back. */
    void takeBack(int count) { length -= count; }

    byte[] toBytes() { return Arrays.copyOf(bytes, length); }
}
