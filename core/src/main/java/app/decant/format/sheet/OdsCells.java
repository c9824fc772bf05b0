package app.decant.format.sheet;

import app.decant.document.Link;
import app.decant.sheet.Cell;
import app.decant.sheet.CellStyle;
import app.decant.sheet.CellValue;
import app.decant.sheet.NumberText;
import app.decant.sheet.Range;
import app.decant.sheet.Workbook;
import app.decant.xml.XmlWriter;
import java.math.BigDecimal;
import java.time.LocalDateTime;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.apache.poi.ss.usermodel.DateUtil;

/** Writes cells of OpenDocument 1.2 (ISO/IEC 26300-1, 9.1.4): what they hold, by what formula, and as it is shown. */
final class OdsCells {
    private static final long SECOND_NANOS = 1_000_000_000L;
    private static final double DAY_NANOS = 86_400.0 * SECOND_NANOS;

    private final Workbook workbook;
    private final OdsMatterPart matter;
    private final XmlWriter xml;
    private final NumberText numbers;
    private int formulas;

    OdsCells(Workbook workbook, OdsMatterPart matter, XmlWriter xml) {
        this.workbook = workbook;
        this.matter = matter;
        this.xml = xml;
        numbers = new NumberText(workbook, Locale.ENGLISH);
    }

    /** How many formulas had no writing here, and stand as their values. */
    int formulas() { return formulas; }

    /**
     * Writes a cell.
     *
     * @param whole   what it is merged over, or null
     * @param covered whether another is merged over it
     */
    void write(int row, Cell cell, Range whole, boolean covered) {
        CellStyle style = workbook.style(cell);
        List<String> told = new ArrayList<>(List.of("table:style-name", "ce" + cell.style()));
        if (whole != null) told.addAll(List.of("table:number-columns-spanned", String.valueOf(whole.columns()), "table:number-rows-spanned",
                String.valueOf(whole.rows())));
        String formula = OdsFormula.open(cell.formula());
        if (formula != null) told.addAll(List.of("table:formula", "of:=" + formula));
        else if (cell.formula() != null) formulas++;
        if (formula != null && cell.array() != null) told.addAll(List.of("table:number-matrix-columns-spanned", String.valueOf(cell.array().columns()),
                "table:number-matrix-rows-spanned", String.valueOf(cell.array().rows())));
        String check = matter.check(row, cell.column());
        if (check != null) told.addAll(List.of("table:content-validation-name", check));
        String shown = numbers.of(cell.value(), style.format());
        if (cell.value() instanceof CellValue.Number number) value(number.value(), style.format(), told);
        else if (cell.value() instanceof CellValue.Truth truth) told.addAll(List.of("office:value-type", "boolean", "office:boolean-value",
                String.valueOf(truth.value())));
        else if (cell.value() instanceof CellValue.Text || cell.value() instanceof CellValue.Failure) {
            told.addAll(List.of("office:value-type", "string"));
            if (cell.value() instanceof CellValue.Text text) shown = text.text();
        }
        xml.open(covered ? "table:covered-table-cell" : "table:table-cell", told.toArray(String[]::new));
        matter.within(xml, row, cell.column());
        String address = cell.link() instanceof Link.Address out ? out.uri() : cell.link() instanceof Link.Inside inside ? OdsFormula.inside(inside.bookmark())
                : null;
        List<CellValue.Stretch> stretches = cell.value() instanceof CellValue.Text text && shown.equals(text.text()) ? text.stretches() : List.of();
        int from = 0;
        if (!cell.isEmpty()) for (String line : shown.split("\n", -1)) {
            xml.open("text:p");
            if (address != null) xml.open("text:a", "xlink:type", "simple", "xlink:href", address);
            line(line, from, stretches);
            if (address != null) xml.close();
            xml.close();
            from += line.length() + 1;
        }
        xml.close();
    }

    /** A line that begins at a character of its text: what of it looks otherwise stands in spans. */
    private void line(String line, int start, List<CellValue.Stretch> stretches) {
        int at = 0;
        for (CellValue.Stretch one : stretches) {
            int from = Math.max(at, one.from() - start);
            int to = Math.min(line.length(), one.to() - start);
            if (to <= from) continue;
            text(line.substring(at, from).replace("\r", ""));
            xml.open("text:span", "text:style-name", matter.textStyle(one.look()));
            text(line.substring(from, to).replace("\r", ""));
            xml.close();
            at = to;
        }
        text(line.substring(at).replace("\r", ""));
    }

    /** Blanks in a row and tabs are elements (ISO/IEC 26300-1, 6.1.2). */
    private void text(String line) {
        StringBuilder plain = new StringBuilder();
        for (int i = 0; i < line.length(); i++) {
            char c = line.charAt(i);
            boolean again = c == ' ' && (i == 0 || line.charAt(i - 1) == ' ');
            if (c != '\t' && !again) {
                plain.append(c);
                continue;
            }
            if (!plain.isEmpty()) xml.text(plain.toString());
            plain.setLength(0);
            xml.leaf(c == '\t' ? "text:tab" : "text:s");
        }
        if (!plain.isEmpty()) xml.text(plain.toString());
    }

    /** Parts of a second, as far as there are any (XML Schema 2, 3.2.6 and 3.2.7). */
    private static String fraction(long nanos) { return nanos == 0 ? "" : String.format(Locale.ROOT, ".%09d", nanos).replaceFirst("0+$", ""); }

    private void value(double value, String format, List<String> told) {
        if (NumberText.isDate(format) && value >= 0 && value < 2_958_466) {
            LocalDateTime day = DateUtil.getLocalDateTime(Math.floor(value), workbook.since1904());
            if (day != null && OdsNumberStyles.hasDay(format)) {
                LocalDateTime time = day.plusNanos(Math.round((value - Math.floor(value)) * DAY_NANOS));
                told.addAll(List.of("office:value-type", "date", "office:date-value", value == Math.rint(value) ? day.toLocalDate().toString()
                        : time.format(DateTimeFormatter.ofPattern("yyyy-MM-dd'T'HH:mm:ss")) + fraction(time.getNano())));
                return;
            }
            long nanos = Math.round((value - Math.floor(value)) * DAY_NANOS);
            long seconds = (long) Math.floor(value) * 86_400 + nanos / SECOND_NANOS;
            told.addAll(List.of("office:value-type", "time", "office:time-value", String.format(Locale.ROOT, "PT%02dH%02dM%02d%sS", seconds / 3600,
                    seconds / 60 % 60, seconds % 60, fraction(nanos % SECOND_NANOS))));
            return;
        }
        boolean percent = format.contains("%");
        told.addAll(List.of("office:value-type", percent ? "percentage" : "float", "office:value", plain(value)));
    }

    private static String plain(double value) {
        return value == Math.rint(value) && Math.abs(value) < 1e15 ? String.valueOf((long) value) : new BigDecimal(String.valueOf(value)).toPlainString()
                .length() > 40
                ? String.valueOf(value) : new BigDecimal(String.valueOf(value)).toPlainString();
    }
}
