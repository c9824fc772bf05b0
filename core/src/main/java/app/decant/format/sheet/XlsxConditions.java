package app.decant.format.sheet;

import app.decant.document.Colour;
import app.decant.sheet.CellDress;
import app.decant.sheet.Condition;
import app.decant.sheet.Condition.By;
import app.decant.sheet.Condition.Comparison;
import app.decant.sheet.Condition.Point;
import app.decant.sheet.Condition.Rule;
import app.decant.sheet.Condition.State;
import app.decant.sheet.Condition.Where;
import app.decant.sheet.Range;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Rules by which cells look otherwise, as Office Open XML tells them (ISO/IEC 29500-1, 18.3.1.18 and 18.3.1.10). */
final class XlsxConditions {
    private static final Map<String, Comparison> COMPARISONS = Map.of("lessThan", Comparison.LESS, "lessThanOrEqual", Comparison.AT_MOST, "equal",
            Comparison.EQUAL, "notEqual", Comparison.OTHER, "greaterThanOrEqual", Comparison.AT_LEAST, "greaterThan", Comparison.MORE, "between",
            Comparison.BETWEEN, "notBetween", Comparison.OUTSIDE);
    private static final Map<String, Where> WHERE = Map.of("containsText", Where.WITHIN, "notContainsText", Where.NOT_WITHIN, "beginsWith", Where.AT_START,
            "endsWith", Where.AT_END);
    private static final Map<String, State> STATES = Map.of("containsBlanks", State.EMPTY, "notContainsBlanks", State.FILLED, "containsErrors", State.FAILED,
            "notContainsErrors", State.SOUND, "duplicateValues", State.REPEATED, "uniqueValues", State.UNIQUE);
    private static final Map<String, By> POINTS = Map.of("min", By.LEAST, "max", By.MOST, "num", By.NUMBER, "percent", By.SHARE, "percentile", By.PERCENTILE,
            "formula", By.FORMULA);
    /** Of all rules of a sheet together: each cell is looked for in them. */
    private static final int MOST_PLACES = 10_000;
    private static final int MOST_RULES = 1000;

    private final XlsxStyles styles;
    private final List<Condition> conditions = new ArrayList<>();
    private int unknown;
    private int told;

    XlsxConditions(XlsxStyles styles) { this.styles = styles; }

    List<Condition> conditions() { return conditions; }

    /** How many rules are of kinds that are not followed here, such as those that ask what day it is. */
    int unknown() { return unknown; }

    /** Reads all rules about some places. */
    void read(XmlNode node) {
        List<Range> places = new ArrayList<>();
        for (String place : node.get("sqref", "").strip().split("\\s+")) {
            Range range = Range.of(place);
            if (range != null && ++told <= MOST_PLACES) places.add(range);
        }
        for (XmlNode one : node.children("x:cfRule")) {
            Rule rule = places.isEmpty() ? null : rule(one);
            int rank = XlsxReader.whole(one.get("priority"), Integer.MAX_VALUE);
            if (rule == null || conditions.size() >= MOST_RULES) unknown++;
            else conditions.add(new Condition(places, rank, XlsxReader.isTrue(one.get("stopIfTrue")), rule));
        }
    }

    private Rule rule(XmlNode node) {
        String type = node.get("type", "");
        CellDress dress = styles.dress(XlsxReader.whole(node.get("dxfId"), -1));
        List<String> formulas = node.children("x:formula").stream().map(XmlNode::text).toList();
        if (type.equals("cellIs")) {
            Comparison comparison = COMPARISONS.get(node.get("operator", ""));
            boolean two = comparison == Comparison.BETWEEN || comparison == Comparison.OUTSIDE;
            return comparison == null || formulas.size() < (two ? 2 : 1) ? null : new Condition.Compared(comparison, formulas.get(0), two ? formulas.get(1)
                    : null, dress);
        }
        if (WHERE.containsKey(type) && node.get("text") != null) return new Condition.Worded(WHERE.get(type), node.get("text"), dress);
        if (STATES.containsKey(type)) return new Condition.Kind(STATES.get(type), dress);
        return switch (type) {
            case "expression" -> formulas.isEmpty() ? null : new Condition.Formula(formulas.get(0), dress);
            case "top10" -> new Condition.Top(Math.max(1, XlsxReader.whole(node.get("rank"), 10)), XlsxReader.isTrue(node.get("percent")),
                    XlsxReader.isTrue(node.get("bottom")), dress);
            case "aboveAverage" -> new Condition.Average(!"0".equals(node.get("aboveAverage")) && !"false".equals(node.get("aboveAverage")),
                    XlsxReader.isTrue(node.get("equalAverage")), Math.max(0, XlsxReader.whole(node.get("stdDev"), 0)), dress);
            case "colorScale" -> scale(node.child("x:colorScale"));
            case "dataBar" -> bar(node.child("x:dataBar"));
            case "iconSet" -> icons(node.child("x:iconSet"));
            default -> null;
        };
    }

