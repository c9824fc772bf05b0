package app.decant.pdf.font;

import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.Picture;
import app.decant.font.Face;
import app.decant.page.Canvas;
import app.decant.page.Page;
import app.decant.page.Piece;
import java.util.HashSet;
import java.util.Set;

/** Finds the faces on pages for which a standard font can stand: those of which only its characters are used, upright and from left to right. */
public final class WesternFaces implements Canvas {
    private final Set<Face> used = new HashSet<>();
    private final Set<Face> others = new HashSet<>();

    public static Set<Face> on(Iterable<Page> pages) {
        WesternFaces found = new WesternFaces();
        for (Page page : pages) page.show(found);
        found.used.removeAll(found.others);
        return found.used;
    }

    @Override public void glyphs(Piece.Glyphs piece, double x, double baseline, Colour colour) {
        Face face = piece.style().face();
        if (others.contains(face)) return;
        boolean fits = StandardFace.standsFor(face) && !piece.rightToLeft() && piece.glyphY() == null && piece.text().chars()
                .allMatch(c -> StandardFace.knows((char) c));
        (fits ? used : others).add(face);
    }

    @Override public void fill(double x, double y, double width, double height, Colour colour) { }
    @Override public void rule(double x1, double y1, double x2, double y2, Border border) { }
    @Override public void picture(Picture picture, double x, double y) { }
}
