package app.decant.format.ooxml;

import app.decant.document.Anchor;
import app.decant.document.Finding;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.Running;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TextBox;
import app.decant.format.shape.DrawnGroup;
import app.decant.format.shape.DrawnShape;
import app.decant.words.Message;
import app.decant.xml.XmlNode;
import java.awt.geom.AffineTransform;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Reads the older vector markup (ISO/IEC 29500-4, 19.1): pictures and texts of shapes, and shapes that are only drawn, each where it stands in its groups. */
final class VectorReader {
    private final DocxReader reader;
    private final StoryReader story;
    private final DrawingReader drawings;

    VectorReader(DocxReader reader, StoryReader story, DrawingReader drawings) {
        this.reader = reader;
        this.story = story;
        this.drawings = drawings;
    }

    /** One shape and the groups it stands in, the outermost first. */
    private record Shape(XmlNode node, List<XmlNode> groups) {
        boolean holdsSomething() { return node.find("w:txbxContent") != null || node.find("v:imagedata") != null; }
    }

    /** A picture, a box or a drawing for each shape, else opaque. */
    List<Inline> read(XmlNode markup, Look look) {
        List<Shape> shapes = new ArrayList<>();
        gather(markup, List.of(), shapes);
        if (markup.is("w:object")) {
            Shape shown = shapes.stream().filter(Shape::holdsSomething).findFirst().orElse(null);
            return List.of(drawings.opaque(markup, "an embedded object", shown == null ? null : likeness(shown.node, place(shown)), look));
        }
        List<XmlNode> groups = markup.children().stream().filter(node -> node.is("v:group")).toList();
        if (groups.size() == 1 && shapes.stream().noneMatch(shape -> shape.groups.isEmpty()) && !"absolute".equals(style(groups.get(0)).get("position")))
            return inLine(groups.get(0), shapes, markup, look);
        List<Inline> made = new ArrayList<>();
        int missing = 0;
        boolean others = false;
        for (Shape shape : shapes) {
            Inline one = shape.holdsSomething() ? inline(shape, markup, look) : drawn(shape, markup, shapes.size() == 1, look);
            if (one != null) made.add(one);
            else if (shape.holdsSomething()) missing++;
            else others |= VectorLook.of(shape.node).ink().isVisible();
        }
        if (made.isEmpty()) return List.of(drawings.opaque(markup, "a drawing", null, look));
        if (others) reader.find(Finding.lost(Message.of("ooxml.lines-and-shapes-around-the-texts")));
        if (missing > 0) reader.find(Finding.lost(Message.of("ooxml.a-picture-is-missing-from-the-file")));
        return made;
    }

    /** A group that stands in its line is one drawing with its words over it. */
    private List<Inline> inLine(XmlNode group, List<Shape> shapes, XmlNode markup, Look look) {
        Map<String, String> frame = style(group);
        double width = points(frame, "width", 72);
        double height = points(frame, "height", 72);
        DrawnGroup drawn = new DrawnGroup(width, height);
        DrawingGroup made = new DrawingGroup(drawn, width, height);
        int missing = 0;
        for (Shape shape : shapes) {
            Map<String, String> style = place(shape);
            AffineTransform place = AffineTransform.getTranslateInstance(points(style, "left", 0), points(style, "top", 0));
            place.concatenate(VectorShape.turning(style));
            Picture likeness = likeness(shape.node, style);
            if (likeness != null) {
                place.scale(likeness.width(), likeness.height());
                drawn.add(likeness.image(), Insets.NONE, place);
                continue;
            }
            if (shape.node.find("v:imagedata") != null) missing++;
            VectorLook painted = VectorLook.of(shape.node);
            List<DrawnShape.Part> parts = VectorShape.parts(shape.node, style);
            drawn.add(parts, VectorShape.ink(shape.node, painted.ink()), place);
            XmlNode words = shape.node.find("w:txbxContent");
            if (parts.isEmpty() && words == null && painted.ink().isVisible()) made.leftOut();
            if (words != null) made.words(box(shape.node, words, style, new DrawnShape.Ink(null, 1, DrawnShape.Pen.NONE)), points(style, "left", 0),
                    points(style, "top", 0));
        }
        if (missing > 0) reader.find(Finding.lost(Message.of("ooxml.a-picture-is-missing-from-the-file")));
        List<Inline> inlines = made.inLine(drawings.kept(markup, "a group of drawings", made.picture(group.get("alt"))), look);
        made.findings().forEach(reader::find);
        return inlines;
    }

