package app.decant.pdf.read;

import app.decant.document.Link;

/**
 * One glyph as a page shows it, in points from the page's top left corner.
 *
 * @param text     its Unicode text: usually one character, several for a ligature, empty where another glyph carries it, a space between words
 * @param x        where it starts on its baseline
 * @param width    its advance
 * @param space    the width of a space of its face at its size
 * @param rgb      its colour
 * @param tag      the marked content it belongs to; see {@link TagTree}; -1 for none, {@link #ARTIFACT} for what is not content
 * @param angle    clockwise turn of its baseline, in degrees (0, 90, 180, 270, or anything between)
 * @param seen     false for text that is not painted, such as that laid under a scanned page
 * @param order    its place in the order of painting
 */
public record Glyph(String text, double x, double baseline, double width, double size, double space, FaceUse face, int rgb, int tag, int angle, boolean seen,
        Link link, int order) {
    public static final int ARTIFACT = -2;

    public double right() { return x + width; }
    double top() { return baseline - size * 0.75; }
    double bottom() { return baseline + size * 0.22; }
    public boolean isSpace() {
        if (text.length() == 1) return text.charAt(0) <= ' ' || text.charAt(0) > '~' && text.isBlank();
        return !text.isEmpty() && text.isBlank();
    }

    /** A space that follows this glyph, in its look. */
    public Glyph spaceAfter(double width) { return new Glyph(" ", right(), baseline, width, size, space, face, rgb, tag, angle, seen, link, order); }

    Glyph at(double newX, double newBaseline, int newAngle) {
        return new Glyph(text, newX, newBaseline, width, size, space, face, rgb, tag, newAngle, seen, link, order);
    }
    public Glyph with(String other) { return new Glyph(other, x, baseline, width, size, space, face, rgb, tag, angle, seen, link, order); }
    /** The same place on the page told as a small capital of a full size: a small letter, or what stands among them. */
    public Glyph asSmallCapital(String letter, double full) {
        return new Glyph(letter, x, baseline, width, full, space, face.inSmallCapitals(), rgb, tag, angle, seen, link, order);
    }

    public Glyph with(Link other) { return new Glyph(text, x, baseline, width, size, space, face, rgb, tag, angle, seen, other, order); }
}
