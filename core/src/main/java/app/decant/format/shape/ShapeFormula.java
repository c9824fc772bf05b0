package app.decant.format.shape;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Works out what the points of a custom shape come to (ISO/IEC 26300-1, 19.171, {@code draw:formula}). What makes no sense is nothing. */
final class ShapeFormula {
    private static final Pattern TOKEN = Pattern.compile("\\s*(\\?[A-Za-z0-9_]+|\\$\\d+|[A-Za-z]+\\d?"
            + "|(?:\\d+\\.?\\d*|\\.\\d+)(?:[eE][-+]?\\d{1,3})?|[-+*/(),])");
    private static final int DEEPEST = 100;

    private final Map<String, String> formulas;
    private final List<Double> modifiers;
    private final Map<String, Double> given;
    private final Map<String, Double> known = new HashMap<>();

    /**
     * The formulas of a shape.
     *
     * @param formulas  by their names
     * @param modifiers what a person has adjusted, in order
     * @param given     what is known of the shape, such as its width
     */
    ShapeFormula(Map<String, String> formulas, List<Double> modifiers, Map<String, Double> given) {
        this.formulas = formulas;
        this.modifiers = modifiers;
        this.given = given;
    }

    /** What a number, the name of a formula, or a modifier comes to. */
    double value(String term) { return new Reading(term, 0).all(); }

    private double named(String name, int depth) {
        Double before = known.get(name);
        if (before != null) return before;
        String formula = formulas.get(name);
        if (formula == null || depth > DEEPEST) return 0;
        // One that leads to itself finds this.
        known.put(name, 0.0);
        double value = new Reading(formula, depth + 1).all();
        known.put(name, value);
        return value;
    }

    /** One formula while it is read. */
    private final class Reading {
        private final List<String> tokens = new ArrayList<>();
        private final int depth;
        private int at;
        private int nested;

        Reading(String formula, int depth) {
            this.depth = depth;
            Matcher found = TOKEN.matcher(formula);
            while (found.lookingAt()) {
                tokens.add(found.group(1));
                found.region(found.end(), formula.length());
            }
        }

        double all() {
            double value = sum();
            return Double.isFinite(value) ? value : 0;
        }

        private boolean takes(String token) {
            if (at >= tokens.size() || !tokens.get(at).equals(token)) return false;
            at++;
            return true;
        }

        private double sum() {
            double value = product();
            while (true) {
                if (takes("+")) value += product();
                else if (takes("-")) value -= product();
                else return value;
            }
        }

        private double product() {
            double value = signed();
            while (true) {
                if (takes("*")) value *= signed();
                else if (takes("/")) value /= signed();
                else return value;
            }
        }

        private double signed() {
            boolean negative = false;
            while (true) {
                if (takes("-")) negative = !negative;
                else if (!takes("+")) return negative ? -term() : term();
            }
        }

        private double term() {
            if (at >= tokens.size() || nested > DEEPEST) return 0;
            String token = tokens.get(at++);
            char first = token.charAt(0);
            if (first == '(') {
                nested++;
                double value = sum();
                nested--;
                takes(")");
                return value;
            }
            if (first == '?') return named(token.substring(1), depth);
            if (first == '$') {
                int number = Integer.parseInt(token.substring(1, Math.min(token.length(), 6)));
                return number < modifiers.size() ? modifiers.get(number) : 0;
            }
            if (Character.isLetter(first)) return takes("(") ? called(token.toLowerCase(Locale.ROOT)) : given.getOrDefault(token, 0.0);
            return Character.isDigit(first) || first == '.' ? Double.parseDouble(token) : 0;
        }

        private double called(String function) {
            nested++;
            List<Double> with = new ArrayList<>(List.of(sum()));
            while (takes(",")) with.add(sum());
            nested--;
            takes(")");
            double first = with.get(0);
            double second = with.size() > 1 ? with.get(1) : 0;
            return switch (function) {
                case "abs" -> Math.abs(first);
                case "sqrt" -> Math.sqrt(first);
                case "sin" -> Math.sin(first);
                case "cos" -> Math.cos(first);
                case "tan" -> Math.tan(first);
                case "atan" -> Math.atan(first);
                case "atan2" -> Math.atan2(first, second);
                case "min" -> Math.min(first, second);
                case "max" -> Math.max(first, second);
                case "if" -> first > 0 ? second : with.size() > 2 ? with.get(2) : 0;
                default -> 0;
            };
        }
    }
}
