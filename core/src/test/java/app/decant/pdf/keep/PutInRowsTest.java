package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.Decant;
import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Walk;
import app.decant.edit.Tables;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.format.Taken;
import app.decant.pdf.keep.CorrectedFile.Made;
import app.decant.publish.Order;
import app.decant.publish.Recipe;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureNode;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Rows that are put into a table, or taken out of it, on the page as it is. Streams written by hand, read and painted by PDFBox. */
class PutInRowsTest {
    private static final int PAGE = 842;
    private static final int ROW = 24;

    @TempDir private Path root;

    /** With a row put in below that in which a word stands, the cells of which say something. */
    private static Document below(Document document, String word, String... cells) {
        BlockPath path = CorrectedFile.find(document, word).start().path();
        Document now = Tables.insertRow(document, TextSelection.caret(new Place(path, 0)), true).after();
        for (int i = 0; i < cells.length; i++) {
            BlockPath cell = path.head(2).then(path.step(2) + 1, i, 0);
            if (!cells[i].isEmpty()) now = Typing.type(now, TextSelection.caret(new Place(cell, 0)), cells[i], null).after();
        }
        return now;
    }

    private static String said(List<String> letters) {
        return letters.stream().map(one -> one.split(" ")[0]).toList().toString().replaceAll("[, ]", "");
    }

    @ParameterizedTest @ValueSource(booleans = {false, true}) void rowIsPutInAndWhatIsBelowGoesDown(boolean frames) throws IOException {
        CorrectedFile files = new CorrectedFile(root);
        Path source = files.file(GrownRowTest.table(frames));
        List<String> before = CorrectedFile.letters(source, 0);
        Taken taken = Decant.open(source);

        Made made = files.made(source, taken, below(taken.document(), "Ostrey", "Venn", "On request", "555 0117"), Recipe.PLAIN);

        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        List<String> after = CorrectedFile.letters(made.receipt().file(), 0);
        assertThat(said(after)).contains("Venn", "Onrequest", "5550117");
        assertThat(GrownRowTest.y(after, "L", 78) - GrownRowTest.y(before, "L", 78)).isCloseTo(ROW, within(0.11));
        // In the columns of the table, where the next row stood.
        assertThat(GrownRowTest.y(after, "V", 78)).isCloseTo(GrownRowTest.y(before, "L", 78), within(0.11));
        assertThat(GrownRowTest.y(after, "O", 206)).isCloseTo(GrownRowTest.y(before, "S", 206), within(0.11));
        BufferedImage page = GrownRowTest.paint(made.receipt().file());
        double bottom = PAGE - 508 + ROW;
        for (int x : GrownRowTest.COLUMNS) {
            for (double y = PAGE - 580; y <= bottom; y += 1) assertThat(GrownRowTest.isDark(page, x, y)).as("the line at %d, %.0f down", x, y).isTrue();
            assertThat(GrownRowTest.isDark(page, x, bottom + 4)).as("below the line at %d", x).isFalse();
        }
        for (double line : new double[] {PAGE - 580, PAGE - 556, PAGE - 532, PAGE - 508, bottom})
            for (int x = 73; x < 460; x += 5) assertThat(GrownRowTest.isDark(page, x, line)).as("the line %.0f down, at %d", line, x).isTrue();
    }

