package app.decant.page;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.Image;
import app.decant.document.Link;
import app.decant.document.ParagraphProperty.TabStop.Leader;
import app.decant.document.Picture;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TextProperty.Underline;
import app.decant.font.Face;
import app.decant.font.FontCatalogue;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** What a page shows to a canvas, thing by thing with its place, and where carets stand on its lines. */
class PageTest {
    private static final Face FACE = FontCatalogue.shipped().match("Carlito", false, false).face();
    private static final Colour RED = new Colour(0xC03020);
    private static final TextStyle PLAIN = style(Underline.NONE, false, false, 0, null, null, Colour.AUTOMATIC);
    private static final Passage PASSAGE = passage(30, Map.of());

    private static Passage passage(int length, Map<String, Integer> marks) {
        return new Passage() {
            @Override public int length() { return length; }
            @Override public Map<String, Integer> marks() { return marks; }
        };
    }

    private static TextStyle style(Underline underline, boolean strike, boolean twice, double raise, Colour highlight, Link link, Colour colour) {
        return new TextStyle(FACE, 10, colour, highlight, underline, strike, twice, raise, 0, 1, false, false, false, false, false, null, null, link, null);
    }

    /** Letters five points wide each, from a place on. */
    private static Piece.Glyphs glyphs(TextStyle style, String text, int start, float x, boolean rightToLeft) {
        int count = text.length();
        int[] glyphs = new int[count];
        int[] clusters = new int[count];
        float[] places = new float[count + 1];
        for (int i = 0; i < count; i++) {
            glyphs[i] = 40 + i;
            clusters[i] = rightToLeft ? count - 1 - i : i;
        }
        for (int i = 0; i <= count; i++) places[i] = x + 5 * i;
        return new Piece.Glyphs(style, text, start, start + count, glyphs, places, null, clusters, rightToLeft);
    }

    private static Line line(int start, int end, Piece... pieces) {
        return new Line(start, end, 3, 0, 100, 14, 11, 9, 3, List.of(pieces), Line.Break.NONE);
    }

    private static Item.LineItem item(Passage passage, Line line) { return new Item.LineItem(passage, line, 60, 100, true); }

    /** All that is shown, in words. */
    private static List<String> shown(Item... items) {
        List<String> all = new ArrayList<>();
        new Page(0, "1", 200, 300, List.of(items), List.of()).show(canvas(all));
        return all;
    }

    private static Canvas canvas(List<String> all) {
        return new Canvas() {
            @Override public void glyphs(Piece.Glyphs glyphs, double x, double baseline, Colour colour) {
                all.add(say("glyphs %s %.2f %.2f %06x", glyphs.text(), x + glyphs.x(), baseline, colour.rgb()));
            }

            @Override public void fill(double x, double y, double width, double height, Colour colour) {
                all.add(say("fill %.2f %.2f %.2f %.2f %06x", x, y, width, height, colour.rgb()));
            }

            @Override public void rule(double x1, double y1, double x2, double y2, Border border) {
                all.add(say("rule %.2f %.2f %.2f %s %.3f %06x", x1, y1, x2, border.line(), border.width(), border.colour().rgb()));
            }

            @Override public void picture(Picture picture, double x, double y) { all.add(say("picture %.2f %.2f", x, y)); }
            @Override public void unseen(Picture.Word word, double x, double baseline) { all.add(say("word %s %.2f %.2f", word.text(), x, baseline)); }

            @Override public void link(double x, double y, double width, double height, Link link) {
                all.add(say("link %.2f %.2f %.2f %.2f", x, y, width, height));
            }
        };
    }

    private static String say(String format, Object... values) { return String.format(Locale.ROOT, format, values); }

