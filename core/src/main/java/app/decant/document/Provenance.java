package app.decant.document;

import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/**
 * Where the paragraphs of a document were taken from: line by line, which mark of which page shows each letter. Paragraphs are known by identity; one that
 * was edited is another, so that what is still here is untouched.
 */
public final class Provenance {
    public static final Provenance NONE = new Provenance(Map.of());

    private final Map<Paragraph, List<Line>> lines;

    /**
     * A line as a page shows it.
     *
     * @param page    the index of the page
     * @param letters what it says, as the page has it: with hyphens and labels, spaces where there are gaps
     * @param marks   for each letter the number of the mark that shows it, in the page's order of painting; -1 for spaces that nothing shows
     */
    public record Line(int page, String letters, int[] marks) {
        public Line { if (marks.length != letters.length()) throw new IllegalArgumentException("Every letter has a mark, or none"); }
    }

    public Provenance(Map<Paragraph, List<Line>> lines) {
        Map<Paragraph, List<Line>> own = new IdentityHashMap<>();
        lines.forEach((paragraph, some) -> own.put(paragraph, List.copyOf(some)));
        this.lines = own;
    }

    /** The lines a paragraph came from; empty where that is not known, or it is not as it came. */
    public List<Line> of(Paragraph paragraph) { return lines.getOrDefault(paragraph, List.of()); }
}
