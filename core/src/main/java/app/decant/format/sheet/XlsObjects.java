package app.decant.format.sheet;

import app.decant.document.Image;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import app.decant.sheet.Range;
import app.decant.sheet.SheetObject;
import java.util.Map;
import org.apache.poi.hssf.usermodel.HSSFClientAnchor;
import org.apache.poi.hssf.usermodel.HSSFPatriarch;
import org.apache.poi.hssf.usermodel.HSSFPicture;
import org.apache.poi.hssf.usermodel.HSSFPictureData;
import org.apache.poi.hssf.usermodel.HSSFRow;
import org.apache.poi.hssf.usermodel.HSSFSheet;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.apache.poi.ss.SpreadsheetVersion;
import org.apache.poi.ss.usermodel.Workbook;
import org.slf4j.LoggerFactory;

/** Pictures over the cells of a .xls ([MS-ODRAW], 2.2.46: places are shares of their cells). */
final class XlsObjects {
    /** Points to a pixel of a column's width. */
    private static final double PIXEL = 0.75;
    /** Into how many parts columns and rows are divided. */
    private static final double ACROSS = 1024;
    private static final double DOWN = 256;

    private static final Map<String, Integer> KINDS = Map.of("image/png", Workbook.PICTURE_TYPE_PNG, "image/jpeg", Workbook.PICTURE_TYPE_JPEG);

    private XlsObjects() { }

    /** A picture, or null for one that can't be read or stands nowhere. */
    static SheetObject picture(HSSFSheet sheet, HSSFPicture shape) {
        if (!(shape.getAnchor() instanceof HSSFClientAnchor anchor)) return null;
        try {
            HSSFPictureData data = shape.getPictureData();
            if (data == null || data.getData().length == 0 || anchor.getCol2() < anchor.getCol1() || anchor.getRow2() < anchor.getRow1()) return null;
            double left = anchor.getDx1() / ACROSS * width(sheet, anchor.getCol1());
            double right = anchor.getDx2() / ACROSS * width(sheet, anchor.getCol2());
            double top = anchor.getDy1() / DOWN * height(sheet, anchor.getRow1());
            double bottom = anchor.getDy2() / DOWN * height(sheet, anchor.getRow2());
            double across = right - left;
            for (int column = anchor.getCol1(); column < anchor.getCol2(); column++) across += width(sheet, column);
            double down = bottom - top;
            for (int row = anchor.getRow1(); row < anchor.getRow2(); row++) down += height(sheet, row);
            if (across < 1 || down < 1) return null;
            Picture picture = new Picture(new Image(data.getMimeType(), data.getData()), across, down, Insets.NONE, shape.getRotationDegree(), null);
            return new SheetObject(SheetObject.Kind.PICTURE, new Range(anchor.getRow1(), anchor.getCol1(), anchor.getRow2(), anchor.getCol2()), left, top,
                    right, bottom, picture);
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(XlsObjects.class).info("A picture can't be read", e);
            return null;
        }
    }

    /** Puts what lies over cells into a sheet, as a picture; false where it can't be one. */
    static boolean write(HSSFWorkbook book, HSSFSheet sheet, SheetObject object) {
        Image image = SheetPictures.usual(object.picture().image(), KINDS.keySet());
        Range cells = object.cells();
        if (image == null || cells.right() > SpreadsheetVersion.EXCEL97.getLastColumnIndex() || cells.bottom() > SpreadsheetVersion.EXCEL97.getLastRowIndex())
            return false;
        HSSFClientAnchor anchor = new HSSFClientAnchor(share(object.left(), width(sheet, cells.left()), ACROSS),
                share(object.top(), height(sheet, cells.top()), DOWN), share(object.right(), width(sheet, cells.right()), ACROSS),
                share(object.bottom(), height(sheet, cells.bottom()), DOWN), (short) cells.left(), cells.top(), (short) cells.right(), cells.bottom());
        HSSFPatriarch over = sheet.getDrawingPatriarch() == null ? sheet.createDrawingPatriarch() : sheet.getDrawingPatriarch();
        HSSFPicture picture = over.createPicture(anchor, book.addPicture(image.bytes(), KINDS.get(image.type())));
        if (object.picture().rotation() != 0) picture.setRotationDegree((short) Math.round(object.picture().rotation()));
        return true;
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
