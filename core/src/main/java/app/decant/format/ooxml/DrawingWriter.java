package app.decant.format.ooxml;

import app.decant.document.Anchor;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Markup;
import app.decant.document.Opaque;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.Running;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TextBox;
import app.decant.xml.XmlNames;
import app.decant.xml.XmlWriter;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Writes pictures, text boxes and opaque drawings (ISO/IEC 29500-1, 20.4). */
final class DrawingWriter {
    /** How high something stands that nobody put over or under others (20.4.2.3): there is room below. */
    static final int LEVEL = 1_000_000;

    private final StoryWriter story;
    private final DocxWriter writer;

    DrawingWriter(StoryWriter story, DocxWriter writer) {
        this.story = story;
        this.writer = writer;
    }

    /** @param look of the picture, which may hold its drawing as it was read */
    void inline(Picture picture, Look look) { picture(null, picture, look); }

    private void picture(Anchor anchor, Picture picture, Look look) {
        int level = anchor == null ? 0 : anchor.level();
        boolean still = look.says(Markup.TEXT) && DrawingMarkup.holds(look, anchor, picture);
        if (still && !DrawingMarkup.showsPicture(look)) {
            story.xml.raw(DrawingMarkup.of(look, null, writer.nextId(), level));
            return;
        }
        String relation = story.relations.inside("image", writer.mediaTarget(picture.image()));
        if (still) story.xml.raw(DrawingMarkup.of(look, relation, writer.nextId(), level));
        else picture(story.xml, anchor, picture, relation, writer.nextId());
    }

    /** One picture in its line, where {@code anchor} is null, or standing at an anchor. */
    static void picture(XmlWriter xml, Anchor anchor, Picture picture, String relation, int number) {
        xml.open("w:drawing");
        if (anchor == null) xml.open("wp:inline", "distT", 0, "distB", 0, "distL", 0, "distR", 0).leaf("wp:extent", "cx", Units.toEmu(picture.width()),
                "cy", Units.toEmu(picture.height()));
        else anchor(xml, anchor, picture, number);
        properties(xml, picture.description(), number);
        graphic(xml, picture, relation);
        xml.close().close();
    }

    void floating(Inline.Floating floating) {
        if (floating.content() instanceof Picture picture) picture(floating.anchor(), picture, floating.look());
        else if (floating.content() instanceof TextBox box) {
            XmlWriter xml = story.xml;
            int number = writer.nextId();
            xml.open("mc:AlternateContent").open("mc:Choice", "Requires", "wps").open("w:drawing");
            anchor(xml, floating.anchor(), box, number);
            properties(xml, null, number);
            box(box);
            xml.close().close().close().close();
        }
    }

    private static void anchor(XmlWriter xml, Anchor anchor, Inline.Floating.Content content, int number) {
        Insets distance = anchor.distance();
        xml.open("wp:anchor", "distT", Units.toEmu(distance.top()), "distB", Units.toEmu(distance.bottom()), "distL", Units.toEmu(distance.left()), "distR",
                Units.toEmu(distance.right()), "simplePos", 0, "relativeHeight", Math.max(0, LEVEL + anchor.level()), "behindDoc",
                anchor.behind() ? 1 : 0, "locked", 0, "layoutInCell", 1, "allowOverlap", 1);
        xml.leaf("wp:simplePos", "x", 0, "y", 0);
        xml.open("wp:positionH", "relativeFrom", anchor.horizontal().from().name().toLowerCase(Locale.ROOT));
        if (anchor.horizontal().alignment() != null)
            xml.open("wp:align").text(LookWriter.alignment(anchor.horizontal().alignment()).replace("both", "left")).close();
        else xml.open("wp:posOffset").text(Long.toString(Units.toEmu(anchor.horizontal().offset()))).close();
        xml.close();
        xml.open("wp:positionV", "relativeFrom", anchor.vertical().from().name().toLowerCase(Locale.ROOT));
        if (anchor.vertical().alignment() != null) xml.open("wp:align").text(switch (anchor.vertical().alignment()) {
            case TOP -> "top";
            case CENTRE -> "center";
            case BOTTOM -> "bottom";
        }).close();
        else xml.open("wp:posOffset").text(Long.toString(Units.toEmu(anchor.vertical().offset()))).close();
        xml.close();
        xml.leaf("wp:extent", "cx", Units.toEmu(content.width()), "cy", Units.toEmu(content.height()));
        switch (anchor.wrap()) {
            case SQUARE -> xml.leaf("wp:wrapSquare", "wrapText", "bothSides");
            case TOP_AND_BOTTOM -> xml.leaf("wp:wrapTopAndBottom");
            case NONE -> xml.leaf("wp:wrapNone");
        }
    }

    private static void properties(XmlWriter xml, String description, int number) {
        xml.leaf("wp:docPr", "id", number, "name", "Object " + number, "descr", description);
        xml.leaf("wp:cNvGraphicFramePr");
    }

