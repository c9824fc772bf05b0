package app.decant.desktop;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.desktop.part.Words;
import app.decant.desktop.station.Station;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Table;
import app.decant.edit.Search;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeoutException;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDPage;
import org.apache.pdfbox.pdmodel.PDPageContentStream;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.font.PDFont;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts.FontName;
import org.apache.pdfbox.pdmodel.graphics.image.JPEGFactory;
import org.apache.pdfbox.pdmodel.graphics.state.RenderingMode;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import org.testfx.api.FxRobot;
import org.testfx.util.WaitForAsyncUtils;

/** A letter from a copier: looked at as it is, made text when its words are to be corrected. */
class ScanTest {
    @RegisterExtension static final SharedWindow SHARED = new SharedWindow();
    private static final List<String> LINES = List.of("Harbour notice 27", "The timbers of the outer berth are renewed",
            "Ships lie at the inner berth meanwhile");
    private static final List<List<String>> ROWS = List.of(List.of("Berth", "Ship"), List.of("North", "Skerrow"), List.of("South", "Ostrey"));

    private static void page(PDDocument pdf, BufferedImage picture) throws IOException {
        PDPage page = new PDPage(PDRectangle.A4);
        pdf.addPage(page);
        PDFont font = new PDType1Font(FontName.HELVETICA);
        try (PDPageContentStream out = new PDPageContentStream(pdf, page)) {
            if (picture != null) out.drawImage(JPEGFactory.createFromImage(pdf, picture, 0.8f), 0, 0, PDRectangle.A4.getWidth(), PDRectangle.A4.getHeight());
            for (int i = 0; i < LINES.size(); i++) words(out, font, LINES.get(i), 72, 742 - 30 * i, picture != null);
            for (int row = 0; row < ROWS.size(); row++)
                for (int column = 0; column < 2; column++) words(out, font, ROWS.get(row).get(column), 78 + 150 * column, 586 - 20 * row, picture != null);
            if (picture != null) return;
            for (int line = 0; line <= 3; line++) out.addRect(72, 600 - 20 * line, 300, 0.8f);
            for (int line = 0; line <= 2; line++) out.addRect(72 + 150 * line, 540, 0.8f, 60.8f);
            out.fill();
        }
    }

    private static void words(PDPageContentStream out, PDFont font, String text, float x, float baseline, boolean under) throws IOException {
        out.beginText();
        if (under) out.setRenderingMode(RenderingMode.NEITHER);
        out.setFont(font, 11);
        out.newLineAtOffset(x, baseline);
        out.showText(text);
        out.endText();
    }

    private static Path scan() throws IOException {
        try (PDDocument drawn = new PDDocument(); PDDocument scan = new PDDocument()) {
            page(drawn, null);
            page(scan, new PDFRenderer(drawn).renderImageWithDPI(0, 150));
            Path file = SHARED.own().resolve("letter.pdf");
            scan.save(file.toFile());
            return file;
        }
    }

    private static boolean isOffered(MainWindow window) {
        return window.commands().applying().stream().anyMatch(command -> command.key().equals("begin.scan"));
    }

    @Test void scannedPagesBecomeADocumentWhoseWordsAreCorrected(FxRobot robot) throws IOException, TimeoutException {
        MainWindow window = SHARED.window();
        SHARED.open(SHARED.files().get(0));
        assertThat(isOffered(window)).as("a text document has nothing to offer").isFalse();
        Path scan = scan();
        byte[] before = Files.readAllBytes(scan);
        SHARED.open(scan);
        assertThat(isOffered(window)).isTrue();
        assertThat(robot.lookup(Words.of("begin.scan.offer")).tryQuery()).as("said when it is taken in").isPresent();
        Path wanted = SHARED.own().resolve("letter.docx");
        WaitForAsyncUtils.asyncFx(() -> window.beginning().fromScanAt(wanted));
        Waiting.until(() -> window.desk().source().get().file().equals(wanted));
        Waiting.settle(window);
        assertThat(window.station()).isEqualTo(Station.REVISE);
        Document document = window.desk().document();
        assertThat(document.blocks()).filteredOn(Paragraph.class::isInstance).extracting(block -> ((Paragraph) block).plainText()).containsSequence(LINES);
        assertThat(document.blocks()).filteredOn(Table.class::isInstance).singleElement().satisfies(block -> assertThat(((Table) block).rows()).hasSize(3));
        WaitForAsyncUtils.asyncFx(() -> {
            window.table().pick(Search.all(window.desk().document(), "inner", true).get(0), true);
            window.table().requestFocus();
        });
        Waiting.settle(window);
        robot.write("south");
        Waiting.settle(window);
        assertThat(Search.all(window.desk().document(), "the south berth", true)).hasSize(1);
        assertThat(Files.readAllBytes(scan)).as("the scan itself").isEqualTo(before);
    }
}
