package app.decant.format.text;

import app.decant.document.Finding;
import app.decant.format.Written;
import app.decant.words.Message;
import java.nio.CharBuffer;
import java.nio.charset.Charset;
import java.nio.charset.CharsetEncoder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;

/**
 * How plain text is written.
 *
 * @param letters  the encoding
 * @param mark     whether a byte order mark stands first, which some old programs need; only where the encoding is one of Unicode's
 * @param lineEnds what stands at the end of a line
 * @param width    lines are wrapped at spaces to at most so many characters; 0 leaves every paragraph one line
 */
public record PlainText(Charset letters, boolean mark, LineEnds lineEnds, int width) {
    public static final PlainText PLAIN = new PlainText(StandardCharsets.UTF_8, false, LineEnds.LF, 0);
    private static final char MARK = '\uFEFF';

    /** Line feed as on most systems, carriage return and line feed as on Windows, carriage return as on old Macintosh. */
    public enum LineEnds {
        LF("\n"), CRLF("\r\n"), CR("\r");

        private final String text;

        LineEnds(String text) { this.text = text; }
    }

    public PlainText {
        if (width < 0) throw new IllegalArgumentException("A width is not below 0");
    }

    private boolean isUnicode() { return letters.name().startsWith("UTF-"); }

    /** Text with line feeds as a file. What the encoding has no letters for becomes question marks, and is told. */
    Written written(String text) {
        List<Finding> findings = new ArrayList<>();
        findings.add(Finding.changed(Message.of("text.plain-text-holds-no-looks-pictures")));
        String wrapped = width == 0 ? text : wrapped(text);
        String ended = lineEnds == LineEnds.LF ? wrapped : wrapped.replace("\n", lineEnds.text);
        int lost = lost(ended);
        if (lost > 0) findings.add(Finding.lost(Message.of("text.characters-cannot-be-written-in-question-marks", lost, letters.displayName())));
        // Java itself puts a mark before what it calls UTF-16.
        Charset plain = letters.equals(StandardCharsets.UTF_16) ? StandardCharsets.UTF_16BE : letters;
        boolean marked = mark && isUnicode() || letters.equals(StandardCharsets.UTF_16);
        return new Written((marked ? MARK + ended : ended).getBytes(plain), findings);
    }

    private int lost(String text) {
        if (isUnicode()) return 0;
        CharsetEncoder encoder = letters.newEncoder();
        return (int) text.codePoints().filter(one -> !encoder.canEncode(CharBuffer.wrap(Character.toChars(one)))).count();
    }

    /** What of a text the encoding keeps. */
    public String kept(String text) { return isUnicode() ? text : new String(text.getBytes(letters), letters); }

    private String wrapped(String text) {
        // Rows of tables stay whole.
        return Arrays.stream(text.split("\n", -1)).map(line -> line.indexOf('\t') >= 0 ? line : wrappedLine(line)).collect(Collectors.joining("\n"));
    }

    private String wrappedLine(String line) {
        StringBuilder out = new StringBuilder();
        int column = 0;
        for (String word : line.split(" ")) {
            int length = word.codePointCount(0, word.length());
            if (column > 0 && column + 1 + length > width) {
                out.append('\n');
                column = 0;
            } else if (column > 0) {
                out.append(' ');
                column++;
            }
            out.append(word);
            column += length;
        }
        return out.toString();
    }
}
