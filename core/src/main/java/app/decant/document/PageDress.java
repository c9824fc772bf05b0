package app.decant.document;

/**
 * What pages of a section have beyond their text (ISO/IEC 29500-1, 17.6): a frame round them, numbers beside their lines, and where the text stands that does
 * not fill one.
 *
 * @param frame    its lines; each has its distance from the paper's edge, or from the text
 * @param fromText whether that is measured from the text, heads and feet included
 * @param framed   on which pages it is drawn
 * @param numbers  of lines; null for none
 * @param standing where the text stands on a page that it does not fill
 * @param footnotes how footnotes are counted, {@code endnotes} how those at the end
 */
public record PageDress(Borders frame, boolean fromText, Framed framed, LineNumbers numbers, Standing standing, NoteCount footnotes, NoteCount endnotes) {
    public static final PageDress PLAIN = new PageDress(Borders.OPEN, false, Framed.ALL, null, Standing.TOP, NoteCount.FOOTNOTES, NoteCount.ENDNOTES);

    public PageDress {
        if (footnotes == null) footnotes = NoteCount.FOOTNOTES;
        if (endnotes == null) endnotes = NoteCount.ENDNOTES;
        if (frame == null || framed == null || standing == null) throw new IllegalArgumentException("A page has a frame, drawn or not, and text somewhere");
    }

    /** On all pages of the section, the first only, or all others. */
    public enum Framed {
        ALL, FIRST, OTHERS;

        public boolean is(boolean first) { return this == ALL || first == (this == FIRST); }
    }

    /** At the top, in the middle, at the bottom. */
    public enum Standing { TOP, MIDDLE, BOTTOM }

    /**
     * Numbers beside lines.
     *
     * @param every    how many lines from one number to the next
     * @param start    the number of the first line
     * @param distance from the text, in points
     * @param again    where counting begins anew
     */
    public record LineNumbers(int every, int start, double distance, Again again) {
        public LineNumbers {
            if (every < 1 || distance < 0) throw new IllegalArgumentException("Lines are counted one by one or more, beside the text");
        }

        public enum Again { PAGE, SECTION, NEVER }
    }

    public PageDress framed(Borders lines, boolean text, Framed where) { return new PageDress(lines, text, where, numbers, standing, footnotes, endnotes); }
    public PageDress numbered(LineNumbers other) { return new PageDress(frame, fromText, framed, other, standing, footnotes, endnotes); }
    public PageDress standing(Standing other) { return new PageDress(frame, fromText, framed, numbers, other, footnotes, endnotes); }

    public PageDress counting(NoteCount feet, NoteCount ends) { return new PageDress(frame, fromText, framed, numbers, standing, feet, ends); }

    public boolean isFramed() { return isVisible(frame.top()) || isVisible(frame.right()) || isVisible(frame.bottom()) || isVisible(frame.left()); }

    private static boolean isVisible(Border border) { return border != null && border.isVisible(); }
}
