package app.decant.recover.region;

import app.decant.document.TableProperty.Insets;
import app.decant.pdf.read.Box;
import app.decant.pdf.read.Placed;
import app.decant.recover.line.Chunk;
import app.decant.recover.line.FreeStrips;
import app.decant.recover.line.TextLine;
import app.decant.recover.table.AlignedTable;
import app.decant.recover.table.TableGrid;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;

/**
 * Puts what is in a region into the order in which it is read. Looks for bands of rows with a free strip through them all, judges whether such a
 * band is columns of text (read down), a table or labels beside text (read across) or notes beside text, and does the same within each column.
 */
public final class ReadingOrder {
    private static final double LEAST_GUTTER = 7;
    private static final Insets ROOM = new Insets(0, 4, 0, 4);

    private final int page;

    /** So many rows that keep two strips free or more are those of a table. */
    private static final int ROWS_OF_TABLE = 3;

    public ReadingOrder(int page) { this.page = page; }

    /** Boxes on one height. */
    private record Row(List<Box> boxes) {
        double top() { return boxes.stream().mapToDouble(Box::top).min().orElse(0); }
        double bottom() { return boxes.stream().mapToDouble(Box::bottom).max().orElse(0); }
    }

    public List<Part> parts(List<? extends Box> boxes, double left, double right) { return parts(Figure.gather(boxes), left, right, 0); }

    private List<Part> parts(List<? extends Box> boxes, double left, double right, int depth) {
        List<Row> rows = rows(boxes);
        List<Part> parts = new ArrayList<>();
        List<Row> plain = new ArrayList<>();
        int at = 0;
        while (at < rows.size()) {
            Band band = depth > 4 ? null : band(rows, at, left, right);
            if (band == null) {
                plain.add(rows.get(at++));
                continue;
            }
            Band head = untilGap(rows, band);
            if (head != null && head.kind() == Band.Kind.BLOCKS) band = head;
            Band.Kind kind = band.kind();
            if (kind == Band.Kind.COLUMNS) band = withRowsAbove(plain, band);
            switch (kind) {
                case COLUMNS -> {
                    flush(plain, left, right, parts);
                    parts.add(columns(band, depth));
                }
                case TABLE -> {
                    Band below = band(rows, at + 1, left, right);
                    Band titled = below != null && below.strips().size() > band.strips().size() ? ColumnTitles.of(rows.get(at).boxes(), below) : null;
                    Band whole = titled != null || plain.isEmpty() ? titled : ColumnTitles.of(plain.get(plain.size() - 1).boxes(), band);
                    if (whole != null && titled == null) plain.remove(plain.size() - 1);
                    if (whole != null) band = whole;
                    flush(plain, left, right, parts);
                    parts.add(new Part.Grid(AlignedTable.of(band.boxes(), band.edges(left, right), page)));
                }
                case BLOCKS -> {
                    flush(plain, left, right, parts);
                    parts.add(new Part.Grid(AlignedTable.oneRow(band.boxes(), band.edges(left, right), page)));
                }
                case SIDE -> {
                    flush(plain, left, right, parts);
                    side(band, left, right, depth, parts);
                }
                case ACROSS -> plain.addAll(rows.subList(band.from(), band.to()));
            }
            at = band.to();
        }
        flush(plain, left, right, parts);
        return parts;
    }

    /** The rows of a band above its first gap, as a band of their own; null where there is no gap. */
    private static Band untilGap(List<Row> rows, Band band) {
        double above = rows.get(band.from()).bottom();
        for (int i = band.from() + 1; i < band.to(); i++) {
            double height = rows.get(i - 1).bottom() - rows.get(i - 1).top();
            if (rows.get(i).top() - above > height)
                return new Band(rows.subList(band.from(), i).stream().flatMap(row -> row.boxes().stream()).toList(), band.strips(), band.from(), i);
            above = Math.max(above, rows.get(i).bottom());
        }
        return null;
    }

    /** A column may begin higher than the others: its first lines came before the band did. */
    private static Band withRowsAbove(List<Row> plain, Band band) {
        List<Box> boxes = new ArrayList<>(band.boxes());
        while (!plain.isEmpty()) {
            Row row = plain.get(plain.size() - 1);
            if (row.boxes().size() != 1 || !(row.boxes().get(0) instanceof Chunk chunk)) break;
            int side = band.side(chunk);
            Box next = boxes.stream().filter(box -> band.side(box) == side).min(Comparator.comparingDouble(Box::top)).orElseThrow();
            double right = boxes.stream().filter(box -> band.side(box) == side).mapToDouble(Box::right).max().orElse(0);
            boolean fits = chunk.right() < right + 2 && chunk.left() > next.left() - 20 && next.top() - chunk.bottom() < 0.75 * chunk.height() + 2
                    && Math.abs(next.height() - chunk.height()) < 0.6;
            if (!fits) break;
            boxes.add(0, chunk);
            plain.remove(plain.size() - 1);
        }
        return new Band(boxes, band.strips(), band.from(), band.to());
    }