    private TextBox box(XmlNode shape, XmlNode words, Map<String, String> style, DrawnShape.Ink ink) {
        return new TextBox(story.boxed(words), points(style, "width", 144), points(style, "height", 72), false, new Insets(3.6, 7.2, 3.6, 7.2),
                ink.pen().border(), ink.fill(), switch (style.getOrDefault("v-text-anchor", "top")) {
                    case "middle" -> VerticalAlignment.CENTRE;
                    case "bottom" -> VerticalAlignment.BOTTOM;
                    default -> VerticalAlignment.TOP;
                }, running(shape.find("v:textbox")));
    }

    private static void gather(XmlNode within, List<XmlNode> groups, List<Shape> found) {
        for (XmlNode child : within.children()) {
            if (child.is("v:group")) {
                List<XmlNode> inner = new ArrayList<>(groups);
                inner.add(child);
                gather(child, inner, found);
            } else if (child.name().startsWith("v:") && !child.is("v:shapetype")) {
                found.add(new Shape(child, groups));
            }
        }
    }

    private Picture likeness(XmlNode shape, Map<String, String> style) {
        XmlNode data = shape.find("v:imagedata");
        Image image = data == null || data.get("r:id") == null ? null : story.image(data.get("r:id"));
        return image == null ? null : new Picture(image, points(style, "width", 72), points(style, "height", 72), data.get("o:title"));
    }

    static double points(Map<String, String> style, String name, double otherwise) {
        Double told = Units.measure(style.get(name), 1);
        return told == null ? otherwise : told;
    }

    /** Which way the lines of a box run, as its style says (ISO/IEC 29500-4, 19.1.2.22). */
    private static Running running(XmlNode box) {
        String style = box == null ? "" : box.get("style", "").replace(" ", "");
        if (!style.contains("layout-flow:vertical")) return Running.ACROSS;
        return style.contains("mso-layout-flow-alt:bottom-to-top") ? Running.UP : Running.DOWN;
    }

    /** A shape's picture or text where it stands, or null where its picture is missing. */
    private Inline inline(Shape shape, XmlNode markup, Look look) {
        Map<String, String> style = place(shape);
        Picture likeness = likeness(shape.node, style);
        if (likeness != null && !"absolute".equals(style.get("position"))) return new Inline.InlinePicture(likeness, look);
        XmlNode box = shape.node.find("w:txbxContent");
        if (likeness == null && box == null) return null;
        Anchor anchor = anchor(style, markup);
        if (likeness != null) return new Inline.Floating(anchor, likeness, look);
        return new Inline.Floating(anchor, box(shape.node, box, style, VectorLook.of(shape.node).ink()), look);
    }

    private Inline drawn(Shape shape, XmlNode markup, boolean alone, Look look) {
        Map<String, String> style = place(shape);
        VectorLook painted = VectorLook.of(shape.node);
        DrawnShape.Made made = VectorShape.draw(shape.node, style, painted.ink());
        if (made == null) return null;
        boolean floating = "absolute".equals(style.get("position"));
        Anchor anchor = floating ? made.at(anchor(style, markup)) : null;
        Look kept = alone ? DrawingMarkup.keep(look, markup, anchor, made.picture()) : look;
        return floating ? new Inline.Floating(anchor, made.picture(), kept) : new Inline.InlinePicture(made.picture(), kept);
    }

