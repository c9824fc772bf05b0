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
import app.decant.document.TrackedChange;
import app.decant.format.Languages;
import app.decant.format.OfficeTime;
import app.decant.format.binary.Modifiers.Modifier;
import java.util.ArrayList;
import java.util.List;
import java.util.function.IntFunction;

/** Property modifiers as looks: what {@link LookProperties} writes, and what older programs write in its place. */
final class LookReading {
    private static final int[] PALETTE = {-1, 0x000000, 0x0000FF, 0x00FFFF, 0x00FF00, 0xFF00FF, 0xFF0000, 0xFFFF00, 0xFFFFFF, 0x00008B, 0x008B8B, 0x006400,
            0x8B008B, 0x8B0000, 0x808000, 0xA9A9A9, 0xD3D3D3};

    private final IntFunction<String> fonts;
    private final IntFunction<String> styles;
    private final IntFunction<String> authors;
    private final boolean parts;

    /**
     * @param fonts  the family of a font's number, or null
     * @param styles the id of a style's number, or null
     * @param authors who revised, by their numbers
     * @param parts   whether the file parts words of itself
     */
    LookReading(IntFunction<String> fonts, IntFunction<String> styles, IntFunction<String> authors, boolean parts) {
        this.authors = authors;
        this.parts = parts;
        this.fonts = fonts;
        this.styles = styles;
    }

    static Colour colour(int value) {
        return (value & 0xFF000000) != 0 ? Colour.AUTOMATIC : new Colour((value & 0xFF) << 16 | value & 0xFF00 | value >> 16 & 0xFF);
    }

    static Colour palette(int index) { return index <= 0 || index >= PALETTE.length ? Colour.AUTOMATIC : new Colour(PALETTE[index]); }

    Look text(List<Modifier> modifiers) { return text(modifiers, Look.PLAIN); }

    /** @param style what the styles of the text say, which it may ask to be the opposite of */
    Look text(List<Modifier> modifiers, Look style) {
        Look look = Look.PLAIN;
        for (Modifier one : modifiers) look = text(look, one, style);
        return look.with(TextProperty.TRACKED, change(modifiers));
    }

    /** What was put in or taken out while changes were tracked (sprmCFRMark, sprmCFRMarkDel and those about them; 2.6.1); null for neither. */
    private TrackedChange change(List<Modifier> modifiers) {
        boolean came = false;
        boolean went = false;
        int[] authors = new int[2];
        int[] times = new int[2];
        for (Modifier one : modifiers) {
            switch (one.code()) {
                case 0x0801 -> came = one.on();
                case 0x0800 -> went = one.on();
                case 0x4804 -> authors[0] = one.two();
                case 0x4863 -> authors[1] = one.two();
                case 0x6805 -> times[0] = one.four();
                case 0x6864 -> times[1] = one.four();
                default -> { }
            }
        }
        if (!came && !went) return null;
        return new TrackedChange(came ? new TrackedChange.Mark(this.authors.apply(authors[0]), OfficeTime.of(times[0])) : null,
                went ? new TrackedChange.Mark(this.authors.apply(authors[1]), OfficeTime.of(times[1])) : null);
    }

    /** On, off, as the style has it, or the opposite of that (2.9.327). */
    private static Look toggled(Look look, Modifier one, Property<Boolean> property, Look style) {
        return switch (one.one()) {
            case 0x80 -> look.without(property);
            case 0x81 -> look.with(property, !style.is(property));
            default -> look.with(property, one.one() == 1);
        };
    }

