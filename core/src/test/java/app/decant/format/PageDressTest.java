package app.decant.format;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.Decant;
import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Look;
import app.decant.document.PageDress.Framed;
import app.decant.document.PageDress.LineNumbers;
import app.decant.document.PageDress.Standing;
import app.decant.document.PageDress;
import app.decant.document.Paragraph;
import app.decant.document.Section.FramePlace;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.layout.TextPassage;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.publish.Recipe;
import app.decant.publish.Target;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipFile;
import org.assertj.core.data.Offset;
import org.assertj.core.groups.Tuple;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Frames round pages, numbers beside lines, text in the middle of its page (ISO/IEC 29500-1, 17.6.10, 17.6.8, 17.6.22): set, and kept by formats. */
class PageDressTest {
    private static final Border LINE = new Border(Border.Line.DOUBLE, 1.5, new Colour(0x1F4E79), 24);
    private static final PageDress DRESSED = PageDress.PLAIN.framed(Borders.all(LINE), false, Framed.ALL)
            .numbered(new LineNumbers(5, 1, 20, LineNumbers.Again.NEVER)).standing(Standing.MIDDLE);

    @TempDir private Path folder;

    private static Document document(PageDress dress, int lines) {
        List<Block> blocks = new ArrayList<>();
        for (int i = 1; i <= lines; i++) blocks.add(Paragraph.of("Line " + i));
        return document(dress, blocks);
    }

    private static Document document(PageDress dress, List<Block> blocks) {
        Document empty = Document.empty();
        return empty.withSections(List.of(empty.sections().get(0).withBlocks(blocks).dressed(dress)));
    }

    private static PagedDocument laid(Document document) { return new Layout(FontCatalogue.shipped()).next(document); }

    private static List<Item.Rule> rules(Page page) {
        return page.frame().stream().filter(Item.Rule.class::isInstance).map(Item.Rule.class::cast).toList();
    }

    private static List<String> signs(Page page) {
        return page.frame().stream().filter(Item.LineItem.class::isInstance).map(item -> TextPassage.paragraph((Item.LineItem) item).text()).toList();
    }

    @Test void aFrameStandsAsFarFromThePaperAsItSays() {
        Page page = laid(document(PageDress.PLAIN.framed(Borders.all(LINE), false, Framed.ALL), 3)).page(0);
        double away = 24 + 0.75;
        assertThat(rules(page)).extracting(Item.Rule::x1, Item.Rule::y1, Item.Rule::x2, Item.Rule::y2, Item.Rule::border).containsExactly(
                Tuple.tuple(away, away, page.width() - away, away, LINE),
                Tuple.tuple(away, page.height() - away, page.width() - away, page.height() - away, LINE),
                Tuple.tuple(away, away, away, page.height() - away, LINE),
                Tuple.tuple(page.width() - away, away, page.width() - away, page.height() - away, LINE));
    }

    @Test void orFromTheTextWithItsHeads() {
        PageDress dress = PageDress.PLAIN.framed(new Borders(LINE, null, LINE, null, null, null), true, Framed.ALL);
        Section.PageGeometry paper = Section.PageGeometry.A4;
        List<Item.Rule> plain = rules(laid(document(dress, 3)).page(0));
        assertThat(plain).hasSize(2);
        assertThat(plain.get(0).y1()).isEqualTo(paper.top() - 24.75);
        assertThat(plain.get(0).x1()).isEqualTo(paper.left());
        assertThat(plain.get(1).y1()).isEqualTo(paper.height() - paper.bottom() + 24.75);
        Document headed = document(dress, 3);
        headed = headed.withSections(List.of(headed.sections().get(0).withFrames(Map.of(FramePlace.HEADER, List.of(Paragraph.of("Harbour office"))))));
        assertThat(rules(laid(headed).page(0)).get(0).y1()).isEqualTo(paper.header() - 24.75);
    }

    @Test void onTheFirstPageOnlyOrOnAllOthers() {
        for (Framed framed : Framed.values()) {
            PagedDocument pages = laid(document(PageDress.PLAIN.framed(Borders.all(LINE), false, framed), 160));
            assertThat(pages.count()).isGreaterThan(2);
            assertThat(pages.pages()).extracting(page -> !rules(page).isEmpty()).containsExactlyElementsOf(pages.pages().stream()
                    .map(page -> framed == Framed.ALL || (framed == Framed.FIRST) == (page.index() == 0)).toList());
        }
    }