    @Test void rowsBehindTheLastAndEmptyOnesBelowAHeadAndAGrowingOne() throws IOException {
        CorrectedFile files = new CorrectedFile(root);
        Path source = files.file(GrownRowTest.table(false));
        Taken taken = Decant.open(source);
        Document now = below(taken.document(), "Lanna", "Venn", "On request, by a letter to the harbour master of the isle", "");
        now = below(now, "Venn", "Skerry", "Never", "none");
        now = below(now, "Harbour", "", "", "");
        now = Typing.type(now, CorrectedFile.find(now, "Monday to Friday"), "Monday to Friday, and on the eve of feasts", null).after();

        Made made = files.made(source, taken, now, Recipe.PLAIN);

        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        List<String> before = CorrectedFile.letters(source, 0);
        List<String> after = CorrectedFile.letters(made.receipt().file(), 0);
        assertThat(said(after)).contains("Venn", "Skerry", "Never");
        assertThat(GrownRowTest.y(after, "L", 78) - GrownRowTest.y(before, "L", 78)).isCloseTo(ROW + 13.2, within(0.11));
        assertThat(GrownRowTest.y(after, "S", 78) - GrownRowTest.y(after, "V", 78)).isCloseTo(ROW + 2 * 13.2, within(0.11));
        assertThat(GrownRowTest.y(after, "T", 72) - GrownRowTest.y(before, "T", 72)).isCloseTo(3 * ROW + 3 * 13.2, within(0.4));
        // Read back it is a table of six rows.
        List<String> first = Walk.of(Decant.open(made.receipt().file()).document()).stops().stream().filter(stop -> stop.path().size() == 5
                && stop.path().step(3) == 0).map(stop -> stop.paragraph().text()).toList();
        assertThat(first).containsExactly("Harbour", "", "Ostrey", "Lanna", "Venn", "Skerry");
    }

    @Test void rowAndItsOwnUpperNeighbourGrowingAreSetAnewAndToldSo() throws IOException {
        CorrectedFile files = new CorrectedFile(root);
        Path source = files.file(GrownRowTest.table(false));
        Taken taken = Decant.open(source);
        Document now = Typing.type(below(taken.document(), "Ostrey", "Venn"), CorrectedFile.find(taken.document(), "Monday to Friday"),
                "Monday to Friday, and on the eve of feasts", null).after();
        Made made = files.made(source, taken, now, Recipe.PLAIN);
        assertThat(made.pages().rewritten(0)).isNull();
        assertThat(made.findings()).anyMatch(one -> one.contains("rows come below it"));
        assertThat(CorrectedFile.text(made.receipt().file())).contains("Venn", "feasts");
    }

    private static Document without(Document document, String word) {
        return Tables.removeRows(document, TextSelection.caret(CorrectedFile.find(document, word).start())).after();
    }

    @ParameterizedTest @ValueSource(booleans = {false, true}) void rowIsTakenOutAndWhatIsBelowComesUp(boolean frames) throws IOException {
        CorrectedFile files = new CorrectedFile(root);
        Path source = files.file(GrownRowTest.table(frames));
        List<String> before = CorrectedFile.letters(source, 0);
        for (String word : List.of("Ostrey", "Lanna", "Harbour")) {
            Taken taken = Decant.open(source);
            Made made = files.made(source, taken, without(taken.document(), word), Recipe.PLAIN);
            assertThat(made.pages().rewritten(0)).as("%s: %s", word, made.findings()).isNotNull();
            List<String> after = CorrectedFile.letters(made.receipt().file(), 0);
            assertThat(after.stream().filter(one -> !one.isBlank()).count()).isLessThan(before.stream().filter(one -> !one.isBlank()).count());
            assertThat(CorrectedFile.text(made.receipt().file())).doesNotContain(word);
            assertThat(GrownRowTest.y(before, "T", 72) - GrownRowTest.y(after, "T", 72)).isCloseTo(ROW, within(0.11));
            BufferedImage page = GrownRowTest.paint(made.receipt().file());
            double bottom = PAGE - 508 - ROW;
            for (int x : GrownRowTest.COLUMNS) {
                for (double y = PAGE - 580; y <= bottom; y += 1) assertThat(GrownRowTest.isDark(page, x, y)).as("%s, %d, %.0f", word, x, y).isTrue();
                assertThat(GrownRowTest.isDark(page, x, bottom + 4)).as("%s: below the line at %d", word, x).isFalse();
            }
            for (double line : new double[] {PAGE - 580, PAGE - 556, bottom})
                for (int x = 73; x < 460; x += 5) assertThat(GrownRowTest.isDark(page, x, line)).as("%s: the line %.0f down, at %d", word, line, x).isTrue();
            // The shading goes with its row, and no other's.
            int shaded = word.equals("Lanna") ? 2 : word.equals("Harbour") ? 1 : 0;
            for (int row = 1; row <= 2; row++) {
                int level = page.getRGB(2 * 195, 2 * (PAGE - 580 + ROW * row - 4)) & 0xFF;
                assertThat(level).as("%s: row %d", word, row).isBetween(row == shaded ? 0xE0 : 0xFE, row == shaded ? 0xEC : 0xFF);
            }
        }
    }

