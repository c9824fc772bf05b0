package app.decant.format.ooxml;

import app.decant.document.Block;
import app.decant.document.Colour;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.TextBox;
import app.decant.document.TextProperty.Underline;
import app.decant.document.TextProperty;
import app.decant.format.Chart;
import app.decant.format.shape.DrawnShape;
import app.decant.format.shape.ShapeGeometry;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import java.util.ArrayList;
import java.util.List;

/** Reads shapes whose text is a drawing's own (ISO/IEC 29500-1, 21.1.2), such as those that lie over the cells of a workbook. */
public final class ShapeReader {
    /** Of letters whose size nothing tells (21.1.2.3.9). */
    private static final double USUAL_SIZE = 18;
    private static final String USUAL_FAMILY = "Calibri";

    private final DrawingColours colours;
    private final String family;

    /**
     * A shape.
     *
     * @param outline as a drawing, or null where it is a plain box or nothing of it is seen
     * @param words   in the box that they stand in, with its area and line where it is a plain one; null where it says nothing and is none
     */
    public record Read(DrawnShape.Made outline, TextBox words) { }

    /** @param theme the part with the colours and fonts of its file, or null */
    public ShapeReader(byte[] theme) {
        XmlNode root = theme == null ? null : XmlReader.tree(theme, "theme.xml");
        colours = new DrawingColours(root);
        XmlNode fonts = root == null ? null : root.at("a:themeElements", "a:fontScheme", "a:minorFont", "a:latin");
        String told = fonts == null ? "" : fonts.get("typeface", "");
        family = told.isBlank() ? USUAL_FAMILY : told;
    }

    /** One that knows the colours of a document, and no fonts. */
    ShapeReader(DrawingColours colours) {
        this.colours = colours;
        family = USUAL_FAMILY;
    }

    /**
     * Reads a shape.
     *
     * @param shape  with its properties, style and text, whatever the drawing calls them
     * @param width  in points, as is {@code height}
     * @param words  read to people who do not see it, or null
     * @return null where nothing of it is seen
     */
    public Read read(XmlNode shape, double width, double height, String words) {
        XmlNode properties = child(shape, "spPr");
        XmlNode text = child(shape, "txBody");
        ShapeLook look = ShapeLook.of(properties, child(shape, "style"), colours);
        XmlNode preset = properties == null ? null : properties.child("a:prstGeom");
        boolean upright = properties == null || ShapeBody.turn(properties.child("a:xfrm")) == 0;
        boolean box = preset != null && preset.get("prst", "").equals("rect") && upright && look.ink().opacity() == 1 && look.ink().pen().dash().isEmpty();
        List<Block> blocks = text == null ? List.of() : blocks(text, look.letters());
        boolean says = blocks.stream().anyMatch(block -> block instanceof Paragraph paragraph && !paragraph.text().isBlank());
        DrawnShape.Made outline = box ? null : DrawnShape.draw(ShapeGeometry.of(properties, width, height), look.ink(),
                ShapeBody.turning(properties, width, height), words);
        TextBox told = !says && !(box && look.ink().isVisible()) ? null : ShapeBody.box(says ? blocks : List.of(), text == null ? null : text.child("a:bodyPr"),
                width, height, false, box ? look.ink() : new DrawnShape.Ink(null, 1, DrawnShape.Pen.NONE));
        return outline == null && told == null ? null : new Read(outline, told);
    }

    /** A chart in the colours of its file; null for kinds that are not drawn here. */
    public Chart chart(XmlNode space) { return ChartReader.read(space, colours); }

    private static XmlNode child(XmlNode node, String name) {
        return node.children().stream().filter(one -> one.name().endsWith(":" + name)).findFirst().orElse(null);
    }

