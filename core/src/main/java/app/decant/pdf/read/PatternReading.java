package app.decant.pdf.read;

import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Rectangle;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.geom.Path2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.graphics.color.PDColor;
import org.apache.pdfbox.pdmodel.graphics.color.PDPattern;
import org.apache.pdfbox.pdmodel.graphics.pattern.PDAbstractPattern;
import org.apache.pdfbox.pdmodel.graphics.pattern.PDShadingPattern;
import org.apache.pdfbox.pdmodel.graphics.pattern.PDTilingPattern;
import org.apache.pdfbox.pdmodel.graphics.shading.PDShading;
import org.apache.pdfbox.util.Matrix;

/** Takes over areas painted with gradients and repeated cells as they are, so that they stay sharp (ISO 32000-1, 8.7). */
public final class PatternReading {
    private static final int SAMPLES = 16;
    private static final int GREY = 0x808080;

    private PatternReading() { }

    /**
     * An area filled with the current pattern.
     *
     * @param path   in points from the page's top left corner
     * @param parent from the space of the stream that the pattern stands in to the page's points
     * @return null where the pattern is not there
     * @throws IOException where it can't be read
     */
    static Ink.Wash of(Path2D path, PDColor colour, PDResources resources, AffineTransform parent, double alpha, boolean evenOdd, int order)
            throws IOException {
        PDAbstractPattern pattern = resources == null || colour.getPatternName() == null ? null : resources.getPattern(colour.getPatternName());
        if (pattern == null) return null;
        AffineTransform place = new AffineTransform(parent);
        place.concatenate(pattern.getMatrix().createAffineTransform());
        Color own = null;
        int rgb = GREY;
        if (pattern instanceof PDTilingPattern tiles && tiles.getPaintType() == PDTilingPattern.PAINT_UNCOLORED
                && colour.getColorSpace() instanceof PDPattern space) {
            PDColor under = new PDColor(colour.getComponents(), space.getUnderlyingColorSpace());
            own = new Color(under.toRGB());
            rgb = own.getRGB() & 0xFFFFFF;
        } else if (pattern instanceof PDShadingPattern shading && shading.getShading() != null) {
            rgb = middle(shading.getShading(), place, path);
        }
        return new Ink.Wash(path, new Ink.Pattern(pattern.getCOSObject(), place, own), rgb, alpha, evenOdd, order);
    }

    /** An area filled by the shading operator: the same as a pattern made of that shading. */
    static Ink.Wash of(Path2D clip, PDShading shading, AffineTransform current, double alpha, int order) {
        COSDictionary pattern = new COSDictionary();
        pattern.setItem(COSName.TYPE, COSName.PATTERN);
        pattern.setInt(COSName.PATTERN_TYPE, PDAbstractPattern.TYPE_SHADING_PATTERN);
        pattern.setItem(COSName.SHADING, shading.getCOSObject());
        return new Ink.Wash(clip, new Ink.Pattern(pattern, current, null), middle(shading, current, clip), alpha, false, order);
    }

    /** The colour of an area as a whole, from a few samples across it. */
    private static int middle(PDShading shading, AffineTransform place, Path2D path) {
        Rectangle2D box = path.getBounds2D();
        if (box.isEmpty()) return GREY;
        AffineTransform toSamples = AffineTransform.getScaleInstance(SAMPLES / box.getWidth(), SAMPLES / box.getHeight());
        toSamples.translate(-box.getX(), -box.getY());
        toSamples.concatenate(place);
        BufferedImage samples = new BufferedImage(SAMPLES, SAMPLES, BufferedImage.TYPE_INT_ARGB);
        Graphics2D graphics = samples.createGraphics();
        graphics.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_OFF);
        graphics.setPaint(shading.toPaint(new Matrix(toSamples)));
        graphics.fill(new Rectangle(SAMPLES, SAMPLES));
        graphics.dispose();
        long red = 0;
        long green = 0;
        long blue = 0;
        int count = 0;
        for (int y = 0; y < SAMPLES; y++) {
            for (int x = 0; x < SAMPLES; x++) {
                Color one = new Color(samples.getRGB(x, y), true);
                if (one.getAlpha() < 128) continue;
                red += one.getRed();
                green += one.getGreen();
                blue += one.getBlue();
                count++;
            }
        }
        return count == 0 ? GREY : (int) (red / count) << 16 | (int) (green / count) << 8 | (int) (blue / count);
    }
}
