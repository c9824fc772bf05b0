package app.decant.format.binary;

import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Look;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty.LineSpacing;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty.TabStops;
import app.decant.document.ParagraphProperty;
import app.decant.document.Property;
import app.decant.document.TextProperty.Script;
import app.decant.document.TextProperty;
import app.decant.format.Languages;
import java.util.Arrays;
import java.util.List;
import java.util.function.ToIntFunction;

/** Looks as property modifiers (MS-DOC 2.6.1 and 2.6.2). Lengths are in twentieths of a point. */
final class LookProperties {
    private static final int AUTOMATIC = 0xFF000000;

    private final FontTable fonts;
    private final ToIntFunction<String> styles;

    /** @param styles gives the number of a style by its id, or -1 */
    LookProperties(FontTable fonts, ToIntFunction<String> styles) {
        this.fonts = fonts;
        this.styles = styles;
    }

    static int twips(double points) { return (int) Math.round(points * 20); }

    /** A colour as files have it: red lowest, or automatic (2.9.41). */
    static int colour(Colour colour) { return colour == null || colour.isAutomatic() ? AUTOMATIC : colour.red() | colour.green() << 8 | colour.blue() << 16; }

    Properties text(Look look) {
        Properties made = new Properties();
        String style = look.get(TextProperty.STYLE);
        if (style != null && styles.applyAsInt(style) > 0) made.two(0x4A30, styles.applyAsInt(style));
        flag(made, 0x0835, look, TextProperty.BOLD);
        flag(made, 0x0836, look, TextProperty.ITALIC);
        flag(made, 0x0837, look, TextProperty.STRIKE);
        flag(made, 0x083A, look, TextProperty.SMALL_CAPITALS);
        flag(made, 0x083B, look, TextProperty.CAPITALS);
        flag(made, 0x083C, look, TextProperty.HIDDEN);
        flag(made, 0x2A53, look, TextProperty.DOUBLE_STRIKE);
        flag(made, 0x085A, look, TextProperty.RIGHT_TO_LEFT);
        String family = look.get(TextProperty.FAMILY);
        if (family != null) made.two(0x4A4F, fonts.number(family)).two(0x4A51, fonts.number(family));
        String eastAsian = look.get(TextProperty.EAST_ASIAN_FAMILY, family);
        if (eastAsian != null) made.two(0x4A50, fonts.number(eastAsian));
        String complex = look.get(TextProperty.COMPLEX_FAMILY, family);
        if (complex != null) made.two(0x4A5E, fonts.number(complex));
        Double size = look.get(TextProperty.SIZE);
        if (size != null) made.two(0x4A43, (int) Math.round(size * 2)).two(0x4A61, (int) Math.round(size * 2));
        Colour colour = look.get(TextProperty.COLOUR);
        if (colour != null) made.four(0x6870, colour(colour));
        Colour highlight = look.get(TextProperty.HIGHLIGHT);
        if (highlight != null) made.variable(0xCA71, shading(highlight));
        Script script = look.get(TextProperty.SCRIPT);
        if (script != null) made.one(0x2A48, script == Script.SUPER ? 1 : script == Script.SUB ? 2 : 0);
        TextProperty.Underline underline = look.get(TextProperty.UNDERLINE);
        if (underline != null) made.one(0x2A3E, underline(underline));
        Double spacing = look.get(TextProperty.LETTER_SPACING);
        if (spacing != null) made.two(0x8840, twips(spacing));
        Double raise = look.get(TextProperty.RAISE);
        if (raise != null) made.two(0x4845, (int) Math.round(raise * 2));
        Double scale = look.get(TextProperty.WIDTH_SCALE);
        if (scale != null) made.two(0x4852, (int) Math.round(scale * 100));
        Double kerning = look.get(TextProperty.KERNING_FROM);
        if (kerning != null) made.two(0x484B, (int) Math.round(kerning * 2));
        String language = look.get(TextProperty.LANGUAGE);
        if (language != null && Languages.number(language) > 0) made.two(0x486D, Languages.number(language)).two(0x486E, Languages.number(language));
        return made;
    }

