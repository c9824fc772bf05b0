package app.decant.pdf.check;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;

/**
 * Goes through a content stream from operator to operator (ISO 32000-1, 7.2 and 7.8.2), and keeps of the operands only what text is made of: strings,
 * names, and where a dictionary stands. Numbers are passed over unread: a page has more of them than of anything else.
 */
final class ContentScan {
    /** There is no other operator. */
    static final int END = -1;
    private static final byte[] ENTRY = "/ActualText".getBytes(StandardCharsets.US_ASCII);

    private final byte[] bytes;
    private int at;
    /** The bytes of all strings before the operator, one after the other. */
    private byte[] strings = new byte[256];
    private int stringsEnd;
    private String firstName;
    private String lastName;
    private int dictionary;
    private int dictionaryEnd;

    ContentScan(byte[] bytes) { this.bytes = bytes; }

    /** An operator as a number: its letters, the last one lowest. */
    static int operator(String letters) {
        int operator = 0;
        for (int i = 0; i < letters.length(); i++) operator = operator << 8 | letters.charAt(i);
        return operator;
    }

    /**
     * @return the next operator, as {@link #operator} counts it, or {@link #END}
     * @throws IOException where the stream breaks off within a string, a dictionary or a picture
     */
    int next() throws IOException {
        stringsEnd = 0;
        firstName = null;
        lastName = null;
        dictionary = 0;
        dictionaryEnd = 0;
        while (at < bytes.length) {
            byte b = bytes[at];
            if (b == '(') literal();
            else if (b == '/') name();
            else if (b == '<') hexadecimalOrDictionary();
            else if (b == '%') comment();
            else if (b >= '0' && b <= '9' || b == '-' || b == '.' || b == '+') while (at < bytes.length && isRegular(bytes[at])) at++;
            else if (isRegular(b)) {
                int operator = word();
                if (operator != 0) return operator;
            } else at++;
        }
        return END;
    }

    /** How many bytes of strings stood before the operator. */
    int length() { return stringsEnd; }

    int code(int index) { return strings[index] & 0xFF; }

    byte[] codes() { return Arrays.copyOf(strings, stringsEnd); }

    /** The first name before the operator, such as that of a font, or null. */
    String firstName() { return firstName; }

    /** The last name before the operator where another stood before it, such as that of properties, or null. */
    String lastName() { return lastName; }

    /** The dictionary before the operator where it holds a text of its own (ISO 32000-1, 14.9.4), else null. */
    byte[] replacing() {
        for (int i = dictionary; i + ENTRY.length <= dictionaryEnd; i++)
            if (Arrays.equals(bytes, i, i + ENTRY.length, ENTRY, 0, ENTRY.length)) return Arrays.copyOfRange(bytes, dictionary, dictionaryEnd);
        return null;
    }

    /** An operator, or 0 for words that are operands. */
    private int word() throws IOException {
        int start = at;
        int operator = 0;
        while (at < bytes.length && isRegular(bytes[at])) operator = operator << 8 | bytes[at++] & 0xFF;
        if (at - start == 2 && bytes[start] == 'I' && bytes[start + 1] == 'D') picture();
        boolean operand = operator == operator("true") || operator == operator("null") || at - start == 5 && bytes[start] == 'f';
        return operand ? 0 : operator;
    }

    /** Passes over the samples of a picture in the line (ISO 32000-1, 8.9.7). */
    private void picture() throws IOException {
        for (int i = at + 1; i + 2 < bytes.length; i++) {
            if (!isSpace(bytes[i]) || bytes[i + 1] != 'E' || bytes[i + 2] != 'I' || i + 3 < bytes.length && !isSpace(bytes[i + 3])) continue;
            at = i + 1;
            return;
        }
        throw new IOException("The content stream breaks off in a picture");
    }

    private void comment() { while (at < bytes.length && bytes[at] != '\n' && bytes[at] != '\r') at++; }

    private void name() {
        int start = ++at;
        boolean escaped = false;
        while (at < bytes.length && isRegular(bytes[at])) escaped |= bytes[at++] == '#';
        String name = new String(bytes, start, at - start, StandardCharsets.ISO_8859_1);
        if (escaped) name = unescaped(name);
        if (firstName == null) firstName = name;
        else lastName = name;
    }

