package app.decant.recover;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.Decant;
import app.decant.document.Block;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.font.FontCatalogue;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import java.awt.Color;
import java.awt.Font;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.stream.Stream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSArray;
import org.apache.pdfbox.cos.COSDictionary;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdfwriter.compress.CompressParameters;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDDocumentNameDictionary;
import org.apache.pdfbox.pdmodel.PDEmbeddedFilesNameTreeNode;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDPageLabelRange;
import org.apache.pdfbox.pdmodel.common.PDPageLabels;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.common.filespecification.PDComplexFileSpecification;
import org.apache.pdfbox.pdmodel.common.filespecification.PDEmbeddedFile;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.pdmodel.graphics.image.JPEGFactory;
import org.apache.pdfbox.pdmodel.graphics.optionalcontent.PDOptionalContentGroup;
import org.apache.pdfbox.pdmodel.graphics.optionalcontent.PDOptionalContentProperties;
import org.apache.pdfbox.pdmodel.graphics.state.RenderingMode;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionJavaScript;
import org.apache.pdfbox.pdmodel.interactive.action.PDActionLaunch;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationLink;
import org.apache.pdfbox.pdmodel.interactive.annotation.PDAnnotationText;
import org.apache.pdfbox.pdmodel.interactive.form.PDAcroForm;
import org.apache.pdfbox.pdmodel.interactive.form.PDTextField;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Scans that carry their text, and what else a PDF has beside its pages: kept where it can be, told where it can't. */
class ScannedPagesTest {
    private static final List<String> LINES = List.of("Harbour notice 27", "The timbers of the outer berth are renewed",
            "Ships lie at the inner berth meanwhile");

    @TempDir private Path folder;

    /** As copiers write it: a picture over the whole page, and its words as text that is not painted (ISO 32000-1, 9.3.6, mode 3). */
    private static byte[] scan(int sheets) throws IOException {
        try (PDDocument pdf = new PDDocument()) {
            for (int sheet = 0; sheet < sheets; sheet++) {
                BufferedImage pixels = new BufferedImage(620, 877, BufferedImage.TYPE_INT_RGB);
                Graphics2D graphics = pixels.createGraphics();
                graphics.setColor(new Color(250, 248, 240));
                graphics.fillRect(0, 0, 620, 877);
                graphics.setColor(Color.BLACK);
                graphics.setFont(new Font(Font.SERIF, Font.PLAIN, 16));
                for (int i = 0; i < LINES.size(); i++) graphics.drawString(LINES.get(i), 75, 104 + 42 * i);
                graphics.fillRect(60 + 40 * sheet, 500, 120, 80);
                graphics.dispose();
                PDPage page = new PDPage(PDRectangle.A4);
                pdf.addPage(page);
                try (PDPageContentStream out = new PDPageContentStream(pdf, page)) {
                    out.drawImage(JPEGFactory.createFromImage(pdf, pixels, 0.9f), 0, 0, page.getMediaBox().getWidth(), page.getMediaBox().getHeight());
                    out.beginText();
                    out.setRenderingMode(RenderingMode.NEITHER);
                    out.setFont(new PDType1Font(Standard14Fonts.FontName.HELVETICA), 11);
                    for (int i = 0; i < LINES.size(); i++) {
                        out.newLineAtOffset(i == 0 ? 72 : 0, i == 0 ? 742 : -40);
                        out.showText(LINES.get(i));
                    }
                    out.endText();
                }
            }
            ByteArrayOutputStream bytes = new ByteArrayOutputStream();
            pdf.save(bytes);
            return bytes.toByteArray();
        }
    }

    private static Recovered open(byte[] pdf) { return Recovery.of(pdf, "scan.pdf", null, FontCatalogue.shipped(), Progress.SILENT); }

    @Test void aScanStaysItsPictureWithTheTextUnderIt() throws IOException {
        byte[] source = scan(2);
        Recovered recovered = open(source);
        assertThat(recovered.findings()).extracting(Finding::what).filteredOn(what -> what.startsWith("A scanned page with its text")).hasSize(1);
        Receipt receipt = Decant.publish(recovered.document(), Recipe.PLAIN, folder.resolve("made.pdf"));
        assertThat(receipt.proven()).isTrue();
        try (PDDocument before = Loader.loadPDF(source); PDDocument after = Loader.loadPDF(receipt.file().toFile())) {
            assertThat(after.getNumberOfPages()).isEqualTo(2);
            assertThat(new PDFTextStripper().getText(after).split("\\R")).containsSubsequence(LINES);
            BufferedImage one = new PDFRenderer(before).renderImageWithDPI(1, 50);
            BufferedImage other = new PDFRenderer(after).renderImageWithDPI(1, 50);
            assertThat(difference(one, other)).as("mean difference of pixels, of 255").isLessThan(3);
        }
        assertThat(Decant.compare(Files.write(folder.resolve("scan.pdf"), source), receipt.file(), null, Progress.SILENT).score()).isGreaterThan(97);
    }

