package app.decant.recover;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Cascade;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Picture;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.font.FontCatalogue;
import app.decant.format.text.TextWriter;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.write.PdfWriter;
import app.decant.proof.Proof;
import app.decant.proof.Side;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Tables that tags tell of (ISO 32000-1, 14.8.4.3.4), some rows of which nobody wrote in. */
class TaggedTableTest {
    /** Rows that hold nothing stand between others, whether lines are drawn round them or not. */
    @ParameterizedTest
    @CsvSource({"true, 2", "false, 2", "true, 3"})
    void rowsThatHoldNothingStayBetweenOthers(boolean ruled, int empty) throws IOException {
        Document document = Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.of(Paragraph.of("Before the table."), table(ruled, empty),
                Paragraph.of("Behind the table.")))));
        Recovered recovered = Recovery.of(published(document), "table", null, FontCatalogue.shipped(), Progress.SILENT);
        List<Block> blocks = recovered.document().blocks();
        Table table = (Table) blocks.stream().filter(block -> block instanceof Table).findFirst().orElseThrow();
        assertThat(table.rows()).hasSize(6);
        for (int r = 0; r < 6; r++) {
            String said = ((Paragraph) table.rows().get(r).cells().get(1).blocks().get(0)).plainText();
            assertThat(said).isEqualTo(r == empty ? "" : "boat " + r);
        }
    }

    /** Each with its caption below or above, and the rows as high as they were, though the last one has room below its words. */
    @ParameterizedTest
    @CsvSource({"true", "false"})
    void picturesStandInTheirCellsAboveAndBelowTheirWords(boolean above) throws IOException {
        Borders lines = Borders.all(Border.single(0.5, Colour.BLACK));
        List<Table.Row> rows = new ArrayList<>();
        for (int r = 0; r < 2; r++) {
            List<Table.Cell> cells = new ArrayList<>();
            for (int c = 0; c < 2; c++) {
                Paragraph shown = new Paragraph("Normal", Look.PLAIN, Look.PLAIN, List.of(new Inline.InlinePicture(picture(r * 2 + c), Look.PLAIN)));
                Paragraph said = Paragraph.of("Boat " + r + c);
                List<Block> both = r + c == 2 ? List.of(Paragraph.of("")) : above ? List.of(shown, said) : List.of(said, shown);
                cells.add(new Table.Cell(c, 1, 1, Look.PLAIN, both));
            }
            rows.add(new Table.Row(Look.of(TableProperty.ROW_HEIGHT, 150.0), cells));
        }
        Table made = new Table(Look.of(TableProperty.BORDERS, lines), List.of(200.0, 200.0), rows);
        byte[] pdf = published(Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.of(Paragraph.of("Before the table."), made,
                Paragraph.of("Behind the table."))))));
        Document recovered = Recovery.of(pdf, "table", null, FontCatalogue.shipped(), Progress.SILENT).document();
        Table table = (Table) recovered.blocks().stream().filter(block -> block instanceof Table).findFirst().orElseThrow();
        assertThat(table.rows()).hasSize(2).allSatisfy(row -> assertThat(row.look().get(TableProperty.ROW_HEIGHT)).isCloseTo(150, within(2.0)));
        for (int r = 0; r < 2; r++) for (int c = 0; c < 2; c++) {
            List<Block> blocks = table.rows().get(r).cells().get(c).blocks();
            if (r + c == 2) continue;
            assertThat(blocks).hasSize(2);
            assertThat(((Paragraph) blocks.get(above ? 1 : 0)).plainText()).isEqualTo("Boat " + r + c);
            assertThat(((Paragraph) blocks.get(above ? 0 : 1)).inlines()).hasAtLeastOneElementOfType(Inline.InlinePicture.class);
        }
        try (Side before = Side.of(pdf, "table.pdf", null, Progress.SILENT)) {
            assertThat(Proof.compare(before, Layout.of(recovered, FontCatalogue.shipped()), Progress.SILENT).looks()).isGreaterThan(97);
        }
    }

    /** No lines are drawn, the words of each page reach as far as they do, and the last page begins with a row whose first cell says nothing. */
    @Test void columnsAndPageEndsAreThoseOfAllPagesTogether() throws IOException {
        String words = "Whoever comes to the pier by night rings the bell and waits until the ferry has been made fast.";
        Look justified = Look.of(ParagraphProperty.ALIGNMENT, ParagraphProperty.Alignment.JUSTIFY);
        List<Table.Row> rows = new ArrayList<>();
        for (int r = 0; r < 47; r++) {
            boolean last = r == 46;
            String said = last ? "Signed at Ostrey" : r < 32 ? "Boat " + r : words + " " + words;
            Look first = last ? Look.of(ParagraphProperty.PAGE_BREAK_BEFORE, true) : Look.PLAIN;
            Paragraph number = Paragraph.of(last ? "" : r + ".");
            rows.add(new Table.Row(Look.of(TableProperty.ROW_HEIGHT, 24.0), List.of(new Table.Cell(0, 1, 1, Look.PLAIN, List.of(number.withLook(first))),
                    new Table.Cell(1, 1, 1, Look.PLAIN, List.of(Paragraph.of(said).withLook(justified))))));
        }
        Table made = new Table(Look.PLAIN, List.of(60.0, 390.0), rows);
        byte[] pdf = published(Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.of(made, Paragraph.of("All."))))));
        Recovered recovered = Recovery.of(pdf, "table", null, FontCatalogue.shipped(), Progress.SILENT);
        List<Table> tables = recovered.document().blocks().stream().filter(Table.class::isInstance).map(Table.class::cast).toList();
        assertThat(tables).hasSize(1);
        assertThat(tables.get(0).rows()).hasSize(47);
        Cascade cascade = Cascade.of(recovered.document());
        for (Table.Row row : tables.get(0).rows())
            for (Table.Cell cell : row.cells())
                for (Block block : cell.blocks())
                    assertThat(cascade.paragraph((Paragraph) block).get(ParagraphProperty.INDENT_END, 0.0)).as("%s", block).isGreaterThan(-1);
        assertThat(Layout.of(recovered.document(), FontCatalogue.shipped()).count()).isEqualTo(recovered.pages());
        assertThat(recovered.findings()).extracting(Finding::what).noneMatch(what -> what.contains("elsewhere"));
    }

    /** In tags a note is where its mark is (ISO 32000-2, 14.8.4.4.1), on paper it stands at the foot: no row reaches down to it. */
    @Test void aNoteOfACellMakesNoRowHigher() throws IOException {
        Paragraph noted = Paragraph.of("Ostrey").withInlines(List.of(new Inline.Text("Ostrey", Look.PLAIN),
                new Inline.Note(Inline.Note.Kind.FOOTNOTE, List.of(Paragraph.of("But not in winter.")), null, Look.PLAIN)));
        List<Table.Row> rows = List.of(new Table.Row(Look.PLAIN, List.of(cell(0, Paragraph.of("Port")), cell(1, Paragraph.of("Open")))),
                new Table.Row(Look.PLAIN, List.of(cell(0, noted), cell(1, Paragraph.of("Daily")))));
        Table made = new Table(Look.PLAIN, List.of(200.0, 200.0), rows);
        byte[] pdf = published(Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.of(made, Paragraph.of("All."))))));
        Document recovered = Recovery.of(pdf, "table", null, FontCatalogue.shipped(), Progress.SILENT).document();
        Table table = (Table) recovered.blocks().stream().filter(Table.class::isInstance).findFirst().orElseThrow();
        assertThat(table.rows()).hasSize(2).allSatisfy(row -> assertThat(row.look().get(TableProperty.ROW_HEIGHT)).isLessThan(40));
        assertThat(TextWriter.write(recovered)).containsOnlyOnce("But not in winter.");
        assertThat(Layout.of(recovered, FontCatalogue.shipped()).count()).isEqualTo(1);
    }

    private static Table.Cell cell(int column, Paragraph said) { return new Table.Cell(column, 1, 1, Look.PLAIN, List.of(said)); }

    private static Picture picture(int shade) throws IOException {
        BufferedImage image = new BufferedImage(60, 40, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < 40; y++) for (int x = 0; x < 60; x++) image.setRGB(x, y, 0x204060 + shade * 0x101010 + (x / 10 + y / 10) % 2 * 0x303030);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageIO.write(image, "png", bytes);
        return new Picture(new Image("image/png", bytes.toByteArray()), 120, 80, null);
    }

    private static Table table(boolean ruled, int empty) {
        List<Table.Row> rows = new ArrayList<>();
        for (int r = 0; r < 6; r++) {
            List<Table.Cell> cells = new ArrayList<>();
            for (int c = 0; c < 3; c++)
                cells.add(new Table.Cell(c, 1, 1, Look.PLAIN, List.of(Paragraph.of(r == empty ? "" : c == 1 ? "boat " + r : "pier " + r + c))));
            rows.add(new Table.Row(Look.PLAIN, cells));
        }
        return new Table(ruled ? Look.of(TableProperty.BORDERS, Borders.all(Border.single(0.5, Colour.BLACK))) : Look.PLAIN, List.of(90.0, 90.0, 90.0), rows);
    }

    private static byte[] published(Document document) throws IOException {
        PagedDocument pages = Layout.of(document, FontCatalogue.shipped());
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PdfWriter.write(pages, new PdfChoices(IntStream.range(0, pages.count()).boxed().toList(), PdfStyle.PLAIN.tagged(true), Facts.NONE, Instant.EPOCH), out,
                Progress.SILENT);
        return out.toByteArray();
    }
}
