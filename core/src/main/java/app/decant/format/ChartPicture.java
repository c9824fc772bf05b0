package app.decant.format;

import app.decant.document.Image;
import app.decant.document.Picture;
import app.decant.font.Face;
import app.decant.font.FontCatalogue;
import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import javax.imageio.ImageIO;
import org.knowm.xchart.CategoryChart;
import org.knowm.xchart.CategorySeries;
import org.knowm.xchart.PieChart;
import org.knowm.xchart.PieSeries;
import org.knowm.xchart.XYChart;
import org.knowm.xchart.XYSeries;
import org.knowm.xchart.style.AxesChartStyler;
import org.knowm.xchart.style.CategoryStyler;
import org.knowm.xchart.style.Styler;
import org.slf4j.LoggerFactory;

/** Draws charts as pictures, fine enough for print. */
public final class ChartPicture {
    /** Pixels a point: 216 an inch. */
    private static final int FINENESS = 3;
    private static final double MOST_POINTS = 2000;
    private static final Face LETTERS = FontCatalogue.shipped().match("Liberation Sans", false, false).face();
    /** How wide a letter of a label is about, and how much of the width the labels have for themselves. */
    private static final double LETTER = 4.6;
    private static final double ROOM = 0.75;
    private static final double LINE = 11;

    private ChartPicture() { }

