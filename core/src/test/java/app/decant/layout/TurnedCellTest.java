package app.decant.layout;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Table;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.Running;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TableProperty;
import app.decant.document.TextBox;
import app.decant.document.Walk;
import app.decant.page.Pages.Caret;
import app.decant.publish.Order;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import java.io.IOException;
import java.io.InputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.apache.poi.hwpf.HWPFDocument;
import org.apache.poi.hwpf.usermodel.TableCell;
import org.apache.poi.hwpf.usermodel.TableIterator;
import org.apache.poi.xwpf.usermodel.XWPFDocument;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Cells whose lines run up or down (ISO/IEC 29500-1, 17.4.72): on the page as PDFBox reads it, under the caret, in every format that has them. */
class TurnedCellTest {
    private static final String UP = "Upper deck";
    private static final String DOWN = "Lower deck, with more words than its cell is high";

    @TempDir private Path root;

    private static Document document(double height) {
        List<Table.Cell> cells = new ArrayList<>();
        cells.add(cell(0, Look.of(TableProperty.RUNNING, Running.UP), UP));
        cells.add(cell(1, Look.of(TableProperty.RUNNING, Running.DOWN).with(TableProperty.VERTICAL_ALIGNMENT, VerticalAlignment.CENTRE), DOWN));
        cells.add(cell(2, Look.PLAIN, "Across, as ever."));
        Look row = height > 0 ? Look.of(TableProperty.ROW_HEIGHT, height) : Look.PLAIN;
        Table table = new Table(Look.PLAIN, List.of(40.0, 60.0, 200.0), List.of(new Table.Row(row, cells)));
        List<Block> blocks = List.of(Paragraph.of("Before."), table, Paragraph.of("Behind."));
        return Document.empty().withSections(List.of(Document.empty().sections().get(0).withBlocks(blocks)));
    }

    private static Table.Cell cell(int column, Look look, String text) { return new Table.Cell(column, 1, 1, look, List.of(Paragraph.of(text))); }

    private Receipt published(Document document, String name) {
        Recipe recipe = Recipe.PLAIN.as(Target.of(name.substring(name.lastIndexOf('.') + 1))).with(Recipe.WhenPresent.REPLACE);
        Receipt receipt = Decant.publish(new Order(Decant.layOut(document), recipe), root.resolve(name), Progress.SILENT).get(0);
        assertThat(receipt.proofs()).allSatisfy(proof -> assertThat(proof.holds()).as("%s", proof).isTrue());
        return receipt;
    }

    /** Where the letters of words stand, from the top left corner, in their order. */
    private static List<double[]> letters(Path pdf, String words) throws IOException {
        List<double[]> all = new ArrayList<>();
        StringBuilder said = new StringBuilder();
        try (PDDocument document = Loader.loadPDF(pdf.toFile())) {
            new PDFTextStripper() {
                @Override protected void processTextPosition(TextPosition text) {
                    for (int i = 0; i < text.getUnicode().length(); i++) all.add(new double[] {text.getTextMatrix().getTranslateX(),
                        document.getPage(0).getMediaBox().getHeight() - text.getTextMatrix().getTranslateY()});
                    said.append(text.getUnicode());
                }
            }.getText(document);
        }
        int at = said.indexOf(words);
        assertThat(at).as(said.toString()).isNotNegative();
        return all.subList(at, at + words.length());
    }

    @Test void linesRunAsTheirCellSays() throws IOException {
        Path pdf = published(document(120), "deck.pdf").file();
        List<double[]> up = letters(pdf, UP);
        for (int i = 1; i < up.size(); i++) {
            assertThat(up.get(i)[0]).as("on one line").isCloseTo(up.get(0)[0], Offset.offset(0.1));
            assertThat(up.get(i)[1]).as("upwards").isLessThan(up.get(i - 1)[1]);
        }
        List<double[]> down = letters(pdf, "Lower deck");
        for (int i = 1; i < down.size(); i++) assertThat(down.get(i)[1]).as("downwards").isGreaterThan(down.get(i - 1)[1]);
        List<double[]> next = letters(pdf, "high");
        assertThat(next.get(0)[0]).as("the next line stands to the left").isLessThan(down.get(0)[0] - 8);
        double before = letters(pdf, "Before").get(0)[1];
        double behind = letters(pdf, "Behind").get(0)[1];
        assertThat(behind - before).as("as high as the row says").isBetween(120.0, 165.0);
        for (double[] letter : letters(pdf, "Upper deck")) assertThat(letter[1]).isBetween(before, behind);
    }

    /** Where nobody says how high a row is, it is as high as the longest line. */
    @Test void rowsAreAsHighAsTheirLinesAreLong() throws IOException {
        Path pdf = published(document(0), "deck.pdf").file();
        List<double[]> down = letters(pdf, DOWN);
        double behind = letters(pdf, "Behind").get(0)[1];
        assertThat(down.get(down.size() - 1)[0]).as("one line").isCloseTo(down.get(0)[0], Offset.offset(0.1));
        assertThat(behind).isGreaterThan(down.get(down.size() - 1)[1]);
    }

