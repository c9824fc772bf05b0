package app.decant.layout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.Story;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.edit.Tables;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.font.FontCatalogue;
import app.decant.format.Formats;
import app.decant.page.Item;
import app.decant.page.Piece;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Columns that give way to what stands in them (CSS 2.2, 17.5.2.2; ISO/IEC 29500-1, ST_TblLayoutType). */
class FittedColumnsTest {
    private static final double WIDTH = Section.PLAIN.page().textWidth();
    /** The first of the second row. */
    private static final BlockPath CELL = BlockPath.of(0, 0, 1, 0, 0);
    private static final Look FITTED = Look.of(TableProperty.FITTED, true);

    private static Table table(Look look, List<Double> columns, String... texts) {
        List<Table.Row> rows = new ArrayList<>();
        for (int at = 0; at < texts.length; at += columns.size()) {
            List<Table.Cell> cells = new ArrayList<>();
            for (int c = 0; c < columns.size(); c++) cells.add(new Table.Cell(c, 1, 1, Look.PLAIN, List.of(Paragraph.of(texts[at + c]))));
            rows.add(new Table.Row(Look.PLAIN, cells));
        }
        return new Table(look, columns, rows);
    }

    private static PagedDocument pages(Block block) { return Layout.of(Sample.of(List.of(block)), FontCatalogue.shipped()); }

    private static List<String> lines(PagedDocument pages) {
        List<String> lines = new ArrayList<>();
        for (Item.LineItem line : pages.page(0).lines()) {
            StringBuilder text = new StringBuilder();
            for (Piece piece : line.line().pieces()) if (piece instanceof Piece.Glyphs glyphs) text.append(glyphs.text());
            lines.add(text.toString().trim());
        }
        return lines;
    }

    private static List<Double> stated(Table table) {
        Document document = Sample.of(List.of(table));
        return ((Table) Layout.of(document, FontCatalogue.shipped()).withStatedColumns(document).blocks().get(0)).columns();
    }

    @Test void noColumnIsNarrowerThanItsWidestWordWhileThereIsRoom() {
        String[] texts = {"Vessels", "Undine", "Dispensations", "90"};
        assertThat(lines(pages(table(Look.PLAIN, List.of(50.0, 200.0), texts)))).as("not fitted").contains("Dispens", "ations");
        PagedDocument fitted = pages(table(FITTED, List.of(50.0, 200.0), texts));
        assertThat(lines(fitted)).containsExactly("Vessels", "Undine", "Dispensations", "90");
        double second = fitted.page(0).lines().get(1).left();
        assertThat(second).as("the second column begins behind the first").isGreaterThan(fitted.page(0).lines().get(2).left() + 60);
    }

    @Test void columnsThatHoldTheirWordsStayAsTheyAreStored() {
        Table fitted = table(FITTED, List.of(100.0, 200.0), "Vessel", "Undine", "A long remark that goes over several lines of its cell", "90");
        Table firm = table(Look.PLAIN, List.of(100.0, 200.0), "Vessel", "Undine", "A long remark that goes over several lines of its cell", "90");
        assertThat(lines(pages(fitted))).isEqualTo(lines(pages(firm)));
        assertThat(shape(pages(fitted))).isEqualTo(shape(pages(firm)));
    }

    @Test void columnsNobodyGaveAWidthAreAsWideAsTheirText() {
        List<Double> none = List.of(0.0, 0.0);
        List<Double> small = stated(table(FITTED, none, "Tide", "High", "Morning", "06:12"));
        assertThat(small.get(0) + small.get(1)).isLessThan(120);
        List<Double> wide = stated(table(FITTED, none, "1", "word ".repeat(60), "2", "Leaves."));
        assertThat(wide.get(0) + wide.get(1)).isCloseTo(WIDTH, within(0.2));
        assertThat(wide.get(0)).isLessThan(30);
        List<Double> shared = stated(table(FITTED.with(TableProperty.WIDTH_SHARE, 1.0), List.of(90.0, 0.0), "Tide", "High", "Morning", "06:12"));
        assertThat(shared.get(0)).isEqualTo(90, within(0.01));
        assertThat(shared.get(1)).isEqualTo(WIDTH - 90, within(0.01));
    }

    @Test void moreThanThePaperHoldsIsSharedOut() {
        String word = "Donaudampfschifffahrtsgesellschaft";
        List<Double> columns = stated(table(FITTED, Collections.nCopies(4, 0.0), word, word, word, word));
        assertThat(columns.stream().mapToDouble(Double::doubleValue).sum()).isCloseTo(WIDTH, within(0.1));
        assertThat(columns).allMatch(width -> width > 100);
    }

    @Test void whatIsTypedInAFittedTableIsLaidAsFromNothing() {
        Layout layout = new Layout(FontCatalogue.shipped());
        Document document = Sample.of(List.of(table(FITTED, List.of(50.0, 200.0), "Vessels", "Undine", "Fees", "90")));
        layout.next(document);
        for (String letter : "Dispensations, mostly".split("")) {
            Place end = new Place(CELL, document.paragraph(CELL).length());
            document = Typing.type(document, TextSelection.caret(end), letter, null).after();
            assertThat(shape(layout.next(document))).isEqualTo(shape(Layout.of(document, FontCatalogue.shipped())));
        }
    }

