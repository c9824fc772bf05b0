package app.decant.format.sheet;

import app.decant.document.Image;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import app.decant.format.Chart;
import app.decant.format.ChartPicture;
import app.decant.format.shape.DrawnShape;
import app.decant.format.OfficePackage;
import app.decant.format.ooxml.ShapeReader;
import app.decant.sheet.Column;
import app.decant.sheet.Range;
import app.decant.sheet.SheetObject;
import app.decant.xml.XmlNames;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** What a drawing part lays over a sheet (ISO/IEC 29500-1, 20.5): pictures, charts, shapes with their words, groups of these. */
final class XlsxObjects {
    /** English metric units to a point. */
    private static final double POINT = 12700;
    /** Groups within groups; no drawing nests as deep. */
    private static final int DEEPEST = 20;
    /** More shapes than anybody draws; each is a picture of its own. */
    private static final int MOST = 3000;

    private final OfficePackage file;
    private final String part;
    private final Lost lost;
    private final CellPlaces places;
    private final ShapeReader shapes;

    XlsxObjects(OfficePackage file, String part, Lost lost, ShapeReader shapes, CellPlaces places) {
        this.file = file;
        this.part = part;
        this.lost = lost;
        this.shapes = shapes;
        this.places = places;
    }

    List<SheetObject> read() {
        List<SheetObject> objects = new ArrayList<>();
        for (XmlNode anchor : XmlReader.tree(file.part(part), part).children()) {
            double[] from = from(anchor);
            double[] to = from == null ? null : to(anchor, from);
            if (to == null) continue;
            double[] size = places.size(from, to);
            for (XmlNode node : anchor.children()) add(node, new Place(from, to, size[0], size[1]), objects, 0);
        }
        return objects;
    }

    /** Where something lies, and how large that is in points. */
    private record Place(double[] from, double[] to, double width, double height) { }

    private void add(XmlNode node, Place place, List<SheetObject> objects, int depth) {
        switch (node.name()) {
            case "xdr:pic" -> {
                Picture picture = picture(node, place);
                if (picture == null) lost.count(Lost.Kind.PICTURES, 1);
                else objects.add(object(SheetObject.Kind.PICTURE, place, picture, null, null));
            }
            case "xdr:graphicFrame" -> {
                if (diagram(node, place, objects)) return;
                byte[] markup = markup(node);
                Picture drawn = markup == null ? null : chart(markup, node, place);
                if (drawn == null) lost.count(Lost.Kind.CHARTS, 1);
                else objects.add(object(SheetObject.Kind.CHART, place, drawn, null, standing(markup)));
            }
            case "xdr:sp", "xdr:cxnSp", "dsp:sp" -> {
                if (objects.size() >= MOST) {
                    lost.count(Lost.Kind.SHAPES, 1);
                    return;
                }
                String words = words(node.find("xdr:cNvPr"));
                ShapeReader.Read read = shapes.read(node, place.width, place.height, words);
                if (read == null) return;
                DrawnShape.Made outline = read.outline();
                objects.add(object(SheetObject.Kind.SHAPE, place, outline == null ? null : outline.picture(), new SheetObject.Shape(read.words(), place.width,
                        place.height, outline == null ? 0 : outline.x(), outline == null ? 0 : outline.y()), node.is("dsp:sp") ? null : alone(node)));
            }
            case "xdr:grpSp" -> group(node, place, objects, depth);
            case "xdr:contentPart" -> lost.count(Lost.Kind.SHAPES, 1);
            default -> { }
        }
    }

