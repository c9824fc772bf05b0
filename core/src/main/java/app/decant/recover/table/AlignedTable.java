package app.decant.recover.table;

import app.decant.pdf.read.Box;
import app.decant.pdf.read.Placed;
import app.decant.recover.line.Chunk;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** A table without lines round its cells: its columns are known, its rows follow from the baselines. */
public final class AlignedTable {
    private AlignedTable() { }

    public static TableGrid of(List<Box> boxes, double[] xs, int page) {
        List<Chunk> chunks = boxes.stream().filter(box -> box instanceof Chunk).map(box -> (Chunk) box).sorted(Comparator.comparingDouble(Chunk::baseline)
                .thenComparingDouble(Chunk::left)).toList();
        List<Placed> pictures = boxes.stream().filter(box -> box instanceof Placed).map(box -> (Placed) box).toList();
        List<List<Chunk>> rows = rows(chunks, xs);
        double[] ys = new double[rows.size() + 1];
        for (int i = 0; i <= rows.size(); i++) {
            double above = i == 0 ? top(rows.get(0)) - 2 : bottom(rows.get(i - 1));
            double below = i == rows.size() ? bottom(rows.get(i - 1)) + 2 : top(rows.get(i));
            ys[i] = i == 0 ? above : i == rows.size() ? below : (above + below) / 2;
        }
        List<TableGrid.Cell> cells = new ArrayList<>();
        for (int r = 0; r < rows.size(); r++) {
            int column = 0;
            while (column < xs.length - 1) {
                List<Chunk> inside = new ArrayList<>();
                int span = 1;
                for (Chunk chunk : rows.get(r)) {
                    if (columnOf(chunk, xs) != column) continue;
                    inside.add(chunk);
                    while (column + span < xs.length - 1 && chunk.right() > xs[column + span] + 6) span++;
                }
                List<Placed> shown = new ArrayList<>();
                for (Placed picture : pictures)
                    if (picture.middleX() >= xs[column] && picture.middleX() < xs[column + span] && picture.middleY() >= ys[r]
                            && picture.middleY() < ys[r + 1]) shown.add(picture);
                cells.add(new TableGrid.Cell(r, column, 1, span, inside, shown, null, null, null, null, null));
                column += span;
            }
        }
        return new TableGrid(xs, ys, cells, boxes.stream().mapToInt(Box::order).min().orElse(0), page);
    }

    /** Blocks of lines beside each other, each in one cell. */
    public static TableGrid oneRow(List<Box> boxes, double[] xs, int page) {
        List<Chunk> chunks = boxes.stream().filter(box -> box instanceof Chunk).map(box -> (Chunk) box).sorted(Comparator.comparingDouble(Chunk::baseline)
                .thenComparingDouble(Chunk::left)).toList();
        List<TableGrid.Cell> cells = new ArrayList<>();
        for (int c = 0; c < xs.length - 1; c++) {
            int column = c;
            List<Chunk> own = chunks.stream().filter(chunk -> columnOf(chunk, xs) == column).toList();
            cells.add(new TableGrid.Cell(0, c, 1, 1, own, List.of(), null, null, null, null, null));
        }
        return new TableGrid(xs, new double[] {top(chunks) - 2, bottom(chunks) + 2}, cells, boxes.stream().mapToInt(Box::order).min().orElse(0), page, null,
                0, true);
    }

    private static double top(List<Chunk> row) { return row.stream().mapToDouble(Chunk::top).min().orElse(0); }
    private static double bottom(List<Chunk> row) { return row.stream().mapToDouble(Chunk::bottom).max().orElse(0); }

    static int columnOf(Chunk chunk, double[] xs) {
        int column = 0;
        double at = Math.min(chunk.middleX(), chunk.left() + 4);
        while (column + 1 < xs.length - 1 && at >= xs[column + 1]) column++;
        return column;
    }

    /**
     * Whether a line goes on with what the cells above it say: somewhere in the middle of a sentence that began with a capital or a figure, and nothing new
     * begins in the first column.
     */
    static boolean goesOn(List<Chunk> above, List<Chunk> line, double[] xs) {
        boolean within = false;
        for (Chunk chunk : line) {
            int column = columnOf(chunk, xs);
            Chunk before = above.stream().filter(other -> columnOf(other, xs) == column).findFirst().orElse(null);
            if (column == 0 && !(before != null && isWithin(before, chunk))) return false;
            within |= before != null && isWithin(before, chunk);
        }
        return within;
    }

    private static boolean isWithin(Chunk before, Chunk chunk) {
        String text = before.text().trim();
        return !text.isEmpty() && Character.isLowerCase(chunk.text().trim().codePointAt(0)) && text.indexOf(' ') > 0
                && ".!?:;".indexOf(text.charAt(text.length() - 1)) < 0;
    }

    /** Lines of one baseline are a row; lines closer than rows usually are go with the row above. */
    static List<List<Chunk>> rows(List<Chunk> chunks, double[] xs) {
        List<List<Chunk>> lines = new ArrayList<>();
        for (Chunk chunk : chunks) {
            List<Chunk> last = lines.isEmpty() ? null : lines.get(lines.size() - 1);
            if (last != null && Math.abs(last.get(0).baseline() - chunk.baseline()) < 0.4 * chunk.size()) last.add(chunk);
            else lines.add(new ArrayList<>(List.of(chunk)));
        }
        double least = Double.MAX_VALUE;
        double most = 0;
        for (int i = 1; i < lines.size(); i++) {
            double gap = lines.get(i).get(0).baseline() - lines.get(i - 1).get(0).baseline();
            least = Math.min(least, gap);
            most = Math.max(most, gap);
        }
        boolean twoGaps = most > 1.22 * least;
        List<List<Chunk>> rows = new ArrayList<>();
        for (int i = 0; i < lines.size(); i++) {
            List<Chunk> line = lines.get(i);
            boolean starts = i == 0;
            if (!starts) {
                double gap = line.get(0).baseline() - lines.get(i - 1).get(0).baseline();
                boolean wide = gap > least * 1.11;
                boolean first = columnOf(line.get(0), xs) == 0;
                starts = twoGaps ? wide || line.size() >= Math.max(3, xs.length - 1) && first : first || line.size() > 1 && !goesOn(lines.get(i - 1), line, xs);
            }
            if (starts) rows.add(new ArrayList<>(line));
            else rows.get(rows.size() - 1).addAll(line);
        }
        return rows;
    }
}
