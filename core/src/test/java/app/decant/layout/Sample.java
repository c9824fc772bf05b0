package app.decant.layout;

import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Numbering;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Section;
import app.decant.document.Style;
import app.decant.document.StyleSheet;
import app.decant.document.TextProperty;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.page.Piece;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;

/** Small documents for tests: 10 pt Liberation Sans on A4. */
public final class Sample {
    private Sample() { }

    public static StyleSheet styles() {
        Map<String, Style> styles = new LinkedHashMap<>();
        styles.put("Normal", new Style("Normal", "Normal", Style.Kind.PARAGRAPH, null, null, Look.PLAIN));
        for (int level = 1; level <= 3; level++) {
            styles.put("Heading" + level, new Style("Heading" + level, "heading " + level, Style.Kind.PARAGRAPH, "Normal", "Normal",
                    Look.of(TextProperty.BOLD, true).with(TextProperty.SIZE, 20.0 - 3 * level).with(ParagraphProperty.OUTLINE_LEVEL, level)
                            .with(ParagraphProperty.KEEP_WITH_NEXT, true).with(ParagraphProperty.SPACE_BEFORE, 12.0)));
        }
        Look defaults = Look.of(TextProperty.FAMILY, "Liberation Sans").with(TextProperty.SIZE, 10.0).with(ParagraphProperty.WIDOW_CONTROL, true);
        return new StyleSheet(defaults, "Normal", null, styles);
    }

    public static Document of(List<? extends Block> blocks) { return of(Section.PLAIN.withBlocks(List.copyOf(blocks))); }

    public static Document of(Section... sections) {
        return new Document(Facts.NONE, styles(), Numbering.NONE, List.of(sections), false, Document.TAB_WIDTH, List.of());
    }

    public static Paragraph looking(String text, Look look) { return new Paragraph(null, look, Look.PLAIN, List.of(new Inline.Text(text, Look.PLAIN))); }

    /** Paragraphs of words that are the same each time. */
    public static List<Block> prose(int paragraphs, int words, long seed) {
        Random random = new Random(seed);
        List<Block> blocks = new ArrayList<>();
        for (int p = 0; p < paragraphs; p++) {
            if (p % 9 == 0) blocks.add(Paragraph.styled("Heading" + (1 + p / 9 % 3), "Part " + p));
            StringBuilder text = new StringBuilder();
            int count = words / 2 + random.nextInt(words);
            for (int w = 0; w < count; w++) {
                int length = 2 + random.nextInt(8);
                for (int i = 0; i < length; i++) text.append((char) ('a' + random.nextInt(26)));
                text.append(w < count - 1 ? ' ' : '.');
            }
            blocks.add(Paragraph.of(text.toString()));
        }
        return blocks;
    }

    /** What a page says, line by line. */
    public static List<String> lines(Page page) {
        List<String> lines = new ArrayList<>();
        for (Item item : page.text()) {
            if (!(item instanceof Item.LineItem line)) continue;
            StringBuilder text = new StringBuilder();
            for (Piece piece : line.line().pieces()) {
                if (piece instanceof Piece.Glyphs glyphs) text.append(glyphs.text());
                else if (piece instanceof Piece.Tab) text.append('\t');
            }
            lines.add(text.toString().trim());
        }
        return lines;
    }
}
