package app.decant.format.sheet;

import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TextBox;
import app.decant.format.DrawnShape;
import app.decant.format.ooxml.PresetShape;
import app.decant.sheet.CellValue;
import app.decant.sheet.SheetObject;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlWriter;
import java.awt.geom.AffineTransform;
import java.awt.geom.Path2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Function;
import org.apache.poi.sl.usermodel.ShapeType;

/** Reads and writes shapes over the cells of an OpenDocument workbook with their words (ISO/IEC 26300-1, 10.3, 10.4.3 and 10.6). */
final class OdsShapes {
    private static final double USUAL_LINE = 0.75;
    private static final double USUAL_SIZE = 10;
    /** What custom shapes are called here and in drawings of the other family; from memory. */
    private static final Map<String, String> PRESETS = Map.ofEntries(Map.entry("rectangle", "rect"), Map.entry("ellipse", "ellipse"),
            Map.entry("circle", "ellipse"), Map.entry("round-rectangle", "roundRect"), Map.entry("isosceles-triangle", "triangle"),
            Map.entry("right-triangle", "rtTriangle"), Map.entry("diamond", "diamond"), Map.entry("parallelogram", "parallelogram"),
            Map.entry("trapezoid", "trapezoid"), Map.entry("hexagon", "hexagon"), Map.entry("octagon", "octagon"), Map.entry("cross", "plus"),
            Map.entry("ring", "donut"), Map.entry("right-arrow", "rightArrow"), Map.entry("left-arrow", "leftArrow"), Map.entry("up-arrow", "upArrow"),
            Map.entry("down-arrow", "downArrow"), Map.entry("left-right-arrow", "leftRightArrow"), Map.entry("up-down-arrow", "upDownArrow"),
            Map.entry("star5", "star5"), Map.entry("heart", "heart"), Map.entry("sun", "sun"), Map.entry("moon", "moon"), Map.entry("cube", "cube"),
            Map.entry("can", "can"), Map.entry("smiley", "smileyFace"));

    private final OdsStyles styles;
    private final Function<XmlNode, CellValue.Text> line;

    /**
     * A shape.
     *
     * @param x       of its box from its cell's corner, in points
     * @param picture its outline, or null for a plain box
     */
    record Read(double x, double y, double width, double height, DrawnShape.Made picture, TextBox words) {
        SheetObject.Shape shape() {
            return new SheetObject.Shape(words, Math.max(1, width), Math.max(1, height), picture == null ? 0 : picture.x(), picture == null ? 0 : picture.y());
        }
    }

    /** @param line reads the words of a paragraph */
    OdsShapes(OdsStyles styles, Function<XmlNode, CellValue.Text> line) {
        this.styles = styles;
        this.line = line;
    }

    /** Whether it is one of those that are read here. */
    static boolean isOne(XmlNode node) {
        return node.is("draw:custom-shape") || node.is("draw:rect") || node.is("draw:ellipse") || node.is("draw:circle") || node.is("draw:line")
                || node.is("draw:connector") || node.is("draw:frame") && node.child("draw:text-box") != null;
    }

    /** What is seen of it; null where that is nothing, or not known. */
    Read read(XmlNode node) {
        String style = node.get("draw:style-name");
        boolean frame = node.is("draw:frame");
        Colour fill = fill(style, frame);
        DrawnShape.Pen pen = pen(style, frame);
        if (node.is("draw:line") || node.is("draw:connector")) return line(node, pen);
        double width = OdsStyles.points(node.get("svg:width"), 0);
        double height = OdsStyles.points(node.get("svg:height"), 0);
        if (width <= 0 || height <= 0) return null;
        List<Block> words = words(frame ? node.child("draw:text-box") : node, style);
        String preset = frame || node.is("draw:rect") ? "rect" : node.is("draw:custom-shape") ? preset(node.child("draw:enhanced-geometry")) : "ellipse";
        boolean box = "rect".equals(preset);
        String told = node.child("svg:desc") == null || node.child("svg:desc").text().isBlank() ? null : node.child("svg:desc").text();
        DrawnShape.Made outline = box || preset == null ? null : DrawnShape.draw(PresetShape.of(preset, width, height), new DrawnShape.Ink(fill, 1, pen),
                new AffineTransform(), told);
        boolean seen = box && (fill != null || pen.isVisible());
        TextBox inside = words.isEmpty() && !seen ? null : new TextBox(words, width, height, false, padding(style), box ? pen.border() : null,
                box ? fill : null, standing(style));
        if (outline == null && inside == null) return null;
        return new Read(OdsStyles.points(node.get("svg:x"), 0), OdsStyles.points(node.get("svg:y"), 0), width, height, outline, inside);
    }

