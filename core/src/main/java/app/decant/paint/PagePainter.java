package app.decant.paint;

import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.Image;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import app.decant.page.Canvas;
import app.decant.page.Page;
import app.decant.page.Piece;
import app.decant.picture.PictureDecoder;
import app.decant.picture.PictureScaling;
import java.awt.BasicStroke;
import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.RenderingHints;
import java.awt.Shape;
import java.awt.font.FontRenderContext;
import java.awt.font.GlyphVector;
import java.awt.geom.AffineTransform;
import java.awt.geom.Line2D;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.LoggerFactory;

/** Paints pages with Java2D: glyph by glyph, as the layout placed them. */
public final class PagePainter implements Canvas {
    private static final FontRenderContext EXACT = new FontRenderContext(null, true, true);
    private static final Map<String, Font> SIZED = new ConcurrentHashMap<>();

    private final Graphics2D graphics;
    private final PictureCache pictures;
    /** Where nothing is turned. */
    private AffineTransform plain;

    private PagePainter(Graphics2D graphics, PictureCache pictures) {
        this.graphics = graphics;
        this.pictures = pictures;
    }

    /** A whole page at a scale in pixels a point, on white. */
    public static BufferedImage image(Page page, double scale, PictureCache pictures) {
        BufferedImage image = new BufferedImage(Math.max(1, (int) Math.round(page.width() * scale)), Math.max(1, (int) Math.round(page.height() * scale)),
                BufferedImage.TYPE_INT_ARGB_PRE);
        Graphics2D graphics = image.createGraphics();
        graphics.setColor(Color.WHITE);
        graphics.fillRect(0, 0, image.getWidth(), image.getHeight());
        paint(page, graphics, scale, pictures);
        graphics.dispose();
        return image;
    }

    /** Paints a page onto graphics whose origin is its top left corner. */
    public static void paint(Page page, Graphics2D graphics, double scale, PictureCache pictures) {
        graphics.setRenderingHint(RenderingHints.KEY_ANTIALIASING, RenderingHints.VALUE_ANTIALIAS_ON);
        graphics.setRenderingHint(RenderingHints.KEY_TEXT_ANTIALIASING, RenderingHints.VALUE_TEXT_ANTIALIAS_ON);
        graphics.setRenderingHint(RenderingHints.KEY_FRACTIONALMETRICS, RenderingHints.VALUE_FRACTIONALMETRICS_ON);
        graphics.setRenderingHint(RenderingHints.KEY_STROKE_CONTROL, RenderingHints.VALUE_STROKE_PURE);
        graphics.setRenderingHint(RenderingHints.KEY_INTERPOLATION, RenderingHints.VALUE_INTERPOLATION_BILINEAR);
        graphics.scale(scale, scale);
        page.show(new PagePainter(graphics, pictures));
    }

    @Override public void turn(double x, double y, double degrees) {
        plain = graphics.getTransform();
        graphics.rotate(Math.toRadians(degrees), x, y);
    }

    @Override public void upright() { graphics.setTransform(plain); }

    @Override public void glyphs(Piece.Glyphs piece, double x, double baseline, Colour colour) {
        if (piece.glyphs().length == 0) return;
        graphics.setColor(new Color(colour.rgb()));
        Font font = font(piece);
        GlyphVector vector = font.createGlyphVector(EXACT, piece.glyphs());
        for (int g = 0; g < piece.glyphs().length; g++) {
            double raise = piece.glyphY() == null ? 0 : piece.glyphY()[g];
            vector.setGlyphPosition(g, new Point2D.Double(piece.glyphX()[g], -raise));
        }
        graphics.drawGlyphVector(vector, (float) x, (float) baseline);
    }

    private static Font font(Piece.Glyphs piece) {
        double size = piece.style().size();
        double width = piece.style().widthScale();
        Font drawn = piece.style().face().drawn();
        return SIZED.computeIfAbsent(System.identityHashCode(drawn) + "/" + size + "/" + width, key -> {
            Font sized = drawn.deriveFont((float) size);
            return width == 1 ? sized : sized.deriveFont(AffineTransform.getScaleInstance(width, 1));
        });
    }

    @Override public void fill(double x, double y, double width, double height, Colour colour) {
        graphics.setColor(new Color(colour.rgb()));
        graphics.fill(new Rectangle2D.Double(x, y, width, height));
    }