    private Part columns(Band band, int depth) {
        List<List<Part>> columns = new ArrayList<>();
        List<double[]> edges = new ArrayList<>();
        for (List<Box> column : band.columns()) {
            double from = column.stream().mapToDouble(Box::left).min().orElse(0);
            double to = column.stream().mapToDouble(Box::right).max().orElse(0);
            edges.add(new double[] {from, to});
            columns.add(parts(column, from, to, depth + 1));
        }
        return new Part.Columns(columns, edges);
    }

    private void side(Band band, double left, double right, int depth, List<Part> parts) {
        int narrow = band.narrowest();
        List<Box> notes = band.columns().get(narrow);
        List<Box> main = band.columns().get(1 - narrow);
        double size = notes.stream().filter(box -> box instanceof Chunk).mapToDouble(box -> ((Chunk) box).size()).max().orElse(8);
        // Notes apart from each other are boxes of their own.
        List<Box> group = new ArrayList<>();
        List<Box> sorted = notes.stream().sorted(Comparator.comparingDouble(Box::top)).toList();
        for (Box box : sorted) {
            if (!group.isEmpty() && box.top() - group.get(group.size() - 1).bottom() > 1.1 * size) {
                parts.add(note(group, depth));
                group = new ArrayList<>();
            }
            group.add(box);
        }
        if (!group.isEmpty()) parts.add(note(group, depth));
        double from = main.stream().mapToDouble(Box::left).min().orElse(left);
        double to = main.stream().mapToDouble(Box::right).max().orElse(right);
        parts.addAll(parts(main, narrow == 0 ? from : left, narrow == 0 ? right : Math.max(to, from), depth + 1));
    }

    private Part note(List<Box> group, int depth) {
        double left = group.stream().mapToDouble(Box::left).min().orElse(0);
        double right = group.stream().mapToDouble(Box::right).max().orElse(0);
        double top = group.stream().mapToDouble(Box::top).min().orElse(0);
        double bottom = group.stream().mapToDouble(Box::bottom).max().orElse(0);
        return new Part.Side(parts(group, left, right, depth + 1), left, top, right, bottom);
    }

    /** Rows from top to bottom: chunks of one baseline together, everything else alone. */
    private static List<Row> rows(List<? extends Box> boxes) {
        List<Box> sorted = new ArrayList<>(boxes);
        sorted.sort(Comparator.comparingDouble((Box box) -> box instanceof Chunk chunk ? chunk.baseline() - chunk.size() * 0.75 : box.top())
                .thenComparingDouble(Box::left));
        List<Row> rows = new ArrayList<>();
        for (Box box : sorted) {
            Row found = null;
            if (box instanceof Chunk chunk) {
                for (int i = rows.size() - 1; i >= Math.max(0, rows.size() - 8) && found == null; i--) {
                    if (rows.get(i).boxes().get(0) instanceof Chunk other && Math.abs(other.baseline() - chunk.baseline()) < 0.3 * Math.min(other.size(),
                            chunk.size())) found = rows.get(i);
                }
            }
            if (found == null) rows.add(found = new Row(new ArrayList<>()));
            found.boxes().add(box);
        }
        return rows;
    }

