package app.decant.format;

import app.decant.document.NumberFormat;

/** The numbers by which binary and rich text files name the ways of counting (MS-OSHARED 2.2.1.3; Rich Text Format 1.9.1, {@code \levelnfc}). */
public final class NumberCodes {
    private NumberCodes() { }

    public static int code(NumberFormat format) {
        return switch (format) {
            case DECIMAL -> 0;
            case UPPER_ROMAN -> 1;
            case LOWER_ROMAN -> 2;
            case UPPER_LETTER -> 3;
            case LOWER_LETTER -> 4;
            case DECIMAL_ZERO -> 22;
            case BULLET -> 23;
            case NONE -> 255;
        };
    }

    /** The way of counting of a number; those that are not known here count as plain figures. */
    public static NumberFormat format(int code) {
        for (NumberFormat format : NumberFormat.values()) if (code(format) == code) return format;
        return NumberFormat.DECIMAL;
    }
}
