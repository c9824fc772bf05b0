package app.decant.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.Section;
import app.decant.document.TableProperty.Insets;
import app.decant.edit.Pictures;
import app.decant.edit.TextSelection;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.List;
import javax.imageio.ImageIO;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.junit.jupiter.api.Test;

/** Pictures turned by a quarter: each pixel is where it has to be, as ImageIO reads it, and what is cut off stays cut off. */
class PictureTurnTest {
    private static BufferedImage pixels() {
        BufferedImage pixels = new BufferedImage(3, 2, BufferedImage.TYPE_INT_ARGB);
        for (int y = 0; y < 2; y++) for (int x = 0; x < 3; x++) pixels.setRGB(x, y, (x == 1 ? 0x80 : 0xFF) << 24 | 0x102030 * (1 + x + 3 * y));
        return pixels;
    }

    private static Image image(BufferedImage pixels, String kind) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(pixels, kind, out);
        return new Image("image/" + kind, out.toByteArray());
    }

    private static BufferedImage read(Image image) throws IOException { return ImageIO.read(new ByteArrayInputStream(image.bytes())); }

    @Test void eachPixelGoesWithTheHandsOfAClock() throws IOException {
        BufferedImage was = pixels();
        BufferedImage is = read(PictureTurn.clockwise(image(was, "png")));
        assertThat(List.of(is.getWidth(), is.getHeight())).containsExactly(2, 3);
        for (int y = 0; y < 2; y++) for (int x = 0; x < 3; x++) assertThat(is.getRGB(1 - y, x)).as("%d, %d", x, y).isEqualTo(was.getRGB(x, y));
        Image round = image(was, "png");
        for (int i = 0; i < 4; i++) round = PictureTurn.clockwise(round);
        BufferedImage again = read(round);
        for (int y = 0; y < 2; y++) for (int x = 0; x < 3; x++) assertThat(again.getRGB(x, y)).isEqualTo(was.getRGB(x, y));
    }

    @Test void aPhotographStaysOne() throws IOException {
        BufferedImage was = new BufferedImage(64, 32, BufferedImage.TYPE_INT_RGB);
        for (int y = 0; y < 32; y++) for (int x = 0; x < 64; x++) was.setRGB(x, y, x < 32 ? 0x204060 : 0xC0A080);
        Image turned = PictureTurn.clockwise(image(was, "jpeg"));
        assertThat(turned.type()).isEqualTo("image/jpeg");
        BufferedImage is = read(turned);
        assertThat(List.of(is.getWidth(), is.getHeight())).containsExactly(32, 64);
        for (int[] one : new int[][] {{16, 8, 0x204060}, {16, 56, 0xC0A080}})
            for (int shift = 0; shift < 24; shift += 8)
                assertThat(is.getRGB(one[0], one[1]) >> shift & 255).isCloseTo(one[2] >> shift & 255, within(4));
    }

    @Test void whatIsCutOffStaysCutOffAndAWideOneFindsRoom() throws IOException {
        Image image = image(pixels(), "png");
        Picture picture = new Picture(image, 90, 900, new Insets(0.1, 0.2, 0.3, 0.4), 0, "a quay");
        Paragraph paragraph = Paragraph.of("").withInlines(List.of(new Inline.InlinePicture(picture, Look.PLAIN)));
        Document document = Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.of(paragraph))));
        TextSelection picked = Pictures.find(document, picture);
        Document now = Pictures.turn(document, picked, PictureTurn.clockwise(image)).after();
        Picture turned = Pictures.picked(now, picked);
        double room = Pictures.room(document, picked.head());
        assertThat(turned.width()).isCloseTo(room, within(0.01));
        assertThat(turned.width() / turned.height()).isCloseTo(10, within(0.01));
        assertThat(turned.crop()).isEqualTo(new Insets(0.4, 0.1, 0.2, 0.3));
        assertThat(turned.description()).isEqualTo("a quay");
    }

    /** Painted by PDFBox: what a drawing shows is where the same pixels would be, and its lines are still lines. */
    @Test void aDrawingIsTurnedAsItsPixelsWouldBe() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (PDDocument pdf = new PDDocument()) {
            PDPage page = new PDPage(new PDRectangle(10, 20, 40, 20));
            pdf.addPage(page);
            try (PDPageContentStream content = new PDPageContentStream(pdf, page)) {
                content.setNonStrokingColor(1f, 0f, 0f);
                content.addRect(10, 30, 10, 10);
                content.fill();
                content.setNonStrokingColor(0f, 0f, 1f);
                content.addRect(40, 20, 10, 5);
                content.fill();
            }
            pdf.save(out);
        }
        Image drawing = new Image(PictureDecoder.DRAWING, out.toByteArray());
        BufferedImage was = PictureDecoder.decode(drawing, 72);
        Image turned = drawing;
        for (int i = 0; i < 4; i++) {
            turned = PictureTurn.clockwise(turned);
            assertThat(PictureDecoder.isDrawing(turned)).isTrue();
            BufferedImage is = PictureDecoder.decode(turned, 72);
            if (i == 0) {
                assertThat(List.of(is.getWidth(), is.getHeight())).containsExactly(20, 40);
                for (int y = 0; y < 20; y++) for (int x = 0; x < 40; x++) assertThat(is.getRGB(19 - y, x)).as("%d, %d", x, y).isEqualTo(was.getRGB(x, y));
                assertThat(PictureTurn.clockwise(drawing)).as("the same bytes each time").isEqualTo(turned);
            }
            if (i == 3) for (int y = 0; y < 20; y++) for (int x = 0; x < 40; x++) assertThat(is.getRGB(x, y)).isEqualTo(was.getRGB(x, y));
        }
    }

    @Test void whatHasNoPixelsIsNotTurned() {
        assertThatThrownBy(() -> PictureTurn.clockwise(new Image("image/png", new byte[] {1, 2, 3}))).isInstanceOf(DecantException.class);
        assertThatThrownBy(() -> PictureTurn.clockwise(new Image("image/x-emf", new byte[88]))).isInstanceOf(DecantException.class);
    }
}
