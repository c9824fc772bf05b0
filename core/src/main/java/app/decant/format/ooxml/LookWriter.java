package app.decant.format.ooxml;

import app.decant.document.AlignedTab;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Look;
import app.decant.document.Markup;
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
import java.util.Collections;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;

/** Writes looks as run and paragraph properties, in the order the schema asks for. */
final class LookWriter {
    private LookWriter() { }

    /** Run properties (17.3.2); their order is free. */
    static final KeptMarkup TEXT = new KeptMarkup(Markup.TEXT, List.of("w:rStyle", "w:rFonts", "w:b", "w:bCs", "w:i", "w:iCs", "w:caps", "w:smallCaps",
            "w:strike", "w:dstrike", "w:outline", "w:shadow", "w:emboss", "w:imprint", "w:noProof",
            "w:snapToGrid", "w:vanish", "w:webHidden", "w:color", "w:spacing", "w:w",
            "w:kern", "w:position", "w:sz", "w:szCs", "w:highlight", "w:u", "w:effect", "w:bdr", "w:shd", "w:fitText", "w:vertAlign", "w:rtl", "w:cs", "w:em",
            "w:lang", "w:eastAsianLayout", "w:specVanish", "w:oMath"),
            beside(), LookWriter::letters);

    private static Set<String> beside() {
        Set<String> beside = new HashSet<>(DrawingMarkup.NAMES);
        beside.addAll(DrawingGroup.NAMES);
        Collections.addAll(beside, "w:ins", "w:del", "w:moveFrom", "w:moveTo");
        return beside;
    }

    /** The order of what a paragraph says (17.3.1), between its style and what is said of its mark. */
    private static final List<String> PARAGRAPH = List.of("w:keepNext", "w:keepLines", "w:pageBreakBefore", "w:framePr", "w:widowControl", "w:numPr",
            "w:suppressLineNumbers", "w:pBdr", "w:shd", "w:tabs", "w:suppressAutoHyphens", "w:kinsoku", "w:wordWrap", "w:overflowPunct", "w:topLinePunct",
            "w:autoSpaceDE", "w:autoSpaceDN", "w:bidi", "w:adjustRightInd", "w:snapToGrid", "w:spacing", "w:ind", "w:contextualSpacing", "w:mirrorIndents",
            "w:suppressOverlap", "w:jc", "w:textDirection", "w:textAlignment", "w:textboxTightWrap", "w:outlineLvl", "w:divId", "w:cnfStyle");

    /** Run properties under the given name; nothing where the look says nothing of text. */
    static void text(XmlWriter xml, String element, Look look) { xml.some(element, () -> TEXT.write(xml, look)); }

    /** What is said of a paragraph's mark, also whether it was put in or taken out (17.3.1.29). */
    static void mark(XmlWriter xml, Look look, DocxWriter writer) {
        xml.open("w:rPr");
        TrackedMarkup.leaves(xml, look.get(TextProperty.TRACKED), writer);
        TEXT.write(xml, look);
        xml.close();
    }

    private static void letters(XmlWriter xml, String name, Look look) {
        switch (name) {
            case "w:rStyle" -> value(xml, name, look, TextProperty.STYLE, style -> style);
            case "w:rFonts" -> fonts(xml, look);
            case "w:b" -> flag(xml, name, look, TextProperty.BOLD);
            case "w:bCs" -> complex(xml, name, look, TextProperty.BOLD);
            case "w:i" -> flag(xml, name, look, TextProperty.ITALIC);
            case "w:iCs" -> complex(xml, name, look, TextProperty.ITALIC);
            case "w:caps" -> flag(xml, name, look, TextProperty.CAPITALS);
            case "w:smallCaps" -> flag(xml, name, look, TextProperty.SMALL_CAPITALS);
            case "w:strike" -> flag(xml, name, look, TextProperty.STRIKE);
            case "w:dstrike" -> flag(xml, name, look, TextProperty.DOUBLE_STRIKE);
            case "w:vanish" -> flag(xml, name, look, TextProperty.HIDDEN);
            case "w:color" -> value(xml, name, look, TextProperty.COLOUR, LookWriter::colour);
            case "w:spacing" -> value(xml, name, look, TextProperty.LETTER_SPACING, Units::toTwips);
            case "w:w" -> value(xml, name, look, TextProperty.WIDTH_SCALE, scale -> Math.round(scale * 100));
            case "w:kern" -> value(xml, name, look, TextProperty.KERNING_FROM, Units::toHalfPoints);
            case "w:position" -> value(xml, name, look, TextProperty.RAISE, Units::toHalfPoints);
            case "w:sz", "w:szCs" -> value(xml, name, look, TextProperty.SIZE, Units::toHalfPoints);
            case "w:highlight" -> value(xml, name, look, TextProperty.HIGHLIGHT, LookWriter::highlight);
            case "w:u" -> value(xml, name, look, TextProperty.UNDERLINE, LookWriter::underline);
            case "w:shd" -> {
                Colour highlight = look.get(TextProperty.HIGHLIGHT);
                if (highlight != null && highlight(highlight) == null) shading(xml, highlight);
            }
            case "w:vertAlign" -> value(xml, name, look, TextProperty.SCRIPT, script -> script == Script.SUPER ? "superscript"
                    : script == Script.SUB ? "subscript" : "baseline");
            case "w:rtl" -> flag(xml, name, look, TextProperty.RIGHT_TO_LEFT);
            case "w:lang" -> value(xml, name, look, TextProperty.LANGUAGE, language -> language);
            default -> { }
        }
    }

