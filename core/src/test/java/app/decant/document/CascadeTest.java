package app.decant.document;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Numbering.Level;
import app.decant.document.Numbering.NumberedList;
import app.decant.document.Numbering.Pattern;
import app.decant.document.Numbering.Suffix;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty.ListReference;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.TableProperty.TablePart;
import app.decant.document.TableProperty.TableParts;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** What a passage looks like in the end (ISO/IEC 29500-1, 17.7.2): what is said nearer to it wins, property by property. */
class CascadeTest {
    private static final Look BIG = Look.of(TextProperty.SIZE, 20.0);

    private static Style style(String id, Style.Kind kind, String parent, Look look) { return new Style(id, id, kind, parent, null, look); }

    private static StyleSheet sheet(Style... styles) {
        StyleSheet sheet = new StyleSheet(Look.of(TextProperty.SIZE, 9.0).with(TextProperty.ITALIC, true), "body", null, Map.of());
        for (Style one : styles) sheet = sheet.with(one);
        return sheet;
    }

    private static Paragraph styled(String id) { return Paragraph.styled(id, "words"); }

    @Test void whatIsSaidNearerWinsPropertyByProperty() {
        StyleSheet sheet = sheet(
                style("base", Style.Kind.PARAGRAPH, null, BIG.with(TextProperty.BOLD, true).with(ParagraphProperty.ALIGNMENT, Alignment.CENTRE)),
                style("title", Style.Kind.PARAGRAPH, "base", Look.of(TextProperty.SIZE, 30.0)),
                style("strong", Style.Kind.CHARACTER, null, Look.of(TextProperty.BOLD, false).with(TextProperty.FAMILY, "Carlito")));
        Cascade cascade = new Cascade(sheet, Numbering.NONE);
        Paragraph title = styled("title");
        assertThat(cascade.text(title, Look.PLAIN).get(TextProperty.SIZE)).isEqualTo(30.0);
        assertThat(cascade.text(title, Look.PLAIN).is(TextProperty.BOLD)).as("of the style it is made from").isTrue();
        assertThat(cascade.text(title, Look.PLAIN).is(TextProperty.ITALIC)).as("of the defaults").isTrue();
        Look run = Look.of(TextProperty.STYLE, "strong");
        assertThat(cascade.text(title, run).is(TextProperty.BOLD)).as("the character style is nearer").isFalse();
        assertThat(cascade.text(title, run).get(TextProperty.FAMILY)).isEqualTo("Carlito");
        assertThat(cascade.text(title, run.with(TextProperty.BOLD, true)).is(TextProperty.BOLD)).as("the passage itself is nearest").isTrue();
        assertThat(cascade.paragraph(title).get(ParagraphProperty.ALIGNMENT)).isEqualTo(Alignment.CENTRE);
        assertThat(cascade.paragraph(title.withLook(Look.of(ParagraphProperty.ALIGNMENT, Alignment.END))).get(ParagraphProperty.ALIGNMENT))
                .isEqualTo(Alignment.END);
    }

    @Test void whoNamesNoStyleOrOneThatIsNotThereHasTheUsualOne() {
        Cascade cascade = new Cascade(sheet(style("body", Style.Kind.PARAGRAPH, null, BIG)), Numbering.NONE);
        for (String id : new String[] {null, "missing", "body"})
            assertThat(cascade.text(styled(id), Look.PLAIN).get(TextProperty.SIZE)).as("%s", id).isEqualTo(20.0);
        assertThat(cascade.text(styled(null), Look.of(TextProperty.STYLE, "missing")).get(TextProperty.SIZE)).isEqualTo(20.0);
        assertThat(new Cascade(sheet(), Numbering.NONE).text(styled("missing"), Look.PLAIN).get(TextProperty.SIZE)).isEqualTo(9.0);
    }

    @Test void stylesThatInheritFromThemselvesAreCutWhereTheyClose() {
        StyleSheet sheet = sheet(style("one", Style.Kind.PARAGRAPH, "two", Look.of(TextProperty.BOLD, true)),
                style("two", Style.Kind.PARAGRAPH, "three", BIG), style("three", Style.Kind.PARAGRAPH, "one", Look.of(TextProperty.SIZE, 8.0)));
        Look look = new Cascade(sheet, Numbering.NONE).text(styled("one"), Look.PLAIN);
        assertThat(look.is(TextProperty.BOLD)).isTrue();
        assertThat(look.get(TextProperty.SIZE)).isEqualTo(20.0);
        assertThat(sheet(style("self", Style.Kind.PARAGRAPH, "self", BIG)).chain("self")).isEqualTo(BIG);
    }

