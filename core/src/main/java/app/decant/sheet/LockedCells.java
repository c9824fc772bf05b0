package app.decant.sheet;

import app.decant.sheet.SheetLock.Allowed;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;

/** What the lock of a sheet keeps as it is: cells that are not told to be open, and the looks of all (ISO/IEC 29500-1, 18.3.1.85 and 18.8.33). */
public final class LockedCells {
    private final Workbook workbook;
    private final Sheet sheet;

    public LockedCells(Workbook workbook, Sheet sheet) {
        this.workbook = workbook;
        this.sheet = sheet;
    }

    /** Whether a cell is written into by nobody while the lock is closed. */
    public boolean isLocked(int row, int column) { return sheet.matter().lock() != null && !style(row, column).open(); }

    private CellStyle style(int row, int column) {
        Cell cell = sheet.cell(row, column);
        if (cell != null) return workbook.style(cell);
        for (Column one : sheet.columns()) if (one.from() <= column && column <= one.to()) return workbook.styles().get(one.style());
        return workbook.styles().get(0);
    }

    /**
     * The first of some answers that the lock does not allow; null where it allows all. How a sheet falls onto pages is nobody's to lock.
     *
     * @param answers by their names
     */
    public String refused(SortedMap<String, String> answers) {
        if (sheet.matter().lock() == null) return null;
        for (String name : answers.keySet()) {
            SheetAnswers one = SheetAnswers.of(new TreeMap<>(answers.subMap(name, name + "\0")));
            if (isRefused(one)) return name.substring(name.lastIndexOf('!') + 1);
        }
        return null;
    }

    private boolean isRefused(SheetAnswers one) {
        SheetLock lock = sheet.matter().lock();
        for (long place : one.cells().getOrDefault(sheet.name(), Map.of()).keySet())
            if (isLocked(SheetAnswers.rowOf(place), SheetAnswers.columnOf(place))) return true;
        if (!one.looks().getOrDefault(sheet.name(), Map.of()).isEmpty()) return !lock.allowed().contains(Allowed.FORMAT_CELLS);
        for (String name : one.setting().getOrDefault(sheet.name(), Map.of()).keySet()) {
            if (SheetAnswers.isColumn(name)) return !lock.allowed().contains(Allowed.FORMAT_COLUMNS);
            if (SheetAnswers.isRow(name)) return !lock.allowed().contains(Allowed.FORMAT_ROWS);
        }
        return false;
    }
}
