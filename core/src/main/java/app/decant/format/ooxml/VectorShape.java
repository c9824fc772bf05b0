package app.decant.format.ooxml;

import app.decant.format.shape.DrawnLetters;
import app.decant.format.shape.DrawnShape.Head;
import app.decant.format.shape.DrawnShape.Ink;
import app.decant.format.shape.DrawnShape.Part;
import app.decant.format.shape.DrawnShape.Pen;
import app.decant.format.shape.DrawnShape;
import app.decant.format.shape.ShapeGeometry;
import app.decant.format.shape.VectorPath;
import app.decant.xml.XmlNode;
import java.awt.Shape;
import java.awt.geom.AffineTransform;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.awt.geom.RoundRectangle2D;
import java.util.List;
import java.util.Map;

/** The outlines of shapes in the older vector markup: lines, boxes, ovals, letters on a path, and those that it numbers (19.1.2.19, {@code o:spt}). */
final class VectorShape {
    private VectorShape() { }

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
        return DrawnShape.draw(parts(shape, style), ink(shape, ink), turning(style), words(shape));
    }

    /** What it shows to people who do not see it, or null. */
    private static String words(XmlNode shape) {
        XmlNode letters = letters(shape);
        return letters == null ? shape.get("alt") : letters.get("string").strip();
    }

    /** Its words that are drawn as letters, or null. */
    private static XmlNode letters(XmlNode shape) {
        XmlNode letters = shape.child("v:textpath");
        return letters == null || letters.get("string", "").isBlank() ? null : letters;
    }

    /** Its outlines in its own box, not yet turned. */
    static List<Part> parts(XmlNode shape, Map<String, String> style) {
        double width = VectorReader.points(style, "width", 0);
        double height = VectorReader.points(style, "height", 0);
        XmlNode letters = letters(shape);
        return letters == null ? parts(shape, width, height) : letters(letters, width, height);
    }

    /** Letters end in no arrows. */
    static Ink ink(XmlNode shape, Ink ink) {
        Pen line = new Pen(ink.pen().width(), ink.pen().colour(), List.of(), Head.NONE, Head.NONE);
        return letters(shape) == null ? ink : ink.with(line);
    }

    /** By which it is turned and mirrored in its box. */
    static AffineTransform turning(Map<String, String> style) {
        double width = VectorReader.points(style, "width", 0);
        double height = VectorReader.points(style, "height", 0);
        AffineTransform turned = AffineTransform.getTranslateInstance(width / 2, height / 2);
        turned.rotate(Math.toRadians(turn(style.getOrDefault("rotation", "0"))));
        String flip = style.getOrDefault("flip", "");
        turned.scale(flip.contains("x") ? -1 : 1, flip.contains("y") ? -1 : 1);
        turned.translate(-width / 2, -height / 2);
        return turned;
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
                List<Part> known = ShapeGeometry.numbered(number(shape), width, height);
                yield !known.isEmpty() || shape.get("path") == null ? known : VectorPath.parts(shape.get("path"), measure(shape), width, height);
            }
            default -> List.of();
        };
    }

    /** What the points of a path are told in (19.1.2.19, {@code coordorigin} and {@code coordsize}). */
    private static Rectangle2D measure(XmlNode shape) {
        double[] from = point(shape.get("coordorigin", "0,0"));
        double[] size = point(shape.get("coordsize", "1000,1000"));
        return new Rectangle2D.Double(from[0], from[1], size[0], size[1]);
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
