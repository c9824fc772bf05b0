package app.decant.format.shape;

import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.Running;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TextBox;
import app.decant.format.shape.DrawnShape.Head;
import app.decant.format.shape.DrawnShape.Ink;
import app.decant.format.shape.DrawnShape.Made;
import app.decant.format.shape.DrawnShape.Part;
import app.decant.format.shape.DrawnShape.Pen;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.util.List;

/**
 * A shape as binary files tell it in records and RTF in words: by the same properties (MS-ODRAW 2.3; RTF 1.9.1, “Drawing Object Properties”). What is not
 * told is as the standard has it: white, with a thin black line.
 *
 * @param type          by the number of its kind (2.4.24); 0 is told point by point
 * @param acrossFlipped whether it is mirrored from left to right
 * @param downFlipped   whether it is upside down
 */
public record OfficeShape(int type, boolean acrossFlipped, boolean downFlipped, Properties told) {
    private static final double POINT = 12_700;
    private static final int USUAL_LINE = 9525;
    private static final double MOST_LINE = 200;
    private static final double ONE = 65_536;
    /** From the slant of a diagonal, in degrees. */
    private static final double MOST_OFF = 2;
    private static final int RECTANGLE = 1;
    private static final int ARC = 19;
    private static final int LINE = 20;
    private static final int PICTURE = 75;
    private static final int FIRST_LETTERS = 136;
    private static final int LAST_LETTERS = 175;
    private static final int CONTROL = 201;
    private static final int TEXT_BOX = 202;
    private static final int WIDE = 91_440;
    private static final int HIGH = 45_720;

    /** What is told of a shape, by the numbers that properties have. */
    public interface Properties {
        /** A number, or {@code otherwise} where none is told. */
        int number(int property, int otherwise);

        /** One of the switches that stand in one number ({@code mask}, from the right). */
        boolean isOn(int property, int mask, boolean otherwise);

        /** Numbers in a row, points as two each; null where none are told. */
        int[] numbers(int property);

        /** Words; null where none are told. */
        String words(int property);
    }

    private boolean isClosed() { return type != LINE && type != ARC && !(type >= 32 && type <= 40); }

    /** Nobody is to see it (2.3.4.44). */
    public boolean isHidden() { return told.isOn(0x03BF, 0x2, false); }

    /**
     * Its box before it is turned, round the same middle, in points, from the one that is told, which is so for the side it lies nearest to (2.2.39; from
     * memory). Letters from corner to corner of a page have the box round them as they stand, which tells nothing but how large they are (seen in files).
     */
    public Rectangle2D upright(Rectangle2D told) {
        double width = told.getWidth();
        double height = told.getHeight();
        double turn = (turn() + 360) % 180;
        boolean slanting = letters() != null && Math.abs(turn % 90 - 45) < MOST_OFF && Math.abs(width - height) < 1;
        if (!slanting) return turn >= 45 && turn < 135 ? sized(told, height, width) : told;
        double ratio = DrawnLetters.ratio(letters(), family(), isBold(), isItalic());
        double free = (width + height) / Math.sqrt(2) / (1 + ratio);
        return sized(told, free * ratio, free);
    }

    private static Rectangle2D sized(Rectangle2D told, double width, double height) {
        return new Rectangle2D.Double(told.getCenterX() - width / 2, told.getCenterY() - height / 2, width, height);
    }

    /** Clockwise, in degrees (2.3.18.5). */
    public double turn() { return told.number(0x0004, 0) / ONE % 360; }

    /** Whether it is an upright rectangle, which boxes of text are. */
    public boolean isBox() { return (type == RECTANGLE || type == TEXT_BOX || type == CONTROL) && turn() == 0 && pen().dash().isEmpty() && opacity() == 1; }

    /** What it is painted with (2.3.7 and 2.3.8). */
    public Ink ink() { return new Ink(fill(), opacity(), pen()); }

    private double opacity() { return Math.max(0, Math.min(1, told.number(0x0182, (int) ONE) / ONE)); }

    private Colour fill() {
        if (!told.isOn(0x01BF, 0x10, isClosed() && type != PICTURE)) return null;
        Colour first = OfficeColour.of(told.number(0x0181, 0xFFFFFF), this, Colour.WHITE);
        // Patterns and shades are painted as what they come to; pictures as their colour.
        int kind = told.number(0x0180, 0);
        boolean mixed = kind == 1 || kind >= 4 && kind <= 8;
        return mixed ? first.mixed(OfficeColour.of(told.number(0x0183, 0xFFFFFF), this, Colour.WHITE), 0.5) : first;
    }

    Colour plainFill() { return direct(told.number(0x0181, 0xFFFFFF), Colour.WHITE); }

