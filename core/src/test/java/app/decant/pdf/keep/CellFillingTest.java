package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.Decant;
import app.decant.document.Document;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Walk;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.format.Taken;
import app.decant.pdf.keep.CorrectedFile.Made;
import app.decant.publish.Order;
import app.decant.publish.Recipe;
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

/** Cells of a table that say nothing get words on the page as it is. Streams written by hand and pages made here, read by PDFBox. */
class CellFillingTest {
    private static final String FORM = """
            0.8 w 72 556 128 24 re S 200 556 260 24 re S 72 532 128 24 re S 200 532 260 24 re S 72 508 128 24 re S 200 508 260 24 re S
            BT /F2 11 Tf 78 564 Td (Name of the ship) Tj ET
            BT /F1 11 Tf 206 564 Td (Ostrey Queen) Tj ET
            BT /F2 11 Tf 78 540 Td (Home port) Tj ET
            BT /F2 11 Tf 78 516 Td (Crew) Tj ET
            BT /F1 11 Tf 72 480 Td (Sign on the back.) Tj ET
            """;

    @TempDir private Path root;

    private static Document fill(Document document, int which, String words) {
        List<Walk.Stop> empty = Walk.of(document).stops().stream().filter(stop -> stop.path().size() == 5 && stop.paragraph().length() == 0).toList();
        return Typing.type(document, TextSelection.caret(new Place(empty.get(which).path(), 0)), words, null).after();
    }

    private static double[] at(String letter) {
        String[] parts = letter.strip().split(" ");
        return new double[] {Double.parseDouble(parts[parts.length - 2]), Double.parseDouble(parts[parts.length - 1])};
    }

    private static double[] place(Path file, char letter, double baseline) throws IOException {
        return CorrectedFile.letters(file, 0).stream().filter(one -> one.charAt(0) == letter && Math.abs(at(one)[1] - baseline) < 1)
                .map(CellFillingTest::at).findFirst().orElseThrow();
    }

    @Test void wordsStandInTheColumnAndOnTheLineOfTheirRow() throws IOException {
        CorrectedFile files = new CorrectedFile(root);
        Path source = files.file(FORM);
        Taken taken = Decant.open(source);

        Made made = files.made(source, taken, fill(taken.document(), 0, "Zarra"), Recipe.PLAIN);

        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        double[] letter = place(made.receipt().file(), 'Z', 842 - 540);
        assertThat(letter[0]).isCloseTo(206, within(1.5));
        assertThat(letter[1]).isCloseTo(842 - 540, within(0.1));
        List<String> others = new ArrayList<>(CorrectedFile.letters(made.receipt().file(), 0));
        others.removeIf(one -> Math.abs(at(one)[1] - 301.9) < 0.2 && at(one)[0] > 200);
        assertThat(others).containsExactlyInAnyOrderElementsOf(CorrectedFile.letters(source, 0));
        Document again = Decant.open(made.receipt().file()).document();
        assertThat(CorrectedFile.find(again, "Zarra").start().path().size()).as("in a cell").isEqualTo(5);
    }

    @Test void rowGrowsForMoreThanALine() throws IOException {
        CorrectedFile files = new CorrectedFile(root);
        Path source = files.file(FORM);
        Taken taken = Decant.open(source);
        String words = "Zarra, on the north side of the island, and Lanna in winter, when no boat can land at the old pier";

        Made made = files.made(source, taken, fill(taken.document(), 0, words), Recipe.PLAIN);

        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        assertThat(place(made.receipt().file(), 'C', 842 - 516 + 13.2)[1]).as("the next row").isCloseTo(842 - 516 + 13.2, within(0.2));
        assertThat(CorrectedFile.text(made.receipt().file()).replaceAll("\\s+", " ")).contains("Lanna in winter").contains("Sign on the back.");
        for (String one : CorrectedFile.letters(made.receipt().file(), 0)) assertThat(at(one)[0]).isLessThan(460);
    }

    /** In the words of ISO 32000-2, 14.8.4.8.3: what is put in is the content of its own cell. */
    @Test void wordsAreReadOutInTheirCell() throws IOException {
        Path page = root.resolve("form.html");
        Files.writeString(page, "<html lang='en'><p>A form</p><table border='1' width='100%'><tr><th>Ship</th><th>Port</th><th>Crew</th></tr>"
                + "<tr><td>Queen</td><td></td><td>five</td></tr></table></html>");
        Path source = root.resolve("form.pdf");
        Decant.publish(new Order(Decant.layOut(Decant.open(page).document()), Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE)), source, Progress.SILENT);
        Taken taken = Decant.open(source);

        Made made = new CorrectedFile(root).made(source, taken, fill(taken.document(), 0, "Zarra"), Recipe.PLAIN);

        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        try (PDDocument pdf = Loader.loadPDF(made.receipt().file().toFile())) {
            List<String> cells = new ArrayList<>();
            cells(pdf.getDocumentCatalog().getStructureTreeRoot(), pdf, cells);
            assertThat(cells).containsExactly("Ship", "Port", "Crew", "Queen", "Zarra", "five");
        }
    }

    private static void cells(PDStructureNode node, PDDocument pdf, List<String> cells) throws IOException {
        boolean cell = node instanceof PDStructureElement element && element.getStructureType().matches("T[HD]");
        StringBuilder said = new StringBuilder();
        if (cell) say((PDStructureElement) node, pdf, said);
        if (cell) cells.add(said.toString().strip());
        else for (Object kid : node.getKids()) if (kid instanceof PDStructureNode child) cells(child, pdf, cells);
    }

    static void say(PDStructureElement element, PDDocument pdf, StringBuilder said) throws IOException {
        said.append(TaggedText.of(element, pdf));
        for (Object kid : element.getKids()) if (kid instanceof PDStructureElement child) say(child, pdf, said);
    }
}