    @Test void linesAreNumberedBesideTheText() {
        LineNumbers numbers = new LineNumbers(5, 1, 20, LineNumbers.Again.PAGE);
        PagedDocument pages = laid(document(PageDress.PLAIN.numbered(numbers), 80));
        assertThat(signs(pages.page(0))).startsWith("5", "10", "15");
        assertThat(signs(pages.page(1))).startsWith("5", "10");
        Item.LineItem sign = (Item.LineItem) pages.page(0).frame().get(0);
        Item.LineItem fifth = pages.page(0).lines().get(4);
        assertThat(sign.baseline()).isCloseTo(fifth.baseline(), Offset.offset(0.001));
        assertThat(sign.left() + sign.line().caretX(sign.line().end())).isCloseTo(fifth.left() - 20, Offset.offset(0.001));
        assertThat(sign.editable()).isFalse();
    }

    @Test void countingGoesOnOrBeginsAnewWithASection() {
        Document one = document(PageDress.PLAIN.numbered(new LineNumbers(1, 11, 20, LineNumbers.Again.NEVER)), 90);
        Section never = one.sections().get(0);
        PagedDocument going = laid(one.withSections(List.of(never, never)));
        int first = signs(going.page(0)).size();
        assertThat(signs(going.page(0)).get(0)).isEqualTo("11");
        assertThat(signs(going.page(1)).get(0)).isEqualTo(Integer.toString(11 + first));
        assertThat(signs(going.page(2)).get(0)).isEqualTo(Integer.toString(11 + 90));
        Section anew = never.dressed(PageDress.PLAIN.numbered(new LineNumbers(1, 11, 20, LineNumbers.Again.SECTION)));
        PagedDocument again = laid(one.withSections(List.of(anew, anew)));
        assertThat(signs(again.page(1)).get(0)).isEqualTo(Integer.toString(11 + first));
        assertThat(signs(again.page(2)).get(0)).isEqualTo("11");
    }

    @Test void whatStandsInTablesIsNotCounted() {
        Table table = new Table(Look.PLAIN, List.of(200.0), List.of(new Table.Row(Look.PLAIN,
                List.of(new Table.Cell(0, 1, 1, Look.PLAIN, List.of(Paragraph.of("In a cell")))))));
        PageDress dress = PageDress.PLAIN.numbered(new LineNumbers(1, 1, 20, LineNumbers.Again.PAGE));
        assertThat(signs(laid(document(dress, List.of(Paragraph.of("One"), table, Paragraph.of("Two")))).page(0))).containsExactly("1", "2");
    }

    @Test void textStandsInTheMiddleOrAtTheBottomOfAPageItDoesNotFill() {
        double top = laid(document(PageDress.PLAIN, 3)).page(0).lines().get(0).y();
        double bottom = bottom(laid(document(PageDress.PLAIN, 3)).page(0));
        double free = Section.PageGeometry.A4.height() - Section.PageGeometry.A4.bottom() - bottom;
        assertThat(laid(document(PageDress.PLAIN.standing(Standing.MIDDLE), 3)).page(0).lines().get(0).y()).isCloseTo(top + free / 2,
                Offset.offset(0.01));
        assertThat(bottom(laid(document(PageDress.PLAIN.standing(Standing.BOTTOM), 3)).page(0))).isCloseTo(bottom + free,
                Offset.offset(0.01));
        PagedDocument full = laid(document(PageDress.PLAIN.standing(Standing.BOTTOM), 80));
        assertThat(full.page(0).lines().get(0).y()).isLessThan(top + 15);
    }

    private static double bottom(Page page) { return page.lines().stream().mapToDouble(line -> line.y() + line.line().height()).max().orElseThrow(); }

