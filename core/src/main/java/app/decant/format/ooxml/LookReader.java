package app.decant.format.ooxml;

import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Look;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty.LineSpacing;
import app.decant.document.ParagraphProperty.ListReference;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty.TabStops;
import app.decant.document.ParagraphProperty;
import app.decant.document.Property;
import app.decant.document.TextProperty.Script;
import app.decant.document.TextProperty.Underline;
import app.decant.document.TextProperty;
import app.decant.xml.XmlNode;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Reads run and paragraph properties (ISO/IEC 29500-1, 17.3.2 and 17.3.1) as looks. */
final class LookReader {
    static final Map<String, Integer> HIGHLIGHTS = Map.ofEntries(Map.entry("yellow", 0xFFFF00), Map.entry("green", 0x00FF00), Map.entry("cyan", 0x00FFFF),
            Map.entry("magenta", 0xFF00FF),
            Map.entry("blue", 0x0000FF), Map.entry("red", 0xFF0000), Map.entry("darkBlue", 0x000080), Map.entry("darkCyan", 0x008080),
                    Map.entry("darkGreen", 0x008000),
            Map.entry("darkMagenta", 0x800080), Map.entry("darkRed", 0x800000), Map.entry("darkYellow", 0x808000), Map.entry("darkGray", 0x808080),
                    Map.entry("lightGray", 0xC0C0C0),
            Map.entry("black", 0x000000), Map.entry("white", 0xFFFFFF));
    private final Map<String, String> themeFonts;
    private final boolean parts;
    private final Map<XmlNode, Look> texts = new HashMap<>();
    private final Map<XmlNode, Look> paragraphs = new HashMap<>();

    /**
     * @param themeFonts the families of the theme by their slots, such as {@code minorHAnsi}
     * @param parts      whether the file parts words at the ends of lines (17.15.1.10)
     */
    LookReader(Map<String, String> themeFonts, boolean parts) {
        this.themeFonts = themeFonts;
        this.parts = parts;
    }

    /** Run properties; null gives a plain look. */
    Look text(XmlNode properties) {
        return properties == null ? Look.PLAIN : texts.computeIfAbsent(properties, all -> {
            Look look = Look.PLAIN;
            for (XmlNode node : all.children()) look = text(look, node);
            return LookWriter.TEXT.rest(all, look, node -> text(Look.PLAIN, node));
        });
    }

    private Look text(Look look, XmlNode node) {
        return switch (node.name()) {
            case "w:rStyle" -> look.with(TextProperty.STYLE, node.get("w:val"));
            case "w:rFonts" -> fonts(look, node);
            case "w:sz" -> look.with(TextProperty.SIZE, Units.halfPoints(node, "w:val"));
            case "w:b" -> flag(look, node, TextProperty.BOLD);
            case "w:i" -> flag(look, node, TextProperty.ITALIC);
            case "w:strike" -> flag(look, node, TextProperty.STRIKE);
            case "w:dstrike" -> flag(look, node, TextProperty.DOUBLE_STRIKE);
            case "w:smallCaps" -> flag(look, node, TextProperty.SMALL_CAPITALS);
            case "w:caps" -> flag(look, node, TextProperty.CAPITALS);
            case "w:vanish" -> flag(look, node, TextProperty.HIDDEN);
            case "w:rtl" -> flag(look, node, TextProperty.RIGHT_TO_LEFT);
            case "w:u" -> look.with(TextProperty.UNDERLINE, underline(node.get("w:val", "single")));
            case "w:color" -> look.with(TextProperty.COLOUR, colour(node.get("w:val")));
            case "w:highlight" -> HIGHLIGHTS.containsKey(node.get("w:val")) ? look.with(TextProperty.HIGHLIGHT,
                        new Colour(HIGHLIGHTS.get(node.get("w:val")))) : look.with(TextProperty.HIGHLIGHT, Colour.AUTOMATIC);
            case "w:shd" -> look.says(TextProperty.HIGHLIGHT) ? look : look.with(TextProperty.HIGHLIGHT, fill(node));
            case "w:vertAlign" -> look.with(TextProperty.SCRIPT, switch (node.get("w:val", "")) {
                case "superscript" -> Script.SUPER;
                case "subscript" -> Script.SUB;
                default -> Script.BASELINE;
            });
            case "w:spacing" -> look.with(TextProperty.LETTER_SPACING, Units.twips(node, "w:val"));
            case "w:position" -> look.with(TextProperty.RAISE, Units.halfPoints(node, "w:val"));
            case "w:w" -> look.with(TextProperty.WIDTH_SCALE, scale(node.get("w:val")));
            case "w:kern" -> look.with(TextProperty.KERNING_FROM, Units.halfPoints(node, "w:val"));
            case "w:lang" -> look.with(TextProperty.LANGUAGE, node.get("w:val"));
            case "w14:ligatures" -> look.with(TextProperty.LIGATURES, !node.get("w14:val", "none").equals("none"));
            default -> look;
        };
    }

