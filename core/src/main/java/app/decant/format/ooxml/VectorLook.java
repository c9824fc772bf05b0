package app.decant.format.ooxml;

import app.decant.document.Colour;
import app.decant.format.shape.Blend;
import app.decant.format.shape.DrawnShape.Head;
import app.decant.format.shape.DrawnShape.Ink;
import app.decant.format.shape.DrawnShape.Pen;
import app.decant.xml.XmlNode;
import java.util.List;

/** What a shape of the older vector markup is painted with (ISO/IEC 29500-4, 19.1.2.19): white with a black line where it says nothing. */
record VectorLook(Ink ink) {
    private static final double USUAL_WIDTH = 0.75;

    static VectorLook of(XmlNode shape) {
        XmlNode fill = shape.child("v:fill");
        XmlNode stroke = shape.child("v:stroke");
        boolean filled = isOn(shape.get("filled", fill == null ? "t" : fill.get("on", "t"))) && !shape.is("v:line");
        boolean stroked = isOn(shape.get("stroked", stroke == null ? "t" : stroke.get("on", "t")));
        Colour colour = colour(shape.get("fillcolor", fill == null ? null : fill.get("color")), Colour.WHITE);
        Blend blend = null;
        if (fill != null && fill.get("type", "solid").startsWith("gradient")) {
            Colour other = colour(fill.get("color2"), Colour.WHITE);
            blend = filled ? blend(fill, colour, other) : null;
            colour = colour.mixed(other, 0.5);
        }
        Double width = Units.measure(shape.get("strokeweight", stroke == null ? null : stroke.get("weight")), Units.EMU);
        Pen pen = stroked ? new Pen(width == null ? USUAL_WIDTH : Math.max(0.1, width), colour(shape.get("strokecolor", stroke == null ? null
                : stroke.get("color")),
                Colour.BLACK), dashes(stroke == null ? "solid" : stroke.get("dashstyle", "solid")), head(stroke, "startarrow"), head(stroke, "endarrow"))
                : Pen.NONE;
        return new VectorLook(new Ink(filled ? colour : null, fill == null ? 1 : opacity(fill.get("opacity", "1")), pen, blend));
    }

    /** From one colour to another and, where the run is folded, back (19.1.2.5, angle and focus). */
    private static Blend blend(XmlNode fill, Colour one, Colour other) {
        Double angle = Units.measure(fill.get("angle", "0"), 1);
        Double focus = Units.measure(fill.get("focus", "0").replace("%", ""), 100);
        double fold = focus == null ? 0 : Math.abs(focus);
        // Told against the clock from straight up.
        double turn = 90 - (angle == null ? 0 : angle) + 180;
        boolean backward = focus != null && focus < 0;
        Colour from = backward ? other : one;
        Colour to = backward ? one : other;
        List<Blend.Stop> stops = fold > 0.01 && fold < 0.99 ? List.of(new Blend.Stop(0, from), new Blend.Stop(fold, to), new Blend.Stop(1, from))
                : fold >= 0.99 ? List.of(new Blend.Stop(0, to), new Blend.Stop(1, from)) : List.of(new Blend.Stop(0, from), new Blend.Stop(1, to));
        return new Blend(turn, fill.get("type", "").equals("gradientradial"), stops);
    }

    private static boolean isOn(String value) { return value.isEmpty() || value.matches("t|true|1|on"); }

    /** A share, or so many 65536ths where an f follows. */
    private static double opacity(String text) {
        boolean fixed = text.endsWith("f");
        Double value = Units.measure(fixed ? text.substring(0, text.length() - 1) : text.replace("%", ""), fixed ? 65536 : text.endsWith("%") ? 100 : 1);
        return value == null ? 1 : Math.max(0, Math.min(1, value));
    }

    /** 19.1.3.3: by its digits or its name; what follows tells where it was picked. */
    static Colour colour(String told, Colour otherwise) {
        if (told == null || told.isBlank()) return otherwise;
        String first = told.strip().split("\\s+")[0];
        if (first.matches("#[0-9A-Fa-f]{6}")) return Colour.hex(first);
        if (first.matches("#[0-9A-Fa-f]{3}")) return Colour.hex(first.replaceAll("[0-9A-Fa-f]", "$0$0"));
        Colour named = DrawingColours.named(first);
        return named == null ? otherwise : named;
    }

    private static List<Double> dashes(String name) {
        return switch (name) {
            case "dot", "shortdot", "1 1" -> List.of(1.0, 1.5);
            case "dash", "shortdash" -> List.of(4.0, 3.0);
            case "longdash" -> List.of(8.0, 3.0);
            case "dashdot", "shortdashdot" -> List.of(4.0, 3.0, 1.0, 3.0);
            case "longdashdot" -> List.of(8.0, 3.0, 1.0, 3.0);
            case "longdashdotdot", "shortdashdotdot" -> List.of(8.0, 3.0, 1.0, 3.0, 1.0, 3.0);
            default -> List.of();
        };
    }

    private static Head head(XmlNode stroke, String end) {
        return switch (stroke == null ? "none" : stroke.get(end, "none")) {
            case "block", "classic" -> Head.TRIANGLE;
            case "open" -> Head.OPEN;
            case "oval" -> Head.OVAL;
            case "diamond" -> Head.DIAMOND;
            default -> Head.NONE;
        };
    }
}
