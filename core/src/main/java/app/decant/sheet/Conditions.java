package app.decant.sheet;

import app.decant.document.Colour;
import app.decant.sheet.Condition.Average;
import app.decant.sheet.Condition.Bar;
import app.decant.sheet.Condition.Compared;
import app.decant.sheet.Condition.Formula;
import app.decant.sheet.Condition.Icons;
import app.decant.sheet.Condition.Kind;
import app.decant.sheet.Condition.Point;
import app.decant.sheet.Condition.Rule;
import app.decant.sheet.Condition.Scale;
import app.decant.sheet.Condition.Top;
import app.decant.sheet.Condition.Worded;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;

/** What the rules of a sheet come to, cell by cell (ISO/IEC 29500-1, 18.3.1.10). Values count as they were stored. */
final class Conditions {
    /** What a cell looks like where no rule is about it. */
    static final Shown PLAIN = new Shown(CellDress.NONE, null, 0, null, true);

    private final List<Condition> conditions;
    private final Sheet sheet;
    private final SheetFormulas formulas;
    private final Map<Rule, Numbers> numbers = new IdentityHashMap<>();
    private final Map<Rule, Map<String, Integer>> texts = new IdentityHashMap<>();
    private final Map<Condition, Boolean> unmet = new IdentityHashMap<>();

    /**
     * What rules make of a cell.
     *
     * @param bar    the colour of a bar, or null
     * @param length of the bar as a share of the cell's width
     * @param icon   the sign beside it, or null
     * @param telling whether what it holds is seen
     */
    record Shown(CellDress dress, Colour bar, double length, CellSign icon, boolean telling) { }

    /** All numbers of a rule's places in order. */
    private static final class Numbers {
        final double[] sorted;
        final double mean;
        final double deviation;

        Numbers(double[] sorted) {
            this.sorted = sorted;
            mean = Arrays.stream(sorted).average().orElse(0);
            deviation = Math.sqrt(Arrays.stream(sorted).map(value -> (value - mean) * (value - mean)).average().orElse(0));
        }

        /** Between neighbours by their distance, ends included. */
        double percentile(double share) {
            double at = Math.max(0, Math.min(1, share)) * (sorted.length - 1);
            int low = (int) Math.floor(at);
            return low + 1 >= sorted.length ? sorted[sorted.length - 1] : sorted[low] + (at - low) * (sorted[low + 1] - sorted[low]);
        }
    }

    private Conditions(Workbook workbook, Sheet sheet) {
        this.sheet = sheet;
        conditions = sheet.conditions().stream().sorted(Comparator.comparingInt(Condition::rank)).toList();
        formulas = new SheetFormulas(workbook, sheet);
    }

    static Conditions of(Workbook workbook, Sheet sheet) { return new Conditions(workbook, sheet); }

    /** How many rules could not be followed, as far as cells were asked for. */
    int unmet() { return unmet.size(); }

    /** What the rules make of a cell. */
    Shown of(int row, Cell cell) {
        CellDress dress = CellDress.NONE;
        Bar bar = null;
        double length = 0;
        CellSign icon = null;
        boolean telling = true;
        boolean any = false;
        for (Condition one : conditions) {
            if (one.places().stream().noneMatch(place -> place.holds(row, cell.column()))) continue;
            boolean holds = true;
            if (one.rule() instanceof Scale scale) {
                Colour colour = colour(one, scale, cell.value());
                holds = colour != null;
                if (holds) dress = dress.over(new CellDress(CellDress.NONE.font(), colour, null, null));
            } else if (one.rule() instanceof Bar told) {
                double share = length(one, told, cell.value());
                holds = !Double.isNaN(share);
                if (holds && bar == null) {
                    bar = told;
                    length = share;
                    telling &= told.telling();
                }
            } else if (one.rule() instanceof Icons told) {
                CellSign sign = icon(one, told, cell.value());
                holds = sign != null;
                if (holds && icon == null) {
                    icon = sign;
                    telling &= told.telling();
                }
            } else {
                holds = holds(one, row, cell);
                if (holds) dress = dress.over(one.rule().dress());
            }
            any |= holds;
            if (holds && one.last()) break;
        }
        return any ? new Shown(dress, bar == null ? null : bar.colour(), length, icon, telling) : PLAIN;
    }

