package app.decant.page;

import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.Link;
import app.decant.document.Picture;

/** Takes a page, thing by thing, from the back to the front. Coordinates are points from the page's top left corner, y downwards. */
public interface Canvas {
    /** Glyphs whose line starts at {@code x} and stands on {@code baseline}. */
    void glyphs(Piece.Glyphs glyphs, double x, double baseline, Colour colour);

    void fill(double x, double y, double width, double height, Colour colour);

    /** A straight line in the manner of a border. */
    void rule(double x1, double y1, double x2, double y2, Border border);

    void picture(Picture picture, double x, double y);

    /** A word that lies under a picture: read and found, not painted. */
    default void unseen(Picture.Word word, double x, double baseline) { }

    /**
     * Letters that are filled into a form, at the place of their line.
     *
     * @param room from their left end to what stands next on the line; infinite where nothing does
     * @return whether this shows them itself, so that they are not to be drawn
     */
    default boolean field(Piece.Glyphs glyphs, double x, double y, double width, double height, double room) { return false; }

    /** What is shown next stands turned clockwise around a place, by degrees, until {@link #upright}; nothing that is turned is turned again. */
    default void turn(double x, double y, double degrees) { }

    /** What is shown next stands upright again. */
    default void upright() { }

    /** An area that leads somewhere. */
    default void link(double x, double y, double width, double height, Link link) { }
}
