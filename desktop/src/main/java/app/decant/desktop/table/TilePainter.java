package app.decant.desktop.table;

import app.decant.document.DecantException;
import app.decant.page.Page;
import app.decant.pdf.keep.GroundPainter;
import java.util.concurrent.LinkedBlockingDeque;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.function.BooleanSupplier;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.image.Image;
import org.slf4j.LoggerFactory;

/** Paints pages off the JavaFX thread, in tiles across the page's width; the pixels are handed over without a copy. */
public final class TilePainter {
    /** The height of a tile, in device pixels. */
    static final int TILE = 768;
    private final PagePictures pictures = new PagePictures();
    private final ThreadPoolExecutor executor;

    TilePainter() {
        executor = new ThreadPoolExecutor(1, 1, 1, TimeUnit.MINUTES, new LinkedBlockingDeque<>(), task -> {
            Thread thread = new Thread(task, "painter");
            thread.setDaemon(true);
            return thread;
        });
    }

    /**
     * Paints tile {@code index} of a page at a scale in device pixels a point.
     *
     * @param ground that paints pages which are a file's own, or null
     * @param wanted whether it still is, asked on another thread before it is begun
     */
    void paint(Page page, GroundPainter ground, double scale, int index, BooleanSupplier wanted, Consumer<Image> done) {
        if (executor.isShutdown()) return;
        executor.execute(() -> {
            if (!wanted.getAsBoolean()) return;
            try {
                Image shown = pictures.part(page, ground, scale, index * TILE, TILE);
                Platform.runLater(() -> done.accept(shown));
            } catch (DecantException e) {
                LoggerFactory.getLogger(TilePainter.class).info("{}", e.getMessage());
            }
        });
    }

    /** Ends; what is being painted is not shown any more. */
    void close() { executor.shutdown(); }
}
