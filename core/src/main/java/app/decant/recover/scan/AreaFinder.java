package app.decant.recover.scan;

import app.decant.pdf.read.Ink;
import app.decant.picture.PixelRows;
import java.awt.Rectangle;
import java.awt.image.BufferedImage;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.List;

/**
 * What a scanned page has besides words and rules: areas of one colour, and pictures. The page is looked at in small squares: those that are not paper make
 * areas where they have one colour and fill a rectangle; all others, and those with ink that is neither words nor rules, make pictures.
 */
final class AreaFinder {
    /** In points. */
    private static final double TILE = 4;
    private static final double LEAST_AREA = 10;
    private static final double LEAST_PICTURE = 24;
    private static final double EDGE = 8;
    private static final double SHADOW = 16;
    private static final int ONE_COLOUR = 26;
    private static final double INKED = 0.06;
    private static final double SOLID = 0.55;
    private static final double RECTANGULAR = 0.8;
    private static final double OF_ONE_COLOUR = 0.55;
    /** Of a picture's frame at least so much is marked: what is sparser is dirt, or words that were not read. */
    private static final double DENSE = 0.25;
    private static final double WHOLE_PAGE = 0.85;

    private final BufferedImage picture;
    private final Bitmap rest;
    private final double scale;
    private final int tile;
    private final int across;
    private final int down;
    private final int paper;
    private final List<Ink.Fill> fills = new ArrayList<>();
    private final List<Rectangle> pictures = new ArrayList<>();

    /**
     * @param rest  the ink that is neither of words nor of rules
     * @param scale points a pixel
     */
    AreaFinder(BufferedImage picture, Bitmap rest, double scale) {
        this.picture = picture;
        this.rest = rest;
        this.scale = scale;
        tile = Math.max(2, (int) Math.round(TILE / scale));
        across = picture.getWidth() / tile;
        down = picture.getHeight() / tile;
        paper = Colours.paper(picture);
        boolean[] solid = solid();
        boolean[] inked = inked();
        for (Rectangle region : regions(solid, 0)) takeArea(region, solid, inked);
        for (Rectangle region : regions(inked, 2)) takePicture(region, inked);
    }

    /** The areas of a page of which nothing else is known. */
    static List<Ink.Fill> areas(BufferedImage picture, double scale) { return new AreaFinder(picture, Bitmap.blank(picture), scale).fills; }

    List<Ink.Fill> fills() { return fills; }
    /** In pixels. */
    List<Rectangle> pictures() { return pictures; }

    /** Squares of which most is not paper: letters leave more than half of theirs. */
    private boolean[] solid() {
        int[] counts = new int[across * down];
        PixelRows rows = new PixelRows(picture);
        for (int y = 0; y < down * tile; y++) {
            int[] row = rows.row(y);
            for (int x = 0; x < across * tile; x++) if (Colours.unlike(row[x], paper) > Colours.UNLIKE_PAPER) counts[y / tile * across + x / tile]++;
        }
        boolean[] marks = new boolean[counts.length];
        for (int i = 0; i < marks.length; i++) marks[i] = counts[i] > SOLID * tile * tile;
        return marks;
    }

    private boolean[] inked() {
        boolean[] marks = new boolean[across * down];
        for (int i = 0; i < marks.length; i++) {
            Rectangle square = square(i);
            marks[i] = rest.count(square.x, square.y, square.x + square.width, square.y + square.height) > INKED * tile * tile;
        }
        return marks;
    }

    private Rectangle square(int at) { return new Rectangle(at % across * tile, at / across * tile, tile, tile); }

    /** Frames of marked squares that touch each other, in squares. */
    private List<Rectangle> regions(boolean[] marks, int gap) {
        List<Rectangle> regions = new ArrayList<>();
        boolean[] seen = new boolean[marks.length];
        Deque<Integer> open = new ArrayDeque<>();
        for (int start = 0; start < marks.length; start++) {
            if (!marks[start] || seen[start]) continue;
            Rectangle region = new Rectangle(start % across, start / across, 1, 1);
            seen[start] = true;
            open.add(start);
            while (!open.isEmpty()) {
                int at = open.remove();
                region.add(new Rectangle(at % across, at / across, 1, 1));
                for (int row = Math.max(0, at / across - 1 - gap); row <= Math.min(down - 1, at / across + 1 + gap); row++) {
                    for (int column = Math.max(0, at % across - 1 - gap); column <= Math.min(across - 1, at % across + 1 + gap); column++) {
                        int next = row * across + column;
                        boolean beside = gap > 0 || row == at / across || column == at % across;
                        if (!beside || !marks[next] || seen[next]) continue;
                        seen[next] = true;
                        open.add(next);
                    }
                }
            }
            regions.add(region);
        }
        return regions;
    }

