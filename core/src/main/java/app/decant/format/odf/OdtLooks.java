package app.decant.format.odf;

import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.Look;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty.LineSpacing;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty;
import app.decant.document.TextProperty.Script;
import app.decant.document.TextProperty.Underline;
import app.decant.document.TextProperty;
import app.decant.xml.XmlWriter;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Looks as properties of styles (ISO/IEC 26300-1, 16.27 and 17). */
final class OdtLooks {
    private OdtLooks() { }

    static String points(double value) { return String.format(Locale.ROOT, "%.3f", value).replaceFirst("\\.?0+$", "") + "pt"; }

    /** The same where only what is wider than nothing may be said; null else. */
    static String extent(double value) { return value >= 0.001 ? points(value) : null; }

    static String colour(Colour colour) { return "#" + colour.hex().toLowerCase(Locale.ROOT); }

    static String border(Border border) {
        if (border == null || !border.isVisible()) return "none";
        String line = switch (border.line()) {
            case DOUBLE -> "double";
            case DOTTED -> "dotted";
            case DASHED -> "dashed";
            default -> "solid";
        };
        return points(border.width()) + " " + line + " " + (border.colour().isAutomatic() ? "#000000" : colour(border.colour()));
    }

    static void text(XmlWriter xml, Look look) {
        List<Object> a = new ArrayList<>();
        if (look.says(ParagraphProperty.HYPHENATION)) add(a, "fo:hyphenate", look.is(ParagraphProperty.HYPHENATION) ? "true" : "false",
                "fo:hyphenation-remain-char-count", "2", "fo:hyphenation-push-char-count", "2");
        String family = look.get(TextProperty.FAMILY);
        if (family != null) add(a, "style:font-name", family, "fo:font-family", "'" + family.replace("'", "") + "'");
        if (look.get(TextProperty.EAST_ASIAN_FAMILY) != null) add(a, "style:font-family-asian", look.get(TextProperty.EAST_ASIAN_FAMILY));
        if (look.get(TextProperty.COMPLEX_FAMILY) != null) add(a, "style:font-family-complex", look.get(TextProperty.COMPLEX_FAMILY));
        Double size = look.get(TextProperty.SIZE);
        if (size != null) add(a, "fo:font-size", points(size), "style:font-size-asian", points(size), "style:font-size-complex", points(size));
        if (look.says(TextProperty.BOLD))
            for (String name : new String[] {"fo:font-weight", "style:font-weight-asian", "style:font-weight-complex"})
                add(a, name, look.is(TextProperty.BOLD) ? "bold" : "normal");
        if (look.says(TextProperty.ITALIC))
            for (String name : new String[] {"fo:font-style", "style:font-style-asian", "style:font-style-complex"})
                add(a, name, look.is(TextProperty.ITALIC) ? "italic" : "normal");
        Underline underline = look.get(TextProperty.UNDERLINE);
        if (underline != null) {
            add(a, "style:text-underline-style", switch (underline) {
                case NONE -> "none";
                case DOTTED -> "dotted";
                case DASHED -> "dash";
                case WAVE -> "wave";
                default -> "solid";
            });
            if (underline != Underline.NONE)
                add(a, "style:text-underline-width", underline == Underline.THICK ? "bold" : "auto", "style:text-underline-color", "font-color");
            if (underline == Underline.DOUBLE) add(a, "style:text-underline-type", "double");
            if (underline == Underline.WORDS) add(a, "style:text-underline-mode", "skip-white-space");
        }
        if (look.says(TextProperty.STRIKE)) add(a, "style:text-line-through-style", look.is(TextProperty.STRIKE) ? "solid" : "none");
        if (look.is(TextProperty.DOUBLE_STRIKE)) add(a, "style:text-line-through-style", "solid", "style:text-line-through-type", "double");
        if (look.says(TextProperty.SMALL_CAPITALS)) add(a, "fo:font-variant", look.is(TextProperty.SMALL_CAPITALS) ? "small-caps" : "normal");
        if (look.says(TextProperty.CAPITALS)) add(a, "fo:text-transform", look.is(TextProperty.CAPITALS) ? "uppercase" : "none");
        if (look.says(TextProperty.HIDDEN)) add(a, "text:display", look.is(TextProperty.HIDDEN) ? "none" : "true");
        Colour colour = look.get(TextProperty.COLOUR);
        if (colour != null) {
            if (colour.isAutomatic()) add(a, "style:use-window-font-color", "true");
            else add(a, "fo:color", colour(colour));
        }
        Colour highlight = look.get(TextProperty.HIGHLIGHT);
        if (highlight != null) add(a, "fo:background-color", highlight.isAutomatic() ? "transparent" : colour(highlight));
        Script script = look.get(TextProperty.SCRIPT);
        Double raise = look.get(TextProperty.RAISE);
        if (script != null) add(a, "style:text-position", script == Script.SUPER ? "super 65%" : script == Script.SUB ? "sub 65%" : "0% 100%");
        else if (raise != null && raise != 0) add(a, "style:text-position", Math.round(raise / look.get(TextProperty.SIZE, 10.0) * 100) + "% 100%");
        Double spacing = look.get(TextProperty.LETTER_SPACING);
        if (spacing != null) add(a, "fo:letter-spacing", spacing == 0 ? "normal" : points(spacing));
        Double scale = look.get(TextProperty.WIDTH_SCALE);
        if (scale != null) add(a, "style:text-scale", Math.round(scale * 100) + "%");
        if (look.get(TextProperty.KERNING_FROM) != null) add(a, "style:letter-kerning", look.get(TextProperty.KERNING_FROM) > 0 ? "true" : "false");
        String language = look.get(TextProperty.LANGUAGE);
        if (language != null && language.matches("[a-z]{2,3}(-[A-Z]{2})?"))
            add(a, "fo:language", language.split("-")[0], "fo:country", language.contains("-") ? language.split("-")[1] : "none");
        if (!a.isEmpty()) xml.leaf("style:text-properties", a.toArray());
    }

