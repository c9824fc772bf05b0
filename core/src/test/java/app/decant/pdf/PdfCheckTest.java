package app.decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.demo.PassengerHandbook;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.pdf.check.PdfCheck.Proof;
import app.decant.pdf.check.PdfCheck;
import app.decant.pdf.lock.Protection;
import app.decant.pdf.write.PdfWriter;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDMetadata;
import org.apache.pdfbox.pdmodel.common.PDStream;
import org.apache.pdfbox.pdmodel.common.filespecification.PDComplexFileSpecification;
import org.apache.pdfbox.pdmodel.font.PDType0Font;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.destination.PDPageXYZDestination;
import org.apache.pdfbox.pdmodel.interactive.documentnavigation.outline.PDOutlineItem;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The check after publishing must be able to fail: files spoiled in one way each are found out. */
class PdfCheckTest {
    @TempDir static Path folder;
    private static PagedDocument pages;
    private static PdfChoices choices;
    private static PdfWriter.Written written;
    private static Path good;

    @BeforeAll static void publish() throws IOException {
        pages = Layout.of(PassengerHandbook.document(), FontCatalogue.shipped());
        choices = choices(pages);
        good = folder.resolve("good.pdf");
        try (OutputStream out = Files.newOutputStream(good)) {
            written = PdfWriter.write(pages, choices, out, Progress.SILENT);
        }
    }

    private static PdfChoices choices(PagedDocument pages) {
        return new PdfChoices(IntStream.range(0, pages.count()).boxed().toList(), PdfStyle.PLAIN, pages.document().facts(), Instant.EPOCH);
    }

    private static List<String> failing(Path file) throws IOException {
        return PdfCheck.check(file, pages, choices, written).stream().filter(proof -> !proof.holds()).map(Proof::sentence).toList();
    }

    @FunctionalInterface private interface Spoiling { void spoil(PDDocument pdf) throws IOException; }

    private static Path spoiled(Spoiling spoiling) throws IOException {
        Path file = folder.resolve("spoiled.pdf");
        try (PDDocument pdf = Loader.loadPDF(good.toFile())) {
            spoiling.spoil(pdf);
            pdf.save(file.toFile());
        }
        return file;
    }

    @Test void aGoodFileFailsNothing() throws IOException { assertThat(failing(good)).isEmpty(); }

    @Test void anEmptyPageIsReadAsOne() throws IOException {
        PagedDocument empty = Layout.of(Document.empty(), FontCatalogue.shipped());
        Path file = folder.resolve("empty.pdf");
        try (OutputStream out = Files.newOutputStream(file)) {
            PdfWriter.Written none = PdfWriter.write(empty, choices(empty), out, Progress.SILENT);
            out.close();
            assertThat(PdfCheck.check(file, empty, choices(empty), none)).allMatch(Proof::holds);
        }
    }

