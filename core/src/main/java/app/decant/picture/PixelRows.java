package app.decant.picture;

import java.awt.image.BufferedImage;
import java.awt.image.Raster;

/**
 * The colours of a picture by rows, as numbers of alpha, red, green and blue, eight bits each. What the library asks of every pixel by itself takes ten
 * times as long for the kinds of pictures that are met most.
 */
public final class PixelRows {
    private static final int OPAQUE = 0xFF000000;

    private final BufferedImage image;
    private final Raster raster;
    private final int[] row;
    private final byte[] samples;

    public PixelRows(BufferedImage image) {
        this.image = image;
        raster = image.getRaster();
        row = new int[image.getWidth()];
        samples = image.getType() == BufferedImage.TYPE_3BYTE_BGR ? new byte[3 * row.length] : null;
    }

    public int height() { return image.getHeight(); }

    /** The colours of one row, from its left; the same array each time. */
    public int[] row(int y) {
        switch (image.getType()) {
            case BufferedImage.TYPE_INT_ARGB -> raster.getDataElements(0, y, row.length, 1, row);
            case BufferedImage.TYPE_INT_RGB -> {
                raster.getDataElements(0, y, row.length, 1, row);
                for (int x = 0; x < row.length; x++) row[x] |= OPAQUE;
            }
            case BufferedImage.TYPE_3BYTE_BGR -> {
                raster.getDataElements(0, y, row.length, 1, samples);
                for (int x = 0; x < row.length; x++)
                    row[x] = OPAQUE | (samples[3 * x] & 255) << 16 | (samples[3 * x + 1] & 255) << 8 | samples[3 * x + 2] & 255;
            }
            default -> image.getRGB(0, y, row.length, 1, row, 0, row.length);
        }
        return row;
    }
}