    @Test void framesComeFirstAndItemsInTheirOrder() {
        Item fill = new Item.Fill(1, 2, 3, 4, RED);
        Item rule = new Item.Rule(1, 2, 11, 2, Border.single(0.5, RED));
        Page page = new Page(4, "v", 200, 300, List.of(rule), List.of(fill));
        assertThat(page.items()).containsExactly(fill, rule);
        List<String> all = new ArrayList<>();
        page.show(canvas(all));
        assertThat(all).containsExactly("fill 1.00 2.00 3.00 4.00 c03020", "rule 1.00 2.00 11.00 SINGLE 0.500 c03020");
        all.clear();
        page.showText(canvas(all));
        assertThat(all).containsExactly("rule 1.00 2.00 11.00 SINGLE 0.500 c03020");
        all.clear();
        page.showFrame(canvas(all));
        assertThat(all).containsExactly("fill 1.00 2.00 3.00 4.00 c03020");
        assertThat(page.ground()).isNull();
        List<Item> changing = new ArrayList<>(List.of(fill));
        Page own = new Page(0, "1", 9, 9, changing, changing);
        changing.clear();
        assertThat(own.items()).hasSize(2);
    }

    @Test void thingsMovedStandElsewhereAndAreTheSameOtherwise() {
        assertThat(shown(new Item.Fill(1, 2, 3, 4, RED).moved(10, 20))).containsExactly("fill 11.00 22.00 3.00 4.00 c03020");
        assertThat(shown(new Item.Rule(1, 2, 11, 2, Border.single(0.5, RED)).moved(10, 20))).containsExactly("rule 11.00 22.00 21.00 SINGLE 0.500 c03020");
        assertThat(((Item.Rule) new Item.Rule(1, 2, 1, 12, Border.single(1, RED)).moved(5, 7)).y2()).isEqualTo(19);
        assertThat(shown(new Item.PictureItem(picture(0), 5, 6).moved(1, 2))).containsExactly("picture 6.00 8.00", "word pier 8.00 17.00");
        Item.LineItem line = item(PASSAGE, line(0, 2, glyphs(PLAIN, "ab", 0, 0, false)));
        Item.LineItem moved = line.moved(-10, 5);
        assertThat(moved.left()).isEqualTo(53);
        assertThat(moved.baseline()).isEqualTo(116);
        assertThat(moved.editable()).isTrue();
        assertThat(line.locked()).isEqualTo(new Item.LineItem(PASSAGE, line.line(), 60, 100, false));
        assertThat(line.locked().moved(1, 1).editable()).isFalse();
    }

    private static Picture picture(double turned) {
        return new Picture(new Image("image/png", new byte[] {1}), 40, 30, Insets.NONE, turned, null,
                List.of(new Picture.Word("pier", 2, 9, 12, 8)));
    }

    @Test void wordsUnderAPictureAreShownUnlessItIsTurned() {
        assertThat(shown(new Item.PictureItem(picture(0), 5, 6))).containsExactly("picture 5.00 6.00", "word pier 7.00 15.00");
        assertThat(shown(new Item.PictureItem(picture(90), 5, 6))).containsExactly("picture 5.00 6.00");
    }

    @Test void onlyLinesOfTheBodyThatCanBeEditedAreItsLines() {
        Item.LineItem one = item(PASSAGE, line(0, 2, glyphs(PLAIN, "ab", 0, 0, false)));
        Page page = new Page(0, "1", 200, 300, List.of(one, one.locked(), new Item.Fill(1, 2, 3, 4, RED)), List.of(one));
        assertThat(page.lines()).containsExactly(one);
    }

    @Test void namedPlacesStandAtTheTopOfTheirLine() {
        Passage passage = passage(20, Map.of("first", 0, "middle", 7, "edge", 10, "end", 20, "beyond", 25));
        Item first = new Item.LineItem(passage, line(0, 10), 60, 100, true);
        Item second = new Item.LineItem(passage, line(10, 20), 60, 114, true);
        Page page = new Page(0, "1", 200, 300, List.of(first, second, new Item.Fill(1, 2, 3, 4, RED)), List.of());
        assertThat(page.bookmarks()).isEqualTo(Map.of("first", 100.0, "middle", 100.0, "edge", 114.0, "end", 114.0));
        // What repeats, such as the head of a table, does not move a place down.
        assertThat(new Page(0, "1", 200, 300, List.of(first, first.moved(0, 50)), List.of()).bookmarks()).containsEntry("first", 100.0);
        // The end of a passage that goes on elsewhere is not here.
        assertThat(new Page(0, "1", 200, 300, List.of(first), List.of()).bookmarks()).doesNotContainKeys("edge", "end");
    }

