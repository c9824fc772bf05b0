package app.decant.format.ooxml;

import app.decant.document.Block;
import app.decant.document.Image;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TextBox;
import app.decant.format.shape.DrawnGroup;
import app.decant.format.shape.DrawnShape.Head;
import app.decant.format.shape.DrawnShape.Ink;
import app.decant.format.shape.DrawnShape.Part;
import app.decant.format.shape.DrawnShape.Pen;
import app.decant.format.shape.ShapeGeometry;
import app.decant.xml.XmlNode;
import java.awt.geom.AffineTransform;
import java.awt.geom.Path2D;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.util.List;

/**
 * Reads groups of drawings and the canvases that hold some ([MS-ODRAWXML], wgp and wpc): shapes, pictures, charts and groups in them, each measured in what
 * its group is measured in (ISO/IEC 29500-1, 20.1.7.5).
 */
final class GroupReader {
    private static final int DEEPEST = 40;
    /** Words want some room to stand in, in points. */
    private static final double LEAST_ROOM = 8;
    private static final Ink NOTHING = new Ink(null, 1, Pen.NONE);

    private final DrawingReader drawings;
    private final StoryReader story;
    private final DrawingColours colours;
    private final DrawnGroup drawn;
    private final DrawingGroup group;

    private GroupReader(DrawingReader drawings, StoryReader story, DrawingColours colours, double width, double height) {
        this.drawings = drawings;
        this.story = story;
        this.colours = colours;
        drawn = new DrawnGroup(width, height);
        group = new DrawingGroup(drawn, width, height);
    }

    /**
     * A group or canvas that fills a frame.
     *
     * @param width of the frame in points, as is {@code height}
     */
    static DrawingGroup read(XmlNode node, DrawingReader drawings, StoryReader story, DrawingColours colours, double width, double height) {
        GroupReader reader = new GroupReader(drawings, story, colours, width, height);
        if (node.is("wpc:wpc")) reader.canvas(node, width, height);
        else reader.members(node, reader.fitting(node, width, height), 0);
        return reader.group;
    }

    private void canvas(XmlNode node, double width, double height) {
        DrawingColours.Ink ground = node.child("wpc:bg") == null ? null : colours.in(node.child("wpc:bg").child("a:solidFill"), null);
        Pen pen = ShapeLook.of(node.child("wpc:whole"), null, colours).ink().pen();
        // Its line is within: a drawing ends where its frame does.
        double line = Math.min(pen.width(), Math.min(width, height) / 2);
        Path2D box = new Path2D.Double(new Rectangle2D.Double(line / 2, line / 2, width - line, height - line));
        drawn.add(List.of(new Part(box, true, true, 1)), new Ink(ground == null ? null : ground.colour(), ground == null ? 1 : ground.opacity(), pen),
                new AffineTransform());
        members(node, new AffineTransform(), 0);
    }

    /** Brings what is measured in the outermost group to its frame: the file may say another size inside than it gives the frame. */
    private AffineTransform fitting(XmlNode node, double width, double height) {
        XmlNode frame = node.at("wpg:grpSpPr", "a:xfrm");
        AffineTransform place = ShapeBody.turning(node.child("wpg:grpSpPr"), width, height);
        place.concatenate(inner(frame, width, height));
        return place;
    }

    /** Brings what a group's members are measured in to a box of a size. */
    private static AffineTransform inner(XmlNode frame, double width, double height) {
        double across = number(frame, "a:chExt", "cx");
        double down = number(frame, "a:chExt", "cy");
        AffineTransform scale = AffineTransform.getScaleInstance(across == 0 ? 1 : width / across, down == 0 ? 1 : height / down);
        scale.translate(-number(frame, "a:chOff", "x"), -number(frame, "a:chOff", "y"));
        return scale;
    }

    private static double number(XmlNode frame, String child, String name) { return frame == null ? 0 : Units.emu(frame.child(child), name, 0); }

    private void members(XmlNode node, AffineTransform place, int depth) {
        if (depth > DEEPEST) return;
        for (XmlNode child : node.children()) {
            switch (child.name()) {
                case "wps:wsp" -> shape(child, place);
                case "pic:pic" -> picture(child, place);
                case "wpg:grpSp", "wpg:wgp" -> {
                    Box box = Box.of(child.child("wpg:grpSpPr"), place);
                    if (box == null) members(child, place, depth + 1);
                    else {
                        AffineTransform within = box.place();
                        within.concatenate(inner(child.at("wpg:grpSpPr", "a:xfrm"), box.width, box.height));
                        members(child, within, depth + 1);
                    }
                }
                case "wpg:graphicFrame" -> chart(child, place);
                case "w14:contentPart" -> group.leftOut();
                case "mc:AlternateContent" -> members(child.child("mc:Choice") != null ? child.child("mc:Choice") : child, place, depth + 1);
                default -> { }
            }
        }
    }

