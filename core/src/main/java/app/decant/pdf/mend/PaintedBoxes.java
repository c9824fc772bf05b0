package app.decant.pdf.mend;

import app.decant.pdf.read.Ink;
import app.decant.pdf.read.Placed;
import app.decant.pdf.read.SourcePage;
import app.decant.pdf.read.VectorPicture;
import java.awt.geom.Rectangle2D;
import java.util.HashMap;
import java.util.Map;

/** Where everything on a page stands that is no letter, by its number in the order of painting. */
final class PaintedBoxes {
    private PaintedBoxes() { }

    static Map<Integer, Rectangle2D> of(SourcePage page) {
        Map<Integer, Rectangle2D> boxes = new HashMap<>();
        for (Ink ink : page.ink()) boxes.put(ink.order(), VectorPicture.bounds(ink));
        for (Placed placed : page.pictures())
            boxes.put(placed.order(), new Rectangle2D.Double(placed.left(), placed.top(), placed.picture().width(), placed.picture().height()));
        return boxes;
    }
}
