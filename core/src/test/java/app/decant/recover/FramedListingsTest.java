package app.decant.recover;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Walk;
import app.decant.pdf.read.FaceNames;
import app.decant.pdf.read.FaceUse;
import java.io.IOException;
import java.util.List;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.font.PDFontFactory;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** What stands on a shade or in a frame is text, however many pieces that is painted in: commands in manuals, notes with a shadow. */
class FramedListingsTest {
    private static final int SHADE = 0xF2F2F2;
    private static final int SHADOW = 0x808080;
    private static final String MONO = "LiberationMono-Regular";

    private static PdfSketch page() {
        return new PdfSketch().lines(72, 90, "Every boat has a list of what is looked at before it leaves the pier. It", "is written by hand still, since"
                + " the machine that was bought for it has been", "under water twice, and a pencil writes there as well as anywhere:");
    }

    private static List<Paragraph> saying(Document document, String words) {
        return Walk.of(document).stops().stream().map(Walk.Stop::paragraph).filter(one -> one.text().contains(words)).toList();
    }

    private static long pictures(Document document) {
        return Walk.of(document).stops().stream().flatMap(stop -> stop.paragraph().inlines().stream())
                .filter(inline -> inline instanceof Inline.InlinePicture || inline instanceof Inline.Floating).count();
    }

    /** As listings are set in manuals: a strip above, each line between two margins of its own, a strip below. */
    @Test void aListingThatIsShadedLineByLineIsTextOnOneShade() {
        PdfSketch sketch = page().area(69, 160, 456, 3, SHADE);
        String[] lines = {"look --hull --lights", "look --engine", "count --vests 60"};
        for (int i = 0; i < lines.length; i++) {
            double y = 163 + 11 * i;
            sketch.area(69, y, 3, 11, SHADE).area(72, y, 450, 11, SHADE).text(72, y + 8, 9, MONO, lines[i]).area(522, y, 3, 11, SHADE);
        }
        sketch.area(69, 196, 456, 3, SHADE).text(72, 230, "Then the boat may leave.");
        Document document = sketch.document();
        for (String line : lines) assertThat(saying(document, line)).as(line).hasSize(1).allSatisfy(one ->
                assertThat(one.look().get(ParagraphProperty.SHADING)).as("its shade").isNotNull());
        assertThat(pictures(document)).isZero();
    }

    /** A patch of the same colour on a shade adds nothing to it, and takes nothing from it. */
    @Test void aShadeThatIsPaintedTwiceInAPlaceStays() {
        PdfSketch sketch = page().area(69, 160, 456, 14, SHADE).area(300, 162, 40, 4, SHADE).text(72, 170, 9, MONO, "look --hull --lights --engine --vests");
        Document document = sketch.text(72, 230, "Then the boat may leave.").document();
        assertThat(saying(document, "look --hull")).hasSize(1).allSatisfy(one -> assertThat(one.look().get(ParagraphProperty.SHADING)).isNotNull());
    }

    @Test void whatStandsInAFrameWithAShadowIsText() {
        PdfSketch sketch = page();
        for (double[] line : new double[][] {{80, 160, 500, 160}, {80, 195, 500, 195}, {80, 160, 80, 195}, {500, 160, 500, 195}})
            sketch.line(line[0], line[1], line[2], line[3]);
        sketch.area(500, 165, 5, 30, SHADOW).area(85, 195, 420, 5, SHADOW).text(84, 173, 9, MONO, "# look --hull").text(84, 188, 9, MONO, "# look --lights")
                .text(72, 230, "Then the boat may leave.");
        Document document = sketch.document();
        assertThat(saying(document, "# look --hull")).hasSize(1);
        assertThat(saying(document, "# look --lights")).hasSize(1);
    }

    /** As office programs print a paragraph with a border and a shade: an area behind each line, rules, and a dot where two of these meet. */
    @Test void aBorderedParagraphIsOneThoughDotsStandAtItsCorners() {
        PdfSketch sketch = page();
        String[] lines = {"look(hull);", "look(engine, lights);", "count(vests);"};
        for (int i = 0; i < lines.length; i++) sketch.area(80, 160 + 13 * i, 440, 13, SHADE).text(86, 170 + 13 * i, 9, MONO, lines[i]);
        for (double x : new double[] {79.5, 520}) sketch.area(x, 160, 0.5, 39, 0).area(x, 159.5, 0.5, 0.5, 0).area(x, 199, 0.5, 0.5, 0);
        sketch.area(80, 159.5, 440, 0.5, 0).area(80, 199, 440, 0.5, 0).text(72, 230, "Then the boat may leave.");
        Document document = sketch.document();
        for (String line : lines) assertThat(saying(document, line)).as(line).hasSize(1);
        assertThat(pictures(document)).as("what is around them").isLessThan(2);
    }

    /** Bars beside each other leave the ground open between them: they stay a drawing, with what stands on them. */
    @Test void barsOfOneColourStayADrawing() {
        PdfSketch sketch = page();
        for (int i = 0; i < 5; i++) sketch.area(120 + 40 * i, 300 - 20 * i, 37, 40 + 20 * i, SHADOW).text(124 + 40 * i, 355, 8, MONO, "20" + (20 + i));
        Document document = sketch.document();
        assertThat(pictures(document)).isOne();
    }

    /** Names of weights and slants as the common free fonts of older systems shorten them. From memory. */
    @ParameterizedTest
    @CsvSource({"NimbusRomNo9L-Regu, Nimbus Roman No9 L, false, false", "NimbusRomNo9L-Medi, Nimbus Roman No9 L, true, false",
            "NimbusRomNo9L-MediItal, Nimbus Roman No9 L, true, true", "NimbusSanL-ReguItal, Nimbus Sans L, false, true",
            "NimbusMonL-BoldObli, Nimbus Mono L, true, true", "URWGothicL-Demi, URW Gothic L, true, false", "Linden-Medium, Linden, false, false"})
    void shortenedNamesTellFamilyWeightAndSlant(String name, String family, boolean bold, boolean italic) throws IOException {
        COSDictionary font = new COSDictionary();
        font.setItem(COSName.TYPE, COSName.FONT);
        font.setItem(COSName.SUBTYPE, COSName.TYPE1);
        font.setName(COSName.BASE_FONT, "ABCDEF+" + name);
        FaceUse face = FaceNames.of(PDFontFactory.createFont(font));
        assertThat(face.family()).isEqualTo(family);
        assertThat(face.bold()).isEqualTo(bold);
        assertThat(face.italic()).isEqualTo(italic);
    }
}
