package app.decant.layout;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.font.FontCatalogue;
import app.decant.page.Item;
import app.decant.page.Page;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** A table in a cell whose row is higher than a page goes on over pages; nothing of it prints into the margin. */
class NestedRowTest {
    private static Table table(List<? extends Block> first, List<? extends Block> second) {
        Border line = Border.single(1, Colour.BLACK);
        Look look = Look.of(TableProperty.BORDERS, new Borders(line, line, line, line, line, line));
        List<Table.Cell> cells = new ArrayList<>();
        cells.add(new Table.Cell(0, 1, 1, Look.PLAIN, List.copyOf(first)));
        if (second != null) cells.add(new Table.Cell(1, 1, 1, Look.PLAIN, List.copyOf(second)));
        return new Table(look, second == null ? List.of(400.0) : List.of(180.0, 180.0), List.of(new Table.Row(Look.PLAIN, cells)));
    }

    private static List<Paragraph> lines(String what, int count) { return IntStream.range(0, count).mapToObj(i -> Paragraph.of(what + " " + i)).toList(); }

    private static PagedDocument laid(int left, int right) {
        Table inner = table(lines("left", left), lines("right", right));
        return Layout.of(Sample.of(List.of(Paragraph.of("Above"), table(List.of(inner), null))), FontCatalogue.shipped());
    }

    @Test void goesOnOverPages() {
        PagedDocument pages = laid(130, 45);
        assertThat(pages.pages()).hasSizeGreaterThan(2);
        List<String> told = new ArrayList<>();
        for (Page page : pages.pages()) {
            told.addAll(Sample.lines(page));
            double bottom = page.height() - pages.document().sections().get(0).page().bottom();
            for (Item item : page.text()) if (item instanceof Item.LineItem line) assertThat(line.y() + line.line().height()).isLessThanOrEqualTo(bottom + 0.5);
        }
        assertThat(told).hasSize(1 + 130 + 45).doesNotHaveDuplicates();
    }

    /** Where it fits on its page it looks as a row does that is set whole: lines in step, each edge of its cells ruled from top to bottom without a gap. */
    @Test void looksWholeWhereItIs() {
        Page page = laid(30, 12).page(0);
        Map<Long, List<Double>> lines = new TreeMap<>();
        Map<Long, Double> ruled = new TreeMap<>();
        for (Item item : page.text()) {
            if (item instanceof Item.LineItem line) lines.computeIfAbsent(Math.round(line.x()), x -> new ArrayList<>()).add(line.y());
            if (item instanceof Item.Rule rule && rule.x1() == rule.x2()) ruled.merge(Math.round(rule.x1()), rule.y2() - rule.y1(), Double::sum);
        }
        List<Double> left = lines.values().stream().filter(column -> column.size() == 30).findFirst().orElseThrow();
        double step = left.get(1) - left.get(0);
        for (int i = 1; i < left.size(); i++) assertThat(left.get(i) - left.get(i - 1)).isCloseTo(step, within(0.01));
        assertThat(ruled.values()).as("the cell outside and both inside").hasSize(5);
        // The edge between two cells is that of both.
        ruled.values().stream().map(length -> length / (30 * step)).forEach(times -> assertThat(times).isCloseTo(Math.round(times), within(0.05)));
    }
}
