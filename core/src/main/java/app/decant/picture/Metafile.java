package app.decant.picture;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import org.apache.poi.hemf.usermodel.HemfPicture;
import org.apache.poi.hwmf.usermodel.HwmfPicture;

/** A drawing of old office programs, kept as the steps that drew it (MS-WMF, MS-EMF), played on a canvas by the common library. */
public final class Metafile {
    private static final int EMF_SIGNATURE = 0x464D4520;
    private static final long PLACEABLE = 0x9AC6CDD7L;
    /** A whole page at 300 an inch. */
    private static final double MOST_PIXELS = 8_500_000;
    private static final double POINTS_AN_INCH = 72;
    private static final double LEAST_INCHES = 4;

    private final Rectangle2D size;
    private final Drawing drawing;

    private interface Drawing { void on(Graphics2D graphics, Rectangle2D place); }

    private Metafile(Rectangle2D size, Drawing drawing) throws IOException {
        this.size = size;
        this.drawing = drawing;
        double area = size.getWidth() * size.getHeight();
        if (!(area > 0) || !Double.isFinite(area)) throw new IOException("A metafile without a size");
    }

    public static boolean is(byte[] file) { return isExtended(file) || isPlain(file); }

    /** MS-EMF 2.3.4.2: the first record is a header, and says so. */
    private static boolean isExtended(byte[] file) { return file.length > 88 && four(file, 0) == 1 && (int) four(file, 40) == EMF_SIGNATURE; }

    /** MS-WMF 2.3.2.2 and 2.3.2.3: with a placeable header or without. */
    private static boolean isPlain(byte[] file) {
        return file.length > 18 && (four(file, 0) == PLACEABLE || (file[0] == 1 || file[0] == 2) && file[1] == 0 && file[2] == 9 && file[3] == 0);
    }

    private static long four(byte[] file, int at) {
        return file[at] & 0xFF | (file[at + 1] & 0xFF) << 8 | (file[at + 2] & 0xFF) << 16 | (file[at + 3] & 0xFFL) << 24;
    }

    /** @throws IOException where it is damaged */
    public static Metafile of(byte[] file) throws IOException {
        try {
            if (isExtended(file)) {
                HemfPicture picture = new HemfPicture(new ByteArrayInputStream(file));
                return new Metafile(picture.getBoundsInPoints(), picture::draw);
            }
            HwmfPicture picture = new HwmfPicture(new ByteArrayInputStream(file));
            Rectangle2D size = picture.getBoundsInPoints();
            // Measured upwards (2.3.5.30), it has no size for the library, which draws it nevertheless.
            if (size.isEmpty()) size = new Rectangle2D.Double(0, 0, Math.abs(picture.getBounds().getWidth()), Math.abs(picture.getBounds().getHeight()));
            return new Metafile(size, picture::draw);
            // The library holds some damage for impossible.
        } catch (RuntimeException | AssertionError e) {
            throw new IOException("A damaged metafile", e);
        }
    }

    /** How wide it is in points, as far as it knows. */
    public double width() { return size.getWidth(); }
    public double height() { return size.getHeight(); }

    /**
     * Plays it.
     *
     * @param width of the place that it fills, from the upper left corner
     * @throws IOException where it is damaged
     */
    public void play(Graphics2D graphics, double width, double height) throws IOException {
        try {
            drawing.on(graphics, new Rectangle2D.Double(0, 0, width, height));
        } catch (RuntimeException | AssertionError e) {
            throw new IOException("A damaged metafile", e);
        }
    }

    /** Played on pixels, on nothing. @throws IOException where it is damaged */
    public BufferedImage pixels(int width, int height) throws IOException {
        BufferedImage pixels = new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB);
        Graphics2D graphics = pixels.createGraphics();
        graphics.setBackground(new Color(0, 0, 0, 0));
        graphics.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        graphics.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
        graphics.setRenderingHint(RenderingHints.KEY_FRACTIONALMETRICS, RenderingHints.VALUE_FRACTIONALMETRICS_ON);
        graphics.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BICUBIC);
        try {
            play(graphics, width, height);
        } finally {
            graphics.dispose();
        }
        return pixels;
    }

    /**
     * Draws it, on nothing.
     *
     * @param resolution in pixels an inch of the size it has itself, or of the one it is shown in
     * @param shown      how wide it is shown, in points; 0 where that is not known
     * @throws IOException where it is damaged
     */
    static BufferedImage drawn(byte[] file, double resolution, double shown) throws IOException {
        Metafile metafile = of(file);
        double area = metafile.width() * metafile.height();
        // Plain ones often do not know how large they are; none is drawn coarser than if its longer side were shown so wide.
        double wide = Math.max(resolution / POINTS_AN_INCH, resolution * LEAST_INCHES / Math.max(metafile.width(), metafile.height()));
        double fine = shown > 0 ? resolution / POINTS_AN_INCH * shown / metafile.width() : wide;
        double scale = Math.min(fine, Math.sqrt(MOST_PIXELS / area));
        return metafile.pixels((int) Math.max(1, Math.min(20_000, Math.ceil(metafile.width() * scale))),
                (int) Math.max(1, Math.min(20_000, Math.ceil(metafile.height() * scale))));
    }
}
