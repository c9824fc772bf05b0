package app.decant.format.sheet;

import app.decant.sheet.CellStyle;
import java.math.BigDecimal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.temporal.ChronoUnit;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A number, date or time as people write it in a table, taken as what it means.
 *
 * @param value  days of the 1900 system for dates, parts of a day for times
 * @param format that shows it as it was written (ISO/IEC 29500-1, 18.8.31)
 */
record WrittenNumber(double value, String format) {
    /** Languages whose numbers have a comma before their decimals (Unicode CLDR 44, from memory). */
    private static final Set<String> COMMA = Set.of("bg", "cs", "da", "de", "el", "es", "et", "fi", "fr", "hr", "hu", "id", "is", "it", "lt", "lv", "nb", "nl",
            "nn", "no", "pl", "pt", "ro", "ru", "sk", "sl", "sr", "sv", "tr", "uk", "vi");
    private static final String CURRENCY = "[\\p{Sc}]|EUR|USD|GBP|CHF|NOK|SEK|DKK";
    private static final Pattern NUMBER = Pattern.compile("(?<open>\\()?(?<sign>[-+\u2212\u2013])?\\s?(?<before>" + CURRENCY
            + ")?\\s?(?<inner>[-\u2212\u2013])?(?<digits>\\d[\\d.,'\u2019 \u00A0\u202F]*|[.,]\\d+)\\s?(?<after>" + CURRENCY
            + "|%)?(?<close>\\))?(?<behind>[-\u2212])?");
    private static final Pattern ISO_DAY = Pattern.compile("(\\d{4})-(\\d{2})-(\\d{2})");
    private static final Pattern DAY = Pattern.compile("(\\d{1,2})([./])(\\d{1,2})\\2(\\d{4})");
    private static final Pattern TIME = Pattern.compile("([01]?\\d|2[0-3]):([0-5]\\d)(?::([0-5]\\d))?");
    private static final LocalDate BEFORE_ALL = LocalDate.of(1899, 12, 30);

    /** What separates decimals in texts of a language, such as {@code en-GB}; a point where it is not told. */
    static char decimals(String language) {
        return language != null && COMMA.contains(language.toLowerCase().replaceFirst("[-_].*", "")) && !language.equalsIgnoreCase("de-CH") ? ',' : '.';
    }

    /**
     * What separates decimals as a number itself shows it: of two separators the last, or a single one that no group of three digits follows.
     *
     * @return 0 where it does not show
     */
    static char decimalsShown(String text) {
        Matcher matcher = NUMBER.matcher(text.strip());
        if (!matcher.matches()) return 0;
        String digits = matcher.group("digits").strip();
        int point = digits.lastIndexOf('.');
        int comma = digits.lastIndexOf(',');
        if (point >= 0 && comma >= 0) return point > comma ? '.' : ',';
        int last = Math.max(point, comma);
        if (last < 0 || digits.indexOf(digits.charAt(last)) != last) return 0;
        return digits.length() - last - 1 == 3 && last > 0 && last <= 3 && digits.charAt(0) != '0' ? 0 : digits.charAt(last);
    }

    /**
     * The number a text is; null where it is none, or is meant to be read sign by sign, such as a number with noughts before it.
     *
     * @param decimals what separates them
     * @param monthFirst whether a day written with slashes has its month first
     */
    static WrittenNumber of(String text, char decimals, boolean monthFirst) {
        String said = text.strip();
        if (said.isEmpty() || said.length() > 40) return null;
        WrittenNumber when = when(said, monthFirst);
        return when != null ? when : number(said, decimals);
    }

