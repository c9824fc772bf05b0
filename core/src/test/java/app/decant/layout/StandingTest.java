package app.decant.layout;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.Place;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextFrame;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.font.FontCatalogue;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.page.Piece;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Frames of paragraphs (ISO/IEC 29500-1, 17.3.1.11) and tables that text runs round (17.4.57). */
class StandingTest {
    private static final TableProperty.Insets AWAY = new TableProperty.Insets(2, 8, 2, 8);

    /** Wherever they stand: no letter of the text stands on one of theirs, all letters are there, and each can be written at. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12})
    void textRunsRoundWhatStandsApart(long seed) {
        Random random = new Random(seed);
        List<Block> blocks = new ArrayList<>();
        for (Block block : Sample.prose(12, 80, seed)) {
            if (random.nextInt(3) == 0) blocks.add(random.nextBoolean() ? table(random) : framed(random));
            blocks.add(block);
        }
        blocks.add(Paragraph.of("The end."));
        PagedDocument pages = Layout.of(Sample.of(blocks), FontCatalogue.shipped());
        assertThat(pages.unplaced()).isEmpty();
        int apart = 0;
        for (int i = 0; i < pages.count(); i++) {
            List<Rectangle2D> standing = letters(pages.page(i), true);
            apart += standing.size();
            for (Rectangle2D letter : letters(pages.page(i), false)) assertThat(standing).noneMatch(other -> other.intersects(letter));
        }
        assertThat(apart).isPositive();
        for (Walk.Stop stop : pages.walk().stops()) assertThat(pages.caret(new Place(stop.path(), 0))).as(stop.paragraph().text()).isNotNull();
    }

    private static List<Rectangle2D> letters(Page page, boolean apart) {
        List<Rectangle2D> letters = new ArrayList<>();
        for (Item.LineItem line : page.lines()) {
            for (Piece piece : line.line().pieces()) {
                if (!(piece instanceof Piece.Glyphs glyphs) || glyphs.text().isBlank() || glyphs.text().contains("STANDS") != apart) continue;
                letters.add(new Rectangle2D.Double(line.left() + piece.x(), line.baseline() - 5, Math.max(1, piece.width() - 4), 5));
            }
        }
        return letters;
    }

    private static Anchor anchor(Random random) {
        Alignment across = random.nextBoolean() ? Alignment.END : Alignment.START;
        return new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.MARGIN, across, 0), new Anchor.Vertical(Anchor.Vertical.From.PARAGRAPH, null,
                random.nextInt(20)), Anchor.Wrap.SQUARE, AWAY, false);
    }

    private static Table table(Random random) {
        List<Table.Row> rows = new ArrayList<>();
        for (int r = 0; r < 1 + random.nextInt(4); r++)
            rows.add(new Table.Row(Look.PLAIN, List.of(new Table.Cell(0, 1, 1, Look.PLAIN, List.of(Paragraph.of("STANDS"))), new Table.Cell(1, 1, 1, Look.PLAIN,
                    List.of(Paragraph.of("STANDS"))))));
        return new Table(Look.of(TableProperty.FLOATING, anchor(random)), List.of(70.0, 70.0), rows);
    }

    private static Paragraph framed(Random random) {
        TextFrame frame = new TextFrame(anchor(random), random.nextBoolean() ? 0 : 90, 0, false, 0, false);
        return Paragraph.of("STANDS").withLook(Look.of(ParagraphProperty.FRAME, frame));
    }

    /** A letter at the head of a text: its lines begin beside it, those below do not. */
    @Test void aDroppedLetterMovesAsManyLinesAsItIsHigh() {
        TextFrame frame = new TextFrame(new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.COLUMN, null, 0),
                new Anchor.Vertical(Anchor.Vertical.From.PARAGRAPH, null, 0), Anchor.Wrap.SQUARE, TableProperty.Insets.NONE, false), 0, 0, false, 3, false);
        Look exact = Look.of(ParagraphProperty.FRAME, frame).with(ParagraphProperty.LINE_SPACING,
                new ParagraphProperty.LineSpacing(ParagraphProperty.LineSpacing.Rule.EXACTLY, 34));
        Paragraph letter = Paragraph.of("T").withLook(exact);
        letter = letter.withInlines(letter.inlines().stream().map(inline -> inline.with(Look.of(TextProperty.SIZE, 48.0))).toList());
        Document document = Sample.of(List.of(letter, Paragraph.of("ide after tide ".repeat(40).trim())));
        List<Item.LineItem> lines = Layout.of(document, FontCatalogue.shipped()).page(0).lines().stream().toList();
        double left = lines.stream().mapToDouble(line -> line.left() + line.line().x()).min().orElseThrow();
        List<Item.LineItem> text = lines.stream().filter(line -> line.line().pieces().size() > 1 || line.line().width() > 60).toList();
        long beside = text.stream().filter(line -> line.left() + line.line().x() > left + 10).count();
        assertThat(beside).isEqualTo(3);
        assertThat(text.size()).isGreaterThan(4);
    }

    /** What is higher than a page can stand nowhere apart: it is set as text. */
    @Test void aTableHigherThanAPageIsSetAsText() {
        List<Table.Row> rows = new ArrayList<>();
        for (int r = 0; r < 120; r++)
            rows.add(new Table.Row(Look.PLAIN, List.of(new Table.Cell(0, 1, 1, Look.PLAIN, List.of(Paragraph.of("Row " + r))))));
        Table table = new Table(Look.of(TableProperty.FLOATING, anchor(new Random(1))), List.of(90.0), rows);
        PagedDocument pages = Layout.of(Sample.of(List.of(Paragraph.of("Before."), table, Paragraph.of("Behind."))), FontCatalogue.shipped());
        assertThat(pages.count()).isGreaterThan(2);
        assertThat(pages.unplaced()).isEmpty();
    }
}
