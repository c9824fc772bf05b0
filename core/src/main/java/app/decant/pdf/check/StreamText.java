package app.decant.pdf.check;

import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.Map;
import org.apache.pdfbox.contentstream.PDFStreamEngine;
import org.apache.pdfbox.contentstream.operator.markedcontent.BeginMarkedContentSequence;
import org.apache.pdfbox.contentstream.operator.markedcontent.BeginMarkedContentSequenceWithProperties;
import org.apache.pdfbox.contentstream.operator.markedcontent.EndMarkedContentSequence;
import org.apache.pdfbox.contentstream.operator.state.Restore;
import org.apache.pdfbox.contentstream.operator.state.Save;
import org.apache.pdfbox.contentstream.operator.text.BeginText;
import org.apache.pdfbox.contentstream.operator.text.EndText;
import org.apache.pdfbox.contentstream.operator.text.SetFontAndSize;
import org.apache.pdfbox.contentstream.operator.text.ShowText;
import org.apache.pdfbox.contentstream.operator.text.ShowTextAdjusted;
import org.apache.pdfbox.contentstream.operator.text.ShowTextLine;
import org.apache.pdfbox.contentstream.operator.text.ShowTextLineAndSpace;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSString;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.font.PDFont;

/**
 * Reads what a page says in the order in which its content stream says it, as any reader that copies text does (ISO 32000-1, 9.10): codes through the
 * fonts' own maps to Unicode, replacement text where it is given. Nothing is sorted, and forms are not entered.
 */
public final class StreamText extends PDFStreamEngine {
    private final StringBuilder text = new StringBuilder();
    private final Map<PDFont, Map<Integer, String>> letters = new IdentityHashMap<>();
    private int depth;
    /** How deep the marked content began that has a text of its own; 0 outside of any. */
    private int replacedAt;

    StreamText() {
        addOperator(new BeginText(this));
        addOperator(new EndText(this));
        addOperator(new SetFontAndSize(this));
        addOperator(new ShowText(this));
        addOperator(new ShowTextAdjusted(this));
        addOperator(new ShowTextLine(this));
        addOperator(new ShowTextLineAndSpace(this));
        addOperator(new Save(this));
        addOperator(new Restore(this));
        addOperator(new BeginMarkedContentSequence(this));
        addOperator(new BeginMarkedContentSequenceWithProperties(this));
        addOperator(new EndMarkedContentSequence(this));
    }

    /** All that a page says. */
    String of(PDPage page) throws IOException {
        text.setLength(0);
        depth = 0;
        replacedAt = 0;
        processPage(page);
        return text.toString();
    }

    @Override public void beginMarkedContentSequence(COSName tag, COSDictionary properties) {
        depth++;
        String replacement = properties == null ? null : properties.getString(COSName.ACTUAL_TEXT);
        if (replacement == null || replacedAt > 0) return;
        replacedAt = depth;
        text.append(replacement);
    }

    @Override public void endMarkedContentSequence() {
        if (depth == replacedAt) replacedAt = 0;
        depth--;
    }

    @Override public void showTextString(byte[] string) throws IOException { show(string); }

    @Override public void showTextStrings(COSArray array) throws IOException {
        for (COSBase one : array) if (one instanceof COSString string) show(string.getBytes());
    }

    private void show(byte[] codes) throws IOException {
        if (replacedAt > 0) return;
        PDFont font = getGraphicsState().getTextState().getFont();
        if (font == null) throw new IOException("Text is shown without a font");
        Map<Integer, String> known = letters.computeIfAbsent(font, key -> new HashMap<>());
        InputStream in = new ByteArrayInputStream(codes);
        while (in.available() > 0) {
            int code = font.readCode(in);
            String letter = known.get(code);
            if (letter == null) {
                letter = font.toUnicode(code);
                known.put(code, letter == null ? "\uFFFD" : letter);
            }
            text.append(known.get(code));
        }
    }
}
