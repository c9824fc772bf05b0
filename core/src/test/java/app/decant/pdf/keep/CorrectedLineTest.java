package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Walk;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.font.FontCatalogue;
import app.decant.format.Taken;
import app.decant.page.Pages;
import app.decant.pdf.Overlay;
import app.decant.pdf.check.PdfCheck;
import app.decant.publish.Laid;
import app.decant.publish.Order;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.cos.COSStream;
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
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.apache.pdfbox.util.Matrix;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/**
 * Words corrected in streams that are written by hand, each in another of the ways in which the standard lets text be shown (ISO 32000-2, 9.4). Read back
 * by PDFBox: the new word stands there, and every letter that stays is where it was, to a hundredth of a point.
 */
class CorrectedLineTest {
    private static final String PARAGRAPH = "BT /F1 11 Tf 72 640 Td 14 TL (The harbour office opens at eight in the morning and) Tj T* (closes at noon, on"
            + " Sundays as well, as long as the) Tj T* (ferry sails at all.) Tj ET\n";

    @TempDir private Path root;

    private Path file(String... contents) throws IOException {
        Path file = root.resolve("source.pdf");
        try (PDDocument pdf = new PDDocument()) {
            PDType1Font font = new PDType1Font(Standard14Fonts.FontName.HELVETICA);
            PDType1Font bold = new PDType1Font(Standard14Fonts.FontName.HELVETICA_BOLD);
            for (String content : contents) {
                PDPage page = new PDPage(PDRectangle.A4);
                PDResources resources = new PDResources();
                resources.put(COSName.getPDFName("F1"), font);
                resources.put(COSName.getPDFName("F2"), bold);
                page.setResources(resources);
                COSStream stream = pdf.getDocument().createCOSStream();
                try (OutputStream out = stream.createOutputStream()) {
                    out.write((content + PARAGRAPH).getBytes(StandardCharsets.ISO_8859_1));
                }
                page.getCOSObject().setItem(COSName.CONTENTS, stream);
                pdf.addPage(page);
            }
            pdf.save(file.toFile());
        }
        return file;
    }

    private record Made(Pages pages, Receipt receipt, List<String> findings) { }

    /** Takes a file in, puts a word in place of another, publishes it. */
    private Made correct(Path file, String word, String other) { return correct(file, word, other, Recipe.PLAIN); }

    private Made correct(Path file, String word, String other, Recipe wished) {
        Taken taken = Decant.open(file);
        Document now = null;
        for (Walk.Stop stop : Walk.of(taken.document()).stops()) {
            int at = stop.paragraph().text().indexOf(word);
            if (at < 0 || now != null) continue;
            TextSelection picked = new TextSelection(new Place(stop.path(), at), new Place(stop.path(), at + word.length()));
            now = Typing.type(taken.document(), picked, other, null).after();
        }
        assertThat(now).as("“%s” came in", word).isNotNull();
        Intake intake = Intake.revised(file, null, taken, Decant.layOut(now), Intake.fingerprint(file));
        Recipe recipe = wished.with(Recipe.WhenPresent.REPLACE);
        Pages pages = intake.pages(recipe, Progress.SILENT);
        Receipt receipt = Decant.publish(new Order(pages, recipe), root.resolve("result.pdf"), Progress.SILENT).get(0);
        List<String> findings = new ArrayList<>(intake.findings().stream().map(Finding::what).toList());
        findings.addAll(receipt.findings().stream().map(Finding::what).toList());
        return new Made(pages, receipt, findings);
    }

