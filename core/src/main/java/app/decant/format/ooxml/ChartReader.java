package app.decant.format.ooxml;

import app.decant.document.Colour;
import app.decant.format.Chart;
import app.decant.xml.XmlNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Reads charts by the values stored beside their sources (ISO/IEC 29500-1, 21.2), so that no workbook has to be reckoned. */
public final class ChartReader {
    private static final Map<String, Chart.Kind> KINDS = Map.ofEntries(Map.entry("c:barChart", Chart.Kind.COLUMNS),
            Map.entry("c:bar3DChart", Chart.Kind.COLUMNS), Map.entry("c:lineChart", Chart.Kind.LINES), Map.entry("c:line3DChart", Chart.Kind.LINES),
            Map.entry("c:areaChart", Chart.Kind.AREAS), Map.entry("c:area3DChart", Chart.Kind.AREAS), Map.entry("c:pieChart", Chart.Kind.PIE),
                    Map.entry("c:pie3DChart", Chart.Kind.PIE), Map.entry("c:doughnutChart", Chart.Kind.RING), Map.entry("c:scatterChart", Chart.Kind.POINTS));
    /** More numbers than a page can show. */
    private static final int MOST_VALUES = 10_000;

    private ChartReader() { }

    /** @return null for kinds that are not drawn here */
    public static Chart read(XmlNode space) {
        XmlNode chart = space.child("c:chart");
        XmlNode area = chart == null ? null : chart.child("c:plotArea");
        if (area == null) return null;
        for (XmlNode plot : area.children()) {
            Chart.Kind kind = KINDS.get(plot.name());
            if (kind == null) continue;
            List<Chart.Series> series = new ArrayList<>();
            List<String> categories = List.of();
            for (XmlNode one : plot.children("c:ser")) {
                if (categories.isEmpty()) categories = texts(one.child("c:cat"));
                boolean points = kind == Chart.Kind.POINTS;
                series.add(new Chart.Series(String.join(" ", texts(one.child("c:tx"))), points ? numbers(one.child("c:xVal")) : List.of(),
                        numbers(one.child(points ? "c:yVal" : "c:val")), colour(one)));
            }
            String grouping = plot.child("c:grouping") == null ? "" : plot.child("c:grouping").get("val", "");
            return new Chart(kind, title(chart, series), categories, series, grouping.toLowerCase(Locale.ROOT).contains("stacked"));
        }
        return null;
    }

    /** Its own words; where it has a title without words, the name of its only series (21.2.2.7). */
    private static String title(XmlNode chart, List<Chart.Series> series) {
        XmlNode title = chart.child("c:title");
        if (title == null) return null;
        StringBuilder words = new StringBuilder();
        gather(title, words);
        if (!words.isEmpty()) return words.toString().strip();
        return series.size() == 1 ? series.get(0).name() : null;
    }

    private static void gather(XmlNode node, StringBuilder words) {
        if (node.is("a:t") || node.is("c:v")) words.append(node.text());
        for (XmlNode child : node.children()) gather(child, words);
        if (node.is("a:p")) words.append(' ');
    }

    private static Integer colour(XmlNode series) {
        XmlNode fill = series.at("c:spPr", "a:solidFill");
        XmlNode line = series.at("c:spPr", "a:ln", "a:solidFill");
        XmlNode rgb = fill != null ? fill.child("a:srgbClr") : line == null ? null : line.child("a:srgbClr");
        Colour colour = rgb == null ? null : LookReader.colour(rgb.get("val"));
        return colour == null ? null : colour.rgb() & 0xFFFFFF;
    }

    private static List<String> texts(XmlNode source) {
        List<String> texts = new ArrayList<>();
        points(source, (at, text) -> {
            while (texts.size() <= at) texts.add("");
            texts.set(at, text);
        });
        return texts;
    }

    private static List<Double> numbers(XmlNode source) {
        List<Double> numbers = new ArrayList<>();
        points(source, (at, text) -> {
            while (numbers.size() <= at) numbers.add(Double.NaN);
            Double value = Units.measure(text, 1);
            numbers.set(at, value == null ? Double.NaN : value);
        });
        return numbers;
    }

    /** What to do with one stored value. */
    private interface Point { void at(int index, String text); }

    private static void points(XmlNode source, Point each) {
        if (source == null) return;
        XmlNode reference = source.children().isEmpty() ? null : source.children().get(0);
        if (reference == null) return;
        XmlNode store = reference;
        for (String name : List.of("c:strCache", "c:numCache", "c:multiLvlStrCache")) if (reference.child(name) != null) store = reference.child(name);
        if (store.child("c:lvl") != null) store = store.child("c:lvl");
        if (store.is("c:v")) each.at(0, store.text());
        for (XmlNode point : store.children("c:pt")) {
            Integer index = Units.whole(point, "idx");
            if (index != null && index >= 0 && index < MOST_VALUES && point.child("c:v") != null) each.at(index, point.child("c:v").text());
        }
    }
}
