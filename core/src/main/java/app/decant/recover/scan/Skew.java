package app.decant.recover.scan;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;

/**
 * How far a page lies askew. Lines of text are rows with much ink and rows with none where the page is looked at along them: of all directions the one is
 * taken in which rows differ most.
 */
public final class Skew {
    private static final double MOST_DEGREES = 5;
    private static final double COARSE = 0.25;
    private static final double FINE = 0.03;
    private static final int MOST_POINTS = 150_000;
    /** What is less than this can't be told from none, and moves nothing by a point over a page's width. */
    private static final double LEAST_DEGREES = 0.1;

    private Skew() { }

    /** Clockwise, in degrees; 0 where it can't be told. */
    public static double of(Bitmap page) {
        int[] xs = new int[MOST_POINTS];
        int[] ys = new int[MOST_POINTS];
        int count = feet(page, xs, ys);
        if (count < 200) return 0;
        double best = best(xs, ys, count, page, 0, MOST_DEGREES, COARSE);
        best = best(xs, ys, count, page, best, COARSE, FINE);
        return Math.abs(best) < LEAST_DEGREES ? 0 : best;
    }

    /** Ink with none below it: most of it stands on the lines that letters stand on. */
    private static int feet(Bitmap page, int[] xs, int[] ys) {
        int all = 0;
        for (int y = 0; y < page.height() - 1; y++) for (int x = 0; x < page.width(); x++) if (page.is(x, y) && !page.is(x, y + 1)) all++;
        int each = Math.max(1, (all + MOST_POINTS - 1) / MOST_POINTS);
        int count = 0;
        int seen = 0;
        for (int y = 0; y < page.height() - 1; y++) {
            for (int x = 0; x < page.width(); x++) {
                if (!page.is(x, y) || page.is(x, y + 1) || seen++ % each != 0) continue;
                xs[count] = x;
                ys[count++] = y;
            }
        }
        return count;
    }

    private static double best(int[] xs, int[] ys, int count, Bitmap page, double middle, double reach, double step) {
        double best = middle;
        double most = -1;
        int margin = (int) Math.ceil(page.width() * Math.tan(Math.toRadians(MOST_DEGREES + COARSE))) + 1;
        for (double degrees = middle - reach; degrees <= middle + reach + step / 2; degrees += step) {
            int[] rows = new int[page.height() + 2 * margin];
            double fall = Math.tan(Math.toRadians(degrees));
            for (int i = 0; i < count; i++) rows[margin + (int) Math.round(ys[i] - xs[i] * fall)]++;
            double sum = 0;
            for (int row : rows) sum += (double) row * row;
            // Of directions that say the same, the straighter.
            sum -= Math.abs(degrees) * 1e-6 * sum;
            if (sum > most) {
                most = sum;
                best = degrees;
            }
        }
        return best;
    }

    /** From where something is on a page askew to where it would be on the page set straight, both in the same unit. */
    public static AffineTransform straightening(double degrees, double width, double height) {
        return AffineTransform.getRotateInstance(-Math.toRadians(degrees), width / 2, height / 2);
    }

    /** The picture set straight, on white. */
    public static BufferedImage straightened(BufferedImage picture, double degrees) {
        return degrees == 0 ? picture : drawn(picture, straightening(degrees, picture.getWidth(), picture.getHeight()));
    }

    /** The same pixels, to be painted over. */
    static BufferedImage copy(BufferedImage picture) { return drawn(picture, new AffineTransform()); }

    private static BufferedImage drawn(BufferedImage picture, AffineTransform place) {
        BufferedImage drawn = new BufferedImage(picture.getWidth(), picture.getHeight(), BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = drawn.createGraphics();
        graphics.setColor(Color.WHITE);
        graphics.fillRect(0, 0, drawn.getWidth(), drawn.getHeight());
        graphics.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        graphics.drawImage(picture, place, null);
        graphics.dispose();
        return drawn;
    }
}
