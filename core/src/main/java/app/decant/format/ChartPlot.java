package app.decant.format;

import app.decant.format.shape.DrawingCanvas.Stand;
import app.decant.format.shape.DrawingCanvas;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.stream.IntStream;

/** Draws charts with axes: columns, lying bars, lines and areas over categories, together where the chart has several, and points. */
final class ChartPlot {
    private static final double GAP = 4;
    private static final double LINE = 11;
    private static final double APART = 26;
    private static final double MARK = 2.2;
    private static final int GRID = 0xD9D9D9;
    private static final int AXIS = 0x8C8C8C;
    /** Of the chart, at most, for what is written below or beside it. */
    private static final double MOST_ASIDE = 0.35;

    private final Chart chart;
    private final DrawingCanvas canvas;
    private final boolean lying;
    private final boolean points;
    private final int count;
    private final boolean edged;
    private final List<String> labels;
    private ChartScale first;
    private ChartScale second;
    private ChartScale along;
    private Rectangle2D plot;

    ChartPlot(Chart chart, DrawingCanvas canvas) {
        this.chart = chart;
        this.canvas = canvas;
        lying = chart.kind() == Chart.Kind.BARS;
        points = chart.kind() == Chart.Kind.POINTS;
        count = Math.max(1, chart.count());
        labels = chart.labels(count);
        edged = count > 1 && chart.series().stream().allMatch(one -> chart.kind(one) == Chart.Kind.AREAS);
    }

    void draw(Rectangle2D room) {
        double length = lying ? room.getWidth() : room.getHeight();
        first = scale(false, length);
        second = chart.series().stream().anyMatch(Chart.Series::second) ? scale(true, length) : null;
        if (points) along = alongPoints(room.getWidth());
        plot = inside(room);
        if (plot.getWidth() < 10 || plot.getHeight() < 10) plot = room;
        grid();
        for (Chart.Kind kind : List.of(Chart.Kind.AREAS, Chart.Kind.COLUMNS, Chart.Kind.BARS, Chart.Kind.LINES, Chart.Kind.POINTS)) {
            List<Integer> those = IntStream.range(0, chart.series().size()).filter(i -> chart.kind(chart.series().get(i)) == kind).boxed().toList();
            if (those.isEmpty()) continue;
            switch (kind) {
                case AREAS -> areas(those);
                case COLUMNS, BARS -> bars(those);
                case LINES -> lines(those);
                default -> those.forEach(this::dots);
            }
        }
        double base = at(first, Math.max(first.least(), Math.min(first.most(), 0)));
        if (lying) canvas.line(base, plot.getMinY(), base, plot.getMaxY(), AXIS, 0.75);
        else canvas.line(plot.getMinX(), base, plot.getMaxX(), base, AXIS, 0.75);
    }

    /** What is drawn for a number of a series: itself, with those below it where they stand on each other, as a share of all. */
    private double top(int series, int category) {
        Chart.Series one = chart.series().get(series);
        Chart.Kind kind = chart.kind(one);
        double value = one.value(category);
        boolean stacks = chart.stacked() && kind != Chart.Kind.POINTS && (kind == chart.kind() || one.own() == null);
        if (!stacks || Double.isNaN(value)) return value;
        double sum = 0;
        double all = 0;
        for (int i = 0; i < chart.series().size(); i++) {
            Chart.Series other = chart.series().get(i);
            double told = other.value(category);
            if (chart.kind(other) != kind || other.second() != one.second() || Double.isNaN(told)) continue;
            all += Math.abs(told);
            // What is below nothing hangs from it by itself.
            if (i <= series && (told < 0) == (value < 0)) sum += told;
        }
        return chart.grouping() == Chart.Grouping.SHARES ? all == 0 ? 0 : 100 * sum / all : sum;
    }

    private double bottom(int series, int category) {
        if (!chart.stacked()) return 0;
        double value = chart.series().get(series).value(category);
        for (int i = series - 1; i >= 0; i--) {
            Chart.Series other = chart.series().get(i);
            boolean same = chart.kind(other) == chart.kind(chart.series().get(series)) && other.second() == chart.series().get(series).second();
            if (same && !Double.isNaN(other.value(category)) && other.value(category) < 0 == value < 0) return top(i, category);
        }
        return 0;
    }