    private boolean holds(Condition one, int row, Cell cell) {
        CellValue value = cell.value();
        if (one.rule() instanceof Compared rule) return compared(one, rule, row, cell);
        if (one.rule() instanceof Worded rule) return worded(rule, text(value));
        if (one.rule() instanceof Kind rule) return is(one, rule, cell);
        if (one.rule() instanceof Top rule) return value instanceof CellValue.Number number && among(one, rule, number.value());
        if (one.rule() instanceof Average rule) return value instanceof CellValue.Number number && beyond(one, rule, number.value());
        if (!(one.rule() instanceof Formula rule)) return false;
        CellValue result = worked(one, rule.formula(), row, cell.column());
        return result instanceof CellValue.Truth truth && truth.value() || result instanceof CellValue.Number number && number.value() != 0;
    }

    private boolean compared(Condition one, Compared rule, int row, Cell cell) {
        CellValue value = cell.value();
        CellValue first = worked(one, rule.first(), row, cell.column());
        if (first == null || value instanceof CellValue.Failure) return false;
        int against = order(value, first);
        if (rule.comparison() == Condition.Comparison.BETWEEN || rule.comparison() == Condition.Comparison.OUTSIDE) {
            CellValue second = worked(one, rule.second(), row, cell.column());
            if (second == null) return false;
            int other = order(value, second);
            boolean between = against >= 0 && other <= 0 || against <= 0 && other >= 0;
            return !(value instanceof CellValue.Empty) && between == (rule.comparison() == Condition.Comparison.BETWEEN);
        }
        boolean empty = value instanceof CellValue.Empty && !(first instanceof CellValue.Number number && number.value() == 0);
        return switch (rule.comparison()) {
            case LESS -> !empty && against < 0;
            case AT_MOST -> !empty && against <= 0;
            case EQUAL -> against == 0;
            case OTHER -> against != 0;
            case AT_LEAST -> !empty && against >= 0;
            default -> !empty && against > 0;
        };
    }

    /** Numbers come before words, words before truths; the case of letters does not count; what is empty is as nothing of its kind (18.17.2.2). */
    private static int order(CellValue one, CellValue other) {
        CellValue a = one instanceof CellValue.Empty ? empty(other) : one;
        CellValue b = other instanceof CellValue.Empty ? empty(one) : other;
        int kinds = Integer.compare(kind(a), kind(b));
        if (kinds != 0) return kinds;
        if (a instanceof CellValue.Number x && b instanceof CellValue.Number y) return Double.compare(x.value(), y.value());
        if (a instanceof CellValue.Truth x && b instanceof CellValue.Truth y) return Boolean.compare(x.value(), y.value());
        return text(a).compareToIgnoreCase(text(b));
    }

    private static CellValue empty(CellValue like) {
        return like instanceof CellValue.Text ? new CellValue.Text("") : like instanceof CellValue.Truth ? new CellValue.Truth(false) : new CellValue.Number(0);
    }

    private static int kind(CellValue value) { return value instanceof CellValue.Number ? 0 : value instanceof CellValue.Text ? 1 : 2; }

    private static boolean worded(Worded rule, String text) {
        String said = text.toLowerCase(Locale.ROOT);
        String words = rule.words().toLowerCase(Locale.ROOT);
        return switch (rule.where()) {
            case WITHIN -> said.contains(words);
            case NOT_WITHIN -> !said.contains(words);
            case AT_START -> said.startsWith(words);
            case AT_END -> said.endsWith(words);
        };
    }

    private static String text(CellValue value) {
        if (value instanceof CellValue.Text text) return text.text();
        if (value instanceof CellValue.Number number) return number.value() == Math.rint(number.value()) && Math.abs(number.value()) < 1e15
                ? Long.toString((long) number.value()) : Double.toString(number.value());
        if (value instanceof CellValue.Truth truth) return truth.value() ? "TRUE" : "FALSE";
        return value instanceof CellValue.Failure failure ? failure.code() : "";
    }

    private boolean is(Condition one, Kind rule, Cell cell) {
        return switch (rule.state()) {
            case EMPTY -> text(cell.value()).isBlank();
            case FILLED -> !text(cell.value()).isBlank();
            case FAILED -> cell.value() instanceof CellValue.Failure;
            case SOUND -> !(cell.value() instanceof CellValue.Failure);
            case REPEATED -> !cell.isEmpty() && count(one, cell) > 1;
            case UNIQUE -> !cell.isEmpty() && count(one, cell) == 1;
        };
    }

    private int count(Condition one, Cell cell) {
        Map<String, Integer> counts = texts.computeIfAbsent(one.rule(), key -> {
            Map<String, Integer> found = new HashMap<>();
            each(one, other -> found.merge(kind(other) + text(other).toLowerCase(Locale.ROOT), 1, Integer::sum));
            return found;
        });
        return counts.getOrDefault(kind(cell.value()) + text(cell.value()).toLowerCase(Locale.ROOT), 0);
    }

