package app.decant.recover.table;

import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.Ink;
import app.decant.recover.line.Chunk;
import app.decant.recover.line.ContentsEntry;
import app.decant.recover.line.FreeStrips;
import app.decant.recover.line.TextLine;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Set;

/**
 * Finds tables that have lines across but none down: a line above and below, one under the row of heads, perhaps one under each row. Columns are
 * told by strips that no word reaches into. Takes what belongs to a table out of the lists it is given.
 */
public final class BarTables {
    /** A strip between columns is at least this wide, in ems: wider than the space between words. */
    private static final double STRIP = 0.5;
    /** And wider than a space of letters that are all equally wide. */
    private static final double SPACES = 1.3;
    private static final double SAME = 3;
    /** Of a strip that running text goes through, letters fill this share. */
    private static final double FILLED = 0.6;
    private static final int MOST_BARS = 120;
    /** More than these, above and below areas, are no heads but a chart or a plan. */
    private static final int MOST_SHADED = 60;

    private final int page;
    private final double width;
    private final double height;

    /**
     * For one page.
     *
     * @param width  of the page, in points
     * @param height of the page
     */
    public BarTables(int page, double width, double height) {
        this.page = page;
        this.width = width;
        this.height = height;
    }

    /** Chunks on one baseline. */
    private record Line(List<Chunk> chunks) {
        double baseline() { return chunks.get(0).baseline(); }
        double size() { return chunks.stream().mapToDouble(Chunk::size).max().orElse(10); }
        double left() { return chunks.stream().mapToDouble(Chunk::left).min().orElse(0); }
        double right() { return chunks.stream().mapToDouble(Chunk::right).max().orElse(0); }
        double top() { return chunks.stream().mapToDouble(Chunk::top).min().orElse(0); }
        double bottom() { return chunks.stream().mapToDouble(Chunk::bottom).max().orElse(0); }
    }

    public List<TableGrid> take(List<Ink> ink, List<Chunk> chunks) {
        List<TableGrid> tables = new ArrayList<>();
        List<Ink.Stroke> bars = new ArrayList<>();
        for (Ink one : ink) if (one instanceof Ink.Stroke stroke && stroke.isAcross() && stroke.length() > 50 && stroke.width() < 4) bars.add(stroke);
        List<Line> lines = lines(chunks);
        bars.removeIf(bar -> isOfFrame(bar, lines));
        List<Ink.Stroke> shaded = ofShadedHeads(ink, lines);
        if (shaded.size() <= MOST_SHADED) bars.addAll(shaded);
        if (bars.isEmpty() || bars.size() > MOST_BARS) return tables;
        bars.sort(Comparator.comparingDouble(Ink.Stroke::y1));
        Set<Ink.Stroke> done = new HashSet<>();
        for (Ink.Stroke first : bars) {
            if (done.contains(first)) continue;
            List<Ink.Stroke> alike = bars.stream().filter(bar -> !done.contains(bar) && bar.y1() >= first.y1() && Math.abs(bar.x1() - first.x1()) < SAME
                    && Math.abs(bar.x2() - first.x2()) < SAME).toList();
            TableGrid grid = null;
            for (int count = alike.size(); count >= 1 && grid == null; count--) {
                grid = grid(alike.subList(0, count), lines, ink);
                if (grid != null) done.addAll(alike.subList(0, count));
            }
            done.add(first);
            if (grid == null) continue;
            tables.add(grid);
            TableGrid found = grid;
            Set<Chunk> own = new HashSet<>();
            for (Chunk chunk : chunks) if (found.holds(chunk.middleX(), chunk.middleY())) own.add(chunk);
            for (Line line : lines) line.chunks.removeAll(own);
            lines.removeIf(line -> line.chunks.isEmpty());
            chunks.removeAll(own);
            RuleNet.takeFrom(ink, grid);
        }
        return tables;
    }