    Colour plainLine() { return direct(told.number(0x01C0, 0), Colour.BLACK); }

    private static Colour direct(int value, Colour otherwise) { return value >>> 24 == 0 ? OfficeColour.rgb(value) : otherwise; }

    private Pen pen() {
        if (!told.isOn(0x01FF, 0x8, type != PICTURE && !hasLetters())) return Pen.NONE;
        double width = Math.min(MOST_LINE, told.number(0x01CB, USUAL_LINE) / POINT);
        if (width <= 0) return Pen.NONE;
        return new Pen(width, OfficeColour.of(told.number(0x01C0, 0), this, Colour.BLACK), dashes(told.number(0x01CE, 0)),
                head(told.number(0x01D0, 0)), head(told.number(0x01D1, 0)));
    }

    /** 2.4.11. */
    private static List<Double> dashes(int style) {
        return switch (style) {
            case 1 -> List.of(3.0, 1.0);
            case 2 -> List.of(1.0, 1.0);
            case 3 -> List.of(3.0, 1.0, 1.0, 1.0);
            case 4 -> List.of(3.0, 1.0, 1.0, 1.0, 1.0, 1.0);
            case 5 -> List.of(1.0, 3.0);
            case 6 -> List.of(4.0, 3.0);
            case 7 -> List.of(8.0, 3.0);
            case 8 -> List.of(4.0, 3.0, 1.0, 3.0);
            case 9 -> List.of(8.0, 3.0, 1.0, 3.0);
            case 10 -> List.of(8.0, 3.0, 1.0, 3.0, 1.0, 3.0);
            default -> List.of();
        };
    }

    /** 2.4.12. */
    private static Head head(int kind) {
        return switch (kind) {
            case 1, 2 -> Head.TRIANGLE;
            case 3 -> Head.DIAMOND;
            case 4 -> Head.OVAL;
            case 5 -> Head.OPEN;
            default -> Head.NONE;
        };
    }

    private boolean hasLetters() { return type >= FIRST_LETTERS && type <= LAST_LETTERS; }

    private String letters() {
        String words = hasLetters() ? told.words(0x00C0) : null;
        return words == null || words.isBlank() ? null : words.strip();
    }

    private String family() {
        String told = this.told.words(0x00C5);
        return told == null || told.isBlank() ? "Liberation Sans" : told;
    }

    private boolean isBold() { return told.isOn(0x00FF, 0x20, false); }

    private boolean isItalic() { return told.isOn(0x00FF, 0x10, false); }

    /**
     * The shape as a drawing.
     *
     * @param width in points, as is {@code height}, before it is turned
     * @return null where its outline is not known or nothing of it is seen
     */
    public Made draw(double width, double height) {
        AffineTransform turned = AffineTransform.getTranslateInstance(width / 2, height / 2);
        turned.rotate(Math.toRadians(turn()));
        turned.scale(acrossFlipped ? -1 : 1, downFlipped ? -1 : 1);
        turned.translate(-width / 2, -height / 2);
        String words = letters() != null ? letters() : told.words(0x0381);
        return isHidden() ? null : DrawnShape.draw(parts(width, height), ink(), turned, words == null || words.isBlank() ? null : words);
    }

    private List<Part> parts(double width, double height) {
        if (letters() != null) return DrawnLetters.filling(letters(), family(), isBold(), isItalic(), width, height);
        if (told.numbers(0x0145) != null) return OfficePath.parts(told, width, height);
        return ShapeGeometry.numbered(type == TEXT_BOX || type == CONTROL ? RECTANGLE : type, width, height);
    }

    /** The words of a shape in their box, which has its area and line where it is a plain one (2.3.21). */
    public TextBox box(List<Block> blocks, double width, double height) {
        Insets padding = new Insets(inside(0x0082, HIGH), inside(0x0083, WIDE), inside(0x0084, HIGH), inside(0x0081, WIDE));
        Ink ink = isBox() ? ink() : new Ink(null, 1, Pen.NONE);
        Border border = ink.pen().border();
        VerticalAlignment standing = switch (told.number(0x0087, 0)) {
            case 1, 4 -> VerticalAlignment.CENTRE;
            case 2, 5, 7, 9 -> VerticalAlignment.BOTTOM;
            default -> VerticalAlignment.TOP;
        };
        Running running = switch (told.number(0x0088, 0)) {
            case 1, 3, 5 -> Running.DOWN;
            case 2 -> Running.UP;
            default -> Running.ACROSS;
        };
        return new TextBox(blocks, Math.max(1, width), Math.max(1, height), false, padding, border == null ? Border.NONE : border, ink.fill(), standing,
                running);
    }

    private double inside(int side, int usual) { return Math.max(0, Math.min(MOST_LINE, told.number(side, usual) / POINT)); }
}
