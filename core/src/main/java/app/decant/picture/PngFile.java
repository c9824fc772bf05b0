package app.decant.picture;

import app.decant.document.Image;
import java.awt.color.ColorSpace;
import java.awt.image.BufferedImage;
import java.awt.image.Raster;
import java.nio.ByteBuffer;
import java.io.ByteArrayOutputStream;
import java.nio.charset.StandardCharsets;
import java.util.zip.CRC32;
import java.util.zip.Deflater;

/**
 * Pictures as PNG (ISO/IEC 15948), eight bits a channel, with as few channels as hold all of it. The library's own writer asks for every sample by itself,
 * which takes ten times as long.
 */
public final class PngFile {
    private static final byte[] SIGNATURE = {(byte) 0x89, 'P', 'N', 'G', 13, 10, 26, 10};
    private static final int LEVEL = 4;
    private static final int GREY = 0;
    private static final int COLOURED = 2;
    private static final int CLEAR = 4;
    private static final int FILTERS = 5;

    private final BufferedImage image;
    private final PixelRows rows;
    /** How it tells its colours: 10.1 of the standard's table 11.1, the sum of the flags above. */
    private final int kind;
    private final int channels;

    private PngFile(BufferedImage image) {
        this.image = image;
        rows = isGrey(image) ? null : new PixelRows(image);
        kind = rows == null ? GREY : kind(rows);
        channels = switch (kind) {
            case GREY -> 1;
            case COLOURED -> 3;
            default -> 4;
        };
    }

    public static Image image(BufferedImage pixels) { return new Image("image/png", new PngFile(pixels).file()); }

    /** Pictures in nothing but grey keep their numbers; asked for as colours they would be other ones. */
    private static boolean isGrey(BufferedImage image) {
        return image.getRaster().getNumBands() == 1 && image.getSampleModel().getSampleSize(0) == 8
                && image.getColorModel().getColorSpace().getType() == ColorSpace.TYPE_GRAY;
    }

    private static int kind(PixelRows rows) {
        boolean grey = true;
        for (int y = 0; y < rows.height(); y++) {
            for (int colour : rows.row(y)) {
                if (colour >>> 24 != 255) return COLOURED | CLEAR;
                grey &= (colour >> 8 & 0xFFFF) == (colour & 0xFFFF);
            }
        }
        return grey ? GREY : COLOURED;
    }

    private byte[] file() {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.writeBytes(SIGNATURE);
        chunk(out, "IHDR", ByteBuffer.allocate(13).putInt(image.getWidth()).putInt(image.getHeight()).put((byte) 8).put((byte) kind).array(), 13);
        ByteArrayOutputStream packed = new ByteArrayOutputStream();
        Deflater deflater = new Deflater(LEVEL);
        pack(deflater, packed);
        deflater.end();
        chunk(out, "IDAT", packed.toByteArray(), packed.size());
        chunk(out, "IEND", new byte[0], 0);
        return out.toByteArray();
    }

    private static void chunk(ByteArrayOutputStream out, String type, byte[] content, int length) {
        CRC32 sum = new CRC32();
        byte[] named = type.getBytes(StandardCharsets.US_ASCII);
        sum.update(named);
        sum.update(content, 0, length);
        out.writeBytes(ByteBuffer.allocate(4).putInt(length).array());
        out.writeBytes(named);
        out.write(content, 0, length);
        out.writeBytes(ByteBuffer.allocate(4).putInt((int) sum.getValue()).array());
    }

    private void pack(Deflater deflater, ByteArrayOutputStream packed) {
        int length = image.getWidth() * channels;
        byte[] before = new byte[length];
        byte[] now = new byte[length];
        byte[][] filtered = new byte[FILTERS][length + 1];
        byte[] buffer = new byte[1 << 16];
        for (int type = 0; type < FILTERS; type++) filtered[type][0] = (byte) type;
        for (int y = 0; y < image.getHeight(); y++) {
            samples(y, now);
            deflater.setInput(filtered[filter(now, before, filtered)]);
            while (!deflater.needsInput()) packed.write(buffer, 0, deflater.deflate(buffer));
            byte[] swapped = before;
            before = now;
            now = swapped;
        }
        deflater.finish();
        while (!deflater.finished()) packed.write(buffer, 0, deflater.deflate(buffer));
    }

    /** The samples of a row one after the other. */
    private void samples(int y, byte[] row) {
        if (rows == null) {
            Raster raster = image.getRaster();
            int[] samples = raster.getSamples(raster.getMinX(), raster.getMinY() + y, image.getWidth(), 1, 0, (int[]) null);
            for (int x = 0; x < samples.length; x++) row[x] = (byte) samples[x];
            return;
        }
        int at = 0;
        for (int colour : rows.row(y)) {
            row[at++] = (byte) (kind == GREY ? colour : colour >> 16);
            if (kind == GREY) continue;
            row[at++] = (byte) (colour >> 8);
            row[at++] = (byte) colour;
            if (channels == 4) row[at++] = (byte) (colour >>> 24);
        }
    }

    /** Filters a row (clause 9) and says which way makes it smallest: that with the least sum of what is left (12.8). */
    private int filter(byte[] now, byte[] before, byte[][] filtered) {
        long[] sums = new long[FILTERS];
        for (int i = 0; i < now.length; i++) {
            int left = i < channels ? 0 : now[i - channels] & 255;
            int above = before[i] & 255;
            int aside = i < channels ? 0 : before[i - channels] & 255;
            sums[0] += Math.abs(filtered[0][i + 1] = now[i]);
            sums[1] += Math.abs(filtered[1][i + 1] = (byte) (now[i] - left));
            sums[2] += Math.abs(filtered[2][i + 1] = (byte) (now[i] - above));
            sums[3] += Math.abs(filtered[3][i + 1] = (byte) (now[i] - (left + above >> 1)));
            sums[4] += Math.abs(filtered[4][i + 1] = (byte) (now[i] - nearest(left, above, aside)));
        }
        int least = 0;
        for (int type = 1; type < FILTERS; type++) if (sums[type] < sums[least]) least = type;
        return least;
    }

    /** The one of three neighbours that a plane through them comes nearest to (9.4). */
    private static int nearest(int left, int above, int aside) {
        int toLeft = Math.abs(above - aside);
        int toAbove = Math.abs(left - aside);
        int toAside = Math.abs(left + above - 2 * aside);
        if (toLeft <= toAbove && toLeft <= toAside) return left;
        return toAbove <= toAside ? above : aside;
    }
}
