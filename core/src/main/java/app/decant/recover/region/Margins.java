package app.decant.recover.region;

import app.decant.recover.line.Chunk;
import app.decant.recover.table.TableGrid;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;

/** The left and right edges of the text on pages of one size. */
public record Margins(double left, double right) {
    private static final double MUCH = 0.08;

    public static Margins of(List<PageMatter> pages) {
        List<Double> lefts = new ArrayList<>();
        List<Double> rights = new ArrayList<>();
        double width = pages.get(0).width();
        for (PageMatter page : pages) {
            for (Chunk chunk : page.chunks()) {
                lefts.add(chunk.left());
                rights.add(chunk.right());
            }
            for (TableGrid table : page.tables()) {
                lefts.add(table.left());
                rights.add(table.right());
            }
        }
        if (lefts.isEmpty()) return new Margins(Math.min(72, width / 4), width - Math.min(72, width / 4));
        Collections.sort(lefts);
        rights.sort(Comparator.reverseOrder());
        double left = edge(lefts, 1);
        double right = edge(rights, -1);
        double reached = reached(pages, right, lefts.size());
        if (reached > right) return new Margins(left, Math.max(reached, width - left));
        long flush = rights.stream().filter(one -> Math.abs(one - right) < 0.6).count();
        // Ragged lines fall short of the margin: where the page would be lopsided, it is taken to be even.
        if (flush < 4 && width - right > left) return new Margins(left, Math.max(right, width - left));
        return new Margins(left, right);
    }

    /** How far text reaches that stands beyond an edge as a whole, where there is much of it: a column that is filled less than the others. */
    private static double reached(List<PageMatter> pages, double right, int all) {
        List<Chunk> beyond = pages.stream().flatMap(page -> page.chunks().stream()).filter(chunk -> chunk.left() > right).toList();
        return beyond.size() < Math.max(4, MUCH * all) ? right : beyond.stream().mapToDouble(Chunk::right).max().orElse(right);
    }

    /** The outermost place where several things begin or end. */
    private static double edge(List<Double> sorted, int direction) {
        int least = Math.max(1, Math.min(3, sorted.size() / 12));
        for (int i = 0; i < sorted.size(); i++) {
            int alike = 0;
            for (int k = i; k < sorted.size() && Math.abs(sorted.get(k) - sorted.get(i)) < 2; k++) alike++;
            if (alike >= least) return sorted.get(i);
        }
        return sorted.get(0);
    }
}
