package app.decant.pdf;

import app.decant.document.DecantException;
import app.decant.words.Message;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.apache.pdfbox.io.IOUtils;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;

/** The pages of a PDF as pictures, for looking at. Not for several threads at once. */
public final class PdfPages implements AutoCloseable {
    private static final double MOST_PIXELS = 40_000_000;

    private final PDDocument pdf;
    private final PDFRenderer renderer;
    private final String name;

    private PdfPages(PDDocument pdf, String name) {
        this.pdf = pdf;
        this.renderer = new PDFRenderer(pdf);
        this.name = name;
    }

    /**
     * Opens a PDF for looking at.
     *
     * @param password for a protected file, or null
     * @throws DecantException where it can't be opened
     */
    public static PdfPages open(Path file, String password) {
        try {
            return new PdfPages(PdfDoor.open(Files.readAllBytes(file), String.valueOf(file.getFileName()), password), String.valueOf(file.getFileName()));
        } catch (IOException e) {
            throw new DecantException(DecantException.Kind.UNREADABLE, Message.of("pdf.cannot-be-shown-it-cannot-be-opened", file.getFileName()), e);
        }
    }

    /** Shows an empty page nobody sees, so that the first PDF someone opens does not wait for what every PDF needs. */
    public static void prepare() {
        StandInFonts.use();
        try (PDDocument pdf = new PDDocument()) {
            PDPage page = new PDPage();
            pdf.addPage(page);
            try (PDPageContentStream out = new PDPageContentStream(pdf, page)) {
                out.beginText();
                out.setFont(new PDType1Font(Standard14Fonts.FontName.TIMES_ROMAN), 10);
                out.showText("A");
                out.endText();
            }
            new PdfPages(pdf, "").image(0, 0.1);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public int count() { return pdf.getNumberOfPages(); }

    /** In points, as the page is seen. */
    public double width(int page) {
        PDPage one = pdf.getPage(page);
        return one.getRotation() % 180 == 0 ? one.getCropBox().getWidth() : one.getCropBox().getHeight();
    }

    /** In points, as the page is seen. */
    public double height(int page) {
        PDPage one = pdf.getPage(page);
        return one.getRotation() % 180 == 0 ? one.getCropBox().getHeight() : one.getCropBox().getWidth();
    }

    /** A page at a scale in pixels a point; less where that would be beyond measure. */
    public BufferedImage image(int page, double scale) {
        double most = Math.sqrt(MOST_PIXELS / Math.max(1, width(page) * height(page)));
        try {
            BufferedImage plain = renderer.renderImage(page, (float) Math.min(scale, most), ImageType.RGB);
            BufferedImage image = new BufferedImage(plain.getWidth(), plain.getHeight(), BufferedImage.TYPE_INT_ARGB_PRE);
            Graphics2D graphics = image.createGraphics();
            graphics.drawImage(plain, 0, 0, null);
            graphics.dispose();
            return image;
        } catch (IOException | RuntimeException e) {
            throw new DecantException(DecantException.Kind.UNREADABLE, Message.of("pdf.page-of-cannot-be-shown", (page + 1), name), e);
        }
    }

    @Override public void close() { IOUtils.closeQuietly(pdf); }
}
