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
import app.decant.document.TextProperty;
import app.decant.xml.XmlWriter;
import java.util.Map;
import java.util.Set;

/** Writes looks as run and paragraph properties, in the order the schema asks for. */
final class LookWriter {
    private LookWriter() { }

    /** Run properties under the given name; nothing where the look says nothing of text. */
    static void text(XmlWriter xml, String element, Look look) {
        boolean any = false;
        for (Property<?> property : look.properties()) any |= TEXT.contains(property);
        if (!any) return;
        xml.open(element);
        content(xml, look);
        xml.close();
    }

    /** What is said of a paragraph's mark, also whether it was put in or taken out (17.3.1.29). */
    static void mark(XmlWriter xml, Look look, DocxWriter writer) {
        xml.open("w:rPr");
        TrackedMarkup.leaves(xml, look.get(TextProperty.TRACKED), writer);
        content(xml, look);
        xml.close();
    }

    private static void content(XmlWriter xml, Look look) {
        if (look.says(TextProperty.STYLE)) xml.leaf("w:rStyle", "w:val", look.get(TextProperty.STYLE));
        String family = look.get(TextProperty.FAMILY);
        if (family != null || look.says(TextProperty.COMPLEX_FAMILY) || look.says(TextProperty.EAST_ASIAN_FAMILY)) {
            xml.leaf("w:rFonts", "w:ascii", family, "w:hAnsi", family, "w:eastAsia", look.get(TextProperty.EAST_ASIAN_FAMILY), "w:cs",
                    look.get(TextProperty.COMPLEX_FAMILY));
        }
        flag(xml, "w:b", look, TextProperty.BOLD);
        flag(xml, "w:i", look, TextProperty.ITALIC);
        flag(xml, "w:caps", look, TextProperty.CAPITALS);
        flag(xml, "w:smallCaps", look, TextProperty.SMALL_CAPITALS);
        flag(xml, "w:strike", look, TextProperty.STRIKE);
        flag(xml, "w:dstrike", look, TextProperty.DOUBLE_STRIKE);
        flag(xml, "w:vanish", look, TextProperty.HIDDEN);
        if (look.says(TextProperty.COLOUR)) xml.leaf("w:color", "w:val", colour(look.get(TextProperty.COLOUR)));
        if (look.says(TextProperty.LETTER_SPACING)) xml.leaf("w:spacing", "w:val", Units.toTwips(look.get(TextProperty.LETTER_SPACING)));
        if (look.says(TextProperty.WIDTH_SCALE)) xml.leaf("w:w", "w:val", Math.round(look.get(TextProperty.WIDTH_SCALE) * 100));
        if (look.says(TextProperty.KERNING_FROM)) xml.leaf("w:kern", "w:val", Units.toHalfPoints(look.get(TextProperty.KERNING_FROM)));
        if (look.says(TextProperty.RAISE)) xml.leaf("w:position", "w:val", Units.toHalfPoints(look.get(TextProperty.RAISE)));
        if (look.says(TextProperty.SIZE)) {
            xml.leaf("w:sz", "w:val", Units.toHalfPoints(look.get(TextProperty.SIZE)));
            xml.leaf("w:szCs", "w:val", Units.toHalfPoints(look.get(TextProperty.SIZE)));
        }
        String highlight = highlight(look.get(TextProperty.HIGHLIGHT));
        if (highlight != null) xml.leaf("w:highlight", "w:val", highlight);
        if (look.says(TextProperty.UNDERLINE)) xml.leaf("w:u", "w:val", underline(look.get(TextProperty.UNDERLINE)));
        if (look.says(TextProperty.HIGHLIGHT) && highlight == null)
            xml.leaf("w:shd", "w:val", "clear", "w:color", "auto", "w:fill", colour(look.get(TextProperty.HIGHLIGHT)));
        if (look.says(TextProperty.SCRIPT)) {
            Script script = look.get(TextProperty.SCRIPT);
            xml.leaf("w:vertAlign", "w:val", script == Script.SUPER ? "superscript" : script == Script.SUB ? "subscript" : "baseline");
        }
        flag(xml, "w:rtl", look, TextProperty.RIGHT_TO_LEFT);
        if (look.says(TextProperty.LANGUAGE)) xml.leaf("w:lang", "w:val", look.get(TextProperty.LANGUAGE));
    }

