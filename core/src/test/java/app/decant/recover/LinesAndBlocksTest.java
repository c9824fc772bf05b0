package app.decant.recover;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.ListLabels;
import app.decant.document.Look;
import app.decant.document.Outline;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.layout.PagedDocument;
import app.decant.publish.Order;
import app.decant.publish.Recipe;
import java.io.IOException;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Which lines make a paragraph, which stand beside each other, and which are items: kinds that pages of other programs got wrong. */
class LinesAndBlocksTest {
    private static final String[] PROSE = {"The purser keeps the passenger list before the first sailing, and the harbour office signs it with the",
            "log of late sailings. A deckhand counts the bicycles on the car deck when the wind is above force seven and",
            "writes them down for the night watch, who looks after the keys of the waiting room on public holidays."};

    @TempDir private Path root;

    private static PdfSketch prose(PdfSketch sketch, double y) {
        for (int i = 0; i < PROSE.length; i++) sketch.text(72, y + 14 * i, 10, "LiberationSerif-Regular", PROSE[i]);
        return sketch;
    }

    private static List<String> texts(Document document) {
        return document.blocks().stream().filter(block -> block instanceof Paragraph).map(block -> ((Paragraph) block).text()).toList();
    }

    private static List<List<String>> cells(Block table) {
        return ((Table) table).rows().stream().map(row -> row.cells().stream().map(cell -> ((Paragraph) cell.blocks().get(0)).text()).toList()).toList();
    }

