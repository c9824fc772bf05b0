package app.decant.format.sheet;

import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * Formulas of OpenDocument (ISO/IEC 26300-3) in the words of the other files (ISO/IEC 29500-1, 18.17), and the other way round: places, separators, lists of
 * values written out, names of functions. What is worked out stays the same, letter by letter where both say it alike.
 */
final class OdsFormula {
    private static final Pattern PREFIX = Pattern.compile("^[a-zA-Z]+:=?|^=");
    private static final Pattern REFERENCE = Pattern.compile("((?:'(?:[^']|'')+'|[\\p{L}_][\\p{L}\\p{N}_.]*)!)?(?:(\\$?[A-Z]{1,3}\\$?\\d{1,7})"
            + "(?::(\\$?[A-Z]{1,3}\\$?\\d{1,7}))?|(\\$?[A-Z]{1,3}):(\\$?[A-Z]{1,3})|(\\$?\\d{1,7}):(\\$?\\d{1,7}))");
    private static final Pattern FUNCTION = Pattern.compile("((?:_xlfn\\.)?(?:_xlws\\.)?[A-Za-z][A-Za-z0-9_.]*)\\(");
    private static final Pattern OPEN_FUNCTION = Pattern.compile("([A-Za-z][A-Za-z0-9_.]*)\\(");
    /** What went amiss, also where the sheet is still named that a place was on. */
    private static final Pattern FAILURE = Pattern.compile("(?:(?:'(?:[^']|'')+'|[\\p{L}_][\\p{L}\\p{N}_.]*)!)?"
            + "(#(?:REF!|DIV/0!|VALUE!|NAME\\?|NUM!|N/A|NULL!))");
    private static final String NEWER = "_xlfn.";
    /** Functions of newer files that OpenDocument has under the same name; all others it tells as a maker's own. */
    private static final String[] SHARED = {"ACOT", "ACOTH", "ARABIC", "BASE", "BITAND", "BITLSHIFT", "BITOR", "BITRSHIFT", "BITXOR", "COMBINA", "COT", "COTH",
        "CSC", "CSCH", "DAYS", "DECIMAL", "GAMMA", "GAUSS", "IFNA", "ISFORMULA", "MUNIT", "NUMBERVALUE", "PDURATION", "PERMUTATIONA", "PHI", "RRI", "SEC",
                "SECH",
        "SHEET", "SHEETS", "UNICHAR", "UNICODE", "XOR"};
    private static final String OWN = "COM.MICROSOFT.";
    private static final Map<String, String> OPEN_NAMES = new HashMap<>();
    private static final Map<String, String> PLAIN_NAMES = new HashMap<>();

    static {
        for (String one : SHARED) name(NEWER + one, one);
        name(NEWER + "FORMULATEXT", "FORMULA");
        name(NEWER + "BINOM.DIST.RANGE", "B");
        name(NEWER + "SKEW.P", "SKEWP");
    }

    private OdsFormula() { }

    private static void name(String plain, String open) {
        OPEN_NAMES.put(plain.toUpperCase(Locale.ROOT), open);
        PLAIN_NAMES.put(open, plain);
    }

    /** The formula without its prefix, in the words of the other files; null for none. */
    static String plain(String told) {
        if (told == null || told.isBlank()) return null;
        String formula = PREFIX.matcher(told).replaceFirst("");
        StringBuilder made = new StringBuilder();
        int braces = 0;
        for (int i = 0; i < formula.length(); ) {
            char c = formula.charAt(i);
            int end = c == '"' || c == '\'' ? quoted(formula, i) : i;
            Matcher function = OPEN_FUNCTION.matcher(formula).region(i, formula.length());
            Matcher failure = FAILURE.matcher(formula).region(i, formula.length());
            if (failure.lookingAt() && !isWord(formula, i - 1)) {
                made.append(failure.group(1));
                i = failure.end();
            } else if (end > i) {
                made.append(formula, i, end);
                i = end;
            } else if (c == '[' && formula.indexOf(']', i) > 0) {
                end = bracketed(formula, i);
                made.append(place(formula.substring(i + 1, end - 1)));
                i = end;
            } else if (!isWord(formula, i - 1) && function.lookingAt()) {
                made.append(plainName(function.group(1))).append('(');
                i = function.end();
            } else {
                braces += c == '{' ? 1 : c == '}' ? -1 : 0;
                made.append(c == ';' ? ',' : c == '|' && braces > 0 ? ';' : c == '~' ? ',' : c == '!' ? ' ' : c);
                i++;
            }
        }
        return made.toString();
    }

