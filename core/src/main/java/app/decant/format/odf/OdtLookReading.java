package app.decant.format.odf;

import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Look;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty.LineSpacing;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty.TabStops;
import app.decant.document.ParagraphProperty;
import app.decant.document.TextProperty.Script;
import app.decant.document.TextProperty.Underline;
import app.decant.document.TextProperty;
import app.decant.format.OpenDocumentLength;
import app.decant.xml.XmlNode;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/** Properties of styles as looks. Lengths come out in points. */
final class OdtLookReading {

    private final Map<String, String> fonts;

    /** @param fonts the families of declared fonts */
    OdtLookReading(Map<String, String> fonts) { this.fonts = fonts; }

    static Double length(String value) { return OpenDocumentLength.points(value); }

    static double length(String value, double otherwise) { return OpenDocumentLength.points(value, otherwise); }

    private static Double percent(String value) {
        return value != null && value.matches("-?\\d*\\.?\\d+%") ? (Double) (Double.parseDouble(value.substring(0, value.length() - 1)) / 100) : null;
    }

    static Colour colour(String value) { return value != null && value.matches("#[0-9a-fA-F]{6}") ? Colour.hex(value) : null; }

    static Border border(String value, String padding) {
        if (value == null) return null;
        if (value.equals("none") || value.equals("hidden")) return Border.NONE;
        Border.Line line = Border.Line.SINGLE;
        double width = 0.75;
        Colour colour = Colour.AUTOMATIC;
        for (String word : value.split("\\s+")) {
            switch (word) {
                case "double" -> line = Border.Line.DOUBLE;
                case "dotted" -> line = Border.Line.DOTTED;
                case "dashed" -> line = Border.Line.DASHED;
                default -> {
                    if (length(word) != null) width = length(word);
                    else if (colour(word) != null) colour = colour(word);
                }
            }
        }
        return width <= 0 ? Border.NONE : new Border(line, width, colour, length(padding, 0));
    }

    /** Borders of all sides as far as they are told, or null. */
    static Borders borders(XmlNode node) {
        Border[] sides = new Border[4];
        String[] names = {"top", "right", "bottom", "left"};
        boolean any = false;
        for (int i = 0; i < 4; i++) {
            sides[i] = border(node.get("fo:border-" + names[i], node.get("fo:border")), node.get("fo:padding-" + names[i], node.get("fo:padding")));
            any |= sides[i] != null;
        }
        return any ? new Borders(sides[0], sides[1], sides[2], sides[3], null, null) : null;
    }

    Look text(XmlNode node) {
        Look look = Look.PLAIN;
        if (node == null) return look;
        look = look.with(TextProperty.FAMILY, family(node, "style:font-name", "fo:font-family"));
        look = look.with(TextProperty.COMPLEX_FAMILY, family(node, "style:font-name-complex", "style:font-family-complex"));
        look = look.with(TextProperty.EAST_ASIAN_FAMILY, family(node, "style:font-name-asian", "style:font-family-asian"));
        Double size = length(node.get("fo:font-size"));
        if (size != null && size > 0) look = look.with(TextProperty.SIZE, Math.round(size * 20) / 20.0);
        String weight = node.get("fo:font-weight");
        if (weight != null) look = look.with(TextProperty.BOLD, weight.equals("bold") || weight.matches("[6-9]00"));
        String style = node.get("fo:font-style");
        if (style != null) look = look.with(TextProperty.ITALIC, !style.equals("normal"));
        String underline = node.get("style:text-underline-style");
        if (underline != null) look = look.with(TextProperty.UNDERLINE, underline(underline, node));
        String struck = node.get("style:text-line-through-style");
        if (struck != null) {
            boolean twice = "double".equals(node.get("style:text-line-through-type"));
            look = look.with(twice ? TextProperty.DOUBLE_STRIKE : TextProperty.STRIKE, !struck.equals("none"));
        }
        if (node.get("fo:font-variant") != null) look = look.with(TextProperty.SMALL_CAPITALS, node.get("fo:font-variant").equals("small-caps"));
        if (node.get("fo:text-transform") != null) look = look.with(TextProperty.CAPITALS, node.get("fo:text-transform").equals("uppercase"));
        if (node.get("text:display") != null) look = look.with(TextProperty.HIDDEN, node.get("text:display").equals("none"));
        if ("true".equals(node.get("style:use-window-font-color"))) look = look.with(TextProperty.COLOUR, Colour.AUTOMATIC);
        else if (colour(node.get("fo:color")) != null) look = look.with(TextProperty.COLOUR, colour(node.get("fo:color")));
        if (colour(node.get("fo:background-color")) != null) look = look.with(TextProperty.HIGHLIGHT, colour(node.get("fo:background-color")));
        else if ("transparent".equals(node.get("fo:background-color"))) look = look.with(TextProperty.HIGHLIGHT, Colour.AUTOMATIC);
        String position = node.get("style:text-position");
        if (position != null) look = position(look, position.split("\\s+"));
        String spacing = node.get("fo:letter-spacing");
        if (spacing != null) look = look.with(TextProperty.LETTER_SPACING, length(spacing, 0));
        if (percent(node.get("style:text-scale")) != null) look = look.with(TextProperty.WIDTH_SCALE, Math.max(0.01, percent(node.get("style:text-scale"))));
        String language = node.get("fo:language");
        if (language != null && !language.equals("none") && !language.equals("zxx")) {
            String country = node.get("fo:country");
            look = look.with(TextProperty.LANGUAGE, country == null || country.equals("none") ? language : language + "-" + country);
        }
        return look;
    }

