package app.decant.recover;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.Progress;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.layout.Sample;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.write.PdfWriter;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Tables of figures without lines, over several pages, as programs for statistics print them: nothing tells that they are tables but where things stand. */
class FigureTablesTest {
    private static final List<String> TITLES = List.of("Day", "Tide", "Ferries", "Freighters", "Yachts");

    private static Table.Row row(List<String> texts, boolean head) {
        Look look = Look.of(ParagraphProperty.ALIGNMENT, Alignment.END).with(ParagraphProperty.SPACE_AFTER, 8.0);
        List<Table.Cell> cells = new ArrayList<>();
        for (int c = 0; c < texts.size(); c++) {
            Inline said = new Inline.Text(texts.get(c), head ? Look.of(TextProperty.BOLD, true) : Look.PLAIN);
            Paragraph text = new Paragraph(null, look, Look.PLAIN, List.of(said));
            cells.add(new Table.Cell(c, 1, 1, Look.PLAIN, List.of(text)));
        }
        return new Table.Row(head ? Look.of(TableProperty.HEADER_ROW, true) : Look.PLAIN, cells);
    }

    @Test void everyFigureKeepsItsCellAndTheTitlesTheirColumns() throws IOException {
        List<List<String>> figures = new ArrayList<>();
        for (int day = 1; day <= 80; day++) figures.add(Arrays.asList("" + day, "" + day * 7 % 10, "" + day % 2, "" + day * 3 % 5, "" + day * 11 % 9));
        List<Table.Row> rows = new ArrayList<>(List.of(row(TITLES, true)));
        figures.forEach(one -> rows.add(row(one, false)));

        Document again = again(List.of(new Table(padded(4), List.of(40.0, 36.0, 46.0, 62.0, 42.0), rows)), 3);

        List<List<String>> found = rows(again);
        assertThat(found).contains(TITLES);
        found.removeIf(TITLES::equals);
        assertThat(found).isEqualTo(figures);
        assertThat(again.sections()).allMatch(section -> section.frames().isEmpty());
    }

    /** A remark below that runs across the columns is none of their rows. */
    @Test void aLineAcrossTheColumnsEndsTheirTable() throws IOException {
        List<List<String>> figures = new ArrayList<>();
        for (int row = 0; row < 12; row++) figures.add(Arrays.asList(1001 + 37 * row + ".5", "0." + (5810 - 131 * row), String.valueOf(7 * row % 30)));
        Table table = new Table(padded(8), List.of(60.0, 60.0, 60.0), figures.stream().map(one -> row(one, false)).toList());
        String remark = "Heights are those above the mark at the old quay, as it was before the storm.";
        Document again = again(List.of(table, Paragraph.of(remark)), 1);
        assertThat(rows(again)).isEqualTo(figures);
        assertThat(again.blocks()).anyMatch(block -> block instanceof Paragraph one && one.plainText().equals(remark));
    }

    /** Eight tenths of an em apart, as words of one line are that is justified. */
    @Test void figuresThatStandCloseAreOfTheirOwnColumns() throws IOException {
        List<List<String>> figures = new ArrayList<>();
        for (int row = 0; row < 12; row++)
            figures.add(Arrays.asList(1001 + 37 * row + ".5", "0." + (5810 - 131 * row), "0." + (4190 + 131 * row), String.valueOf(7 * row % 30)));
        List<Table.Row> rows = figures.stream().map(one -> row(one, false)).toList();
        double wide = 6 * 5.56 - 2.78 + 8;
        assertThat(rows(again(List.of(new Table(padded(3), List.of(wide, wide, wide, 60.0), rows)), 1))).isEqualTo(figures);
    }

    private static Look padded(double sides) { return Look.of(TableProperty.PADDING, new TableProperty.Insets(0, sides, 0, sides)); }

    private static Document again(List<Block> blocks, int leastPages) throws IOException {
        PagedDocument pages = Layout.of(Sample.of(blocks), FontCatalogue.shipped());
        assertThat(pages.count()).isGreaterThanOrEqualTo(leastPages);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        List<Integer> all = IntStream.range(0, pages.count()).boxed().toList();
        PdfWriter.write(pages, new PdfChoices(all, PdfStyle.PLAIN.tagged(false), Facts.NONE, Instant.EPOCH), out, Progress.SILENT);
        return Recovery.of(out.toByteArray(), "figures", null, FontCatalogue.shipped(), Progress.SILENT).document();
    }

    private static List<List<String>> rows(Document document) {
        List<List<String>> found = new ArrayList<>();
        for (Block block : document.blocks()) {
            if (!(block instanceof Table one)) continue;
            for (Table.Row row : one.rows()) found.add(row.cells().stream().map(cell -> ((Paragraph) cell.blocks().get(0)).plainText()).toList());
        }
        return found;
    }
}