    private Look text(Look look, Modifier one, Look style) {
        return switch (one.code()) {
            case 0x4A30 -> look.with(TextProperty.STYLE, styles.apply(one.two()));
            case 0x0835 -> toggled(look, one, TextProperty.BOLD, style);
            case 0x0836 -> toggled(look, one, TextProperty.ITALIC, style);
            case 0x0837 -> toggled(look, one, TextProperty.STRIKE, style);
            case 0x083A -> toggled(look, one, TextProperty.SMALL_CAPITALS, style);
            case 0x083B -> toggled(look, one, TextProperty.CAPITALS, style);
            case 0x083C -> toggled(look, one, TextProperty.HIDDEN, style);
            case 0x2A53 -> toggled(look, one, TextProperty.DOUBLE_STRIKE, style);
            case 0x085A -> look.with(TextProperty.RIGHT_TO_LEFT, one.on());
            case 0x4A4F -> look.with(TextProperty.FAMILY, fonts.apply(one.two()));
            case 0x4A50 -> different(look, TextProperty.EAST_ASIAN_FAMILY, fonts.apply(one.two()));
            case 0x4A5E -> different(look, TextProperty.COMPLEX_FAMILY, fonts.apply(one.two()));
            case 0x4A43 -> look.with(TextProperty.SIZE, one.two() / 2.0);
            case 0x6870 -> look.with(TextProperty.COLOUR, colour(one.four()));
            case 0x2A42 -> look.says(TextProperty.COLOUR) ? look : look.with(TextProperty.COLOUR, palette(one.one()));
            case 0xCA71 -> shaded(one) == null ? look : look.with(TextProperty.HIGHLIGHT, shaded(one));
            case 0x4866 -> look.says(TextProperty.HIGHLIGHT) ? look : look.with(TextProperty.HIGHLIGHT, oldShaded(one.two()));
            case 0x2A0C -> one.one() == 0 ? look : look.with(TextProperty.HIGHLIGHT, palette(one.one()));
            case 0x2A48 -> look.with(TextProperty.SCRIPT, one.one() == 1 ? Script.SUPER : one.one() == 2 ? Script.SUB : Script.BASELINE);
            case 0x2A3E -> look.with(TextProperty.UNDERLINE, underline(one.one()));
            case 0x8840 -> look.with(TextProperty.LETTER_SPACING, one.points());
            case 0x4845 -> look.with(TextProperty.RAISE, one.signed() / 2.0);
            case 0x4852 -> look.with(TextProperty.WIDTH_SCALE, Math.max(0.01, one.two() / 100.0));
            case 0x484B -> look.with(TextProperty.KERNING_FROM, one.two() / 2.0);
            case 0x486D, 0x4873 -> Languages.code(one.two()) == null ? look : look.with(TextProperty.LANGUAGE, Languages.code(one.two()));
            default -> look;
        };
    }

    private static Look different(Look look, Property<String> property, String family) {
        return family == null || family.equals(look.get(TextProperty.FAMILY)) ? look : look.with(property, family);
    }

    private static TextProperty.Underline underline(int code) {
        return switch (code) {
            case 0 -> TextProperty.Underline.NONE;
            case 2 -> TextProperty.Underline.WORDS;
            case 3 -> TextProperty.Underline.DOUBLE;
            case 4, 20 -> TextProperty.Underline.DOTTED;
            case 6 -> TextProperty.Underline.THICK;
            case 7, 9, 10, 23, 25, 26, 39, 55 -> TextProperty.Underline.DASHED;
            case 11, 27, 43 -> TextProperty.Underline.WAVE;
            default -> TextProperty.Underline.SINGLE;
        };
    }

    /** The colour behind, or that of a full pattern; null where there is none. */
    static Colour shaded(Modifier one) {
        byte[] bytes = one.operand();
        if (bytes.length < 10) return null;
        return shaded(bytes, 0);
    }

    static Colour shaded(byte[] bytes, int at) {
        return shaded(colour(Modifiers.four(bytes, at)), colour(Modifiers.four(bytes, at + 4)), Modifiers.two(bytes, at + 8));
    }

    /** Of the first programs, by numbers of colours (2.9.249); null where there is none. */
    static Colour oldShaded(int told) { return told == 0xFFFF ? null : shaded(palette(told & 31), palette(told >> 5 & 31), told >> 10 & 63); }

    private static Colour shaded(Colour fore, Colour back, int pattern) {
        if (pattern == 0xFFFF) return null;
        if (pattern == 1) return fore.isAutomatic() ? Colour.BLACK : fore;
        if (pattern >= 2 && pattern <= 13) {
            // A share of black, in steps of the table of 2.9.116.
            int[] percent = {5, 10, 20, 25, 30, 40, 50, 60, 70, 75, 80, 90};
            return fore.mixed(back, percent[pattern - 2] / 100.0);
        }
        return back.isAutomatic() ? null : back;
    }

