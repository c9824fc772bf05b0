package app.decant.format.shape;

import app.decant.document.Image;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import app.decant.picture.PictureDecoder;
import java.awt.geom.AffineTransform;
import java.awt.geom.Path2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.graphics.image.JPEGFactory;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.apache.pdfbox.util.Matrix;
import org.slf4j.LoggerFactory;

/** Shapes and pictures that make one drawing, each over those before it. All measures in points from its upper left corner, y down. */
public final class DrawnGroup {
    /** At which drawings and metafiles in it become pixels, in pixels an inch. */
    private static final double RESOLUTION = 200;
    private static final double MOST_POINTS = 5000;

    private final double width;
    private final double height;
    private final List<Layer> layers = new ArrayList<>();
    private final List<String> unshown = new ArrayList<>();

    private sealed interface Layer permits Outline, Shown { }

    private record Outline(List<DrawnShape.Part> parts, DrawnShape.Ink ink) implements Layer { }

    private record Shown(Image image, Insets crop, AffineTransform place) implements Layer { }

    public DrawnGroup(double width, double height) {
        this.width = Math.max(1, Math.min(MOST_POINTS, width));
        this.height = Math.max(1, Math.min(MOST_POINTS, height));
    }

    /** @param place brings the outlines to where they stand in the group */
    public void add(List<DrawnShape.Part> parts, DrawnShape.Ink ink, AffineTransform place) {
        if (!ink.isVisible()) return;
        layers.add(new Outline(parts.stream().map(part -> new DrawnShape.Part(new Path2D.Double(part.path(), place), part.filled(), part.stroked(),
                part.shade())).toList(), ink));
    }

    /**
     * Adds a picture.
     *
     * @param crop  shares of it that are cut off
     * @param place brings a square of one point by one to where the picture stands
     */
    public void add(Image image, Insets crop, AffineTransform place) { layers.add(new Shown(image, crop, place)); }

    public boolean isEmpty() { return layers.isEmpty(); }

    /** The media types of pictures whose place had to be left empty in the drawing that was made last, since they can't be decoded. */
    public List<String> unshown() { return List.copyOf(unshown); }

    /**
     * The drawing, without pixels but for its pictures.
     *
     * @param words read to people who do not see it, or null
     */
    public Picture picture(String words) { return picture(words, 0); }

    /** How far lines along its edges reach out of it. */
    public double reach() {
        return layers.stream().mapToDouble(layer -> layer instanceof Outline outline ? outline.ink.pen().width() / 2 : 0).max().orElse(0);
    }

    /** The same with a margin around it. */
    public Picture picture(String words, double margin) {
        unshown.clear();
        AffineTransform onPage = new AffineTransform(1, 0, 0, -1, margin, height + margin);
        byte[] bytes = DrawnPage.of(width + 2 * margin, height + 2 * margin, (pdf, out) -> {
            for (Layer layer : layers) {
                out.saveGraphicsState();
                if (layer instanceof Outline outline) DrawnShape.paint(outline.parts, outline.ink, onPage, out);
                else if (layer instanceof Shown shown) paint(pdf, shown, onPage, out);
                out.restoreGraphicsState();
            }
        });
        return new Picture(new Image(PictureDecoder.DRAWING, bytes), width + 2 * margin, height + 2 * margin, words);
    }

    private void paint(PDDocument pdf, Shown shown, AffineTransform onPage, PDPageContentStream out) throws IOException {
        PDImageXObject pixels;
        try {
            pixels = pixels(pdf, shown);
        } catch (IOException | RuntimeException e) {
            LoggerFactory.getLogger(DrawnGroup.class).info("A picture in a group can't be decoded", e);
            unshown.add(shown.image.type());
            return;
        }
        AffineTransform place = new AffineTransform(onPage);
        place.concatenate(shown.place);
        Insets crop = shown.crop;
        if (!crop.equals(Insets.NONE)) {
            Path2D seen = new Path2D.Double();
            seen.moveTo(0, 0);
            seen.lineTo(1, 0);
            seen.lineTo(1, 1);
            seen.lineTo(0, 1);
            seen.closePath();
            TracedPath.trace(seen, place, out);
            out.clip();
            place.scale(1 / Math.max(0.01, 1 - crop.left() - crop.right()), 1 / Math.max(0.01, 1 - crop.top() - crop.bottom()));
            place.translate(-crop.left(), -crop.top());
        }
        // A picture's own square stands on its feet (ISO 32000-2, 8.9.5).
        place.concatenate(new AffineTransform(1, 0, 0, -1, 0, 1));
        out.drawImage(pixels, new Matrix(place));
    }

    private static PDImageXObject pixels(PDDocument pdf, Shown shown) throws IOException {
        if (shown.image.type().equals("image/jpeg")) return JPEGFactory.createFromByteArray(pdf, shown.image.bytes());
        BufferedImage decoded = PictureDecoder.decode(shown.image, RESOLUTION, shown.place.getScaleX());
        return LosslessFactory.createFromImage(pdf, decoded);
    }
}
