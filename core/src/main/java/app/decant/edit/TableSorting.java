package app.decant.edit;

import app.decant.document.Document;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import java.math.BigDecimal;
import java.text.Collator;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Rows of a table in the order of one of its columns: numbers by their worth, words as the document's language orders them; what is empty comes last. */
public final class TableSorting {
    private TableSorting() { }

    /** Whether the rows that would be sorted are each whole: none shares a cell with another. */
    public static boolean canSort(Tables.Area area) {
        int[] rows = rows(area);
        if (rows[1] - rows[0] < 2) return false;
        for (int r = 0; r < rows[1]; r++)
            for (Table.Cell cell : area.table().rows().get(r).cells())
                if (cell.rowSpan() > 1 && r + cell.rowSpan() > rows[0]) return false;
        return true;
    }

    /** The rows that are picked, or where only one is, all below the head. */
    private static int[] rows(Tables.Area area) {
        List<Table.Row> all = area.table().rows();
        int head = 0;
        while (head < all.size() && all.get(head).look().is(TableProperty.HEADER_ROW)) head++;
        int bottom = Math.min(area.bottom(), all.size());
        return bottom - area.top() > 1 ? new int[] {Math.max(head, area.top()), bottom} : new int[] {head, all.size()};
    }

    /** Sorted by the column that is picked, the first of them where there are several. */
    public static Change sort(Document document, Selection picked, boolean falling) {
        Tables.Area area = Tables.area(document, picked);
        if (area == null || !canSort(area)) throw new IllegalArgumentException("These rows can't be sorted");
        int[] rows = rows(area);
        List<Integer> order = new ArrayList<>();
        for (int r = rows[0]; r < rows[1]; r++) order.add(r);
        Map<Integer, String> texts = new HashMap<>();
        for (int r : order) texts.put(r, text(area.table().rows().get(r), area.left()));
        order.sort(comparator(document, texts, falling));
        List<Table.Row> made = new ArrayList<>(area.table().rows());
        Map<CellMoves.Cell, CellMoves.Cell> moves = new HashMap<>();
        for (int r = 0; r < made.size(); r++) {
            int from = r < rows[0] || r >= rows[1] ? r : order.get(r - rows[0]);
            Table.Row row = area.table().rows().get(from);
            made.set(r, row);
            for (int c = 0; c < row.cells().size(); c++) moves.put(new CellMoves.Cell(from, c, 0), new CellMoves.Cell(r, c, 0));
        }
        Draft draft = new Draft(document, picked);
        Table sorted = new Table(area.table().look(), area.table().columns(), made);
        if (!sorted.equals(area.table())) draft.add(new TableStep(area.story(), area.path(), sorted, new CellMoves(moves)));
        return draft.done(EditKind.TABLE);
    }

    private static String text(Table.Row row, int column) {
        for (Table.Cell cell : row.cells()) if (cell.column() <= column && column < cell.column() + cell.columnSpan()) return TableNumbers.text(cell);
        return "";
    }

    private static Comparator<Integer> comparator(Document document, Map<Integer, String> texts, boolean falling) {
        Map<Integer, BigDecimal> numbers = new HashMap<>();
        texts.forEach((row, text) -> numbers.put(row, TableNumbers.of(text)));
        boolean numeric = texts.entrySet().stream().allMatch(one -> one.getValue().isEmpty() || numbers.get(one.getKey()) != null);
        String language = document.facts().language();
        Collator words = Collator.getInstance(language == null ? Locale.ROOT : Locale.forLanguageTag(language));
        Comparator<Integer> rising = numeric ? Comparator.comparing(numbers::get, Comparator.nullsLast(Comparator.naturalOrder()))
                : Comparator.comparing(texts::get, words::compare);
        Comparator<Integer> wanted = falling ? rising.reversed() : rising;
        return Comparator.<Integer, Boolean>comparing(row -> texts.get(row).isEmpty()).thenComparing((one, other) -> texts.get(one).isEmpty() ? 0
                : wanted.compare(one, other));
    }
}
