package app.decant.format.sheet;

import app.decant.sheet.Range;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A formula that is told once for many cells (ISO/IEC 29500-1, 18.3.1.40): places in it that are not fixed go with the cell. */
final class MovedFormula {
    /** Words in quotes, names of sheets in quotes, and all else that is no place: names, functions, numbers, names of tables with what is picked of them. */
    private static final Pattern PART = Pattern.compile("\"(?:[^\"]|\"\")*\"|'(?:[^']|'')*'!?|(?<place>(?<![\\p{L}\\p{N}_.$\\\\])(?:"
            + "\\$?[A-Za-z]{1,3}\\$?[0-9]{1,7}(?::\\$?[A-Za-z]{1,3}\\$?[0-9]{1,7})?|"
            + "\\$?[A-Za-z]{1,3}:\\$?[A-Za-z]{1,3}|\\$?[0-9]{1,7}:\\$?[0-9]{1,7})(?![\\p{L}\\p{N}_.(!\\[]))"
            + "|[\\p{L}_\\\\][\\p{L}\\p{N}_.\\\\]*(?:\\[(?:[^\\[\\]]|\\[[^\\]]*\\])*\\])?");
    private static final Pattern CORNER = Pattern.compile("(\\$?)([A-Za-z]{0,3})(\\$?)([0-9]{0,7})");
    private static final Pattern BLANK = Pattern.compile("\"(?:[^\"]|\"\")*\"|'(?:[^']|'')*'|\\s+([,)])");
    private static final String NOWHERE = "#REF!";

    private MovedFormula() { }

    /** The formula of a cell so many rows below and columns beside the one for which it is told. */
    static String moved(String formula, int down, int across) {
        if (down == 0 && across == 0) return formula;
        StringBuilder made = new StringBuilder();
        Matcher part = PART.matcher(formula);
        int from = 0;
        while (part.find()) {
            made.append(formula, from, part.start());
            String place = part.group("place");
            made.append(place == null ? part.group() : place(place, down, across));
            from = part.end();
        }
        return made.append(formula.substring(from)).toString();
    }

    /** The same without blanks before commas and brackets, for readers that take a blank there for an argument; a blank between places joins these. */
    static String dense(String formula) {
        StringBuilder made = new StringBuilder();
        Matcher part = BLANK.matcher(formula);
        while (part.find()) part.appendReplacement(made, Matcher.quoteReplacement(part.group(1) == null ? part.group() : part.group(1)));
        return part.appendTail(made).toString();
    }

    private static String place(String place, int down, int across) {
        StringBuilder made = new StringBuilder();
        for (String corner : place.split(":")) {
            Matcher matcher = CORNER.matcher(corner);
            if (!matcher.matches()) return place;
            if (!made.isEmpty()) made.append(':');
            String letters = matcher.group(2);
            String digits = matcher.group(4);
            if (!letters.isEmpty()) {
                int column = Range.column(letters);
                if (column >= Range.MOST_COLUMNS) return place;
                boolean fixed = !matcher.group(1).isEmpty();
                int moved = fixed ? column : column + across;
                if (moved < 0 || moved >= Range.MOST_COLUMNS) return NOWHERE;
                made.append(matcher.group(1)).append(Range.letters(moved));
            }
            if (!digits.isEmpty()) {
                boolean fixed = !(letters.isEmpty() ? matcher.group(1) + matcher.group(3) : matcher.group(3)).isEmpty();
                int row = Integer.parseInt(digits) - 1;
                if (row < 0 || row >= Range.MOST_ROWS) return place;
                int moved = fixed ? row : row + down;
                if (moved < 0 || moved >= Range.MOST_ROWS) return NOWHERE;
                made.append(fixed ? "$" : "").append(moved + 1);
            }
        }
        return made.toString();
    }
}