    @Test void textIsShownOnItsBaselineInItsColour() {
        assertThat(shown(item(PASSAGE, line(0, 2, glyphs(PLAIN, "ab", 0, 4, false))))).containsExactly("glyphs ab 67.00 111.00 000000");
        TextStyle raised = style(Underline.NONE, false, false, 3, null, null, RED);
        assertThat(shown(item(PASSAGE, line(0, 2, glyphs(raised, "ab", 0, 0, false))))).containsExactly("glyphs ab 63.00 108.00 c03020");
    }

    @Test void whatIsMarkedHasItsColourBehindIt() {
        TextStyle marked = style(Underline.NONE, false, false, 0, RED, null, Colour.BLACK);
        TextStyle automatic = style(Underline.NONE, false, false, 0, Colour.AUTOMATIC, null, Colour.BLACK);
        assertThat(shown(item(PASSAGE, line(0, 4, glyphs(automatic, "ab", 0, 0, false), glyphs(marked, "cd", 2, 10, false)))))
                .containsExactly("fill 73.00 102.00 10.00 12.00 c03020", "glyphs ab 63.00 111.00 000000", "glyphs cd 73.00 111.00 000000");
    }

    @Test void linesUnderTextFollowItsKind() {
        double thick = Math.max(0.4, FACE.underlineThickness() * 10);
        double y = 111 + FACE.underlineOffset() * 10;
        assertThat(ruled(Underline.SINGLE)).containsExactly(rule(63, y, 88, "SINGLE", thick));
        assertThat(ruled(Underline.DOUBLE)).containsExactly(rule(63, y, 88, "SINGLE", thick * 0.7), rule(63, y + thick * 1.6, 88, "SINGLE", thick * 0.7));
        assertThat(ruled(Underline.THICK)).containsExactly(rule(63, y, 88, "SINGLE", thick * 2));
        assertThat(ruled(Underline.DOTTED)).containsExactly(rule(63, y, 88, "DOTTED", thick));
        assertThat(ruled(Underline.DASHED)).containsExactly(rule(63, y, 88, "DASHED", thick));
        assertThat(ruled(Underline.WAVE)).containsExactly(rule(63, y, 88, "DASHED", thick));
        assertThat(ruled(Underline.NONE)).isEmpty();
        // Words alone: each letter but the space between them.
        assertThat(ruled(Underline.WORDS)).containsExactly(rule(63, y, 68, "SINGLE", thick), rule(68, y, 73, "SINGLE", thick),
                rule(78, y, 83, "SINGLE", thick), rule(83, y, 88, "SINGLE", thick));
    }

    private static List<String> ruled(Underline underline) {
        TextStyle style = style(underline, false, false, 0, null, null, RED);
        return shown(item(PASSAGE, line(0, 5, glyphs(style, "ab cd", 0, 0, false)))).stream().filter(one -> one.startsWith("rule")).toList();
    }

    private static String rule(double x1, double y, double x2, String kind, double width) {
        return say("rule %.2f %.2f %.2f %s %.3f c03020", x1, y, x2, kind, width);
    }