    private static final Set<Property<?>> TEXT = Set.of(TextProperty.STYLE, TextProperty.FAMILY, TextProperty.COMPLEX_FAMILY,
            TextProperty.EAST_ASIAN_FAMILY, TextProperty.BOLD,
            TextProperty.ITALIC, TextProperty.CAPITALS, TextProperty.SMALL_CAPITALS, TextProperty.STRIKE, TextProperty.DOUBLE_STRIKE, TextProperty.HIDDEN,
                    TextProperty.COLOUR,
            TextProperty.LETTER_SPACING, TextProperty.WIDTH_SCALE, TextProperty.KERNING_FROM, TextProperty.RAISE, TextProperty.SIZE, TextProperty.HIGHLIGHT,
                    TextProperty.UNDERLINE,
            TextProperty.SCRIPT, TextProperty.RIGHT_TO_LEFT, TextProperty.LANGUAGE);

    static void flag(XmlWriter xml, String name, Look look, Property<Boolean> property) {
        Boolean value = look.get(property);
        if (value != null) xml.leaf(name, "w:val", value ? null : "0");
    }

    static String colour(Colour colour) { return colour == null || colour.isAutomatic() ? "auto" : colour.hex(); }

    /** The name of a highlighter colour; "none" for the automatic one, null for any other. */
    private static String highlight(Colour colour) {
        if (colour == null) return null;
        if (colour.isAutomatic()) return "none";
        for (Map.Entry<String, Integer> entry : LookReader.HIGHLIGHTS.entrySet()) if (entry.getValue() == colour.rgb()) return entry.getKey();
        return null;
    }

    private static String underline(TextProperty.Underline underline) {
        return switch (underline) {
            case NONE -> "none";
            case SINGLE -> "single";
            case DOUBLE -> "double";
            case THICK -> "thick";
            case DOTTED -> "dotted";
            case DASHED -> "dash";
            case WAVE -> "wave";
            case WORDS -> "words";
        };
    }

    /** Paragraph properties; {@code mark} writes what is said of its mark, {@code section} a section's end into them. Nothing where there is nothing to say. */
    static void paragraph(XmlWriter xml, ListNumbers lists, String style, Look look, Runnable mark, Runnable section) {
        boolean any = style != null || section != null || mark != null;
        for (Property<?> property : look.properties()) any |= PARAGRAPH.contains(property);
        if (!any) return;
        xml.open("w:pPr");
        if (style != null) xml.leaf("w:pStyle", "w:val", style);
        flag(xml, "w:keepNext", look, ParagraphProperty.KEEP_WITH_NEXT);
        flag(xml, "w:keepLines", look, ParagraphProperty.KEEP_TOGETHER);
        flag(xml, "w:pageBreakBefore", look, ParagraphProperty.PAGE_BREAK_BEFORE);
        flag(xml, "w:widowControl", look, ParagraphProperty.WIDOW_CONTROL);
        ListReference list = look.get(ParagraphProperty.LIST);
        if (list != null) xml.open("w:numPr").leaf("w:ilvl", "w:val", list.level()).leaf("w:numId", "w:val", lists.of(list.list())).close();
        if (look.says(ParagraphProperty.BORDERS)) borders(xml, "w:pBdr", look.get(ParagraphProperty.BORDERS), true);
        if (look.says(ParagraphProperty.SHADING)) shading(xml, look.get(ParagraphProperty.SHADING));
        if (look.says(ParagraphProperty.TABS)) tabs(xml, look.get(ParagraphProperty.TABS));
        flag(xml, "w:bidi", look, ParagraphProperty.RIGHT_TO_LEFT);
        spacing(xml, look);
        indents(xml, look);
        flag(xml, "w:contextualSpacing", look, ParagraphProperty.CONTEXTUAL_SPACING);
        Alignment alignment = look.get(ParagraphProperty.ALIGNMENT);
        if (alignment != null) xml.leaf("w:jc", "w:val", alignment(alignment));
        Integer level = look.get(ParagraphProperty.OUTLINE_LEVEL);
        if (level != null) xml.leaf("w:outlineLvl", "w:val", level == 0 ? 9 : level - 1);
        if (mark != null) mark.run();
        if (section != null) section.run();
        xml.close();
    }

