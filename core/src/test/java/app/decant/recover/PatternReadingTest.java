package app.decant.recover;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.IOException;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSBoolean;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPatternContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.common.function.PDFunctionType2;
import org.apache.pdfbox.pdmodel.graphics.color.PDColor;
import org.apache.pdfbox.pdmodel.graphics.color.PDDeviceRGB;
import org.apache.pdfbox.pdmodel.graphics.color.PDPattern;
import org.apache.pdfbox.pdmodel.graphics.pattern.PDShadingPattern;
import org.apache.pdfbox.pdmodel.graphics.pattern.PDTilingPattern;
import org.apache.pdfbox.pdmodel.graphics.shading.PDShadingType2;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.util.Matrix;
import org.junit.jupiter.api.Test;

/** Gradients and patterns (ISO 32000-1, 8.7) of drawings are still there, and still gradients, once a PDF was taken in and published again. */
class PatternReadingTest {
    private static PDShadingType2 leftToRight(float x1, float x2) {
        PDShadingType2 shading = new PDShadingType2(new COSDictionary());
        shading.setShadingType(2);
        shading.setColorSpace(PDDeviceRGB.INSTANCE);
        shading.setCoords(numbers(x1, 0, x2, 0));
        COSDictionary function = new COSDictionary();
        function.setInt(COSName.FUNCTION_TYPE, 2);
        function.setItem(COSName.DOMAIN, numbers(0, 1));
        function.setItem(COSName.C0, numbers(1, 0, 0));
        function.setItem(COSName.C1, numbers(0, 0, 1));
        function.setInt(COSName.N, 1);
        shading.setFunction(new PDFunctionType2(function));
        COSArray extend = new COSArray();
        extend.add(COSBoolean.TRUE);
        extend.add(COSBoolean.TRUE);
        shading.setExtend(extend);
        return shading;
    }

    private static COSArray numbers(float... values) {
        COSArray array = new COSArray();
        for (float value : values) array.add(new COSFloat(value));
        return array;
    }

    /** A rounded area with a gradient by the shading operator, one with it as a pattern half as wide in its own space, one with stripes. */
    private static byte[] drawn() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            sketch.text(72, 60, "The depth of the harbour, from shallow to deep.");
            sketch.out.saveGraphicsState();
            diamond(sketch, 100, 700);
            sketch.out.clip();
            sketch.out.shadingFill(leftToRight(100, 300));
            sketch.out.restoreGraphicsState();

            PDShadingPattern pattern = new PDShadingPattern();
            pattern.setShading(leftToRight(50, 150));
            pattern.setMatrix(Matrix.getScaleInstance(2, 2).createAffineTransform());
            diamond(sketch, 100, 500);
            sketch.out.setNonStrokingColor(new PDColor(sketch.page.getResources().add(pattern), new PDPattern(sketch.page.getResources())));
            sketch.out.fill();

            PDTilingPattern stripes = new PDTilingPattern();
            stripes.setPaintType(PDTilingPattern.PAINT_COLORED);
            stripes.setTilingType(PDTilingPattern.TILING_CONSTANT_SPACING);
            stripes.setBBox(new PDRectangle(20, 20));
            stripes.setXStep(20);
            stripes.setYStep(20);
            try (PDPatternContentStream cell = new PDPatternContentStream(stripes)) {
                cell.setNonStrokingColor(Color.GREEN);
                cell.addRect(0, 0, 10, 20);
                cell.fill();
            }
            diamond(sketch, 100, 300);
            sketch.out.setNonStrokingColor(new PDColor(sketch.page.getResources().add(stripes), new PDPattern(sketch.page.getResources())));
            sketch.out.fill();
            return sketch.bytes();
        }
    }

    /** 200 wide and 100 high. */
    private static void diamond(PdfSketch sketch, float x, float y) throws IOException {
        sketch.out.moveTo(x, y);
        sketch.out.lineTo(x + 100, y + 50);
        sketch.out.lineTo(x + 200, y);
        sketch.out.lineTo(x + 100, y - 50);
        sketch.out.closePath();
    }

    private static BufferedImage image(byte[] pdf) throws IOException {
        try (PDDocument document = Loader.loadPDF(pdf)) {
            return new PDFRenderer(document).renderImage(0, 1);
        }
    }

    @Test void surviveTakingInAndPublishing() throws IOException {
        byte[] original = drawn();
        Recovered recovered = PdfSketch.recovered(original);
        assertThat(recovered.findings()).extracting(Finding::what).noneMatch(what -> what.contains("gradient") || what.contains("pattern"));
        byte[] again = OwnWriter.write(Layout.of(recovered.document(), FontCatalogue.shipped()), false);
        BufferedImage before = image(original);
        BufferedImage after = image(again);
        for (int x = 110; x < 300; x += 7) {
            for (int y : new int[] {142, 342, 542}) {
                // Two points of the same gradient that are a point apart differ by less than this; stripes are judged away from their edges.
                if (y == 542 && Math.min(x % 10, 10 - x % 10) < 3) continue;
                assertThat(apart(before.getRGB(x, y), after.getRGB(x, y))).as("at %d, %d", x, y).isLessThan(16);
            }
        }
    }

    @Test void stayGradientsBehindText() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            sketch.out.saveGraphicsState();
            sketch.out.addRect(72, 842 - 96, 300, 26);
            sketch.out.clip();
            sketch.out.shadingFill(leftToRight(72, 372));
            sketch.out.restoreGraphicsState();
            sketch.text(80, 88, 16, "LiberationSerif-Bold", "Departures from Ostrey");
            for (int i = 0; i < 6; i++) sketch.text(72, 130 + 14 * i, "The ferry leaves the pier at the time that the table says, and not before it.");
            byte[] original = sketch.bytes();
            Recovered recovered = PdfSketch.recovered(original);
            assertThat(recovered.findings()).extracting(Finding::what).noneMatch(what -> what.contains("gradient"));
            assertThat(recovered.document().blocks().get(0)).isInstanceOfSatisfying(Paragraph.class, heading ->
                    assertThat(heading.text().replace(String.valueOf(Inline.OBJECT), "")).isEqualTo("Departures from Ostrey"));
            BufferedImage before = image(original);
            BufferedImage after = image(OwnWriter.write(Layout.of(recovered.document(), FontCatalogue.shipped()), false));
            for (int x = 280; x < 370; x += 10) assertThat(apart(before.getRGB(x, 80), after.getRGB(x, 80))).as("at %d", x).isLessThan(16);
        }
    }

    private static int apart(int one, int other) {
        Color was = new Color(one);
        Color is = new Color(other);
        return Math.abs(was.getRed() - is.getRed()) + Math.abs(was.getGreen() - is.getGreen()) + Math.abs(was.getBlue() - is.getBlue());
    }
}
