package app.decant.desktop.sheet;

import app.decant.sheet.Range;
import app.decant.sheet.SheetAnswers;
import app.decant.sheet.SheetSurface;
import java.util.HashMap;
import java.util.Locale;
import java.util.Map;
import javafx.scene.Cursor;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;

/**
 * The pointer on a sheet: picks cells, columns and rows, draws their edges to another width or height, those of pages to another
 * row or column, and writes where it is pressed twice.
 */
final class SheetMouse {
    /** So near to an edge, in pixels, it is meant. */
    private static final double NEAR = 4;
    private static final double LEAST = 6;

    private final SheetTable table;
    private int column = -1;
    private int row = -1;
    private boolean picks;
    private PageEdge edge;

    SheetMouse(SheetTable table) { this.table = table; }

    void install() {
        table.canvas().setOnMousePressed(this::pressed);
        table.canvas().setOnMouseDragged(this::dragged);
        table.canvas().setOnMouseReleased(this::released);
        table.canvas().setOnMouseMoved(event -> {
            boolean here = table.surface().get() != null;
            PageEdge edge = here ? pageEdge(event) : null;
            boolean across = here && columnEdge(event) >= 0 || edge != null && !edge.rows();
            boolean down = here && rowEdge(event) >= 0 || edge != null && edge.rows();
            table.canvas().setCursor(across ? Cursor.H_RESIZE : down ? Cursor.V_RESIZE : Cursor.DEFAULT);
        });
    }

    private PageEdge pageEdge(MouseEvent event) { return PageEdge.at(table, event.getX(), event.getY(), NEAR); }

    private SheetSurface surface() { return table.surface().get(); }

    /** The column whose right edge is at the pointer; -1 for none. */
    private int columnEdge(MouseEvent event) {
        if (event.getY() > SheetPaper.ABOVE || event.getX() < table.paper().beside()) return -1;
        int at = table.paper().columnAt(event.getX() - NEAR);
        double edge = table.paper().x(at) + (surface().left(at + 1) - surface().left(at)) * table.scale();
        return Math.abs(edge - event.getX()) <= NEAR ? at : -1;
    }

    private int rowEdge(MouseEvent event) {
        if (event.getX() > table.paper().beside() || event.getY() < SheetPaper.ABOVE) return -1;
        int at = table.paper().rowAt(event.getY() - NEAR);
        double edge = table.paper().y(at) + (surface().top(at + 1) - surface().top(at)) * table.scale();
        return Math.abs(edge - event.getY()) <= NEAR ? at : -1;
    }

    private void pressed(MouseEvent event) {
        if (surface() == null || table.picked().get() == null) return;
        table.requestFocus();
        boolean main = event.getButton() == MouseButton.PRIMARY;
        column = main ? columnEdge(event) : -1;
        row = main && column < 0 ? rowEdge(event) : -1;
        edge = main && column < 0 && row < 0 && event.getClickCount() == 1 ? pageEdge(event) : null;
        if (edge != null) return;
        picks = main && column < 0 && row < 0;
        // Whoever asks for the menu within what is picked means all of that.
        boolean asks = event.getButton() == MouseButton.SECONDARY && table.picked().get().range().holds(table.paper().rowAt(event.getY()),
                table.paper().columnAt(event.getX()));
        if (!picks && (!event.isSecondaryButtonDown() || asks)) return;
        int r = table.paper().rowAt(event.getY());
        int c = table.paper().columnAt(event.getX());
        SheetPick before = table.picked().get();
        int sheet = before.sheet();
        boolean more = event.isShiftDown();
        if (event.getY() < SheetPaper.ABOVE && event.getX() < table.paper().beside()) table.pick(new SheetPick(sheet, 0, 0, last(true), last(false)), false);
        else if (event.getY() < SheetPaper.ABOVE) table.pick(new SheetPick(sheet, 0, more ? before.column() : c, last(true), c), false);
        else if (event.getX() < table.paper().beside()) table.pick(new SheetPick(sheet, more ? before.row() : r, 0, r, last(false)), false);
        else if (event.getClickCount() == 2) table.write(null);
        else table.to(r, c, more);
    }

    private int last(boolean rows) { return rows ? surface().rows() - 1 : surface().columns() - 1; }

    private void dragged(MouseEvent event) {
        if (surface() != null && edge != null) table.paper().guide(edge.rows(), edge.dragged(table, event.getX(), event.getY()));
        if (surface() == null || edge != null || !picks || event.getClickCount() > 1) return;
        SheetPick from = table.picked().get();
        int r = table.paper().rowAt(event.getY());
        int c = table.paper().columnAt(event.getX());
        boolean wholeColumns = from.row() == 0 && from.toRow() == last(true);
        boolean wholeRows = from.column() == 0 && from.toColumn() == last(false);
        int toRow = wholeColumns ? from.toRow() : r;
        int toColumn = wholeRows ? from.toColumn() : c;
        if (toRow != from.toRow() || toColumn != from.toColumn()) table.pick(from.to(toRow, toColumn), !wholeColumns && !wholeRows);
    }

    /** An edge is drawn: of all columns that are picked with it, or rows. */
    private void released(MouseEvent event) {
        if (surface() != null && edge != null) {
            PageEdge dragged = edge;
            edge = null;
            table.paper().guide(false, -1);
            dragged.drop(table, dragged.dragged(table, event.getX(), event.getY()));
            return;
        }
        if (surface() == null || column < 0 && row < 0) return;
        Map<String, String> answers = new HashMap<>();
        Range range = table.picked().get().range();
        boolean columns = column >= 0;
        double from = columns ? table.paper().x(column) : table.paper().y(row);
        double size = Math.max(LEAST, (columns ? event.getX() : event.getY()) - from) / table.scale();
        double was = columns ? surface().left(column + 1) - surface().left(column) : surface().top(row + 1) - surface().top(row);
        int at = columns ? column : row;
        boolean among = columns ? range.rows() == surface().rows() && column >= range.left() && column <= range.right()
                : range.columns() == surface().columns() && row >= range.top() && row <= range.bottom();
        column = -1;
        row = -1;
        if (Math.abs(size - was) * table.scale() < 1.5) return;
        String answer = String.format(Locale.ROOT, "%.2f", size);
        int first = !among ? at : columns ? range.left() : range.top();
        int last = !among ? at : columns ? range.right() : range.bottom();
        for (int i = first; i <= last; i++) answers.put(columns ? SheetAnswers.column(table.name(), i) : SheetAnswers.row(table.name(), i), answer);
        table.fill(answers);
    }
}