    /** Where the ground of a row of heads begins and ends, as if lines were drawn there: one area, or one beside the other for each head. */
    private static List<Ink.Stroke> ofShadedHeads(List<Ink> ink, List<Line> lines) {
        List<Ink.Fill> fills = new ArrayList<>();
        for (Ink one : ink) if (one instanceof Ink.Fill fill && fill.rgb() != 0xFFFFFF && fill.height() > 6 && fill.height() < 80) fills.add(fill);
        fills.sort(Comparator.comparingDouble((Ink.Fill fill) -> Math.round(fill.y())).thenComparingDouble(Ink.Fill::x));
        List<Ink.Stroke> edges = new ArrayList<>();
        for (int i = 0; i < fills.size();) {
            Ink.Fill first = fills.get(i);
            double right = first.right();
            int end = i + 1;
            while (end < fills.size() && Math.abs(fills.get(end).y() - first.y()) < 1 && Math.abs(fills.get(end).height() - first.height()) < 1
                    && fills.get(end).rgb() == first.rgb() && fills.get(end).x() < right + SAME) right = Math.max(right, fills.get(end++).right());
            i = end;
            double to = right;
            List<Chunk> within = lines.stream().flatMap(line -> line.chunks.stream()).filter(chunk -> chunk.middleY() > first.y()
                    && chunk.middleY() < first.bottom() && chunk.left() > first.x() - SAME && chunk.right() < to + SAME).toList();
            // A lone text on a ground is a heading or a note; heads stand beside each other.
            boolean apart = within.size() > 1 && within.stream().anyMatch(one -> within.stream().anyMatch(other -> other.left() > one.right() + one.size()));
            if (!apart || to - first.x() < 50) continue;
            for (double y : new double[] {first.y(), first.bottom()}) edges.add(new Ink.Stroke(first.x(), y, to, y, 0, first.rgb(), false, first.order()));
        }
        return edges;
    }

    /** Whether a line parts a running head or foot from the body: hardly anything beyond it, near the edge of the page. */
    private boolean isOfFrame(Ink.Stroke bar, List<Line> lines) {
        if (bar.length() < 0.55 * width) return false;
        long above = lines.stream().filter(line -> line.baseline() < bar.y1() + 1).count();
        long below = lines.stream().filter(line -> line.baseline() > bar.y1() + 1).count();
        return bar.y1() < 0.15 * height && above > 0 && above <= 2 || bar.y1() > 0.85 * height && below > 0 && below <= 2;
    }

    private static List<Line> lines(List<Chunk> chunks) {
        List<Line> lines = new ArrayList<>();
        for (Chunk chunk : chunks.stream().sorted(Comparator.comparingDouble(Chunk::baseline).thenComparingDouble(Chunk::left)).toList()) {
            Line last = lines.isEmpty() ? null : lines.get(lines.size() - 1);
            if (last != null && Math.abs(last.baseline() - chunk.baseline()) < 0.35 * chunk.size()) last.chunks.add(chunk);
            else lines.add(new Line(new ArrayList<>(List.of(chunk))));
        }
        return lines;
    }

    private TableGrid grid(List<Ink.Stroke> bars, List<Line> all, List<Ink> ink) {
        double left = bars.get(0).x1();
        double right = bars.get(0).x2();
        double top = bars.get(0).y1();
        double bottom = bars.get(bars.size() - 1).y1();
        List<Line> near = all.stream().map(line -> new Line(line.chunks.stream().filter(chunk -> chunk.right() > left && chunk.left() < right).toList()))
                .filter(line -> !line.chunks.isEmpty()).toList();
        List<Line> inside = new ArrayList<>();
        int from = -1;
        int to = -1;
        for (int i = 0; i < near.size(); i++) {
            double middle = near.get(i).baseline() - 0.3 * near.get(i).size();
            if (middle < top || middle > bottom) continue;
            if (!isWithin(near.get(i), left, right)) return null;
            if (from < 0) from = i;
            to = i;
            inside.add(near.get(i));
        }
        boolean lone = inside.isEmpty();
        if (lone) {
            // One line, or a double one: a row of heads above it, rows below it.
            int above = -1;
            for (int i = 0; i < near.size(); i++) if (near.get(i).bottom() < top + 2) above = i;
            if (above < 0 || above + 1 >= near.size() || top - near.get(above).baseline() > 1.6 * near.get(above).size() || near.get(above + 1).top()
                    - bottom > 1.5 * near.get(above + 1).size()) return null;
            if (!isWithin(near.get(above), left, right) || !isWithin(near.get(above + 1), left, right)) return null;
            inside.add(near.get(above));
            inside.add(near.get(above + 1));
            from = above;
            to = above + 1;
        }
        List<double[]> strips = strips(inside, left, right);
        if (strips.isEmpty()) return null;
        // Two lines with much between them frame something else, unless a row of heads stands above the first.
        if (bars.size() == 2 && !lone && inside.size() > 3 && !(from > 0 && fits(near.get(from - 1), near.get(from), strips, left, right, 2))) return null;
        if (inside.stream().filter(line -> ContentsEntry.ends(new TextLine(line.chunks, page).text())).count() > inside.size() / 3) return null;
        boolean headless = !lone && bars.size() == 1 || inside.get(0).baseline() - inside.get(0).size() * 0.3 > top;
        // The row of heads may stand above the first line, rows may go on below the last one.
        int heads = bars.size() == 1 ? 2 : Math.max(2, strips.size() < 3 ? strips.size() + 1 : strips.size());
        while (headless && from > 0 && fits(near.get(from - 1), near.get(from), strips, left, right, heads)) inside.add(0, near.get(--from));
        while (to + 1 < near.size() && fits(near.get(to + 1), near.get(to), strips, left, right, lone || bars.size() < 3 ? 2 : strips.size() + 1))
            inside.add(near.get(++to));
        strips = strips(inside, left, right);
        if (strips.isEmpty() || !isTable(inside, strips, lone)) return null;
        return cut(inside, strips, bars, left, right, ink);
    }

