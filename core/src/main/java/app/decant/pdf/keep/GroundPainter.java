package app.decant.pdf.keep;

import app.decant.document.DecantException;
import app.decant.page.Original;
import app.decant.page.Page;
import app.decant.page.Rewritten;
import app.decant.pdf.PdfDoor;
import app.decant.pdf.form.Filling;
import app.decant.words.Message;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.Rectangle;
import java.awt.geom.AffineTransform;
import java.awt.geom.Rectangle2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Iterator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.io.IOUtils;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.graphics.image.PDImage;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.rendering.PageDrawer;
import org.apache.pdfbox.rendering.PageDrawerParameters;
import org.apache.pdfbox.util.Matrix;
import org.apache.pdfbox.util.Vector;

/**
 * Paints pages that stand on a ground: those of a file, as they are or with other words in some places. It has an opened file of its own, since painting
 * changes what would be written. For any thread; one page is painted after another.
 */
public final class GroundPainter implements AutoCloseable {
    private static final double MOST_PIXELS = 40_000_000;
    /** Pages painted lately: those in view are painted tile by tile. */
    private static final int REMEMBERED = 3;

    private final Original original;
    private final Map<Wanted, BufferedImage> painted = new LinkedHashMap<>(8, 0.75f, true);
    private final Map<String, String> filled = new HashMap<>();
    private final Map<Integer, Set<String>> filledOn = new HashMap<>();
    private PDDocument pdf;
    private Renderer renderer;
    private boolean closed;

    /** Passes over letters and pictures outside of the part that is painted: most of a page's work. */
    private static final class Renderer extends PDFRenderer {
        /** What a picture is drawn into (ISO 32000-2, 8.9.5.1). */
        private static final Rectangle UNIT = new Rectangle(1, 1);
        private Rectangle area;

        private final ScaledPictures pictures;

        Renderer(PDDocument pdf) {
            super(pdf);
            pictures = new ScaledPictures(pdf);
        }

        @Override protected PageDrawer createPageDrawer(PageDrawerParameters parameters) throws IOException {
            Rectangle only = area;
            return new PageDrawer(parameters) {
                @Override protected void showFontGlyph(Matrix rendering, PDFont font, int code, Vector displacement) throws IOException {
                    boolean clips = getGraphicsState().getTextState().getRenderingMode().isClip();
                    if (only == null || clips || isNear(rendering, getGraphics().getTransform(), only))
                        super.showFontGlyph(rendering, font, code, displacement);
                }

                @Override public void drawImage(PDImage picture) throws IOException {
                    AffineTransform toPixels = new AffineTransform(getGraphics().getTransform());
                    toPixels.concatenate(getGraphicsState().getCurrentTransformationMatrix().createAffineTransform());
                    Rectangle2D drawn = toPixels.createTransformedShape(UNIT).getBounds2D();
                    if (only == null || drawn.intersects(-1, -1, only.width + 2, only.height + 2))
                        super.drawImage(getGraphicsState().getSoftMask() == null ? pictures.shown(picture, toPixels) : picture);
                }
            };
        }

        /** Whether a letter may reach into an area: generously, since letters are drawn as far as their fonts like. */
        private static boolean isNear(Matrix rendering, AffineTransform toPixels, Rectangle area) {
            AffineTransform whole = new AffineTransform(toPixels);
            whole.concatenate(rendering.createAffineTransform());
            double reach = 3 * (Math.hypot(whole.getScaleX(), whole.getShearY()) + Math.hypot(whole.getShearX(), whole.getScaleY()));
            // The part is moved into the corner of its own picture.
            double x = whole.getTranslateX();
            double y = whole.getTranslateY();
            return x > -reach && y > -reach && x < area.width + reach && y < area.height + reach;
        }
    }

    private record Wanted(Page.Ground ground, double scale) {
        @Override public boolean equals(Object other) { return other instanceof Wanted wanted && wanted.ground == ground && wanted.scale == scale; }
        @Override public int hashCode() { return System.identityHashCode(ground); }
    }

