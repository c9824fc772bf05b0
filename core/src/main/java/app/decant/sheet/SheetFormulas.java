package app.decant.sheet;

import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.apache.poi.hssf.usermodel.HSSFCell;
import org.apache.poi.hssf.usermodel.HSSFFormulaEvaluator;
import org.apache.poi.hssf.usermodel.HSSFRow;
import org.apache.poi.hssf.usermodel.HSSFSheet;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.apache.poi.ss.SpreadsheetVersion;
import org.apache.poi.ss.formula.WorkbookEvaluator;
import org.apache.poi.ss.formula.eval.BlankEval;
import org.apache.poi.ss.formula.eval.BoolEval;
import org.apache.poi.ss.formula.eval.ErrorEval;
import org.apache.poi.ss.formula.eval.NumberEval;
import org.apache.poi.ss.formula.eval.RefEval;
import org.apache.poi.ss.formula.eval.StringEval;
import org.apache.poi.ss.formula.eval.ValueEval;
import org.apache.poi.ss.usermodel.FormulaError;
import org.apache.poi.ss.util.CellRangeAddress;
import org.apache.poi.ss.util.CellReference;
import org.slf4j.LoggerFactory;

/**
 * Works out the formulas of rules for single cells, by the common library, over the values that are stored. Plain numbers and words need it not; workbooks
 * that are too large for it are left alone.
 */
final class SheetFormulas {
    private static final int MOST_CELLS = 100_000;
    /** Of formulas worked out for one sheet; rules that ask more are given up, which is told. */
    private static final int MOST_ASKED = 400_000;
    /** Of letters in a cell, for the library. */
    private static final int LONGEST = 32_000;
    private static final int MOST_ROWS = SpreadsheetVersion.EXCEL97.getMaxRows();
    private static final int MOST_COLUMNS = SpreadsheetVersion.EXCEL97.getMaxColumns();

    /** The name of a sheet before a place on it (ISO/IEC 29500-1, 18.17.2.3). */
    private static final Pattern SHEET = Pattern.compile("'((?:[^']|'')+)'!|([^\\s'!(),;:+*/^&=<>-]+)!");

    private final Workbook workbook;
    private final Sheet sheet;
    private final Map<String, CellValue> plain = new HashMap<>();
    private WorkbookEvaluator evaluator;
    private boolean tooLarge;
    private int asked;

    SheetFormulas(Workbook workbook, Sheet sheet) {
        this.workbook = workbook;
        this.sheet = sheet;
    }

    /**
     * What a formula comes to.
     *
     * @param home the cells it is told for: its relative places are those of the first corner
     * @return null where it can't be worked out
     */
    CellValue worked(String formula, int row, int column, Range home) {
        if (!plain.containsKey(formula)) plain.put(formula, literal(formula.strip()));
        CellValue literal = plain.get(formula);
        if (literal != null) return literal;
        WorkbookEvaluator library = asked++ >= MOST_ASKED || leadsElsewhere(formula) ? null : evaluator();
        if (library == null || row >= MOST_ROWS || column >= MOST_COLUMNS) return null;
        try {
            CellRangeAddress region = new CellRangeAddress(home.top(), Math.min(home.bottom(), MOST_ROWS - 1), home.left(), Math.min(home.right(),
                    MOST_COLUMNS - 1));
            return value(library.evaluate(formula, new CellReference(sheet.name(), row, column, true, true), region));
        } catch (RuntimeException | StackOverflowError e) {
            // The library's parser and functions tell what they can't do in many ways, and go as deep as a chain of cells is long.
            LoggerFactory.getLogger(SheetFormulas.class).debug("{} can't be worked out", formula, e);
            return null;
        }
    }

    /** A number, words in quotes, a truth; null for anything else. */
    private static CellValue literal(String formula) {
        if (formula.matches("[-+]?\\d*\\.?\\d+([eE][-+]?\\d+)?")) return CellValue.of(Double.parseDouble(formula));
        if (formula.length() > 1 && formula.startsWith("\"") && formula.endsWith("\"")) {
            String inner = formula.substring(1, formula.length() - 1);
            if (!inner.replace("\"\"", "").contains("\"")) return new CellValue.Text(inner.replace("\"\"", "\""));
        }
        return formula.equalsIgnoreCase("TRUE") || formula.equalsIgnoreCase("FALSE") ? new CellValue.Truth(formula.equalsIgnoreCase("TRUE")) : null;
    }

    /** Whether it asks other workbooks, or sheets that are not there: the library would take this sheet for them. */
    private boolean leadsElsewhere(String formula) {
        Matcher matcher = SHEET.matcher(formula.replaceAll("\"[^\"]*\"", ""));
        while (matcher.find()) {
            String name = matcher.group(1) != null ? matcher.group(1).replace("''", "'") : matcher.group(2);
            if (workbook.sheet(name) == null) return true;
        }
        return false;
    }

    private static CellValue value(ValueEval result) {
        if (result instanceof RefEval place) return value(place.getInnerValueEval(place.getFirstSheetIndex()));
        if (result instanceof NumberEval number) return CellValue.of(number.getNumberValue());
        if (result instanceof StringEval text) return new CellValue.Text(text.getStringValue());
        if (result instanceof BoolEval truth) return new CellValue.Truth(truth.getBooleanValue());
        if (result instanceof ErrorEval failure) return new CellValue.Failure(failure.getErrorString());
        return result instanceof BlankEval ? CellValue.EMPTY : null;
    }

    private WorkbookEvaluator evaluator() {
        if (evaluator != null || tooLarge) return evaluator;
        long cells = workbook.sheets().stream().flatMap(one -> one.rows().stream()).mapToLong(row -> row.cells().size()).sum();
        tooLarge = cells > MOST_CELLS;
        if (tooLarge) return null;
        HSSFWorkbook values = new HSSFWorkbook();
        for (Sheet one : workbook.sheets()) fill(values.createSheet(one.name()), one);
        evaluator = new HSSFFormulaEvaluator(values)._getWorkbookEvaluator();
        return evaluator;
    }

    private static void fill(HSSFSheet there, Sheet one) {
        for (Row row : one.rows()) {
            if (row.index() >= MOST_ROWS) break;
            HSSFRow made = there.createRow(row.index());
            for (Cell cell : row.cells()) {
                if (cell.column() >= MOST_COLUMNS) break;
                if (!cell.isEmpty()) put(made.createCell(cell.column()), cell.value());
            }
        }
    }

    /** Gives a cell of the library a value. */
    static void put(HSSFCell cell, CellValue value) {
        if (value instanceof CellValue.Number number) cell.setCellValue(number.value());
        else if (value instanceof CellValue.Text text) cell.setCellValue(text.text().substring(0, Math.min(text.text().length(), LONGEST)));
        else if (value instanceof CellValue.Truth truth) cell.setCellValue(truth.value());
        else if (value instanceof CellValue.Failure failure) error(failure).ifPresent(error -> cell.setCellErrorValue(error.getCode()));
    }

    /** Whether an error may stand in a cell of a file; the library has others of its own. */
    static boolean isOfFiles(FormulaError error) { return error.getCode() >= 0; }

    private static Optional<FormulaError> error(CellValue.Failure failure) {
        return Arrays.stream(FormulaError.values()).filter(error -> isOfFiles(error) && error.getString().equals(failure.code())).findFirst();
    }
}
