package app.decant.paint;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.demo.PassengerHandbook;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.layout.Sample;
import app.decant.page.Page;
import app.decant.paint.PagePainter.PictureCache;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.write.PdfWriter;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Instant;
import java.util.List;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.Test;

/** What is edited is what is published: the page as the screen paints it against the published page as PDFBox paints it. */
class PaintedPageTest {
    private static final double SCALE = 1.5;

    @Test void theScreenShowsThePageThatIsPublished() throws IOException {
        PagedDocument pages = Layout.of(PassengerHandbook.document(), FontCatalogue.shipped());
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        PdfWriter.write(pages, new PdfChoices(IntStream.range(0, pages.count()).boxed().toList(), PdfStyle.PLAIN, pages.document().facts(), Instant.EPOCH),
                bytes, Progress.SILENT);
        PictureCache pictures = new PictureCache();
        try (PDDocument pdf = Loader.loadPDF(bytes.toByteArray())) {
            PDFRenderer renderer = new PDFRenderer(pdf);
            for (Page page : pages.pages()) {
                BufferedImage screen = PagePainter.image(page, SCALE, pictures);
                BufferedImage published = renderer.renderImage(page.index(), (float) SCALE, ImageType.RGB);
                assertThat(Math.abs(screen.getWidth() - published.getWidth())).isLessThanOrEqualTo(1);
                // Two painters smooth edges in their own ways, so small squares are compared, not single pixels.
                assertThat(different(screen, published)).as("share of the squares of page %d that differ", page.index() + 1).isLessThan(0.004);
            }
        }
    }

    /** The share of 4 by 4 squares whose mean brightness differs by more than a sixth of the whole. */
    private static double different(BufferedImage one, BufferedImage other) {
        int columns = Math.min(one.getWidth(), other.getWidth()) / 4;
        int rows = Math.min(one.getHeight(), other.getHeight()) / 4;
        int different = 0;
        for (int row = 0; row < rows; row++) {
            for (int column = 0; column < columns; column++) if (Math.abs(mean(one, column * 4, row * 4) - mean(other, column * 4, row * 4)) > 42) different++;
        }
        return (double) different / (columns * rows);
    }

    private static double mean(BufferedImage image, int left, int top) {
        int sum = 0;
        for (int y = 0; y < 4; y++) {
            for (int x = 0; x < 4; x++) {
                int rgb = image.getRGB(left + x, top + y);
                sum += (rgb >> 16 & 255) * 3 + (rgb >> 8 & 255) * 6 + (rgb & 255);
            }
        }
        return sum / 160.0;
    }

    @Test void aPictureThatCannotBeDecodedLeavesItsPlaceAndBreaksNothing() {
        Image broken = new Image("image/png", new byte[] {1, 2, 3});
        assertThat(new PictureCache().holds(broken)).isFalse();
        Paragraph paragraph = new Paragraph(null, Look.PLAIN, Look.PLAIN,
                List.of(new Inline.InlinePicture(new Picture(broken, 100, 60, null),
                        Look.PLAIN)));
        Page page = Layout.of(Sample.of(List.of(paragraph)), FontCatalogue.shipped()).page(0);
        assertThat(PagePainter.image(page, 1, new PictureCache()).getWidth()).isEqualTo(595);
    }
}
