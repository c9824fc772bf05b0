package app.decant.format;

import app.decant.document.NumberFormat;
import app.decant.document.ParagraphProperty.Alignment;

/** The numbers by which binary and rich text files name the ways of counting (MS-OSHARED 2.2.1.3; Rich Text Format 1.9.1, {@code \levelnfc}). */
public final class NumberCodes {
    private static final int LEVELS = 9;

    private NumberCodes() { }

    public static int code(NumberFormat format) {
        return switch (format) {
            case DECIMAL -> 0;
            case UPPER_ROMAN -> 1;
            case LOWER_ROMAN -> 2;
            case UPPER_LETTER -> 3;
            case LOWER_LETTER -> 4;
            case ORDINAL -> 5;
            case CARDINAL_TEXT -> 6;
            case ORDINAL_TEXT -> 7;
            case SIGNS -> 9;
            case DECIMAL_ZERO -> 22;
            case BULLET -> 23;
            case NONE -> 255;
        };
    }

    /** Where a label stands against the place of its paragraph's first line. */
    public static int code(Alignment standing) { return standing == Alignment.CENTRE ? 1 : standing == Alignment.END ? 2 : 0; }
    public static Alignment standing(int code) { return code == 1 ? Alignment.CENTRE : code == 2 ? Alignment.END : Alignment.START; }

    /**
     * A label in which signs below 9 stand for the numbers of levels (MS-DOC 2.9.150, {@code \\leveltext}); in bullets for nothing, as do all that
     * aren't letters.
     */
    public static String label(NumberFormat format, String told) {
        StringBuilder label = new StringBuilder();
        for (char sign : told.toCharArray()) {
            if (sign < LEVELS && format != NumberFormat.BULLET) label.append('%').append(sign + 1);
            else if (sign >= ' ') label.append(sign);
        }
        return label.toString();
    }

    /** The way of counting of a number; those that are not known here count as plain figures. */
    public static NumberFormat format(int code) {
        for (NumberFormat format : NumberFormat.values()) if (code(format) == code) return format;
        return NumberFormat.DECIMAL;
    }
}
