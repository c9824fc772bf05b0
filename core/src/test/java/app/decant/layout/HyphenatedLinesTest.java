package app.decant.layout;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.document.BlockPath;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Property;
import app.decant.document.StyleSheet;
import app.decant.document.TextProperty;
import app.decant.edit.Change;
import app.decant.edit.Styles;
import app.decant.edit.TextSelection;
import app.decant.font.FontCatalogue;
import app.decant.format.Formats;
import app.decant.page.Item;
import app.decant.page.Line;
import app.decant.page.Piece;
import app.decant.publish.Order;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.poi.hwpf.HWPFDocument;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Words parted at the ends of lines where the document asks for it. */
class HyphenatedLinesTest {
    private static final String TEXT = "Fahrscheine werden an der Anlegestelle verkauft, Dauerkarten ausschließlich in der Hauptgeschäftsstelle der "
            + "Fährgesellschaft. "
            + "Fahrräder, Handwagen und Kinderwagen werden unentgeltlich befördert, Kraftfahrzeuge nach Voranmeldung. ";

    private static Document document(boolean parts, Alignment alignment, double narrower, String language) {
        Look look = Look.of(ParagraphProperty.HYPHENATION, parts).with(ParagraphProperty.ALIGNMENT, alignment).with(ParagraphProperty.INDENT_END, narrower);
        Paragraph paragraph = Paragraph.of(TEXT.repeat(4).strip()).withLook(look);
        Look letters = paragraph.inlines().get(0).look().with(TextProperty.LANGUAGE, language);
        return Sample.of(List.of(paragraph.withInlines(List.of(paragraph.inlines().get(0).with(letters)))));
    }

    /** The lines of its one paragraph, as they read. */
    private static List<String> lines(Document document) {
        List<String> lines = new ArrayList<>();
        for (Item item : Layout.of(document, FontCatalogue.shipped()).page(0).text()) {
            Line line = ((Item.LineItem) item).line();
            StringBuilder text = new StringBuilder();
            for (Piece piece : line.pieces()) if (piece instanceof Piece.Glyphs glyphs) text.append(glyphs.text());
            lines.add(text.toString());
        }
        return lines;
    }

    @Test void wordsArePartedWhereAskedAndNotInTooManyRowsOrWithoutPatterns() {
        List<String> whole = lines(document(false, Alignment.JUSTIFY, 300, "de-DE"));
        List<String> parted = lines(document(true, Alignment.JUSTIFY, 300, "de-DE"));
        assertThat(whole).noneMatch(line -> line.endsWith("-"));
        assertThat(parted).hasSizeLessThan(whole.size()).anyMatch(line -> line.endsWith("-"));
        int row = 0;
        for (String line : parted) assertThat(row = line.endsWith("-") ? row + 1 : 0).isLessThanOrEqualTo(3);
        StringBuilder all = new StringBuilder();
        for (String line : parted) all.append(line.endsWith("-") ? line.substring(0, line.length() - 1) : line);
        assertThat(all.toString().strip()).isEqualTo(TEXT.repeat(4).strip());
        assertThat(lines(document(true, Alignment.JUSTIFY, 300, "tlh"))).isEqualTo(whole);
        // Ragged lines that are nearly full are left so.
        assertThat(lines(document(true, Alignment.START, 300, "de-DE")).stream().filter(line -> line.endsWith("-")).count())
                .isLessThanOrEqualTo(parted.stream().filter(line -> line.endsWith("-")).count()).isPositive();
    }

    @Test void allOfADocumentIsPartedInOneStepAndTakenBack() {
        Document plain = document(false, Alignment.JUSTIFY, 300, "de-DE");
        Paragraph silent = ((Paragraph) plain.blocks().get(0)).withLook(((Paragraph) plain.blocks().get(0)).look().without(ParagraphProperty.HYPHENATION));
        Document document = Sample.of(List.of(silent));
        Change change = Styles.partWords(document, TextSelection.caret(new Place(BlockPath.of(0, 0), 0)), true);
        assertThat(Styles.partsWords(change.after())).isTrue();
        assertThat(lines(change.after())).isEqualTo(lines(document(true, Alignment.JUSTIFY, 300, "de-DE")));
        assertThat(change.transaction().inverse(document).apply(change.after()).document()).isEqualTo(document);
        assertThat(Styles.partWords(change.after(), TextSelection.caret(new Place(BlockPath.of(0, 0), 0)), false).after()).isEqualTo(document);
    }

    @Test void lettersStayInTheirColumnAndCaretsStandBetweenThem() {
        PagedDocument pages = Layout.of(document(true, Alignment.JUSTIFY, 300, "de-DE"), FontCatalogue.shipped());
        double right = pages.page(0).width() - 70.85 - 300;
        for (Item item : pages.page(0).text()) {
            Item.LineItem one = (Item.LineItem) item;
            for (Piece piece : one.line().pieces()) assertThat(one.left() + piece.x() + piece.width()).isLessThanOrEqualTo(right + 5);
        }
    }

