package app.decant.sheet;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.poi.hssf.usermodel.HSSFCell;
import org.apache.poi.hssf.usermodel.HSSFFormulaEvaluator;
import org.apache.poi.hssf.usermodel.HSSFRow;
import org.apache.poi.hssf.usermodel.HSSFSheet;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.apache.poi.ss.SpreadsheetVersion;
import org.apache.poi.ss.usermodel.FormulaError;
import org.slf4j.LoggerFactory;

/**
 * What the formulas of a workbook come to after some cells were corrected, worked out by the common library. Only what comes to something else than before
 * changes: programs reckon in slightly different ways, and what nobody touched stays as it was stored.
 *
 * @param workbook with the new results
 * @param changed  how many formulas come to something else
 * @param unknown  how many can't be worked out, and keep what they came to last
 */
public record Recalculation(Workbook workbook, int changed, int unknown) {
    private static final long MOST_CELLS = 100_000;
    private static final int MOST_ROWS = SpreadsheetVersion.EXCEL97.getMaxRows();
    private static final int MOST_COLUMNS = SpreadsheetVersion.EXCEL97.getMaxColumns();

    /** Where a cell is. */
    private record Spot(int sheet, int row, int column) { }

    /** A workbook as the library reckons it: what its formulas come to, and null for those that can't be worked out. */
    private static final class Reckoned {
        private static final int MOST_TOO_DEEP = 3;

        final Map<Spot, CellValue> results = new HashMap<>();
        private int tooDeep;

        Reckoned(Workbook workbook) {
            HSSFWorkbook book = new HSSFWorkbook();
            List<Spot> formulas = new ArrayList<>();
            for (Sheet sheet : workbook.sheets()) book.createSheet(sheet.name());
            for (int s = 0; s < workbook.sheets().size(); s++) fill(book.getSheetAt(s), workbook.sheets().get(s), s, formulas);
            HSSFFormulaEvaluator evaluator = new HSSFFormulaEvaluator(book);
            // Most cells ask those above; where that goes too deep, those that ask cells below are worked out from the end on.
            work(formulas, book, evaluator);
            tooDeep = 0;
            Collections.reverse(formulas);
            work(formulas, book, evaluator);
            for (Spot spot : formulas) results.putIfAbsent(spot, null);
        }

        private void work(List<Spot> formulas, HSSFWorkbook book, HSSFFormulaEvaluator evaluator) {
            for (Spot spot : formulas) {
                if (results.containsKey(spot)) continue;
                try {
                    results.put(spot, result(evaluator, book.getSheetAt(spot.sheet).getRow(spot.row).getCell(spot.column)));
                } catch (StackOverflowError e) {
                    LoggerFactory.getLogger(Recalculation.class).debug("A chain of formulas is too long", e);
                    if (++tooDeep == MOST_TOO_DEEP) return;
                }
            }
        }

        private void fill(HSSFSheet there, Sheet sheet, int number, List<Spot> formulas) {
            for (Row row : sheet.rows()) {
                if (row.index() >= MOST_ROWS) break;
                HSSFRow made = there.createRow(row.index());
                for (Cell cell : row.cells()) {
                    if (cell.column() >= MOST_COLUMNS) break;
                    HSSFCell one = made.createCell(cell.column());
                    SheetFormulas.put(one, cell.value());
                    if (cell.formula() == null) continue;
                    Spot spot = new Spot(number, row.index(), cell.column());
                    formulas.add(spot);
                    if (!tells(one, cell.formula())) results.put(spot, null);
                }
            }
        }

        /** Gives a cell its formula; where the library can't read it, the cell keeps its value for those that ask it. */
        private static boolean tells(HSSFCell cell, String formula) {
            try {
                cell.setCellFormula(formula);
                return true;
            } catch (RuntimeException e) {
                // The library's parser gives up in many ways.
                LoggerFactory.getLogger(Recalculation.class).debug("{} can't be read", formula, e);
                return false;
            }
        }

        /** Null for what the library makes up: circles, and functions it lacks, are no values of a cell (ISO/IEC 29500-1, 18.17.3). */
        private static CellValue failure(FormulaError error) {
            return SheetFormulas.isOfFiles(error) ? new CellValue.Failure(error.getString()) : null;
        }

        private static CellValue result(HSSFFormulaEvaluator evaluator, HSSFCell cell) {
            try {
                org.apache.poi.ss.usermodel.CellValue value = evaluator.evaluate(cell);
                return switch (value.getCellType()) {
                    case NUMERIC -> CellValue.of(value.getNumberValue());
                    case STRING -> new CellValue.Text(value.getStringValue());
                    case BOOLEAN -> new CellValue.Truth(value.getBooleanValue());
                    case ERROR -> failure(FormulaError.forInt(value.getErrorValue()));
                    default -> CellValue.EMPTY;
                };
            } catch (RuntimeException e) {
                // Functions that the library lacks, other workbooks, circles.
                LoggerFactory.getLogger(Recalculation.class).debug("A formula can't be worked out", e);
                return null;
            }
        }
    }

    /**
     * Works formulas out anew.
     *
     * @param before as it was stored, its sheets the same as those of {@code now}
     * @param now    with some cells corrected
     */
    public static Recalculation of(Workbook before, Workbook now) {
        long formulas = now.sheets().stream().flatMap(sheet -> sheet.rows().stream()).flatMap(row -> row.cells().stream())
                .filter(cell -> cell.formula() != null).count();
        if (formulas == 0) return new Recalculation(now, 0, 0);
        long cells = now.sheets().stream().flatMap(sheet -> sheet.rows().stream()).mapToLong(row -> row.cells().size()).sum();
        if (cells > MOST_CELLS) return new Recalculation(now, 0, (int) Math.min(Integer.MAX_VALUE, formulas));
        Map<Spot, CellValue> was = new Reckoned(before).results;
        Map<Spot, CellValue> is = new Reckoned(now).results;
        int[] counts = new int[2];
        List<Sheet> sheets = new ArrayList<>();
        for (int s = 0; s < now.sheets().size(); s++) {
            int number = s;
            Sheet sheet = now.sheets().get(s);
            sheets.add(sheet.withRows(sheet.rows().stream().map(row -> row.with(row.cells().stream().map(cell -> {
                if (cell.formula() == null) return cell;
                Spot spot = new Spot(number, row.index(), cell.column());
                CellValue result = is.get(spot);
                if (result == null) counts[1]++;
                Cell old = before.sheets().get(number).cell(row.index(), cell.column());
                boolean same = old != null && cell.formula().equals(old.formula()) && result != null && result.equals(was.get(spot));
                if (result == null || same) return cell;
                counts[0]++;
                return cell.with(result);
            }).toList())).toList()));
        }
        return new Recalculation(now.withSheets(sheets), counts[0], counts[1]);
    }
}
