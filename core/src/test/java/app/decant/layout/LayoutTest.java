package app.decant.layout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Image;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty.TabStops;
import app.decant.document.Picture;
import app.decant.document.Place;
import app.decant.document.Section;
import app.decant.edit.TextSelection;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.edit.Typing;
import app.decant.font.FontCatalogue;
import app.decant.page.Item;
import app.decant.page.Line;
import app.decant.page.Page;

import app.decant.page.Piece;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** Text onto pages. Where no source is named the expectation is common practice of the trade. */
class LayoutTest {
    private static PagedDocument layOut(Document document) { return Layout.of(document, FontCatalogue.shipped()); }

    @Test void justifiedLinesEndAtTheMarginAndTheLastOneDoesNot() {
        Paragraph paragraph = Sample.looking("word ".repeat(60).trim(), Look.of(ParagraphProperty.ALIGNMENT, Alignment.JUSTIFY));
        List<Item.LineItem> lines = layOut(Sample.of(List.of(paragraph))).page(0).lines();
        double width = Section.PLAIN.page().textWidth();
        assertThat(lines).hasSizeGreaterThan(2);
        for (Item.LineItem line : lines.subList(0, lines.size() - 1)) {
            Piece.Glyphs glyphs = (Piece.Glyphs) line.line().pieces().get(0);
            int visible = glyphs.text().stripTrailing().length();
            assertThat((double) glyphs.glyphX()[visible]).isCloseTo(width, within(0.05));
        }
        assertThat(lines.get(lines.size() - 1).line().width()).isLessThan(width - 5);
    }

    @Test void noParagraphLeavesASingleLineBehindOrAhead() {
        for (int before = 40; before < 60; before++) {
            List<Block> blocks = new ArrayList<>();
            for (int i = 0; i < before; i++) blocks.add(Paragraph.of("line"));
            blocks.add(Paragraph.of("word ".repeat(100).trim()));
            PagedDocument pages = layOut(Sample.of(blocks));
            if (pages.count() < 2) continue;
            Paragraph last = (Paragraph) blocks.get(blocks.size() - 1);
            long first = pages.page(0).lines().stream().filter(line -> TextPassage.paragraph(line) == last).count();
            long second = pages.page(1).lines().stream().filter(line -> TextPassage.paragraph(line) == last).count();
            assertThat(first).as("lines at the foot, after %d others", before).isNotEqualTo(1);
            assertThat(second).as("lines at the head, after %d others", before).isNotEqualTo(1);
        }
    }

    @Test void aHeadingStaysWithItsText() {
        for (int before = 40; before < 66; before++) {
            List<Block> blocks = new ArrayList<>();
            for (int i = 0; i < before; i++) blocks.add(Paragraph.of("line"));
            Paragraph heading = Paragraph.styled("Heading1", "Heading");
            blocks.add(heading);
            blocks.add(Paragraph.of("word ".repeat(60).trim()));
            PagedDocument pages = layOut(Sample.of(blocks));
            int page = pages.pageOf(heading);
            assertThat(pages.pageOf((Paragraph) blocks.get(before + 1))).as("after %d lines", before).isEqualTo(page);
        }
    }

    @Test void tabsWithLeadersReachTheirStop() {
        TabStops stops = new TabStops(List.of(new TabStop(300, TabStop.Kind.END, TabStop.Leader.DOTS)));
        Line line = layOut(Sample.of(List.of(Sample.looking("Contents\t12", Look.of(ParagraphProperty.TABS, stops))))).page(0).lines().get(0).line();
        Piece.Tab tab = (Piece.Tab) line.pieces().get(1);
        Piece number = line.pieces().get(2);
        assertThat(tab.leader()).isEqualTo(TabStop.Leader.DOTS);
        assertThat(number.x() + number.width()).isCloseTo(300, within(0.05));
        assertThat(tab.x() + tab.width()).isCloseTo(number.x(), within(0.05));
    }

    @Test void decimalTabsPutThePointUnderThePoint() {
        TabStops stops = new TabStops(List.of(new TabStop(200, TabStop.Kind.DECIMAL, TabStop.Leader.NONE)));
        List<Block> blocks = new ArrayList<>();
        for (String number : new String[] {"1.25", "1200.5", "0.125"}) blocks.add(Sample.looking("x\t" + number, Look.of(ParagraphProperty.TABS, stops)));
        for (Item.LineItem item : layOut(Sample.of(blocks)).page(0).lines()) {
            Piece.Glyphs number = (Piece.Glyphs) item.line().pieces().get(2);
            assertThat((double) number.glyphX()[number.text().indexOf('.')]).isCloseTo(200, within(0.05));
        }
    }

