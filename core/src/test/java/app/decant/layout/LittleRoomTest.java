package app.decant.layout;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.Section.Columns;
import app.decant.document.Section.PageGeometry;
import app.decant.document.Section;
import app.decant.document.TableProperty;
import app.decant.document.TextBox;
import app.decant.font.FontCatalogue;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.page.Piece;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** However small the paper is and however much of it is taken by what floats over it: pages come to an end, and each letter of the text is on one, once. */
class LittleRoomTest {
    /** More pages than any of these documents has letters. */
    private static final int MOST_STEPS = 2000;

    @ParameterizedTest
    @ValueSource(ints = {1, 5, 12, 30, 60, 90, 140, 200, 300})
    void eachLetterIsOnOnePageOnce(int side) {
        for (int seed = 0; seed < 60; seed++) {
            Random random = new Random(1000L * side + seed);
            PageGeometry paper = new PageGeometry(side, side, 0, 0, 0, 0, 0, 0, 0);
            Map<Integer, Integer> wanted = new TreeMap<>();
            List<Block> blocks = blocks(random, side, wanted);
            Columns columns = new Columns(1 + random.nextInt(2), 2, false, List.of());
            Section section = new Section(Section.Start.NEXT_PAGE, paper, columns, Section.PageNumbering.CONTINUED, Map.of(), false, blocks);
            int[] steps = {0};
            PagedDocument pages = new Layout(FontCatalogue.shipped()).next(Document.empty().withSections(List.of(section)),
                    (done, total, what) -> steps[0]++ < MOST_STEPS, -1, page -> { });
            Map<Integer, Integer> found = new TreeMap<>();
            for (Page page : pages.pages()) {
                for (Item item : page.text()) {
                    if (!(item instanceof Item.LineItem line)) continue;
                    for (Piece piece : line.line().pieces()) if (piece instanceof Piece.Glyphs glyphs) count(glyphs.text(), found);
                }
            }
            assertThat(found).as("side %d, seed %d", side, seed).isEqualTo(wanted);
        }
    }

    /** Letters of their own, an ideograph each: every one may begin a line. */
    private static List<Block> blocks(Random random, int side, Map<Integer, Integer> wanted) {
        List<Block> blocks = new ArrayList<>();
        int letter = 0x4E00;
        for (int p = 1 + random.nextInt(4); p > 0; p--) {
            StringBuilder text = new StringBuilder();
            for (int n = random.nextInt(40); n >= 0; n--) text.append((char) letter++);
            count(text.toString(), wanted);
            List<Inline> inlines = new ArrayList<>(List.of(new Inline.Text(text.toString(), Look.PLAIN)));
            if (random.nextBoolean()) inlines.add(random.nextInt(2), floating(random, side));
            blocks.add(Paragraph.of("").withInlines(inlines));
        }
        return blocks;
    }

    private static Inline floating(Random random, int side) {
        Anchor.Horizontal across = new Anchor.Horizontal(Anchor.Horizontal.From.values()[random.nextInt(4)], null, random.nextInt(side + 1) - side / 3.0);
        Anchor.Vertical down = new Anchor.Vertical(Anchor.Vertical.From.values()[random.nextInt(4)], null, random.nextInt(side + 1) - side / 3.0);
        Anchor anchor = new Anchor(across, down, Anchor.Wrap.values()[random.nextInt(3)], new TableProperty.Insets(9, 9, 9, 9), random.nextBoolean());
        double width = 1 + random.nextInt(2 * side);
        double height = 1 + random.nextInt(2 * side);
        return new Inline.Floating(anchor, random.nextBoolean() ? new Picture(new Image("image/png", new byte[8]), width, height, "pier")
                : new TextBox(List.of(Paragraph.of("")), width, height, random.nextBoolean(), TableProperty.Insets.NONE, null, null), Look.PLAIN);
    }

    private static void count(String text, Map<Integer, Integer> letters) {
        text.codePoints().filter(one -> one >= 0x4E00).forEach(one -> letters.merge(one, 1, Integer::sum));
    }
}
