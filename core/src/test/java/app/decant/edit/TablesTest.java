package app.decant.edit;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Story;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.Walk;
import app.decant.layout.Sample;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.function.BiFunction;
import org.junit.jupiter.api.Test;

/** Rows, columns and cells in and out, by laws over random tables of spanning cells. */
class TablesTest {
    private static final BlockPath PATH = BlockPath.of(0, 1);

    private static Document document(int rows, int columns) {
        List<Table.Row> made = new ArrayList<>();
        for (int r = 0; r < rows; r++) {
            List<Table.Cell> cells = new ArrayList<>();
            for (int c = 0; c < columns; c++) cells.add(new Table.Cell(c, 1, 1, Look.PLAIN, List.of(Paragraph.of(r + "." + c))));
            made.add(new Table.Row(r == 0 ? Look.of(TableProperty.HEADER_ROW, true) : Look.PLAIN, cells));
        }
        List<Double> widths = new ArrayList<>();
        for (int c = 0; c < columns; c++) widths.add(40.0 + 10 * c);
        return Sample.of(List.<Block>of(Paragraph.of("before"), new Table(Look.PLAIN, widths, made), Paragraph.of("after")));
    }

    private static Table table(Document document) { return (Table) document.find(Story.BODY, PATH); }

    private static TextSelection cells(Document document, Random random) {
        List<Walk.Stop> stops = Walk.of(document).stops().stream().filter(stop -> stop.path().startsWith(PATH)).toList();
        Place one = new Place(stops.get(random.nextInt(stops.size())).path(), 0);
        Place other = random.nextBoolean() ? one : new Place(stops.get(random.nextInt(stops.size())).path(), 0);
        return new TextSelection(one, other);
    }

    private static TextSelection caret(int row, int cell) { return TextSelection.caret(new Place(PATH.then(row, cell, 0), 0)); }

    /** Each point of the grid with the text of the cell that covers it; fails where none or two do. */
    private static String grid(Table table) {
        int columns = table.columns().size();
        String[][] grid = new String[table.rows().size()][columns];
        for (int r = 0; r < table.rows().size(); r++) {
            for (Table.Cell cell : table.rows().get(r).cells()) {
                StringBuilder text = new StringBuilder();
                for (Block block : cell.blocks()) text.append(((Paragraph) block).text().isEmpty() ? "_" : ((Paragraph) block).text()).append(',');
                for (int down = r; down < r + cell.rowSpan(); down++) {
                    for (int across = cell.column(); across < cell.column() + cell.columnSpan(); across++) {
                        assertThat(grid[down][across]).as("covered once: %d %d", down, across).isNull();
                        grid[down][across] = text.substring(0, text.length() - 1);
                    }
                }
            }
        }
        StringBuilder told = new StringBuilder();
        for (String[] row : grid) {
            for (String cell : row) assertThat(cell).isNotNull();
            told.append(String.join(" ", row)).append('|');
        }
        return told.toString();
    }

    @Test void rowsAndColumnsComeAndGoWhereTheyAreAskedFor() {
        Document document = document(2, 2);
        assertThat(grid(table(Tables.insertRow(document, caret(0, 1), true).after()))).isEqualTo("0.0 0.1|_ _|1.0 1.1|");
        assertThat(table(Tables.insertRow(document, caret(0, 1), true).after()).rows().get(1).look().is(TableProperty.HEADER_ROW)).isFalse();
        assertThat(grid(table(Tables.insertRow(document, caret(0, 1), false).after()))).isEqualTo("_ _|0.0 0.1|1.0 1.1|");
        assertThat(grid(table(Tables.insertColumn(document, caret(1, 0), true).after()))).isEqualTo("0.0 _ 0.1|1.0 _ 1.1|");
        assertThat(table(Tables.insertColumn(document, caret(1, 0), true).after()).columns().stream().mapToDouble(Double::doubleValue).sum()).isEqualTo(90);
        assertThat(grid(table(Tables.removeRows(document, caret(0, 0)).after()))).isEqualTo("1.0 1.1|");
        assertThat(grid(table(Tables.removeColumns(document, caret(0, 1)).after()))).isEqualTo("0.0|1.0|");
        TextSelection all = new TextSelection(caret(0, 0).head(), caret(1, 1).head());
        assertThat(Tables.removeRows(document, all).after().blocks()).hasSize(2).noneMatch(Table.class::isInstance);
        Document merged = Tables.merge(document, all).after();
        assertThat(grid(table(merged))).isEqualTo("0.0,0.1,1.0,1.1 0.0,0.1,1.0,1.1|0.0,0.1,1.0,1.1 0.0,0.1,1.0,1.1|");
        assertThat(grid(table(Tables.split(merged, caret(0, 0)).after()))).isEqualTo("0.0,0.1,1.0,1.1 _|_ _|");
        assertThat(grid(table(Tables.insertRow(Tables.merge(document, new TextSelection(caret(0, 0).head(), caret(1, 0).head())).after(), caret(0, 0), false)
                .after())))
                .isEqualTo("_ _|0.0,1.0 0.1|0.0,1.0 1.1|");
    }

