package app.decant.format.ooxml;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Colour;
import app.decant.document.Finding;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Opaque;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TextBox;
import app.decant.document.TextProperty;
import app.decant.format.Chart;
import app.decant.format.ChartPicture;
import app.decant.format.shape.DrawnShape;
import app.decant.format.shape.ShapeGeometry;
import app.decant.words.Message;
import app.decant.xml.XmlNames;
import app.decant.xml.XmlNode;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;

/** Reads drawings (ISO/IEC 29500-1, 20.4): pictures, text boxes, charts, shapes, and everything else as opaque. */
final class DrawingReader {
    private final DocxReader reader;
    private final StoryReader story;

    DrawingReader(DocxReader reader, StoryReader story) {
        this.reader = reader;
        this.story = story;
    }

    private static XmlNode frame(XmlNode drawing) {
        return drawing.child("wp:inline") != null ? drawing.child("wp:inline") : drawing.child("wp:anchor");
    }

    /**
     * A drawing as what stands in the text.
     *
     * @param kept the markup it is given back by: itself, or what has it beside older markup that says the same
     */
    List<Inline> drawings(XmlNode drawing, XmlNode kept, Look look) {
        XmlNode frame = frame(drawing);
        XmlNode data = frame == null ? null : frame.at("a:graphic", "a:graphicData");
        XmlNode group = data == null ? null : data.child("wpg:wgp") != null ? data.child("wpg:wgp") : data.child("wpc:wpc");
        XmlNode shape = data == null ? null : data.child("wps:wsp");
        boolean drawn = shape != null && shape.child("wps:txbx") != null && frame.is("wp:anchor") && isDrawn(shape);
        if (group == null && !drawn) {
            Inline one = drawing(drawing, look);
            return one == null ? List.of() : List.of(one);
        }
        double width = Units.emu(frame.child("wp:extent"), "cx", 72);
        double height = Units.emu(frame.child("wp:extent"), "cy", 72);
        XmlNode body = drawn ? shape.child("wps:bodyPr") : null;
        DrawingGroup read = group != null ? GroupReader.read(group, this, story, reader.colours(), width, height)
                : GroupReader.read(shape, this, story, reader.colours(), width, height, body != null && body.child("a:spAutoFit") != null);
        String description = frame.child("wp:docPr") == null ? null : words(frame.child("wp:docPr").get("descr"));
        List<Inline> made = frame.is("wp:anchor") ? read.floating(anchor(frame), description, look, kept)
                : read.inLine(kept(kept, what(data), read.picture(description)), look);
        read.findings().forEach(reader::find);
        return made;
    }

    /** A drawing as an inline, or null where it shows nothing. */
    private Inline drawing(XmlNode drawing, Look look) {
        XmlNode frame = frame(drawing);
        if (frame == null) return opaque(drawing, "a drawing", null, look);
        double width = Units.emu(frame.child("wp:extent"), "cx", 72);
        double height = Units.emu(frame.child("wp:extent"), "cy", 72);
        String description = frame.child("wp:docPr") == null ? null : frame.child("wp:docPr").get("descr");
        XmlNode data = frame.at("a:graphic", "a:graphicData");
        boolean anchored = frame.is("wp:anchor");
        XmlNode picture = data == null ? null : data.child("pic:pic");
        Image image = picture == null ? null : image(picture);
        Anchor place = anchored ? anchor(frame) : null;
        if (image != null) return placed(drawing, place, picture(picture, image, width, height, description), look);
        XmlNode shape = data == null ? null : data.child("wps:wsp");
        if (shape != null && (shape.child("wps:txbx") != null || anchored && isPlainBox(shape))) {
            return new Inline.Floating(anchored ? place : inFlow(), box(shape, width, height), look);
        }
        Inline drawn = shape == null ? null : drawn(drawing, shape, place, width, height, description, look);
        if (drawn != null) return drawn;
        XmlNode diagram = data == null ? null : data.child("dgm:relIds");
        Picture chart = data == null ? null : diagram != null ? diagram(diagram, width, height, description)
                : data.child("c:chart") == null ? null : chart(data.child("c:chart"), width, height, description);
        return opaque(drawing, what(data), chart, diagram == null ? "a picture drawn from its stored values" : "the drawing stored with it", look);
    }

    /** A chart drawn from its stored values, or null where that can't be. */
    Picture chart(XmlNode reference, double width, double height, String description) {
        XmlNode space = story.tree(reference.get("r:id", ""));
        Chart chart = space == null ? null : ChartReader.read(space, reader.colours());
        return chart == null ? null : ChartPicture.of(chart, width, height, description);
    }

    /** A diagram by the drawing that its file keeps of it, or null where it keeps none. */
    private Picture diagram(XmlNode relations, double width, double height, String description) {
        String kept = storedDrawing(relations);
        XmlNode drawing = kept == null ? null : story.tree(kept);
        return drawing == null ? null : DiagramPicture.of(drawing, reader.colours(), width, height, description);
    }

    /** The relation to the drawing that a diagram's data name, or null. */
    private String storedDrawing(XmlNode relations) {
        XmlNode told = relations == null ? null : story.tree(relations.get("r:dm", ""));
        XmlNode kept = told == null ? null : told.find("dsp:dataModelExt");
        return kept == null ? null : kept.get("relId");
    }

