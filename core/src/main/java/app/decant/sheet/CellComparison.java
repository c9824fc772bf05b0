package app.decant.sheet;

import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;

/**
 * What two workbooks say otherwise, cell by cell. Sheets are known by their names; rows that came or went in one place are told as such, and what stands below
 * is compared with what it was.
 *
 * @param cells       how many cells of both were compared, or are in one only
 * @param others      how many of them say something else, or are in one only
 * @param differences sheet by sheet, from above
 */
public record CellComparison(long cells, long others, List<Difference> differences) {
    /** Numbers this near, as a share of themselves, are the same: what formats round. */
    private static final double SAME = 1e-9;

    public CellComparison { differences = List.copyOf(differences); }

    /** What differs. */
    public enum Kind { SHEET, ROWS, VALUE, FORMULA, LOOK }

    /**
     * One thing that differs.
     *
     * @param was the cell, the rows or the sheet in the first workbook, as people write them; null where they are in the second only
     * @param is  likewise in the second
     * @param old what it said; of looks and rows null
     * @param now what it says
     */
    public record Difference(Kind kind, String sheet, String was, String is, String old, String now) { }

    /** Compares. */
    public static CellComparison of(Workbook one, Workbook other) {
        List<Difference> differences = new ArrayList<>();
        long cells = 0;
        long alone = 0;
        Set<String> seen = new HashSet<>();
        for (Sheet sheet : one.sheets()) {
            Sheet same = other.sheet(sheet.name());
            seen.add(sheet.name().toLowerCase(Locale.ROOT));
            if (same != null) {
                Sheets sheets = new Sheets(one, sheet, other, same, differences);
                cells += sheets.compare();
                alone += sheets.alone;
                continue;
            }
            differences.add(new Difference(Kind.SHEET, sheet.name(), sheet.name(), null, null, null));
            alone += filled(sheet, 0, Range.MOST_ROWS);
        }
        for (Sheet sheet : other.sheets()) {
            if (seen.contains(sheet.name().toLowerCase(Locale.ROOT))) continue;
            differences.add(new Difference(Kind.SHEET, sheet.name(), null, sheet.name(), null, null));
            alone += filled(sheet, 0, Range.MOST_ROWS);
        }
        long others = differences.stream().filter(difference -> difference.kind == Kind.VALUE || difference.kind == Kind.FORMULA)
                .map(difference -> difference.sheet + "!" + difference.was).distinct().count();
        return new CellComparison(cells + alone, others + alone, differences);
    }

    /** How many cells of some rows hold anything. */
    private static long filled(Sheet sheet, int from, int to) {
        return sheet.rows().stream().filter(row -> row.index() >= from && row.index() < to).flatMap(row -> row.cells().stream()).filter(cell -> !cell.isEmpty())
                .count();
    }

    /** How many cells say the same, of a hundred. */
    public double score() { return cells == 0 ? differences.isEmpty() ? 100 : 0 : 100.0 * Math.max(0, cells - others) / cells; }

    /** Two sheets of one name. */
    private static final class Sheets {
        private final Workbook oneBook;
        private final Workbook otherBook;
        private final Sheet one;
        private final Sheet other;
        private final NumberText oneNumbers;
        private final NumberText otherNumbers;
        private final List<Difference> differences;
        /** How many cells stand in rows that are in one of both only. */
        private long alone;

        Sheets(Workbook oneBook, Sheet one, Workbook otherBook, Sheet other, List<Difference> differences) {
            this.oneBook = oneBook;
            this.otherBook = otherBook;
            this.one = one;
            this.other = other;
            this.differences = differences;
            oneNumbers = new NumberText(oneBook, Locale.getDefault(Locale.Category.FORMAT));
            otherNumbers = new NumberText(otherBook, Locale.getDefault(Locale.Category.FORMAT));
        }

        long compare() {
            int count = last(one) + 1;
            int others = last(other) + 1;
            int from = 0;
            while (from < Math.min(count, others) && said(one, from).equals(said(other, from))) from++;
            int back = 0;
            while (back < Math.min(count, others) - from && said(one, count - 1 - back).equals(said(other, others - 1 - back))) back++;
            // What is between both is the same, edited, as far as it goes; the rest came or went before the part below.
            int shared = count == others ? count : Math.min(count, others) - back;
            if (count != others) {
                boolean came = others > count;
                alone = filled(came ? other : one, shared, shared + Math.abs(others - count));
                String rows = (shared + 1) + ":" + (shared + Math.abs(others - count));
                differences.add(new Difference(Kind.ROWS, one.name(), came ? null : rows, came ? rows : null, null, null));
            }
            long cells = 0;
            for (int r = 0; r < shared; r++) cells += row(r, r);
            for (int r = 0; count != others && r < back; r++) cells += row(count - back + r, others - back + r);
            return cells;
        }

