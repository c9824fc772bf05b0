package app.decant.document;

/**
 * The frame that a paragraph stands in, apart from the text, which runs round it (ISO/IEC 29500-1, 17.3.1.11); neighbours with the same one stand in it
 * together. A letter at the head of a text, as large as several lines of it, stands in one.
 *
 * @param anchor   its place, measured from the paragraph that follows
 * @param width    in points; 0 for as wide as its text
 * @param height   in points; 0 for as high as its text
 * @param exact    whether the height is kept to; else its text may make it higher
 * @param dropped  how many lines a letter of the text is as large as; 0 for what is none
 * @param inMargin whether such a letter stands before the text, not in it
 */
public record TextFrame(Anchor anchor, double width, double height, boolean exact, int dropped, boolean inMargin) {
    public TextFrame {
        if (!(width >= 0) || !(height >= 0) || dropped < 0) throw new IllegalArgumentException("A frame has a size");
    }
}