    private static String plainName(String name) {
        String upper = name.toUpperCase(Locale.ROOT);
        if (upper.startsWith(OWN)) return NEWER + name.substring(OWN.length());
        return PLAIN_NAMES.getOrDefault(upper, name);
    }

    private static String openName(String name) {
        String known = OPEN_NAMES.get(name.toUpperCase(Locale.ROOT));
        if (known != null) return known;
        String bare = name.replaceFirst("^_xlfn\\.(?:_xlws\\.)?", "");
        return bare.length() < name.length() ? OWN + bare : name;
    }

    /** Behind a text or a name in quotes, in which quotes are doubled; where it is not closed, behind its first quote. */
    private static int quoted(String formula, int from) {
        char quote = formula.charAt(from);
        int end = formula.indexOf(quote, from + 1);
        while (end >= 0 && end + 1 < formula.length() && formula.charAt(end + 1) == quote) end = formula.indexOf(quote, end + 2);
        return end < 0 ? from + 1 : end + 1;
    }

    /** Behind a place in brackets, whose sheet may be a name in quotes. */
    private static int bracketed(String formula, int from) {
        int i = from + 1;
        while (i < formula.length() && formula.charAt(i) != ']') i = formula.charAt(i) == '\'' ? quoted(formula, i) : i + 1;
        return Math.min(i + 1, formula.length());
    }

    private static boolean isWord(String formula, int at) {
        return at >= 0 && (Character.isLetterOrDigit(formula.charAt(at)) || "_.$\\".indexOf(formula.charAt(at)) >= 0);
    }

    /** A formula in the words of OpenDocument, its places in brackets; null for none, and for what can't be put so: places in other files, names of tables. */
    static String open(String formula) {
        if (formula == null || formula.isBlank()) return null;
        StringBuilder made = new StringBuilder();
        int depth = 0;
        int braces = 0;
        for (int i = 0; i < formula.length(); ) {
            char c = formula.charAt(i);
            if (c == '"') {
                int to = quoted(formula, i);
                made.append(formula, i, to);
                i = to;
                continue;
            }
            Matcher failure = FAILURE.matcher(formula).region(i, formula.length());
            if (failure.lookingAt() && !isWord(formula, i - 1)) {
                made.append(failure.group(1));
                i = failure.end();
                continue;
            }
            if (c == '[' || c == '\'' && formula.substring(i, quoted(formula, i)).contains("[")) return null;
            Matcher place = REFERENCE.matcher(formula).region(i, formula.length());
            boolean word = isWord(formula, i - 1);
            if (!word && braces == 0 && place.lookingAt() && !isName(formula, place.end())) {
                place(made, place);
                i = place.end();
                continue;
            }
            Matcher function = FUNCTION.matcher(formula).region(i, formula.length());
            if (!word && function.lookingAt()) {
                made.append(openName(function.group(1))).append('(');
                depth++;
                i = function.end();
                continue;
            }
            depth += c == '(' ? 1 : c == ')' ? -1 : 0;
            braces += c == '{' ? 1 : c == '}' ? -1 : 0;
            made.append(braces > 0 ? c == ',' ? ';' : c == ';' ? '|' : c : c == ',' && depth > 0 ? ';' : c == ',' ? '~' : c);
            i++;
        }
        return made.toString();
    }

    private static void place(StringBuilder made, Matcher place) {
        String sheet = place.group(1) == null ? "" : "$" + place.group(1).substring(0, place.group(1).length() - 1);
        String from = place.group(2) != null ? place.group(2) : place.group(4) != null ? place.group(4) : place.group(6);
        String to = place.group(2) != null ? place.group(3) : place.group(4) != null ? place.group(5) : place.group(7);
        made.append('[').append(sheet).append('.').append(from);
        if (to != null) made.append(":.").append(to);
        made.append(']');
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

    /** {@code .A1:.B2} and {@code $Fares.A1}; a place that is gone is {@code #REF!} in both. */
    private static String place(String told) {
        StringBuilder made = new StringBuilder();
        int from = 0;
        for (int i = 0; i <= told.length(); ) {
            if (i < told.length() && told.charAt(i) == '\'') {
                i = quoted(told, i);
                continue;
            }
            if (i == told.length() || told.charAt(i) == ':') {
                corner(told.substring(from, i), made);
                from = i + 1;
            }
            i++;
        }
        return made.toString();
    }

    private static void corner(String corner, StringBuilder made) {
        int stop = corner.lastIndexOf('.');
        String sheet = stop <= 0 ? "" : corner.substring(0, stop).replaceFirst("^\\$", "") + "!";
        if (!made.isEmpty()) made.append(':');
        made.append(made.isEmpty() ? sheet : "").append(corner.substring(stop + 1));
    }
}
