package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.Decant;
import app.decant.Revision;
import app.decant.demo.PassengerHandbook;
import app.decant.document.Document;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Walk;
import app.decant.edit.FollowingContents;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.format.Taken;
import app.decant.page.Original;
import app.decant.page.Pages;
import app.decant.pdf.HandmadePage;
import app.decant.pdf.keep.CorrectedFile.Made;
import app.decant.publish.Order;
import app.decant.publish.Recipe;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.common.PDRectangle;
import org.apache.pdfbox.pdmodel.common.PDStream;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.pdmodel.graphics.form.PDFormXObject;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** The numbers that the contents of a PDF print, as PDFBox reads them: those of headings that went over to another page, and no others, are new ones. */
class ContentsNumbersTest {
    private static final int CONTENTS = 1;
    @TempDir private static Path root;
    private static Path source;
    private static Taken taken;

    @BeforeAll static void takeIn() {
        source = root.resolve("handbook.pdf");
        Decant.publish(new Order(Decant.layOut(PassengerHandbook.document()), Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE)), source, Progress.SILENT);
        taken = Decant.open(source);
    }

    /** The text with so many more sentences before some words. */
    private static Document longer(Document document, String words, int sentences) {
        return FollowingContents.of(Typing.type(document, TextSelection.caret(find(document, words).start()), "The boats leave once the mail is on board. "
                .repeat(sentences), null)).after();
    }

    private static TextSelection find(Document document, String words) {
        for (Walk.Stop stop : Walk.of(document).stops()) {
            int at = stop.path().size() == 2 ? stop.paragraph().text().indexOf(words) : -1;
            if (at >= 0) return new TextSelection(new Place(stop.path(), at), new Place(stop.path(), at + words.length()));
        }
        throw new AssertionError(words);
    }

    private static Made made(Document document) throws IOException {
        Made made = new CorrectedFile(root).made(source, taken, document, Recipe.PLAIN);
        assertThat(made.receipt().proofs()).allSatisfy(proof -> assertThat(proof.holds()).as("%s", proof).isTrue());
        return made;
    }

    private static List<String> lines(Path file) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            PDFTextStripper stripper = new PDFTextStripper();
            stripper.setSortByPosition(true);
            stripper.setStartPage(CONTENTS + 1);
            stripper.setEndPage(CONTENTS + 1);
            return stripper.getText(pdf).lines().map(line -> line.replaceAll(" ?[. ]{3,}", " ")).toList();
        }
    }

    private static List<String> with(List<String> lines, String... others) {
        List<String> with = new ArrayList<>(lines);
        for (int i = 0; i < others.length; i += 2) {
            assertThat(with).contains(others[i]);
            with.set(with.indexOf(others[i]), others[i + 1]);
        }
        return with;
    }

    @Test void aHeadingThatGoesOverToTheNextPageIsFoundThereByTheContents() throws IOException {
        Made made = made(longer(taken.document(), "Residents of the islands", 36));
        assertThat(made.pages().rewritten(CONTENTS)).isNotNull();
        assertThat(lines(made.receipt().file())).isEqualTo(with(lines(source), "2.2 Luggage and bicycles 4", "2.2 Luggage and bicycles 5"));
    }

    @Test void itMayBeCalledOtherwiseToo() throws IOException {
        Document longer = longer(taken.document(), "Residents of the islands", 36);
        Document renamed = FollowingContents.of(Typing.type(longer, find(longer, "Luggage"), "Boxes", null)).after();
        Made made = made(renamed);
        assertThat(lines(made.receipt().file())).isEqualTo(with(lines(source), "2.2 Luggage and bicycles 4", "2.2 Boxes and bicycles 5"));
    }

    /** What is put in between pages has the number of the one before it and a letter: a leader gives way to that. */
    @Test void ofAPageThatIsPutInTheNumberIsWider() throws IOException {
        Made made = made(longer(taken.document(), "Boarding begins ten", 50));
        Path file = made.receipt().file();
        assertThat(lines(file)).isEqualTo(with(lines(source), "3.2 In rough weather 6", "3.2 In rough weather 6a", "3.3 Lost and found on board 6",
                "3.3 Lost and found on board 6a"));
        List<TextPosition> entry = letters(file, "3.2 In rough weather");
        for (int i = 1; i < entry.size(); i++)
            assertThat(entry.get(i).getXDirAdj()).as("%s stands on none", entry.get(i)).isGreaterThan(entry.get(i - 1).getEndX() - 0.2f);
        float ends = entry.get(entry.size() - 1).getEndX();
        assertThat(letters(file, "3.1 Boarding")).last().satisfies(last -> assertThat(last.getEndX()).isCloseTo(ends, within(0.1f)));
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            List<String> feet = new PDFTextStripper().getText(pdf).lines().filter(line -> line.matches(".*Page \\d+a? of \\d+")).toList();
            assertThat(feet.stream().map(foot -> foot.replaceAll(".* of ", "")).distinct()).as("all count alike").hasSize(1);
        }
    }

    @Test void aContentsPageThatIsSetAnewSaysSoAsWell() throws IOException {
        Document longer = longer(taken.document(), "Residents of the islands", 36);
        Document tabbed = Typing.type(longer, find(longer, "Contents"), "What is\tin it", null).after();
        Made made = made(tabbed);
        assertThat(made.pages().isOwn(CONTENTS)).isFalse();
        assertThat(lines(made.receipt().file())).contains("2.2 Luggage and bicycles 5");
    }

    @Test void whatIsTakenBackIsAsItWas() throws IOException {
        try (Revision revision = new Revision(new Original(source.getFileName().toString(), Files.readAllBytes(source), null), taken)) {
            Pages longer = revision.published(Decant.layOut(longer(taken.document(), "Residents of the islands", 36)), Progress.SILENT).pages();
            assertThat(longer.rewritten(CONTENTS)).isNotNull();
            Pages once = revision.published(Decant.layOut(longer(taken.document(), "Residents of the islands", 1)), Progress.SILENT).pages();
            assertThat(once.rewritten(CONTENTS)).isNull();
            assertThat(once.rewritten(3)).isNotNull();
        }
    }

    /** A form that is a part of the structure (ISO 32000-2, 14.7.5.2) is not copied, so that nothing in it can be another. */
    @Test void aNumberThatCannotBeAnotherIsTold() throws IOException {
        String[] titles = {"Boats and piers", "Mail and parcels", "Tides and winds", "Fares and tickets"};
        Path file = root.resolve("numbers.pdf");
        try (PDDocument pdf = new PDDocument()) {
            StringBuilder contents = new StringBuilder("BT /F2 16 Tf 72 770 Td (Contents) Tj ET /Numbers Do\n");
            StringBuilder numbers = new StringBuilder();
            for (int i = 0; i < titles.length; i++) {
                contents.append("BT /F1 11 Tf 72 ").append(730 - 16 * i).append(" Td (").append(titles[i]).append(' ').append(".".repeat(80))
                        .append(") Tj ET\n");
                numbers.append("BT /F1 11 Tf 500 ").append(730 - 16 * i).append(" Td (").append(i / 2 + 2).append(") Tj ET\n");
            }
            PDFormXObject form = new PDFormXObject(new PDStream(pdf, new ByteArrayInputStream(numbers.toString().getBytes(StandardCharsets.US_ASCII))));
            form.setBBox(new PDRectangle(595, 842));
            form.setResources(resources());
            form.setStructParents(0);
            PDResources resources = resources();
            resources.put(COSName.getPDFName("Numbers"), form);
            HandmadePage.add(pdf, resources, contents.toString());
            for (int page = 0; page < 2; page++) HandmadePage.add(pdf, resources(), page(titles[2 * page], titles[2 * page + 1]));
            pdf.save(file.toFile());
        }
        Taken its = Decant.open(file);
        Made made = new CorrectedFile(root).made(file, its, longer(its.document(), "The harbour office", 60), Recipe.PLAIN);
        assertThat(made.pages().rewritten(0)).isNull();
        assertThat(made.findings()).anyMatch("Where “Mail and parcels” is said to be on page 2 it says so still; it is on page 3 now."::equals);
    }

    private static String page(String... titles) {
        StringBuilder text = new StringBuilder();
        int y = 800;
        for (String title : titles) {
            text.append("BT /F2 16 Tf 72 ").append(y -= 30).append(" Td (").append(title).append(") Tj ET\n");
            for (int line = 0; line < 21; line++)
                text.append("BT /F1 11 Tf 72 ").append(y -= line == 0 ? 24 : 14)
                        .append(" Td (The harbour office opens at eight in the morning and closes at noon").append(line == 20 ? "." : ", as")
                        .append(") Tj ET\n");
        }
        return text.toString();
    }

    private static PDResources resources() {
        PDResources resources = new PDResources();
        resources.put(COSName.getPDFName("F1"), new PDType1Font(Standard14Fonts.FontName.HELVETICA));
        resources.put(COSName.getPDFName("F2"), new PDType1Font(Standard14Fonts.FontName.HELVETICA_BOLD));
        return resources;
    }

    /** The letters of the line of the contents that begins with some words. */
    private static List<TextPosition> letters(Path file, String words) throws IOException {
        List<TextPosition> letters = new ArrayList<>();
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            PDFTextStripper stripper = new PDFTextStripper() {
                private float baseline = -1;

                @Override protected void writeString(String text, List<TextPosition> positions) {
                    if (text.startsWith(words)) baseline = positions.get(0).getYDirAdj();
                    if (positions.get(0).getYDirAdj() == baseline) letters.addAll(positions);
                }
            };
            stripper.setSortByPosition(true);
            stripper.setStartPage(CONTENTS + 1);
            stripper.setEndPage(CONTENTS + 1);
            stripper.getText(pdf);
        }
        letters.removeIf(letter -> letter.getUnicode().isBlank());
        return letters;
    }
}
