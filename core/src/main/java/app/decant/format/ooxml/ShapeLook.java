package app.decant.format.ooxml;

import app.decant.document.Colour;
import app.decant.format.shape.Blend;
import app.decant.format.shape.DrawnShape.Head;
import app.decant.format.shape.DrawnShape.Ink;
import app.decant.format.shape.DrawnShape.Pen;
import app.decant.xml.XmlNode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** What a shape of a drawing is painted with (ISO/IEC 29500-1, 20.1.8, 20.1.2.2.24): its own words first, then those of its style. */
record ShapeLook(Ink ink, Colour letters) {
    private static final double USUAL_WIDTH = 0.75;

    /**
     * Reads the look of a shape.
     *
     * @param properties {@code wps:spPr}, or null
     * @param style      {@code wps:style}, or null
     */
    static ShapeLook of(XmlNode properties, XmlNode style, DrawingColours colours) {
        DrawingColours.Ink fill = fill(properties, style, colours);
        XmlNode font = style == null ? null : style.child("a:fontRef");
        DrawingColours.Ink letters = colours.in(font, null);
        Blend blend = fill == null ? null : blend(properties, colours);
        return new ShapeLook(new Ink(fill == null ? null : fill.colour(), fill == null ? 1 : fill.opacity(), pen(properties, style, colours), blend),
                letters == null ? null : letters.colour());
    }

    private static DrawingColours.Ink fill(XmlNode properties, XmlNode style, DrawingColours colours) {
        for (XmlNode node : properties == null ? List.<XmlNode>of() : properties.children()) {
            switch (node.name()) {
                case "a:noFill" -> {
                    return null;
                }
                case "a:solidFill" -> {
                    return colours.in(node, null);
                }
                case "a:gradFill" -> {
                    return middle(node, colours);
                }
                case "a:pattFill" -> {
                    DrawingColours.Ink front = colours.in(node.child("a:fgClr"), null);
                    DrawingColours.Ink back = colours.in(node.child("a:bgClr"), null);
                    return front == null || back == null ? back : new DrawingColours.Ink(front.colour().mixed(back.colour(), 0.5), 1);
                }
                default -> { }
            }
        }
        XmlNode reference = style == null ? null : style.child("a:fillRef");
        return reference == null || reference.get("idx", "0").equals("0") ? null : colours.in(reference, null);
    }

    /** The run of colours of a shape (20.1.8.33), or null. */
    private static Blend blend(XmlNode properties, DrawingColours colours) {
        XmlNode gradient = properties == null ? null : properties.child("a:gradFill");
        XmlNode told = gradient == null ? null : gradient.child("a:gsLst");
        List<Blend.Stop> stops = new ArrayList<>();
        for (XmlNode stop : told == null ? List.<XmlNode>of() : told.children("a:gs")) {
            DrawingColours.Ink ink = colours.in(stop, null);
            String at = stop.get("pos", "0");
            Double share = at.endsWith("%") ? Units.measure(at.substring(0, at.length() - 1), 100) : Units.measure(at, 100000);
            if (ink != null && share != null) stops.add(new Blend.Stop(Math.max(0, Math.min(1, share)), ink.colour()));
        }
        if (stops.size() < 2) return null;
        stops.sort(Comparator.comparingDouble(Blend.Stop::at));
        XmlNode line = gradient.child("a:lin");
        Integer angle = line == null ? null : Units.whole(line, "ang");
        return new Blend(angle == null ? 0 : angle / 60000.0, gradient.child("a:path") != null, stops);
    }

    /** A run of colours, where it can't be painted as one, is what they mix to. */
    private static DrawingColours.Ink middle(XmlNode gradient, DrawingColours colours) {
        XmlNode stops = gradient.child("a:gsLst");
        Colour mixed = null;
        int count = 0;
        for (XmlNode stop : stops == null ? List.<XmlNode>of() : stops.children("a:gs")) {
            DrawingColours.Ink ink = colours.in(stop, null);
            if (ink == null) continue;
            mixed = mixed == null ? ink.colour() : mixed.mixed(ink.colour(), count / (count + 1.0));
            count++;
        }
        return mixed == null ? null : new DrawingColours.Ink(mixed, 1);
    }

    private static Pen pen(XmlNode properties, XmlNode style, DrawingColours colours) {
        XmlNode line = properties == null ? null : properties.child("a:ln");
        XmlNode reference = style == null ? null : style.child("a:lnRef");
        boolean styled = reference != null && !reference.get("idx", "0").equals("0");
        if (line == null && !styled || line != null && line.child("a:noFill") != null) return Pen.NONE;
        DrawingColours.Ink own = line == null ? null : line.child("a:gradFill") != null ? middle(line.child("a:gradFill"), colours)
                : colours.in(line.child("a:solidFill"), null);
        DrawingColours.Ink ink = own != null ? own : styled ? colours.in(reference, null) : null;
        if (ink == null) return Pen.NONE;
        XmlNode dash = line == null ? null : line.child("a:prstDash");
        return new Pen(Units.emu(line, "w", USUAL_WIDTH), ink.colour(), dashes(dash == null ? "solid" : dash.get("val", "solid")),
                head(line, "a:headEnd"), head(line, "a:tailEnd"));
    }

    /** 20.1.10.49, in widths of the line. */
    private static List<Double> dashes(String name) {
        return switch (name) {
            case "dot", "sysDot" -> List.of(1.0, 1.5);
            case "dash", "sysDash" -> List.of(4.0, 3.0);
            case "lgDash" -> List.of(8.0, 3.0);
            case "dashDot", "sysDashDot" -> List.of(4.0, 3.0, 1.0, 3.0);
            case "lgDashDot" -> List.of(8.0, 3.0, 1.0, 3.0);
            case "lgDashDotDot", "sysDashDotDot" -> List.of(8.0, 3.0, 1.0, 3.0, 1.0, 3.0);
            default -> new ArrayList<>();
        };
    }

    private static Head head(XmlNode line, String end) {
        XmlNode node = line == null ? null : line.child(end);
        return switch (node == null ? "none" : node.get("type", "none")) {
            case "triangle", "stealth" -> Head.TRIANGLE;
            case "arrow" -> Head.OPEN;
            case "oval" -> Head.OVAL;
            case "diamond" -> Head.DIAMOND;
            default -> Head.NONE;
        };
    }

}
