package app.decant.format.shape;

import app.decant.font.Face;
import app.decant.font.FontCatalogue;
import java.awt.Font;
import java.awt.Shape;
import java.awt.font.FontRenderContext;
import java.awt.geom.AffineTransform;
import java.awt.geom.Line2D;
import java.awt.geom.Path2D;
import java.util.ArrayList;
import java.util.List;

/** What charts and diagrams are drawn on: areas, lines and words, in points from the upper left corner, kept as a drawing without pixels. */
public final class DrawingCanvas {
    private static final Face LETTERS = FontCatalogue.shipped().match("Liberation Sans", false, false).face();
    private static final Face HEAVY = FontCatalogue.shipped().match("Liberation Sans", true, false).face();
    private static final FontRenderContext EXACT = new FontRenderContext(null, true, true);
    private static final String MORE = "\u2026";

    private final double width;
    private final double height;
    private final List<Mark> marks = new ArrayList<>();

    /** An area, or where {@code line} is more than nothing a line. */
    private record Mark(Shape shape, int colour, double line) { }

    /** Where words stand to their place. */
    public enum Stand { START, MIDDLE, END }

    public DrawingCanvas(double width, double height) {
        this.width = width;
        this.height = height;
    }

    public double width() { return width; }
    public double height() { return height; }

    public void area(Shape shape, int colour) {
        if (colour >= 0) marks.add(new Mark(shape, colour, 0));
    }

    public void line(Shape shape, int colour, double wide) {
        if (colour >= 0) marks.add(new Mark(shape, colour, wide));
    }

    public void line(double x1, double y1, double x2, double y2, int colour, double wide) { line(new Line2D.Double(x1, y1, x2, y2), colour, wide); }

    /**
     * Words.
     *
     * @param y    of the line they stand on
     * @param turn clockwise round their place, in degrees
     */
    public void words(String words, double x, double y, double size, boolean heavy, Stand stand, double turn, int colour) {
        Shape outline = outline(words, size, heavy);
        double wide = wide(words, size, heavy);
        AffineTransform place = AffineTransform.getTranslateInstance(x, y);
        place.rotate(Math.toRadians(turn));
        place.translate(stand == Stand.START ? 0 : stand == Stand.MIDDLE ? -wide / 2 : -wide, 0);
        area(place.createTransformedShape(outline), colour);
    }

    /** How wide words are. */
    public static double wide(String words, double size, boolean heavy) {
        double wide = 0;
        for (Run run : runs(words, heavy)) wide += run.font.deriveFont((float) size).createGlyphVector(EXACT, run.text).getLogicalBounds().getWidth();
        return wide;
    }

    /** As much of the words as has room, with a sign where some are left out. */
    public static String fitted(String words, double size, double room) {
        if (wide(words, size, false) <= room) return words;
        int length = words.length();
        while (length > 1 && wide(words.substring(0, length) + MORE, size, false) > room) length--;
        return words.substring(0, length).strip() + MORE;
    }

    private static Shape outline(String words, double size, boolean heavy) {
        Path2D all = new Path2D.Double();
        double x = 0;
        for (Run run : runs(words, heavy)) {
            Font font = run.font.deriveFont((float) size);
            all.append(AffineTransform.getTranslateInstance(x, 0).createTransformedShape(font.createGlyphVector(EXACT, run.text).getOutline()), false);
            x += font.createGlyphVector(EXACT, run.text).getLogicalBounds().getWidth();
        }
        return all;
    }

    /** Letters of one face. */
    private record Run(Font font, String text) { }

    private static List<Run> runs(String words, boolean heavy) {
        List<Run> runs = new ArrayList<>();
        Face usual = heavy ? HEAVY : LETTERS;
        Face face = null;
        StringBuilder text = new StringBuilder();
        for (int letter : words.codePoints().toArray()) {
            Face own = letter <= ' ' && face != null ? face : usual.has(letter) || letter <= ' ' ? usual : FontCatalogue.shipped().fallback(usual, letter);
            if (own != face && face != null) {
                runs.add(new Run(face.drawn(), text.toString()));
                text.setLength(0);
            }
            face = own;
            text.appendCodePoint(letter < ' ' ? ' ' : letter);
        }
        if (face != null) runs.add(new Run(face.drawn(), text.toString()));
        return runs;
    }

    /** All of it as a PDF of one page. */
    public byte[] drawing() {
        AffineTransform up = new AffineTransform(1, 0, 0, -1, 0, height);
        return DrawnPage.of(width, height, (pdf, out) -> {
            out.setLineJoinStyle(1);
            out.setLineCapStyle(0);
            for (Mark mark : marks) {
                float[] colour = {(mark.colour >> 16 & 0xFF) / 255f, (mark.colour >> 8 & 0xFF) / 255f, (mark.colour & 0xFF) / 255f};
                if (mark.line > 0) {
                    out.setStrokingColor(colour[0], colour[1], colour[2]);
                    out.setLineWidth((float) mark.line);
                } else out.setNonStrokingColor(colour[0], colour[1], colour[2]);
                if (!TracedPath.trace(mark.shape, up, out)) continue;
                if (mark.line > 0) out.stroke();
                else out.fill();
            }
        });
    }
}
