package app.decant.format.ooxml;

import app.decant.document.Anchor;
import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.Finding;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Opaque;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TextBox;
import app.decant.format.Chart;
import app.decant.format.ChartPicture;
import app.decant.words.Message;
import app.decant.xml.XmlNames;
import app.decant.xml.XmlNode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Reads drawings (ISO/IEC 29500-1, 20.4) and the older vector markup: pictures, text boxes, and everything else as opaque. */
final class DrawingReader {
    private final DocxReader reader;
    private final StoryReader story;

    DrawingReader(DocxReader reader, StoryReader story) {
        this.reader = reader;
        this.story = story;
    }

    /** How a drawing of one picture is placed: {@code anchor} is null for one that stands in its line. */
    record Placed(Anchor anchor, double width, double height, Insets crop, double rotation, String description) {
        /** What the drawing says, or null where it is none of a picture. */
        static Placed of(XmlNode drawing) {
            XmlNode frame = frame(drawing);
            XmlNode picture = frame == null ? null : frame.at("a:graphic", "a:graphicData", "pic:pic");
            if (picture == null) return null;
            XmlNode cut = picture.at("pic:blipFill", "a:srcRect");
            Insets crop = cut == null ? Insets.NONE : new Insets(share(cut, "t"), share(cut, "r"), share(cut, "b"), share(cut, "l"));
            Integer turn = Units.whole(picture.at("pic:spPr", "a:xfrm"), "rot");
            String told = frame.child("wp:docPr") == null ? null : frame.child("wp:docPr").get("descr");
            return new Placed(frame.is("wp:anchor") ? DrawingReader.anchor(frame) : null, Units.emu(frame.child("wp:extent"), "cx", 72),
                    Units.emu(frame.child("wp:extent"), "cy", 72), crop, turn == null ? 0 : turn / 60000.0, told != null && !told.isBlank() ? told : null);
        }

        /** Whether a picture stands like this. */
        boolean isOf(Anchor other, Picture picture) {
            return equals(new Placed(other, picture.width(), picture.height(), picture.crop(), picture.rotation(), picture.description()));
        }

        Inline inline(Image image, Look look) {
            Picture picture = new Picture(image, width, height, crop, rotation, description);
            return anchor == null ? new Inline.InlinePicture(picture, look) : new Inline.Floating(anchor, picture, look);
        }
    }

    private static XmlNode frame(XmlNode drawing) {
        return drawing.child("wp:inline") != null ? drawing.child("wp:inline") : drawing.child("wp:anchor");
    }

    /** A drawing as an inline, or null where it shows nothing. */
    Inline drawing(XmlNode drawing, Look look) {
        XmlNode frame = frame(drawing);
        if (frame == null) return opaque(drawing, "a drawing", null, look);
        double width = Units.emu(frame.child("wp:extent"), "cx", 72);
        double height = Units.emu(frame.child("wp:extent"), "cy", 72);
        String description = frame.child("wp:docPr") == null ? null : frame.child("wp:docPr").get("descr");
        XmlNode data = frame.at("a:graphic", "a:graphicData");
        boolean anchored = frame.is("wp:anchor");
        XmlNode picture = data == null ? null : data.child("pic:pic");
        Image image = picture == null ? null : image(picture);
        if (image != null) return Placed.of(drawing).inline(image, DrawingMarkup.keep(look, drawing));
        XmlNode shape = data == null ? null : data.child("wps:wsp");
        if (shape != null && (shape.child("wps:txbx") != null || anchored && isPlainBox(shape))) {
            return new Inline.Floating(anchored ? anchor(frame) : inFlow(), box(shape, width, height), look);
        }
        Picture chart = data == null || data.child("c:chart") == null ? null : chart(data.child("c:chart"), width, height, description);
        return opaque(drawing, what(data), chart, "a picture drawn from its stored values", look);
    }

    /** A chart drawn from its stored values, or null where that can't be. */
    private Picture chart(XmlNode reference, double width, double height, String description) {
        XmlNode space = story.tree(reference.get("r:id", ""));
        Chart chart = space == null ? null : ChartReader.read(space);
        return chart == null ? null : ChartPicture.of(chart, width, height, description);
    }