    /** Lines that end at the edge, or stand in the middle of their cell, are as long as they are. */
    @Test void alignmentMakesNoRowHigher() throws IOException {
        for (Alignment alignment : Alignment.values()) {
            Paragraph one = new Paragraph(null, Look.of(ParagraphProperty.ALIGNMENT, alignment).with(ParagraphProperty.INDENT_START, 20.0), Look.PLAIN,
                    List.of(new Inline.Text("Single", Look.PLAIN)));
            Table.Cell cell = new Table.Cell(0, 1, 1, Look.of(TableProperty.RUNNING, Running.UP), List.of(one));
            Table table = new Table(Look.PLAIN, List.of(60.0), List.of(new Table.Row(Look.PLAIN, List.of(cell))));
            List<Block> blocks = List.of(Paragraph.of("Before."), table, Paragraph.of("Behind."));
            Document document = Document.empty().withSections(List.of(Document.empty().sections().get(0).withBlocks(blocks)));
            Path pdf = published(document, "short.pdf").file();
            assertThat(letters(pdf, "Behind").get(0)[1] - letters(pdf, "Before").get(0)[1]).as("%s", alignment).isBetween(45.0, 85.0);
            List<double[]> single = letters(pdf, "Single");
            assertThat(single).as("on one line").allSatisfy(letter -> assertThat(letter[0]).isCloseTo(single.get(0)[0], Offset.offset(0.1)));
        }
    }

    /** Whoever clicks where a caret stands puts it there again, in every cell. */
    @Test void caretsStandWhereTheirLettersAre() {
        PagedDocument pages = Decant.layOut(document(120));
        for (Walk.Stop stop : pages.walk().stops()) {
            for (int offset = 0; offset <= stop.paragraph().length(); offset++) {
                Caret caret = pages.caret(new Place(stop.path(), offset));
                double turn = Math.toRadians(caret.turn());
                // A little to the side on which there are letters: at the very foot of a cell the next paragraph begins.
                double aside = offset < stop.paragraph().length() ? 0.2 : -0.2;
                double x = caret.x() - Math.sin(turn) * caret.height() / 2 + Math.cos(turn) * aside;
                double y = caret.top() + Math.cos(turn) * caret.height() / 2 + Math.sin(turn) * aside;
                Place there = pages.placeAt(caret.page(), x, y);
                assertThat(there.path()).as("%s", stop.paragraph().text()).isEqualTo(stop.path());
                // The end of a line is the beginning of the next.
                if (there.offset() != offset) assertThat(stop.paragraph().text().charAt(offset - 1)).isEqualTo(' ');
            }
        }
        assertThat(pages.caret(new Place(pages.walk().stops().get(1).path(), 0)).turn()).isEqualTo(-90);
    }

    @Test void formatsKeepThem() throws IOException {
        Document document = document(120);
        Map<String, List<Running>> found = new HashMap<>();
        for (String ending : List.of("docx", "odt", "rtf", "doc", "html")) {
            Document read = Decant.open(published(document, "deck." + ending).file()).document();
            Table table = (Table) read.sections().get(0).blocks().stream().filter(Table.class::isInstance).findFirst().orElseThrow();
            found.put(ending, table.rows().get(0).cells().stream().map(cell -> cell.look().get(TableProperty.RUNNING, Running.ACROSS)).toList());
        }
        assertThat(found.values()).as("%s", found).containsOnly(List.of(Running.UP, Running.DOWN, Running.ACROSS));
        try (InputStream in = Files.newInputStream(root.resolve("deck.doc")); HWPFDocument poi = new HWPFDocument(in)) {
            TableIterator tables = new TableIterator(poi.getRange());
            assertThat(tables.hasNext()).isTrue();
            TableCell up = tables.next().getRow(0).getCell(0);
            assertThat(up.isVertical()).isTrue();
            assertThat(up.isBackward()).isTrue();
        }
        try (InputStream in = Files.newInputStream(root.resolve("deck.docx")); XWPFDocument poi = new XWPFDocument(in)) {
            assertThat(poi.getTables().get(0).getRow(0).getCell(1).getCTTc().getTcPr().getTextDirection().getVal().toString()).isEqualTo("tbRl");
        }
    }

    /** Lines of text boxes run so too (ISO/IEC 29500-1, 20.1.10.83): along the side of a page, as offices set them. */
    @Test void linesOfBoxesRunAsTheySay() throws IOException {
        TextBox box = new TextBox(List.of(Paragraph.of("Timetable")), 24, 120, false, Insets.NONE, null, null);
        for (Running running : List.of(Running.UP, Running.DOWN)) {
            Anchor anchor = new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.PAGE, null, 20), new Anchor.Vertical(Anchor.Vertical.From.PAGE, null, 200),
                    Anchor.Wrap.NONE, Insets.NONE, false);
            Paragraph holds = Paragraph.of("Before.").withInlines(List.of(new Inline.Floating(anchor, box.running(running), Look.PLAIN),
                    new Inline.Text("Before.", Look.PLAIN)));
            Document document = Document.empty().withSections(List.of(Document.empty().sections().get(0).withBlocks(List.of(holds))));
            List<double[]> letters = letters(published(document, "side.pdf").file(), "Timetable");
            for (int i = 1; i < letters.size(); i++)
                assertThat(letters.get(i)[1] - letters.get(i - 1)[1]).as("%s", running).matches(step -> running == Running.UP ? step < 0 : step > 0);
            assertThat(letters.get(0)[1]).isCloseTo(running == Running.UP ? 320 : 200, Offset.offset(1.0));
            for (String ending : running == Running.UP ? List.of("docx", "rtf") : List.of("docx", "rtf", "odt")) {
                Document read = Decant.open(published(document, "side." + ending).file()).document();
                assertThat(Walk.of(read).stops().stream().flatMap(stop -> stop.paragraph().inlines().stream())
                        .filter(inline -> inline instanceof Inline.Floating one && one.content() instanceof TextBox).toList()).as(ending)
                        .singleElement().satisfies(one -> assertThat(((TextBox) ((Inline.Floating) one).content()).running()).isEqualTo(running));
            }
        }
    }
}
