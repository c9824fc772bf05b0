package app.decant.recover.scan;

import app.decant.picture.PixelRows;
import java.awt.image.BufferedImage;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * The ink of a scanned page: pixels that are clearly darker than the paper about them. Paper is asked for in each neighbourhood, since scans are yellow, have
 * shadows, and panels of colour.
 */
public final class Bitmap {
    /** Paper is the same within so many pixels. */
    private static final int TILE = 48;
    /** The share of a tile's pixels that are darker than its paper. */
    private static final double PAPER = 0.8;
    private static final int LEAST_CONTRAST = 28;
    /** Ink takes at least this share of the paper's light. */
    private static final double CONTRAST = 0.22;

    private final int width;
    private final int height;
    private final boolean[] ink;

    private Bitmap(int width, int height, boolean[] ink) {
        this.width = width;
        this.height = height;
        this.ink = ink;
    }

    /** A stretch of ink in one row: from its first pixel to the one after its last. */
    public record Run(int row, int from, int to) {
        public int length() { return to - from; }
    }

    public static Bitmap of(BufferedImage picture) {
        byte[] grey = grey(picture);
        int width = picture.getWidth();
        int height = picture.getHeight();
        int across = (width + TILE - 1) / TILE;
        int down = (height + TILE - 1) / TILE;
        int[] paper = paper(grey, width, height, across, down);
        boolean[] ink = new boolean[width * height];
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                int light = paper[y / TILE * across + x / TILE];
                ink[y * width + x] = light - (grey[y * width + x] & 0xFF) > Math.max(LEAST_CONTRAST, CONTRAST * light);
            }
        }
        return new Bitmap(width, height, ink);
    }

    /** As large as a picture, without ink. */
    static Bitmap blank(BufferedImage picture) {
        return new Bitmap(picture.getWidth(), picture.getHeight(), new boolean[picture.getWidth() * picture.getHeight()]);
    }

    /** How light each pixel is, as eyes see it (ITU-R BT.601). */
    static byte[] grey(BufferedImage picture) {
        int width = picture.getWidth();
        byte[] grey = new byte[width * picture.getHeight()];
        PixelRows rows = new PixelRows(picture);
        for (int y = 0; y < picture.getHeight(); y++) {
            int[] row = rows.row(y);
            for (int x = 0; x < width; x++)
                grey[y * width + x] = (byte) ((299 * (row[x] >> 16 & 0xFF) + 587 * (row[x] >> 8 & 0xFF) + 114 * (row[x] & 0xFF)) / 1000);
        }
        return grey;
    }

    /** How light the paper of each tile is: the lightest of it and its neighbours, since a tile may lie within a letter. */
    private static int[] paper(byte[] grey, int width, int height, int across, int down) {
        int[] own = new int[across * down];
        for (int i = 0; i < own.length; i++) own[i] = light(grey, width, height, i % across, i / across);
        int[] paper = new int[across * down];
        for (int row = 0; row < down; row++) {
            for (int column = 0; column < across; column++) {
                int lightest = 0;
                for (int r = Math.max(0, row - 1); r <= Math.min(down - 1, row + 1); r++)
                    for (int c = Math.max(0, column - 1); c <= Math.min(across - 1, column + 1); c++) lightest = Math.max(lightest, own[r * across + c]);
                paper[row * across + column] = lightest;
            }
        }
        return paper;
    }

    private static int light(byte[] grey, int width, int height, int column, int row) {
        int[] counts = new int[256];
        int all = 0;
        for (int y = row * TILE; y < Math.min(height, (row + 1) * TILE); y++) {
            for (int x = column * TILE; x < Math.min(width, (column + 1) * TILE); x++) {
                counts[grey[y * width + x] & 0xFF]++;
                all++;
            }
        }
        int darker = 0;
        for (int light = 0; light < 256; light++) {
            darker += counts[light];
            if (darker > all * PAPER) return light;
        }
        return 255;
    }

    public int width() { return width; }
    public int height() { return height; }
    public boolean is(int x, int y) { return ink[y * width + x]; }

    /** What stands beside each other stands below each other. */
    Bitmap turned() {
        boolean[] other = new boolean[ink.length];
        for (int y = 0; y < height; y++) for (int x = 0; x < width; x++) other[x * height + y] = ink[y * width + x];
        return new Bitmap(height, width, other);
    }

    /** A copy of which parts may be taken out. */
    Bitmap copy() { return new Bitmap(width, height, ink.clone()); }

    void clear(int left, int top, int right, int bottom) {
        int from = Math.max(0, left);
        int to = Math.min(width, right);
        if (from < to) for (int y = Math.max(0, top); y < Math.min(height, bottom); y++) Arrays.fill(ink, y * width + from, y * width + to, false);
    }

    /** What hangs together: the frame of its pixels, and how many they are. */
    record Spot(int left, int top, int right, int bottom, int ink) {
        int width() { return right - left; }
        int height() { return bottom - top; }
    }

    /** All spots that are no larger than so many pixels either way. */
    List<Spot> spots(int most) {
        List<Spot> spots = new ArrayList<>();
        boolean[] seen = new boolean[ink.length];
        ArrayDeque<Integer> open = new ArrayDeque<>();
        for (int start = 0; start < ink.length; start++) {
            if (!ink[start] || seen[start]) continue;
            Spot spot = new Spot(start % width, start / width, start % width + 1, start / width + 1, 0);
            seen[start] = true;
            open.add(start);
            while (!open.isEmpty()) {
                int at = open.remove();
                int x = at % width;
                int y = at / width;
                spot = new Spot(Math.min(spot.left, x), Math.min(spot.top, y), Math.max(spot.right, x + 1), Math.max(spot.bottom, y + 1), spot.ink + 1);
                for (int row = Math.max(0, y - 1); row <= Math.min(height - 1, y + 1); row++) {
                    for (int column = Math.max(0, x - 1); column <= Math.min(width - 1, x + 1); column++) {
                        int next = row * width + column;
                        if (!ink[next] || seen[next]) continue;
                        seen[next] = true;
                        open.add(next);
                    }
                }
            }
            if (spot.width() <= most && spot.height() <= most) spots.add(spot);
        }
        return spots;
    }

    /** How many pixels within these are ink. */
    int count(int left, int top, int right, int bottom) {
        int count = 0;
        for (int y = Math.max(0, top); y < Math.min(height, bottom); y++)
            for (int x = Math.max(0, left); x < Math.min(width, right); x++) if (ink[y * width + x]) count++;
        return count;
    }
}
