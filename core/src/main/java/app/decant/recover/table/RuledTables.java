package app.decant.recover.table;

import app.decant.pdf.read.Ink;
import app.decant.pdf.read.Placed;
import app.decant.recover.line.Chunk;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;

/** Finds tables by the lines drawn round their cells. Takes what belongs to a table out of the lists it is given. */
public final class RuledTables {
    private static final double NEAR = RuleNet.NEAR;

    private final int page;

    public RuledTables(int page) { this.page = page; }

    public List<TableGrid> take(List<Ink> ink, List<Chunk> chunks, List<Placed> pictures) {
        List<Ink.Stroke> strokes = new ArrayList<>();
        for (Ink one : ink) if (one instanceof Ink.Stroke stroke && stroke.length() > 5) strokes.add(stroke);
        if (strokes.size() < 4 || strokes.size() > 20_000) return List.of();
        List<TableGrid> tables = new ArrayList<>();
        for (RuleNet net : nets(strokes)) {
            TableGrid grid = grid(net, ink, chunks, pictures);
            if (grid == null) continue;
            tables.add(grid);
            for (TableGrid.Cell cell : grid.cells()) {
                chunks.removeAll(cell.chunks());
                pictures.removeAll(cell.pictures());
            }
            ink.removeAll(net.across);
            ink.removeAll(net.down);
            ink.removeIf(one -> one instanceof Ink.Fill fill && fill.x() > grid.left() - 3 && fill.right() < grid.right() + 3 && fill.y() > grid.top() - 3
                    && fill.bottom() < grid.bottom() + 3);
        }
        return tables;
    }

    private static List<RuleNet> nets(List<Ink.Stroke> strokes) {
        int count = strokes.size();
        int[] group = new int[count];
        for (int i = 0; i < count; i++) group[i] = i;
        List<Integer> order = new ArrayList<>();
        for (int i = 0; i < count; i++) order.add(i);
        order.sort(Comparator.comparingDouble(i -> strokes.get(i).y1()));
        for (int a = 0; a < count; a++) {
            Ink.Stroke one = strokes.get(order.get(a));
            for (int b = a + 1; b < count; b++) {
                Ink.Stroke other = strokes.get(order.get(b));
                if (other.y1() > one.y2() + NEAR) break;
                if (other.x1() <= one.x2() + NEAR && one.x1() <= other.x2() + NEAR) join(group, order.get(a), order.get(b));
            }
        }
        Map<Integer, RuleNet> nets = new TreeMap<>();
        for (int i = 0; i < count; i++) {
            RuleNet net = nets.computeIfAbsent(root(group, i), key -> new RuleNet());
            net.add(strokes.get(i));
        }
        return new ArrayList<>(nets.values());
    }

    private static int root(int[] group, int i) {
        while (group[i] != i) i = group[i] = group[group[i]];
        return i;
    }

    private static void join(int[] group, int a, int b) { group[root(group, a)] = root(group, b); }

    private TableGrid grid(RuleNet net, List<Ink> ink, List<Chunk> chunks, List<Placed> pictures) {
        if (net.across.isEmpty() || net.down.isEmpty()) return null;
        double left = net.across.stream().mapToDouble(Ink.Stroke::x1).min().orElseThrow();
        double right = net.across.stream().mapToDouble(Ink.Stroke::x2).max().orElseThrow();
        double top = net.down.stream().mapToDouble(Ink.Stroke::y1).min().orElseThrow();
        double bottom = net.down.stream().mapToDouble(Ink.Stroke::y2).max().orElseThrow();
        double[] xs = edges(net.down.stream().map(Ink.Stroke::x1).toList(), Math.min(left, least(net.down, true)), Math.max(right, most(net.down, true)));
        double[] ys = edges(net.across.stream().map(Ink.Stroke::y1).toList(), Math.min(top, least(net.across, false)),
                Math.max(bottom, most(net.across, false)));
        if (xs.length < 2 || ys.length < 2 || xs.length * ys.length < 6 || xs.length > 200 || ys.length > 2000) return null;
        List<Chunk> inside = chunks.stream().filter(chunk -> chunk.middleX() > xs[0] && chunk.middleX() < xs[xs.length - 1] && chunk.middleY() > ys[0]
                && chunk.middleY() < ys[ys.length - 1]).toList();
        if (inside.isEmpty()) return null;
        List<TableGrid.Cell> cells = cells(net, xs, ys, ink, inside, pictures);
        if (cells.size() < 2) return null;
        long filled = cells.stream().filter(cell -> !cell.chunks().isEmpty() || !cell.pictures().isEmpty()).count();
        if (filled < 2 || filled * 4 < cells.size() && cells.size() > 12) return null;
        TableGrid grid = new TableGrid(xs, ys, cells, inside.stream().mapToInt(Chunk::order).min().orElse(0), page);
        return RowSplit.of(grid);
    }

