package app.decant.recover.table;

import app.decant.pdf.read.Box;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.Ink;
import app.decant.pdf.read.Placed;
import app.decant.pdf.read.TagTree;
import app.decant.recover.line.Chunk;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/** Makes tables of what tags call tables (ISO 32000-1, 14.8.4.3.4): rows and cells are known, their edges follow from text and lines. */
public final class TaggedTables {
    private static final int MOST_COLUMNS = 200;
    /** More rows that hold nothing are those of other pages. */
    private static final int MOST_EMPTY = 6;

    private final int page;
    private final Function<Glyph, TagTree.Element> tags;
    /** The element that was asked for last, and its cell: neighbours mostly share one. */
    private TagTree.Element asked;
    private TagTree.Element cell;

    public TaggedTables(int page, Function<Glyph, TagTree.Element> tags) {
        this.page = page;
        this.tags = tags;
    }

    /** Rules that run along cells stand no further from their words than this, in points. */
    private static final double BESIDE = 40;

    /** Columns that no cell stands over alone may be as narrow as this. */
    private static final double LEAST = 0.25;

    /** A cell with its place in the grid. */
    private record Placing(TagTree.Element element, int row, int column, int rows, int columns) { }

    /** Takes the tables of a page out of the lists it is given. */
    public List<TableGrid> take(List<Ink> ink, List<Chunk> chunks, List<Placed> pictures) {
        Map<TagTree.Element, List<Chunk>> cells = new HashMap<>();
        Map<TagTree.Element, List<TagTree.Element>> tables = new LinkedHashMap<>();
        List<Chunk> rest = new ArrayList<>();
        for (Chunk chunk : chunks) {
            for (Chunk piece : chunk.cut(glyph -> number(cell(glyph)))) {
                TagTree.Element cell = cell(piece.first());
                if (cell == null) {
                    rest.add(piece);
                    continue;
                }
                if (cells.computeIfAbsent(cell, key -> new ArrayList<>()).isEmpty())
                    tables.computeIfAbsent(cell.within("Table"), key -> new ArrayList<>()).add(cell);
                cells.get(cell).add(piece);
            }
        }
        if (tables.isEmpty()) return List.of();
        List<TableGrid> grids = new ArrayList<>();
        Map<TagTree.Element, List<Box>> shown = CellPictures.with(cells, pictures, ink);
        tables.forEach((table, present) -> {
            TableGrid grid = grid(table, present, cells, shown, ink, pictures);
            if (grid == null) {
                for (TagTree.Element cell : present) rest.addAll(cells.get(cell));
                return;
            }
            grid = RepeatedHead.of(grid, present, rest, ink);
            grids.add(grid);
            for (TableGrid.Cell cell : grid.cells()) pictures.removeAll(cell.pictures());
            RuleNet.takeFrom(ink, grid);
        });
        rest.sort(Comparator.comparingDouble(Chunk::baseline).thenComparingDouble(Chunk::left));
        chunks.clear();
        chunks.addAll(rest);
        return grids;
    }

    /** The cell of a table a glyph belongs to, or null. */
    private TagTree.Element cell(Glyph glyph) {
        TagTree.Element element = tags.apply(glyph);
        if (element == null) return null;
        if (element != asked) {
            TagTree.Element found = element.within("TD", "TH");
            // A note stands at the foot of the page, wherever its mark is (14.8.4.4.1).
            boolean note = found != null && element.within("Note", "FENote", "TD", "TH") != found;
            cell = note || found == null || found.within("Table") == null || found.within("TR") == null ? null : found;
            asked = element;
        }
        return cell;
    }

    private static int number(TagTree.Element cell) { return cell == null ? -1 : cell.number(); }