    /** One value, unless the look says nothing of it or there is no word for what it says. */
    private static <T> void value(XmlWriter xml, String name, Look look, Property<T> property, Function<T, Object> written) {
        Object value = look.says(property) ? written.apply(look.get(property)) : null;
        if (value != null) xml.leaf(name, "w:val", value);
    }

    /** Letters written from right to left are told apart (17.3.2.2). */
    private static void complex(XmlWriter xml, String name, Look look, Property<Boolean> property) {
        if (look.is(TextProperty.RIGHT_TO_LEFT)) flag(xml, name, look, property);
    }

    private static void fonts(XmlWriter xml, Look look) {
        String family = look.get(TextProperty.FAMILY);
        if (family != null || look.says(TextProperty.COMPLEX_FAMILY) || look.says(TextProperty.EAST_ASIAN_FAMILY)) {
            xml.leaf("w:rFonts", "w:ascii", family, "w:hAnsi", family, "w:eastAsia", look.get(TextProperty.EAST_ASIAN_FAMILY), "w:cs",
                    look.get(TextProperty.COMPLEX_FAMILY));
        }
    }

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
        xml.some("w:pPr", () -> {
            if (style != null) xml.leaf("w:pStyle", "w:val", style);
            paragraph(lists).write(xml, look);
            if (mark != null) mark.run();
            if (section != null) section.run();
        });
    }

    /** @param lists what the lists of the file are called, or null where none is written */
    static KeptMarkup paragraph(ListNumbers lists) {
        return new KeptMarkup(Markup.PARAGRAPH, PARAGRAPH, Set.of("w:pStyle", "w:numPr", "w:rPr", "w:sectPr"),
                (xml, name, look) -> paragraph(xml, name, look, lists));
    }

    private static void paragraph(XmlWriter xml, String name, Look look, ListNumbers lists) {
        switch (name) {
            case "w:keepNext" -> flag(xml, name, look, ParagraphProperty.KEEP_WITH_NEXT);
            case "w:keepLines" -> flag(xml, name, look, ParagraphProperty.KEEP_TOGETHER);
            case "w:pageBreakBefore" -> flag(xml, name, look, ParagraphProperty.PAGE_BREAK_BEFORE);
            case "w:widowControl" -> flag(xml, name, look, ParagraphProperty.WIDOW_CONTROL);
            case "w:suppressAutoHyphens" -> {
                if (look.says(ParagraphProperty.HYPHENATION)) xml.leaf(name, "w:val", look.is(ParagraphProperty.HYPHENATION) ? "0" : null);
            }
            case "w:numPr" -> {
                ListReference list = look.get(ParagraphProperty.LIST);
                if (list != null) xml.open(name).leaf("w:ilvl", "w:val", list.level()).leaf("w:numId", "w:val", lists.of(list.list())).close();
            }
            case "w:framePr" -> {
                if (look.get(ParagraphProperty.FRAME) != null) FrameMarkup.write(xml, look.get(ParagraphProperty.FRAME));
            }
            case "w:pBdr" -> {
                if (look.says(ParagraphProperty.BORDERS)) borders(xml, name, look.get(ParagraphProperty.BORDERS), true);
            }
            case "w:shd" -> {
                if (look.says(ParagraphProperty.SHADING)) shading(xml, look.get(ParagraphProperty.SHADING));
            }
            case "w:tabs" -> {
                if (look.says(ParagraphProperty.TABS)) tabs(xml, look.get(ParagraphProperty.TABS));
            }
            case "w:bidi" -> flag(xml, name, look, ParagraphProperty.RIGHT_TO_LEFT);
            case "w:spacing" -> spacing(xml, look);
            case "w:ind" -> indents(xml, look);
            case "w:contextualSpacing" -> flag(xml, name, look, ParagraphProperty.CONTEXTUAL_SPACING);
            case "w:jc" -> value(xml, name, look, ParagraphProperty.ALIGNMENT, LookWriter::alignment);
            case "w:outlineLvl" -> value(xml, name, look, ParagraphProperty.OUTLINE_LEVEL, level -> level == 0 ? 9 : level - 1);
            default -> { }
        }
    }

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
            xml.leaf("w:tab", "w:val", kind, "w:leader", leader(stop.leader()), "w:pos", Units.toTwips(stop.position()));
        }
        xml.close();
    }

    /** What fills the way of a tab; null for nothing. */
    private static String leader(TabStop.Leader leader) {
        return switch (leader) {
            case NONE -> null;
            case DOTS -> "dot";
            case HYPHENS -> "hyphen";
            case LINE -> "underscore";
            case MIDDLE_DOTS -> "middleDot";
        };
    }

    static void alignedTab(XmlWriter xml, AlignedTab tab) {
        String leader = leader(tab.leader());
        xml.leaf("w:ptab", "w:relativeTo", tab.indents() ? "indent" : "margin", "w:alignment", tab.kind() == TabStop.Kind.END ? "right"
                : tab.kind() == TabStop.Kind.CENTRE ? "center" : "left", "w:leader", leader == null ? "none" : leader);
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
