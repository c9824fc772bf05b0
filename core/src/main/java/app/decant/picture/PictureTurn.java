package app.decant.picture;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Image;
import app.decant.words.Message;
import java.awt.image.BufferedImage;
import java.awt.image.ColorModel;
import java.awt.image.Raster;
import java.awt.image.WritableRaster;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageWriteParam;
import javax.imageio.ImageWriter;
import javax.imageio.stream.ImageOutputStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDPageContentStream.AppendMode;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.util.Matrix;

/**
 * Turns what pictures show by a quarter, so that every format and every reader shows them turned. Photographs stay photographs, drawings stay lines; all else
 * is exact.
 */
public final class PictureTurn {
    /** Of metafiles, which become pixels, in pixels an inch. */
    private static final double FINENESS = 300;
    /** What is nearly as fine as it was. */
    private static final float QUALITY = 0.95f;

    private PictureTurn() { }

    /**
     * A picture turned by a quarter, as a clock's hands go.
     *
     * @throws DecantException ({@code UNREADABLE}) for what can't be decoded
     */
    public static Image clockwise(Image image) {
        try {
            if (PictureDecoder.isDrawing(image)) return drawing(image);
            BufferedImage pixels = PictureDecoder.decode(image, FINENESS);
            boolean photograph = image.type().equals("image/jpeg") && !pixels.getColorModel().hasAlpha();
            BufferedImage turned = turned(pixels);
            return photograph ? new Image("image/jpeg", photograph(turned)) : PictureFile.of(turned).image();
        } catch (IOException | RuntimeException e) {
            throw new DecantException(Kind.UNREADABLE, Message.of("picture.cannot-be-read", ""), e);
        }
    }

    /** The page that a drawing is, with all that it says turned (ISO 32000-2, 8.3.4). */
    private static Image drawing(Image image) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(image.bytes())) {
            // The same drawing gives the same bytes.
            pdf.setDocumentId(0L);
            PDPage page = pdf.getPage(0);
            PDRectangle box = page.getCropBox();
            try (PDPageContentStream before = new PDPageContentStream(pdf, page, AppendMode.PREPEND, true)) {
                before.saveGraphicsState();
                before.transform(new Matrix(0, -1, 1, 0, -box.getLowerLeftY(), box.getLowerLeftX() + box.getWidth()));
            }
            try (PDPageContentStream behind = new PDPageContentStream(pdf, page, AppendMode.APPEND, true)) {
                behind.restoreGraphicsState();
            }
            PDRectangle turned = new PDRectangle(box.getHeight(), box.getWidth());
            page.setMediaBox(turned);
            page.setCropBox(turned);
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            pdf.save(bytes);
            return new Image(PictureDecoder.DRAWING, bytes.toByteArray());
        }
    }

    /** As they are stored, whatever they stand for. */
    private static BufferedImage turned(BufferedImage pixels) {
        ColorModel colours = pixels.getColorModel();
        Raster was = pixels.getRaster();
        WritableRaster made = colours.createCompatibleWritableRaster(pixels.getHeight(), pixels.getWidth());
        Object one = null;
        for (int y = 0; y < pixels.getHeight(); y++) {
            for (int x = 0; x < pixels.getWidth(); x++) {
                one = was.getDataElements(x, y, one);
                made.setDataElements(pixels.getHeight() - 1 - y, x, one);
            }
        }
        return new BufferedImage(colours, made, colours.isAlphaPremultiplied(), null);
    }

    private static byte[] photograph(BufferedImage pixels) throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        ImageWriter writer = ImageIO.getImageWritersByFormatName("jpeg").next();
        try (ImageOutputStream out = ImageIO.createImageOutputStream(bytes)) {
            ImageWriteParam choice = writer.getDefaultWriteParam();
            choice.setCompressionMode(ImageWriteParam.MODE_EXPLICIT);
            choice.setCompressionQuality(QUALITY);
            writer.setOutput(out);
            writer.write(null, new IIOImage(pixels, null, null), choice);
        } finally {
            writer.dispose();
        }
        return bytes.toByteArray();
    }
}
