package app.decant.format.sheet;

import app.decant.document.Image;
import app.decant.document.Look;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import app.decant.format.Chart;
import app.decant.format.ChartPicture;
import app.decant.sheet.SheetObject;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import org.apache.poi.hssf.usermodel.HSSFClientAnchor;
import org.apache.poi.hssf.usermodel.HSSFFont;
import org.apache.poi.hssf.usermodel.HSSFPatriarch;
import org.apache.poi.hssf.usermodel.HSSFPicture;
import org.apache.poi.hssf.usermodel.HSSFPictureData;
import org.apache.poi.hssf.usermodel.HSSFShape;
import org.apache.poi.hssf.usermodel.HSSFSheet;
import org.apache.poi.hssf.usermodel.HSSFWorkbook;
import org.apache.poi.ss.usermodel.Workbook;
import org.slf4j.LoggerFactory;

/** Pictures and charts over the cells of a .xls. */
final class XlsObjects {
    private static final Map<String, Integer> KINDS = Map.of("image/png", Workbook.PICTURE_TYPE_PNG, "image/jpeg", Workbook.PICTURE_TYPE_JPEG);

    private XlsObjects() { }

    /** A chart in its frame; nothing where it can't be drawn, or stands nowhere. */
    static List<SheetObject> chart(HSSFSheet sheet, HSSFShape frame, Chart chart) {
        XlsPlace place = chart != null && frame.getAnchor() instanceof HSSFClientAnchor anchor ? XlsPlace.of(sheet, anchor) : null;
        Picture picture = place == null ? null : ChartPicture.of(chart, place.width(), place.height(), null);
        return picture == null ? List.of() : List.of(new SheetObject(SheetObject.Kind.CHART, place.cells(), place.left(), place.top(), place.right(),
                place.bottom(), picture));
    }

    /** A picture; nothing for one that can't be read or stands nowhere. */
    static List<SheetObject> picture(HSSFSheet sheet, HSSFPicture shape) {
        if (!(shape.getAnchor() instanceof HSSFClientAnchor anchor)) return List.of();
        try {
            HSSFPictureData data = shape.getPictureData();
            XlsPlace place = XlsPlace.of(sheet, anchor);
            if (data == null || data.getData().length == 0 || place == null) return List.of();
            Picture picture = new Picture(new Image(data.getMimeType(), data.getData()), place.width(), place.height(), Insets.NONE,
                    shape.getRotationDegree(), null);
            return List.of(new SheetObject(SheetObject.Kind.PICTURE, place.cells(), place.left(), place.top(), place.right(), place.bottom(), picture));
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(XlsObjects.class).info("A picture can't be read", e);
            return List.of();
        }
    }

    /** Puts what lies over cells into a sheet, as a picture, a shape's words in a box over it; false where it can't be one. */
    static boolean write(HSSFWorkbook book, HSSFSheet sheet, SheetObject object, Function<Look, HSSFFont> fonts) {
        HSSFClientAnchor anchor = XlsPlace.anchor(sheet, object.cells(), object.left(), object.top(), object.right(), object.bottom());
        Image image = object.picture() == null ? null : SheetPictures.usual(object.picture().image(), KINDS.keySet());
        if (anchor == null || image == null && object.picture() != null) return false;
        if (image != null) {
            HSSFPatriarch over = sheet.getDrawingPatriarch() == null ? sheet.createDrawingPatriarch() : sheet.getDrawingPatriarch();
            SheetObject.Shape shape = object.shape();
            XlsPlace box = shape == null ? null : XlsPlace.of(sheet, anchor);
            XlsPlace place = box == null ? null : box.within(shape.x(), shape.y(), object.picture().width(), object.picture().height());
            HSSFClientAnchor outline = place == null ? anchor
                    : XlsPlace.anchor(sheet, place.cells(), place.left(), place.top(), place.right(), place.bottom());
            HSSFPicture picture = over.createPicture(outline, book.addPicture(image.bytes(), KINDS.get(image.type())));
            if (object.picture().rotation() != 0) picture.setRotationDegree((short) Math.round(object.picture().rotation()));
        }
        if (object.shape() != null && object.shape().words() != null) XlsShapes.write(sheet, anchor, object.shape().words(), fonts);
        return true;
    }
}
