package app.decant.pdf.keep;

import app.decant.page.Rewritten;
import app.decant.picture.PixelRows;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;

/** A page as it is painted, to look whether it differs from another anywhere but where words were changed. */
public final class PaintedPage {
    private static final float PIXELS_AN_INCH = 150;
    /** Pages larger than this are painted coarser, so that they fit into memory. */
    private static final double MOST_PIXELS = 12_000_000;
    /** Painting the same glyph at the same place may differ by as many levels, where the sums of its place were made in another order. */
    private static final int LEVELS = 4;

    private final BufferedImage image;
    /** Pixels a point, as people count them: by the page's own unit (ISO 32000-2, 7.7.3.3). */
    private final double scale;

    private PaintedPage(BufferedImage image, double scale) {
        this.image = image;
        this.scale = scale;
    }

    /** Paints a page. Whoever is going to write the file must not: painting marks its pictures as changed. */
    public static PaintedPage of(PDDocument pdf, int index) throws IOException {
        PDPage page = pdf.getPage(index);
        double size = Math.max(1, (double) page.getCropBox().getWidth() * page.getCropBox().getHeight());
        float scale = (float) Math.min(PIXELS_AN_INCH / 72, Math.sqrt(MOST_PIXELS / size));
        double unit = page.getUserUnit() > 0 ? page.getUserUnit() : 1;
        return new PaintedPage(new PDFRenderer(pdf).renderImage(index, scale, ImageType.RGB), scale / unit);
    }

    /** How many pixels differ from those of another outside of some areas. */
    public int differing(PaintedPage other, List<Rewritten.Area> areas) {
        if (image.getWidth() != other.image.getWidth() || image.getHeight() != other.image.getHeight()) return Integer.MAX_VALUE;
        int differing = 0;
        PixelRows rows = new PixelRows(image);
        PixelRows others = new PixelRows(other.image);
        for (int y = 0; y < rows.height(); y++) {
            int[] row = rows.row(y);
            int[] across = others.row(y);
            for (int x = Arrays.mismatch(row, across); x >= 0 && x < row.length; x++) {
                if (far(row[x], across[x]) && !isInside((x + 0.5) / scale, (y + 0.5) / scale, areas)) differing++;
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
