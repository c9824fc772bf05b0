package app.decant.sheet;

/**
 * What somebody wrote to a cell, beside what it holds.
 *
 * @param author or an empty text
 */
public record CellNote(int row, int column, String author, String text) {
    public CellNote {
        if (row < 0 || row >= Range.MOST_ROWS || column < 0 || column >= Range.MOST_COLUMNS) throw new IllegalArgumentException("No cell for a note");
    }
}
