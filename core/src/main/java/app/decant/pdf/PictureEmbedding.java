package app.decant.pdf;

import app.decant.document.Image;
import app.decant.picture.PictureDecoder;
import java.awt.geom.AffineTransform;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.util.Iterator;
import javax.imageio.ImageIO;
import javax.imageio.ImageReader;
import javax.imageio.stream.ImageInputStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.multipdf.LayerUtility;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.apache.pdfbox.pdmodel.graphics.PDXObject;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;

/** Puts pictures into a PDF: JPEG files as they are, all others without loss. */
final class PictureEmbedding {
    /** No picture on an office page has more; a file that claims more is not decoded. */
    private static final long MOST_PIXELS = 200_000_000;

    private PictureEmbedding() { }

    static PDXObject embed(PDDocument pdf, Image image) throws IOException {
        if (PictureDecoder.isDrawing(image)) return form(pdf, image);
        byte[] bytes = image.bytes();
        checkSize(bytes);
        boolean direct = starts(bytes, 0xFF, 0xD8) || starts(bytes, 0x89, 'P', 'N', 'G');
        if (direct) return PDImageXObject.createFromByteArray(pdf, bytes, "picture");
        return LosslessFactory.createFromImage(pdf, PictureDecoder.decode(image, 72));
    }

    /** A drawing as a form that fills the unit square, as pictures do (ISO 32000-1, 8.10). */
    private static PDFormXObject form(PDDocument pdf, Image image) throws IOException {
        try (PDDocument drawing = Loader.loadPDF(image.bytes())) {
            PDFormXObject form = new LayerUtility(pdf).importPageAsForm(drawing, 0);
            form.setMatrix(AffineTransform.getScaleInstance(1 / form.getBBox().getWidth(), 1 / form.getBBox().getHeight()));
            return form;
        }
    }

    private static boolean starts(byte[] bytes, int... signature) {
        if (bytes.length < signature.length) return false;
        for (int i = 0; i < signature.length; i++) if ((bytes[i] & 0xFF) != signature[i]) return false;
        return true;
    }

    private static void checkSize(byte[] bytes) throws IOException {
        try (ImageInputStream in = ImageIO.createImageInputStream(new ByteArrayInputStream(bytes))) {
            Iterator<ImageReader> readers = ImageIO.getImageReaders(in);
            if (!readers.hasNext()) return;
            ImageReader reader = readers.next();
            try {
                reader.setInput(in, true, true);
                long pixels = (long) reader.getWidth(0) * reader.getHeight(0);
                if (pixels > MOST_PIXELS) throw new IOException("A picture of " + pixels + " pixels");
            } finally {
                reader.dispose();
            }
        }
    }
}
