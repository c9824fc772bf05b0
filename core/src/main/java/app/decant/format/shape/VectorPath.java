package app.decant.format.shape;

import app.decant.format.shape.DrawnShape.Part;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Outlines of the older vector markup (ISO/IEC 29500-4, 19.1.2.11, {@code path}), as far as they need no formulas and no arcs. */
public final class VectorPath {
    /** A number left out between two commas is nothing. */
    private static final Pattern TOKEN = Pattern.compile("n[fs]|[mlcxetrv]|-?\\d+|,|[a-z@]");
    private static final int MOST = 200_000;

    private final PartTracer traced;
    private double x;
    private double y;
    private boolean isKnown = true;

    private VectorPath(AffineTransform fit) { traced = new PartTracer(fit); }

    /**
     * The outlines of a path.
     *
     * @param measure of its own: from where, and how wide and high its box is
     * @param width   of the box in points, as is {@code height}
     * @return nothing where it uses what is not drawn here
     */
    public static List<Part> parts(String told, Rectangle2D measure, double width, double height) {
        VectorPath outline = new VectorPath(PathText.fit(measure, width, height));
        Matcher found = TOKEN.matcher(told);
        String command = "";
        List<Integer> values = new ArrayList<>();
        boolean open = true;
        for (int i = 0; i < MOST && outline.isKnown && found.find(); i++) {
            String token = found.group();
            if (token.equals(",")) {
                if (open) values.add(0);
                open = true;
            } else if (Character.isDigit(token.charAt(token.length() - 1))) {
                values.add(token.length() > 10 ? 0 : Integer.parseInt(token));
                open = false;
            } else {
                outline.run(command, values);
                command = token;
                values.clear();
                open = true;
            }
        }
        outline.run(command, values);
        outline.traced.end();
        return outline.isKnown ? outline.traced.parts() : List.of();
    }

    private void run(String command, List<Integer> values) {
        boolean begun = traced.isBegun();
        switch (command) {
            case "" -> { }
            case "x" -> traced.close();
            case "e" -> traced.end();
            case "nf" -> traced.filled = false;
            case "ns" -> traced.stroked = false;
            case "m", "t" -> {
                move(command.equals("t"), value(values, 0), value(values, 1));
                traced.path.moveTo(x, y);
            }
            case "l", "r" -> {
                for (int i = 0; begun && i < values.size(); i += 2) {
                    move(command.equals("r"), value(values, i), value(values, i + 1));
                    traced.path.lineTo(x, y);
                }
            }
            case "c", "v" -> {
                for (int i = 0; begun && i < values.size(); i += 6) curve(command.equals("v"), values, i);
            }
            default -> isKnown = false;
        }
    }

    private void curve(boolean relative, List<Integer> values, int at) {
        double fromX = relative ? x : 0;
        double fromY = relative ? y : 0;
        double[] control = {fromX + value(values, at), fromY + value(values, at + 1), fromX + value(values, at + 2), fromY + value(values, at + 3)};
        move(relative, value(values, at + 4), value(values, at + 5));
        traced.path.curveTo(control[0], control[1], control[2], control[3], x, y);
    }

    private void move(boolean relative, double toX, double toY) {
        x = relative ? x + toX : toX;
        y = relative ? y + toY : toY;
    }

    private static double value(List<Integer> values, int at) { return at < values.size() ? values.get(at) : 0; }
}