    /** The level's indents stand over its style's where the paragraph itself names the list, and under it where the style does (17.9.22). */
    @Test void aListsIndentsGoWithWhoeverNamesTheList() {
        Level level = new Level(NumberFormat.DECIMAL, 1, "%1.", Suffix.TAB, null, null,
                Look.of(ParagraphProperty.INDENT_START, 36.0).with(TextProperty.BOLD, true).with(ParagraphProperty.ALIGNMENT, Alignment.END));
        Numbering numbering = Numbering.NONE.with(new Pattern("p", List.of(level)), new NumberedList("l", "p", Map.of(), Map.of()));
        ListReference list = new ListReference("l", 0);
        StyleSheet sheet = sheet(style("indented", Style.Kind.PARAGRAPH, null, Look.of(ParagraphProperty.INDENT_START, 10.0)),
                style("listed", Style.Kind.PARAGRAPH, null, Look.of(ParagraphProperty.LIST, list).with(ParagraphProperty.INDENT_START, 12.0)));
        Cascade cascade = new Cascade(sheet, numbering);
        assertThat(cascade.paragraph(styled("indented").withLook(Look.of(ParagraphProperty.LIST, list))).get(ParagraphProperty.INDENT_START)).isEqualTo(36.0);
        assertThat(cascade.paragraph(styled("listed")).get(ParagraphProperty.INDENT_START)).isEqualTo(12.0);
        assertThat(cascade.paragraph(styled("listed").withLook(Look.of(ParagraphProperty.INDENT_START, 1.0))).get(ParagraphProperty.INDENT_START))
                .isEqualTo(1.0);
        // Letters of the level dress its label alone; of its paragraph looks only where it stands counts.
        assertThat(cascade.text(styled("listed"), Look.PLAIN).is(TextProperty.BOLD)).isFalse();
        assertThat(cascade.label(styled("listed"), Look.PLAIN).is(TextProperty.BOLD)).isTrue();
        assertThat(cascade.paragraph(styled("listed")).get(ParagraphProperty.ALIGNMENT)).isNull();
        Paragraph red = styled("listed").withMark(Look.of(TextProperty.COLOUR, new Colour(0xB00020)));
        assertThat(cascade.label(red, Look.PLAIN).get(TextProperty.COLOUR)).as("a label follows the end of its paragraph").isEqualTo(new Colour(0xB00020));
    }

    @Test void whatATableGivesIsAboveTheDefaultsAndBelowAllStyles() {
        Cascade cascade = new Cascade(sheet(style("body", Style.Kind.PARAGRAPH, null, Look.of(TextProperty.BOLD, false))), Numbering.NONE);
        Look table = Look.of(TextProperty.SIZE, 7.0).with(TextProperty.BOLD, true).with(TextProperty.ITALIC, false);
        Look look = cascade.text(styled("body"), Look.PLAIN, table);
        assertThat(look.get(TextProperty.SIZE)).isEqualTo(7.0);
        assertThat(look.is(TextProperty.ITALIC)).isFalse();
        assertThat(look.is(TextProperty.BOLD)).isFalse();
        assertThat(cascade.text(styled("body"), Look.PLAIN).get(TextProperty.SIZE)).as("elsewhere nothing of it").isEqualTo(9.0);
    }

    private static Table table(int rows, int columns, Look look) {
        List<Table.Row> all = new ArrayList<>();
        for (int r = 0; r < rows; r++) {
            List<Table.Cell> cells = new ArrayList<>();
            for (int c = 0; c < columns; c++) cells.add(new Table.Cell(c, 1, 1, Look.PLAIN, List.of(Paragraph.of(r + "," + c))));
            all.add(new Table.Row(Look.PLAIN, cells));
        }
        List<Double> widths = new ArrayList<>();
        for (int c = 0; c < columns; c++) widths.add(60.0);
        return new Table(look, widths, all);
    }

    private static Look fill(int rgb) { return Look.of(TableProperty.SHADING, new Colour(rgb)); }

