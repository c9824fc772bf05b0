package app.decant.recover;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.Decant;
import app.decant.document.DecantException;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.format.Taken;
import app.decant.layout.PagedDocument;
import app.decant.publish.Recipe;
import app.decant.recover.line.OpticalReader;
import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import javax.imageio.IIOImage;
import javax.imageio.ImageIO;
import javax.imageio.ImageTypeSpecifier;
import javax.imageio.ImageWriter;
import javax.imageio.metadata.IIOMetadata;
import javax.imageio.metadata.IIOMetadataNode;
import javax.imageio.stream.ImageOutputStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Pictures as documents: scans of several pages, photographs, and what is broken among them. */
class PicturePagesTest {
    @TempDir private Path folder;

    private static BufferedImage scan(int number, int type) {
        BufferedImage pixels = new BufferedImage(1240, 1754, type);
        Graphics2D graphics = pixels.createGraphics();
        graphics.setColor(Color.WHITE);
        graphics.fillRect(0, 0, 1240, 1754);
        graphics.setColor(Color.BLACK);
        graphics.setFont(new Font(Font.SERIF, Font.PLAIN, 60));
        graphics.drawString("Harbour notice, sheet " + number, 120, 200 * number);
        graphics.fillRect(100 * number, 900, 200, 200);
        graphics.dispose();
        return pixels;
    }

    /** A TIFF file as scanners and fax programs write it: sheet after sheet, and how fine it is (TIFF 6.0, tags 282 and 296). */
    private static byte[] tiff(int sheets) throws IOException {
        ImageWriter writer = ImageIO.getImageWritersByFormatName("tiff").next();
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ImageOutputStream out = ImageIO.createImageOutputStream(bytes)) {
            writer.setOutput(out);
            writer.prepareWriteSequence(null);
            for (int i = 1; i <= sheets; i++) {
                BufferedImage sheet = scan(i, BufferedImage.TYPE_BYTE_BINARY);
                IIOMetadata metadata = writer.getDefaultImageMetadata(ImageTypeSpecifier.createFromRenderedImage(sheet), writer.getDefaultWriteParam());
                IIOMetadataNode root = new IIOMetadataNode("javax_imageio_1.0");
                IIOMetadataNode dimension = new IIOMetadataNode("Dimension");
                for (String side : new String[] {"HorizontalPixelSize", "VerticalPixelSize"}) {
                    IIOMetadataNode size = new IIOMetadataNode(side);
                    size.setAttribute("value", String.valueOf(25.4 / 150));
                    dimension.appendChild(size);
                }
                root.appendChild(dimension);
                metadata.mergeTree("javax_imageio_1.0", root);
                writer.writeToSequence(new IIOImage(sheet, null, metadata), writer.getDefaultWriteParam());
            }
            writer.endWriteSequence();
        }
        return bytes.toByteArray();
    }

    @Test void everySheetOfAScanIsAPageOfItsOwnSize() throws IOException {
        Path file = folder.resolve("scan.tif");
        Files.write(file, tiff(3));
        Taken taken = Decant.open(file);
        assertThat(taken.format()).isEqualTo(FixedFormat.TIFF);
        PagedDocument pages = Decant.layOut(taken.document());
        assertThat(pages.count()).isEqualTo(3);
        assertThat(pages.page(0).width()).isBetween(595.0, 595.5);
        if (!OpticalReader.isHere()) {
            assertThat(taken.findings()).extracting(Finding::what).anyMatch(what -> what.contains("Page 3 is a scan") && what.contains("tesseract-ocr"));
            Path pdf = folder.resolve("scan.pdf");
            Decant.publish(taken.document(), Recipe.PLAIN, pdf);
            try (PDDocument made = Loader.loadPDF(pdf.toFile())) {
                for (int i = 0; i < 3; i++) {
                    BufferedImage page = new PDFRenderer(made).renderImage(i);
                    int x = (int) ((100 * (i + 1) + 100) * 72 / 150.0);
                    assertThat(page.getRGB(x, 480) & 0xFF).as("the square of sheet " + (i + 1)).isLessThan(60);
                }
            }
            assertThat(Decant.compare(file, pdf, null, Progress.SILENT).looks()).isGreaterThan(99);
        }
    }

    @ParameterizedTest
    @ValueSource(strings = {"png", "jpg", "gif", "bmp"})
    void aPhotographStandsOnA4WithinMargins(String format) throws IOException {
        BufferedImage photo = new BufferedImage(1600, 900, BufferedImage.TYPE_INT_RGB);
        for (int x = 0; x < 1600; x++) for (int y = 0; y < 900; y++) photo.setRGB(x, y, x / 8 << 16 | y / 4 << 8 | 60);
        Path file = folder.resolve("photo." + format);
        assertThat(ImageIO.write(photo, format, file.toFile())).isTrue();
        PagedDocument pages = Decant.layOut(Decant.open(file).document());
        assertThat(pages.count()).isOne();
        assertThat(pages.page(0).width()).isBetween(841.0, 843.0);
        Path pdf = folder.resolve("photo.pdf");
        Decant.publish(Decant.open(file).document(), Recipe.PLAIN, pdf);
        try (PDDocument made = Loader.loadPDF(pdf.toFile())) {
            BufferedImage page = new PDFRenderer(made).renderImage(0);
            assertThat(page.getRGB(10, 10) & 0xFFFFFF).isEqualTo(0xFFFFFF);
            assertThat(page.getRGB(60, 60) & 0xFFFFFF).isNotEqualTo(0xFFFFFF);
        }
    }

    @Test void brokenOnesAreToldInASentence() throws IOException {
        byte[] whole = tiff(1);
        for (int cut : new int[] {8, 40, whole.length / 2}) {
            Path file = folder.resolve("cut.tif");
            Files.write(file, Arrays.copyOf(whole, cut));
            assertThatThrownBy(() -> Decant.open(file)).isInstanceOf(DecantException.class).hasMessageContaining("cut.tif is a damaged picture");
        }
    }
}
