package app.decant.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Story;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Rows sorted by a column, and what the numbers in cells come to. */
class TableSortingTest {
    private static Document document(boolean head, String[]... rows) {
        List<Table.Row> made = new ArrayList<>();
        for (String[] row : rows) {
            List<Table.Cell> cells = new ArrayList<>();
            for (String text : row) cells.add(new Table.Cell(cells.size(), 1, 1, Look.PLAIN, List.of(Paragraph.of(text))));
            made.add(new Table.Row(head && made.isEmpty() ? Look.of(TableProperty.HEADER_ROW, true) : Look.PLAIN, cells));
        }
        List<Block> blocks = List.of(new Table(Look.PLAIN, List.of(100.0, 100.0), made), Paragraph.of("after"));
        Document empty = Document.empty();
        return empty.withSections(List.of(empty.sections().get(0).withBlocks(blocks)));
    }

    private static TextSelection caret(int row, int cell) { return TextSelection.caret(new Place(Story.BODY, BlockPath.of(0, 0, row, cell, 0), 0)); }

    private static List<String> column(Document document, int column) {
        return ((Table) document.blocks().get(0)).rows().stream().map(row -> TableNumbers.text(row.cells().get(column))).toList();
    }

    private static final String[][] FARES = {{"Line", "Fare"}, {"Skerrow", "12.50"}, {"Ostrey", "9.00"}, {"Inner", ""}, {"Åse", "100.00"}};

    @Test void numbersAreSortedByTheirWorthAndWhatIsEmptyComesLast() {
        Document document = document(true, FARES);
        Change rising = TableSorting.sort(document, caret(1, 1), false);
        assertThat(column(rising.after(), 1)).containsExactly("Fare", "9.00", "12.50", "100.00", "");
        assertThat(column(rising.after(), 0)).containsExactly("Line", "Ostrey", "Skerrow", "Åse", "Inner");
        assertThat(column(TableSorting.sort(document, caret(1, 1), true).after(), 1)).containsExactly("Fare", "100.00", "12.50", "9.00", "");
        assertThat(rising.picked().head().path()).as("the caret goes with its row").isEqualTo(BlockPath.of(0, 0, 2, 1, 0));
        assertThat(rising.transaction().inverse(document).apply(rising.after()).orThrow()).isEqualTo(document);
        assertThat(TableSorting.sort(rising.after(), caret(1, 1), false).isNothing()).as("sorted already").isTrue();
    }

    /** In Swedish å comes behind z, in English beside a (Unicode CLDR). */
    @Test void wordsAreSortedAsTheirLanguageHasThem() {
        Document document = document(true, FARES);
        assertThat(column(TableSorting.sort(document, caret(1, 0), false).after(), 0)).containsExactly("Line", "Åse", "Inner", "Ostrey", "Skerrow");
        Document swedish = document.withFacts(new Facts(null, null, null, null, "sv-SE", null, null, Map.of()));
        assertThat(column(TableSorting.sort(swedish, caret(1, 0), false).after(), 0)).containsExactly("Line", "Inner", "Ostrey", "Skerrow", "Åse");
    }

    @Test void onlyRowsThatArePickedAreSortedAndJoinedOnesNot() {
        Document document = document(false, new String[][] {{"d", "1"}, {"c", "2"}, {"b", "3"}, {"a", "4"}});
        TextSelection some = new TextSelection(caret(1, 0).head(), caret(2, 0).head().at(1));
        assertThat(column(TableSorting.sort(document, some, false).after(), 0)).containsExactly("d", "b", "c", "a");
        Table table = (Table) document.blocks().get(0);
        List<Table.Row> rows = new ArrayList<>(table.rows());
        rows.set(1, new Table.Row(Look.PLAIN, List.of(rows.get(1).cells().get(0).withSpans(1, 2), rows.get(1).cells().get(1))));
        rows.set(2, new Table.Row(Look.PLAIN, List.of(rows.get(2).cells().get(1))));
        Document joined = document.replacing(BlockPath.of(0), 0, 1, List.of(new Table(table.look(), table.columns(), rows)));
        assertThat(TableSorting.canSort(Tables.area(joined, caret(0, 0)))).isFalse();
        assertThatIllegalArgumentException().isThrownBy(() -> TableSorting.sort(joined, caret(0, 0), false));
    }

    /** A law: sorting shuffled rows gives the sorted ones, every row whole, whatever the order was. */
    @Test void sortingIsTheSameFromEveryOrder() {
        Random random = new Random(7);
        for (int round = 0; round < 100; round++) {
            List<String[]> rows = new ArrayList<>();
            for (int i = 0; i < 12; i++) rows.add(new String[] {"row " + i, String.valueOf(random.nextInt(2000) / 10.0 - 100)});
            List<String> expected = rows.stream().map(row -> row[1]).sorted((one, other) -> new BigDecimal(one).compareTo(new BigDecimal(other))).toList();
            Collections.shuffle(rows, random);
            Document sorted = TableSorting.sort(document(false, rows.toArray(new String[0][])), caret(0, 1), false).after();
            assertThat(column(sorted, 1)).isEqualTo(expected);
            for (int r = 0; r < 12; r++) {
                String name = column(sorted, 0).get(r);
                String value = column(sorted, 1).get(r);
                assertThat(rows).anySatisfy(row -> assertThat(List.of(row)).containsExactly(name, value));
            }
        }
    }

    @ParameterizedTest @CsvSource(delimiter = '|', value = {"1,234.50|1234.50", "1.234,50|1234.50", "1,234|1234", "1.234|1.234", "12,5|12.5", "\u2212 3|-3",
        "(40)|-40", "\u20AC 1'000|1000", "15 %|0.15", "1,234,567|1234567", "1.234.567|1234567", "9|9"})
    void numbersAreReadAsPeopleWriteThem(String text, String value) { assertThat(TableNumbers.of(text)).isEqualByComparingTo(value); }

    @ParameterizedTest @CsvSource({"a", "1a", "''", "-", "1-2", "%", "12:30"})
    void whatIsNoNumberIsNone(String text) { assertThat(TableNumbers.of(text)).isNull(); }

    @Test void whatIsPickedIsAddedUp() {
        Document document = document(true, FARES);
        CellSelection picked = new CellSelection(Story.BODY, BlockPath.of(0, 0), new CellSelection.Corner(1, 0), new CellSelection.Corner(4, 1));
        assertThat(TableNumbers.sum(document, picked).count()).isEqualTo(3);
        assertThat(TableNumbers.sum(document, picked).value()).isEqualByComparingTo("121.50");
    }
}
