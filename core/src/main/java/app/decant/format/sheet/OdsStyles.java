package app.decant.format.sheet;

import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Look;
import app.decant.document.TextProperty;
import app.decant.document.TextProperty.Script;
import app.decant.document.TextProperty.Underline;
import app.decant.sheet.CellStyle;
import app.decant.sheet.CellStyle.Across;
import app.decant.sheet.CellStyle.Down;
import app.decant.sheet.PageSetup;
import app.decant.sheet.Range;
import app.decant.format.OpenDocumentLength;
import app.decant.xml.XmlNode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** The styles of a workbook of OpenDocument: of cells, columns, rows, tables and pages (ISO/IEC 26300-1, 16), and of numbers (16.29). */
final class OdsStyles {
    private final Map<String, XmlNode> named = new HashMap<>();
    private final Map<String, XmlNode> numbers = new HashMap<>();
    private final Map<String, XmlNode> layouts = new HashMap<>();
    private final Map<String, XmlNode> masters = new HashMap<>();
    private final Map<String, XmlNode> fonts = new HashMap<>();
    private final Map<String, Integer> indices = new HashMap<>();
    private final List<CellStyle> cells = new ArrayList<>();

    OdsStyles(XmlNode content, XmlNode common) {
        if (common != null) {
            gather(common.child("office:font-face-decls"));
            gather(common.child("office:styles"));
            gather(common.child("office:automatic-styles"));
            gather(common.child("office:master-styles"));
        }
        gather(content.child("office:font-face-decls"));
        gather(content.child("office:automatic-styles"));
        cells.add(made("Default"));
        indices.put("Default", 0);
    }

    private void gather(XmlNode list) {
        if (list == null) return;
        for (XmlNode one : list.children()) {
            String name = one.get("style:name", "");
            switch (one.name()) {
                case "style:style" -> named.put(one.get("style:family", "") + " " + name, one);
                case "style:default-style" -> named.put(one.get("style:family", "") + " ", one);
                case "style:page-layout" -> layouts.put(name, one);
                case "style:master-page" -> masters.put(name, one);
                case "style:font-face" -> fonts.put(name, one);
                default -> { if (one.name().startsWith("number:")) numbers.put(name, one); }
            }
        }
    }

    List<CellStyle> cells() { return cells; }

    /** The index of a cell style, of the plain one where there is none of the name. */
    int cell(String name) {
        if (name == null || !named.containsKey("table-cell " + name)) return 0;
        return indices.computeIfAbsent(name, key -> {
            cells.add(made(key));
            return cells.size() - 1;
        });
    }

    /** The value of a style's properties, asked of its parents where it says none. */
    private String told(String family, String style, String properties, String attribute) {
        Set<String> seen = new HashSet<>();
        for (String at = style; at != null && seen.add(at); ) {
            XmlNode node = named.get(family + " " + at);
            if (node == null) break;
            XmlNode some = node.child(properties);
            if (some != null && some.get(attribute) != null) return some.get(attribute);
            at = node.get("style:parent-style-name");
        }
        XmlNode plain = named.get(family + " ");
        XmlNode some = plain == null ? null : plain.child(properties);
        return some == null ? null : some.get(attribute);
    }

