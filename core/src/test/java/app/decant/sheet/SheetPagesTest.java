package app.decant.sheet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.junit.jupiter.api.Assertions.assertTimeoutPreemptively;

import app.decant.document.DecantException;
import app.decant.document.Facts;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Progress;
import app.decant.document.Section.PageGeometry;
import app.decant.document.TextProperty;
import app.decant.font.FontCatalogue;
import app.decant.page.Element;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.page.Pages;
import app.decant.page.Piece;
import java.time.Duration;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;

/** Sheets on paper, clause by clause of their page setup (ISO/IEC 29500-1, 18.3.1): which cells stand on which page, in which order, how large. */
class SheetPagesTest {
    /** 400 by 300 points of room. */
    private static final PageGeometry PAPER = new PageGeometry(450, 360, 30, 25, 30, 25, 10, 10, 0);
    private static final PageSetup SETUP = PageSetup.PLAIN.on(PAPER);

    /** Cells that tell their names, 100 points wide and 30 high: four columns and ten rows on a page. */
    private static Sheet sheet(int rows, int columns, PageSetup setup, List<Range> merged) {
        List<Row> all = new ArrayList<>();
        for (int r = 0; r < rows; r++) {
            List<Cell> cells = new ArrayList<>();
            for (int c = 0; c < columns; c++) cells.add(new Cell(c, new CellValue.Text(Range.name(r, c)), 0));
            all.add(new Row(r, 30, false, cells));
        }
        return new Sheet("Fares", false, 100, 30, List.of(), all, merged, setup);
    }

    private static Workbook book(Sheet... sheets) { return new Workbook(List.of(sheets), List.of(CellStyle.PLAIN), Map.of(), Facts.NONE, false); }

    private static Pages pages(Sheet sheet) { return pages(book(sheet), SheetChoice.AS_SET_UP); }

    private static Pages pages(Workbook book, SheetChoice choice) { return SheetLayout.of(book, choice, FontCatalogue.shipped(), Progress.SILENT); }

    private static String text(Item.LineItem line) {
        StringBuilder text = new StringBuilder();
        for (Piece piece : line.line().pieces()) if (piece instanceof Piece.Glyphs glyphs) text.append(glyphs.text());
        return text.toString();
    }

    private static Set<String> cells(Page page) {
        Set<String> cells = new TreeSet<>();
        for (Item item : page.text()) if (item instanceof Item.LineItem line && text(line).matches("[A-Z]+\\d+")) cells.add(text(line));
        return cells;
    }

    private static Set<String> range(String written) {
        Range range = Range.of(written);
        Set<String> cells = new TreeSet<>();
        for (int r = range.top(); r <= range.bottom(); r++) for (int c = range.left(); c <= range.right(); c++) cells.add(Range.name(r, c));
        return cells;
    }

    @Test void pagesGoDownAndThenOver() {
        Pages pages = pages(sheet(25, 6, SETUP, List.of()));
        assertThat(pages.pages()).extracting(SheetPagesTest::cells).containsExactly(range("A1:D10"), range("A11:D20"), range("A21:D25"), range("E1:F10"),
                range("E11:F20"), range("E21:F25"));
        assertThat(pages.findings()).extracting(Finding::what).anyMatch(told -> told.contains("2 pages side by side"));
    }

    /** 18.3.1.63, pageOrder overThenDown. */
    @Test void orOverAndThenDown() {
        PageSetup across = new PageSetup(PAPER, 1, 1, 1, false, true, false, false, false, false, List.of(), null, null, List.of(), List.of(), null, null);
        assertThat(pages(sheet(12, 6, across, List.of())).pages()).extracting(SheetPagesTest::cells).containsExactly(range("A1:D10"), range("E1:F10"),
                range("A11:D12"), range("E11:F12"));
    }

    /** No cell is lost, and none stands twice, however it is cut. */
    @Test void everyCellStandsOnOnePage() {
        for (int columns = 1; columns < 12; columns += 3) for (int rows = 1; rows < 40; rows += 7) {
            Set<String> seen = new HashSet<>();
            for (Page page : pages(sheet(rows, columns, SETUP, List.of())).pages())
                for (String cell : cells(page)) assertThat(seen.add(cell)).as(cell).isTrue();
            assertThat(seen).isEqualTo(range("A1:" + Range.name(rows - 1, columns - 1)));
        }
    }