    private Look fonts(Look look, XmlNode node) {
        Look result = look;
        String family = family(node, "w:ascii", "w:asciiTheme");
        if (family == null) family = family(node, "w:hAnsi", "w:hAnsiTheme");
        result = result.with(TextProperty.FAMILY, family == null ? look.get(TextProperty.FAMILY) : family);
        String complex = family(node, "w:cs", "w:cstheme");
        if (complex != null) result = result.with(TextProperty.COMPLEX_FAMILY, complex);
        String eastAsian = family(node, "w:eastAsia", "w:eastAsiaTheme");
        return eastAsian != null ? result.with(TextProperty.EAST_ASIAN_FAMILY, eastAsian) : result;
    }

    private String family(XmlNode node, String plain, String theme) {
        String slot = node.get(theme);
        String family = slot == null ? null : themeFonts.get(slot);
        return family != null && !family.isBlank() ? family : node.get(plain);
    }

    /** Words that stay whole, or are parted again, in a file that parts words; in others nobody parts any (17.3.1.34). */
    private Look wholeWords(Look look, XmlNode node) {
        boolean whole = Units.isOn(node);
        return whole || parts ? look.with(ParagraphProperty.HYPHENATION, !whole) : look;
    }

    private static Look flag(Look look, XmlNode node, Property<Boolean> property) { return look.with(property, Units.isOn(node)); }

    private static Double scale(String value) {
        if (value == null) return null;
        Double percent = Units.measure(value.replace("%", ""), 100);
        return percent == null || percent <= 0.01 ? null : percent;
    }

    private static Underline underline(String value) {
        return switch (value) {
            case "none" -> Underline.NONE;
            case "words" -> Underline.WORDS;
            case "double", "wavyDouble" -> Underline.DOUBLE;
            case "thick", "wavyHeavy" -> Underline.THICK;
            case "dotted", "dottedHeavy" -> Underline.DOTTED;
            case "dash", "dashedHeavy", "dashLong", "dashLongHeavy", "dotDash", "dashDotHeavy", "dotDotDash", "dashDotDotHeavy" -> Underline.DASHED;
            case "wave" -> Underline.WAVE;
            default -> Underline.SINGLE;
        };
    }

    static Colour colour(String value) {
        if (value == null) return null;
        return value.matches("[0-9A-Fa-f]{6}") ? Colour.hex(value) : Colour.AUTOMATIC;
    }

    /** The fill of a shading element; patterns are mixed of their two colours in rough shares. */
    static Colour fill(XmlNode node) {
        Colour fill = colour(node.get("w:fill"));
        String pattern = node.get("w:val", "clear");
        Colour front = colour(node.get("w:color"));
        if (pattern.equals("solid")) return front == null || front.isAutomatic() ? Colour.BLACK : front;
        if (pattern.startsWith("pct")) {
            Double share = Units.measure(pattern.substring(3), 100);
            if (share != null) return (front == null ? Colour.BLACK : front).mixed(fill == null ? Colour.WHITE : fill, share);
        }
        return fill;
    }

