package app.decant.format;

import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Lengths as OpenDocument tells them (ISO/IEC 26300-1, 18.3.18): a number and its unit. */
public final class OpenDocumentLength {
    private static final Pattern LENGTH = Pattern.compile("(-?(?:\\d+\\.?\\d*|\\.\\d+)(?:[eE][-+]?\\d{1,3})?)\\s*(cm|mm|in|inch|pt|pc|px|)");

    private OpenDocumentLength() { }

    /** In points; null for what is none. */
    public static Double points(String told) {
        Matcher matcher = told == null ? null : LENGTH.matcher(told.strip());
        if (matcher == null || !matcher.matches()) return null;
        double number = Double.parseDouble(matcher.group(1));
        return switch (matcher.group(2)) {
            case "cm" -> number * 72 / 2.54;
            case "mm" -> number * 72 / 25.4;
            case "in", "inch" -> number * 72;
            case "px" -> number * 0.75;
            case "pc" -> number * 12;
            default -> number;
        };
    }

    public static double points(String told, double otherwise) {
        Double points = points(told);
        return points == null ? otherwise : points;
    }
}
