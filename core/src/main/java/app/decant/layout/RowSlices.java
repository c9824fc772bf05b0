package app.decant.layout;

import app.decant.document.Borders;
import app.decant.document.Inline;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.page.Item;
import app.decant.page.Line;
import java.util.ArrayList;
import java.util.List;

/**
 * A tall row of a table that lies in a cell, as strips one under another: together they look as the row does, and the row outside may end between two of
 * them, so that no page has to hold the whole.
 */
final class RowSlices {
    /** Lower rows are not worth it: most pages have room for them. */
    private static final double TALL = 144;
    private static final double EXACT = 0.01;

    private final int number;
    private final TableSetter.Row row;

    private RowSlices(int number, TableSetter.Row row) {
        this.number = number;
        this.row = row;
    }

    /** The slices of a row; none where it has to stay whole. */
    static List<Strip> of(int number, TableSetter.Row row) {
        boolean whole = row.height() < TALL || row.kept() || row.inSpan() || row.cells().stream()
                .anyMatch(cell -> cell.rowSpan() > 1 || cell.turned() != null || cell.vertical() != VerticalAlignment.TOP);
        return whole ? List.of() : new RowSlices(number, row).slices();
    }

    private List<Strip> slices() {
        List<Double> cuts = new ArrayList<>();
        cuts.add(0.0);
        for (TableSetter.Cell cell : row.cells()) {
            double at = cell.padding().top();
            for (int s = 0; s + 1 < cell.strips().size(); s++) {
                at += Strip.height(cell.strips().subList(s, s + 1));
                if (isBetween(at)) cuts.add(at);
            }
        }
        cuts.add(row.height());
        List<Double> inOrder = cuts.stream().sorted().toList();
        List<Strip> slices = new ArrayList<>();
        double from = 0;
        for (double to : inOrder) {
            if (to - from < EXACT) continue;
            slices.add(slice(from, to));
            from = to;
        }
        return slices;
    }

    /** Whether no line of any cell stands across a height. */
    private boolean isBetween(double height) {
        for (TableSetter.Cell cell : row.cells()) {
            double at = cell.padding().top();
            if (height < at - EXACT) return false;
            for (Strip strip : cell.strips()) {
                double end = at + strip.before() + strip.height() + strip.after();
                if (at < height - EXACT && end > height + EXACT) return false;
                at = end;
            }
        }
        return true;
    }

    private Strip slice(double from, double to) {
        List<Item> items = new ArrayList<>();
        List<Item> rules = new ArrayList<>();
        List<Inline.Note> notes = new ArrayList<>();
        boolean glued = false;
        for (TableSetter.Cell cell : row.cells()) {
            if (cell.fill() != null && !cell.fill().isAutomatic()) items.add(new Item.Fill(cell.x(), 0, cell.width(), to - from, cell.fill()));
            double at = cell.padding().top();
            boolean first = true;
            for (Strip strip : cell.strips()) {
                double end = at + strip.before() + strip.height() + strip.after();
                if (at > from - EXACT && at < to - EXACT) {
                    items.addAll(Composer.placed(List.of(strip), cell.x() + cell.padding().left(), at - from));
                    notes.addAll(strip.notes());
                    glued |= first && from > 0 && strip.glued();
                    first = false;
                }
                at = end;
            }
            Borders borders = cell.borders();
            if (borders == null) continue;
            double right = cell.x() + cell.width();
            if (from == 0) Frames.rule(rules, cell.x(), 0, right, 0, borders.top());
            if (to == row.height()) Frames.rule(rules, cell.x(), to - from, right, to - from, borders.bottom());
            Frames.rule(rules, cell.x(), 0, cell.x(), to - from, borders.left());
            Frames.rule(rules, right, 0, right, to - from, borders.right());
        }
        items.addAll(rules);
        return new Strip(0, to - from, 0, items, notes, glued || from == 0 && row.inSpan(), number, Line.Break.NONE, null);
    }
}
