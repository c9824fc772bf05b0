package app.decant.sheet;

import app.decant.document.Facts;
import java.util.List;
import java.util.Map;

/**
 * A workbook.
 *
 * @param styles  that cells name by their index; the first is that of cells nobody dressed
 * @param names   of ranges, with the sheet before an exclamation mark: {@code Fares!B2:G40}, and of formulas; a name that only one sheet knows has that
 *                sheet before it in the same way: {@code Fares!Winter}
 * @param lock    what it is kept from
 * @param since1904 whether days are counted from 1904 on instead of 1900
 */
public record Workbook(List<Sheet> sheets, List<CellStyle> styles, Map<String, String> names, Facts facts, boolean since1904,
        WorkbookLock lock) {
    public Workbook {
        sheets = List.copyOf(sheets);
        styles = List.copyOf(styles);
        names = Map.copyOf(names);
        if (styles.isEmpty()) throw new IllegalArgumentException("A workbook has a style for cells that nobody dressed");
        for (Sheet sheet : sheets)
            for (Row row : sheet.rows())
                for (Cell cell : row.cells())
                    if (cell.style() >= styles.size()) throw new IllegalArgumentException("No style " + cell.style() + " for " + Range.name(row.index(),
                            cell.column()));
    }

    public CellStyle style(Cell cell) { return styles.get(cell.style()); }

    /** A workbook without locks. */
    public Workbook(List<Sheet> sheets, List<CellStyle> styles, Map<String, String> names, Facts facts, boolean since1904) {
        this(sheets, styles, names, facts, since1904, WorkbookLock.NONE);
    }

    /** The sheet of a name, whatever its case; null where there is none. */
    public Sheet sheet(String name) { return sheets.stream().filter(sheet -> sheet.name().equalsIgnoreCase(name)).findFirst().orElse(null); }

    public Workbook withSheets(List<Sheet> others) { return new Workbook(others, styles, names, facts, since1904, lock); }

    public Workbook with(WorkbookLock other) { return new Workbook(sheets, styles, names, facts, since1904, other); }
}
