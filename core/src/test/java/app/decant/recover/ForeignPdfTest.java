package app.decant.recover;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assumptions.assumeTrue;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.ListLabels;
import app.decant.document.Outline;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.font.FontCatalogue;
import app.decant.format.text.TextWriter;
import app.decant.layout.Layout;
import app.decant.proof.Comparison;
import app.decant.proof.Difference;
import app.decant.proof.Proof;
import app.decant.proof.Side;
import com.github.difflib.DiffUtils;
import com.github.difflib.patch.AbstractDelta;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** PDFs written by a browser, typesetting systems and a report library; what they are and hold is told in the README beside them. */
class ForeignPdfTest {
    private static final List<String> CHAPTERS = List.of("Introduction", "What was done", "What it cost", "Weather", "Storms", "The sign", "Outlook");
    private static final List<List<String>> COSTS = List.of(List.of("Item", "Planned", "Actual"), List.of("Ramps", "12,000", "13,450"),
            List.of("Night crew", "30,500", "29,900"), List.of("Waiting room", "2,000", "2,310"), List.of("Total", "44,500", "45,660"));
    private static final List<String> DUTIES = List.of("1. New ramps at both piers, built by the yard in Hallin.",
            "2. A second crew for the night boat, with", "a. two deckhands,", "b. one purser, and", "c. a relief skipper on call.",
            "3. Repairs to the waiting room.");

    private Document document;

    private void take(String name) throws IOException { document = Recovery.of(bytes(name), name, null, FontCatalogue.shipped(), Progress.SILENT).document(); }

    private static byte[] bytes(String name) throws IOException {
        try (InputStream in = ForeignPdfTest.class.getResourceAsStream(name)) {
            return in.readAllBytes();
        }
    }

    @Test void takesTagsOfABrowserForWhatTheySay() throws IOException {
        take("browser.pdf");
        assertThat(headings()).containsExactlyElementsOf(Stream.concat(Stream.of("Winter Service Report"), CHAPTERS.stream()).toList());
        assertThat(tables()).containsExactly(COSTS);
        assertThat(headerRows()).isEqualTo(1);
        assertThat(items()).startsWith(DUTIES.toArray(String[]::new)).contains("• The lost property shelf was cleared.", "◦ Umbrellas: 14");
        assertThat(text()).contains("H2O damage was paid by the insurers; the area affected was 14 m2.").contains("what ought to change before next winter.1");
    }

    @Test void findsContentsTableAndNoteOfATypesetReport() throws IOException {
        take("typeset.pdf");
        assertThat(headings()).containsExactly("1 Introduction", "1.1 What was done", "1.2 What it cost", "2 Weather", "2.1 Storms", "2.1.1 The sign",
                "3 Outlook");
        assertThat(contents()).containsExactly("TOC1 1 Introduction", "TOC2 1.1 What was done", "TOC2 1.2 What it cost", "TOC1 2 Weather", "TOC2 2.1 Storms",
                "TOC3 2.1.1 The sign", "TOC1 3 Outlook");
        assertThat(tables()).containsExactly(COSTS);
        assertThat(items()).startsWith(DUTIES.toArray(String[]::new)).contains("– Gloves: 31 odd ones");
        assertThat(notes()).containsExactly("All figures are taken from the harbour log and were checked by the office.");
    }

    @Test void readsTwoColumnsDownWithTheirNoteTableAndLateHead() throws IOException {
        take("typeset-two-columns.pdf");
        assertThat(headings()).containsExactly("1 Introduction", "1.1 Data", "1.2 Method", "2 Results", "3 Conclusion");
        assertThat(notes()).containsExactly("Four in summer.");
        assertThat(tables()).containsExactly(List.of(List.of("Month", "Sailings", "Late"), List.of("January", "120", "41"), List.of("February", "112", "30"),
                List.of("March", "124", "22")));
        assertThat(items()).contains("• Each sailing is one row.", "1. Weather: 80\u00A0%.".replace('\u00A0', ' '));
        assertThat(text()).as("a paragraph that goes on over the page").contains("the office should tell them before they walk to the pier.");
        assertThat(text()).as("the head of page 2").doesNotContain("Ostrey Sound Ferries");
        assertThat(Layout.of(document, FontCatalogue.shipped()).count()).isEqualTo(2);
    }

    @Test void joinsWordsThatAFormatterPlacedOneByOne() throws IOException {
        take("troff.pdf");
        assertThat(headings()).containsExactlyElementsOf(CHAPTERS);
        assertThat(tables()).containsExactly(COSTS);
        assertThat(items()).startsWith(DUTIES.toArray(String[]::new));
        assertThat(notes()).containsExactly("All figures are taken from the harbour log and were checked by the office.");
        assertThat(text()).contains("a later last boat on Fridays; the board will decide");
    }

