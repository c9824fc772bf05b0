package app.decant.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.Decant;
import app.decant.document.Document;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.Section;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.Standard;
import app.decant.pdf.check.StandardCheck;
import app.decant.publish.Recipe;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Random;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.graphics.PDXObject;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.Assertions;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Drawings as old office programs keep them, written here byte by byte after MS-WMF and MS-EMF: the left half red, the rest empty. */
public class MetafileTest {
    private static final int RED = 0xFFC00000;
    private static final int WIDTH = 144;
    private static final int HEIGHT = 72;

    private static ByteBuffer buffer(int size) { return ByteBuffer.allocate(size).order(ByteOrder.LITTLE_ENDIAN); }

    private static byte[] record(int function, int... parameters) {
        ByteBuffer out = buffer(6 + 2 * parameters.length).putInt(3 + parameters.length).putShort((short) function);
        for (int parameter : parameters) out.putShort((short) parameter);
        return out.array();
    }

    /** MS-WMF 2.3: window, brush and pen, a rectangle, the end. */
    public static byte[] plain(boolean placeable) { return plain(placeable, false); }

    /** @param upwards whether it is measured from its foot */
    private static byte[] plain(boolean placeable, boolean upwards) {
        byte[][] records = {record(0x020B, upwards ? HEIGHT : 0, 0), record(0x020C, upwards ? -HEIGHT : HEIGHT, WIDTH),
                record(0x02FC, 0, 0x00C0, 0, 0), record(0x012D, 0),
                record(0x02FA, 5, 0, 0, 0, 0), record(0x012D, 1), record(0x041B, HEIGHT, WIDTH / 2, 0, 0), record(0x0000)};
        int length = 18;
        for (byte[] one : records) length += one.length;
        ByteBuffer out = buffer(22 + length);
        if (placeable) {
            int[] words = {0xCDD7, 0x9AC6, 0, 0, 0, WIDTH, HEIGHT, 72, 0, 0};
            int sum = 0;
            for (int word : words) {
                out.putShort((short) word);
                sum ^= word;
            }
            out.putShort((short) sum);
        }
        out.putShort((short) 1).putShort((short) 9).putShort((short) 0x0300).putInt(length / 2).putShort((short) 2).putInt(7).putShort((short) 0);
        for (byte[] one : records) out.put(one);
        return Arrays.copyOf(out.array(), out.position());
    }

    /** MS-EMF 2.3: header, brush, pen, a rectangle, the end; measured in hundredths of a millimetre and in pixels of 72 an inch. */
    public static byte[] extended() {
        int millimetres = (int) Math.round(WIDTH / 72.0 * 2540);
        ByteBuffer out = buffer(400);
        out.putInt(1).putInt(108).putInt(0).putInt(0).putInt(WIDTH - 1).putInt(HEIGHT - 1).putInt(0).putInt(0).putInt(millimetres).putInt(millimetres / 2);
        out.putInt(0x464D4520).putInt(0x10000).putInt(0).putInt(7).putShort((short) 3).putShort((short) 0).putInt(0).putInt(0).putInt(0).putInt(720)
                .putInt(720).putInt(254).putInt(254);
        out.position(108);
        out.putInt(0x27).putInt(24).putInt(1).putInt(0).putInt(0x000000C0).putInt(0);
        out.putInt(0x25).putInt(12).putInt(1);
        out.putInt(0x25).putInt(12).putInt(0x80000008);
        out.putInt(0x2B).putInt(24).putInt(0).putInt(0).putInt(WIDTH / 2).putInt(HEIGHT);
        out.putInt(0x0E).putInt(20).putInt(0).putInt(0).putInt(20);
        int length = out.position();
        out.putInt(48, length).putInt(52, 6);
        return Arrays.copyOf(out.array(), length);
    }

    private static void leftHalfRed(byte[] file) throws IOException {
        BufferedImage pixels = PictureDecoder.decode(new Image("image/x-wmf", file), 144);
        assertThat((double) pixels.getWidth() / pixels.getHeight()).isBetween(1.9, 2.1);
        assertThat(pixels.getRGB(pixels.getWidth() / 4, pixels.getHeight() / 2)).isEqualTo(RED);
        assertThat(pixels.getRGB(pixels.getWidth() * 3 / 4, pixels.getHeight() / 2) >>> 24).as("nothing drawn there").isZero();
    }

