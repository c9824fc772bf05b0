package app.decant.picture;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Image;
import app.decant.words.Message;
import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Locale;
import javax.imageio.ImageIO;

/**
 * A picture from outside, as a document can hold it: PNG, JPEG and GIF as they came, others with the same pixels as PNG.
 *
 * @param across its width in pixels
 * @param down   its height in pixels
 */
public record PictureFile(Image image, int across, int down) {
    /** The endings of files that are taken. */
    public static final String[] ENDINGS = {"png", "jpg", "jpeg", "gif", "bmp", "tif", "tiff", "emf", "wmf"};
    private static final int FILE_HEADER = 14;
    private static final double DRAWN = 192;
    private static final double USUAL = 96;

    /**
     * @param name what people call it
     * @throws DecantException ({@code UNREADABLE}) where it is no picture, damaged or larger than any office picture
     */
    public static PictureFile read(byte[] bytes, String name) {
        String type = type(bytes);
        try {
            BufferedImage pixels = PictureDecoder.decode(new Image(type, bytes), DRAWN);
            Image image = type.isEmpty() ? png(pixels) : new Image(type, bytes);
            return new PictureFile(image, pixels.getWidth(), pixels.getHeight());
        } catch (IOException | RuntimeException e) {
            throw new DecantException(Kind.UNREADABLE, Message.of("picture.cannot-be-read", name), e);
        }
    }

    /** A picture that has no file, such as one on the clipboard. */
    public static PictureFile of(BufferedImage pixels) {
        try {
            return new PictureFile(png(pixels), pixels.getWidth(), pixels.getHeight());
        } catch (IOException e) {
            throw new DecantException(Kind.UNREADABLE, Message.of("picture.cannot-be-read", ""), e);
        }
    }

    public static boolean isNamed(String file) {
        String name = file.toLowerCase(Locale.ROOT);
        for (String ending : ENDINGS) if (name.endsWith("." + ending)) return true;
        return false;
    }

    /** How wide it is placed where there is so much room: at 96 pixels an inch, or as wide as the room. In points. */
    public double width(double room) { return Math.min(room, across * 72 / USUAL); }

    private static Image png(BufferedImage pixels) throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        ImageIO.write(pixels, "png", out);
        return new Image("image/png", out.toByteArray());
    }

    /** The media type of a picture by its first bytes; null for what is none. */
    public static String type(byte[] bytes) {
        if (starts(bytes, 0x89, 'P', 'N', 'G')) return "image/png";
        if (starts(bytes, 0xFF, 0xD8, 0xFF)) return "image/jpeg";
        return starts(bytes, 'G', 'I', 'F', '8') ? "image/gif" : "";
    }

    /**
     * A bitmap as office files and clipboards hold it, with the header in front that it has as a file (MS-WMF 2.2.2.9; the header of files from memory);
     * other bytes as they are.
     */
    public static byte[] withHeader(byte[] bytes) {
        int header = bytes.length < 40 ? 0 : four(bytes, 0);
        if (header != 40 && header != 108 && header != 124 || bytes.length <= header || (bytes[12] & 0xFF | bytes[13] << 8) != 1) return bytes;
        int depth = bytes[14] & 0xFF;
        int told = four(bytes, 32);
        int colours = depth <= 8 ? told > 0 && told <= 256 ? told : 1 << depth : 0;
        int masks = four(bytes, 16) == 3 && header == 40 ? 12 : 0;
        ByteBuffer file = ByteBuffer.allocate(FILE_HEADER + bytes.length).order(ByteOrder.LITTLE_ENDIAN);
        file.put((byte) 'B').put((byte) 'M').putInt(FILE_HEADER + bytes.length).putInt(0).putInt(FILE_HEADER + header + masks + 4 * colours).put(bytes);
        return file.array();
    }

    private static int four(byte[] bytes, int at) { return ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN).getInt(at); }

    private static boolean starts(byte[] bytes, int... first) {
        if (bytes.length < first.length) return false;
        for (int i = 0; i < first.length; i++) if ((bytes[i] & 0xFF) != first[i]) return false;
        return true;
    }
}
