package app.decant.recover;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Block;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.ListLabels;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextBox;
import app.decant.document.TextProperty;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import java.awt.Color;
import java.awt.Graphics2D;
import java.awt.image.BufferedImage;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** How pages hang together: tables between bars, drawn bullets, figures, heads that come once, and pages that stay the pages they were. */
class PageStructureTest {
    private static final String BOLD = "LiberationSerif-Bold";
    private static final String SENTENCE = "The ferry leaves the pier at the time that the table says, and not before it.";

    private static List<Paragraph> paragraphs(Document document) {
        List<Paragraph> found = new ArrayList<>();
        for (Block block : document.blocks()) if (block instanceof Paragraph paragraph && !paragraph.plainText().isBlank()) found.add(paragraph);
        return found;
    }

    private static List<Table> tables(Document document) {
        return document.blocks().stream().filter(block -> block instanceof Table).map(block -> (Table) block).toList();
    }

    private static List<List<String>> cells(Table table) {
        return table.rows().stream().map(row -> row.cells().stream().map(cell -> ((Paragraph) cell.blocks().get(0)).plainText()).toList()).toList();
    }

    private static void fares(PdfSketch sketch, double y) {
        sketch.line(72, y - 12, 300, y - 12).text(72, y, "Fare").text(180, y, "Single").text(220, y, "Return").line(72, y + 4, 300, y + 4);
        sketch.text(72, y + 16, "Adult").text(186, y + 16, "4.50").text(226, y + 16, "8.00");
        sketch.text(72, y + 30, "Child under ten").text(186, y + 30, "2.20").text(226, y + 30, "4.00").line(72, y + 34, 300, y + 34);
    }

    @Test void findsATableBetweenBarsWhoseColumnsStandClose() {
        try (PdfSketch sketch = new PdfSketch()) {
            sketch.text(72, 80, SENTENCE);
            fares(sketch, 120);
            sketch.text(72, 190, SENTENCE);
            Document document = sketch.document();
            assertThat(tables(document)).hasSize(1);
            assertThat(cells(tables(document).get(0))).containsExactly(List.of("Fare", "Single", "Return"), List.of("Adult", "4.50", "8.00"),
                    List.of("Child under ten", "2.20", "4.00"));
            assertThat(tables(document).get(0).rows().get(0).look().is(TableProperty.HEADER_ROW)).isTrue();
            assertThat(paragraphs(document)).extracting(Paragraph::plainText).containsExactly(SENTENCE, SENTENCE);
        }
    }

    @Test void takesRulesOfHeadAndFootForWhatTheyAre() {
        try (PdfSketch sketch = new PdfSketch()) {
            for (int page = 1; page <= 3; page++) {
                if (page > 1) sketch.page();
                sketch.text(72, 50, "Ostrey Sound Ferries").text(510, 50, String.valueOf(page)).line(72, 56, 520, 56).line(72, 780, 520, 780)
                        .text(290, 792, "Valid from November");
                for (int i = 0; i < 12; i++) sketch.text(72, 100 + i * 14, "1." + i + " A rule about luggage").text(330, 100 + i * 14, "see page " + (i + 3));
            }
            assertThat(tables(sketch.document())).as("head and foot rules frame no table").allSatisfy(table -> assertThat(table.rows().size()).isLessThan(36));
        }
    }

    @Test void makesListsOfBulletsThatWereDrawn() throws IOException {
        try (PdfSketch sketch = new PdfSketch()) {
            sketch.text(72, 80, "Bring with you:");
            String[] items = {"a ticket for each passenger", "the key of the locker", "something warm to wear"};
            for (int i = 0; i < items.length; i++) {
                disc(sketch, 84, 106 - 3.5 + i * 16, 2);
                sketch.text(96, 106 + i * 16, items[i]);
            }
            Document document = sketch.document();
            ListLabels labels = ListLabels.of(document, Cascade.of(document));
            assertThat(paragraphs(document).stream().map(paragraph -> labels.label(paragraph) + " " + paragraph.plainText()).toList())
                    .containsExactly("null Bring with you:", "• " + items[0], "• " + items[1], "• " + items[2]);
            assertThat(paragraphs(document)).allSatisfy(paragraph -> assertThat(paragraph.inlines())
                    .noneMatch(inline -> inline instanceof Inline.InlinePicture || inline instanceof Inline.Floating));
        }
    }

    private static void disc(PdfSketch sketch, double x, double y, double radius) throws IOException {
        float k = 0.5523f * (float) radius;
        float cx = (float) x;
        float cy = (float) (842 - y);
        float r = (float) radius;
        sketch.out.moveTo(cx - r, cy);
        sketch.out.curveTo(cx - r, cy + k, cx - k, cy + r, cx, cy + r);
        sketch.out.curveTo(cx + k, cy + r, cx + r, cy + k, cx + r, cy);
        sketch.out.curveTo(cx + r, cy - k, cx + k, cy - r, cx, cy - r);
        sketch.out.curveTo(cx - k, cy - r, cx - r, cy - k, cx - r, cy);
        sketch.out.fill();
    }