    private static double difference(BufferedImage one, BufferedImage other) {
        double sum = 0;
        int width = Math.min(one.getWidth(), other.getWidth());
        int height = Math.min(one.getHeight(), other.getHeight());
        for (int y = 0; y < height; y++) for (int x = 0; x < width; x++) sum += Math.abs((one.getRGB(x, y) >> 8 & 255) - (other.getRGB(x, y) >> 8 & 255));
        return sum / width / height;
    }

    @Test void itsWordsAreFoundInPlainText() throws IOException {
        Receipt receipt = Decant.publish(open(scan(1)).document(), Recipe.PLAIN.to(Target.TXT), folder.resolve("made.txt"));
        assertThat(Files.readAllLines(receipt.file())).containsSubsequence(LINES);
    }

    @Test void itsWordsAreTextInFormatsWithoutAPlaceUnderPictures() throws IOException {
        Receipt receipt = Decant.publish(open(scan(1)).document(), Recipe.PLAIN.to(Target.DOCX), folder.resolve("made.docx"));
        assertThat(receipt.findings()).extracting(Finding::what)
                .contains("A scanned page was written as the text, tables and pictures seen on it. Compare it with the original.");
        Document written = Decant.open(receipt.file()).document();
        List<String> texts = written.blocks().stream().map(block -> ((Paragraph) block).plainText()).toList();
        assertThat(texts).filteredOn(text -> !text.isEmpty()).containsExactlyElementsOf(LINES);
    }

    /** As copiers send them: askew, on paper that is not white, with noise. Painted by PDFBox; how much comes back is counted as for files that are text. */
    @ParameterizedTest
    @ValueSource(strings = {"minutes", "price list", "table with shaded heads across pages", "steps with a picture"})
    void whatIsSeenOnScannedPagesIsTextTablesAndPictures(String name) {
        Specimen specimen = Specimens.all().stream().filter(one -> one.name().equals(name)).findFirst().orElseThrow();
        Score score = new Score(specimen, CopierWriter.text(open(CopierWriter.write(specimen, true)).document()));
        assertThat(List.of(score.characters(), score.words(), score.paragraphs(), score.headings(), score.levels(), score.cells(), score.items(),
                score.pictures(), score.heads())).allSatisfy(count -> assertThat(count.least()).isGreaterThanOrEqualTo(0.96));
    }

    /** Words that no shipped face can show, and words from right to left, are the words they were. */
    @Test void wordsOfAnyScriptStayThemselves() {
        List<String> words = List.of("\u05E9\u05D9\u05E8\u05D5\u05EA", "\u0E40\u0E23\u0E37\u0E2D", "Ostrey", "\u0928\u093E\u0935");
        List<Picture.Word> lying = new ArrayList<>();
        for (int i = 0; i < words.size(); i++) lying.add(new Picture.Word(words.get(i), 72, 200 + 60 * i, 40, 12));
        Picture blank = new Picture(new Image("image/png", new byte[0]), 595, 842, null);
        Document document = ScanWords.text(List.of(new ScanWords.Sheet(595, 842, blank.over(lying), 0, 0)), FontCatalogue.shipped(), Progress.SILENT)
                .document();
        assertThat(document.blocks()).extracting(block -> ((Paragraph) block).plainText()).containsExactlyElementsOf(words);
    }

    /** Where other pages are text, it is said that the words stay behind. */
    @Test void amongOtherPagesAScanGoesAsAPictureAndThatIsTold() throws IOException {
        Document scans = open(scan(1)).document();
        Section section = scans.sections().get(0);
        List<Block> blocks = new ArrayList<>(section.blocks());
        blocks.add(new Paragraph("Normal", Look.PLAIN, Look.PLAIN, List.of(new Inline.Text("Added by hand.", Look.PLAIN))));
        Receipt receipt = Decant.publish(scans.withSections(List.of(section.withBlocks(blocks))), Recipe.PLAIN.to(Target.DOCX), folder.resolve("mixed.docx"));
        assertThat(receipt.findings()).extracting(Finding::what)
                .contains("A scanned page goes as a picture, without the words under it, since other pages are text.");
        assertThat(Decant.open(receipt.file()).document().blocks()).extracting(block -> ((Paragraph) block).plainText()).contains("Added by hand.");
    }

    @Test void wordsUnderAPictureFollowItsSize() throws IOException {
        Document document = open(scan(1)).document();
        Picture scan = document.blocks().stream().flatMap(block -> block instanceof Paragraph paragraph ? paragraph.inlines().stream()
                : Stream.<Inline>empty())
                .map(inline -> inline instanceof Inline.Floating floating && floating.content() instanceof Picture picture ? picture
                        : inline instanceof Inline.InlinePicture picture ? picture.picture() : null).filter(Objects::nonNull).findFirst()
                        .orElseThrow();
        assertThat(scan.words()).extracting(Picture.Word::text).startsWith("Harbour", "notice", "27");
        Picture half = scan.sized(scan.width() / 2, scan.height() / 2);
        assertThat(half.words().get(1).x()).isEqualTo(scan.words().get(1).x() / 2);
        assertThat(half.words().get(1).size()).isEqualTo(scan.words().get(1).size() / 2);
    }

