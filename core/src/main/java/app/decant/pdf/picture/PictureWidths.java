package app.decant.pdf.picture;

import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.Image;
import app.decant.document.Link;
import app.decant.document.Picture;
import app.decant.page.Canvas;
import app.decant.page.Piece;
import java.util.Map;

/** Notes how wide each picture is shown at most, cut-off parts counted, so that it is made no coarser than its largest showing needs. */
public record PictureWidths(Map<Image, Double> widths) implements Canvas {
    @Override public void picture(Picture picture, double x, double y) {
        widths.merge(picture.image(), picture.width() / Math.max(0.01, 1 - picture.crop().left() - picture.crop().right()), Math::max);
    }

    @Override public void glyphs(Piece.Glyphs piece, double x, double baseline, Colour colour) { }
    @Override public void fill(double x, double y, double width, double height, Colour colour) { }
    @Override public void rule(double x1, double y1, double x2, double y2, Border border) { }
    @Override public void link(double x, double y, double width, double height, Link target) { }
}