    @Test void aLongTableRepeatsItsHeadOnEveryPageAndLosesNoRow() {
        List<Table.Row> rows = new ArrayList<>();
        for (int r = 0; r < 120; r++) {
            Table.Cell cell = new Table.Cell(0, 1, 1, Look.PLAIN, List.of(Paragraph.of(r == 0 ? "HEAD" : "row " + r)));
            rows.add(new Table.Row(r == 0 ? Look.of(TableProperty.HEADER_ROW, true) : Look.PLAIN, List.of(cell)));
        }
        Table table = new Table(Look.of(TableProperty.BORDERS, Borders.all(Border.single(1, Colour.BLACK))), List.of(200.0), rows);
        PagedDocument pages = layOut(Sample.of(List.of(table, Paragraph.of("after"))));
        assertThat(pages.count()).isGreaterThan(1);
        List<String> all = new ArrayList<>();
        for (Page page : pages.pages()) {
            List<String> lines = Sample.lines(page);
            if (lines.contains("after") && lines.size() == 1) continue;
            assertThat(lines.get(0)).isEqualTo("HEAD");
            all.addAll(lines.subList(1, lines.size()));
        }
        all.remove("after");
        assertThat(all).hasSize(119).startsWith("row 1").endsWith("row 119").doesNotHaveDuplicates();
    }

    @Test void aRowTallerThanItsPageIsCutBetweenLines() {
        Table.Cell tall = new Table.Cell(0, 1, 1, Look.PLAIN, List.of(Paragraph.of("word ".repeat(1500).trim())));
        Table.Cell small = new Table.Cell(1, 1, 1, Look.PLAIN, List.of(Paragraph.of("small")));
        PagedDocument pages = layOut(Sample.of(List.of(new Table(Look.PLAIN, List.of(200.0, 100.0), List.of(new Table.Row(Look.PLAIN, List.of(tall,
                small)))))));
        assertThat(pages.count()).isGreaterThan(1);
        int words = 0;
        for (Page page : pages.pages()) {
            for (Item.LineItem line : page.lines()) {
                assertThat(line.y() + line.line().height()).isLessThanOrEqualTo(page.height() - pages.geometry(page.index()).bottom() + 1);
                if (TextPassage.paragraph(line) == tall.blocks().get(0)) words += (line.line().end() - line.line().start() + 1) / 5;
            }
        }
        assertThat(words).isEqualTo(1500);
    }

    @Test void aFootnoteStandsOnThePageOfItsMark() {
        List<Block> blocks = new ArrayList<>(Sample.prose(40, 60, 3));
        Inline.Note note = new Inline.Note(Inline.Note.Kind.FOOTNOTE, List.of(Paragraph.of("The note itself.")), null,
                Look.of(TextProperty.SCRIPT, TextProperty.Script.SUPER));
        for (int at = 5; at < 35; at += 6) {
            List<Block> noted = new ArrayList<>(blocks);
            Paragraph target = (Paragraph) noted.get(at);
            List<Inline> inlines = new ArrayList<>(target.inlines());
            inlines.add(note);
            Paragraph marked = target.withInlines(inlines);
            noted.set(at, marked);
            PagedDocument pages = layOut(Sample.of(noted));
            int page = pages.spot(new Place(BlockPath.of(0, at), marked.length() - 1)).page();
            assertThat(Sample.lines(pages.page(page))).contains("The note itself.");
            double lowest = 0;
            double noteTop = 0;
            for (Item item : pages.page(page).text()) {
                if (!(item instanceof Item.LineItem line)) continue;
                if (line.editable()) lowest = Math.max(lowest, line.y() + line.line().height());
                else noteTop = line.y();
            }
            assertThat(noteTop).as("the note lies under all text").isGreaterThanOrEqualTo(lowest);
        }
    }

