package app.decant.format.sheet;

import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Look;
import app.decant.document.TextProperty;
import app.decant.document.TextProperty.Script;
import app.decant.document.TextProperty.Underline;
import app.decant.sheet.CellDress;
import app.decant.sheet.CellStyle;
import app.decant.sheet.CellStyle.Down;
import app.decant.sheet.Workbook;
import app.decant.xml.XmlWriter;
import java.util.ArrayList;
import java.util.List;

/** How cells look, and what rules put over them (ISO/IEC 29500-1, 18.8). */
final class XlsxStylesPart {
    /** Codes of one's own begin here (18.8.30). */
    private static final int FIRST_FORMAT = 164;

    private final Workbook workbook;
    private final XmlWriter xml = new XmlWriter();

    XlsxStylesPart(Workbook workbook) { this.workbook = workbook; }

    byte[] part() {
        List<Look> fonts = new ArrayList<>();
        List<Colour> fills = new ArrayList<>();
        List<Borders> borders = new ArrayList<>(List.of(Borders.OPEN));
        List<String> formats = new ArrayList<>();
        for (CellStyle style : workbook.styles()) {
            if (!fonts.contains(style.font())) fonts.add(style.font());
            if (style.fill() != null && !fills.contains(style.fill())) fills.add(style.fill());
            if (style.borders() != null && !borders.contains(style.borders())) borders.add(style.borders());
            if (!style.format().equalsIgnoreCase(CellStyle.GENERAL) && !formats.contains(style.format())) formats.add(style.format());
        }
        xml.open("styleSheet", "xmlns", XlsxWriter.MAIN);
        if (!formats.isEmpty()) {
            xml.open("numFmts", "count", formats.size());
            for (int i = 0; i < formats.size(); i++) xml.leaf("numFmt", "numFmtId", FIRST_FORMAT + i, "formatCode", formats.get(i));
            xml.close();
        }
        xml.open("fonts", "count", fonts.size());
        for (Look font : fonts) font(font, true);
        xml.close();
        xml.open("fills", "count", fills.size() + 2);
        for (String plain : new String[] {"none", "gray125"}) {
            xml.open("fill");
            xml.leaf("patternFill", "patternType", plain);
            xml.close();
        }
        for (Colour fill : fills) {
            xml.open("fill");
            xml.open("patternFill", "patternType", "solid");
            xml.leaf("fgColor", "rgb", "FF" + fill.hex());
            xml.close();
            xml.close();
        }
        xml.close();
        xml.open("borders", "count", borders.size());
        for (Borders one : borders) {
            xml.open("border");
            side("left", one.left());
            side("right", one.right());
            side("top", one.top());
            side("bottom", one.bottom());
            xml.leaf("diagonal");
            xml.close();
        }
        xml.close();
        xml.open("cellStyleXfs", "count", 1);
        xml.leaf("xf", "numFmtId", 0, "fontId", 0, "fillId", 0, "borderId", 0);
        xml.close();
        xml.open("cellXfs", "count", workbook.styles().size());
        for (CellStyle style : workbook.styles()) {
            int format = formats.indexOf(style.format());
            int border = style.borders() == null ? 0 : borders.indexOf(style.borders());
            xml.open("xf", "numFmtId", format < 0 ? 0 : FIRST_FORMAT + format, "fontId", fonts.indexOf(style.font()), "fillId",
                    style.fill() == null ? 0 : fills.indexOf(style.fill()) + 2, "borderId", border, "xfId", 0, "applyNumberFormat", "1", "applyFont", "1",
                            "applyFill", "1",
                    "applyBorder", "1", "applyAlignment", "1", "applyProtection", style.open() ? "1" : null);
            alignment(style);
            if (style.open()) xml.leaf("protection", "locked", "0");
            xml.close();
        }
        xml.close();
        xml.open("cellStyles", "count", 1);
        xml.leaf("cellStyle", "name", "Normal", "xfId", 0, "builtinId", 0);
        xml.close();
        dressed();
        xml.close();
        return xml.bytes();
    }