    private static void flag(Properties made, int code, Look look, Property<Boolean> property) {
        if (look.says(property)) made.flag(code, look.is(property));
    }

    private static int underline(TextProperty.Underline underline) {
        return switch (underline) {
            case NONE -> 0;
            case SINGLE -> 1;
            case WORDS -> 2;
            case DOUBLE -> 3;
            case DOTTED -> 4;
            case THICK -> 6;
            case DASHED -> 7;
            case WAVE -> 11;
        };
    }

    /** An area of one colour (2.9.248). */
    static byte[] shading(Colour colour) { return new Bytes().four(AUTOMATIC).four(colour(colour)).two(0).toBytes(); }

    /** @param list the number of a list by its id, from 1, or 0 */
    Properties paragraph(Look look, ToIntFunction<String> list) {
        Properties made = new Properties();
        boolean rightToLeft = look.is(ParagraphProperty.RIGHT_TO_LEFT);
        if (look.says(ParagraphProperty.RIGHT_TO_LEFT)) made.flag(0x2441, rightToLeft);
        Alignment alignment = look.get(ParagraphProperty.ALIGNMENT);
        if (alignment != null) {
            int logical = alignment == Alignment.CENTRE ? 1 : alignment == Alignment.END ? 2 : alignment == Alignment.JUSTIFY ? 3 : 0;
            made.one(0x2403, rightToLeft && logical % 2 == 0 ? 2 - logical : logical).one(0x2461, logical);
        }
        flag(made, 0x2405, look, ParagraphProperty.KEEP_TOGETHER);
        flag(made, 0x2406, look, ParagraphProperty.KEEP_WITH_NEXT);
        flag(made, 0x2407, look, ParagraphProperty.PAGE_BREAK_BEFORE);
        flag(made, 0x2431, look, ParagraphProperty.WIDOW_CONTROL);
        if (look.says(ParagraphProperty.HYPHENATION)) made.flag(0x242A, !look.is(ParagraphProperty.HYPHENATION));
        flag(made, 0x246D, look, ParagraphProperty.CONTEXTUAL_SPACING);
        ParagraphProperty.ListReference reference = look.get(ParagraphProperty.LIST);
        if (reference != null) {
            int number = reference.list() == null ? 0 : list.applyAsInt(reference.list());
            made.one(0x260A, Math.max(0, Math.min(8, reference.level()))).two(0x460B, number);
        }
        length(made, 0x840F, 0x845E, look, ParagraphProperty.INDENT_START);
        length(made, 0x840E, 0x845D, look, ParagraphProperty.INDENT_END);
        length(made, 0x8411, 0x8460, look, ParagraphProperty.FIRST_LINE);
        Double before = look.get(ParagraphProperty.SPACE_BEFORE);
        if (before != null) made.two(0xA413, twips(before));
        Double after = look.get(ParagraphProperty.SPACE_AFTER);
        if (after != null) made.two(0xA414, twips(after));
        LineSpacing spacing = look.get(ParagraphProperty.LINE_SPACING);
        if (spacing != null) {
            boolean multiple = spacing.rule() == LineSpacing.Rule.MULTIPLE;
            int value = multiple ? (int) Math.round(spacing.value() * 240) : twips(spacing.value()) * (spacing.rule() == LineSpacing.Rule.EXACTLY ? -1 : 1);
            made.four(0x6412, value & 0xFFFF | (multiple ? 1 << 16 : 0));
        }
        TabStops tabs = look.get(ParagraphProperty.TABS);
        if (tabs != null) tabs(made, tabs.stops());
        Borders borders = look.get(ParagraphProperty.BORDERS);
        if (borders != null) {
            List<Border> sides = Arrays.asList(borders.top(), borders.left(), borders.bottom(), borders.right(), borders.insideHorizontal());
            for (int i = 0; i < sides.size(); i++) {
                if (sides.get(i) == null) continue;
                made.four(0x6424 + i, oldBorder(sides.get(i))).variable(0xC64E + i, border(sides.get(i)));
            }
        }
        Colour shading = look.get(ParagraphProperty.SHADING);
        if (shading != null) made.variable(0xC64D, shading(shading));
        Integer level = look.get(ParagraphProperty.OUTLINE_LEVEL);
        if (level != null) made.one(0x2640, level < 1 || level > 9 ? 9 : level - 1);
        return made;
    }

