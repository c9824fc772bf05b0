package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.Decant;
import app.decant.document.BlockPath;
import app.decant.document.Place;
import app.decant.edit.Change;
import app.decant.edit.Deletion;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.format.Taken;
import app.decant.pdf.keep.CorrectedFile.Made;
import app.decant.publish.Recipe;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Items put into lists of a PDF, parted, joined and taken out within their own page: labels come along, and those after them count on. Read by PDFBox. */
class ListItemsInPlaceTest {
    private static final String FOOT = "BT /F1 11 Tf 72 400 Td (Ask at the pier for all else that you may need on board, or on the way to"
            + " the islands and back.) Tj ET\n";
    private static final List<String> TEXTS = List.of("Bicycles are carried free of charge.", "Dogs stay on the lead at all times.", "Cars board first.",
            "Children under six travel for nothing.");

    @TempDir private Path root;

    private static String item(int y, String label, double left, String text) {
        return "BT /F1 11 Tf " + left + " " + y + " Td (" + label + ") Tj ET BT /F1 11 Tf 92 " + y + " Td (" + text + ") Tj ET\n";
    }

    private Path list(String... labels) throws IOException {
        StringBuilder content = new StringBuilder();
        for (int i = 0; i < labels.length; i++) content.append(item(760 - 16 * i, labels[i], 74, TEXTS.get(i % TEXTS.size())));
        return new CorrectedFile(root).file(content + FOOT);
    }

