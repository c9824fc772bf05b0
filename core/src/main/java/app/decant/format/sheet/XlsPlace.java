package app.decant.format.sheet;

import app.decant.sheet.Range;
import org.apache.poi.hssf.usermodel.HSSFClientAnchor;
import org.apache.poi.hssf.usermodel.HSSFRow;
import org.apache.poi.hssf.usermodel.HSSFSheet;
import org.apache.poi.ss.SpreadsheetVersion;

/**
 * Where something lies over the cells of a .xls ([MS-ODRAW], 2.2.46: places are shares of their cells).
 *
 * @param left  how far in its first column it begins, in points; the others likewise
 * @param width of all of it
 */
record XlsPlace(HSSFSheet sheet, Range cells, double left, double top, double right, double bottom, double width, double height) {
    /** Points to a pixel of a column's width. */
    private static final double PIXEL = 0.75;
    /** Into how many parts columns and rows are divided. */
    private static final double ACROSS = 1024;
    private static final double DOWN = 256;

    /** The place of an anchor; null where it ends before it begins. */
    static XlsPlace of(HSSFSheet sheet, HSSFClientAnchor anchor) {
        if (anchor.getCol2() < anchor.getCol1() || anchor.getRow2() < anchor.getRow1() || anchor.getCol1() < 0 || anchor.getRow1() < 0) return null;
        double left = anchor.getDx1() / ACROSS * width(sheet, anchor.getCol1());
        double right = anchor.getDx2() / ACROSS * width(sheet, anchor.getCol2());
        double top = anchor.getDy1() / DOWN * height(sheet, anchor.getRow1());
        double bottom = anchor.getDy2() / DOWN * height(sheet, anchor.getRow2());
        double across = right - left;
        for (int column = anchor.getCol1(); column < anchor.getCol2(); column++) across += width(sheet, column);
        double down = bottom - top;
        for (int row = anchor.getRow1(); row < anchor.getRow2(); row++) down += height(sheet, row);
        if (across < 0 || down < 0) return null;
        return new XlsPlace(sheet, new Range(anchor.getRow1(), anchor.getCol1(), anchor.getRow2(), anchor.getCol2()), left, top, right, bottom,
                Math.max(1, across), Math.max(1, down));
    }

    /** A part of it: so far from its corner, and so large. */
    XlsPlace within(double x, double y, double wide, double high) {
        double[] from = moved(new double[] {cells.left(), left, cells.top(), top}, x, y);
        double[] to = moved(from, wide, high);
        return new XlsPlace(sheet, new Range((int) from[2], (int) from[0], (int) to[2], (int) to[0]), from[1], from[3], to[1], to[3], Math.max(1, wide),
                Math.max(1, high));
    }

    private double[] moved(double[] from, double x, double y) {
        int column = (int) from[0];
        double across = from[1] + CellPlaces.near(x);
        while (across > width(sheet, column) && column < SpreadsheetVersion.EXCEL97.getLastColumnIndex()) across -= width(sheet, column++);
        int row = (int) from[2];
        double down = from[3] + CellPlaces.near(y);
        while (down > height(sheet, row) && row < SpreadsheetVersion.EXCEL97.getLastRowIndex()) down -= height(sheet, row++);
        return new double[] {column, across, row, down};
    }

    /** The anchor of a place; null where a sheet of this generation has none such. */
    static HSSFClientAnchor anchor(HSSFSheet sheet, Range cells, double left, double top, double right, double bottom) {
        if (cells.right() > SpreadsheetVersion.EXCEL97.getLastColumnIndex() || cells.bottom() > SpreadsheetVersion.EXCEL97.getLastRowIndex()) return null;
        return new HSSFClientAnchor(share(left, width(sheet, cells.left()), ACROSS), share(top, height(sheet, cells.top()), DOWN),
                share(right, width(sheet, cells.right()), ACROSS), share(bottom, height(sheet, cells.bottom()), DOWN), (short) cells.left(), cells.top(),
                (short) cells.right(), cells.bottom());
    }

    private static int share(double points, double whole, double parts) {
        return whole <= 0 ? 0 : (int) Math.max(0, Math.min(parts - 1, Math.round(points / whole * parts)));
    }

    private static double width(HSSFSheet sheet, int column) { return sheet.isColumnHidden(column) ? 0 : sheet.getColumnWidthInPixels(column) * PIXEL; }

    private static double height(HSSFSheet sheet, int index) {
        HSSFRow row = sheet.getRow(index);
        return row == null ? sheet.getDefaultRowHeightInPoints() : row.getZeroHeight() ? 0 : row.getHeightInPoints();
    }
}