    public GroundPainter(Original original) { this.original = original; }

    /**
     * A page at a scale in pixels a point; coarser where that would be beyond measure. The picture is remembered: do not change it.
     *
     * @throws DecantException where it can't be painted
     */
    public synchronized BufferedImage image(Page page, double scale) {
        Wanted wanted = new Wanted(page.ground(), scale);
        BufferedImage known = painted.get(wanted);
        if (known != null) return known;
        if (closed) throw new DecantException(DecantException.Kind.CANCELLED, Message.of("keep.is-not-open-any-more", original.name()));
        try {
            open(page.ground());
            BufferedImage image = turned(paint(page, scale), page.ground().turn());
            painted.put(wanted, image);
            Iterator<Wanted> eldest = painted.keySet().iterator();
            while (painted.size() > REMEMBERED) {
                eldest.next();
                eldest.remove();
            }
            return image;
        } catch (IOException | RuntimeException e) {
            if (e instanceof DecantException told) throw told;
            throw new DecantException(DecantException.Kind.UNREADABLE, Message.of("pdf.page-of-cannot-be-shown", (page.ground().page() + 1), original.name()),
                    e);
        }
    }

    /**
     * The pages of the file as they came, to be looked at.
     *
     * @param turns how far each is turned clockwise to be read, by its number; those not told stand as they are
     * @throws DecantException where the file can't be opened
     */
    public synchronized List<Page> pages(List<Integer> turns) {
        if (closed) throw new DecantException(DecantException.Kind.CANCELLED, Message.of("keep.is-not-open-any-more", original.name()));
        try {
            open(new Page.Ground(0, 0, null, Map.of()));
        } catch (IOException e) {
            throw new DecantException(DecantException.Kind.UNREADABLE, Message.of("pdf.cannot-be-shown-it-cannot-be-opened", original.name()), e);
        }
        List<Page> pages = new ArrayList<>();
        for (PDPage page : pdf.getPages()) {
            int index = pages.size();
            int turn = index < turns.size() ? turns.get(index) : 0;
            PDRectangle box = page.getCropBox();
            boolean upright = (page.getRotation() + turn) % 180 == 0;
            double width = unit(page) * (upright ? box.getWidth() : box.getHeight());
            double height = unit(page) * (upright ? box.getHeight() : box.getWidth());
            pages.add(new Page(index, String.valueOf(index + 1), width, height, List.of(), List.of(), new Page.Ground(index, turn, null, Map.of())));
        }
        return pages;
    }

    /** A page may have a unit of its own (ISO 32000-2, 7.7.3.3), which the renderer does not know. */
    private static double unit(PDPage page) { return page.getUserUnit() > 0 ? page.getUserUnit() : 1; }

    /** Opens the file, and fills in what is filled in on a page. Only a file opened anew shows again what a field said first. */
    private void open(Page.Ground ground) throws IOException {
        boolean goesBack = !ground.answers().keySet().containsAll(filledOn.getOrDefault(ground.page(), Set.of()));
        if (pdf != null && goesBack) {
            IOUtils.closeQuietly(pdf);
            pdf = null;
        }
        if (pdf == null) {
            pdf = PdfDoor.open(original.bytes(), original.name(), original.password());
            renderer = new Renderer(pdf);
            filled.clear();
            filledOn.clear();
        }
        Map<String, String> wanted = new HashMap<>(ground.answers());
        wanted.entrySet().removeAll(filled.entrySet());
        if (wanted.isEmpty()) return;
        Filling.fill(pdf, wanted);
        filled.putAll(wanted);
        filledOn.put(ground.page(), ground.answers().keySet());
    }