    @Test void anEditLaysOutWhatAFreshLayoutDoes() {
        Layout layout = new Layout(FontCatalogue.shipped());
        layout.next(document(PageDress.PLAIN, 100));
        for (PageDress dress : List.of(DRESSED, DRESSED.standing(Standing.TOP), PageDress.PLAIN, DRESSED.numbered(null))) {
            Document now = document(dress, 99);
            List<Page> edited = layout.next(now).pages();
            List<Page> fresh = laid(now).pages();
            assertThat(edited).hasSameSizeAs(fresh);
            for (int i = 0; i < fresh.size(); i++) {
                assertThat(signs(edited.get(i))).isEqualTo(signs(fresh.get(i)));
                assertThat(rules(edited.get(i))).isEqualTo(rules(fresh.get(i)));
                assertThat(edited.get(i).lines()).extracting(Item.LineItem::y).isEqualTo(fresh.get(i).lines().stream().map(Item.LineItem::y).toList());
            }
        }
    }

    @ParameterizedTest @ValueSource(strings = {"docx", "doc", "rtf"})
    void formatsKeepAllOfIt(String ending) {
        Target target = Target.of(ending);
        for (PageDress dress : List.of(DRESSED, PageDress.PLAIN.framed(Borders.all(LINE), true, Framed.FIRST).standing(Standing.BOTTOM),
                PageDress.PLAIN.framed(new Borders(LINE, null, LINE, null, null, null), false, Framed.OTHERS),
                PageDress.PLAIN.numbered(new LineNumbers(1, 7, 12, LineNumbers.Again.SECTION)), PageDress.PLAIN)) {
            PageDress back = written(document(dress, 3), target);
            assertThat(back.numbers()).as("%s", dress).isEqualTo(dress.numbers());
            assertThat(back.standing()).isEqualTo(dress.standing());
            assertThat(back.isFramed()).isEqualTo(dress.isFramed());
            if (!dress.isFramed()) continue;
            assertThat(back.fromText()).isEqualTo(dress.fromText());
            assertThat(back.framed()).isEqualTo(dress.framed());
            assertThat(back.frame().top()).isEqualTo(dress.frame().top());
            assertThat(back.frame().left()).isEqualTo(dress.frame().left());
        }
    }

    @Test void anOdtKeepsFramesAndNumbers() {
        Document document = document(DRESSED, 3);
        PageDress back = written(document, Target.ODT);
        assertThat(back.numbers()).isEqualTo(DRESSED.numbers());
        assertThat(back.frame().top().width()).isEqualTo(1.5);
        assertThat(back.standing()).isEqualTo(Standing.TOP);
        // The line stands where it stood, and so does the text.
        List<Item.Rule> before = rules(laid(document.withSections(List.of(document.sections().get(0).dressed(DRESSED.standing(Standing.TOP))))).page(0));
        Document again = Decant.open(folder.resolve("dressed.odt")).document();
        Page page = laid(again).page(0);
        assertThat(rules(page).get(0).y1()).isCloseTo(before.get(0).y1(), Offset.offset(0.1));
        assertThat(rules(page).get(2).x1()).isCloseTo(before.get(2).x1(), Offset.offset(0.1));
        assertThat(again.sections().get(0).page().top()).isCloseTo(Section.PageGeometry.A4.top(), Offset.offset(0.1));
    }

    @Test void aDocxKeepsWhatWasSaidOfItsPagesWordForWord() throws IOException {
        Path made = folder.resolve("dressed.docx");
        written(document(DRESSED, 3), Target.DOCX);
        String markup;
        try (ZipFile zip = new ZipFile(made.toFile())) {
            markup = new String(zip.getInputStream(zip.getEntry("word/document.xml")).readAllBytes(), StandardCharsets.UTF_8);
        }
        assertThat(markup).contains("<w:pgBorders w:offsetFrom=\"page\">")
                .contains("<w:lnNumType w:countBy=\"5\" w:distance=\"400\" w:restart=\"continuous\"/>")
                .contains("<w:vAlign w:val=\"center\"/>");
        assertThat(markup.indexOf("w:pgMar")).isLessThan(markup.indexOf("w:pgBorders"));
        assertThat(markup.indexOf("w:pgBorders")).isLessThan(markup.indexOf("w:lnNumType"));
    }

    private PageDress written(Document document, Target target) {
        Path file = folder.resolve("dressed." + target.ending());
        Decant.publish(document, Recipe.PLAIN.with(Recipe.WhenPresent.REPLACE).as(target), file);
        return Decant.open(file).document().sections().get(0).dress();
    }
}
