package app.decant.format.ooxml;

import app.decant.format.DrawnLetters;
import app.decant.format.DrawnShape.Head;
import app.decant.format.DrawnShape.Ink;
import app.decant.format.DrawnShape.Part;
import app.decant.format.DrawnShape.Pen;
import app.decant.format.DrawnShape;
import app.decant.xml.XmlNode;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.awt.geom.RoundRectangle2D;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** The outlines of shapes in the older vector markup: lines, boxes, ovals, letters on a path, and those that it numbers. */
final class VectorShape {
    /** The numbers of shapes (ISO/IEC 29500-4, 19.1.2.19, {@code o:spt}; MS-ODRAW, 2.4.24) by the names that drawings have for them. */
    private static final Map<Integer, String> NUMBERED = numbered();

    private VectorShape() { }

    private static Map<Integer, String> numbered() {
        Map<Integer, String> names = new HashMap<>();
        String[] first = {"rect", "roundRect", "ellipse", "diamond", "triangle", "rtTriangle", "parallelogram", "trapezoid", "hexagon", "octagon", "plus",
                "star5",
            "rightArrow", null, "homePlate", "cube"};
        for (int i = 0; i < first.length; i++) if (first[i] != null) names.put(i + 1, first[i]);
        names.putAll(Map.of(20, "line", 22, "can", 23, "donut", 32, "line", 55, "chevron", 56, "pentagon", 61, "wedgeRectCallout", 62, "wedgeRoundRectCallout",
                63, "wedgeEllipseCallout", 66, "leftArrow"));
        names.putAll(Map.of(67, "downArrow", 68, "upArrow", 69, "leftRightArrow", 70, "upDownArrow", 71, "irregularSeal1", 85, "leftBracket", 86,
                "rightBracket",
                87, "leftBrace", 88, "rightBrace", 96, "smileyFace"));
        names.putAll(Map.of(58, "star8", 59, "star16", 60, "star32", 65, "foldedCorner", 72, "irregularSeal2", 73, "lightningBolt", 74, "heart", 92, "star24",
                183, "sun", 184, "moon"));
        return names;
    }

    /** The box of a line from one point to another. */
    static void span(XmlNode line, Map<String, String> style) {
        double[] from = point(line.get("from", "0,0"));
        double[] to = point(line.get("to", "10,10"));
        for (int i = 0; i < 2; i++) {
            String edge = i == 0 ? "left" : "top";
            double least = Math.min(from[i], to[i]);
            style.put(edge, String.valueOf(least));
            style.put("margin-" + edge, String.valueOf(VectorReader.points(style, "margin-" + edge, 0) + least));
            style.put(i == 0 ? "width" : "height", String.valueOf(Math.abs(to[i] - from[i])));
        }
        style.put("flip", (from[0] > to[0] ? "x" : "") + (from[1] > to[1] ? "y" : ""));
    }

    private static double[] point(String told) {
        String[] both = told.split("[, ]+");
        double[] point = new double[2];
        for (int i = 0; i < 2 && i < both.length; i++) {
            Double value = Units.measure(both[i].trim(), 1);
            point[i] = value == null ? 0 : value;
        }
        return point;
    }

    /** The shape as a drawing; null where its outline is not known or nothing of it is seen. */
    static DrawnShape.Made draw(XmlNode shape, Map<String, String> style, Ink ink) {
        double width = VectorReader.points(style, "width", 0);
        double height = VectorReader.points(style, "height", 0);
        XmlNode letters = shape.child("v:textpath");
        boolean written = letters != null && !letters.get("string", "").isBlank();
        List<Part> parts = written ? letters(letters, width, height) : parts(shape, width, height);
        AffineTransform turned = AffineTransform.getTranslateInstance(width / 2, height / 2);
        turned.rotate(Math.toRadians(turn(style.getOrDefault("rotation", "0"))));
        String flip = style.getOrDefault("flip", "");
        turned.scale(flip.contains("x") ? -1 : 1, flip.contains("y") ? -1 : 1);
        turned.translate(-width / 2, -height / 2);
        Ink painted = written ? new Ink(ink.fill(), ink.opacity(), new Pen(ink.pen().width(), ink.pen().colour(), List.of(), Head.NONE, Head.NONE)) : ink;
        return DrawnShape.draw(parts, painted, turned, written ? letters.get("string").strip() : shape.get("alt"));
    }

    /** In degrees; so many 65536ths of one where fd follows. */
    private static double turn(String told) {
        Double value = told.endsWith("fd") ? Units.measure(told.substring(0, told.length() - 2), 65536) : Units.measure(told, 1);
        return value == null ? 0 : value;
    }

    private static List<Part> parts(XmlNode shape, double width, double height) {
        Rectangle2D box = new Rectangle2D.Double(0, 0, width, height);
        return switch (shape.name()) {
            case "v:line" -> List.of(new Part(diagonal(width, height), false, true, 1));
            case "v:rect" -> closed(box);
            case "v:oval" -> closed(new Ellipse2D.Double(0, 0, width, height));
            case "v:roundrect" -> {
                String told = shape.get("arcsize", "0.2");
                Double arc = told.endsWith("f") ? Units.measure(told.substring(0, told.length() - 1), 65536) : Units.measure(told.replace("%", ""),
                        told.endsWith("%") ? 100 : 1);
                double size = (arc == null ? 0.2 : Math.max(0, Math.min(0.5, arc))) * 2 * Math.min(width, height);
                yield closed(new RoundRectangle2D.Double(0, 0, width, height, size, size));
            }
            case "v:shape" -> {
                String name = NUMBERED.get(number(shape));
                if (name == null) yield List.of();
                yield name.equals("line") ? List.of(new Part(diagonal(width, height), false, true, 1)) : ShapeGeometry.preset(name, Map.of(), width, height);
            }
            default -> List.of();
        };
    }

    private static int number(XmlNode shape) {
        String told = shape.get("o:spt", shape.get("type", "").replaceFirst("^#_x0000_t", ""));
        return told.matches("\\d{1,4}") ? Integer.parseInt(told) : -1;
    }

    private static Path2D diagonal(double width, double height) {
        Path2D path = new Path2D.Double();
        path.moveTo(0, 0);
        path.lineTo(width, height);
        return path;
    }

    private static List<Part> closed(Shape shape) { return List.of(new Part(new Path2D.Double(shape), true, true, 1)); }

    /** Letters stretched to fill their box (19.1.2.23). */
    private static List<Part> letters(XmlNode told, double width, double height) {
        Map<String, String> style = VectorReader.style(told);
        String family = style.getOrDefault("font-family", "Liberation Sans").replaceAll("[\"']|&quot;", "");
        boolean bold = style.getOrDefault("font-weight", "").equals("bold");
        return DrawnLetters.filling(told.get("string").strip(), family, bold, style.getOrDefault("font-style", "").equals("italic"), width, height);
    }
}
