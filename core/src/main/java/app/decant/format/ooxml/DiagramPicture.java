package app.decant.format.ooxml;

import app.decant.document.Block;
import app.decant.document.Colour;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.Picture;
import app.decant.document.TextBox;
import app.decant.document.TextProperty;
import app.decant.format.shape.DrawingCanvas.Stand;
import app.decant.format.shape.DrawingCanvas;
import app.decant.format.shape.DrawnShape;
import app.decant.format.shape.ShapeGeometry;
import app.decant.picture.PictureDecoder;
import app.decant.xml.XmlNode;
import java.awt.geom.AffineTransform;
import java.awt.geom.Path2D;
import java.util.ArrayList;
import java.util.List;

/** Draws a diagram by the drawing that its file keeps of it ([MS-ODRAWXML], 2.7), since only its maker's programs can lay it out. */
final class DiagramPicture {
    private static final double LEAST_SIZE = 4;
    private static final double LINE = 1.2;
    private static final double SMALLER = 0.92;

    private final DrawingCanvas canvas;
    private final DrawingColours colours;
    private final ShapeReader shapes;
    private final StringBuilder said = new StringBuilder();

    private DiagramPicture(double width, double height, DrawingColours colours) {
        canvas = new DrawingCanvas(width, height);
        this.colours = colours;
        shapes = new ShapeReader(colours);
    }

    /**
     * The drawing as a picture.
     *
     * @param width of the frame in points, as is {@code height}
     * @param words read to people who do not see it; null for what it says itself
     * @return null where nothing of it is seen
     */
    static Picture of(XmlNode drawing, DrawingColours colours, double width, double height, String words) {
        DiagramPicture made = new DiagramPicture(Math.max(1, width), Math.max(1, height), colours);
        XmlNode tree = drawing.child("dsp:spTree");
        if (tree == null || tree.children("dsp:sp").isEmpty()) return null;
        for (XmlNode shape : tree.children("dsp:sp")) made.shape(shape);
        String told = words != null && !words.isBlank() ? words : made.said.toString().strip();
        return new Picture(new Image(PictureDecoder.DRAWING, made.canvas.drawing()), width, height, told.isEmpty() ? null : told);
    }

    private void shape(XmlNode shape) {
        XmlNode properties = shape.child("dsp:spPr");
        XmlNode frame = properties == null ? null : properties.child("a:xfrm");
        if (frame == null || frame.child("a:ext") == null) return;
        double width = Units.emu(frame.child("a:ext"), "cx", 0);
        double height = Units.emu(frame.child("a:ext"), "cy", 0);
        double x = Units.emu(frame.child("a:off"), "x", 0);
        double y = Units.emu(frame.child("a:off"), "y", 0);
        DrawnShape.Ink ink = ShapeLook.of(properties, shape.child("dsp:style"), colours).ink();
        AffineTransform place = AffineTransform.getTranslateInstance(x, y);
        place.concatenate(ShapeBody.turning(properties, width, height));
        for (DrawnShape.Part part : ShapeGeometry.of(properties, width, height)) {
            Path2D path = new Path2D.Double(part.path(), place);
            // What shines through is drawn as what it comes to over white.
            if (part.filled() && ink.fill() != null) canvas.area(path, ink.fill().mixed(Colour.WHITE, ink.opacity()).rgb() & 0xFFFFFF);
            if (part.stroked() && ink.pen().isVisible()) canvas.line(path, ink.pen().colour().rgb() & 0xFFFFFF, ink.pen().width());
        }
        XmlNode own = shape.child("dsp:txXfrm");
        ShapeReader.Read read = shapes.read(shape, width, height, null);
        if (read == null || read.words() == null) return;
        boolean apart = own != null && own.child("a:ext") != null && own.child("a:off") != null;
        words(read.words(), apart ? Units.emu(own.child("a:off"), "x", x) : x, apart ? Units.emu(own.child("a:off"), "y", y) : y,
                apart ? Units.emu(own.child("a:ext"), "cx", width) : width, apart ? Units.emu(own.child("a:ext"), "cy", height) : height);
    }

    /** A line of words as it is drawn. */
    private record Set(String words, double size, boolean heavy, int colour, Alignment alignment) { }

    private void words(TextBox box, double x, double y, double width, double height) {
        double room = width - box.padding().left() - box.padding().right();
        double high = height - box.padding().top() - box.padding().bottom();
        List<Set> lines = set(box.blocks(), Math.max(LEAST_SIZE, room), 1);
        // As their maker does: what has no room is set smaller.
        for (double scale = SMALLER; scale > 0.2 && height(lines) > Math.max(high, LEAST_SIZE); scale *= SMALLER)
            lines = set(box.blocks(), Math.max(LEAST_SIZE, room), scale);
        double all = height(lines);
        double top = y + box.padding().top() + switch (box.standing()) {
            case CENTRE -> (high - all) / 2;
            case BOTTOM -> high - all;
            case TOP -> 0;
        };
        for (Set line : lines) {
            top += line.size * LINE;
            Stand stand = line.alignment == Alignment.CENTRE ? Stand.MIDDLE : line.alignment == Alignment.END ? Stand.END : Stand.START;
            double at = x + box.padding().left() + (stand == Stand.MIDDLE ? room / 2 : stand == Stand.END ? room : 0);
            canvas.words(line.words, at, top - line.size * (LINE - 1), line.size, line.heavy, stand, 0, line.colour);
            said.append(line.words).append(' ');
        }
    }

    private static double height(List<Set> lines) { return lines.stream().mapToDouble(line -> line.size * LINE).sum(); }

    private static List<Set> set(List<Block> blocks, double room, double scale) {
        List<Set> lines = new ArrayList<>();
        for (Block block : blocks) {
            if (!(block instanceof Paragraph paragraph) || paragraph.plainText().isBlank()) continue;
            Inline first = paragraph.inlines().stream().filter(inline -> inline.length() > 0).findFirst().orElseThrow();
            Look look = first.look();
            double size = Math.max(LEAST_SIZE, look.get(TextProperty.SIZE, 18.0) * scale);
            boolean heavy = look.is(TextProperty.BOLD);
            int colour = look.get(TextProperty.COLOUR, Colour.BLACK).rgb() & 0xFFFFFF;
            Alignment alignment = paragraph.look().get(ParagraphProperty.ALIGNMENT, Alignment.START);
            String line = "";
            for (String word : paragraph.plainText().strip().split("[\\s\u000B]+")) {
                String longer = line.isEmpty() ? word : line + " " + word;
                if (!line.isEmpty() && DrawingCanvas.wide(longer, size, heavy) > room) {
                    lines.add(new Set(line, size, heavy, colour, alignment));
                    line = word;
                } else line = longer;
            }
            lines.add(new Set(line, size, heavy, colour, alignment));
        }
        return lines;
    }
}
