package app.decant.desktop.sheet;

import app.decant.desktop.table.PagePictures;
import app.decant.sheet.SheetSurface;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.concurrent.LinkedBlockingDeque;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import javafx.application.Platform;
import javafx.scene.image.Image;
import org.slf4j.LoggerFactory;

/** Pictures of blocks of cells, painted off the JavaFX thread, the newest wish first; those seen last are remembered. */
final class SheetTiles {
    static final int ROWS = 24;
    static final int COLUMNS = 8;
    private static final int MOST = 160;

    private final PagePictures pictures = new PagePictures();
    private final ThreadPoolExecutor executor;
    private final Runnable come;
    private final Map<Place, Tile> tiles = new LinkedHashMap<>(16, 0.75f, true) {
        @Override protected boolean removeEldestEntry(Map.Entry<Place, Tile> eldest) { return size() > MOST; }
    };
    private SheetSurface surface;
    private double scale;

    /** A block, counted from the corner. */
    private record Place(int rows, int columns) { }

    /** What a block showed, and what it was made of; the picture is null until it is painted. */
    private static final class Tile {
        private Image image;
        private SheetSurface of;
        private double scale;
        private boolean wanted;
    }

    /** @param come is told on the JavaFX thread when a block is there */
    SheetTiles(Runnable come) {
        this.come = come;
        executor = new ThreadPoolExecutor(1, 1, 1, TimeUnit.MINUTES, new LinkedBlockingDeque<>() {
            private static final long serialVersionUID = 1;
            @Override public boolean offer(Runnable task) { return offerFirst(task); }
        }, task -> {
            Thread thread = new Thread(task, "sheet painter");
            thread.setDaemon(true);
            return thread;
        });
    }

    /** From here on blocks are those of a sheet, at a scale in device pixels a point; what is there is shown until they come. */
    void show(SheetSurface other, double wanted, boolean another) {
        if (another) tiles.clear();
        surface = other;
        scale = wanted;
    }

    /** The picture of a block, as it is or was; null where it was never painted. */
    Image get(int rows, int columns) {
        Tile tile = tiles.computeIfAbsent(new Place(rows, columns), key -> new Tile());
        boolean fresh = tile.of == surface && tile.scale == scale;
        if (!fresh && !tile.wanted && !executor.isShutdown()) {
            tile.wanted = true;
            SheetSurface wanted = surface;
            double at = scale;
            executor.execute(() -> paint(tile, wanted, at, rows, columns));
        }
        return tile.image;
    }

    private void paint(Tile tile, SheetSurface wanted, double at, int rows, int columns) {
        Image made = null;
        try {
            int bottom = Math.min(wanted.rows(), (rows + 1) * ROWS) - 1;
            int right = Math.min(wanted.columns(), (columns + 1) * COLUMNS) - 1;
            made = pictures.whole(wanted.part(rows * ROWS, columns * COLUMNS, bottom, right), null, at);
        } catch (RuntimeException e) {
            // A block that can't be painted stays white; the others are there.
            LoggerFactory.getLogger(SheetTiles.class).error("A part of a sheet can't be painted", e);
        }
        Image image = made;
        Platform.runLater(() -> {
            if (image != null) tile.image = image;
            tile.of = wanted;
            tile.scale = at;
            tile.wanted = false;
            come.run();
        });
    }

    void close() { executor.shutdownNow(); }
}
