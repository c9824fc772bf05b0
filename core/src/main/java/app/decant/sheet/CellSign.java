package app.decant.sheet;

import app.decant.document.Colour;
import app.decant.document.Image;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.geom.Arc2D;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import javax.imageio.ImageIO;

/**
 * A sign beside a number that says in which part of a scale it lies, drawn here.
 *
 * @param form  what it is drawn as
 * @param share how high its part is, from 0 to 1
 * @param grey  whether it goes without colour
 */
record CellSign(Form form, double share, boolean grey) {
    private static final int PIXELS = 96;
    private static final Colour LOW = new Colour(0xB4432F);
    private static final Colour MIDDLE = new Colour(0xC98A1B);
    private static final Colour HIGH = new Colour(0x4A7C3A);
    private static final Map<CellSign, Image> DRAWN = new ConcurrentHashMap<>();

    /** An arrow that turns from down to up, a disc in a colour, a disc filled as far as the share, steps. */
    enum Form { ARROW, DISC, SLICE, STEPS }

    /** The sign of a level of a set that files name (ISO/IEC 29500-1, 18.18.42). */
    static CellSign of(String set, int level, int levels) {
        Form form = set.contains("Arrow") || set.contains("Triangle") ? Form.ARROW : set.contains("Quarter") ? Form.SLICE : set.contains("Rating") ? Form.STEPS
                : Form.DISC;
        return new CellSign(form, levels < 2 ? 1 : (double) level / (levels - 1), set.contains("Gray") || form == Form.SLICE || form == Form.STEPS);
    }

    /** Drawn so large, in points. */
    Picture picture(double size) { return new Picture(DRAWN.computeIfAbsent(this, CellSign::drawn), size, size, Insets.NONE, 0, ""); }

    private Image drawn() {
        BufferedImage pixels = new BufferedImage(PIXELS, PIXELS, BufferedImage.TYPE_INT_ARGB);
        Graphics2D graphics = pixels.createGraphics();
        graphics.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        graphics.setColor(new Color(colour().rgb()));
        double edge = PIXELS * 0.08;
        double side = PIXELS - 2 * edge;
        switch (form) {
            case DISC -> graphics.fill(new Ellipse2D.Double(edge, edge, side, side));
            case ARROW -> graphics.fill(AffineTransform.getRotateInstance(Math.PI * (1 - share), PIXELS / 2.0, PIXELS / 2.0).createTransformedShape(arrow()));
            case SLICE -> {
                graphics.fill(new Arc2D.Double(edge, edge, side, side, 90, -360 * share, Arc2D.PIE));
                graphics.setStroke(new BasicStroke(PIXELS / 16f));
                graphics.draw(new Ellipse2D.Double(edge, edge, side, side));
            }
            case STEPS -> steps(graphics, edge, side);
        }
        graphics.dispose();
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try {
            ImageIO.write(pixels, "png", bytes);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return new Image("image/png", bytes.toByteArray());
    }

    private void steps(Graphics2D graphics, double edge, double side) {
        int steps = 4;
        double width = side / steps;
        for (int i = 0; i < steps; i++) {
            boolean full = i < Math.round(share * steps);
            double height = side * (i + 1) / steps;
            Rectangle2D step = new Rectangle2D.Double(edge + i * width + 2, edge + side - height, width - 4, height);
            graphics.setColor(full ? new Color(colour().rgb()) : new Color(0xC9C4BA));
            graphics.fill(step);
        }
    }

    /** One that points up. */
    private static Path2D arrow() {
        double s = PIXELS;
        Path2D arrow = new Path2D.Double();
        arrow.moveTo(s * 0.5, s * 0.08);
        arrow.lineTo(s * 0.9, s * 0.5);
        arrow.lineTo(s * 0.64, s * 0.5);
        arrow.lineTo(s * 0.64, s * 0.92);
        arrow.lineTo(s * 0.36, s * 0.92);
        arrow.lineTo(s * 0.36, s * 0.5);
        arrow.lineTo(s * 0.1, s * 0.5);
        arrow.closePath();
        return arrow;
    }

    private Colour colour() { return grey ? new Colour(0x5C574F) : share < 0.34 ? LOW : share < 0.67 ? MIDDLE : HIGH; }
}
