package app.decant.proof;

import java.util.List;
import java.util.function.ToDoubleFunction;

/**
 * How alike two sets of pages are, page by page, and what differs.
 *
 * @param differences in the order of pages
 */
public record Comparison(List<PageScore> pages, List<Difference> differences) {
    public Comparison {
        pages = List.copyOf(pages);
        differences = List.copyOf(differences);
    }

    /** The mean of all pages, 0 to 100; likewise of its two halves. */
    public double score() { return mean(PageScore::score); }
    public double looks() { return mean(PageScore::looks); }
    public double words() { return mean(PageScore::words); }

    private double mean(ToDoubleFunction<PageScore> part) { return pages.stream().mapToDouble(part).average().orElse(100); }
}
