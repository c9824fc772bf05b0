package app.decant.desktop.table;

import app.decant.desktop.part.Words;
import app.decant.document.DecantException;
import app.decant.page.Page;
import app.decant.paint.PagePainter;
import app.decant.pdf.keep.GroundPainter;
import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.awt.image.DataBufferInt;
import java.nio.IntBuffer;
import javafx.scene.image.Image;
import javafx.scene.image.PixelBuffer;
import javafx.scene.image.PixelFormat;
import javafx.scene.image.WritableImage;
import org.slf4j.LoggerFactory;

/** Pictures of pages of every kind: those that are laid out, and those that are a file's own. Made off the JavaFX thread. */
public final class PagePictures {
    private static final Color QUIET = new Color(0x6F6875);

    private final PagePainter.PictureCache pictures = new PagePainter.PictureCache();

    /** A whole page, at a scale in device pixels a point. */
    public Image whole(Page page, GroundPainter ground, double scale) { return part(page, ground, scale, 0, Integer.MAX_VALUE); }

    /**
     * A part of a page across its whole width.
     *
     * @param ground that paints pages which are a file's own; null where there are none
     * @param top    of the part, in device pixels
     * @param most   the height of the part, if the page has as much
     * @throws DecantException where it is not wanted any more
     */
    Image part(Page page, GroundPainter ground, double scale, int top, int most) {
        int width = Math.max(1, (int) Math.round(page.width() * scale));
        int height = Math.max(1, Math.min(most, (int) Math.round(page.height() * scale) - top));
        BufferedImage image = new BufferedImage(width, height, BufferedImage.TYPE_INT_ARGB_PRE);
        Graphics2D graphics = image.createGraphics();
        graphics.setColor(Color.WHITE);
        graphics.fillRect(0, 0, width, height);
        graphics.translate(0, -top);
        if (page.ground() == null) PagePainter.paint(page, graphics, scale, pictures);
        else paintGround(page, ground, scale, graphics);
        graphics.dispose();
        return image(image);
    }

    private static void paintGround(Page page, GroundPainter ground, double scale, Graphics2D graphics) {
        int width = (int) Math.round(page.width() * scale);
        int height = (int) Math.round(page.height() * scale);
        try {
            BufferedImage picture = ground.image(page, scale);
            boolean same = Math.abs(picture.getWidth() - width) <= 1 && Math.abs(picture.getHeight() - height) <= 1;
            graphics.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
            // A picture that was made coarser is stretched; one that is a pixel off stays sharp.
            if (same) graphics.drawImage(picture, 0, 0, null);
            else graphics.drawImage(picture, 0, 0, width, height, null);
        } catch (DecantException e) {
            if (e.kind() == DecantException.Kind.CANCELLED) throw e;
            LoggerFactory.getLogger(PagePictures.class).info("{}", e.getMessage(), e);
            graphics.setColor(QUIET);
            graphics.setFont(new Font(Font.SANS_SERIF, Font.PLAIN, Math.max(8, (int) (11 * scale))));
            graphics.drawString(Words.of("page.unseen"), (float) (48 * scale), (float) (64 * scale));
        }
    }

    /** A Java2D image as one of JavaFX that shares its pixels. */
    public static Image image(BufferedImage image) {
        int[] pixels = ((DataBufferInt) image.getRaster().getDataBuffer()).getData();
        return new WritableImage(new PixelBuffer<>(image.getWidth(), image.getHeight(), IntBuffer.wrap(pixels), PixelFormat.getIntArgbPreInstance()));
    }
}