    private static boolean isPlainBox(XmlNode shape) {
        XmlNode geometry = shape.at("wps:spPr", "a:prstGeom");
        return geometry != null && "rect".equals(geometry.get("prst"));
    }

    private static String what(XmlNode data) {
        if (data == null) return "a drawing";
        String uri = data.get("uri", "").toLowerCase(Locale.ROOT);
        if (uri.contains("chart")) return "a chart";
        if (uri.contains("diagram")) return "a diagram";
        if (uri.contains("group") || uri.contains("canvas")) return "a group of drawings";
        return "a drawing";
    }

    private Image image(XmlNode picture) {
        XmlNode blip = picture.at("pic:blipFill", "a:blip");
        String id = blip == null ? null : blip.get("r:embed");
        Image image = id == null ? null : story.image(id);
        if (image != null) return image;
        boolean outside = blip != null && blip.get("r:link") != null;
        reader.find(outside ? Finding.lost(Message.of("ooxml.a-picture-lies-outside-the-file"))
                : Finding.lost(Message.of("ooxml.a-picture-is-missing-from-the-file")));
        return null;
    }

    private static double share(XmlNode node, String side) {
        Double value = Units.measure(node.get(side, "0").replace("%", ""), node.get(side, "0").endsWith("%") ? 100 : 100000);
        return value == null ? 0 : Math.max(0, Math.min(0.99, value));
    }

    private TextBox box(XmlNode shape, double width, double height) {
        XmlNode content = shape.at("wps:txbx", "w:txbxContent");
        XmlNode body = shape.child("wps:bodyPr");
        Insets padding = body == null ? new Insets(3.6, 7.2, 3.6, 7.2)
                : new Insets(Units.emu(body, "tIns", 3.6), Units.emu(body, "rIns", 7.2), Units.emu(body, "bIns", 3.6), Units.emu(body, "lIns", 7.2));
        XmlNode properties = shape.child("wps:spPr");
        XmlNode line = properties == null ? null : properties.child("a:ln");
        Border border = null;
        if (line != null && line.child("a:noFill") == null && line.child("a:solidFill") != null) {
            border = new Border(Border.Line.SINGLE, Units.emu(line, "w", 0.75), colour(line.child("a:solidFill"), Colour.BLACK), 0);
        }
        XmlNode fill = properties == null ? null : properties.child("a:solidFill");
        boolean grows = body != null && body.child("a:spAutoFit") != null;
        return new TextBox(content == null ? List.of() : story.boxed(content), width, height, grows, padding, border, fill == null ? null
                : colour(fill, Colour.WHITE));
    }

    private static Colour colour(XmlNode fill, Colour otherwise) {
        XmlNode rgb = fill.child("a:srgbClr");
        return rgb == null ? otherwise : LookReader.first(LookReader.colour(rgb.get("val")), otherwise);
    }

