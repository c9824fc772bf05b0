package app.decant.sheet;

/**
 * Columns that are alike.
 *
 * @param from  the first, from 0
 * @param to    the last
 * @param width in points
 * @param depth how many groups they are in, one within the other
 * @param style of cells in them that say nothing themselves, by its index in the workbook
 */
public record Column(int from, int to, double width, boolean hidden, int depth, int style) {
    public Column {
        if (from < 0 || to < from || !(width >= 0) || style < 0) throw new IllegalArgumentException("No columns: " + from + " to " + to);
        depth = Math.max(0, Math.min(Row.DEEPEST, depth));
    }

    /** Some in no group, whose empty cells nobody dressed. */
    public Column(int from, int to, double width, boolean hidden) { this(from, to, width, hidden, 0, 0); }
}
