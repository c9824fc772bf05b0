package app.decant.format.sheet;

import app.decant.sheet.CellCheck;
import app.decant.sheet.CellCheck.Kind;
import app.decant.sheet.CellCheck.Strictness;
import app.decant.sheet.CellCheck.Words;
import app.decant.sheet.Condition.Comparison;
import app.decant.sheet.Range;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlWriter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Checks of what may be typed, as OpenDocument tells them (ISO/IEC 26300-1, 9.4.5 and 19.601): once by name, and by that name in cells. */
final class OdsChecks {
    private static final Pattern PREFIX = Pattern.compile("^[A-Za-z]+:(?=[a-z])");
    private static final Pattern TWO = Pattern.compile("(?:cell-content|cell-content-text-length)-is-(not-)?between\\((.*)\\)");
    private static final Pattern ONE = Pattern.compile("(?:cell-content|cell-content-text-length)\\(\\)(<=|>=|!=|<|>|=)(.*)");
    private static final Map<String, Comparison> SIGNS = Map.of("<", Comparison.LESS, "<=", Comparison.AT_MOST, "=", Comparison.EQUAL, "!=", Comparison.OTHER,
            ">=", Comparison.AT_LEAST, ">", Comparison.MORE);
    private static final Map<Kind, String> KINDS = Map.of(Kind.WHOLE_NUMBER, "cell-content-is-whole-number()", Kind.NUMBER,
            "cell-content-is-decimal-number()", Kind.DAY, "cell-content-is-date()", Kind.TIME, "cell-content-is-time()");

    private final Map<String, XmlNode> told = new LinkedHashMap<>();

    /** @param told the element that holds them all, or null */
    OdsChecks(XmlNode told) {
        if (told != null) for (XmlNode one : told.children("table:content-validation")) this.told.put(one.get("table:name", ""), one);
    }

    /** The check of a name for some cells; null for one that is not there or can't be read. */
    CellCheck check(String name, List<Range> places) {
        XmlNode node = told.get(name);
        if (node == null) return null;
        XmlNode refusal = node.child("table:error-message");
        XmlNode prompt = node.child("table:help-message");
        Strictness strictness = refusal == null || !"true".equals(refusal.get("table:display", "true")) ? Strictness.SILENT
                : switch (refusal.get("table:message-type", "stop")) {
                    case "warning" -> Strictness.WARN;
                    case "information" -> Strictness.TELL;
                    default -> Strictness.STOP;
                };
        boolean prompts = prompt != null && "true".equals(prompt.get("table:display", "true"));
        Asked asked = asked(PREFIX.matcher(node.get("table:condition", "")).replaceFirst("").strip());
        if (asked == null) return null;
        return new CellCheck(places, asked.kind, asked.comparison, asked.first, asked.second, !"false".equals(node.get("table:allow-empty-cell")),
                !"none".equals(node.get("table:display-list")), prompts ? words(prompt) : null, refusal == null ? null : words(refusal), strictness);
    }

    private record Asked(Kind kind, Comparison comparison, String first, String second) { }

    private static Words words(XmlNode node) {
        String text = String.join("\n", node.children("text:p").stream().map(XmlNode::text).toList());
        String title = node.get("table:title", "");
        return title.isEmpty() && text.isEmpty() ? null : new Words(title, text);
    }

    private static Asked asked(String condition) {
        if (condition.isEmpty()) return new Asked(Kind.ANYTHING, Comparison.BETWEEN, null, null);
        if (condition.startsWith("is-true-formula(") && condition.endsWith(")"))
            return new Asked(Kind.FORMULA, Comparison.BETWEEN, plain(condition.substring(16, condition.length() - 1)), null);
        if (condition.startsWith("cell-content-is-in-list(") && condition.endsWith(")"))
            return new Asked(Kind.LIST, Comparison.BETWEEN, list(condition.substring(24, condition.length() - 1)), null);
        Kind kind = condition.contains("text-length") ? Kind.LENGTH : Kind.ANYTHING;
        String rest = condition;
        for (Map.Entry<Kind, String> one : KINDS.entrySet()) if (condition.startsWith(one.getValue())) {
            kind = one.getKey();
            rest = condition.substring(one.getValue().length()).replaceFirst("^\\s*and\\s*", "");
        }
        if (kind == Kind.ANYTHING) return null;
        if (rest.isEmpty()) return new Asked(kind, Comparison.AT_LEAST, "0", null);
        Matcher two = TWO.matcher(rest);
        if (two.matches()) {
            int comma = separator(two.group(2));
            return comma < 0 ? null : new Asked(kind, two.group(1) == null ? Comparison.BETWEEN : Comparison.OUTSIDE, plain(two.group(2).substring(0, comma)),
                    plain(two.group(2).substring(comma + 1)));
        }
        Matcher one = ONE.matcher(rest);
        return one.matches() ? new Asked(kind, SIGNS.get(one.group(1)), plain(one.group(2)), null) : null;
    }

