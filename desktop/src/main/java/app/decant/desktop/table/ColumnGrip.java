package app.decant.desktop.table;

import app.decant.desktop.work.Desk;
import app.decant.edit.ColumnWidths;
import app.decant.edit.Tables;
import app.decant.layout.PagedDocument;
import app.decant.layout.TablePlaces;
import java.util.ArrayList;
import java.util.List;
import javafx.scene.Cursor;

/** The edges between the columns of the table that is worked in, taken hold of with the mouse. Nothing is changed before the mouse is let go. */
final class ColumnGrip {
    /** How near to an edge is on it, in pixels. */
    private static final double NEAR = 4;
    /** Tables reach a little beyond the text in them, in points. */
    private static final double BEYOND = 4;
    /** A hand that shakes by this moves nothing, in pixels. */
    private static final double STILL = 3;

    private final Desk desk;
    private final PageTable table;
    private final GhostLine ghost;
    private Held held;

    /** An edge: the column before it, how wide all are in points, and where it was taken, in pixels. */
    private record Held(int column, List<Double> widths, double x, double top, double height, double from) { }

    ColumnGrip(Desk desk, PageTable table) {
        this.desk = desk;
        this.table = table;
        ghost = new GhostLine(table);
    }

    /** The edge under a point of the table; null for none. */
    private Held at(double x, double y) {
        PagedDocument pages = desk.pages().get();
        if (pages == null || !desk.isLaidOut() || desk.selection().get() == null || !table.hasPages()) return null;
        int page = table.pageUnder(y);
        // On a page that is a file's own a table is drawn, and its lines do not move by themselves.
        if (pages.page(page).ground() != null) return null;
        Tables.Area area = Tables.area(desk.document(), desk.selection().get());
        TablePlaces.Place place = area == null ? null : TablePlaces.of(pages, page, area.story(), area.path());
        if (place == null) return null;
        double scale = table.scale();
        double top = table.pageY(page) + (place.top() - BEYOND) * scale;
        double bottom = table.pageY(page) + (place.bottom() + BEYOND) * scale;
        if (y < top || y > bottom) return null;
        double left = table.pageX(pages.page(page));
        for (int i = 1; i < place.edges().length; i++) {
            double edge = left + place.edges()[i] * scale;
            if (Math.abs(edge - x) > NEAR) continue;
            List<Double> widths = new ArrayList<>();
            for (double width : place.widths()) widths.add(width);
            return new Held(i - 1, widths, edge, top, bottom - top, x);
        }
        return null;
    }

    /** What the pointer looks like over a point; null where no edge is. */
    Cursor cursor(double x, double y) { return at(x, y) == null ? null : Cursor.H_RESIZE; }

    /** Takes hold of an edge at a point. Whether there is one. */
    boolean take(double x, double y) {
        held = at(x, y);
        return held != null;
    }

    boolean isHeld() { return held != null; }

    void drag(double x) {
        if (Math.abs(x - held.from) < STILL) return;
        double least = held.x - (held.widths.get(held.column) - ColumnWidths.LEAST) * table.scale();
        ghost.show(Math.max(least, held.x + x - held.from), held.top, held.height);
    }

    /** Lets go: the edge goes where it was drawn. */
    void drop(double x) {
        Held was = held;
        cancel();
        if (was == null || Math.abs(x - was.from) < STILL || Tables.area(desk.document(), desk.selection().get()) == null) return;
        desk.apply(ColumnWidths.move(desk.document(), desk.selection().get(), was.column, was.widths, (x - was.from) / table.scale()));
    }

    /** Lets go as if nothing had been. */
    void cancel() {
        held = null;
        ghost.hide();
    }
}