    private Rule scale(XmlNode node) {
        if (node == null) return null;
        List<Point> points = points(node);
        List<Colour> colours = colours(node);
        return points.size() < 2 || points.size() != colours.size() ? null : new Condition.Scale(points, colours);
    }

    private Rule bar(XmlNode node) {
        if (node == null) return null;
        List<Point> points = points(node);
        List<Colour> colours = colours(node);
        if (points.size() != 2 || colours.isEmpty()) return null;
        double shortest = Math.max(0, Math.min(100, XlsxReader.number(node.get("minLength"), 10))) / 100;
        double longest = Math.max(0, Math.min(100, XlsxReader.number(node.get("maxLength"), 90))) / 100;
        return new Condition.Bar(points.get(0), points.get(1), colours.get(0), Math.min(shortest, longest), longest, isShown(node));
    }

    private static Rule icons(XmlNode node) {
        if (node == null) return null;
        List<Point> points = points(node);
        if (points.size() < 2) return null;
        return new Condition.Icons(node.get("iconSet", "3TrafficLights1"), points, XlsxReader.isTrue(node.get("reverse")), isShown(node));
    }

    private static boolean isShown(XmlNode node) { return node.get("showValue") == null || XlsxReader.isTrue(node.get("showValue")); }

    private static List<Point> points(XmlNode node) {
        List<Point> points = new ArrayList<>();
        for (XmlNode one : node.children("x:cfvo")) {
            By by = POINTS.get(one.get("type", ""));
            if (by != null) points.add(new Point(by, one.get("val"), one.get("gte") == null || XlsxReader.isTrue(one.get("gte"))));
        }
        return points;
    }

    private List<Colour> colours(XmlNode node) {
        List<Colour> colours = new ArrayList<>();
        for (XmlNode one : node.children("x:color")) {
            Colour colour = styles.colour(one);
            if (colour != null) colours.add(colour);
        }
        return colours;
    }

    /**
     * Writes the rules of a sheet.
     *
     * @param dresses of the workbook, which rules name by their place
     */
    static void write(XmlWriter xml, List<Condition> conditions, List<CellDress> dresses) {
        int rank = 0;
        for (Condition one : conditions.stream().sorted((a, b) -> Integer.compare(a.rank(), b.rank())).toList()) {
            xml.open("conditionalFormatting", "sqref", String.join(" ", one.places().stream().map(Range::toString).toList()));
            rule(xml, one, ++rank, dresses);
            xml.close();
        }
    }