    /** Paragraph properties; null gives a plain look. The style's id is not part of it. */
    Look paragraph(XmlNode properties) {
        return properties == null ? Look.PLAIN : paragraphs.computeIfAbsent(properties, all -> {
            Look look = Look.PLAIN;
            for (XmlNode node : all.children()) look = paragraph(look, node);
            return LookWriter.paragraph(null).rest(all, look, node -> paragraph(Look.PLAIN, node));
        });
    }

    private Look paragraph(Look look, XmlNode node) {
        return switch (node.name()) {
            case "w:jc" -> look.with(ParagraphProperty.ALIGNMENT, alignment(node.get("w:val", "start")));
            case "w:ind" -> indents(look, node);
            case "w:spacing" -> spacing(look, node);
            case "w:keepNext" -> flag(look, node, ParagraphProperty.KEEP_WITH_NEXT);
            case "w:keepLines" -> flag(look, node, ParagraphProperty.KEEP_TOGETHER);
            case "w:pageBreakBefore" -> flag(look, node, ParagraphProperty.PAGE_BREAK_BEFORE);
            case "w:suppressAutoHyphens" -> wholeWords(look, node);
            case "w:widowControl" -> flag(look, node, ParagraphProperty.WIDOW_CONTROL);
            case "w:contextualSpacing" -> flag(look, node, ParagraphProperty.CONTEXTUAL_SPACING);
            case "w:bidi" -> flag(look, node, ParagraphProperty.RIGHT_TO_LEFT);
            case "w:tabs" -> look.with(ParagraphProperty.TABS, tabs(node));
            case "w:pBdr" -> look.with(ParagraphProperty.BORDERS, borders(node));
            case "w:shd" -> look.with(ParagraphProperty.SHADING, fill(node));
            case "w:outlineLvl" -> look.with(ParagraphProperty.OUTLINE_LEVEL, outline(Units.whole(node, "w:val")));
            case "w:numPr" -> look.with(ParagraphProperty.LIST, list(node));
            case "w:framePr" -> look.with(ParagraphProperty.FRAME, FrameMarkup.frame(node));
            default -> look;
        };
    }

    private static Integer outline(Integer level) { return level == null ? null : level >= 0 && level < 9 ? level + 1 : 0; }

    private static ListReference list(XmlNode node) {
        XmlNode id = node.child("w:numId");
        Integer level = Units.whole(node.child("w:ilvl"), "w:val");
        String list = id == null ? null : id.get("w:val");
        return new ListReference("0".equals(list) ? null : list, level == null ? 0 : Math.max(0, Math.min(8, level)));
    }

    static Alignment alignment(String value) {
        return switch (value) {
            case "center" -> Alignment.CENTRE;
            case "right", "end" -> Alignment.END;
            case "both", "distribute", "lowKashida", "mediumKashida", "highKashida", "thaiDistribute" -> Alignment.JUSTIFY;
            default -> Alignment.START;
        };
    }

    private static Look indents(Look look, XmlNode node) {
        Double start = first(Units.twips(node, "w:start"), Units.twips(node, "w:left"));
        Double end = first(Units.twips(node, "w:end"), Units.twips(node, "w:right"));
        Double hanging = Units.twips(node, "w:hanging");
        Double firstLine = hanging != null ? Double.valueOf(-hanging) : Units.twips(node, "w:firstLine");
        Look result = look;
        if (start != null) result = result.with(ParagraphProperty.INDENT_START, start);
        if (end != null) result = result.with(ParagraphProperty.INDENT_END, end);
        return firstLine != null ? result.with(ParagraphProperty.FIRST_LINE, firstLine) : result;
    }