    private ChartScale scale(boolean right, double length) {
        double low = Double.POSITIVE_INFINITY;
        double high = Double.NEGATIVE_INFINITY;
        boolean rooted = false;
        for (int s = 0; s < chart.series().size(); s++) {
            Chart.Series one = chart.series().get(s);
            if (one.second() != right) continue;
            rooted |= chart.kind(one) != Chart.Kind.LINES && chart.kind(one) != Chart.Kind.POINTS;
            for (int i = 0; i < count; i++) {
                double value = top(s, i);
                if (Double.isNaN(value)) continue;
                low = Math.min(low, value);
                high = Math.max(high, value);
            }
        }
        if (low > high) {
            low = 0;
            high = 1;
        }
        Chart.Axis axis = right ? chart.dress().second() : chart.dress().up();
        boolean shares = chart.grouping() == Chart.Grouping.SHARES && !right;
        if (shares) axis = new Chart.Axis(axis.title(), low < 0 ? axis.least() : Double.valueOf(0), Double.valueOf(100), "0'%'", axis.shown());
        // Lines far above nothing, and close together, are measured from near them.
        boolean near = !rooted && low > 0 && high - low < high / 6;
        return ChartScale.of(low, high, axis, !near, Math.max(20, length * 0.75), lying ? 2 * APART : APART);
    }

    private ChartScale alongPoints(double wide) {
        double low = Double.POSITIVE_INFINITY;
        double high = Double.NEGATIVE_INFINITY;
        for (Chart.Series one : chart.series()) for (int i = 0; i < one.values().size(); i++) {
            double x = across(one, i);
            if (Double.isNaN(x)) continue;
            low = Math.min(low, x);
            high = Math.max(high, x);
        }
        boolean near = low > 0 && high - low < high / 6;
        return ChartScale.of(low > high ? 0 : low, low > high ? 1 : high, chart.dress().along(), !near, Math.max(20, wide * 0.8), 2 * APART);
    }

    /** Points that are not told where they stand across are counted. */
    private static double across(Chart.Series one, int at) {
        return one.across().isEmpty() ? at + 1 : at < one.across().size() ? one.across().get(at) : Double.NaN;
    }

    /** Room for the numbers and words of the axes. */
    private Rectangle2D inside(Rectangle2D room) {
        Chart.Dress dress = chart.dress();
        double numbers = first.marks().stream().mapToDouble(mark -> DrawingCanvas.wide(first.said(mark), ChartPicture.SMALL, false)).max().orElse(0) + GAP;
        double words = points ? 0 : labels.stream().mapToDouble(label -> DrawingCanvas.wide(label, ChartPicture.SMALL, false)).max().orElse(0) + GAP;
        Chart.Axis leftAxis = lying ? dress.along() : dress.up();
        Chart.Axis lowAxis = lying ? dress.up() : dress.along();
        double left = (leftAxis.shown() ? Math.min(lying ? words : numbers, room.getWidth() * MOST_ASIDE) : 0) + title(leftAxis);
        double right = second == null ? 2 : GAP + title(dress.second()) + (dress.second().shown() ? second.marks().stream()
                .mapToDouble(mark -> DrawingCanvas.wide(second.said(mark), ChartPicture.SMALL, false)).max().orElse(0) : 0);
        double wide = room.getWidth() - left - right;
        double slot = wide / count;
        boolean turned = !lying && !points && words > slot;
        double low = (lowAxis.shown() ? turned ? Math.min(words * 0.71 + LINE * 0.7, room.getHeight() * MOST_ASIDE) : LINE + 2 : 2) + title(lowAxis);
        if (leftAxis.title() != null) canvas.words(DrawingCanvas.fitted(leftAxis.title(), ChartPicture.SMALL, room.getHeight()), room.getX() + LINE - 3,
                room.getY() + (room.getHeight() - low) / 2, ChartPicture.SMALL, false, Stand.MIDDLE, -90, ChartPicture.INK);
        if (lowAxis.title() != null) canvas.words(DrawingCanvas.fitted(lowAxis.title(), ChartPicture.SMALL, wide), room.getX() + left + wide / 2,
                room.getMaxY() - 2, ChartPicture.SMALL, false, Stand.MIDDLE, 0, ChartPicture.INK);
        if (second != null && dress.second().title() != null) canvas.words(DrawingCanvas.fitted(dress.second().title(), ChartPicture.SMALL, room.getHeight()),
                room.getMaxX() - LINE + 4, room.getY() + (room.getHeight() - low) / 2, ChartPicture.SMALL, false, Stand.MIDDLE, 90, ChartPicture.INK);
        return new Rectangle2D.Double(room.getX() + left, room.getY() + 3, wide, room.getHeight() - low - 3);
    }

