package app.decant.format.sheet;

import app.decant.sheet.CellStyle;
import app.decant.xml.XmlNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;

/** Number styles of OpenDocument (ISO/IEC 26300-1, 16.29) as the codes that others use (ISO/IEC 29500-1, 18.8.31). */
final class OdsNumbers {
    private static final Set<List<String>> USUAL = Set.of(List.of(">=0"), List.of(">0", "<0"), List.of(">0", "<0", "=0"));

    private OdsNumbers() { }

    static String code(XmlNode style, Map<String, XmlNode> all) {
        StringBuilder code = new StringBuilder();
        List<String> conditions = new ArrayList<>();
        for (XmlNode map : style.children("style:map")) {
            XmlNode other = all.get(map.get("style:apply-style-name", ""));
            String condition = map.get("style:condition", "").replace("value()", "").replace("!=", "<>").strip();
            if (other == null || other == style || condition.isEmpty()) continue;
            conditions.add(condition);
            code.append('[').append(condition).append(']').append(parts(other)).append(';');
        }
        code.append(parts(style));
        // Signs that are told apart as everybody does need no conditions; with them, numbers below nought would show two signs.
        if (USUAL.contains(conditions)) for (String condition : conditions) code.delete(code.indexOf("[" + condition + "]"), code.indexOf("[" + condition + "]")
                + condition.length() + 2);
        return code.isEmpty() ? CellStyle.GENERAL : code.toString();
    }

    private static String parts(XmlNode style) {
        StringBuilder code = new StringBuilder();
        boolean elapsed = "false".equals(style.get("number:truncate-on-overflow"));
        for (XmlNode part : style.children()) {
            boolean longer = "long".equals(part.get("number:style"));
            switch (part.name()) {
                case "style:text-properties" -> {
                    String colour = part.get("fo:color", "");
                    String name = switch (colour.toLowerCase(Locale.ROOT)) {
                        case "#ff0000" -> "[Red]";
                        case "#0000ff" -> "[Blue]";
                        case "#00ff00" -> "[Green]";
                        default -> "";
                    };
                    code.append(name);
                }
                case "number:number" -> code.append(number(part));
                case "number:scientific-number" -> code.append(number(part)).append("E+").append("0".repeat(digits(part, "number:min-exponent-digits", 2)));
                case "number:fraction" -> code.append("# ").append("?".repeat(digits(part, "number:min-numerator-digits", 1))).append('/')
                        .append(part.get("number:denominator-value", "?".repeat(digits(part, "number:min-denominator-digits", 1))));
                case "number:text" -> code.append(quoted(part.text()));
                case "number:currency-symbol" -> code.append(quoted(part.text()));
                case "number:text-content" -> code.append('@');
                case "number:boolean" -> code.append(CellStyle.GENERAL);
                case "number:day" -> code.append(longer ? "dd" : "d");
                case "number:month" -> code.append("true".equals(part.get("number:textual")) ? longer ? "mmmm" : "mmm" : longer ? "mm" : "m");
                case "number:year" -> code.append(longer ? "yyyy" : "yy");
                case "number:day-of-week" -> code.append(longer ? "dddd" : "ddd");
                case "number:hours" -> code.append(elapsed ? "[h]" : longer ? "hh" : "h");
                case "number:minutes" -> code.append(longer ? "mm" : "m");
                case "number:seconds" -> {
                    code.append(longer ? "ss" : "s");
                    int places = digits(part, "number:decimal-places", 0);
                    if (places > 0) code.append('.').append("0".repeat(places));
                }
                case "number:am-pm" -> code.append("AM/PM");
                default -> { }
            }
        }
        return code.toString();
    }

    private static String number(XmlNode part) {
        if (part.get("number:decimal-places") == null && part.get("number:min-integer-digits") != null && !"true".equals(part.get("number:grouping"))
                && digits(part, "number:min-integer-digits", 1) <= 1) return CellStyle.GENERAL;
        int least = digits(part, "number:min-integer-digits", 1);
        int places = digits(part, "number:decimal-places", 0);
        int shown = digits(part, "number:min-decimal-places", places);
        String whole = "true".equals(part.get("number:grouping")) ? "#,##" + (least > 0 ? "0" : "#") : least > 0 ? "0".repeat(least) : "#";
        // Shown by thousands: a comma behind the digits for each.
        String shorter = ",".repeat(Math.max(0, Math.min(4, (part.get("number:display-factor", "1").length() - 1) / 3)));
        if (places == 0) return whole + shorter;
        return whole + "." + "0".repeat(Math.min(shown, places)) + "#".repeat(Math.max(0, places - shown)) + shorter;
    }

    private static int digits(XmlNode part, String attribute, int otherwise) { return Math.max(0, Math.min(20, XlsxReader.whole(part.get(attribute),
            otherwise))); }

    /** Signs that stand for themselves stay, all else is quoted. */
    private static String quoted(String text) {
        return text.matches("[ \\-/:.,()%]*") ? text : "\"" + text.replace("\"", "") + "\"";
    }
}
