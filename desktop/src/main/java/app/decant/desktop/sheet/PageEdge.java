package app.decant.desktop.sheet;

import app.decant.sheet.PageSetup;
import app.decant.sheet.SheetAnswers;
import app.decant.sheet.SheetSurface;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

/**
 * Where a page begins on a sheet, to be dragged elsewhere.
 *
 * @param edges of the pages that meet there
 * @param rows  whether it is one page above the other
 * @param at    the row or column before which the second begins
 */
record PageEdge(SheetSurface.Edges edges, boolean rows, int at) {
    /** The edge at a place, in pixels; null where there is none so near. */
    static PageEdge at(SheetTable table, double x, double y, double near) {
        SheetPaper paper = table.paper();
        if (x < paper.beside() || y < SheetPaper.ABOVE) return null;
        for (SheetSurface.Edges edges : table.surface().get().edges()) {
            double[] area = paper.box(edges.area());
            if (x < area[0] || y < area[1] || x > area[0] + area[2] || y > area[1] + area[3]) continue;
            for (int i = 1; i < edges.columns().length - 1; i++)
                if (Math.abs(paper.x(edges.columns()[i]) - x) <= near) return new PageEdge(edges, false, edges.columns()[i]);
            for (int i = 1; i < edges.rows().length - 1; i++)
                if (Math.abs(paper.y(edges.rows()[i]) - y) <= near) return new PageEdge(edges, true, edges.rows()[i]);
        }
        return null;
    }

    private List<Integer> told(PageSetup setup) { return rows ? setup.rowBreaks() : setup.columnBreaks(); }

    /** Whether somebody said so; else a page is full there. */
    private boolean isSet(SheetTable table) { return told(table.surface().get().sheet().setup()).contains(at); }

    /** Before which row or column it would be at a place: one that comes of itself only nearer to the beginning, since what follows has no room there. */
    int dragged(SheetTable table, double x, double y) {
        SheetPaper paper = table.paper();
        int under = rows ? paper.rowAt(y) : paper.columnAt(x);
        SheetSurface here = table.surface().get();
        double begins = rows ? paper.y(under) : paper.x(under);
        double size = (rows ? here.top(under + 1) - here.top(under) : here.left(under + 1) - here.left(under)) * table.scale();
        int to = (rows ? y : x) - begins > size / 2 ? under + 1 : under;
        int first = (rows ? edges.area().top() : edges.area().left()) + 1;
        int last = isSet(table) ? rows ? edges.area().bottom() : edges.area().right() : at;
        return Math.max(first, Math.min(last, to));
    }

    /** Makes the page begin before another row or column. */
    void drop(SheetTable table, int to) {
        if (to == at) return;
        List<Integer> now = new ArrayList<>(told(table.surface().get().sheet().setup()));
        now.remove((Integer) at);
        if (!now.contains(to)) now.add(to);
        now.sort(null);
        table.fill(Map.of(SheetAnswers.breaks(table.name(), rows), SheetAnswers.breaks(now)));
    }
}
