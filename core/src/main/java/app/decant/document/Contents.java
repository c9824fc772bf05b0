package app.decant.document;

import java.util.List;

/**
 * A contents list. Its entries are ordinary paragraphs that lead to the headings; {@link ContentsList#refreshed} makes them follow the
 * headings, and the page numbers in them are fields.
 *
 * @param fromLevel the outermost heading level listed, 1 or more
 * @param toLevel   the innermost
 * @param entries   as they stand now
 */
public record Contents(int fromLevel, int toLevel, List<Paragraph> entries) implements Block {
    public Contents { entries = List.copyOf(entries); }
}