    @Test void breaksBeginPagesWhereTheyAreAsked() {
        PageSetup broken = new PageSetup(PAPER, 1, 1, 1, false, false, false, false, false, false, List.of(), null, null, List.of(3, 8), List.of(2),
                null, null);
        assertThat(pages(sheet(12, 4, broken, List.of())).pages()).extracting(SheetPagesTest::cells).containsExactly(range("A1:B3"), range("A4:B8"),
                range("A9:B12"), range("C1:D3"), range("C4:D8"), range("C9:D12"));
    }

    /** What stands together in one cell is not cut, where a page has room for it. */
    @Test void mergedCellsAreNotCut() {
        Set<String> first = cells(pages(sheet(14, 2, SETUP, List.of(Range.of("A9:A12")))).page(0));
        assertThat(first).contains("A8", "B8").doesNotContain("A9", "B9", "B10");
        // One that no page holds is cut all the same.
        assertThat(pages(sheet(30, 1, SETUP, List.of(Range.of("A1:A30")))).count()).isEqualTo(3);
    }

    @Test void rowsAndColumnsRepeatAtTheHeadOfEveryPageBehindThem() {
        PageSetup titled = new PageSetup(PAPER, 1, 1, 1, false, false, false, false, false, false, List.of(), Range.of("1:2"), Range.of("A:A"), List.of(),
                List.of(), null, null);
        List<Page> pages = pages(sheet(20, 6, titled, List.of())).pages();
        assertThat(cells(pages.get(0))).isEqualTo(range("A1:D10"));
        // Eight rows of its own beneath the two that repeat.
        Set<String> second = new TreeSet<>(range("A1:D2"));
        second.addAll(range("A11:D18"));
        assertThat(cells(pages.get(1))).isEqualTo(second);
        Page over = pages.get(3);
        assertThat(cells(over)).contains("A1", "E1", "F1", "A10", "E10").doesNotContain("B1");
        double title = left(over, "A1");
        assertThat(left(over, "E1")).isCloseTo(title + 100, Offset.offset(0.5));
    }

    private static double left(Page page, String cell) { return line(page, cell).left(); }

    private static Item.LineItem line(Page page, String cell) {
        return page.text().stream().filter(Item.LineItem.class::isInstance).map(Item.LineItem.class::cast).filter(line -> text(line).equals(cell)).findFirst()
                .orElseThrow();
    }

    /** 18.3.1.65, fitToPage: as small as it takes, never larger than it is. */
    @Test void itIsMadeSmallEnoughForSoManyPages() {
        Sheet wide = sheet(25, 12, SETUP, List.of());
        Pages one = pages(book(wide), new SheetChoice(List.of(), List.of(), false, SheetChoice.Fit.ONE_PAGE));
        assertThat(one.count()).isEqualTo(1);
        assertThat(cells(one.page(0))).isEqualTo(range("A1:L25"));
        double step = left(one.page(0), "B1") - left(one.page(0), "A1");
        assertThat(step).as("twelve columns on 400 points").isLessThanOrEqualTo(400 / 12.0 + 0.01).isGreaterThan(30);
        Pages across = pages(book(wide), new SheetChoice(List.of(), List.of(), false, SheetChoice.Fit.ONE_WIDE));
        assertThat(across.pages()).allSatisfy(page -> assertThat(cells(page)).anyMatch(cell -> cell.startsWith("A")).anyMatch(cell -> cell.startsWith("L")));
        assertThat(across.findings()).extracting(Finding::what).noneMatch(told -> told.contains("side by side"));
        Pages two = pages(book(wide), new SheetChoice(List.of(), List.of(), false, SheetChoice.Fit.of("2x-")));
        assertThat(two.pages().stream().map(SheetPagesTest::cells).filter(cells -> cells.contains("A1") || cells.contains("L1")).count()).isEqualTo(2);
        Sheet small = sheet(2, 2, SETUP, List.of());
        assertThat(left(pages(book(small), new SheetChoice(List.of(), List.of(), false, SheetChoice.Fit.ONE_PAGE)).page(0), "B1"))
                .isEqualTo(left(pages(small).page(0), "B1"));
    }

