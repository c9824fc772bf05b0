package app.decant.desktop.sheet;

import app.decant.sheet.Range;

/**
 * What is picked on a sheet.
 *
 * @param sheet  the index of the sheet in its workbook
 * @param row    of the cell that is written into, from 0
 * @param column likewise
 * @param toRow  the corner across from it, where several are picked
 */
record SheetPick(int sheet, int row, int column, int toRow, int toColumn) {
    static SheetPick cell(int sheet, int row, int column) { return new SheetPick(sheet, row, column, row, column); }

    Range range() { return new Range(Math.min(row, toRow), Math.min(column, toColumn), Math.max(row, toRow), Math.max(column, toColumn)); }

    boolean isOne() { return row == toRow && column == toColumn; }

    SheetPick to(int otherRow, int otherColumn) { return new SheetPick(sheet, row, column, otherRow, otherColumn); }
}
