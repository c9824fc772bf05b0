package app.decant.format.sheet;

import app.decant.document.Image;
import app.decant.document.TableProperty.Insets;
import app.decant.sheet.SheetObject;
import app.decant.xml.XmlNames;
import app.decant.xml.XmlWriter;
import java.nio.charset.StandardCharsets;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/** Writes what lies over the cells of sheets (ISO/IEC 29500-1, 20.5): pictures, each once; charts as their files told them, and else as pictures. */
final class XlsxDrawingPart {
    private static final double POINT = 12700;
    private static final Map<String, String> KINDS = Map.of("image/png", "png", "image/jpeg", "jpeg", "image/gif", "gif", "image/bmp", "bmp", "image/tiff",
            "tiff", "image/x-emf", "emf", "image/x-wmf", "wmf");
    private static final String XDR = "http://schemas.openxmlformats.org/drawingml/2006/spreadsheetDrawing";
    private static final String CHARTS = "http://schemas.openxmlformats.org/drawingml/2006/chart";
    private static final String TYPES = "application/vnd.openxmlformats-officedocument.";

    private final Map<Image, String> images = new HashMap<>();
    private int drawings;
    private int charts;

    /** Puts the drawing of a sheet among the parts; its number. */
    int add(List<SheetObject> objects, Map<String, byte[]> parts) {
        int number = ++drawings;
        XlsxWriter.Relations relations = new XlsxWriter.Relations();
        XmlWriter xml = new XmlWriter();
        xml.open("xdr:wsDr", "xmlns:xdr", XDR, "xmlns:a", XmlNames.A, "xmlns:r", XlsxWriter.ROLES);
        for (int i = 0; i < objects.size(); i++) {
            SheetObject one = objects.get(i);
            boolean shape = one.kind() == SheetObject.Kind.SHAPE;
            boolean told = one.markup() != null || shape && one.shape().words() != null;
            String picture = told && !(shape && one.markup() == null) || one.picture() == null ? null : picture(one, parts, relations);
            if (!told && picture == null) continue;
            // The outline of a shape reaches out of its box: it is as large as it is.
            boolean outline = shape && picture != null;
            xml.open(outline ? "xdr:oneCellAnchor" : "xdr:twoCellAnchor");
            place(xml, "xdr:from", one.cells().left(), Math.max(0, one.left() + (outline ? one.shape().x() : 0)), one.cells().top(),
                    Math.max(0, one.top() + (outline ? one.shape().y() : 0)));
            if (outline) xml.leaf("xdr:ext", "cx", Math.round(one.picture().width() * POINT), "cy", Math.round(one.picture().height() * POINT));
            else place(xml, "xdr:to", one.cells().right(), one.right(), one.cells().bottom(), one.bottom());
            if (shape && one.markup() != null) xml.raw(new String(one.markup(), StandardCharsets.UTF_8));
            else if (picture != null) picture(xml, one, i, picture);
            else if (shape) ShapeMarkup.box(xml, one.shape().words(), i);
            else chart(xml, one, i, parts, relations);
            xml.leaf("xdr:clientData");
            xml.close();
            if (shape && picture != null && told) words(xml, one, objects.size() + i);
        }
        xml.close();
        parts.put("xl/drawings/drawing" + number + ".xml", xml.bytes());
        if (relations.count() > 0) parts.put("xl/drawings/_rels/drawing" + number + ".xml.rels", relations.part());
        return number;
    }

    /** The words of a shape over its picture. */
    private static void words(XmlWriter xml, SheetObject one, int index) {
        xml.open("xdr:twoCellAnchor");
        place(xml, "xdr:from", one.cells().left(), one.left(), one.cells().top(), one.top());
        place(xml, "xdr:to", one.cells().right(), one.right(), one.cells().bottom(), one.bottom());
        ShapeMarkup.box(xml, one.shape().words(), index);
        xml.leaf("xdr:clientData");
        xml.close();
    }

    private static void place(XmlWriter xml, String name, int column, double across, int row, double down) {
        xml.open(name);
        xml.open("xdr:col").text(String.valueOf(column)).close();
        xml.open("xdr:colOff").text(String.valueOf(Math.round(across * POINT))).close();
        xml.open("xdr:row").text(String.valueOf(row)).close();
        xml.open("xdr:rowOff").text(String.valueOf(Math.round(down * POINT))).close();
        xml.close();
    }