    /** ISO 32000-1, 7.7.2 and 12: everything a catalogue can hold that an editable document can't. */
    @Test void whatDoesNotComeInIsTold() throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (PDDocument pdf = new PDDocument()) {
            PDPage page = new PDPage(PDRectangle.A4);
            pdf.addPage(page);
            PDAcroForm form = new PDAcroForm(pdf);
            pdf.getDocumentCatalog().setAcroForm(form);
            PDTextField field = new PDTextField(form);
            field.setPartialName("name");
            COSDictionary signature = new COSDictionary();
            signature.setItem(COSName.FT, COSName.SIG);
            signature.setString(COSName.T, "signed");
            signature.setItem(COSName.V, new COSDictionary());
            COSArray fields = new COSArray(List.of(field.getCOSObject(), signature));
            form.getCOSObject().setItem(COSName.FIELDS, fields);
            PDAnnotationText comment = new PDAnnotationText();
            comment.setRectangle(new PDRectangle(10, 10, 20, 20));
            PDAnnotationLink launch = new PDAnnotationLink();
            launch.setRectangle(new PDRectangle(50, 50, 20, 20));
            launch.setAction(new PDActionLaunch());
            page.setAnnotations(List.of(comment, launch));
            PDComplexFileSpecification file = new PDComplexFileSpecification();
            file.setEmbeddedFile(new PDEmbeddedFile(pdf, new ByteArrayInputStream("x".getBytes(StandardCharsets.UTF_8))));
            PDEmbeddedFilesNameTreeNode files = new PDEmbeddedFilesNameTreeNode();
            files.setNames(Map.of("a.txt", file));
            PDDocumentNameDictionary names = new PDDocumentNameDictionary(pdf.getDocumentCatalog());
            names.setEmbeddedFiles(files);
            pdf.getDocumentCatalog().setNames(names);
            pdf.getDocumentCatalog().setOpenAction(new PDActionJavaScript("app.alert(1)"));
            PDOptionalContentProperties layers = new PDOptionalContentProperties();
            layers.addGroup(new PDOptionalContentGroup("Plan"));
            pdf.getDocumentCatalog().setOCProperties(layers);
            PDPageLabels labels = new PDPageLabels(pdf);
            PDPageLabelRange range = new PDPageLabelRange();
            range.setStyle(PDPageLabelRange.STYLE_ROMAN_LOWER);
            labels.setLabelItem(0, range);
            pdf.getDocumentCatalog().setPageLabels(labels);
            pdf.save(bytes);
        }
        assertThat(open(bytes.toByteArray()).findings()).extracting(Finding::what).anyMatch(what -> what.startsWith("It has a field to fill in"))
                .anyMatch(what -> what.startsWith("It is signed")).anyMatch(what -> what.startsWith("A mark on its pages"))
                .anyMatch(what -> what.startsWith("A file is attached")).anyMatch(what -> what.startsWith("A script"))
                        .anyMatch(what -> what.startsWith("An action that would start a program")).anyMatch(what -> what.startsWith("It has a layer"))
                .anyMatch(what -> what.startsWith("Its pages have printed numbers"));
        assertThat(open(scan(1)).findings()).extracting(Finding::what).noneMatch(what -> what.contains("does not come in") || what.contains("A PDF keeps"));
    }

    /** ISO 32000-1, 7.6.4: files for the holders of certificates open with no password; that is said in words. */
    @Test void aLockByCertificateIsRefusedInWords() throws IOException {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (PDDocument pdf = new PDDocument()) {
            pdf.addPage(new PDPage());
            pdf.save(bytes, CompressParameters.NO_COMPRESSION);
        }
        String plain = bytes.toString(StandardCharsets.ISO_8859_1);
        String locked = plain.replaceFirst("trailer\\s*<<",
                "trailer\n<</Encrypt <</Filter /Adobe.PubSec /SubFilter /adbe.pkcs7.s4 /V 2 /Length 128 /Recipients [<00>]>> /ID [<00><00>] ");
        assertThat(locked).isNotEqualTo(plain);
        assertThatThrownBy(() -> open(locked.getBytes(StandardCharsets.ISO_8859_1))).isInstanceOf(DecantException.class).hasMessageContaining("certificates");
        String unknown = locked.replace("/Adobe.PubSec", "/Some.Other");
        assertThatThrownBy(() -> open(unknown.getBytes(StandardCharsets.ISO_8859_1))).isInstanceOf(DecantException.class).hasMessageEndingWith(".");
    }
}