    private static Anchor anchor(Map<String, String> style, XmlNode markup) {
        boolean wraps = markup.find("w10:wrap") != null && !"none".equals(markup.find("w10:wrap").get("type", "none"));
        return new Anchor(across(style), down(style), wraps ? Anchor.Wrap.SQUARE : Anchor.Wrap.NONE, new Insets(0, 9, 0, 9),
                style.getOrDefault("z-index", "0").startsWith("-"), level(style.getOrDefault("z-index", "")));
    }

    /** As other drawings of the same file tell it. */
    private static int level(String index) {
        return index.matches("-?\\d{1,10}") ? (int) Math.min(Integer.MAX_VALUE, Math.abs(Long.parseLong(index))) - DrawingWriter.LEVEL : 0;
    }

    private static Anchor.Horizontal across(Map<String, String> style) {
        Anchor.Horizontal.From from = switch (style.getOrDefault("mso-position-horizontal-relative", "text")) {
            case "page" -> Anchor.Horizontal.From.PAGE;
            case "margin" -> Anchor.Horizontal.From.MARGIN;
            case "char" -> Anchor.Horizontal.From.CHARACTER;
            default -> Anchor.Horizontal.From.COLUMN;
        };
        Alignment alignment = switch (style.getOrDefault("mso-position-horizontal", "absolute")) {
            case "left", "inside" -> Alignment.START;
            case "center" -> Alignment.CENTRE;
            case "right", "outside" -> Alignment.END;
            default -> null;
        };
        return new Anchor.Horizontal(from, alignment, points(style, "margin-left", points(style, "left", 0)));
    }

    private static Anchor.Vertical down(Map<String, String> style) {
        Anchor.Vertical.From from = switch (style.getOrDefault("mso-position-vertical-relative", "text")) {
            case "page" -> Anchor.Vertical.From.PAGE;
            case "margin" -> Anchor.Vertical.From.MARGIN;
            case "line" -> Anchor.Vertical.From.LINE;
            default -> Anchor.Vertical.From.PARAGRAPH;
        };
        VerticalAlignment alignment = switch (style.getOrDefault("mso-position-vertical", "absolute")) {
            case "top", "inside" -> VerticalAlignment.TOP;
            case "center" -> VerticalAlignment.CENTRE;
            case "bottom", "outside" -> VerticalAlignment.BOTTOM;
            default -> null;
        };
        return new Anchor.Vertical(from, alignment, points(style, "margin-top", points(style, "top", 0)));
    }

    private static Map<String, String> place(Shape shape) {
        Map<String, String> style = style(shape.node);
        if (shape.node.is("v:line")) VectorShape.span(shape.node, style);
        for (int i = shape.groups.size() - 1; i >= 0; i--) style = inGroup(style, shape.groups.get(i));
        return style;
    }

    /** Inside a group sizes and places are shares of the group's own measure (ISO/IEC 29500-4, 19.1.2.7, coordsize and coordorigin); here in its outer one. */
    private static Map<String, String> inGroup(Map<String, String> shape, XmlNode group) {
        Map<String, String> outer = style(group);
        String[] size = group.get("coordsize", "1000,1000").split(",");
        String[] origin = group.get("coordorigin", "0,0").split(",");
        Map<String, String> made = new HashMap<>(outer);
        for (String own : List.of("flip", "rotation")) if (shape.containsKey(own)) made.put(own, shape.get(own));
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

    static Map<String, String> style(XmlNode shape) {
        Map<String, String> style = new HashMap<>();
        if (shape == null) return style;
        for (String entry : shape.get("style", "").split(";")) {
            int colon = entry.indexOf(':');
            if (colon > 0) style.put(entry.substring(0, colon).trim(), entry.substring(colon + 1).trim());
        }
        return style;
    }
}