    private static double least(List<Ink.Stroke> strokes, boolean x) {
        return strokes.stream().mapToDouble(stroke -> x ? stroke.x1() : stroke.y1()).min().orElseThrow();
    }
    private static double most(List<Ink.Stroke> strokes, boolean x) {
        return strokes.stream().mapToDouble(stroke -> x ? stroke.x2() : stroke.y2()).max().orElseThrow();
    }

    private static double[] edges(List<Double> lines, double from, double to) {
        List<Double> all = new ArrayList<>(lines);
        all.add(from);
        all.add(to);
        Collections.sort(all);
        List<Double> edges = new ArrayList<>();
        for (double one : all) if (edges.isEmpty() || one - edges.get(edges.size() - 1) > 2 * NEAR) edges.add(one);
        return edges.stream().mapToDouble(Double::doubleValue).toArray();
    }

    private static List<TableGrid.Cell> cells(RuleNet net, double[] xs, double[] ys, List<Ink> ink, List<Chunk> chunks, List<Placed> pictures) {
        int columns = xs.length - 1;
        int rows = ys.length - 1;
        Set<Integer> done = new HashSet<>();
        List<TableGrid.Cell> cells = new ArrayList<>();
        for (int r = 0; r < rows; r++) {
            for (int c = 0; c < columns; c++) {
                if (done.contains(r * columns + c)) continue;
                int span = 1;
                while (c + span < columns && !done.contains(r * columns + c + span) && net.lineDown(xs[c + span], ys[r], ys[r + 1]) == null) span++;
                int down = 1;
                while (r + down < rows && isOpen(net, xs, ys, r + down, c, span) && isFree(done, r + down, c, span, columns)) down++;
                for (int i = 0; i < down; i++) for (int k = 0; k < span; k++) done.add((r + i) * columns + c + k);
                double x1 = xs[c];
                double x2 = xs[c + span];
                double y1 = ys[r];
                double y2 = ys[r + down];
                List<Chunk> texts = chunks.stream().filter(chunk -> chunk.middleX() >= x1 && chunk.middleX() < x2 && chunk.middleY() >= y1
                        && chunk.middleY() < y2).toList();
                List<Placed> shown = pictures.stream().filter(placed -> placed.middleX() >= x1 && placed.middleX() < x2 && placed.middleY() >= y1
                        && placed.middleY() < y2).toList();
                cells.add(new TableGrid.Cell(r, c, down, span, texts, shown, net.lineAcross(y1, x1, x2), net.lineDown(x2, y1, y2),
                        net.lineAcross(y2, x1, x2), net.lineDown(x1, y1, y2), RuleNet.shading(ink, x1, y1, x2, y2)));
            }
        }
        return cells;
    }

