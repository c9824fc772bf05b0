package app.decant.layout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.NumberFormat;
import app.decant.document.Numbering;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty;
import app.decant.document.ParagraphProperty.LineSpacing;
import app.decant.document.Picture;
import app.decant.document.Section;
import app.decant.document.Section.FramePlace;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TextProperty;
import app.decant.font.FontCatalogue;
import app.decant.page.Item;
import app.decant.page.Page;

import app.decant.page.Piece;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Headers, footers, page numbers, breaks and spacing. Common practice where no clause is named. */
class PageFrameTest {
    private static PagedDocument layOut(Document document) { return Layout.of(document, FontCatalogue.shipped()); }

    private static List<String> frame(Page page) {
        List<String> lines = new ArrayList<>();
        for (Item item : page.frame()) {
            StringBuilder text = new StringBuilder();
            if (item instanceof Item.LineItem line)
                for (Piece piece : line.line().pieces()) if (piece instanceof Piece.Glyphs glyphs) text.append(glyphs.text());
            lines.add(text.toString());
        }
        return lines;
    }

    private static List<Block> pagesOf(int count) {
        List<Block> blocks = new ArrayList<>();
        for (int i = 0; i < count; i++) blocks.add(Sample.looking("body " + i, Look.of(ParagraphProperty.PAGE_BREAK_BEFORE, i > 0)));
        return blocks;
    }

    private static Paragraph numbered(String before) {
        return new Paragraph(null, Look.PLAIN, Look.PLAIN, List.of(new Inline.Text(before, Look.PLAIN), new Inline.Field(Inline.Field.Kind.PAGE, "PAGE", "",
                Look.PLAIN), new Inline.Text("/", Look.PLAIN), new Inline.Field(Inline.Field.Kind.PAGES, "NUMPAGES", "", Look.PLAIN)));
    }

    private static Section section(Map<FramePlace, List<Block>> frames, boolean first, List<Block> blocks) {
        return new Section(Section.Start.NEXT_PAGE, Section.PageGeometry.A4, Section.Columns.ONE, Section.PageNumbering.CONTINUED, frames, first, blocks);
    }

    @Test void firstOddAndEvenPagesHaveTheirOwnHeads() {
        Map<FramePlace, List<Block>> frames = Map.of(FramePlace.FIRST_HEADER, List.of(Paragraph.of("first")), FramePlace.HEADER,
                List.of(Paragraph.of("odd")), FramePlace.EVEN_HEADER, List.of(Paragraph.of("even")));
        Document document = new Document(Facts.NONE, Sample.styles(), Numbering.NONE, List.of(section(frames, true, pagesOf(4))), true, 36, List.of());
        assertThat(layOut(document).pages()).extracting(PageFrameTest::frame).containsExactly(List.of("first"), List.of("even"), List.of("odd"),
                List.of("even"));
    }

    @Test void headersCountThePages() {
        PagedDocument pages = layOut(Sample.of(section(Map.of(FramePlace.FOOTER, List.of(numbered("p. "))), false, pagesOf(3))));
        assertThat(pages.pages()).extracting(page -> frame(page).get(0)).containsExactly("p. 1/3", "p. 2/3", "p. 3/3");
    }

    @Test void aSectionTakesTheHeadOfTheOneBeforeAndCanNumberAnew() {
        Section one = section(Map.of(FramePlace.HEADER, List.of(numbered(""))), false, pagesOf(2));
        Section two = new Section(Section.Start.NEXT_PAGE, Section.PageGeometry.A4, Section.Columns.ONE, new Section.PageNumbering(NumberFormat.LOWER_ROMAN,
                1), Map.of(), false, pagesOf(2));
        PagedDocument pages = layOut(Sample.of(one, two));
        assertThat(pages.pages()).extracting(Page::label).containsExactly("1", "2", "i", "ii");
        assertThat(frame(pages.page(3)).get(0)).isEqualTo("ii/4");
    }

