package app.decant.recover.scan;

import app.decant.document.Picture;
import app.decant.pdf.read.Ink;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.geom.NoninvertibleTransformException;
import java.awt.geom.Point2D;
import java.awt.image.BufferedImage;
import java.util.ArrayList;
import java.util.List;

/**
 * A scanned page made ready for a program that recognises words: grey, set straight, without rules, which are taken for letters, and as fine as its letters
 * want it, since time goes with the pixels.
 */
public final class ReadingCopy {
    /** How high lines of letters are recognised best, in pixels from heads to feet. */
    private static final double WANTED = 34;
    private static final double COARSEST = 0.45;
    private static final int LEAST_LINE = 8;
    private static final int MOST_LINE = 120;

    private final BufferedImage straight;
    private final double straightScale;
    private final List<Picture.Word> leaders;
    private final BufferedImage picture;
    private final double scale;
    private final AffineTransform back;

    private ReadingCopy(BufferedImage straight, double straightScale, List<Picture.Word> leaders, BufferedImage picture, double scale, AffineTransform back) {
        this.straight = straight;
        this.straightScale = straightScale;
        this.leaders = leaders;
        this.picture = picture;
        this.scale = scale;
        this.back = back;
    }

    /** @param scale points a pixel */
    public static ReadingCopy of(BufferedImage page, double scale) {
        double skew = Skew.of(Bitmap.of(page));
        BufferedImage straight = skew == 0 ? Skew.copy(page) : Skew.straightened(page, skew);
        for (Ink.Fill area : AreaFinder.areas(straight, scale)) if (Colours.light(area.rgb()) < Colours.DARK_GROUND) turnOver(straight, area, scale);
        Bitmap ink = Bitmap.of(straight);
        Graphics2D graphics = straight.createGraphics();
        graphics.setColor(Color.WHITE);
        for (Ink.Stroke rule : RuleFinder.find(ink, scale, new Colours(straight, ink))) {
            int left = (int) ((rule.x1() - rule.width() / 2) / scale) - 1;
            int top = (int) ((rule.y1() - rule.width() / 2) / scale) - 1;
            // Long strokes of letters stay: rules go far beyond any.
            if (rule.length() > 60) graphics.fillRect(left, top, (int) ((rule.x2() + rule.width() / 2) / scale) + 2 - left, (int) ((rule.y2() + rule.width()
                    / 2) / scale) + 2 - top);
        }
        Leaders leaders = new Leaders(Bitmap.of(straight), scale);
        for (Bitmap.Spot dot : leaders.dots()) graphics.fillRect(dot.left() - 1, dot.top() - 1, dot.width() + 2, dot.height() + 2);
        graphics.dispose();
        double line = line(ink);
        double wanted = line == 0 ? 1 : Math.max(COARSEST, WANTED / line);
        double smaller = wanted > 0.9 ? 1 : wanted;
        AffineTransform turn = Skew.straightening(skew, page.getWidth() * scale, page.getHeight() * scale);
        try {
            BufferedImage copy = grey(smaller == 1 ? straight : sized(straight, smaller));
            return new ReadingCopy(straight, scale, leaders.words(), copy, scale / smaller, turn.createInverse());
        } catch (NoninvertibleTransformException e) {
            throw new IllegalStateException("Turning back is always possible", e);
        }
    }

    /** Pale letters on dark ground become dark ones on pale ground. */
    private static void turnOver(BufferedImage page, Ink.Fill area, double scale) {
        for (int y = (int) (area.y() / scale); y < Math.min(page.getHeight(), (int) (area.bottom() / scale)); y++)
            for (int x = (int) (area.x() / scale); x < Math.min(page.getWidth(), (int) (area.right() / scale)); x++)
                page.setRGB(x, y, ~page.getRGB(x, y));
    }

    private static BufferedImage sized(BufferedImage picture, double factor) {
        int width = (int) Math.max(1, Math.round(picture.getWidth() * factor));
        int height = (int) Math.max(1, Math.round(picture.getHeight() * factor));
        BufferedImage sized = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = sized.createGraphics();
        graphics.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        graphics.drawImage(picture, 0, 0, width, height, null);
        graphics.dispose();
        return sized;
    }

    private static BufferedImage grey(BufferedImage picture) {
        BufferedImage grey = new BufferedImage(picture.getWidth(), picture.getHeight(), BufferedImage.TYPE_BYTE_GRAY);
        grey.getRaster().setDataElements(0, 0, picture.getWidth(), picture.getHeight(), Bitmap.grey(picture));
        return grey;
    }

    /** How high lines of text are in the middle: rows with ink between rows with none. 0 where there are none. */
    private static double line(Bitmap ink) {
        List<Integer> heights = new ArrayList<>();
        int from = -1;
        for (int y = 0; y <= ink.height(); y++) {
            boolean any = y < ink.height() && ink.count(0, y, ink.width(), y + 1) > 3;
            if (any && from < 0) from = y;
            if (any || from < 0) continue;
            if (y - from >= LEAST_LINE && y - from <= MOST_LINE) heights.add(y - from);
            from = -1;
        }
        heights.sort(null);
        return heights.isEmpty() ? 0 : heights.get(heights.size() / 2);
    }

    public BufferedImage picture() { return picture; }
    /** Points a pixel. */
    public double scale() { return scale; }

    /** Rows of dots, which were taken out of the picture. */
    public List<Picture.Word> leaders() { return leaders; }

    /** What else stands on the page than these words. */
    public LoneMarks left(List<Picture.Word> words) { return new LoneMarks(straight, straightScale, words); }

    /** Where a word of this copy stands on the page as it was scanned. */
    public Picture.Word onPage(Picture.Word word) {
        Point2D place = back.transform(new Point2D.Double(word.x(), word.baseline()), null);
        return new Picture.Word(word.text(), place.getX(), place.getY(), word.width(), word.size());
    }
}