    @Test void linesOfAnAddressAreEndedByHand() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            sketch.lines(72, 100, "Mr Colm Brae", "The Old Net Store", "Harbour Lane 17", "Skerrow");
            prose(sketch, 190).lines(72, 260, "Ada Hallin", "Harbour office");
            Document document = sketch.document();
            assertThat(document.sections().get(0).frames()).as("no heads, no feet").isEmpty();
            assertThat(texts(document)).hasSize(3).satisfies(texts -> {
                assertThat(texts.get(0)).isEqualTo("Mr Colm Brae\nThe Old Net Store\nHarbour Lane 17\nSkerrow");
                assertThat(texts.get(1)).as("text runs on").doesNotContain(String.valueOf(Inline.LINE_BREAK));
                assertThat(texts.get(2)).isEqualTo("Ada Hallin\nHarbour office");
            });
        }
    }

    /** A draft set with room between its lines is paragraphs all the same: lines that had no room for the next word go on. */
    @Test void linesFarApartAreOneParagraph() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            prose(prose(sketch, 100), 160);
            for (int i = 0; i < PROSE.length; i++) sketch.text(72, 240 + 24 * i, 10, "LiberationSerif-Regular", PROSE[i]);
            sketch.text(72, 326, 10, "LiberationSerif-Regular", "The next begins here.");
            assertThat(texts(sketch.document())).filteredOn(text -> text.contains("purser")).hasSize(3).allSatisfy(text ->
                    assertThat(text.replace("\u00A0", " ")).isEqualTo(String.join(" ", PROSE)));
        }
    }

    @Test void aHeadingOfTwoLinesIsOne() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            sketch.text(72, 80, 18, "LiberationSans-Bold", "What the harbour office did in the winter after")
                    .text(72, 111, 18, "LiberationSans-Bold", "representatives had asked for it");
            Document document = prose(prose(sketch, 150), 210).document();
            Cascade cascade = Cascade.of(document);
            assertThat(Outline.of(document, cascade, ListLabels.of(document, cascade)).headings()).singleElement()
                    .satisfies(heading -> assertThat(heading.title()).endsWith("after representatives had asked for it"));
        }
    }

    /** In a long text none of whose words is broken elsewhere, a hyphen at a line's end is a word's own; in one that breaks many it breaks this too. */
    @Test void hyphensOfCompoundsStayWhereNoWordIsBroken() throws IOException {
        for (boolean breaks : new boolean[] {false, true}) {
            try (PdfSketch sketch = new PdfSketch()) {
                for (int i = 0; i < 66; i++) sketch.text(72, 40 + 10.2 * i, 8, "LiberationSerif-Regular", PROSE[i % 3]);
                sketch.text(72, 745, 10, "LiberationSerif-Regular", "All of this is told to people who are not of the trade, in words that are non-")
                        .text(72, 759, 10, "LiberationSerif-Regular", breaks ? "tidal, and which the harbour of-" : "tidal, and which the harbour")
                        .text(72, 773, 10, "LiberationSerif-Regular", breaks ? "fice uses." : "office uses.");
                String all = String.join(" ", texts(sketch.document()));
                assertThat(all.contains("non-tidal")).as("%s", all).isEqualTo(!breaks);
            }
        }
    }

    /** Tags tell the rows of a table, though some end before its last column, with words that reach farther than those of others. */
    @Test void aTaggedTableMayHaveRowsThatEndEarly() throws IOException {
        List<Table.Row> rows = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            List<Table.Cell> cells = new ArrayList<>();
            cells.add(new Table.Cell(0, 1, 1, Look.PLAIN, List.of(Paragraph.of("Pier " + i))));
            cells.add(new Table.Cell(1, i < 2 ? 1 : 2, 1, Look.PLAIN, List.of(Paragraph.of(i < 2 ? "Boats to Skerra and the islands" : "None"))));
            rows.add(new Table.Row(Look.PLAIN, cells));
        }
        Table table = new Table(Look.PLAIN, List.of(120.0, 200.0, 60.0), rows);
        Document document = Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.of(Paragraph.of("Before"), table, Paragraph.of("After")))));
        Path file = root.resolve("table.pdf");
        Decant.publish(new Order(Decant.layOut(document), Recipe.PLAIN), file, Progress.SILENT);
        List<Block> blocks = Decant.open(file).document().blocks();
        assertThat(blocks).filteredOn(block -> block instanceof Table).singleElement().satisfies(one -> assertThat(cells(one)).containsExactly(
                List.of("Pier 0", "Boats to Skerra and the islands"), List.of("Pier 1", "Boats to Skerra and the islands"), List.of("Pier 2", "None"),
                List.of("Pier 3", "None")));
    }

    /** Where a table goes on on another page, its columns may stand apart there only: they are as wide as there, and its text takes the pages that it took. */
    @Test void aColumnMayStandApartOnTheSecondPageOnly() throws IOException {
        List<Table.Row> rows = new ArrayList<>();
        String words = "The harbour office opens at eight in the morning, and in summer at seven already, whatever the tide is. ".repeat(2).strip();
        for (int i = 0; i < 40; i++) {
            List<Table.Cell> cells = new ArrayList<>();
            cells.add(new Table.Cell(0, 1, 1, Look.PLAIN, List.of(Paragraph.of(i + "."))));
            if (i < 30) cells.add(new Table.Cell(1, 2, 1, Look.PLAIN, List.of(Paragraph.of(words))));
            else cells.add(new Table.Cell(1, 1, 1, Look.PLAIN, List.of(Paragraph.of("(i)"))));
            if (i >= 30) cells.add(new Table.Cell(2, 1, 1, Look.PLAIN, List.of(Paragraph.of(words))));
            rows.add(new Table.Row(Look.PLAIN, cells));
        }
        Table table = new Table(Look.PLAIN, List.of(50.0, 40.0, 330.0), rows);
        Document document = Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.of(table, Paragraph.of("After")))));
        Path file = root.resolve("pages.pdf");
        PagedDocument laid = Decant.layOut(document);
        Decant.publish(new Order(laid, Recipe.PLAIN), file, Progress.SILENT);
        Document back = Decant.open(file).document();
        Table found = (Table) back.blocks().stream().filter(Table.class::isInstance).findFirst().orElseThrow();
        assertThat(found.columns()).hasSize(3);
        assertThat(found.columns().get(1)).isBetween(15.0, 45.0);
        assertThat(found.columns().get(2)).isGreaterThan(280);
        assertThat(Decant.layOut(back).count()).isEqualTo(laid.count());
    }

    /** A bibliography: lines hang further in than the numbers, not as far as the text after these; one begins with a name's first letter. */
    @Test void linesHangBelowNumbersThatAreSetApart() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            String full = "Brae, C. and Hallin, A. (1987) Bursts of rain over the sound of Ostrey in the wet winter months. Br.";
            String[][] entries = {{"1.", full, "J. Harbours 59, 369."}, {"2.", full, "and the cost of late boats, 43."}, {"3.", full, "Piers 436."}};
            double y = 100;
            for (String[] entry : entries) {
                sketch.text(36, y, 10, "LiberationSerif-Regular", entry[0]).text(81, y, 10, "LiberationSerif-Regular", entry[1]);
                sketch.text(54, y + 12, 10, "LiberationSerif-Regular", entry[2]);
                y += 25;
            }
            Document document = sketch.document();
            assertThat(texts(document)).as("%s", texts(document)).hasSize(3);
            assertThat(texts(document).get(0)).endsWith("J. Harbours 59, 369.");
            assertThat(texts(document).get(2)).endsWith("Piers 436.");
        }
    }

    /** Short lines at the foot that begin with raised marks are notes, each its own. */
    @Test void shortNotesAreNoAddress() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            prose(sketch, 100).text(500, 124, 6, "LiberationSerif-Regular", "1").text(506, 124, 6, "LiberationSerif-Regular", "2");
            String[] notes = {"As of 1 March.", "Without parcels."};
            for (int i = 0; i < 2; i++)
                sketch.text(72, 747 + 11 * i, 5.5, "LiberationSerif-Regular", String.valueOf(i + 1)).text(78, 750 + 11 * i, 8, "LiberationSerif-Regular",
                        notes[i]);
            assertThat(texts(sketch.document())).noneMatch(text -> text.contains("March") && text.contains("parcels"));
        }
    }

    /** Each painted as a whole, as programs do that set one block and then the other. */
    @Test void shortBlocksBesideEachOtherStayApart() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            sketch.lines(72, 100, "Ostrey Sound Ferries", "Pier Road 4", "Ostrey").lines(420, 100, "Invoice 2026-117", "12 November 2026");
            sketch.lines(72, 180, "Hallin Fish Traders", "Quay 9", "Hallin").lines(420, 180, "Customer 4471", "Terms 30 days");
            Document document = prose(sketch, 280).document();
            List<Block> tables = document.blocks().stream().filter(block -> block instanceof Table).map(block -> (Block) block).toList();
            assertThat(tables).hasSize(2);
            assertThat(cells(tables.get(0))).containsExactly(List.of("Ostrey Sound Ferries\nPier Road 4\nOstrey", "Invoice 2026-117\n12 November 2026"));
            assertThat(cells(tables.get(1))).containsExactly(List.of("Hallin Fish Traders\nQuay 9\nHallin", "Customer 4471\nTerms 30 days"));
        }
    }

    /** Painted line by line, they are lines with a tab, and no line runs on from the one before. */
    @Test void linesSetByTabsDoNotRunOn() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            sketch.text(72, 100, "Ostrey Sound Ferries").text(420, 100, "Invoice 2026-117");
            sketch.text(72, 114, "Pier Road 4").text(420, 114, "12 November 2026").text(72, 128, "Ostrey");
            assertThat(texts(prose(sketch, 180).document())).startsWith("Ostrey Sound Ferries\tInvoice 2026-117", "Pier Road 4\t12 November 2026", "Ostrey");
        }
    }

    /** Leaders that are drawn belong to their lines, in contents lists and in lists of prices. */
    @Test void drawnLeadersStayInTheirLines() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            String[] names = {"Boarding", "Rough weather", "Lost property", "Fares"};
            for (int i = 0; i < names.length; i++)
                sketch.text(72, 100 + 18 * i, names[i]).line(180, 101 + 18 * i, 500, 101 + 18 * i).text(508, 100 + 18 * i, String.valueOf(3 + 2 * i));
            Document document = prose(sketch, 220).document();
            Contents contents = (Contents) document.blocks().get(0);
            assertThat(contents.entries()).extracting(Paragraph::plainText).containsExactly("Boarding\t3", "Rough weather\t5", "Lost property\t7", "Fares\t9");
        }
        try (PdfSketch sketch = new PdfSketch()) {
            prose(sketch, 100).text(72, 170, "Adult").line(180, 171, 500, 171).text(508, 170, "12");
            assertThat(texts(prose(sketch, 220).document()).get(1)).matches("Adult *\\t? *\\t *12");
        }
    }

    @Test void clausesAreItemsThatCountOn() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            double y = 100;
            for (String number : List.of("1.1", "1.2", "1.2.1", "1.2.2", "1.3", "2.1", "2.2")) {
                sketch.text(72, y, number).text(112, y, "The purser keeps the passenger list before the first sailing, and the harbour");
                sketch.text(112, y + 14, "office signs it.");
                y += 36;
            }
            Document document = sketch.document();
            ListLabels labels = ListLabels.of(document, Cascade.of(document));
            List<String> found = new ArrayList<>();
            for (Block block : document.blocks()) found.add(labels.label((Paragraph) block).trim());
            assertThat(found).containsExactly("1.1", "1.2", "1.2.1", "1.2.2", "1.3", "2.1", "2.2");
            assertThat(texts(document)).allMatch(text -> text.startsWith("The purser") && text.endsWith("signs it."));
        }
    }

    @Test void aFigureAtTheStartOfALineIsNoClause() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            sketch.text(72, 100, "The berth at Hallin is deep enough at low water for boats that draw no more than").text(72, 114,
                    "3.5 metres of water, and at high water for those that draw not much more than").text(72, 128, "3.6 metres of it.");
            assertThat(texts(sketch.document())).singleElement().asString().contains("than 3.5 metres");
        }
    }

    @Test void aColumnThatIsFilledLessIsOneStill() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            String[] narrow = {"Every boat has a log, and the log is", "kept by the skipper, who hands it to", "the office at the end of each month,",
                "where it is read by one person only,", "and then put away for ten years. So", "it is done here."};
            sketch.text(72, 72, 16, "LiberationSans-Bold", "Harbour works");
            for (int block = 0; block < 4; block++) for (int i = 0; i < 6; i++) sketch.text(72, 110 + block * 96 + i * 14, narrow[i]);
            for (int i = 0; i < 6; i++) sketch.text(310, 110 + i * 14, narrow[i]);
            sketch.text(310, 206, "A short line.").text(310, 230, "Another one.");
            Document document = sketch.document();
            assertThat(document.sections()).extracting(Section::columns).anyMatch(columns -> columns.count() == 2);
            assertThat(texts(document)).filteredOn(text -> text.startsWith("Every boat has a log, and the log is kept by the skipper")).hasSize(5);
            assertThat(texts(document)).endsWith("A short line.", "Another one.");
        }
    }

    @Test void authorsUnderATitleHeadNothing() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            sketch.centred(90, 20, "LiberationSerif-Bold", "Harbour works").centred(116, 13, "LiberationSerif-Regular", "A. Hallin");
            for (int i = 1; i <= 3; i++) {
                sketch.text(72, 60 + 110 * i, 14, "LiberationSerif-Bold", i + " Piers and boats");
                prose(sketch, 84 + 110 * i);
            }
            Document document = sketch.document();
            Cascade cascade = Cascade.of(document);
            assertThat(document.blocks().stream().map(block -> (Paragraph) block).filter(one -> cascade.outlineLevel(one) > 0).map(Paragraph::plainText))
                    .containsExactly("1 Piers and boats", "2 Piers and boats", "3 Piers and boats");
        }
    }
}
