package app.decant.layout;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.NumberFormat;
import app.decant.document.Numbering;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.font.FontCatalogue;
import app.decant.page.Line;
import app.decant.page.Piece;
import app.decant.publish.Recipe;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Carets among words of two directions (Unicode Standard Annex 9): each position has a place of its own, and the keys find all of them by eye. */
class MixedDirectionTest {
    @TempDir private Path folder;

    @ParameterizedTest @CsvSource(ignoreLeadingAndTrailingWhitespace = false, value = {"ab \u05D0\u05D1\u05D2 cd,false", "ab\u05D0\u05D1cd,false",
        "\u05D0\u05D1 xyz \u05D2\u05D3,true", "\u05D0\u05D1xy\u05D2\u05D3,true", "\u05D0\u05D1\u05D2 123 \u05D3\u05D4,true",
        "to \u05D0\u05D1 and \u05D2\u05D3 go,false"})
    void everyPositionHasAPlaceThatTheKeysFind(String text, boolean leftward) {
        Paragraph paragraph = Sample.looking(text, Look.of(ParagraphProperty.RIGHT_TO_LEFT, leftward));
        Line line = Layout.of(Sample.of(List.of(paragraph)), FontCatalogue.ofThisMachine()).page(0).lines().get(0).line();
        List<Integer> byEye = new ArrayList<>(IntStream.rangeClosed(0, text.length()).boxed().toList());
        byEye.sort(Comparator.comparingDouble(line::caretX));
        for (int i = 1; i < byEye.size(); i++) assertThat(line.caretX(byEye.get(i)) - line.caretX(byEye.get(i - 1))).as("%s, %s", text, byEye).isGreaterThan(1);
        for (int i = 0; i < byEye.size(); i++) {
            assertThat(line.beside(byEye.get(i), true, offset -> true)).isEqualTo(i + 1 < byEye.size() ? byEye.get(i + 1) : -1);
            assertThat(line.beside(byEye.get(i), false, offset -> true)).isEqualTo(i > 0 ? byEye.get(i - 1) : -1);
            assertThat(line.offsetAt(line.caretX(byEye.get(i)))).isEqualTo(byEye.get(i));
        }
        // The first letter is at the side where the line begins.
        assertThat(byEye.get(leftward ? text.length() : 0)).isZero();
    }

    /** Numbers of items run from left to right whatever runs round them, what is behind them is left of them; so they are published, as PDFBox reads them. */
    @Test void numbersOfItemsAreNotTurnedRound() throws IOException {
        Look look = Look.of(ParagraphProperty.INDENT_START, 40.0).with(ParagraphProperty.FIRST_LINE, -40.0);
        Numbering.Level level = new Numbering.Level(NumberFormat.DECIMAL, 1, "%1)", Numbering.Suffix.TAB, null, null, look);
        Numbering numbering = new Numbering(Map.of("p", new Numbering.Pattern("p", List.of(level))),
                Map.of("l", new Numbering.NumberedList("l", "p", Map.of(), Map.of())));
        List<Block> items = new ArrayList<>();
        for (int i = 0; i < 12; i++) items.add(Sample.looking("\u05E9\u05DC\u05D5\u05DD", Look.of(ParagraphProperty.RIGHT_TO_LEFT, true)
                .with(ParagraphProperty.LIST, new ParagraphProperty.ListReference("l", 0))));
        Document document = Sample.of(items).withNumbering(numbering);
        Line line = Decant.layOut(document).page(0).lines().get(11).line();
        List<String> seen = line.pieces().stream().filter(Piece.Glyphs.class::isInstance).sorted(Comparator.comparingDouble(Piece::x))
                .map(piece -> ((Piece.Glyphs) piece).text()).toList();
        assertThat(seen).containsExactly("\u05E9\u05DC\u05D5\u05DD", ")", "12");
        Path made = Decant.publish(document, Recipe.PLAIN, folder.resolve("items.pdf")).file();
        try (PDDocument pdf = Loader.loadPDF(made.toFile())) {
            assertThat(new PDFTextStripper().getText(pdf)).contains(")9", ")10", ")12");
        }
    }

    @Test void whatAFieldSaysRunsAsItIsRead() {
        Inline.Field title = new Inline.Field(Inline.Field.Kind.TITLE, "TITLE", "\u05E9\u05DC\u05D5\u05DD", Look.PLAIN);
        Document document = Sample.of(List.of(Paragraph.of("to ").withInlines(List.of(new Inline.Text("to ", Look.PLAIN), title))));
        Line line = Decant.layOut(document.withFacts(document.facts().withTitle("\u05E9\u05DC\u05D5\u05DD"))).page(0).lines().get(0).line();
        assertThat(line.pieces()).filteredOn(piece -> piece instanceof Piece.Glyphs glyphs && glyphs.text().startsWith("\u05E9"))
                .allSatisfy(piece -> assertThat(((Piece.Glyphs) piece).rightToLeft()).isTrue()).isNotEmpty();
    }
}