    /** Where a member stands: its size in points, and what brings its own corner, turned and mirrored, to the group's. */
    private record Box(double width, double height, AffineTransform place) {
        static Box of(XmlNode properties, AffineTransform outer) {
            XmlNode frame = properties == null ? null : properties.child("a:xfrm");
            return frame == null ? null : of(frame, properties, outer);
        }

        private static Box of(XmlNode frame, XmlNode properties, AffineTransform outer) {
            double across = Math.hypot(outer.getScaleX(), outer.getShearY());
            double down = Math.hypot(outer.getShearX(), outer.getScaleY());
            double width = number(frame, "a:ext", "cx") * across;
            double height = number(frame, "a:ext", "cy") * down;
            AffineTransform place = new AffineTransform(outer);
            place.translate(number(frame, "a:off", "x"), number(frame, "a:off", "y"));
            if (across > 0 && down > 0) place.scale(1 / across, 1 / down);
            place.concatenate(properties == null ? new AffineTransform() : ShapeBody.turning(properties, width, height));
            return new Box(width, height, place);
        }

        /** Its upper left corner as far as it stands upright. */
        Point2D corner() {
            Point2D middle = place.transform(new Point2D.Double(width / 2, height / 2), null);
            return new Point2D.Double(middle.getX() - width / 2, middle.getY() - height / 2);
        }
    }

    /** A shape by itself, with the words in it. */
    static DrawingGroup read(XmlNode shape, DrawingReader drawings, StoryReader story, DrawingColours colours, double width, double height, boolean grows) {
        GroupReader reader = new GroupReader(drawings, story, colours, width, height);
        reader.shape(shape, new Box(width, height, ShapeBody.turning(shape.child("wps:spPr"), width, height)), grows);
        return reader.group;
    }

    private void shape(XmlNode shape, AffineTransform outer) {
        Box box = Box.of(shape.child("wps:spPr"), outer);
        if (box != null) shape(shape, box, false);
    }

    private void shape(XmlNode shape, Box box, boolean grows) {
        XmlNode properties = shape.child("wps:spPr");
        ShapeLook look = ShapeLook.of(properties, shape.child("wps:style"), colours);
        XmlNode content = shape.at("wps:txbx", "w:txbxContent");
        List<Part> parts = ShapeGeometry.of(properties, box.width, box.height);
        boolean line = parts.stream().noneMatch(Part::filled);
        Pen pen = look.ink().pen();
        // Only lines end in heads.
        Ink ink = line ? look.ink() : look.ink().with(new Pen(pen.width(), pen.colour(), pen.dash(), Head.NONE, Head.NONE));
        drawn.add(parts, ink, box.place);
        if (parts.isEmpty() && ink.isVisible()) group.leftOut();
        if (content == null) return;
        List<Block> blocks = DrawingReader.coloured(story.boxed(content), look.letters());
        Rectangle2D inside = ShapeGeometry.wordsIn(properties, box.width, box.height);
        boolean whole = inside == null || inside.getWidth() < LEAST_ROOM || inside.getHeight() < LEAST_ROOM;
        Rectangle2D room = whole ? new Rectangle2D.Double(0, 0, box.width, box.height) : inside;
        TextBox words = ShapeBody.box(blocks, shape.child("wps:bodyPr"), room.getWidth(), room.getHeight(), grows, NOTHING);
        group.words(words, box.corner().getX() + room.getX(), box.corner().getY() + room.getY());
    }

    private void picture(XmlNode node, AffineTransform outer) {
        Box box = Box.of(node.child("pic:spPr"), outer);
        Image image = box == null ? null : drawings.image(node);
        if (image == null) return;
        XmlNode cut = node.at("pic:blipFill", "a:srcRect");
        shown(image, cut == null ? Insets.NONE : DrawingReader.crop(cut), box);
    }

    private void shown(Image image, Insets crop, Box box) {
        AffineTransform place = new AffineTransform(box.place);
        place.scale(box.width, box.height);
        drawn.add(image, crop, place);
    }

    private void chart(XmlNode node, AffineTransform outer) {
        XmlNode frame = node.child("wpg:xfrm");
        XmlNode data = node.at("a:graphic", "a:graphicData");
        Box box = frame == null || data == null || data.child("c:chart") == null ? null : Box.of(frame, null, outer);
        Picture chart = box == null ? null : drawings.chart(data.child("c:chart"), box.width, box.height, null);
        if (chart != null) shown(chart.image(), Insets.NONE, box);
        else group.leftOut();
    }
}
