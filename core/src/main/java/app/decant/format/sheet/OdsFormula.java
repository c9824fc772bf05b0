package app.decant.format.sheet;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Formulas of OpenDocument (ISO/IEC 26300-3) put in the words of the other files, as far as places and separators go. */
final class OdsFormula {
    private static final Pattern PREFIX = Pattern.compile("^[a-zA-Z]+:=?|^=");
    private static final Pattern PLACE = Pattern.compile("\\[([^\\]]*)\\]");

    private OdsFormula() { }

    /** The formula without its prefix and brackets; null for none. */
    static String plain(String told) {
        if (told == null || told.isBlank()) return null;
        String formula = PREFIX.matcher(told).replaceFirst("");
        return PLACE.matcher(formula).replaceAll(match -> Matcher.quoteReplacement(place(match.group(1)))).replace(';', ',');
    }

    /** {@code .A1:.B2} and {@code $Fares.A1}. */
    private static String place(String told) {
        StringBuilder made = new StringBuilder();
        for (String corner : told.split(":")) {
            int stop = corner.lastIndexOf('.');
            String sheet = stop <= 0 ? "" : corner.substring(0, stop).replaceFirst("^\\$", "") + "!";
            if (!made.isEmpty()) made.append(':');
            made.append(made.isEmpty() ? sheet : "").append(corner.substring(stop + 1));
        }
        return made.toString();
    }
}
