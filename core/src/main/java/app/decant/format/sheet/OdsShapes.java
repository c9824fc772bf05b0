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
import app.decant.format.shape.DrawnShape;
import app.decant.format.shape.OpenDocumentShape;
import app.decant.sheet.CellValue;
import app.decant.sheet.SheetObject;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlWriter;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.function.Function;

/** Reads and writes shapes over the cells of an OpenDocument workbook with their words (ISO/IEC 26300-1, 10.3, 10.4.3 and 10.6). */
final class OdsShapes {
    private static final double USUAL_SIZE = 10;
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
    static boolean isOne(XmlNode node) { return OpenDocumentShape.isOne(node) || node.is("draw:frame") && node.child("draw:text-box") != null; }

    /** What is seen of it; null where that is nothing, or not known. */
    Read read(XmlNode node) {
        String style = node.get("draw:style-name");
        boolean frame = node.is("draw:frame");
        OpenDocumentShape shape = new OpenDocumentShape(node, name -> styles.graphic(style, name));
        Rectangle2D place = shape.standing();
        DrawnShape.Ink ink = frame ? framed(style, shape) : shape.ink();
        boolean box = frame || shape.isBox();
        DrawnShape.Made drawn = box ? null : shape.draw();
        DrawnShape.Made outline = drawn == null ? null : new DrawnShape.Made(drawn.picture(), drawn.x() - place.getX(), drawn.y() - place.getY());
        List<Block> words = place.getWidth() <= 0 || place.getHeight() <= 0 ? List.of() : words(frame ? node.child("draw:text-box") : node, style);
        boolean seen = box && place.getWidth() > 0 && place.getHeight() > 0 && ink.isVisible();
        TextBox inside = words.isEmpty() && !seen ? null : new TextBox(words, place.getWidth(), place.getHeight(), false, padding(style),
                box ? ink.pen().border() : null, box ? ink.fill() : null, standing(style));
        if (outline == null && inside == null) return null;
        return new Read(place.getX(), place.getY(), place.getWidth(), place.getHeight(), outline, inside);
    }

    /** A frame has no area and no line where its style tells none. */
    private DrawnShape.Ink framed(String style, OpenDocumentShape shape) {
        DrawnShape.Ink told = shape.ink();
        return new DrawnShape.Ink(styles.graphic(style, "draw:fill") == null ? null : told.fill(), 1,
                styles.graphic(style, "draw:stroke") == null ? DrawnShape.Pen.NONE : told.pen());
    }

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
