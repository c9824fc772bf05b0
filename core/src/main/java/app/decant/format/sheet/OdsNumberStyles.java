package app.decant.format.sheet;

import app.decant.sheet.CellStyle;
import app.decant.sheet.NumberText;
import app.decant.xml.XmlWriter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** The codes of numbers (ISO/IEC 29500-1, 18.8.31) written as the styles of OpenDocument (ISO/IEC 26300-1, 16.29): a style for each part of a code. */
final class OdsNumberStyles {
    private static final String[] COLOURS = {"black", "#000000", "blue", "#0000ff", "cyan", "#00ffff", "green", "#00ff00", "magenta", "#ff00ff", "red",
            "#ff0000",
        "white", "#ffffff", "yellow", "#ffff00"};

    private final Map<String, String> names = new LinkedHashMap<>();

    /** The name of a code's style; null for what is shown as it is. */
    String name(String code) {
        if (code.equalsIgnoreCase(CellStyle.GENERAL) || code.isBlank()) return null;
        return names.computeIfAbsent(code, key -> "N" + (100 + names.size()));
    }

    /** Whether a code shows a day, not a time of it alone. */
    static boolean hasDay(String code) {
        String plain = code.toLowerCase(Locale.ROOT).replaceAll("\\[(h+|m+|s+)\\]", "$1").replaceAll("\"[^\"]*\"|\\[[^\\]]*\\]|\\\\.", "");
        return plain.contains("y") || plain.contains("d") || plain.contains("m") && !plain.contains("h") && !plain.contains("s");
    }

    void write(XmlWriter xml) {
        names.forEach((code, name) -> {
            List<String> sections = sections(code);
            List<String> conditions = conditions(sections);
            // The last part is the style itself; those before it are asked first.
            int last = conditions.size() - 1;
            for (int i = 0; i < last; i++) style(xml, name + "P" + i, sections.get(i), List.of(), name);
            List<String> maps = new ArrayList<>();
            for (int i = 0; i < last; i++) maps.add(conditions.get(i));
            style(xml, name, sections.get(last), maps, name);
        });
    }

    /** The parts of a code, at most three for numbers; one for text is left out. */
    private static List<String> sections(String code) {
        List<String> sections = new ArrayList<>();
        StringBuilder part = new StringBuilder();
        boolean quoted = false;
        for (int i = 0; i < code.length(); i++) {
            char c = code.charAt(i);
            if (c == '"') quoted = !quoted;
            if (c == '\\' && i + 1 < code.length()) {
                part.append(c).append(code.charAt(++i));
            } else if (c == ';' && !quoted) {
                sections.add(part.toString());
                part.setLength(0);
            } else {
                part.append(c);
            }
        }
        sections.add(part.toString());
        return sections.subList(0, Math.min(3, sections.size()));
    }

    private static List<String> conditions(List<String> sections) {
        List<String> conditions = new ArrayList<>();
        for (int i = 0; i < sections.size(); i++) {
            String own = sections.get(i).replaceAll("^.*?\\[([<>=]{1,2}\\s*-?[\\d.]+)\\].*$", "$1");
            boolean told = !own.equals(sections.get(i));
            String usual = sections.size() == 2 ? "value()>=0" : i == 0 ? "value()>0" : "value()<0";
            conditions.add(told ? "value()" + own.replace("<>", "!=").replaceAll("^=", "=") : usual);
        }
        return conditions;
    }

