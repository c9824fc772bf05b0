package app.decant.format.sheet;

import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.format.text.TextReader;
import app.decant.sheet.Cell;
import app.decant.sheet.CellStyle;
import app.decant.sheet.CellValue;
import app.decant.sheet.Column;
import app.decant.sheet.PageSetup;
import app.decant.sheet.Range;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.Workbook;
import app.decant.words.Message;
import java.nio.charset.Charset;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Pattern;

/**
 * Reads values between separators (RFC 4180): which separator, decimal sign and encoding is found out from the file where it is not said. What begins like a
 * formula is words here and is never worked out.
 */
final class CsvReader {
    private static final char[] SEPARATORS = {',', ';', '\t', '|'};
    private static final int SAMPLE = 60;
    private static final Pattern POINT = Pattern.compile("[+-]?(\\d{1,3}(,\\d{3})+|\\d+)(\\.\\d+)?([eE][+-]?\\d{1,3})?");
    private static final Pattern COMMA = Pattern.compile("[+-]?(\\d{1,3}(\\.\\d{3})+|\\d+)(,\\d+)?");
    private static final Pattern CODE = Pattern.compile("[+-]?0\\d+.*");
    private static final int MOST_DIGITS = 15;
    private static final double LETTER = 5.6;
    private static final double NARROWEST = 30;
    private static final double WIDEST = 240;

    private CsvReader() { }

    static ReadWorkbook read(byte[] bytes, String name, SeparatedValues wished, Progress progress) {
        List<Finding> findings = new ArrayList<>();
        Charset letters = wished.letters() == null ? TextReader.letters(bytes, findings::add) : wished.letters();
        String text = TextReader.text(bytes, letters);
        char separator = wished.separator() == null ? separator(text, name) : wished.separator();
        List<List<String>> lines = lines(text, separator, progress);
        boolean comma = wished.comma() == null ? separator != ',' && isCommaDecimal(lines) : wished.comma();
        List<Row> rows = new ArrayList<>();
        int[] widest = new int[0];
        for (int r = 0; r < lines.size() && r < Range.MOST_ROWS; r++) {
            List<Cell> cells = new ArrayList<>();
            List<String> line = lines.get(r);
            for (int c = 0; c < line.size() && c < Range.MOST_COLUMNS; c++) {
                if (line.get(c).isEmpty()) continue;
                cells.add(new Cell(c, value(line.get(c), comma), 0));
                if (c >= widest.length) widest = Arrays.copyOf(widest, c + 1);
                widest[c] = Math.max(widest[c], line.get(c).length());
            }
            if (!cells.isEmpty()) rows.add(new Row(r, Double.NaN, false, cells));
        }
        List<Column> columns = new ArrayList<>();
        for (int c = 0; c < widest.length; c++) columns.add(new Column(c, c, Math.max(NARROWEST, Math.min(WIDEST, widest[c] * LETTER + 6)), false));
        String title = name.replaceFirst("\\.[^.]*$", "");
        Sheet sheet = new Sheet(title.isEmpty() ? "1" : title, false, 48, 15, columns, rows, List.of(), PageSetup.PLAIN);
        Workbook made = new Workbook(List.of(sheet), List.of(CellStyle.PLAIN), Map.of(), Facts.NONE, false);
        String told = separator == '\t' ? "tab" : String.valueOf(separator);
        findings.add(0, Finding.note(Message.of("sheet.separated", told, comma ? "," : ".")));
        return new ReadWorkbook(made, findings, new SeparatedValues(separator, comma, letters));
    }

    /**
     * The separator that parts most lines into the same number of values; that of the name where none does. Where commas do so as well, but most of them
     * stand in numbers, these are their decimals.
     */
    private static char separator(String text, String name) {
        char best = name.toLowerCase(Locale.ROOT).endsWith(".tsv") ? '\t' : ',';
        double most = 0;
        double commas = 0;
        for (char one : SEPARATORS) {
            List<List<String>> lines = lines(text.substring(0, Math.min(text.length(), 40_000)), one, Progress.SILENT).stream().limit(SAMPLE).toList();
            List<Integer> counts = lines.stream().map(List::size).filter(size -> size > 1).toList();
            if (counts.isEmpty()) continue;
            int usual = counts.stream().max(Comparator.comparingInt(size -> Collections.frequency(counts, size))).orElse(0);
            double share = Collections.frequency(counts, usual) / (double) lines.size();
            if (one == ',') commas = share;
            boolean decimals = best == ',' && share >= commas && isInNumbers(lines);
            if (!decimals && share + usual * 0.001 <= most) continue;
            most = share + usual * 0.001;
            best = one;
        }
        return best;
    }

    /** Whether most values that hold a comma are numbers. */
    private static boolean isInNumbers(List<List<String>> lines) {
        List<String> values = lines.stream().flatMap(List::stream).filter(value -> value.indexOf(',') >= 0).toList();
        return 2 * values.stream().filter(value -> COMMA.matcher(value.strip()).matches()).count() > values.size();
    }

    static List<List<String>> lines(String text, char separator, Progress progress) {
        List<List<String>> lines = new ArrayList<>();
        List<String> line = new ArrayList<>();
        StringBuilder value = new StringBuilder();
        boolean quoted = false;
        boolean began = false;
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (quoted) {
                if (c != '"') value.append(c);
                else if (i + 1 < text.length() && text.charAt(i + 1) == '"') value.append(text.charAt(++i));
                else quoted = false;
            } else if (c == '"' && value.isEmpty()) {
                quoted = true;
                began = true;
            } else if (c == separator) {
                line.add(value.toString());
                value.setLength(0);
                began = true;
            } else if (c == '\n' || c == '\r') {
                if (c == '\r' && i + 1 < text.length() && text.charAt(i + 1) == '\n') i++;
                line.add(value.toString());
                value.setLength(0);
                lines.add(line);
                line = new ArrayList<>();
                began = false;
                if (lines.size() % 5000 == 0) progress.step(0, 0, Message.of("step.reading"));
            } else if (c != 0) {
                value.append(c);
            }
        }
        if (began || !value.isEmpty() || !line.isEmpty()) {
            line.add(value.toString());
            lines.add(line);
        }
        return lines;
    }

    /** Whether numbers have their decimals behind a comma: where some do so and none behind a point. */
    private static boolean isCommaDecimal(List<List<String>> lines) {
        int commas = 0;
        int points = 0;
        for (List<String> line : lines) {
            for (String value : line) {
                if (value.indexOf(',') >= 0 && COMMA.matcher(value.strip()).matches()) commas++;
                if (value.indexOf('.') >= 0 && POINT.matcher(value.strip()).matches() && !COMMA.matcher(value.strip()).matches()) points++;
            }
        }
        return commas > points;
    }

    private static CellValue value(String written, boolean comma) {
        String plain = written.strip();
        // Numbers that begin with a nought, and longer ones than can be held, are codes.
        boolean number = (comma ? COMMA : POINT).matcher(plain).matches() && !CODE.matcher(plain.replace(comma ? ",":".", "x")).matches()
                && plain.chars().filter(Character::isDigit).count() <= MOST_DIGITS;
        if (!number) return new CellValue.Text(written);
        String english = comma ? plain.replace(".", "").replace(',', '.') : plain.replace(",", "");
        double told = Double.parseDouble(english);
        // What nobody can reckon with stays as it was written.
        return Double.isFinite(told) ? new CellValue.Number(told) : new CellValue.Text(written);
    }
}
