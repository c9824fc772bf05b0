package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.Revision;
import app.decant.document.Document;
import app.decant.edit.Typing;
import app.decant.format.Taken;
import app.decant.page.Original;
import app.decant.pdf.keep.CorrectedFile.Made;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.graphics.color.PDColor;
import org.apache.pdfbox.pdmodel.graphics.color.PDDeviceRGB;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotation;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationHighlight;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationInk;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationMarkup;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationPopup;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationSquare;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationStrikeout;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationText;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationTextMarkup;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Notes of reviewers (ISO 32000-2, 12.5.6) stay with the words they are about where text above or among these gets longer. Painted and read by PDFBox. */
class ReviewersNotesTest {
    private static final String WORDS = "BT /F1 11 Tf 72 700 Td 14 TL (Ask at the pier for the winter timetable of all the ships, or ask the) Tj T* (captain of"
            + " yours.) Tj ET\n";
    private static final String LONGER = "Whenever you come, and wherever you are going to, ask";
    private static final int YELLOW = 0xFFFF00;
    private static final int RED = 0xFF0000;

    @TempDir private Path root;
    private Path source;

    @BeforeEach void review() throws IOException {
        Path plain = new CorrectedFile(root).file(WORDS);
        source = root.resolve("reviewed.pdf");
        try (PDDocument pdf = Loader.loadPDF(plain.toFile())) {
            List<PDAnnotation> notes = new ArrayList<>();
            notes.add(markup(new PDAnnotationHighlight(), plain, "ships", YELLOW));
            notes.add(markup(new PDAnnotationStrikeout(), plain, "noon", RED));
            PDAnnotationText sticky = note(new PDAnnotationText(), 480, 612, 18, 18, "Which office?");
            PDAnnotationPopup window = new PDAnnotationPopup();
            window.setRectangle(new PDRectangle(300, 500, 180, 200));
            window.getCOSObject().setItem(COSName.PARENT, sticky);
            sticky.setPopup(window);
            notes.add(sticky);
            notes.add(window);
            PDAnnotationInk ink = note(new PDAnnotationInk(), 70, 605, 100, 20, "Is that so?");
            ink.setInkList(new float[][] {{72, 608, 160, 620}, {72, 620, 160, 608}});
            notes.add(ink);
            notes.add(note(new PDAnnotationSquare(), 60, 600, 440, 120, "All of this is new"));
            for (PDAnnotation each : notes) {
                each.setPage(pdf.getPage(0));
                each.constructAppearances(pdf);
            }
            pdf.getPage(0).setAnnotations(notes);
            pdf.save(source.toFile());
        }
    }

    private static <T extends PDAnnotationMarkup> T note(T note, float x, float y, float width, float height, String says) {
        note.setRectangle(new PDRectangle(x, y, width, height));
        note.setContents(says);
        note.setColor(new PDColor(new float[] {0, 0, 1}, PDDeviceRGB.INSTANCE));
        return note;
    }

    private static PDAnnotationTextMarkup markup(PDAnnotationTextMarkup markup, Path file, String words, int rgb) throws IOException {
        List<TextPosition> letters = DressedWordsTest.letters(file, words);
        TextPosition last = letters.get(letters.size() - 1);
        float left = letters.get(0).getXDirAdj();
        float right = last.getXDirAdj() + last.getWidthDirAdj();
        float baseline = PDRectangle.A4.getHeight() - letters.get(0).getYDirAdj();
        markup.setQuadPoints(new float[] {left, baseline + 9, right, baseline + 9, left, baseline - 2, right, baseline - 2});
        note(markup, left - 1, baseline - 3, right - left + 2, 13, "About " + words);
        markup.setColor(new PDColor(new float[] {(rgb >> 16) / 255f, (rgb >> 8 & 255) / 255f, (rgb & 255) / 255f}, PDDeviceRGB.INSTANCE));
        return markup;
    }

    private record Noted(PDRectangle area, float[] corners, PDAnnotation note) { }

    private static Map<String, Noted> notes(PDDocument pdf) throws IOException {
        Map<String, Noted> notes = new HashMap<>();
        for (PDAnnotation one : pdf.getPage(0).getAnnotations()) {
            float[] corners = one instanceof PDAnnotationTextMarkup markup ? markup.getQuadPoints() : null;
            notes.put(String.valueOf(one.getContents()), new Noted(one.getRectangle(), corners, one));
        }
        return notes;
    }

    private static double place(Path file, String words) throws IOException { return DressedWordsTest.letters(file, words).get(0).getYDirAdj(); }

