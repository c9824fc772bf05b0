package app.decant.format.sheet;

import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.Property;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TextBox;
import app.decant.document.TextProperty.Underline;
import app.decant.document.TextProperty;
import app.decant.xml.XmlWriter;

/** Writes the box of a shape with its words, for a drawing over cells (ISO/IEC 29500-1, 20.5.2.29 and 21.1.2). */
final class ShapeMarkup {
    private static final double POINT = 12700;

    private ShapeMarkup() { }

    static void box(XmlWriter xml, TextBox box, int index) {
        xml.open("xdr:sp", "macro", "", "textlink", "");
        xml.open("xdr:nvSpPr");
        xml.leaf("xdr:cNvPr", "id", index + 2, "name", "Text box " + (index + 1));
        xml.leaf("xdr:cNvSpPr", "txBox", 1);
        xml.close();
        xml.open("xdr:spPr");
        xml.open("a:xfrm");
        xml.leaf("a:off", "x", 0, "y", 0);
        xml.leaf("a:ext", "cx", Math.round(box.width() * POINT), "cy", Math.round(box.height() * POINT));
        xml.close();
        xml.open("a:prstGeom", "prst", "rect");
        xml.leaf("a:avLst");
        xml.close();
        ink(xml, box.fill());
        Border border = box.border();
        xml.open("a:ln", "w", border == null ? null : Math.round(border.width() * POINT));
        ink(xml, border == null || !border.isVisible() ? null : border.colour());
        xml.close();
        xml.close();
        text(xml, box);
        xml.close();
    }

    private static void ink(XmlWriter xml, Colour colour) {
        if (colour == null) {
            xml.leaf("a:noFill");
            return;
        }
        xml.open("a:solidFill");
        xml.leaf("a:srgbClr", "val", colour.isAutomatic() ? "000000" : colour.hex());
        xml.close();
    }

    private static void text(XmlWriter xml, TextBox box) {
        Insets inside = box.padding();
        xml.open("xdr:txBody");
        xml.leaf("a:bodyPr", "vertOverflow", "overflow", "wrap", "square", "lIns", emu(inside.left()), "tIns", emu(inside.top()), "rIns", emu(inside.right()),
                "bIns", emu(inside.bottom()), "vert", switch (box.running()) {
                    case UP -> "vert270";
                    case DOWN -> "vert";
                    case ACROSS -> "horz";
                }, "anchor", switch (box.standing()) {
                    case CENTRE -> "ctr";
                    case BOTTOM -> "b";
                    case TOP -> "t";
                });
        xml.leaf("a:lstStyle");
        boolean any = false;
        for (Block block : box.blocks()) if (block instanceof Paragraph paragraph) {
            paragraph(xml, paragraph);
            any = true;
        }
        if (!any) xml.open("a:p").close();
        xml.close();
    }

    private static long emu(double points) { return Math.round(points * POINT); }

    private static void paragraph(XmlWriter xml, Paragraph paragraph) {
        Alignment alignment = paragraph.look().get(ParagraphProperty.ALIGNMENT, Alignment.START);
        xml.open("a:p");
        xml.leaf("a:pPr", "marL", length(paragraph.look(), ParagraphProperty.INDENT_START), "indent", length(paragraph.look(), ParagraphProperty.FIRST_LINE),
                "algn", switch (alignment) {
                    case START -> "l";
                    case CENTRE -> "ctr";
                    case END -> "r";
                    case JUSTIFY -> "just";
                });
        for (Inline inline : paragraph.inlines()) {
            if (!(inline instanceof Inline.Text run)) continue;
            String[] lines = run.text().split(String.valueOf(Inline.LINE_BREAK), -1);
            for (int i = 0; i < lines.length; i++) {
                if (i > 0) xml.open("a:br").close();
                if (lines[i].isEmpty()) continue;
                xml.open("a:r");
                letters(xml, "a:rPr", run.look());
                xml.open("a:t").text(lines[i]).close();
                xml.close();
            }
        }
        letters(xml, "a:endParaRPr", paragraph.mark());
        xml.close();
    }

    private static Long length(Look look, Property<Double> property) { return look.says(property) ? emu(look.get(property)) : null; }

    private static void letters(XmlWriter xml, String name, Look look) {
        Underline underline = look.get(TextProperty.UNDERLINE, Underline.NONE);
        xml.open(name, "sz", Math.round(look.get(TextProperty.SIZE, 11.0) * 100), "b", look.is(TextProperty.BOLD) ? 1 : 0, "i", look.is(TextProperty.ITALIC) ? 1
                : 0, "u", underline == Underline.NONE ? null : underline == Underline.DOUBLE ? "dbl" : "sng", "strike",
                look.is(TextProperty.STRIKE) ? "sngStrike" : null);
        ink(xml, look.get(TextProperty.COLOUR, Colour.BLACK));
        if (look.get(TextProperty.FAMILY) != null) xml.leaf("a:latin", "typeface", look.get(TextProperty.FAMILY));
        xml.close();
    }
}
