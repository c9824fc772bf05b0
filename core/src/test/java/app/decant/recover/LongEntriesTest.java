package app.decant.recover;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Block;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty.TabStops;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TextProperty;
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
import java.util.Collections;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What offices' lists of contents, titles and price lists look like once their lines are full, and what is made of them again. */
class LongEntriesTest {
    private static final double WIDTH = Section.PLAIN.page().textWidth();
    private static final List<String> ENTRIES = List.of(
            "A-1.\tWho may berth at the old quay?\t1",
            "A-2.\tWhat does the harbour board say about vessels that stay for the winter, and who decides on them where the board does not meet?\t2",
            "A-3.\tWhich vessels, of which length and of which draught, may be moored there in a storm?\t2",
            "A-4.\tHow are berths given back?\t3",
            "A-5.\tWhat has a master to tell the board, in writing or otherwise, before the first of May, and what becomes of a berth of whose vessel "
                    + "nothing was told by then, though its fee was paid for the whole of the year that is meant?\t4",
            "B.\tFees\t5");

    private static Document recovered(Document document, boolean tagged) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        PagedDocument pages = Layout.of(document, FontCatalogue.shipped());
        List<Integer> all = IntStream.range(0, pages.count()).boxed().toList();
        PdfWriter.write(pages, new PdfChoices(all, PdfStyle.PLAIN.tagged(tagged), Facts.NONE, Instant.EPOCH), out, Progress.SILENT);
        return Recovery.of(out.toByteArray(), "long", null, FontCatalogue.shipped(), Progress.SILENT).document();
    }

    private static List<String> entries(Document document) {
        List<String> entries = new ArrayList<>();
        for (Block block : document.blocks())
            if (block instanceof Contents contents) contents.entries().forEach(entry -> entries.add(entry.plainText().replaceAll("\\s+", " ")));
        return entries;
    }

    /** Titles of several lines, one that fills its line to the page number, one whose dots begin the next line, underlined as links are. */
    @ParameterizedTest
    @ValueSource(booleans = {true, false})
    void entriesOfSeveralLinesStayOne(boolean tagged) throws IOException {
        List<TabStop> stops = List.of(new TabStop(30, TabStop.Kind.START, TabStop.Leader.NONE), new TabStop(WIDTH, TabStop.Kind.END, TabStop.Leader.DOTS));
        Look look = Look.of(ParagraphProperty.TABS, new TabStops(stops)).with(ParagraphProperty.INDENT_START, 30.0).with(ParagraphProperty.FIRST_LINE, -30.0);
        Look link = Look.of(TextProperty.UNDERLINE, TextProperty.Underline.SINGLE);
        List<Paragraph> entries = new ArrayList<>();
        for (String entry : ENTRIES) {
            int number = entry.lastIndexOf('\t');
            int label = entry.indexOf('\t') + 1;
            entries.add(new Paragraph(null, look, Look.PLAIN, List.of(new Inline.Text(entry.substring(0, label), Look.PLAIN),
                    new Inline.Text(entry.substring(label, number), link), new Inline.Text(entry.substring(number), Look.PLAIN))));
        }
        Contents contents = new Contents(1, 3, "TOC \\o \"1-3\"", entries);
        List<Block> blocks = List.of(Paragraph.of("Contents"), contents, Paragraph.of("The rules of the old quay follow."));
        Document again = recovered(Document.empty().withSections(List.of(Section.PLAIN.withBlocks(blocks))), tagged);
        assertThat(entries(again)).containsExactlyElementsOf(ENTRIES.stream().map(entry -> entry.replaceAll("\\s+", " ")).toList());
        assertThat(again.blocks()).allSatisfy(block -> assertThat(block instanceof Paragraph one ? one.inlines() : List.of())
                .as("underlines are no drawings").noneMatch(Inline.Floating.class::isInstance));
    }

    /** In mid-sentence too, where the column had room for the next word. */
    @Test void centredTitlesKeepTheLinesTheyWereGiven() throws IOException {
        String title = "of how to apply for a berth\nat the old quay in winter\nand in the months behind it".replace('\n', Inline.LINE_BREAK);
        Look look = Look.of(ParagraphProperty.ALIGNMENT, Alignment.CENTRE);
        Paragraph centred = new Paragraph(null, look, Look.PLAIN, List.of(new Inline.Text(title, Look.PLAIN)));
        String body = "This much is told of berths in winter and of all that goes with them, as it was said in the meeting of the board. ".repeat(3).trim();
        Document again = recovered(Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.of(centred, Paragraph.of(body))))), true);
        assertThat(((Paragraph) again.blocks().get(0)).plainText()).isEqualTo(title);
        assertThat(((Paragraph) again.blocks().get(1)).plainText()).isEqualTo(body);
    }

    /** Price lists of offices have rows whose cells begin and end at places of their own: grids of many columns over which no cell stands alone. */
    @Test void tablesOfManyGridColumnsAreTablesAgain() throws IOException {
        int[][] spans = {{24}, {9, 6, 5, 4}, {9, 6, 5, 4}, {10, 5, 6, 3}, {10, 5, 6, 3}};
        List<Table.Row> rows = new ArrayList<>();
        for (int r = 0; r < spans.length; r++) {
            List<Table.Cell> cells = new ArrayList<>();
            int column = 0;
            for (int span : spans[r]) {
                cells.add(new Table.Cell(column, span, 1, Look.PLAIN, List.of(Paragraph.of("r" + r + "c" + column))));
                column += span;
            }
            rows.add(new Table.Row(Look.PLAIN, cells));
        }
        List<Double> columns = Collections.nCopies(24, 15.0);
        Document again = recovered(Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.of(Paragraph.of("Prices"),
                new Table(Look.PLAIN, columns, rows), Paragraph.of("Ask for more."))))), true);
        Table table = (Table) again.blocks().stream().filter(Table.class::isInstance).findFirst().orElseThrow();
        assertThat(table.rows()).extracting(row -> row.cells().stream().map(cell -> ((Paragraph) cell.blocks().get(0)).plainText()).toList())
                .isEqualTo(rows.stream().map(row -> row.cells().stream().map(cell -> ((Paragraph) cell.blocks().get(0)).plainText()).toList()).toList());
    }
}
