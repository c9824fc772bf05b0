package app.decant.publish;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.demo.HarbourNotice;
import app.decant.demo.PassengerHandbook;
import app.decant.document.Document;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.layout.Sample;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.Standard;
import app.decant.pdf.check.PdfCheck;
import app.decant.pdf.check.StandardCheck;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Path;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureNode;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.pdmodel.graphics.image.PDImageXObject;
import org.apache.pdfbox.pdmodel.graphics.state.PDExtendedGraphicsState;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Archive and accessible copies of the whole demo set, held to the machine rules of ISO 19005 and ISO 14289 by the veraPDF validation model. */
class StandardsTest {
    private static final Instant WHEN = Instant.parse("2026-11-01T08:00:00Z");

    @TempDir private Path folder;

    private static PagedDocument pages(Document document) { return Layout.of(document, FontCatalogue.shipped()); }

    @ParameterizedTest
    @EnumSource(mode = EnumSource.Mode.EXCLUDE, names = "NONE")
    void keepsAllMachineRules(Standard standard) throws IOException {
        for (Document document : new Document[] {PassengerHandbook.document(), HarbourNotice.document()}) {
            Path file = folder.resolve(standard + "-" + document.sections().size() + ".pdf");
            Receipt receipt = Publisher.publish(new Order(pages(document), Recipe.PLAIN.with(PdfStyle.PLAIN.with(standard))), file, WHEN, Progress.SILENT);
            assertThat(StandardCheck.broken(file, standard)).isEmpty();
            assertThat(receipt.proofs()).extracting(PdfCheck.Proof::sentence).contains(standard.words() + ": all machine rules kept");
        }
    }

    @Test void findsOutThatAPlainFileIsNoArchiveFile() throws IOException {
        Path file = folder.resolve("plain.pdf");
        Publisher.publish(new Order(pages(HarbourNotice.document()), Recipe.PLAIN), file, WHEN, Progress.SILENT);
        assertThat(StandardCheck.broken(file, Standard.A_2B)).anySatisfy(rule -> assertThat(rule.toString()).contains("19005-2"));
    }

    /** ISO 19005-1, 6.4: nothing shines through; a drawing that does is painted on paper first, others stay drawings. */
    @Test void drawingsThatShineThroughArePaintedForTheFirstArchiveStandard() throws IOException {
        for (float opacity : new float[] {0.4f, 1}) {
            Image drawing = new Image("application/pdf", drawing(opacity));
            Inline picture = new Inline.InlinePicture(new Picture(drawing, 100, 100, "Two squares"), Look.PLAIN);
            Document document = Sample.of(List.of(new Paragraph("Normal", Look.PLAIN, Look.PLAIN, List.of(picture))));
            Path file = folder.resolve("drawing" + opacity + ".pdf");
            Recipe recipe = Recipe.PLAIN.with(PdfStyle.PLAIN.with(Standard.A_1B));
            Publisher.publish(new Order(pages(document), recipe), file, WHEN, Progress.SILENT);
            assertThat(StandardCheck.broken(file, Standard.A_1B)).isEmpty();
            try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
                PDResources resources = pdf.getPage(0).getResources();
                for (COSName name : resources.getXObjectNames())
                    assertThat(resources.getXObject(name)).isInstanceOf(opacity < 1 ? PDImageXObject.class : PDFormXObject.class);
            }
        }
    }

    private static byte[] drawing(float opacity) throws IOException {
        try (PDDocument pdf = new PDDocument()) {
            PDPage page = new PDPage(new PDRectangle(100, 100));
            pdf.addPage(page);
            try (PDPageContentStream content = new PDPageContentStream(pdf, page)) {
                PDExtendedGraphicsState state = new PDExtendedGraphicsState();
                if (opacity < 1) state.setNonStrokingAlphaConstant(opacity);
                content.setGraphicsStateParameters(state);
                content.setNonStrokingColor(0.2f, 0.4f, 0.3f);
                content.addRect(10, 10, 60, 60);
                content.fill();
                content.addRect(30, 30, 60, 60);
                content.fill();
            }
            ByteArrayOutputStream out = new ByteArrayOutputStream();
            pdf.save(out);
            return out.toByteArray();
        }
    }

    @Test void tellsItsStructureToOtherReaders() throws IOException {
        Path file = folder.resolve("tagged.pdf");
        Publisher.publish(new Order(pages(PassengerHandbook.document()), Recipe.PLAIN), file, WHEN, Progress.SILENT);
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            Map<String, Integer> roles = new TreeMap<>();
            count(pdf.getDocumentCatalog().getStructureTreeRoot(), roles);
            assertThat(roles.keySet()).contains("Document", "H1", "H2", "H3", "P", "L", "LI", "Lbl", "LBody", "Table", "TR", "TH", "TD", "Figure", "Link",
                    "Note", "TOC", "TOCI");
            assertThat(roles.get("H1")).isEqualTo((int) pages(PassengerHandbook.document()).outline().headings().stream()
                    .filter(heading -> heading.level() == 1).count());
        }
    }

    private static void count(PDStructureNode node, Map<String, Integer> roles) {
        for (Object kid : node.getKids()) {
            if (!(kid instanceof PDStructureElement element)) continue;
            roles.merge(element.getStructureType(), 1, Integer::sum);
            count(element, roles);
        }
    }
}
