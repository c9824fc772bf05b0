package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.Decant;
import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Place;
import app.decant.document.Table;
import app.decant.edit.Tables;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.format.Taken;
import app.decant.pdf.HandmadePage;
import app.decant.pdf.keep.CorrectedFile.Made;
import app.decant.publish.Recipe;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.cos.COSName;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.pdmodel.PDResources;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** Tables on full pages: rows that a page has no room for go over to the next with all that is drawn of them. Streams written by hand, painted by PDFBox. */
class RowsOverPagesTest {
    private static final int PAGE = 842;
    private static final int[] COLUMNS = {72, 200, 330, 460};
    private static final int ROW = 24;
    private static final int TOP = 700;
    private static final int FULL = 25;

    @TempDir private Path root;

    /** What is drawn of a table: lines along all of it, a frame around each cell, rules between the rows alone. */
    enum Drawn { LINES, FRAMES, RULES }

    /** A table from a height down: its head, then rows with a number of their own each; every other one is shaded. */
    private static String table(Drawn drawn, int top, int first, int count, boolean head) {
        StringBuilder table = new StringBuilder("0.5 w\n");
        int rows = head ? count + 1 : count;
        for (int row = 0; row < rows; row++) {
            int number = head ? first + row - 1 : first + row;
            if (number % 2 == 0 && !(head && row == 0)) table.append("q 0.9 g 72 " + (top - ROW * (row + 1)) + " 388 24 re f Q\n");
        }
        int bottom = top - ROW * rows;
        for (int x : COLUMNS) if (drawn == Drawn.LINES) table.append(x + " " + top + " m " + x + " " + bottom + " l S\n");
        for (int row = 0; row <= rows; row++) if (drawn != Drawn.FRAMES) table.append("72 " + (top - ROW * row) + " m 460 " + (top - ROW * row) + " l S\n");
        for (int row = 0; row < rows; row++) {
            int number = head ? first + row - 1 : first + row;
            boolean heads = head && row == 0;
            String[] words = heads ? new String[] {"Harbour", "Open", "Telephone"} : new String[] {"Port " + number, "Daily until " + number,
                "555 0" + (100 + number)};
            for (int column = 0; column < 3; column++) {
                int x = COLUMNS[column];
                int y = top - ROW * (row + 1);
                if (drawn == Drawn.FRAMES) table.append(x + " " + y + " " + (COLUMNS[column + 1] - x) + " 24 re S\n");
                table.append("BT /" + (heads ? "F2" : "F1") + " 11 Tf " + (x + 6) + " " + (y + 8) + " Td (" + words[column] + ") Tj ET\n");
            }
        }
        return table.toString();
    }

    private static String line(int y, String words) { return "BT /F1 11 Tf 72 " + y + " Td (" + words + ") Tj ET\n"; }

    private Path file(String... contents) throws IOException {
        Path file = root.resolve("source.pdf");
        try (PDDocument pdf = new PDDocument()) {
            PDResources resources = new PDResources();
            resources.put(COSName.getPDFName("F1"), new PDType1Font(Standard14Fonts.FontName.HELVETICA));
            resources.put(COSName.getPDFName("F2"), new PDType1Font(Standard14Fonts.FontName.HELVETICA_BOLD));
            for (String content : contents) HandmadePage.add(pdf, resources, content);
            pdf.save(file.toFile());
        }
        return file;
    }

    private static Document below(Document document, String word, String... cells) {
        BlockPath path = CorrectedFile.find(document, word).start().path();
        Document now = Tables.insertRow(document, TextSelection.caret(new Place(path, 0)), true).after();
        for (int i = 0; i < cells.length; i++) {
            Place cell = new Place(path.head(2).then(path.step(2) + 1, i, 0), 0);
            if (!cells[i].isEmpty()) now = Typing.type(now, TextSelection.caret(cell), cells[i], null).after();
        }
        return now;
    }

