package app.decant.document;

import java.util.List;

/**
 * Blocks in a frame of their own.
 *
 * @param width   in points
 * @param height  in points; the box grows where {@code grows} is true and its text asks for more
 * @param padding between the frame and the text
 * @param border  round it, or null
 * @param fill     behind the text, or null
 * @param standing where text stands that does not fill it
 * @param running which way its lines run
 */
public record TextBox(List<Block> blocks, double width, double height, boolean grows, TableProperty.Insets padding, Border border, Colour fill,
        TableProperty.VerticalAlignment standing, TableProperty.Running running) implements Inline.Floating.Content {
    public TextBox {
        blocks = List.copyOf(blocks);
        if (standing == null) standing = TableProperty.VerticalAlignment.TOP;
        if (running == null) running = TableProperty.Running.ACROSS;
    }

    /** One whose lines run across. */
    public TextBox(List<Block> blocks, double width, double height, boolean grows, TableProperty.Insets padding, Border border, Colour fill,
            TableProperty.VerticalAlignment standing) {
        this(blocks, width, height, grows, padding, border, fill, standing, TableProperty.Running.ACROSS);
    }

    /** One whose text stands at its top. */
    public TextBox(List<Block> blocks, double width, double height, boolean grows, TableProperty.Insets padding, Border border, Colour fill) {
        this(blocks, width, height, grows, padding, border, fill, TableProperty.VerticalAlignment.TOP);
    }

    public TextBox withBlocks(List<Block> others) { return new TextBox(others, width, height, grows, padding, border, fill, standing, running); }
    public TextBox wide(double other) { return new TextBox(blocks, other, height, grows, padding, border, fill, standing, running); }
    public TextBox bordered(Border other) { return new TextBox(blocks, width, height, grows, padding, other, fill, standing, running); }
    public TextBox standing(TableProperty.VerticalAlignment other) { return new TextBox(blocks, width, height, grows, padding, border, fill, other, running); }

    /** The same with lines that run another way. */
    public TextBox running(TableProperty.Running other) { return new TextBox(blocks, width, height, grows, padding, border, fill, standing, other); }
}
