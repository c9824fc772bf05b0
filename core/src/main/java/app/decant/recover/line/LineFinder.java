package app.decant.recover.line;

import app.decant.pdf.read.Glyph;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;

/**
 * Joins glyphs into chunks of text on one baseline, however the program that made the page wrote them: letter by letter, without spaces, out of
 * order, with letters raised or lowered. Spaces come from the gaps; a wide gap ends a chunk.
 */
public final class LineFinder {
    /** A gap this wide, in ems, is more than a space between words. */
    private static final double WIDE = 0.95;

    private static final int FEW = 3;
    /** So far, in ems, letters as large stand above or below their line. */
    private static final double SHIFTED = 0.3;
    private static final double CLOSE = 0.25;

    private LineFinder() { }

    /** Glyphs that stand on one baseline and, with them, those raised or lowered beside them. */
    private static final class Row {
        final List<Glyph> glyphs = new ArrayList<>();
        double baseline;
        double size;

        boolean isNear(Run run) {
            for (Glyph glyph : glyphs) {
                if (run.left() - glyph.right() < 0.6 * size && run.left() - glyph.right() > -0.3 * size) return true;
                if (glyph.x() - run.right() < 0.6 * size && glyph.x() - run.right() > -0.3 * size) return true;
            }
            return false;
        }

        /** Whether letters of this row stand close on both sides of another. */
        boolean isAround(Row other) {
            double left = other.glyphs.stream().mapToDouble(Glyph::x).min().orElse(0);
            double right = other.glyphs.stream().mapToDouble(Glyph::right).max().orElse(0);
            boolean before = false;
            boolean behind = false;
            for (Glyph glyph : glyphs) {
                if (glyph.isSpace()) continue;
                before |= glyph.x() < left && Math.abs(left - glyph.right()) < CLOSE * size;
                behind |= glyph.right() > right && Math.abs(glyph.x() - right) < CLOSE * size;
            }
            return before && behind;
        }
    }

    /** Glyphs painted one after another on one baseline in one size. */
    private static final class Run {
        final List<Glyph> glyphs = new ArrayList<>();

        Glyph last() { return glyphs.get(glyphs.size() - 1); }
        double left() { return glyphs.stream().mapToDouble(Glyph::x).min().orElse(0); }
        double right() { return glyphs.stream().mapToDouble(Glyph::right).max().orElse(0); }
        double baseline() { return glyphs.get(0).baseline(); }
        double size() { return glyphs.get(0).size(); }

        boolean takes(Glyph glyph) {
            Glyph last = last();
            return Math.abs(glyph.baseline() - baseline()) < 0.06 * size() && Math.abs(glyph.size() - size()) < 0.06 * size()
                    && glyph.x() > last.x() - 0.5 * size() - last.width() && glyph.x() < last.right() + 40 * size();
        }
    }

    /** The chunks of upright text, from top to bottom. */
    public static List<Chunk> chunks(List<Glyph> glyphs) {
        List<Row> rows = new ArrayList<>();
        List<Run> runs = runs(glyphs);
        runs.sort(Comparator.comparingDouble((Run run) -> -run.size()).thenComparingDouble(Run::baseline));
        List<Run> small = new ArrayList<>();
        for (Run run : runs) {
            Row row = rowAt(rows, run);
            if (row == null && nearest(rows, run) != null) {
                small.add(run);
                continue;
            }
            if (row == null) {
                row = new Row();
                row.baseline = run.baseline();
                row.size = run.size();
                rows.add(row);
            }
            row.glyphs.addAll(run.glyphs);
        }
        for (Run run : small) nearest(rows, run).glyphs.addAll(run.glyphs);
        shifted(rows);
        List<Chunk> chunks = new ArrayList<>();
        for (Row row : rows) split(row, chunks);
        chunks.sort(Comparator.comparingDouble(Chunk::baseline).thenComparingDouble(Chunk::left));
        return chunks;
    }

