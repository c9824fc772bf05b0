package app.decant.format.rtf;

import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Look;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty.LineSpacing;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty;
import app.decant.document.Property;
import app.decant.document.TextProperty.Script;
import app.decant.document.TextProperty;
import app.decant.format.Languages;
import java.util.LinkedHashMap;
import java.util.Locale;
import java.util.Map;
import java.util.function.ToIntFunction;

/** Looks as control words, and the tables of fonts and colours that they refer to. Lengths are in twentieths of a point. */
final class RtfLooks {
    private final Map<String, Integer> fonts = new LinkedHashMap<>();
    private final Map<Integer, Integer> colours = new LinkedHashMap<>();
    private final ToIntFunction<String> styles;
    private final ToIntFunction<String> lists;

    /**
     * @param styles the number of a style, or -1
     * @param lists  the number of a list from 1, or 0
     */
    RtfLooks(ToIntFunction<String> styles, ToIntFunction<String> lists) {
        this.styles = styles;
        this.lists = lists;
        font("Liberation Serif");
    }

    static int twips(double points) { return (int) Math.round(points * 20); }

    private int font(String family) {
        Integer known = fonts.get(family);
        if (known == null) fonts.put(family, known = fonts.size());
        return known;
    }

    /** The number of a colour; 0 is that of the reader's own choice. */
    int colour(Colour colour) {
        if (colour == null || colour.isAutomatic()) return 0;
        return colours.computeIfAbsent(colour.rgb(), key -> colours.size() + 1);
    }

    String fontTable() {
        StringBuilder table = new StringBuilder("{\\fonttbl");
        fonts.forEach((family, number) -> {
            String lower = family.toLowerCase(Locale.ROOT);
            String kind = lower.contains("mono") || lower.contains("courier") ? "fmodern" : lower.contains("sans") || lower.contains("arial")
                    || lower.contains("calibri") || lower.contains("carlito") ? "fswiss" : lower.equals("symbol") ? "ftech" : "froman";
            table.append("{\\f").append(number).append('\\').append(kind).append("\\fcharset0 ")
                    .append(RtfText.escaped(family)).append(";}");
        });
        return table.append("}\n").toString();
    }

    String colourTable() {
        StringBuilder table = new StringBuilder("{\\colortbl;");
        for (int rgb : colours.keySet())
            table.append("\\red").append(rgb >> 16 & 255).append("\\green").append(rgb >> 8 & 255).append("\\blue").append(rgb & 255).append(';');
        return table.append("}\n").toString();
    }

    String text(Look look) {
        StringBuilder words = new StringBuilder();
        String style = look.get(TextProperty.STYLE);
        if (style != null && styles.applyAsInt(style) >= 0) words.append("\\cs").append(styles.applyAsInt(style));
        String family = look.get(TextProperty.FAMILY);
        if (family != null) words.append("\\f").append(font(family));
        Double size = look.get(TextProperty.SIZE);
        if (size != null) words.append("\\fs").append(Math.round(size * 2));
        flag(words, "\\b", look, TextProperty.BOLD);
        flag(words, "\\i", look, TextProperty.ITALIC);
        flag(words, "\\strike", look, TextProperty.STRIKE);
        if (look.says(TextProperty.DOUBLE_STRIKE)) words.append(look.is(TextProperty.DOUBLE_STRIKE) ? "\\striked1" : "\\striked0");
        flag(words, "\\scaps", look, TextProperty.SMALL_CAPITALS);
        flag(words, "\\caps", look, TextProperty.CAPITALS);
        flag(words, "\\v", look, TextProperty.HIDDEN);
        TextProperty.Underline underline = look.get(TextProperty.UNDERLINE);
        if (underline != null) {
            words.append(switch (underline) {
                case NONE -> "\\ulnone";
                case SINGLE -> "\\ul";
                case DOUBLE -> "\\uldb";
                case THICK -> "\\ulth";
                case DOTTED -> "\\uld";
                case DASHED -> "\\uldash";
                case WAVE -> "\\ulwave";
                case WORDS -> "\\ulw";
            });
        }
        Script script = look.get(TextProperty.SCRIPT);
        if (script != null) words.append(script == Script.SUPER ? "\\super" : script == Script.SUB ? "\\sub" : "\\nosupersub");
        Colour colour = look.get(TextProperty.COLOUR);
        if (colour != null) words.append("\\cf").append(colour(colour));
        Colour highlight = look.get(TextProperty.HIGHLIGHT);
        if (highlight != null) words.append("\\chshdng0\\chcbpat").append(colour(highlight)).append("\\cb").append(colour(highlight));
        Double spacing = look.get(TextProperty.LETTER_SPACING);
        if (spacing != null) words.append("\\expnd").append(Math.round(spacing * 4)).append("\\expndtw").append(twips(spacing));
        Double raise = look.get(TextProperty.RAISE);
        if (raise != null) words.append(raise < 0 ? "\\dn" : "\\up").append(Math.round(Math.abs(raise) * 2));
        Double scale = look.get(TextProperty.WIDTH_SCALE);
        if (scale != null) words.append("\\charscalex").append(Math.round(scale * 100));
        String language = look.get(TextProperty.LANGUAGE);
        if (language != null && Languages.number(language) > 0) words.append("\\lang").append(Languages.number(language));
        Double kerning = look.get(TextProperty.KERNING_FROM);
        if (kerning != null) words.append("\\kerning").append(Math.round(kerning * 2));
        if (look.is(TextProperty.RIGHT_TO_LEFT)) words.append("\\rtlch");
        return words.toString();
    }