    @Test void linesThroughTextStandAtTheHeightOfSmallLetters() {
        double thick = Math.max(0.4, FACE.underlineThickness() * 10);
        TextStyle once = style(Underline.NONE, true, false, 2, null, null, RED);
        assertThat(shown(item(PASSAGE, line(0, 2, glyphs(once, "ab", 0, 0, false)))).get(1)).isEqualTo(rule(63, 111 - 2 - 2.8, 73, "SINGLE", thick));
        TextStyle twice = style(Underline.NONE, false, true, 0, null, null, RED);
        assertThat(shown(item(PASSAGE, line(0, 2, glyphs(twice, "ab", 0, 0, false))))).contains(rule(63, 108.2 - thick, 73, "SINGLE", thick * 0.8),
                rule(63, 108.2 + thick, 73, "SINGLE", thick * 0.8));
    }

    @Test void leadersStandUnderEachOtherWhereverTheirTabBegins() {
        double advance = FACE.shape(".", false, false, false).width() * 10;
        List<Double> firsts = new ArrayList<>();
        for (float x : new float[] {0, 7, 11.3f}) {
            Piece.Tab tab = new Piece.Tab(PLAIN, Leader.DOTS, 2, x, 60 - x);
            List<Piece.Glyphs> dots = new ArrayList<>();
            Page.show(item(PASSAGE, line(0, 3, tab)), new Canvas() {
                @Override public void glyphs(Piece.Glyphs glyphs, double left, double baseline, Colour colour) {
                    assertThat(left).isEqualTo(63);
                    assertThat(baseline).isEqualTo(111);
                    dots.add(glyphs);
                }

                @Override public void fill(double x, double y, double width, double height, Colour colour) { }
                @Override public void rule(double x1, double y1, double x2, double y2, Border border) { }
                @Override public void picture(Picture picture, double x, double y) { }
            });
            assertThat(dots).hasSize(1);
            Piece.Glyphs dot = dots.get(0);
            assertThat(dot.text()).matches("\\.+");
            assertThat(dot.x()).isGreaterThanOrEqualTo(x);
            assertThat(dot.x() + dot.width()).isLessThanOrEqualTo(60.001);
            assertThat(dot.text().length()).isGreaterThan((int) ((60 - x) / advance) - 3);
            assertThat(dot.glyphs()).hasSize(dot.text().length()).containsOnly(FACE.shape(".", false, false, false).glyphs()[0]);
            assertThat(dot.clusters()).isEqualTo(IntStream.range(0, dot.text().length()).toArray());
            firsts.add((dot.x() + 63) / advance);
        }
        for (double first : firsts) assertThat(first - Math.rint(first)).isBetween(-0.001, 0.001);
        assertThat(shown(item(PASSAGE, line(0, 3, new Piece.Tab(PLAIN, Leader.NONE, 2, 0, 60))))).isEmpty();
        assertThat(shown(item(PASSAGE, line(0, 3, new Piece.Tab(PLAIN, Leader.DOTS, 2, 0, 0))))).isEmpty();
        assertThat(shown(item(PASSAGE, line(0, 3, new Piece.Tab(PLAIN, Leader.DOTS, 2, 0, 1))))).isEmpty();
        for (Map.Entry<Leader, String> sign : Map.of(Leader.HYPHENS, "-", Leader.LINE, "_", Leader.MIDDLE_DOTS, "\u00B7").entrySet())
            assertThat(shown(item(PASSAGE, line(0, 3, new Piece.Tab(PLAIN, sign.getKey(), 2, 0, 60)))).get(0)).startsWith("glyphs " + sign.getValue());
    }

    @Test void tabsAreUnderlinedAsTextIsButNotWithItsWords() {
        for (Underline kind : new Underline[] {Underline.SINGLE, Underline.WORDS, Underline.NONE}) {
            Piece.Tab tab = new Piece.Tab(style(kind, false, false, 0, null, null, RED), Leader.NONE, 2, 4, 20);
            assertThat(shown(item(PASSAGE, line(0, 3, tab))).size()).isEqualTo(kind == Underline.SINGLE ? 1 : 0);
        }
    }

