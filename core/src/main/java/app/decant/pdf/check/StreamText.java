package app.decant.pdf.check;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Deque;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.contentstream.operator.OperatorName;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdfparser.PDFStreamParser;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.documentinterchange.markedcontent.PDPropertyList;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDSimpleFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;

/**
 * Reads what a page says in the order in which its content stream says it, as any reader that copies text does (ISO 32000-1, 9.10): codes through the
 * fonts' own maps to Unicode, replacement text where it is given. Nothing is sorted, nothing is placed, and forms are not entered.
 */
final class StreamText {
    private final StringBuilder text = new StringBuilder();
    private final Map<PDFont, Letters> letters = new IdentityHashMap<>();
    /** The fonts of the graphics states that are kept; the innermost first, null for none. */
    private final Deque<PDFont[]> states = new ArrayDeque<>();
    private final Map<COSName, PDFont> fonts = new HashMap<>();
    private PDResources resources;
    private PDFont font;
    private int depth;
    /** How deep the marked content began that has a text of its own; 0 outside of any. */
    private int replacedAt;

    /** All that a page says. */
    String of(PDPage page) throws IOException {
        text.setLength(0);
        states.clear();
        fonts.clear();
        resources = page.getResources();
        font = null;
        depth = 0;
        replacedAt = 0;
        byte[] stream;
        try (InputStream in = page.getContents()) {
            stream = in.readAllBytes();
        }
        PDFStreamParser parser = new PDFStreamParser(stream);
        List<COSBase> operands = new ArrayList<>();
        for (Object token = parser.parseNextToken(); token != null; token = parser.parseNextToken()) {
            if (token instanceof COSBase operand) {
                operands.add(operand);
            } else if (token instanceof Operator operator) {
                perform(operator.getName(), operands);
                operands.clear();
            }
        }
        return text.toString();
    }

    private void perform(String operator, List<COSBase> operands) throws IOException {
        COSBase last = operands.isEmpty() ? null : operands.get(operands.size() - 1);
        switch (operator) {
            case OperatorName.SAVE -> states.push(new PDFont[] {font});
            case OperatorName.RESTORE -> font = states.isEmpty() ? font : states.pop()[0];
            case OperatorName.SET_FONT_AND_SIZE -> font = operands.size() > 1 && operands.get(0) instanceof COSName name ? font(name) : null;
            case OperatorName.SHOW_TEXT, OperatorName.SHOW_TEXT_LINE, OperatorName.SHOW_TEXT_LINE_AND_SPACE -> show(last);
            case OperatorName.SHOW_TEXT_ADJUSTED -> {
                if (last instanceof COSArray parts) for (COSBase part : parts) show(part);
            }
            case OperatorName.BEGIN_MARKED_CONTENT -> depth++;
            case OperatorName.BEGIN_MARKED_CONTENT_SEQ -> begin(last);
            case OperatorName.END_MARKED_CONTENT -> {
                if (depth == replacedAt) replacedAt = 0;
                depth--;
            }
            default -> { }
        }
    }

    private PDFont font(COSName name) throws IOException {
        PDFont found = fonts.get(name);
        if (found == null) fonts.put(name, found = resources.getFont(name));
        return found;
    }

    /** Marked content with its properties, which stand here or among the page's resources. */
    private void begin(COSBase properties) {
        depth++;
        PDPropertyList named = properties instanceof COSName name ? resources.getProperties(name) : null;
        COSDictionary told = properties instanceof COSDictionary own ? own : named == null ? null : named.getCOSObject();
        String replacement = told == null ? null : told.getString(COSName.ACTUAL_TEXT);
        if (replacement == null || replacedAt > 0) return;
        replacedAt = depth;
        text.append(replacement);
    }

    private void show(COSBase string) throws IOException {
        if (replacedAt > 0 || !(string instanceof COSString codes)) return;
        if (font == null) throw new IOException("Text is shown without a font");
        letters.computeIfAbsent(font, Letters::new).say(codes.getBytes(), text);
    }

    /** What the codes of a font say, each asked for once. */
    private static final class Letters {
        private final PDFont font;
        /** How many bytes every code has; 0 where the font alone can tell. */
        private final int width;
        private String[] known = new String[256];

        Letters(PDFont font) {
            this.font = font;
            boolean plain = font instanceof PDType0Font composite && composite.getCMap().getName() != null
                    && composite.getCMap().getName().startsWith("Identity-");
            width = font instanceof PDSimpleFont ? 1 : plain ? 2 : 0;
        }

        void say(byte[] codes, StringBuilder text) throws IOException {
            if (width == 0 || codes.length % width != 0) {
                ByteArrayInputStream in = new ByteArrayInputStream(codes);
                while (in.available() > 0) text.append(letter(font.readCode(in)));
                return;
            }
            for (int i = 0; i < codes.length; i += width) text.append(letter(width == 1 ? codes[i] & 0xFF : (codes[i] & 0xFF) << 8 | codes[i + 1] & 0xFF));
        }

        private String letter(int code) throws IOException {
            if (code > 0xFFFF || code < 0) return asked(code);
            if (code >= known.length) known = Arrays.copyOf(known, 0x10000);
            if (known[code] == null) known[code] = asked(code);
            return known[code];
        }

        private String asked(int code) throws IOException {
            String letter = font.toUnicode(code);
            return letter == null ? "\uFFFD" : letter;
        }
    }
}
