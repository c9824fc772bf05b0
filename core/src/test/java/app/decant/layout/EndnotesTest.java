package app.decant.layout;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Inline.Note.Kind;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.font.FontCatalogue;
import app.decant.publish.Recipe;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Endnotes stand behind the text, one after another (ISO/IEC 29500-1, 17.11.2: at the end of the document where nothing else is said); footnotes stay. */
class EndnotesTest {
    private static Inline.Note note(Kind kind, String words) {
        return new Inline.Note(kind, List.of(Paragraph.of("").withInlines(List.of(new Inline.Field(Inline.Field.Kind.NOTE_MARK, "", "", Look.PLAIN),
                new Inline.Text(" " + words, Look.PLAIN)))), null, Look.PLAIN);
    }

    private static Paragraph paragraph(int number, Inline... notes) {
        String words = "Paragraph " + number + " of the harbour rules" + " and what they say of ropes".repeat(9);
        List<Inline> inlines = new ArrayList<>(List.of(new Inline.Text(words, Look.PLAIN)));
        inlines.addAll(List.of(notes));
        return Paragraph.of("").withInlines(inlines);
    }

    private static Document document(List<Block> blocks) {
        Document empty = Document.empty();
        return empty.withSections(List.of(empty.sections().get(0).withBlocks(blocks)));
    }

    private static List<Block> rules(int count, int every) {
        List<Block> blocks = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            Inline.Note foot = note(Kind.FOOTNOTE, "foot of " + i);
            Inline.Note end = note(Kind.ENDNOTE, "end of " + i);
            blocks.add(i % every == 0 ? paragraph(i, foot, end) : paragraph(i));
        }
        return blocks;
    }

    private static List<List<String>> lines(PagedDocument pages) { return pages.pages().stream().map(Sample::lines).toList(); }

    private static PagedDocument laid(Document document) { return Layout.of(document, FontCatalogue.shipped()); }

    @Test void standBehindTheText(@TempDir Path folder) throws IOException {
        Path file = folder.resolve("rules.pdf");
        Decant.publish(document(rules(60, 20)), Recipe.PLAIN, file);
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            String text = new PDFTextStripper().getText(pdf);
            assertThat(text.indexOf("foot of 0")).as("on its own page").isLessThan(text.indexOf("Paragraph 40"));
            assertThat(text.indexOf("i end of 0")).as("behind all text").isGreaterThan(text.indexOf("Paragraph 59"));
            assertThat(text.indexOf("ii end of 20")).isGreaterThan(text.indexOf("i end of 0"));
            assertThat(text.indexOf("iii end of 40")).isGreaterThan(text.indexOf("ii end of 20"));
        }
    }

    /** More of them than a page holds go on over pages, none lost. */
    @Test void goOnOverPages() {
        PagedDocument pages = laid(document(rules(90, 1)));
        List<String> told = new ArrayList<>();
        for (List<String> page : lines(pages)) for (String line : page) if (line.contains(" end of ")) told.add(line.strip());
        assertThat(told).hasSize(90);
        assertThat(told.get(89)).endsWith("end of 89");
        assertThat(lines(pages).get(pages.pages().size() - 1)).allMatch(line -> line.contains(" end of "));
    }

    /** A note put in before others counts them on, wherever they stand; the pages are those of a layout from the start. */
    @Test void countOnWhereOneComesBefore() {
        List<Block> blocks = rules(60, 20);
        Layout layout = new Layout(FontCatalogue.shipped());
        layout.next(document(blocks));
        blocks.set(3, paragraph(3, note(Kind.ENDNOTE, "end of 3")));
        Document changed = document(blocks);
        PagedDocument next = layout.next(changed);
        assertThat(lines(next)).isEqualTo(lines(laid(changed)));
        assertThat(String.join("\n", lines(next).get(next.pages().size() - 1))).contains("ii end of 3", "iv end of 40");
        blocks.set(3, paragraph(3));
        Document back = document(blocks);
        assertThat(lines(layout.next(back))).isEqualTo(lines(laid(back)));
    }
}
