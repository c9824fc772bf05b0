package app.decant.format.html;

import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Look;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty.LineSpacing;
import app.decant.document.ParagraphProperty;
import app.decant.document.TextProperty.Underline;
import app.decant.document.TextProperty;
import com.helger.css.utils.ECSSColor;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Declarations of style sheets as looks. Lengths come out in points. */
final class StyleValues {
    private static final Pattern LENGTH = Pattern.compile("(-?\\d*\\.?\\d+)(pt|px|em|rem|cm|mm|in|pc|%)?");
    private static final Pattern CALL = Pattern.compile("(rgba?|hsla?)\\(([^()]*)\\)");

    private StyleValues() { }

    private static final List<String> SIDES = List.of("top", "right", "bottom", "left");
    private static final Pattern FONT = Pattern.compile("(?i)((?:(?:normal|italic|oblique|small-caps|bold|bolder|lighter|[1-9]00)\\s+)*)"
            + "([\\d.]+[a-z%]+|(?:xx?-)?small|medium|(?:xx?-)?large|smaller|larger)(?:\\s*/\\s*([\\d.]+[a-z%]*|normal))?\\s+(\\S.*)");

    /** A length in points, or null. @param size of the text, which relative lengths are measured by */
    static Double length(String value, double size) {
        if (value == null) return null;
        Matcher matcher = LENGTH.matcher(value.strip());
        if (!matcher.matches()) return null;
        double number = Double.parseDouble(matcher.group(1));
        return switch (matcher.group(2) == null ? "" : matcher.group(2)) {
            case "pt" -> number;
            case "px" -> number * 0.75;
            case "em" -> number * size;
            case "rem" -> number * 12;
            case "cm" -> number * 72 / 2.54;
            case "mm" -> number * 72 / 25.4;
            case "in" -> number * 72;
            case "pc" -> number * 12;
            case "%" -> number * size / 100;
            default -> number == 0 ? 0.0 : null;
        };
    }

    /** A colour by name, by number, by red, green and blue, or by hue (CSS Color 3, 4), or null; how far it shines through is not told here. */
    static Colour colour(String value) {
        if (value == null) return null;
        String plain = value.strip().toLowerCase(Locale.ROOT);
        // The only name that is younger than the library's list (Color 4, 6.1).
        if (plain.equals("rebeccapurple")) return Colour.hex("663399");
        ECSSColor named = ECSSColor.getFromNameCaseInsensitiveOrNull(plain);
        if (named != null) return of(named.getRed(), named.getGreen(), named.getBlue());
        String hex = plain.startsWith("#") ? plain.substring(1) : "";
        if (hex.matches("[0-9a-f]{3,4}")) hex = "" + hex.charAt(0) + hex.charAt(0) + hex.charAt(1) + hex.charAt(1) + hex.charAt(2) + hex.charAt(2);
        if (hex.matches("[0-9a-f]{6}([0-9a-f]{2})?")) return Colour.hex(hex.substring(0, 6));
        Matcher call = CALL.matcher(plain);
        if (!call.matches()) return null;
        String[] parts = call.group(2).strip().split("\\s*[,/\\s]\\s*");
        if (parts.length < 3) return null;
        try {
            if (call.group(1).startsWith("rgb")) return of(part(parts[0], 255), part(parts[1], 255), part(parts[2], 255));
            double hue = Double.parseDouble(parts[0].replace("deg", ""));
            double lightness = part(parts[2], 100) / 100.0;
            double chroma = part(parts[1], 100) / 100.0 * Math.min(lightness, 1 - lightness);
            return of(light(0, hue, lightness, chroma), light(8, hue, lightness, chroma), light(4, hue, lightness, chroma));
        } catch (NumberFormatException e) {
            return null;
        }
    }

    /** One of the three lights of a hue (CSS Color 4, 7.1). */
    private static int light(int shift, double hue, double lightness, double chroma) {
        double at = ((shift + hue / 30) % 12 + 12) % 12;
        return (int) Math.round(255 * (lightness - chroma * Math.max(-1, Math.min(Math.min(at - 3, 9 - at), 1))));
    }

    private static int part(String text, int full) {
        boolean share = text.endsWith("%");
        double number = Double.parseDouble(share ? text.substring(0, text.length() - 1) : text);
        return (int) Math.round(share ? number * full / 100 : number);
    }

    private static Colour of(int red, int green, int blue) {
        return new Colour(Math.max(0, Math.min(255, red)) << 16 | Math.max(0, Math.min(255, green)) << 8 | Math.max(0, Math.min(255, blue)));
    }