    /** The first comma or semicolon that is in no brackets and no quotes. */
    private static int separator(String text) {
        int depth = 0;
        boolean quoted = false;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c == '"') quoted = !quoted;
            if (!quoted && (c == '(' || c == '[')) depth++;
            if (!quoted && (c == ')' || c == ']')) depth--;
            if (!quoted && depth == 0 && (c == ',' || c == ';')) return i;
        }
        return -1;
    }

    private static String plain(String formula) { return OdsFormula.plain("of:=" + formula.strip()); }

    /** Words in quotes become one text with commas between them; anything else is a place. */
    private static String list(String told) {
        if (!told.strip().startsWith("\"")) return plain(told);
        List<String> words = new ArrayList<>();
        Matcher word = Pattern.compile("\"((?:[^\"]|\"\")*)\"").matcher(told);
        while (word.find()) words.add(word.group(1));
        return "\"" + String.join(",", words) + "\"";
    }

    /** Writes a check by its name; what it is about are the cells that name it. */
    static void write(XmlWriter xml, String name, CellCheck check, String base) {
        xml.open("table:content-validation", "table:name", name, "table:condition", condition(check), "table:allow-empty-cell", String.valueOf(check.blanks()),
                "table:display-list", check.kind() != Kind.LIST ? null : check.choices() ? "unsorted" : "none", "table:base-cell-address", base);
        if (check.prompt() != null) words(xml, "table:help-message", check.prompt(), "table:display", "true");
        if (check.refusal() != null || check.strictness() != Strictness.SILENT) {
            String kind = check.strictness() == Strictness.WARN ? "warning" : check.strictness() == Strictness.TELL ? "information" : "stop";
            words(xml, "table:error-message", check.refusal() == null ? new Words("", "") : check.refusal(), "table:message-type", kind, "table:display",
                    String.valueOf(check.strictness() != Strictness.SILENT));
        }
        xml.close();
    }

    private static void words(XmlWriter xml, String name, Words words, Object... attributes) {
        List<Object> all = new ArrayList<>(List.of(attributes));
        if (!words.title().isEmpty()) all.addAll(List.of("table:title", words.title()));
        xml.open(name, all.toArray());
        if (!words.text().isEmpty()) for (String line : words.text().split("\n", -1)) xml.open("text:p").text(line).close();
        xml.close();
    }

    /** The condition in the words of OpenDocument; null for one that asks nothing. */
    static String condition(CellCheck check) {
        if (check.kind() == Kind.ANYTHING || check.first() == null) return null;
        if (check.kind() == Kind.FORMULA) return "of:is-true-formula(" + open(check.first()) + ")";
        if (check.kind() == Kind.LIST) return "of:cell-content-is-in-list(" + listed(check.first()) + ")";
        String what = check.kind() == Kind.LENGTH ? "cell-content-text-length" : "cell-content";
        String head = check.kind() == Kind.LENGTH ? "" : KINDS.get(check.kind()) + " and ";
        if (check.comparison() == Comparison.BETWEEN || check.comparison() == Comparison.OUTSIDE)
            return "of:" + head + what + "-is-" + (check.comparison() == Comparison.OUTSIDE ? "not-" : "") + "between(" + open(check.first()) + ","
                    + open(check.second() == null ? check.first() : check.second()) + ")";
        String sign = SIGNS.entrySet().stream().filter(one -> one.getValue() == check.comparison()).map(Map.Entry::getKey).findFirst().orElse("=");
        return "of:" + head + what + "()" + sign + open(check.first());
    }

    private static String open(String formula) {
        String open = OdsFormula.open(formula);
        return open == null ? formula : open;
    }

    private static String listed(String told) {
        if (!told.startsWith("\"") || !told.endsWith("\"") || told.length() < 2) return open(told);
        List<String> words = new ArrayList<>();
        for (String one : told.substring(1, told.length() - 1).split(",", -1)) words.add("\"" + one.strip() + "\"");
        return String.join(";", words);
    }
}
