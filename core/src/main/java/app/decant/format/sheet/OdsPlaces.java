package app.decant.format.sheet;

import app.decant.document.DecantException;
import app.decant.document.Image;
import app.decant.document.Picture;
import app.decant.format.Chart;
import app.decant.format.ChartPicture;
import app.decant.format.OpenDocumentChart;
import app.decant.picture.PictureFile;
import app.decant.sheet.Column;
import app.decant.sheet.Range;
import app.decant.sheet.Row;
import app.decant.sheet.SheetObject;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.slf4j.LoggerFactory;

/** Pictures over the cells of an .ods (ISO/IEC 26300-1, 9.2.6 and 10.4): in the cell from which they hang, or told from the corner of the sheet. */
final class OdsPlaces {
    private static final Map<String, String> KINDS = Map.of("emf", "image/x-emf", "wmf", "image/x-wmf", "bmp", "image/bmp", "tif", "image/tiff", "tiff",
            "image/tiff");

    private final Map<String, byte[]> parts;
    private final OdsShapes shapes;
    private final Lost lost;
    private final List<Hanging> hanging = new ArrayList<>();

    /** A frame, and the cell it is in; -1 for one of the sheet. */
    private record Hanging(XmlNode frame, int row, int column) { }

    OdsPlaces(Map<String, byte[]> parts, OdsShapes shapes, Lost lost) {
        this.parts = parts;
        this.shapes = shapes;
        this.lost = lost;
    }

    void add(XmlNode holder, int row, int column) {
        for (XmlNode one : holder.children()) {
            if (one.is("draw:frame") || OdsShapes.isOne(one)) hanging.add(new Hanging(one, row, column));
            else if (one.is("draw:a") || one.is("draw:g")) add(one, row, column);
            else if (one.name().startsWith("draw:")) lost.count(Lost.Kind.SHAPES, 1);
        }
    }

    List<SheetObject> objects(List<Column> columns, double width, List<Row> rows, double height) {
        List<SheetObject> objects = new ArrayList<>();
        TreeMap<Integer, Row> byIndex = new TreeMap<>();
        for (Row row : rows) byIndex.put(row.index(), row);
        CellPlaces places = new CellPlaces(columns, width, byIndex, height);
        for (Hanging one : hanging) {
            SheetObject object = object(one, places);
            if (object != null) objects.add(object);
        }
        return objects;
    }

    private SheetObject object(Hanging one, CellPlaces places) {
        XmlNode frame = one.frame;
        if (OdsShapes.isOne(frame) && frame.child("draw:image") == null) return shape(one, places);
        boolean chart = frame.child("draw:object") != null || frame.child("draw:object-ole") != null;
        double wide = OdsStyles.points(frame.get("svg:width"), 0);
        double high = OdsStyles.points(frame.get("svg:height"), 0);
        XmlNode told = frame.child("svg:desc") != null ? frame.child("svg:desc") : frame.child("svg:title");
        String words = told == null || told.text().isBlank() ? null : told.text();
        Picture drawn = wide > 0 && high > 0 ? drawn(frame.child("draw:object"), wide, high, words) : null;
        if (drawn != null) return placed(one, places, drawn, SheetObject.Kind.CHART);
        XmlNode shown = frame.child("draw:image");
        byte[] bytes = shown == null ? null : parts.get(shown.get("xlink:href", "").replaceFirst("^\\./", ""));
        if (shown == null && !chart) {
            lost.count(Lost.Kind.SHAPES, 1);
            return null;
        }
        String type = bytes == null ? null : type(bytes, shown.get("xlink:href", ""));
        if (type == null || wide <= 0 || high <= 0) {
            lost.count(chart ? Lost.Kind.CHARTS : Lost.Kind.PICTURES, 1);
            return null;
        }
        return placed(one, places, new Picture(new Image(type, bytes), wide, high, words), chart ? SheetObject.Kind.CHART : SheetObject.Kind.PICTURE);
    }

    /** A chart drawn from the values it keeps; null where the object is none that can be drawn. */
    private Picture drawn(XmlNode object, double wide, double high, String words) {
        byte[] content = object == null ? null : parts.get(object.get("xlink:href", "").replaceFirst("^\\./", "") + "/content.xml");
        if (content == null) return null;
        try {
            Chart chart = OpenDocumentChart.read(XmlReader.tree(content, "content.xml"));
            return chart == null ? null : ChartPicture.of(chart, wide, high, words);
        } catch (DecantException e) {
            LoggerFactory.getLogger(OdsPlaces.class).info("An object can't be read; its picture stands for it", e);
            return null;
        }
    }

    private static SheetObject placed(Hanging one, CellPlaces places, Picture picture, SheetObject.Kind kind) {
        XmlNode frame = one.frame;
        double x = Math.max(0, OdsStyles.points(frame.get("svg:x"), 0));
        double y = Math.max(0, OdsStyles.points(frame.get("svg:y"), 0));
        double[] corner = {Math.max(0, one.column), 0, Math.max(0, one.row), 0};
        double[] from = places.moved(corner, x, y);
        double[] to = end(frame, places.moved(from, picture.width(), picture.height()));
        if (to[0] < from[0] || to[2] < from[2]) return null;
        return new SheetObject(kind, new Range((int) from[2], (int) from[0], (int) to[2], (int) to[0]),
                from[1], from[3], to[1], to[3], picture);
    }

    private SheetObject shape(Hanging one, CellPlaces places) {
        OdsShapes.Read read = shapes.read(one.frame);
        if (read == null) {
            lost.count(Lost.Kind.SHAPES, 1);
            return null;
        }
        double[] from = places.moved(new double[] {Math.max(0, one.column), 0, Math.max(0, one.row), 0}, Math.max(0, read.x()), Math.max(0, read.y()));
        double[] to = end(one.frame, places.moved(from, read.width(), read.height()));
        if (to[0] < from[0] || to[2] < from[2]) return null;
        return new SheetObject(SheetObject.Kind.SHAPE, new Range((int) from[2], (int) from[0], (int) to[2], (int) to[0]), from[1], from[3], to[1], to[3],
                read.picture() == null ? null : read.picture().picture(), read.shape(), null);
    }

    /** By its first bytes, and for kinds that are not known by these by its name. */
    private static String type(byte[] bytes, String name) {
        String type = PictureFile.type(bytes);
        return type.isEmpty() ? KINDS.get(name.substring(name.lastIndexOf('.') + 1).toLowerCase(Locale.ROOT)) : type;
    }

    /** Where it ends as it says itself, since rows may be as high as their text; else by its size. */
    private static double[] end(XmlNode frame, double[] bySize) {
        String address = frame.get("table:end-cell-address", "");
        Range cell = Range.of(address.substring(address.lastIndexOf('.') + 1));
        if (cell == null) return bySize;
        return new double[] {cell.left(), OdsStyles.points(frame.get("table:end-x"), 0), cell.top(), OdsStyles.points(frame.get("table:end-y"), 0)};
    }
}