    private static BufferedImage plan(Color colour) {
        BufferedImage image = new BufferedImage(60, 40, BufferedImage.TYPE_INT_RGB);
        Graphics2D graphics = image.createGraphics();
        graphics.setColor(colour);
        graphics.fillRect(0, 0, 60, 40);
        graphics.dispose();
        return image;
    }

    @Test void keepsPicturesAndLabelsOfAFigureInTheirPlaces() {
        try (PdfSketch sketch = new PdfSketch()) {
            sketch.text(72, 80, SENTENCE);
            sketch.picture(100, 120, 60, 40, plan(Color.RED)).picture(220, 120, 60, 40, plan(Color.GREEN)).picture(340, 140, 60, 40, plan(Color.BLUE))
                    .text(105, 145, "Bow").text(225, 145, "Stern");
            sketch.text(72, 230, SENTENCE);
            Document document = sketch.document();
            List<Inline.Floating> floating = document.blocks().stream().filter(block -> block instanceof Paragraph).flatMap(block -> ((Paragraph) block)
                    .inlines().stream()).filter(inline -> inline instanceof Inline.Floating).map(inline -> (Inline.Floating) inline).toList();
            assertThat(floating.stream().filter(one -> one.content() instanceof Picture).map(one -> Math.round(one.anchor().horizontal().offset()) + ","
                    + Math.round(one.anchor().vertical().offset()))).containsExactlyInAnyOrder("100,120", "220,120", "340,140");
            assertThat(floating.stream().filter(one -> one.content() instanceof TextBox).map(one -> ((Paragraph) ((TextBox) one.content()).blocks().get(0))
                    .plainText())).containsExactlyInAnyOrder("Bow", "Stern");
            assertThat(Layout.of(document, FontCatalogue.shipped()).count()).isEqualTo(1);
        }
    }

    @Test void takesAHeadThatComesOnceByItsPageNumber() {
        try (PdfSketch sketch = new PdfSketch()) {
            for (int page = 1; page <= 3; page++) {
                if (page > 1) sketch.page();
                for (int i = 0; i < 30; i++)
                    sketch.text(72, 110 + i * 14, "Line " + "abcdefghijklmnopqrstuvwxyzABCD".charAt(i) + " of text that is found on this page "
                            + "xyz".charAt(page - 1) + " only, and goes on.");
                sketch.text(290, 800, String.valueOf(page));
            }
            sketch.text(72, 60, "Rules for the crew").text(510, 60, "3");
            Document document = sketch.document();
            assertThat(paragraphs(document)).extracting(Paragraph::plainText).noneMatch(text -> text.contains("Rules for the crew"));
            assertThat(document.sections().stream().flatMap(section -> section.frames().values().stream()).flatMap(List::stream)
                    .map(block -> ((Paragraph) block).plainText())).anyMatch(text -> text.contains("Rules for the crew"));
        }
    }

    @Test void keepsEveryPageThePageItWasHoweverTheyAreFilled() {
        try (PdfSketch sketch = new PdfSketch()) {
            int[] counts = {40, 12, 51, 3, 51, 33, 51, 51, 7, 20};
            for (int page = 0; page < counts.length; page++) {
                if (page > 0) sketch.page();
                sketch.text(72, 70, 16, BOLD, "Chapter " + (page + 1));
                for (int i = 0; i < counts[page]; i++)
                    sketch.text(72, 92 + i * 13.5, "Sentence " + (page + 1) + "/" + (i + 1)
                            + " says that the ferry leaves the pier at the time that the table tells.");
            }
            Recovered recovered = sketch.recovered();
            assertThat(Layout.of(recovered.document(), FontCatalogue.shipped()).count()).isEqualTo(counts.length);
            assertThat(recovered.findings()).extracting(Finding::what).noneMatch(sentence -> sentence.contains("ends elsewhere"));
        }
    }

    @Test void readsLongFilesOnAllCoresAsItReadsShortOnes() {
        try (PdfSketch sketch = new PdfSketch()) {
            for (int page = 0; page < 60; page++) {
                if (page > 0) sketch.page();
                for (int i = 0; i < 20; i++)
                    sketch.text(72, 80 + i * 14, word(page) + " and " + word(page * 20 + i + 7) + " come before the tide is told for every pier.");
            }
            byte[] pdf = sketch.bytes();
            Document once = PdfSketch.recovered(pdf).document();
            Document again = PdfSketch.recovered(pdf).document();
            assertThat(once).isEqualTo(again);
            List<String> texts = paragraphs(once).stream().map(Paragraph::plainText).toList();
            assertThat(String.join(" ", texts)).contains(word(0) + " and " + word(7)).contains(word(59) + " and " + word(59 * 20 + 26));
            int last = -1;
            for (int page = 1; page <= 60; page++) {
                int at = String.join(" ", texts).indexOf(word(page - 1) + " and " + word((page - 1) * 20 + 7));
                assertThat(at).as("page " + page).isGreaterThan(last);
                last = at;
            }
        }
    }