    /** Whether a shape with words in it is more than a box of one colour. */
    private boolean isDrawn(XmlNode shape) {
        XmlNode properties = shape.child("wps:spPr");
        if (ShapeGeometry.of(properties, 72, 72).isEmpty() || ShapeBody.turn(properties.child("a:xfrm")) != 0) return false;
        DrawnShape.Ink ink = ShapeLook.of(properties, shape.child("wps:style"), reader.colours()).ink();
        return ink.isVisible() && (!isPlainBox(shape) || ink.blend() != null);
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

    Image image(XmlNode picture) {
        XmlNode blip = picture.at("pic:blipFill", "a:blip");
        String id = blip == null ? null : blip.get("r:embed");
        Image image = id == null ? null : story.image(id);
        if (image != null) return image;
        boolean outside = blip != null && blip.get("r:link") != null;
        reader.find(outside ? Finding.lost(Message.of("ooxml.a-picture-lies-outside-the-file"))
                : Finding.lost(Message.of("ooxml.a-picture-is-missing-from-the-file")));
        return null;
    }

    private static Picture picture(XmlNode picture, Image image, double width, double height, String description) {
        XmlNode cut = picture.at("pic:blipFill", "a:srcRect");
        Insets crop = cut == null ? Insets.NONE : crop(cut);
        return new Picture(image, width, height, crop, ShapeBody.turn(picture.at("pic:spPr", "a:xfrm")), words(description));
    }

    private static String words(String description) { return description != null && !description.isBlank() ? description : null; }

    private static Inline placed(XmlNode drawing, Anchor anchor, Picture picture, Look look) {
        Look kept = DrawingMarkup.keep(look, drawing, anchor, picture);
        return anchor == null ? new Inline.InlinePicture(picture, kept) : new Inline.Floating(anchor, picture, kept);
    }

    /** A shape without text, as a drawing; null where its outline is not known or nothing of it is seen. */
    private Inline drawn(XmlNode drawing, XmlNode shape, Anchor anchor, double width, double height, String description, Look look) {
        XmlNode properties = shape.child("wps:spPr");
        ShapeLook painted = ShapeLook.of(properties, shape.child("wps:style"), reader.colours());
        DrawnShape.Made made = DrawnShape.draw(ShapeGeometry.of(properties, width, height), painted.ink(),
                ShapeBody.turning(properties, width, height), words(description));
        if (made == null) return null;
        return placed(drawing, anchor == null ? null : made.at(anchor), made.picture(), look);
    }

    /** 20.1.8.55. */
    static Insets crop(XmlNode cut) { return new Insets(share(cut, "t"), share(cut, "r"), share(cut, "b"), share(cut, "l")); }

    private static double share(XmlNode node, String side) {
        Double value = Units.measure(node.get(side, "0").replace("%", ""), node.get(side, "0").endsWith("%") ? 100 : 100000);
        return value == null ? 0 : Math.max(0, Math.min(0.99, value));
    }

    private TextBox box(XmlNode shape, double width, double height) {
        XmlNode content = shape.at("wps:txbx", "w:txbxContent");
        XmlNode body = shape.child("wps:bodyPr");
        ShapeLook painted = ShapeLook.of(shape.child("wps:spPr"), shape.child("wps:style"), reader.colours());
        List<Block> blocks = content == null ? List.of() : coloured(story.boxed(content), painted.letters());
        return ShapeBody.box(blocks, body, width, height, body != null && body.child("a:spAutoFit") != null, painted.ink());
    }

    /** Letters that say no colour have that of their shape. */
    static List<Block> coloured(List<Block> blocks, Colour letters) {
        if (letters == null) return blocks;
        return blocks.stream().map(block -> block instanceof Paragraph paragraph ? (Block) paragraph.withInlines(paragraph.inlines().stream()
                .map(inline -> inline.look().says(TextProperty.COLOUR) ? inline : inline.with(inline.look().with(TextProperty.COLOUR, letters))).toList())
                : block).toList();
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
                behind.equals("1") || behind.equals("true"), level(frame.get("relativeHeight", "")));
    }

    /** From what is written for one that has none (29500-1, 20.4.2.3). */
    private static int level(String height) {
        return height.matches("\\d{1,10}") ? (int) Math.min(Integer.MAX_VALUE, Long.parseLong(height)) - DrawingWriter.LEVEL : 0;
    }

    private static double offset(XmlNode position) {
        XmlNode node = position == null ? null : position.child("wp:posOffset");
        Double value = node == null ? null : Units.measure(node.text(), Units.EMU);
        return value == null ? 0 : value;
    }

    /** Anything else: kept with the parts it points at. */
    Inline opaque(XmlNode markup, String what, Picture likeness, Look look) { return opaque(markup, what, likeness, "its stored picture", look); }

    /** @param shownBy where the likeness comes from, for the finding */
    private Inline opaque(XmlNode markup, String what, Picture likeness, String shownBy, Look look) {
        reader.find(likeness == null ? Finding.changed(Message.of("ooxml.there-is-that-is-kept", what))
                : Finding.note(Message.of("ooxml.there-is-shown", what, shownBy)));
        return new Inline.OpaqueInline(kept(markup, what, likeness), look);
    }

    /** Markup with the parts it points at, and how it looks. */
    Opaque kept(XmlNode markup, String what, Picture likeness) { return new Opaque("ooxml", what, markup.markup(), parts(markup), likeness); }

    /** The parts of the file that markup names. */
    private Map<String, Opaque.Part> parts(XmlNode markup) {
        Map<String, Opaque.Part> parts = new HashMap<>();
        for (String namespace : List.of(XmlNames.R, "http://purl.oclc.org/ooxml/officeDocument/relationships")) {
            markup.attributesIn(namespace, id -> {
                Opaque.Part part = story.keptPart(id);
                if (part != null) parts.put(id, part);
            });
        }
        String drawing = storedDrawing(markup.find("dgm:relIds"));
        Opaque.Part stored = drawing == null ? null : story.keptPart(drawing);
        if (stored != null) parts.put(drawing, stored);
        return parts;
    }
}
