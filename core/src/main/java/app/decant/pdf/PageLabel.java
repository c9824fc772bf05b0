package app.decant.pdf;

import java.util.Locale;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;

/** A printed page number as PDF tells it (ISO 32000-1, 12.4.2): a style and a count, or fixed text. */
public record PageLabel(String style, int count, String text) {
    private static final String ROMAN = "m{0,4}(cm|cd|d?c{0,3})(xc|xl|l?x{0,3})(ix|iv|v?i{0,3})";

    public static PageLabel of(String label) {
        if (label.matches("[1-9]\\d{0,8}")) return new PageLabel("D", Integer.parseInt(label), label);
        String lower = label.toLowerCase(Locale.ROOT);
        boolean upper = !label.equals(lower);
        if (upper && !label.equals(label.toUpperCase(Locale.ROOT))) return new PageLabel(null, 0, label);
        if (!label.isEmpty() && lower.matches(ROMAN)) return new PageLabel(upper ? "R" : "r", roman(lower), label);
        if (lower.matches("([a-z])\\1*")) return new PageLabel(upper ? "A" : "a", (lower.length() - 1) * 26 + lower.charAt(0) - 'a' + 1, label);
        return new PageLabel(null, 0, label);
    }

    public boolean follows(PageLabel before) { return style != null && style.equals(before.style) && count == before.count + 1; }

    public COSDictionary dictionary() {
        COSDictionary dictionary = new COSDictionary();
        if (style == null) {
            dictionary.setString(COSName.P, text);
        } else {
            dictionary.setName(COSName.S, style);
            dictionary.setInt(COSName.getPDFName("St"), count);
        }
        return dictionary;
    }

    private static int roman(String text) {
        int total = 0;
        int last = 0;
        for (int i = text.length() - 1; i >= 0; i--) {
            int value = switch (text.charAt(i)) {
                case 'i' -> 1;
                case 'v' -> 5;
                case 'x' -> 10;
                case 'l' -> 50;
                case 'c' -> 100;
                case 'd' -> 500;
                default -> 1000;
            };
            total += value < last ? -value : value;
            last = Math.max(last, value);
        }
        return total;
    }
}