    /** A diagram is the shapes of the drawing that its file keeps of it ([MS-ODRAWXML], 2.7). @return whether it is one, and keeps one */
    private boolean diagram(XmlNode node, Place place, List<SheetObject> objects) {
        XmlNode reference = node.find("dgm:relIds");
        XmlNode told = reference == null ? null : tree(reference.get("r:dm", ""));
        XmlNode kept = told == null ? null : told.find("dsp:dataModelExt");
        XmlNode drawing = kept == null ? null : tree(kept.get("relId", ""));
        XmlNode shapesOf = drawing == null ? null : drawing.child("dsp:spTree");
        if (shapesOf == null) return false;
        for (XmlNode shape : shapesOf.children("dsp:sp")) {
            XmlNode frame = shape.at("dsp:spPr", "a:xfrm");
            XmlNode at = frame == null ? null : frame.child("a:off");
            XmlNode size = frame == null ? null : frame.child("a:ext");
            if (at == null || size == null) continue;
            double width = Math.max(1, points(size.get("cx")));
            double height = Math.max(1, points(size.get("cy")));
            double[] from = places.moved(place.from, points(at.get("x")), points(at.get("y")));
            add(shape, new Place(from, places.moved(from, width, height), width, height), objects, DEEPEST);
        }
        return true;
    }

    private XmlNode tree(String id) {
        OfficePackage.Relation relation = file.relations(part).get(id);
        byte[] bytes = relation == null || relation.outside() ? null : file.part(relation.target());
        return bytes == null ? null : XmlReader.tree(bytes, relation.target());
    }

    /** What is in a group lies in a space of its own (20.1.7.6). */
    private void group(XmlNode group, Place place, List<SheetObject> objects, int depth) {
        XmlNode frame = group.at("xdr:grpSpPr", "a:xfrm");
        XmlNode corner = frame == null ? null : frame.child("a:chOff");
        XmlNode extent = frame == null ? null : frame.child("a:chExt");
        double wide = extent == null ? 0 : points(extent.get("cx"));
        double high = extent == null ? 0 : points(extent.get("cy"));
        if (corner == null || wide <= 0 || high <= 0 || depth > DEEPEST) {
            lost.count(Lost.Kind.SHAPES, 1);
            return;
        }
        for (XmlNode node : group.children()) {
            XmlNode own = node.at("xdr:spPr", "a:xfrm") != null ? node.at("xdr:spPr", "a:xfrm") : node.at("xdr:grpSpPr", "a:xfrm") != null
                    ? node.at("xdr:grpSpPr", "a:xfrm") : node.child("xdr:xfrm");
            XmlNode at = own == null ? null : own.child("a:off");
            XmlNode size = own == null ? null : own.child("a:ext");
            if (at == null || size == null) continue;
            double width = Math.max(1, points(size.get("cx")) * place.width / wide);
            double height = Math.max(1, points(size.get("cy")) * place.height / high);
            double[] from = places.moved(place.from, (points(at.get("x")) - points(corner.get("x"))) * place.width / wide,
                    (points(at.get("y")) - points(corner.get("y"))) * place.height / high);
            add(node, new Place(from, places.moved(from, width, height), width, height), objects, depth + 1);
        }
    }

    /** The markup of a shape without links; null where it needs other parts all the same. */
    private static byte[] alone(XmlNode node) {
        boolean[] leads = new boolean[1];
        XmlNode bare = node.without(Set.of("a:hlinkClick", "a:hlinkHover"));
        bare.attributesIn(XmlNames.R, value -> leads[0] = true);
        return leads[0] ? null : bare.markup().getBytes(StandardCharsets.UTF_8);
    }

    private static SheetObject object(SheetObject.Kind kind, Place place, Picture picture, SheetObject.Shape shape, byte[] markup) {
        double[] from = place.from;
        double[] to = place.to;
        return new SheetObject(kind, new Range((int) from[2], (int) from[0], (int) to[2], (int) to[0]), from[1], from[3], to[1], to[3], picture, shape,
                markup);
    }

    /** Column, how far in it, row, how far in it; null for an anchor that says none. */
    private double[] from(XmlNode anchor) {
        if (anchor.child("xdr:from") != null) return place(anchor.child("xdr:from"));
        XmlNode at = anchor.child("xdr:pos");
        return at == null ? null : places.moved(new double[4], points(at.get("x")), points(at.get("y")));
    }

