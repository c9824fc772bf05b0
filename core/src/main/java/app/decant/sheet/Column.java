package app.decant.sheet;

/**
 * Columns that are alike.
 *
 * @param from  the first, from 0
 * @param to    the last
 * @param width in points
 */
public record Column(int from, int to, double width, boolean hidden) {
    public Column { if (from < 0 || to < from || !(width >= 0)) throw new IllegalArgumentException("No columns: " + from + " to " + to); }
}
