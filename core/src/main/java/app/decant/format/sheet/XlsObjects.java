package app.decant.format.sheet;

import app.decant.document.Image;
import app.decant.document.Look;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import app.decant.format.Chart;
import app.decant.format.ChartPicture;
import app.decant.picture.PictureFile;
import app.decant.sheet.SheetObject;
import java.util.ArrayList;
import java.util.Iterator;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.function.Supplier;
import org.apache.poi.hssf.usermodel.HSSFClientAnchor;
import org.apache.poi.hssf.usermodel.HSSFComment;
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

    /** What lies over the cells of a sheet, as far as it is seen on pages. */
    static List<SheetObject> over(HSSFSheet sheet, Function<HSSFFont, Look> letters, Lost lost) {
        List<SheetObject> objects = new ArrayList<>();
        List<HSSFShape> over = XlsShapes.over(sheet, () -> lost.count(Lost.Kind.SHAPES, 1));
        XlsObjectRecords records = new XlsObjectRecords(sheet);
        XlsShapes shapes = new XlsShapes(sheet, sheet.getWorkbook().getCustomPalette(), letters, records);
        Iterator<Chart> charts = XlsCharts.of(sheet).iterator();
        for (HSSFShape shape : over) {
            if (shape instanceof HSSFComment || records.isUnseen(shape)) continue;
            boolean control = records.isControl(shape);
            boolean chart = !control && charts.hasNext() && XlsShapes.isChart(shape);
            Supplier<List<SheetObject>> reading = chart ? () -> chart(sheet, shape, charts.next())
                    : shape instanceof HSSFPicture one ? () -> picture(sheet, one) : () -> shapes.read(shape);
            List<SheetObject> read = readable(reading);
            objects.addAll(read);
            if (control) lost.count(Lost.Kind.CONTROLS, 1);
            else if (read.isEmpty()) lost.count(chart ? Lost.Kind.CHARTS : shape instanceof HSSFPicture ? Lost.Kind.PICTURES : Lost.Kind.SHAPES, 1);
        }
        return objects;
    }

    /** Nothing of a drawing whose records are not as they should be. */
    private static List<SheetObject> readable(Supplier<List<SheetObject>> drawing) {
        try {
            return drawing.get();
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(XlsObjects.class).info("A drawing can't be read", e);
            return List.of();
        }
    }

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
            Image image = new Image(data.getMimeType().replace("/dib", "/bmp"), PictureFile.withHeader(data.getData()));
            Picture picture = new Picture(image, place.width(), place.height(), Insets.NONE, shape.getRotationDegree(), null);
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