    /** What rules put over cells, each once. */
    List<CellDress> dresses() {
        return workbook.sheets().stream().flatMap(sheet -> sheet.conditions().stream()).map(one -> one.rule().dress())
                .filter(dress -> !dress.equals(CellDress.NONE)).distinct().toList();
    }

    private void dressed() {
        List<CellDress> dresses = dresses();
        if (dresses.isEmpty()) return;
        xml.open("dxfs", "count", dresses.size());
        for (int i = 0; i < dresses.size(); i++) {
            CellDress dress = dresses.get(i);
            xml.open("dxf");
            if (!dress.font().equals(Look.PLAIN)) font(dress.font(), false);
            if (dress.format() != null) xml.leaf("numFmt", "numFmtId", FIRST_FORMAT + workbook.styles().size() + i, "formatCode", dress.format());
            if (dress.fill() != null) {
                xml.open("fill");
                xml.open("patternFill");
                xml.leaf("bgColor", "rgb", "FF" + dress.fill().hex());
                xml.close();
                xml.close();
            }
            if (dress.borders() != null) {
                xml.open("border");
                side("left", dress.borders().left());
                side("right", dress.borders().right());
                side("top", dress.borders().top());
                side("bottom", dress.borders().bottom());
                xml.close();
            }
            xml.close();
        }
        xml.close();
    }

    private void alignment(CellStyle style) {
        String across = switch (style.across()) {
            case BY_KIND -> null;
            case LEFT -> "left";
            case CENTRE -> "center";
            case RIGHT -> "right";
            case JUSTIFY -> "justify";
            case FILL -> "fill";
            case CENTRE_ACROSS -> "centerContinuous";
        };
        String down = style.down() == Down.TOP ? "top" : style.down() == Down.MIDDLE ? "center" : style.down() == Down.JUSTIFY ? "justify" : null;
        int turn = style.turn() < 0 ? 90 - style.turn() : style.turn();
        xml.leaf("alignment", "horizontal", across, "vertical", down, "textRotation", turn == 0 ? null : turn, "wrapText", style.wraps() ? "1" : null,
                "indent",
                style.indent() == 0 ? null : style.indent(), "shrinkToFit", style.shrinks() ? "1" : null);
    }

    /** @param whole whether it says its size and name in any case; what a rule puts over others says only what it changes */
    private void font(Look look, boolean whole) {
        xml.open("font");
        font(xml, look, whole, "name");
        xml.close();
    }

    /** What a font element holds, or one that tells of some letters of a text, where its name is called otherwise (18.4.7). */
    static void font(XmlWriter xml, Look look, boolean whole, String name) {
        if (look.is(TextProperty.BOLD)) xml.leaf("b");
        if (look.is(TextProperty.ITALIC)) xml.leaf("i");
        if (look.is(TextProperty.STRIKE)) xml.leaf("strike");
        Underline under = look.get(TextProperty.UNDERLINE, Underline.NONE);
        if (under != Underline.NONE) xml.leaf("u", "val", under == Underline.DOUBLE ? "double" : null);
        Script script = look.get(TextProperty.SCRIPT, Script.BASELINE);
        if (script != Script.BASELINE) xml.leaf("vertAlign", "val", script == Script.SUPER ? "superscript" : "subscript");
        if (whole || look.says(TextProperty.SIZE)) xml.leaf("sz", "val", XlsxWriter.number(look.get(TextProperty.SIZE, 11.0)));
        Colour ink = look.get(TextProperty.COLOUR);
        if (ink != null && !ink.isAutomatic()) xml.leaf("color", "rgb", "FF" + ink.hex());
        if (whole || look.says(TextProperty.FAMILY)) xml.leaf(name, "val", look.get(TextProperty.FAMILY, "Calibri"));
    }

    private void side(String name, Border border) {
        String style = LineStyles.name(border);
        if (style == null) {
            xml.leaf(name);
            return;
        }
        xml.open(name, "style", style);
        xml.leaf("color", "rgb", "FF" + (border.colour().isAutomatic() ? "000000" : border.colour().hex()));
        xml.close();
    }
}