    @Test void tabGoesThroughAllCellsAndEndsAtTheLast() {
        Document document = Tables.merge(document(3, 3), new TextSelection(caret(0, 0).head(), caret(1, 1).head())).after();
        List<String> way = new ArrayList<>();
        for (Place at = caret(0, 0).head(); at != null; at = Tables.next(document, TextSelection.caret(at), true)) way.add(document.paragraph(at).text());
        assertThat(way).containsExactly("0.0", "0.2", "1.2", "2.0", "2.1", "2.2");
        assertThat(Tables.next(document, caret(0, 0), false)).isNull();
        assertThat(document.paragraph(Tables.next(document, caret(2, 0), false)).text()).isEqualTo("1.2");
    }

    @Test void aTableIsPutInBehindTheParagraphOrInPlaceOfAnEmptyOne() {
        Document document = Sample.of(List.of(Paragraph.of("words"), Paragraph.of("")));
        Change behind = Tables.insert(document, TextSelection.caret(new Place(BlockPath.of(0, 0), 2)), 2, 3, 300);
        assertThat(behind.after().blocks()).extracting(block -> block.getClass().getSimpleName()).containsExactly("Paragraph", "Table", "Paragraph");
        assertThat(behind.picked().head()).isEqualTo(new Place(BlockPath.of(0, 1, 0, 0, 0), 0));
        Change last = Tables.insert(document, TextSelection.caret(new Place(BlockPath.of(0, 1), 0)), 1, 1, 100);
        assertThat(last.after().blocks()).extracting(block -> block.getClass().getSimpleName()).containsExactly("Paragraph", "Paragraph", "Table", "Paragraph");
        assertThat(Tables.remove(behind.after(), behind.picked()).after()).isEqualTo(document);
    }

    /** Whatever is done one after another: the grid stays whole, what was kept is followed, and all is taken back. */
    @Test void theGridStaysWholeAndPlacesAreFollowed() {
        List<BiFunction<Document, TextSelection, Change>> all = List.of((document, picked) -> Tables.insertRow(document, picked, true),
                (document, picked) -> Tables.insertRow(document, picked, false), (document, picked) -> Tables.insertColumn(document, picked, true),
                (document, picked) -> Tables.insertColumn(document, picked, false), Tables::removeRows, Tables::removeColumns, Tables::merge, Tables::merge,
                Tables::split, Tables::head);
        for (int seed = 0; seed < 150; seed++) {
            Random random = new Random(seed);
            Document document = document(1 + random.nextInt(5), 1 + random.nextInt(5));
            for (int i = 0; i < 12 && document.find(Story.BODY, PATH) instanceof Table; i++) {
                Change change = all.get(random.nextInt(all.size())).apply(document, cells(document, random));
                Document after = change.after();
                assertThat(change.transaction().inverse(document).apply(after).document()).isEqualTo(document);
                if (!(after.find(Story.BODY, PATH) instanceof Table)) break;
                grid(table(after));
                assertThat(change.picked().fits(after)).isTrue();
                Walk now = Walk.of(after);
                for (Walk.Stop stop : Walk.of(document).stops()) {
                    PositionMap.Mapped mapped = change.transaction().map().map(new Place(stop.path(), 0), Side.AFTER);
                    BlockPath stands = now.pathOf(stop.paragraph());
                    if (stands != null) assertThat(mapped.place().path()).as("seed %d, step %d", seed, i).isEqualTo(stands);
                    else assertThat(mapped.deleted() || stop.paragraph().text().isEmpty()).as("seed %d, step %d: %s", seed, i, stop.paragraph().text())
                            .isTrue();
                }
                document = after;
            }
        }
    }
}