    private TableGrid grid(TagTree.Element table, List<TagTree.Element> present, Map<TagTree.Element, List<Chunk>> cells,
            Map<TagTree.Element, List<Box>> boxes, List<Ink> ink, List<Placed> pictures) {
        List<TagTree.Element> rows = new ArrayList<>();
        gatherRows(table, rows);
        keepThisPage(rows, present);
        List<Placing> placings = placings(rows);
        int columns = placings.stream().mapToInt(placing -> placing.column + placing.columns).max().orElse(0);
        if (columns < 1 || columns > MOST_COLUMNS || rows.isEmpty() || rows.size() * columns < 2) return null;
        RuleNet near = near(ink, present, boxes);
        if (rows.size() == 1 && isForPlacing(rows.get(0), cells, near)) return null;
        double[] xs = edges(columns, placings, boxes, near, true);
        double[] ys = edges(rows.size(), placings, boxes, near, false);
        if (xs == null || ys == null) return null;
        RuleNet.widen(ink, xs, ys);
        RuleNet net = RuleNet.within(ink, xs[0] - RuleNet.NEAR, ys[0] - RuleNet.NEAR, xs[columns] + RuleNet.NEAR, ys[rows.size()] + RuleNet.NEAR);
        List<TableGrid.Cell> result = new ArrayList<>();
        for (Placing placing : placings) {
            double x1 = xs[placing.column];
            double x2 = xs[placing.column + placing.columns];
            double y1 = ys[placing.row];
            double y2 = ys[placing.row + placing.rows];
            List<Placed> shown = pictures.stream().filter(placed -> placed.middleX() >= x1 && placed.middleX() < x2 && placed.middleY() >= y1
                    && placed.middleY() < y2).toList();
            result.add(new TableGrid.Cell(placing.row, placing.column, placing.rows, placing.columns, cells.getOrDefault(placing.element, List.of()), shown,
                    net.lineAcross(y1, x1, x2), net.lineDown(x2, y1, y2), net.lineAcross(y2, x1, x2), net.lineDown(x1, y1, y2),
                            RuleNet.shading(ink, x1, y1, x2, y2)));
        }
        int heads = 0;
        while (heads < rows.size() - 1 && isHead(rows.get(heads))) heads++;
        int order = present.stream().flatMap(cell -> cells.get(cell).stream()).mapToInt(Chunk::order).min().orElse(0);
        return new TableGrid(xs, ys, result, order, page, table, heads, false);
    }

    /** Leaves the rows that the page has, and those between them that hold nothing. */
    private static void keepThisPage(List<TagTree.Element> rows, List<TagTree.Element> present) {
        List<TagTree.Element> here = new ArrayList<>(rows);
        here.removeIf(row -> row.children().stream().noneMatch(present::contains));
        if (here.isEmpty()) {
            rows.clear();
            return;
        }
        // Between heads that come again and the rows that follow stand those of the pages before.
        TagTree.Element first = here.stream().filter(row -> !isHead(row)).findFirst().orElse(here.get(0));
        List<TagTree.Element> heads = List.copyOf(here.subList(0, here.indexOf(first)));
        List<TagTree.Element> between = List.copyOf(rows.subList(rows.indexOf(first), rows.lastIndexOf(here.get(here.size() - 1)) + 1));
        boolean whole = heads.size() + between.size() - here.size() <= MOST_EMPTY;
        rows.clear();
        if (whole) rows.addAll(heads);
        rows.addAll(whole ? between : here);
    }

    /** Whether a lone row only puts text side by side: columns, a note in the margin. Nothing is drawn of it, and a text of several lines stands in it. */
    private static boolean isForPlacing(TagTree.Element row, Map<TagTree.Element, List<Chunk>> cells, RuleNet near) {
        TagTree.Element above = row.within("Table");
        List<TagTree.Element> all = new ArrayList<>();
        gatherRows(above, all);
        if (all.size() > 1 || isHead(row) || !near.across.isEmpty() || !near.down.isEmpty()) return false;
        return row.children().stream().anyMatch(cell -> cells.getOrDefault(cell, List.of()).stream().mapToLong(chunk -> Math.round(chunk.baseline()))
                .distinct().count() > 3);
    }

    static void gatherRows(TagTree.Element element, List<TagTree.Element> rows) {
        for (TagTree.Element child : element.children()) {
            if (child.role().equals("TR")) rows.add(child);
            else if (child.role().matches("THead|TBody|TFoot|Div|NonStruct")) gatherRows(child, rows);
        }
    }

    static boolean isHead(TagTree.Element row) {
        if (row.parent().role().equals("THead")) return true;
        return row.children().stream().anyMatch(cell -> cell.role().equals("TH")) && row.children().stream().noneMatch(cell -> cell.role().equals("TD"));
    }

    /** Gives every cell its row and column; cells that reach down keep their place free in the rows below. */
    private static List<Placing> placings(List<TagTree.Element> rows) {
        List<Placing> placings = new ArrayList<>();
        Map<Long, Boolean> taken = new HashMap<>();
        for (int r = 0; r < rows.size(); r++) {
            int column = 0;
            for (TagTree.Element cell : rows.get(r).children()) {
                if (!cell.role().equals("TD") && !cell.role().equals("TH")) continue;
                while (taken.containsKey((long) r << 32 | column)) column++;
                int down = Math.min(cell.rowSpan(), rows.size() - r);
                for (int i = 0; i < down; i++) for (int k = 0; k < cell.columnSpan(); k++) taken.put((long) (r + i) << 32 | (column + k), true);
                placings.add(new Placing(cell, r, column, down, cell.columnSpan()));
                column += cell.columnSpan();
            }
        }
        return placings;
    }