    /** A family by the name of its declaration, or outright; null where neither is told. */
    private String family(XmlNode node, String declared, String outright) {
        String font = node.get(declared);
        String family = font != null ? fonts.getOrDefault(font, font) : node.get(outright);
        return family == null || family.isBlank() ? null : family.replace("'", "").replace("\"", "").split(",")[0].strip();
    }

    private static Underline underline(String style, XmlNode node) {
        if (style.equals("none")) return Underline.NONE;
        if ("double".equals(node.get("style:text-underline-type"))) return Underline.DOUBLE;
        if ("skip-white-space".equals(node.get("style:text-underline-mode"))) return Underline.WORDS;
        if ("bold".equals(node.get("style:text-underline-width"))) return Underline.THICK;
        return switch (style) {
            case "dotted" -> Underline.DOTTED;
            case "dash", "long-dash", "dot-dash", "dot-dot-dash" -> Underline.DASHED;
            case "wave" -> Underline.WAVE;
            default -> Underline.SINGLE;
        };
    }

    private static Look position(Look look, String[] words) {
        Double size = words.length > 1 ? percent(words[1]) : null;
        if (words[0].equals("super")) return look.with(TextProperty.SCRIPT, Script.SUPER);
        if (words[0].equals("sub")) return look.with(TextProperty.SCRIPT, Script.SUB);
        Double up = percent(words[0]);
        if (up == null) return look;
        if (up == 0) return look.with(TextProperty.SCRIPT, Script.BASELINE);
        if (size != null && size < 0.95) return look.with(TextProperty.SCRIPT, up > 0 ? Script.SUPER : Script.SUB);
        return look.with(TextProperty.RAISE, up * look.get(TextProperty.SIZE, 10.0));
    }

    /** The margin of a side, told by itself or for all four at once (20.206). */
    private static Double margin(XmlNode node, String side) { return length(node.get("fo:margin-" + side, node.get("fo:margin"))); }

    /** The share of its parent's size that a style's letters have, or null (20.190). */
    static Double sizeShare(XmlNode style) {
        return style.child("style:text-properties") == null ? null : percent(style.child("style:text-properties").get("fo:font-size"));
    }