    /** 17.7.6: bands begin behind the head, and edges stand over bands, corners told by rows first. */
    @Test void partsOfATablesStyleDressTheirCells() {
        Style dressed = new Style("dressed", "dressed", Style.Kind.TABLE, null, null, fill(1), Map.of(TablePart.FIRST_ROW, fill(2), TablePart.LAST_ROW, fill(3),
                TablePart.FIRST_COLUMN, fill(4), TablePart.ODD_ROWS, fill(5), TablePart.EVEN_ROWS, fill(6)));
        Cascade cascade = new Cascade(sheet(dressed), Numbering.NONE);
        Look all = Look.of(TableProperty.STYLE, "dressed").with(TableProperty.PARTS, new TableParts(EnumSet.allOf(TablePart.class)));
        Table table = table(5, 3, all);
        int[][] fills = new int[5][3];
        for (int r = 0; r < 5; r++) for (int c = 0; c < 3; c++)
            fills[r][c] = cascade.cell(table, r, table.rows().get(r).cells().get(c)).get(TableProperty.SHADING).rgb();
        assertThat(fills[1][1]).isEqualTo(5);
        assertThat(fills[2][1]).isEqualTo(6);
        assertThat(fills[3][1]).isEqualTo(5);
        assertThat(fills[0][1]).isEqualTo(2);
        assertThat(fills[4][1]).isEqualTo(3);
        assertThat(fills[2][0]).isEqualTo(4);
        Table plain = table(3, 2, Look.of(TableProperty.STYLE, "dressed").with(TableProperty.PARTS, new TableParts(EnumSet.noneOf(TablePart.class))));
        assertThat(cascade.cell(plain, 0, plain.rows().get(0).cells().get(0)).get(TableProperty.SHADING).rgb()).isEqualTo(1);
        // Without a head the first row is the first of a band.
        Table bands = table(3, 2, Look.of(TableProperty.STYLE, "dressed").with(TableProperty.PARTS, new TableParts(EnumSet.of(TablePart.ODD_ROWS,
                TablePart.EVEN_ROWS))));
        assertThat(cascade.cell(bands, 0, bands.rows().get(0).cells().get(0)).get(TableProperty.SHADING).rgb()).isEqualTo(5);
        assertThat(cascade.cell(bands, 1, bands.rows().get(1).cells().get(0)).get(TableProperty.SHADING).rgb()).isEqualTo(6);
    }

    @Test void aCellHasTheLinesOfItsOwnFourSides() {
        Border outer = Border.single(2, Colour.BLACK);
        Border across = Border.single(0.5, new Colour(0x0000FF));
        Border down = Border.single(0.25, new Colour(0x00FF00));
        Cascade cascade = new Cascade(sheet(), Numbering.NONE);
        Table table = table(3, 3, Look.of(TableProperty.BORDERS, new Borders(outer, outer, outer, outer, across, down)));
        Borders corner = cascade.cell(table, 0, table.rows().get(0).cells().get(0)).get(TableProperty.BORDERS);
        assertThat(corner).isEqualTo(new Borders(outer, down, across, outer, null, null));
        Borders middle = cascade.cell(table, 1, table.rows().get(1).cells().get(1)).get(TableProperty.BORDERS);
        assertThat(middle).isEqualTo(new Borders(across, down, across, down, null, null));
        // A cell over all columns touches both edges; what it says itself wins side by side.
        Border own = Border.single(4, new Colour(0xFF0000));
        Table.Cell wide = new Table.Cell(0, 3, 2, Look.of(TableProperty.BORDERS, new Borders(null, own, null, null, null, null)), List.of(Paragraph.of("x")));
        Borders last = cascade.cell(table, 1, wide).get(TableProperty.BORDERS);
        assertThat(last).isEqualTo(new Borders(across, own, outer, outer, null, null));
    }

    @Test void tabStopsAreAddedToThoseOfTheStyle() {
        ParagraphProperty.TabStops of = new ParagraphProperty.TabStops(List.of(new TabStop(100, TabStop.Kind.START,
                TabStop.Leader.NONE)));
        ParagraphProperty.TabStops own = new ParagraphProperty.TabStops(List.of(new TabStop(200, TabStop.Kind.END,
                TabStop.Leader.DOTS)));
        Cascade cascade = new Cascade(sheet(style("tabbed", Style.Kind.PARAGRAPH, null, Look.of(ParagraphProperty.TABS, of))), Numbering.NONE);
        assertThat(cascade.paragraph(styled("tabbed").withLook(Look.of(ParagraphProperty.TABS, own))).get(ParagraphProperty.TABS).stops())
                .extracting(TabStop::position).containsExactly(100.0, 200.0);
    }

    @Test void whatIsTheSameIsAnsweredByTheSameObject() {
        StyleSheet sheet = sheet(style("body", Style.Kind.PARAGRAPH, null, BIG));
        Document document = Document.empty().withStyles(sheet);
        Cascade cascade = Cascade.of(document);
        assertThat(cascade.fits(document)).isTrue();
        assertThat(cascade.fits(document.withFacts(Facts.NONE))).isTrue();
        assertThat(cascade.fits(document.withStyles(sheet.with(style("other", Style.Kind.PARAGRAPH, null, BIG))))).isFalse();
        assertThat(cascade.paragraph(styled("body"))).isSameAs(cascade.paragraph(Paragraph.styled("body", "other words")));
    }
}