    @Test void textRunsRoundAPictureBesideIt() {
        Picture picture = new Picture(new Image("image/png", new byte[0]), 150, 100, null);
        Anchor anchor = new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.MARGIN, Alignment.END, 0),
                new Anchor.Vertical(Anchor.Vertical.From.PARAGRAPH, null, 0), Anchor.Wrap.SQUARE, new TableProperty.Insets(0, 0, 0, 10), false);
        Paragraph paragraph = new Paragraph(null, Look.PLAIN, Look.PLAIN, List.of(new Inline.Floating(anchor, picture, Look.PLAIN),
                new Inline.Text("word ".repeat(200).trim(), Look.PLAIN)));
        PagedDocument laid = layOut(Sample.of(List.of(paragraph)));
        Page page = laid.page(0);
        double left = page.width() - laid.geometry(0).right() - 150 - 10;
        double bottom = laid.geometry(0).top() + 100;
        boolean narrow = false;
        boolean wide = false;
        for (Item.LineItem line : page.lines()) {
            double right = line.left() + line.line().width();
            if (line.y() < bottom) {
                assertThat(right).isLessThanOrEqualTo(left + 0.1);
                narrow = true;
            } else {
                wide |= right > left + 50;
            }
        }
        assertThat(narrow && wide).isTrue();
    }

    @Test void columnsBeforeAContinuousSectionEndAtOneHeight() {
        List<Block> items = new ArrayList<>();
        for (int i = 0; i < 11; i++) items.add(Paragraph.of("item " + i));
        Section one = new Section(Section.Start.NEXT_PAGE, Section.PageGeometry.A4, new Section.Columns(2, 20, false, List.of()),
                Section.PageNumbering.CONTINUED, Map.of(), false, items);
        Section two = new Section(Section.Start.CONTINUOUS, Section.PageGeometry.A4, Section.Columns.ONE, Section.PageNumbering.CONTINUED, Map.of(), false,
                List.of(Paragraph.of("below")));
        Page page = layOut(Sample.of(one, two)).page(0);
        List<Item.LineItem> lines = page.lines();
        double middle = page.width() / 2;
        long left = lines.stream().filter(line -> line.x() < middle && !TextPassage.paragraph(line).text().equals("below")).count();
        long right = lines.stream().filter(line -> line.x() > middle).count();
        assertThat(left).isEqualTo(6);
        assertThat(right).isEqualTo(5);
        assertThat(lines.get(lines.size() - 1).y()).isGreaterThan(lines.get(5).y());
    }

    /** Unicode Standard Annex 9: a number inside Hebrew keeps its direction, and the words run leftward. */
    @Test void hebrewRunsLeftwardAroundANumber() {
        Paragraph paragraph = Sample.looking("\u05D0\u05D1\u05D2 123 \u05D3\u05D4", Look.of(ParagraphProperty.RIGHT_TO_LEFT, true));
        Item.LineItem line = layOut(Sample.of(List.of(paragraph))).page(0).lines().get(0);
        List<String> order = new ArrayList<>();
        for (Piece piece : line.line().pieces()) if (piece instanceof Piece.Glyphs glyphs && !glyphs.text().isBlank()) order.add(glyphs.text().trim());
        assertThat(order).containsExactly("\u05D3\u05D4", "123", "\u05D0\u05D1\u05D2");
        assertThat(line.left() + line.line().width()).isCloseTo(Section.PageGeometry.A4.width() - Section.PageGeometry.A4.right(), within(0.5));
        assertThat(line.line().caretX(0)).isGreaterThan(line.line().caretX(3));
    }

    @Test void aParagraphWithoutAnySpaceIsBrokenSomewhere() {
        PagedDocument pages = layOut(Sample.of(List.of(Paragraph.of("x".repeat(2000)))));
        for (Item.LineItem line : pages.page(0).lines()) assertThat(line.line().width()).isLessThanOrEqualTo(Section.PageGeometry.A4.textWidth() + 0.1);
        assertThat(pages.page(0).lines().stream().mapToInt(line -> line.line().end() - line.line().start()).sum()).isEqualTo(2000);
    }

    @Test void anEditLeavesPagesFarFromItTheVerySameObjects() {
        Document document = Sample.of(Sample.prose(300, 60, 5));
        Layout layout = new Layout(FontCatalogue.shipped());
        PagedDocument before = layout.next(document);
        Place place = new Place(Walk.of(document).stops().get(150).path(), 3);
        PagedDocument after = layout.next(Typing.type(document, TextSelection.caret(place), "x", null).after());
        int page = after.spot(place).page();
        assertThat(after.page(0)).isSameAs(before.page(0));
        assertThat(after.page(after.count() - 1)).isSameAs(before.page(before.count() - 1));
        assertThat(after.page(page)).isNotSameAs(before.page(page));
    }

    @Test void aClickFindsTheCharacterUnderIt() {
        Document document = Sample.of(Sample.prose(20, 50, 6));
        PagedDocument pages = layOut(document);
        for (Walk.Stop stop : pages.walk().stops()) {
            for (int offset = 0; offset < stop.paragraph().length(); offset += 7) {
                Place place = new Place(stop.path(), offset);
                PagedDocument.Caret caret = pages.caret(place);
                assertThat(pages.placeAt(caret.page(), caret.x(), caret.top() + caret.height() / 2)).isEqualTo(place);
            }
        }
    }
}