        private static int last(Sheet sheet) {
            for (int i = sheet.rows().size() - 1; i >= 0; i--)
                if (sheet.rows().get(i).cells().stream().anyMatch(cell -> !cell.isEmpty() || cell.formula() != null)) return sheet.rows().get(i).index();
            return -1;
        }

        /** What was typed in a row, by which it is known again: formulas and what they come to follow others. */
        private static List<Object> said(Sheet sheet, int index) {
            Row row = sheet.row(index);
            List<Object> said = new ArrayList<>();
            if (row == null) return said;
            for (Cell cell : row.cells()) {
                if (cell.isEmpty() && cell.formula() == null) continue;
                said.add(cell.column());
                said.add(cell.formula() == null ? plain(cell.value()) : "=");
            }
            return said;
        }

        private static Object plain(CellValue value) {
            if (value instanceof CellValue.Text text) return text.text().replace("\r", "");
            // As many digits as every format keeps.
            return value instanceof CellValue.Number number ? String.format(Locale.ROOT, "%.12g", number.value()) : value;
        }

        private long row(int index, int there) {
            TreeMap<Integer, Cell[]> pairs = new TreeMap<>();
            Row row = one.row(index);
            Row same = other.row(there);
            if (row != null) for (Cell cell : row.cells()) pairs.computeIfAbsent(cell.column(), key -> new Cell[2])[0] = cell;
            if (same != null) for (Cell cell : same.cells()) pairs.computeIfAbsent(cell.column(), key -> new Cell[2])[1] = cell;
            long cells = 0;
            for (int column : pairs.keySet()) {
                Cell was = pairs.get(column)[0];
                Cell is = pairs.get(column)[1];
                boolean filled = was != null && !was.isEmpty() || is != null && !is.isEmpty();
                if (filled) cells++;
                cell(was, is, Range.name(index, column), Range.name(there, column));
            }
            return cells;
        }

        private void cell(Cell was, Cell is, String place, String there) {
            String formula = was == null ? null : was.formula();
            String now = is == null ? null : is.formula();
            boolean moved = !place.equals(there);
            if (!Objects.equals(written(formula, moved), written(now, moved))) add(Kind.FORMULA, place, there, told(formula), told(now));
            CellValue value = was == null ? CellValue.EMPTY : was.value();
            CellValue fresh = is == null ? CellValue.EMPTY : is.value();
            if (!isSame(value, fresh)) add(Kind.VALUE, place, there, shown(oneNumbers, oneBook, was), shown(otherNumbers, otherBook, is));
            else if (was != null && is != null && !was.isEmpty() && !looksAs(oneBook.style(was), otherBook.style(is))) add(Kind.LOOK, place, there, null, null);
        }

        private void add(Kind kind, String place, String there, String old, String now) {
            differences.add(new Difference(kind, one.name(), place, there, old, now));
        }

        private static String told(String formula) { return formula == null ? "" : "=" + formula; }

        /**
         * A formula without what is nothing in it: blanks and case, but within quotes. Where rows came or went above, the numbers of rows are told otherwise
         * and lead to the same.
         */
        private static String written(String formula, boolean moved) {
            if (formula == null) return null;
            StringBuilder written = new StringBuilder();
            String[] parts = formula.split("(?=[\"'])|(?<=[\"'])", -1);
            char quote = 0;
            for (String part : parts) {
                boolean mark = part.equals("\"") || part.equals("'");
                if (mark && (quote == 0 || quote == part.charAt(0))) quote = quote == 0 ? part.charAt(0) : 0;
                String plain = quote != 0 || mark ? part : part.replaceAll("\\s+", "").toUpperCase(Locale.ROOT);
                written.append(moved && quote == 0 ? plain.replaceAll("(?<=[A-Z]\\$?)[0-9]+", "#") : plain);
            }
            return written.toString();
        }

        private static String shown(NumberText numbers, Workbook book, Cell cell) {
            return cell == null ? "" : numbers.of(cell.value(), book.style(cell).format());
        }

        private static boolean isSame(CellValue one, CellValue other) {
            if (one instanceof CellValue.Number a && other instanceof CellValue.Number b)
                return Math.abs(a.value() - b.value()) <= SAME * Math.max(1, Math.max(Math.abs(a.value()), Math.abs(b.value())));
            boolean empty = isNothing(one) && isNothing(other);
            return empty || plain(one).equals(plain(other)) && one.getClass() == other.getClass();
        }

        private static boolean isNothing(CellValue value) {
            return value instanceof CellValue.Empty || value instanceof CellValue.Text text && text.text().isEmpty();
        }

        /** What is seen of two looks. */
        private static boolean looksAs(CellStyle one, CellStyle other) {
            return one.font().equals(other.font()) && one.format().equals(other.format()) && one.across() == other.across() && one.down() == other.down()
                    && one.wraps() == other.wraps() && one.turn() == other.turn() && Objects.equals(one.fill(), other.fill())
                    && Objects.equals(one.borders(), other.borders());
        }
    }
}