    private static BufferedImage paint(Path file, int page) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            return new PDFRenderer(pdf).renderImageWithDPI(page, 144, ImageType.RGB);
        }
    }

    /** The numbers of the ports on a page, from above. */
    private static List<String> ports(Path file, int page) throws IOException {
        List<String> ports = new ArrayList<>();
        StringBuilder said = new StringBuilder();
        for (String letter : CorrectedFile.letters(file, page)) said.append(letter.split(" ")[0]);
        for (String part : said.toString().split("Port")) if (part.matches("\\d+Daily.*")) ports.add(part.replaceAll("Daily.*", ""));
        return ports;
    }

    private static List<String> numbers(int from, int to) {
        List<String> numbers = new ArrayList<>();
        for (int i = from; i <= to; i++) numbers.add("" + i);
        return numbers;
    }

    /** That rows of a table are drawn as such: lines across at each edge, lines down unless there were none. */
    private static void assertDrawn(BufferedImage page, Drawn drawn, double top, int rows, String what) {
        for (int row = 0; row <= rows; row++)
            for (int x = 75; x < 460; x += 9)
                assertThat(GrownRowTest.isDark(page, x, top + ROW * row)).as("%s: the line above row %d, at %d", what, row, x).isTrue();
        for (int x : COLUMNS)
            for (double y = top + 2; drawn != Drawn.RULES && y < top + ROW * rows - 1; y += 3)
                assertThat(GrownRowTest.isDark(page, x, y)).as("%s: the line at %d, %.0f down", what, x, y).isTrue();
        for (int x = 75; x < 460; x += 9)
            assertThat(GrownRowTest.isDark(page, x, top + ROW * rows + 5)).as("%s: below the table at %d", what, x).isFalse();
    }

    @ParameterizedTest @EnumSource(Drawn.class) void rowsGoOverToTheTableOnTheNextPage(Drawn drawn) throws IOException {
        Path source = file(line(740, "The ports of the isle.") + table(drawn, TOP, 1, FULL, true),
                table(drawn, TOP, FULL + 1, 8, true) + line(460, "The pier is closed in winter."));
        Taken taken = Decant.open(source);
        assertThat(taken.document().sections().get(0).blocks().stream().filter(Table.class::isInstance)).as("one table").hasSize(1);

        Made made = new CorrectedFile(root).made(source, taken, below(taken.document(), "Port 3", "Venn", "On request", "555 0999"), Recipe.PLAIN);

        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        Path result = made.receipt().file();
        assertThat(ports(result, 0)).isEqualTo(numbers(1, FULL - 1));
        assertThat(ports(result, 1)).isEqualTo(numbers(FULL, FULL + 8));
        assertThat(CorrectedFile.text(result)).containsOnlyOnce("Venn");
        BufferedImage first = paint(result, 0);
        BufferedImage next = paint(result, 1);
        assertDrawn(first, drawn, PAGE - TOP, FULL + 1, drawn + ", first page");
        assertDrawn(next, drawn, PAGE - TOP, 10, drawn + ", next page");
        // The row that came stands where the first one stood, the text below the table a row lower.
        List<String> before = CorrectedFile.letters(source, 1);
        List<String> after = CorrectedFile.letters(result, 1);
        assertThat(GrownRowTest.y(after, "T", 72) - GrownRowTest.y(before, "T", 72)).isCloseTo(ROW, within(0.11));
        int shaded = next.getRGB(2 * 196, (int) (2 * (PAGE - TOP + 1.5 * ROW))) & 0xFF;
        assertThat(shaded).as("row %d is not shaded", FULL).isEqualTo(0xFF);
        assertThat(next.getRGB(2 * 196, (int) (2 * (PAGE - TOP + 2.5 * ROW))) & 0xFF).as("the next is").isBetween(0xE0, 0xEC);
    }

    /** Of the rows put in below one near the foot, those that have room stay; the others lead the rows of the next page, and what was below comes after. */
    @ParameterizedTest
    @CsvSource({"LINES, 24, 1", "FRAMES, 24, 1", "RULES, 24, 1", "LINES, 25, 0", "FRAMES, 25, 0"})
    void newRowsThemselvesGoOver(Drawn drawn, int below, int stay) throws IOException {
        Path source = file(line(740, "The ports of the isle.") + table(drawn, TOP, 1, FULL, true),
                table(drawn, TOP, FULL + 1, 8, true) + line(460, "The pier is closed in winter."));
        Taken taken = Decant.open(source);
        Document now = below(taken.document(), "Port " + below, "Port 902", "Daily until 92", "555 0902");
        now = below(now, "Port " + below, "Port 901", "", "555 0901");

        Made made = new CorrectedFile(root).made(source, taken, now, Recipe.PLAIN);

        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        Path result = made.receipt().file();
        String said = CorrectedFile.text(result).replaceAll("\\s+", " ");
        assertThat(said).containsOnlyOnce("Port 901").containsOnlyOnce("555 0901").containsOnlyOnce("Port 902").containsOnlyOnce("Daily until 92 ");
        assertDrawn(paint(result, 0), drawn, PAGE - TOP, below + 1 + stay, drawn + ", first page");
        assertDrawn(paint(result, 1), drawn, PAGE - TOP, 9 + 2 - stay + FULL - below, drawn + ", next page");
        List<String> next = CorrectedFile.letters(result, 1);
        // The first of them stands where the first row below the head stood, in its columns.
        List<String> before = CorrectedFile.letters(source, 1);
        double first = before.stream().filter(one -> one.startsWith("P 78")).mapToDouble(one -> Double.parseDouble(one.split(" ")[2])).min().orElseThrow();
        assertThat(next.stream().filter(one -> one.startsWith("P 78")).mapToDouble(one -> Double.parseDouble(one.split(" ")[2])).min().orElseThrow())
                .isCloseTo(first, within(0.11));
        String rows = said.substring(said.indexOf("Port " + below + " "));
        assertThat(rows.indexOf("Port 901")).isLessThan(rows.indexOf("Port 902"));
        assertThat(rows.indexOf("Port 902")).isLessThan(rows.indexOf("Port " + (FULL + 1)));
        if (below < FULL) assertThat(rows.indexOf("Port 902")).isLessThan(rows.indexOf("Port " + FULL));
    }

    @ParameterizedTest @EnumSource(Drawn.class) void rowsGoOverAboveTextAndTextAboveRows(Drawn drawn) throws IOException {
        Path source = file(line(740, "The ports of the isle.") + table(drawn, TOP, 1, FULL, true),
                line(740, "The pier is closed in winter, and no ferry calls then.") + line(726, "Ask the master of the harbour."));
        Taken taken = Decant.open(source);

        Made made = new CorrectedFile(root).made(source, taken, below(taken.document(), "Port 3", "Venn", "On request", "555 0999"), Recipe.PLAIN);

        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        Path result = made.receipt().file();
        assertThat(ports(result, 0)).isEqualTo(numbers(1, FULL - 1));
        assertThat(ports(result, 1)).isEqualTo(numbers(FULL, FULL));
        assertDrawn(paint(result, 0), drawn, PAGE - TOP, FULL + 1, drawn + ", first page");
        List<String> after = CorrectedFile.letters(result, 1);
        double words = GrownRowTest.y(after, "P", 78);
        assertDrawn(paint(result, 1), drawn, words - 16, 1, drawn + ", next page");
        assertThat(after.stream().filter(one -> one.startsWith("T 72")).mapToDouble(one -> Double.parseDouble(one.split(" ")[2])).min().orElseThrow())
                .isGreaterThan(words + 16);
    }

    @Test void wordsThatAPageHasNoRoomForStandAboveTheTableOnTheNext() throws IOException {
        StringBuilder text = new StringBuilder();
        for (int i = 0; i < 52; i++) {
            String first = "Rule " + (i / 4 + 1) + ". Whoever comes to the pier waits there until the boat has been made fast, and lets those";
            String next = "who come from the island go first, with all they carry, whatever the hour and the tide may be";
            text.append(line(770 - 14 * i, i % 4 == 0 ? first : next));
        }
        Path source = file(text.toString(), table(Drawn.LINES, TOP, 1, 10, true) + line(420, "The pier is closed in winter."));
        Taken taken = Decant.open(source);
        Document now = Typing.type(taken.document(), CorrectedFile.find(taken.document(), "Rule 2. Whoever comes to the pier"),
                "Rule 2. Whoever comes to the pier, be it with the bus or on foot, in the morning or at night, alone or with others, to go over or to see"
                + " somebody off who does", null).after();

        Made made = new CorrectedFile(root).made(source, taken, now, Recipe.PLAIN);

        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        Path result = made.receipt().file();
        List<String> after = CorrectedFile.letters(result, 1);
        double down = GrownRowTest.y(after, "T", 72) - GrownRowTest.y(CorrectedFile.letters(source, 1), "T", 72);
        assertThat(down).isGreaterThan(14);
        assertDrawn(paint(result, 1), Drawn.LINES, PAGE - TOP + down, 11, "the table");
        double lowest = after.stream().filter(one -> one.startsWith("w 72")).mapToDouble(one -> Double.parseDouble(one.split(" ")[2])).max().orElseThrow();
        assertThat(lowest).isBetween(PAGE - TOP - 5.0, PAGE - TOP + down - 3);
    }
}