    private static final Set<Property<?>> PARAGRAPH = Set.of(ParagraphProperty.ALIGNMENT, ParagraphProperty.INDENT_START,
            ParagraphProperty.INDENT_END,
            ParagraphProperty.FIRST_LINE, ParagraphProperty.SPACE_BEFORE, ParagraphProperty.SPACE_AFTER, ParagraphProperty.LINE_SPACING,
                    ParagraphProperty.KEEP_WITH_NEXT,
            ParagraphProperty.KEEP_TOGETHER, ParagraphProperty.PAGE_BREAK_BEFORE, ParagraphProperty.WIDOW_CONTROL, ParagraphProperty.CONTEXTUAL_SPACING,
                    ParagraphProperty.TABS,
            ParagraphProperty.BORDERS, ParagraphProperty.SHADING, ParagraphProperty.OUTLINE_LEVEL, ParagraphProperty.LIST, ParagraphProperty.RIGHT_TO_LEFT);

    static String alignment(Alignment alignment) {
        return switch (alignment) {
            case START -> "left";
            case CENTRE -> "center";
            case END -> "right";
            case JUSTIFY -> "both";
        };
    }

    private static void spacing(XmlWriter xml, Look look) {
        LineSpacing line = look.get(ParagraphProperty.LINE_SPACING);
        if (line == null && !look.says(ParagraphProperty.SPACE_BEFORE) && !look.says(ParagraphProperty.SPACE_AFTER)) return;
        String rule = line == null ? null : switch (line.rule()) {
            case MULTIPLE -> "auto";
            case AT_LEAST -> "atLeast";
            case EXACTLY -> "exact";
        };
        Long value = line == null ? null : Math.round(line.value() * (line.rule() == LineSpacing.Rule.MULTIPLE ? 240 : 20));
        xml.leaf("w:spacing", "w:before", twips(look.get(ParagraphProperty.SPACE_BEFORE)), "w:after", twips(look.get(ParagraphProperty.SPACE_AFTER)),
                "w:line", value, "w:lineRule", rule);
    }

    private static Long twips(Double points) { return points == null ? null : Long.valueOf(Units.toTwips(points)); }

    private static void indents(XmlWriter xml, Look look) {
        Double first = look.get(ParagraphProperty.FIRST_LINE);
        Double start = look.get(ParagraphProperty.INDENT_START);
        Double end = look.get(ParagraphProperty.INDENT_END);
        if (first == null && start == null && end == null) return;
        xml.leaf("w:ind", "w:left", twips(start), "w:right", twips(end), "w:hanging", first != null && first < 0 ? Units.toTwips(-first) : null,
                "w:firstLine", first != null && first >= 0 ? Units.toTwips(first) : null);
    }

    private static void tabs(XmlWriter xml, TabStops tabs) {
        if (tabs.stops().isEmpty()) return;
        xml.open("w:tabs");
        for (TabStop stop : tabs.stops()) {
            String kind = switch (stop.kind()) {
                case START -> "left";
                case CENTRE -> "center";
                case END -> "right";
                case DECIMAL -> "decimal";
                case BAR -> "bar";
                case CLEAR -> "clear";
            };
            String leader = switch (stop.leader()) {
                case NONE -> null;
                case DOTS -> "dot";
                case HYPHENS -> "hyphen";
                case LINE -> "underscore";
                case MIDDLE_DOTS -> "middleDot";
            };
            xml.leaf("w:tab", "w:val", kind, "w:leader", leader, "w:pos", Units.toTwips(stop.position()));
        }
        xml.close();
    }

    static void shading(XmlWriter xml, Colour colour) { xml.leaf("w:shd", "w:val", "clear", "w:color", "auto", "w:fill", colour(colour)); }

    static void borders(XmlWriter xml, String element, Borders borders, boolean paragraph) {
        xml.open(element);
        border(xml, "w:top", borders.top());
        border(xml, "w:left", borders.left());
        border(xml, "w:bottom", borders.bottom());
        border(xml, "w:right", borders.right());
        border(xml, paragraph ? "w:between" : "w:insideH", borders.insideHorizontal());
        if (!paragraph) border(xml, "w:insideV", borders.insideVertical());
        xml.close();
    }

    static void border(XmlWriter xml, String name, Border border) {
        if (border == null) return;
        String value = switch (border.line()) {
            case NONE -> "nil";
            case SINGLE -> "single";
            case DOUBLE -> "double";
            case DOTTED -> "dotted";
            case DASHED -> "dashed";
            case THICK -> "thick";
        };
        if (border.line() == Border.Line.NONE) xml.leaf(name, "w:val", value);
        else xml.leaf(name, "w:val", value, "w:sz", Math.max(2, Math.round(border.width() * 8)), "w:space", Math.round(border.space()), "w:color",
                colour(border.colour()));
    }
}