    /** A word that stands for a number, without digits that could count pages. */
    private static String word(int number) {
        String[] syllables = {"ba", "ke", "li", "mo", "nu", "pa", "re", "si", "to", "vu"};
        StringBuilder word = new StringBuilder();
        for (char digit : String.valueOf(1000 + number).toCharArray()) word.append(syllables[digit - '0']);
        return word.toString();
    }

    @Test void leavesTypewrittenLinesAsTheyStand() {
        try (PdfSketch sketch = new PdfSketch()) {
            String mono = "LiberationMono-Regular";
            sketch.text(72, 80, 9, mono, "open gate").text(90, 91, 9, mono, "count passengers").text(90, 102, 9, mono, "close gate when full")
                    .text(72, 113, 9, mono, "sail");
            assertThat(paragraphs(sketch.document())).extracting(Paragraph::plainText).containsExactly("open gate", "count passengers",
                    "close gate when full", "sail");
        }
    }

    @Test void showsLettersOfOtherScriptsAndTellsThoseThatNoFontHas() {
        Paragraph paragraph = new Paragraph("Normal", Look.PLAIN, Look.of(TextProperty.SIZE, 11.0),
                List.of(new Inline.Text("한국어 漢字 \uD80C\uDC00", Look.PLAIN)));
        Document document = Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.of(paragraph))));
        assertThat(Layout.of(document, FontCatalogue.shipped()).findings()).extracting(Finding::what)
                .anyMatch(sentence -> sentence.contains("No font here has \uD80C\uDC00;"));
    }

    private static void box(PdfSketch sketch, double left, double top, double width, double height) {
        sketch.line(left, top, left + width, top).line(left, top + height, left + width, top + height);
        sketch.line(left, top, left, top + height).line(left + width, top, left + width, top + height);
    }

    /** A sign on every page stands in the header, drawn or photographed; what differs from page to page stays in the text. */
    @Test void whatEveryPageShowsInOnePlaceHangsOnItsHeader() {
        try (PdfSketch sketch = new PdfSketch()) {
            Color[] own = {Color.RED, Color.GREEN, Color.BLUE, Color.ORANGE};
            for (int page = 0; page < own.length; page++) {
                if (page > 0) sketch.page();
                sketch.picture(460, 30, 60, 40, plan(Color.GRAY)).area(0, 0, 20, 842, 0x113355);
                for (int line = 0; line < 5; line++) sketch.text(72, 120 + line * 14, SENTENCE);
                sketch.picture(72, 300, 60, 40, plan(own[page]));
                sketch.text(72, 380, "Page of plan " + own[page].getRGB());
            }
            Document document = sketch.document();
            assertThat(document.sections()).hasSize(1);
            List<Block> header = document.sections().get(0).frames().get(Section.FramePlace.HEADER);
            assertThat(pictures(header)).hasSize(1);
            assertThat(pictures(document.sections().get(0).frames().get(Section.FramePlace.FOOTER))).as("the band reaches below the middle").hasSize(1);
            assertThat(pictures(document.blocks())).hasSize(own.length).doesNotHaveDuplicates();
        }
    }

    private static List<Picture> pictures(List<Block> blocks) {
        List<Picture> found = new ArrayList<>();
        for (Block block : blocks) {
            if (!(block instanceof Paragraph paragraph)) continue;
            for (Inline inline : paragraph.inlines()) {
                if (inline instanceof Inline.InlinePicture one) found.add(one.picture());
                if (inline instanceof Inline.Floating one && one.content() instanceof Picture picture) found.add(picture);
            }
        }
        return found;
    }

    /** A list in a cell is one; a figure behind a dash is none, nor is a number by itself. */
    @Test void listsInCellsAreToldFromFigures() {
        try (PdfSketch sketch = new PdfSketch()) {
            sketch.text(72, 80, SENTENCE);
            for (int row = 0; row < 2; row++) for (int column = 0; column < 2; column++) box(sketch, 72 + column * 200, 100 + row * 60, 200, 60);
            sketch.text(78, 115, "\u2666 a key").text(78, 130, "\u2666 a lamp").text(278, 115, "1) pay").text(278, 130, "2) board").text(278, 145, "3) sit");
            sketch.text(78, 175, "- 5 000").text(278, 175, "4. 12").text(278, 190, "12.50");
            Document document = sketch.document();
            ListLabels labels = ListLabels.of(document, Cascade.of(document));
            List<List<String>> cells = new ArrayList<>();
            for (Table.Row row : tables(document).get(0).rows()) for (Table.Cell cell : row.cells()) cells.add(cell.blocks().stream()
                    .map(block -> (labels.label((Paragraph) block) == null ? "" : labels.label((Paragraph) block) + "|") + ((Paragraph) block).plainText())
                    .toList());
            assertThat(cells.get(0)).containsExactly("\u2666|a key", "\u2666|a lamp");
            assertThat(cells.get(1)).containsExactly("1)|pay", "2)|board", "3)|sit");
            assertThat(String.join(" ", cells.get(2))).isEqualTo("- 5 000");
            assertThat(String.join(" ", cells.get(3)).replace('\n', ' ')).isEqualTo("4. 12 12.50");
        }
    }
}
