package app.decant.layout;

import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.page.Item;
import java.util.List;

/** Draws borders. */
final class Frames {
    private Frames() { }

    /** The borders of one line of a paragraph; {@code down} carries the sides over the space to the next one. */
    static void paragraphBorders(List<Item> items, Borders borders, double left, double right, double height, boolean top, boolean bottom, double down) {
        double outerLeft = left - space(borders.left());
        double outerRight = right + space(borders.right());
        if (top) rule(items, outerLeft, 0, outerRight, 0, borders.top());
        if (bottom) rule(items, outerLeft, height, outerRight, height, borders.bottom());
        rule(items, outerLeft, 0, outerLeft, height + down, borders.left());
        rule(items, outerRight, 0, outerRight, height + down, borders.right());
    }

    static void rule(List<Item> items, double x1, double y1, double x2, double y2, Border border) {
        if (border != null && border.isVisible()) items.add(new Item.Rule(x1, y1, x2, y2, border));
    }

    private static double space(Border border) { return border == null ? 0 : border.space(); }
}
