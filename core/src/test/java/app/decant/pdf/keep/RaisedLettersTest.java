package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.document.Walk;
import app.decant.pdf.keep.CorrectedFile.Made;
import java.io.IOException;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;
import org.apache.pdfbox.pdmodel.font.PDType1Font;
import org.apache.pdfbox.pdmodel.font.Standard14Fonts;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Letters above and below their lines, as names and formulas have them, and lines each stretched by its own (ISO 32000-2, 9.3.4, 9.3.7): PDFBox reads them. */
class RaisedLettersTest {
    private static final double SIZE = 11;
    @TempDir private Path root;

    private static double width(String words, double stretch) throws IOException {
        return new PDType1Font(Standard14Fonts.FontName.HELVETICA).getStringWidth(words) / 1000 * SIZE * stretch;
    }

    /** A line whose middle stands otherwise by a move of its own, then back. */
    private static String shifted(String before, String word, String behind, double down, double stretch) throws IOException {
        double first = width(before, stretch);
        double second = width(word, stretch);
        return String.format(Locale.ROOT, "%.0f Tz (%s) Tj %.4f %.2f Td (%s) Tj %.4f %.2f Td (%s) Tj %.4f -14 Td\n", 100 * stretch, before, first,
                -down, word, second, down, behind, -first - second);
    }

    private Path page(double down) throws IOException {
        return new CorrectedFile(root).file("BT /F1 11 Tf 72 740 Td "
                + shifted("The tide of the firth is told by T", "E", "X, a sign of the old harbour,", down, 1.02)
                + "98 Tz (and whoever sails by night looks out for it from the bridge) Tj 0 -14 Td\n"
                + shifted("until the pilot comes, by which time T", "E", "X is far behind the ship.", down, 1) + "ET\n");
    }

    private void staysSo(double down) throws IOException {
        Path source = page(down);
        assertThat(Walk.of(Decant.open(source).document()).stops()).as("a letter of the word it stands in")
                .anySatisfy(stop -> assertThat(stop.paragraph().text()).contains("told by TEX, a sign").contains("time TEX is far"));
        Made made = new CorrectedFile(root).correct(source, "old harbour", "old harbour, which is as old as the island itself");
        assertThat(made.pages().rewritten(0)).as("%s", made.findings()).isNotNull();
        assertThat(made.receipt().proofs()).allSatisfy(proof -> assertThat(proof.holds()).as("%s", proof).isTrue());
        List<String> letters = CorrectedFile.letters(made.receipt().file(), 0);
        int found = 0;
        for (int i = 1; i + 1 < letters.size(); i++) {
            if (!letters.get(i).startsWith("E ") || !letters.get(i - 1).startsWith("T ")) continue;
            double[] before = place(letters.get(i - 1));
            double[] own = place(letters.get(i));
            double[] behind = place(letters.get(i + 1));
            assertThat(own[1] - before[1]).as("below its line").isCloseTo(down, Offset.offset(0.11));
            assertThat(behind[1]).isEqualTo(before[1]);
            assertThat(own[0]).isBetween(before[0], behind[0]);
            found++;
        }
        assertThat(found).as("%s", letters).isEqualTo(2);
        assertThat(CorrectedFile.text(made.receipt().file())).contains("as old as the island itself");
    }

    private static double[] place(String letter) {
        String[] told = letter.split(" ");
        return new double[] {Double.parseDouble(told[1]), Double.parseDouble(told[2])};
    }

    @Test void lettersBelowTheirLineGoOnWithTheirWord() throws IOException { staysSo(2.4); }

    @Test void lettersAboveTheirLineGoOnWithTheirWord() throws IOException { staysSo(-2.4); }
}
