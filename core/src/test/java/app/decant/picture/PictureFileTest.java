package app.decant.picture;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Block;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.format.Formats;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.HexFormat;
import javax.imageio.ImageIO;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Bitmaps as office files hold them: what the platform writes, without the header of a file. */
class PictureFileTest {
    private static byte[] bare(int kind) throws IOException {
        BufferedImage pixels = new BufferedImage(5, 3, kind);
        Graphics2D graphics = pixels.createGraphics();
        graphics.setColor(Color.WHITE);
        graphics.fillRect(1, 1, 2, 1);
        graphics.dispose();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(pixels, "bmp", out);
        byte[] file = out.toByteArray();
        assertThat(PictureFile.withHeader(file)).as("a file stays as it is").isEqualTo(file);
        byte[] bare = Arrays.copyOfRange(file, 14, file.length);
        assertThat(PictureFile.withHeader(bare)).isEqualTo(file);
        return bare;
    }

    @ParameterizedTest @ValueSource(ints = {BufferedImage.TYPE_INT_RGB, BufferedImage.TYPE_BYTE_INDEXED, BufferedImage.TYPE_BYTE_BINARY,
        BufferedImage.TYPE_BYTE_GRAY})
    void bitmapsInsideFilesAreShown(int kind) throws IOException {
        String file = "{\\rtf1 {\\pict\\dibitmap0\\picwgoal100\\pichgoal60 " + HexFormat.of().formatHex(bare(kind)) + "}\\par}";
        Block block = Formats.read(file.getBytes(StandardCharsets.US_ASCII), "made.rtf", null, Progress.SILENT).document().blocks().get(0);
        Image image = ((Inline.InlinePicture) ((Paragraph) block).inlines().get(0)).picture().image();
        BufferedImage pixels = PictureDecoder.decode(image, 96);
        assertThat(pixels.getWidth()).isEqualTo(5);
        assertThat(pixels.getRGB(2, 1)).isEqualTo(Color.WHITE.getRGB());
        assertThat(pixels.getRGB(2, 2)).isEqualTo(Color.BLACK.getRGB());
    }
}