    @Test void whatLeadsSomewhereHasItsArea() {
        TextStyle leading = style(Underline.NONE, false, false, 0, null, new Link.Address("https://ferries.example"), Colour.BLACK);
        assertThat(shown(item(PASSAGE, line(0, 2, glyphs(leading, "ab", 0, 4, false))))).endsWith("link 67.00 102.00 10.00 12.00");
        assertThat(shown(item(PASSAGE, line(0, 1, new Piece.Tab(leading, Leader.NONE, 0, 4, 20))))).containsExactly("link 67.00 102.00 20.00 12.00");
        assertThat(shown(item(PASSAGE, line(0, 1, new Piece.PictureBox(picture(0), leading, 0, 4))))).containsExactly("picture 67.00 81.00",
                "word pier 69.00 90.00", "link 67.00 81.00 40.00 30.00");
        TextStyle raised = style(Underline.NONE, false, false, 5, null, null, Colour.BLACK);
        assertThat(shown(item(PASSAGE, line(0, 1, new Piece.PictureBox(picture(90), raised, 0, 4))))).containsExactly("picture 67.00 76.00");
    }

    @Test void caretsStandBetweenLetters() {
        Line line = line(5, 10, glyphs(PLAIN, "abc", 5, 2, false), glyphs(PLAIN, "de", 8, 20, false));
        assertThat(carets(line)).containsExactly(2, 7, 12, 20, 25, 30);
        assertThat(line.offsetAt(-50)).isEqualTo(5);
        assertThat(line.offsetAt(9)).isEqualTo(6);
        assertThat(line.offsetAt(10)).isEqualTo(7);
        assertThat(line.offsetAt(500)).isEqualTo(10);
        Line broken = new Line(5, 10, 3, 0, 100, 14, 11, 9, 3, line.pieces(), Line.Break.LINE);
        assertThat(broken.offsetAt(500)).as("before the break").isEqualTo(9);
        assertThat(line(5, 5).caretX(5)).isZero();
        assertThat(line(5, 5).offsetAt(3)).isEqualTo(5);
    }

    private static double[] carets(Line line) {
        double[] carets = new double[line.end() - line.start() + 1];
        for (int i = 0; i < carets.length; i++) carets[i] = line.caretX(line.start() + i);
        return carets;
    }

    @Test void caretsInTextThatRunsLeftward() {
        Line line = line(0, 3, glyphs(PLAIN, "\u05D0\u05D1\u05D2", 0, 0, true));
        assertThat(carets(line)).containsExactly(15, 10, 5, 0);
        assertThat(line.offsetAt(14)).isZero();
        assertThat(line.offsetAt(1)).isEqualTo(3);
    }

    @Test void aGlyphOfSeveralLettersIsPartedEvenly() {
        // "ffi" as one glyph between two others.
        Piece.Glyphs ligature = new Piece.Glyphs(PLAIN, "affib", 0, 5, new int[] {1, 2, 3}, new float[] {0, 6, 15, 20}, null, new int[] {0, 1, 4}, false);
        assertThat(carets(line(0, 5, ligature))).containsExactly(0, 6, 9, 12, 15, 20);
        Piece.Glyphs turned = new Piece.Glyphs(PLAIN, "affib", 0, 5, new int[] {1, 2, 3}, new float[] {0, 5, 14, 20}, null, new int[] {4, 1, 0}, true);
        assertThat(carets(line(0, 5, turned))).containsExactly(20, 14, 11, 8, 5, 0);
        // Two glyphs for one letter, such as an accent of its own.
        Piece.Glyphs accent = new Piece.Glyphs(PLAIN, "ab", 0, 2, new int[] {1, 2, 3}, new float[] {0, 5, 5, 11}, null, new int[] {0, 0, 1}, false);
        assertThat(carets(line(0, 2, accent))).containsExactly(0, 5, 11);
    }

