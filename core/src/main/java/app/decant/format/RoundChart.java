package app.decant.format;

import app.decant.format.shape.DrawingCanvas.Stand;
import app.decant.format.shape.DrawingCanvas;
import java.awt.geom.Arc2D;
import java.awt.geom.Area;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.util.List;

/** Draws charts whose numbers stand round a middle: pies, rings, nets. */
final class RoundChart {
    private static final double HOLE = 0.5;
    private static final double LINE = 11;
    private static final int GRID = 0xD9D9D9;
    private static final int WHITE = 0xFFFFFF;

    private final Chart chart;
    private final DrawingCanvas canvas;

    RoundChart(Chart chart, DrawingCanvas canvas) {
        this.chart = chart;
        this.canvas = canvas;
    }

    void draw(Rectangle2D room) {
        if (chart.kind() == Chart.Kind.NET) {
            net(room);
            return;
        }
        double radius = Math.max(4, Math.min(room.getWidth(), room.getHeight()) / 2 - 2);
        // A pie has room for one series, a ring for one within another.
        int rings = chart.kind() == Chart.Kind.RING ? chart.series().size() : 1;
        for (int i = 0; i < rings; i++) {
            double hole = chart.kind() == Chart.Kind.RING ? HOLE : 0;
            double inner = radius * (hole + (1 - hole) * i / rings);
            ring(chart.series().get(i).values(), room.getCenterX(), room.getCenterY(), inner, radius * (hole + (1 - hole) * (i + 1) / rings));
        }
    }

    private void ring(List<Double> values, double x, double y, double inner, double outer) {
        double all = values.stream().filter(value -> value > 0).mapToDouble(Double::doubleValue).sum();
        double from = 90;
        for (int i = 0; i < values.size(); i++) {
            double value = values.get(i);
            if (!(value > 0)) continue;
            double extent = 360 * value / all;
            Area slice = new Area(new Arc2D.Double(x - outer, y - outer, 2 * outer, 2 * outer, from - extent, extent, extent >= 360 ? Arc2D.CHORD : Arc2D.PIE));
            if (inner > 0) slice.subtract(new Area(new Ellipse2D.Double(x - inner, y - inner, 2 * inner, 2 * inner)));
            canvas.area(slice, chart.slice(i));
            canvas.line(slice, WHITE, 0.75);
            if (chart.dress().labels() != Chart.Labels.NONE) {
                double middle = Math.toRadians(from - extent / 2);
                double far = inner > 0 ? (inner + outer) / 2 : outer * 0.68;
                String said = chart.dress().labels() == Chart.Labels.SHARES ? ChartScale.said(100 * value / all, "0", 1) + "%"
                        : ChartScale.said(value, chart.dress().up().pattern(), fine(value));
                // What is narrower than its number has none.
                if (Math.toRadians(extent) * far > DrawingCanvas.wide(said, ChartPicture.SMALL, false) * 0.8) canvas.words(said, x + far * Math.cos(middle),
                        y - far * Math.sin(middle) + 3, ChartPicture.SMALL, false, Stand.MIDDLE, 0, over(chart.slice(i)));
            }
            from -= extent;
        }
    }

    /** How finely a number is told where no axis says it. */
    static double fine(double value) { return value == Math.rint(value) ? 1 : 0.01; }

    /** The colour of letters over an area. */
    static int over(int colour) {
        double light = 0.3 * (colour >> 16 & 0xFF) + 0.59 * (colour >> 8 & 0xFF) + 0.11 * (colour & 0xFF);
        return light < 140 ? WHITE : ChartPicture.INK;
    }

    private void net(Rectangle2D room) {
        int count = Math.max(3, chart.count());
        double radius = Math.max(4, Math.min(room.getWidth(), room.getHeight()) / 2 - LINE - 4);
        double x = room.getCenterX();
        double y = room.getCenterY();
        double highest = chart.series().stream().flatMap(one -> one.values().stream()).filter(value -> !value.isNaN()).mapToDouble(Double::doubleValue).max()
                .orElse(1);
        double lowest = chart.series().stream().flatMap(one -> one.values().stream()).filter(value -> !value.isNaN()).mapToDouble(Double::doubleValue).min()
                .orElse(0);
        ChartScale scale = ChartScale.of(lowest, highest, chart.dress().up(), true, radius, 22);
        for (double mark : scale.marks()) {
            canvas.line(web(count, x, y, radius * scale.at(mark)), GRID, 0.5);
            canvas.words(scale.said(mark), x - 3, y - radius * scale.at(mark) + 3, ChartPicture.SMALL - 1.5, false, Stand.END, 0, ChartPicture.INK);
        }
        List<String> labels = chart.labels(count);
        for (int i = 0; i < count; i++) {
            double angle = angle(i, count);
            canvas.line(x, y, x + radius * Math.cos(angle), y + radius * Math.sin(angle), GRID, 0.5);
            double across = Math.cos(angle);
            Stand stand = across > 0.2 ? Stand.START : across < -0.2 ? Stand.END : Stand.MIDDLE;
            String said = DrawingCanvas.fitted(labels.get(i), ChartPicture.SMALL, Math.max(20, room.getWidth() / 2 - radius * Math.abs(across)));
            canvas.words(said, x + (radius + 4) * across, y + (radius + 5) * Math.sin(angle) + 3, ChartPicture.SMALL, false, stand, 0, ChartPicture.INK);
        }
        for (int s = 0; s < chart.series().size(); s++) {
            Path2D path = new Path2D.Double();
            for (int i = 0; i < count; i++) {
                double value = chart.series().get(s).value(i);
                double far = Double.isNaN(value) ? 0 : radius * scale.at(value);
                double angle = angle(i, count);
                if (i == 0) path.moveTo(x + far * Math.cos(angle), y + far * Math.sin(angle));
                else path.lineTo(x + far * Math.cos(angle), y + far * Math.sin(angle));
            }
            path.closePath();
            canvas.line(path, chart.colour(s), 1.5);
        }
    }

    private static double angle(int index, int count) { return Math.toRadians(360.0 * index / count - 90); }

    private static Path2D web(int count, double x, double y, double radius) {
        Path2D web = new Path2D.Double();
        for (int i = 0; i < count; i++) {
            double angle = angle(i, count);
            if (i == 0) web.moveTo(x + radius * Math.cos(angle), y + radius * Math.sin(angle));
            else web.lineTo(x + radius * Math.cos(angle), y + radius * Math.sin(angle));
        }
        web.closePath();
        return web;
    }
}
