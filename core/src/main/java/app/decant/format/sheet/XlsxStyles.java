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
import app.decant.sheet.CellStyle.Across;
import app.decant.sheet.CellStyle.Down;
import app.decant.xml.XmlNode;
import app.decant.xml.XmlReader;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.poi.ss.usermodel.BuiltinFormats;

/** The looks of cells (ISO/IEC 29500-1, 18.8), with the colours of their theme (20.1.6.2). */
final class XlsxStyles {
    /** The order in which themes are asked by their number: light and dark change places (18.8.3). */
    private static final String[] THEME = {"a:lt1", "a:dk1", "a:lt2", "a:dk2", "a:accent1", "a:accent2", "a:accent3", "a:accent4", "a:accent5", "a:accent6",
        "a:hlink", "a:folHlink"};
    private static final int[] PLAIN_THEME = {0xFFFFFF, 0x000000, 0xE7E6E6, 0x44546A, 0x4472C4, 0xED7D31, 0xA5A5A5, 0xFFC000, 0x5B9BD5, 0x70AD47, 0x0563C1,
            0x954F72};
    /** Colours by number (18.8.27); the first eight come twice. */
    private static final int[] INDEXED = {0x000000, 0xFFFFFF, 0xFF0000, 0x00FF00, 0x0000FF, 0xFFFF00, 0xFF00FF, 0x00FFFF, 0x000000, 0xFFFFFF, 0xFF0000,
            0x00FF00,
        0x0000FF, 0xFFFF00, 0xFF00FF, 0x00FFFF, 0x800000, 0x008000, 0x000080, 0x808000, 0x800080, 0x008080, 0xC0C0C0, 0x808080, 0x9999FF, 0x993366, 0xFFFFCC,
        0xCCFFFF, 0x660066, 0xFF8080, 0x0066CC, 0xCCCCFF, 0x000080, 0xFF00FF, 0xFFFF00, 0x00FFFF, 0x800080, 0x800000, 0x008080, 0x0000FF, 0x00CCFF, 0xCCFFFF,
        0xCCFFCC, 0xFFFF99, 0x99CCFF, 0xFF99CC, 0xCC99FF, 0xFFCC99, 0x3366FF, 0x33CCCC, 0x99CC00, 0xFFCC00, 0xFF9900, 0xFF6600, 0x666699, 0x969696, 0x003366,
        0x339966, 0x003300, 0x333300, 0x993300, 0x993366, 0x333399, 0x333333};

    private final int[] theme = PLAIN_THEME.clone();
    private Look firstFont = Look.PLAIN;
    private final List<CellStyle> cells = new ArrayList<>();
    private final List<CellDress> dresses = new ArrayList<>();

    private XlsxStyles() { }

    static XlsxStyles of(byte[] styles, byte[] theme) {
        XlsxStyles made = new XlsxStyles();
        if (theme != null) made.theme(XmlReader.tree(theme, "theme.xml"));
        if (styles != null) made.read(XmlReader.tree(styles, "styles.xml"));
        if (made.cells.isEmpty()) made.cells.add(CellStyle.PLAIN);
        return made;
    }

    List<CellStyle> cells() { return cells; }

    /** What a rule puts over cells, by its number; nothing where there is none. */
    CellDress dress(int told) { return told >= 0 && told < dresses.size() ? dresses.get(told) : CellDress.NONE; }

    /** The font that widths of columns are told by. */
    Look firstFont() { return firstFont; }

    /** The index of a style, of the plain one where there is none of that number. */
    int index(int told) { return told >= 0 && told < cells.size() ? told : 0; }

    private void theme(XmlNode root) {
        XmlNode scheme = root.find("a:clrScheme");
        if (scheme == null) return;
        for (int i = 0; i < THEME.length; i++) {
            XmlNode one = scheme.child(THEME[i]);
            XmlNode rgb = one == null ? null : one.child("a:srgbClr");
            XmlNode system = one == null ? null : one.child("a:sysClr");
            String hex = rgb != null ? rgb.get("val") : system != null ? system.get("lastClr") : null;
            if (hex != null && hex.matches("[0-9A-Fa-f]{6}")) theme[i] = Integer.parseInt(hex, 16);
        }
    }