    @Override public void rule(double x1, double y1, double x2, double y2, Border border) {
        graphics.setColor(border.colour().isAutomatic() ? Color.BLACK : new Color(border.colour().rgb()));
        float width = (float) border.width();
        switch (border.line()) {
            case DOTTED -> graphics.setStroke(new BasicStroke(width, BasicStroke.CAP_ROUND, BasicStroke.JOIN_MITER, 10, new float[] {0, width * 2}, 0));
            case DASHED -> graphics.setStroke(new BasicStroke(width, BasicStroke.CAP_BUTT, BasicStroke.JOIN_MITER, 10, new float[] {width * 3}, 0));
            case THICK -> graphics.setStroke(new BasicStroke(width * 2, BasicStroke.CAP_BUTT, BasicStroke.JOIN_MITER));
            default -> graphics.setStroke(new BasicStroke(width, BasicStroke.CAP_BUTT, BasicStroke.JOIN_MITER));
        }
        if (border.line() == Border.Line.DOUBLE) {
            boolean across = y1 == y2;
            double dx = across ? 0 : width;
            double dy = across ? width : 0;
            graphics.draw(new Line2D.Double(x1 - dx, y1 - dy, x2 - dx, y2 - dy));
            graphics.draw(new Line2D.Double(x1 + dx, y1 + dy, x2 + dx, y2 + dy));
        } else {
            graphics.draw(new Line2D.Double(x1, y1, x2, y2));
        }
    }

    @Override public void picture(Picture picture, double x, double y) {
        if (!pictures.holds(picture.image())) {
            placeholder(picture, x, y);
            return;
        }
        Insets crop = picture.crop();
        AffineTransform before = graphics.getTransform();
        Shape clip = graphics.getClip();
        if (picture.rotation() != 0) graphics.rotate(Math.toRadians(picture.rotation()), x + picture.width() / 2, y + picture.height() / 2);
        graphics.clip(new Rectangle2D.Double(x, y, picture.width(), picture.height()));
        double fullWidth = picture.width() / Math.max(0.01, 1 - crop.left() - crop.right());
        double fullHeight = picture.height() / Math.max(0.01, 1 - crop.top() - crop.bottom());
        AffineTransform place = AffineTransform.getTranslateInstance(x - crop.left() * fullWidth, y - crop.top() * fullHeight);
        BufferedImage shown = pictures.get(picture.image(), fullWidth * Math.sqrt(Math.abs(graphics.getTransform().getDeterminant())));
        place.scale(fullWidth / shown.getWidth(), fullHeight / shown.getHeight());
        graphics.drawImage(shown, place, null);
        graphics.setTransform(before);
        graphics.setClip(clip);
    }

    /** A picture that can't be shown leaves its place framed, as it does in the PDF. */
    private void placeholder(Picture picture, double x, double y) {
        Border line = Border.single(0.5, new Colour(0xB0B0B0));
        rule(x, y, x + picture.width(), y, line);
        rule(x, y + picture.height(), x + picture.width(), y + picture.height(), line);
    }

    /** Decoded pictures, each with coarser ones for small views, the lately used ones kept. */
    public static final class PictureCache {
        private static final long MOST_PIXELS = 60_000_000;
        private final Map<Image, List<BufferedImage>> decoded = new LinkedHashMap<>(16, 0.75f, true);
        private final Set<Image> hopeless = Collections.newSetFromMap(new IdentityHashMap<>());
        private long pixels;

        /** Whether the picture can be decoded. */
        public synchronized boolean holds(Image image) { return levels(image) != null; }

        /**
         * A picture that can be decoded, coarser where it would be shown less than half as wide as it is: the painter looks at few pixels around each
         * place and would leave the others out.
         *
         * @param width it is shown at, in pixels
         */
        public synchronized BufferedImage get(Image image, double width) {
            List<BufferedImage> levels = levels(image);
            int level = 0;
            while (levels.get(level).getWidth() >= 2 * Math.max(1, width) && levels.get(level).getHeight() > 1) {
                if (++level == levels.size()) keep(levels, PictureScaling.halved(levels.get(level - 1)));
            }
            BufferedImage fit = levels.get(level);
            forget();
            return fit;
        }

        private List<BufferedImage> levels(Image image) {
            List<BufferedImage> known = decoded.get(image);
            if (known != null || hopeless.contains(image)) return known;
            BufferedImage made = decode(image);
            if (made == null) {
                hopeless.add(image);
                return null;
            }
            List<BufferedImage> levels = new ArrayList<>();
            decoded.put(image, levels);
            keep(levels, made);
            return levels;
        }

        private void keep(List<BufferedImage> levels, BufferedImage made) {
            levels.add(made);
            pixels += (long) made.getWidth() * made.getHeight();
        }

        private void forget() {
            Iterator<List<BufferedImage>> oldest = decoded.values().iterator();
            while (pixels > MOST_PIXELS && decoded.size() > 1) {
                for (BufferedImage gone : oldest.next()) pixels -= (long) gone.getWidth() * gone.getHeight();
                oldest.remove();
            }
        }

        private static BufferedImage decode(Image image) {
            try {
                return PictureDecoder.decode(image, 288);
            } catch (IOException | RuntimeException e) {
                LoggerFactory.getLogger(PagePainter.class).info("A picture can't be decoded: {}", image, e);
                return null;
            }
        }
    }
}
