package app.decant.desktop.table;

import app.decant.desktop.work.Desk;
import app.decant.document.Place;
import app.decant.edit.Carrying;
import app.decant.edit.TextSelection;
import app.decant.layout.PagedDocument;
import javafx.scene.Cursor;

/** Takes hold of text that is picked, and carries it, or a copy of it, to where the mouse is let go. */
final class TextGrip {
    /** A mouse that moved less than this, in pixels, has only clicked. */
    private static final double STILL = 4;

    private final Desk desk;
    private final PageTable table;
    private final GhostLine ghost;
    private Held held;
    private boolean carries;

    /** What is held, the place where it was taken, and where the mouse was then. */
    private record Held(TextSelection what, Place at, double x, double y) { }

    TextGrip(Desk desk, PageTable table) {
        this.desk = desk;
        this.table = table;
        ghost = new GhostLine(table);
    }

    private Held at(double x, double y) {
        TextSelection picked = desk.selection().get();
        if (picked == null || picked.isEmpty() || !desk.isLaidOut()) return null;
        Place place = table.placeAt(x, y, picked.story());
        boolean within = place != null && place.compareTo(picked.start()) >= 0 && place.compareTo(picked.end()) < 0;
        // Right of where a line ends is not on its words.
        return within && isOnLetters(place, x) && Carrying.canCarry(desk.document(), picked) ? new Held(picked, place, x, y) : null;
    }

    private boolean isOnLetters(Place place, double x) {
        PagedDocument.Spot spot = desk.pages().get().spot(place, table.near());
        if (spot == null) return false;
        double left = table.pageX(desk.pages().get().page(spot.page())) + spot.line().left() * table.scale();
        return x >= left - STILL && x <= left + spot.line().line().width() * table.scale() + STILL;
    }

    Cursor cursor(double x, double y) { return at(x, y) == null ? null : Cursor.DEFAULT; }

    /** Takes hold of what is picked at a point. Whether anything is. */
    boolean take(double x, double y) {
        held = at(x, y);
        carries = false;
        return held != null;
    }

    boolean isHeld() { return held != null; }

    void drag(double x, double y) {
        carries |= Math.hypot(x - held.x, y - held.y) >= STILL;
        Place to = carries && desk.isLaidOut() ? table.placeAt(x, y) : null;
        PagedDocument.Caret caret = to == null ? null : desk.pages().get().caret(to, table.pageUnder(y));
        if (caret == null) {
            ghost.hide();
            return;
        }
        ghost.show(table.pageX(desk.pages().get().page(caret.page())) + caret.x() * table.scale(), table.pageY(caret.page()) + caret.top() * table.scale(),
                caret.height() * table.scale());
        table.setCursor(Cursor.MOVE);
    }

    /** Lets go: what was held goes there; who has only clicked puts the caret there. */
    void drop(double x, double y, boolean copy) {
        Held was = held;
        boolean carried = carries;
        cancel();
        if (was == null || !was.what.equals(desk.selection().get())) return;
        if (!carried) {
            desk.pick(TextSelection.caret(was.at));
            return;
        }
        desk.whenLaidOut(() -> {
            Place to = table.placeAt(x, y);
            if (to != null) desk.apply(Carrying.carry(desk.document(), was.what, to, copy));
        });
    }

    /** Lets go as if nothing had been. */
    void cancel() {
        held = null;
        carries = false;
        ghost.hide();
    }
}