    /** A few letters as large as others, between which they stand close, a little above or below them: some names and signs are set so. */
    private static void shifted(List<Row> rows) {
        List<Row> gone = new ArrayList<>();
        for (Row row : rows) {
            if (row.glyphs.size() > FEW || row.glyphs.stream().anyMatch(Glyph::isSpace)) continue;
            Row around = null;
            for (Row other : rows) {
                double away = Math.abs(other.baseline - row.baseline);
                boolean near = other != row && !gone.contains(other) && away < SHIFTED * row.size && Math.abs(other.size - row.size) < 0.12 * row.size;
                boolean nearer = around == null || away < Math.abs(around.baseline - row.baseline);
                if (near && nearer && other.glyphs.size() > FEW && other.isAround(row)) around = other;
            }
            if (around == null) continue;
            around.glyphs.addAll(row.glyphs);
            gone.add(row);
        }
        rows.removeAll(gone);
    }

    private static List<Run> runs(List<Glyph> glyphs) {
        List<Run> runs = new ArrayList<>();
        Run run = null;
        for (Glyph glyph : glyphs) {
            if (glyph.text().isEmpty()) continue;
            if (run == null || !run.takes(glyph)) {
                run = new Run();
                runs.add(run);
            }
            run.glyphs.add(glyph);
        }
        runs.removeIf(one -> one.glyphs.stream().allMatch(Glyph::isSpace));
        return runs;
    }

    private static Row rowAt(List<Row> rows, Run run) {
        Row best = null;
        double nearest = Double.MAX_VALUE;
        for (Row row : rows) {
            double away = Math.abs(row.baseline - run.baseline());
            if (away < 0.12 * Math.max(run.size(), Math.min(row.size, 1.5 * run.size())) && away < nearest) {
                best = row;
                nearest = away;
            }
        }
        return best;
    }

    /** The row that a small run is raised or lowered in, or null. */
    private static Row nearest(List<Row> rows, Run run) {
        Row best = null;
        double nearest = Double.MAX_VALUE;
        for (Row row : rows) {
            double up = row.baseline - run.baseline();
            boolean smaller = run.size() < 0.88 * row.size || run.size() < 0.94 * row.size && Math.abs(up) > 0.15 * row.size;
            if (!smaller || up > 0.62 * row.size || up < -0.48 * row.size || !row.isNear(run)) continue;
            if (Math.abs(up) < nearest) {
                best = row;
                nearest = Math.abs(up);
            }
        }
        return best;
    }

    private static void split(Row row, List<Chunk> chunks) {
        row.glyphs.sort(Comparator.comparingDouble(Glyph::x));
        List<Glyph> letters = new ArrayList<>();
        List<Boolean> written = new ArrayList<>();
        boolean space = false;
        for (Glyph glyph : row.glyphs) {
            if (glyph.isSpace()) {
                space = true;
                continue;
            }
            if (isDouble(letters, glyph)) continue;
            letters.add(glyph);
            written.add(space);
            space = false;
        }
        if (letters.isEmpty()) return;
        boolean anyWritten = written.contains(true);
        double usual = anyWritten ? 0 : usualGap(letters);
        List<Glyph> current = new ArrayList<>();
        for (int i = 0; i < letters.size(); i++) {
            Glyph glyph = letters.get(i);
            if (!current.isEmpty()) {
                Glyph before = letters.get(i - 1);
                double em = Math.max(glyph.size(), before.size());
                double gap = glyph.x() - before.right();
                boolean dots = isDot(before) && isDot(glyph);
                double least = anyWritten ? 0.24 * em : Math.max(0.14 * em, 0.42 * before.space()) + 1.5 * usual;
                if (gap > WIDE * em + usual && !(dots && gap < 3 * em)) {
                    chunks.add(chunk(current));
                    current = new ArrayList<>();
                } else if (!dots && (gap > least || written.get(i) && gap > 0.04 * em)) {
                    current.add(before.spaceAfter(gap));
                }
            }
            current.add(glyph);
        }
        chunks.add(chunk(current));
    }

    /** Letters that are spaced out are no further apart, in ems; figures less. */
    private static final double MOST_SPACED = 1.2;
    private static final double MOST_SPACED_FIGURES = 0.4;

