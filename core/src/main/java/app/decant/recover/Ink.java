package app.decant.recover;

import java.awt.geom.Path2D;

/** What is drawn on a page besides letters and pictures, in points from its top left corner. */
sealed interface Ink {
    int order();

    /** A straight line across or down; {@code x1 <= x2}, {@code y1 <= y2}. */
    record Stroke(double x1, double y1, double x2, double y2, double width, int rgb, boolean dashed, int order) implements Ink {
        boolean isAcross() { return x2 - x1 >= y2 - y1; }
        double length() { return Math.max(x2 - x1, y2 - y1); }
    }

    /** A filled rectangle. */
    record Fill(double x, double y, double width, double height, int rgb, int order) implements Ink {
        double right() { return x + width; }
        double bottom() { return y + height; }
    }

    /** Any other shape: filled where {@code line} is 0, else drawn with a line of that width. */
    record Shape(Path2D path, double line, float[] dash, int rgb, double alpha, boolean evenOdd, int order) implements Ink { }
}
