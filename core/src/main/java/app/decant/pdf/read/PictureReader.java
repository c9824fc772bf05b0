package app.decant.pdf.read;

import app.decant.document.Image;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import javax.imageio.ImageIO;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.graphics.color.PDDeviceGray;
import org.apache.pdfbox.pdmodel.graphics.color.PDDeviceRGB;
import org.apache.pdfbox.pdmodel.graphics.image.PDImage;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;

/**
 * Takes pictures out of a PDF at full quality (ISO 32000-1, 8.9): JPEG data as it is where it can stand alone, everything else without loss. A
 * picture shown several times is one {@link Image}.
 */
public final class PictureReader {
    /** No picture on an office page has more; one that claims more is not decoded. */
    private static final long MOST_PIXELS = 120_000_000;

    private final Map<COSBase, Map<String, Image>> known = new IdentityHashMap<>();

    /**
     * Reads a picture.
     *
     * @param matrix from the picture's unit square to the page
     * @param clip   what of the page may be painted on
     * @param colour of the marks of a stencil
     * @return null where nothing of it can be seen
     */
    Placed read(PDImage image, AffineTransform matrix, Rectangle2D clip, int colour, int order) throws IOException {
        Rectangle2D box = matrix.createTransformedShape(new Rectangle2D.Double(0, 0, 1, 1)).getBounds2D();
        Rectangle2D shown = box.createIntersection(clip);
        if (shown.getWidth() < 0.5 || shown.getHeight() < 0.5 || image.getWidth() <= 0 || image.getHeight() <= 0) return null;
        if ((long) image.getWidth() * image.getHeight() > MOST_PIXELS)
            throw new IOException("A picture of " + image.getWidth() + " by " + image.getHeight() + " pixels");
        // The unit square's y runs up, the page's down: upright means x to the right and y to the top.
        boolean upright = matrix.getScaleX() > 0 && matrix.getScaleY() < 0 && Math.abs(matrix.getShearX())
                + Math.abs(matrix.getShearY()) < 0.01 * (box.getWidth() + box.getHeight());
        Image file = image(image, upright ? null : matrix, box, colour);
        Insets crop = new Insets(share(shown.getMinY() - box.getMinY(), box.getHeight()), share(box.getMaxX() - shown.getMaxX(), box.getWidth()),
                share(box.getMaxY() - shown.getMaxY(), box.getHeight()), share(shown.getMinX() - box.getMinX(), box.getWidth()));
        return new Placed(new Picture(file, shown.getWidth(), shown.getHeight(), crop, 0, null), shown.getX(), shown.getY(), order);
    }

    private static double share(double part, double whole) { return part < 0.004 * whole ? 0 : part / whole; }

    private Image image(PDImage image, AffineTransform turned, Rectangle2D box, int colour) throws IOException {
        COSBase key = image.getCOSObject();
        String variant = colour + (turned == null ? "" : "/" + Math.round(turned.getScaleX()) + "/" + Math.round(turned.getShearX()) + "/"
                + Math.round(turned.getShearY()) + "/" + Math.round(turned.getScaleY()));
        Map<String, Image> variants = known.computeIfAbsent(key, none -> new HashMap<>());
        Image before = variants.get(variant);
        if (before != null) return before;
        Image made = turned == null && isPlainJpeg(image) ? jpeg((PDImageXObject) image) : drawn(image, turned, box, colour);
        variants.put(variant, made);
        return made;
    }

    /** Whether the JPEG data says the same alone as within the PDF: no mask, no other colours, no other decoding. */
    private static boolean isPlainJpeg(PDImage image) throws IOException {
        if (!(image instanceof PDImageXObject object) || !"jpg".equals(object.getSuffix())) return false;
        List<COSName> filters = object.getStream().getFilters();
        boolean onlyJpeg = !filters.isEmpty() && filters.get(filters.size() - 1).equals(COSName.DCT_DECODE);
        boolean plainColours = object.getColorSpace() instanceof PDDeviceRGB || object.getColorSpace() instanceof PDDeviceGray
                || object.getColorSpace().getNumberOfComponents() != 4 && object.getColorSpace().getName().equals("ICCBased");
        return onlyJpeg && plainColours && object.getSoftMask() == null && object.getMask() == null && object.getColorKeyMask() == null
                && object.getDecode() == null;
    }

    private static Image jpeg(PDImageXObject object) throws IOException {
        try (InputStream in = object.getStream().createInputStream(List.of(COSName.DCT_DECODE.getName()))) {
            return new Image("image/jpeg", in.readAllBytes());
        }
    }

    private static Image drawn(PDImage image, AffineTransform turned, Rectangle2D box, int colour) throws IOException {
        BufferedImage pixels = image.isStencil() ? image.getStencilImage(new Color(colour)) : image.getImage();
        if (turned != null) pixels = turned(pixels, turned, box);
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(plain(pixels), "png", out);
        return new Image("image/png", out.toByteArray());
    }

    /** The picture as it stands on the page: turned, mirrored or slanted. */
    private static BufferedImage turned(BufferedImage pixels, AffineTransform matrix, Rectangle2D box) {
        double across = Math.hypot(matrix.getScaleX(), matrix.getShearY());
        double scale = Math.min(pixels.getWidth() / Math.max(0.01, across), 4000 / Math.max(box.getWidth(), box.getHeight()));
        BufferedImage result = new BufferedImage((int) Math.max(1, Math.round(box.getWidth() * scale)),
                (int) Math.max(1, Math.round(box.getHeight() * scale)), BufferedImage.TYPE_INT_ARGB);
        Graphics2D graphics = result.createGraphics();
        graphics.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        AffineTransform place = AffineTransform.getScaleInstance(scale, scale);
        place.translate(-box.getX(), -box.getY());
        place.concatenate(matrix);
        place.concatenate(new AffineTransform(1.0 / pixels.getWidth(), 0, 0, -1.0 / pixels.getHeight(), 0, 1));
        graphics.drawImage(pixels, place, null);
        graphics.dispose();
        return result;
    }

    /** Pixels in a form that every reader of PNG files knows. */
    private static BufferedImage plain(BufferedImage pixels) {
        int type = pixels.getType();
        if (type == BufferedImage.TYPE_BYTE_BINARY || type == BufferedImage.TYPE_BYTE_GRAY || type == BufferedImage.TYPE_INT_RGB
                || type == BufferedImage.TYPE_INT_ARGB) return pixels;
        BufferedImage result = new BufferedImage(pixels.getWidth(), pixels.getHeight(), pixels.getColorModel().hasAlpha() ? BufferedImage.TYPE_INT_ARGB
                : BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = result.createGraphics();
        graphics.drawImage(pixels, 0, 0, null);
        graphics.dispose();
        return result;
    }
}
