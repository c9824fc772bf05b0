package app.decant.format;

import app.decant.xml.XmlNode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads charts of OpenDocument (ISO/IEC 26300-1, 11) by the values kept in a table of their own, so that no sheet has to be asked. */
public final class OpenDocumentChart {
    private static final Map<String, Chart.Kind> KINDS = Map.of("bar", Chart.Kind.COLUMNS, "line", Chart.Kind.LINES, "area", Chart.Kind.AREAS, "circle",
            Chart.Kind.PIE, "ring", Chart.Kind.RING, "scatter", Chart.Kind.POINTS, "radar", Chart.Kind.NET, "filled-radar", Chart.Kind.NET, "stock",
            Chart.Kind.LINES);
    private static final Pattern PLACE = Pattern.compile("\\$?([A-Z]{1,3})\\$?(\\d{1,7})");
    /** More than a page can show. */
    private static final int MOST_ROWS = 10_000;
    private static final int MOST_COLUMNS = 500;

    private final Map<String, XmlNode> styles = new HashMap<>();
    private final List<List<XmlNode>> table = new ArrayList<>();
    /** The column of the table that the next values stand in, where their places are told in other tables. */
    private int column = 1;

    private OpenDocumentChart() { }

    /**
     * @param content the content of an object
     * @return null where it is no chart, or of a kind that is not drawn here
     */
    public static Chart read(XmlNode content) {
        XmlNode chart = content.at("office:body", "office:chart", "chart:chart");
        XmlNode area = chart == null ? null : chart.child("chart:plot-area");
        Chart.Kind kind = area == null ? null : KINDS.get(chart.get("chart:class", "").replaceFirst(".*:", ""));
        return kind == null ? null : new OpenDocumentChart().chart(content, chart, area, kind);
    }

    private Chart chart(XmlNode content, XmlNode chart, XmlNode area, Chart.Kind kind) {
        XmlNode automatic = content.child("office:automatic-styles");
        if (automatic != null) for (XmlNode style : automatic.children("style:style")) styles.put(style.get("style:name", ""), style);
        if (chart.child("table:table") != null) rows(chart.child("table:table"));
        List<String> categories = new ArrayList<>();
        for (XmlNode axis : area.children("chart:axis")) {
            XmlNode told = axis.child("chart:categories");
            if (told == null) continue;
            List<XmlNode> cells = cells(told.get("table:cell-range-address"));
            for (XmlNode cell : cells == null ? column(0) : cells) categories.add(text(cell));
        }
        List<Chart.Series> series = new ArrayList<>();
        List<Double> across = List.of();
        for (XmlNode one : area.children("chart:series")) {
            List<XmlNode> domains = one.children("chart:domain");
            for (int i = 0; i < domains.size(); i++) {
                List<Double> numbers = values(domains.get(i).get("table:cell-range-address"));
                if (i == 0 && kind == Chart.Kind.POINTS) across = numbers;
            }
            int at = column;
            List<Double> values = values(one.get("chart:values-cell-range-address"));
            List<XmlNode> label = cells(one.get("chart:label-cell-address"));
            String name = label != null && !label.isEmpty() ? text(label.get(0)) : cells(one.get("chart:values-cell-range-address")) == null
                    && !table.isEmpty() && at < table.get(0).size() ? text(table.get(0).get(at)) : "";
            Chart.Kind own = KINDS.get(one.get("chart:class", "").replaceFirst(".*:", ""));
            XmlNode dress = properties(one, "style:chart-properties");
            boolean marked = dress == null || !dress.get("chart:symbol-type", "automatic").equals("none");
            XmlNode line = properties(one, "style:graphic-properties");
            boolean lined = kind != Chart.Kind.POINTS || line != null && line.get("draw:stroke", "none").equals("solid");
            series.add(new Chart.Series(name, kind == Chart.Kind.POINTS ? across : List.of(), values, colour(one, own == null ? kind : own),
                    own == null || own == kind ? null : own, one.get("chart:attached-axis", "").contains("secondary"), lined, marked));
        }
        XmlNode title = chart.child("chart:title");
        XmlNode look = properties(area, "style:chart-properties");
        Chart.Grouping grouping = look == null ? Chart.Grouping.BESIDE : "true".equals(look.get("chart:percentage")) ? Chart.Grouping.SHARES
                : "true".equals(look.get("chart:stacked")) ? Chart.Grouping.STACKED : Chart.Grouping.BESIDE;
        Chart.Kind lying = kind == Chart.Kind.COLUMNS && look != null && "true".equals(look.get("chart:vertical")) ? Chart.Kind.BARS : kind;
        Chart.Dress plain = Chart.Dress.of(series);
        return new Chart(lying, title == null || title.text().isBlank() ? null : title.text().strip(), categories, series, grouping,
                new Chart.Dress(axis(area, "x", "primary"), axis(area, "y", "primary"), axis(area, "y", "secondary"), keys(chart), plain.labels(),
                plain.slices(), plain.gap(), plain.usual()));
    }