    private static RuleNet near(List<Ink> ink, List<TagTree.Element> present, Map<TagTree.Element, List<Box>> cells) {
        List<Box> all = present.stream().flatMap(cell -> cells.get(cell).stream()).toList();
        double left = all.stream().mapToDouble(Box::left).min().orElse(0);
        double right = all.stream().mapToDouble(Box::right).max().orElse(0);
        double top = all.stream().mapToDouble(Box::top).min().orElse(0);
        double bottom = all.stream().mapToDouble(Box::bottom).max().orElse(0);
        // Sideways a table may reach far beyond its texts; above and below, rules soon belong to something else, but for those that run along its cells.
        RuleNet net = RuleNet.within(ink, left - 300, top - 14, right + 300, bottom + 14);
        double[] ends = RuleNet.framed(ink, left - BESIDE, top, right + BESIDE, bottom);
        return ends == null ? net : RuleNet.within(ink, left - 300, Math.min(top - 14, ends[0]), right + 300, Math.max(bottom + 14, ends[1]));
    }

    /**
     * The edges of columns or rows: where a line is drawn between neighbours, there; else half way between their texts.
     *
     * @return null where the texts contradict the tags
     */
    private static double[] edges(int count, List<Placing> placings, Map<TagTree.Element, List<Box>> cells, RuleNet net, boolean across) {
        double[] from = new double[count];
        double[] to = new double[count];
        Arrays.fill(from, Double.NaN);
        Arrays.fill(to, Double.NaN);
        for (Placing placing : placings) {
            int first = across ? placing.column : placing.row;
            int last = first + (across ? placing.columns : placing.rows) - 1;
            for (Box box : cells.getOrDefault(placing.element, List.of())) {
                double start = across ? box.left() : box.top();
                double end = across ? box.right() : box.bottom();
                from[first] = Double.isNaN(from[first]) ? start : Math.min(from[first], start);
                to[last] = Double.isNaN(to[last]) ? end : Math.max(to[last], end);
            }
        }
        double[] edges = new double[count + 1];
        edges[0] = outer(net, firstOf(from), across, true);
        // A row may end before the last column, and reach farther than those that don't.
        edges[count] = outer(net, greatest(to), across, false);
        for (int i = 1; i < count; i++) {
            double after = Double.NaN;
            int next = i;
            for (; next < count && Double.isNaN(after); next++) after = from[next];
            if (Double.isNaN(after)) after = edges[count];
            // Where nothing ends, the room up to what comes next is shared out among the columns that only wider cells stand over.
            double before = Double.isNaN(to[i - 1]) ? edges[i - 1] + Math.min(4, (after - edges[i - 1]) / (next - i + 2)) : to[i - 1];
            if (after < before - 2) return null;
            edges[i] = Math.max(edges[i - 1] + LEAST, between(net, before, after, across));
        }
        return edges[count] > edges[count - 1] ? edges : null;
    }

    private static double firstOf(double[] values) {
        for (double value : values) if (!Double.isNaN(value)) return value;
        return 0;
    }

    private static double greatest(double[] values) { return Arrays.stream(values).filter(value -> !Double.isNaN(value)).max().orElse(0); }

    private static double between(RuleNet net, double before, double after, boolean across) {
        for (Ink.Stroke stroke : across ? net.down : net.across) {
            double at = across ? stroke.x1() : stroke.y1();
            if (at > before - 1.5 && at < after + 1.5) return at;
        }
        return across ? Math.max(before, after - Math.min(4, Math.max(0, after - before) / 2)) : (before + after) / 2;
    }

    /** Where the table ends: at the end of the lines that run through it, else at the nearest line beside it, else a little beyond its text. */
    private static double outer(RuleNet net, double text, boolean across, boolean first) {
        double best = Double.NaN;
        if (across) {
            for (Ink.Stroke stroke : net.across) {
                if (stroke.x1() > text + 1.5 || stroke.x2() < text - 1.5) continue;
                best = first ? least(best, stroke.x1()) : -least(-best, -stroke.x2());
            }
            if (!Double.isNaN(best)) return best;
        } else {
            for (Ink.Stroke stroke : net.down) {
                boolean along = stroke.y1() < text + 1.5 && stroke.y2() > text - 1.5 && net.isCrossed(stroke, first ? stroke.y1() : stroke.y2());
                if (along) best = first ? least(best, stroke.y1()) : -least(-best, -stroke.y2());
            }
            if (!Double.isNaN(best)) return best;
        }
        for (Ink.Stroke stroke : across ? net.down : net.across) {
            double at = across ? stroke.x1() : stroke.y1();
            double away = first ? text - at : at - text;
            if (away > -1.5 && away < (across ? 40 : 16) && (Double.isNaN(best) || away < Math.abs(text - best))) best = at;
        }
        if (!Double.isNaN(best)) return best;
        double room = across ? 2 : 1.5;
        return first ? text - room : text + room;
    }

    private static double least(double known, double other) { return Double.isNaN(known) ? other : Math.min(known, other); }
}
