package app.decant.format.ooxml;

import app.decant.format.Chart;
import app.decant.xml.XmlNode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import org.apache.poi.ss.usermodel.DataFormatter;

/** Reads charts by the values stored beside their sources (ISO/IEC 29500-1, 21.2), so that no workbook has to be reckoned. */
final class ChartReader {
    private static final Map<String, Chart.Kind> KINDS = Map.ofEntries(Map.entry("c:barChart", Chart.Kind.COLUMNS),
            Map.entry("c:bar3DChart", Chart.Kind.COLUMNS), Map.entry("c:lineChart", Chart.Kind.LINES), Map.entry("c:line3DChart", Chart.Kind.LINES),
            Map.entry("c:stockChart", Chart.Kind.LINES), Map.entry("c:areaChart", Chart.Kind.AREAS), Map.entry("c:area3DChart", Chart.Kind.AREAS),
            Map.entry("c:pieChart", Chart.Kind.PIE), Map.entry("c:pie3DChart", Chart.Kind.PIE), Map.entry("c:ofPieChart", Chart.Kind.PIE),
            Map.entry("c:doughnutChart", Chart.Kind.RING), Map.entry("c:scatterChart", Chart.Kind.POINTS), Map.entry("c:radarChart", Chart.Kind.NET));
    /** Those that stand over categories may be in one chart. */
    private static final Set<Chart.Kind> TOGETHER = Set.of(Chart.Kind.COLUMNS, Chart.Kind.LINES, Chart.Kind.AREAS);
    /** More numbers than a page can show. */
    private static final int MOST_VALUES = 10_000;
    private static final int ACCENTS = 6;

    private final DrawingColours colours;
    private final XmlNode area;
    private final List<XmlNode> axes;

    private ChartReader(XmlNode area, DrawingColours colours) {
        this.area = area;
        this.colours = colours;
        axes = area.children().stream().filter(node -> node.name().endsWith("Ax")).toList();
    }

    /** @return null for kinds that are not drawn here */
    static Chart read(XmlNode space, DrawingColours colours) {
        XmlNode chart = space.child("c:chart");
        XmlNode area = chart == null ? null : chart.child("c:plotArea");
        return area == null ? null : new ChartReader(area, colours).chart(chart);
    }

    private Chart chart(XmlNode chart) {
        List<XmlNode> plots = area.children().stream().filter(plot -> KINDS.containsKey(plot.name())).toList();
        if (plots.isEmpty()) return null;
        XmlNode main = plots.get(0);
        Chart.Kind kind = kind(main);
        List<Chart.Series> series = new ArrayList<>();
        List<String> categories = List.of();
        List<Integer> slices = List.of();
        XmlNode up = axis(main, "c:valAx", true);
        XmlNode second = null;
        for (XmlNode plot : plots) {
            Chart.Kind own = kind(plot);
            if (plot != main && !(TOGETHER.contains(kind) && TOGETHER.contains(own))) continue;
            XmlNode measure = axis(plot, "c:valAx", true);
            boolean right = measure != null && up != null && !id(measure).equals(id(up));
            if (right) second = measure;
            for (XmlNode one : plot.children("c:ser")) {
                if (categories.isEmpty()) categories = categories(one.child("c:cat"));
                if (slices.isEmpty()) slices = slices(one, own);
                series.add(series(one, plot, own, own == kind ? null : own, right));
            }
        }
        String told = main.child("c:grouping") == null ? "" : main.child("c:grouping").get("val", "").toLowerCase(Locale.ROOT);
        Chart.Grouping grouping = told.contains("percent") ? Chart.Grouping.SHARES : told.contains("stacked") ? Chart.Grouping.STACKED : Chart.Grouping.BESIDE;
        XmlNode along = kind == Chart.Kind.POINTS ? axis(main, "c:valAx", false) : axes.stream().filter(node -> !node.is("c:valAx")).findFirst().orElse(null);
        XmlNode gap = main.child("c:gapWidth");
        Double wide = gap == null ? null : Units.measure(gap.get("val", "150"), 100);
        List<Integer> usual = new ArrayList<>();
        for (int i = 1; i <= ACCENTS; i++) if (colours.themed("accent" + i) != null) usual.add(colours.themed("accent" + i).rgb() & 0xFFFFFF);
        return new Chart(kind, title(chart, series), categories, series, grouping, new Chart.Dress(told(along), told(up), told(second), keys(chart),
                labels(main), slices, wide == null ? 1.5 : wide, usual));
    }

    private static Chart.Kind kind(XmlNode plot) {
        boolean lies = plot.child("c:barDir") != null && plot.child("c:barDir").get("val", "col").equals("bar");
        return lies ? Chart.Kind.BARS : KINDS.get(plot.name());
    }

    private Chart.Series series(XmlNode one, XmlNode plot, Chart.Kind kind, Chart.Kind own, boolean right) {
        boolean points = kind == Chart.Kind.POINTS;
        XmlNode symbol = one.at("c:marker", "c:symbol");
        boolean marked = symbol == null ? points || plot.is("c:lineChart") && plot.child("c:marker") != null : !symbol.get("val", "").equals("none");
        XmlNode style = plot.child("c:scatterStyle");
        boolean lined = one.at("c:spPr", "a:ln", "a:noFill") == null && !(points && style != null && style.get("val", "").equals("marker"))
                && !plot.is("c:stockChart");
        return new Chart.Series(String.join(" ", texts(one.child("c:tx"))), points ? numbers(one.child("c:xVal")) : List.of(),
                numbers(one.child(points ? "c:yVal" : "c:val")), colour(one, kind), own, right, lined, marked || plot.is("c:stockChart"));
    }