    private static void add(List<Object> attributes, Object... pairs) {
        for (int i = 0; i < pairs.length; i += 2) {
            int known = attributes.indexOf(pairs[i]);
            if (known >= 0 && known % 2 == 0) attributes.set(known + 1, pairs[i + 1]);
            else attributes.addAll(List.of(pairs[i], pairs[i + 1]));
        }
    }

    /**
     * Properties of a paragraph.
     *
     * @param breaks "page" or "column" before it, or null
     * @param number that its page is counted with, or null
     */
    static void paragraph(XmlWriter xml, Look look, String breaks, String number) {
        List<Object> a = new ArrayList<>();
        if (number != null) add(a, "style:page-number", number);
        Alignment alignment = look.get(ParagraphProperty.ALIGNMENT);
        if (alignment != null) add(a, "fo:text-align", alignment == Alignment.CENTRE ? "center" : alignment.name().toLowerCase(Locale.ROOT));
        length(a, "fo:margin-left", look.get(ParagraphProperty.INDENT_START));
        length(a, "fo:margin-right", look.get(ParagraphProperty.INDENT_END));
        length(a, "fo:text-indent", look.get(ParagraphProperty.FIRST_LINE));
        length(a, "fo:margin-top", look.get(ParagraphProperty.SPACE_BEFORE));
        length(a, "fo:margin-bottom", look.get(ParagraphProperty.SPACE_AFTER));
        LineSpacing spacing = look.get(ParagraphProperty.LINE_SPACING);
        if (spacing != null) {
            if (spacing.rule() == LineSpacing.Rule.AT_LEAST) add(a, "style:line-height-at-least", points(spacing.value()));
            else add(a, "fo:line-height", spacing.rule() == LineSpacing.Rule.EXACTLY ? points(spacing.value()) : String.format(Locale.ROOT, "%.2f",
                    spacing.value() * 100).replaceFirst("\\.?0+$", "") + "%");
        }
        if (look.says(ParagraphProperty.KEEP_TOGETHER)) add(a, "fo:keep-together", look.is(ParagraphProperty.KEEP_TOGETHER) ? "always" : "auto");
        if (look.says(ParagraphProperty.KEEP_WITH_NEXT)) add(a, "fo:keep-with-next", look.is(ParagraphProperty.KEEP_WITH_NEXT) ? "always" : "auto");
        Integer parted = look.get(ParagraphProperty.PARTED_LINES);
        if (parted != null) add(a, "fo:hyphenation-ladder-count", parted == 0 ? "no-limit" : parted.toString());
        if (look.says(ParagraphProperty.WIDOW_CONTROL))
            add(a, "fo:widows", look.is(ParagraphProperty.WIDOW_CONTROL) ? "2" : "0", "fo:orphans", look.is(ParagraphProperty.WIDOW_CONTROL) ? "2" : "0");
        if (breaks != null) add(a, "fo:break-before", breaks);
        else if (look.says(ParagraphProperty.PAGE_BREAK_BEFORE)) add(a, "fo:break-before", look.is(ParagraphProperty.PAGE_BREAK_BEFORE) ? "page" : "auto");
        if (look.says(ParagraphProperty.CONTEXTUAL_SPACING))
            add(a, "style:contextual-spacing", look.is(ParagraphProperty.CONTEXTUAL_SPACING) ? "true" : "false");
        if (look.says(ParagraphProperty.RIGHT_TO_LEFT)) add(a, "style:writing-mode", look.is(ParagraphProperty.RIGHT_TO_LEFT) ? "rl-tb" : "lr-tb");
        Colour shading = look.get(ParagraphProperty.SHADING);
        if (shading != null) add(a, "fo:background-color", shading.isAutomatic() ? "transparent" : colour(shading));
        var borders = look.get(ParagraphProperty.BORDERS);
        if (borders != null) {
            Border[] sides = {borders.top(), borders.right(), borders.bottom(), borders.left()};
            String[] names = {"top", "right", "bottom", "left"};
            for (int i = 0; i < 4; i++) {
                if (sides[i] == null) continue;
                add(a, "fo:border-" + names[i], border(sides[i]));
                add(a, "fo:padding-" + names[i], points(sides[i].space()));
            }
        }
        ParagraphProperty.TabStops tabs = look.get(ParagraphProperty.TABS);
        if (a.isEmpty() && tabs == null) return;
        xml.open("style:paragraph-properties", a.toArray());
        if (tabs != null) {
            xml.open("style:tab-stops");
            for (TabStop stop : tabs.stops()) {
                if (stop.kind() == TabStop.Kind.CLEAR || stop.kind() == TabStop.Kind.BAR) continue;
                String kind = stop.kind() == TabStop.Kind.CENTRE ? "center" : stop.kind() == TabStop.Kind.END ? "right" : stop.kind() == TabStop.Kind.DECIMAL
                        ? "char" : "left";
                String leader = switch (stop.leader()) {
                    case NONE -> null;
                    case DOTS -> ".";
                    case HYPHENS -> "-";
                    case LINE -> "_";
                    case MIDDLE_DOTS -> "\u00B7";
                };
                xml.leaf("style:tab-stop", "style:position", points(stop.position()), "style:type", kind, "style:char", kind.equals("char") ? "." : null,
                        "style:leader-style", leader == null ? null : leader.equals("_") ? "solid" : "dotted", "style:leader-text", leader);
            }
            xml.close();
        }
        xml.close();
    }

    private static void length(List<Object> a, String name, Double value) { if (value != null) add(a, name, points(value)); }
}
