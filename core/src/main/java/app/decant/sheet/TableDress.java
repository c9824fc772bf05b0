package app.decant.sheet;

import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Look;
import app.decant.document.TextProperty;

/**
 * The look of a table, part by part; colours that are null are not put on.
 *
 * @param head    behind its head
 * @param headInk of the letters there
 * @param body    behind all rows
 * @param stripe  behind every other row
 * @param inner   of lines between rows
 * @param grid    whether such lines stand between columns, too
 * @param outer   of the lines round it
 * @param under   of the line under its head and above its last row
 * @param strong  how wide that line is, in points
 */
public record TableDress(Colour head, Colour headInk, Colour body, Colour stripe, Colour inner, boolean grid, Colour outer, Colour under, double strong) {
    private static final double THIN = 0.5;

    CellDress of(boolean first, boolean last, boolean striped, boolean marked, boolean top, boolean bottom, boolean left, boolean right) {
        Look letters = first || last || marked ? Look.of(TextProperty.BOLD, true) : Look.PLAIN;
        if (first && headInk != null) letters = letters.with(TextProperty.COLOUR, headInk);
        Colour fill = first && head != null ? head : striped && !first && !last && stripe != null ? stripe : body;
        Border between = line(inner, THIN);
        Border edge = line(outer, THIN);
        Border heavy = line(under, strong);
        Border above = top && edge != null ? edge : last && heavy != null ? heavy : between;
        Border below = bottom && edge != null ? edge : first && heavy != null ? heavy : between;
        Border atLeft = left ? edge : grid ? between : null;
        Border atRight = right ? edge : grid ? between : null;
        boolean open = above == null && below == null && atLeft == null && atRight == null;
        return new CellDress(letters, fill, open ? null : new Borders(above, atRight, below, atLeft, null, null), null);
    }

    private static Border line(Colour colour, double width) { return colour == null ? null : new Border(Border.Line.SINGLE, width, colour, 0); }
}
