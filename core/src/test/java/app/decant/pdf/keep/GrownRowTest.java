package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.Decant;
import app.decant.document.Document;
import app.decant.document.Table;
import app.decant.edit.Typing;
import app.decant.format.Taken;
import app.decant.pdf.keep.CorrectedFile.Made;
import app.decant.publish.Recipe;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.rendering.ImageType;
import org.apache.pdfbox.rendering.PDFRenderer;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Cells of a table that say more than they have room for: their row grows on the page as it is. Streams written by hand, read and painted by PDFBox. */
class GrownRowTest {
    static final int[] COLUMNS = {72, 200, 330, 460};
    private static final int[] ROWS = {580, 556, 532, 508};
    private static final int PAGE = 842;
    private static final double LEADING = 13.2;
    private static final String[][] WORDS = {{"Harbour", "Open", "Telephone"}, {"Ostrey", "Monday to Friday", "555 0110"},
        {"Lanna", "Sundays only", "555 0112"}};
    private static final String LONGER = "Monday to Friday, and on the eve of feasts";

    @TempDir private Path root;
    private CorrectedFile files;

    @BeforeEach void setUp() { files = new CorrectedFile(root); }

    /** Lines drawn through, or each cell with a frame of its own; the second row is shaded. */
    static String table(boolean frames) {
        StringBuilder table = new StringBuilder("q 0.9 g 72 532 388 24 re f Q 0.8 w\n");
        for (int x : COLUMNS) if (!frames) table.append(x + " 580 m " + x + " 508 l S\n");
        for (int y : ROWS) if (!frames) table.append("72 " + y + " m 460 " + y + " l S\n");
        for (int row = 0; row < 3; row++) {
            for (int column = 0; column < 3; column++) {
                int x = COLUMNS[column];
                int y = ROWS[row + 1];
                if (frames) table.append(x + " " + y + " " + (COLUMNS[column + 1] - x) + " " + (ROWS[row] - y) + " re S\n");
                table.append("BT /F1 11 Tf " + (x + 6) + " " + (y + 8) + " Td (" + WORDS[row][column] + ") Tj ET\n");
            }
        }
        return table + "BT /F1 11 Tf 72 480 Td (The pier is closed in winter.) Tj ET\n";
    }

    static double y(List<String> letters, String letter, double x) {
        return letters.stream().map(one -> one.split(" ")).filter(one -> one[0].equals(letter) && Math.abs(Double.parseDouble(one[1]) - x) < 0.2)
                .mapToDouble(one -> Double.parseDouble(one[2])).max().orElseThrow();
    }

    static boolean isDark(BufferedImage image, double x, double y) {
        for (int dx = -1; dx <= 1; dx++)
            for (int dy = -1; dy <= 1; dy++) if ((image.getRGB((int) Math.round(2 * x) + dx, (int) Math.round(2 * y) + dy) & 0xFF) < 0x90) return true;
        return false;
    }

    static BufferedImage paint(Path file) throws IOException {
        try (PDDocument pdf = Loader.loadPDF(file.toFile())) {
            return new PDFRenderer(pdf).renderImageWithDPI(0, 144, ImageType.RGB);
        }
    }