    /** The gap between letters of a line that is spaced out, in points; 0 for lines that are not. */
    private static double usualGap(List<Glyph> letters) {
        double[] gaps = new double[letters.size()];
        int count = 0;
        // Dots of a leader stand apart from each other, whatever the letters do.
        // A sign that stands for a whole word, as under scans, is followed by a space.
        for (int i = 1; i < letters.size(); i++)
            if (!isDot(letters.get(i)) && !isDot(letters.get(i - 1)) && letters.get(i - 1).text().length() < 4)
                gaps[count++] = letters.get(i).x() - letters.get(i - 1).right();
        if (count < 3) return 0;
        Arrays.sort(gaps, 0, count);
        double middle = gaps[count / 2];
        double size = letters.get(0).size();
        // Figures that stand far apart are those of a table.
        boolean words = letters.stream().anyMatch(letter -> Character.isLetter(letter.text().codePointAt(0)));
        return middle > 0.06 * size && middle < (words ? MOST_SPACED : MOST_SPACED_FIGURES) * size ? middle : 0;
    }

    /** Letters printed twice with a tiny shift, as some programs do to make them bold. */
    private static boolean isDouble(List<Glyph> letters, Glyph glyph) {
        for (int i = letters.size() - 1; i >= Math.max(0, letters.size() - 3); i--) {
            Glyph before = letters.get(i);
            if (before.text().equals(glyph.text()) && Math.abs(before.x() - glyph.x()) < 0.12 * glyph.size()
                    && Math.abs(before.baseline() - glyph.baseline()) < 0.12 * glyph.size()
                    && glyph.width() > 0.2 * glyph.size()) return true;
        }
        return false;
    }

    private static boolean isDot(Glyph glyph) { return glyph.text().length() == 1 && ".…·_".indexOf(glyph.text().charAt(0)) >= 0; }

    private static Chunk chunk(List<Glyph> leftToRight) {
        int right = 0;
        int left = 0;
        for (Glyph glyph : leftToRight) {
            int direction = direction(glyph);
            if (direction > 0) right++;
            if (direction < 0) left++;
        }
        if (right == 0) return new Chunk(leftToRight, false);
        return new Chunk(logical(leftToRight, right >= left), right >= left);
    }

    /** 1 for letters written from right to left, -1 for those from left to right and digits, 0 for the rest. */
    public static int direction(Glyph glyph) {
        int point = glyph.text().codePointAt(0);
        return switch (Character.getDirectionality(point)) {
            case Character.DIRECTIONALITY_RIGHT_TO_LEFT, Character.DIRECTIONALITY_RIGHT_TO_LEFT_ARABIC -> 1;
            case Character.DIRECTIONALITY_LEFT_TO_RIGHT, Character.DIRECTIONALITY_EUROPEAN_NUMBER, Character.DIRECTIONALITY_ARABIC_NUMBER -> -1;
            default -> 0;
        };
    }

    /** From the order of seeing to that of reading: the inverse of UAX #9, rule L2, for two levels. */
    private static List<Glyph> logical(List<Glyph> seen, boolean rightToLeft) {
        int[] directions = new int[seen.size()];
        for (int i = 0; i < directions.length; i++) directions[i] = direction(seen.get(i));
        int base = rightToLeft ? 1 : -1;
        for (int i = 0; i < directions.length; i++) {
            if (directions[i] != 0) continue;
            int before = i == 0 ? base : directions[i - 1];
            int after = i + 1;
            while (after < directions.length && directions[after] == 0) after++;
            int following = after < directions.length ? directions[after] : base;
            directions[i] = before == following ? before : base;
        }
        List<Glyph> result = new ArrayList<>();
        int size = seen.size();
        int at = rightToLeft ? size - 1 : 0;
        int step = rightToLeft ? -1 : 1;
        while (at >= 0 && at < size) {
            int end = at;
            while (end + step >= 0 && end + step < size && directions[end + step] == directions[at]) end += step;
            boolean keeps = directions[at] == base;
            for (int i = keeps ? at : end; keeps ? i != end + step : i != at - step; i += keeps ? step : -step) result.add(seen.get(i));
            at = end + step;
        }
        return result;
    }
}
