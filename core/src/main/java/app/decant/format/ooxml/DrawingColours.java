package app.decant.format.ooxml;

import app.decant.document.Colour;
import app.decant.xml.XmlNode;
import java.awt.Color;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.apache.poi.sl.usermodel.PresetColor;

/** The colours of drawings (ISO/IEC 29500-1, 20.1.2.3): told outright, by name, or as one of the document's theme, made lighter or darker. */
final class DrawingColours {
    private static final Map<String, String> MAPPED = Map.of("bg1", "lt1", "tx1", "dk1", "bg2", "lt2", "tx2", "dk2");
    private static final Map<String, Colour> NAMED = names();
    private final Map<String, Colour> theme = new HashMap<>();

    /** @param theme the document's theme, or null */
    DrawingColours(XmlNode theme) {
        XmlNode scheme = theme == null ? null : theme.at("a:themeElements", "a:clrScheme");
        if (scheme == null) return;
        for (XmlNode slot : scheme.children()) {
            Ink ink = in(slot, null);
            if (ink != null) this.theme.put(slot.name().substring(slot.name().indexOf(':') + 1), ink.colour);
        }
    }

    /** A colour of the theme by its slot, or null. */
    Colour themed(String slot) { return theme.get(slot); }

    /** A colour, and how much of what lies behind it is hidden: 1 for all. */
    record Ink(Colour colour, double opacity) { }

    /** The colour that an element holds; null where it holds none. @param placeholder what the colour of a placeholder is, or null */
    Ink in(XmlNode holder, Colour placeholder) {
        for (XmlNode node : holder == null ? List.<XmlNode>of() : holder.children()) {
            Colour colour = colour(node, placeholder);
            if (colour != null) return changed(node, colour);
        }
        return null;
    }

    private Colour colour(XmlNode node, Colour placeholder) {
        String value = node.get("val", "");
        return switch (node.name()) {
            case "a:srgbClr" -> value.matches("[0-9A-Fa-f]{6}") ? Colour.hex(value) : null;
            case "a:sysClr" -> node.get("lastClr", "").matches("[0-9A-Fa-f]{6}") ? Colour.hex(node.get("lastClr"))
                    : value.equals("window") ? Colour.WHITE : Colour.BLACK;
            case "a:schemeClr" -> value.equals("phClr") ? placeholder : theme.get(MAPPED.getOrDefault(value, value));
            case "a:prstClr" -> named(value);
            case "a:scrgbClr" -> new Colour(linear(node, "r") << 16 | linear(node, "g") << 8 | linear(node, "b"));
            case "a:hslClr" -> {
                Double hue = Units.measure(node.get("hue"), 60000 * 360.0);
                yield hue == null ? null : new Colour(ofLight(new double[] {hue, share(node, "sat", 1), share(node, "lum", 0.5)}));
            }
            default -> null;
        };
    }

    /** A colour by its name, as drawings (20.1.10.48) or the web call it; null where there is none of that name. */
    static Colour named(String name) { return NAMED.get(name.toLowerCase(Locale.ROOT)); }

    private static Map<String, Colour> names() {
        Map<String, Colour> names = new HashMap<>();
        for (PresetColor preset : PresetColor.values()) {
            if (preset.color == null) continue;
            Colour colour = new Colour(preset.color.getRGB() & 0xFFFFFF);
            names.put(preset.name().toLowerCase(Locale.ROOT), colour);
            if (preset.ooxmlId != null) names.put(preset.ooxmlId.toLowerCase(Locale.ROOT), colour);
        }
        return names;
    }

    private static int linear(XmlNode node, String channel) {
        double linear = Math.max(0, Math.min(1, share(node, channel, 0)));
        return (int) Math.round(255 * (linear <= 0.0031308 ? 12.92 * linear : 1.055 * Math.pow(linear, 1 / 2.4) - 0.055));
    }

    private static double share(XmlNode node, String attribute, double otherwise) {
        String text = node.get(attribute, "");
        Double value = text.endsWith("%") ? Units.measure(text.substring(0, text.length() - 1), 100) : Units.measure(text, 100000);
        return value == null ? otherwise : value;
    }

    /** What is done to a colour (20.1.2.3.12 and others), in the order of the file. */
    private static Ink changed(XmlNode node, Colour colour) {
        Colour made = colour;
        double opacity = 1;
        for (XmlNode change : node.children()) {
            double value = share(change, "val", 1);
            double[] light = hsl(made);
            switch (change.name()) {
                case "a:alpha" -> opacity = Math.max(0, Math.min(1, value));
                case "a:tint" -> made = made.mixed(Colour.WHITE, value);
                case "a:shade" -> made = made.mixed(Colour.BLACK, value);
                case "a:lumMod" -> made = new Colour(ofLight(new double[] {light[0], light[1], light[2] * value}));
                case "a:lumOff" -> made = new Colour(ofLight(new double[] {light[0], light[1], light[2] + value}));
                case "a:satMod" -> made = new Colour(ofLight(new double[] {light[0], light[1] * value, light[2]}));
                default -> { }
            }
        }
        return new Ink(made, opacity);
    }

    /** Hue, saturation and lightness, each 0 to 1. */
    private static double[] hsl(Colour colour) {
        float[] hsb = Color.RGBtoHSB(colour.red(), colour.green(), colour.blue(), null);
        double lightness = hsb[2] * (1 - hsb[1] / 2.0);
        double reach = Math.min(lightness, 1 - lightness);
        return new double[] {hsb[0], reach == 0 ? 0 : (hsb[2] - lightness) / reach, lightness};
    }

    private static int ofLight(double[] hsl) {
        double lightness = Math.max(0, Math.min(1, hsl[2]));
        double brightness = lightness + Math.max(0, Math.min(1, hsl[1])) * Math.min(lightness, 1 - lightness);
        double saturation = brightness == 0 ? 0 : 2 * (1 - lightness / brightness);
        return Color.HSBtoRGB((float) hsl[0], (float) saturation, (float) brightness) & 0xFFFFFF;
    }
}