    private int marked(boolean[] marks, Rectangle region) {
        int count = 0;
        for (int row = region.y; row < region.y + region.height; row++)
            for (int column = region.x; column < region.x + region.width; column++) if (marks[row * across + column]) count++;
        return count;
    }

    private Rectangle pixels(Rectangle region) { return new Rectangle(region.x * tile, region.y * tile, region.width * tile, region.height * tile); }

    /** Takes a region as an area of one colour, and its ink from the pictures'; or gives its squares to the pictures. */
    private void takeArea(Rectangle region, boolean[] solid, boolean[] inked) {
        if (isShadow(region)) return;
        Rectangle frame = pixels(region);
        int colour = mostCommon(frame);
        boolean large = Math.min(frame.width, frame.height) * scale >= LEAST_AREA;
        boolean one = large && Colours.unlike(colour, paper) > Colours.UNLIKE_PAPER && share(frame, colour) > OF_ONE_COLOUR
                && marked(solid, region) > RECTANGULAR * region.width * region.height;
        for (int row = region.y; row < region.y + region.height; row++) {
            for (int column = region.x; column < region.x + region.width; column++) {
                if (one) inked[row * across + column] = false;
                else if (solid[row * across + column]) inked[row * across + column] = true;
            }
        }
        if (one) fills.add(fill(frame, colour));
    }

    private int mostCommon(Rectangle frame) {
        int[] counts = new int[1 << 12];
        for (int y = frame.y; y < frame.y + frame.height; y += 2) {
            for (int x = frame.x; x < frame.x + frame.width; x += 2) {
                int rgb = picture.getRGB(x, y);
                counts[(rgb >> 20 & 15) << 8 | (rgb >> 12 & 15) << 4 | rgb >> 4 & 15]++;
            }
        }
        int most = 0;
        for (int i = 0; i < counts.length; i++) if (counts[i] > counts[most]) most = i;
        int about = (most >> 8 & 15) * 16 + 8 << 16 | (most >> 4 & 15) * 16 + 8 << 8 | (most & 15) * 16 + 8;
        return Colours.mean(picture, frame, 2, rgb -> Colours.unlike(rgb, about) <= ONE_COLOUR, about);
    }

    private double share(Rectangle frame, int colour) {
        int like = 0;
        int all = 0;
        for (int y = frame.y; y < frame.y + frame.height; y += 2) {
            for (int x = frame.x; x < frame.x + frame.width; x += 2) {
                all++;
                if (Colours.unlike(picture.getRGB(x, y), colour) <= ONE_COLOUR) like++;
            }
        }
        return (double) like / all;
    }

    /** Its edges to the pixel: squares at them are only partly within. */
    private Ink.Fill fill(Rectangle frame, int colour) {
        int left = Math.max(0, frame.x - tile);
        int top = Math.max(0, frame.y - tile);
        int right = Math.min(picture.getWidth(), frame.x + frame.width + tile);
        int bottom = Math.min(picture.getHeight(), frame.y + frame.height + tile);
        while (left < frame.x + tile && share(new Rectangle(left, frame.y, 1, frame.height), colour) < SOLID) left++;
        while (right > frame.x + frame.width - tile && share(new Rectangle(right - 1, frame.y, 1, frame.height), colour) < SOLID) right--;
        while (top < frame.y + tile && share(new Rectangle(frame.x, top, frame.width, 1), colour) < SOLID) top++;
        while (bottom > frame.y + frame.height - tile && share(new Rectangle(frame.x, bottom - 1, frame.width, 1), colour) < SOLID) bottom--;
        return new Ink.Fill(left * scale, top * scale, (right - left) * scale, (bottom - top) * scale, colour, 0);
    }

    /** What lies along the edge of the glass. */
    private boolean isShadow(Rectangle region) {
        Rectangle frame = pixels(region);
        boolean atEdge = Math.min(frame.x, frame.y) * scale < EDGE || (picture.getWidth() - frame.x - frame.width) * scale < EDGE
                || (picture.getHeight() - frame.y - frame.height) * scale < EDGE;
        return atEdge && Math.min(frame.width, frame.height) * scale < SHADOW;
    }

    private void takePicture(Rectangle region, boolean[] inked) {
        Rectangle frame = pixels(region);
        boolean small = Math.min(frame.width, frame.height) * scale < LEAST_PICTURE;
        boolean page = (double) frame.width * frame.height > WHOLE_PAGE * picture.getWidth() * picture.getHeight();
        boolean dense = marked(inked, region) > DENSE * region.width * region.height;
        if (!small && !page && dense && !isShadow(region)) pictures.add(frame);
    }
}
