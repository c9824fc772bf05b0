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
import app.decant.xml.XmlNames;
import app.decant.xml.XmlNode;
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

    /** A drawing as an inline, or null where it shows nothing. */
    Inline drawing(XmlNode drawing, Look look) {
        XmlNode frame = drawing.child("wp:inline") != null ? drawing.child("wp:inline") : drawing.child("wp:anchor");
        if (frame == null) return opaque(drawing, "a drawing", null, look);
        double width = Units.emu(frame.child("wp:extent"), "cx", 72);
        double height = Units.emu(frame.child("wp:extent"), "cy", 72);
        String description = frame.child("wp:docPr") == null ? null : frame.child("wp:docPr").get("descr");
        XmlNode data = frame.at("a:graphic", "a:graphicData");
        boolean anchored = frame.is("wp:anchor");
        XmlNode picture = data == null ? null : data.child("pic:pic");
        if (picture != null) {
            Picture placed = picture(picture, width, height, description);
            if (placed != null) return anchored ? new Inline.Floating(anchor(frame), placed, look) : new Inline.InlinePicture(placed, look);
        }
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

    private Picture picture(XmlNode picture, double width, double height, String description) {
        XmlNode blip = picture.at("pic:blipFill", "a:blip");
        String id = blip == null ? null : blip.get("r:embed");
        Image image = id == null ? null : story.image(id);
        if (image == null) {
            boolean outside = blip != null && blip.get("r:link") != null;
            reader.find(outside ? Finding.lost("A picture lies outside the file and is not fetched.", "")
                    : Finding.lost("A picture is missing from the file.", ""));
            return null;
        }
        XmlNode cut = picture.at("pic:blipFill", "a:srcRect");
        Insets crop = cut == null ? Insets.NONE : new Insets(share(cut, "t"), share(cut, "r"), share(cut, "b"), share(cut, "l"));
        Integer turn = Units.whole(picture.at("pic:spPr", "a:xfrm"), "rot");
        String words = description != null && !description.isBlank() ? description : null;
        return new Picture(image, width, height, crop, turn == null ? 0 : turn / 60000.0, words);
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

    /** The older vector markup: a picture or a box where it is one, else opaque. */
    Inline vector(XmlNode markup, Look look) {
        XmlNode data = markup.find("v:imagedata");
        XmlNode shape = markup.find("v:shape") != null ? markup.find("v:shape") : markup.find("v:rect");
        Map<String, String> style = inGroup(style(shape), markup.find("v:group"));
        Double width = Units.measure(style.get("width"), 1);
        Double height = Units.measure(style.get("height"), 1);
        Image image = data == null || data.get("r:id") == null ? null : story.image(data.get("r:id"));
        Picture likeness = image == null ? null : new Picture(image, width == null ? 72 : width, height == null ? 72 : height, data.get("o:title"));
        if (markup.is("w:object")) return opaque(markup, "an embedded object", likeness, look);
        boolean absolute = "absolute".equals(style.get("position"));
        if (likeness != null && !absolute) return new Inline.InlinePicture(likeness, look);
        XmlNode box = markup.find("w:txbxContent");
        if (likeness == null && box == null) return opaque(markup, "a drawing", null, look);
        Double left = Units.measure(style.getOrDefault("margin-left", "0"), 1);
        Double top = Units.measure(style.getOrDefault("margin-top", "0"), 1);
        Anchor anchor = new Anchor(new Anchor.Horizontal("page".equals(style.get("mso-position-horizontal-relative")) ? Anchor.Horizontal.From.PAGE
                : Anchor.Horizontal.From.COLUMN, null, left == null ? 0 : left),
                new Anchor.Vertical("page".equals(style.get("mso-position-vertical-relative")) ? Anchor.Vertical.From.PAGE : Anchor.Vertical.From.PARAGRAPH,
                        null, top == null ? 0 : top),
                markup.find("w10:wrap") != null ? Anchor.Wrap.SQUARE : Anchor.Wrap.NONE, new Insets(0, 9, 0, 9), style.getOrDefault("z-index", "0")
                        .startsWith("-"));
        if (likeness != null) return new Inline.Floating(anchor, likeness, look);
        return new Inline.Floating(anchor, new TextBox(story.boxed(box), width == null ? 144 : width, height == null ? 72 : height, false,
                new Insets(3.6, 7.2, 3.6, 7.2), null, null), look);
    }

    /** Inside a group sizes and places are shares of the group's own measure (ISO/IEC 29500-4, 19.1.2.7, coordsize and coordorigin); here in points. */
    private static Map<String, String> inGroup(Map<String, String> shape, XmlNode group) {
        if (group == null) return shape;
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
            Double at = Units.measure(shape.getOrDefault(edge, "0"), 1);
            Double margin = Units.measure(outer.getOrDefault("margin-" + edge, "0"), 1);
            if (whole == null || units == null || units == 0 || own == null || at == null || from == null || margin == null) continue;
            made.put(side, String.valueOf(own * whole / units));
            made.put("margin-" + edge, String.valueOf(margin + (at - from) * whole / units));
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
        reader.find(likeness == null ? Finding.changed("There is " + what + " that is kept but not shown.", "")
                : Finding.note("There is " + what + ", shown by " + shownBy + ".", ""));
        return new Inline.OpaqueInline(new Opaque("ooxml", what, markup.markup(), parts, likeness), look);
    }
}