    /**
     * What is parted and what stays whole, where all is parted but one paragraph and where only one is: in the terms of ISO/IEC 29500-1, 17.15.1.10 and
     * 17.3.1.34, ISO/IEC 26300-1, 20.196, RTF 1.9.1 and CSS Text 3, 6.1.
     */
    @ParameterizedTest
    @CsvSource({"docx,true", "docx,false", "odt,true", "odt,false", "rtf,true", "rtf,false", "doc,true", "doc,false", "html,false"})
    void formatsKeepIt(String ending, boolean beneath) {
        Document plain = Sample.of(List.of(Paragraph.of("one"), Paragraph.of("two").withLook(Look.of(ParagraphProperty.HYPHENATION, !beneath))));
        StyleSheet sheet = plain.styles();
        Document document = !beneath ? plain : plain.withStyles(new StyleSheet(sheet.defaults().with(ParagraphProperty.HYPHENATION, true),
                sheet.defaultParagraph(), sheet.defaultTable(), sheet.styles()));
        Document back = Formats.read(Formats.called(ending).write(document, Instant.EPOCH).bytes(), "x." + ending, null, Progress.SILENT).document();
        Cascade cascade = Cascade.of(back);
        assertThat(back.blocks().stream().map(block -> cascade.paragraph((Paragraph) block).is(ParagraphProperty.HYPHENATION))).containsExactly(beneath,
                !beneath);
        assertThat(Cascade.of(document).paragraph((Paragraph) document.blocks().get(0)).is(ParagraphProperty.HYPHENATION)).isEqualTo(beneath);
    }

    /**
     * How many lines in a row, and what room: ISO/IEC 29500-1, 17.15.1.22 and 17.15.1.53, RTF 1.9.1, [MS-DOC] 2.7.2 (read by POI too), ISO/IEC 26300-3,
     * 20.199.
     */
    @ParameterizedTest @ValueSource(strings = {"docx", "rtf", "doc", "odt"}) void formatsKeepHowOften(String ending) throws IOException {
        StyleSheet sheet = document(true, Alignment.START, 300, "de-DE").styles();
        Look beneath = sheet.defaults().with(ParagraphProperty.HYPHENATION, true).with(ParagraphProperty.PARTED_LINES, 2);
        if (!ending.equals("odt")) beneath = beneath.with(ParagraphProperty.PARTING_ZONE, 30.0);
        Document document = Sample.of(List.of(Paragraph.of(TEXT))).withStyles(new StyleSheet(beneath, sheet.defaultParagraph(), sheet.defaultTable(),
                sheet.styles()));
        byte[] file = Formats.called(ending).write(document, Instant.EPOCH).bytes();
        Document back = Formats.read(file, "x." + ending, null, Progress.SILENT).document();
        Look is = Cascade.of(back).paragraph((Paragraph) back.blocks().get(0));
        for (Property<?> one : List.of(ParagraphProperty.HYPHENATION, ParagraphProperty.PARTED_LINES, ParagraphProperty.PARTING_ZONE))
            assertThat((Object) is.get(one)).as("%s", one).isEqualTo(beneath.get(one));
        if (!ending.equals("doc")) return;
        try (HWPFDocument read = new HWPFDocument(new ByteArrayInputStream(file))) {
            assertThat(read.getDocProperties().isFAutoHyphen()).isTrue();
            assertThat(read.getDocProperties().getCConsexHypLim()).isEqualTo(2);
            assertThat(read.getDocProperties().getDxaHotz()).isEqualTo(600);
        }
    }

    @Test void aFileSaysHowManyLinesInARowAndALanguageForAllThatSaysNone() {
        for (int most : new int[] {0, 1}) {
            Document document = document(true, Alignment.JUSTIFY, 390, null);
            StyleSheet sheet = document.styles();
            document = document.withStyles(new StyleSheet(sheet.defaults().with(ParagraphProperty.PARTED_LINES, most), sheet.defaultParagraph(),
                    sheet.defaultTable(), sheet.styles()));
            assertThat(lines(document)).noneMatch(line -> line.endsWith("-"));
            document = document.withFacts(new Facts(null, null, null, null, "de-DE", null, null, Map.of()));
            int row = 0;
            int longest = 0;
            for (String line : lines(document)) longest = Math.max(longest, row = line.endsWith("-") ? row + 1 : 0);
            if (most == 1) assertThat(longest).isEqualTo(1);
            else assertThat(longest).isGreaterThan(ParagraphProperty.USUAL_PARTED_LINES);
        }
    }

    /** Read by PDFBox; taken in again they are the words that they were, hyphens in them are soft. */
    @Test void publishedTextIsWhole(@TempDir Path root) throws IOException {
        Path pdf = root.resolve("parted.pdf");
        List<Receipt> receipts = Decant.publish(new Order(Decant.layOut(document(true, Alignment.JUSTIFY, 300, "de-DE")), Recipe.PLAIN), pdf, Progress.SILENT);
        assertThat(receipts).allMatch(Receipt::proven);
        try (PDDocument read = Loader.loadPDF(pdf.toFile())) {
            assertThat(new PDFTextStripper().getText(read)).containsPattern("\\p{L}-\\R\\p{L}");
        }
        String back = Decant.open(pdf).document().blocks().stream().map(block -> ((Paragraph) block).text()).reduce("", String::concat);
        assertThat(back.replace("\u00AD", "").replaceAll("\\s+", " ").strip()).isEqualTo(TEXT.repeat(4).strip());
    }
}