    @Test void aScaleIsKept() {
        Pages half = pages(book(sheet(25, 6, SETUP, List.of())), new SheetChoice(List.of(), List.of(), false, SheetChoice.Fit.of("50%")));
        assertThat(half.pages()).extracting(SheetPagesTest::cells).containsExactly(range("A1:F20"), range("A21:F25"));
        assertThat(left(half.page(0), "B1") - left(half.page(0), "A1")).isCloseTo(50, Offset.offset(0.01));
        assertThat(SETUP.scaled(0.001).scale()).isEqualTo(PageSetup.LEAST_SCALE);
        assertThat(SETUP.scaled(99).scale()).isEqualTo(PageSetup.MOST_SCALE);
        assertThat(SETUP.scaled(Double.NaN).scale()).isEqualTo(1);
    }

    @Test void itStandsInTheMiddleOfThePageWhereThatIsWished() {
        PageSetup middle = new PageSetup(PAPER, 1, 1, 1, false, false, true, true, false, false, List.of(), null, null, List.of(), List.of(), null, null);
        Page plain = pages(sheet(2, 2, SETUP, List.of())).page(0);
        Page centred = pages(sheet(2, 2, middle, List.of())).page(0);
        assertThat(left(centred, "A1") - left(plain, "A1")).isCloseTo((400 - 200) / 2.0, Offset.offset(0.01));
        assertThat(line(centred, "A1").baseline() - line(plain, "A1").baseline()).isCloseTo((300 - 60) / 2.0, Offset.offset(0.01));
    }

    @Test void gridAndHeadsStandWhereTheyAreWished() {
        PageSetup heads = new PageSetup(PAPER, 1, 1, 1, false, false, false, false, true, true, List.of(), null, null, List.of(), List.of(), null, null);
        Page page = pages(sheet(3, 2, heads, List.of())).page(0);
        List<String> texts = page.text().stream().filter(Item.LineItem.class::isInstance).map(item -> text((Item.LineItem) item)).toList();
        assertThat(texts).contains("A", "B", "1", "2", "3");
        assertThat(line(page, "A").baseline()).isLessThan(line(page, "A1").baseline());
        assertThat(line(page, "1").left()).isLessThan(line(page, "A1").left());
        assertThat(page.text().stream().filter(Item.Rule.class::isInstance).count()).isGreaterThanOrEqualTo(7);
        assertThat(pages(sheet(3, 2, SETUP, List.of())).page(0).text()).noneMatch(Item.Rule.class::isInstance);
    }

    @Test void areasBeginPagesOfTheirOwnAndWhatIsEmptyIsTold() {
        Sheet areas = sheet(25, 6, SETUP.withAreas(List.of(Range.of("B2:C3"), Range.of("E20:F21"))), List.of());
        assertThat(pages(areas).pages()).extracting(SheetPagesTest::cells).containsExactly(range("B2:C3"), range("E20:F21"));
        assertThat(pages(book(areas), new SheetChoice(List.of(), List.of(), true, SheetChoice.Fit.AS_SET_UP)).count()).as("all of it").isEqualTo(6);
        assertThat(pages(sheet(2, 2, SETUP.withAreas(List.of(Range.of("X90:Z99"))), List.of())).pages()).extracting(SheetPagesTest::cells)
                .containsExactly(Set.of());
        Sheet half = sheet(2, 2, SETUP.withAreas(List.of(Range.of("X90:Z99"))), List.of());
        Sheet full = new Sheet("Times", false, 100, 30, List.of(), sheet(1, 1, SETUP, List.of()).rows(), List.of(), SETUP);
        assertThat(pages(book(half, full), SheetChoice.AS_SET_UP).findings()).extracting(Finding::what).anyMatch(told -> told.contains("Fares"));
    }