    private static boolean isWithin(Line line, double left, double right) { return line.left() > left - SAME && line.right() < right + SAME; }

    /** Whether a line beside the ones found stands in their columns. */
    private static boolean fits(Line line, Line neighbour, List<double[]> strips, double left, double right, int least) {
        double size = Math.max(line.size(), neighbour.size());
        if (Math.abs(line.baseline() - neighbour.baseline()) > 2.1 * size || Math.abs(line.size() - neighbour.size()) > 0.15 * size
                || !isWithin(line, left, right)) return false;
        Set<Integer> columns = new HashSet<>();
        double[] covered = new double[strips.size()];
        for (Glyph glyph : line.chunks.stream().flatMap(chunk -> chunk.glyphs().stream()).filter(glyph -> !glyph.isSpace()).toList()) {
            for (int i = 0; i < covered.length; i++) {
                double[] strip = strips.get(i);
                if (glyph.right() < strip[0] + 0.5 || glyph.x() > strip[1] - 0.5) continue;
                if (strip[1] - strip[0] < 2 * size) return false;
                covered[i] += (Math.min(glyph.right(), strip[1]) - Math.max(glyph.x(), strip[0])) / (strip[1] - strip[0]);
            }
            columns.add(column(glyph.x() + glyph.width() / 2, strips));
        }
        // A longer text than others of its column may reach into a wide strip; running text fills them.
        return columns.size() >= least && Arrays.stream(covered).filter(share -> share > FILLED).count() * 2 <= strips.size();
    }

    private static int column(double x, List<double[]> strips) {
        int column = 0;
        for (double[] strip : strips) if (x > (strip[0] + strip[1]) / 2) column++;
        return column;
    }

    /** The strips that no word of any line reaches into, those at the sides left out. */
    private static List<double[]> strips(List<Line> lines, double left, double right) {
        List<double[]> free = new ArrayList<>(List.of(new double[] {left - 10, right + 10}));
        double size = lines.stream().mapToDouble(Line::size).max().orElse(10);
        double first = Double.MAX_VALUE;
        double last = -Double.MAX_VALUE;
        double space = 0;
        for (Line line : lines) {
            first = Math.min(first, line.left());
            last = Math.max(last, line.right());
            for (Chunk chunk : line.chunks)
                for (Glyph glyph : chunk.glyphs()) {
                    if (glyph.face().fixed()) space = Math.max(space, glyph.space());
                    if (!glyph.isSpace()) free = FreeStrips.without(free, glyph.x() - 0.12 * size, glyph.right() + 0.12 * size, 0);
                }
        }
        double from = first;
        double to = last;
        // Words of typewriters stand one below the other by chance.
        double least = Math.max(STRIP * size, SPACES * space) - 0.24 * size;
        return free.stream().filter(strip -> strip[1] - strip[0] >= least && strip[0] > from && strip[1] < to).toList();
    }

    /** Rows over several columns, and not columns of running text. */
    private static boolean isTable(List<Line> lines, List<double[]> strips, boolean lone) {
        int full = 0;
        double[] filled = new double[strips.size() + 1];
        int[] count = new int[strips.size() + 1];
        double[] least = new double[strips.size() + 1];
        double[] most = new double[strips.size() + 1];
        Arrays.fill(least, Double.MAX_VALUE);
        for (Line line : lines) {
            double[] from = new double[count.length];
            double[] to = new double[count.length];
            Arrays.fill(from, Double.MAX_VALUE);
            for (Chunk chunk : line.chunks) {
                for (Glyph glyph : chunk.glyphs()) {
                    if (glyph.isSpace()) continue;
                    int column = column(glyph.x() + glyph.width() / 2, strips);
                    from[column] = Math.min(from[column], glyph.x());
                    to[column] = Math.max(to[column], glyph.right());
                }
            }
            int columns = 0;
            for (int c = 0; c < count.length; c++) {
                if (to[c] == 0) continue;
                columns++;
                count[c]++;
                filled[c] += to[c] - from[c];
                least[c] = Math.min(least[c], from[c]);
                most[c] = Math.max(most[c], to[c]);
            }
            if (columns >= 2) full++;
        }
        if (full < (lone || strips.size() == 1 ? 3 : 2) || full < 0.4 * lines.size()) return false;
        boolean prose = lines.size() >= 4;
        for (int c = 0; c < count.length; c++) prose &= count[c] >= 4 && filled[c] / count[c] > 0.75 * (most[c] - least[c]) && most[c] - least[c] > 90;
        return !prose;
    }