    @Test void someRowsGoAndOthersComeOnePage() throws IOException {
        CorrectedFile files = new CorrectedFile(root);
        Path source = files.file(GrownRowTest.table(true));
        Taken taken = Decant.open(source);
        Made made = files.made(source, taken, below(without(taken.document(), "Ostrey"), "Lanna", "Venn", "", "555 0117"), Recipe.PLAIN);
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        List<String> before = CorrectedFile.letters(source, 0);
        List<String> after = CorrectedFile.letters(made.receipt().file(), 0);
        assertThat(GrownRowTest.y(after, "V", 78)).isCloseTo(GrownRowTest.y(before, "L", 78), within(0.11));
        assertThat(GrownRowTest.y(after, "T", 72)).isCloseTo(GrownRowTest.y(before, "T", 72), within(0.11));
        assertThat(CorrectedFile.text(made.receipt().file())).contains("555 0117").doesNotContain("Ostrey");
    }

    /** In the words of ISO 32000-2, 14.8.4.8.3: a row of its own, with as many cells. */
    @Test void rowIsReadOutAsARow() throws IOException {
        Path page = root.resolve("ports.html");
        Files.writeString(page, "<html lang='en'><p>Ports</p><table border='1' width='100%'><thead><tr><th>Ship</th><th>Port</th></tr></thead>"
                + "<tbody><tr><td>Queen</td><td>Ostrey</td></tr><tr><td>Kestrel</td><td>Lanna</td></tr></tbody></table><p>All sail.</p></html>");
        Path source = root.resolve("ports.pdf");
        Decant.publish(new Order(Decant.layOut(Decant.open(page).document()), Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE)), source, Progress.SILENT);
        Taken taken = Decant.open(source);

        Made made = new CorrectedFile(root).made(source, taken, below(below(taken.document(), "Queen", "", "Venn"), "Ship", "Gull", "Skerry"), Recipe.PLAIN);

        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        assertThat(rows(made)).containsExactly(List.of("Ship", "Port"), List.of("Gull", "Skerry"), List.of("Queen", "Ostrey"), List.of("", "Venn"),
                List.of("Kestrel", "Lanna"));

        Made less = new CorrectedFile(root).made(source, taken, without(taken.document(), "Queen"), Recipe.PLAIN);

        assertThat(rows(less)).containsExactly(List.of("Ship", "Port"), List.of("Kestrel", "Lanna"));
    }

    private static List<List<String>> rows(Made made) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(made.receipt().file().toFile())) {
            List<List<String>> rows = new ArrayList<>();
            rows(pdf.getDocumentCatalog().getStructureTreeRoot(), pdf, rows);
            return rows;
        }
    }

    private static void rows(PDStructureNode node, PDDocument pdf, List<List<String>> rows) throws IOException {
        for (Object kid : node.getKids()) {
            if (!(kid instanceof PDStructureElement element)) continue;
            if (!element.getStructureType().equals("TR")) {
                rows(element, pdf, rows);
                continue;
            }
            List<String> cells = new ArrayList<>();
            for (Object cell : element.getKids()) {
                StringBuilder said = new StringBuilder();
                CellFillingTest.say((PDStructureElement) cell, pdf, said);
                cells.add(said.toString().strip());
            }
            rows.add(cells);
        }
    }
}