    @Test void aSectionThatBeginsOnAnOddPageLeavesTheEvenOneBlank() {
        Section two = new Section(Section.Start.ODD_PAGE, Section.PageGeometry.A4, Section.Columns.ONE, Section.PageNumbering.CONTINUED, Map.of(), false,
                List.of(Paragraph.of("two")));
        PagedDocument pages = layOut(Sample.of(section(Map.of(), false, pagesOf(1)), two));
        assertThat(pages.pages()).extracting(Sample::lines).containsExactly(List.of("body 0"), List.of(), List.of("two"));
        assertThat(pages.page(2).label()).isEqualTo("3");
    }

    @Test void aHeadTallerThanItsMarginPushesTheText() {
        List<Block> tall = new ArrayList<>();
        for (int i = 0; i < 12; i++) tall.add(Paragraph.of("head"));
        Page page = layOut(Sample.of(section(Map.of(FramePlace.HEADER, tall), false, List.of(Paragraph.of("body"))))).page(0);
        double lowest = 0;
        for (Item item : page.frame()) if (item instanceof Item.LineItem line) lowest = Math.max(lowest, line.y() + line.line().height());
        assertThat(page.lines().get(0).y()).isGreaterThanOrEqualTo(lowest);
    }

    private static Inline picture(Anchor.Horizontal across, Anchor.Vertical down) {
        Picture picture = new Picture(new Image("image/png", new byte[0]), 100, 40, "A mark");
        return new Inline.Floating(new Anchor(across, down, Anchor.Wrap.NONE, Insets.NONE, true), picture, Look.PLAIN);
    }

    private static List<Item.PictureItem> pictures(FramePlace place, Inline... hung) {
        Paragraph head = Paragraph.of("").withInlines(List.of(hung));
        Page page = layOut(Sample.of(section(Map.of(place, List.of(Paragraph.of("above"), head)), false, List.of(Paragraph.of("body"))))).page(0);
        return page.frame().stream().filter(Item.PictureItem.class::isInstance).map(Item.PictureItem.class::cast).toList();
    }

    /** 20.4.3.4 and 20.4.3.5: what hangs on a header may stand anywhere on the page, as marks behind its text and signs of letterheads do. */
    @Test void whatHangsOnAHeaderStandsWhereItSaysOnThePage() {
        Section.PageGeometry paper = Section.PageGeometry.A4;
        for (FramePlace place : List.of(FramePlace.HEADER, FramePlace.FOOTER)) {
            List<Item.PictureItem> found = pictures(place,
                    picture(new Anchor.Horizontal(Anchor.Horizontal.From.PAGE, null, 12), new Anchor.Vertical(Anchor.Vertical.From.PAGE, null, 34)),
                    picture(new Anchor.Horizontal(Anchor.Horizontal.From.MARGIN, Alignment.CENTRE, 0),
                            new Anchor.Vertical(Anchor.Vertical.From.MARGIN, VerticalAlignment.CENTRE, 0)),
                    picture(new Anchor.Horizontal(Anchor.Horizontal.From.COLUMN, Alignment.END, 0), new Anchor.Vertical(Anchor.Vertical.From.PARAGRAPH, null,
                    5)));
            assertThat(found.get(0).x()).isEqualTo(12);
            assertThat(found.get(0).y()).isEqualTo(34);
            assertThat(found.get(1).x()).isCloseTo(paper.textLeft() + (paper.textWidth() - 100) / 2, within(0.01));
            assertThat(found.get(1).y()).isCloseTo(paper.top() + (paper.height() - paper.bottom() - paper.top() - 40) / 2, within(0.01));
            assertThat(found.get(2).x()).isCloseTo(paper.textLeft() + paper.textWidth() - 100, within(0.01));
            double line = height(LineSpacing.SINGLE, 10);
            double edge = place == FramePlace.HEADER ? paper.header() : paper.height() - paper.footer() - 2 * line;
            assertThat(found.get(2).y()).as("5 points below its own paragraph's top").isCloseTo(edge + line + 5, within(0.05));
        }
    }

    @Test void breaksInsideParagraphsEndTheirPage() {
        Paragraph paragraph = new Paragraph(null, Look.PLAIN, Look.PLAIN, List.of(new Inline.Text("one\ftwo\nthree", Look.PLAIN)));
        PagedDocument pages = layOut(Sample.of(List.of(paragraph, Paragraph.of("\f"), Paragraph.of("four"))));
        assertThat(pages.pages()).extracting(Sample::lines).containsExactly(List.of("one"), List.of("two", "three", ""), List.of("four"));
    }

