package app.decant.format.sheet;

import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Look;
import app.decant.document.Property;
import app.decant.document.TextProperty;
import app.decant.document.TextProperty.Script;
import app.decant.document.TextProperty.Underline;
import app.decant.sheet.CellStyle;
import app.decant.sheet.CellStyle.Across;
import app.decant.sheet.CellStyle.Down;
import app.decant.xml.XmlWriter;

/** Writes how cells and letters look (ISO/IEC 26300-1, 17.18 and 20). */
final class OdsLooks {
    private OdsLooks() { }

    /** The style of cells by a name; {@code format} is that of its numbers. */
    static void cell(XmlWriter xml, String name, CellStyle style, String format) {
        xml.open("style:style", "style:name", name, "style:family", "table-cell", "style:data-style-name", format);
        Borders borders = style.borders() == null ? Borders.OPEN : style.borders();
        xml.leaf("style:table-cell-properties", "fo:background-color", style.fill() == null ? null : "#" + style.fill().hex(), "fo:border-top",
                line(borders.top()),
                "fo:border-right", line(borders.right()), "fo:border-bottom", line(borders.bottom()), "fo:border-left", line(borders.left()), "fo:wrap-option",
                style.wraps() ? "wrap" : null, "style:shrink-to-fit", style.shrinks() ? "true" : null, "style:rotation-angle",
                style.turn() == 0 || style.turn() == CellStyle.STACKED ? null : String.valueOf((style.turn() + 360) % 360),
                "style:direction", style.turn() == CellStyle.STACKED ? "ttb" : null, "style:text-align-source",
                style.across() == Across.BY_KIND ? "value-type" : "fix", "style:vertical-align", style.down() == Down.TOP ? "top" : style.down() == Down.MIDDLE
                        ? "middle" : "bottom", "style:cell-protect", style.open() ? "none" : null);
        String align = switch (style.across()) {
            case LEFT, FILL -> "start";
            case CENTRE, CENTRE_ACROSS -> "center";
            case RIGHT -> "end";
            case JUSTIFY -> "justify";
            case BY_KIND -> null;
        };
        if (align != null || style.indent() > 0)
            xml.leaf("style:paragraph-properties", "fo:text-align", align, "fo:margin-left", style.indent() > 0 ? OdsWriter.points(style.indent() * 10)
                    : null);
        text(xml, style.font());
        xml.close();
    }

    /** How letters look. */
    static void text(XmlWriter xml, Look look) {
        Colour ink = look.get(TextProperty.COLOUR);
        Double size = look.get(TextProperty.SIZE);
        Underline under = look.get(TextProperty.UNDERLINE);
        Script script = look.get(TextProperty.SCRIPT);
        String family = look.get(TextProperty.FAMILY);
        xml.leaf("style:text-properties", "fo:color", ink == null || ink.isAutomatic() ? null : "#" + ink.hex(), "fo:font-family",
                family == null ? null : "'" + family.replace("'", "") + "'", "fo:font-size", size == null ? null : OdsWriter.points(size), "fo:font-weight",
                told(look, TextProperty.BOLD, "bold", "normal"), "fo:font-style", told(look, TextProperty.ITALIC, "italic", "normal"),
                "style:text-underline-style", under == null ? null : under == Underline.NONE ? "none" : "solid", "style:text-underline-type",
                under == Underline.DOUBLE ? "double" : null, "style:text-line-through-style", told(look, TextProperty.STRIKE, "solid", "none"),
                "style:text-position", script == Script.SUPER ? "super 58%" : script == Script.SUB ? "sub 58%" : null);
    }

    /** What is not said is as the cell says it, or nothing. */
    private static String told(Look look, Property<Boolean> property, String yes, String no) {
        Boolean value = look.get(property);
        return value == null ? null : value ? yes : no;
    }

    private static String line(Border border) {
        if (border == null || !border.isVisible()) return null;
        String kind = switch (border.line()) {
            case DOUBLE -> "double";
            case DOTTED -> "dotted";
            case DASHED -> "dashed";
            default -> "solid";
        };
        return OdsWriter.points(border.width()) + " " + kind + " #" + (border.colour().isAutomatic() ? "000000" : border.colour().hex());
    }
}