    @Test void whatIsHiddenTakesNoRoom() {
        List<Row> rows = new ArrayList<>(sheet(12, 3, SETUP, List.of()).rows());
        rows.set(1, new Row(1, 30, true, rows.get(1).cells()));
        Sheet hidden = new Sheet("Fares", false, 100, 30, List.of(new Column(1, 1, 100, true)), rows, List.of(), SETUP);
        Page page = pages(hidden).page(0);
        assertThat(cells(page)).contains("A1", "C1", "A3", "A11").doesNotContain("B1", "A2", "A12");
        assertThat(left(page, "C1") - left(page, "A1")).isCloseTo(100, Offset.offset(0.01));
        Sheet gone = new Sheet("Gone", true, 100, 30, List.of(), rows, List.of(), SETUP);
        assertThat(pages(book(hidden, gone), SheetChoice.AS_SET_UP).headings()).extracting(Pages.Heading::text).containsExactly("Fares");
        assertThat(pages(book(hidden, gone), new SheetChoice(List.of("Gone"), List.of(), false, SheetChoice.Fit.AS_SET_UP)).count()).isEqualTo(2);
    }

    @Test void choicesAreTakenAsPeopleWriteThem() {
        Workbook book = new Workbook(List.of(sheet(25, 6, SETUP, List.of()),
                new Sheet("It's here", false, 100, 30, List.of(), sheet(2, 2, SETUP, List.of()).rows(),
                List.of(), SETUP)), List.of(CellStyle.PLAIN), Map.of("Winter", "Fares!$B$2:$C$3,Fares!$E$5"), Facts.NONE, false);
        assertThat(pages(book, area("'It''s here'!A1:A2")).pages()).extracting(SheetPagesTest::cells).containsExactly(range("A1:A2"));
        assertThat(pages(book, area("winter")).pages()).extracting(SheetPagesTest::cells).containsExactly(range("B2:C3"), range("E5"));
        assertThat(pages(book, area("fares!b2")).pages()).extracting(SheetPagesTest::cells).containsExactly(range("B2"));
        assertThat(pages(book, area("Fares!F:F")).pages()).extracting(SheetPagesTest::cells)
                .containsExactly(range("F1:F10"), range("F11:F20"), range("F21:F25"));
        assertThat(pages(book, area("Fares!24:25")).pages().get(0)).extracting(SheetPagesTest::cells).isEqualTo(range("A24:D25"));
        assertThatThrownBy(() -> pages(book, area("Prices!A1"))).isInstanceOf(DecantException.class).hasMessageContaining("Fares");
        assertThatThrownBy(() -> pages(book, new SheetChoice(List.of("Prices"), List.of(), false, SheetChoice.Fit.AS_SET_UP)))
                .isInstanceOf(DecantException.class).hasMessageContaining("Prices");
        for (String wrong : List.of("", "0x", "2x3x4", "1000%", "5%", "x", "wide", "-1x2"))
            assertThatThrownBy(() -> SheetChoice.Fit.of(wrong)).as(wrong).isInstanceOf(DecantException.class);
    }

    private static SheetChoice area(String written) { return new SheetChoice(List.of(), List.of(written), false, SheetChoice.Fit.AS_SET_UP); }

    @Test void rangesReadAsTheyAreWritten() {
        for (String written : List.of("A1", "B2:G40", "XFD1048576", "AA10:AB11", "ZZ1")) assertThat(Range.of(written)).hasToString(written);
        assertThat(Range.of("$G$40:$B$2")).hasToString("B2:G40");
        assertThat(Range.of("b:g")).isEqualTo(new Range(0, 1, Range.MOST_ROWS - 1, 6));
        assertThat(Range.of("2:40")).isEqualTo(new Range(1, 0, 39, Range.MOST_COLUMNS - 1));
        for (String wrong : List.of("", "A", "1", "A1:B2:C3", "A0", "XFE1", "A1048577", "1A", "A1:", "ABCD1", "-1", "A 1"))
            assertThat(Range.of(wrong)).as(wrong).isNull();
        for (int column = 0; column < Range.MOST_COLUMNS; column += 13) assertThat(Range.column(Range.letters(column))).isEqualTo(column);
        Range one = Range.of("B2:D4");
        assertThat(one.within(Range.of("C3:F9"))).hasToString("C3:D4");
        assertThat(one.within(Range.of("E5"))).isNull();
        assertThat(one.with(Range.of("F9"))).hasToString("B2:F9");
        assertThat(one.rows() * one.columns()).isEqualTo(9);
    }