    private static String id(XmlNode axis) { return axis.child("c:axId") == null ? "" : axis.child("c:axId").get("val", ""); }

    /** An axis of a plot. @param up whether the one that its numbers are measured by, where both are of one kind */
    private XmlNode axis(XmlNode plot, String name, boolean up) {
        List<String> ids = plot.children("c:axId").stream().map(node -> node.get("val", "")).toList();
        List<XmlNode> own = axes.stream().filter(node -> node.is(name) && ids.contains(id(node))).toList();
        if (own.size() < 2) return up && !own.isEmpty() ? own.get(0) : null;
        XmlNode low = own.stream().filter(node -> node.child("c:axPos") != null && node.child("c:axPos").get("val", "").matches("[bt]")).findFirst()
                .orElse(own.get(0));
        return up ? own.stream().filter(node -> node != low).findFirst().orElse(null) : low;
    }

    private static Chart.Axis told(XmlNode axis) {
        if (axis == null) return Chart.Axis.PLAIN;
        StringBuilder title = new StringBuilder();
        if (axis.child("c:title") != null) gather(axis.child("c:title"), title);
        XmlNode scaling = axis.child("c:scaling");
        XmlNode deleted = axis.child("c:delete");
        XmlNode format = axis.child("c:numFmt");
        String pattern = format == null ? "" : format.get("formatCode", "").split(";")[0];
        return new Chart.Axis(title.toString().isBlank() ? null : title.toString().strip(), bound(scaling, "c:min"), bound(scaling, "c:max"),
                pattern.matches("[#0,.]*0[#0,.]*%?") ? pattern : null, deleted == null || deleted.get("val", "1").matches("0|false"));
    }

    private static Double bound(XmlNode scaling, String name) {
        return scaling == null || scaling.child(name) == null ? null : Units.measure(scaling.child(name).get("val"), 1);
    }

    private static Chart.Keys keys(XmlNode chart) {
        XmlNode legend = chart.child("c:legend");
        if (legend == null) return Chart.Keys.NONE;
        return switch (legend.child("c:legendPos") == null ? "r" : legend.child("c:legendPos").get("val", "r")) {
            case "b" -> Chart.Keys.BELOW;
            case "t" -> Chart.Keys.ABOVE;
            case "l" -> Chart.Keys.LEFT;
            default -> Chart.Keys.RIGHT;
        };
    }

    /** What all numbers of a plot, or those of its first series, have beside them. */
    private static Chart.Labels labels(XmlNode plot) {
        List<XmlNode> told = new ArrayList<>(plot.children("c:dLbls"));
        if (plot.child("c:ser") != null) told.addAll(plot.child("c:ser").children("c:dLbls"));
        for (XmlNode one : told) {
            if (isOn(one.child("c:showPercent"))) return Chart.Labels.SHARES;
            if (isOn(one.child("c:showVal"))) return Chart.Labels.VALUES;
        }
        return Chart.Labels.NONE;
    }

    private static boolean isOn(XmlNode node) { return node != null && node.get("val", "1").matches("1|true"); }

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

    /** Of its area, or of its line where that is what is drawn. */
    private Integer colour(XmlNode holder, Chart.Kind kind) {
        XmlNode look = holder.child("c:spPr");
        if (look == null) return null;
        XmlNode line = look.at("a:ln", "a:solidFill");
        XmlNode mark = holder.at("c:marker", "c:spPr", "a:solidFill");
        XmlNode fill = look.child("a:solidFill");
        boolean thin = kind == Chart.Kind.LINES || kind == Chart.Kind.POINTS || kind == Chart.Kind.NET;
        if (!thin && look.child("a:noFill") != null) return Chart.Series.UNSEEN;
        for (XmlNode one : Arrays.asList(thin ? line : fill, thin ? mark : null, thin ? fill : line)) {
            DrawingColours.Ink ink = one == null ? null : colours.in(one, null);
            if (ink != null) return ink.colour().rgb() & 0xFFFFFF;
        }
        return null;
    }

    /** Colours of single numbers (21.2.2.52). */
    private List<Integer> slices(XmlNode series, Chart.Kind kind) {
        List<Integer> slices = new ArrayList<>();
        for (XmlNode point : series.children("c:dPt")) {
            Integer index = point.child("c:idx") == null ? null : Units.whole(point.child("c:idx"), "val");
            Integer colour = colour(point, kind);
            if (index == null || index < 0 || index > MOST_VALUES || colour == null || colour < 0) continue;
            while (slices.size() <= index) slices.add(null);
            slices.set(index, colour);
        }
        return slices;
    }

    private static List<String> texts(XmlNode source) {
        List<String> texts = new ArrayList<>();
        points(source, (at, text) -> {
            while (texts.size() <= at) texts.add("");
            texts.set(at, text);
        });
        return texts;
    }

    /** Numbers among categories, most of them dates, are told as their format has them (21.2.2.72). */
    private static List<String> categories(XmlNode source) {
        List<String> texts = texts(source);
        XmlNode format = source == null ? null : source.find("c:formatCode");
        if (format == null || format.text().equals("General")) return texts;
        DataFormatter written = new DataFormatter(Locale.ROOT);
        return texts.stream().map(text -> {
            Double value = Units.measure(text, 1);
            return value == null ? text : written.formatRawCellContents(value, -1, format.text());
        }).toList();
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
