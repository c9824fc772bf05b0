package app.decant.recover;

import app.decant.document.DecantException;
import app.decant.words.Message;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Iterator;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.metadata.IIOMetadata;
import javax.imageio.metadata.IIOMetadataFormatImpl;
import javax.imageio.stream.ImageInputStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.image.JPEGFactory;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.slf4j.LoggerFactory;
import org.w3c.dom.Element;
import org.w3c.dom.NodeList;

/** A picture file as pages, as a scanner would have put it into a PDF: what is known of scanned pages holds for it from there on. */
public final class PicturePages {
    private static final int MOST_PAGES = 2000;
    private static final long MOST_PIXELS = 200_000_000;
    private static final double MILLIMETRES = 25.4;
    /** Screens are said to have so many pixels an inch or fewer; scanners have more. */
    private static final double SCREEN = 100;
    private static final float MARGIN = 36;

    private PicturePages() { }

    /**
     * The pages of a PNG, JPEG, TIFF, GIF or BMP file as a PDF. A scan, which tells how fine it is, fills pages of its own size; any other picture
     * stands on A4 within margins.
     *
     * @param name for sentences
     * @throws DecantException ({@code UNREADABLE}) where it can't be decoded
     */
    public static byte[] pdf(byte[] file, String name) {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(file)); PDDocument pdf = new PDDocument()) {
            ImageReader reader = reader(in);
            if (reader == null) throw unreadable(name, null);
            try {
                reader.setInput(in, false, false);
                boolean jpeg = file.length > 2 && (file[0] & 0xFF) == 0xFF && (file[1] & 0xFF) == 0xD8;
                int count = Math.min(MOST_PAGES, reader.getNumImages(true));
                for (int i = 0; i < count; i++) {
                    if ((long) reader.getWidth(i) * reader.getHeight(i) > MOST_PIXELS)
                        throw new DecantException(DecantException.Kind.UNSUPPORTED, Message.of("recover.has-more-pixels-than-any-office-picture", name));
                    double resolution = resolution(reader.getImageMetadata(i));
                    add(pdf, jpeg ? JPEGFactory.createFromByteArray(pdf, file) : lossless(pdf, reader.read(i)), resolution);
                }
            } finally {
                reader.dispose();
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            pdf.save(out);
            return out.toByteArray();
        } catch (IOException | RuntimeException e) {
            if (e instanceof DecantException told) throw told;
            throw unreadable(name, e);
        }
    }

    /** Java's own reader where it has one: of several for one format, which comes first is chance, and others take damaged files in without a word. */
    private static ImageReader reader(ImageInputStream in) {
        ImageReader found = null;
        for (Iterator<ImageReader> readers = ImageIO.getImageReaders(in); readers.hasNext(); ) {
            ImageReader one = readers.next();
            boolean own = one.getClass().getName().startsWith("com.sun.");
            if (found == null || own) found = one;
        }
        return found;
    }

    private static DecantException unreadable(String name, Exception cause) {
        return new DecantException(DecantException.Kind.UNREADABLE, Message.of("recover.is-a-damaged-picture-ask", name), cause);
    }

    private static PDImageXObject lossless(PDDocument pdf, BufferedImage pixels) throws IOException { return LosslessFactory.createFromImage(pdf, pixels); }

    private static void add(PDDocument pdf, PDImageXObject image, double resolution) throws IOException {
        boolean scan = resolution > SCREEN;
        float width = (float) (image.getWidth() / (scan ? resolution : 96) * 72);
        float height = (float) (image.getHeight() / (scan ? resolution : 96) * 72);
        boolean lying = image.getWidth() > image.getHeight();
        PDRectangle size = scan ? new PDRectangle(width, height) : lying ? new PDRectangle(PDRectangle.A4.getHeight(), PDRectangle.A4.getWidth())
                : PDRectangle.A4;
        if (!scan) {
            float fit = Math.min(1, Math.min((size.getWidth() - 2 * MARGIN) / width, (size.getHeight() - 2 * MARGIN) / height));
            width *= fit;
            height *= fit;
        }
        PDPage page = new PDPage(size);
        pdf.addPage(page);
        try (PDPageContentStream content = new PDPageContentStream(pdf, page)) {
            float top = scan ? 0 : MARGIN;
            content.drawImage(image, (size.getWidth() - width) / 2, size.getHeight() - top - height, width, height);
        }
    }

    /** Pixels an inch as the file tells it, or 0. */
    private static double resolution(IIOMetadata metadata) {
        if (metadata == null || !metadata.isStandardMetadataFormatSupported()) return 0;
        NodeList sizes = ((Element) metadata.getAsTree(IIOMetadataFormatImpl.standardMetadataFormatName)).getElementsByTagName("HorizontalPixelSize");
        if (sizes.getLength() == 0) return 0;
        try {
            double millimetres = Double.parseDouble(((Element) sizes.item(0)).getAttribute("value"));
            return millimetres > 0 ? MILLIMETRES / millimetres : 0;
        } catch (NumberFormatException e) {
            LoggerFactory.getLogger(PicturePages.class).debug("A picture lies about its size", e);
            return 0;
        }
    }
}
