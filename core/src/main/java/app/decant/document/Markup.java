package app.decant.document;

import java.util.List;

/**
 * What the file says of something beyond what a {@link Look} can say, word for word: given back when the same format is written, so that saving a file loses
 * nothing of it. Nothing else reads it.
 *
 * @param family the format family it came from, such as {@code ooxml}
 */
public record Markup(String family, List<Piece> pieces) {
    public static final Property<Markup> TEXT = new Property<>("markup of text", Markup.class);
    public static final Property<Markup> PARAGRAPH = new Property<>("markup of a paragraph", Markup.class);
    public static final Property<Markup> TABLE = new Property<>("markup of a table", Markup.class);
    public static final Property<Markup> ROW = new Property<>("markup of a row", Markup.class);
    public static final Property<Markup> CELL = new Property<>("markup of a cell", Markup.class);
    /** Of a style as an entry in a list of styles, not of what it looks like. */
    public static final Property<Markup> STYLE = new Property<>("markup of a style", Markup.class);

    public Markup { pieces = List.copyOf(pieces); }

    /**
     * One element.
     *
     * @param meant what it said of the look when it was read; where the look says something else by now, the element is out of date
     */
    public record Piece(String name, String xml, Look meant) {
        boolean holds(Look look) {
            for (Property<?> property : meant.properties()) if (!meant.get(property).equals(look.get(property))) return false;
            return true;
        }
    }

    /** The element of a name as it stood in the file, or null where there was none or the look says something else by now. */
    public String still(String name, Look look) {
        for (Piece piece : pieces) if (piece.name.equals(name) && piece.holds(look)) return piece.xml;
        return null;
    }
}
