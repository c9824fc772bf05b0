package app.decant.format.shape;

import java.awt.geom.AffineTransform;
import java.awt.geom.Arc2D;
import java.awt.geom.Path2D;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Outlines written as text: path data (SVG 1.1, 8.3) and rows of points. */
final class PathText {
    private static final Pattern TOKEN = Pattern.compile("[MmLlHhVvCcSsQqTtAaZz]|[-+]?(?:\\d+\\.?\\d*|\\.\\d+)(?:[eE][-+]?\\d{1,3})?");
    private static final int MOST = 200_000;

    private final List<String> tokens = new ArrayList<>();
    private final Path2D path = new Path2D.Double();
    private int at;
    private double x;
    private double y;
    private double controlX;
    private double controlY;
    private double startX;
    private double startY;

    private PathText(String told) {
        Matcher found = TOKEN.matcher(told);
        while (found.find() && tokens.size() < MOST) tokens.add(found.group());
    }

    /** The outline of path data, as far as it makes sense. */
    static Path2D of(String told) { return new PathText(told).traced(); }

    /** Lines through points; back to the first where {@code closed}. */
    static Path2D through(String points, boolean closed) {
        Path2D path = new Path2D.Double();
        String[] numbers = points.strip().split("[,\\s]+");
        for (int i = 0; i + 1 < numbers.length && i < MOST; i += 2) {
            if (!TOKEN.matcher(numbers[i]).matches() || !TOKEN.matcher(numbers[i + 1]).matches()) break;
            double x = Double.parseDouble(numbers[i]);
            double y = Double.parseDouble(numbers[i + 1]);
            if (i == 0) path.moveTo(x, y);
            else path.lineTo(x, y);
        }
        if (closed && path.getCurrentPoint() != null) path.closePath();
        return path;
    }

    /** A view box of four numbers; null for what is none. */
    static Rectangle2D box(String told) {
        String[] numbers = told == null ? new String[0] : told.strip().split("[,\\s]+");
        if (numbers.length != 4) return null;
        double[] box = new double[4];
        for (int i = 0; i < 4; i++) {
            if (!TOKEN.matcher(numbers[i]).matches() || Character.isLetter(numbers[i].charAt(0))) return null;
            box[i] = Double.parseDouble(numbers[i]);
        }
        return box[2] <= 0 || box[3] <= 0 ? null : new Rectangle2D.Double(box[0], box[1], box[2], box[3]);
    }

    /** What brings a box to a size. */
    static AffineTransform fit(Rectangle2D box, double width, double height) {
        AffineTransform fit = AffineTransform.getScaleInstance(box.getWidth() == 0 ? 1 : width / box.getWidth(), box.getHeight() == 0 ? 1
                : height / box.getHeight());
        fit.translate(-box.getX(), -box.getY());
        return fit;
    }

    private boolean hasNumber() { return at < tokens.size() && !Character.isLetter(tokens.get(at).charAt(0)); }

    private double number() { return hasNumber() ? Double.parseDouble(tokens.get(at++)) : 0; }

    private Path2D traced() {
        char step = 'M';
        char last = ' ';
        while (at < tokens.size()) {
            if (!hasNumber()) step = tokens.get(at++).charAt(0);
            else if (step == 'Z' || step == 'z') break;
            boolean relative = Character.isLowerCase(step);
            char kind = Character.toUpperCase(step);
            if (kind != 'M' && path.getCurrentPoint() == null) break;
            step(kind, relative ? x : 0, relative ? y : 0, last);
            last = kind;
            // What follows the first pair of a move are lines.
            if (kind == 'M') step = relative ? 'l' : 'L';
        }
        return path;
    }