    /** Whether a cell reaches into a row: no line above it there, and none between its columns. */
    private static boolean isOpen(RuleNet net, double[] xs, double[] ys, int row, int column, int span) {
        if (net.lineAcross(ys[row], xs[column], xs[column + 1]) != null) return false;
        for (int k = 1; k < span; k++)
            if (net.lineAcross(ys[row], xs[column + k], xs[column + k + 1]) != null || net.lineDown(xs[column + k], ys[row], ys[row + 1]) != null) return false;
        return column + span == xs.length - 1 || net.lineDown(xs[column + span], ys[row], ys[row + 1]) != null;
    }

    private static boolean isFree(Set<Integer> done, int row, int column, int span, int columns) {
        for (int k = 0; k < span; k++) if (done.contains(row * columns + column + k)) return false;
        return true;
    }

    /** Splits rows that hold several rows of text because no line was drawn between them. */
    private static final class RowSplit {
        static TableGrid of(TableGrid grid) {
            TreeSet<Double> cuts = new TreeSet<>();
            for (double y : grid.ys()) cuts.add(y);
            for (int r = 0; r < grid.rows(); r++) {
                List<TableGrid.Cell> row = grid.row(r);
                if (row.size() < 2 || row.stream().anyMatch(cell -> cell.rowSpan() > 1)) continue;
                List<Chunk> all = row.stream().flatMap(cell -> cell.chunks().stream()).sorted(Comparator.comparingDouble(Chunk::baseline)).toList();
                List<List<Chunk>> lines = AlignedTable.rows(all, grid.xs());
                long full = lines.stream().filter(line -> line.stream().map(chunk -> AlignedTable.columnOf(chunk, grid.xs())).distinct()
                        .count() >= Math.max(2, grid.columns() - 1)).count();
                if (lines.size() < 2 || full < lines.size() || lines.size() < 3 && grid.columns() < 3) continue;
                if (isRunningText(lines, grid.xs())) continue;
                for (int i = 1; i < lines.size(); i++) {
                    double above = lines.get(i - 1).stream().mapToDouble(Chunk::bottom).max().orElse(0);
                    double below = lines.get(i).stream().mapToDouble(Chunk::top).min().orElse(0);
                    cuts.add((above + below) / 2);
                }
            }
            if (cuts.size() == grid.ys().length) return grid;
            double[] ys = cuts.stream().mapToDouble(Double::doubleValue).toArray();
            List<TableGrid.Cell> cells = new ArrayList<>();
            for (TableGrid.Cell cell : grid.cells()) {
                int from = index(ys, grid.ys()[cell.row()]);
                int to = index(ys, grid.ys()[cell.row() + cell.rowSpan()]);
                boolean whole = cell.rowSpan() > 1 || to == from + 1;
                for (int r = from; r < (whole ? from + 1 : to); r++) {
                    int last = whole ? to : r + 1;
                    double y1 = ys[r];
                    double y2 = ys[last];
                    List<Chunk> texts = cell.chunks().stream().filter(chunk -> chunk.middleY() >= y1 && chunk.middleY() < y2).toList();
                    List<Placed> shown = cell.pictures().stream().filter(placed -> placed.middleY() >= y1 && placed.middleY() < y2).toList();
                    cells.add(new TableGrid.Cell(r, cell.column(), last - r, cell.columnSpan(), texts, shown, r == from ? cell.top() : null, cell.right(),
                            last == to ? cell.bottom() : null, cell.left(), cell.shading()));
                }
            }
            cells.sort(Comparator.comparingInt(TableGrid.Cell::row).thenComparingInt(TableGrid.Cell::column));
            return new TableGrid(grid.xs(), ys, cells, grid.order(), grid.page());
        }

        /** Whether lines go on with each other: then they are of one row, whose cells hold several lines each. */
        private static boolean isRunningText(List<List<Chunk>> lines, double[] xs) {
            for (int i = 1; i < lines.size(); i++) if (AlignedTable.goesOn(lines.get(i - 1), lines.get(i), xs)) return true;
            return false;
        }

        private static int index(double[] ys, double y) {
            for (int i = 0; i < ys.length; i++) if (ys[i] == y) return i;
            throw new IllegalArgumentException("No row starts at " + y);
        }
    }
}
