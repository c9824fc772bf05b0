package app.decant.sheet;

import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.layout.CellText;
import app.decant.page.Item;
import app.decant.sheet.CellStyle.Across;
import app.decant.sheet.CellStyle.Down;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;

/**
 * Text of a cell that does not run from left to right: turned by any angle, or letters one under another (ISO/IEC 29500-1, 18.8.1, textRotation). It stays
 * within its cell where it runs straight up or down; what is aslant reaches over the cells beside it (common practice).
 */
final class TurnedText {
    private static final int STRAIGHT = 90;

    private final CellStyle style;
    private final double padding;
    private final double[] box;
    private final CellText.Lines set;
    private final double width;
    private final double turn;
    private boolean cut;

    /** @param box the left, top, right and bottom edge of the cell */
    TurnedText(CellText setter, Paragraph text, CellStyle style, Across across, double scale, double[] box) {
        this.style = style.across() == across ? style : style.standing(across);
        this.box = box;
        padding = SheetPainter.PADDING * scale;
        boolean stacked = style.turn() == CellStyle.STACKED;
        turn = stacked ? 0 : -style.turn();
        double along = Math.max(1, box[3] - box[1] - 2 * padding);
        boolean wraps = style.wraps() && Math.abs(style.turn()) == STRAIGHT;
        Paragraph seen = wraps || Math.abs(style.turn()) != STRAIGHT ? text : seen(setter, text, along);
        double natural = setter.set(seen, wraps ? along : CellText.ENDLESS).width();
        width = wraps ? along : natural;
        set = setter.set(aligned(seen, stacked ? Alignment.CENTRE : alignment()), wraps ? along : natural + 0.01);
    }

    /** As many letters of one line as there is room for. */
    private Paragraph seen(CellText setter, Paragraph text, double along) {
        CellText.Lines lines = setter.set(text, CellText.ENDLESS);
        if (lines.width() <= along + padding || lines.lines().size() != 1) return text;
        int end = lines.lines().get(0).line().offsetAt(along);
        while (end > 1 && lines.lines().get(0).line().caretX(end) > along) end--;
        cut = true;
        return text.withInlines(text.slice(0, Math.max(1, end)));
    }

    /** What a cell says, so that letters stand one under another where they are to. */
    static String shown(String text, CellStyle style) {
        if (style.turn() != CellStyle.STACKED) return text;
        StringBuilder stacked = new StringBuilder();
        text.codePoints().filter(letter -> letter != '\n' && letter != '\r')
                .forEach(letter -> stacked.append(stacked.isEmpty() ? "" : "\n").appendCodePoint(letter));
        return stacked.toString();
    }

    /** How high a row has to be for it. */
    static double height(CellText setter, Paragraph text, CellStyle style) {
        CellText.Lines lines = setter.set(text, CellText.ENDLESS);
        double turn = style.turn() == CellStyle.STACKED ? 0 : Math.toRadians(style.turn());
        return lines.width() * Math.abs(Math.sin(turn)) + lines.height() * Math.abs(Math.cos(turn)) + 2 * SheetPainter.PADDING;
    }

    private static Paragraph aligned(Paragraph text, Alignment alignment) {
        List<Inline> inlines = text.inlines();
        return new Paragraph(text.style(), alignment == Alignment.START ? Look.PLAIN : Look.of(ParagraphProperty.ALIGNMENT, alignment), text.mark(), inlines);
    }

    /** How lines stand to one another: what runs up begins at the foot of its cell, what runs down at its head. */
    private Alignment alignment() {
        if (Math.abs(style.turn()) != STRAIGHT) {
            return switch (style.across()) {
                case CENTRE, CENTRE_ACROSS -> Alignment.CENTRE;
                case RIGHT -> Alignment.END;
                default -> Alignment.START;
            };
        }
        if (style.down() == Down.MIDDLE) return Alignment.CENTRE;
        boolean top = style.down() == Down.TOP || style.down() == Down.JUSTIFY;
        return top == style.turn() > 0 ? Alignment.END : Alignment.START;
    }

    /** The lines where they stand. */
    List<Item.LineItem> lines() {
        AffineTransform turning = AffineTransform.getRotateInstance(Math.toRadians(turn));
        Rectangle2D extent = turning.createTransformedShape(new Rectangle2D.Double(0, 0, width, set.height())).getBounds2D();
        double left = switch (style.across()) {
            case RIGHT -> box[2] - padding - extent.getWidth();
            case CENTRE, CENTRE_ACROSS -> (box[0] + box[2] - extent.getWidth()) / 2;
            default -> box[0] + padding;
        };
        double top = switch (style.down()) {
            case TOP, JUSTIFY -> box[1] + padding;
            case MIDDLE -> (box[1] + box[3] - extent.getHeight()) / 2;
            default -> box[3] - padding - extent.getHeight();
        };
        List<Item.LineItem> lines = new ArrayList<>();
        for (Item.LineItem line : set.lines()) {
            Point2D at = turning.transform(new Point2D.Double(line.x(), line.y()), null);
            double x = at.getX() + left - extent.getX();
            double y = at.getY() + top - extent.getY();
            if (turn == 0 && (y + line.line().baseline() > box[3] + 1 || y + line.line().baseline() < box[1])) cut = true;
            else lines.add(new Item.LineItem(line.passage(), line.line(), x, y, line.editable(), turn));
        }
        return lines;
    }

    /** Whether the cell has no room for all of it; known once its lines are asked for. */
    boolean isCut() { return cut; }
}