    /** Every letter of a page with its place. */
    private static List<String> letters(Path file, int page) throws IOException {
        List<String> letters = new ArrayList<>();
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            PDFTextStripper stripper = new PDFTextStripper() {
                @Override protected void processTextPosition(TextPosition text) {
                    letters.add(String.format(Locale.ROOT, "%s %.1f %.1f", text.getUnicode(), text.getXDirAdj() + 0.001, text.getYDirAdj() + 0.001));
                }
            };
            stripper.setStartPage(page + 1);
            stripper.setEndPage(page + 1);
            stripper.getText(pdf);
        }
        return letters;
    }

    private static String text(Path file) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            return new PDFTextStripper().getText(pdf);
        }
    }

    private static String stream(Path file, int page) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(file.toFile()); InputStream in = pdf.getPage(page).getContents()) {
            return new String(in.readAllBytes(), StandardCharsets.ISO_8859_1);
        }
    }

    /** The word is there, and all letters on other lines are where they were. */
    private void holds(String content, String word, String other) throws IOException {
        Path file = file(content);
        Made made = correct(file, word, other);
        assertThat(made.pages.rewritten(0)).as("%s", made.findings).isNotNull();
        assertThat(made.receipt.proofs()).extracting(PdfCheck.Proof::sentence).contains("One page was changed in one place, and looks the same everywhere else");
        assertThat(text(made.receipt.file())).as(stream(made.receipt.file(), 0)).isEqualTo(text(file).replaceFirst(word, other));
        List<String> was = letters(file, 0);
        List<String> is = letters(made.receipt.file(), 0);
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
        String is = stream(made.receipt.file(), 0);
        assertThat(is).startsWith("% a remark\n0.25 0.5  0.75 rg\n10 10 20.50 20 re f\nBT /F1 12 Tf 72 760 Td").endsWith(" ET\n" + PARAGRAPH);
    }

    @Test void whatCantBeDoneSafelyIsSetAnewAndTold() throws IOException {
        String clipped = "q BT /F1 30 Tf 7 Tr 72 760 Td (Harbour hours) Tj ET 0 0 595 842 re f Q BT 0 Tr ET\n";
        String spoken = "/Span <</ActualText (Office hours)>> BDC BT /F1 12 Tf 72 760 Td (Office hours) Tj ET EMC\n";
        String doubled = "BT /F1 12 Tf 72 760 Td (Office hours) Tj 0.3 0 Td (Office hours) Tj ET\n";
        for (String content : List.of(spoken, doubled)) {
            Made made = correct(file(content), "hours", "times");
            assertThat(made.pages.rewritten(0)).as(content).isNull();
            assertThat(made.findings).as(content).anyMatch(finding -> finding.contains("set anew"));
            assertThat(text(made.receipt.file())).contains("times");
        }
        Made made = correct(file(clipped), "Sundays", "Mondays");
        assertThat(made.pages.rewritten(0)).as("Text that clips stays, that beside it can be changed").isNotNull();
    }

    @Test void aLineThatHasNoRoomIsSetAnew() throws IOException {
        Made made = correct(file(""), "harbour", "harbour master's and customs and immigration");
        assertThat(made.pages.rewritten(0)).isNull();
        assertThat(made.findings).anyMatch(finding -> finding.contains("no room"));
        assertThat(text(made.receipt.file()).replaceAll("\\s+", " ")).contains("customs and immigration office opens");
    }

    @Test void theReceiptClaimsNothingThatWasNotLookedAt() throws IOException {
        Recipe stamped = Recipe.PLAIN.with(List.of(Laid.stamp("Copy", Overlay.Place.TOP)));
        Made made = correct(file("BT /F1 12 Tf 72 760 Td (Office hours) Tj ET\n"), "hours", "times", stamped);
        assertThat(made.receipt.proofs()).extracting(PdfCheck.Proof::sentence).noneMatch(proof -> proof.contains("look"))
                .contains("One page was changed in one place, with the stream that was proven before");
        assertThat(text(made.receipt.file())).contains("Copy").contains("Office times");
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
                out.write(("BT /F1 12 Tf 72 700 Td (Office hours of the harbour) Tj ET\n" + PARAGRAPH).getBytes(StandardCharsets.ISO_8859_1));
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
        assertThat(made.pages.rewritten(0)).as("%s", made.findings).isNotNull();
        assertThat(made.pages.rewritten(1)).isNull();
        assertThat(text(made.receipt.file())).isEqualTo(text(file).replaceFirst("hours", "times"));
        assertThat(letters(made.receipt.file(), 1)).isEqualTo(letters(file, 1));
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
        assertThat(made.pages.rewritten(0)).as("%s", made.findings).isNotNull();
        assertThat(made.findings).anyMatch(finding -> finding.startsWith("The font inside the file has no “q”; “quay” is set in Liberation Serif"));
        assertThat(text(made.receipt.file())).contains("inner quay");
        try (PDDocument pdf = Loader.loadPDF(made.receipt.file().toFile())) {
            COSDictionary fonts = pdf.getPage(0).getResources().getCOSObject().getCOSDictionary(COSName.FONT);
            assertThat(fonts.size()).isEqualTo(2);
        }
        Made own = correct(file, "door", "oars");
        assertThat(own.findings).as("Letters that are there are taken from the file's own font").isEmpty();
    }
}
