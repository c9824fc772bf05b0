package app.decant.format.rtf;

import app.decant.document.Image;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import app.decant.picture.PictureFile;
import java.io.ByteArrayOutputStream;

/** A picture while its words and bytes come in. */
final class RtfPicture {
    private static final int MOST = 256 << 20;

    private final ByteArrayOutputStream bytes = new ByteArrayOutputStream();
    private int pending = -1;
    private String type = "image/unknown";
    private int width;
    private int height;
    private int across = 100;
    private int down = 100;
    private final int[] crop = new int[4];

    void word(String word, int value) {
        switch (word) {
            case "pngblip" -> type = "image/png";
            case "jpegblip" -> type = "image/jpeg";
            case "emfblip" -> type = "image/x-emf";
            case "wmetafile" -> type = "image/x-wmf";
            case "dibitmap", "wbitmap" -> type = "image/bmp";
            case "picwgoal" -> width = value;
            case "pichgoal" -> height = value;
            case "picscalex" -> across = value;
            case "picscaley" -> down = value;
            case "piccropt" -> crop[0] = value;
            case "piccropr" -> crop[1] = value;
            case "piccropb" -> crop[2] = value;
            case "piccropl" -> crop[3] = value;
            default -> { }
        }
    }

    void hex(String text) {
        if (bytes.size() > MOST) return;
        for (int i = 0; i < text.length(); i++) {
            int digit = Character.digit(text.charAt(i), 16);
            if (digit < 0) continue;
            if (pending < 0) {
                pending = digit;
            } else {
                bytes.write(pending << 4 | digit);
                pending = -1;
            }
        }
    }

    void bytes(byte[] all) { if (bytes.size() < MOST) bytes.writeBytes(all); }

    /** The picture, or null where there is none. */
    Picture picture() {
        if (bytes.size() == 0) return null;
        double wide = Math.max(1, width / 20.0);
        double high = Math.max(1, height / 20.0);
        Insets cut = new Insets(crop[0] / 20.0 / high, crop[1] / 20.0 / wide, crop[2] / 20.0 / high, crop[3] / 20.0 / wide);
        boolean sane = cut.left() + cut.right() < 1 && cut.top() + cut.bottom() < 1;
        if (!sane) cut = Insets.NONE;
        double shownWide = wide * (1 - cut.left() - cut.right()) * across / 100.0;
        double shownHigh = high * (1 - cut.top() - cut.bottom()) * down / 100.0;
        return new Picture(new Image(type, PictureFile.withHeader(bytes.toByteArray())), Math.max(1, shownWide), Math.max(1, shownHigh), cut, 0, null);
    }
}