    private void read(XmlNode root) {
        Map<Integer, String> formats = new HashMap<>();
        for (XmlNode one : children(root, "x:numFmts", "x:numFmt")) formats.put(XlsxReader.whole(one.get("numFmtId"), -1),
                one.get("formatCode", CellStyle.GENERAL));
        List<Look> fonts = children(root, "x:fonts", "x:font").stream().map(this::font).toList();
        if (!fonts.isEmpty()) firstFont = fonts.get(0);
        List<Colour> fills = new ArrayList<>();
        for (XmlNode one : children(root, "x:fills", "x:fill")) fills.add(fill(one));
        List<Borders> borders = new ArrayList<>();
        for (XmlNode one : children(root, "x:borders", "x:border")) borders.add(borders(one));
        for (XmlNode one : children(root, "x:dxfs", "x:dxf")) dresses.add(dress(one));
        for (XmlNode one : children(root, "x:cellXfs", "x:xf")) {
            int number = XlsxReader.whole(one.get("numFmtId"), 0);
            String format = formats.containsKey(number) ? formats.get(number) : number < 0 ? null : BuiltinFormats.getBuiltinFormat(number);
            XmlNode stands = one.child("x:alignment");
            cells.add(new CellStyle(pick(fonts, one.get("fontId"), Look.PLAIN), format == null ? CellStyle.GENERAL : format, across(stands), down(stands),
                    stands != null && XlsxReader.isTrue(stands.get("wrapText")), stands != null && XlsxReader.isTrue(stands.get("shrinkToFit")),
                    stands == null ? 0 : Math.max(0, Math.min(250, XlsxReader.whole(stands.get("indent"), 0))),
                    stands == null ? 0 : turn(XlsxReader.whole(stands.get("textRotation"), 0)), pick(fills, one.get("fillId"), null),
                    pick(borders, one.get("borderId"), null), one.child("x:protection") != null
                            && !XlsxReader.isTrue(one.child("x:protection").get("locked", "1"))));
        }
    }

    private CellDress dress(XmlNode node) {
        XmlNode font = node.child("x:font");
        XmlNode fill = node.child("x:fill");
        XmlNode border = node.child("x:border");
        XmlNode format = node.child("x:numFmt");
        return new CellDress(font == null ? Look.PLAIN : font(font), fill == null ? null : ruled(fill), border == null ? null : borders(border),
                format == null ? null : format.get("formatCode"));
    }

    /** In what rules put over cells, the back of a pattern is its colour where no pattern is told (18.8.14, as files are written). */
    private Colour ruled(XmlNode node) {
        XmlNode pattern = node.child("x:patternFill");
        XmlNode back = pattern == null ? null : pattern.child("x:bgColor");
        boolean solid = pattern != null && (pattern.get("patternType") == null || pattern.get("patternType", "").equals("solid"));
        Colour colour = solid && back != null ? colour(back) : null;
        return colour != null ? colour : fill(node);
    }

    private static <T> T pick(List<T> all, String index, T otherwise) {
        int at = XlsxReader.whole(index, -1);
        return at >= 0 && at < all.size() ? all.get(at) : otherwise;
    }

    private static List<XmlNode> children(XmlNode root, String list, String each) {
        XmlNode found = root.child(list);
        return found == null ? List.of() : found.children(each);
    }

    /** Up to 90 against the clock, beyond that with it (18.8.1). */
    private static int turn(int told) { return told == 255 ? 255 : told > 90 && told <= 180 ? 90 - told : told; }

    private static Across across(XmlNode node) {
        return switch (node == null ? "" : node.get("horizontal", "")) {
            case "left" -> Across.LEFT;
            case "center" -> Across.CENTRE;
            case "right" -> Across.RIGHT;
            case "justify", "distributed" -> Across.JUSTIFY;
            case "fill" -> Across.FILL;
            case "centerContinuous" -> Across.CENTRE_ACROSS;
            default -> Across.BY_KIND;
        };
    }

    private static Down down(XmlNode node) {
        return switch (node == null ? "" : node.get("vertical", "")) {
            case "top" -> Down.TOP;
            case "center" -> Down.MIDDLE;
            case "justify", "distributed" -> Down.JUSTIFY;
            default -> Down.BOTTOM;
        };
    }

    Look font(XmlNode node) {
        Look look = Look.PLAIN;
        for (XmlNode one : node.children()) {
            String value = one.get("val");
            boolean on = value == null || XlsxReader.isTrue(value);
            switch (one.name()) {
                case "x:name", "x:rFont" -> { if (value != null && !value.isBlank()) look = look.with(TextProperty.FAMILY, value); }
                case "x:sz" -> look = look.with(TextProperty.SIZE, Math.max(1, Math.min(409, XlsxReader.number(value, 11))));
                case "x:b" -> look = look.with(TextProperty.BOLD, on ? true : null);
                case "x:i" -> look = look.with(TextProperty.ITALIC, on ? true : null);
                case "x:strike" -> look = look.with(TextProperty.STRIKE, on ? true : null);
                case "x:u" -> look = look.with(TextProperty.UNDERLINE, "none".equals(value) ? null : value != null && value.startsWith("double")
                        ? Underline.DOUBLE : Underline.SINGLE);
                case "x:vertAlign" -> look = look.with(TextProperty.SCRIPT, "superscript".equals(value) ? Script.SUPER : "subscript".equals(value)
                        ? Script.SUB : null);
                case "x:color" -> look = look.with(TextProperty.COLOUR, colour(one));
                default -> { }
            }
        }
        return look;
    }

