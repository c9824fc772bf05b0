package app.decant.pdf.read;

import app.decant.document.DecantException;
import app.decant.document.Image;
import app.decant.document.Picture;
import app.decant.font.Face;
import app.decant.font.FontCatalogue;
import app.decant.words.Message;
import java.awt.Color;
import java.awt.Shape;
import java.awt.font.FontRenderContext;
import java.awt.font.GlyphVector;
import java.awt.geom.AffineTransform;
import java.awt.geom.Line2D;
import java.awt.geom.PathIterator;
import java.awt.geom.Rectangle2D;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.multipdf.PDFCloneUtility;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.color.PDColor;
import org.apache.pdfbox.pdmodel.graphics.color.PDDeviceRGB;
import org.apache.pdfbox.pdmodel.graphics.color.PDPattern;
import org.apache.pdfbox.pdmodel.graphics.pattern.PDAbstractPattern;
import org.apache.pdfbox.pdmodel.graphics.state.PDExtendedGraphicsState;

/** A drawing as a picture without pixels: a PDF of one page, as large as the drawing, that holds its lines and areas and the outlines of its labels. */
public final class VectorPicture {
    private static final FontRenderContext EXACT = new FontRenderContext(null, true, true);

    private static final double HAIRLINE = 0.8;

    private VectorPicture() { }

    public static Rectangle2D bounds(Ink ink) {
        if (ink instanceof Ink.Stroke stroke) {
            // The finest line is drawn as wide as a pixel, which needs room too.
            double half = Math.max(HAIRLINE, stroke.width()) / 2;
            return new Rectangle2D.Double(stroke.x1() - half, stroke.y1() - half, Math.max(0.1, stroke.x2() - stroke.x1() + 2 * half),
                    Math.max(0.1, stroke.y2() - stroke.y1() + 2 * half));
        }
        if (ink instanceof Ink.Fill fill) return new Rectangle2D.Double(fill.x(), fill.y(), fill.width(), fill.height());
        if (ink instanceof Ink.Wash wash) return wash.path().getBounds2D();
        Ink.Shape shape = (Ink.Shape) ink;
        Rectangle2D box = shape.path().getBounds2D();
        double grow = shape.line() == 0 ? 0 : Math.max(HAIRLINE, shape.line()) / 2;
        return new Rectangle2D.Double(box.getX() - grow, box.getY() - grow, Math.max(0.1, box.getWidth() + 2 * grow),
                Math.max(0.1, box.getHeight() + 2 * grow));
    }

    /** @param page what of the drawing can be seen at all */
    public static Placed of(List<Ink> ink, List<Glyph> letters, Rectangle2D page) {
        List<Shape> outlines = new ArrayList<>();
        List<Integer> colours = new ArrayList<>();
        StringBuilder words = new StringBuilder();
        Glyph before = null;
        for (Glyph glyph : letters) {
            if (before != null && !glyph.isSpace() && Math.hypot(glyph.x() - before.x(), glyph.baseline() - before.baseline()) > before.width()
                    + 0.5 * glyph.size() && words.length() > 0 && words.charAt(words.length() - 1) != ' ') words.append(' ');
            words.append(glyph.text());
            if (!glyph.isSpace() && !glyph.text().isEmpty()) {
                outlines.add(outline(glyph));
                colours.add(glyph.rgb());
            }
            before = glyph;
        }
        Rectangle2D box = null;
        for (Ink one : ink) box = joined(box, bounds(one));
        for (Shape outline : outlines) if (!outline.getBounds2D().isEmpty()) box = joined(box, outline.getBounds2D());
        if (box != null && box.intersects(page)) box = box.createIntersection(page);
        if (box == null) box = new Rectangle2D.Double(before.x(), before.baseline() - before.size(), before.width() + 1, before.size());
        try {
            byte[] file = write(ink, outlines, colours, box);
            int order = Stream.concat(ink.stream().map(Ink::order), letters.stream().map(Glyph::order)).min(Comparator.naturalOrder())
                    .orElse(0);
            String description = words.toString().trim();
            return new Placed(new Picture(new Image("application/pdf", file), box.getWidth(), box.getHeight(), description.isEmpty() ? null : description),
                    box.getX(), box.getY(), order);
        } catch (IOException e) {
            throw new DecantException(DecantException.Kind.UNREADABLE, Message.of("read.a-drawing-cannot-be-taken-over"), e);
        }
    }

    private static Rectangle2D joined(Rectangle2D box, Rectangle2D other) { return box == null ? (Rectangle2D) other.clone() : box.createUnion(other); }

    private static Shape outline(Glyph glyph) {
        Face face = FontCatalogue.shipped().match(glyph.face().family(), glyph.face().bold(), glyph.face().italic()).face();
        GlyphVector vector = face.drawn().createGlyphVector(EXACT, glyph.text());
        double natural = vector.getGlyphPosition(vector.getNumGlyphs()).getX();
        double down = glyph.size() / face.unitsPerEm();
        double across = natural > 0 && glyph.width() > 0 ? glyph.width() / natural : down;
        AffineTransform place = AffineTransform.getTranslateInstance(glyph.x(), glyph.baseline());
        place.rotate(Math.toRadians(glyph.angle()));
        place.scale(across, down);
        return place.createTransformedShape(vector.getOutline());
    }

