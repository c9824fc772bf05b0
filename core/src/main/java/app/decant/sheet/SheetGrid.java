package app.decant.sheet;

import app.decant.document.TextProperty;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;

/** How wide the columns and how high the rows of an area are, in points at full size; hidden ones are 0. */
final class SheetGrid {
    /** Of a line of text against the size of its letters; common practice. */
    private static final double LINE = 1.25;
    private static final double PLAIN_SIZE = 11;

    private final Sheet sheet;
    private final Range area;
    private final double[] widths;
    private final double[] heights;

    /** How high the text of a wrapped cell is in a width; asked for rows that say no height. */
    @FunctionalInterface
    interface Measure { double height(Cell cell, CellStyle style, double width); }

    SheetGrid(Workbook workbook, Sheet sheet, Range area, Measure measure) {
        this.sheet = sheet;
        this.area = area;
        widths = new double[area.columns()];
        Arrays.fill(widths, sheet.columnWidth());
        for (Column column : sheet.columns())
            for (int c = Math.max(area.left(), column.from()); c <= Math.min(area.right(), column.to()); c++)
                widths[c - area.left()] = column.hidden() ? 0 : column.width();
        heights = new double[area.rows()];
        Arrays.fill(heights, sheet.rowHeight());
        Map<Long, Range> merged = sheet.mergedFrom();
        Map<Integer, Double> lines = new HashMap<>();
        for (int at = sheet.position(area.top()); at < sheet.rows().size() && sheet.rows().get(at).index() <= area.bottom(); at++) {
            Row row = sheet.rows().get(at);
            heights[row.index() - area.top()] = row.hidden() ? 0 : Double.isNaN(row.height()) ? own(workbook, row, merged, lines, measure) : row.height();
        }
    }

    /** As high as the letters in it need. */
    private double own(Workbook workbook, Row row, Map<Long, Range> merged, Map<Integer, Double> lines, Measure measure) {
        double height = sheet.rowHeight();
        for (Cell cell : row.cells()) {
            if (cell.isEmpty() || merged.containsKey(Sheet.key(row.index(), cell.column()))) continue;
            CellStyle style = workbook.style(cell);
            height = Math.max(height, lines.computeIfAbsent(cell.style(), key -> style.font().get(TextProperty.SIZE, PLAIN_SIZE) * LINE));
            boolean wraps = (style.wraps() || style.across() == CellStyle.Across.JUSTIFY || style.turn() != 0)
                    && area.holds(row.index(), cell.column());
            if (wraps) height = Math.max(height, measure.height(cell, style, width(cell.column())));
        }
        return height;
    }

    double width(int column) { return widths[column - area.left()]; }

    double height(int row) { return heights[row - area.top()]; }

    double width(int from, int to) {
        double sum = 0;
        for (int c = Math.max(from, area.left()); c <= Math.min(to, area.right()); c++) sum += width(c);
        return sum;
    }

    double height(int from, int to) {
        double sum = 0;
        for (int r = Math.max(from, area.top()); r <= Math.min(to, area.bottom()); r++) sum += height(r);
        return sum;
    }
}
