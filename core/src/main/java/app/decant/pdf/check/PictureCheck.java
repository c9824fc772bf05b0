package app.decant.pdf.check;

import app.decant.pdf.Pictures;
import app.decant.words.Message;
import java.io.IOException;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.apache.pdfbox.contentstream.PDFStreamEngine;
import org.apache.pdfbox.contentstream.operator.DrawObject;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.contentstream.operator.OperatorName;
import org.apache.pdfbox.contentstream.operator.state.Concatenate;
import org.apache.pdfbox.contentstream.operator.state.Restore;
import org.apache.pdfbox.contentstream.operator.state.Save;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.apache.pdfbox.util.Matrix;

/** Looks how fine the pictures of a written file are where they are shown, in pixels an inch. */
public final class PictureCheck extends PDFStreamEngine {
    /** Halving and rounding leave pictures up to this much finer than asked. */
    private static final double TOLERANCE = 1.05;

    private final Map<COSDictionary, Double> finest = new HashMap<>();

    private PictureCheck() {
        addOperator(new Concatenate(this));
        addOperator(new Save(this));
        addOperator(new Restore(this));
        addOperator(new DrawObject(this));
    }

    /** What is found, nothing where there are no pictures. */
    static List<PdfCheck.Proof> check(PDDocument pdf, Pictures wish, int written) throws IOException {
        Set<COSDictionary> seen = new HashSet<>();
        boolean any = false;
        for (PDPage page : pdf.getPages()) any |= hasPictures(page.getCOSObject().getCOSDictionary(COSName.RESOURCES), seen);
        if (!any) return written == 0 ? List.of() : List.of(new PdfCheck.Proof(Message.of("check.pictures-missing", written), false));
        PictureCheck check = new PictureCheck();
        for (PDPage page : pdf.getPages()) check.processPage(page);
        if (check.finest.isEmpty()) return List.of(new PdfCheck.Proof(Message.of("check.no-picture-shown"), false));
        long least = Math.round(check.finest.values().stream().mapToDouble(Double::doubleValue).min().orElseThrow());
        long most = Math.round(check.finest.values().stream().mapToDouble(Double::doubleValue).max().orElseThrow());
        int count = check.finest.size();
        long finer = wish.finest() == 0 ? 0 : check.finest.values().stream().filter(ppi -> ppi > wish.finest() * TOLERANCE).count();
        // Line art stays sharp, and what would only grow stays as it is.
        return List.of(new PdfCheck.Proof(Message.of("check.pictures-of", count, most, least, least == most, finer), count >= written));
    }

    /** Most files have none, and need no second reading. */
    private static boolean hasPictures(COSDictionary resources, Set<COSDictionary> seen) {
        if (resources == null || !seen.add(resources)) return false;
        COSDictionary objects = resources.getCOSDictionary(COSName.XOBJECT);
        if (objects == null) return false;
        for (COSName name : objects.keySet()) {
            COSDictionary object = objects.getCOSDictionary(name) != null ? objects.getCOSDictionary(name) : objects.getCOSStream(name);
            if (object == null) continue;
            if (COSName.IMAGE.equals(object.getCOSName(COSName.SUBTYPE)) || hasPictures(object.getCOSDictionary(COSName.RESOURCES), seen)) return true;
        }
        return false;
    }

    @Override protected void processOperator(Operator operator, List<COSBase> operands) throws IOException {
        if (operator.getName().equals(OperatorName.DRAW_OBJECT) && operands.size() == 1 && operands.get(0) instanceof COSName name && getResources()
                .isImageXObject(name)) {
            note((PDImageXObject) getResources().getXObject(name));
            return;
        }
        super.processOperator(operator, operands);
    }

    private void note(PDImageXObject image) {
        Matrix shown = getGraphicsState().getCurrentTransformationMatrix();
        double width = shown.getScalingFactorX();
        double height = shown.getScalingFactorY();
        if (width <= 0 || height <= 0) return;
        // The coarser way counts: pictures are made smaller in both alike.
        double ppi = Math.min(image.getWidth() / width, image.getHeight() / height) * 72;
        finest.merge(image.getCOSObject(), ppi, Math::min);
    }
}
