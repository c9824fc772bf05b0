package app.decant.format.text;

import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Look;
import app.decant.document.Numbering;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.Style;
import app.decant.document.StyleSheet;
import app.decant.document.TextProperty;
import app.decant.format.Taken;
import app.decant.words.Message;
import com.ibm.icu.text.CharsetDetector;
import com.ibm.icu.text.CharsetMatch;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Reads plain text: every line is a paragraph. */
public final class TextReader {
    /** Lines read between two looks whether to go on. */
    private static final int STEP = 1000;

    private TextReader() { }

    /** @param letters the encoding where it is known, else null */
    public static Taken read(byte[] file, Charset letters, Progress progress) {
        List<Finding> findings = new ArrayList<>();
        String text = letters == null ? decoded(file, findings) : new String(file, letters).replaceFirst("^\uFEFF", "");
        List<Block> blocks = new ArrayList<>();
        for (String line : text.replace("\r\n", "\n").replace('\r', '\n').split("\n", -1)) {
            if (blocks.size() % STEP == 0) progress.step(0, 0, Message.of("step.reading"));
            blocks.add(Paragraph.of(line.replace("\0", "").replace('\f', ' ')));
        }
        if (blocks.size() > 1 && ((Paragraph) blocks.get(blocks.size() - 1)).length() == 0) blocks.remove(blocks.size() - 1);
        Look defaults = Look.of(TextProperty.FAMILY, "Liberation Mono").with(TextProperty.SIZE, 10.0);
        Style normal = new Style("Text", "Text", Style.Kind.PARAGRAPH, null, null, Look.of(ParagraphProperty.WIDOW_CONTROL, false));
        StyleSheet styles = new StyleSheet(defaults, "Text", null, Map.of("Text", normal));
        Document document = new Document(Facts.NONE, styles, Numbering.NONE, List.of(Section.PLAIN.withBlocks(blocks)), false, Document.TAB_WIDTH, List.of());
        return new Taken(document, findings);
    }

    /** The text of a file, its letters told. */
    public static String text(byte[] file) { return decoded(file, new ArrayList<>()); }

    private static String decoded(byte[] file, List<Finding> findings) {
        if (file.length >= 2 && (file[0] == (byte) 0xFF && file[1] == (byte) 0xFE || file[0] == (byte) 0xFE && file[1] == (byte) 0xFF))
            return new String(file, StandardCharsets.UTF_16);
        try {
            String text = StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(file)).toString();
            return text.startsWith("\uFEFF") ? text.substring(1) : text;
        } catch (CharacterCodingException e) {
            CharsetMatch match = new CharsetDetector().setText(file).detect();
            Charset charset = match != null && Charset.isSupported(match.getName()) ? Charset.forName(match.getName()) : Charset.forName("windows-1252");
            findings.add(Finding.changed(Message.of("text.the-text-does-not-say-how", charset.displayName())));
            return new String(file, charset);
        }
    }
}