    private Chart.Axis axis(XmlNode area, String dimension, String which) {
        for (XmlNode one : area.children("chart:axis")) {
            if (!one.get("chart:dimension", "").equals(dimension) || !one.get("chart:name", "primary-" + dimension).startsWith(which)) continue;
            XmlNode title = one.child("chart:title");
            XmlNode look = properties(one, "style:chart-properties");
            return new Chart.Axis(title == null || title.text().isBlank() ? null : title.text().strip(), bound(look, "chart:minimum"),
                    bound(look, "chart:maximum"), null, look == null || !"false".equals(look.get("chart:display-label")));
        }
        return Chart.Axis.PLAIN;
    }

    private static Double bound(XmlNode look, String name) {
        String told = look == null ? null : look.get(name);
        return told != null && told.matches("-?\\d{1,15}(\\.\\d{1,15})?") ? Double.valueOf(told) : null;
    }

    private static Chart.Keys keys(XmlNode chart) {
        XmlNode legend = chart.child("chart:legend");
        if (legend == null) return Chart.Keys.NONE;
        return switch (legend.get("chart:legend-position", "end")) {
            case "bottom" -> Chart.Keys.BELOW;
            case "top" -> Chart.Keys.ABOVE;
            case "start" -> Chart.Keys.LEFT;
            default -> Chart.Keys.RIGHT;
        };
    }

    private void rows(XmlNode node) {
        for (XmlNode child : node.children()) {
            if (child.is("table:table-header-rows") || child.is("table:table-rows") || child.is("table:table-row-group")) rows(child);
            if (!child.is("table:table-row")) continue;
            List<XmlNode> row = new ArrayList<>();
            for (XmlNode cell : child.children()) {
                int times = times(cell, "table:number-columns-repeated");
                for (int i = 0; i < times && row.size() < MOST_COLUMNS; i++) row.add(cell);
            }
            int times = times(child, "table:number-rows-repeated");
            for (int i = 0; i < times && table.size() < MOST_ROWS; i++) table.add(row);
        }
    }

    private static int times(XmlNode node, String attribute) {
        String told = node.get(attribute, "1");
        return told.matches("\\d{1,7}") ? Math.max(1, Integer.parseInt(told)) : 1;
    }

    /** What stands in a column of the table, below its head. */
    private List<XmlNode> column(int number) {
        List<XmlNode> cells = new ArrayList<>();
        for (int r = 1; r < table.size(); r++) if (number < table.get(r).size()) cells.add(table.get(r).get(number));
        return cells;
    }

    private List<Double> values(String address) {
        List<XmlNode> cells = cells(address);
        List<Double> values = new ArrayList<>();
        for (XmlNode cell : cells == null ? column(column) : cells) values.add(number(cell));
        column++;
        return values;
    }

    /** The cells of an address in the chart's own table; null where it leads elsewhere. */
    private List<XmlNode> cells(String address) {
        if (address == null || !address.toLowerCase(Locale.ROOT).replace("'", "").startsWith("local-table.")) return null;
        List<int[]> corners = new ArrayList<>();
        Matcher place = PLACE.matcher(address.substring(address.indexOf('.') + 1));
        while (place.find() && corners.size() < 2) corners.add(new int[] {Integer.parseInt(place.group(2)) - 1, column(place.group(1))});
        List<XmlNode> cells = new ArrayList<>();
        if (corners.isEmpty()) return cells;
        int[] from = corners.get(0);
        int[] to = corners.get(corners.size() - 1);
        for (int r = from[0]; r <= Math.min(to[0], table.size() - 1); r++)
            for (int c = from[1]; c <= Math.min(to[1], table.get(r).size() - 1); c++) cells.add(table.get(r).get(c));
        return cells;
    }

    private static int column(String letters) {
        int column = 0;
        for (char letter : letters.toCharArray()) column = column * 26 + letter - 'A' + 1;
        return column - 1;
    }

    private static String text(XmlNode cell) {
        StringBuilder text = new StringBuilder();
        for (XmlNode line : cell.children("text:p")) text.append(text.isEmpty() ? "" : " ").append(line.text());
        return text.toString();
    }

    private static double number(XmlNode cell) {
        try {
            return Double.parseDouble(cell.get("office:value", text(cell).strip()));
        } catch (NumberFormatException e) {
            // A cell that holds no number leaves a gap, as in every chart.
            return Double.NaN;
        }
    }

    private XmlNode properties(XmlNode part, String kind) {
        XmlNode style = styles.get(part.get("chart:style-name", ""));
        return style == null ? null : style.child(kind);
    }

    private Integer colour(XmlNode series, Chart.Kind kind) {
        XmlNode look = properties(series, "style:graphic-properties");
        if (look == null) return null;
        boolean lines = kind == Chart.Kind.LINES || kind == Chart.Kind.POINTS;
        String told = lines ? look.get("svg:stroke-color", look.get("draw:fill-color")) : look.get("draw:fill-color");
        return told != null && told.matches("#[0-9a-fA-F]{6}") ? Integer.parseInt(told.substring(1), 16) : null;
    }
}
