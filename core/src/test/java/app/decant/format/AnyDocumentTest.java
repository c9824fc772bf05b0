package app.decant.format;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.RandomDocument;
import app.decant.document.Stories;
import app.decant.document.Story;
import app.decant.document.Table;
import app.decant.document.TextBox;
import app.decant.document.TrackedChanges;
import app.decant.document.Walk;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.TreeSet;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.poi.hwpf.HWPFDocument;
import org.apache.poi.xwpf.extractor.XWPFWordExtractor;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.jsoup.Jsoup;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Any document, however odd, is written in every format so that it opens again with its words in order, and its tables in their shapes. What publishing
 * proves of itself is looked at by the side: letters of every paragraph, counted by one who knows nothing of the check.
 */
class AnyDocumentTest {
    private static final int DOCUMENTS = 120;

    @TempDir private Path folder;

    @ParameterizedTest @ValueSource(strings = {"docx", "odt", "rtf", "doc", "html", "epub", "md", "txt", "pdf"})
    void everyFormatKeepsItsWords(String ending) {
        Recipe recipe = Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE).with(Recipe.Changes.MARKED).as(Target.of(ending));
        for (int seed = 0; seed < DOCUMENTS; seed++) {
            Document document = new RandomDocument(new Random(seed)).document();
            if (holdsMoreThanFormatsHave(document)) continue;
            Path file = folder.resolve("any." + ending);
            Receipt receipt = publish(document, recipe, file, seed);
            assertThat(receipt.proofs()).as("seed %d", seed).allSatisfy(proof -> assertThat(proof.holds()).as(proof.sentence()).isTrue());
        }
    }

    /** Letters drawn by lot are all different, so that each has to be on a page once: as PDFBox reads it. */
    @Test void everyLetterIsOnAPage() throws IOException {
        Recipe recipe = Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE).with(Recipe.Changes.ACCEPTED);
        for (int seed = 0; seed < DOCUMENTS / 2; seed++) {
            Document document = new RandomDocument(new Random(seed)).document();
            if (holdsMoreThanFormatsHave(document)) continue;
            Path file = publish(document, recipe, folder.resolve("any.pdf"), seed).file();
            String read;
            try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
                read = new PDFTextStripper().getText(pdf);
            }
            for (String passage : letters(TrackedChanges.settled(document, true)))
                for (int letter : passage.codePoints().toArray())
                    assertThat(read.codePoints().filter(one -> one == letter).count()).as("seed %d: %s", seed, Character.toString(letter)).isEqualTo(1);
        }
    }

    /** The same of office files, as the common library reads them, and of a book or a web page without its markup. */
    @ParameterizedTest @ValueSource(strings = {"docx", "doc", "html"})
    void everyLetterIsReadByOthers(String ending) throws IOException {
        Recipe recipe = Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE).with(Recipe.Changes.ACCEPTED).as(Target.of(ending));
        for (int seed = 0; seed < DOCUMENTS / 2; seed++) {
            Document document = new RandomDocument(new Random(seed)).document();
            if (holdsMoreThanFormatsHave(document) || hasBoxes(document)) continue;
            String read = othersRead(ending, Files.readAllBytes(publish(document, recipe, folder.resolve("any." + ending), seed).file()));
            for (String passage : letters(TrackedChanges.settled(document, true)))
                for (int letter : passage.codePoints().toArray())
                    assertThat(read.codePoints().filter(one -> one == letter).count()).as("seed %d: %s", seed, Character.toString(letter)).isEqualTo(1);
        }
    }

    private static String othersRead(String ending, byte[] bytes) throws IOException {
        if (ending.equals("html")) return Jsoup.parse(new String(bytes, StandardCharsets.UTF_8)).body().text();
        if (ending.equals("doc")) {
            // Not its extractor, which tells results of fields over several paragraphs twice.
            try (HWPFDocument doc = new HWPFDocument(new ByteArrayInputStream(bytes))) {
                return doc.getText().toString();
            }
        }
        try (XWPFWordExtractor docx = new XWPFWordExtractor(new XWPFDocument(new ByteArrayInputStream(bytes)))) {
            return docx.getText();
        }
    }

    /** Notes in notes and in boxes, and what floats in them, no format has a place for; nothing here makes them. */
    private static boolean holdsMoreThanFormatsHave(Document document) {
        for (Story story : Stories.all(document)) {
            if (story instanceof Story.Body) continue;
            for (Walk.Stop stop : Walk.of(document, story).stops())
                for (Inline inline : stop.paragraph().inlines()) if (inline instanceof Inline.Note || inline instanceof Inline.Floating) return true;
        }
        return false;
    }

    private static Receipt publish(Document document, Recipe recipe, Path file, int seed) {
        try {
            return Decant.publish(document, recipe, file);
        } catch (RuntimeException e) {
            throw new AssertionError("seed " + seed + ": " + e.getMessage(), e);
        }
    }

    @ParameterizedTest @ValueSource(strings = {"docx", "odt", "rtf", "doc"})
    void andItsParagraphsAndTables(String ending) {
        Recipe recipe = Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE).with(Recipe.Changes.ACCEPTED).as(Target.of(ending));
        for (int seed = 0; seed < DOCUMENTS; seed++) {
            Document document = new RandomDocument(new Random(seed)).document();
            // What stands in boxes stands in the text of a .doc, which is told.
            if (holdsMoreThanFormatsHave(document) || ending.equals("doc") && hasBoxes(document)) continue;
            Document again = Decant.open(publish(document, recipe, folder.resolve("any." + ending), seed).file()).document();
            Document settled = TrackedChanges.settled(document, true);
            assertThat(shapes(again)).as("seed %d", seed).isEqualTo(shapes(settled));
            assertThat(letters(again)).as("seed %d", seed).isEqualTo(letters(settled));
        }
    }

    private static boolean hasBoxes(Document document) {
        return Walk.of(document).stops().stream().flatMap(stop -> stop.paragraph().inlines().stream())
                .anyMatch(inline -> inline instanceof Inline.Floating floating && floating.content() instanceof TextBox);
    }

    /** Tables by their rows and cells, in order. */
    private static List<String> shapes(Document document) {
        List<String> shapes = new ArrayList<>();
        shapes(document.blocks(), shapes);
        return shapes;
    }

    private static void shapes(List<? extends Block> blocks, List<String> shapes) {
        for (Block block : blocks) {
            if (!(block instanceof Table table)) continue;
            StringBuilder shape = new StringBuilder();
            // A line between columns at which no cell ends is none: some formats know edges of cells only.
            TreeSet<Integer> edges = new TreeSet<>();
            for (Table.Row row : table.rows()) for (Table.Cell cell : row.cells()) edges.addAll(List.of(cell.column(), cell.column() + cell.columnSpan()));
            for (Table.Row row : table.rows()) {
                for (Table.Cell cell : row.cells())
                    shape.append(edges.headSet(cell.column()).size()).append('+').append(edges.subSet(cell.column(), cell.column() + cell.columnSpan()).size())
                            .append('x').append(cell.rowSpan()).append(' ');
                shape.append('/');
            }
            shapes.add(shape.toString());
            for (Table.Row row : table.rows()) for (Table.Cell cell : row.cells()) shapes(cell.blocks(), shapes);
        }
    }

    /** The letters of the body's paragraphs that say something; where another page or column begins, some formats have a paragraph of its own. */
    private static List<String> letters(Document document) {
        List<String> letters = new ArrayList<>();
        for (Walk.Stop stop : Walk.of(document, Story.BODY).stops()) {
            Paragraph paragraph = stop.paragraph();
            StringBuilder text = new StringBuilder();
            for (Inline inline : paragraph.inlines()) {
                if (inline instanceof Inline.Text run) text.append(run.text());
                else if (inline instanceof Inline.Field field && field.kind() != Inline.Field.Kind.PAGE) text.append(field.result());
            }
            for (String part : text.toString().split("[" + Inline.PAGE_BREAK + Inline.COLUMN_BREAK + "]")) {
                String plain = part.replaceAll("[\\s\\p{Cntrl}\\p{Cf}]", "");
                if (!plain.isEmpty()) letters.add(plain);
            }
        }
        return letters;
    }
}
