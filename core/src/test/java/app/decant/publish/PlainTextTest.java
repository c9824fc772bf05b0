package app.decant.publish;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.Decant;
import app.decant.demo.PassengerHandbook;
import app.decant.document.Block;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.format.text.PlainText;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Plain text by every wish: letters, line ends, width; and read again as what it is said to be. */
class PlainTextTest {
    private static final String WORDS = "Fähre nach Västerholm – 3,50 € für Räder";

    @TempDir private Path folder;

    private static Document document(String... lines) {
        return Document.empty().withSections(List.of(Section.PLAIN.withBlocks(Arrays.stream(lines).<Block>map(Paragraph::of).toList())));
    }

    private Receipt publish(Document document, PlainText how) {
        return Publisher.publish(new Order(Decant.layOut(document), Recipe.PLAIN.to(Target.TXT).with(how).with(Recipe.WhenPresent.REPLACE)),
                folder.resolve("made.txt"), Instant.EPOCH, Progress.SILENT);
    }

    private static String text(Document document) {
        StringBuilder text = new StringBuilder();
        for (var block : document.blocks()) text.append(text.isEmpty() ? "" : "\n").append(((Paragraph) block).text());
        return text.toString();
    }

    @ParameterizedTest
    @ValueSource(strings = {"UTF-8", "UTF-16", "UTF-16LE", "windows-1252", "ISO-8859-15", "IBM00858"})
    void writesTheLettersThatAreWished(String encoding) throws IOException {
        PlainText how = new PlainText(Charset.forName(encoding), false, PlainText.LineEnds.CRLF, 0);
        Receipt receipt = publish(document(WORDS.replace(" – ", " - "), "Zweite Zeile"), how);
        String read = new String(Files.readAllBytes(receipt.file()), Charset.forName(encoding));
        assertThat(read).isEqualTo(WORDS.replace(" – ", " - ") + "\r\nZweite Zeile\r\n");
        assertThat(text(Decant.openText(receipt.file(), how.letters()).document())).isEqualTo(WORDS.replace(" – ", " - ") + "\nZweite Zeile");
    }

    /** Unicode 15.0, 23.8: the mark of UTF-8 is EF BB BF; readers that find it out take it off. */
    @Test void beginsWithAMarkWhereWished() throws IOException {
        Receipt receipt = publish(document(WORDS), new PlainText(StandardCharsets.UTF_8, true, PlainText.LineEnds.LF, 0));
        assertThat(Arrays.copyOf(Files.readAllBytes(receipt.file()), 3)).containsExactly(0xEF, 0xBB, 0xBF);
        assertThat(text(Decant.open(receipt.file()).document())).isEqualTo(WORDS);
    }

    @Test void tellsWhatAnEncodingHasNoLettersFor() throws IOException {
        Receipt receipt = publish(document("Ферри 7 to Westness"), new PlainText(StandardCharsets.ISO_8859_1, false, PlainText.LineEnds.LF, 0));
        assertThat(receipt.findings()).anySatisfy(finding -> assertThat(finding.what())
                .isEqualTo("5 characters can't be written in ISO-8859-1; question marks stand in their place."));
        assertThat(Files.readString(receipt.file())).isEqualTo("????? 7 to Westness\n");
    }

    @Test void wrapsParagraphsAndLeavesRowsOfTables() throws IOException {
        Receipt receipt = publish(PassengerHandbook.document(), new PlainText(StandardCharsets.UTF_8, false, PlainText.LineEnds.LF, 60));
        List<String> lines = Files.readAllLines(receipt.file());
        assertThat(lines).filteredOn(line -> !line.contains("\t")).allSatisfy(line -> assertThat(line.length()).isLessThanOrEqualTo(60));
        assertThat(lines).filteredOn(line -> line.length() > 50).hasSizeGreaterThan(40);
        assertThat(receipt.proofs()).extracting(proof -> proof.sentence()).contains("Opened again: text whole and in order");
    }

    @Test void isReadByTheEncodingThatIsNamed() throws IOException {
        Path file = folder.resolve("old.txt");
        Files.write(file, "Fährgeld".getBytes(Charset.forName("IBM850")));
        assertThat(text(Decant.openText(file, Charset.forName("IBM850")).document())).isEqualTo("Fährgeld");
        Path pdf = folder.resolve("made.pdf");
        Decant.publish(document(WORDS), Recipe.PLAIN, pdf);
        assertThatThrownBy(() -> Decant.openText(pdf, StandardCharsets.UTF_8)).isInstanceOf(DecantException.class)
                .hasMessageContaining("Leave the encoding out");
    }
}
