package app.decant.picture;

import static org.assertj.core.api.Assertions.assertThat;

import java.awt.image.BufferedImage;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class PixelRowsTest {
    /** Source of the expectation: the JDK, pixel by pixel. */
    @ParameterizedTest
    @ValueSource(ints = {BufferedImage.TYPE_INT_RGB, BufferedImage.TYPE_INT_ARGB, BufferedImage.TYPE_3BYTE_BGR, BufferedImage.TYPE_4BYTE_ABGR,
        BufferedImage.TYPE_BYTE_GRAY, BufferedImage.TYPE_BYTE_BINARY, BufferedImage.TYPE_INT_ARGB_PRE, BufferedImage.TYPE_BYTE_INDEXED})
    void saysWhatThePixelsSay(int type) {
        BufferedImage whole = new BufferedImage(23, 11, type);
        Random random = new Random(type);
        for (int y = 0; y < 11; y++) for (int x = 0; x < 23; x++) whole.setRGB(x, y, random.nextInt());
        // A part of a picture begins elsewhere in what holds its pixels.
        for (BufferedImage image : new BufferedImage[] {whole, whole.getSubimage(3, 2, 17, 7)}) {
            PixelRows rows = new PixelRows(image);
            for (int y = 0; y < rows.height(); y++) {
                int[] row = rows.row(y);
                assertThat(row).hasSize(image.getWidth());
                for (int x = 0; x < row.length; x++) assertThat(row[x]).isEqualTo(image.getRGB(x, y));
            }
        }
    }
}
