package app.decant.document;

import java.util.List;

/**
 * A table: rows of cells over a grid of columns.
 *
 * @param look    what the table says of itself ({@link TableProperty})
 * @param columns the widths of the grid's columns, in points
 */
public record Table(Look look, List<Double> columns, List<Row> rows) implements Block {
    public Table {
        columns = List.copyOf(columns);
        rows = List.copyOf(rows);
    }

    /** One row. A cell that reaches down from a row above has no entry here; {@link Cell#column} tells where each one stands. */
    public record Row(Look look, List<Cell> cells) {
        public Row { cells = List.copyOf(cells); }
    }

    /**
     * One cell.
     *
     * @param column     the grid column at its start
     * @param columnSpan how many grid columns it covers
     * @param rowSpan    how many rows it covers
     */
    public record Cell(int column, int columnSpan, int rowSpan, Look look, List<Block> blocks) {
        public Cell { blocks = List.copyOf(blocks); }

        /** @throws IllegalArgumentException where it would cover nothing */
        public Cell withSpans(int columns, int rows) {
            if (columns < 1 || rows < 1) throw new IllegalArgumentException("A cell covers something");
            return new Cell(column, columns, rows, look, blocks);
        }

        public Cell withBlocks(List<Block> others) { return new Cell(column, columnSpan, rowSpan, look, others); }
    }
}
