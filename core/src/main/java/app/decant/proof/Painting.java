package app.decant.proof;

import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.util.ArrayList;
import java.util.List;

/**
 * A page as an eye takes it in from some way off: how much ink of which colour lies in each cell of 2 points. Two are compared region by region, so that
 * a rule that is gone counts where it was, and a dark panel does not drown the text beside it.
 */
final class Painting {
    /** Of a cell, in points: nobody sees what moves by less. */
    static final double CELL = 2;
    /** Of a region: half an inch. */
    private static final int REGION = 18;
    private static final int CHANNELS = 3;
    private static final int MARGIN = 2;
    /** A region with as much ink a cell as a page of text has counts in full; one with a hairline counts for little. */
    private static final double FULL = 90;
    /** Two programs never smooth the same edges alike: so much of the step from a cell to its neighbours, and so much besides, may differ. Measured. */
    private static final double SMOOTHING = 0.14;
    private static final double GRAIN = 1;
    /** What is as near to being the same nobody tells apart. */
    private static final double SAME = 0.9997;
    /** A region is told where so little of it is the same, and so much ink a cell differs. */
    private static final double OTHER = 0.4;
    private static final double STRIKING = 12;

    private final int columns;
    private final int rows;
    private final float[] ink;

    /** An area that shows something else, in points from the page's left top corner; {@code gone} where it showed something that is not there now. */
    record Area(double x, double y, double width, double height, boolean gone) { }

    /** How alike two are, from 0 to 1, and the regions that are least so. */
    record Likeness(double share, List<Area> areas) {
        Likeness { areas = List.copyOf(areas); }
    }

    private Painting(int columns, int rows, float[] ink) {
        this.columns = columns;
        this.rows = rows;
        this.ink = ink;
    }

    /**
     * What a picture of a page shows.
     *
     * @param image without transparency
     * @param scale pixels a point, a whole number
     */
    static Painting of(BufferedImage image, int scale) {
        int side = (int) CELL * scale;
        int columns = (image.getWidth() + side - 1) / side;
        int rows = (image.getHeight() + side - 1) / side;
        int[] dark = new int[columns * rows * CHANNELS];
        int[] pixels = pixels(image);
        int width = image.getWidth();
        for (int y = 0; y < image.getHeight(); y++) {
            int line = y / side * columns * CHANNELS;
            for (int x = 0; x < width; x++) {
                int rgb = ~pixels[y * width + x];
                if ((rgb & 0xFFFFFF) == 0) continue;
                int at = line + x / side * CHANNELS;
                dark[at] += rgb >> 16 & 255;
                dark[at + 1] += rgb >> 8 & 255;
                dark[at + 2] += rgb & 255;
            }
        }
        float[] ink = new float[dark.length];
        for (int i = 0; i < ink.length; i++) ink[i] = dark[i] / (float) (side * side);
        return new Painting(columns, rows, ink).softened();
    }

    private static int[] pixels(BufferedImage image) {
        if (image.getType() == BufferedImage.TYPE_INT_RGB) return ((DataBufferInt) image.getRaster().getDataBuffer()).getData();
        return image.getRGB(0, 0, image.getWidth(), image.getHeight(), null, 0, image.getWidth());
    }

    /** Each cell with its neighbours, so that letters count by where and how black they are, not by how they are smoothed. */
    private Painting softened() {
        int line = columns * CHANNELS;
        float[] across = new float[ink.length];
        for (int i = 0; i < ink.length; i++) {
            int x = i % line;
            across[i] = ((x < CHANNELS ? 0 : ink[i - CHANNELS]) + 2 * ink[i] + (x + CHANNELS >= line ? 0 : ink[i + CHANNELS])) / 4;
        }
        float[] both = new float[ink.length];
        for (int i = 0; i < ink.length; i++)
            both[i] = ((i < line ? 0 : across[i - line]) + 2 * across[i] + (i + line >= ink.length ? 0 : across[i + line])) / 4;
        return new Painting(columns, rows, both);
    }

    /** The same on a larger paper, {@link #MARGIN} around it, so that no place looked at lies outside. */
    private Painting on(int otherColumns, int otherRows) {
        int line = (otherColumns + 2 * MARGIN) * CHANNELS;
        float[] wide = new float[line * (otherRows + 2 * MARGIN)];
        for (int y = 0; y < rows; y++) System.arraycopy(ink, y * columns * CHANNELS, wide, (y + MARGIN) * line + MARGIN * CHANNELS, columns * CHANNELS);
        return new Painting(otherColumns + 2 * MARGIN, otherRows + 2 * MARGIN, wide);
    }

