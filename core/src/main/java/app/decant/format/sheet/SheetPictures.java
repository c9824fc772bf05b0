package app.decant.format.sheet;

import app.decant.document.Image;
import app.decant.picture.PictureDecoder;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.Set;
import javax.imageio.ImageIO;
import org.slf4j.LoggerFactory;

/** Pictures as workbooks hold them. */
final class SheetPictures {
    private static final double FINE = 200;

    private SheetPictures() { }

    /**
     * A picture in a kind that is among those a format knows: as it is, or made of pixels anew.
     *
     * @return null where it can't be read
     */
    static Image usual(Image image, Set<String> known) {
        if (known.contains(image.type())) return image;
        try {
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            BufferedImage pixels = PictureDecoder.decode(image, FINE);
            if (pixels == null) return null;
            ImageIO.write(pixels, "png", bytes);
            return new Image("image/png", bytes.toByteArray());
        } catch (IOException | RuntimeException e) {
            LoggerFactory.getLogger(SheetPictures.class).info("A picture of the kind {} can't be read", image.type(), e);
            return null;
        }
    }
}
