package app.decant.layout;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TextBox;
import app.decant.document.TextProperty;
import app.decant.font.FontCatalogue;

import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Whatever a document asks for, all its text finds a place on paper; and what does not is found out. */
class PlacedTextTest {
    private static PagedDocument laidOut(Block... blocks) {
        return Layout.of(Document.empty().withSections(List.of(Document.empty().sections().get(0).withBlocks(List.of(blocks)))), FontCatalogue.shipped());
    }

    private static Paragraph holding(String text, Inline.Floating floating) {
        return Paragraph.of(text).withInlines(List.of(floating, new Inline.Text(text, Look.PLAIN)));
    }

    private static Inline.Floating box(double width, double height, Anchor.Wrap wrap) {
        Anchor anchor = new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.COLUMN, null, 0), new Anchor.Vertical(Anchor.Vertical.From.PARAGRAPH, null,
                0), wrap, new Insets(0, 9, 0, 9), false);
        return new Inline.Floating(anchor, new TextBox(List.of(Paragraph.of("in the box")), width, height, false, Insets.NONE, null, null), Look.PLAIN);
    }

    private static Table table(int columns, double width, List<Block> cell) {
        List<Table.Cell> cells = new ArrayList<>();
        List<Double> widths = new ArrayList<>();
        for (int i = 0; i < columns; i++) {
            widths.add(width);
            cells.add(new Table.Cell(i, 1, 1, Look.PLAIN, cell));
        }
        return new Table(Look.PLAIN, widths, List.of(new Table.Row(Look.of(TableProperty.KEEP_ROW, true), cells)));
    }

    @Test void aBoxAsLargeAsThePageHasItToItselfAndItsTextFollows() {
        for (Anchor.Wrap wrap : List.of(Anchor.Wrap.SQUARE, Anchor.Wrap.TOP_AND_BOTTOM)) {
            for (double height : new double[] {700, 842, 5000}) {
                PagedDocument pages = laidOut(holding("beside it", box(19_000, height, wrap)), Paragraph.of("after it"));
                assertThat(PlacedText.missing(pages)).as(wrap + " " + height).isEmpty();
                assertThat(pages.count()).isLessThanOrEqualTo(2);
            }
        }
    }

    @Test void textBeforeABoxThatNeedsItsPageStaysOnPaper() {
        Inline.Floating onThePage = new Inline.Floating(new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.PAGE, null, 0),
                new Anchor.Vertical(Anchor.Vertical.From.PAGE, null, 0), Anchor.Wrap.SQUARE, Insets.NONE, false),
                new TextBox(List.of(Paragraph.of("in the box")), 595, 842, false, Insets.NONE, null, null), Look.PLAIN);
        assertThat(PlacedText.missing(laidOut(Paragraph.of("before it"), holding("beside it", onThePage), Paragraph.of("after it")))).isEmpty();
    }

    @Test void aTableWiderThanItsPaperIsNarrowed() {
        PagedDocument pages = laidOut(table(12, 120, List.of(Paragraph.of("cell"))));
        assertThat(PlacedText.missing(pages)).isEmpty();
        assertThat(pages.page(0).lines()).allSatisfy(line -> assertThat(line.left() + line.line().width()).isLessThan(pages.page(0).width()));
    }

    @Test void aRowHigherThanAPageIsCutEvenWhereItShouldStayWhole() {
        List<Block> many = new ArrayList<>();
        for (int i = 0; i < 150; i++) many.add(Paragraph.of("line " + i));
        PagedDocument pages = laidOut(Paragraph.of("above"), table(2, 200, many));
        assertThat(PlacedText.missing(pages)).isEmpty();
        assertThat(pages.count()).isBetween(3, 5);
    }

    @Test void tellsWhatIsOffThePaperAndPassesOverWhatIsHidden() {
        Paragraph indented = new Paragraph(null, Look.of(ParagraphProperty.INDENT_START, 5000.0), Look.PLAIN,
                List.of(new Inline.Text("far off", Look.PLAIN)));
        assertThat(PlacedText.missing(laidOut(indented))).singleElement().isEqualTo("faroff");
        Paragraph hidden = Paragraph.of("seen").withInlines(List.of(new Inline.Text("seen", Look.PLAIN),
                new Inline.Text("not shown", Look.of(TextProperty.HIDDEN, true))));
        assertThat(PlacedText.missing(laidOut(hidden))).isEmpty();
    }
}
