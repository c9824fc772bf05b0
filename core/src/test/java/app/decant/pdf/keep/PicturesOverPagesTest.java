package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.Decant;
import app.decant.document.Document;
import app.decant.edit.Typing;
import app.decant.format.Taken;
import app.decant.pdf.HandmadePage;
import app.decant.pdf.keep.CorrectedFile.Made;
import app.decant.publish.Recipe;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.contentstream.PDFStreamEngine;
import org.apache.pdfbox.contentstream.operator.DrawObject;
import org.apache.pdfbox.contentstream.operator.Operator;
import org.apache.pdfbox.contentstream.operator.state.Concatenate;
import org.apache.pdfbox.contentstream.operator.state.Restore;
import org.apache.pdfbox.contentstream.operator.state.Save;
import org.apache.pdfbox.cos.COSBase;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.pdmodel.graphics.image.LosslessFactory;
import org.apache.pdfbox.util.Matrix;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Pictures at the foot of a page that gets too full: they go over to the next with the text around them. Streams written by hand, read by PDFBox. */
class PicturesOverPagesTest {
    private static final String SHOWN = "q 1 0 0 1 0 0 cm 120 0 0 60 72 74 cm /Pier Do Q\n";

    private static final String LONGER = ", be it with the bus or on foot, in the morning or at night, alone or with others, to go over or to see somebody off"
            + " who does, or only to look at the boats, which is allowed to everybody who keeps off the ropes and does not stand in the way of those who have"
            + " work to do there, or of the carts, and who takes his dog on the lead";

    @TempDir private Path root;

    private Path file(String picture) throws IOException {
        StringBuilder first = new StringBuilder();
        for (int i = 0; i < 44; i++) first.append(line(770 - 14 * i, i % 4 == 0 ? "Rule " + (i / 4 + 1) + ". Whoever comes to the pier waits there until"
                + " the boat has been made fast, and lets" : "those who come from the island go first, with all they carry, whatever the hour is"));
        StringBuilder second = new StringBuilder(line(770, "The pier, as it was before the storm."));
        for (int i = 1; i < 30; i++) second.append(line(760 - 14 * i, "Rule 9" + i + ". In winter the pier is closed, and no ferry calls there."));
        Path file = root.resolve("source.pdf");
        try (PDDocument pdf = new PDDocument()) {
            BufferedImage image = new BufferedImage(60, 30, BufferedImage.TYPE_INT_RGB);
            Graphics2D graphics = image.createGraphics();
            graphics.setColor(new Color(0x205080));
            graphics.fillRect(0, 0, 60, 30);
            graphics.dispose();
            PDResources resources = new PDResources();
            resources.put(COSName.getPDFName("F1"), new PDType1Font(Standard14Fonts.FontName.HELVETICA));
            resources.put(COSName.getPDFName("Pier"), LosslessFactory.createFromImage(pdf, image));
            PDResources others = new PDResources();
            others.put(COSName.getPDFName("F1"), new PDType1Font(Standard14Fonts.FontName.HELVETICA));
            HandmadePage.add(pdf, resources, first + picture);
            HandmadePage.add(pdf, others, second.toString());
            pdf.save(file.toFile());
        }
        return file;
    }

    private static String line(int y, String words) { return "BT /F1 11 Tf 72 " + y + " Td (" + words + ") Tj ET\n"; }

    /** Where the pictures of a page stand, as the matrices say in which they are shown. */
    private static List<Matrix> pictures(Path file, int page) throws IOException {
        List<Matrix> shown = new ArrayList<>();
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            PDFStreamEngine engine = new PDFStreamEngine() {
                @Override protected void processOperator(Operator operator, List<COSBase> operands) throws IOException {
                    if (operator.getName().equals("Do")) shown.add(getGraphicsState().getCurrentTransformationMatrix());
                    super.processOperator(operator, operands);
                }
            };
            engine.addOperator(new Save(engine));
            engine.addOperator(new Restore(engine));
            engine.addOperator(new Concatenate(engine));
            engine.addOperator(new DrawObject(engine));
            engine.processPage(pdf.getPage(page));
        }
        return shown;
    }

    /** Cut by a rectangle of its size it goes, too; within another shape, or paler than it is, it stays, and its page is set anew. */
    @ParameterizedTest
    @CsvSource({"'', '', true", "q 72 74 120 60 re W n, Q, true", "q 72 74 m 192 74 l 132 134 l h W n, Q, false"})
    void aPictureGoesOverWithTheTextBelow(String before, String after, boolean goes) throws IOException {
        Path source = file(before + " " + SHOWN + after + "\n");
        Taken taken = Decant.open(source);
        String rule = "Rule 2. Whoever comes to the pier";
        Document now = Typing.type(taken.document(), CorrectedFile.find(taken.document(), rule), rule + LONGER, null).after();

        Made made = new CorrectedFile(root).made(source, taken, now, Recipe.PLAIN);

        Path result = made.receipt().file();
        assertThat(CorrectedFile.text(result).replaceAll("\\s+", " ")).containsOnlyOnce("takes his dog on the lead").containsOnlyOnce("as it was before");
        if (!goes) {
            assertThat(made.pages().rewritten(0)).isNull();
            return;
        }
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        assertThat(pictures(result, 0)).isEmpty();
        assertThat(pictures(result, 1)).hasSize(1);
        Matrix place = pictures(result, 1).get(0);
        assertThat(place.getScalingFactorX()).isCloseTo(120, within(0.01f));
        assertThat(place.getScalingFactorY()).isCloseTo(60, within(0.01f));
        assertThat(place.getTranslateX()).isCloseTo(72, within(0.01f));
        // Lines above it go along, so that no line is left alone; it stands as far below them as it did, and all else of the page as much lower.
        double bottom = PDRectangle.A4.getHeight() - place.getTranslateY();
        double above = CorrectedFile.letters(result, 1).stream().filter(one -> one.contains(" 72.0 ")).mapToDouble(one -> Double.parseDouble(one.split(" ")[2]))
                .filter(one -> one < bottom - 60).max().orElseThrow();
        assertThat(bottom - above).isCloseTo(770 - 14 * 43 - 74, within(0.2));
        List<String> was = CorrectedFile.letters(source, 1);
        List<String> is = CorrectedFile.letters(result, 1);
        double down = GrownRowTest.y(is, "T", 72) - GrownRowTest.y(was, "T", 72);
        assertThat(down).isBetween(56 + 60.0, 56 + 80.0);
        BufferedImage page = GrownRowTest.paint(made.receipt().file());
        assertThat(page.getRGB(2 * 130, 2 * (842 - 100)) & 0xFFFFFF).as("where it was").isNotEqualTo(0x205080);
    }
}