    private void style(XmlWriter xml, String name, String section, List<String> maps, String base) {
        boolean date = NumberText.isDate(section);
        boolean day = date && hasDay(section);
        String code = section.replaceAll("\\[[<>=][^\\]]*\\]", "");
        boolean percent = !date && code.replaceAll("\"[^\"]*\"", "").contains("%");
        boolean text = code.replaceAll("\"[^\"]*\"", "").contains("@");
        String kind = text ? "number:text-style" : date ? day ? "number:date-style" : "number:time-style" : percent ? "number:percentage-style"
                : "number:number-style";
        boolean elapsed = date && code.toLowerCase(Locale.ROOT).matches(".*\\[(h+|m+|s+)\\].*");
        xml.open(kind, "style:name", name, "style:volatile", base.equals(name) ? null : "true", "number:truncate-on-overflow", elapsed && !day ? "false"
                : null);
        String colour = colour(code);
        if (colour != null) xml.leaf("style:text-properties", "fo:color", colour);
        String plain = code.replaceAll("\\[\\$([^\\]-]*)(-[^\\]]*)?\\]", "\"$1\"").replaceAll("\\[(h+|m+|s+|H+)\\]", "$1").replaceAll("\\[[^\\]]*\\]", "");
        if (date) dates(xml, plain);
        else numbers(xml, plain);
        for (int i = 0; i < maps.size(); i++) xml.leaf("style:map", "style:condition", maps.get(i), "style:apply-style-name", base + "P" + i);
        xml.close();
    }

    private static String colour(String code) {
        String lower = code.toLowerCase(Locale.ROOT);
        for (int i = 0; i < COLOURS.length; i += 2) if (lower.contains("[" + COLOURS[i] + "]")) return COLOURS[i + 1];
        return null;
    }

    private static void words(XmlWriter xml, StringBuilder words) {
        if (words.isEmpty()) return;
        xml.open("number:text");
        xml.text(words.toString());
        xml.close();
        words.setLength(0);
    }

    private static void dates(XmlWriter xml, String code) {
        StringBuilder words = new StringBuilder();
        boolean afterHours = false;
        boolean half = code.toLowerCase(Locale.ROOT).contains("am/pm") || code.toLowerCase(Locale.ROOT).contains("a/p");
        for (int i = 0; i < code.length(); ) {
            char c = Character.toLowerCase(code.charAt(i));
            int end = i + 1;
            while (end < code.length() && Character.toLowerCase(code.charAt(end)) == c) end++;
            int length = end - i;
            String longer = length > 1 ? "long" : "short";
            String rest = code.substring(i).toLowerCase(Locale.ROOT);
            if (c == '"') {
                int close = code.indexOf('"', i + 1);
                words.append(code, i + 1, close < 0 ? code.length() : close);
                i = close < 0 ? code.length() : close + 1;
                continue;
            }
            if (c == '\\' && i + 1 < code.length()) {
                words.append(code.charAt(i + 1));
                i += 2;
                continue;
            }
            if (rest.startsWith("am/pm") || rest.startsWith("a/p")) {
                words(xml, words);
                xml.leaf("number:am-pm");
                i += rest.startsWith("am/pm") ? 5 : 3;
                continue;
            }
            if ("ymdhs".indexOf(c) < 0) {
                if (c != '@' && c != '_' && c != '*') words.append(code.charAt(i));
                i = c == '_' || c == '*' ? i + 2 : i + 1;
                continue;
            }
            words(xml, words);
            boolean minutes = c == 'm' && (afterHours || code.substring(end).toLowerCase(Locale.ROOT).matches("[^ymdh]*s.*"));
            switch (c) {
                case 'y' -> xml.leaf("number:year", "number:style", length > 2 ? "long" : "short");
                case 'd' -> {
                    if (length > 2) xml.leaf("number:day-of-week", "number:style", length > 3 ? "long" : "short");
                    else xml.leaf("number:day", "number:style", longer);
                }
                case 'm' -> {
                    if (minutes) xml.leaf("number:minutes", "number:style", longer);
                    else xml.leaf("number:month", "number:style", length == 2 || length > 3 ? "long" : "short", "number:textual", length > 2 ? "true" : null);
                }
                case 'h' -> xml.leaf("number:hours", "number:style", longer);
                default -> {
                    int places = end + 1 < code.length() && code.charAt(end) == '.' && code.charAt(end + 1) == '0' ? 1 : 0;
                    int at = end + 1;
                    while (places > 0 && at + places < code.length() && code.charAt(at + places) == '0') places++;
                    xml.leaf("number:seconds", "number:style", longer, "number:decimal-places", places > 0 ? String.valueOf(places) : null);
                    if (places > 0) end += 1 + places;
                }
            }
            afterHours = c == 'h' || afterHours && c == 'm';
            i = end;
        }
        words(xml, words);
        if (half && code.isEmpty()) xml.leaf("number:am-pm");
    }