    private Colour fill(XmlNode node) {
        XmlNode pattern = node.child("x:patternFill");
        if (pattern == null) {
            XmlNode gradient = node.find("x:color");
            return gradient == null ? null : colour(gradient);
        }
        String kind = pattern.get("patternType", "none");
        if (kind.equals("none")) return null;
        XmlNode front = pattern.child("x:fgColor");
        XmlNode back = pattern.child("x:bgColor");
        Colour one = front == null ? null : colour(front);
        if (kind.equals("solid")) return one;
        Colour other = back == null ? Colour.WHITE : colour(back);
        // Of a pattern, the colour it gives from afar.
        double share = kind.equals("gray125") ? 0.125 : kind.equals("gray0625") ? 0.0625 : kind.startsWith("light") ? 0.25 : kind.startsWith("dark") ? 0.75
                : 0.5;
        return (one == null ? Colour.BLACK : one).mixed(other == null ? Colour.WHITE : other, share);
    }

    private Borders borders(XmlNode node) {
        Border left = border(first(node, "x:left", "x:start"));
        Border right = border(first(node, "x:right", "x:end"));
        Border top = border(node.child("x:top"));
        Border bottom = border(node.child("x:bottom"));
        return left == null && right == null && top == null && bottom == null ? null : new Borders(top, right, bottom, left, null, null);
    }

    private static XmlNode first(XmlNode node, String one, String other) { return node.child(one) != null ? node.child(one) : node.child(other); }

    private Border border(XmlNode node) {
        String style = node == null ? "none" : node.get("style", "none");
        if (style.equals("none")) return null;
        XmlNode told = node.child("x:color");
        Colour colour = told == null ? null : colour(told);
        return LineStyles.border(style, colour == null ? Colour.BLACK : colour);
    }

    /** A colour as it is told: its own, one of the theme made lighter or darker, or by number; null for that of the system. */
    Colour colour(XmlNode node) {
        String rgb = node.get("rgb");
        int numbered = XlsxReader.whole(node.get("theme"), -1);
        int indexed = XlsxReader.whole(node.get("indexed"), -1);
        Integer base = rgb != null && rgb.matches("[0-9A-Fa-f]{6,8}") ? (Integer) Integer.parseInt(rgb.substring(rgb.length() - 6), 16)
                : numbered >= 0 && numbered < theme.length ? (Integer) theme[numbered] : indexed >= 0 && indexed < INDEXED.length ? (Integer) INDEXED[indexed]
                        : null;
        return base == null ? null : tinted(new Colour(base), XlsxReader.number(node.get("tint"), 0));
    }

    /** Lighter or darker by its luminance (18.8.19). */
    /** A colour of the theme: that of letters, or one of its six. */
    Colour accent(int number) { return new Colour(theme[number == 0 ? 1 : 3 + number]); }

    private static Colour tinted(Colour colour, double tint) {
        if (tint == 0) return colour;
        double t = Math.max(-1, Math.min(1, tint));
        double r = colour.red() / 255.0;
        double g = colour.green() / 255.0;
        double b = colour.blue() / 255.0;
        double most = Math.max(r, Math.max(g, b));
        double least = Math.min(r, Math.min(g, b));
        double light = (most + least) / 2;
        double wanted = t < 0 ? light * (1 + t) : light * (1 - t) + t;
        // Along the line to black or white, which keeps the hue.
        double share = light == 0 ? 0 : wanted / light;
        if (wanted <= light) return rgb(r * share, g * share, b * share);
        double up = light >= 1 ? 0 : (wanted - light) / (1 - light);
        return rgb(r + (1 - r) * up, g + (1 - g) * up, b + (1 - b) * up);
    }

    private static Colour rgb(double r, double g, double b) { return new Colour(part(r) << 16 | part(g) << 8 | part(b)); }

    private static int part(double share) { return (int) Math.round(Math.max(0, Math.min(1, share)) * 255); }
}