    private List<Block> blocks(XmlNode text, Colour letters) {
        List<Block> blocks = new ArrayList<>();
        XmlNode usual = text.at("a:lstStyle", "a:lvl1pPr");
        for (XmlNode node : text.children("a:p")) {
            XmlNode told = node.child("a:pPr");
            Look base = letters(usual == null ? null : usual.child("a:defRPr"), Look.of(TextProperty.SIZE, USUAL_SIZE)
                    .with(TextProperty.FAMILY, family).with(TextProperty.COLOUR, letters == null ? Colour.BLACK : letters));
            List<Inline> inlines = new ArrayList<>();
            XmlNode bullet = told == null ? null : told.child("a:buChar");
            for (XmlNode part : node.children()) {
                Look look = letters(part.child("a:rPr"), base);
                if (part.is("a:br")) inlines.add(new Inline.Text(String.valueOf(Inline.LINE_BREAK), look));
                XmlNode words = part.is("a:r") || part.is("a:fld") ? part.child("a:t") : null;
                if (words == null || words.text().isEmpty()) continue;
                if (inlines.isEmpty() && bullet != null) inlines.add(new Inline.Text(bullet.get("char", "\u2022") + " ", look));
                inlines.add(new Inline.Text(words.text(), look));
            }
            Look mark = node.child("a:endParaRPr") != null ? letters(node.child("a:endParaRPr"), base)
                    : inlines.isEmpty() ? base : inlines.get(inlines.size() - 1).look();
            blocks.add(new Paragraph(null, paragraph(told), mark, inlines));
        }
        return blocks;
    }

    private static Look paragraph(XmlNode told) {
        if (told == null) return Look.PLAIN;
        double start = Math.max(0, Units.emu(told, "marL", 0));
        double first = Math.max(-start, Units.emu(told, "indent", 0));
        return Look.of(ParagraphProperty.ALIGNMENT, switch (told.get("algn", "l")) {
            case "ctr" -> Alignment.CENTRE;
            case "r" -> Alignment.END;
            case "just", "justLow", "dist", "thaiDist" -> Alignment.JUSTIFY;
            default -> Alignment.START;
        }).with(ParagraphProperty.INDENT_START, start == 0 ? null : start).with(ParagraphProperty.FIRST_LINE, first == 0 ? null : first)
                .with(ParagraphProperty.SPACE_BEFORE, space(told.at("a:spcBef", "a:spcPts")))
                .with(ParagraphProperty.SPACE_AFTER, space(told.at("a:spcAft", "a:spcPts")));
    }

    private static Double space(XmlNode node) { return node == null ? null : Units.measure(node.get("val"), 100); }

    /** 21.1.2.3.9: what is not said is as {@code base} has it. */
    private Look letters(XmlNode told, Look base) {
        if (told == null) return base;
        Look look = base;
        Double size = Units.measure(told.get("sz"), 100);
        if (size != null && size >= 1 && size <= 400) look = look.with(TextProperty.SIZE, size);
        if (told.get("b") != null) look = look.with(TextProperty.BOLD, ShapeBody.isSet(told, "b"));
        if (told.get("i") != null) look = look.with(TextProperty.ITALIC, ShapeBody.isSet(told, "i"));
        if (told.get("u") != null) look = look.with(TextProperty.UNDERLINE, told.get("u").equals("none") ? Underline.NONE
                : told.get("u").equals("dbl") ? Underline.DOUBLE : Underline.SINGLE);
        if (told.get("strike") != null) look = look.with(TextProperty.STRIKE, !told.get("strike").equals("noStrike"));
        DrawingColours.Ink ink = colours.in(told.child("a:solidFill"), null);
        if (ink != null) look = look.with(TextProperty.COLOUR, ink.colour());
        XmlNode latin = told.child("a:latin");
        String face = latin == null ? "" : latin.get("typeface", "");
        // Those of the theme begin with a sign; headings have no place here.
        if (!face.isBlank()) look = look.with(TextProperty.FAMILY, face.startsWith("+") ? family : face);
        return look;
    }
}
