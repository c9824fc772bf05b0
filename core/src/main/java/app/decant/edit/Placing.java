package app.decant.edit;

import app.decant.document.Anchor;
import app.decant.document.Inline;
import app.decant.document.ParagraphProperty;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.VerticalAlignment;

/** How a picture stands to the text: as a letter in its line, beside it, parting it, or under or over it. */
public enum Placing {
    IN_LINE, TEXT_AT_RIGHT, TEXT_AT_LEFT, ALONE, UNDER, OVER;

    /** Kept free beside a picture that text runs round, in points. */
    private static final double CLEAR = 9;

    /** How something stands. */
    public static Placing of(Inline inline) {
        if (!(inline instanceof Inline.Floating floating)) return IN_LINE;
        Anchor anchor = floating.anchor();
        if (anchor.wrap() == Anchor.Wrap.TOP_AND_BOTTOM) return ALONE;
        if (anchor.wrap() == Anchor.Wrap.NONE) return anchor.behind() ? UNDER : OVER;
        return anchor.horizontal().alignment() == ParagraphProperty.Alignment.END ? TEXT_AT_LEFT : TEXT_AT_RIGHT;
    }

    /**
     * The anchor of something that is to stand so.
     *
     * @param before where it is anchored now; null for what stands in a line. What lies over text and goes under it stays where it is.
     */
    Anchor anchor(Anchor before) {
        boolean lies = this == UNDER || this == OVER;
        if (lies && before != null) return new Anchor(before.horizontal(), before.vertical(), Anchor.Wrap.NONE, before.distance(), this == UNDER,
                before.level());
        ParagraphProperty.Alignment across = switch (this) {
            case TEXT_AT_LEFT -> ParagraphProperty.Alignment.END;
            case ALONE -> ParagraphProperty.Alignment.CENTRE;
            default -> ParagraphProperty.Alignment.START;
        };
        Anchor.Wrap wrap = lies ? Anchor.Wrap.NONE : this == ALONE ? Anchor.Wrap.TOP_AND_BOTTOM : Anchor.Wrap.SQUARE;
        Insets clear = lies ? Insets.NONE : new Insets(CLEAR, CLEAR, CLEAR, CLEAR);
        return new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.COLUMN, across, 0),
                new Anchor.Vertical(Anchor.Vertical.From.PARAGRAPH, (VerticalAlignment) null, 0), wrap, clear, this == UNDER);
    }
}