    private static void rule(XmlWriter xml, Condition one, int rank, List<CellDress> dresses) {
        Rule rule = one.rule();
        Object dxf = rule.dress().equals(CellDress.NONE) ? null : dresses.indexOf(rule.dress());
        String last = one.last() ? "1" : null;
        if (rule instanceof Condition.Compared compared) {
            xml.open("cfRule", "type", "cellIs", "dxfId", dxf, "priority", rank, "stopIfTrue", last, "operator", key(COMPARISONS, compared.comparison()));
            formula(xml, compared.first());
            if (compared.second() != null) formula(xml, compared.second());
        } else if (rule instanceof Condition.Worded worded) {
            String operator = switch (worded.where()) {
                case WITHIN -> "containsText";
                case NOT_WITHIN -> "notContains";
                case AT_START -> "beginsWith";
                case AT_END -> "endsWith";
            };
            xml.open("cfRule", "type", key(WHERE, worded.where()), "dxfId", dxf, "priority", rank, "stopIfTrue", last, "operator", operator, "text",
                    worded.words());
            formula(xml, asked(worded, one.places().get(0)));
        } else if (rule instanceof Condition.Kind kind) {
            xml.open("cfRule", "type", key(STATES, kind.state()), "dxfId", dxf, "priority", rank, "stopIfTrue", last);
            String cell = Range.name(one.places().get(0).top(), one.places().get(0).left());
            switch (kind.state()) {
                case EMPTY -> formula(xml, "LEN(TRIM(" + cell + "))=0");
                case FILLED -> formula(xml, "LEN(TRIM(" + cell + "))>0");
                case FAILED -> formula(xml, "ISERROR(" + cell + ")");
                case SOUND -> formula(xml, "NOT(ISERROR(" + cell + "))");
                default -> { }
            }
        } else if (rule instanceof Condition.Top top) {
            xml.open("cfRule", "type", "top10", "dxfId", dxf, "priority", rank, "stopIfTrue", last, "percent", top.share() ? "1" : null, "bottom",
                    top.least() ? "1" : null, "rank", top.count());
        } else if (rule instanceof Condition.Average average) {
            xml.open("cfRule", "type", "aboveAverage", "dxfId", dxf, "priority", rank, "stopIfTrue", last, "aboveAverage", average.above() ? null : "0",
                    "stdDev", average.deviations() == 0 ? null : average.deviations(), "equalAverage", average.equal() ? "1" : null);
        } else if (rule instanceof Condition.Formula formula) {
            xml.open("cfRule", "type", "expression", "dxfId", dxf, "priority", rank, "stopIfTrue", last);
            formula(xml, formula.formula());
        } else if (rule instanceof Condition.Scale scale) {
            xml.open("cfRule", "type", "colorScale", "priority", rank, "stopIfTrue", last);
            xml.open("colorScale");
            points(xml, scale.points());
            for (Colour colour : scale.colours()) xml.leaf("color", "rgb", "FF" + colour.hex());
            xml.close();
        } else if (rule instanceof Condition.Bar bar) {
            xml.open("cfRule", "type", "dataBar", "priority", rank, "stopIfTrue", last);
            xml.open("dataBar", "minLength", Math.round(bar.shortest() * 100), "maxLength", Math.round(bar.longest() * 100), "showValue", bar.telling() ? null
                    : "0");
            points(xml, List.of(bar.from(), bar.to()));
            xml.leaf("color", "rgb", "FF" + bar.colour().hex());
            xml.close();
        } else if (rule instanceof Condition.Icons icons) {
            xml.open("cfRule", "type", "iconSet", "priority", rank, "stopIfTrue", last);
            xml.open("iconSet", "iconSet", icons.set(), "showValue", icons.telling() ? null : "0", "reverse", icons.turned() ? "1" : null);
            points(xml, icons.points());
            xml.close();
        }
        xml.close();
    }

    /** What a rule about words asks, as a formula, which files tell beside it. */
    private static String asked(Condition.Worded worded, Range place) {
        String cell = Range.name(place.top(), place.left());
        String words = '"' + worded.words().replace("\"", "\"\"") + '"';
        int length = worded.words().length();
        return switch (worded.where()) {
            case WITHIN -> "NOT(ISERROR(SEARCH(" + words + "," + cell + ")))";
            case NOT_WITHIN -> "ISERROR(SEARCH(" + words + "," + cell + "))";
            case AT_START -> "LEFT(" + cell + "," + length + ")=" + words;
            case AT_END -> "RIGHT(" + cell + "," + length + ")=" + words;
        };
    }

    private static void points(XmlWriter xml, List<Point> points) {
        for (Point point : points) xml.leaf("cfvo", "type", key(POINTS, point.by()), "val", point.value(), "gte", point.orMore() ? null : "0");
    }

    private static <T> String key(Map<String, T> names, T value) {
        return names.entrySet().stream().filter(entry -> entry.getValue() == value).findFirst().orElseThrow().getKey();
    }

    private static void formula(XmlWriter xml, String formula) {
        xml.open("formula");
        xml.text(formula);
        xml.close();
    }
}