    private static byte[] write(List<Ink> ink, List<Shape> outlines, List<Integer> colours, Rectangle2D box) throws IOException {
        try (PDDocument pdf = new PDDocument()) {
            PDPage page = new PDPage(new PDRectangle(rounded(box.getWidth()), rounded(box.getHeight())));
            pdf.addPage(page);
            page.setResources(new PDResources());
            pdf.setDocumentId(1L);
            AffineTransform place = new AffineTransform(1, 0, 0, -1, -box.getX(), box.getY() + box.getHeight());
            try (PDPageContentStream out = new PDPageContentStream(pdf, page)) {
                for (Ink one : ink.stream().sorted(Comparator.comparingInt(Ink::order)).toList()) paint(pdf, page, out, one, place);
                for (int i = 0; i < outlines.size(); i++) {
                    out.setNonStrokingColor(colour(colours.get(i)));
                    path(out, outlines.get(i), place);
                    out.fill();
                }
            }
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            pdf.save(bytes);
            return bytes.toByteArray();
        }
    }

    private static void paint(PDDocument pdf, PDPage page, PDPageContentStream out, Ink one, AffineTransform place) throws IOException {
        if (one instanceof Ink.Fill fill) {
            out.setNonStrokingColor(colour(fill.rgb()));
            path(out, new Rectangle2D.Double(fill.x(), fill.y(), fill.width(), fill.height()), place);
            out.fill();
        } else if (one instanceof Ink.Stroke stroke) {
            out.setStrokingColor(colour(stroke.rgb()));
            out.setLineWidth(rounded(stroke.width()));
            out.setLineDashPattern(stroke.dashed() ? new float[] {3, 2} : new float[0], 0);
            path(out, new Line2D.Double(stroke.x1(), stroke.y1(), stroke.x2(), stroke.y2()), place);
            out.stroke();
        } else if (one instanceof Ink.Shape shape) {
            out.saveGraphicsState();
            seeThrough(out, shape.alpha());
            if (shape.line() > 0) {
                out.setStrokingColor(colour(shape.rgb()));
                out.setLineWidth(rounded(shape.line()));
                out.setLineDashPattern(shape.dash() == null ? new float[0] : shape.dash(), 0);
                path(out, shape.path(), place);
                out.stroke();
            } else {
                out.setNonStrokingColor(colour(shape.rgb()));
                path(out, shape.path(), place);
                if (shape.evenOdd()) out.fillEvenOdd();
                else out.fill();
            }
            out.restoreGraphicsState();
        } else if (one instanceof Ink.Wash wash) {
            out.saveGraphicsState();
            seeThrough(out, wash.alpha());
            PDColor colour = pattern(pdf, page, wash.pattern(), place);
            out.setNonStrokingColor(colour);
            path(out, wash.path(), place);
            if (wash.evenOdd()) out.fillEvenOdd();
            else out.fill();
            out.restoreGraphicsState();
        }
    }

    private static void seeThrough(PDPageContentStream out, double alpha) throws IOException {
        if (alpha >= 1) return;
        PDExtendedGraphicsState state = new PDExtendedGraphicsState();
        state.setNonStrokingAlphaConstant((float) alpha);
        state.setStrokingAlphaConstant((float) alpha);
        out.setGraphicsStateParameters(state);
    }

    /** A copy of a pattern that lies in the drawing as it lay on the page. */
    private static PDColor pattern(PDDocument pdf, PDPage page, Ink.Pattern source, AffineTransform place) throws IOException {
        COSDictionary copy = new Copying(pdf).cloneForNewDocument(source.dictionary());
        PDAbstractPattern pattern = PDAbstractPattern.create(copy, page.getResourceCache());
        AffineTransform matrix = new AffineTransform(place);
        matrix.concatenate(source.place());
        pattern.setMatrix(matrix);
        COSName name = page.getResources().add(pattern);
        if (source.own() == null) return new PDColor(name, new PDPattern(page.getResources()));
        return new PDColor(source.own().getRGBColorComponents(null), name, new PDPattern(page.getResources(), PDDeviceRGB.INSTANCE));
    }

    private static final class Copying extends PDFCloneUtility {
        Copying(PDDocument pdf) { super(pdf); }
    }

    private static Color colour(int rgb) { return new Color(rgb); }

    /** To a thousandth of a point: what is drawn on several pages is the same drawing, wherever it stands on them. */
    private static float rounded(double points) { return Math.round(points * 1000) / 1000f; }

    private static void path(PDPageContentStream out, Shape shape, AffineTransform place) throws IOException {
        float[] c = new float[6];
        float x = 0;
        float y = 0;
        for (PathIterator it = shape.getPathIterator(place); !it.isDone(); it.next()) {
            int segment = it.currentSegment(c);
            for (int i = 0; i < c.length; i++) c[i] = rounded(c[i]);
            switch (segment) {
                case PathIterator.SEG_MOVETO -> out.moveTo(x = c[0], y = c[1]);
                case PathIterator.SEG_LINETO -> out.lineTo(x = c[0], y = c[1]);
                case PathIterator.SEG_QUADTO -> {
                    // A quadratic curve as a cubic one.
                    out.curveTo(x + (c[0] - x) * 2 / 3, y + (c[1] - y) * 2 / 3, c[2] + (c[0] - c[2]) * 2 / 3, c[3] + (c[1] - c[3]) * 2 / 3, c[2], c[3]);
                    x = c[2];
                    y = c[3];
                }
                case PathIterator.SEG_CUBICTO -> out.curveTo(c[0], c[1], c[2], c[3], x = c[4], y = c[5]);
                default -> out.closePath();
            }
        }
    }
}