    private static Anchor inFlow() {
        return new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.COLUMN, null, 0), new Anchor.Vertical(Anchor.Vertical.From.PARAGRAPH, null, 0),
                Anchor.Wrap.TOP_AND_BOTTOM, Insets.NONE, false);
    }

    private static Anchor anchor(XmlNode frame) {
        XmlNode across = frame.child("wp:positionH");
        XmlNode down = frame.child("wp:positionV");
        Anchor.Horizontal.From from = switch (across == null ? "" : across.get("relativeFrom", "column")) {
            case "page" -> Anchor.Horizontal.From.PAGE;
            case "margin", "leftMargin", "rightMargin", "insideMargin", "outsideMargin" -> Anchor.Horizontal.From.MARGIN;
            case "character" -> Anchor.Horizontal.From.CHARACTER;
            default -> Anchor.Horizontal.From.COLUMN;
        };
        Alignment alignment = across == null || across.child("wp:align") == null ? null : switch (across.child("wp:align").text()) {
            case "center" -> Alignment.CENTRE;
            case "right", "outside" -> Alignment.END;
            default -> Alignment.START;
        };
        Anchor.Vertical.From under = switch (down == null ? "" : down.get("relativeFrom", "paragraph")) {
            case "page" -> Anchor.Vertical.From.PAGE;
            case "margin", "topMargin", "bottomMargin" -> Anchor.Vertical.From.MARGIN;
            case "line" -> Anchor.Vertical.From.LINE;
            default -> Anchor.Vertical.From.PARAGRAPH;
        };
        VerticalAlignment stand = down == null || down.child("wp:align") == null ? null : switch (down.child("wp:align").text()) {
            case "center" -> VerticalAlignment.CENTRE;
            case "bottom", "outside" -> VerticalAlignment.BOTTOM;
            default -> VerticalAlignment.TOP;
        };
        Anchor.Wrap wrap = frame.child("wp:wrapTopAndBottom") != null ? Anchor.Wrap.TOP_AND_BOTTOM
                : frame.child("wp:wrapSquare") != null || frame.child("wp:wrapTight") != null || frame.child("wp:wrapThrough") != null ? Anchor.Wrap.SQUARE
                        : Anchor.Wrap.NONE;
        Insets distance = new Insets(Units.emu(frame, "distT", 0), Units.emu(frame, "distR", 0), Units.emu(frame, "distB", 0), Units.emu(frame, "distL", 0));
        String behind = frame.get("behindDoc", "0");
        return new Anchor(new Anchor.Horizontal(from, alignment, offset(across)), new Anchor.Vertical(under, stand, offset(down)), wrap, distance,
                behind.equals("1") || behind.equals("true"));
    }

    private static double offset(XmlNode position) {
        XmlNode node = position == null ? null : position.child("wp:posOffset");
        Double value = node == null ? null : Units.measure(node.text(), Units.EMU);
        return value == null ? 0 : value;
    }

    /** One shape of the older vector markup that holds text or a picture, and the groups it stands in, the outermost first. */
    private record Shape(XmlNode node, List<XmlNode> groups) { }

    /** The older vector markup: a picture or a box for each shape that holds one, else opaque. */
    List<Inline> vector(XmlNode markup, Look look) {
        List<Shape> shapes = new ArrayList<>();
        boolean others = shapes(markup, List.of(), shapes);
        if (markup.is("w:object"))
            return List.of(opaque(markup, "an embedded object", shapes.isEmpty() ? null : likeness(shapes.get(0).node, place(shapes.get(0))), look));
        List<Inline> made = new ArrayList<>();
        for (Shape shape : shapes) {
            Inline one = vector(shape, markup.find("w10:wrap") != null, look);
            if (one != null) made.add(one);
        }
        if (made.isEmpty()) return List.of(opaque(markup, "a drawing", null, look));
        if (others) reader.find(Finding.lost(Message.of("ooxml.lines-and-shapes-around-the-texts")));
        if (made.size() < shapes.size()) reader.find(Finding.lost(Message.of("ooxml.a-picture-is-missing-from-the-file")));
        return made;
    }

    /** @return whether there are also shapes that hold nothing */
    private static boolean shapes(XmlNode within, List<XmlNode> groups, List<Shape> found) {
        boolean others = false;
        for (XmlNode child : within.children()) {
            if (child.is("v:group")) {
                List<XmlNode> inner = new ArrayList<>(groups);
                inner.add(child);
                others |= shapes(child, inner, found);
            } else if (child.name().startsWith("v:") && !child.is("v:shapetype")) {
                if (child.find("w:txbxContent") != null || child.find("v:imagedata") != null) found.add(new Shape(child, groups));
                else others = true;
            }
        }
        return others;
    }

    private Picture likeness(XmlNode shape, Map<String, String> style) {
        XmlNode data = shape.find("v:imagedata");
        Image image = data == null || data.get("r:id") == null ? null : story.image(data.get("r:id"));
        return image == null ? null : new Picture(image, points(style, "width", 72), points(style, "height", 72), data.get("o:title"));
    }

    private static double points(Map<String, String> style, String name, double otherwise) {
        Double told = Units.measure(style.get(name), 1);
        return told == null ? otherwise : told;
    }

    /** A shape's picture or text where it stands, or null where its picture is missing. */
    private Inline vector(Shape shape, boolean wraps, Look look) {
        Map<String, String> style = place(shape);
        Picture likeness = likeness(shape.node, style);
        if (likeness != null && !"absolute".equals(style.get("position"))) return new Inline.InlinePicture(likeness, look);
        XmlNode box = shape.node.find("w:txbxContent");
        if (likeness == null && box == null) return null;
        Anchor.Horizontal.From across = "page".equals(style.get("mso-position-horizontal-relative")) ? Anchor.Horizontal.From.PAGE
                : Anchor.Horizontal.From.COLUMN;
        Anchor.Vertical.From down = "page".equals(style.get("mso-position-vertical-relative")) ? Anchor.Vertical.From.PAGE : Anchor.Vertical.From.PARAGRAPH;
        Anchor anchor = new Anchor(new Anchor.Horizontal(across, null, points(style, "margin-left", 0)),
                new Anchor.Vertical(down, null, points(style, "margin-top", 0)), wraps ? Anchor.Wrap.SQUARE : Anchor.Wrap.NONE, new Insets(0, 9, 0, 9),
                style.getOrDefault("z-index", "0").startsWith("-"));
        if (likeness != null) return new Inline.Floating(anchor, likeness, look);
        return new Inline.Floating(anchor, new TextBox(story.boxed(box), points(style, "width", 144), points(style, "height", 72), false,
                new Insets(3.6, 7.2, 3.6, 7.2), null, null), look);
    }

    private static Map<String, String> place(Shape shape) {
        Map<String, String> style = style(shape.node);
        for (int i = shape.groups.size() - 1; i >= 0; i--) style = inGroup(style, shape.groups.get(i));
        return style;
    }

    /** Inside a group sizes and places are shares of the group's own measure (ISO/IEC 29500-4, 19.1.2.7, coordsize and coordorigin); here in its outer one. */
    private static Map<String, String> inGroup(Map<String, String> shape, XmlNode group) {
        Map<String, String> outer = style(group);
        String[] size = group.get("coordsize", "1000,1000").split(",");
        String[] origin = group.get("coordorigin", "0,0").split(",");
        Map<String, String> made = new HashMap<>(outer);
        for (int i = 0; i < 2; i++) {
            String side = i == 0 ? "width" : "height";
            String edge = i == 0 ? "left" : "top";
            Double whole = Units.measure(outer.get(side), 1);
            Double units = Units.measure(size.length > i ? size[i].trim() : "1000", 1);
            Double from = Units.measure(origin.length > i && !origin[i].isBlank() ? origin[i].trim() : "0", 1);
            Double own = Units.measure(shape.get(side), 1);
            if (whole == null || units == null || units == 0 || own == null || from == null) continue;
            double within = (points(shape, edge, 0) - from) * whole / units;
            made.put(side, String.valueOf(own * whole / units));
            made.put(edge, String.valueOf(points(outer, edge, 0) + within));
            made.put("margin-" + edge, String.valueOf(points(outer, "margin-" + edge, 0) + within));
        }
        return made;
    }

    private static Map<String, String> style(XmlNode shape) {
        Map<String, String> style = new HashMap<>();
        if (shape == null) return style;
        for (String entry : shape.get("style", "").split(";")) {
            int colon = entry.indexOf(':');
            if (colon > 0) style.put(entry.substring(0, colon).trim(), entry.substring(colon + 1).trim());
        }
        return style;
    }

    /** Anything else: kept with the parts it points at. */
    Inline opaque(XmlNode markup, String what, Picture likeness, Look look) { return opaque(markup, what, likeness, "its stored picture", look); }

    /** @param shownBy where the likeness comes from, for the finding */
    private Inline opaque(XmlNode markup, String what, Picture likeness, String shownBy, Look look) {
        Map<String, Opaque.Part> parts = new HashMap<>();
        for (String namespace : List.of(XmlNames.R, "http://purl.oclc.org/ooxml/officeDocument/relationships")) {
            markup.attributesIn(namespace, id -> {
                Opaque.Part part = story.keptPart(id);
                if (part != null) parts.put(id, part);
            });
        }
        reader.find(likeness == null ? Finding.changed(Message.of("ooxml.there-is-that-is-kept", what))
                : Finding.note(Message.of("ooxml.there-is-shown", what, shownBy)));
        return new Inline.OpaqueInline(new Opaque("ooxml", what, markup.markup(), parts, likeness), look);
    }
}