    /** The band of rows that starts at a row and has a free strip with something on both sides; null where there is none. */
    private Band band(List<Row> rows, int from, double left, double right) {
        List<double[]> free = new ArrayList<>(List.of(new double[] {left - 1, right + 1}));
        double leftmost = Double.MAX_VALUE;
        double rightmost = -Double.MAX_VALUE;
        int good = -1;
        List<double[]> strips = List.of();
        for (int i = from; i < rows.size(); i++) {
            for (Box box : rows.get(i).boxes()) {
                free = FreeStrips.without(free, box.left(), box.right(), LEAST_GUTTER);
                leftmost = Math.min(leftmost, box.left());
                rightmost = Math.max(rightmost, box.right());
            }
            // The first row must reach over the strip: a row on one side only belongs to what stands above.
            if (i == from && rows.get(i).boxes().size() < 2 && (i + 1 == rows.size() || !areApart(rows.get(i), rows.get(i + 1)))) return null;
            double l = leftmost;
            double r = rightmost;
            List<double[]> inner = free.stream().filter(strip -> strip[0] >= l - 0.5 && strip[1] <= r + 0.5).toList();
            if (inner.isEmpty() && i > from) break;
            // A line of its own across some of the strips that several rows kept stands below the table they are of.
            if (i >= from + ROWS_OF_TABLE && inner.size() < strips.size() && strips.size() > 1 && rows.get(i).boxes().size() == 1) break;
            if (i > from && farBelow(rows, from, i)) break;
            strips = inner;
            good = i;
        }
        if (good < from + 1) return null;
        List<Box> boxes = rows.subList(from, good + 1).stream().flatMap(row -> row.boxes().stream()).toList();
        List<double[]> wide = new Band(boxes, strips, from, good + 1).withoutLabelStrips();
        if (wide.isEmpty()) return null;
        return trimmed(rows, new Band(boxes, wide, from, good + 1));
    }

    /** Whether two rows stand beside each other with a strip between them. */
    private static boolean areApart(Row first, Row second) {
        Box one = first.boxes().get(0);
        Box other = second.boxes().get(0);
        return second.top() < first.bottom() - 1 && (other.left() > one.right() + LEAST_GUTTER || one.left() > other.right() + LEAST_GUTTER);
    }

    /** Whether a row stands so far below the rows before it that it starts something else. */
    private static boolean farBelow(List<Row> rows, int from, int at) {
        double above = rows.subList(from, at).stream().mapToDouble(Row::bottom).max().orElse(0);
        double gap = rows.get(at).top() - above;
        double height = rows.get(at - 1).bottom() - rows.get(at - 1).top();
        return gap > 4.5 * Math.max(8, Math.min(height, 24));
    }

    /** Cuts rows off the end that stand on one side only and apart from what is above. */
    private Band trimmed(List<Row> rows, Band band) {
        int last = band.to() - 1;
        int twoSided = band.from();
        for (int i = band.from(); i <= last; i++) if (band.sides(rows.get(i).boxes()) > 1) twoSided = i;
        int end = last;
        for (int i = twoSided + 1; i <= last; i++) {
            int side = band.side(rows.get(i).boxes().get(0));
            Row above = null;
            for (int k = i - 1; k >= band.from() && above == null; k--) for (Box box : rows.get(k).boxes()) if (band.side(box) == side) above = rows.get(k);
            double gap = above == null ? 0 : rows.get(i).top() - above.bottom();
            double height = rows.get(i).bottom() - rows.get(i).top();
            if (gap > Math.max(0.75 * height + 2, 1.3 * widestGap(band, side, rows.get(i).top()))) {
                end = i - 1;
                break;
            }
        }
        // A first column may go on alone to the end, where the others are shorter.
        if (end == last || last + 1 == rows.size() && band.side(rows.get(end + 1).boxes().get(0)) == 0 && band.kind() == Band.Kind.COLUMNS) return band;
        return end < band.from() + 1 ? null : new Band(rows.subList(band.from(), end + 1).stream().flatMap(row -> row.boxes().stream()).toList(),
                band.strips(), band.from(), end + 1);
    }

    /** The widest gap between boxes of one column above a place. */
    private static double widestGap(Band band, int side, double above) {
        List<Box> column = band.columns().get(side).stream().filter(box -> box.top() < above - 0.5).sorted(Comparator.comparingDouble(Box::top)).toList();
        double widest = 0;
        for (int i = 1; i < column.size(); i++) widest = Math.max(widest, column.get(i).top() - column.get(i - 1).bottom());
        return widest;
    }

