package app.decant.pdf.read;

/** Something with a place on a page, in points from its top left corner. */
public interface Box {
    double left();
    double top();
    double right();
    double bottom();

    /** Its place in the order of painting. */
    int order();

    default double width() { return right() - left(); }
    default double height() { return bottom() - top(); }
    default double middleX() { return (left() + right()) / 2; }
    default double middleY() { return (top() + bottom()) / 2; }

    /** Whether the two share some height of the page. */
    default boolean isBeside(Box other) { return top() < other.bottom() && other.top() < bottom(); }

    default boolean holds(double x, double y) { return x >= left() && x <= right() && y >= top() && y <= bottom(); }
}