    private static WrittenNumber when(String said, boolean monthFirst) {
        Matcher iso = ISO_DAY.matcher(said);
        if (iso.matches()) return day(iso.group(1), iso.group(2), iso.group(3), "yyyy-mm-dd");
        Matcher day = DAY.matcher(said);
        if (day.matches()) {
            boolean slash = day.group(2).equals("/");
            String first = day.group(1);
            String second = day.group(3);
            String mark = slash ? "/" : ".";
            boolean turned = slash && monthFirst;
            String format = (first.length() == 2 ? turned ? "mm" : "dd" : turned ? "m" : "d") + mark + (second.length() == 2 ? turned ? "dd" : "mm" : turned
                    ? "d" : "m") + mark + "yyyy";
            return turned ? day(day.group(4), first, second, format) : day(day.group(4), second, first, format);
        }
        Matcher time = TIME.matcher(said);
        if (!time.matches()) return null;
        int seconds = time.group(3) == null ? 0 : Integer.parseInt(time.group(3));
        double part = (Integer.parseInt(time.group(1)) * 3600 + Integer.parseInt(time.group(2)) * 60 + seconds) / 86_400.0;
        return new WrittenNumber(part, (time.group(1).length() == 2 ? "hh" : "h") + ":mm" + (time.group(3) == null ? "" : ":ss"));
    }

    private static WrittenNumber day(String year, String month, String day, String format) {
        try {
            LocalDate date = LocalDate.of(Integer.parseInt(year), Integer.parseInt(month), Integer.parseInt(day));
            long days = ChronoUnit.DAYS.between(BEFORE_ALL, date);
            // Before March 1900 the days of workbooks are counted in two ways (18.17.4.1).
            return days < 61 ? null : new WrittenNumber(days, format);
        } catch (DateTimeException e) {
            return null;
        }
    }

    private static WrittenNumber number(String said, char decimals) {
        Matcher matcher = NUMBER.matcher(said);
        if (!matcher.matches()) return null;
        boolean bracketed = matcher.group("open") != null;
        // A bare number in brackets is a mark, not money that is owed.
        boolean amount = matcher.group("before") != null || matcher.group("after") != null || matcher.group("digits").matches(".*\\D.*");
        if (bracketed != (matcher.group("close") != null) || bracketed && !amount) return null;
        String digits = matcher.group("digits").strip();
        int at = digits.lastIndexOf(decimals);
        String whole = at < 0 ? digits : digits.substring(0, at);
        String part = at < 0 ? "" : digits.substring(at + 1);
        if (!part.matches("\\d*") || at >= 0 && part.isEmpty()) return null;
        String plain = whole.replaceAll("\\D", "");
        boolean grouped = plain.length() < whole.length();
        if (grouped && !whole.matches("\\d{1,3}([.,'\u2019 \u00A0\u202F])\\d{3}(\\1\\d{3})*")) return null;
        // Telephone, house and article numbers are names.
        if (plain.length() > 1 && plain.startsWith("0") || plain.length() + part.length() > 15) return null;
        boolean minus = bracketed || "-\u2212\u2013".contains(Character.toString(sign(matcher, "sign"))) || matcher.group("inner") != null
                || matcher.group("behind") != null;
        BigDecimal value = new BigDecimal((plain.isEmpty() ? "0" : plain) + (part.isEmpty() ? "" : "." + part));
        String after = matcher.group("after");
        boolean percent = "%".equals(after);
        if (percent) value = value.movePointLeft(2);
        if (minus) value = value.negate();
        String format = format(grouped, part.length());
        String currency = matcher.group("before") != null ? matcher.group("before") : percent ? null : after;
        if (percent) format += "%";
        else if (matcher.group("before") != null) format = '"' + currency + '"' + format;
        else if (currency != null) format += "\" " + currency + '"';
        return new WrittenNumber(value.doubleValue(), format.equals("0") ? CellStyle.GENERAL : format);
    }

    private static char sign(Matcher matcher, String group) { return matcher.group(group) == null ? ' ' : matcher.group(group).charAt(0); }

    private static String format(boolean grouped, int decimals) { return (grouped ? "#,##0" : "0") + (decimals == 0 ? "" : "." + "0".repeat(decimals)); }
}
