package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Place;
import app.decant.font.FontCatalogue;
import app.decant.pdf.Overlay;
import app.decant.pdf.keep.CorrectedFile.Made;
import app.decant.pdf.check.PdfCheck;
import app.decant.publish.Laid;
import app.decant.publish.Recipe;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.util.Matrix;
import org.assertj.core.api.InstanceOfAssertFactories;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Words corrected in streams that are written by hand, each in another of the ways in which the standard lets text be shown (ISO 32000-2, 9.4). Read back
 * by PDFBox: the new word stands there, and every letter that stays is where it was, to a hundredth of a point.
 */
class CorrectedLineTest {
    @TempDir private Path root;

    private Path file(String... contents) throws IOException { return new CorrectedFile(root).file(contents); }

    private Made correct(Path file, String word, String other) { return new CorrectedFile(root).correct(file, word, other); }

    /** The word is there, and all letters on other lines are where they were. */
    private void holds(String content, String word, String other) throws IOException {
        Path file = file(content);
        Made made = correct(file, word, other);
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        assertThat(made.receipt().proofs()).extracting(PdfCheck.Proof::sentence)
                .contains("One page was changed in one place, and looks the same everywhere else");
        assertThat(CorrectedFile.text(made.receipt().file())).as(CorrectedFile.stream(made.receipt().file(), 0)).isEqualTo(CorrectedFile.text(file)
                .replaceFirst(word, other));
        List<String> was = CorrectedFile.letters(file, 0);
        List<String> is = CorrectedFile.letters(made.receipt().file(), 0);
        double line = Double.parseDouble(was.get(0).substring(was.get(0).lastIndexOf(' ') + 1));
        assertThat(is.stream().filter(letter -> !letter.endsWith(" " + line))).isEqualTo(was.stream().filter(letter -> !letter.endsWith(" " + line)).toList());
    }

    @Test void shownAtOnce() throws IOException { holds("BT /F1 12 Tf 72 760 Td (Office hours of the harbour) Tj ET\n", "hours", "times"); }

    @Test void shownWithKerning() throws IOException {
        holds("BT /F1 12 Tf 72 760 Td [(Of) 20 (fice) -278 (ho) 15 (urs) -278 (of the harbour)] TJ ET\n", "hours", "opening hours");
    }

    @Test void shownByOperatorsThatBeginLines() throws IOException {
        holds("BT /F1 12 Tf 14 TL 72 774 Td (Office hours) ' 0.5 0.1 (of the harbour master) \" (and his crew) ' ET\n", "hours", "times");
        holds("BT /F1 12 Tf 14 TL 72 788 Td 0.5 0.1 (Office hours) \" (of the harbour master) ' (and his crew) ' ET\n", "hours", "opening times");
    }

    @Test void shownSpacedAndStretched() throws IOException {
        holds("BT /F1 12 Tf 0.4 Tc 2 Tw 90 Tz 3 Ts 72 760 Td (Office hours of the harbour) Tj ET BT 0 Tc 0 Tw 100 Tz 0 Ts ET\n", "hours", "times");
    }

    @Test void shownInPiecesAndFonts() throws IOException {
        holds("BT /F1 12 Tf 72 760 Td (Office ho) Tj (urs) Tj /F2 12 Tf ( of the ) Tj /F1 12 Tf (harbour) Tj ET\n", "hours", "times of opening");
        holds("BT /F2 12 Tf 72 760 Td (Off) Tj 18.5 0 Td (ice hours) Tj ET\n", "hours", "times");
    }

    @Test void shownTurnedWithItsPageAndScaled() throws IOException {
        holds("q 0.5 0 0 0.5 0 0 cm BT /F1 24 Tf 1.2 0 0 1.2 144 1520 Tm (Office hours) Tj ET Q\n", "hours", "times");
    }

    @Test void otherBytesOfTheStreamStay() throws IOException {
        String content = "% a remark\n0.25 0.5  0.75 rg\n10 10 20.50 20 re f\nBT /F1 12 Tf 72 760 Td (Office hours) Tj ET\n";
        Path file = file(content);
        Made made = correct(file, "hours", "times");
        String is = CorrectedFile.stream(made.receipt().file(), 0);
        assertThat(is).startsWith("% a remark\n0.25 0.5  0.75 rg\n10 10 20.50 20 re f\nBT /F1 12 Tf 72 760 Td").endsWith(" ET\n" + CorrectedFile.PARAGRAPH);
    }