    private void step(char kind, double fromX, double fromY, char last) {
        switch (kind) {
            case 'M' -> {
                to(fromX + number(), fromY + number());
                startX = x;
                startY = y;
                path.moveTo(x, y);
            }
            case 'L' -> {
                to(fromX + number(), fromY + number());
                path.lineTo(x, y);
            }
            case 'H' -> {
                to(fromX + number(), y);
                path.lineTo(x, y);
            }
            case 'V' -> {
                to(x, fromY + number());
                path.lineTo(x, y);
            }
            case 'C' -> curve(fromX + number(), fromY + number(), fromX, fromY);
            case 'S' -> {
                boolean smooth = last == 'C' || last == 'S';
                curve(smooth ? 2 * x - controlX : x, smooth ? 2 * y - controlY : y, fromX, fromY);
            }
            case 'Q' -> bow(fromX + number(), fromY + number(), fromX, fromY);
            case 'T' -> {
                boolean smooth = last == 'Q' || last == 'T';
                bow(smooth ? 2 * x - controlX : x, smooth ? 2 * y - controlY : y, fromX, fromY);
            }
            case 'A' -> arc(number(), number(), number(), number() != 0, number() != 0, fromX + number(), fromY + number());
            default -> {
                path.closePath();
                to(startX, startY);
            }
        }
    }

    private void to(double newX, double newY) {
        x = newX;
        y = newY;
        controlX = newX;
        controlY = newY;
    }

    private void curve(double firstX, double firstY, double fromX, double fromY) {
        double secondX = fromX + number();
        double secondY = fromY + number();
        to(fromX + number(), fromY + number());
        path.curveTo(firstX, firstY, secondX, secondY, x, y);
        controlX = secondX;
        controlY = secondY;
    }

    private void bow(double middleX, double middleY, double fromX, double fromY) {
        to(fromX + number(), fromY + number());
        path.quadTo(middleX, middleY, x, y);
        controlX = middleX;
        controlY = middleY;
    }

    /** From two ends to a middle and angles (F.6.5). */
    private void arc(double wide, double high, double turn, boolean large, boolean sweep, double toX, double toY) {
        double radiusX = Math.abs(wide);
        double radiusY = Math.abs(high);
        double fromX = x;
        double fromY = y;
        to(toX, toY);
        AffineTransform upright = AffineTransform.getRotateInstance(-Math.toRadians(turn));
        Point2D half = upright.transform(new Point2D.Double((fromX - toX) / 2, (fromY - toY) / 2), null);
        if (radiusX == 0 || radiusY == 0 || half.distance(0, 0) == 0) {
            path.lineTo(toX, toY);
            return;
        }
        double over = half.getX() * half.getX() / (radiusX * radiusX) + half.getY() * half.getY() / (radiusY * radiusY);
        if (over > 1) {
            radiusX *= Math.sqrt(over);
            radiusY *= Math.sqrt(over);
        }
        double squareX = radiusX * radiusX;
        double squareY = radiusY * radiusY;
        double below = squareX * half.getY() * half.getY() + squareY * half.getX() * half.getX();
        double share = Math.sqrt(Math.max(0, (squareX * squareY - below) / below)) * (large == sweep ? -1 : 1);
        double middleX = share * radiusX * half.getY() / radiusY;
        double middleY = -share * radiusY * half.getX() / radiusX;
        double begin = Math.atan2((half.getY() - middleY) / radiusY, (half.getX() - middleX) / radiusX);
        double extent = Math.atan2((-half.getY() - middleY) / radiusY, (-half.getX() - middleX) / radiusX) - begin;
        if (sweep && extent < 0) extent += 2 * Math.PI;
        if (!sweep && extent > 0) extent -= 2 * Math.PI;
        AffineTransform back = AffineTransform.getTranslateInstance((fromX + toX) / 2, (fromY + toY) / 2);
        back.rotate(Math.toRadians(turn));
        back.translate(middleX, middleY);
        // Arcs of the library go the other way round.
        Arc2D arc = new Arc2D.Double(-radiusX, -radiusY, 2 * radiusX, 2 * radiusY, -Math.toDegrees(begin), -Math.toDegrees(extent), Arc2D.OPEN);
        path.append(arc.getPathIterator(back), true);
    }
}
