package app.decant.pdf.keep;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.document.Document;
import app.decant.document.Progress;
import app.decant.edit.Adoption;
import app.decant.edit.TextSelection;
import app.decant.format.Formats;
import app.decant.format.Taken;
import app.decant.pdf.keep.CorrectedFile.Made;
import app.decant.publish.Recipe;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import org.apache.pdfbox.text.TextPosition;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** A table pasted into the text of a PDF is a table on its page, not a line for each of its cells. Read by PDFBox. */
class PastedTablesTest {
    private static final String WORDS = "BT /F1 11 Tf 72 700 Td 14 TL (Ask at the pier for the winter timetable of all the ships, or ask the) Tj T* (captain of"
            + " yours.) Tj ET\n";
    private static final String FARES = "<tr><td>Fare</td><td>Price</td></tr><tr><td>Winter fares to all of the islands</td><td>12.50</td></tr></table>";

    @TempDir private Path root;

    @Test void cellsStandBesideEachOther() throws IOException {
        for (String around : List.of("<table>", "<p>New:</p><table>")) {
            Path source = new CorrectedFile(root).file(WORDS, WORDS.replace("Ask", "Look"));
            Taken taken = Decant.open(source);
            byte[] page = ("<!DOCTYPE html><meta charset=utf-8>" + around + FARES).getBytes(StandardCharsets.UTF_8);
            Document table = Formats.read(page, "pasted.html", null, Progress.SILENT).document();
            TextSelection at = TextSelection.caret(CorrectedFile.find(taken.document(), "captain").start());
            Made made = new CorrectedFile(root).made(source, taken, Adoption.paste(taken.document(), at, table).after(), Recipe.PLAIN);
            assertThat(made.findings()).as("it is told").anyMatch(finding -> finding.contains("set anew"));
            assertThat(made.pages().isOwn(1)).isTrue();
            Path file = made.receipt().file();
            TextPosition fare = first(file, "Winter fares");
            TextPosition price = first(file, "12.50");
            assertThat(price.getYDirAdj()).isEqualTo(fare.getYDirAdj());
            TextPosition last = first(file, "islands");
            assertThat(last.getYDirAdj()).as("its column is as wide as its words").isEqualTo(fare.getYDirAdj());
            assertThat(price.getXDirAdj()).isEqualTo(first(file, "Price").getXDirAdj()).isGreaterThan(last.getXDirAdj() + 30);
            assertThat(first(file, "captain").getYDirAdj()).isGreaterThan(price.getYDirAdj());
        }
    }

    private static TextPosition first(Path file, String words) throws IOException { return DressedWordsTest.letters(file, words).get(0); }
}
