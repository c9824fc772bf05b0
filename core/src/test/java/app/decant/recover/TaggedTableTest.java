package app.decant.recover;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.write.PdfWriter;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
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