    private static List<TextPosition> letters(Path file) throws IOException {
        List<TextPosition> letters = new ArrayList<>();
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            PDFTextStripper stripper = new PDFTextStripper() {
                @Override protected void processTextPosition(TextPosition text) { letters.add(text); }
            };
            stripper.getText(pdf);
        }
        letters.removeIf(letter -> letter.getUnicode().isBlank());
        return letters;
    }

    /** The lines of the page down to the foot, each as what it says and where its first two words' letters stand. */
    private static List<String> lines(Path file) throws IOException {
        List<TextPosition> letters = letters(file);
        letters.sort((one, other) -> one.getYDirAdj() != other.getYDirAdj() ? Float.compare(one.getYDirAdj(), other.getYDirAdj())
                : Float.compare(one.getXDirAdj(), other.getXDirAdj()));
        List<String> lines = new ArrayList<>();
        StringBuilder line = new StringBuilder();
        TextPosition before = null;
        for (TextPosition letter : letters) {
            if (before != null && letter.getYDirAdj() - before.getYDirAdj() > 2) {
                lines.add(line.toString());
                line.setLength(0);
            } else if (before != null && letter.getXDirAdj() - before.getXDirAdj() - before.getWidthDirAdj() > 1.5) {
                line.append(' ');
            }
            line.append(letter.getUnicode());
            before = letter;
        }
        lines.add(line.toString());
        return lines;
    }

    private static TextPosition first(Path file, String line) throws IOException {
        List<TextPosition> letters = letters(file);
        StringBuilder all = new StringBuilder();
        for (TextPosition letter : letters) all.append(letter.getUnicode());
        int at = all.indexOf(line.replace(" ", ""));
        assertThat(at).as("“%s” in %s", line, all).isNotNegative();
        return letters.get(at);
    }

    private static void isInPlace(Made made) { assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull(); }

    @Test void aBulletComesWithANewItem() throws IOException {
        Path source = list("\225", "\225", "\225");
        Made made = new CorrectedFile(root).part(source, "lead at all times.", "Cats stay in their baskets.");
        isInPlace(made);
        Path file = made.receipt().file();
        assertThat(lines(file).subList(0, 4)).containsExactly("• " + TEXTS.get(0), "• " + TEXTS.get(1),
                "• Cats stay in their baskets.", "• " + TEXTS.get(2));
        TextPosition dogs = first(file, "Dogs");
        TextPosition cats = first(file, "Cats");
        assertThat(cats.getXDirAdj()).isCloseTo(dogs.getXDirAdj(), within(0.05f));
        assertThat(cats.getYDirAdj() - dogs.getYDirAdj()).isCloseTo(16, within(0.05f));
        assertThat(first(file, "Cars").getYDirAdj() - cats.getYDirAdj()).isCloseTo(16, within(0.05f));
        List<TextPosition> bullets = letters(file).stream().filter(letter -> letter.getUnicode().equals("•")).toList();
        assertThat(bullets).hasSize(4).allSatisfy(bullet -> assertThat(bullet.getXDirAdj()).isCloseTo(74, within(0.05f)));
        assertThat(bullets.stream().map(TextPosition::getYDirAdj).distinct()).hasSize(4);
    }

    @Test void whatFollowsANewItemCountsOn() throws IOException {
        Path source = list("1.", "2.", "3.", "4.");
        Made made = new CorrectedFile(root).part(source, "free of charge.", "Prams are too.");
        isInPlace(made);
        assertThat(lines(made.receipt().file()).subList(0, 5)).containsExactly("1. " + TEXTS.get(0), "2. Prams are too.", "3. " + TEXTS.get(1), "4. "
                + TEXTS.get(2), "5. " + TEXTS.get(3));
        assertThat(first(made.receipt().file(), "5.").getXDirAdj()).isCloseTo(74, within(0.05f));
    }

    @Test void whatFollowsAnItemThatIsGoneCountsOnToo() throws IOException {
        Made made = new CorrectedFile(root).remove(list("1.", "2.", "3.", "4."), "Dogs");
        isInPlace(made);
        assertThat(lines(made.receipt().file()).subList(0, 3)).containsExactly("1. " + TEXTS.get(0), "2. " + TEXTS.get(2), "3. " + TEXTS.get(3));
    }

    @Test void twoItemsAreOne() throws IOException {
        Made made = new CorrectedFile(root).join(list("a\\)", "b\\)", "c\\)", "d\\)"), "Cars board");
        isInPlace(made);
        assertThat(lines(made.receipt().file()).subList(0, 3)).containsExactly("a) " + TEXTS.get(0), "b) " + TEXTS.get(1) + " " + TEXTS.get(2), "c) "
                + TEXTS.get(3));
    }

    /** Ten and more in a list whose labels end below one another. */
    @Test void wideLabelsEndWhereNarrowOnesDo() throws IOException {
        StringBuilder content = new StringBuilder();
        for (int i = 1; i <= 11; i++) content.append(item(822 - 14 * i, i + ".", i < 10 ? 74 : 67.883, TEXTS.get(i % TEXTS.size())));
        Path source = new CorrectedFile(root).file(content + FOOT);
        Made made = new CorrectedFile(root).part(source, "free of charge.", "Prams are too.");
        isInPlace(made);
        Path file = made.receipt().file();
        assertThat(lines(file).subList(8, 12)).extracting(line -> line.replaceAll(" .*", "")).containsExactly("9.", "10.", "11.", "12.");
        float edge = 74 + 2 * 6.117f - 3.06f;
        for (String label : List.of("9.", "10.", "12.")) {
            TextPosition one = first(file, label);
            assertThat(one.getXDirAdj() + one.getWidthDirAdj() * label.length()).as(label).isCloseTo(edge + 3.06f, within(0.2f));
        }
        assertThat(first(file, "10.").getXDirAdj()).isCloseTo(67.883f, within(0.1f));
    }

    /** An item that goes on for several lines keeps its edge, and so does the one that begins within it. */
    @Test void anItemOfSeveralLinesIsPartedWhereItHangs() throws IOException {
        String lines = "BT /F1 11 Tf 74 760 Td (1.) Tj ET BT /F1 11 Tf 14 TL 92 760 Td (The ship leaves at noon and comes back before the tide of that) Tj T*"
                + " (evening turns. Nobody waits for those who are late, not even) Tj T* (for the mayor of the town.) Tj ET\n"
                + item(716, "2.", 74, TEXTS.get(1))
                + item(700, "3.", 74, TEXTS.get(2));
        Path source = new CorrectedFile(root).file(lines + "BT /F1 11 Tf 72 400 Td (Ask at the pier.) Tj ET\n");
        Taken taken = Decant.open(source);
        Place end = CorrectedFile.find(taken.document(), "evening turns.").end();
        Change parted = Typing.breakParagraph(taken.document(), TextSelection.caret(end));
        Made made = new CorrectedFile(root).made(source, taken, parted.after(), Recipe.PLAIN);
        isInPlace(made);
        Path file = made.receipt().file();
        assertThat(lines(file).subList(0, 6)).containsExactly("1. The ship leaves at noon and comes back before the tide of that", "evening turns.",
                "2. Nobody waits for those who are late, not even for the mayor of", "the town.", "3. " + TEXTS.get(1), "4. " + TEXTS.get(2));
        for (String begin : List.of("The ship", "evening", "Nobody", "the town", "Dogs")) assertThat(first(file, begin).getXDirAdj()).as(begin).isCloseTo(92,
                within(0.6f));
    }

    /** A label near its item is no word of it: where the item breaks otherwise, the room between them stays. */
    @Test void theRoomAfterALabelStaysWhateverIsSaid() throws IOException {
        String lines = "BT /F1 11 Tf 74 760 Td (\225) Tj ET BT /F1 11 Tf 14 TL 86 760 Td (The ship leaves at noon and comes back before the tide of that) Tj T*"
                + " (evening turns for good.) Tj ET BT /F1 11 Tf 74 728 Td (\225) Tj ET BT /F1 11 Tf 86 728 Td (Dogs stay on the lead.) Tj ET\n";
        Path source = new CorrectedFile(root).file(lines + FOOT);
        Made made = new CorrectedFile(root).correct(source, "ship", "ship, unless the captain says otherwise,");
        isInPlace(made);
        assertThat(first(made.receipt().file(), "The ship").getXDirAdj()).isCloseTo(86, within(0.05f));
        assertThat(first(made.receipt().file(), "Dogs").getXDirAdj()).isCloseTo(86, within(0.05f));
    }

    /** What was typed and what is counted are both another on one line. */
    @Test void anItemIsCorrectedAndCountsOn() throws IOException {
        Path source = list("1.", "2.", "3.", "4.");
        Taken taken = Decant.open(source);
        Change typed = Typing.type(taken.document(), CorrectedFile.find(taken.document(), "Cars"), "Lorries", null);
        BlockPath path = CorrectedFile.find(typed.after(), "Dogs").start().path();
        Change gone = Deletion.delete(typed.after(), new TextSelection(new Place(path, 0), new Place(path.sibling(path.last() + 1), 0)));
        Made made = new CorrectedFile(root).made(source, taken, gone.after(), Recipe.PLAIN);
        isInPlace(made);
        assertThat(lines(made.receipt().file()).subList(0, 3)).containsExactly("1. " + TEXTS.get(0), "2. Lorries board first.", "3. " + TEXTS.get(3));
    }
}
