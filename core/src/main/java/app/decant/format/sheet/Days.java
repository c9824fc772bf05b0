package app.decant.format.sheet;

import app.decant.sheet.Cell;
import app.decant.sheet.CellValue;
import app.decant.sheet.NumberText;
import app.decant.sheet.Row;
import app.decant.sheet.Sheet;
import app.decant.sheet.Workbook;
import java.util.ArrayList;
import java.util.List;

/** Days of workbooks that count from 1904 on, for formats that count from 1900 (ISO/IEC 29500-1, 18.17.4.1). */
final class Days {
    /** Between the two first days. */
    private static final int APART = 1462;

    private Days() { }

    /** The workbook with the same days counted from 1900 on; the same where they are so already. Times and spans of time are no days and stay. */
    static Workbook since1900(Workbook workbook) {
        if (!workbook.since1904()) return workbook;
        List<Sheet> sheets = new ArrayList<>();
        for (Sheet sheet : workbook.sheets()) {
            List<Row> rows = sheet.rows().stream().map(row -> row.with(row.cells().stream().map(cell -> counted(workbook, cell)).toList())).toList();
            sheets.add(sheet.withRows(rows));
        }
        return new Workbook(sheets, workbook.styles(), workbook.names(), workbook.facts(), false, workbook.lock());
    }

    private static Cell counted(Workbook workbook, Cell cell) {
        String format = workbook.style(cell).format();
        boolean day = cell.value() instanceof CellValue.Number && NumberText.isDate(format) && OdsNumberStyles.hasDay(format);
        if (!day) return cell;
        double value = ((CellValue.Number) cell.value()).value();
        return cell.with(CellValue.of(value + APART));
    }
}
