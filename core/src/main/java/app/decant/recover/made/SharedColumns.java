package app.decant.recover.made;

import app.decant.recover.line.Chunk;
import app.decant.recover.table.TableGrid;
import app.decant.recover.text.Body;
import app.decant.recover.text.Element;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/**
 * The columns of tables that tags tell of and that go on from page to page. Where no lines are drawn between columns, each page shows only how far its own
 * words reach: of all together it is told where the columns end.
 */
final class SharedColumns {
    /** Edges this far from each other, in points, are one. */
    private static final double SAME = 4;
    /** Room before the words of a column. */
    private static final double BEFORE = 4;

    private final Map<TableGrid, TableGrid> shared = new IdentityHashMap<>();

    SharedColumns(Body body) {
        List<TableGrid> group = new ArrayList<>();
        for (List<Element> page : body.pages()) {
            for (Element element : page) {
                if (!(element instanceof Element.Grid one)) continue;
                TableGrid last = group.isEmpty() ? null : group.get(group.size() - 1);
                boolean goesOn = last != null && last.tag() != null && ContinuedTable.goesOn(last, one.table());
                if (!goesOn) {
                    share(group);
                    group.clear();
                }
                group.add(one.table());
            }
        }
        share(group);
    }

    /** The same table with the columns that it has on all its pages. */
    TableGrid of(TableGrid grid) { return shared.getOrDefault(grid, grid); }

    private void share(List<TableGrid> group) {
        if (group.size() < 2) return;
        double[] edges = group.get(0).xs().clone();
        int last = edges.length - 1;
        boolean differ = false;
        for (TableGrid one : group) {
            // Left and right pages may stand elsewhere; a column that says nothing tells nothing.
            if (Math.abs(one.xs()[0] - edges[0]) > SAME && one.cells().stream().anyMatch(cell -> cell.column() == 0 && !cell.chunks().isEmpty())) return;
            for (int i = 1; i <= last; i++) differ |= Math.abs(one.xs()[i] - group.get(0).xs()[i]) > SAME;
            edges[0] = Math.min(edges[0], one.xs()[0]);
            edges[last] = Math.max(edges[last], one.xs()[last]);
        }
        if (!differ) return;
        for (int i = 1; i < last; i++) {
            double from = 0;
            double to = edges[last];
            for (TableGrid one : group) {
                for (TableGrid.Cell cell : one.cells()) {
                    if (cell.column() + cell.columnSpan() == i) from = Math.max(from, cell.chunks().stream().mapToDouble(Chunk::right).max().orElse(0));
                    if (cell.column() == i) to = Math.min(to, cell.chunks().stream().mapToDouble(Chunk::left).min().orElse(to));
                }
            }
            // Where pages contradict each other, it is as on the first.
            if (from <= to && (edges[i] < from || edges[i] > to)) edges[i] = Math.max(from, to - BEFORE);
            if (edges[i] <= edges[i - 1]) return;
        }
        for (TableGrid one : group) shared.put(one, one.withColumns(Arrays.copyOf(edges, edges.length)));
    }
}
