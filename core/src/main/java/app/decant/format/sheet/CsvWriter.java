package app.decant.format.sheet;

import app.decant.document.Finding;
import app.decant.sheet.Cell;
import app.decant.sheet.CellStyle;
import app.decant.sheet.CellValue;
import app.decant.sheet.NumberText;
import app.decant.sheet.PageSetup;
import app.decant.sheet.Range;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.Workbook;
import app.decant.words.Message;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;

/** Writes one sheet as values between commas (RFC 4180), as cells show them; what another program would take for a formula is marked as words. */
final class CsvWriter {
    /** Numbers, telephone numbers, days: signs before them are no formula. */
    private static final Pattern PLAIN = Pattern.compile("[+-]?[\\d\\s().,/:%-]*");
    /** What calls a function, another file or another program. */
    private static final Pattern REACHING = Pattern.compile("[(!|\\[]|^\\+[^\\d\\s]");

    private CsvWriter() { }

    static WrittenWorkbook write(Workbook workbook) {
        List<Finding> findings = new ArrayList<>();
        Sheet sheet = workbook.sheets().isEmpty() ? new Sheet("1", false, 48, 15, List.of(), List.of(), List.of(), PageSetup.PLAIN) : workbook.sheets().get(0);
        if (workbook.sheets().size() > 1) findings.add(Finding.lost(Message.of("sheet.one-sheet-only", sheet.name(), workbook.sheets().size() - 1)));
        NumberText numbers = new NumberText(workbook, Locale.ENGLISH);
        Range used = sheet.used(workbook.styles());
        StringBuilder text = new StringBuilder();
        List<Row> kept = new ArrayList<>();
        for (int r = 0; used != null && r <= used.bottom(); r++) {
            Row row = sheet.row(r);
            int last = row == null || row.cells().isEmpty() ? -1 : row.cells().get(row.cells().size() - 1).column();
            List<Cell> cells = new ArrayList<>();
            for (int c = 0; c <= Math.min(last, used.right()); c++) {
                Cell cell = row.cell(c);
                String shown = cell == null ? "" : shown(cell, workbook, numbers);
                if (c > 0) text.append(',');
                text.append(quoted(shown));
                if (!shown.isEmpty()) cells.add(new Cell(c, new CellValue.Text(shown), 0));
            }
            text.append("\r\n");
            if (!cells.isEmpty()) kept.add(new Row(r, Double.NaN, false, cells));
        }
        Sheet plain = new Sheet(sheet.name(), false, 48, 15, List.of(), kept, List.of(), PageSetup.PLAIN);
        Workbook held = new Workbook(List.of(plain), List.of(CellStyle.PLAIN), Map.of(), workbook.facts(), false);
        return new WrittenWorkbook(text.toString().getBytes(StandardCharsets.UTF_8), held, findings);
    }

    private static String shown(Cell cell, Workbook workbook, NumberText numbers) {
        if (cell.value() instanceof CellValue.Text words) return harmless(words.text());
        return numbers.of(cell.value(), workbook.style(cell).format());
    }

    /** Words that begin like a formula get an apostrophe, so that no program runs them. */
    private static String harmless(String text) {
        String seen = text.replaceFirst("^[\\s\\p{Cntrl}\\p{Z}\\p{Cf}]+", "");
        boolean sum = !seen.isEmpty() && "+-".indexOf(seen.charAt(0)) >= 0 && !PLAIN.matcher(seen).matches() && REACHING.matcher(seen).find();
        return !seen.isEmpty() && "=@\uFF1D\uFF20".indexOf(seen.charAt(0)) >= 0 || sum ? "'" + text : text;
    }

    private static String quoted(String value) {
        return value.matches("(?s).*[,\"\\r\\n;\\t|].*") || !value.equals(value.strip()) ? '"' + value.replace("\"", "\"\"") + '"' : value;
    }
}
