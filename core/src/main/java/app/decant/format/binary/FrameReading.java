package app.decant.format.binary;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TextBox;
import app.decant.format.binary.Modifiers.Modifier;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Paragraphs that stand in a frame of their own become text boxes, anchored in the paragraph behind them. */
final class FrameReading {
    private FrameReading() { }

    /** Where a frame stands, and how wide it is; 0 for as wide as its text. */
    record Frame(Anchor anchor, double width, double height) { }

    /** The frame that a paragraph stands in, or null. */
    static Frame of(List<Modifier> modifiers) {
        Integer x = null;
        Integer y = null;
        Integer from = null;
        double width = 0;
        double height = 0;
        int wrap = 0;
        double besides = 0;
        for (Modifier one : modifiers) {
            switch (one.code()) {
                case 0x261B -> from = one.one();
                case 0x8418 -> x = one.signed();
                case 0x8419 -> y = one.signed();
                case 0x841A -> width = one.two() / 20.0;
                case 0x442B -> height = (one.two() & 0x7FFF) / 20.0;
                case 0x2423 -> wrap = one.one();
                case 0x842F -> besides = one.points();
                default -> { }
            }
        }
        if (x == null && y == null && width == 0) return null;
        int place = from == null ? 0 : from;
        Anchor.Horizontal.From across = (place >> 6 & 3) == 2 ? Anchor.Horizontal.From.PAGE : (place >> 6 & 3) == 1 ? Anchor.Horizontal.From.MARGIN
                : Anchor.Horizontal.From.COLUMN;
        Anchor.Vertical.From down = (place >> 4 & 3) == 1 ? Anchor.Vertical.From.PAGE : (place >> 4 & 3) == 0 && from != null ? Anchor.Vertical.From.MARGIN
                : Anchor.Vertical.From.PARAGRAPH;
        Alignment alignment = x == null || x == 0 ? Alignment.START : x == -4 ? Alignment.CENTRE : x == -8 ? Alignment.END : null;
        VerticalAlignment vertical = y == null ? null : y == -4 ? VerticalAlignment.TOP : y == -8 ? VerticalAlignment.CENTRE : y == -12
                ? VerticalAlignment.BOTTOM : null;
        Anchor anchor = new Anchor(new Anchor.Horizontal(across, alignment, alignment == null ? x / 20.0 : 0), new Anchor.Vertical(down, vertical,
                vertical == null && y != null ? y / 20.0 : 0),
                wrap == 3 ? Anchor.Wrap.NONE : wrap == 1 ? Anchor.Wrap.TOP_AND_BOTTOM : Anchor.Wrap.SQUARE, new Insets(0, besides, 0, besides), false);
        return new Frame(anchor, width, height);
    }

    /** The blocks with framed ones put into the paragraph that follows. */
    static List<Block> anchored(List<Block> blocks, Map<Paragraph, Frame> frames) {
        if (frames.isEmpty()) return blocks;
        List<Block> result = new ArrayList<>();
        List<Inline> waiting = new ArrayList<>();
        for (int i = 0; i < blocks.size(); i++) {
            Frame frame = blocks.get(i) instanceof Paragraph paragraph ? frames.get(paragraph) : null;
            if (frame != null) {
                List<Block> inside = new ArrayList<>(List.of(blocks.get(i)));
                while (i + 1 < blocks.size() && blocks.get(i + 1) instanceof Paragraph next && frame.equals(frames.get(next))) inside.add(blocks.get(++i));
                waiting.add(new Inline.Floating(frame.anchor, box(inside, frame), Look.PLAIN));
            } else if (!waiting.isEmpty() && blocks.get(i) instanceof Paragraph paragraph) {
                List<Inline> inlines = new ArrayList<>(waiting);
                inlines.addAll(paragraph.inlines());
                result.add(paragraph.withInlines(inlines));
                waiting.clear();
            } else {
                result.add(blocks.get(i));
            }
        }
        if (!waiting.isEmpty()) result.add(new Paragraph(null, Look.PLAIN, Look.PLAIN, waiting));
        return result;
    }

    /** What all paragraphs in it have around and behind them belongs to the box. */
    private static TextBox box(List<Block> blocks, Frame frame) {
        Look first = ((Paragraph) blocks.get(0)).look();
        Border border = first.get(ParagraphProperty.BORDERS) == null ? null : first.get(ParagraphProperty.BORDERS).top();
        boolean bordered = border != null && border.isVisible() && blocks.stream().allMatch(block -> first.get(ParagraphProperty.BORDERS)
                .equals(((Paragraph) block).look().get(ParagraphProperty.BORDERS)));
        var fill = first.get(ParagraphProperty.SHADING);
        boolean filled = fill != null && blocks.stream().allMatch(block -> fill.equals(((Paragraph) block).look().get(ParagraphProperty.SHADING)));
        List<Block> plain = new ArrayList<>();
        for (Block block : blocks) {
            Paragraph paragraph = (Paragraph) block;
            Look look = paragraph.look();
            if (bordered) look = look.without(ParagraphProperty.BORDERS);
            if (filled) look = look.without(ParagraphProperty.SHADING);
            plain.add(paragraph.withLook(look));
        }
        return new TextBox(plain, frame.width > 0 ? frame.width : 200, frame.height > 0 ? frame.height : 20, frame.height == 0, Insets.NONE, bordered
                ? border : Border.NONE, filled ? fill : null);
    }
}
