package app.decant.recover.made;

/** How far blocks reach down a column while they are made, in points on the page. */
public final class Flow {
    final double left;
    final double right;
    double y;

    Flow(double left, double right, double y) {
        this.left = left;
        this.right = right;
        this.y = y;
    }

    double width() { return right - left; }
}