    private static void numbers(XmlWriter xml, String code) {
        StringBuilder words = new StringBuilder();
        boolean done = false;
        for (int i = 0; i < code.length(); ) {
            char c = code.charAt(i);
            if (c == '"') {
                int close = code.indexOf('"', i + 1);
                words.append(code, i + 1, close < 0 ? code.length() : close);
                i = close < 0 ? code.length() : close + 1;
            } else if (c == '\\' && i + 1 < code.length()) {
                words.append(code.charAt(i + 1));
                i += 2;
            } else if (c == '_' || c == '*') {
                i += 2;
            } else if (c == '@') {
                words(xml, words);
                xml.leaf("number:text-content");
                i++;
            } else if (!done && "0#?".indexOf(c) >= 0 || !done && c == '.' && i + 1 < code.length() && "0#?".indexOf(code.charAt(i + 1)) >= 0) {
                words(xml, words);
                int end = i;
                while (end < code.length() && "0#?.,".indexOf(code.charAt(end)) >= 0) end++;
                end = number(xml, code, i, end);
                done = true;
                i = end;
            } else if (code.regionMatches(true, i, CellStyle.GENERAL, 0, 7)) {
                words(xml, words);
                xml.leaf("number:number", "number:min-integer-digits", "1");
                done = true;
                i += 7;
            } else {
                if ("0#?".indexOf(c) < 0) words.append(c);
                i++;
            }
        }
        words(xml, words);
    }

    /** Writes the digits from one place of a code to another; returns where it goes on, which is further for powers and fractions. */
    private static int number(XmlWriter xml, String code, int from, int to) {
        String digits = code.substring(from, to);
        int stop = digits.indexOf('.');
        String whole = stop < 0 ? digits : digits.substring(0, stop);
        String places = stop < 0 ? "" : digits.substring(stop + 1).replace(",", "");
        boolean grouped = whole.contains(",") && whole.indexOf(',') < whole.length() - 1 - whole.replaceAll("^.*[^,]", "").length();
        int thousands = whole.length() - whole.replaceAll(",+$", "").length() + (stop >= 0 ? digits.length() - digits.replaceAll(",+$", "").length() : 0);
        String least = String.valueOf(whole.chars().filter(c -> c == '0').count());
        if (code.regionMatches(true, to, "E+", 0, 2) || code.regionMatches(true, to, "E-", 0, 2)) {
            int end = to + 2;
            while (end < code.length() && code.charAt(end) == '0') end++;
            xml.leaf("number:scientific-number", "number:decimal-places", String.valueOf(places.length()), "number:min-integer-digits", least,
                    "number:min-exponent-digits", String.valueOf(Math.max(1, end - to - 2)));
            return end;
        }
        int slash = code.indexOf('/', to);
        if (slash >= 0 && code.substring(to, slash).matches("[ ?#0]*")) {
            int end = slash + 1;
            while (end < code.length() && "?#0123456789".indexOf(code.charAt(end)) >= 0) end++;
            String below = code.substring(slash + 1, end);
            boolean fixed = below.matches("[1-9]\\d*");
            xml.leaf("number:fraction", "number:min-integer-digits", "0", "number:min-numerator-digits",
                    String.valueOf(Math.max(1, code.substring(to, slash).trim().length())), "number:min-denominator-digits",
                    String.valueOf(Math.max(1, below.length())), "number:denominator-value", fixed ? below : null);
            return end;
        }
        xml.leaf("number:number", "number:decimal-places", String.valueOf(places.length()), "number:min-integer-digits", least, "number:grouping",
                grouped ? "true" : null, "number:display-factor", thousands > 0 ? "1" + "000".repeat(Math.min(4, thousands)) : null);
        return to;
    }
}
