package app.decant.sheet;

import java.util.List;

/**
 * A row that holds something or has a height of its own.
 *
 * @param index  from 0
 * @param height in points; NaN where it is as high as what stands in it
 * @param depth  how many groups it is in, one within the other
 * @param cells  in the order of their columns
 */
public record Row(int index, double height, boolean hidden, int depth, List<Cell> cells) {
    public static final int DEEPEST = 7;

    public Row {
        cells = List.copyOf(cells);
        depth = Math.max(0, Math.min(DEEPEST, depth));
        for (int i = 1; i < cells.size(); i++)
            if (cells.get(i).column() <= cells.get(i - 1).column()) throw new IllegalArgumentException("Cells of row " + index + " are out of order");
    }

    /** One in no group. */
    public Row(int index, double height, boolean hidden, List<Cell> cells) { this(index, height, hidden, 0, cells); }

    public Row with(List<Cell> others) { return new Row(index, height, hidden, depth, others); }

    /** The cell of a column, or null. */
    public Cell cell(int column) {
        int low = 0;
        int high = cells.size() - 1;
        while (low <= high) {
            int middle = (low + high) >>> 1;
            int at = cells.get(middle).column();
            if (at == column) return cells.get(middle);
            if (at < column) low = middle + 1;
            else high = middle - 1;
        }
        return null;
    }
}
