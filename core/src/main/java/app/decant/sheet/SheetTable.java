package app.decant.sheet;

import java.util.List;

/**
 * A range of a sheet that is a table with a name (ISO/IEC 29500-1, 18.5.1.2): formulas ask for its columns by their names, and it has a look of its own.
 *
 * @param head    whether its first row holds the names of its columns
 * @param total   whether its last row sums up
 * @param filter  whether signs to filter it by stand in its head
 * @param style   the name of its look, or null
 * @param parts   which of the look are shown
 * @param dress   the look, as far as it is known; null for none
 * @param columns from left to right, as many as its range has
 */
public record SheetTable(String name, Range range, boolean head, boolean total, boolean filter, String style, Parts parts, TableDress dress,
                         List<TableColumn> columns) {
    public SheetTable {
        columns = List.copyOf(columns);
        if (columns.size() != range.columns()) throw new IllegalArgumentException("A table has a name for each of its columns");
    }

    /** Which parts of a look are shown. */
    public record Parts(boolean firstColumn, boolean lastColumn, boolean rowStripes, boolean columnStripes) { }

    /**
     * A column.
     *
     * @param formula  of its cells, or null
     * @param total    the function that sums it up as files call it (18.18.82), or null
     * @param label    what stands there instead, or null
     */
    public record TableColumn(String name, String formula, String total, String label) { }

    /** What the look puts under a cell of the table; {@link CellDress#NONE} for one outside. */
    CellDress under(int row, int column) {
        if (dress == null || !range.holds(row, column)) return CellDress.NONE;
        boolean first = head && row == range.top();
        boolean last = total && row == range.bottom();
        int stripe = row - range.top() - (head ? 1 : 0);
        int side = column - range.left();
        boolean striped = parts.rowStripes() && stripe % 2 == 0 || parts.columnStripes() && side % 2 == 0;
        boolean strong = parts.firstColumn() && side == 0 || parts.lastColumn() && column == range.right();
        return dress.of(first, last, striped, strong, row == range.top(), row == range.bottom(), column == range.left(), column == range.right());
    }
}