    @Test void keepsHeadAndFootOfAReportOutOfItsBody() throws IOException {
        take("report-library.pdf");
        assertThat(headings()).containsExactly("1. Item Fares", "2. Item Ramps", "3. Item Night boat", "4. Item Lost property", "5. Item Staff",
                "6. Item Weather", "7. Item Any other business");
        assertThat(tables()).containsExactly(List.of(List.of("Line", "Boats", "Passengers"), List.of("Skerrow", "2", "21,300"),
                List.of("Hallin", "1", "9,410"), List.of("Brae", "1", "4,020")));
        assertThat(text()).doesNotContain("Board papers").doesNotContain("Page 1");
        assertThat(document.sections().get(0).frames().get(Section.FramePlace.HEADER)).hasSize(1);
    }

    @ParameterizedTest
    @CsvSource({"browser.pdf, 99", "typeset.pdf, 92", "typeset-two-columns.pdf, 90", "troff.pdf, 96", "report-library.pdf, 98"})
    void laysOutOntoTheSamePages(String name, double faithful) throws IOException {
        take(name);
        Comparison faith = Proof.compare(Side.of(bytes(name), name, null, Progress.SILENT), Layout.of(document, FontCatalogue.shipped()), Progress.SILENT);
        assertThat(faith.differences()).noneMatch(difference -> difference.kind() == Difference.Kind.PAGES);
        assertThat(faith.score()).isGreaterThan(faithful);
    }

    /** Against {@code pdftotext} of poppler-utils, where it is installed: the characters of the body in order. Formulas and bullets it reads another way. */
    @ParameterizedTest
    @ValueSource(strings = {"browser.pdf", "typeset.pdf", "troff.pdf", "report-library.pdf"})
    void readsTheCharactersThatAnotherReaderReads(String name, @TempDir Path folder) throws Exception {
        Path file = folder.resolve(name);
        Files.write(file, bytes(name));
        Process process;
        try {
            process = new ProcessBuilder("pdftotext", "-enc", "UTF-8", file.toString(), "-").start();
        } catch (IOException e) {
            assumeTrue(false, "pdftotext is not installed");
            return;
        }
        String theirs = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor()).isZero();
        take(name);
        List<Integer> wanted = letters(theirs);
        List<Integer> found = letters(TextWriter.write(document));
        long lost = 0;
        for (AbstractDelta<Integer> delta : DiffUtils.diff(wanted, found).getDeltas()) lost += delta.getSource().size();
        // Running heads are out of the body, notes stand at its end, words that a line end cut are whole again.
        assertThat((double) lost / wanted.size()).isLessThan(0.09);
    }

    private static List<Integer> letters(String text) { return text.codePoints().filter(Character::isLetterOrDigit).boxed().toList(); }

    private List<Block> blocks() { return document.sections().stream().flatMap(section -> section.blocks().stream()).toList(); }

    private List<String> headings() {
        Cascade cascade = Cascade.of(document);
        return Outline.of(document, cascade, ListLabels.of(document, cascade)).headings().stream().map(Outline.Heading::title).toList();
    }

    private List<String> items() {
        Cascade cascade = Cascade.of(document);
        ListLabels labels = ListLabels.of(document, cascade);
        List<String> items = new ArrayList<>();
        for (Block block : blocks())
            if (block instanceof Paragraph paragraph && labels.label(paragraph) != null && !labels.label(paragraph).isBlank())
                items.add(labels.label(paragraph).trim() + " " + plain(paragraph).replace('\u00A0', ' '));
        return items;
    }

    private List<List<List<String>>> tables() {
        List<List<List<String>>> tables = new ArrayList<>();
        for (Block block : blocks()) {
            if (!(block instanceof Table table)) continue;
            tables.add(table.rows().stream().map(row -> row.cells().stream().map(cell -> plain((Paragraph) cell.blocks().get(0))).toList()).toList());
        }
        return tables;
    }

    private long headerRows() {
        return blocks().stream().filter(block -> block instanceof Table).flatMap(table -> ((Table) table).rows().stream())
                .filter(row -> row.look().is(TableProperty.HEADER_ROW)).count();
    }

    private List<String> contents() {
        List<String> entries = new ArrayList<>();
        for (Block block : blocks())
            if (block instanceof Contents contents) for (Paragraph entry : contents.entries()) entries.add(entry.style() + " " + plain(entry));
        return entries;
    }

    private List<String> notes() {
        List<String> notes = new ArrayList<>();
        for (Block block : blocks()) {
            if (!(block instanceof Paragraph paragraph)) continue;
            for (Inline inline : paragraph.inlines()) if (inline instanceof Inline.Note note) notes.add(plain((Paragraph) note.blocks().get(0)));
        }
        return notes;
    }

    private String text() {
        StringBuilder text = new StringBuilder();
        for (Block block : blocks()) if (block instanceof Paragraph paragraph) text.append(plain(paragraph)).append('\n');
        return text.toString();
    }

    private static String plain(Paragraph paragraph) {
        StringBuilder text = new StringBuilder();
        for (Inline inline : paragraph.inlines()) if (inline instanceof Inline.Text run) text.append(run.text());
        return text.toString().replace("\u00AD", "").replace("\f", "").replace('\t', ' ').trim();
    }
}