    private boolean among(Condition one, Top rule, double value) {
        double[] sorted = numbers(one).sorted;
        int count = rule.share() ? Math.max(1, (int) Math.floor(sorted.length * rule.count() / 100.0)) : Math.max(1, rule.count());
        if (count >= sorted.length) return true;
        return rule.least() ? value <= sorted[count - 1] : value >= sorted[sorted.length - count];
    }

    private boolean beyond(Condition one, Average rule, double value) {
        Numbers all = numbers(one);
        double edge = all.mean + (rule.above() ? 1 : -1) * rule.deviations() * all.deviation;
        return rule.equal() && value == edge || (rule.above() ? value > edge : value < edge);
    }

    private Colour colour(Condition one, Scale scale, CellValue value) {
        if (!(value instanceof CellValue.Number number)) return null;
        double[] points = points(one, scale.points());
        if (points == null) return null;
        int last = points.length - 1;
        if (number.value() <= points[0]) return scale.colours().get(0);
        for (int i = 1; i <= last; i++) {
            if (number.value() > points[i]) continue;
            double share = points[i] > points[i - 1] ? (number.value() - points[i - 1]) / (points[i] - points[i - 1]) : 1;
            return scale.colours().get(i).mixed(scale.colours().get(i - 1), share);
        }
        return scale.colours().get(last);
    }

    /** As a share of the cell's width; not a number where there is no bar. */
    private double length(Condition one, Bar bar, CellValue value) {
        if (!(value instanceof CellValue.Number number)) return Double.NaN;
        double[] ends = points(one, List.of(bar.from(), bar.to()));
        if (ends == null) return Double.NaN;
        double share = ends[1] > ends[0] ? Math.max(0, Math.min(1, (number.value() - ends[0]) / (ends[1] - ends[0]))) : number.value() >= ends[1] ? 1 : 0;
        return bar.shortest() + share * (bar.longest() - bar.shortest());
    }

    private CellSign icon(Condition one, Icons icons, CellValue value) {
        if (!(value instanceof CellValue.Number number)) return null;
        double[] points = points(one, icons.points());
        if (points == null) return null;
        int level = 0;
        for (int i = 1; i < points.length; i++)
            if (number.value() > points[i] || icons.points().get(i).orMore() && number.value() == points[i]) level = i;
        return CellSign.of(icons.set(), icons.turned() ? points.length - 1 - level : level, points.length);
    }

    /** Where the points of a scale lie; null where one can't be told. */
    private double[] points(Condition one, List<Point> points) {
        Numbers all = numbers(one);
        if (all.sorted.length == 0) return null;
        double least = all.sorted[0];
        double most = all.sorted[all.sorted.length - 1];
        double[] told = new double[points.size()];
        for (int i = 0; i < told.length; i++) {
            Point point = points.get(i);
            CellValue value = point.value() == null ? null : worked(one, point.value(), one.places().get(0).top(), one.places().get(0).left());
            double number = value instanceof CellValue.Number found ? found.value() : Double.NaN;
            told[i] = switch (point.by()) {
                case LEAST -> least;
                case MOST -> most;
                case NUMBER, FORMULA -> number;
                case SHARE -> least + (most - least) * number / 100;
                case PERCENTILE -> all.percentile(number / 100);
            };
            if (Double.isNaN(told[i])) return null;
        }
        return told;
    }

    private Numbers numbers(Condition one) {
        return numbers.computeIfAbsent(one.rule(), key -> {
            List<Double> found = new ArrayList<>();
            each(one, value -> {
                if (value instanceof CellValue.Number number) found.add(number.value());
            });
            return new Numbers(found.stream().mapToDouble(Double::doubleValue).sorted().toArray());
        });
    }

    /** All that stands in the places of a rule, each cell once. */
    private void each(Condition one, Consumer<CellValue> told) {
        for (Row row : sheet.rows()) {
            List<Range> here = one.places().stream().filter(place -> row.index() >= place.top() && row.index() <= place.bottom()).toList();
            if (here.isEmpty()) continue;
            for (Cell cell : row.cells())
                if (!cell.isEmpty() && here.stream().anyMatch(place -> place.holds(row.index(), cell.column()))) told.accept(cell.value());
        }
    }

    /** What a formula comes to for a cell; null where it can't be worked out, which is counted. */
    private CellValue worked(Condition one, String formula, int row, int column) {
        CellValue value = formula == null ? null : formulas.worked(formula, row, column, one.places().get(0));
        if (value == null) unmet.put(one, true);
        return value;
    }
}
