package app.decant.format.binary;

import app.decant.document.Anchor;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TextFrame;
import app.decant.format.binary.Modifiers.Modifier;
import java.util.List;

/** Reads the frames that paragraphs stand in (2.6.2, sprmPDxaAbs and following). */
final class FrameReading {
    private FrameReading() { }

    /** The frame that a paragraph stands in, or null. */
    static TextFrame of(List<Modifier> modifiers) {
        Integer x = null;
        Integer y = null;
        Integer from = null;
        double width = 0;
        double height = 0;
        boolean exact = false;
        int dropped = 0;
        boolean inMargin = false;
        int wrap = 0;
        double besides = 0;
        for (Modifier one : modifiers) {
            switch (one.code()) {
                case 0x261B -> from = one.one();
                case 0x8418 -> x = one.signed();
                case 0x8419 -> y = one.signed();
                case 0x841A -> width = one.two() / 20.0;
                case 0x442B -> {
                    height = (one.two() & 0x7FFF) / 20.0;
                    // The high bit says "at least".
                    exact = (one.two() & 0x8000) == 0;
                }
                case 0x442C -> {
                    dropped = (one.two() & 7) == 0 ? 0 : one.two() >> 3 & 0x1F;
                    inMargin = (one.two() & 7) == 2;
                }
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
        return new TextFrame(anchor, Math.max(0, width), Math.max(0, height), exact, dropped, inMargin);
    }
}
