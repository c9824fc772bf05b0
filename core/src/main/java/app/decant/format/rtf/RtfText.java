package app.decant.format.rtf;

import app.decant.document.Inline;

/** Text as rich text files have it: ASCII, everything else by its number. */
final class RtfText {
    private RtfText() { }

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
