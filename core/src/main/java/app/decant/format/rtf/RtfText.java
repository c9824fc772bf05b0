package app.decant.format.rtf;

import app.decant.document.Inline;
import java.nio.charset.Charset;

/** Text as rich text files have it: ASCII, everything else by its number. */
final class RtfText {
    /** The letters that bytes of fonts with signs of their own are read as. */
    private static final Charset WESTERN = Charset.forName("windows-1252");

    private RtfText() { }

    /** Bytes of a font whose character set is its own (\\fcharset2) as the characters that such fonts number them by, from U+F020. */
    static String signs(String text) {
        StringBuilder signs = new StringBuilder(text.length());
        for (char c : text.toCharArray()) {
            byte[] told = String.valueOf(c).getBytes(WESTERN);
            boolean known = c == '?' || told[0] != '?';
            signs.append(known && (told[0] & 0xFF) > ' ' ? (char) (0xF000 | told[0] & 0xFF) : c);
        }
        return signs.toString();
    }

    static String escaped(String text) {
        StringBuilder out = new StringBuilder(text.length() + 16);
        for (char c : text.toCharArray()) {
            switch (c) {
                case '\\', '{', '}' -> out.append('\\').append(c);
                case Inline.TAB -> out.append("\\tab ");
                case Inline.LINE_BREAK -> out.append("\\line ");
                case Inline.PAGE_BREAK -> out.append("\\page ");
                case Inline.COLUMN_BREAK -> out.append("\\column ");
                case '\u00A0' -> out.append("\\~");
                case '\u00AD' -> out.append("\\-");
                case '\u2011' -> out.append("\\_");
                default -> {
                    if (c >= ' ' && c < 127) out.append(c);
                    else if (c >= 127) out.append("\\u").append((short) c).append('?');
                }
            }
        }
        return out.toString();
    }
}