    private Read line(XmlNode node, DrawnShape.Pen pen) {
        double x1 = OdsStyles.points(node.get("svg:x1"), 0);
        double y1 = OdsStyles.points(node.get("svg:y1"), 0);
        double x2 = OdsStyles.points(node.get("svg:x2"), 0);
        double y2 = OdsStyles.points(node.get("svg:y2"), 0);
        double left = Math.min(x1, x2);
        double top = Math.min(y1, y2);
        Path2D way = new Path2D.Double();
        way.moveTo(x1 - left, y1 - top);
        way.lineTo(x2 - left, y2 - top);
        DrawnShape.Made made = DrawnShape.draw(List.of(new DrawnShape.Part(way, false, true, 1)), new DrawnShape.Ink(null, 1, pen), new AffineTransform(),
                null);
        return made == null ? null : new Read(left, top, Math.abs(x2 - x1), Math.abs(y2 - y1), made, null);
    }

    private static String preset(XmlNode geometry) {
        String type = geometry == null ? "" : geometry.get("draw:type", "");
        if (type.startsWith("ooxml-")) return type.substring("ooxml-".length());
        if (!type.matches("mso-spt\\d{1,3}")) return PRESETS.get(type);
        ShapeType known = ShapeType.forId(Integer.parseInt(type.substring("mso-spt".length())), false);
        return known == null ? null : known.getOoxmlName();
    }

    private Colour fill(String style, boolean frame) {
        String kind = styles.graphic(style, "draw:fill");
        if (kind == null ? frame : kind.equals("none")) return null;
        return OdsStyles.colour(styles.graphic(style, "draw:fill-color"));
    }

    private DrawnShape.Pen pen(String style, boolean frame) {
        String kind = styles.graphic(style, "draw:stroke");
        if (kind == null ? frame : kind.equals("none")) return DrawnShape.Pen.NONE;
        Colour colour = OdsStyles.colour(styles.graphic(style, "svg:stroke-color"));
        double width = OdsStyles.points(styles.graphic(style, "svg:stroke-width"), USUAL_LINE);
        return new DrawnShape.Pen(width <= 0 ? USUAL_LINE / 2 : width, colour == null ? Colour.BLACK : colour, List.of(),
                head(styles.graphic(style, "draw:marker-start")), head(styles.graphic(style, "draw:marker-end")));
    }

    private static DrawnShape.Head head(String marker) { return marker == null || marker.isBlank() ? DrawnShape.Head.NONE : DrawnShape.Head.TRIANGLE; }

    private Insets padding(String style) {
        double all = OdsStyles.points(styles.graphic(style, "fo:padding"), 0);
        return new Insets(OdsStyles.points(styles.graphic(style, "fo:padding-top"), all), OdsStyles.points(styles.graphic(style, "fo:padding-right"), all),
                OdsStyles.points(styles.graphic(style, "fo:padding-bottom"), all), OdsStyles.points(styles.graphic(style, "fo:padding-left"), all));
    }

    private VerticalAlignment standing(String style) {
        String told = styles.graphic(style, "draw:textarea-vertical-align");
        return "middle".equals(told) ? VerticalAlignment.CENTRE : "bottom".equals(told) ? VerticalAlignment.BOTTOM : VerticalAlignment.TOP;
    }

