package app.decant.desktop.table;

import javafx.scene.shape.Rectangle;

/** An upright line over the pages: where what the mouse holds would go. */
final class GhostLine extends Rectangle {
    private static final double THICK = 1.5;

    private final PageTable table;

    GhostLine(PageTable table) {
        this.table = table;
        setMouseTransparent(true);
        setWidth(THICK);
        getStyleClass().add("ghost-line");
    }

    /** Shows it at a place of the table, in pixels. */
    void show(double x, double top, double height) {
        setX(x - THICK / 2);
        setY(top);
        setHeight(height);
        table.over(this, true);
    }

    void hide() { table.over(this, false); }
}
