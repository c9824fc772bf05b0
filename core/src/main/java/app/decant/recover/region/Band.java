package app.decant.recover.region;

import app.decant.pdf.read.Box;
import app.decant.recover.line.Chunk;
import app.decant.recover.line.ListLabel;
import app.decant.recover.table.TableGrid;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Predicate;

/** Rows with free strips through all of them, and the judgement what that means. */
public record Band(List<Box> boxes, List<double[]> strips, int from, int to) {
    /** A gap this wide, in points, keeps short blocks apart. */
    private static final double BETWEEN_BLOCKS = 24;
    private static final int MOST_LINES = 8;
    /** No column of text is narrower than this, in ems. */
    private static final double NARROWEST = 9;

    /** Columns read down; rows read across; a table; notes beside text; short blocks beside each other, such as an address and a date. */
    enum Kind { COLUMNS, ACROSS, TABLE, SIDE, BLOCKS }

    /** The strips but for those between the labels of list items and their text. */
    List<double[]> withoutLabelStrips() {
        List<List<Box>> columns = columns();
        List<double[]> kept = new ArrayList<>();
        for (int i = 0; i < strips.size(); i++) {
            if (!columns.get(i).stream().allMatch(box -> box instanceof Chunk chunk && ListLabel.isAlone(chunk.text()))) kept.add(strips.get(i));
        }
        return kept;
    }

    /** The column a box stands in. */
    int side(Box box) {
        int side = 0;
        for (double[] strip : strips) if (box.middleX() > (strip[0] + strip[1]) / 2) side++;
        return side;
    }

    int sides(List<Box> some) { return (int) some.stream().mapToInt(this::side).distinct().count(); }

    List<List<Box>> columns() {
        List<List<Box>> columns = new ArrayList<>();
        for (int i = 0; i <= strips.size(); i++) columns.add(new ArrayList<>());
        for (Box box : boxes) columns.get(side(box)).add(box);
        return columns;
    }

    int narrowest() {
        List<List<Box>> columns = columns();
        return widthOf(columns.get(0)) <= widthOf(columns.get(columns.size() - 1)) ? 0 : columns.size() - 1;
    }

    /** The edges of the columns, in the middle of the strips. */
    double[] edges(double left, double right) {
        double[] edges = new double[strips.size() + 2];
        edges[0] = Math.max(left, boxes.stream().mapToDouble(Box::left).min().orElse(left));
        for (int i = 0; i < strips.size(); i++) edges[i + 1] = columnLeft(i + 1) - Math.min(4, (strips.get(i)[1] - strips.get(i)[0]) / 2);
        edges[strips.size() + 1] = Math.max(boxes.stream().mapToDouble(Box::right).max().orElse(right), edges[strips.size()] + 1);
        return edges;
    }

    private double columnLeft(int column) { return columns().get(column).stream().mapToDouble(Box::left).min().orElse(strips.get(column - 1)[1]); }

    Kind kind() {
        List<List<Box>> columns = columns();
        List<List<Chunk>> texts = columns.stream().map(column -> column.stream().filter(box -> box instanceof Chunk).map(box -> (Chunk) box)
                .sorted(Comparator.comparingDouble(Chunk::baseline)).toList()).toList();
        if (texts.stream().anyMatch(List::isEmpty))
            return columns.stream().allMatch(column -> column.stream().allMatch(box -> box instanceof Chunk || box instanceof TableGrid)
                    && !column.isEmpty()) ? Kind.COLUMNS : Kind.ACROSS;
        if (texts.get(0).stream().allMatch(chunk -> ListLabel.isAlone(chunk.text()))) return Kind.ACROSS;
        if (arePageNumbers(texts.get(texts.size() - 1))) return Kind.ACROSS;
        if (columns.size() == 2 && isSide(texts)) return Kind.SIDE;
        if (areBlocks(texts)) return Kind.BLOCKS;
        int least = texts.stream().mapToInt(List::size).min().orElse(0);
        double total = texts.stream().mapToDouble(Band::span).sum();
        boolean lists = texts.stream().allMatch(column -> column.size() >= 2 && share(column, chunk -> ListLabel.length(chunk.text() + " ") > 0) > 0.3);
        boolean prose = texts.stream().allMatch(column -> column.size() >= 4 && fill(column) > 0.72 && span(column) > 0.5 * total / texts.size()
                && span(column) > NARROWEST * column.get(0).size());
        boolean down = turns() <= columns.size() - 1 + (int) (0.15 * least);
        if (lists && least >= 2) return Kind.COLUMNS;
        if (prose && (down || alignedRows(texts) < 0.98 || fill(texts.get(0)) > 0.85)) return Kind.COLUMNS;
        if (down && least >= 3 && boxes.size() > 5) return Kind.COLUMNS;
        if (columns.size() == 2) {
            boolean labels = widthOf(columns.get(0)) < 0.3 * (widthOf(columns.get(0)) + widthOf(columns.get(1))) && texts.get(0).size() < texts.get(1).size();
            if (labels) return Kind.ACROSS;
            return isTwoColumnTable(texts) ? Kind.TABLE : Kind.ACROSS;
        }
        long full = rowsWith(texts, 3);
        return full >= 2 ? Kind.TABLE : Kind.ACROSS;
    }