    /** A word that is taken out again lets its column become what it was, also where the table takes a share of the page. */
    @Test void whatIsTakenOutLeavesColumnsAsTheyWere() {
        Look half = FITTED.with(TableProperty.WIDTH_SHARE, 0.4);
        Layout layout = new Layout(FontCatalogue.shipped());
        Document before = Sample.of(List.of(table(half, List.of(50.0, 400.0), "Fees", "Undine", "Dues", "90")));
        Document typed = Typing.type(before, TextSelection.caret(new Place(CELL, 0)), "Dispensations and ", null).after();
        List<String> first = shape(layout.next(before));
        assertThat(shape(layout.next(typed))).isNotEqualTo(first);
        assertThat(shape(layout.next(before))).isEqualTo(first);
    }

    /** Columns are put in where none has a width. */
    @Test void columnsArePutInAmongSuchAsHaveNoWidth() {
        Document document = Sample.of(List.of(table(FITTED, List.of(0.0, 0.0), "Tide", "High", "Morning", "06:12")));
        Document more = Tables.insertColumn(document, TextSelection.caret(new Place(CELL, 0)), true).after();
        assertThat(((Table) more.blocks().get(0)).columns()).containsExactly(0.0, 0.0, 0.0);
        assertThat(lines(Layout.of(more, FontCatalogue.shipped()))).contains("Tide", "06:12");
    }

    /** Where the mouse finds the edges between columns nobody gave a width. */
    @Test void edgesAreWhereColumnsAreSeen() {
        PagedDocument pages = pages(table(FITTED, List.of(0.0, 0.0, 0.0), "Tide", "High", "Low", "Morning", "06:12", "12:40"));
        TablePlaces.Place place = TablePlaces.of(pages, 0, Story.BODY, BlockPath.of(0, 0));
        List<Double> columns = ((Table) pages.withStatedColumns(pages.document()).blocks().get(0)).columns();
        for (int i = 0; i < 3; i++) assertThat(place.widths()[i]).isPositive().isCloseTo(columns.get(i), within(0.01));
        PagedDocument torn = pages(table(FITTED, List.of(50.0, 200.0), "Vessels", "Undine", "Dispensations", "90"));
        assertThat(TablePlaces.of(torn, 0, Story.BODY, BlockPath.of(0, 0)).widths()[0]).isGreaterThan(60);
    }

    /** Where two wide cells ask for different columns, the result hangs on nothing but the table. */
    @Test void wideCellsWidenColumnsInTheOrderOfTheirRows() {
        Paragraph first = Paragraph.of("Donaudampfschifffahrtsgesellschaft");
        Paragraph second = Paragraph.of("Donaudampfschifffahrtsgesellschaftskapitaen");
        List<List<Double>> seen = new ArrayList<>();
        for (int round = 0; round < 12; round++) {
            List<Table.Row> rows = List.of(new Table.Row(Look.PLAIN, List.of(new Table.Cell(0, 2, 1, Look.PLAIN, List.of(first)))),
                    new Table.Row(Look.PLAIN, List.of(new Table.Cell(1, 2, 1, Look.PLAIN, List.of(second)))));
            seen.add(stated(new Table(FITTED, List.of(0.0, 0.0, 0.0), rows)));
        }
        assertThat(seen).allMatch(seen.get(0)::equals);
    }

    /** 17.4.52 of ISO/IEC 29500-1 (from memory); [MS-DOC] sprmTFAutofit; RTF 1.9.1, trautofit. */
    @ParameterizedTest
    @ValueSource(strings = {"docx", "doc", "rtf"})
    void filesTellWhichTablesAreFitted(String ending) {
        Document document = Sample.of(List.of(table(FITTED, List.of(100.0, 200.0), "Fitted", "90"), Paragraph.of("between"),
                table(Look.PLAIN, List.of(100.0, 200.0), "Firm", "90")));
        byte[] file = Formats.called(ending).write(document, Instant.EPOCH).bytes();
        List<Boolean> fitted = new ArrayList<>();
        for (Block block : Formats.read(file, "tables." + ending, null, Progress.SILENT).document().blocks())
            if (block instanceof Table one) fitted.add(one.look().is(TableProperty.FITTED));
        assertThat(fitted).containsExactly(true, false);
    }

    private static List<String> shape(PagedDocument pages) {
        return pages.page(0).lines().stream().map(line -> String.format("%.3f %.3f %.3f", line.left(), line.y(), line.line().width())).toList();
    }

    /** HTML, 15.3.9: widths by attributes; a table of none is as wide as its text. */
    @Test void tablesOfWebPagesAreAsWideAsTheySay() {
        String page = "<html><body><table width=300><tr><td width='25%'>Tide<td>High</table><table><tr><td>Tide<td>High</table>";
        Document document = Formats.read(page.getBytes(StandardCharsets.UTF_8), "page.html", null, Progress.SILENT).document();
        List<Table> tables = document.blocks().stream().filter(Table.class::isInstance).map(Table.class::cast).toList();
        Document said = Layout.of(document, FontCatalogue.shipped()).withStatedColumns(document);
        List<double[]> widths = said.blocks().stream().filter(Table.class::isInstance)
                .map(block -> ((Table) block).columns().stream().mapToDouble(Double::doubleValue).toArray()).toList();
        assertThat(widths.get(0)[0]).isCloseTo(225 / 4.0, within(0.1));
        assertThat(Arrays.stream(widths.get(0)).sum()).isCloseTo(225, within(0.1));
        assertThat(Arrays.stream(widths.get(1)).sum()).isLessThan(90);
        assertThat(tables.get(1).columns()).as("the document says none").containsExactly(0.0, 0.0);
    }
}
