package app.decant.pdf.read;

import java.awt.Color;
import java.awt.geom.AffineTransform;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import org.apache.pdfbox.cos.COSDictionary;

/** What is drawn on a page besides letters and pictures, in points from its top left corner. */
public sealed interface Ink {
    int order();

    /** A straight line across or down; {@code x1 <= x2}, {@code y1 <= y2}. */
    record Stroke(double x1, double y1, double x2, double y2, double width, int rgb, boolean dashed, int order) implements Ink {
        public boolean isAcross() { return x2 - x1 >= y2 - y1; }
        public double length() { return Math.max(x2 - x1, y2 - y1); }
    }

    /** A filled rectangle. */
    record Fill(double x, double y, double width, double height, int rgb, int order) implements Ink {
        public double right() { return x + width; }
        public double bottom() { return y + height; }
    }

    /** Any other shape: filled where {@code line} is 0, else drawn with a line of that width. */
    record Shape(Path2D path, double line, float[] dash, int rgb, double alpha, boolean evenOdd, int order) implements Ink { }

    /** A shape filled with a gradient or a pattern; {@code rgb} is its middle colour, for where only one colour can be had. */
    record Wash(Path2D path, Pattern pattern, int rgb, double alpha, boolean evenOdd, int order) implements Ink {
        /** As a plain area, where it lies behind running text. */
        public Fill plain() {
            Rectangle2D box = path.getBounds2D();
            return new Fill(box.getX(), box.getY(), box.getWidth(), box.getHeight(), rgb, order);
        }
    }

    /**
     * A pattern of a PDF (ISO 32000-1, 8.7) that has not been copied yet; it lives only as long as its file is open.
     *
     * @param dictionary of the pattern
     * @param place      from its own space to the page's points
     * @param own        the colour of a pattern that has none itself, or null
     */
    record Pattern(COSDictionary dictionary, AffineTransform place, Color own) { }
}