    /** How letters look that stand in a cell's text in a style of their own; what that does not say is as the cell says. */
    Look letters(String name) {
        Look look = Look.PLAIN;
        if (name == null || !named.containsKey("text " + name)) return look;
        String family = own(name, "style:font-name");
        XmlNode face = family == null ? null : fonts.get(family);
        String plain = face != null ? face.get("svg:font-family") : own(name, "fo:font-family");
        if (plain != null) look = look.with(TextProperty.FAMILY, plain.replaceAll("^['\"]|['\"]$", ""));
        double size = points(own(name, "fo:font-size"), 0);
        if (size > 0 && !own(name, "fo:font-size").endsWith("%")) look = look.with(TextProperty.SIZE, Math.max(1, Math.min(400, size)));
        String weight = own(name, "fo:font-weight");
        if (weight != null) look = look.with(TextProperty.BOLD, weight.equals("bold") || weight.equals("700"));
        String slant = own(name, "fo:font-style");
        if (slant != null) look = look.with(TextProperty.ITALIC, slant.equals("italic"));
        String under = own(name, "style:text-underline-style");
        if (under != null) look = look.with(TextProperty.UNDERLINE, under.equals("none") ? Underline.NONE : Underline.SINGLE);
        String struck = own(name, "style:text-line-through-style");
        if (struck != null) look = look.with(TextProperty.STRIKE, !struck.equals("none"));
        String raised = own(name, "style:text-position");
        if (raised != null && raised.matches("super.*|\\d.*")) look = look.with(TextProperty.SCRIPT, Script.SUPER);
        if (raised != null && raised.matches("sub.*|-.*")) look = look.with(TextProperty.SCRIPT, Script.SUB);
        Colour ink = colour(own(name, "fo:color"));
        return ink == null ? look : look.with(TextProperty.COLOUR, ink);
    }

    /** What a style of drawings says, or null. */
    String graphic(String style, String attribute) { return told("graphic", style, "style:graphic-properties", attribute); }

    /** Where the lines of a paragraph in a drawing stand, as its own style says, else that of the drawing. */
    String aligned(String paragraph, String drawing) {
        String own = told("paragraph", paragraph, "style:paragraph-properties", "fo:text-align");
        return own != null ? own : told("graphic", drawing, "style:paragraph-properties", "fo:text-align");
    }

    /** How the letters of a paragraph in a drawing look. */
    Look lettersOf(String drawing, String paragraph, double size) {
        Look look = Look.of(TextProperty.SIZE, size);
        for (String[] style : new String[][] {{"graphic", drawing}, {"paragraph", paragraph}}) {
            String text = "style:text-properties";
            String face = told(style[0], style[1], text, "style:font-name");
            XmlNode font = face == null ? null : fonts.get(face);
            String family = font != null ? font.get("svg:font-family") : told(style[0], style[1], text, "fo:font-family");
            if (family != null) look = look.with(TextProperty.FAMILY, family.replaceAll("^['\"]|['\"]$", ""));
            double own = points(told(style[0], style[1], text, "fo:font-size"), 0);
            if (own > 0) look = look.with(TextProperty.SIZE, Math.max(1, Math.min(400, own)));
            String weight = told(style[0], style[1], text, "fo:font-weight");
            if (weight != null) look = look.with(TextProperty.BOLD, weight.equals("bold") || weight.equals("700"));
            String slant = told(style[0], style[1], text, "fo:font-style");
            if (slant != null) look = look.with(TextProperty.ITALIC, slant.equals("italic"));
            Colour ink = colour(told(style[0], style[1], text, "fo:color"));
            if (ink != null) look = look.with(TextProperty.COLOUR, ink);
        }
        return look;
    }

    private String own(String style, String attribute) {
        Set<String> seen = new HashSet<>();
        for (String at = style; at != null && seen.add(at); ) {
            XmlNode node = named.get("text " + at);
            XmlNode some = node == null ? null : node.child("style:text-properties");
            if (some != null && some.get(attribute) != null) return some.get(attribute);
            at = node == null ? null : node.get("style:parent-style-name");
        }
        return null;
    }

