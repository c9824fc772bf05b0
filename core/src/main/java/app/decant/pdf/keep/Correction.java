package app.decant.pdf.keep;

import java.util.List;
import java.util.Set;

/**
 * A line of a page that is to say something else in one place.
 *
 * @param line     the marks of the line by their numbers in the page's order of painting, in reading order
 * @param from     the index in {@code line} of the first mark that goes
 * @param to       the index after the last
 * @param text     what takes their place
 * @param set      how the line is set
 * @param passage  the marks of its whole paragraph, as far as they are on the page
 * @param drawnBy  whether lines or areas are drawn with its text (underlines, links), so that nothing of it may move
 */
public record Correction(List<Integer> line, int from, int to, String text, Setting set, Set<Integer> passage, boolean drawnBy) {
    public Correction {
        line = List.copyOf(line);
        passage = Set.copyOf(passage);
        if (from < 0 || to <= from || to > line.size()) throw new IllegalArgumentException("Something has to go");
    }

    /** How a line stands between the edges of its paragraph; one of several lines that fills them both is justified. */
    public enum Setting { AT_LEFT, AT_RIGHT, CENTRED, JUSTIFIED }
}
