package app.decant.pdf.check;

import app.decant.page.Rewritten;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;

/** Paints a page of two files and looks whether they differ anywhere but where words were changed. */
final class SameOutside {
    private static final float PIXELS_AN_INCH = 150;
    /** Pages larger than this are painted coarser, so that they fit into memory. */
    private static final double MOST_PIXELS = 12_000_000;
    /** Painting the same glyph at the same place may differ by as many levels, where the sums of its place were made in another order. */
    private static final int LEVELS = 4;

    private final PDFRenderer before;
    private final PDFRenderer after;

    SameOutside(PDDocument before, PDDocument after) {
        this.before = new PDFRenderer(before);
        this.after = new PDFRenderer(after);
    }

    /** How many pixels differ outside of some areas. @param width of the page as it is seen, in points; likewise its height */
    int differing(int source, int made, double width, double height, List<Rewritten.Area> areas) throws IOException {
        float scale = (float) Math.min(PIXELS_AN_INCH / 72, Math.sqrt(MOST_PIXELS / Math.max(1, width * height)));
        BufferedImage was = before.renderImage(source, scale, ImageType.RGB);
        BufferedImage is = after.renderImage(made, scale, ImageType.RGB);
        if (was.getWidth() != is.getWidth() || was.getHeight() != is.getHeight()) return Integer.MAX_VALUE;
        int differing = 0;
        for (int y = 0; y < was.getHeight(); y++) {
            for (int x = 0; x < was.getWidth(); x++) {
                if (far(was.getRGB(x, y), is.getRGB(x, y)) && !isInside((x + 0.5) / scale, (y + 0.5) / scale, areas)) differing++;
            }
        }
        return differing;
    }

    private static boolean far(int one, int other) {
        if (one == other) return false;
        for (int shift = 0; shift < 24; shift += 8) if (Math.abs((one >> shift & 255) - (other >> shift & 255)) > LEVELS) return true;
        return false;
    }

    private static boolean isInside(double x, double y, List<Rewritten.Area> areas) {
        for (Rewritten.Area area : areas) if (area.holds(x, y)) return true;
        return false;
    }
}
