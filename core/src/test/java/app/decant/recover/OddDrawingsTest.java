package app.decant.recover;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import app.decant.Decant;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.Walk;
import app.decant.pdf.HandmadePage;
import app.decant.publish.Order;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Locale;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSFloat;
import org.apache.pdfbox.cos.COSInteger;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.pdmodel.graphics.color.PDDeviceRGB;
import org.apache.pdfbox.pdmodel.graphics.shading.PDShading;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Pages that draw as few programs do: their words come in all the same. */
class OddDrawingsTest {
    @TempDir private Path root;

    private Path file(String content) throws IOException {
        Path file = root.resolve("odd.pdf");
        try (PDDocument pdf = new PDDocument()) {
            PDResources resources = new PDResources();
            resources.put(COSName.getPDFName("F1"), new PDType1Font(Standard14Fonts.FontName.HELVETICA));
            resources.put(COSName.getPDFName("F2"), new PDType1Font(Standard14Fonts.FontName.SYMBOL));
            resources.put(COSName.getPDFName("S1"), shading());
            HandmadePage.add(pdf, resources, content);
            pdf.save(file.toFile());
        }
        return file;
    }

    /** From red to blue, across the page (ISO 32000-2, 8.7.4.5.3). */
    private static PDShading shading() throws IOException {
        COSDictionary function = new COSDictionary();
        function.setItem(COSName.FUNCTION_TYPE, COSInteger.TWO);
        function.setItem(COSName.DOMAIN, numbers(0, 1));
        function.setItem(COSName.C0, numbers(1, 0, 0));
        function.setItem(COSName.C1, numbers(0, 0, 1));
        function.setItem(COSName.N, COSInteger.ONE);
        COSDictionary shading = new COSDictionary();
        shading.setItem(COSName.SHADING_TYPE, COSInteger.TWO);
        shading.setItem(COSName.COLORSPACE, PDDeviceRGB.INSTANCE);
        shading.setItem(COSName.COORDS, numbers(60, 0, 90, 0));
        shading.setItem(COSName.FUNCTION, function);
        return PDShading.create(shading);
    }

    private static COSArray numbers(double... numbers) {
        COSArray array = new COSArray();
        for (double one : numbers) array.add(new COSFloat((float) one));
        return array;
    }

    private static String text(Document document) {
        StringBuilder text = new StringBuilder();
        for (Walk.Stop stop : Walk.of(document).stops()) text.append(stop.paragraph().text()).append('\n');
        return text.toString();
    }

    /** The list of glyph names keeps a place of its own for some signs, which no other program knows. */
    @Test void signsThatAListOfNamesKeepsForItselfAreUnicode() throws IOException {
        Path file = file("BT /F1 11 Tf 72 700 Td (All rights of the harbour office ) Tj /F2 11 Tf (\\323) Tj /F1 11 Tf ( 2026) Tj ET");
        Document document = Decant.open(file).document();
        assertThat(text(document)).isEqualTo("All rights of the harbour office \u00A9 2026\n");
        Recipe recipe = Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE).as(Target.DOCX);
        Receipt receipt = Decant.publish(new Order(Decant.layOut(document), recipe), root.resolve("odd.docx"), Progress.SILENT).get(0);
        assertThat(receipt.proofs()).allSatisfy(proof -> assertThat(proof.holds()).as("%s", proof).isTrue());
    }

    /** A sign before an item that is painted from one colour into another is a drawing. */
    @Test void aShadedSquareBeforeALineIsNoBullet() throws IOException {
        Path file = file("q 72 700 6 6 re W n /S1 sh Q BT /F1 11 Tf 86 700 Td (Ask at the pier) Tj ET");
        assertThat(text(Decant.open(file).document())).contains("Ask at the pier").doesNotContain("\u25AA");
    }

    /** Hundreds of outlines within one that is not simple: only how far they reach is asked. */
    @Test void clipsWithinClipsTakeNoMinutes() throws IOException {
        StringBuilder content = new StringBuilder("q ");
        star(content, 300, 420, 280, 3000).append("W n\n");
        for (int i = 0; i < 600; i++) star(content.append("q "), 100 + i % 20 * 20, 200 + i / 20 * 15, 30, 60).append("W n 0.8 g 0 0 600 800 re f Q\n");
        content.append("Q BT /F1 11 Tf 72 800 Td (Ask at the pier) Tj ET");
        Path file = file(content.toString());
        assertTimeoutPreemptively(Duration.ofSeconds(40), () -> assertThat(Decant.open(file).document().toString()).contains("Ask at the pier"));
    }

    private static StringBuilder star(StringBuilder content, double x, double y, double size, int points) {
        for (int i = 0; i < points; i++) {
            double angle = 2 * Math.PI * i / points;
            double away = i % 2 == 0 ? size : size * 0.8;
            content.append(String.format(Locale.ROOT, "%.2f %.2f %s ", x + away * Math.cos(angle), y + away * Math.sin(angle), i == 0 ? "m" : "l"));
        }
        return content.append("h ");
    }

    /** What is cut off by a form's own box, and by what it is in, is not painted. */
    @Test void whatIsCutOffIsNotThere() throws IOException {
        String words = "BT /F1 11 Tf 72 700 Td (Ask at the pier) Tj ET\n";
        Document whole = Decant.open(file(words + "0.2 0.4 0.8 rg 60 600 300 40 re f\n")).document();
        Document cut = Decant.open(file(words + "q 0 0 10 10 re W n q 0.2 0.4 0.8 rg 60 600 300 40 re f Q Q\n")).document();
        Document back = Decant.open(file(words + "q q 0 0 10 10 re W n Q 0.2 0.4 0.8 rg 60 600 300 40 re f Q\n")).document();
        assertThat(cut.toString()).doesNotContain("3366CC").doesNotContain("Picture");
        assertThat(back.sections().get(0).blocks()).hasSameSizeAs(whole.sections().get(0).blocks());
        assertThat(List.of(whole, cut, back)).allSatisfy(one -> assertThat(((Paragraph) one.blocks().get(0)).text()).contains("Ask at the pier"));
    }
}
