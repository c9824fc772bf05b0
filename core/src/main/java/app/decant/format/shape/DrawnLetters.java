package app.decant.format.shape;

import app.decant.document.Colour;
import app.decant.document.Picture;
import app.decant.document.Section.PageGeometry;
import app.decant.font.FontCatalogue;
import app.decant.format.shape.DrawnShape.Ink;
import app.decant.format.shape.DrawnShape.Part;
import app.decant.format.shape.DrawnShape.Pen;
import java.awt.Font;
import java.awt.Shape;
import java.awt.font.FontRenderContext;
import java.awt.geom.AffineTransform;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.util.List;

/** Words as shapes: stretched to fill a box, or written across a page. */
public final class DrawnLetters {
    private static final int MOST_LETTERS = 200;
    /** Of the line from corner to corner of a page so much is written on, and letters are no higher than this, in points. */
    private static final double ACROSS = 0.68;
    private static final double HIGHEST = 130;
    /** Text above it is read without effort, and nothing has to shine through anything. */
    private static final Colour PALE = new Colour(0xDADADA);

    private DrawnLetters() { }

    /** Letters that fill a box, from its upper left corner; nothing where none of them is seen. */
    public static List<Part> filling(String words, String family, boolean bold, boolean italic, double width, double height) {
        Shape outline = outline(words, family, bold, italic);
        Rectangle2D box = outline.getBounds2D();
        if (box.isEmpty()) return List.of();
        AffineTransform fit = AffineTransform.getScaleInstance(width / box.getWidth(), height / box.getHeight());
        fit.translate(-box.getX(), -box.getY());
        return List.of(new Part(new Path2D.Double(outline, fit), true, true, 1));
    }

    /** How much wider than high some words are by themselves; 1 where nothing of them is seen. */
    static double ratio(String words, String family, boolean bold, boolean italic) {
        Rectangle2D box = outline(words, family, bold, italic).getBounds2D();
        return box.isEmpty() ? 1 : box.getWidth() / box.getHeight();
    }

    private static Shape outline(String words, String family, boolean bold, boolean italic) {
        Font font = FontCatalogue.ofThisMachine().match(family, bold, italic).face().drawn();
        String some = words.substring(0, Math.min(words.length(), MOST_LETTERS));
        return font.createGlyphVector(new FontRenderContext(null, true, true), some).getOutline();
    }

    /** Pale words from the lower left to the upper right of a page; null where none of them is seen. */
    public static Picture across(String words, String family, PageGeometry page) {
        Rectangle2D box = outline(words, family, true, false).getBounds2D();
        if (box.isEmpty()) return null;
        double width = ACROSS * Math.hypot(page.width(), page.height());
        double height = width * box.getHeight() / box.getWidth();
        if (height > HIGHEST) {
            width *= HIGHEST / height;
            height = HIGHEST;
        }
        AffineTransform turn = AffineTransform.getRotateInstance(-Math.atan2(page.height(), page.width()), width / 2, height / 2);
        DrawnShape.Made made = DrawnShape.draw(filling(words, family, true, false, width, height), new Ink(PALE, 1, Pen.NONE), turn, words);
        return made == null ? null : made.picture();
    }
}
