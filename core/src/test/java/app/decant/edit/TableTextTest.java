package app.decant.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty;
import app.decant.document.Walk;
import app.decant.format.Formats;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Lines made a table and a table made lines: one takes the other back, letter by letter and look by look; and what cells are dressed in. */
class TableTextTest {
    private static Document document(String... lines) {
        List<Block> blocks = new ArrayList<>(List.of(Paragraph.of("Fares")));
        for (String line : lines) blocks.add(Paragraph.of(line));
        blocks.add(Paragraph.of("Children travel free."));
        return Document.empty().withSections(List.of(Section.PLAIN.withBlocks(blocks)));
    }

    private static TextSelection lines(Document document, int from, int to) {
        BlockPath last = BlockPath.of(0, to);
        return new TextSelection(new Place(BlockPath.of(0, from), 0), new Place(last, ((Paragraph) document.blocks().get(to)).length()));
    }

    private static List<List<String>> cells(Table table) {
        return table.rows().stream().map(row -> row.cells().stream().map(cell -> ((Paragraph) cell.blocks().get(0)).text()).toList()).toList();
    }

    @ParameterizedTest @ValueSource(chars = {'\t', ';'}) void oneTakesTheOtherBack(char sign) {
        // What parts nothing here is a letter like others.
        String part = sign == '\t' ? ";" : ",";
        Document before = document("Adult" + sign + "6.50" + part, "Dog" + sign + "2" + sign + "leashed", "Bicycle");
        TextSelection picked = lines(before, 1, 3);
        assertThat(TableText.canMake(before, picked)).isTrue();
        Change made = TableText.make(before, picked, 300);
        Table table = (Table) made.after().blocks().get(1);
        assertThat(cells(table)).containsExactly(List.of("Adult", "6.50" + part, ""), List.of("Dog", "2", "leashed"), List.of("Bicycle", "", ""));
        assertThat(table.columns()).containsExactly(100.0, 100.0, 100.0);
        assertThat(made.after().blocks()).hasSize(3);
        assertThat(made.transaction().inverse(before).apply(made.after()).document()).isEqualTo(before);
        Change back = TableText.part(made.after(), made.picked());
        assertThat(Walk.of(back.after()).stops().stream().map(stop -> stop.paragraph().text())).containsExactly("Fares", "Adult\t6.50" + part + "\t",
                "Dog\t2\tleashed", "Bicycle\t\t", "Children travel free.");
        // What was made of it is picked, and can be made a table again.
        assertThat(cells((Table) TableText.make(back.after(), back.picked(), 300).after().blocks().get(1))).isEqualTo(cells(table));
    }

    @Test void lettersKeepTheirLooks() {
        Look bold = Look.of(TextProperty.BOLD, true);
        Paragraph line = Paragraph.of("").withInlines(List.of(new Inline.Text("Adult\t6", bold), new Inline.Text(".50", Look.PLAIN)));
        Document before = Document.empty().withSections(List.of(Section.PLAIN.withBlocks(List.of(line))));
        Change made = TableText.make(before, lines(before, 0, 0), 200);
        List<Table.Cell> cells = ((Table) made.after().blocks().get(0)).rows().get(0).cells();
        assertThat(((Paragraph) cells.get(1).blocks().get(0)).inlines()).containsExactly(new Inline.Text("6", bold), new Inline.Text(".50", Look.PLAIN));
        assertThat(made.after().blocks().get(1)).as("one can go on writing below").isInstanceOf(Paragraph.class);
    }

    @Test void whatIsNoRunOfLinesStaysAsItIs() {
        Document before = document("a\tb");
        Document table = TableText.make(before, lines(before, 1, 1), 200).after();
        TextSelection over = new TextSelection(new Place(BlockPath.of(0, 0), 0), new Place(BlockPath.of(0, 2), 1));
        assertThat(TableText.canMake(table, over)).isFalse();
        TextSelection inCell = new TextSelection(new Place(BlockPath.of(0, 1, 0, 0, 0), 0), new Place(BlockPath.of(0, 1, 0, 0, 0), 1));
        assertThat(TableText.canMake(table, inCell)).isFalse();
        assertThatThrownBy(() -> TableText.make(table, over, 200)).isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> TableText.part(table, over)).isInstanceOf(IllegalArgumentException.class);
    }

    /** Lines, shade and where text stands are said of the cells that are picked alone, and come back from the formats that have them. */
    @ParameterizedTest @ValueSource(strings = {"docx", "odt"}) void cellsAreDressed(String ending) {
        Document before = document("a\tb", "c\td");
        Document now = TableText.make(before, lines(before, 1, 2), 200).after();
        TextSelection second = TextSelection.caret(new Place(BlockPath.of(0, 1, 0, 1, 0), 0));
        Border line = Border.single(1, new Colour(0x6B2447));
        now = Tables.dress(now, second, TableProperty.SHADING, new Colour(0xF6E2BC)).after();
        now = Tables.dress(now, second, TableProperty.VERTICAL_ALIGNMENT, VerticalAlignment.BOTTOM).after();
        Change framed = Tables.dress(now, second, TableProperty.BORDERS, new Borders(line, line, line, line, null, null));
        assertThat(framed.transaction().inverse(now).apply(framed.after()).document()).isEqualTo(now);
        Document back = Formats.read(Formats.called(ending).write(framed.after(), Instant.EPOCH).bytes(), "x." + ending, null, Progress.SILENT).document();
        List<Table.Cell> cells = ((Table) back.blocks().get(1)).rows().get(0).cells();
        assertThat(cells.get(1).look().get(TableProperty.SHADING)).isEqualTo(new Colour(0xF6E2BC));
        assertThat(cells.get(1).look().get(TableProperty.VERTICAL_ALIGNMENT)).isEqualTo(VerticalAlignment.BOTTOM);
        assertThat(cells.get(1).look().get(TableProperty.BORDERS).bottom().colour()).isEqualTo(new Colour(0x6B2447));
        assertThat(cells.get(0).look().says(TableProperty.SHADING)).isFalse();
        Document plain = Tables.dress(framed.after(), second, TableProperty.SHADING, null).after();
        assertThat(((Table) plain.blocks().get(1)).rows().get(0).cells().get(1).look().says(TableProperty.SHADING)).isFalse();
    }
}
