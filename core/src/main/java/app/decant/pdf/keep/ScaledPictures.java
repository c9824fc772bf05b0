package app.decant.pdf.keep;

import java.awt.Graphics2D;
import java.awt.Image;
import java.awt.geom.AffineTransform;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.LinkedHashMap;
import java.util.Map;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.apache.pdfbox.pdmodel.graphics.image.PDImage;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.apache.pdfbox.util.Matrix;

/**
 * Pictures of a file as small as they are painted. The renderer works through every sample of a picture each time it is shown: a photograph behind a line that
 * somebody writes in would take a quarter of a second a letter.
 */
final class ScaledPictures {
    /** Pictures with fewer samples than this are scaled as fast as they are looked up. */
    private static final int SMALL = 250_000;
    private static final int REMEMBERED = 16;

    private final PDDocument pdf;
    private final Map<Wanted, PDImageXObject> known = new LinkedHashMap<>(16, 0.75f, true) {
        @Override protected boolean removeEldestEntry(Map.Entry<Wanted, PDImageXObject> eldest) { return size() > REMEMBERED; }
    };

    /** @param picture of which only this very object is meant */
    private record Wanted(COSDictionary picture, int width, int height) {
        @Override public boolean equals(Object other) {
            return other instanceof Wanted wanted && wanted.picture == picture && wanted.width == width && wanted.height == height;
        }

        @Override public int hashCode() { return System.identityHashCode(picture) + 31 * width + height; }
    }

    ScaledPictures(PDDocument pdf) { this.pdf = pdf; }

    /**
     * What to show instead of a picture: itself, where it is not made less than half as wide or high.
     *
     * @param toPixels from the unit square that it is drawn into (ISO 32000-2, 8.9.5.1) to pixels
     */
    PDImage shown(PDImage picture, AffineTransform toPixels) throws IOException {
        boolean plain = picture instanceof PDImageXObject one && !one.isStencil() && one.getOptionalContent() == null;
        long samples = (long) picture.getWidth() * picture.getHeight();
        if (!plain || samples < SMALL) return picture;
        Matrix matrix = new Matrix(toPixels);
        int width = Math.max(1, Math.round(Math.abs(matrix.getScalingFactorX())));
        int height = Math.max(1, Math.round(Math.abs(matrix.getScalingFactorY())));
        if (width * 2L >= picture.getWidth() && height * 2L >= picture.getHeight()) return picture;
        Wanted wanted = new Wanted(picture.getCOSObject(), width, height);
        PDImageXObject smaller = known.get(wanted);
        if (smaller == null) {
            smaller = LosslessFactory.createFromImage(pdf, scaled(picture.getImage(), width, height));
            known.put(wanted, smaller);
        }
        return smaller;
    }

    private static BufferedImage scaled(BufferedImage image, int width, int height) {
        boolean sheer = image.getColorModel().hasAlpha();
        BufferedImage scaled = new BufferedImage(width, height, sheer ? BufferedImage.TYPE_INT_ARGB : BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = scaled.createGraphics();
        graphics.drawImage(image.getScaledInstance(width, height, Image.SCALE_SMOOTH), 0, 0, null);
        graphics.dispose();
        return scaled;
    }
}
