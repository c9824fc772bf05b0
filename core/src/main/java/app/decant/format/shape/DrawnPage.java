package app.decant.format.shape;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;

/** A PDF of one page, as which drawings without pixels are kept. */
final class DrawnPage {
    private DrawnPage() { }

    /** What is drawn on it. */
    interface Drawing {
        void on(PDDocument pdf, PDPageContentStream out) throws IOException;
    }

    /** @param width in points, as is {@code height}. @return the same bytes for the same drawing */
    static byte[] of(double width, double height, Drawing drawing) {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (PDDocument pdf = new PDDocument()) {
            pdf.setDocumentId(0L);
            PDPage page = new PDPage(new PDRectangle((float) width, (float) height));
            pdf.addPage(page);
            try (PDPageContentStream out = new PDPageContentStream(pdf, page)) {
                drawing.on(pdf, out);
            }
            pdf.save(bytes);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }
}