    private static double title(Chart.Axis axis) { return axis.title() == null ? 0 : LINE + 1; }

    /** Where a number stands: from the left in lying charts, else from above. */
    private double at(ChartScale scale, double value) {
        return lying ? plot.getX() + plot.getWidth() * scale.at(value) : plot.getMaxY() - plot.getHeight() * scale.at(value);
    }

    private void grid() {
        for (double mark : first.marks()) {
            double place = at(first, mark);
            if (lying) canvas.line(place, plot.getMinY(), place, plot.getMaxY(), GRID, 0.5);
            else canvas.line(plot.getMinX(), place, plot.getMaxX(), place, GRID, 0.5);
            if (!chart.dress().up().shown()) continue;
            if (lying) words(first.said(mark), place, plot.getMaxY() + LINE, Stand.MIDDLE);
            else words(first.said(mark), plot.getMinX() - GAP, place + 3, Stand.END);
        }
        if (second != null && chart.dress().second().shown())
            for (double mark : second.marks()) words(second.said(mark), plot.getMaxX() + GAP, at(second, mark) + 3, Stand.START);
        if (!chart.dress().along().shown()) return;
        if (points) for (double mark : along.marks())
            words(along.said(mark), plot.getX() + plot.getWidth() * along.at(mark), plot.getMaxY() + LINE, Stand.MIDDLE);
        else categories();
    }

    private void words(String said, double x, double y, Stand stand) {
        canvas.words(said, x, y, ChartPicture.SMALL, false, stand, 0, ChartPicture.INK);
    }

    /** Labels that have no room beside each other stand aslant, and some are left out where that is too narrow still. */
    private void categories() {
        double slot = (lying ? plot.getHeight() : plot.getWidth()) / count;
        double widest = labels.stream().mapToDouble(label -> DrawingCanvas.wide(label, ChartPicture.SMALL, false)).max().orElse(0) + GAP;
        boolean turned = !lying && widest > slot;
        int each = (int) Math.max(1, Math.ceil(LINE * (turned ? 1.1 : 0.95) / slot));
        if (!lying && !turned) each = 1;
        for (int i = 0; i < count; i += each) {
            double middle = lying ? (i + 0.5) * slot : middle(i) - plot.getX();
            if (lying) words(DrawingCanvas.fitted(labels.get(i), ChartPicture.SMALL, plot.getX() - 2 * GAP), plot.getMinX() - GAP,
                    plot.getMaxY() - middle + 3, Stand.END);
            else if (!turned) words(labels.get(i), plot.getX() + middle, plot.getMaxY() + LINE, Stand.MIDDLE);
            else canvas.words(DrawingCanvas.fitted(labels.get(i), ChartPicture.SMALL, (canvas.height() - plot.getMaxY() - LINE) * 1.4),
                    plot.getX() + middle + 3, plot.getMaxY() + LINE - 2, ChartPicture.SMALL, false, Stand.END, -45, ChartPicture.INK);
        }
    }

    private void bars(List<Integer> those) {
        int beside = chart.stacked() ? 1 : those.size();
        double slot = (lying ? plot.getHeight() : plot.getWidth()) / count;
        double thick = slot / (beside + chart.dress().gap());
        for (int n = 0; n < those.size(); n++) {
            int s = those.get(n);
            ChartScale scale = chart.series().get(s).second() && second != null ? second : first;
            for (int i = 0; i < count; i++) {
                double value = top(s, i);
                if (Double.isNaN(value)) continue;
                double from = at(scale, Math.max(scale.least(), Math.min(scale.most(), bottom(s, i))));
                double to = at(scale, value);
                double side = i * slot + (slot - beside * thick) / 2 + (chart.stacked() ? 0 : n * thick);
                Rectangle2D bar = lying ? new Rectangle2D.Double(Math.min(from, to), plot.getMaxY() - side - thick, Math.abs(to - from), thick)
                        : new Rectangle2D.Double(plot.getX() + side, Math.min(from, to), thick, Math.abs(to - from));
                canvas.area(bar, chart.series().size() == 1 && i < chart.dress().slices().size() && chart.dress().slices().get(i) != null
                        ? chart.dress().slices().get(i) : chart.colour(s));
                if (chart.dress().labels() != Chart.Labels.NONE) label(s, i, bar, to < from);
            }
        }
    }