    @Test void whatCantBeDoneSafelyIsSetAnewAndTold() throws IOException {
        String clipped = "q BT /F1 30 Tf 7 Tr 72 760 Td (Harbour hours) Tj ET 0 0 595 842 re f Q BT 0 Tr ET\n";
        String spoken = "/Span <</ActualText (Office hours)>> BDC BT /F1 12 Tf 72 760 Td (Office hours) Tj ET EMC\n";
        String doubled = "BT /F1 12 Tf 72 760 Td (Office hours) Tj 0.3 0 Td (Office hours) Tj ET\n";
        for (String content : List.of(spoken, doubled)) {
            Made made = correct(file(content), "hours", "times");
            assertThat(made.pages().rewritten(0)).as(content).isNull();
            assertThat(made.findings()).as(content).anyMatch(finding -> finding.contains("set anew"));
            assertThat(CorrectedFile.text(made.receipt().file())).contains("times");
        }
        Made made = correct(file(clipped), "Sundays", "Mondays");
        assertThat(made.pages().rewritten(0)).as("Text that clips stays, that beside it can be changed").isNotNull();
    }

    @Test void theReceiptClaimsNothingThatWasNotLookedAt() throws IOException {
        Recipe stamped = Recipe.PLAIN.with(List.of(Laid.stamp("Copy", Overlay.Place.TOP)));
        Made made = new CorrectedFile(root).correct(file("BT /F1 12 Tf 72 760 Td (Office hours) Tj ET\n"), "hours", "times", stamped);
        assertThat(made.receipt().proofs()).extracting(PdfCheck.Proof::sentence).noneMatch(proof -> proof.contains("look"))
                .contains("One page was changed in one place, with the stream that was proven before");
        assertThat(CorrectedFile.text(made.receipt().file())).contains("Copy").contains("Office times");
    }

    @Test void aFormThatTwoPagesShareIsChangedOnOne() throws IOException {
        Path file = root.resolve("shared.pdf");
        try (PDDocument pdf = new PDDocument()) {
            PDFormXObject form = new PDFormXObject(pdf);
            form.setBBox(new PDRectangle(595, 842));
            PDResources resources = new PDResources();
            resources.put(COSName.getPDFName("F1"), new PDType1Font(Standard14Fonts.FontName.HELVETICA));
            form.setResources(resources);
            try (OutputStream out = form.getStream().createOutputStream()) {
                out.write(("BT /F1 12 Tf 72 700 Td (Office hours of the harbour) Tj ET\n" + CorrectedFile.PARAGRAPH).getBytes(StandardCharsets.ISO_8859_1));
            }
            for (int i = 0; i < 2; i++) {
                PDPage page = new PDPage(PDRectangle.A4);
                pdf.addPage(page);
                try (PDPageContentStream out = new PDPageContentStream(pdf, page)) {
                    // Smaller on the second, or the two would be taken for running heads.
                    if (i > 0) out.transform(Matrix.getScaleInstance(0.8f, 0.8f));
                    out.drawForm(form);
                }
            }
            pdf.save(file.toFile());
        }
        Made made = correct(file, "hours", "times");
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        assertThat(made.pages().rewritten(1)).isNull();
        assertThat(CorrectedFile.text(made.receipt().file())).isEqualTo(CorrectedFile.text(file).replaceFirst("hours", "times"));
        assertThat(CorrectedFile.letters(made.receipt().file(), 1)).isEqualTo(CorrectedFile.letters(file, 1));
    }

