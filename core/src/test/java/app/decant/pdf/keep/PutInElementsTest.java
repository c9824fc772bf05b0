package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.document.Document;
import app.decant.document.Progress;
import app.decant.edit.Change;
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
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureElement;
import org.apache.pdfbox.pdmodel.documentinterchange.logicalstructure.PDStructureNode;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What is put into a tagged page is read out as what it is, where it stands (ISO 32000-2, 14.8.4): the structure as PDFBox reads it, with its text. */
class PutInElementsTest {
    private static final String FIRST = "The harbour office opens at eight in the morning, and in summer at seven already, whatever the tide is.";
    private static final String SECOND = "Nobody is to wait on the pier for want of a ticket or a cup of tea.";
    private static final String NEW = "Children travel free of charge until they go to school.";

    @TempDir private Path root;
    private Path source;
    private Taken taken;

    @BeforeEach void setUp() throws IOException {
        Path page = root.resolve("notice.html");
        Files.writeString(page, "<html lang='en'><h1>Opening hours</h1><p>" + FIRST + "</p><p>" + SECOND + "</p><h2>What to bring</h2><ul><li>a rucksack</li>"
                + "<li>a warm coat</li></ul><p>That is all.</p></html>");
        source = root.resolve("notice.pdf");
        Decant.publish(new Order(Decant.layOut(Decant.open(page).document()), Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE)), source, Progress.SILENT);
        taken = Decant.open(source);
    }

    private static Change behind(Document document, String words) {
        return Typing.breakParagraph(document, TextSelection.caret(CorrectedFile.find(document, words).end()));
    }

    private List<String> spoken(Document now) throws IOException {
        Made made = new CorrectedFile(root).made(source, taken, now, Recipe.PLAIN);
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        List<String> spoken = new ArrayList<>();
        try (PDDocument pdf = Loader.loadPDF(made.receipt().file().toFile())) {
            speak(pdf.getDocumentCatalog().getStructureTreeRoot(), pdf, spoken);
            for (String said : spoken) assertThat(said).as("nothing stands twice").isNotEmpty();
        }
        // Whoever takes it in again finds the same.
        Document again = Decant.open(made.receipt().file()).document();
        for (String said : spoken) if (!said.startsWith("L")) CorrectedFile.find(again, said.substring(said.indexOf(' ') + 1, Math.min(said.length(), 30)));
        return spoken;
    }

    private static void speak(PDStructureNode node, PDDocument pdf, List<String> spoken) throws IOException {
        if (node instanceof PDStructureElement element) {
            assertThat(element.getParent()).isNotNull();
            String said = TaggedText.of(element, pdf).strip();
            if (!said.isEmpty()) spoken.add(element.getStructureType() + " " + said.replaceAll("\\s+", " "));
        }
        for (Object kid : node.getKids()) if (kid instanceof PDStructureNode child) speak(child, pdf, spoken);
    }

    @Test void textBelowAHeadingIsNoneOfIt() throws IOException {
        Change parted = behind(taken.document(), "Opening hours");
        List<String> spoken = spoken(Typing.type(parted.after(), parted.picked(), NEW, null).after());
        assertThat(spoken.subList(0, 4)).containsExactly("H1 Opening hours", "P " + NEW, "P " + FIRST, "P " + SECOND);
    }

    /** Elements that do not tell what they are in have no place beside them (14.7.2, table 355): what is put in is read with them, not lost. */
    @Test void nothingIsLostWhereTheStructureIsDamaged() throws IOException {
        Path damaged = root.resolve("damaged.pdf");
        try (PDDocument pdf = Loader.loadPDF(source.toFile())) {
            orphan(pdf.getDocumentCatalog().getStructureTreeRoot());
            pdf.save(damaged.toFile());
        }
        source = damaged;
        taken = Decant.open(source);
        Change parted = behind(taken.document(), "whatever the tide is.");
        Made made = new CorrectedFile(root).made(source, taken, Typing.type(parted.after(), parted.picked(), NEW, null).after(), Recipe.PLAIN);
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        StringBuilder all = new StringBuilder();
        try (PDDocument pdf = Loader.loadPDF(made.receipt().file().toFile())) {
            read(pdf.getDocumentCatalog().getStructureTreeRoot(), pdf, all);
        }
        assertThat(all.toString().replaceAll("\\s+", " ")).contains(FIRST).contains(NEW).contains(SECOND);
    }

    private static void orphan(PDStructureNode node) {
        for (Object kid : node.getKids()) {
            if (!(kid instanceof PDStructureElement element)) continue;
            orphan(element);
            element.getCOSObject().removeItem(COSName.P);
        }
    }

    private static void read(PDStructureNode node, PDDocument pdf, StringBuilder all) throws IOException {
        if (node instanceof PDStructureElement element) all.append(TaggedText.of(element, pdf)).append(' ');
        for (Object kid : node.getKids()) if (kid instanceof PDStructureNode child) read(child, pdf, all);
    }

    @Test void severalParagraphsStayInTheirOrder() throws IOException {
        Change parted = behind(taken.document(), "whatever the tide is.");
        Change one = Typing.type(parted.after(), parted.picked(), NEW, null);
        Change next = Typing.breakParagraph(one.after(), one.picked());
        List<String> spoken = spoken(Typing.type(next.after(), next.picked(), "Dogs pay half.", null).after());
        assertThat(spoken.subList(0, 5)).containsExactly("H1 Opening hours", "P " + FIRST, "P " + NEW, "P Dogs pay half.", "P " + SECOND);
    }

    @Test void paragraphThatIsPartedIsTwo() throws IOException {
        Document now = behind(taken.document(), "in the morning,").after();
        List<String> spoken = spoken(now);
        assertThat(spoken.subList(1, 4)).containsExactly("P The harbour office opens at eight in the morning,",
                "P and in summer at seven already, whatever the tide is.", "P " + SECOND);
    }

    @Test void itemOfAListIsOne() throws IOException {
        Change parted = behind(taken.document(), "a rucksack");
        List<String> spoken = spoken(Typing.type(parted.after(), parted.picked(), "an umbrella", null).after());
        int heading = spoken.indexOf("H2 What to bring");
        assertThat(spoken.subList(heading + 1, spoken.size()).stream().map(said -> said.replaceAll("[^A-Za-z ]", "").replaceAll(" +", " ").strip())
                .filter(said -> said.contains(" "))).containsExactly("LBody a rucksack", "LBody an umbrella", "LBody a warm coat", "P That is all");
    }
}