    private Path corrected(String word, String other) {
        Made made = new CorrectedFile(root).correct(source, word, other);
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        assertThat(made.receipt().proofs()).allSatisfy(proof -> assertThat(proof.holds()).as("%s", proof).isTrue());
        return made.receipt().file();
    }

    @Test void whatIsMarkedStaysMarkedOnAnotherLineToo() throws IOException {
        assertThat(DressedWordsTest.drawn(source, "ships", 8.5, YELLOW)).as("the test's own file").isGreaterThan(0.8);
        Path file = corrected("Ask", LONGER);
        assertThat(place(file, "ships")).isGreaterThan(place(source, "ships") + 10);
        assertThat(DressedWordsTest.drawn(file, "ships", 8.5, YELLOW)).as("painted where its words went").isGreaterThan(0.8);
        assertThat(DressedWordsTest.drawn(file, "going to", 8.5, YELLOW)).isLessThan(0.05);
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            TextPosition first = DressedWordsTest.letters(file, "ships").get(0);
            assertThat((double) notes(pdf).get("About ships").corners[0]).isCloseTo(first.getXDirAdj(), within(0.5));
            assertThat((double) notes(pdf).get("About ships").corners[1]).isCloseTo(PDRectangle.A4.getHeight() - first.getYDirAdj() + 9, within(0.1));
        }
    }

    @Test void notesGoDownWithTheLinesTheyStandAt() throws IOException {
        Path file = corrected("Ask", LONGER);
        float down = (float) (place(file, "noon") - place(source, "noon"));
        assertThat(down).isGreaterThan(10);
        try (PDDocument before = Loader.loadPDF(source.toFile()); PDDocument after = Loader.loadPDF(file.toFile())) {
            Map<String, Noted> was = notes(before);
            Map<String, Noted> is = notes(after);
            assertThat(is.keySet()).isEqualTo(was.keySet());
            for (String moved : List.of("About noon", "Which office?", "Is that so?"))
                assertThat(is.get(moved).area.getLowerLeftY()).as(moved).isCloseTo(was.get(moved).area.getLowerLeftY() - down, within(0.05f));
            assertThat(is.get("About noon").corners[1]).isCloseTo(was.get("About noon").corners[1] - down, within(0.05f));
            assertThat(((PDAnnotationInk) is.get("Is that so?").note).getInkList()[1][3]).isCloseTo(608 - down, within(0.05f));
            assertThat(is.get("All of this is new").area.getLowerLeftY()).as("it is about more than what moved")
                    .isEqualTo(was.get("All of this is new").area.getLowerLeftY());
        }
        assertThat(DressedWordsTest.drawn(file, "noon", 3.3, RED)).isGreaterThan(0.6);
    }

    /** What is shown while somebody types is what is published. */
    @Test void theyAreShownWhereTheyAreToBe() throws IOException {
        Taken taken = Decant.open(source);
        Document now = Typing.type(taken.document(), CorrectedFile.find(taken.document(), "Ask"), LONGER, null).after();
        Original original = Intake.original(source, null);
        BufferedImage shown;
        try (Revision revision = new Revision(original, taken); GroundPainter painter = new GroundPainter(original)) {
            shown = painter.image(revision.shown(Decant.layOut(now)).page(0), DressedWordsTest.SCALE);
        }
        BufferedImage made = DressedWordsTest.painted(corrected("Ask", LONGER));
        int other = 0;
        for (int y = 0; y < made.getHeight(); y++)
            for (int x = 0; x < made.getWidth(); x++) if (made.getRGB(x, y) != shown.getRGB(x, y)) other++;
        assertThat(other).isZero();
    }

    /** A note goes with its words; one that is said of words goes on being said of those in their place. */
    @Test void noNoteIsLostInSilence() throws IOException {
        try (PDDocument pdf = Loader.loadPDF(corrected("noon", "midnight").toFile())) {
            assertThat(notes(pdf)).containsKeys("About noon", "About ships", "All of this is new");
        }
        Made made = new CorrectedFile(root).correct(source, ", on Sundays as well", "");
        assertThat(made.findings()).noneMatch(finding -> finding.contains("note"));
        made = new CorrectedFile(root).correct(source, "at noon, ", "");
        try (PDDocument pdf = Loader.loadPDF(made.receipt().file().toFile())) {
            assertThat(notes(pdf)).doesNotContainKey("About noon").containsKey("About ships");
        }
        assertThat(made.findings()).anyMatch(finding -> finding.startsWith("A note of the original is not in this copy"));
    }
}
