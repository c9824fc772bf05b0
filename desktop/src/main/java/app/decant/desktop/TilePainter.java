package app.decant.desktop;

import app.decant.page.Page;
import app.decant.paint.PagePainter;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.nio.IntBuffer;
import java.util.concurrent.LinkedBlockingDeque;
import java.util.concurrent.ThreadPoolExecutor;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.scene.image.Image;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;

/** Paints pages off the JavaFX thread, in tiles across the page's width; the pixels are handed over without a copy. */
final class TilePainter {
    /** The height of a tile, in device pixels. */
    static final int TILE = 768;
    private final PagePainter.PictureCache pictures = new PagePainter.PictureCache();
    private final ThreadPoolExecutor executor;

    TilePainter() {
        executor = new ThreadPoolExecutor(1, 1, 1, TimeUnit.MINUTES, new LinkedBlockingDeque<>(), task -> {
            Thread thread = new Thread(task, "painter");
            thread.setDaemon(true);
            return thread;
        });
    }

    /** Paints tile {@code index} of a page at a scale in device pixels a point. */
    void paint(Page page, double scale, int index, Consumer<Image> done) {
        executor.execute(() -> {
            int width = Math.max(1, (int) Math.round(page.width() * scale));
            int height = Math.max(1, Math.min(TILE, (int) Math.round(page.height() * scale) - index * TILE));
            BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB_PRE);
            Graphics2D graphics = image.createGraphics();
            graphics.setColor(Color.WHITE);
            graphics.fillRect(0, 0, width, height);
            graphics.translate(0, -index * TILE);
            PagePainter.paint(page, graphics, scale, pictures);
            graphics.dispose();
            Image shown = image(image);
            Platform.runLater(() -> done.accept(shown));
        });
    }

    /** A Java2D image as one of JavaFX that shares its pixels. */
    static Image image(BufferedImage image) {
        int[] pixels = ((DataBufferInt) image.getRaster().getDataBuffer()).getData();
        return new WritableImage(new PixelBuffer<>(image.getWidth(), image.getHeight(), IntBuffer.wrap(pixels), PixelFormat.getIntArgbPreInstance()));
    }
}
