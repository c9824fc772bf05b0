package app.decant.format.sheet;

import app.decant.document.Look;
import app.decant.document.TextProperty;
import app.decant.font.Face;
import app.decant.font.FontCatalogue;

/** How wide a digit of a workbook's first font is, in whole pixels of 1/96 inch: columns tell their widths in it (ISO/IEC 29500-1, 18.3.1.13). */
final class DigitWidth {
    /** Of the fonts that nearly all files begin with (from memory). */
    private static final int USUAL = 7;
    private static final double USUAL_SIZE = 11;
    private static final double PIXELS = 96 / 72.0;
    static final double PIXEL = 0.75;

    private DigitWidth() { }

    static int of(Look font) {
        String family = font.get(TextProperty.FAMILY, "Calibri");
        double size = font.get(TextProperty.SIZE, USUAL_SIZE);
        if (family.equals("Calibri") && size == USUAL_SIZE || family.equals("Arial") && size == 10) return USUAL;
        // Of the face that is here: what fitted its column in the font that was meant fits it in the one that stands in for it.
        Face face = FontCatalogue.ofThisMachine().match(family, false, false).face();
        return (int) Math.max(1, Math.round(face.shape("0", false, false, false).width() * size * PIXELS));
    }

    /** Points of a width in digits. */
    static double points(double digits, int digit) {
        return PIXEL * Math.floor((256 * Math.min(255, Math.max(0, digits)) + Math.floor(128.0 / digit)) / 256 * digit);
    }

    /** The width in digits of points, a little more so that it comes out the same when it is read. */
    static double digits(double points, int digit) { return Math.max(0, Math.min(255, (points / PIXEL + 0.01) / digit)); }
}
