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
import java.util.function.Consumer;

/** Reads plain text: every line is a paragraph. */
public final class TextReader {
    /** Lines read between two looks whether to go on. */
    private static final int STEP = 1000;

    private TextReader() { }

    /** @param letters the encoding where it is known, else null */
    public static Taken read(byte[] file, Charset letters, Progress progress) {
        List<Finding> findings = new ArrayList<>();
        String text = text(file, letters == null ? letters(file, findings::add) : letters);
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

    /** The text of a file, in the encoding that it tells or that was found out. */
    public static String text(byte[] file) { return text(file, letters(file, finding -> { })); }

    /** The text of a file whose encoding is known, without the mark that may stand before it. */
    public static String text(byte[] file, Charset letters) {
        String text = new String(file, letters);
        return text.startsWith("\uFEFF") ? text.substring(1) : text;
    }

    /** The encoding of a file, as it says itself or can be found out from its letters; the latter is told. */
    public static Charset letters(byte[] file, Consumer<Finding> findings) {
        if (file.length >= 2 && (file[0] == (byte) 0xFF && file[1] == (byte) 0xFE || file[0] == (byte) 0xFE && file[1] == (byte) 0xFF))
            return StandardCharsets.UTF_16;
        try {
            StandardCharsets.UTF_8.newDecoder().decode(ByteBuffer.wrap(file));
            return StandardCharsets.UTF_8;
        } catch (CharacterCodingException e) {
            CharsetMatch match = new CharsetDetector().setText(file).detect();
            Charset charset = match != null && Charset.isSupported(match.getName()) ? Charset.forName(match.getName()) : Charset.forName("windows-1252");
            findings.accept(Finding.changed(Message.of("text.the-text-does-not-say-how", charset.displayName())));
            return charset;
        }
    }
}
