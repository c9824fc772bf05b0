package app.decant.layout;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.Picture;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextBox;
import app.decant.font.FontCatalogue;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.page.Piece;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Text round objects that float: common practice, no source. */
class FloatsTest {
    private static final TableProperty.Insets AWAY = new TableProperty.Insets(4, 6, 4, 6);

    /** Wherever objects hang and however large they are, no letter stands on one, and no letter is lost. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8, 9, 10, 11, 12, 13, 14, 15, 16, 17, 18, 19, 20, 21, 22, 23, 24, 25, 26, 27, 28, 29, 30})
    void noLetterStandsOnAnObjectAndNoneIsLost(long seed) {
        Random random = new Random(seed);
        List<Block> blocks = new ArrayList<>();
        for (Block block : Sample.prose(14, 90, seed)) {
            blocks.add(random.nextInt(3) > 0 || !(block instanceof Paragraph paragraph) || paragraph.style() != null ? block : hung(paragraph, random));
        }
        Document document = Sample.of(blocks);
        PagedDocument pages = Layout.of(document, FontCatalogue.shipped());
        assertThat(pages.unplaced()).isEmpty();
        for (int i = 0; i < pages.count(); i++) {
            Page page = pages.page(i);
            List<Rectangle2D> objects = objects(page);
            noLetterIsOn(page, objects);
            for (Rectangle2D object : objects) assertThat(object.getMaxY()).isLessThanOrEqualTo(page.height() + 0.01);
        }
    }

    private static void noLetterIsOn(Page page, List<Rectangle2D> objects) {
        for (Item.LineItem line : page.lines()) {
            for (Piece piece : line.line().pieces()) {
                Rectangle2D letters = new Rectangle2D.Double(line.left() + piece.x(), line.baseline() - 5, Math.max(0, piece.width() - 4), 5);
                if (piece instanceof Piece.Glyphs glyphs && !glyphs.text().isBlank())
                    assertThat(objects).as("page %d: %s", page.index() + 1, glyphs.text()).noneMatch(object -> object.intersects(letters));
            }
        }
    }

    /** In a cell too, lines run round what hangs there, be it of the paragraph before; and the row holds a box of text that reaches further down. */
    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5, 6, 7, 8})
    void linesOfACellRunRoundWhatHangsInIt(long seed) {
        Random random = new Random(seed);
        List<Block> cell = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            Anchor anchor = new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.COLUMN, null, random.nextInt(40)),
                    new Anchor.Vertical(Anchor.Vertical.From.PARAGRAPH, null, 0), random.nextBoolean() ? Anchor.Wrap.SQUARE : Anchor.Wrap.TOP_AND_BOTTOM,
                    AWAY, false);
            cell.add(with(Paragraph.of("ferry and pier ".repeat(6).trim()), anchor, 30 + random.nextInt(120), 20 + random.nextInt(80)));
            cell.add(Paragraph.of("tide ".repeat(40).trim()));
        }
        Anchor last = new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.COLUMN, null, 0), new Anchor.Vertical(Anchor.Vertical.From.PARAGRAPH, null, 0),
                Anchor.Wrap.SQUARE, AWAY, false);
        TextBox box = new TextBox(List.of(Paragraph.of("boxed ".repeat(20).trim())), 60, 20, true, TableProperty.Insets.NONE, null, null);
        cell.add(Paragraph.of("end").withInlines(List.of(new Inline.Floating(last, box, Look.PLAIN))));
        Table table = new Table(Look.PLAIN, List.of(220.0, 220.0), List.of(new Table.Row(Look.PLAIN, List.of(new Table.Cell(0, 1, 1, Look.PLAIN, cell),
                new Table.Cell(1, 1, 1, Look.PLAIN, List.of(Paragraph.of("beside"))))), new Table.Row(Look.PLAIN, List.of(new Table.Cell(0, 1, 1, Look.PLAIN,
                        List.of(Paragraph.of("below")))))));
        Page page = Layout.of(Sample.of(List.of(table)), FontCatalogue.shipped()).page(0);
        assertThat(objects(page)).hasSize(4);
        noLetterIsOn(page, objects(page));
        assertThat(baseline(page, "below")).isGreaterThan(baseline(page, "boxed"));
    }

    private static double baseline(Page page, String word) {
        double lowest = 0;
        for (Item item : page.text()) {
            if (item instanceof Item.LineItem line && line.line().pieces().stream().anyMatch(piece -> piece instanceof Piece.Glyphs one
                    && one.text().contains(word))) lowest = Math.max(lowest, line.baseline());
        }
        assertThat(lowest).as(word).isPositive();
        return lowest;
    }

    /** The wider of two sides is written on; a strip narrower than an inch is left free; above and below only, where that is asked. */
    @ParameterizedTest
    @ValueSource(doubles = {40, 200, 330, 420})
    void linesTakeTheWiderSide(double x) {
        double width = Sample.of(List.of()).sections().get(0).page().textWidth();
        for (Anchor.Wrap wrap : List.of(Anchor.Wrap.SQUARE, Anchor.Wrap.TOP_AND_BOTTOM)) {
            Anchor anchor = new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.COLUMN, null, x), new Anchor.Vertical(Anchor.Vertical.From.PARAGRAPH, null,
                    0),
                    wrap, AWAY, false);
            Paragraph paragraph = Paragraph.of("word ".repeat(400).trim());
            Page page = Layout.of(Sample.of(List.of(with(paragraph, anchor, 60, 100))), FontCatalogue.shipped()).page(0);
            Rectangle2D object = objects(page).get(0);
            double left = page.lines().get(page.lines().size() - 1).left();
            double before = x - AWAY.left();
            double after = width - x - 60 - AWAY.right();
            boolean none = wrap == Anchor.Wrap.TOP_AND_BOTTOM || Math.max(before, after) < 72;
            List<Item.LineItem> beside = page.lines().stream().filter(line -> line.baseline() > object.getMinY() && line.baseline() < object.getMaxY() - 2)
                    .toList();
            if (none) assertThat(beside).isEmpty();
            else assertThat(beside).hasSizeGreaterThan(5).allSatisfy(line -> {
                if (after > before) assertThat(line.left()).isGreaterThanOrEqualTo(left + x + 60 + AWAY.right() - 0.01);
                else assertThat(line.left() + line.line().width()).isLessThanOrEqualTo(left + before + 0.5);
            });
        }
    }

    private static Paragraph hung(Paragraph paragraph, Random random) {
        Anchor.Horizontal across = random.nextBoolean() ? new Anchor.Horizontal(Anchor.Horizontal.From.values()[random.nextInt(3)],
                Alignment.values()[random.nextInt(3)], 0) : new Anchor.Horizontal(Anchor.Horizontal.From.COLUMN, null, random.nextInt(300));
        Anchor anchor = new Anchor(across, new Anchor.Vertical(Anchor.Vertical.From.PARAGRAPH, null, random.nextInt(60)),
                random.nextInt(3) == 0 ? Anchor.Wrap.TOP_AND_BOTTOM : Anchor.Wrap.SQUARE, AWAY, false);
        return with(paragraph, anchor, 30 + random.nextInt(250), 20 + random.nextInt(200));
    }

    private static Paragraph with(Paragraph paragraph, Anchor anchor, double width, double height) {
        List<Inline> inlines = new ArrayList<>(List.of(new Inline.Floating(anchor, new Picture(new Image("image/png", new byte[8]), width, height, "pier"),
                Look.PLAIN)));
        inlines.addAll(paragraph.inlines());
        return paragraph.withInlines(inlines);
    }

    private static List<Rectangle2D> objects(Page page) {
        List<Rectangle2D> objects = new ArrayList<>();
        for (Item item : page.text()) if (item instanceof Item.PictureItem one)
            objects.add(new Rectangle2D.Double(one.x(), one.y(), one.picture().width(), one.picture().height()));
        return objects;
    }
}