    /** What is beyond the edge of the smaller one is paper. */
    Likeness likeness(Painting other) {
        int across = (Math.max(columns, other.columns) + REGION - 1) / REGION;
        int down = (Math.max(rows, other.rows) + REGION - 1) / REGION;
        Painting mine = on(across * REGION, down * REGION);
        Painting theirs = other.on(across * REGION, down * REGION);
        double weights = 0;
        double alike = 0;
        List<Area> areas = new ArrayList<>();
        for (int row = 0; row < down; row++) {
            for (int column = 0; column < across; column++) {
                int from = ((row * REGION + MARGIN) * mine.columns + column * REGION + MARGIN) * CHANNELS;
                double before = mine.sum(from);
                double all = before + theirs.sum(from);
                if (all < 1) continue;
                double noise = GRAIN * REGION * REGION + SMOOTHING * mine.steps(theirs, from);
                double differs = mine.differing(theirs, from, noise);
                double same = 1 - Math.min(1, Math.max(0, differs - noise) / Math.max(1, all - noise));
                double weight = Math.min(1, all / (2 * FULL * REGION * REGION));
                weights += weight;
                alike += weight * same;
                if (same < OTHER && differs / (REGION * REGION) > STRIKING)
                    areas.add(new Area(column * REGION * CELL, row * REGION * CELL, REGION * CELL, REGION * CELL, before > all - before));
            }
        }
        double share = weights == 0 ? 1 : alike / weights;
        return new Likeness(share > SAME ? 1 : share, areas);
    }

    /** The ink of a region that begins at an index. */
    private double sum(int from) {
        double sum = 0;
        for (int y = 0, line = from; y < REGION; y++, line += columns * CHANNELS) for (int i = line; i < line + REGION * CHANNELS; i++) sum += ink[i];
        return sum;
    }

    /** How far the cells of a region differ from those beside them, in the one where they do more. */
    private double steps(Painting other, int from) {
        double steps = 0;
        for (int y = 0, line = from; y < REGION; y++, line += columns * CHANNELS)
            for (int i = line; i < line + REGION * CHANNELS; i++) steps += Math.max(step(i), other.step(i));
        return steps;
    }

    private float step(int at) {
        float here = ink[at];
        int line = columns * CHANNELS;
        return Math.max(Math.max(Math.abs(here - ink[at - CHANNELS]), Math.abs(here - ink[at + CHANNELS])), Math.max(Math.abs(here - ink[at - line]),
                Math.abs(here - ink[at + line])));
    }

    /** How much of a region's ink differs, the other moved by a cell at most: where it fits best, or well enough. */
    private double differing(Painting other, int from, double enough) {
        double least = shifted(other, from, 0);
        for (int dy = -1; dy <= 1; dy++) for (int dx = -1; dx <= 1 && least > enough; dx++)
            least = Math.min(least, shifted(other, from, (dy * columns + dx) * CHANNELS));
        return least;
    }

    private double shifted(Painting other, int from, int shift) {
        double differs = 0;
        for (int y = 0, line = from; y < REGION; y++, line += columns * CHANNELS)
            for (int i = line; i < line + REGION * CHANNELS; i++) differs += Math.abs(ink[i] - other.ink[i + shift]);
        return differs;
    }

    /** Regions that touch and tell the same are one area. */
    static List<Area> joined(List<Area> regions) {
        List<Area> left = new ArrayList<>(regions);
        List<Area> areas = new ArrayList<>();
        while (!left.isEmpty()) {
            Area area = left.remove(left.size() - 1);
            for (int i = 0; i < left.size(); i++) {
                Area one = left.get(i);
                boolean touches = one.gone == area.gone && one.x <= area.x + area.width && area.x <= one.x + one.width && one.y <= area.y + area.height
                        && area.y <= one.y + one.height;
                if (!touches) continue;
                double x = Math.min(one.x, area.x);
                double y = Math.min(one.y, area.y);
                area = new Area(x, y, Math.max(one.x + one.width, area.x + area.width) - x, Math.max(one.y + one.height, area.y + area.height) - y, area.gone);
                left.remove(i);
                i = -1;
            }
            areas.add(area);
        }
        return areas;
    }
}
