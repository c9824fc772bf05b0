package app.decant.picture;

import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;

/** Makes pictures coarser so that every pixel counts: halved again and again, since one step over many pixels would leave most of them out. */
public final class PictureScaling {
    private PictureScaling() { }

    /** The picture in {@code width} by {@code height} pixels. */
    public static BufferedImage to(BufferedImage pixels, int width, int height) {
        BufferedImage now = pixels;
        while (now.getWidth() > 2 * width && now.getHeight() > 2 * height) now = halved(now);
        return drawn(now, width, height);
    }

    /** The picture in half as many pixels each way, at least one. */
    public static BufferedImage halved(BufferedImage pixels) { return drawn(pixels, Math.max(1, pixels.getWidth() / 2), Math.max(1, pixels.getHeight() / 2)); }

    private static BufferedImage drawn(BufferedImage pixels, int width, int height) {
        BufferedImage result = new BufferedImage(width, height, pixels.getColorModel().hasAlpha() ? BufferedImage.TYPE_INT_ARGB : BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = result.createGraphics();
        graphics.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        graphics.drawImage(pixels, 0, 0, width, height, null);
        graphics.dispose();
        return result;
    }
}
