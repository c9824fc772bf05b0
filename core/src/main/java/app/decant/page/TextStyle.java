package app.decant.page;

import app.decant.document.Colour;
import app.decant.document.FormField;
import app.decant.document.Link;
import app.decant.document.TextProperty.Underline;
import app.decant.font.Face;

/**
 * How a run of text is set, everything worked out.
 *
 * @param raise          of the baseline, in points
 * @param letterSpacing  after each character, in points
 * @param widthScale     of the letters, 1 as drawn
 * @param form           the place of a form that it is filled in, or null
 * @param smallCapitals  whether small letters are set as capitals of {@link #SMALL_CAPITAL_SIZE}
 */
public record TextStyle(Face face, double size, Colour colour, Colour highlight, Underline underline, boolean strike, boolean doubleStrike, double raise,
                        double letterSpacing, double widthScale, boolean capitals, boolean smallCapitals, boolean hidden, boolean kerning,
                        boolean ligatures, String language, Boolean rightToLeft, Link link, FormField form) {
    /** Of small capitals against capitals; common practice. */
    public static final double SMALL_CAPITAL_SIZE = 0.8;

    /** The same in another face. */
    public TextStyle with(Face other) {
        return new TextStyle(other, size, colour, highlight, underline, strike, doubleStrike, raise, letterSpacing, widthScale, capitals, smallCapitals, hidden,
                kerning, ligatures, language, rightToLeft, link, form);
    }

    /** The same in another size, in points. */
    public TextStyle sized(double other) {
        return new TextStyle(face, other, colour, highlight, underline, strike, doubleStrike, raise, letterSpacing, widthScale, capitals, smallCapitals, hidden,
                kerning, ligatures, language, rightToLeft, link, form);
    }

    /** Above the baseline, in points; likewise the two below. */
    public double ascent() { return face.ascent() * size + raise; }
    public double descent() { return face.descent() * size - raise; }
    public double lineGap() { return face.lineGap() * size; }
}
