package app.decant.sheet;

import app.decant.document.Link;

/**
 * One cell of a row.
 *
 * @param column  from 0
 * @param value   what it holds; of a formula what it came to last
 * @param formula without the equals sign, in the words of ISO/IEC 29500-1, 18.17; null for none
 * @param array   the cells over which the formula is spread, this being the first of them; null for a formula of this cell alone
 * @param style   the index of its look in the workbook
 * @param link    where it leads, or null
 */
public record Cell(int column, CellValue value, String formula, Range array, int style, Link link) {
    public Cell { if (column < 0 || style < 0) throw new IllegalArgumentException("No cell at column " + column); }

    public Cell(int column, CellValue value, String formula, int style, Link link) { this(column, value, formula, null, style, link); }

    /** The same with another value. */
    public Cell with(CellValue other) { return new Cell(column, other, formula, array, style, link); }

    public Cell(int column, CellValue value, int style) { this(column, value, null, style, null); }

    public boolean isEmpty() { return value instanceof CellValue.Empty || value instanceof CellValue.Text text && text.text().isEmpty(); }
}