    @Test void lineSpacingIsAMultipleAtLeastOrExact() {
        double natural = height(LineSpacing.SINGLE, 10);
        assertThat(height(new LineSpacing(LineSpacing.Rule.MULTIPLE, 2), 10)).isCloseTo(natural * 2, within(0.01));
        assertThat(height(new LineSpacing(LineSpacing.Rule.AT_LEAST, 30), 10)).isCloseTo(30, within(0.01));
        assertThat(height(new LineSpacing(LineSpacing.Rule.AT_LEAST, 5), 10)).isCloseTo(natural, within(0.01));
        assertThat(height(new LineSpacing(LineSpacing.Rule.EXACTLY, 7), 10)).isCloseTo(7, within(0.01));
        // Liberation Sans: ascender 1854, descender 434, gap 67 of 2048 (its hhea table).
        assertThat(natural).isCloseTo(10 * (1854 + 434 + 67) / 2048.0, within(0.01));
    }

    private static double height(LineSpacing spacing, double size) {
        return layOut(Sample.of(List.of(Sample.looking("x", Look.of(ParagraphProperty.LINE_SPACING, spacing).with(TextProperty.SIZE, size))))).page(0).lines()
                .get(0).line().height();
    }

    @Test void neighboursOfOneStyleStandCloseWhereTheyWishTo() {
        Look look = Look.of(ParagraphProperty.SPACE_AFTER, 20.0).with(ParagraphProperty.CONTEXTUAL_SPACING, true);
        List<Item.LineItem> lines = layOut(Sample.of(List.of(Sample.looking("a", look), Sample.looking("b", look), Paragraph.styled("Heading1", "c"))))
                .page(0).lines();
        assertThat(lines.get(1).y() - lines.get(0).y()).isCloseTo(lines.get(0).line().height(), within(0.01));
        assertThat(lines.get(2).y() - lines.get(1).y()).isGreaterThan(lines.get(1).line().height() + 20);
    }

    @Test void smallCapitalsAreSmallerAndSuperscriptsHigher() {
        Paragraph paragraph = new Paragraph(null, Look.PLAIN, Look.PLAIN, List.of(new Inline.Text("Ab", Look.of(TextProperty.SMALL_CAPITALS, true)),
                new Inline.Text("2", Look.of(TextProperty.SCRIPT, TextProperty.Script.SUPER))));
        List<Piece> pieces = layOut(Sample.of(List.of(paragraph))).page(0).lines().get(0).line().pieces();
        assertThat(((Piece.Glyphs) pieces.get(1)).text()).isEqualTo("B");
        assertThat(((Piece.Glyphs) pieces.get(1)).style().size()).isEqualTo(8);
        assertThat(((Piece.Glyphs) pieces.get(2)).style().raise()).isGreaterThan(2);
    }

    @Test void hiddenTextTakesNoRoom() {
        Paragraph paragraph = new Paragraph(null, Look.PLAIN, Look.PLAIN, List.of(new Inline.Text("a", Look.PLAIN),
                new Inline.Text("hidden", Look.of(TextProperty.HIDDEN, true)), new Inline.Text("b", Look.PLAIN)));
        Item.LineItem line = layOut(Sample.of(List.of(paragraph))).page(0).lines().get(0);
        assertThat(line.line().width()).isLessThan(15);
    }

    @Test void softHyphensShowOnlyWhereALineEnds() {
        String word = "harbour\u00ADmaster ".repeat(30).trim();
        List<Item.LineItem> lines = layOut(Sample.of(List.of(Paragraph.of(word)))).page(0).lines();
        for (Item.LineItem line : lines) {
            String text = TextPassage.paragraph(line).text().substring(line.line().start(), line.line().end());
            Piece.Glyphs last = (Piece.Glyphs) line.line().pieces().get(line.line().pieces().size() - 1);
            if (text.endsWith("\u00AD")) assertThat(last.text()).endsWith("-");
            else assertThat(last.text()).doesNotEndWith("-");
        }
    }
}
