package app.decant.pdf.page;

import app.decant.page.Item;
import app.decant.page.Page;
import java.util.ArrayList;
import java.util.List;

/** How much room there is beside the places of a form on a page: to the next line drawn down the page, the next text, or the edge of all text. */
public final class FieldRoom {
    /** What stands nearer than this is what the place itself is. */
    private static final double NEAR = 2;

    private final List<double[]> obstacles = new ArrayList<>();
    private final double edge;

    /** Of a page with all that stands on it. */
    public FieldRoom(Page page) {
        double left = page.width();
        double right = 0;
        for (Item item : page.items()) {
            if (item instanceof Item.LineItem line && !line.line().pieces().isEmpty()) {
                double from = line.left() + line.line().pieces().get(0).x();
                obstacles.add(new double[] {from, line.y(), line.y() + line.line().height()});
                left = Math.min(left, from);
                right = Math.max(right, line.left() + line.line().width());
            } else if (item instanceof Item.Rule rule && Math.abs(rule.x1() - rule.x2()) < 1) {
                obstacles.add(new double[] {rule.x1(), Math.min(rule.y1(), rule.y2()), Math.max(rule.y1(), rule.y2())});
            }
        }
        // At least as far from the right edge as text is from the left.
        edge = Math.max(right, page.width() - left);
    }

    /** How far to the right something may reach that begins at a place, in points from the left edge of the page. */
    double right(double x, double y, double height) {
        double right = edge;
        for (double[] one : obstacles) {
            boolean beside = one[1] < y + height - NEAR && one[2] > y + NEAR;
            if (beside && one[0] > x + NEAR) right = Math.min(right, one[0]);
        }
        return right;
    }
}
