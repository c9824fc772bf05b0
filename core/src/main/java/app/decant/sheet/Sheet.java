package app.decant.sheet;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * One sheet.
 *
 * @param columnWidth of columns that say none, in points
 * @param rowHeight   of rows that say none and hold nothing
 * @param columns     in their order, without overlaps
 * @param rows        in their order, only those that hold something or differ
 * @param merged      cells that are one
 * @param objects     what lies over the cells, the lowest first
 * @param conditions  rules by which cells look otherwise
 */
public record Sheet(String name, boolean hidden, double columnWidth, double rowHeight, List<Column> columns, List<Row> rows, List<Range> merged,
        PageSetup setup, List<SheetObject> objects, List<Condition> conditions, SheetMatter matter) {
    public Sheet {
        conditions = List.copyOf(conditions);
        objects = List.copyOf(objects);
        columns = List.copyOf(columns);
        rows = List.copyOf(rows);
        merged = List.copyOf(merged);
        for (int i = 1; i < rows.size(); i++)
            if (rows.get(i).index() <= rows.get(i - 1).index()) throw new IllegalArgumentException("Rows of " + name + " are out of order");
    }

    /** A sheet over whose cells nothing lies. */
    public Sheet(String name, boolean hidden, double columnWidth, double rowHeight, List<Column> columns, List<Row> rows, List<Range> merged,
            PageSetup setup) {
        this(name, hidden, columnWidth, rowHeight, columns, rows, merged, setup, List.of(), List.of(), SheetMatter.NONE);
    }

    /** The row of an index, or null where it holds nothing. */
    public Row row(int index) {
        int at = position(index);
        return at < rows.size() && rows.get(at).index() == index ? rows.get(at) : null;
    }

    /** Where among the rows the first stands that is not above an index. */
    public int position(int index) {
        int low = 0;
        int high = rows.size();
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (rows.get(middle).index() < index) low = middle + 1;
            else high = middle;
        }
        return low;
    }

    /** The cell at a place, or null. */
    public Cell cell(int row, int column) {
        Row found = row(row);
        return found == null ? null : found.cell(column);
    }

    /** All that holds or shows something; null for an empty sheet. Rows and columns that are only dressed don't count. */
    public Range used(List<CellStyle> styles) {
        int top = Integer.MAX_VALUE;
        int left = Integer.MAX_VALUE;
        int bottom = -1;
        int right = -1;
        for (Row row : rows) {
            for (Cell cell : row.cells()) {
                if (cell.isEmpty() && !styles.get(cell.style()).shows()) continue;
                top = Math.min(top, row.index());
                bottom = row.index();
                left = Math.min(left, cell.column());
                right = Math.max(right, cell.column());
            }
        }
        if (bottom < 0 && objects.isEmpty()) return null;
        Range used = bottom < 0 ? objects.get(0).cells() : new Range(top, left, bottom, right);
        for (SheetObject one : objects) used = used.with(one.cells());
        for (Range one : merged) if (one.within(used) != null) used = used.with(one);
        return used;
    }

    /** The merged cells by the place of their first. */
    public Map<Long, Range> mergedFrom() {
        Map<Long, Range> from = new TreeMap<>();
        for (Range one : merged) from.put(key(one.top(), one.left()), one);
        return from;
    }

    /** A place as one number. */
    static long key(int row, int column) { return (long) row << 20 | column; }

    public Sheet named(String other) {
        return new Sheet(other, hidden, columnWidth, rowHeight, columns, rows, merged, setup, objects, conditions, matter);
    }

    public Sheet withSetup(PageSetup other) {
        return new Sheet(name, hidden, columnWidth, rowHeight, columns, rows, merged, other, objects, conditions, matter);
    }

    public Sheet withRows(List<Row> others) { return new Sheet(name, hidden, columnWidth, rowHeight, columns, others, merged, setup, objects, conditions,
            matter); }

    public Sheet withColumns(List<Column> others) {
        return new Sheet(name, hidden, columnWidth, rowHeight, others, rows, merged, setup, objects, conditions, matter);
    }

    public Sheet with(List<Condition> others) { return new Sheet(name, hidden, columnWidth, rowHeight, columns, rows, merged, setup, objects, others,
            matter); }

    public Sheet with(SheetMatter other) {
        return new Sheet(name, hidden, columnWidth, rowHeight, columns, rows, merged, setup, objects, conditions, other);
    }
}
