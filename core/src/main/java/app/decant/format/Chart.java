package app.decant.format;

import java.util.ArrayList;
import java.util.List;

/**
 * A chart by the numbers a file keeps of it.
 *
 * @param title      above it, or null
 * @param categories along it
 * @param series     its rows of numbers, as many each as there are categories
 * @param stacked    whether the series stand on each other
 */
public record Chart(Kind kind, String title, List<String> categories, List<Series> series, boolean stacked) {
    /** How it shows its numbers. */
    public enum Kind { COLUMNS, LINES, AREAS, PIE, RING, POINTS }

    public Chart {
        categories = List.copyOf(categories);
        series = List.copyOf(series);
    }

    /**
     * One row of numbers.
     *
     * @param across where each stands across the chart, for points only
     * @param values what is not there is not a number
     * @param colour its colour, or null for the next of the usual ones
     */
    public record Series(String name, List<Double> across, List<Double> values, Integer colour) {
        public Series {
            across = List.copyOf(across);
            values = List.copyOf(values);
        }
    }

    /** Whether there is anything to draw. */
    boolean isEmpty() { return series.isEmpty() || series.stream().allMatch(one -> one.values().isEmpty()); }

    /** The categories, numbered where the file names none. */
    List<String> labels(int count) {
        List<String> labels = new ArrayList<>();
        for (int i = 0; i < count; i++) labels.add(i < categories.size() && !categories.get(i).isBlank() ? categories.get(i) : String.valueOf(i + 1));
        return labels;
    }
}
