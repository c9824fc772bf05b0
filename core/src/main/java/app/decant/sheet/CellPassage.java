package app.decant.sheet;

import app.decant.page.Passage;
import java.util.Map;

/** What a cell of an area shows: the same cell's, however often its page is painted. */
final class CellPassage implements Passage {
    /** In place of a column: all cells of the row are told as one. */
    static final int WHOLE_ROW = -1;

    private final int area;
    private final int row;
    private final int column;
    private final int length;
    private final Map<String, Integer> marks;

    /**
     * @param area   the number of the area among those that are put onto pages
     * @param length of what is to be seen, in characters; not looked at when passages are compared
     * @param marks  names by which links land on it, likewise
     */
    CellPassage(int area, int row, int column, int length, Map<String, Integer> marks) {
        this.area = area;
        this.row = row;
        this.column = column;
        this.length = length;
        this.marks = marks;
    }

    @Override public int length() { return length; }
    @Override public Map<String, Integer> marks() { return marks; }

    @Override public boolean equals(Object other) {
        return other instanceof CellPassage passage && passage.area == area && passage.row == row && passage.column == column;
    }

    @Override public int hashCode() { return (area * 31 + row) * 16_411 + column; }
}
