package app.decant.format.sheet;

import app.decant.sheet.Column;
import app.decant.sheet.Range;
import app.decant.sheet.Row;
import java.util.List;
import java.util.SortedMap;

/** Places over the cells of a sheet: a column and how far in it, a row and how far in it, in points. */
final class CellPlaces {
    /** No sheet is laid out as far, in points; a hostile file may say so of every shape. */
    static final double FARTHEST = 200_000;

    private final List<Column> columns;
    private final double width;
    private final SortedMap<Integer, Row> rows;
    private final double height;

    /** @param width of columns that say none, as is {@code height} of rows */
    CellPlaces(List<Column> columns, double width, SortedMap<Integer, Row> rows, double height) {
        this.columns = columns;
        this.width = width;
        this.rows = rows;
        this.height = height;
    }

    /** A place so much further to the right and down. */
    double[] moved(double[] from, double across, double down) {
        int column = (int) from[0];
        double x = from[1] + near(across);
        while (column + 1 < Range.MOST_COLUMNS && x > width(column)) x -= width(column++);
        int row = (int) from[2];
        double y = from[3] + near(down);
        while (row + 1 < Range.MOST_ROWS && y > height(row)) y -= height(row++);
        return new double[] {column, x, row, y};
    }

    static double near(double points) { return Math.max(-FARTHEST, Math.min(FARTHEST, points)); }

    /** About as wide and high as it will be: rows that fit their text are taken as usual ones. */
    double[] size(double[] from, double[] to) {
        double across = to[1] - from[1];
        for (int column = (int) from[0]; column < to[0]; column++) across += width(column);
        double down = to[3] - from[3];
        for (int row = (int) from[2]; row < to[2]; row++) down += height(row);
        return new double[] {Math.max(1, across), Math.max(1, down)};
    }

    private double width(int column) {
        for (Column one : columns) if (one.from() <= column && column <= one.to()) return one.hidden() ? 0 : one.width();
        return width;
    }

    private double height(int row) {
        Row one = rows.get(row);
        return one == null ? height : one.hidden() ? 0 : Double.isNaN(one.height()) ? height : one.height();
    }
}