    /** What a column comes to, above it, or in it where others stand on it. */
    private void label(int series, int category, Rectangle2D bar, boolean up) {
        double value = chart.series().get(series).value(category);
        String said = ChartScale.said(value, chart.dress().up().pattern(), RoundChart.fine(value));
        if (chart.stacked()) {
            boolean room = bar.getHeight() > ChartPicture.SMALL && bar.getWidth() > DrawingCanvas.wide(said, ChartPicture.SMALL, false);
            if (room) canvas.words(said, bar.getCenterX(), bar.getCenterY() + 3, ChartPicture.SMALL, false, Stand.MIDDLE, 0,
                    RoundChart.over(Math.max(0, chart.colour(series))));
        } else if (lying) words(said, up ? bar.getMinX() - 2 : bar.getMaxX() + 2, bar.getCenterY() + 3, up ? Stand.END : Stand.START);
        else words(said, bar.getCenterX(), up ? bar.getMinY() - 2 : bar.getMaxY() + LINE - 2, Stand.MIDDLE);
    }

    /** Where a category stands; areas alone go from edge to edge. */
    private double middle(int category) {
        return edged ? plot.getX() + category * plot.getWidth() / (count - 1) : plot.getX() + (category + 0.5) * plot.getWidth() / count;
    }

    private void areas(List<Integer> those) {
        List<Integer> order = new ArrayList<>(those);
        // Those that stand on others are drawn before these, which lie over their feet.
        if (chart.stacked()) Collections.reverse(order);
        for (int s : order) {
            ChartScale scale = chart.series().get(s).second() && second != null ? second : first;
            Path2D path = new Path2D.Double();
            double base = at(scale, Math.max(scale.least(), Math.min(scale.most(), 0)));
            path.moveTo(middle(0), base);
            for (int i = 0; i < count; i++) path.lineTo(middle(i), Double.isNaN(top(s, i)) ? base : at(scale, top(s, i)));
            path.lineTo(middle(count - 1), base);
            path.closePath();
            canvas.area(path, chart.colour(s));
        }
    }

    private void lines(List<Integer> those) {
        for (int s : those) {
            ChartScale scale = chart.series().get(s).second() && second != null ? second : first;
            List<Point2D> way = new ArrayList<>();
            for (int i = 0; i < count; i++) way.add(Double.isNaN(top(s, i)) ? null : new Point2D.Double(middle(i), at(scale, top(s, i))));
            line(s, way);
            if (chart.dress().labels() != Chart.Labels.NONE) for (int i = 0; i < count; i++) {
                double value = chart.series().get(s).value(i);
                if (way.get(i) != null) words(ChartScale.said(value, chart.dress().up().pattern(), RoundChart.fine(value)), way.get(i).getX(),
                        way.get(i).getY() - 4, Stand.MIDDLE);
            }
        }
    }

    private void dots(int s) {
        Chart.Series one = chart.series().get(s);
        ChartScale scale = one.second() && second != null ? second : first;
        List<Point2D> way = new ArrayList<>();
        for (int i = 0; i < one.values().size(); i++) {
            double x = across(one, i);
            boolean there = !Double.isNaN(x) && !Double.isNaN(one.value(i));
            way.add(there ? new Point2D.Double(along == null ? middle(i) : plot.getX() + plot.getWidth() * along.at(x), at(scale, one.value(i))) : null);
        }
        line(s, way);
    }

    /** A line through places, broken where one is missing, and their marks. */
    private void line(int s, List<Point2D> way) {
        Chart.Series one = chart.series().get(s);
        Path2D path = new Path2D.Double();
        boolean open = false;
        for (Point2D place : way) {
            if (place == null) open = false;
            else if (open) path.lineTo(place.getX(), place.getY());
            else {
                path.moveTo(place.getX(), place.getY());
                open = true;
            }
        }
        if (one.lined() && path.getCurrentPoint() != null) canvas.line(path, chart.colour(s), 1.5);
        if (!one.marked()) return;
        for (Point2D place : way)
            if (place != null) canvas.area(new Ellipse2D.Double(place.getX() - MARK, place.getY() - MARK, 2 * MARK, 2 * MARK), chart.colour(s));
    }
}
