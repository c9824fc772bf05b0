package app.decant.document;

import java.util.List;

/**
 * Blocks in a frame of their own.
 *
 * @param width   in points
 * @param height  in points; the box grows where {@code grows} is true and its text asks for more
 * @param padding between the frame and the text
 * @param border  round it, or null
 * @param fill    behind the text, or null
 */
public record TextBox(List<Block> blocks, double width, double height, boolean grows, TableProperty.Insets padding, Border border, Colour fill)
        implements Inline.Floating.Content {
    public TextBox { blocks = List.copyOf(blocks); }

    public TextBox withBlocks(List<Block> others) { return new TextBox(others, width, height, grows, padding, border, fill); }
}
