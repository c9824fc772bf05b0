package app.decant.edit;

import app.decant.document.Document;
import app.decant.document.Look;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/** How wide the columns of a table are. Widths are shares of what the table takes on the page: an edge between two columns moves, all others stay. */
public final class ColumnWidths {
    /** No column is made narrower, in points. */
    public static final double LEAST = 12;

    private ColumnWidths() { }

    /**
     * Moves the edge at the right of a column: the next one gives or takes; behind the last the table itself becomes wider or narrower.
     *
     * @param laid the widths of its columns on the page, in points
     * @param by   points to the right, to the left where it is below 0; no further than columns can become narrow
     */
    public static Change move(Document document, Selection picked, int column, List<Double> laid, double by) {
        Tables.Area area = area(document, picked);
        if (column < 0 || column >= laid.size()) throw new IllegalArgumentException("A table of " + laid.size() + " columns has no column " + column);
        boolean last = column == laid.size() - 1;
        List<Double> widths = new ArrayList<>(laid);
        double most = last ? Double.MAX_VALUE : Math.max(0, laid.get(column + 1) - LEAST);
        double moved = Math.max(Math.min(0, LEAST - laid.get(column)), Math.min(most, by));
        widths.set(column, laid.get(column) + moved);
        if (!last) widths.set(column + 1, laid.get(column + 1) - moved);
        return done(document, picked, area, widths, last ? sum(widths) / sum(laid) : 1);
    }

    /** All columns as wide as each other, the table as wide as it was. */
    public static Change even(Document document, Selection picked) {
        Tables.Area area = area(document, picked);
        List<Double> widths = declared(area.table());
        return done(document, picked, area, Collections.nCopies(widths.size(), sum(widths) / widths.size()), 1);
    }

    /** Whether columns are as wide as each other already; those that are as wide as their text by chance at most. */
    public static boolean areEven(Table table) {
        if (table.look().is(TableProperty.FITTED) && table.columns().stream().anyMatch(width -> width <= 0)) return false;
        List<Double> widths = declared(table);
        return widths.stream().allMatch(width -> Math.abs(width - widths.get(0)) < 0.05);
    }

    /** The widths as the table says them; alike where it says none. */
    public static List<Double> declared(Table table) {
        List<Double> widths = table.columns();
        return sum(widths) < 1 ? Collections.nCopies(widths.size(), 72.0) : widths;
    }

    private static Change done(Document document, Selection picked, Tables.Area area, List<Double> widths, double wider) {
        Look look = area.table().look();
        // A table that takes a share of its column takes another one.
        Double share = look.get(TableProperty.WIDTH_SHARE);
        if (share != null && wider != 1) look = look.with(TableProperty.WIDTH_SHARE, share * wider);
        if (share == null && look.says(TableProperty.WIDTH)) look = look.with(TableProperty.WIDTH, sum(widths));
        Table made = new Table(look, widths, area.table().rows());
        return new Draft(document, picked).add(new TableStep(area.story(), area.path(), made, CellMoves.SAME)).done(EditKind.TABLE);
    }

    private static double sum(List<Double> widths) { return widths.stream().mapToDouble(Double::doubleValue).sum(); }

    private static Tables.Area area(Document document, Selection picked) {
        Tables.Area area = Tables.area(document, picked);
        if (area == null) throw new IllegalArgumentException("What is picked lies in no table");
        return area;
    }
}