    @Test void objectsAreOneStep() {
        Piece.Glyphs label = new Piece.Glyphs(PLAIN, "12.", 0, 0, new int[] {1, 2, 3}, new float[] {0, 5, 10, 15}, null, new int[] {0, 1, 2}, false);
        Piece.Glyphs field = new Piece.Glyphs(PLAIN, "17", 0, 1, new int[] {1, 2}, new float[] {20, 25, 30}, null, new int[] {0, 1}, false);
        Piece.Tab tab = new Piece.Tab(PLAIN, Leader.NONE, 1, 30, 25);
        Piece.PictureBox box = new Piece.PictureBox(picture(0), PLAIN, 2, 55);
        Line line = line(0, 3, label, field, tab, box);
        assertThat(label.isText()).isFalse();
        assertThat(field.isText()).isFalse();
        assertThat(carets(line)).containsExactly(20, 30, 55, 95);
        assertThat(box.width()).isEqualTo(40);
        assertThat(tab.end()).isEqualTo(2);
        assertThat(box.end()).isEqualTo(3);
        // A label alone, of an item that holds nothing yet: the caret stands behind it.
        assertThat(line(0, 0, label).caretX(0)).isEqualTo(15);
    }

    @Test void lettersOfAGroundHaveTheirOwnEdges() {
        Piece.Letters letters = new Piece.Letters(4, new float[] {10, 16, 21}, new float[] {15.5f, 20, 30}, false);
        assertThat(letters.end()).isEqualTo(7);
        assertThat(letters.x()).isEqualTo(10);
        assertThat(letters.width()).isEqualTo(20);
        assertThat(carets(line(4, 7, letters))).containsExactly(10, 16, 21, 30);
        Piece.Letters leftward = new Piece.Letters(0, new float[] {20, 10}, new float[] {30, 19}, true);
        assertThat(leftward.x()).isEqualTo(10);
        assertThat(leftward.width()).isEqualTo(20);
        assertThat(carets(line(0, 2, leftward))).containsExactly(30, 19, 10);
        assertThat(shown(item(PASSAGE, line(4, 7, letters)))).as("they are on the ground already").isEmpty();
        assertThatThrownBy(() -> new Piece.Letters(0, new float[0], new float[0], false)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> new Piece.Letters(0, new float[2], new float[1], false)).isInstanceOf(IllegalArgumentException.class);
    }

    @Test void stylesTellTheirHeights() {
        TextStyle raised = style(Underline.NONE, false, false, 3, null, null, RED);
        assertThat(raised.ascent()).isEqualTo(FACE.ascent() * 10 + 3);
        assertThat(raised.descent()).isEqualTo(FACE.descent() * 10 - 3);
        assertThat(raised.lineGap()).isEqualTo(FACE.lineGap() * 10);
        assertThat(raised.sized(20).size()).isEqualTo(20);
        assertThat(raised.sized(20).sized(10)).isEqualTo(raised);
        Face bold = FontCatalogue.shipped().match("Carlito", true, false).face();
        assertThat(raised.with(bold).face()).isEqualTo(bold);
        assertThat(raised.with(bold).with(FACE)).isEqualTo(raised);
    }