    private String picture(SheetObject one, Map<String, byte[]> parts, XlsxWriter.Relations relations) {
        Image image = SheetPictures.usual(one.picture().image(), KINDS.keySet());
        if (image == null) return null;
        String name = images.computeIfAbsent(image, key -> "image" + (images.size() + 1) + "." + KINDS.get(key.type()));
        parts.put("xl/media/" + name, image.bytes());
        return relations.add("image", "../media/" + name);
    }

    private static void picture(XmlWriter xml, SheetObject one, int index, String id) {
        xml.open("xdr:pic");
        xml.open("xdr:nvPicPr");
        xml.leaf("xdr:cNvPr", "id", index + 2, "name", "Picture " + (index + 1), "descr", one.picture().description());
        xml.leaf("xdr:cNvPicPr");
        xml.close();
        xml.open("xdr:blipFill");
        xml.leaf("a:blip", "r:embed", id);
        Insets crop = one.picture().crop();
        if (!crop.equals(Insets.NONE))
            xml.leaf("a:srcRect", "l", share(crop.left()), "t", share(crop.top()), "r", share(crop.right()), "b", share(crop.bottom()));
        xml.open("a:stretch");
        xml.leaf("a:fillRect");
        xml.close();
        xml.close();
        xml.open("xdr:spPr");
        xml.open("a:xfrm", "rot", one.picture().rotation() == 0 ? null : Math.round(one.picture().rotation() * 60_000));
        xml.leaf("a:off", "x", 0, "y", 0);
        xml.leaf("a:ext", "cx", Math.round(one.picture().width() * POINT), "cy", Math.round(one.picture().height() * POINT));
        xml.close();
        xml.open("a:prstGeom", "prst", "rect");
        xml.leaf("a:avLst");
        xml.close();
        xml.close();
        xml.close();
    }

    private static long share(double part) { return Math.round(part * 100_000); }

    private void chart(XmlWriter xml, SheetObject one, int index, Map<String, byte[]> parts, XlsxWriter.Relations relations) {
        String name = "chart" + ++charts + ".xml";
        parts.put("xl/charts/" + name, one.markup());
        xml.open("xdr:graphicFrame", "macro", "");
        xml.open("xdr:nvGraphicFramePr");
        xml.leaf("xdr:cNvPr", "id", index + 2, "name", "Chart " + (index + 1), "descr", one.picture().description());
        xml.leaf("xdr:cNvGraphicFramePr");
        xml.close();
        xml.open("xdr:xfrm");
        xml.leaf("a:off", "x", 0, "y", 0);
        xml.leaf("a:ext", "cx", 0, "cy", 0);
        xml.close();
        xml.open("a:graphic");
        xml.open("a:graphicData", "uri", CHARTS);
        xml.leaf("c:chart", "xmlns:c", CHARTS, "r:id", relations.add("chart", "../charts/" + name));
        xml.close();
        xml.close();
        xml.close();
    }

    /** What the endings of parts besides those every workbook has mean. */
    static void endings(XmlWriter xml, Set<String> parts) {
        Set<String> endings = new TreeSet<>();
        for (String part : parts) endings.add(part.substring(part.lastIndexOf('.') + 1));
        KINDS.forEach((type, ending) -> {
            if (endings.contains(ending)) xml.leaf("Default", "Extension", ending, "ContentType", type);
        });
        if (endings.contains("vml")) xml.leaf("Default", "Extension", "vml", "ContentType", TYPES + "vmlDrawing");
    }

    /** What parts besides those every workbook has are. */
    static void types(XmlWriter xml, Set<String> parts) {
        for (String part : parts) {
            String type = part.startsWith("xl/drawings/drawing") ? "drawing+xml" : part.startsWith("xl/charts/") ? "drawingml.chart+xml"
                    : part.startsWith("xl/comments") ? "spreadsheetml.comments+xml" : part.startsWith("xl/tables/") ? "spreadsheetml.table+xml" : null;
            if (type != null) xml.leaf("Override", "PartName", "/" + part, "ContentType", TYPES + type);
        }
    }
}
