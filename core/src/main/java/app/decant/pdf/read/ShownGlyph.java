package app.decant.pdf.read;

import java.util.List;
import org.apache.pdfbox.pdmodel.font.PDFont;

/**
 * A glyph with its address: where in the page's own content stream it is shown, and by what state of the text (ISO 32000-2, 9.3 and 9.4.4). Made for pages
 * whose streams are going to be changed.
 *
 * @param glyph     as the page shows it
 * @param path      the operators that call the form it is in, from the page's stream down; empty where that shows it itself, null for annotations
 * @param operator  which operator of its stream shows it, counted from 0; -1 where an annotation does
 * @param code      which of the operator's character codes it is, from 0
 * @param font      that the code belongs to
 * @param width     its advance in the font's own measure, 1 for an em
 * @param spacing   what is added to it for characters and words, in unscaled units of text space
 * @param size      of the font in those units
 * @param across    points on the page for an em of advance
 * @param slant     how far the top of its em leans to the right, in points
 * @param mode      how it is painted: table 104, from 0
 * @param replaced  whether the sequence it stands in has a text of its own (14.9.4), which goes on telling what stood there
 * @param state     where it is shown: what leads to the page's top left corner from there, and around what may be painted on
 */
public record ShownGlyph(Glyph glyph, List<Integer> path, int operator, int code, PDFont font, double width, double spacing, double size,
        double rise, double across, double slant, int mode, boolean replaced, PageReader.State state) {
    /** Letters reach so far above and below their baseline, in ems, as far as it matters whether they are cut. */
    private static final double ABOVE = 0.7;
    private static final double BELOW = 0.2;

    /** How much of letters of this kind the clip would cut off that stand somewhere else: points, in the direction in which it is most. */
    public double cut(double left, double right, double baseline) {
        double up = state.clip().getMinY() - (baseline - ABOVE * glyph.size());
        double down = baseline + BELOW * glyph.size() - state.clip().getMaxY();
        return Math.max(0, Math.max(Math.max(up, down), Math.max(state.clip().getMinX() - left, right - state.clip().getMaxX())));
    }

    /** How far the pen goes on, in thousandths of an em; what numbers in an array of text take away. */
    public double advance() { return 1000 * (width + spacing / size); }

    /** Whether it can be taken out and put elsewhere on its line: what clips, what runs in other directions can't. */
    public boolean isMovable() {
        return operator >= 0 && glyph.angle() == 0 && mode <= 2 && glyph.seen() && !replaced && size != 0 && across > 1e-6 && !font.isVertical();
    }

    /** Whether another is painted within the same edges. */
    public boolean isClippedAs(ShownGlyph other) {
        return Math.abs(state.clip().getMinX() - other.state.clip().getMinX()) < 1 && Math.abs(state.clip().getMinY() - other.state.clip().getMinY()) < 1
                && Math.abs(state.clip().getMaxX() - other.state.clip().getMaxX()) < 1 && Math.abs(state.clip().getMaxY() - other.state.clip().getMaxY()) < 1;
    }
}
