package app.decant.page;

import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.Picture;
import java.awt.geom.AffineTransform;
import java.awt.geom.Point2D;
import java.awt.geom.Rectangle2D;

/** What stands on a page and where, in points from the page's top left corner. */
public sealed interface Item {
    /** The same thing elsewhere. */
    Item moved(double dx, double dy);

    /**
     * A line of a passage.
     *
     * @param editable false for what repeats (table heads, page frames) and for notes and boxes
     * @param turn     how far it is turned clockwise around {@code (x, y)}, in degrees; what it says of its own extent is as if it were not
     */
    record LineItem(Passage passage, Line line, double x, double y, boolean editable, double turn) implements Item {
        public LineItem(Passage passage, Line line, double x, double y, boolean editable) { this(passage, line, x, y, editable, 0); }

        @Override public LineItem moved(double dx, double dy) { return new LineItem(passage, line, x + dx, y + dy, editable, turn); }

        /** Where on the page a place is seen that is told as if the line were not turned. */
        public Point2D seen(double placeX, double placeY) { return turning(turn).transform(new Point2D.Double(placeX, placeY), null); }

        /** The area of the page on which one is seen that is told as if the line were not turned. */
        public Rectangle2D seen(Rectangle2D area) { return turn == 0 ? area : turning(turn).createTransformedShape(area).getBounds2D(); }

        /** The other way round: a place on the page, as if the line were not turned. */
        public Point2D straight(double pageX, double pageY) { return turning(-turn).transform(new Point2D.Double(pageX, pageY), null); }

        private AffineTransform turning(double by) { return AffineTransform.getRotateInstance(Math.toRadians(by), x, y); }

        public double left() { return x + line.x(); }
        public double baseline() { return y + line.baseline(); }

        /** The same line where it can't be edited. */
        public LineItem locked() { return new LineItem(passage, line, x, y, false, turn); }
    }

    /** A filled rectangle. */
    record Fill(double x, double y, double width, double height, Colour colour) implements Item {
        @Override public Fill moved(double dx, double dy) { return new Fill(x + dx, y + dy, width, height, colour); }
    }

    /** A line drawn across or down. */
    record Rule(double x1, double y1, double x2, double y2, Border border) implements Item {
        @Override public Rule moved(double dx, double dy) { return new Rule(x1 + dx, y1 + dy, x2 + dx, y2 + dy, border); }
    }

    /** A picture that floats. */
    record PictureItem(Picture picture, double x, double y) implements Item {
        @Override public PictureItem moved(double dx, double dy) { return new PictureItem(picture, x + dx, y + dy); }
    }
}