    @Test void whatTravelsInsideIsThereByteForByte() throws IOException {
        Attachment notice = new Attachment("notice.txt", "text/plain", "Half tide".getBytes(StandardCharsets.UTF_8), "");
        PdfChoices carrying = new PdfChoices(choices.pages(), choices.style(), Protection.NONE, List.of(), List.of(notice), choices.facts(), choices.dates(),
                choices.addresses(), choices.when());
        Path file = folder.resolve("carrying.pdf");
        PdfWriter.Written with;
        try (OutputStream out = Files.newOutputStream(file)) {
            with = PdfWriter.write(pages, carrying, out, Progress.SILENT);
        }
        assertThat(PdfCheck.check(file, pages, carrying, with)).allMatch(Proof::holds).extracting(Proof::sentence).contains("1 file attached");
        Path other = folder.resolve("carrying another.pdf");
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            PDComplexFileSpecification inside = pdf.getDocumentCatalog().getNames().getEmbeddedFiles().getNames().get("notice.txt");
            try (OutputStream out = inside.getEmbeddedFile().createOutputStream()) {
                out.write(new byte[9]);
            }
            pdf.save(other.toFile());
        }
        assertThat(PdfCheck.check(other, pages, carrying, with)).filteredOn(proof -> !proof.holds()).extracting(Proof::sentence)
                .containsExactly("notice.txt, which was to travel inside, is not there as it was put in");
        assertThat(PdfCheck.check(file, pages, choices, with)).filteredOn(proof -> !proof.holds()).extracting(Proof::sentence)
                .containsExactly("1 of 0 attached files");
    }

    /** Whoever packs streams in another way, or parts them, says the same (ISO 32000-1, 7.4 and 7.8.2). */
    @Test void streamsMayBePackedAndPartedInAnyWay() throws IOException {
        assertThat(failing(spoiled(pdf -> {
            for (int i = 0; i < pdf.getNumberOfPages(); i++) {
                byte[] content = pdf.getPage(i).getContents().readAllBytes();
                int line = new String(content, StandardCharsets.ISO_8859_1).indexOf("\nET");
                if (i % 3 == 0) pdf.getPage(i).setContents(new PDStream(pdf, new ByteArrayInputStream(content), COSName.ASCII85_DECODE));
                if (i % 3 == 1) pdf.getPage(i).setContents(new PDStream(pdf, new ByteArrayInputStream(content), COSName.LZW_DECODE));
                if (i % 3 == 2 && line > 0) pdf.getPage(i).setContents(List.of(new PDStream(pdf, new ByteArrayInputStream(content, 0, line)),
                        new PDStream(pdf, new ByteArrayInputStream(content, line, content.length - line), COSName.FLATE_DECODE)));
            }
        }))).isEmpty();
    }

    @Test void aMissingPageIsFound() throws IOException {
        assertThat(failing(spoiled(pdf -> pdf.removePage(12)))).anyMatch(sentence -> sentence.startsWith("12 pages"));
    }

    @Test void pagesInAnotherOrderAreFound() throws IOException {
        assertThat(failing(spoiled(pdf -> {
            PDPage page = pdf.getPage(4);
            pdf.getPages().remove(page);
            pdf.getPages().insertAfter(page, pdf.getPage(6));
        }))).anyMatch(sentence -> sentence.startsWith("Text differs on"));
    }

    @Test void aBookmarkThatLandsBesideItsHeadingIsFound() throws IOException {
        assertThat(failing(spoiled(pdf -> {
            PDOutlineItem item = pdf.getDocumentCatalog().getDocumentOutline().getFirstChild();
            PDPageXYZDestination destination = (PDPageXYZDestination) item.getDestination();
            destination.setTop(destination.getTop() - 40);
            item.setDestination(destination);
        }))).containsExactly("29 of 30 bookmarks land on their heading");
    }

    @Test void aFontWithoutItsProgramIsFound() throws IOException {
        assertThat(failing(spoiled(pdf -> {
            PDPage page = pdf.getPage(3);
            COSName name = page.getResources().getFontNames().iterator().next();
            ((PDType0Font) page.getResources().getFont(name)).getDescendantFont().getFontDescriptor().getCOSObject().removeItem(COSName.FONT_FILE2);
        }))).anyMatch(sentence -> sentence.contains("fonts inside the file"));
    }

    @Test void aFontThatOnlyAFormUsesIsLookedAt() throws IOException {
        assertThat(failing(spoiled(pdf -> {
            PDFormXObject form = new PDFormXObject(pdf);
            form.setResources(new PDResources());
            form.getResources().add(new PDType1Font(Standard14Fonts.FontName.COURIER));
            PDPage page = pdf.getPage(2);
            page.getResources().add(form);
        }))).anyMatch(sentence -> sentence.contains("fonts inside the file"));
    }

    @Test void aChangedFactIsFoundInEitherPlace() throws IOException {
        assertThat(failing(spoiled(pdf -> pdf.getDocumentInformation().setAuthor("Somebody else")))).containsExactly("Its facts are not as chosen: author");
        assertThat(failing(spoiled(pdf -> pdf.getDocumentInformation().setCustomMetadataValue("Secret", "left over"))))
                .containsExactly("Its facts are not as chosen: Secret");
        assertThat(failing(spoiled(pdf -> {
            String packet = new String(pdf.getDocumentCatalog().getMetadata().toByteArray(), StandardCharsets.UTF_8);
            pdf.getDocumentCatalog().setMetadata(new PDMetadata(pdf, new ByteArrayInputStream(packet.replace("Passenger handbook", "Another book")
                    .getBytes(StandardCharsets.UTF_8))));
        }))).containsExactly("Its facts are not as chosen: title");
    }

    /** The same letters in another order are another text, read from the right as well (Unicode Standard Annex 9). */
    @Test void letterOrderCountsInTextReadFromTheRight() throws IOException {
        PagedDocument right = Layout.of(Document.empty()
                .withSections(List.of(Document.empty().sections().get(0)
                .withBlocks(List.of(Paragraph.of("\u05E9\u05DC\u05D5\u05DD \u05E2\u05D5\u05DC\u05DD 12 abc"))))), FontCatalogue.shipped());
        PagedDocument swapped = Layout.of(Document.empty()
                .withSections(List.of(Document.empty().sections().get(0)
                .withBlocks(List.of(Paragraph.of("\u05E9\u05D5\u05DC\u05DD \u05E2\u05D5\u05DC\u05DD 12 abc"))))), FontCatalogue.shipped());
        Path file = folder.resolve("right.pdf");
        PdfWriter.Written made;
        try (OutputStream out = Files.newOutputStream(file)) {
            made = PdfWriter.write(right, choices(right), out, Progress.SILENT);
        }
        assertThat(PdfCheck.check(file, right, choices(right), made)).allMatch(Proof::holds);
        assertThat(PdfCheck.check(file, swapped, choices(swapped), made)).extracting(Proof::sentence).contains("Text differs on 1 page");
    }

    @Test void aLostLinkIsFound() throws IOException {
        assertThat(failing(spoiled(pdf -> pdf.getPage(1).setAnnotations(new ArrayList<>())))).anyMatch(sentence -> sentence.contains("links live"));
    }

    @Test void oneChangedWordIsFound() throws IOException {
        Document document = PassengerHandbook.document();
        Place place = new Place(pages.outline().headings().get(1).path().sibling(pages.outline().headings().get(1).path().last() + 1), 4);
        PagedDocument others = Layout.of(Typing.type(document, TextSelection.caret(place), "x", null).after(), FontCatalogue.shipped());
        assertThat(PdfCheck.check(good, others, choices, written)).anySatisfy(proof -> {
            assertThat(proof.holds()).isFalse();
            assertThat(proof.sentence()).isEqualTo("Text differs on 1 page");
        });
    }
}
