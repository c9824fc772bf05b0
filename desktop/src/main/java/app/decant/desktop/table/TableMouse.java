package app.decant.desktop.table;

import app.decant.desktop.work.Desk;
import app.decant.document.Place;
import app.decant.edit.TextSelection;
import javafx.scene.Cursor;
import javafx.scene.input.MouseButton;
import javafx.scene.input.MouseEvent;

/** Picking with the mouse: click, double click a word, triple click a paragraph, drag, shift; what is picked is carried elsewhere. */
public final class TableMouse {
    private final Desk desk;
    private final PageTable table;
    private final PictureGrip grip;
    private final ColumnGrip columns;
    private final TextGrip text;
    private Place anchor;

    TableMouse(Desk desk, PageTable table) {
        this.desk = desk;
        this.table = table;
        grip = new PictureGrip(desk, table);
        columns = new ColumnGrip(desk, table);
        text = new TextGrip(desk, table);
    }

    void pressed(MouseEvent event) {
        table.requestFocus();
        if (event.getButton() != MouseButton.PRIMARY || desk.document() == null) return;
        double x = event.getX();
        double y = event.getY();
        if (!event.isShiftDown() && (grip.take(x, y) || columns.take(x, y))) {
            anchor = null;
            event.consume();
            return;
        }
        FieldPen.At field = event.isShiftDown() || !desk.isLaidOut() ? null : table.fieldAt(x, y);
        if (field != null) {
            anchor = null;
            table.pen().take(field);
            event.consume();
            return;
        }
        int clicks = event.getClickCount();
        if (clicks == 1 && !event.isShiftDown() && text.take(x, y)) {
            anchor = null;
            event.consume();
            return;
        }
        boolean extend = event.isShiftDown();
        desk.whenLaidOut(() -> {
            TextSelection picture = extend ? null : table.pictureAt(x, y);
            Place held = extend && desk.selection().get() != null ? desk.selection().get().anchor() : null;
            Place place = held == null ? table.placeAt(x, y) : table.placeAt(x, y, held.story());
            table.standNear(y);
            if (picture != null) {
                anchor = null;
                desk.pick(picture);
                return;
            }
            if (place == null) return;
            if (clicks == 2) {
                pick(WordBounds.at(desk.document().paragraph(place).text(), place.offset()), place);
            } else if (clicks >= 3) {
                pick(new int[] {0, desk.document().paragraph(place).length()}, place);
            } else if (held != null) {
                desk.pick(new TextSelection(held, place));
            } else {
                anchor = place;
                desk.pick(TextSelection.caret(place));
            }
        });
        event.consume();
    }

    private void pick(int[] bounds, Place place) {
        anchor = place.at(bounds[0]);
        desk.pick(new TextSelection(anchor, place.at(bounds[1])));
    }

    void released(MouseEvent event) {
        if (grip.isHeld()) grip.drop(event.getX(), event.getY());
        if (columns.isHeld()) columns.drop(event.getX());
        if (text.isHeld()) text.drop(event.getX(), event.getY(), event.isShortcutDown());
    }

    void moved(MouseEvent event) {
        boolean field = desk.isLaidOut() && table.fieldAt(event.getX(), event.getY()) != null;
        Cursor held = grip.cursor(event.getX(), event.getY());
        Cursor edge = columns.cursor(event.getX(), event.getY());
        table.setCursor(field ? Cursor.HAND : held != null ? held : edge != null ? edge : text.cursor(event.getX(), event.getY()));
    }

    boolean letGo() {
        if (!grip.isHeld() && !columns.isHeld() && !text.isHeld()) return false;
        grip.cancel();
        columns.cancel();
        text.cancel();
        return true;
    }

    void dragged(MouseEvent event) {
        if (grip.isHeld()) {
            grip.drag(event.getX(), event.getY());
            return;
        }
        if (columns.isHeld()) {
            columns.drag(event.getX());
            return;
        }
        if (text.isHeld()) text.drag(event.getX(), Math.max(0, Math.min(table.getHeight(), event.getY())));
        if (anchor == null && !text.isHeld() || !event.isPrimaryButtonDown()) return;
        if (event.getY() < 0) table.scroll(-24);
        if (event.getY() > table.getHeight()) table.scroll(24);
        if (anchor == null) return;
        double x = event.getX();
        double y = Math.max(0, Math.min(table.getHeight(), event.getY()));
        desk.whenLaidOut(() -> {
            Place place = table.placeAt(x, y, anchor.story());
            if (place != null) desk.pick(new TextSelection(anchor, place));
        });
    }
}
