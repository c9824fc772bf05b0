package app.decant.format.sheet;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Formulas of OpenDocument (ISO/IEC 26300-3) put in the words of the other files, as far as places and separators go. */
final class OdsFormula {
    private static final Pattern PREFIX = Pattern.compile("^[a-zA-Z]+:=?|^=");
    private static final Pattern REFERENCE = Pattern.compile(
            "((?:'(?:[^']|'')+'|[\\p{L}_][\\p{L}\\p{N}_]*)!)?(\\$?[A-Z]{1,3}\\$?\\d{1,7})(?::(\\$?[A-Z]{1,3}\\$?\\d{1,7}))?");
    private static final Pattern PLACE = Pattern.compile("\\[([^\\]]*)\\]");

    private OdsFormula() { }

    /** The formula without its prefix and brackets; null for none. */
    static String plain(String told) {
        if (told == null || told.isBlank()) return null;
        String formula = PREFIX.matcher(told).replaceFirst("");
        return PLACE.matcher(formula).replaceAll(match -> Matcher.quoteReplacement(place(match.group(1)))).replace(';', ',');
    }

    /** A formula in the words of OpenDocument, its places in brackets; null for none, and for what can't be put so. */
    static String open(String formula) {
        if (formula == null || formula.isBlank() || formula.contains("[") || formula.contains("{")) return null;
        StringBuilder made = new StringBuilder();
        int depth = 0;
        for (int i = 0; i < formula.length(); ) {
            char c = formula.charAt(i);
            if (c == '"') {
                int end = formula.indexOf('"', i + 1);
                while (end >= 0 && end + 1 < formula.length() && formula.charAt(end + 1) == '"') end = formula.indexOf('"', end + 2);
                int to = end < 0 ? formula.length() : end + 1;
                made.append(formula, i, to);
                i = to;
                continue;
            }
            Matcher place = REFERENCE.matcher(formula).region(i, formula.length());
            boolean word = i > 0 && (Character.isLetterOrDigit(formula.charAt(i - 1)) || "_.$".indexOf(formula.charAt(i - 1)) >= 0);
            if (!word && place.lookingAt() && !isName(formula, place.end())) {
                String sheet = place.group(1) == null ? "" : "$" + place.group(1).substring(0, place.group(1).length() - 1);
                made.append('[').append(sheet).append('.').append(place.group(2));
                if (place.group(3) != null) made.append(":.").append(place.group(3));
                made.append(']');
                i = place.end();
                continue;
            }
            if (c == '(') depth++;
            if (c == ')') depth--;
            made.append(c == ',' && depth > 0 ? ';' : c == ',' ? '~' : c);
            i++;
        }
        return made.toString();
    }

    /** Where a link within a workbook leads, as OpenDocument tells it: {@code #Fares.B2}. */
    static String inside(String place) {
        int mark = place.lastIndexOf('!');
        return "#" + (mark < 0 ? place : place.substring(0, mark) + "." + place.substring(mark + 1).replace("$", ""));
    }

    /** Whether what looked like a place goes on as a word, or is a function. */
    private static boolean isName(String formula, int end) {
        return end < formula.length() && (Character.isLetterOrDigit(formula.charAt(end)) || "_(!.".indexOf(formula.charAt(end)) >= 0);
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
