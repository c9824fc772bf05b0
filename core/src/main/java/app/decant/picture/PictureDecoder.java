package app.decant.picture;

import app.decant.document.Image;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Iterator;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.slf4j.LoggerFactory;

/** Turns picture files into pixels. Drawings without pixels, kept as a PDF of one page, are painted as finely as asked. */
public final class PictureDecoder {
    /** The media type of drawings without pixels. */
    public static final String DRAWING = "application/pdf";
    private static final long MOST_PIXELS = 200_000_000;
    private static final double MOST_DRAWN = 25_000_000;
    /** Nothing is drawn more coarsely than this, in pixels an inch. */
    private static final double COARSEST = 36;

    private PictureDecoder() { }

    public static boolean isDrawing(Image image) { return image.type().equals(DRAWING); }

    /**
     * The pixels of a picture.
     *
     * @param resolution for drawings and metafiles, in pixels an inch
     * @throws IOException where it can't be decoded or is larger than any office picture
     */
    public static BufferedImage decode(Image image, double resolution) throws IOException {
        return decode(image, resolution, 0);
    }

    /**
     * The same as it is shown: old drawings say of themselves that they are as wide as a wall, or nothing.
     *
     * @param width in points; 0 where that is not known
     */
    public static BufferedImage decode(Image image, double resolution, double width) throws IOException {
        if (isDrawing(image)) return drawn(image, resolution);
        if (Metafile.is(image.bytes())) return Metafile.drawn(image.bytes(), resolution, width);
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(image.bytes()))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) throw new IOException("No reader for " + image);
            ImageReader reader = readers.next();
            try {
                reader.setInput(in, true, true);
                long pixels = (long) reader.getWidth(0) * reader.getHeight(0);
                if (pixels > MOST_PIXELS) throw new IOException("A picture of " + pixels + " pixels");
                return reader.read(0);
            } finally {
                reader.dispose();
            }
        }
    }

    /** A drawing as a picture with pixels, for formats that can't hold it as it is. */
    public static Image withPixels(Image drawing, double resolution) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(drawn(drawing, resolution), "png", out);
        return new Image("image/png", out.toByteArray());
    }

    /** Cells of a pattern are drawn as large as they are said to be, whatever is seen of them: without memory for that, a coarser picture does. */
    private static BufferedImage drawn(Image image, double resolution) throws IOException {
        try {
            return drawnAt(image, resolution);
        } catch (OutOfMemoryError e) {
            if (resolution / 2 < COARSEST) throw e;
            LoggerFactory.getLogger(PictureDecoder.class).info("A drawing is drawn more coarsely than at {} dpi", resolution, e);
            return drawn(image, resolution / 2);
        }
    }

    private static BufferedImage drawnAt(Image image, double resolution) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(image.bytes())) {
            PDRectangle box = pdf.getPage(0).getCropBox();
            double scale = Math.min(resolution / 72, Math.sqrt(MOST_DRAWN / Math.max(1, box.getWidth() * box.getHeight())));
            BufferedImage pixels = new BufferedImage((int) Math.max(1, Math.ceil(box.getWidth() * scale)),
                    (int) Math.max(1, Math.ceil(box.getHeight() * scale)), BufferedImage.TYPE_INT_ARGB);
            Graphics2D graphics = pixels.createGraphics();
            graphics.setBackground(new Color(0, 0, 0, 0));
            new PDFRenderer(pdf).renderPageToGraphics(0, graphics, (float) scale);
            graphics.dispose();
            return pixels;
        }
    }
}