    Look paragraph(List<Modifier> modifiers, IntFunction<String> lists) {
        Look look = Look.PLAIN;
        Integer level = null;
        Integer list = null;
        Borders borders = null;
        for (Modifier one : modifiers) {
            switch (one.code()) {
                case 0x260A -> level = one.one();
                case 0x460B -> list = one.two();
                case 0x6424, 0x6425, 0x6426, 0x6427, 0x6428 -> borders = bordered(borders, one.code() - 0x6424, old(one.operand(), 0));
                case 0xC64E, 0xC64F, 0xC650, 0xC651, 0xC652 -> borders = bordered(borders, one.code() - 0xC64E, border(one.operand(), 0));
                default -> look = paragraph(look, one);
            }
        }
        if (borders != null) look = look.with(ParagraphProperty.BORDERS, borders);
        if (list != null) {
            String id = list == 0 ? null : lists.apply(list);
            if (list == 0 || id != null) look = look.with(ParagraphProperty.LIST, new ParagraphProperty.ListReference(id, level == null ? 0 : level));
        }
        return look;
    }

    private Look paragraph(Look look, Modifier one) {
        return switch (one.code()) {
            case 0x2441 -> look.with(ParagraphProperty.RIGHT_TO_LEFT, one.on());
            case 0x2403 -> look.says(ParagraphProperty.ALIGNMENT) ? look : look.with(ParagraphProperty.ALIGNMENT, alignment(one.one()));
            case 0x2461 -> look.with(ParagraphProperty.ALIGNMENT, alignment(one.one()));
            case 0x2405 -> look.with(ParagraphProperty.KEEP_TOGETHER, one.on());
            case 0x2406 -> look.with(ParagraphProperty.KEEP_WITH_NEXT, one.on());
            case 0x2407 -> look.with(ParagraphProperty.PAGE_BREAK_BEFORE, one.on());
            case 0x2431 -> look.with(ParagraphProperty.WIDOW_CONTROL, one.on());
            case 0x242A -> one.on() || parts ? look.with(ParagraphProperty.HYPHENATION, !one.on()) : look;
            case 0x246D -> look.with(ParagraphProperty.CONTEXTUAL_SPACING, one.on());
            case 0x840F, 0x845E -> look.with(ParagraphProperty.INDENT_START, one.points());
            case 0x840E, 0x845D -> look.with(ParagraphProperty.INDENT_END, one.points());
            case 0x8411, 0x8460 -> look.with(ParagraphProperty.FIRST_LINE, one.points());
            case 0xA413 -> look.with(ParagraphProperty.SPACE_BEFORE, one.two() / 20.0);
            case 0xA414 -> look.with(ParagraphProperty.SPACE_AFTER, one.two() / 20.0);
            case 0x6412 -> look.with(ParagraphProperty.LINE_SPACING, spacing(one));
            case 0xC60D -> look.with(ParagraphProperty.TABS, tabs(one.operand(), 2));
            case 0xC615 -> look.with(ParagraphProperty.TABS, tabs(one.operand(), 4));
            case 0x245B -> one.on() ? look.with(ParagraphProperty.SPACE_BEFORE, ParagraphProperty.AUTOMATIC_SPACE) : look;
            case 0x245C -> one.on() ? look.with(ParagraphProperty.SPACE_AFTER, ParagraphProperty.AUTOMATIC_SPACE) : look;
            case 0x442D -> look.says(ParagraphProperty.SHADING) ? look : look.with(ParagraphProperty.SHADING, oldShaded(one.two()));
            case 0xC64D -> shaded(one) == null ? look : look.with(ParagraphProperty.SHADING, shaded(one));
            case 0x2640 -> look.with(ParagraphProperty.OUTLINE_LEVEL, one.one() >= 9 ? 0 : one.one() + 1);
            default -> look;
        };
    }

    static Alignment alignment(int code) {
        return code == 1 ? Alignment.CENTRE : code == 2 ? Alignment.END : code >= 3 && code <= 5 || code >= 7 ? Alignment.JUSTIFY : Alignment.START;
    }