    private double[] to(XmlNode anchor, double[] from) {
        double[] to = anchor.child("xdr:to") == null ? null : place(anchor.child("xdr:to"));
        XmlNode size = anchor.child("xdr:ext");
        if (to == null && size != null) to = places.moved(from, points(size.get("cx")), points(size.get("cy")));
        boolean turned = to == null || to[0] < from[0] || to[2] < from[2] || to[0] == from[0] && to[1] < from[1] || to[2] == from[2] && to[3] < from[3];
        return turned ? null : to;
    }

    private static double[] place(XmlNode node) {
        double column = number(node, "xdr:col");
        double row = number(node, "xdr:row");
        if (column < 0 || column >= Range.MOST_COLUMNS || row < 0 || row >= Range.MOST_ROWS) return null;
        return new double[] {column, number(node, "xdr:colOff") / POINT, row, number(node, "xdr:rowOff") / POINT};
    }

    private static double number(XmlNode node, String name) {
        XmlNode child = node.child(name);
        return child == null ? 0 : parsed(child.text());
    }

    private static double points(String text) { return text == null ? 0 : parsed(text) / POINT; }

    private static double parsed(String text) { return text.strip().matches("-?\\d{1,15}") ? Long.parseLong(text.strip()) : 0; }

    private Picture picture(XmlNode node, Place place) {
        XmlNode blip = node.at("xdr:blipFill", "a:blip");
        OfficePackage.Relation relation = blip == null ? null : file.relations(part).get(blip.get("r:embed", ""));
        byte[] bytes = relation == null || relation.outside() ? null : file.part(relation.target());
        if (bytes == null) return null;
        XmlNode cut = node.at("xdr:blipFill", "a:srcRect");
        Insets crop = cut == null ? Insets.NONE : new Insets(share(cut.get("t")), share(cut.get("r")), share(cut.get("b")), share(cut.get("l")));
        if (crop.left() + crop.right() >= 1 || crop.top() + crop.bottom() >= 1) crop = Insets.NONE;
        XmlNode turn = node.at("xdr:spPr", "a:xfrm");
        double rotation = turn == null || turn.get("rot") == null ? 0 : parsed(turn.get("rot")) / 60000;
        return new Picture(new Image(file.type(relation.target()), bytes), place.width, place.height, crop, rotation,
                words(node.at("xdr:nvPicPr", "xdr:cNvPr")));
    }

    private static double share(String text) { return text == null ? 0 : Math.max(0, Math.min(0.99, parsed(text) / 100_000)); }

    private byte[] markup(XmlNode node) {
        XmlNode reference = node.find("c:chart");
        OfficePackage.Relation relation = reference == null ? null : file.relations(part).get(reference.get("r:id", ""));
        return relation == null || relation.outside() ? null : file.part(relation.target());
    }

    /** A chart's markup without what leads to a copy of its numbers elsewhere; null where it would need other parts all the same. */
    private static byte[] standing(byte[] markup) {
        XmlNode root = XmlReader.tree(markup, "chart.xml");
        boolean[] leads = new boolean[1];
        XmlNode bare = root.without(Set.of("c:externalData", "c:userShapes"));
        bare.attributesIn(XmlNames.R, value -> leads[0] = true);
        return leads[0] ? null : ("<?xml version=\"1.0\" encoding=\"UTF-8\" standalone=\"yes\"?>" + bare.markup()).getBytes(StandardCharsets.UTF_8);
    }

    private Picture chart(byte[] markup, XmlNode node, Place place) {
        Chart chart = shapes.chart(XmlReader.tree(markup, "chart.xml"));
        return chart == null ? null : ChartPicture.of(chart, place.width, place.height, words(node.at("xdr:nvGraphicFramePr", "xdr:cNvPr")));
    }

    private static String words(XmlNode told) {
        if (told == null) return null;
        String words = told.get("descr", "").isBlank() ? told.get("title", "") : told.get("descr", "");
        return words.isBlank() ? null : words;
    }
}
