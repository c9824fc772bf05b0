package app.decant.format.shape;

import app.decant.format.shape.DrawnShape.Part;
import app.decant.xml.XmlNode;
import java.awt.geom.AffineTransform;
import java.awt.geom.Arc2D;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Outlines of custom shapes, whose points may be formulas (ISO/IEC 26300-1, 10.6.2 and 19.145). */
final class EnhancedPath {
    private static final Pattern TOKEN = Pattern.compile("[A-Z]|\\?[A-Za-z0-9_]+|\\$\\d+|[-+]?(?:\\d+\\.?\\d*|\\.\\d+)(?:[eE][-+]?\\d{1,3})?|[a-z]+");
    private static final int USUAL_SIZE = 21_600;
    private static final int MOST = 100_000;

    private final ShapeFormula formulas;
    private final PartTracer traced;
    private boolean across;

    private EnhancedPath(ShapeFormula formulas, AffineTransform fit) {
        this.formulas = formulas;
        traced = new PartTracer(fit);
    }

    /** @return nothing where the geometry has no path that makes sense */
    static List<Part> parts(XmlNode geometry, double width, double height) {
        Rectangle2D told = PathText.box(geometry.get("svg:viewBox"));
        Rectangle2D box = told == null ? new Rectangle2D.Double(0, 0, USUAL_SIZE, USUAL_SIZE) : told;
        Map<String, String> named = new HashMap<>();
        for (XmlNode one : geometry.children("draw:equation")) named.put(one.get("draw:name", ""), one.get("draw:formula", "0"));
        List<Double> modifiers = new ArrayList<>();
        for (String one : geometry.get("draw:modifiers", "").strip().split("\\s+"))
            modifiers.add(one.matches("[-+]?\\d*\\.?\\d+([eE][-+]?\\d{1,3})?") ? Double.parseDouble(one) : 0.0);
        Map<String, Double> given = Map.ofEntries(Map.entry("pi", Math.PI), Map.entry("left", box.getMinX()), Map.entry("top", box.getMinY()),
                Map.entry("right", box.getMaxX()), Map.entry("bottom", box.getMaxY()), Map.entry("width", box.getWidth()),
                Map.entry("height", box.getHeight()), Map.entry("logwidth", width / 72 * 2540), Map.entry("logheight", height / 72 * 2540),
                Map.entry("hasstroke", 1.0), Map.entry("hasfill", 1.0));
        EnhancedPath outline = new EnhancedPath(new ShapeFormula(named, modifiers, given), PathText.fit(box, width, height));
        outline.trace(geometry.get("draw:enhanced-path", ""));
        return outline.traced.parts();
    }

    private void trace(String told) {
        Matcher found = TOKEN.matcher(told);
        char command = ' ';
        List<Double> values = new ArrayList<>();
        int count = 0;
        while (found.find() && count++ < MOST) {
            char first = found.group().charAt(0);
            if (Character.isUpperCase(first)) {
                run(command, values);
                command = first;
                values.clear();
            } else values.add(formulas.value(found.group()));
        }
        run(command, values);
        traced.end();
    }

    /** A command once for each time that its values are there. */
    private void run(char command, List<Double> values) {
        int each = switch (command) {
            case 'M', 'L', 'X', 'Y' -> 2;
            case 'Q', 'G' -> 4;
            case 'C', 'T', 'U' -> 6;
            case 'A', 'B', 'W', 'V' -> 8;
            default -> 0;
        };
        if (each == 0) {
            plain(command);
            return;
        }
        across = command == 'X';
        for (int i = 0; i + each <= values.size(); i += each) {
            double[] v = new double[each];
            for (int k = 0; k < each; k++) v[k] = values.get(i + k);
            if (command == 'M' && i == 0) traced.path.moveTo(v[0], v[1]);
            else if (traced.isBegun() || "TUABWV".indexOf(command) >= 0) drawn(command, v);
        }
    }

    private void plain(char command) {
        switch (command) {
            case 'Z' -> traced.close();
            case 'N' -> traced.end();
            case 'F' -> traced.filled = false;
            case 'S' -> traced.stroked = false;
            default -> { }
        }
    }

    private void drawn(char command, double[] v) {
        switch (command) {
            case 'M', 'L' -> traced.path.lineTo(v[0], v[1]);
            case 'C' -> traced.path.curveTo(v[0], v[1], v[2], v[3], v[4], v[5]);
            case 'Q' -> traced.path.quadTo(v[0], v[1], v[2], v[3]);
            case 'X', 'Y' -> quadrant(v[0], v[1]);
            case 'T', 'U' -> append(arc(v[0] - v[2], v[1] - v[3], 2 * v[2], 2 * v[3], v[4], v[5] - v[4]), command == 'T');
            case 'G' -> round(v[0], v[1], v[2], v[3]);
            default -> between(command, v);
        }
    }

    /** Arcs of the library go the other way round. */
    private static Arc2D arc(double left, double top, double width, double height, double from, double extent) {
        return new Arc2D.Double(left, top, width, height, -from, -extent, Arc2D.OPEN);
    }

    private void append(Arc2D arc, boolean joined) { traced.path.append(arc, joined && traced.isBegun()); }

    /** A quarter of an ellipse, which begins across the page or down it, by turns. */
    private void quadrant(double toX, double toY) {
        Point2D from = traced.path.getCurrentPoint();
        double share = 0.5522847498;
        double dx = toX - from.getX();
        double dy = toY - from.getY();
        if (across) traced.path.curveTo(from.getX() + share * dx, from.getY(), toX, toY - share * dy, toX, toY);
        else traced.path.curveTo(from.getX(), from.getY() + share * dy, toX - share * dx, toY, toX, toY);
        across = !across;
    }

    /** On from where it is, round an ellipse of which only the radii are told. */
    private void round(double wide, double high, double from, double extent) {
        Point2D at = traced.path.getCurrentPoint();
        double middleX = at.getX() - wide * Math.cos(Math.toRadians(from));
        double middleY = at.getY() - high * Math.sin(Math.toRadians(from));
        append(arc(middleX - wide, middleY - high, 2 * wide, 2 * high, from, extent), true);
    }

    /** Round the ellipse in a box, from the way to one point to the way to another. */
    private void between(char command, double[] v) {
        double left = Math.min(v[0], v[2]);
        double top = Math.min(v[1], v[3]);
        double wide = Math.abs(v[2] - v[0]);
        double high = Math.abs(v[3] - v[1]);
        if (wide == 0 || high == 0) return;
        double from = angle(v[4] - left - wide / 2, v[5] - top - high / 2, wide, high);
        double to = angle(v[6] - left - wide / 2, v[7] - top - high / 2, wide, high);
        boolean clockwise = command == 'W' || command == 'V';
        double extent = ((clockwise ? to - from : from - to) % 360 + 360) % 360;
        if (extent == 0) extent = 360;
        append(arc(left, top, wide, high, from, clockwise ? extent : -extent), command == 'A' || command == 'W');
    }

    private static double angle(double x, double y, double wide, double high) { return Math.toDegrees(Math.atan2(y / high, x / wide)); }
}