    private CellStyle made(String name) {
        String text = "style:text-properties";
        String box = "style:table-cell-properties";
        String stands = "style:paragraph-properties";
        Look look = Look.PLAIN;
        String family = told("table-cell", name, text, "style:font-name");
        XmlNode face = family == null ? null : fonts.get(family);
        String plain = face != null ? face.get("svg:font-family") : told("table-cell", name, text, "fo:font-family");
        if (plain != null) look = look.with(TextProperty.FAMILY, plain.replaceAll("^['\"]|['\"]$", ""));
        double size = points(told("table-cell", name, text, "fo:font-size"), 10);
        look = look.with(TextProperty.SIZE, Math.max(1, Math.min(400, size)));
        String weight = told("table-cell", name, text, "fo:font-weight");
        if ("bold".equals(weight) || "700".equals(weight)) look = look.with(TextProperty.BOLD, true);
        if ("italic".equals(told("table-cell", name, text, "fo:font-style"))) look = look.with(TextProperty.ITALIC, true);
        String under = told("table-cell", name, text, "style:text-underline-style");
        if (under != null && !under.equals("none")) look = look.with(TextProperty.UNDERLINE, Underline.SINGLE);
        String struck = told("table-cell", name, text, "style:text-line-through-style");
        if (struck != null && !struck.equals("none")) look = look.with(TextProperty.STRIKE, true);
        Colour ink = colour(told("table-cell", name, text, "fo:color"));
        if (ink != null) look = look.with(TextProperty.COLOUR, ink);
        Colour fill = colour(told("table-cell", name, box, "fo:background-color"));
        boolean fixed = !"value-type".equals(told("table-cell", name, box, "style:text-align-source"));
        String align = told("table-cell", name, stands, "fo:text-align");
        Across across = !fixed || align == null ? Across.BY_KIND : switch (align) {
            case "start", "left" -> Across.LEFT;
            case "center" -> Across.CENTRE;
            case "end", "right" -> Across.RIGHT;
            case "justify" -> Across.JUSTIFY;
            default -> Across.BY_KIND;
        };
        String vertical = told("table-cell", name, box, "style:vertical-align");
        Down down = vertical == null ? Down.BOTTOM : switch (vertical) {
            case "top" -> Down.TOP;
            case "middle" -> Down.MIDDLE;
            default -> Down.BOTTOM;
        };
        boolean wraps = "wrap".equals(told("table-cell", name, box, "fo:wrap-option"));
        boolean shrinks = "true".equals(told("table-cell", name, box, "style:shrink-to-fit"));
        int angle = (int) XlsxReader.number(told("table-cell", name, box, "style:rotation-angle"), 0);
        int turn = "ttb".equals(told("table-cell", name, box, "style:direction")) ? CellStyle.STACKED : angle > 180 ? angle - 360 : angle;
        return new CellStyle(look, format(name), across, down, wraps, shrinks, (int) (points(told("table-cell", name, stands, "fo:margin-left"), 0) / 10),
                turn, fill, borders(name, box),
                "none".equals(told("table-cell", name, box, "style:cell-protect")));
    }

    private Borders borders(String name, String box) {
        String all = told("table-cell", name, box, "fo:border");
        Border top = border(side(name, box, "top", all));
        Border right = border(side(name, box, "right", all));
        Border bottom = border(side(name, box, "bottom", all));
        Border left = border(side(name, box, "left", all));
        return top == null && right == null && bottom == null && left == null ? null : new Borders(top, right, bottom, left, null, null);
    }

    private String side(String name, String box, String side, String all) {
        String own = told("table-cell", name, box, "fo:border-" + side);
        return own != null ? own : all;
    }

    /** {@code 0.06pt solid #000000} */
    private static Border border(String told) {
        if (told == null || told.equals("none")) return null;
        Border.Line line = Border.Line.SINGLE;
        double width = 0.5;
        Colour colour = Colour.BLACK;
        for (String part : told.trim().split("\\s+")) {
            if (part.startsWith("#")) colour = colour(part);
            else if (Character.isDigit(part.charAt(0))) width = Math.max(0.25, points(part, 0.5));
            else line = part.startsWith("double") ? Border.Line.DOUBLE : part.startsWith("dash") ? Border.Line.DASHED : part.startsWith("dot")
                    ? Border.Line.DOTTED
                    : part.equals("none") || part.equals("hidden") ? Border.Line.NONE : line;
        }
        return line == Border.Line.NONE ? null : new Border(line, width, colour == null ? Colour.BLACK : colour, 0);
    }

