package app.decant.format;

import java.text.DecimalFormat;
import java.text.DecimalFormatSymbols;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.slf4j.LoggerFactory;

/** The measure of an axis: where it begins and ends, and the round numbers on it. */
record ChartScale(double least, double most, double step, String pattern) {
    private static final int MOST_STEPS = 60;

    /**
     * A measure for numbers.
     *
     * @param fromNothing whether what is never below nothing is measured from nothing
     * @param room        along the axis in points; {@code apart} is how far numbers on it stand from each other at least
     */
    static ChartScale of(double lowest, double highest, Chart.Axis axis, boolean fromNothing, double room, double apart) {
        double low = fromNothing && lowest > 0 ? 0 : lowest;
        double high = fromNothing && highest < 0 ? 0 : highest;
        if (axis.least() != null) low = axis.least();
        if (axis.most() != null) high = axis.most();
        if (!(high > low)) high = low + (low == 0 ? 1 : Math.abs(low));
        double step = round((high - low) / Math.max(1, Math.floor(room / apart)));
        double from = axis.least() != null ? low : Math.floor(low / step + 1e-9) * step;
        double to = axis.most() != null ? high : Math.ceil(high / step - 1e-9) * step;
        // The highest does not touch the edge.
        if (axis.most() == null && highest > 0 && to - highest < step * 0.05) to += step;
        return new ChartScale(from, to, step, axis.pattern());
    }

    /** The next of 1, 2 and 5 with zeros. */
    private static double round(double step) {
        double ten = Math.pow(10, Math.floor(Math.log10(step)));
        double part = step / ten;
        return (part <= 1.0001 ? 1 : part <= 2.0001 ? 2 : part <= 5.0001 ? 5 : 10) * ten;
    }

    /** The numbers on the axis. */
    List<Double> marks() {
        List<Double> marks = new ArrayList<>();
        double first = Math.ceil(least / step - 1e-9) * step;
        for (int i = 0; i < MOST_STEPS && first + i * step <= most + step * 1e-6; i++) {
            double mark = first + i * step;
            marks.add(Math.abs(mark) < step * 1e-9 ? 0 : mark);
        }
        return marks;
    }

    /** How far along the axis a number stands, from 0 to 1. */
    double at(double value) { return Math.max(-0.02, Math.min(1.02, (value - least) / (most - least))); }

    String said(double value) { return said(value, pattern, step); }

    /** A number as its pattern has it, else with as many digits as steps of this size need. */
    static String said(double value, String pattern, double step) {
        DecimalFormatSymbols signs = DecimalFormatSymbols.getInstance(Locale.ROOT);
        if (pattern != null) {
            try {
                return new DecimalFormat(pattern, signs).format(value);
            } catch (IllegalArgumentException e) {
                LoggerFactory.getLogger(ChartScale.class).debug("{} is no pattern", pattern, e);
            }
        }
        int digits = step >= 1 || step <= 0 ? 0 : (int) Math.min(8, Math.ceil(-Math.log10(step) - 1e-9));
        DecimalFormat plain = new DecimalFormat(Math.abs(value) >= 1e12 ? "0.##E0" : "0", signs);
        plain.setMaximumFractionDigits(digits);
        return plain.format(value);
    }
}
