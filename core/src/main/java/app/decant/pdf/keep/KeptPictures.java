package app.decant.pdf.keep;

import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.pdf.Pictures;
import app.decant.pdf.Standard;
import app.decant.pdf.picture.PictureEmbedding;
import app.decant.words.Message;
import java.awt.geom.Point2D;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.contentstream.PDFGraphicsStreamEngine;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.graphics.color.PDColorSpace;
import org.apache.pdfbox.pdmodel.graphics.image.PDImage;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.apache.pdfbox.util.Matrix;
import org.slf4j.LoggerFactory;

/**
 * Makes the pictures of a file smaller where they stand (ISO 32000-2, 8.9): nothing else changes. What can't be packed anew without changing more than
 * that (stencils, inks of a press, pictures whose mask depends on their pixels) stays, as does every picture that would grow.
 */
final class KeptPictures {
    private static final long MOST_PIXELS = 200_000_000;

    private final PDDocument pdf;
    private final PictureEmbedding embedding;
    private final Map<COSStream, Double> widths = new IdentityHashMap<>();
    private final Map<COSStream, PDImageXObject> pictures = new IdentityHashMap<>();
    private int smaller;

    KeptPictures(PDDocument pdf, Pictures choice) {
        this.pdf = pdf;
        embedding = new PictureEmbedding(pdf, choice, Standard.NONE);
    }

    /** Goes over all pages; what was found comes back. */
    List<Finding> shrink(Progress progress) {
        int index = 0;
        for (PDPage page : pdf.getPages()) {
            progress.step(index, pdf.getNumberOfPages(), Message.of("step.looking-for-pictures"));
            try {
                new Walk(page).processPage(page);
            } catch (IOException | RuntimeException e) {
                LoggerFactory.getLogger(KeptPictures.class).info("Page {} can't be walked to its end", index, e);
            }
            index++;
        }
        int at = 0;
        int failed = 0;
        for (Map.Entry<COSStream, PDImageXObject> one : pictures.entrySet()) {
            progress.step(at++, pictures.size(), Message.of("step.smaller-pictures"));
            try {
                shrink(one.getKey(), one.getValue());
            } catch (IOException | RuntimeException e) {
                LoggerFactory.getLogger(KeptPictures.class).info("A picture stays as it is", e);
                failed++;
            }
        }
        return failed == 0 ? List.of() : List.of(Finding.note(Message.of("keep.pictures-could-not-be-read-they", failed)));
    }

    /** How many were made smaller. */
    int count() { return smaller; }

    private void shrink(COSStream stream, PDImageXObject picture) throws IOException {
        if (picture.isStencil() || stream.getDictionaryObject(COSName.MASK) instanceof COSArray) return;
        if ((long) picture.getWidth() * picture.getHeight() > MOST_PIXELS) return;
        PDColorSpace space = picture.getColorSpace();
        if (space.getNumberOfComponents() == 4 || space.getName().equals(COSName.SEPARATION.getName()) || space.getName().equals(COSName.DEVICEN.getName()))
            return;
        COSDictionary mask = stream.getCOSDictionary(COSName.SMASK);
        if (mask != null && mask.containsKey(COSName.getPDFName("Matte"))) return;
        PDImageXObject made = embedding.smaller(picture.getOpaqueImage(), widths.get(stream));
        if (made == null || made.getCOSObject().getLength() >= stream.getLength()) return;
        COSStream packed = made.getCOSObject();
        for (COSName name : new COSName[] {COSName.FILTER, COSName.DECODE_PARMS, COSName.DECODE, COSName.COLORSPACE, COSName.BITS_PER_COMPONENT}) {
            stream.removeItem(name);
            if (packed.getItem(name) != null) stream.setItem(name, packed.getItem(name));
        }
        stream.setInt(COSName.WIDTH, made.getWidth());
        stream.setInt(COSName.HEIGHT, made.getHeight());
        // Written raw: its filter stays what the packed one says.
        COSDictionary filters = new COSDictionary(packed);
        try (InputStream in = packed.createRawInputStream(); OutputStream out = stream.createRawOutputStream()) {
            in.transferTo(out);
        }
        stream.setItem(COSName.FILTER, filters.getItem(COSName.FILTER));
        smaller++;
    }

    /** Notes every picture and how wide it is shown at most. */
    private final class Walk extends PDFGraphicsStreamEngine {
        Walk(PDPage page) { super(page); }

        @Override public void drawImage(PDImage image) {
            if (!(image instanceof PDImageXObject picture)) return;
            Matrix matrix = getGraphicsState().getCurrentTransformationMatrix();
            double width = Math.hypot(matrix.getScaleX(), matrix.getShearY());
            widths.merge(picture.getCOSObject(), width, Math::max);
            pictures.putIfAbsent(picture.getCOSObject(), picture);
        }

        @Override public void appendRectangle(Point2D p0, Point2D p1, Point2D p2, Point2D p3) { }
        @Override public void clip(int windingRule) { }
        @Override public void moveTo(float x, float y) { }
        @Override public void lineTo(float x, float y) { }
        @Override public void curveTo(float x1, float y1, float x2, float y2, float x3, float y3) { }
        @Override public Point2D getCurrentPoint() { return new Point2D.Float(); }
        @Override public void closePath() { }
        @Override public void endPath() { }
        @Override public void strokePath() { }
        @Override public void fillPath(int windingRule) { }
        @Override public void fillAndStrokePath(int windingRule) { }
        @Override public void shadingFill(COSName shadingName) { }
    }
}