    /** @param size of the text around */
    static Look text(Map<String, String> told, double size) {
        Map<String, String> css = spelledOut(told);
        Look look = Look.PLAIN;
        String family = css.get("font-family");
        if (family != null) {
            String first = family.split(",")[0].replaceAll("[\"']", "").strip();
            String known = switch (first.toLowerCase(Locale.ROOT)) {
                case "serif", "" -> "Liberation Serif";
                case "sans-serif", "system-ui", "-apple-system" -> "Liberation Sans";
                case "monospace" -> "Liberation Mono";
                default -> first;
            };
            look = look.with(TextProperty.FAMILY, known);
        }
        Double points = size(css.get("font-size"), size);
        if (points != null) look = look.with(TextProperty.SIZE, points);
        String weight = css.get("font-weight");
        if (weight != null && !weight.equals("inherit")) look = look.with(TextProperty.BOLD, weight.startsWith("bold") || weight.matches("[6-9]00"));
        String style = css.get("font-style");
        if (style != null) look = look.with(TextProperty.ITALIC, style.startsWith("italic") || style.startsWith("oblique"));
        if (colour(css.get("color")) != null) look = look.with(TextProperty.COLOUR, colour(css.get("color")));
        String decoration = css.getOrDefault("text-decoration", css.get("text-decoration-line"));
        if (decoration != null) {
            if (decoration.contains("underline"))
                look = look.with(TextProperty.UNDERLINE, underline(decoration + " " + css.getOrDefault("text-decoration-style", "")));
            if (decoration.contains("line-through")) look = look.with(TextProperty.STRIKE, true);
            if (decoration.equals("none")) look = look.with(TextProperty.UNDERLINE, Underline.NONE);
        }
        if (css.getOrDefault("font-variant", css.getOrDefault("font-variant-caps", "")).contains("small-caps"))
            look = look.with(TextProperty.SMALL_CAPITALS, true);
        if ("uppercase".equals(css.get("text-transform"))) look = look.with(TextProperty.CAPITALS, true);
        String vertical = css.get("vertical-align");
        if ("super".equals(vertical)) look = look.with(TextProperty.SCRIPT, TextProperty.Script.SUPER);
        if ("sub".equals(vertical)) look = look.with(TextProperty.SCRIPT, TextProperty.Script.SUB);
        Double spacing = length(css.get("letter-spacing"), size);
        if (spacing != null && spacing != 0) look = look.with(TextProperty.LETTER_SPACING, spacing);
        return look;
    }

    private static Underline underline(String told) {
        return told.contains("double") ? Underline.DOUBLE : told.contains("wavy") ? Underline.WAVE : told.contains("dotted") ? Underline.DOTTED
                : told.contains("dashed") ? Underline.DASHED : Underline.SINGLE;
    }

    /** What {@code font} says in one goes before what is said one by one (CSS Fonts 3, 3.7): looks, then a size, maybe with a line height, then families. */
    private static Map<String, String> spelledOut(Map<String, String> css) {
        Matcher font = FONT.matcher(css.getOrDefault("font", ""));
        if (!font.matches()) return css;
        Map<String, String> all = new HashMap<>();
        all.put("font-size", font.group(2));
        if (font.group(3) != null) all.put("line-height", font.group(3));
        all.put("font-family", font.group(4));
        for (String word : font.group(1).strip().split("\\s+")) {
            if (word.matches("italic|oblique")) all.put("font-style", word);
            if (word.matches("bold|bolder|lighter|[1-9]00")) all.put("font-weight", word);
            if (word.equals("small-caps")) all.put("font-variant", word);
        }
        all.putAll(css);
        return all;
    }

    private static Double size(String value, double size) {
        if (value == null) return null;
        Double named = switch (value.strip()) {
            case "xx-small" -> 7.0;
            case "x-small" -> 7.5;
            case "small" -> 10.0;
            case "medium" -> 12.0;
            case "large" -> 13.5;
            case "x-large" -> 18.0;
            case "xx-large" -> 24.0;
            case "smaller" -> size / 1.2;
            case "larger" -> size * 1.2;
            default -> null;
        };
        Double points = named != null ? named : length(value, size);
        return points == null || points < 1 || points > 1000 ? null : (Double) (Math.round(points * 10) / 10.0);
    }

    static Colour background(Map<String, String> css) {
        Colour own = colour(css.get("background-color"));
        if (own != null || css.get("background") == null) return own;
        for (String word : css.get("background").strip().split("\\s+(?![^(]*\\))")) if (colour(word) != null) return colour(word);
        return null;
    }