    /**
     * Draws a chart.
     *
     * @param width  in points
     * @param height in points
     * @param words  read to people who do not see it, or null
     * @return null where there is nothing to draw
     */
    public static Picture of(Chart chart, double width, double height, String words) {
        if (chart.isEmpty()) return null;
        int across = (int) Math.max(40, Math.min(MOST_POINTS, width));
        int down = (int) Math.max(40, Math.min(MOST_POINTS, height));
        BufferedImage pixels = new BufferedImage(across * FINENESS, down * FINENESS, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = pixels.createGraphics();
        graphics.setColor(Color.WHITE);
        graphics.fillRect(0, 0, pixels.getWidth(), pixels.getHeight());
        graphics.scale(FINENESS, FINENESS);
        graphics.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        graphics.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
        try {
            paint(chart, graphics, across, down);
        } catch (RuntimeException e) {
            // Charts that lie about themselves; they are kept, but not shown.
            LoggerFactory.getLogger(ChartPicture.class).info("A chart can't be drawn: {}", chart, e);
            return null;
        } finally {
            graphics.dispose();
        }
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try {
            ImageIO.write(pixels, "png", bytes);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return new Picture(new Image("image/png", bytes.toByteArray()), width, height, words == null || words.isBlank() ? chart.title() : words);
    }

    private static void paint(Chart chart, Graphics2D graphics, int width, int height) {
        switch (chart.kind()) {
            case PIE, RING -> pie(chart, width, height).paint(graphics, width, height);
            case POINTS -> points(chart, width, height).paint(graphics, width, height);
            default -> categories(chart, width, height).paint(graphics, width, height);
        }
    }

    private static CategoryChart categories(Chart chart, int width, int height) {
        CategoryChart drawn = new CategoryChart(width, height);
        CategoryStyler styler = drawn.getStyler();
        plain(styler, chart, drawn::setTitle);
        styler.setDefaultSeriesRenderStyle(chart.kind() == Chart.Kind.LINES ? CategorySeries.CategorySeriesRenderStyle.Line
                : chart.kind() == Chart.Kind.AREAS ? CategorySeries.CategorySeriesRenderStyle.Area : CategorySeries.CategorySeriesRenderStyle.Bar);
        styler.setStacked(chart.stacked() && chart.kind() == Chart.Kind.COLUMNS);
        styler.setOverlapped(chart.kind() != Chart.Kind.COLUMNS);
        // What is never below nothing is measured from nothing.
        if (chart.series().stream().flatMap(series -> series.values().stream()).allMatch(value -> value.isNaN() || value >= 0)) styler.setYAxisMin(0.0);
        styler.setMarkerSize(4);
        styler.setPlotGridVerticalLinesVisible(false);
        int count = chart.series().stream().mapToInt(series -> series.values().size()).max().orElse(0);
        fitLabels(styler, chart.labels(count), width);
        Set<String> names = new HashSet<>();
        for (Chart.Series series : chart.series()) {
            List<Double> values = new ArrayList<>();
            for (int i = 0; i < count; i++)
                values.add(i < series.values().size() && !series.values().get(i).isNaN() ? series.values().get(i) : chart.kind() == Chart.Kind.LINES ? null
                        : Double.valueOf(0));
            CategorySeries made = drawn.addSeries(name(series, names), chart.labels(count), values);
            if (series.colour() == null) continue;
            made.setFillColor(new Color(series.colour()));
            made.setLineColor(new Color(series.colour()));
            made.setMarkerColor(new Color(series.colour()));
        }
        return drawn;
    }

    private static PieChart pie(Chart chart, int width, int height) {
        PieChart drawn = new PieChart(width, height);
        plain(drawn.getStyler(), chart, drawn::setTitle);
        drawn.getStyler().setDefaultSeriesRenderStyle(chart.kind() == Chart.Kind.RING ? PieSeries.PieSeriesRenderStyle.Donut
                : PieSeries.PieSeriesRenderStyle.Pie);
        drawn.getStyler().setPlotContentSize(0.85);
        // One series has its place in a pie.
        List<Double> values = chart.series().get(0).values();
        List<String> labels = chart.labels(values.size());
        Set<String> names = new HashSet<>();
        for (int i = 0; i < values.size(); i++) if (!values.get(i).isNaN() && values.get(i) > 0) drawn.addSeries(unlike(labels.get(i), names), values.get(i));
        drawn.getStyler().setLegendVisible(true);
        return drawn;
    }

    private static XYChart points(Chart chart, int width, int height) {
        XYChart drawn = new XYChart(width, height);
        plain(drawn.getStyler(), chart, drawn::setTitle);
        drawn.getStyler().setDefaultSeriesRenderStyle(XYSeries.XYSeriesRenderStyle.Scatter);
        drawn.getStyler().setMarkerSize(5);
        Set<String> names = new HashSet<>();
        for (Chart.Series series : chart.series()) {
            int count = Math.min(series.across().size(), series.values().size());
            if (count == 0) continue;
            XYSeries made = drawn.addSeries(name(series, names), series.across().subList(0, count), series.values().subList(0, count));
            if (series.colour() != null) made.setMarkerColor(new Color(series.colour()));
        }
        return drawn;
    }

    private static String name(Chart.Series series, Set<String> names) {
        return unlike(series.name() == null || series.name().isBlank() ? String.valueOf(names.size() + 1) : series.name(), names);
    }

    private static String unlike(String name, Set<String> names) {
        String free = name;
        while (!names.add(free)) free += " ";
        return free;
    }

    /** The letters of the chart's words: those of another face where the usual one lacks some. */
    private static Font letters(Chart chart) {
        StringBuilder words = new StringBuilder(chart.title() == null ? "" : chart.title());
        chart.categories().forEach(words::append);
        chart.series().forEach(series -> words.append(series.name()));
        int lacking = words.codePoints().filter(letter -> letter > ' ' && !LETTERS.has(letter)).findFirst().orElse('0');
        return FontCatalogue.shipped().fallback(LETTERS, lacking).drawn();
    }

    /** Labels that have no room beside each other stand aslant, and some are left out where that is too narrow still. */
    private static void fitLabels(CategoryStyler styler, List<String> labels, int width) {
        double room = width * ROOM / Math.max(1, labels.size());
        if (labels.stream().mapToInt(String::length).max().orElse(0) * LETTER < room) return;
        styler.setXAxisLabelRotation(60);
        if (room < LINE) styler.setXAxisMaxLabelCount((int) Math.max(2, width * ROOM / LINE));
    }

    private static void plain(Styler styler, Chart chart, Consumer<String> title) {
        title.accept(chart.title() == null ? "" : chart.title());
        styler.setChartTitleVisible(chart.title() != null);
        styler.setChartTitleBoxVisible(false);
        Font letters = letters(chart);
        styler.setChartTitleFont(letters.deriveFont(11f));
        styler.setLegendFont(letters.deriveFont(8.5f));
        styler.setBaseFont(letters.deriveFont(8.5f));
        styler.setAnnotationTextFont(letters.deriveFont(8.5f));
        styler.setChartBackgroundColor(Color.WHITE);
        styler.setPlotBackgroundColor(Color.WHITE);
        styler.setPlotBorderVisible(false);
        styler.setLegendVisible(chart.series().size() > 1);
        styler.setLegendBorderColor(Color.WHITE);
        styler.setLegendPosition(Styler.LegendPosition.OutsideE);
        styler.setSeriesColors(new Color[] {new Color(0x3B6A8F), new Color(0xC8793A), new Color(0x6F8F4E), new Color(0x8B5A83), new Color(0xB59A3C),
                new Color(0x5B8C8A), new Color(0xA3504A), new Color(0x777777)});
        if (styler instanceof AxesChartStyler axes) axes.setAxisTickLabelsFont(letters.deriveFont(8.5f));
    }
}
