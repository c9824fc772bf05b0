package app.decant.proof;

import java.util.List;

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

    /** The mean of all pages, 0 to 100. */
    public double score() { return pages.stream().mapToDouble(PageScore::score).average().orElse(100); }
}