    Look paragraph(XmlNode node) {
        Look look = Look.PLAIN;
        if (node == null) return look;
        String alignment = node.get("fo:text-align");
        if (alignment != null) look = look.with(ParagraphProperty.ALIGNMENT, alignment.equals("center") ? Alignment.CENTRE : alignment.equals("justify")
                ? Alignment.JUSTIFY : alignment.equals("end") || alignment.equals("right") ? Alignment.END : Alignment.START);
        if (margin(node, "left") != null) look = look.with(ParagraphProperty.INDENT_START, margin(node, "left"));
        if (margin(node, "right") != null) look = look.with(ParagraphProperty.INDENT_END, margin(node, "right"));
        if (length(node.get("fo:text-indent")) != null) look = look.with(ParagraphProperty.FIRST_LINE, length(node.get("fo:text-indent")));
        if (margin(node, "top") != null) look = look.with(ParagraphProperty.SPACE_BEFORE, margin(node, "top"));
        if (margin(node, "bottom") != null) look = look.with(ParagraphProperty.SPACE_AFTER, margin(node, "bottom"));
        String height = node.get("fo:line-height");
        if (percent(height) != null) look = look.with(ParagraphProperty.LINE_SPACING, new LineSpacing(LineSpacing.Rule.MULTIPLE, percent(height)));
        else if (length(height) != null) look = look.with(ParagraphProperty.LINE_SPACING, new LineSpacing(LineSpacing.Rule.EXACTLY, length(height)));
        else if ("normal".equals(height)) look = look.with(ParagraphProperty.LINE_SPACING, LineSpacing.SINGLE);
        if (length(node.get("style:line-height-at-least")) != null)
            look = look.with(ParagraphProperty.LINE_SPACING, new LineSpacing(LineSpacing.Rule.AT_LEAST, length(node.get("style:line-height-at-least"))));
        if (node.get("fo:keep-together") != null) look = look.with(ParagraphProperty.KEEP_TOGETHER, node.get("fo:keep-together").equals("always"));
        if (node.get("fo:keep-with-next") != null) look = look.with(ParagraphProperty.KEEP_WITH_NEXT, node.get("fo:keep-with-next").equals("always"));
        if (node.get("fo:widows") != null) look = look.with(ParagraphProperty.WIDOW_CONTROL, !node.get("fo:widows").equals("0"));
        String parted = node.get("fo:hyphenation-ladder-count");
        if (parted != null) look = look.with(ParagraphProperty.PARTED_LINES, parted.matches("\\d{1,3}") ? Integer.parseInt(parted) : 0);
        if (node.get("fo:break-before") != null) look = look.with(ParagraphProperty.PAGE_BREAK_BEFORE, node.get("fo:break-before").equals("page"));
        if (node.get("style:contextual-spacing") != null)
            look = look.with(ParagraphProperty.CONTEXTUAL_SPACING, node.get("style:contextual-spacing").equals("true"));
        String direction = node.get("style:writing-mode");
        if (direction != null && direction.matches("(rl|lr).*")) look = look.with(ParagraphProperty.RIGHT_TO_LEFT, direction.startsWith("rl"));
        if (colour(node.get("fo:background-color")) != null) look = look.with(ParagraphProperty.SHADING, colour(node.get("fo:background-color")));
        else if ("transparent".equals(node.get("fo:background-color"))) look = look.with(ParagraphProperty.SHADING, Colour.AUTOMATIC);
        Borders borders = borders(node);
        if (borders != null) look = look.with(ParagraphProperty.BORDERS, borders);
        XmlNode tabs = node.child("style:tab-stops");
        return tabs == null ? look : look.with(ParagraphProperty.TABS, tabs(tabs));
    }

    private static TabStops tabs(XmlNode node) {
        List<TabStop> stops = new ArrayList<>();
        for (XmlNode stop : node.children("style:tab-stop")) {
            TabStop.Kind kind = switch (stop.get("style:type", "left")) {
                case "center" -> TabStop.Kind.CENTRE;
                case "right" -> TabStop.Kind.END;
                case "char" -> TabStop.Kind.DECIMAL;
                default -> TabStop.Kind.START;
            };
            String style = stop.get("style:leader-style", "none");
            String text = stop.get("style:leader-text", ".");
            TabStop.Leader leader = style.equals("none") ? TabStop.Leader.NONE : text.equals("-") ? TabStop.Leader.HYPHENS : text.equals("\u00B7")
                    ? TabStop.Leader.MIDDLE_DOTS : text.equals("_") || style.equals("solid") ? TabStop.Leader.LINE : TabStop.Leader.DOTS;
            stops.add(new TabStop(length(stop.get("style:position"), 0), kind, leader));
        }
        return new TabStops(stops);
    }
}
