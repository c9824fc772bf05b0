package app.decant.format;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.IntStream;

/**
 * A chart by the numbers a file keeps of it.
 *
 * @param title      above it, or null
 * @param categories along it
 * @param series     its rows of numbers, as many each as there are categories
 * @param grouping   how the series stand to each other
 */
public record Chart(Kind kind, String title, List<String> categories, List<Series> series, Grouping grouping, Dress dress) {
    /** How it shows its numbers: columns stand, bars lie, a net has its categories all round. */
    public enum Kind { COLUMNS, BARS, LINES, AREAS, PIE, RING, POINTS, NET }

    /** Beside each other or one before another; on top of each other; as shares of their sum. */
    public enum Grouping { BESIDE, STACKED, SHARES }

    /** Where its keys stand. */
    public enum Keys { NONE, RIGHT, LEFT, BELOW, ABOVE }

    /** What is written beside its numbers. */
    public enum Labels { NONE, VALUES, SHARES }

    public Chart {
        categories = List.copyOf(categories);
        series = List.copyOf(series);
    }

    /** A chart of which nothing more is known. */
    public Chart(Kind kind, String title, List<String> categories, List<Series> series, boolean stacked) {
        this(kind, title, categories, series, stacked ? Grouping.STACKED : Grouping.BESIDE, Dress.of(series));
    }

    public boolean stacked() { return grouping != Grouping.BESIDE; }

    public Chart with(Dress other) { return new Chart(kind, title, categories, series, grouping, other); }

    /**
     * One row of numbers.
     *
     * @param across where each stands across the chart, for points only
     * @param values what is not there is not a number
     * @param colour its colour, {@link #UNSEEN}, or null for the next of the usual ones
     * @param own    how it alone is shown, or null as the chart is
     * @param second whether it is measured at the right
     * @param lined  whether a line leads from number to number, for lines and points
     * @param marked whether each number has a mark, likewise
     */
    public record Series(String name, List<Double> across, List<Double> values, Integer colour, Kind own, boolean second, boolean lined, boolean marked) {
        /** Drawn with nothing, as what others stand on. */
        public static final int UNSEEN = -1;

        public Series {
            across = List.copyOf(across);
            values = List.copyOf(values);
        }

        /** One that is shown as its chart is: lines with marks, points without lines. */
        public Series(String name, List<Double> across, List<Double> values, Integer colour) {
            this(name, across, values, colour, null, false, across.isEmpty(), true);
        }

        double value(int at) { return at < values.size() ? values.get(at) : Double.NaN; }
    }

    /**
     * A measure beside the numbers.
     *
     * @param title   beside it, or null
     * @param least   where it begins, or null as its numbers ask for
     * @param most    where it ends, likewise
     * @param pattern of its numbers ({@link java.text.DecimalFormat}), or null
     * @param shown   whether its numbers and line are seen
     */
    public record Axis(String title, Double least, Double most, String pattern, boolean shown) {
        public static final Axis PLAIN = new Axis(null, null, null, null, true);
    }

    /**
     * What stands around the numbers.
     *
     * @param along  the axis of the categories, or of what points stand across
     * @param up     that of the numbers
     * @param second that at the right
     * @param slices colours of single numbers, by their place; null for the usual one
     * @param gap    between the columns of two categories, in widths of one
     */
    public record Dress(Axis along, Axis up, Axis second, Keys keys, Labels labels, List<Integer> slices, double gap, List<Integer> usual) {
        private static final double USUAL_GAP = 1;
        private static final List<Integer> COLOURS = List.of(0x3B6A8F, 0xC8793A, 0x6F8F4E, 0x8B5A83, 0xB59A3C, 0x5B8C8A, 0xA3504A, 0x777777);

        public Dress {
            slices = Collections.unmodifiableList(new ArrayList<>(slices));
            usual = usual.isEmpty() ? COLOURS : List.copyOf(usual);
            gap = Double.isNaN(gap) ? USUAL_GAP : Math.max(0, Math.min(5, gap));
        }

        /** Keys where there are several series, nothing else. */
        public static Dress of(List<Series> series) {
            return new Dress(Axis.PLAIN, Axis.PLAIN, Axis.PLAIN, series.size() > 1 ? Keys.RIGHT : Keys.NONE, Labels.NONE, List.of(), USUAL_GAP, List.of());
        }
    }

    /** Whether there is anything to draw. */
    boolean isEmpty() { return series.isEmpty() || series.stream().allMatch(one -> one.values().isEmpty()); }

    /** How many numbers the longest series has. */
    int count() { return series.stream().mapToInt(one -> one.values().size()).max().orElse(0); }

    Kind kind(Series one) { return one.own() == null ? kind : one.own(); }

    /** The colour of a series; that of a number where single ones have their own. */
    int colour(int index) {
        Integer told = series.get(index).colour();
        return told == null ? dress.usual().get(index % dress.usual().size()) : told;
    }

    int slice(int index) {
        Integer told = index < dress.slices().size() ? dress.slices().get(index) : null;
        return told == null ? dress.usual().get(index % dress.usual().size()) : told;
    }

    /** The categories, numbered where the file names none. */
    List<String> labels(int count) {
        return IntStream.range(0, count).mapToObj(i -> i < categories.size() && !categories.get(i).isBlank() ? categories.get(i) : String.valueOf(i + 1))
                .toList();
    }

    /** The names of the series, numbered where the file names none. */
    List<String> names() {
        return IntStream.range(0, series.size()).mapToObj(i -> series.get(i).name() == null || series.get(i).name().isBlank() ? String.valueOf(i + 1)
                : series.get(i).name()).toList();
    }
}