    private BufferedImage paint(Page page, double scale) throws IOException {
        PDPage own = pdf.getPage(page.ground().page());
        double most = Math.sqrt(MOST_PIXELS / Math.max(1, page.width() * page.height()));
        double unit = unit(own);
        float fine = (float) (Math.min(scale, most) * unit);
        int index = page.ground().page();
        Rewritten rewritten = page.ground().rewritten();
        Wanted before = page.ground().turn() == 0 && scale <= most ? last(index, scale) : null;
        if (before != null && before.ground.answers().equals(page.ground().answers())) {
            BufferedImage image = copy(painted.get(before));
            Rectangle area = between(before.ground.rewritten(), rewritten, fine / unit, image);
            if (!area.isEmpty()) lookingAt(rewritten, index, there -> repaint(image, there, fine, area));
            return image;
        }
        return lookingAt(rewritten, index, there -> renderer.renderImage(there, fine, ImageType.RGB));
    }

    private <T> T lookingAt(Rewritten rewritten, int index, KeptWriter.Look<T> look) throws IOException {
        return rewritten == null ? look.at(index) : KeptWriter.lookingAt(rewritten, pdf, index, look);
    }

    /** How the same page was painted last at the same scale; null where it was not. */
    private Wanted last(int index, double scale) {
        Wanted last = null;
        for (Wanted one : painted.keySet()) if (one.ground.page() == index && one.scale == scale) last = one;
        return last;
    }

    /** Outside of what two states of a page change, they are the same: only that is painted, in pixels. */
    private static Rectangle between(Rewritten one, Rewritten other, double scale, BufferedImage image) {
        Rectangle area = new Rectangle();
        for (Rewritten rewritten : Arrays.asList(one, other)) {
            if (rewritten == null) continue;
            for (Rewritten.Area some : rewritten.areas()) {
                int x = (int) Math.floor(some.left() * scale) - 1;
                int y = (int) Math.floor(some.top() * scale) - 1;
                Rectangle pixels = new Rectangle(x, y, (int) Math.ceil(some.right() * scale) + 1 - x, (int) Math.ceil(some.bottom() * scale) + 1 - y);
                area = area.isEmpty() ? pixels : area.union(pixels);
            }
        }
        return area.intersection(new Rectangle(image.getWidth(), image.getHeight()));
    }

    private BufferedImage repaint(BufferedImage image, int index, float scale, Rectangle area) throws IOException {
        // Pages that blend are painted on nothing first (11.3), and only then laid on paper.
        BufferedImage part = new BufferedImage(area.width, area.height, BufferedImage.TYPE_INT_ARGB);
        Graphics2D on = part.createGraphics();
        on.setBackground(new Color(0, 0, 0, 0));
        on.translate(-area.x, -area.y);
        on.clip(area);
        renderer.area = area;
        try {
            renderer.renderPageToGraphics(index, on, scale);
        } finally {
            renderer.area = null;
            on.dispose();
        }
        Graphics2D graphics = image.createGraphics();
        graphics.setColor(Color.WHITE);
        graphics.fill(area);
        graphics.drawImage(part, area.x, area.y, null);
        graphics.dispose();
        return image;
    }

    private static BufferedImage copy(BufferedImage image) {
        BufferedImage copy = new BufferedImage(image.getWidth(), image.getHeight(), image.getType());
        image.copyData(copy.getRaster());
        return copy;
    }

    private static BufferedImage turned(BufferedImage image, int turn) {
        if (turn == 0) return image;
        boolean sideways = turn % 180 != 0;
        BufferedImage turned = new BufferedImage(sideways ? image.getHeight() : image.getWidth(), sideways ? image.getWidth() : image.getHeight(),
                BufferedImage.TYPE_INT_RGB);
        AffineTransform upright = AffineTransform.getTranslateInstance(turned.getWidth() / 2.0, turned.getHeight() / 2.0);
        upright.quadrantRotate(turn / 90);
        upright.translate(-image.getWidth() / 2.0, -image.getHeight() / 2.0);
        Graphics2D graphics = turned.createGraphics();
        graphics.drawImage(image, upright, null);
        graphics.dispose();
        return turned;
    }

    @Override public synchronized void close() {
        closed = true;
        painted.clear();
        if (pdf != null) IOUtils.closeQuietly(pdf);
        pdf = null;
    }
}