    @Test void whatWasRewrittenTellsWhereThingsStand() {
        Rewritten.Push down = new Rewritten.Push(new Rewritten.Area(50, 100, 300, 800), 14, 0);
        Rewritten.Push up = new Rewritten.Push(new Rewritten.Area(50, 400, 300, 800), -4, 0);
        Rewritten page = new Rewritten(new byte[0], new Rewritten.Parts(List.of(), List.of(), List.of()), List.of(), List.of(), List.of(down, up),
                List.of(new Rewritten.Given(new Rewritten.Area(50, 700, 300, 790), 0, 4, 0, -650, false),
                new Rewritten.Given(new Rewritten.Area(50, 650, 300, 790), 0, 4, 0, -600, true)), List.of(), List.of(), null, List.of());
        assertThat(page.given(60, 700).down()).isEqualTo(-650);
        assertThat(page.given(60, 699)).isNull();
        assertThat(page.given(new Rewritten.Spot(60, 66, 700).goingOver()).down()).isEqualTo(-600);
        assertThat(page.pushed(100, 99)).isZero();
        assertThat(page.pushed(100, 100)).isEqualTo(14);
        assertThat(page.pushed(49, 200)).isZero();
        assertThat(page.pushed(301, 200)).isZero();
        assertThat(page.pushed(300, 800)).isEqualTo(10);
        assertThat(page.pushed(50, 801)).isZero();
        assertThat(page.parts().any()).isFalse();
        Rewritten.Form form = new Rewritten.Form("F2", "F1", new byte[0], page.parts());
        assertThat(new Rewritten.Parts(List.of(form), List.of(), List.of()).any()).isTrue();
        assertThat(new Rewritten.Parts(List.of(), List.of(new Rewritten.Font("T2", FACE, List.of())), List.of()).any()).isTrue();
        assertThat(new Rewritten.Parts(List.of(), List.of(), List.of(new Rewritten.Loan(Rewritten.Loan.Kind.FONT, "T3", 7, 0))).any()).isTrue();
        Rewritten.Reset reset = new Rewritten.Reset(Map.of(3, new Rewritten.Spot(1, 2, 10)), Arrays.asList(new Rewritten.Spot(5, 6, 10), null));
        assertThat(reset.letters()).containsExactly(new Rewritten.Spot(5, 6, 10), null);
        Rewritten.Spot spot = new Rewritten.Spot(1, 2, 10);
        assertThat(spot.lowered(2.5)).isEqualTo(new Rewritten.Spot(1, 2, 12.5f));
        assertThat(spot.goingOver().lowered(2.5)).as("it went over").isEqualTo(spot.goingOver());
        assertThat(spot.on(4).lowered(2.5)).as("it stands on another page").isEqualTo(spot.on(4));
        assertThat(List.of(spot.isElsewhere(), spot.goingOver().isElsewhere(), spot.on(0).isElsewhere())).containsExactly(false, false, true);
        assertThat(List.of(spot.over(), spot.goingOver().over(), spot.on(0).over())).containsExactly(false, true, false);
    }

    @Test void areasHoldWhatStandsInThem() {
        LogicalStructure.Area area = new LogicalStructure.Area(0, 100, 200, 300, 400);
        assertThat(area.holds(new Rectangle2D.Double(100, 200, 200, 200))).isTrue();
        assertThat(area.holds(new Rectangle2D.Double(98.5, 198.5, 203, 203))).as("half a line beyond").isTrue();
        assertThat(area.holds(new Rectangle2D.Double(97, 250, 20, 20))).isFalse();
        assertThat(area.holds(new Rectangle2D.Double(290, 250, 13, 20))).isFalse();
        assertThat(area.holds(new Rectangle2D.Double(150, 197, 20, 20))).isFalse();
        assertThat(area.holds(new Rectangle2D.Double(150, 390, 20, 13))).isFalse();
    }

    @Test void structureHasTheNamesOfTheStandard() {
        assertThat(Arrays.stream(Element.Role.values()).map(Element.Role::type)).containsExactly("Document", "Div", "H", "P", "L", "LI", "Lbl", "LBody",
                "Table",
                "TR", "TH", "TD", "TOC", "TOCI", "Note", "Figure");
        Element row = Element.of(Element.Role.ROW, List.of());
        assertThat(row.columnSpan()).isEqualTo(1);
        assertThat(row.rowSpan()).isEqualTo(1);
        assertThat(row.level()).isZero();
    }

    @Test void anOriginalNeverTellsItsPassword() {
        Original original = new Original("fares.pdf", new byte[3], "quayside7");
        assertThat(original).hasToString("Original[fares.pdf, 3 bytes]");
        assertThat(original.password()).isEqualTo("quayside7");
        assertThat(original.name()).isEqualTo("fares.pdf");
        assertThat(original.bytes()).hasSize(3);
    }
}
