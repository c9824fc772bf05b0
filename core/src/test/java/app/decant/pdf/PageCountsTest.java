package app.decant.pdf;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.document.DecantException;
import app.decant.document.Progress;
import app.decant.publish.Order;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Page trees that say they hold more or fewer pages than they do (ISO 32000-2, table 30), written by hand and read by PDFBox. */
class PageCountsTest {
    private static final List<String> DAYS = List.of("On Monday the pier is closed.", "The crew rests on Tuesday.", "Ferries sail on Wednesday.",
            "Thursday is for schools and groups.", "Friday, as on Wednesday.");
    @TempDir private Path root;

    /** Pages that say their number, the first two in a node of their own. */
    private Path file(String inner, String outer, int pages) throws IOException {
        StringBuilder pdf = new StringBuilder("%PDF-1.4\n1 0 obj\n<</Type/Catalog/Pages 2 0 R>>\nendobj\n");
        StringBuilder kids = new StringBuilder("3 0 R");
        for (int i = 2; i < pages; i++) kids.append(' ').append(10 + 2 * i).append(" 0 R");
        pdf.append("2 0 obj\n<</Type/Pages/Kids[").append(kids).append("]/Count ").append(outer).append(">>\nendobj\n");
        pdf.append("3 0 obj\n<</Type/Pages/Parent 2 0 R/Kids[10 0 R 12 0 R]/Count ").append(inner).append(">>\nendobj\n");
        pdf.append("4 0 obj\n<</Type/Font/Subtype/Type1/BaseFont/Helvetica>>\nendobj\n");
        for (int i = 0; i < pages; i++) {
            String content = "BT /F1 12 Tf 72 " + (700 - 90 * i) + " Td (" + DAYS.get(i) + ") Tj ET";
            pdf.append(10 + 2 * i).append(" 0 obj\n<</Type/Page/Parent ").append(i < 2 ? 3 : 2).append(" 0 R/MediaBox[0 0 400 800]/Contents ")
                    .append(11 + 2 * i).append(" 0 R/Resources<</Font<</F1 4 0 R>>>>>>\nendobj\n");
            pdf.append(11 + 2 * i).append(" 0 obj\n<</Length ").append(content.length()).append(">>\nstream\n").append(content).append("\nendstream\nendobj\n");
        }
        pdf.append("trailer\n<</Size ").append(10 + 2 * pages).append("/Root 1 0 R>>\n%%EOF\n");
        Path file = root.resolve("notice.pdf");
        Files.write(file, pdf.toString().getBytes(StandardCharsets.ISO_8859_1));
        return file;
    }

    @ParameterizedTest @CsvSource({"2,5", "9999999999,9999999999", "0,0", "1,5", "2,3", "-2,-5", "2,4"})
    void pagesAreCountedWhateverIsSaidOfThem(String inner, String outer) throws IOException {
        Path file = file(inner, outer, 5);
        assertThat(Decant.open(file).document().blocks().toString()).contains(DAYS);
        for (boolean remake : List.of(false, true)) {
            Recipe recipe = Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE).remaking(remake);
            Receipt receipt = Decant.publish(new Order(new Intake(file, null).pages(recipe, Progress.SILENT), recipe), root.resolve("out.pdf"),
                    Progress.SILENT).get(0);
            assertThat(receipt.proofs()).allSatisfy(proof -> assertThat(proof.holds()).as("%s", proof).isTrue());
            try (PDDocument pdf = Loader.loadPDF(receipt.file().toFile())) {
                assertThat(pdf.getNumberOfPages()).isEqualTo(5);
                assertThat(new PDFTextStripper().getText(pdf)).contains(DAYS);
            }
        }
    }

    /** A node that is its own child holds nothing twice. */
    @Test void aTreeThatGoesRoundEnds() throws IOException {
        Path file = file("3", "7", 2);
        String round = Files.readString(file, StandardCharsets.ISO_8859_1).replace("/Kids[10 0 R 12 0 R]", "/Kids[10 0 R 12 0 R 2 0 R]");
        Files.writeString(file, round, StandardCharsets.ISO_8859_1);
        try {
            assertThat(Decant.open(file).document().blocks().toString()).contains(DAYS.get(1));
        } catch (DecantException e) {
            assertThat(e.getMessage()).isNotBlank();
        }
        Files.writeString(file, round.replace("10 0 R 12 0 R ", ""), StandardCharsets.ISO_8859_1);
        assertThatThrownBy(() -> Decant.open(file)).isInstanceOf(DecantException.class);
    }
}
