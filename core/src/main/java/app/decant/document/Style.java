package app.decant.document;

import java.util.Collections;
import java.util.Map;
import java.util.TreeMap;

/**
 * A named look.
 *
 * @param id     how the document calls it
 * @param name   how people call it
 * @param parent the style it is made from, or null
 * @param next   the style of the paragraph after one in this style, or null for the same
 * @param look   what it says; a paragraph style holds paragraph and text properties alike
 * @param parts  for table styles: what the parts of a table look like
 */
public record Style(String id, String name, Kind kind, String parent, String next, Look look, Map<TableProperty.TablePart, Look> parts) {
    public Style { parts = Collections.unmodifiableMap(new TreeMap<>(parts)); }

    public Style(String id, String name, Kind kind, String parent, String next, Look look) {
        this(id, name, kind, parent, next, look, Map.of());
    }

    /** What a style dresses. */
    public enum Kind { PARAGRAPH, CHARACTER, TABLE, LIST }

    public Style withLook(Look other) { return new Style(id, name, kind, parent, next, other, parts); }
}
