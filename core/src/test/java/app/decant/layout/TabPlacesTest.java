package app.decant.layout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Block;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty.TabStops;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.font.FontCatalogue;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.page.Piece;
import java.util.List;
import org.junit.jupiter.api.Test;

/**
 * Where tabs go at the ends of lines and what they do there. Common practice of the trade; that a hanging indent is a stop of its own follows from
 * ISO/IEC 29500-1, 17.15.3, noTabHangInd (from memory), the setting that takes it away.
 */
class TabPlacesTest {
    private static final double WIDTH = Section.PLAIN.page().textWidth();

    private static Page page(Block block) { return Layout.of(Sample.of(List.of(block)), FontCatalogue.shipped()).page(0); }

    private static Look stops(double position, TabStop.Kind kind) {
        return Look.of(ParagraphProperty.TABS, new TabStops(List.of(new TabStop(position, kind, TabStop.Leader.DOTS))));
    }

    private static String text(Item.LineItem line) {
        StringBuilder text = new StringBuilder();
        for (Piece piece : line.line().pieces()) text.append(piece instanceof Piece.Glyphs glyphs ? glyphs.text() : piece instanceof Piece.Tab ? "\t" : "");
        return text.toString();
    }

    private static List<String> texts(Page page) { return page.lines().stream().map(TabPlacesTest::text).toList(); }

    private static Piece.Tab tab(Item.LineItem line) {
        return (Piece.Tab) line.line().pieces().stream().filter(Piece.Tab.class::isInstance).findFirst().orElseThrow();
    }

    @Test void aHangingIndentIsAStopBeforeThoseFurtherRight() {
        Look hanging = stops(WIDTH - 20, TabStop.Kind.START).with(ParagraphProperty.INDENT_START, 18.0).with(ParagraphProperty.FIRST_LINE, -18.0);
        Page page = page(Sample.looking("1.\tCopies are charged by the page.", hanging));
        assertThat(texts(page)).containsExactly("1.\tCopies are charged by the page.");
        Piece.Tab tab = tab(page.lines().get(0));
        assertThat(tab.x() + tab.width()).isCloseTo(18, within(0.01));
        assertThat(tab.leader()).as("the leader of the further stop").isEqualTo(TabStop.Leader.NONE);
    }

    @Test void dotsThatEndBeyondTheEdgeOfACellTakeNoWordOntoAnotherLine() {
        Paragraph entry = Sample.looking("for the ninth year\t", stops(203, TabStop.Kind.START));
        Look row = Look.of(TableProperty.ROW_HEIGHT, 14.0).with(TableProperty.ROW_HEIGHT_EXACT, true);
        Table table = new Table(Look.PLAIN, List.of(205.0, 60.0), List.of(new Table.Row(row, List.of(
                new Table.Cell(0, 1, 1, Look.PLAIN, List.of(entry)), new Table.Cell(1, 1, 1, Look.PLAIN, List.of(Paragraph.of("290")))))));
        assertThat(texts(page(table))).containsExactly("for the ninth year\t", "290");
    }

    @Test void theLeaderOfAFullLineBeginsTheNext() {
        int full = 0;
        for (int length = 60; length < 140; length++) {
            String entry = "berths ".repeat(20).substring(0, length).trim();
            List<String> lines = texts(page(Sample.looking(entry + "\t12", stops(WIDTH, TabStop.Kind.END))));
            if (lines.size() == 1 || texts(page(Paragraph.of(entry))).size() > 1) continue;
            assertThat(lines).containsExactly(entry, "\t12");
            full++;
        }
        assertThat(full).as("entries that fill their line").isPositive();
    }

    @Test void blanksOfManyTabsFillLinesToTheLastStop() {
        int full = (int) (WIDTH / 36);
        Page page = page(Paragraph.of("\t".repeat(3 * full)));
        assertThat(texts(page)).containsExactly("\t".repeat(full), "\t".repeat(full), "\t".repeat(full));
    }

    @Test void aBlankThatNoLineHoldsBeginsBehindItsTab() {
        Page page = page(Paragraph.of("\t" + "_".repeat(200)));
        assertThat(texts(page).get(0)).startsWith("\t______________");
        assertThat(String.join("", texts(page))).isEqualTo("\t" + "_".repeat(200));
    }
}
