package app.decant.sheet;

import java.util.Locale;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** A rectangle of cells, all edges included, counted from 0. */
public record Range(int top, int left, int bottom, int right) {
    /** As many as the newest files have (ISO/IEC 29500-1, 18.3.1.73; 18.3.1.13). */
    public static final int MOST_ROWS = 1 << 20;
    public static final int MOST_COLUMNS = 1 << 14;
    private static final Pattern CELL = Pattern.compile("\\$?([A-Za-z]{1,3})?\\$?([0-9]{1,7})?");

    public Range {
        if (top < 0 || left < 0 || bottom < top || right < left) throw new IllegalArgumentException("No range: " + top + ", " + left + ", " + bottom + ", "
                + right);
    }

    public static Range cell(int row, int column) { return new Range(row, column, row, column); }

    /** A range as people write it: {@code B2:G40}, {@code B2}, whole columns {@code B:G}, whole rows {@code 2:40}; null where it is none. */
    public static Range of(String written) {
        String[] corners = written.strip().split(":", -1);
        if (corners.length > 2) return null;
        int[] from = corner(corners[0]);
        int[] to = corners.length == 2 ? corner(corners[1]) : from;
        if (from == null || to == null || corners.length == 1 && (from[0] < 0 || from[1] < 0)) return null;
        int top = from[0] < 0 ? 0 : from[0];
        int left = from[1] < 0 ? 0 : from[1];
        int bottom = to[0] < 0 ? MOST_ROWS - 1 : to[0];
        int right = to[1] < 0 ? MOST_COLUMNS - 1 : to[1];
        return new Range(Math.min(top, bottom), Math.min(left, right), Math.max(top, bottom), Math.max(left, right));
    }

    /** Row and column, -1 for one that is not written; null where it is no corner. */
    private static int[] corner(String written) {
        Matcher matcher = CELL.matcher(written.strip());
        if (!matcher.matches() || matcher.group(1) == null && matcher.group(2) == null) return null;
        int row = matcher.group(2) == null ? -1 : Integer.parseInt(matcher.group(2)) - 1;
        int column = matcher.group(1) == null ? -1 : column(matcher.group(1));
        return row < -1 || row >= MOST_ROWS || column >= MOST_COLUMNS || matcher.group(2) != null && row < 0 ? null : new int[] {row, column};
    }

    /** The column of a cell that is named, such as {@code AB12}; -1 where it is no name of a cell. */
    public static int columnOf(String name) {
        int column = 0;
        int at = 0;
        for (; at < name.length() && Character.toUpperCase(name.charAt(at)) >= 'A' && Character.toUpperCase(name.charAt(at)) <= 'Z' && at < 4; at++)
            column = column * 26 + Character.toUpperCase(name.charAt(at)) - 'A' + 1;
        boolean named = at > 0 && at < name.length() && column <= MOST_COLUMNS;
        for (int i = at; i < name.length() && named; i++) named = name.charAt(i) >= '0' && name.charAt(i) <= '9';
        return named ? column - 1 : -1;
    }

    /** The index of a column by its letters. */
    public static int column(String letters) {
        int column = 0;
        for (char c : letters.toUpperCase(Locale.ROOT).toCharArray()) column = column * 26 + c - 'A' + 1;
        return column - 1;
    }

    /** The letters of a column. */
    public static String letters(int column) {
        StringBuilder letters = new StringBuilder();
        for (int rest = column + 1; rest > 0; rest = (rest - 1) / 26) letters.insert(0, (char) ('A' + (rest - 1) % 26));
        return letters.toString();
    }

    /** How people write a cell. */
    public static String name(int row, int column) { return letters(column) + (row + 1); }

    public int rows() { return bottom - top + 1; }
    public int columns() { return right - left + 1; }

    public boolean holds(int row, int column) { return row >= top && row <= bottom && column >= left && column <= right; }

    /** What of it lies in another range too; null where nothing does. */
    public Range within(Range other) {
        int highest = Math.max(top, other.top);
        int leftmost = Math.max(left, other.left);
        int lowest = Math.min(bottom, other.bottom);
        int rightmost = Math.min(right, other.right);
        return lowest < highest || rightmost < leftmost ? null : new Range(highest, leftmost, lowest, rightmost);
    }

    /** The least range that holds both. */
    public Range with(Range other) {
        return other == null ? this : new Range(Math.min(top, other.top), Math.min(left, other.left), Math.max(bottom, other.bottom),
                Math.max(right, other.right));
    }

    @Override public String toString() { return top == bottom && left == right ? name(top, left) : name(top, left) + ":" + name(bottom, right); }
}
