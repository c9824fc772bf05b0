package app.decant.pdf.picture;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.picture.Metafile;
import app.decant.picture.MetafileTest;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Arrays;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.junit.jupiter.api.Test;

/** Lines that don't look like the metafile they were made of are not taken: its pixels, played by another way, are what they are held against. */
class MetafileLinesTest {
    private static byte[] half(float red, float left) throws IOException {
        try (PDDocument document = new PDDocument(); ByteArrayOutputStream out = new ByteArrayOutputStream()) {
            PDPage page = new PDPage(new PDRectangle(600, 300));
            document.addPage(page);
            try (PDPageContentStream content = new PDPageContentStream(document, page)) {
                content.setNonStrokingColor(red, 0, 0);
                content.addRect(left, 0, 300, 300);
                content.fill();
            }
            document.save(out);
            return out.toByteArray();
        }
    }

    @Test void areHeldAgainstPixels() throws IOException {
        Metafile flag = Metafile.of(MetafileTest.plain(true));
        assertThat(MetafileLines.isAlike(half(0xC0 / 255f, 300), flag)).as("on the other side").isFalse();
        assertThat(MetafileLines.isAlike(half(0, 0), flag)).as("in another colour").isFalse();
        assertThat(MetafileLines.of(MetafileTest.plain(true))).isNotNull();
        assertThat(MetafileLines.of(Arrays.copyOf(MetafileTest.plain(true), 30))).as("damaged").isNull();
    }
}