    private List<Block> words(XmlNode holder, String style) {
        List<Block> blocks = new ArrayList<>();
        boolean any = false;
        for (XmlNode node : holder.children("text:p")) {
            CellValue.Text told = line.apply(node);
            Look base = styles.lettersOf(style, node.get("text:style-name"), USUAL_SIZE);
            List<Inline> inlines = new ArrayList<>();
            int at = 0;
            for (CellValue.Stretch stretch : told.stretches()) {
                if (stretch.from() > at) inlines.add(new Inline.Text(told.text().substring(at, stretch.from()), base));
                if (stretch.to() > Math.max(at, stretch.from()))
                    inlines.add(new Inline.Text(told.text().substring(Math.max(at, stretch.from()), stretch.to()), stretch.look().over(base)));
                at = Math.max(at, stretch.to());
            }
            if (at < told.text().length()) inlines.add(new Inline.Text(told.text().substring(at), base));
            any |= !told.text().isBlank();
            blocks.add(new Paragraph(null, Look.of(ParagraphProperty.ALIGNMENT, alignment(node.get("text:style-name"), style)), base, inlines));
        }
        return any ? blocks : List.of();
    }

    private Alignment alignment(String paragraph, String style) {
        String told = styles.aligned(paragraph, style);
        return switch (told == null ? "start" : told) {
            case "center" -> Alignment.CENTRE;
            case "end", "right" -> Alignment.END;
            case "justify" -> Alignment.JUSTIFY;
            default -> Alignment.START;
        };
    }

    /** Writes the box of a shape with its words; its style goes by a name. */
    static void style(XmlWriter xml, String name, TextBox box) {
        xml.open("style:style", "style:name", name, "style:family", "graphic");
        Border border = box.border();
        boolean drawn = border != null && border.isVisible();
        Insets inside = box.padding();
        xml.leaf("style:graphic-properties", "draw:fill", box.fill() == null ? "none" : "solid", "draw:fill-color", box.fill() == null ? null
                : "#" + box.fill().hex(), "draw:stroke", drawn ? "solid" : "none", "svg:stroke-color", drawn ? "#" + (border.colour().isAutomatic()
                ? Colour.BLACK : border.colour()).hex() : null, "svg:stroke-width", drawn ? OdsWriter.points(border.width()) : null,
                "draw:textarea-vertical-align", box.standing() == VerticalAlignment.CENTRE ? "middle" : box.standing() == VerticalAlignment.BOTTOM ? "bottom"
                : "top", "fo:padding-top", OdsWriter.points(inside.top()), "fo:padding-right", OdsWriter.points(inside.right()), "fo:padding-bottom",
                OdsWriter.points(inside.bottom()), "fo:padding-left", OdsWriter.points(inside.left()));
        xml.close();
    }

    /** How the paragraphs of boxes stand, by the names of their styles. */
    static void paragraphs(XmlWriter xml) {
        for (Alignment alignment : Alignment.values()) {
            xml.open("style:style", "style:name", paragraph(alignment), "style:family", "paragraph");
            xml.leaf("style:paragraph-properties", "fo:text-align", switch (alignment) {
                case START -> "start";
                case CENTRE -> "center";
                case END -> "end";
                case JUSTIFY -> "justify";
            });
            xml.close();
        }
    }

    static String paragraph(Alignment alignment) { return "box-" + alignment.name().toLowerCase(Locale.ROOT); }

    /** The words of a box. @param styles names the looks of letters */
    static void words(XmlWriter xml, TextBox box, Function<Look, String> styles) {
        for (Block block : box.blocks()) {
            if (!(block instanceof Paragraph paragraph)) continue;
            xml.open("text:p", "text:style-name", paragraph(paragraph.look().get(ParagraphProperty.ALIGNMENT, Alignment.START)));
            for (Inline inline : paragraph.inlines()) {
                if (!(inline instanceof Inline.Text run)) continue;
                xml.open("text:span", "text:style-name", styles.apply(run.look()));
                String[] lines = run.text().split(String.valueOf(Inline.LINE_BREAK), -1);
                for (int i = 0; i < lines.length; i++) {
                    if (i > 0) xml.leaf("text:line-break");
                    xml.text(lines[i]);
                }
                xml.close();
            }
            xml.close();
        }
    }
}
