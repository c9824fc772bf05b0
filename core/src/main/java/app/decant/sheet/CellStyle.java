package app.decant.sheet;

import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Look;

/**
 * How cells look.
 *
 * @param font    of the letters: family, size, weight, colour
 * @param format  how numbers are shown (ISO/IEC 29500-1, 18.8.31)
 * @param across  how text stands from side to side
 * @param down    and from top to bottom
 * @param wraps   whether text that is too long goes on in more lines
 * @param shrinks whether it is made small enough instead
 * @param indent  in steps of three blanks (18.8.1)
 * @param turn    of the text in degrees against the clock; {@link #STACKED} for letters under each other
 * @param fill    behind it, or null
 * @param borders round it; null for none
 * @param open    whether it can be changed although its sheet is locked
 */
public record CellStyle(Look font, String format, Across across, Down down, boolean wraps, boolean shrinks, int indent, int turn, Colour fill,
        Borders borders, boolean open) {
    /** The turn of letters one under another. */
    public static final int STACKED = 255;
    public static final String GENERAL = "General";
    public static final CellStyle PLAIN = new CellStyle(Look.PLAIN, GENERAL, Across.BY_KIND, Down.BOTTOM, false, false, 0, 0, null, null);

    /** One that is locked where its sheet is. */
    public CellStyle(Look font, String format, Across across, Down down, boolean wraps, boolean shrinks, int indent, int turn, Colour fill, Borders borders) {
        this(font, format, across, down, wraps, shrinks, indent, turn, fill, borders, false);
    }

    /** Numbers stand at the right, text at the left, truths in the middle, unless it is said. */
    public enum Across { BY_KIND, LEFT, CENTRE, RIGHT, JUSTIFY, FILL, CENTRE_ACROSS }

    public enum Down { TOP, MIDDLE, BOTTOM, JUSTIFY }

    /** The same with other letters. */
    public CellStyle lettered(Look other) { return new CellStyle(other, format, across, down, wraps, shrinks, indent, turn, fill, borders, open); }

    /** The same with numbers shown in another way. */
    public CellStyle showing(String other) { return new CellStyle(font, other, across, down, wraps, shrinks, indent, turn, fill, borders, open); }

    /** The same with text that stands otherwise from side to side. */
    public CellStyle standing(Across other) { return new CellStyle(font, format, other, down, wraps, shrinks, indent, turn, fill, borders, open); }

    /** The same with another colour behind it, or none. */
    public CellStyle filled(Colour other) { return new CellStyle(font, format, across, down, wraps, shrinks, indent, turn, other, borders, open); }

    /** The same with text that goes on in more lines, or does not. */
    public CellStyle wrapping(boolean other) { return new CellStyle(font, format, across, down, other, shrinks, indent, turn, fill, borders, open); }

    /** The same with other lines round it; null for none. */
    public CellStyle lined(Borders other) { return new CellStyle(font, format, across, down, wraps, shrinks, indent, turn, fill, other, open); }

    /** The same, to be changed or not where its sheet is locked. */
    public CellStyle open(boolean other) { return new CellStyle(font, format, across, down, wraps, shrinks, indent, turn, fill, borders, other); }

    /** Whether it is seen where the cell holds nothing. */
    public boolean shows() { return fill != null || borders != null && !borders.equals(Borders.OPEN); }
}
