package app.decant.edit;

import java.util.Map;

/**
 * Where the cells of a table have gone when rows or columns came, went or were merged.
 *
 * @param moves for each cell before the one it is part of after; a cell that is not named is gone. Null where all stay
 */
public record CellMoves(Map<Cell, Cell> moves) {
    public static final CellMoves SAME = new CellMoves(null);

    public CellMoves { moves = moves == null ? null : Map.copyOf(moves); }

    /**
     * A cell by its row and its place among the row's cells.
     *
     * @param block of the cell after, at which the blocks of the one before begin; 0 for cells before
     */
    public record Cell(int row, int cell, int block) { }

    /** Where a cell is now, or null where it is gone. */
    Cell of(int row, int cell) { return moves == null ? new Cell(row, cell, 0) : moves.get(new Cell(row, cell, 0)); }
}