    @Test void aLetterThatTheFontLacksComesFromAFaceLikeIt() throws IOException {
        Path file = root.resolve("subset.pdf");
        try (PDDocument pdf = new PDDocument(); InputStream in = FontCatalogue.class.getResourceAsStream("LiberationSerif-Regular.ttf")) {
            PDFont font = PDType0Font.load(pdf, new ByteArrayInputStream(in.readAllBytes()), true);
            PDPage page = new PDPage(PDRectangle.A4);
            pdf.addPage(page);
            try (PDPageContentStream out = new PDPageContentStream(pdf, page)) {
                out.beginText();
                out.setFont(font, 12);
                out.newLineAtOffset(72, 760);
                out.showText("Tides are told to sailors at the inner door");
                out.endText();
            }
            pdf.save(file.toFile());
        }
        Made made = correct(file, "door", "quay");
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        assertThat(made.findings()).anyMatch(finding -> finding.startsWith("The font inside the file has no “q”; “quay” is set in Liberation Serif"));
        assertThat(CorrectedFile.text(made.receipt().file())).contains("inner quay");
        try (PDDocument pdf = Loader.loadPDF(made.receipt().file().toFile())) {
            COSDictionary fonts = pdf.getPage(0).getResources().getCOSObject().getCOSDictionary(COSName.FONT);
            assertThat(fonts.size()).isEqualTo(2);
        }
        // Each way it was tried tells of it again; it is told once, as it came out.
        Made many = correct(file, "door", "quay, quickly and fully equipped, for people who go by the ferries of the islands");
        assertThat(many.findings()).filteredOn(finding -> finding.contains("inside the file has no")).hasSize(1).first(InstanceOfAssertFactories.STRING)
                .startsWith("The font inside the file has no \u201Cq\u201D, \u201Cf\u201D,").endsWith("and 8 more words are set in Liberation Serif.");
        Made own = correct(file, "door", "oars");
        assertThat(own.findings()).as("Letters that are there are taken from the file's own font").isEmpty();
    }

    /** What stands at a tab stays there: the page numbers of a list of contents, whose leaders give way, and prices beside what they are for. */
    @Test void whatStandsAtATabStaysThere() throws IOException {
        StringBuilder lines = new StringBuilder();
        List<String> entries = List.of("Arriving", "Boarding the ship", "Leaving it again");
        for (int i = 0; i < entries.size(); i++) {
            int y = 780 - 16 * i;
            lines.append("BT /F1 11 Tf 72 ").append(y).append(" Td (").append(entries.get(i)).append(" ").append(".".repeat(90 - entries.get(i).length()))
                    .append(") Tj ET BT /F1 11 Tf 500 ").append(y).append(" Td (").append(i + 3).append(") Tj ET\n");
        }
        lines.append("BT /F1 11 Tf 72 700 Td (Return ticket) Tj ET BT /F1 11 Tf 300 700 Td (12.50) Tj ET\n");
        lines.append("BT /F1 11 Tf 72 684 Td (Single ticket) Tj ET BT /F1 11 Tf 300 684 Td (7.20) Tj ET\n");
        Path source = new CorrectedFile(root).file(lines.toString());
        for (String[] change : new String[][] {{"Boarding", "Finding the pier and boarding", "4"}, {"Single", "Single and children's", "7.20"}}) {
            Made made = new CorrectedFile(root).correct(source, change[0], change[1]);
            assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
            List<String> was = CorrectedFile.letters(source, 0);
            List<String> is = CorrectedFile.letters(made.receipt().file(), 0);
            String line = change[0].equals("Single") ? " 157.9" : " 77.9";
            List<String> after = was.stream().filter(letter -> letter.endsWith(line))
                    .filter(letter -> Double.parseDouble(letter.split(" ")[letter.split(" ").length - 2]) > 299).toList();
            assertThat(after).as(change[2]).isNotEmpty().allSatisfy(letter -> assertThat(is).contains(letter));
            assertThat(CorrectedFile.text(made.receipt().file()).replaceAll("\\s+", " ")).contains(change[1]);
            List<double[]> row = is.stream().filter(letter -> letter.endsWith(line) && !letter.startsWith(" "))
                    .map(letter -> new double[] {Double.parseDouble(letter.split(" ")[1])}).sorted((a, b) -> Double.compare(a[0], b[0])).toList();
            for (int i = 1; i < row.size(); i++) assertThat(row.get(i)[0] - row.get(i - 1)[0]).as("letters on one another").isGreaterThan(2);
        }
    }
}
