package app.decant.pdf.keep;

import java.util.List;
import java.util.Set;

/**
 * Where the text of a page goes on: what it has no room for comes to stand at the head of that page.
 *
 * @param page    the index of that page
 * @param lines   its lines from above, as marks by their numbers in its order of painting; what comes is put before the first
 * @param across  how much further to the right its column stands, in points
 * @param gap     from the last baseline of what comes to that of the first line there
 * @param foot    the lowest baseline of text on such pages; 0 where that is not known
 * @param openers the first marks of those lines of the page before with which a page may begin: no single line of a paragraph is left alone, no heading
 *                without its text; common practice
 * @param within  the first marks of those lines of the page before that stand within a row of a table: no page begins with them
 * @param head    the row of a table with which that page begins; null where it begins with other text, or is put in
 * @param added   what the page is like where it is put in for that; null for one that the file has
 */
public record Onward(int page, List<List<Integer>> lines, double across, double gap, double foot, Set<Integer> openers, Set<Integer> within, Row head,
        Added added) {
    /**
     * A row of a table with which a page begins, below the heads that the table repeats there.
     *
     * @param marks  what its cells say
     * @param goesOn whether the page before ends with rows of the same table
     */
    public record Row(Set<Integer> marks, boolean goesOn) {
        public Row { marks = Set.copyOf(marks); }
    }

    /**
     * A page that the file does not have, put in behind one of its own. It shows what that shows around its text, as far as others show it too: nothing of
     * what any page says is there twice.
     *
     * @param like  the index of the page that it follows
     * @param first where its first baseline stands, in points from the top
     * @param from  where the text of that page begins, down to {@code to}
     * @param heads the marks of that page's headers and footers
     * @param alike the indexes of other pages of its size, near it
     */
    public record Added(int like, double first, double from, double to, Set<Integer> heads, List<Integer> alike) {
        public Added {
            heads = Set.copyOf(heads);
            alike = List.copyOf(alike);
        }
    }

    public Onward {
        lines = lines.stream().map(List::copyOf).toList();
        openers = Set.copyOf(openers);
        within = Set.copyOf(within);
        if (added == null && (lines.isEmpty() || lines.get(0).isEmpty())) throw new IllegalArgumentException("Text goes on before a line");
        if (added == null && !(gap > 0)) throw new IllegalArgumentException("Lines stand below one another");
    }
}
