package app.decant.recover.scan;

import java.awt.Rectangle;
import java.awt.image.BufferedImage;
import java.util.function.IntPredicate;
import java.util.stream.IntStream;

/** What colour the ink of a scanned page has: as few as its writer would have used, since a scan has no two pixels alike. */
final class Colours {
    /** Letters on ground darker than this are pale. */
    static final int DARK_GROUND = 128;
    /** What is as grey and as dark as this is black. */
    private static final int DARK = 110;
    private static final int GREY = 40;
    private static final int STEP = 17;
    /** What differs from paper by more is none. */
    static final int UNLIKE_PAPER = 13;
    private static final int LIGHT = 140;
    /** Pixels beside a word that are looked at. */
    private static final int BESIDE = 3;
    private static final double SOME_PAPER = 0.25;

    private final BufferedImage picture;
    private final Bitmap ink;

    Colours(BufferedImage picture, Bitmap ink) {
        this.picture = picture;
        this.ink = ink;
    }

    /** The mean colour of the inner ink within these pixels, its edges being mixed with paper. */
    int of(int left, int top, int right, int bottom) {
        int mean = mean(left, top, right, bottom, true);
        return mean < 0 ? Math.max(0, mean(left, top, right, bottom, false)) : mean;
    }

    private int mean(int left, int top, int right, int bottom, boolean inner) {
        IntStream.Builder colours = IntStream.builder();
        int count = 0;
        for (int y = Math.max(1, top); y < Math.min(ink.height() - 1, bottom); y++) {
            for (int x = Math.max(1, left); x < Math.min(ink.width() - 1, right); x++) {
                boolean within = ink.is(x - 1, y) && ink.is(x + 1, y) && ink.is(x, y - 1) && ink.is(x, y + 1);
                if (!ink.is(x, y) || inner && !within) continue;
                colours.add(picture.getRGB(x, y));
                count++;
            }
        }
        return count == 0 ? -1 : mean(colours.build());
    }

    /** The mean of these colours as its writer would have said it. */
    static int mean(IntStream colours) {
        long[] sums = new long[4];
        colours.forEach(rgb -> {
            sums[0] += rgb >> 16 & 0xFF;
            sums[1] += rgb >> 8 & 0xFF;
            sums[2] += rgb & 0xFF;
            sums[3]++;
        });
        return plain((int) (sums[0] / sums[3]), (int) (sums[1] / sums[3]), (int) (sums[2] / sums[3]));
    }

    /** How light a colour is, 0 to 255. */
    static int light(int rgb) { return (299 * (rgb >> 16 & 0xFF) + 587 * (rgb >> 8 & 0xFF) + 114 * (rgb & 0xFF)) / 1000; }

    /** How far two colours are apart in the light that differs most, 0 to 255. */
    static int unlike(int one, int other) {
        return Math.max(Math.abs((one >> 16 & 0xFF) - (other >> 16 & 0xFF)), Math.max(Math.abs((one >> 8 & 0xFF) - (other >> 8 & 0xFF)),
                Math.abs((one & 0xFF) - (other & 0xFF))));
    }

    /** The most common of the light colours. */
    static int paper(BufferedImage picture) {
        int[] counts = new int[1 << 15];
        for (int y = 0; y < picture.getHeight(); y += 3) {
            for (int x = 0; x < picture.getWidth(); x += 3) {
                int rgb = picture.getRGB(x, y);
                if ((rgb >> 8 & 0xFF) > LIGHT) counts[(rgb >> 19 & 31) << 10 | (rgb >> 11 & 31) << 5 | rgb >> 3 & 31]++;
            }
        }
        int most = (1 << 15) - 1;
        for (int i = 0; i < counts.length; i++) if (counts[i] > counts[most]) most = i;
        int about = (most >> 10 & 31) * 8 + 4 << 16 | (most >> 5 & 31) * 8 + 4 << 8 | (most & 31) * 8 + 4;
        return mean(picture, new Rectangle(picture.getWidth(), picture.getHeight()), 3, rgb -> unlike(rgb, about) <= UNLIKE_PAPER, about);
    }

    /** The mean of the colours in a frame that are asked for; {@code none} where there are none. */
    static int mean(BufferedImage picture, Rectangle frame, int step, IntPredicate among, int none) {
        long red = 0;
        long green = 0;
        long blue = 0;
        int count = 0;
        for (int y = frame.y; y < frame.y + frame.height; y += step) {
            for (int x = frame.x; x < frame.x + frame.width; x += step) {
                int rgb = picture.getRGB(x, y);
                if (!among.test(rgb)) continue;
                red += rgb >> 16 & 0xFF;
                green += rgb >> 8 & 0xFF;
                blue += rgb & 0xFF;
                count++;
            }
        }
        return count == 0 ? none : (int) (red / count) << 16 | (int) (green / count) << 8 | (int) (blue / count);
    }

    /**
     * What is behind a word: paper where some is beside it, since letters of its neighbours may be there too; else the middle of the pixels before and after
     * it, light by light. Above and below may be rules, or the end of an area.
     */
    static int beside(BufferedImage picture, Rectangle word, int paper) {
        IntStream.Builder edge = IntStream.builder();
        for (int y = word.y; y < word.y + word.height; y++) {
            for (int off = 1; off <= BESIDE; off++) {
                edge.add(picture.getRGB(Math.max(0, word.x - off), y));
                edge.add(picture.getRGB(Math.min(picture.getWidth() - 1, word.x + word.width + off - 1), y));
            }
        }
        int[] colours = edge.build().toArray();
        if (IntStream.of(colours).filter(rgb -> unlike(rgb, paper) <= UNLIKE_PAPER).count() > SOME_PAPER * colours.length) return paper;
        int beside = 0;
        for (int shift = 16; shift >= 0; shift -= 8) {
            int by = shift;
            int[] lights = IntStream.of(colours).map(rgb -> rgb >> by & 0xFF).sorted().toArray();
            beside |= lights[lights.length / 2] << shift;
        }
        return beside;
    }

    private static int plain(int red, int green, int blue) {
        int most = Math.max(red, Math.max(green, blue));
        int least = Math.min(red, Math.min(green, blue));
        if (most - least < GREY && most < DARK) return 0;
        if (most - least < GREY) {
            int grey = step((red + green + blue) / 3);
            return grey << 16 | grey << 8 | grey;
        }
        return step(red) << 16 | step(green) << 8 | step(blue);
    }

    private static int step(int light) { return Math.min(255, Math.round((float) light / STEP) * STEP); }
}
