package app.decant.format;

import app.decant.document.Image;
import app.decant.document.Picture;
import app.decant.format.shape.DrawingCanvas;
import app.decant.picture.PictureDecoder;
import java.awt.geom.Ellipse2D;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import org.slf4j.LoggerFactory;

/** Draws charts as drawings without pixels: their title and keys, and between these their numbers. */
public final class ChartPicture {
    static final int INK = 0x404040;
    /** The size of letters in a chart, but for its title's. */
    static final double SMALL = 8.5;
    private static final double MOST_POINTS = 2000;
    private static final double TITLE = 11;
    private static final double EDGE = 6;
    private static final double KEY = 7;
    private static final double LINE = 12;

    private ChartPicture() { }

    /** A key: what a colour stands for. */
    private record Key(String words, int colour, boolean line) { }

    /**
     * Draws a chart.
     *
     * @param width  in points
     * @param height in points
     * @param words  read to people who do not see it, or null
     * @return null where there is nothing to draw
     */
    public static Picture of(Chart chart, double width, double height, String words) {
        if (chart.isEmpty()) return null;
        DrawingCanvas canvas = new DrawingCanvas(Math.max(40, Math.min(MOST_POINTS, width)), Math.max(40, Math.min(MOST_POINTS, height)));
        canvas.area(new Rectangle2D.Double(0, 0, canvas.width(), canvas.height()), 0xFFFFFF);
        try {
            Rectangle2D plot = keys(chart, canvas, title(chart, canvas));
            switch (chart.kind()) {
                case PIE, RING, NET -> new RoundChart(chart, canvas).draw(plot);
                default -> new ChartPlot(chart, canvas).draw(plot);
            }
            Image image = new Image(PictureDecoder.DRAWING, canvas.drawing());
            return new Picture(image, width, height, words == null || words.isBlank() ? chart.title() : words);
        } catch (RuntimeException e) {
            // Charts that lie about themselves; they are kept, but not shown.
            LoggerFactory.getLogger(ChartPicture.class).info("A chart can't be drawn: {}", chart, e);
            return null;
        }
    }

    private static Rectangle2D title(Chart chart, DrawingCanvas canvas) {
        double top = EDGE;
        if (chart.title() != null && !chart.title().isBlank()) {
            String title = DrawingCanvas.fitted(chart.title().strip(), TITLE, canvas.width() - 2 * EDGE);
            canvas.words(title, canvas.width() / 2, top + TITLE, TITLE, true, DrawingCanvas.Stand.MIDDLE, 0, INK);
            top += TITLE + EDGE;
        }
        return new Rectangle2D.Double(EDGE, top, canvas.width() - 2 * EDGE, canvas.height() - top - EDGE);
    }

    private static List<Key> keys(Chart chart) {
        List<Key> keys = new ArrayList<>();
        if (chart.kind() == Chart.Kind.PIE || chart.kind() == Chart.Kind.RING) {
            List<String> labels = chart.labels(chart.count());
            for (int i = 0; i < labels.size(); i++) keys.add(new Key(labels.get(i), chart.slice(i), false));
            return keys;
        }
        for (int i = 0; i < chart.series().size(); i++) {
            Chart.Kind kind = chart.kind(chart.series().get(i));
            keys.add(new Key(chart.names().get(i), chart.colour(i), kind == Chart.Kind.LINES || kind == Chart.Kind.POINTS));
        }
        // What is drawn with nothing has no key.
        keys.removeIf(key -> key.colour == Chart.Series.UNSEEN);
        return keys;
    }

    /** Draws the keys; gives what is left for the numbers. */
    private static Rectangle2D keys(Chart chart, DrawingCanvas canvas, Rectangle2D room) {
        Chart.Keys place = chart.dress().keys();
        List<Key> keys = place == Chart.Keys.NONE ? List.of() : keys(chart);
        if (keys.isEmpty()) return room;
        double widest = keys.stream().mapToDouble(key -> DrawingCanvas.wide(key.words, SMALL, false)).max().orElse(0) + KEY + 8;
        if (place == Chart.Keys.RIGHT || place == Chart.Keys.LEFT) {
            double wide = Math.min(widest, room.getWidth() * 0.4);
            int most = (int) Math.max(1, room.getHeight() / LINE);
            List<Key> shown = keys.subList(0, Math.min(most, keys.size()));
            double x = place == Chart.Keys.RIGHT ? room.getMaxX() - wide : room.getX();
            double y = room.getCenterY() - shown.size() * LINE / 2;
            for (int i = 0; i < shown.size(); i++) key(canvas, shown.get(i), x, y + i * LINE, wide);
            return new Rectangle2D.Double(place == Chart.Keys.RIGHT ? room.getX() : room.getX() + wide + EDGE, room.getY(), room.getWidth() - wide - EDGE,
                    room.getHeight());
        }
        int each = (int) Math.max(1, Math.min(keys.size(), Math.floor(room.getWidth() / (Math.min(widest, room.getWidth()) + EDGE))));
        int lines = Math.min((keys.size() + each - 1) / each, (int) Math.max(1, room.getHeight() * 0.4 / LINE));
        double wide = Math.min(widest + EDGE, room.getWidth() / each);
        double y = place == Chart.Keys.BELOW ? room.getMaxY() - lines * LINE : room.getY();
        for (int i = 0; i < Math.min(keys.size(), lines * each); i++) {
            int inLine = Math.min(each, keys.size() - i / each * each);
            key(canvas, keys.get(i), room.getCenterX() - inLine * wide / 2 + i % each * wide, y + i / each * LINE, wide - EDGE);
        }
        double high = lines * LINE + EDGE / 2;
        return new Rectangle2D.Double(room.getX(), place == Chart.Keys.BELOW ? room.getY() : room.getY() + high, room.getWidth(), room.getHeight() - high);
    }

    private static void key(DrawingCanvas canvas, Key key, double x, double y, double wide) {
        if (key.line) {
            canvas.line(x, y + LINE / 2, x + KEY + 2, y + LINE / 2, key.colour, 1.5);
            canvas.area(new Ellipse2D.Double(x + KEY / 2 - 1, y + LINE / 2 - 2, 4, 4), key.colour);
        } else canvas.area(new Rectangle2D.Double(x, y + (LINE - KEY) / 2, KEY, KEY), key.colour);
        canvas.words(DrawingCanvas.fitted(key.words, SMALL, wide - KEY - 4), x + KEY + 4, y + LINE - 3, SMALL, false,
                DrawingCanvas.Stand.START, 0, INK);
    }
}
