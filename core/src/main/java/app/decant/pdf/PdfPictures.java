package app.decant.pdf;

import app.decant.document.DecantException;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;

/** Pictures of the pages of a PDF file as it is. */
public final class PdfPictures {
    private PdfPictures() { }

    /** The first pages at a scale (1 is 72 pixels an inch), twice as fine for sharp screens. */
    public static List<BufferedImage> of(Path file, int most, double scale) {
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            PDFRenderer renderer = new PDFRenderer(pdf);
            List<BufferedImage> images = new ArrayList<>();
            for (int i = 0; i < Math.min(most, pdf.getNumberOfPages()); i++) {
                BufferedImage plain = renderer.renderImage(i, (float) (scale * 2), ImageType.RGB);
                BufferedImage image = new BufferedImage(plain.getWidth(), plain.getHeight(), BufferedImage.TYPE_INT_ARGB_PRE);
                image.createGraphics().drawImage(plain, 0, 0, null);
                images.add(image);
            }
            return images;
        } catch (IOException e) {
            throw new DecantException(DecantException.Kind.UNREADABLE, file.getFileName() + " can't be shown: it can't be opened again.", e);
        }
    }
}