    static Colour colour(String told) { return told != null && told.matches("#[0-9A-Fa-f]{6}") ? Colour.hex(told.substring(1)) : null; }

    /** A length in points (ISO/IEC 26300-1, 18.3.18). */
    static double points(String told, double otherwise) { return OpenDocumentLength.points(told, otherwise); }

    double length(String style, String attribute, double otherwise) {
        String family = attribute.contains("column") ? "table-column" : "table-row";
        return Math.max(0, Math.min(2000, points(told(family, style, "style:" + family + "-properties", attribute), otherwise)));
    }

    boolean isOptimal(String row) { return "true".equals(told("table-row", row, "style:table-row-properties", "style:use-optimal-row-height")); }

    boolean breaksBefore(String style) {
        return "page".equals(told("table-row", style, "style:table-row-properties", "fo:break-before"))
                || "page".equals(told("table-column", style, "style:table-column-properties", "fo:break-before"));
    }

    boolean isHidden(String table) { return "false".equals(told("table", table, "style:table-properties", "table:display")); }

    private String format(String name) {
        Set<String> seen = new HashSet<>();
        for (String at = name; at != null && seen.add(at); ) {
            XmlNode node = named.get("table-cell " + at);
            if (node == null) break;
            XmlNode number = numbers.get(node.get("style:data-style-name", ""));
            if (number != null) return OdsNumbers.code(number, numbers);
            at = node.get("style:parent-style-name");
        }
        return CellStyle.GENERAL;
    }

    /** The pages of a table: those of its master page. */
    PageSetup setup(String table, List<Range> areas, Range titleRows, Range titleColumns, List<Integer> rowBreaks, List<Integer> columnBreaks) {
        XmlNode style = named.get("table " + table);
        XmlNode master = masters.get(style == null ? "Default" : style.get("style:master-page-name", "Default"));
        XmlNode layout = master == null ? null : layouts.get(master.get("style:page-layout-name", ""));
        XmlNode told = layout == null ? null : layout.child("style:page-layout-properties");
        PageSetup plain = PageSetup.PLAIN;
        if (told == null)
            return new PageSetup(plain.page(), 1, 1, 1, false, false, false, false, false, false, areas, titleRows, titleColumns, rowBreaks, columnBreaks,
                    null, null);
        double all = points(told.get("fo:margin"), 56.7);
        double[] inches = {points(told.get("fo:margin-left"), all) / 72, points(told.get("fo:margin-right"), all) / 72, points(told.get("fo:margin-top"),
                all) / 72,
            points(told.get("fo:margin-bottom"), all) / 72, 0.3, 0.3};
        double width = Math.max(72, Math.min(14400, points(told.get("fo:page-width"), 595.3)));
        double height = Math.max(72, Math.min(14400, points(told.get("fo:page-height"), 841.9)));
        String print = told.get("style:print", "");
        String centring = told.get("style:table-centering", "none");
        int pages = XlsxReader.whole(told.get("style:scale-to-pages"), 0);
        int wide = XlsxReader.whole(told.get("style:scale-to-X"), 0);
        int tall = XlsxReader.whole(told.get("style:scale-to-Y"), 0);
        boolean fitted = pages > 0 || wide > 0 || tall > 0;
        double scale = XlsxReader.number(told.get("style:scale-to", "100%").replace("%", ""), 100) / 100;
        return new PageSetup(XlsxPages.geometry(width, height, inches), scale, pages > 0 && wide == 0 ? 1 : wide, pages > 0 && tall == 0 ? pages : tall,
                fitted,
                "ltr".equals(told.get("style:print-page-order")), centring.equals("both") || centring.equals("horizontal"),
                centring.equals("both") || centring.equals("vertical"), print.contains("grid"), print.contains("headers"), areas, titleRows, titleColumns,
                        rowBreaks,
                columnBreaks, OdsHeader.codes(master.child("style:header")), OdsHeader.codes(master.child("style:footer")));
    }
}