    @ParameterizedTest @ValueSource(booleans = {false, true}) void rowGrowsWithItsLinesAndWhatIsBelowGoesDown(boolean frames) throws IOException {
        Path source = files.file(table(frames));
        assertThat(Decant.open(source).document().sections().get(0).blocks()).hasAtLeastOneElementOfType(Table.class);
        List<String> before = CorrectedFile.letters(source, 0);

        Made made = files.correct(source, "Monday to Friday", LONGER);

        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        List<String> after = CorrectedFile.letters(made.receipt().file(), 0);
        assertThat(after.stream().map(one -> one.split(" ")[0]).toList().toString().replaceAll("[, ]", "")).contains("MondaytoFridayandontheeveoffeasts");
        // The other cells of its row stay, the next row and the text below go down by a line.
        assertThat(y(after, "O", 78)).isEqualTo(y(before, "O", 78));
        assertThat(y(after, "M", 206)).isEqualTo(y(before, "M", 206));
        assertThat(y(after, "L", 78) - y(before, "L", 78)).isCloseTo(LEADING, within(0.11));
        assertThat(y(after, "S", 206) - y(before, "S", 206)).isCloseTo(LEADING, within(0.11));
        BufferedImage page = paint(made.receipt().file());
        double bottom = PAGE - 508 + LEADING;
        for (int x : COLUMNS) {
            for (double y = PAGE - 580; y <= bottom; y += 1) assertThat(isDark(page, x, y)).as("the line at %d, %.0f down", x, y).isTrue();
            assertThat(isDark(page, x, bottom + 4)).as("below the line at %d", x).isFalse();
        }
        for (double line : new double[] {PAGE - 556, PAGE - 532 + LEADING, bottom})
            for (int x = 73; x < 460; x += 5) assertThat(isDark(page, x, line)).as("the line %.0f down, at %d", line, x).isTrue();
        for (int x = 73; x < 76; x++) assertThat(isDark(page, x, PAGE - 532)).as("where the row ended").isFalse();
        // The shading reaches as far down as the row.
        assertThat(page.getRGB(2 * 190, (int) (2 * (PAGE - 532 + LEADING - 3))) & 0xFF).isBetween(0xE0, 0xEC);
        assertThat(page.getRGB(2 * 190, (int) (2 * (PAGE - 532 + LEADING + 4))) & 0xFF).isEqualTo(0xFF);
    }

    @Test void twoCellsOfARowMakeItGrowOnceAndTwoRowsOneAfterTheOther() throws IOException {
        Path source = files.file(table(true));
        List<String> before = CorrectedFile.letters(source, 0);
        Taken taken = Decant.open(source);
        Document now = Typing.type(taken.document(), CorrectedFile.find(taken.document(), "Monday to Friday"), LONGER, null).after();
        now = Typing.type(now, CorrectedFile.find(now, "Ostrey"), "Ostrey, the old one by the castle", null).after();
        now = Typing.type(now, CorrectedFile.find(now, "Sundays only"), "Sundays, and whenever the ferry calls", null).after();

        Made made = files.made(source, taken, now, Recipe.PLAIN);

        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        List<String> after = CorrectedFile.letters(made.receipt().file(), 0);
        assertThat(y(after, "L", 78) - y(before, "L", 78)).isCloseTo(LEADING, within(0.11));
        assertThat(after.stream().map(one -> one.split(" ")[0]).toList().toString().replaceAll("[, ]", "")).contains("wheneverthe", "castle");
        BufferedImage page = paint(made.receipt().file());
        double bottom = PAGE - 508 + 2 * LEADING;
        for (int x : COLUMNS) for (double y = PAGE - 580; y <= bottom; y += 1) assertThat(isDark(page, x, y)).as("the line at %d, %.0f down", x, y).isTrue();
        for (int x = 73; x < 460; x += 5) assertThat(isDark(page, x, bottom)).as("the last line, at %d", x).isTrue();
    }

    @Test void rowStaysAsHighAsItIsWhereACellSaysLess() throws IOException {
        Path source = files.file(table(true));
        Path grown = root.resolve("grown.pdf");
        Files.copy(files.correct(source, "Monday to Friday", LONGER).receipt().file(), grown);
        Made made = files.correct(grown, ", and on the eve of feasts", "");
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        BufferedImage before = paint(grown);
        BufferedImage page = paint(made.receipt().file());
        for (int x = 0; x < page.getWidth(); x++)
            for (int y = 0; y < page.getHeight(); y++)
                if (x < 2 * 200 || x > 2 * 325) assertThat(page.getRGB(x, y)).as("at %d, %d", x, y).isEqualTo(before.getRGB(x, y));
        assertThat(CorrectedFile.text(made.receipt().file())).contains("Monday to Friday").doesNotContain("feasts");
    }

    @Test void rowsThatWouldRunOffThePageAreSetAnewAndToldSo() throws IOException {

        Path source = files.file("q 1 0 0 1 0 -478 cm\n" + table(true) + "Q\n");
        String words = String.format(Locale.ROOT, "%s, %s, %s and %s", LONGER, LONGER, LONGER, LONGER);
        Made made = files.correct(source, "Monday to Friday", words);
        assertThat(made.pages().rewritten(0)).isNull();
        assertThat(made.findings()).anyMatch(one -> one.contains("no room") || one.contains("in its way"));
        assertThat(CorrectedFile.text(made.receipt().file()).replaceAll("\\s+", " ")).contains("on the eve of feasts");
    }
}
