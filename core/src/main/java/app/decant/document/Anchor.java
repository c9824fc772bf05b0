package app.decant.document;

/**
 * Where a floating object stands and how text keeps clear of it.
 *
 * @param horizontal its place across the page
 * @param vertical   its place down the page
 * @param wrap       how text meets it
 * @param distance   kept free around it, in points
 * @param behind     drawn under the text
 * @param level      what has a higher one lies over what has a lower; of those with the same the later
 * @param overBlanks whether paragraphs without text take no notice of it, whatever its wrap: programs that write OpenDocument set them so (common practice)
 */
public record Anchor(Horizontal horizontal, Vertical vertical, Wrap wrap, TableProperty.Insets distance, boolean behind, int level, boolean overBlanks) {
    public Anchor(Horizontal horizontal, Vertical vertical, Wrap wrap, TableProperty.Insets distance, boolean behind, int level) {
        this(horizontal, vertical, wrap, distance, behind, level, false);
    }

    public Anchor(Horizontal horizontal, Vertical vertical, Wrap wrap, TableProperty.Insets distance, boolean behind) {
        this(horizontal, vertical, wrap, distance, behind, 0);
    }

    public Anchor withLevel(int other) { return new Anchor(horizontal, vertical, wrap, distance, behind, other, overBlanks); }

    /** The same so many points further right and down; an alignment stays one. */
    public Anchor moved(double across, double down) {
        return new Anchor(new Horizontal(horizontal.from, horizontal.alignment, horizontal.offset + across),
                new Vertical(vertical.from, vertical.alignment, vertical.offset + down), wrap, distance, behind, level, overBlanks);
    }

    /** Across: from what, and either an alignment or (where that is null) an offset. */
    public record Horizontal(From from, ParagraphProperty.Alignment alignment, double offset) {
        /** What it is measured from. */
        public enum From { PAGE, MARGIN, COLUMN, CHARACTER }
    }

    /** Down: from what, and either an alignment or (where that is null) an offset. */
    public record Vertical(From from, TableProperty.VerticalAlignment alignment, double offset) {
        /** What it is measured from. */
        public enum From { PAGE, MARGIN, PARAGRAPH, LINE }
    }

    /** How text meets it: around its box, above and below only, or straight through. */
    public enum Wrap { SQUARE, TOP_AND_BOTTOM, NONE }
}