    static Look paragraph(Map<String, String> told, double size) {
        Map<String, String> css = spelledOut(told);
        Look look = Look.PLAIN;
        String alignment = css.get("text-align");
        if (alignment != null) {
            Alignment known = switch (alignment) {
                case "left", "start" -> Alignment.START;
                case "center", "-webkit-center" -> Alignment.CENTRE;
                case "right", "end" -> Alignment.END;
                case "justify" -> Alignment.JUSTIFY;
                default -> null;
            };
            if (known != null) look = look.with(ParagraphProperty.ALIGNMENT, known);
        }
        Double top = length(side(css, "margin", 0), size);
        Double bottom = length(side(css, "margin", 2), size);
        if (top != null) look = look.with(ParagraphProperty.SPACE_BEFORE, Math.max(0, top));
        if (bottom != null) look = look.with(ParagraphProperty.SPACE_AFTER, Math.max(0, bottom));
        Double start = length(css.getOrDefault("margin-inline-start", side(css, "margin", 3)), size);
        if (start != null) look = look.with(ParagraphProperty.INDENT_START, start);
        Double end = length(css.getOrDefault("margin-inline-end", side(css, "margin", 1)), size);
        if (end != null) look = look.with(ParagraphProperty.INDENT_END, end);
        Double first = length(css.get("text-indent"), size);
        if (first != null) look = look.with(ParagraphProperty.FIRST_LINE, first);
        String hyphens = css.get("hyphens");
        if (hyphens != null) look = look.with(ParagraphProperty.HYPHENATION, hyphens.equals("auto"));
        String height = css.get("line-height");
        if (height != null && height.matches("\\d*\\.?\\d+"))
            look = look.with(ParagraphProperty.LINE_SPACING, new LineSpacing(LineSpacing.Rule.MULTIPLE,
                    Math.max(0.1, Math.round(Double.parseDouble(height) / 1.15 * 100) / 100.0)));
        else if (length(height, size) != null && length(height, size) > 0)
            look = look.with(ParagraphProperty.LINE_SPACING, new LineSpacing(LineSpacing.Rule.EXACTLY, length(height, size)));
        if (css.getOrDefault("break-before", css.getOrDefault("page-break-before", "")).matches("page|always"))
            look = look.with(ParagraphProperty.PAGE_BREAK_BEFORE, true);
        if (css.getOrDefault("break-after", css.getOrDefault("page-break-after", "")).equals("avoid")) look = look.with(ParagraphProperty.KEEP_WITH_NEXT, true);
        if ("rtl".equals(css.get("direction"))) look = look.with(ParagraphProperty.RIGHT_TO_LEFT, true);
        Colour behind = background(css);
        if (behind != null) look = look.with(ParagraphProperty.SHADING, behind);
        Borders borders = borders(css, size);
        return borders == null ? look : look.with(ParagraphProperty.BORDERS, borders);
    }

    /** What is said of a side, 0 to 3 from the top clockwise: by itself, or with others in one to four values (CSS 2.2, 8.3). */
    private static String side(Map<String, String> css, String property, int side) {
        String own = css.get(property + "-" + SIDES.get(side));
        if (own != null || css.get(property) == null) return own;
        String[] all = css.get(property).strip().split("\\s+(?![^(]*\\))");
        return side < all.length ? all[side] : side == 3 && all.length > 1 ? all[1] : all[0];
    }

    /** Borders of all sides as far as they are told, or null. */
    static Borders borders(Map<String, String> css, double size) {
        Border[] sides = new Border[4];
        boolean any = false;
        for (int i = 0; i < 4; i++) {
            String told = css.getOrDefault("border-" + SIDES.get(i), css.getOrDefault("border", ""));
            for (String part : List.of("width", "style", "color")) {
                String one = css.getOrDefault("border-" + SIDES.get(i) + "-" + part, part(css, part, i));
                if (one != null) told += " " + one;
            }
            if (told.isBlank()) continue;
            sides[i] = border(told.strip(), side(css, "padding", i), size);
            any |= sides[i] != null;
        }
        return any ? new Borders(sides[0], sides[1], sides[2], sides[3], null, null) : null;
    }

    /** Width, style or colour of all sides in one to four values. */
    private static String part(Map<String, String> css, String part, int side) {
        String all = css.get("border-" + part);
        return all == null ? null : side(Map.of("all", all), "all", side);
    }

    private static Border border(String told, String padding, double size) {
        Border.Line line = null;
        double width = 1.5;
        Colour colour = Colour.AUTOMATIC;
        for (String word : told.split("\\s+(?![^(]*\\))")) {
            switch (word) {
                case "none", "hidden" -> {
                    return Border.NONE;
                }
                case "solid", "inset", "outset", "ridge", "groove" -> line = Border.Line.SINGLE;
                case "double" -> line = Border.Line.DOUBLE;
                case "dotted" -> line = Border.Line.DOTTED;
                case "dashed" -> line = Border.Line.DASHED;
                case "thin" -> width = 0.75;
                case "thick" -> width = 3;
                default -> {
                    if (length(word, size) != null) width = length(word, size);
                    else if (colour(word) != null) colour = colour(word);
                }
            }
        }
        Double space = length(padding, size);
        return line == null || width <= 0 ? null : new Border(line, width, colour, space == null ? 0 : space);
    }
}
