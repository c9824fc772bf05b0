package app.decant.format;

import app.decant.document.Table;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * A cell as it stands in one row, for formats that write cells row by row.
 *
 * @param firstRow  the row it begins in
 * @param continues whether it goes on from the row above
 * @param reaches   whether it reaches over several rows
 */
public record StandingCell(Table.Cell cell, int firstRow, boolean continues, boolean reaches) {
    /** The cells of a row from start to end, those that reach down into it among them. */
    public static List<StandingCell> in(Table table, int row) {
        List<StandingCell> cells = new ArrayList<>();
        for (int above = 0; above <= row; above++) {
            for (Table.Cell cell : table.rows().get(above).cells()) {
                if (above + cell.rowSpan() > row) cells.add(new StandingCell(cell, above, above < row, cell.rowSpan() > 1));
            }
        }
        cells.sort(Comparator.comparingInt(one -> one.cell.column()));
        return cells;
    }
}