    /** A number sign and two digits stand for a byte (ISO 32000-1, 7.3.5). */
    private static String unescaped(String name) {
        StringBuilder plain = new StringBuilder(name.length());
        for (int i = 0; i < name.length(); i++) {
            boolean coded = name.charAt(i) == '#' && i + 2 < name.length() && Character.digit(name.charAt(i + 1), 16) >= 0
                    && Character.digit(name.charAt(i + 2), 16) >= 0;
            plain.append(coded ? (char) Integer.parseInt(name.substring(i + 1, i + 3), 16) : name.charAt(i));
            if (coded) i += 2;
        }
        return plain.toString();
    }

    private void hexadecimalOrDictionary() throws IOException {
        if (at + 1 < bytes.length && bytes[at + 1] == '<') {
            dictionary = at;
            dictionary();
            dictionaryEnd = at;
            return;
        }
        int high = -1;
        for (at++; at < bytes.length; at++) {
            if (bytes[at] == '>') {
                if (high >= 0) put(high << 4);
                at++;
                return;
            }
            int digit = Character.digit(bytes[at], 16);
            if (digit < 0) continue;
            if (high >= 0) put(high << 4 | digit);
            high = high >= 0 ? -1 : digit;
        }
        throw new IOException("The content stream breaks off in a string");
    }

    /** Passes over a dictionary and those within it; what stands in strings ends none. */
    private void dictionary() throws IOException {
        int before = stringsEnd;
        int depth = 0;
        while (at + 1 < bytes.length) {
            if (bytes[at] == '(') {
                literal();
            } else if (bytes[at] == '<' && bytes[at + 1] == '<') {
                depth++;
                at += 2;
            } else if (bytes[at] == '>' && bytes[at + 1] == '>') {
                at += 2;
                if (--depth > 0) continue;
                stringsEnd = before;
                return;
            } else {
                at++;
            }
        }
        throw new IOException("The content stream breaks off in a dictionary");
    }

    /** A string in parentheses (ISO 32000-1, 7.3.4.2). */
    private void literal() throws IOException {
        int depth = 1;
        for (at++; at < bytes.length; at++) {
            byte b = bytes[at];
            if (b == '\\') {
                escape();
                continue;
            }
            if (b == '(') depth++;
            if (b == ')' && --depth == 0) {
                at++;
                return;
            }
            boolean pair = b == '\r' && at + 1 < bytes.length && bytes[at + 1] == '\n';
            if (pair) at++;
            put(b == '\r' ? '\n' : b);
        }
        throw new IOException("The content stream breaks off in a string");
    }

    /** What a backslash stands before; leaves the place at its last byte. */
    private void escape() {
        if (++at >= bytes.length) return;
        byte b = bytes[at];
        if (b >= '0' && b <= '7') {
            int code = b - '0';
            for (int i = 0; i < 2 && at + 1 < bytes.length && bytes[at + 1] >= '0' && bytes[at + 1] <= '7'; i++) code = code << 3 | bytes[++at] - '0';
            put(code);
            return;
        }
        switch (b) {
            case 'n' -> put('\n');
            case 'r' -> put('\r');
            case 't' -> put('\t');
            case 'b' -> put('\b');
            case 'f' -> put('\f');
            case '\n' -> { }
            case '\r' -> at += at + 1 < bytes.length && bytes[at + 1] == '\n' ? 1 : 0;
            default -> put(b);
        }
    }

    private void put(int code) {
        if (stringsEnd == strings.length) strings = Arrays.copyOf(strings, stringsEnd * 2);
        strings[stringsEnd++] = (byte) code;
    }

    private static boolean isSpace(byte b) { return b == ' ' || b == '\n' || b == '\r' || b == '\t' || b == '\f' || b == 0; }

    private static boolean isRegular(byte b) {
        return !isSpace(b) && b != '(' && b != ')' && b != '<' && b != '>' && b != '[' && b != ']' && b != '{' && b != '}' && b != '/' && b != '%';
    }
}