    /** A few short lines beside a few others, each painted as a whole before the other was begun, none of which goes on with a sentence. */
    private boolean areBlocks(List<List<Chunk>> texts) {
        if (texts.size() != 2 || boxes.size() < 3 || strips.get(0)[1] - strips.get(0)[0] < BETWEEN_BLOCKS || turns() != 1) return false;
        if (texts.stream().mapToInt(List::size).sum() != boxes.size()) return false;
        for (List<Chunk> column : texts) {
            if (column.size() > MOST_LINES || share(column, Band::isLabel) > 0.5) return false;
            for (int i = 1; i < column.size(); i++) {
                int first = column.get(i).text().codePointAt(0);
                double step = column.get(i).baseline() - column.get(i - 1).baseline();
                if (Character.isLowerCase(first) || step > 2 * column.get(i).size()) return false;
            }
        }
        return true;
    }

    private static boolean isLabel(Chunk chunk) { return ListLabel.length(chunk.text() + " ") > 0 || chunk.text().endsWith(":"); }

    /** Two columns are a table when there is a row of heads in another look, or one column holds figures. */
    private static boolean isTwoColumnTable(List<List<Chunk>> texts) {
        if (Math.min(texts.get(0).size(), texts.get(1).size()) < 3 || alignedRows(texts) < 0.6) return false;
        boolean heads = texts.stream().allMatch(column -> column.get(0).first().face().bold() && !column.get(1).first().face().bold());
        boolean figures = share(texts.get(1).subList(1, texts.get(1).size()), chunk -> chunk.text()
                .matches("[-+(]?[\\p{Sc}]?\\s?[\\d., ]+\\s?[%\\p{Sc}]?\\)?")) > 0.8;
        return heads || figures;
    }

    /** How often the order of painting goes from one column to another. */
    private int turns() {
        List<Box> painted = boxes.stream().sorted(Comparator.comparingInt(Box::order)).toList();
        int turns = 0;
        for (int i = 1; i < painted.size(); i++) if (side(painted.get(i)) != side(painted.get(i - 1))) turns++;
        return turns;
    }

    /** The share of the shorter column's lines that stand on a line of the other. */
    private static double alignedRows(List<List<Chunk>> texts) {
        List<Chunk> few = texts.stream().min(Comparator.comparingInt(List::size)).orElseThrow();
        int aligned = 0;
        for (Chunk chunk : few) {
            boolean all = texts.stream().filter(other -> other != few).anyMatch(other -> other.stream()
                    .anyMatch(one -> Math.abs(one.baseline() - chunk.baseline()) < 0.5));
            if (all) aligned++;
        }
        return (double) aligned / few.size();
    }

    private static long rowsWith(List<List<Chunk>> texts, int least) {
        Map<Long, Integer> rows = new TreeMap<>();
        for (List<Chunk> column : texts) {
            Set<Long> once = new TreeSet<>();
            for (Chunk chunk : column) once.add(Math.round(chunk.baseline() / 2));
            for (Long row : once) rows.merge(row, 1, Integer::sum);
        }
        return rows.values().stream().filter(count -> count >= Math.min(least, texts.size())).count();
    }

    /** Page numbers of a contents list: whole numbers that never get less. */
    private static boolean arePageNumbers(List<Chunk> column) {
        if (column.size() < 3) return false;
        int before = 0;
        for (Chunk chunk : column) {
            String text = chunk.text().replaceFirst("^[.·…_\\s]+", "");
            if (!text.matches("\\d{1,4}|[ivxlc]{1,6}")) return false;
            if (!Character.isDigit(text.charAt(0))) continue;
            int number = Integer.parseInt(text);
            if (number < before) return false;
            before = number;
        }
        return true;
    }

    /** A narrow column of a few lines, in runs of several lines or to the right of what it belongs to, beside a column of text. */
    private static boolean isSide(List<List<Chunk>> texts) {
        double first = span(texts.get(0));
        double second = span(texts.get(1));
        int narrow = first < second ? 0 : 1;
        List<Chunk> notes = texts.get(narrow);
        List<Chunk> main = texts.get(1 - narrow);
        double share = Math.min(first, second) / (first + second);
        if (share > 0.33 || main.size() < 4 || notes.size() > 0.7 * main.size() || fill(main) < 0.6) return false;
        double noteSize = notes.stream().mapToDouble(Chunk::size).average().orElse(0);
        double mainSize = main.stream().mapToDouble(Chunk::size).average().orElse(0);
        boolean smaller = noteSize < 0.93 * mainSize;
        boolean offBaselines = alignedRows(List.of(notes, main)) < 0.7;
        // Labels start what they stand beside: the line before ends early, or there is a gap.
        int starts = 0;
        for (Chunk note : notes) {
            for (int i = 0; i < main.size(); i++) {
                if (Math.abs(main.get(i).baseline() - note.baseline()) > 0.5) continue;
                if (i == 0 || main.get(i - 1).right() < main.stream().mapToDouble(Chunk::right).max().orElse(0) - 1.5 * mainSize || main.get(i).baseline()
                        - main.get(i - 1).baseline() > 1.5 * mainSize) starts++;
            }
        }
        boolean labels = starts >= 0.7 * notes.size();
        return narrow == 1 || !labels && (smaller || offBaselines);
    }

    private static double span(List<Chunk> column) {
        return column.stream().mapToDouble(Chunk::right).max().orElse(0) - column.stream().mapToDouble(Chunk::left).min().orElse(0);
    }
    private static double widthOf(List<Box> column) {
        return column.stream().mapToDouble(Box::right).max().orElse(0) - column.stream().mapToDouble(Box::left).min().orElse(0);
    }

    /** How much of the column's width its lines fill. */
    private static double fill(List<Chunk> column) {
        double span = span(column);
        return span <= 0 ? 0 : column.stream().mapToDouble(Chunk::width).average().orElse(0) / span;
    }

    private static double share(List<Chunk> column, Predicate<Chunk> test) {
        return (double) column.stream().filter(test).count() / Math.max(1, column.size());
    }
}
