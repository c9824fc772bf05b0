package app.decant.layout;

import static org.assertj.core.api.Assertions.assertThat;

import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Cascade;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Style;
import app.decant.document.Table;
import app.decant.document.TableProperty.TablePart;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty;
import app.decant.font.FontCatalogue;
import app.decant.page.Item;
import app.decant.page.Page;
import app.decant.page.Piece;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** What the parts of a table's style give to its cells (ISO/IEC 29500-1, 17.7.6), and how it comes onto the page. */
class TableStyleTest {
    private static final String LETTERS = "?ABCDEFGH";

    /** A table of four by four whose style shades each part in a colour of its own, named by its letter in the order of {@link TablePart}. */
    private static Document document(Set<TablePart> wanted) {
        Map<TablePart, Look> parts = new EnumMap<>(TablePart.class);
        for (TablePart part : TablePart.values()) if (part != TablePart.WHOLE) parts.put(part, Look.of(TableProperty.SHADING, new Colour(part.ordinal())));
        parts.put(TablePart.FIRST_ROW, parts.get(TablePart.FIRST_ROW).with(TextProperty.BOLD, true));
        Style parent = new Style("Base", "base", Style.Kind.TABLE, null, null, Look.of(TableProperty.BORDERS, Borders.all(Border.single(0.5, Colour.BLACK))));
        Style style = new Style("Fares", "fares", Style.Kind.TABLE, "Base", null, Look.of(TextProperty.SIZE, 8.0), parts);
        List<Table.Row> rows = new ArrayList<>();
        for (int r = 0; r < 4; r++) {
            List<Table.Cell> cells = new ArrayList<>();
            for (int c = 0; c < 4; c++) cells.add(new Table.Cell(c, 1, 1, Look.PLAIN, List.of(Paragraph.of("r" + r + "c" + c))));
            rows.add(new Table.Row(Look.PLAIN, cells));
        }
        Look look = Look.of(TableProperty.STYLE, "Fares").with(TableProperty.PARTS, new TableProperty.TableParts(wanted));
        Document plain = Sample.of(List.of(new Table(look, List.of(90.0, 90.0, 90.0, 90.0), rows)));
        return plain.withStyles(plain.styles().with(parent).with(style));
    }

    private static String grid(TablePart... wanted) {
        Document document = document(EnumSet.copyOf(List.of(wanted)));
        Table table = (Table) document.blocks().get(0);
        Cascade cascade = Cascade.of(document);
        StringBuilder grid = new StringBuilder();
        for (int r = 0; r < 4; r++) {
            for (Table.Cell cell : table.rows().get(r).cells()) {
                Colour colour = cascade.cell(table, r, cell).get(TableProperty.SHADING);
                grid.append(colour == null ? '.' : LETTERS.charAt(colour.rgb()));
            }
            grid.append(' ');
        }
        return grid.toString().strip();
    }

    /** Bands give way to edges, first and last rows to first and last columns; bands begin after a first row or column that is set apart. */
    @Test void theNearerPartWins() {
        assertThat(grid(TablePart.FIRST_ROW, TablePart.LAST_ROW, TablePart.FIRST_COLUMN, TablePart.LAST_COLUMN, TablePart.ODD_ROWS, TablePart.EVEN_ROWS,
                TablePart.ODD_COLUMNS, TablePart.EVEN_COLUMNS)).isEqualTo("CAAD CEED CFFD CBBD");
        assertThat(grid(TablePart.ODD_ROWS, TablePart.EVEN_ROWS)).isEqualTo("EEEE FFFF EEEE FFFF");
        assertThat(grid(TablePart.FIRST_ROW, TablePart.ODD_ROWS)).isEqualTo("AAAA EEEE .... EEEE");
        assertThat(grid(TablePart.ODD_COLUMNS, TablePart.EVEN_COLUMNS)).isEqualTo("GHGH GHGH GHGH GHGH");
        assertThat(grid(TablePart.FIRST_COLUMN, TablePart.ODD_COLUMNS, TablePart.EVEN_COLUMNS)).isEqualTo("CGHG CGHG CGHG CGHG");
        assertThat(grid(TablePart.LAST_ROW)).isEqualTo(".... .... .... BBBB");
    }

    /** On the page: each shading under its cell's words, bold where the part says so, the size and the borders of the style and of the one it is based on. */
    @Test void thePageShowsWhatTheStyleSays() {
        Page page = Layout.of(document(EnumSet.of(TablePart.FIRST_ROW, TablePart.ODD_ROWS)), FontCatalogue.shipped()).page(0);
        for (Item item : page.text()) {
            if (!(item instanceof Item.LineItem line)) continue;
            Piece.Glyphs glyphs = (Piece.Glyphs) line.line().pieces().get(0);
            int row = glyphs.text().charAt(1) - '0';
            List<Colour> under = page.text().stream().filter(Item.Fill.class::isInstance).map(Item.Fill.class::cast)
                    .filter(fill -> fill.x() <= line.left() && fill.x() + fill.width() >= line.left() + line.line().width() && fill.y() <= line.y()
                            && fill.y() + fill.height() >= line.y() + line.line().height() - 0.01).map(Item.Fill::colour).toList();
            if (row == 2) assertThat(under).as(glyphs.text()).isEmpty();
            else assertThat(under).as(glyphs.text()).containsExactly(new Colour(row == 0 ? TablePart.FIRST_ROW.ordinal() : TablePart.ODD_ROWS.ordinal()));
            assertThat(glyphs.style().face().bold()).as(glyphs.text()).isEqualTo(row == 0);
            assertThat(glyphs.style().size()).isEqualTo(8);
        }
        assertThat(page.text()).filteredOn(Item.Rule.class::isInstance).hasSizeGreaterThanOrEqualTo(10);
    }
}
