package app.decant.document;

/**
 * One line of a border.
 *
 * @param line   how it is drawn; {@code NONE} draws nothing and wins over a style's border
 * @param width  in points
 * @param colour of the line
 * @param space  between the line and the text, in points
 */
public record Border(Line line, double width, Colour colour, double space) {
    public static final Border NONE = new Border(Line.NONE, 0, Colour.AUTOMATIC, 0);

    /** The kinds of line. */
    public enum Line { NONE, SINGLE, DOUBLE, DOTTED, DASHED, THICK }

    public static Border single(double width, Colour colour) { return new Border(Line.SINGLE, width, colour, 0); }

    public boolean isVisible() { return line != Line.NONE && width > 0; }
}