    private static List<String> header(String codes) {
        HeaderText.Values values = new HeaderText.Values("3", 12, "Fares", "winter.xlsx", LocalDateTime.of(2026, 11, 27, 9, 30), Locale.UK);
        return HeaderText.of(codes, values, Look.PLAIN).stream().map(part -> part.stream().map(inline -> ((Inline.Text) inline).text())
                .reduce("", String::concat)).toList();
    }

    /** 18.3.1.46. */
    @Test void headersSayWhatTheirCodesStandFor() {
        assertThat(header("&LLeft&CPage &P of &N&R&F, &A")).containsExactly("Left", "Page 3 of 12", "winter.xlsx, Fares");
        assertThat(header("In the middle")).containsExactly("", "In the middle", "");
        assertThat(header("&C&&P && Co")).containsExactly("", "&P & Co", "");
        assertThat(header("&C&P+2, &P-1")).containsExactly("", "5, 2", "");
        assertThat(header("&R&D &T").get(2)).contains("2026").contains("30");
        List<Inline> dressed = HeaderText.of("&C&\"Carlito,Bold\"&14Big&B plain", new HeaderText.Values("1", 1, "", "", LocalDateTime.MIN, Locale.UK),
                Look.PLAIN).get(1);
        Look look = dressed.get(0).look();
        assertThat(look.get(TextProperty.FAMILY)).isEqualTo("Carlito");
        assertThat(look.get(TextProperty.SIZE)).isEqualTo(14.0);
        assertThat(look.is(TextProperty.BOLD)).isTrue();
        assertThat(dressed.get(1).look().is(TextProperty.BOLD)).as("said once more, it ends").isFalse();
        assertThat(header("&")).containsExactly("", "&", "");
        assertThat(header("&Q&LX")).hasSize(3);
    }

    /** Where memory is short, pages are let go and painted again: nobody may see the difference, and nothing is counted twice. */
    @Test void aPageThatIsPaintedAgainIsTheSame() {
        List<Cell> cells = List.of(new Cell(0, new CellValue.Text("a text that is far too long for its place"), 0), new Cell(1, new CellValue.Number(1), 0),
                new Cell(2, new CellValue.Number(123_456_789_012.5), 0));
        List<Row> rows = new ArrayList<>();
        for (int r = 0; r < 25; r++) rows.add(new Row(r, 30, false, cells));
        PageSetup dressed = new PageSetup(PAPER, 1, 1, 1, false, false, false, false, false, false, List.of(), new Range(0, 0, 0, 0), null, List.of(),
                List.of(),
                "&P of &N, &A &T", "&D");
        Workbook book = book(new Sheet("Fares", false, 20, 30, List.of(), rows, List.of(), dressed));
        SheetLayout layout = SheetLayout.planned(book, SheetChoice.AS_SET_UP, FontCatalogue.shipped(), Progress.SILENT);
        List<String> first = new ArrayList<>();
        for (int i = 0; i < layout.count(); i++) first.add(layout.page(i, true).items().stream().map(SheetPagesTest::told).toList().toString());
        List<String> findings = layout.findings().stream().map(Finding::what).toList();
        for (int i = layout.count() - 1; i >= 0; i--)
            assertThat(layout.page(i, false).items().stream().map(SheetPagesTest::told).toList().toString()).isEqualTo(first.get(i));
        assertThat(layout.findings()).extracting(Finding::what).isEqualTo(findings).anyMatch(one -> one.contains("25 numbers"));
        assertThat(layout.page(1, false).text()).filteredOn(Item.LineItem.class::isInstance).extracting(item -> ((Item.LineItem) item).passage())
                .containsAll(layout.page(1, false).lines().stream().map(Item.LineItem::passage).toList());
    }

    private static String told(Item item) {
        return item instanceof Item.LineItem line ? text(line) + " at " + line.left() + "," + line.baseline() + " " + line.editable() : item.toString();
    }

