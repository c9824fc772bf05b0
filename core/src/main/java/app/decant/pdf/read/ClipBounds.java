package app.decant.pdf.read;

import java.awt.geom.Rectangle2D;
import java.util.ArrayDeque;
import java.util.Deque;

/**
 * The box around what of a page may be painted on (ISO 32000-2, 8.5.4), kept along with the graphics state. The library has the very area; where thousands
 * of outlines cut one another it takes minutes to reckon, and all that is asked is how far it reaches.
 */
final class ClipBounds {
    private final Deque<Rectangle2D> saved = new ArrayDeque<>();
    private Rectangle2D now;

    /** @param page in points from its top left corner, as are all boxes */
    ClipBounds(Rectangle2D page) { now = page; }

    /** The same object until something changes. */
    Rectangle2D now() { return now; }

    void save() { saved.push(now); }

    void restore() { if (!saved.isEmpty()) now = saved.pop(); }

    /** Nothing outside of a box is painted any more. */
    void cut(Rectangle2D box) { if (!box.contains(now)) now = now.createIntersection(box); }

    /** Where a form, or a glyph that is drawn, begins: whatever it saves and leaves, {@link #end} goes back. */
    Mark begin() { return new Mark(saved.size(), now); }

    void end(Mark mark) {
        while (saved.size() > mark.depth) saved.pop();
        now = mark.box;
    }

    record Mark(int depth, Rectangle2D box) { }
}