    @Test void bothGenerationsAreDrawn() throws IOException {
        leftHalfRed(plain(true));
        leftHalfRed(plain(false));
        leftHalfRed(plain(false, true));
        leftHalfRed(extended());
        assertThat(PictureDecoder.decode(new Image("image/x-wmf", plain(true)), 144).getWidth()).as("no coarser than four inches at 144").isBetween(574, 578);
    }

    @Test void standOnThePublishedPage(@TempDir Path folder) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(published(plain(true), Recipe.PLAIN, folder).toFile())) {
            BufferedImage page = new PDFRenderer(pdf).renderImage(0);
            int red = 0;
            for (int y = 0; y < page.getHeight(); y++) for (int x = 0; x < page.getWidth(); x++) if ((page.getRGB(x, y) & 0xFFFFFF) == (RED & 0xFFFFFF)) red++;
            assertThat(red).as("a hundred points square").isBetween(9_500, 10_500);
        }
    }

    private static Path published(byte[] metafile, Recipe recipe, Path folder) {
        Picture picture = new Picture(new Image("image/x-wmf", metafile), 200, 100, "A flag");
        Document document = Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.of(new Paragraph(null, Look.PLAIN, Look.PLAIN,
                List.of(new Inline.InlinePicture(picture, Look.PLAIN)))))));
        Path file = folder.resolve("flag.pdf");
        Decant.publish(document, recipe, file);
        return file;
    }

    private static List<PDXObject> shown(PDDocument pdf) throws IOException {
        List<PDXObject> shown = new ArrayList<>();
        for (COSName name : pdf.getPage(0).getResources().getXObjectNames()) shown.add(pdf.getPage(0).getResources().getXObject(name));
        return shown;
    }

    /** Lines stay lines: what is ten times as large is as sharp, and archives take it. */
    @Test void isNoPixelsInAPdf(@TempDir Path folder) throws IOException {
        Recipe archive = Recipe.PLAIN.with(PdfStyle.PLAIN.with(Standard.A_2B));
        for (byte[] metafile : List.of(plain(true), extended())) {
            Path file = published(metafile, archive, Files.createTempDirectory(folder, "flag"));
            assertThat(StandardCheck.broken(file, Standard.A_2B)).isEmpty();
            try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
                assertThat(shown(pdf)).hasOnlyElementsOfType(PDFormXObject.class);
                BufferedImage page = new PDFRenderer(pdf).renderImage(0, 10);
                int row = (int) ((pdf.getPage(0).getMediaBox().getHeight() - 122) * 10);
                int between = 0;
                for (int x = 0; x < page.getWidth(); x++) {
                    int rgb = page.getRGB(x, page.getHeight() - row) & 0xFFFFFF;
                    if (rgb != 0xFFFFFF && rgb != (RED & 0xFFFFFF)) between++;
                }
                assertThat(between).as("colours at its edges that are neither").isLessThanOrEqualTo(4);
            }
        }
    }

    /** Old drawings tell any size of themselves; where it is known how wide they are shown, they have the pixels for that. */
    @Test void asManyPixelsAsTheirPlaceAsksFor() throws IOException {
        Image flag = new Image("image/x-wmf", plain(true));
        assertThat(PictureDecoder.decode(flag, 300, 36).getWidth()).isBetween(149, 152);
        assertThat(PictureDecoder.decode(flag, 300, 720).getWidth()).isBetween(2999, 3002);
    }

    @Test void damagedOnesAreRefusedAndHangNothing() {
        Random random = new Random(3);
        for (byte[] whole : List.of(plain(true), extended())) {
            for (int i = 0; i < 150; i++) {
                byte[] file = i % 3 == 0 ? Arrays.copyOf(whole, random.nextInt(whole.length)) : whole.clone();
                if (i % 3 > 0) for (int k = 0; k < i % 3; k++) file[random.nextInt(file.length)] = (byte) random.nextInt();
                Assertions.assertTimeoutPreemptively(Duration.ofSeconds(20), () -> {
                    try {
                        PictureDecoder.decode(new Image("image/x-emf", file), 300);
                    } catch (IOException e) {
                        assertThat(e.getMessage()).isNotBlank();
                    }
                });
            }
        }
        assertThatThrownBy(() -> PictureDecoder.decode(new Image("image/x-wmf", Arrays.copyOf(plain(true), 30)), 300))
                .isInstanceOf(IOException.class);
    }
}
