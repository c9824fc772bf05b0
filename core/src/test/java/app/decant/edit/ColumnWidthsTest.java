package app.decant.edit;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.demo.PassengerHandbook;
import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Story;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.Walk;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.layout.TablePlaces;
import app.decant.page.Item;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Columns made wider and narrower, on the page where their lines are drawn. */
class ColumnWidthsTest {
    private static final Document HANDBOOK = PassengerHandbook.document();

    private static BlockPath table(Document document, String cell) {
        Walk.Stop stop = Walk.of(document).stops().stream().filter(one -> one.paragraph().text().equals(cell)).findFirst().orElseThrow();
        return BlockPath.of(stop.path().step(0), stop.path().step(1));
    }

    private static TextSelection in(BlockPath table, int row, int cell) { return TextSelection.caret(new Place(table.then(row, cell, 0), 0)); }

    private static Table at(Document document, BlockPath path) { return (Table) document.find(Story.BODY, path); }

    private static double sum(List<Double> widths) { return widths.stream().mapToDouble(Double::doubleValue).sum(); }

    /** An edge moves as far as was wished or columns allow; the table stays as wide, unless it is its own edge; taking back is as if nothing had been. */
    @Test void anEdgeMovesAndAllOthersStay() {
        BlockPath path = table(HANDBOOK, "Fares in crowns");
        Random random = new Random(5);
        for (int i = 0; i < 200; i++) {
            List<Double> before = ColumnWidths.declared(at(HANDBOOK, path));
            int column = random.nextInt(before.size());
            double by = random.nextDouble() * 300 - 150;
            Change change = ColumnWidths.move(HANDBOOK, in(path, 1, 0), column, before, by);
            List<Double> after = at(change.after(), path).columns();
            double moved = after.get(column) - before.get(column);
            assertThat(Math.abs(moved)).isLessThanOrEqualTo(Math.abs(by) + 1e-9);
            assertThat(after).allSatisfy(width -> assertThat(width).isGreaterThanOrEqualTo(Math.min(ColumnWidths.LEAST, sum(before))));
            boolean last = column == before.size() - 1;
            assertThat(sum(after)).isCloseTo(sum(before) + (last ? moved : 0), within(1e-6));
            for (int c = 0; c < before.size(); c++) if (c != column && c != column + 1) assertThat(after.get(c)).isEqualTo(before.get(c));
            History history = new History();
            history.begin(HANDBOOK);
            history.add(change, false);
            assertThat(history.undo().document()).isEqualTo(HANDBOOK);
        }
    }

    @Test void evenColumnsAreAlikeAndTheTableAsWideAsItWas() {
        BlockPath path = table(HANDBOOK, "Fares in crowns");
        Table before = at(HANDBOOK, path);
        assertThat(ColumnWidths.areEven(before)).isFalse();
        Table after = at(ColumnWidths.even(HANDBOOK, in(path, 0, 0)).after(), path);
        assertThat(ColumnWidths.areEven(after)).isTrue();
        assertThat(sum(after.columns())).isCloseTo(sum(before.columns()), within(1e-6));
        assertThat(after.rows()).isEqualTo(before.rows());
    }

    /** Where the edges are told to be, the lines of the table are drawn; and there they are after one was moved. */
    @Test void theEdgesAreWhereTheLinesAre() {
        BlockPath path = table(HANDBOOK, "Fares in crowns");
        Layout layout = new Layout(FontCatalogue.ofThisMachine());
        Document document = HANDBOOK;
        for (double by : new double[] {0, 40, -25}) {
            PagedDocument laid = layout.next(document);
            int page = laid.pageOf((Paragraph) document.find(Story.BODY, path.then(0, 0, 0)));
            TablePlaces.Place place = TablePlaces.of(laid, page, Story.BODY, path);
            List<Double> lines = new ArrayList<>();
            for (Item item : laid.page(page).items())
                if (item instanceof Item.Rule rule && rule.x1() == rule.x2() && rule.y1() > place.top() - 10 && rule.y2() < place.bottom() + 10)
                    lines.add(rule.x1());
            for (double edge : place.edges()) assertThat(lines).as("an edge at %s", edge).anySatisfy(line -> assertThat(line).isCloseTo(edge, within(0.6)));
            List<Double> widths = new ArrayList<>();
            for (double width : place.widths()) widths.add(width);
            Document moved = ColumnWidths.move(document, in(path, 0, 0), 0, widths, by).after();
            TablePlaces.Place then = TablePlaces.of(layout.next(moved), page, Story.BODY, path);
            assertThat(then.edges()[1]).isCloseTo(place.edges()[1] + by, within(0.1));
            assertThat(then.edges()[place.edges().length - 1]).isCloseTo(place.edges()[place.edges().length - 1], within(0.1));
            document = moved;
        }
        assertThat(TablePlaces.of(layout.next(document), 0, Story.BODY, path)).as("nothing of it is on the first page").isNull();
    }

    @Test void aTableThatTakesAShareOfItsColumnTakesAnother() {
        BlockPath path = table(HANDBOOK, "Fares in crowns");
        Table whole = at(HANDBOOK, path);
        Table shared = new Table(whole.look().with(TableProperty.WIDTH_SHARE, 0.5), whole.columns(), whole.rows());
        Document document = new Draft(HANDBOOK, in(path, 0, 0)).add(new TableStep(Story.BODY, path, shared, CellMoves.SAME)).done(EditKind.TABLE).after();
        List<Double> laid = whole.columns().stream().map(width -> width / 2).toList();
        Table after = at(ColumnWidths.move(document, in(path, 0, 0), laid.size() - 1, laid, sum(laid) / 10).after(), path);
        assertThat(after.look().get(TableProperty.WIDTH_SHARE)).isCloseTo(0.55, within(1e-6));
    }
}
