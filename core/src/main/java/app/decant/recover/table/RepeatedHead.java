package app.decant.recover.table;

import app.decant.pdf.read.Ink;
import app.decant.pdf.read.TagTree;
import app.decant.recover.line.Chunk;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.DoubleStream;

/**
 * The row of heads that a table shows again where it goes on on another page. To tags it is no content of the document (ISO 32000-1, 14.8.2.2), so its words
 * belong to no cell; without it the table would be two.
 */
final class RepeatedHead {
    /** The lines of such heads reach no farther above the first row, in ems. */
    private static final double REACH = 3.5;
    private static final double NEAR = 4;

    private RepeatedHead() { }

    /**
     * The table with its heads, if such stand above it; else as it is.
     *
     * @param present those of its cells that the page has
     * @param rest    what belongs to no cell; the words of the heads are taken out
     */
    static TableGrid of(TableGrid grid, List<TagTree.Element> present, List<Chunk> rest, List<Ink> ink) {
        List<TagTree.Element> rows = new ArrayList<>();
        TaggedTables.gatherRows(grid.tag(), rows);
        boolean absent = grid.heads() == 0 && !rows.isEmpty() && TaggedTables.isHead(rows.get(0))
                && rows.get(0).children().stream().noneMatch(present::contains);
        if (!absent) return grid;
        double size = grid.cells().stream().flatMap(cell -> cell.chunks().stream()).mapToDouble(Chunk::size).max().orElse(0);
        List<Chunk> heads = new ArrayList<>(rest.stream().filter(chunk -> chunk.bottom() < grid.top() + NEAR && chunk.top() > grid.top() - REACH * size
                && chunk.right() > grid.left() && chunk.left() < grid.right()).toList());
        RuleNet net = RuleNet.within(ink, grid.left() - NEAR, grid.top() - REACH * size, grid.right() + NEAR, grid.top() + NEAR);
        // A rule above the heads parts them from what else stands there.
        double bottom = heads.stream().mapToDouble(Chunk::bottom).max().orElse(0);
        double lowest = heads.stream().filter(chunk -> chunk.bottom() > bottom - 0.5 * size).mapToDouble(Chunk::top).min().orElse(grid.top());
        double top = net.across.stream().mapToDouble(Ink.Stroke::y1).filter(y -> y < lowest + 2).max().orElse(Double.NaN);
        heads.removeIf(chunk -> chunk.top() < (Double.isNaN(top) ? lowest - 1 : top - 2));
        if (heads.stream().mapToInt(chunk -> column(grid, chunk)).distinct().count() < Math.min(2, grid.columns())) return grid;
        rest.removeAll(heads);
        return with(grid, heads, Double.isNaN(top) ? lowest - 1.5 : top, net, ink);
    }

    private static TableGrid with(TableGrid grid, List<Chunk> heads, double top, RuleNet net, List<Ink> ink) {
        List<TableGrid.Cell> cells = new ArrayList<>();
        for (int c = 0; c < grid.columns(); c++) {
            int column = c;
            double x1 = grid.xs()[c];
            double x2 = grid.xs()[c + 1];
            cells.add(new TableGrid.Cell(0, c, 1, 1, heads.stream().filter(chunk -> column(grid, chunk) == column).toList(), List.of(),
                    net.lineAcross(top, x1, x2), net.lineDown(x2, top, grid.top()), net.lineAcross(grid.top(), x1, x2), net.lineDown(x1, top, grid.top()),
                    RuleNet.shading(ink, x1, top, x2, grid.top())));
        }
        for (TableGrid.Cell cell : grid.cells())
            cells.add(new TableGrid.Cell(cell.row() + 1, cell.column(), cell.rowSpan(), cell.columnSpan(), cell.chunks(), cell.pictures(), cell.top(),
                    cell.right(), cell.bottom(), cell.left(), cell.shading()));
        double[] ys = DoubleStream.concat(DoubleStream.of(top), DoubleStream.of(grid.ys())).toArray();
        // Heads may be wider than all that stands below them.
        double[] xs = grid.xs().clone();
        xs[0] = Math.min(xs[0], heads.stream().mapToDouble(Chunk::left).min().orElse(xs[0]) - 1);
        xs[xs.length - 1] = Math.max(xs[xs.length - 1], heads.stream().mapToDouble(Chunk::right).max().orElse(0) + 1);
        RuleNet.widen(ink, xs, ys);
        return new TableGrid(xs, ys, cells, grid.order(), grid.page(), grid.tag(), 1, false);
    }

    private static int column(TableGrid grid, Chunk chunk) {
        int column = 0;
        while (column + 1 < grid.columns() && chunk.middleX() >= grid.xs()[column + 1]) column++;
        return column;
    }
}
