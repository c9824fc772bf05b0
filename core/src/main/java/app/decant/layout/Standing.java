package app.decant.layout;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Table;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty;
import app.decant.document.TextBox;
import app.decant.document.TextFrame;
import app.decant.page.Line;
import java.util.ArrayList;
import java.util.List;

/**
 * Blocks that stand apart from the text, which runs round them: a table that floats, or paragraphs in one frame. Set like a box that hangs on the paragraph
 * behind them; but what they say stays text of the document itself.
 *
 * @param blocks   in order, all of them
 * @param floating the box that they are set as
 */
record Standing(List<Block> blocks, Inline.Floating floating) {
    /** Wide enough for any text in one line. */
    private static final double ENDLESS = 4000;

    static boolean begins(Composer composer, Block block) {
        if (block instanceof Table table) return table.look().get(TableProperty.FLOATING) != null;
        return frame(composer, block) != null;
    }

    static Standing of(Composer composer, List<? extends Block> all, int block, int end) {
        if (all.get(block) instanceof Table table) {
            Look look = table.look().without(TableProperty.FLOATING).without(TableProperty.INDENT).without(TableProperty.ALIGNMENT);
            double width = 0;
            for (double column : table.columns()) width += Math.max(0, column);
            Double asked = composer.styles().cascade().table(table).get(TableProperty.WIDTH);
            if (asked != null && asked > 0) width = asked;
            TextBox box = new TextBox(List.of(new Table(look, table.columns(), table.rows())), Math.max(1, width), 0, true, Insets.NONE, null, null);
            return new Standing(List.of(table), new Inline.Floating(table.look().get(TableProperty.FLOATING), box, Look.PLAIN));
        }
        TextFrame frame = frame(composer, all.get(block));
        List<Block> blocks = new ArrayList<>();
        for (int b = block; b < end && frame.equals(frame(composer, all.get(b))); b++) blocks.add(all.get(b));
        double width = frame.width() > 0 ? frame.width() : natural(composer, blocks);
        double height = frame.height();
        boolean grows = !frame.exact() && (height == 0 || Strip.height(composer.stack(blocks, Look.PLAIN, width, true, false)) > height);
        TextBox box = new TextBox(blocks, width, height, grows, Insets.NONE, null, null);
        Anchor anchor = frame.anchor();
        if (frame.inMargin()) anchor = new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.COLUMN, null, -width - anchor.distance().right()),
                anchor.vertical(), anchor.wrap(), anchor.distance(), anchor.behind());
        return new Standing(blocks, new Inline.Floating(anchor, box, Look.PLAIN));
    }

    private static TextFrame frame(Composer composer, Block block) {
        return block instanceof Paragraph paragraph ? composer.styles().cascade().paragraph(paragraph).get(ParagraphProperty.FRAME) : null;
    }

    /** The width that its longest line asks for. */
    private static double natural(Composer composer, List<Block> blocks) {
        double width = 1;
        for (Block block : blocks) {
            SetParagraph set = composer.free((Paragraph) block, Look.PLAIN, ENDLESS);
            double indents = set.look().get(ParagraphProperty.INDENT_START, 0.0) + set.look().get(ParagraphProperty.INDENT_END, 0.0);
            for (Line line : set.lines()) width = Math.max(width, line.width() + indents + 0.01);
        }
        return width;
    }

    /** Whether it is what stands there now. */
    boolean isOf(List<? extends Block> all, int block, int end) {
        if (block + blocks.size() > end) return false;
        for (int i = 0; i < blocks.size(); i++) if (all.get(block + i) != blocks.get(i)) return false;
        return true;
    }
}