    private static LineSpacing spacing(Modifier one) {
        int value = (short) Modifiers.two(one.operand(), 0);
        if (Modifiers.two(one.operand(), 2) == 1) return new LineSpacing(LineSpacing.Rule.MULTIPLE, Math.abs(value) / 240.0);
        return value < 0 ? new LineSpacing(LineSpacing.Rule.EXACTLY, -value / 20.0) : value == 0 ? LineSpacing.SINGLE
                : new LineSpacing(LineSpacing.Rule.AT_LEAST, value / 20.0);
    }

    /** @param clearing how many bytes tell of a stop that is taken out: its place, and in changes also how close to it others go (2.9.182) */
    private static TabStops tabs(byte[] operand, int clearing) {
        List<TabStop> stops = new ArrayList<>();
        int cleared = operand.length > 0 ? operand[0] & 0xFF : 0;
        int at = 1;
        int places = at;
        at += clearing * cleared;
        for (int i = 0; i < cleared && places + 1 < operand.length; i++, places += 2)
            stops.add(new TabStop((short) Modifiers.two(operand, places) / 20.0, TabStop.Kind.CLEAR, TabStop.Leader.NONE));
        int set = at < operand.length ? operand[at++] & 0xFF : 0;
        for (int i = 0; i < set; i++) {
            int place = at + 2 * i;
            int look = at + 2 * set + i;
            if (look >= operand.length) break;
            TabStop.Kind kind = switch (operand[look] & 7) {
                case 1 -> TabStop.Kind.CENTRE;
                case 2 -> TabStop.Kind.END;
                case 3 -> TabStop.Kind.DECIMAL;
                case 4 -> TabStop.Kind.BAR;
                default -> TabStop.Kind.START;
            };
            TabStop.Leader leader = switch (operand[look] >> 3 & 7) {
                case 1 -> TabStop.Leader.DOTS;
                case 2 -> TabStop.Leader.HYPHENS;
                case 3, 4 -> TabStop.Leader.LINE;
                case 5 -> TabStop.Leader.MIDDLE_DOTS;
                default -> TabStop.Leader.NONE;
            };
            stops.add(new TabStop((short) Modifiers.two(operand, place) / 20.0, kind, leader));
        }
        return new TabStops(stops);
    }

    /** @param side top, left, bottom, right, between */
    static Borders bordered(Borders borders, int side, Border border) {
        Borders before = borders == null ? Borders.OPEN : borders;
        return switch (side) {
            case 0 -> new Borders(border, before.right(), before.bottom(), before.left(), before.insideHorizontal(), null);
            case 1 -> new Borders(before.top(), before.right(), before.bottom(), border, before.insideHorizontal(), null);
            case 2 -> new Borders(before.top(), before.right(), border, before.left(), before.insideHorizontal(), null);
            case 3 -> new Borders(before.top(), border, before.bottom(), before.left(), before.insideHorizontal(), null);
            default -> new Borders(before.top(), before.right(), before.bottom(), before.left(), border, null);
        };
    }

    /** 2.9.17. */
    static Border old(byte[] bytes, int at) {
        if (at + 4 > bytes.length) return null;
        if (Modifiers.four(bytes, at) == -1) return null;
        return line(bytes[at] & 0xFF, bytes[at + 1] & 0xFF, palette(bytes[at + 2] & 0xFF), bytes[at + 3] & 31);
    }

    /** 2.9.16. */
    static Border border(byte[] bytes, int at) {
        if (at + 8 > bytes.length) return null;
        return line(bytes[at + 4] & 0xFF, bytes[at + 5] & 0xFF, colour(Modifiers.four(bytes, at)), bytes[at + 6] & 31);
    }

    private static Border line(int width, int kind, Colour colour, int space) {
        Border.Line line = switch (kind) {
            case 0, 255 -> Border.Line.NONE;
            case 2 -> Border.Line.THICK;
            case 3, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19 -> Border.Line.DOUBLE;
            case 6 -> Border.Line.DOTTED;
            case 7, 8, 9, 22 -> Border.Line.DASHED;
            default -> Border.Line.SINGLE;
        };
        return line == Border.Line.NONE ? Border.NONE : new Border(line, width / 8.0, colour, space);
    }
}
