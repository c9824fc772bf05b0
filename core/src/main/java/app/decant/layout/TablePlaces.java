package app.decant.layout;

import app.decant.document.BlockPath;
import app.decant.document.Cascade;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Story;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.document.Walk;
import app.decant.page.Item;
import java.util.Arrays;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/** Where a table stands on a page, told from the text of its cells: a table has no frame of its own there, and is cut by the ends of pages. */
public final class TablePlaces {
    private TablePlaces() { }

    /**
     * A table on a page, in points from the page's left top corner.
     *
     * @param edges  of its columns, from the left edge of the first to the right edge of the last
     * @param top    of the text in it, as {@code bottom} is
     */
    public record Place(double[] edges, double top, double bottom) {
        /** The widths of its columns. */
        public double[] widths() {
            double[] widths = new double[edges.length - 1];
            for (int i = 0; i < widths.length; i++) widths[i] = edges[i + 1] - edges[i];
            return widths;
        }
    }

    /** A table on a page; null where nothing of it stands there. */
    public static Place of(PagedDocument pages, int page, Story story, BlockPath path) {
        Document document = pages.document();
        if (!(document.find(story, path) instanceof Table table)) return null;
        Map<Paragraph, BlockPath> inside = new IdentityHashMap<>();
        for (Walk.Stop stop : pages.walk(story).stops()) if (stop.path().startsWith(path)) inside.put(stop.paragraph(), stop.path());
        double[] starts = new double[table.columns().size() + 1];
        Arrays.fill(starts, Double.NaN);
        double top = Double.MAX_VALUE;
        double bottom = 0;
        Cascade cascade = Cascade.of(document);
        for (Item item : pages.page(page).items()) {
            if (!(item instanceof Item.LineItem line)) continue;
            BlockPath where = inside.get(TextPassage.paragraph(line));
            if (where == null) continue;
            top = Math.min(top, line.y());
            bottom = Math.max(bottom, line.y() + line.line().height());
            // A table within a cell has edges of its own.
            if (where.size() != path.size() + 3) continue;
            int row = where.step(path.size());
            Table.Cell cell = table.rows().get(row).cells().get(where.step(path.size() + 1));
            TableProperty.Insets padding = cascade.cell(table, row, cell).get(TableProperty.PADDING, TableSetter.PADDING);
            if (cell.column() < starts.length) starts[cell.column()] = line.x() - padding.left();
        }
        if (bottom == 0) return null;
        Table stated = FittedColumns.isStored(table.columns()) ? table : (Table) pages.stated().find(story, path);
        return place(stated.columns(), starts, top, bottom);
    }

    /** Columns that are seen begin where their text says; the others share the width as they are told to. */
    private static Place place(List<Double> columns, double[] starts, double top, double bottom) {
        double[] told = new double[starts.length];
        for (int i = 1; i < told.length; i++) told[i] = told[i - 1] + Math.max(0, columns.get(i - 1));
        int first = 0;
        while (first < starts.length && Double.isNaN(starts[first])) first++;
        int last = starts.length - 1;
        while (last >= 0 && Double.isNaN(starts[last])) last--;
        if (last < 0) return null;
        boolean scaled = last > first && told[last] - told[first] > 0.5;
        double scale = scaled ? (starts[last] - starts[first]) / (told[last] - told[first]) : 1;
        double[] edges = new double[starts.length];
        for (int i = 0; i < edges.length; i++) edges[i] = Double.isNaN(starts[i]) ? starts[first] + (told[i] - told[first]) * scale : starts[i];
        for (int i = 1; i < edges.length; i++) edges[i] = Math.max(edges[i], edges[i - 1]);
        return new Place(edges, top, bottom);
    }
}
