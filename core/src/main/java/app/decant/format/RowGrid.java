package app.decant.format;

import app.decant.document.Block;
import app.decant.document.Look;
import app.decant.document.Table;
import java.util.ArrayList;
import java.util.List;
import java.util.TreeSet;

/** Rows that tell the edges of their cells each for themselves, made one table over a common grid. Edges are in twentieths of a point. */
public final class RowGrid {
    private static final int SAME_EDGE = 30;

    private final List<Row> rows = new ArrayList<>();

    /** How a cell hangs together with that above it. */
    public enum Merge { ALONE, BEGINS, CONTINUES }

    /**
     * A cell as a row tells it.
     *
     * @param joined whether it is one with the cell before it
     */
    public record Cell(List<Block> blocks, Look look, Merge merge, boolean joined) { }

    private record Row(List<Cell> cells, int[] edges, Look look) { }

    /** Adds a row. @param edges one more than cells; those that run backwards are put right */
    public void row(List<Cell> cells, int[] edges, Look look) {
        int[] sane = edges.clone();
        for (int i = 1; i < sane.length; i++) sane[i] = Math.max(sane[i], sane[i - 1] + 1);
        rows.add(new Row(List.copyOf(cells), sane, look));
    }

    public boolean isEmpty() { return rows.isEmpty(); }

    /** The leftmost edge of all rows. */
    public int left() { return rows.stream().mapToInt(row -> row.edges[0]).min().orElse(0); }

    /** The table. @param look what is said of it as a whole */
    public Table table(Look look) {
        TreeSet<Integer> all = new TreeSet<>();
        for (Row row : rows) for (int edge : row.edges) if (near(all, edge) == null) all.add(edge);
        List<Integer> grid = List.copyOf(all);
        List<Double> columns = new ArrayList<>();
        for (int i = 0; i + 1 < grid.size(); i++) columns.add((grid.get(i + 1) - grid.get(i)) / 20.0);
        List<Table.Row> made = new ArrayList<>();
        for (int r = 0; r < rows.size(); r++) {
            Row row = rows.get(r);
            List<Table.Cell> cells = new ArrayList<>();
            for (int c = 0; c < row.cells.size(); c++) {
                Cell cell = row.cells.get(c);
                if (cell.merge == Merge.CONTINUES && r > 0 || cell.joined && c > 0) continue;
                int from = grid.indexOf(near(all, row.edges[c]));
                int last = c;
                while (last + 1 < row.cells.size() && row.cells.get(last + 1).joined) last++;
                int to = Math.max(from + 1, grid.indexOf(near(all, row.edges[last + 1])));
                int down = 1;
                if (cell.merge == Merge.BEGINS) while (r + down < rows.size() && goesOn(rows.get(r + down), row.edges[c])) down++;
                cells.add(new Table.Cell(from, to - from, down, cell.look, cell.blocks));
            }
            made.add(new Table.Row(row.look, cells));
        }
        return new Table(look, columns, made);
    }

    private static Integer near(TreeSet<Integer> edges, int edge) {
        Integer below = edges.floor(edge);
        Integer above = edges.ceiling(edge);
        if (below != null && edge - below <= SAME_EDGE) return below;
        return above != null && above - edge <= SAME_EDGE ? above : null;
    }

    private static boolean goesOn(Row row, int edge) {
        for (int c = 0; c < row.cells.size(); c++) if (Math.abs(row.edges[c] - edge) <= SAME_EDGE) return row.cells.get(c).merge == Merge.CONTINUES;
        return false;
    }
}