    private static void graphic(XmlWriter xml, Picture picture, String relation) {
        xml.open("a:graphic").open("a:graphicData", "uri", XmlNames.PIC).open("pic:pic");
        xml.open("pic:nvPicPr").leaf("pic:cNvPr", "id", 0, "name", "Picture", "descr", picture.description()).leaf("pic:cNvPicPr").close();
        xml.open("pic:blipFill").leaf("a:blip", "r:embed", relation);
        Insets crop = picture.crop();
        if (!crop.equals(Insets.NONE))
            xml.leaf("a:srcRect", "l", share(crop.left()), "t", share(crop.top()), "r", share(crop.right()), "b", share(crop.bottom()));
        xml.open("a:stretch").leaf("a:fillRect").close().close();
        xml.open("pic:spPr").open("a:xfrm", "rot", picture.rotation() == 0 ? null : Math.round(picture.rotation() * 60000));
        xml.leaf("a:off", "x", 0, "y", 0).leaf("a:ext", "cx", Units.toEmu(picture.width()), "cy", Units.toEmu(picture.height())).close();
        xml.open("a:prstGeom", "prst", "rect").leaf("a:avLst").close().close();
        xml.close().close().close();
    }

    private static long share(double value) { return Math.round(value * 100000); }

    private void box(TextBox box) {
        XmlWriter xml = story.xml;
        xml.open("a:graphic").open("a:graphicData", "uri", XmlNames.WPS).open("wps:wsp");
        xml.leaf("wps:cNvSpPr", "txBox", 1);
        xml.open("wps:spPr").open("a:xfrm").leaf("a:off", "x", 0, "y", 0).leaf("a:ext", "cx", Units.toEmu(box.width()), "cy", Units.toEmu(box.height()))
                .close();
        xml.open("a:prstGeom", "prst", "rect").leaf("a:avLst").close();
        if (box.fill() == null) xml.leaf("a:noFill");
        else xml.open("a:solidFill").leaf("a:srgbClr", "val", box.fill().hex()).close();
        if (box.border() == null || !box.border().isVisible()) xml.open("a:ln").leaf("a:noFill").close();
        else xml.open("a:ln", "w", Units.toEmu(box.border().width())).open("a:solidFill").leaf("a:srgbClr", "val", box.border().colour().isAutomatic()
                ? "000000" : box.border().colour().hex()).close().close();
        xml.close();
        if (!box.blocks().isEmpty()) {
            xml.open("wps:txbx").open("w:txbxContent");
            story.blocks(box.blocks());
            xml.close().close();
        }
        Insets padding = box.padding();
        String running = box.running() == Running.ACROSS ? null : box.running() == Running.UP ? "vert270" : "vert";
        xml.open("wps:bodyPr", "vert", running, "lIns", Units.toEmu(padding.left()), "tIns", Units.toEmu(padding.top()), "rIns",
                Units.toEmu(padding.right()), "bIns", Units.toEmu(padding.bottom()), "anchor",
                box.standing() == VerticalAlignment.TOP ? null : box.standing() == VerticalAlignment.CENTRE ? "ctr" : "b");
        xml.leaf(box.grows() ? "a:spAutoFit" : "a:noAutofit");
        xml.close().close().close().close();
    }

    /** The data of a diagram name the drawing that goes with them by a relation of the part that both stand in ([MS-ODRAWXML], 2.7). */
    private static Opaque.Part pointing(Opaque.Part part, Map<String, String> ids) {
        if (!part.role().endsWith("/diagramData")) return part;
        String data = new String(part.bytes(), StandardCharsets.UTF_8);
        String moved = Pattern.compile("(<dsp:dataModelExt\\b[^>]*\\brelId=\")([^\"]*)\"").matcher(data)
                .replaceAll(found -> Matcher.quoteReplacement(found.group(1) + ids.getOrDefault(found.group(2), found.group(2)) + "\""));
        return moved.equals(data) ? part : new Opaque.Part(part.name(), part.type(), part.role(), moved.getBytes(StandardCharsets.UTF_8));
    }

    /** Opaque markup with its relations made anew in this part. */
    String remapped(Opaque opaque) {
        Map<String, String> ids = new TreeMap<>();
        for (Map.Entry<String, Opaque.Part> entry : new TreeMap<>(opaque.parts()).entrySet()) {
            Opaque.Part part = entry.getValue();
            ids.put(entry.getKey(), part.bytes() == null ? story.relations.outside(part.role(), part.name()) : story.relations.inside(part.role(),
                    "/" + part.name()));
        }
        for (Opaque.Part part : opaque.parts().values()) if (part.bytes() != null) writer.keep(pointing(part, ids));
        String markup = opaque.source();
        // In two steps, so that an id given anew is not taken for an old one.
        for (String old : ids.keySet())
            markup = markup.replaceAll("(\\br:\\w+=\")" + Pattern.quote(old) + "\"", "$1\u0001"
                    + Matcher.quoteReplacement(ids.get(old)) + "\"");
        return markup.replace("\u0001", "");
    }
}
