package app.decant.sheet;

import app.decant.document.Colour;
import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.text.DecimalFormatSymbols;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import org.apache.poi.ss.format.CellFormat;
import org.apache.poi.ss.format.CellFormatResult;
import org.apache.poi.ss.usermodel.DataFormatter;
import org.apache.poi.ss.usermodel.DateUtil;
import org.slf4j.LoggerFactory;

/** What cells show: numbers and dates as their formats say, by the common library. Not for several threads at once. */
public final class NumberText {
    private static final int MOST_FORMATS = 4000;
    private static final int MOST_SHOWN = 20_000;
    /** Whole numbers below it are shown digit by digit. */
    private static final double PLAIN = 1e10;
    /** Smaller fractions are left to the library, which tells powers of ten. */
    private static final double SMALL = 1e-5;
    private static final MathContext DIGITS = new MathContext(10);

    private final DataFormatter formatter;
    private final Locale locale;
    private final boolean since1904;
    private final boolean western;
    private final char point;
    private final Map<String, CellFormat> formats = new HashMap<>();
    private final Map<Shown, String> shown = new HashMap<>();

    private record Shown(double value, String format) { }

    public NumberText(Workbook workbook, Locale locale) {
        this.locale = locale;
        formatter = new DataFormatter(locale);
        DecimalFormatSymbols symbols = DecimalFormatSymbols.getInstance(locale);
        western = symbols.getZeroDigit() == '0' && symbols.getMinusSign() == '-';
        point = symbols.getDecimalSeparator();
        since1904 = workbook.since1904();
    }

    /** What a value shows as. */
    public String of(CellValue value, String format) {
        if (value instanceof CellValue.Number number) return number(number.value(), format);
        if (value instanceof CellValue.Text text) return text(text.text(), format);
        if (value instanceof CellValue.Truth truth) return truth.value() ? "TRUE" : "FALSE";
        return value instanceof CellValue.Failure failure ? failure.code() : "";
    }

    private String number(double value, String format) {
        // Whole numbers of which a format says nothing are most of what sheets hold.
        if (western && value == Math.rint(value) && Math.abs(value) < PLAIN && format.equals(CellStyle.GENERAL)) return Long.toString((long) value);
        if (western && format.equals(CellStyle.GENERAL) && Math.abs(value) >= SMALL && Math.abs(value) < PLAIN) return general(value);
        if (shown.size() > MOST_SHOWN) shown.clear();
        return shown.computeIfAbsent(new Shown(value, format), this::formatted);
    }

    /** At most ten digits of a number with a fraction, at most as many behind the point, as the library shows it. */
    private String general(double value) {
        BigDecimal rounded = BigDecimal.valueOf(value).round(DIGITS);
        // The library rounds a second time, and then what the machine has of the number.
        if (rounded.scale() > DIGITS.getPrecision()) rounded = new BigDecimal(rounded.doubleValue()).setScale(DIGITS.getPrecision(), RoundingMode.HALF_UP);
        String plain = rounded.stripTrailingZeros().toPlainString();
        return point == '.' ? plain : plain.replace('.', point);
    }

    private String formatted(Shown one) {
        double value = one.value;
        String format = one.format;
        try {
            return formatter.formatRawCellContents(value, 0, format, since1904);
        } catch (RuntimeException e) {
            // A format that is none shows the plain number.
            LoggerFactory.getLogger(NumberText.class).debug("The format {} can't be followed", format, e);
            return formatter.formatRawCellContents(value, 0, CellStyle.GENERAL, since1904);
        }
    }

    /** The part of a format that is for text may put words round it. */
    private String text(String text, String format) {
        if (!format.contains("@") || format.equals("@")) return text;
        try {
            return format(format).apply(text).text;
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(NumberText.class).debug("The format {} can't be followed", format, e);
            return text;
        }
    }

    /** The colour that a format gives a value, or null. */
    public Colour colour(CellValue value, String format) {
        if (!(value instanceof CellValue.Number number) || format.indexOf('[') < 0) return null;
        try {
            CellFormatResult result = format(format).apply(number.value());
            return result.textColor == null ? null : new Colour(result.textColor.getRGB() & 0xFFFFFF);
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(NumberText.class).debug("The format {} can't be followed", format, e);
            return null;
        }
    }

    private CellFormat format(String format) {
        if (formats.size() > MOST_FORMATS) formats.clear();
        return formats.computeIfAbsent(format, key -> CellFormat.getInstance(locale, key));
    }

    /** Whether a format shows days or times. */
    public static boolean isDate(String format) { return DateUtil.isADateFormat(-1, format); }
}
