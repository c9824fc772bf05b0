package app.decant.page;

import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.Link;
import app.decant.document.Picture;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;

/** All that a page paints, as a value: two pages are equal where nobody could tell them apart. */
public final class Painted {
    private final List<Object> marks = new ArrayList<>();

    private Painted() { }

    public static Painted of(Page page) {
        Painted painted = new Painted();
        painted.add(page.width(), page.height(), page.label());
        page.show(new Canvas() {
            @Override public void glyphs(Piece.Glyphs piece, double x, double baseline, Colour colour) {
                TextStyle style = piece.style();
                painted.add(style.face(), style.size(), piece.text(), Arrays.hashCode(piece.glyphs()), Arrays.hashCode(piece.glyphX()), (float) x,
                        (float) baseline, colour.rgb());
            }
            @Override public void fill(double x, double y, double width, double height, Colour colour) {
                painted.add((float) x, (float) y, (float) width, (float) height, colour.rgb());
            }
            @Override public void rule(double x1, double y1, double x2, double y2, Border border) {
                painted.add((float) x1, (float) y1, (float) x2, (float) y2, border);
            }
            @Override public void picture(Picture picture, double x, double y) {
                painted.add(picture.image(), picture.width(), picture.height(), picture.rotation(), picture.crop(), (float) x, (float) y);
            }
            @Override public void unseen(Picture.Word word, double x, double baseline) { painted.add(word, (float) x, (float) baseline); }
            @Override public void turn(double x, double y, double degrees) { painted.add((float) x, (float) y, degrees); }
            @Override public void link(double x, double y, double width, double height, Link link) {
                painted.add((float) x, (float) y, (float) width, (float) height, link);
            }
        });
        return painted;
    }

    private void add(Object... values) { marks.addAll(Arrays.asList(values)); }

    @Override public boolean equals(Object other) { return other instanceof Painted painted && marks.equals(painted.marks); }
    @Override public int hashCode() { return Objects.hash(marks); }
}
