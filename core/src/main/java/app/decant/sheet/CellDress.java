package app.decant.sheet;

import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Look;

/**
 * What a rule puts over the look of a cell; what it says nothing of stays (ISO/IEC 29500-1, 18.8.14).
 *
 * @param fill    behind it, or null
 * @param borders round it, or null
 * @param format  of its number, or null
 */
public record CellDress(Look font, Colour fill, Borders borders, String format) {
    public static final CellDress NONE = new CellDress(Look.PLAIN, null, null, null);

    /** This over another that comes after it. */
    public CellDress over(CellDress other) {
        if (this == NONE || other == NONE) return this == NONE ? other : this;
        return new CellDress(font.over(other.font), fill != null ? fill : other.fill, borders != null ? borders : other.borders, format != null ? format
                : other.format);
    }
}