    private static void flag(StringBuilder words, String word, Look look, Property<Boolean> property) {
        if (look.says(property)) words.append(word).append(look.is(property) ? "" : "0");
    }

    String paragraph(Look look) {
        StringBuilder words = new StringBuilder();
        if (look.says(ParagraphProperty.RIGHT_TO_LEFT)) words.append(look.is(ParagraphProperty.RIGHT_TO_LEFT) ? "\\rtlpar" : "\\ltrpar");
        Alignment alignment = look.get(ParagraphProperty.ALIGNMENT);
        boolean turned = look.is(ParagraphProperty.RIGHT_TO_LEFT);
        if (alignment != null) {
            words.append(switch (alignment) {
                case START -> turned ? "\\qr" : "\\ql";
                case CENTRE -> "\\qc";
                case END -> turned ? "\\ql" : "\\qr";
                case JUSTIFY -> "\\qj";
            });
        }
        length(words, "\\li", look, ParagraphProperty.INDENT_START);
        length(words, "\\ri", look, ParagraphProperty.INDENT_END);
        length(words, "\\fi", look, ParagraphProperty.FIRST_LINE);
        length(words, "\\sb", look, ParagraphProperty.SPACE_BEFORE);
        length(words, "\\sa", look, ParagraphProperty.SPACE_AFTER);
        LineSpacing spacing = look.get(ParagraphProperty.LINE_SPACING);
        if (spacing != null) {
            boolean multiple = spacing.rule() == LineSpacing.Rule.MULTIPLE;
            words.append("\\sl").append(multiple ? Math.round(spacing.value() * 240) : twips(spacing.value()) * (spacing.rule() == LineSpacing.Rule.EXACTLY
                    ? -1 : 1)).append("\\slmult").append(multiple ? 1 : 0);
        }
        flag(words, "\\keep", look, ParagraphProperty.KEEP_TOGETHER);
        flag(words, "\\keepn", look, ParagraphProperty.KEEP_WITH_NEXT);
        flag(words, "\\pagebb", look, ParagraphProperty.PAGE_BREAK_BEFORE);
        if (look.says(ParagraphProperty.WIDOW_CONTROL)) words.append(look.is(ParagraphProperty.WIDOW_CONTROL) ? "\\widctlpar" : "\\nowidctlpar");
        flag(words, "\\hyphpar", look, ParagraphProperty.HYPHENATION);
        flag(words, "\\contextualspace", look, ParagraphProperty.CONTEXTUAL_SPACING);
        ParagraphProperty.ListReference list = look.get(ParagraphProperty.LIST);
        if (list != null) words.append("\\ls").append(list.list() == null ? 0 : lists.applyAsInt(list.list())).append("\\ilvl").append(list.level());
        if (look.get(ParagraphProperty.TABS) != null) for (TabStop stop : look.get(ParagraphProperty.TABS).stops()) tab(words, stop);
        Borders borders = look.get(ParagraphProperty.BORDERS);
        if (borders != null) {
            border(words, "\\brdrt", borders.top());
            border(words, "\\brdrl", borders.left());
            border(words, "\\brdrb", borders.bottom());
            border(words, "\\brdrr", borders.right());
            border(words, "\\brdrbtw", borders.insideHorizontal());
        }
        Colour shading = look.get(ParagraphProperty.SHADING);
        if (shading != null) words.append("\\cbpat").append(colour(shading));
        Integer level = look.get(ParagraphProperty.OUTLINE_LEVEL);
        if (level != null && level >= 1 && level <= 9) words.append("\\outlinelevel").append(level - 1);
        return words.toString();
    }

    private static void length(StringBuilder words, String word, Look look, Property<Double> property) {
        Double value = look.get(property);
        if (value != null) words.append(word).append(twips(value));
    }

    private static void tab(StringBuilder words, TabStop stop) {
        if (stop.kind() == TabStop.Kind.CLEAR) return;
        words.append(switch (stop.leader()) {
            case NONE -> "";
            case DOTS -> "\\tldot";
            case HYPHENS -> "\\tlhyph";
            case LINE -> "\\tlul";
            case MIDDLE_DOTS -> "\\tlmdot";
        });
        words.append(switch (stop.kind()) {
            case CENTRE -> "\\tqc\\tx";
            case END -> "\\tqr\\tx";
            case DECIMAL -> "\\tqdec\\tx";
            case BAR -> "\\tb";
            default -> "\\tx";
        }).append(twips(stop.position()));
    }

    /** A line under a side's control word; nothing where nothing is said of it. */
    void border(StringBuilder words, String side, Border border) {
        if (border == null) return;
        words.append(side);
        if (!border.isVisible()) {
            words.append("\\brdrnone");
            return;
        }
        words.append(switch (border.line()) {
            case DOUBLE -> "\\brdrdb";
            case DOTTED -> "\\brdrdot";
            case DASHED -> "\\brdrdash";
            case THICK -> "\\brdrth";
            default -> "\\brdrs";
        });
        words.append("\\brdrw").append(Math.max(1, twips(border.width()))).append("\\brsp").append(twips(border.space())).append("\\brdrcf")
                .append(colour(border.colour()));
    }
}
