package app.decant.proof;

import app.decant.document.Progress;
import app.decant.page.Page;
import app.decant.page.Pages;
import app.decant.paint.PagePainter;
import app.decant.pdf.read.SourceFile;
import app.decant.recover.PageText;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.slf4j.LoggerFactory;

/** One of two things that are compared: what its pages say, and how they look. Not for several threads at once. */
public abstract class Side implements AutoCloseable {
    /** Pages of more points look the same from further away; nobody compares a map of 200 inches by the point. */
    private static final double MOST_POINTS = 4_000_000;

    /** Pixels a point of pages laid out here, whose letters would stand where the grid lets them at fewer. */
    private static final int FINE = 2;

    /** As {@link PagePainter} paints: thin lines are not moved onto the grid. */
    private static final RenderingHints EXACT = new RenderingHints(Map.of(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON,
            RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE, RenderingHints.KEY_INTERPOLATION,
            RenderingHints.VALUE_INTERPOLATION_BILINEAR));

    private final List<PageText> text;
    private final int scale;

    private Side(List<PageText> text, int scale) {
        this.text = List.copyOf(text);
        this.scale = scale;
    }

    /** What the pages say, without how they look. */
    static Side of(List<PageText> text) {
        return new Side(text, 1) {
            @Override BufferedImage painted(PageText page) { return null; }
        };
    }

    /**
     * A PDF, open until this is closed.
     *
     * @throws app.decant.document.DecantException as {@link PageText#of(byte[], String, String, Progress)} does
     */
    public static Side of(byte[] pdf, String name, String password, Progress progress) {
        SourceFile source = SourceFile.open(pdf, name, password);
        try {
            PDFRenderer renderer = new PDFRenderer(source.pdf());
            renderer.setSubsamplingAllowed(true);
            renderer.setRenderingHints(EXACT);
            return new Side(PageText.of(source, page -> true, progress), 1) {
                @Override BufferedImage painted(PageText page) throws IOException {
                    return upright(renderer.renderImage(page.index(), 1, ImageType.RGB), page.turn());
                }

                @Override public void close() { source.close(); }
            };
        } catch (RuntimeException | Error e) {
            source.close();
            throw e;
        }
    }

    /** Pages that are laid out here. */
    public static Side of(Pages pages) {
        PagePainter.PictureCache pictures = new PagePainter.PictureCache();
        return new Side(PageText.of(pages), FINE) {
            @Override BufferedImage painted(PageText page) {
                Page laid = pages.page(page.index());
                BufferedImage image = new BufferedImage(Math.max(1, (int) Math.round(laid.width() * FINE)),
                        Math.max(1, (int) Math.round(laid.height() * FINE)),
                        BufferedImage.TYPE_INT_RGB);
                Graphics2D graphics = image.createGraphics();
                graphics.setColor(Color.WHITE);
                graphics.fillRect(0, 0, image.getWidth(), image.getHeight());
                PagePainter.paint(laid, graphics, FINE, pictures);
                graphics.dispose();
                return image;
            }
        };
    }

    final List<PageText> text() { return text; }

    /** How a page looks; nothing where that can't be told. */
    final Optional<Painting> painting(PageText page) {
        if (page.width() * page.height() > MOST_POINTS) return Optional.empty();
        try {
            return Optional.ofNullable(painted(page)).map(image -> Painting.of(image, scale));
        } catch (IOException | RuntimeException e) {
            LoggerFactory.getLogger(Side.class).info("Page {} can't be painted, and is compared by what it says only", page.index() + 1, e);
            return Optional.empty();
        }
    }

    /** A page at the scale of its side, or null. */
    abstract BufferedImage painted(PageText page) throws IOException;

    @Override public void close() { }

    private static BufferedImage upright(BufferedImage image, int turn) {
        if (turn == 0) return image;
        boolean across = turn % 180 != 0;
        BufferedImage turned = new BufferedImage(across ? image.getHeight() : image.getWidth(), across ? image.getWidth() : image.getHeight(),
                BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = turned.createGraphics();
        graphics.translate(turned.getWidth() / 2.0, turned.getHeight() / 2.0);
        graphics.rotate(Math.toRadians(turn));
        graphics.drawImage(image, -image.getWidth() / 2, -image.getHeight() / 2, null);
        graphics.dispose();
        return turned;
    }
}