    private TableGrid cut(List<Line> lines, List<double[]> strips, List<Ink.Stroke> bars, double left, double right, List<Ink> ink) {
        double[] xs = new double[strips.size() + 2];
        xs[0] = left;
        xs[xs.length - 1] = right;
        for (int i = 0; i < strips.size(); i++) xs[i + 1] = edge(strips.get(i), bars.get(0).y1() - 40, bars.get(bars.size() - 1).y1() + 40, ink);
        List<Chunk> pieces = new ArrayList<>();
        for (Line line : lines) for (Chunk chunk : line.chunks) pieces.addAll(chunk.cut(glyph -> column(glyph.x() + glyph.width() / 2, strips)));
        pieces.sort(Comparator.comparingDouble(Chunk::baseline).thenComparingDouble(Chunk::left));
        List<List<Chunk>> rows = rows(pieces, xs, bars);
        double[] ys = new double[rows.size() + 1];
        for (int r = 0; r <= rows.size(); r++) {
            double above = r == 0 ? top(rows.get(0)) - 3 : bottom(rows.get(r - 1));
            double below = r == rows.size() ? bottom(rows.get(r - 1)) + 3 : top(rows.get(r));
            double from = r == 0 ? above - 12 : above - 2;
            double to = r == rows.size() ? below + 12 : below + 2;
            ys[r] = bars.stream().mapToDouble(Ink.Stroke::y1).filter(y -> y > from && y < to).findFirst().orElse(r == 0 ? above : r == rows.size() ? below
                    : (above + below) / 2);
        }
        RuleNet net = RuleNet.within(ink, left - SAME, ys[0] - RuleNet.NEAR, right + SAME, ys[rows.size()] + RuleNet.NEAR);
        List<TableGrid.Cell> cells = new ArrayList<>();
        for (int r = 0; r < rows.size(); r++) {
            for (int c = 0; c + 1 < xs.length; c++) {
                int column = c;
                List<Chunk> own = rows.get(r).stream().filter(chunk -> column(chunk.middleX(), strips) == column).toList();
                cells.add(new TableGrid.Cell(r, c, 1, 1, own, List.of(), net.lineAcross(ys[r], xs[c], xs[c + 1]), null, net.lineAcross(ys[r + 1], xs[c],
                        xs[c + 1]), null, RuleNet.shading(ink, xs[c], ys[r], xs[c + 1], ys[r + 1])));
            }
        }
        int heads = bars.size() > 1 && bars.size() <= rows.size() ? (int) rows.stream().filter(row -> bottom(row) < bars.get(Math.min(1, bars.size() - 2))
                .y1() + 2).count() : -1;
        return new TableGrid(xs, ys, cells, pieces.stream().mapToInt(Chunk::order).min().orElse(0), page, null, heads > 0 && heads < 4 && heads < rows.size()
                ? heads : -1, false);
    }

    /** Where a column ends within a strip: where the areas behind its cells do, or before the words of the next. */
    private static double edge(double[] strip, double top, double bottom, List<Ink> ink) {
        for (Ink one : ink)
            if (one instanceof Ink.Fill fill && fill.y() > top && fill.bottom() < bottom) {
                if (fill.right() > strip[0] && fill.right() < strip[1]) return fill.right();
                if (fill.x() > strip[0] && fill.x() < strip[1]) return fill.x();
            }
        return Math.max((strip[0] + strip[1]) / 2, strip[1] - 4);
    }

    private static double top(List<Chunk> row) { return row.stream().mapToDouble(Chunk::top).min().orElse(0); }
    private static double bottom(List<Chunk> row) { return row.stream().mapToDouble(Chunk::bottom).max().orElse(0); }

    /** A line always parts rows; where one is drawn under each row, nothing else does. */
    private static List<List<Chunk>> rows(List<Chunk> pieces, double[] xs, List<Ink.Stroke> bars) {
        List<List<Chunk>> groups = new ArrayList<>();
        int at = -1;
        for (Chunk piece : pieces) {
            int group = (int) bars.stream().filter(bar -> bar.y1() < piece.middleY()).count();
            if (group != at) groups.add(new ArrayList<>());
            at = group;
            groups.get(groups.size() - 1).add(piece);
        }
        long single = groups.stream().filter(group -> group.stream().filter(chunk -> AlignedTable.columnOf(chunk, xs) == 0).count() <= 1).count();
        if (bars.size() >= 4 && single >= 0.8 * groups.size()) return groups;
        List<List<Chunk>> rows = new ArrayList<>();
        for (List<Chunk> group : groups) rows.addAll(AlignedTable.rows(group, xs));
        return rows;
    }
}