    /** Of a table with a million cells each row is told to readers who can't see it, not each cell; smaller ones cell by cell. */
    @Test void largeTablesAreToldRowByRow() {
        Pages small = pages(sheet(100, 4, SETUP, List.of()));
        Element table = small.structure().children().get(0);
        assertThat(table.children()).hasSize(100).allMatch(row -> row.children().size() == 4);
        Pages large = pages(sheet(26_000, 4, SETUP.fitted(1, 0), List.of()));
        assertThat(large.count()).isGreaterThan(2000);
        assertThat(large.findings()).extracting(Finding::what).anyMatch(told -> told.contains("row by row"));
        Element rows = large.structure().children().get(0);
        assertThat(rows.children()).hasSize(26_000).allMatch(row -> row.children().size() == 1 && row.children().get(0).role() == Element.Role.CELL);
        Set<Object> told = new HashSet<>();
        rows.children().forEach(row -> told.add(row.children().get(0).children().get(0).text()));
        assertThat(told).hasSize(26_000);
        assertThat(large.page(7).lines()).extracting(Item.LineItem::passage).allMatch(told::contains);
    }

    /** What numbers of rows and columns say in files: {@code AB12} is in the 28th column; what is no cell names none. */
    @Test void columnsAreReadFromNamesOfCells() {
        for (int column : new int[] {0, 25, 26, 27, 701, 702, Range.MOST_COLUMNS - 1})
            assertThat(Range.columnOf(Range.name(41, column))).isEqualTo(column).isEqualTo(Range.of(Range.name(41, column)).left());
        assertThat(Range.columnOf("ab7")).isEqualTo(27);
        for (String none : List.of("", "A", "7", "A-1", "A1B", "XFE1", "ABCD1", "$A$1", "A1:B2")) assertThat(Range.columnOf(none)).isEqualTo(-1);
    }

    /** Of a thousand pages and more only some are remembered; whoever comes back to the first finds it as it was, and its headings and numbers too. */
    @Test void ofVeryManyPagesAllCanBeLookedAtAgain() {
        Pages many = pages(sheet(11_000, 1, SETUP, List.of()));
        assertThat(many.count()).isEqualTo(1100);
        assertThat(cells(many.page(0))).isEqualTo(range("A1:A10"));
        assertThat(cells(many.page(1099))).isEqualTo(range("A10991:A11000"));
        List<String> first = many.page(0).items().stream().map(SheetPagesTest::told).toList();
        for (Page page : many.pages()) assertThat(cells(page)).hasSize(10);
        assertThat(many.page(0).items().stream().map(SheetPagesTest::told).toList()).isEqualTo(first);
        assertThat(many.labels()).hasSize(1100).startsWith("1").endsWith("1100");
        assertThat(many.headings()).extracting(Pages.Heading::page).containsExactly(0);
        Pages few = pages(sheet(30, 1, SETUP, List.of()));
        assertThat(few.page(2)).as("few are kept as the very same").isSameAs(few.page(2)).isSameAs(few.pages().get(2));
        assertThatThrownBy(() -> few.page(3)).isInstanceOf(IndexOutOfBoundsException.class);
    }

    /** Cells of a hostile file hold megabytes, in a line or wrapped; no more of them is set than could be seen. */
    @Test void lettersThatNobodySeesTakeNoTime() {
        String endless = "Ask at the pier. ".repeat(60_000);
        List<CellStyle> styles = List.of(CellStyle.PLAIN, CellStyle.PLAIN.wrapping(true));
        List<Row> rows = new ArrayList<>();
        for (int r = 0; r < 4; r++) rows.add(new Row(r, 30, false, List.of(new Cell(0, new CellValue.Text(endless), r % 2))));
        Sheet sheet = new Sheet("Fares", false, 100, 30, List.of(), rows, List.of(), SETUP);
        Workbook book = new Workbook(List.of(sheet), styles, Map.of(), Facts.NONE, false);
        assertTimeoutPreemptively(Duration.ofSeconds(30), () -> {
            Pages pages = pages(book, SheetChoice.AS_SET_UP);
            StringBuilder shown = new StringBuilder();
            for (Page page : pages.pages()) for (Item item : page.text()) if (item instanceof Item.LineItem line) shown.append(text(line)).append('\n');
            assertThat(shown.toString()).startsWith("Ask at the pier. Ask").hasSizeLessThan(100_000);
            assertThat(pages.findings()).extracting(Finding::what).anyMatch(told -> told.contains("more text than"));
        });
    }
}
