package app.decant.desktop.table;

import app.decant.desktop.work.Desk;
import app.decant.document.Picture;
import app.decant.document.Place;
import app.decant.edit.Pictures;
import app.decant.edit.Placing;
import app.decant.edit.TextSelection;
import javafx.scene.Cursor;
import javafx.scene.shape.Rectangle;

/**
 * A picture that is picked, taken hold of with the mouse: by one of the eight small rounds on its frame to make it larger or smaller, corners keeping its
 * shape; else to carry it elsewhere. Nothing is changed before the mouse is let go.
 */
final class PictureGrip {
    /** How near to a round is on it, in pixels. */
    private static final double NEAR = 8;
    /** A hand that shakes by this carries nothing, in pixels. */
    private static final double STILL = 4;
    private static final double LEAST = 8;
    private static final Cursor[] CURSORS = {Cursor.NW_RESIZE, Cursor.N_RESIZE, Cursor.NE_RESIZE, Cursor.E_RESIZE, Cursor.SE_RESIZE, Cursor.S_RESIZE,
        Cursor.SW_RESIZE, Cursor.W_RESIZE};

    private final Desk desk;
    private final PageTable table;
    private final Rectangle ghost = new Rectangle();
    private PageTable.Framed held;
    private TextSelection picked;
    private int round;
    private double fromX;
    private double fromY;
    private boolean moved;

    PictureGrip(Desk desk, PageTable table) {
        this.desk = desk;
        this.table = table;
        ghost.setFill(null);
        ghost.setMouseTransparent(true);
        ghost.getStyleClass().add("ghost");
    }

    /** Where the eight rounds of a frame stand, clockwise from its upper left corner: as shares of its width and height. */
    static double[][] rounds() { return new double[][] {{0, 0}, {0.5, 0}, {1, 0}, {1, 0.5}, {1, 1}, {0.5, 1}, {0, 1}, {0, 0.5}}; }

    /** The round under a point of the table; -1 for none. */
    private static int round(PageTable.Framed frame, double x, double y) {
        double[][] rounds = rounds();
        for (int i = 0; i < rounds.length; i++)
            if (Math.hypot(frame.x() + rounds[i][0] * frame.width() - x, frame.y() + rounds[i][1] * frame.height() - y) <= NEAR) return i;
        return -1;
    }

    /** What the pointer looks like over a point. */
    Cursor cursor(double x, double y) {
        PageTable.Framed frame = table.framed();
        if (frame == null) return null;
        int on = round(frame, x, y);
        return on >= 0 ? CURSORS[on] : frame.holds(x, y) ? Cursor.MOVE : null;
    }

    /** Takes hold of what is picked at a point. Whether there is something. */
    boolean take(double x, double y) {
        held = table.framed();
        if (held == null) return false;
        round = round(held, x, y);
        if (round < 0 && !held.holds(x, y)) held = null;
        picked = held == null ? null : desk.selection().get();
        fromX = x;
        fromY = y;
        moved = false;
        return held != null;
    }

    boolean isHeld() { return held != null; }

    void drag(double x, double y) {
        if (!moved && Math.hypot(x - fromX, y - fromY) < STILL) return;
        moved = true;
        double[] now = now(x, y);
        ghost.setX(now[0]);
        ghost.setY(now[1]);
        ghost.setWidth(now[2]);
        ghost.setHeight(now[3]);
        table.over(ghost, true);
    }

    /** The frame as it would be, in pixels of the table. */
    private double[] now(double x, double y) {
        double dx = x - fromX;
        double dy = y - fromY;
        if (round < 0) return new double[] {held.x() + dx, held.y() + dy, held.width(), held.height()};
        double[] at = rounds()[round];
        double least = LEAST * table.scale();
        double width = Math.max(least, held.width() + (at[0] == 0.5 ? 0 : at[0] == 0 ? -dx : dx));
        double height = Math.max(least, held.height() + (at[1] == 0.5 ? 0 : at[1] == 0 ? -dy : dy));
        if (at[0] != 0.5 && at[1] != 0.5) {
            double grown = Math.max(width / held.width(), height / held.height());
            width = held.width() * grown;
            height = held.height() * grown;
        }
        return new double[] {at[0] == 0 ? held.x() + held.width() - width : held.x(), at[1] == 0 ? held.y() + held.height() - height : held.y(), width, height};
    }

    /** Lets go: what was drawn becomes so. */
    void drop(double x, double y) {
        PageTable.Framed before = held;
        boolean done = moved && picked != null && picked.equals(desk.selection().get());
        double[] now = held == null ? null : now(x, y);
        cancel();
        if (!done) return;
        double point = table.scale();
        if (round >= 0) {
            desk.apply(Pictures.size(desk.document(), picked, now[2] / point, now[3] / point));
            return;
        }
        if (Pictures.placing(desk.document(), picked) == Placing.IN_LINE) {
            Place there = table.placeAt(x, y, picked.head().story());
            if (there != null) desk.apply(Pictures.moveTo(desk.document(), picked, there));
            return;
        }
        Picture picture = Pictures.picked(desk.document(), picked);
        double left = before.left() + (now[0] - before.x()) / point;
        double top = Math.max(0, before.top() + (now[1] - before.y()) / point);
        if (picture != null)
            desk.apply(Pictures.move(desk.document(), picked, (now[0] - before.x()) / point, top - before.top(), left, top));
    }

    /** Lets go as if nothing had been. */
    void cancel() {
        held = null;
        table.over(ghost, false);
    }
}
