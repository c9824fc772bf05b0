package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.Revision;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Walk;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.format.Taken;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.check.PdfCheck;
import app.decant.publish.FactsRule;
import app.decant.publish.Order;
import app.decant.publish.PageRange;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.Arrays;
import java.util.Calendar;
import java.util.GregorianCalendar;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdfwriter.compress.CompressParameters;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.pdmodel.interactive.digitalsignature.PDSignature;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** A signed PDF: what is new stands behind what was signed (ISO 32000-2, 7.5.6 and 12.8), so that the signature goes on covering it. Read by PDFBox. */
class SignedPagesTest {
    @TempDir private Path root;
    private Path source;
    private byte[] original;

    @BeforeEach void file() throws IOException { sign(false); }

    /** Signed by a digest in place of what a certificate would make of it: what a signature covers does not depend on that. */
    private void sign(boolean packed) throws IOException {
        ByteArrayOutputStream plain = new ByteArrayOutputStream();
        try (PDDocument pdf = new PDDocument()) {
            for (String text : List.of("The tents are lent for two weeks.", "The boats are lent for one day.")) {
                PDPage page = new PDPage();
                pdf.addPage(page);
                try (PDPageContentStream content = new PDPageContentStream(pdf, page)) {
                    content.beginText();
                    content.setFont(new PDType1Font(Standard14Fonts.FontName.TIMES_ROMAN), 14);
                    content.newLineAtOffset(72, 700);
                    content.showText(text);
                    content.endText();
                }
            }
            pdf.save(plain, packed ? CompressParameters.DEFAULT_COMPRESSION : CompressParameters.NO_COMPRESSION);
        }
        ByteArrayOutputStream signed = new ByteArrayOutputStream();
        try (PDDocument pdf = Loader.loadPDF(plain.toByteArray())) {
            PDSignature signature = new PDSignature();
            signature.setFilter(PDSignature.FILTER_ADOBE_PPKLITE);
            signature.setSubFilter(PDSignature.SUBFILTER_ADBE_PKCS7_DETACHED);
            signature.setName("Mara Olden");
            Calendar when = new GregorianCalendar(2026, Calendar.MARCH, 2);
            signature.setSignDate(when);
            pdf.addSignature(signature, content -> digest(content.readAllBytes()));
            pdf.saveIncremental(signed);
        }
        original = signed.toByteArray();
        source = root.resolve("lending.pdf");
        Files.write(source, original);
    }

    private static byte[] digest(byte[] content) {
        try {
            return MessageDigest.getInstance("SHA-256").digest(content);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    private static boolean holds(byte[] file) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(file)) {
            PDSignature signature = pdf.getLastSignatureDictionary();
            byte[] covered = digest(signature.getSignedContent(file));
            return Arrays.equals(covered, Arrays.copyOf(signature.getContents(file), covered.length));
        }
    }

    private Receipt publish(Intake intake, Recipe recipe) {
        Receipt receipt = Decant.publish(new Order(intake.pages(recipe, Progress.SILENT), recipe, Recipe.Passwords.NONE, source), root.resolve("result.pdf"),
                Progress.SILENT).get(0);
        assertThat(receipt.proofs()).allSatisfy(proof -> assertThat(proof.holds()).as(proof.sentence()).isTrue());
        return receipt;
    }

    private static List<String> told(Receipt receipt) { return receipt.findings().stream().map(Finding::what).toList(); }

    @ParameterizedTest @ValueSource(booleans = {false, true})
    void anotherTitleStandsBehindWhatWasSigned(boolean packed) throws IOException {
        sign(packed);
        assertThat(holds(original)).isTrue();
        Receipt receipt = publish(new Intake(source, null), Recipe.PLAIN.with(new FactsRule(false, "Lending", null, null, null, null)));
        byte[] made = Files.readAllBytes(receipt.file());
        assertThat(Arrays.mismatch(made, original)).isEqualTo(original.length);
        assertThat(holds(made)).isTrue();
        assertThat(told(receipt)).anyMatch(words -> words.startsWith("The original was signed. What is new stands behind it"));
        assertThat(receipt.proofs()).extracting(PdfCheck.Proof::sentence).contains("It begins with every byte of the original",
                "All 2 pages are the original's own, byte for byte");
        try (PDDocument pdf = Loader.loadPDF(made)) {
            assertThat(pdf.getDocumentInformation().getTitle()).isEqualTo("Lending");
        }
    }

    @Test void aCorrectedWordDoesToo() throws IOException {
        Taken taken = Decant.open(source);
        Document before = taken.document();
        Walk.Stop stop = Walk.of(before).stops().stream().filter(one -> one.paragraph().text().contains("weeks")).findFirst().orElseThrow();
        int at = stop.paragraph().text().indexOf("two");
        Document now = Typing.type(before, new TextSelection(new Place(stop.path(), at), new Place(stop.path(), at + 3)), "ten", null).after();
        Receipt receipt = publish(Intake.revised(source, null, new Revision(Intake.original(source, null), taken), Decant.layOut(now)), Recipe.PLAIN);
        byte[] made = Files.readAllBytes(receipt.file());
        assertThat(holds(made)).isTrue();
        assertThat(Arrays.mismatch(made, original)).isEqualTo(original.length);
        try (PDDocument pdf = Loader.loadPDF(made)) {
            assertThat(new PDFTextStripper().getText(pdf)).contains("lent for ten weeks", "lent for one day");
        }
        // Whoever takes off what came after has what was signed.
        assertThat(Arrays.copyOf(made, original.length)).isEqualTo(original);
    }

    /** What has to be gone can't be there still: the file is written whole, and that is said. */
    @Test void whatLeavesPagesOutBreaksTheSignatureAndSaysSo() throws IOException {
        Receipt receipt = publish(new Intake(source, null), Recipe.PLAIN.of(new PageRange("2")));
        assertThat(told(receipt)).contains("The original was signed; its signature does not hold for this copy.");
        assertThat(Arrays.mismatch(Files.readAllBytes(receipt.file()), original)).isLessThan(original.length);
        Files.delete(receipt.file());
        assertThat(told(publish(new Intake(source, null), Recipe.PLAIN.with(PdfStyle.PLAIN.linearized(true)))))
                .contains("The original was signed; its signature does not hold for this copy.");
    }

    @Test void onCertifiedFilesWhatReadersWillSayIsTold() throws IOException {
        try (PDDocument pdf = Loader.loadPDF(original)) {
            COSDictionary permissions = new COSDictionary();
            permissions.setItem(COSName.getPDFName("DocMDP"), pdf.getLastSignatureDictionary());
            pdf.getDocumentCatalog().getCOSObject().setItem(COSName.PERMS, permissions);
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            pdf.saveIncremental(out);
            Files.write(source, out.toByteArray());
        }
        Receipt receipt = publish(new Intake(source, null), Recipe.PLAIN.with(new FactsRule(false, "Lending", null, null, null, null)));
        assertThat(told(receipt)).anyMatch(words -> words.contains("readers will say that more was changed than its maker allows"));
    }
}