    private static Look spacing(Look look, XmlNode node) {
        Look result = look;
        Double before = "1".equals(node.get("w:beforeAutospacing")) ? Double.valueOf(ParagraphProperty.AUTOMATIC_SPACE) : Units.twips(node, "w:before");
        Double after = "1".equals(node.get("w:afterAutospacing")) ? Double.valueOf(ParagraphProperty.AUTOMATIC_SPACE) : Units.twips(node, "w:after");
        if (before != null) result = result.with(ParagraphProperty.SPACE_BEFORE, before);
        if (after != null) result = result.with(ParagraphProperty.SPACE_AFTER, after);
        String line = node.get("w:line");
        if (line == null) return result;
        String rule = node.get("w:lineRule", "auto");
        Double value = Units.measure(line, rule.equals("auto") ? 240 : 20);
        if (value == null || value <= 0) return result;
        return result.with(ParagraphProperty.LINE_SPACING, new LineSpacing(switch (rule) {
            case "exact" -> LineSpacing.Rule.EXACTLY;
            case "atLeast" -> LineSpacing.Rule.AT_LEAST;
            default -> LineSpacing.Rule.MULTIPLE;
        }, value));
    }

    private static TabStops tabs(XmlNode node) {
        List<TabStop> stops = new ArrayList<>();
        for (XmlNode tab : node.children("w:tab")) {
            Double position = Units.twips(tab, "w:pos");
            if (position == null) continue;
            TabStop.Kind kind = switch (tab.get("w:val", "left")) {
                case "center" -> TabStop.Kind.CENTRE;
                case "right", "end" -> TabStop.Kind.END;
                case "decimal" -> TabStop.Kind.DECIMAL;
                case "bar" -> TabStop.Kind.BAR;
                case "clear" -> TabStop.Kind.CLEAR;
                default -> TabStop.Kind.START;
            };
            stops.add(new TabStop(position, kind, leader(tab)));
        }
        return new TabStops(stops);
    }

    static TabStop.Leader leader(XmlNode tab) {
        return switch (tab.get("w:leader", "none")) {
            case "dot" -> TabStop.Leader.DOTS;
            case "hyphen" -> TabStop.Leader.HYPHENS;
            case "underscore", "heavy" -> TabStop.Leader.LINE;
            case "middleDot" -> TabStop.Leader.MIDDLE_DOTS;
            default -> TabStop.Leader.NONE;
        };
    }

    /** The sides of a border element of paragraphs, tables and cells. */
    static Borders borders(XmlNode node) {
        return new Borders(border(node.child("w:top")), border(firstNode(node, "w:right", "w:end")), border(node.child("w:bottom")),
                border(firstNode(node, "w:left", "w:start")),
                border(firstNode(node, "w:insideH", "w:between")), border(node.child("w:insideV")));
    }

    private static XmlNode firstNode(XmlNode node, String one, String other) { return node.child(one) != null ? node.child(one) : node.child(other); }

    static Border border(XmlNode node) {
        if (node == null) return null;
        String value = node.get("w:val", "single");
        Double width = Units.eighths(node, "w:sz");
        Double space = Units.measure(node.get("w:space"), 1);
        Colour colour = colour(node.get("w:color"));
        Border.Line line = switch (value) {
            case "nil", "none" -> Border.Line.NONE;
            case "double", "triple", "thinThickSmallGap", "thickThinSmallGap" -> Border.Line.DOUBLE;
            case "dotted" -> Border.Line.DOTTED;
            case "dashed", "dotDash", "dotDotDash", "dashSmallGap" -> Border.Line.DASHED;
            case "thick" -> Border.Line.THICK;
            default -> Border.Line.SINGLE;
        };
        if (line == Border.Line.NONE) return Border.NONE;
        return new Border(line, width == null ? 0.5 : Math.max(0.25, width), colour == null ? Colour.AUTOMATIC : colour, space == null ? 0 : space);
    }

    static <T> T first(T one, T other) { return one != null ? one : other; }
}
