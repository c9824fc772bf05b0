package app.decant.recover.made;

import app.decant.pdf.read.Ink;
import app.decant.pdf.read.Placed;
import app.decant.pdf.read.VectorPicture;
import app.decant.recover.region.PageMatter;
import app.decant.recover.text.Element;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;

/**
 * What is drawn on a page and belongs to nothing written there: panels, bands, frames, rules of title pages. It stays as drawings behind the text, where it
 * was and as large as it was.
 */
final class Backdrop {
    /** Parts this close belong together, in points. */
    private static final double NEAR = 1.5;
    /** Of more than this, one drawing is made. */
    private static final int MOST = 40;
    private static final double SPECK = 2;

    private Backdrop() { }

    /** A drawing while it grows. */
    private record Part(List<Ink> ink, Rectangle2D box) {
        boolean touches(Rectangle2D other) {
            return other.getMinX() < box.getMaxX() + NEAR && other.getMaxX() > box.getMinX() - NEAR && other.getMinY() < box.getMaxY() + NEAR
                    && other.getMaxY() > box.getMinY() - NEAR;
        }
    }

    /** @param elements what was found on the page: lines between its columns are no drawings */
    static List<Placed> of(PageMatter page, List<Element> elements) {
        List<Part> parts = new ArrayList<>();
        for (Ink one : page.ink()) {
            Rectangle2D box = VectorPicture.bounds(one);
            if (Math.max(box.getWidth(), box.getHeight()) < SPECK || isBetweenColumns(one, elements)) continue;
            add(one, box, parts);
        }
        Rectangle2D paper = new Rectangle2D.Double(0, 0, page.width(), page.height());
        if (parts.size() <= MOST) return parts.stream().map(part -> VectorPicture.of(part.ink, List.of(), paper)).toList();
        return List.of(VectorPicture.of(parts.stream().flatMap(part -> part.ink.stream()).toList(), List.of(), paper));
    }

    private static void add(Ink one, Rectangle2D box, List<Part> parts) {
        Part home = new Part(new ArrayList<>(List.of(one)), box);
        for (Part part : List.copyOf(parts)) {
            if (!part.touches(home.box)) continue;
            home.ink.addAll(part.ink);
            home.box.add(part.box);
            parts.remove(part);
        }
        parts.add(home);
    }

    private static boolean isBetweenColumns(Ink ink, List<Element> elements) {
        return ink instanceof Ink.Stroke stroke && !stroke.isAcross() && elements.stream()
                .anyMatch(element -> element instanceof Element.Columns columns && Assembly.isBetween(stroke.x1(), columns.edges()));
    }
}