    /** Plain rows as lines; pictures among them stand alone, or beside the text they overlap in height. */
    private void flush(List<Row> plain, double left, double right, List<Part> parts) {
        List<TextLine> lines = new ArrayList<>();
        List<Box> obstacles = new ArrayList<>();
        List<Box> texts = plain.stream().flatMap(row -> row.boxes().stream()).filter(box -> !(box instanceof Placed) && !(box instanceof Framed)
                && !(box instanceof Figure)).toList();
        for (Row row : plain) {
            List<Chunk> chunks = new ArrayList<>();
            for (Box box : row.boxes()) {
                if (box instanceof Chunk chunk) {
                    chunks.add(chunk);
                } else if (box instanceof TableGrid grid) {
                    endLines(lines, obstacles, left, right, parts);
                    parts.add(new Part.Grid(grid));
                } else if (box instanceof Framed framed) {
                    obstacles.add(framed);
                    parts.add(boxed(framed));
                } else if (box instanceof Figure figure) {
                    endLines(lines, obstacles, left, right, parts);
                    parts.add(new Part.Drawn(figure, figure.labels().stream().map(this::boxed).toList()));
                } else if (box instanceof Placed placed) {
                    double inset = Math.min(4, placed.height() / 4);
                    boolean over = texts.stream().anyMatch(text -> text.top() + 1 < placed.bottom() - inset && text.bottom() - 1 > placed.top() + inset);
                    if (over) {
                        boolean behind = texts.stream().anyMatch(text -> text.top() < placed.bottom() - inset && text.bottom() > placed.top() + inset
                                && text.left() < placed.right() - 2 && text.right() > placed.left() + 2);
                        if (!behind) obstacles.add(placed);
                        parts.add(new Part.Beside(placed, behind, ROOM));
                    } else {
                        endLines(lines, obstacles, left, right, parts);
                        parts.add(new Part.Alone(placed, left, right));
                    }
                }
            }
            if (chunks.isEmpty()) continue;
            chunks.sort(Comparator.comparingDouble(Chunk::left));
            boolean rightToLeft = chunks.stream().filter(Chunk::isRightToLeft).count() * 2 > chunks.size();
            if (rightToLeft) Collections.reverse(chunks);
            lines.add(new TextLine(chunks, page));
        }
        endLines(lines, obstacles, left, right, parts);
        plain.clear();
    }

    private Part.Boxed boxed(Framed framed) {
        double from = framed.chunks().stream().mapToDouble(Chunk::left).min().orElse(0);
        double to = framed.chunks().stream().mapToDouble(Chunk::right).max().orElse(0);
        return new Part.Boxed(framed, parts(framed.chunks(), from, to, 5), ROOM);
    }

    private static void endLines(List<TextLine> lines, List<Box> obstacles, double left, double right, List<Part> parts) {
        if (lines.isEmpty()) return;
        parts.add(new Part.Lines(inset(lines, obstacles, left, right, parts), left, right));
        lines.clear();
    }

    /** Lines that a picture makes narrower know by how much. */
    private static List<TextLine> inset(List<TextLine> lines, List<Box> obstacles, double left, double right, List<Part> parts) {
        List<TextLine> result = new ArrayList<>(lines);
        for (Box obstacle : obstacles) {
            double from = Double.MAX_VALUE;
            double to = -Double.MAX_VALUE;
            for (TextLine line : lines) {
                if (line.top() > obstacle.bottom() + 1 || line.bottom() < obstacle.top() - 1) continue;
                from = Math.min(from, line.left());
                to = Math.max(to, line.right());
            }
            boolean atLeft = from >= obstacle.right() - 1;
            boolean atRight = to <= obstacle.left() + 1;
            if (atLeft == atRight) continue;
            double side = Math.max(0, Math.min(40, (atLeft ? from - obstacle.right() : obstacle.left() - to) - 0.05));
            double below = 0;
            for (int i = 0; i < result.size(); i++) {
                TextLine line = result.get(i);
                boolean next = line.top() > obstacle.bottom() + 1 && i > 0 && result.get(i - 1).isInset() && isNarrow(line, i + 1 < lines.size()
                        ? lines.get(i + 1) : null, obstacle, atLeft ? from - 1 : to + 1, atLeft, right);
                if (!next && (line.top() > obstacle.bottom() + 1 || line.bottom() < obstacle.top() - 1)) continue;
                if (next) below = Math.max(0, line.bottom() - obstacle.bottom() - line.size() * 0.3);
                result.set(i, atLeft ? line.inset(from - left, 0) : line.inset(0, right - to));
            }
            Insets room = new Insets(0, side, below, side);
            parts.replaceAll(part -> part instanceof Part.Beside beside && beside.picture() == obstacle ? new Part.Beside(beside.picture(), beside.behind(),
                    room)
                    : part instanceof Part.Boxed boxed && boxed.box() == obstacle ? new Part.Boxed(boxed.box(), boxed.parts(), room) : part);
        }
        return result;
    }

    /** Whether the first line below an obstacle still keeps clear of it, because room is kept below as well. */
    private static boolean isNarrow(TextLine line, TextLine next, Box obstacle, double edge, boolean atLeft, double right) {
        if (line.top() - obstacle.bottom() > 1.1 * line.size()) return false;
        return atLeft ? line.left() >= edge : next != null && line.right() <= edge && line.right() + next.firstWord() + line.size() < right - 4
                && next.right() > edge;
    }
}