    /** Lengths are told twice: as the first readers know them, and as later ones do (for text from right to left they differ). */
    private static void length(Properties made, int code, int logical, Look look, Property<Double> property) {
        Double value = look.get(property);
        if (value != null) made.two(code, twips(value)).two(logical, twips(value));
    }

    /** 2.9.175, PChgTabsPapxOperand. */
    private static void tabs(Properties made, List<TabStop> stops) {
        List<TabStop> cleared = stops.stream().filter(stop -> stop.kind() == TabStop.Kind.CLEAR).limit(60).toList();
        List<TabStop> set = stops.stream().filter(stop -> stop.kind() != TabStop.Kind.CLEAR).limit(60).toList();
        Bytes operand = new Bytes().one(cleared.size());
        for (TabStop stop : cleared) operand.two(twips(stop.position()));
        operand.one(set.size());
        for (TabStop stop : set) operand.two(twips(stop.position()));
        for (TabStop stop : set) {
            int kind = switch (stop.kind()) {
                case START, CLEAR -> 0;
                case CENTRE -> 1;
                case END -> 2;
                case DECIMAL -> 3;
                case BAR -> 4;
            };
            int leader = switch (stop.leader()) {
                case NONE -> 0;
                case DOTS -> 1;
                case HYPHENS -> 2;
                case LINE -> 3;
                case MIDDLE_DOTS -> 5;
            };
            operand.one(kind | leader << 3);
        }
        made.variable(0xC60D, operand.toBytes());
    }

    private static int line(Border border) {
        return switch (border.line()) {
            case NONE -> 0;
            case SINGLE -> 1;
            case THICK -> 2;
            case DOUBLE -> 3;
            case DOTTED -> 6;
            case DASHED -> 7;
        };
    }

    private static int width(Border border) { return Math.max(2, Math.min(255, (int) Math.round(border.width() * 8))); }

    /** 2.9.17, Brc80: width, line, one of sixteen colours, distance. */
    static long oldBorder(Border border) {
        if (!border.isVisible()) return 0;
        return width(border) | line(border) << 8 | (long) nearest(border.colour()) << 16 | (long) Math.min(31, Math.round(border.space())) << 24;
    }

    /** 2.9.16, Brc. */
    static byte[] border(Border border) {
        if (!border.isVisible()) return new Bytes().four(AUTOMATIC).four(0).toBytes();
        return new Bytes().four(colour(border.colour())).one(width(border)).one(line(border)).two((int) Math.min(31, Math.round(border.space()))).toBytes();
    }

    /** One of the sixteen colours of the first readers (2.9.119, Ico). */
    private static int nearest(Colour colour) {
        if (colour == null || colour.isAutomatic()) return 0;
        int[] palette = {0x000000, 0x0000FF, 0x00FFFF, 0x00FF00, 0xFF00FF, 0xFF0000, 0xFFFF00, 0xFFFFFF, 0x00008B, 0x008B8B, 0x006400, 0x8B008B, 0x8B0000,
                0x808000, 0xA9A9A9, 0xD3D3D3};
        int best = 0;
        double least = Double.MAX_VALUE;
        for (int i = 0; i < palette.length; i++) {
            Colour one = new Colour(palette[i]);
            double away = Math.pow(one.red() - colour.red(), 2) + Math.pow(one.green() - colour.green(), 2) + Math.pow(one.blue() - colour.blue(), 2);
            if (away < least) {
                least = away;
                best = i + 1;
            }
        }
        return best;
    }
}
