package app.decant.page;

import app.decant.document.Colour;
import app.decant.document.Picture;
import app.decant.document.TextProperty.Underline;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * One page: what stands where.
 *
 * @param index    from 0
 * @param label    its number as printed
 * @param width    in points, as is {@code height}
 * @param text     the body's items, from back to front
 * @param frame    the header's and footer's
 * @param ground   the page of a file that it is, which shows all there is to see; then the items only say where its text stands. Null for a page that
 *                 shows its items itself
 */
public record Page(int index, String label, double width, double height, List<Item> text, List<Item> frame, Ground ground) {
    public Page {
        text = List.copyOf(text);
        frame = List.copyOf(frame);
    }

    public Page(int index, String label, double width, double height, List<Item> text, List<Item> frame) {
        this(index, label, width, height, text, frame, null);
    }

    /**
     * A page of an {@link Original}, as it is or with other words in some places.
     *
     * @param page      its index there
     * @param turn      how far it is turned clockwise to be read, beyond what it says itself: 0, 90, 180 or 270
     * @param rewritten what it says otherwise, or null
     * @param answers   what is filled into the fields of the file's form, by their full names
     */
    public record Ground(int page, int turn, Rewritten rewritten, Map<String, String> answers) {
        public Ground { answers = Map.copyOf(answers); }
    }

    /** All that stands on it, headers and footers first. */
    public List<Item> items() {
        List<Item> items = new ArrayList<>(frame);
        items.addAll(text);
        return items;
    }

    /** The lines of the body that can be edited. */
    public List<Item.LineItem> lines() {
        List<Item.LineItem> lines = new ArrayList<>();
        for (Item item : text) if (item instanceof Item.LineItem line && line.editable()) lines.add(line);
        return lines;
    }

    /** How far down the page each named place of its text stands: the top of its line. */
    public Map<String, Double> bookmarks() {
        Map<String, Double> found = new TreeMap<>();
        for (Item item : text) {
            if (!(item instanceof Item.LineItem one)) continue;
            Line line = one.line();
            one.passage().marks().forEach((name, at) -> {
                boolean here = at >= line.start() && (at < line.end() || at == line.end() && at == one.passage().length());
                if (here) found.putIfAbsent(name, one.y());
            });
        }
        return found;
    }

    /** Shows the whole page to a canvas, frames first. */
    public void show(Canvas canvas) {
        showFrame(canvas);
        showText(canvas);
    }

    public void showFrame(Canvas canvas) { for (Item item : frame) show(item, canvas); }

    public void showText(Canvas canvas) { for (Item item : text) show(item, canvas); }

    /** Shows one item to a canvas. */
    public static void show(Item item, Canvas canvas) {
        if (item instanceof Item.LineItem line) {
            if (line.turn() != 0) canvas.turn(line.x(), line.y(), line.turn());
            showLine(line, canvas);
            if (line.turn() != 0) canvas.upright();
        } else if (item instanceof Item.Fill fill) {
            canvas.fill(fill.x(), fill.y(), fill.width(), fill.height(), fill.colour());
        } else if (item instanceof Item.Rule rule) {
            canvas.rule(rule.x1(), rule.y1(), rule.x2(), rule.y2(), rule.border());
        } else if (item instanceof Item.PictureItem picture) {
            showPicture(picture.picture(), picture.x(), picture.y(), canvas);
        }
    }

    private static void showPicture(Picture picture, double x, double y, Canvas canvas) {
        canvas.picture(picture, x, y);
        if (picture.rotation() != 0) return;
        for (Picture.Word word : picture.words()) canvas.unseen(word, x + word.x(), y + word.baseline());
    }

    private static double room(Line line, Piece piece) {
        double next = Double.POSITIVE_INFINITY;
        for (Piece other : line.pieces()) {
            boolean seen = !(other instanceof Piece.Glyphs glyphs) || !glyphs.text().isBlank();
            boolean same = other instanceof Piece.Glyphs one && piece instanceof Piece.Glyphs two && two.style().form().equals(one.style().form());
            if (seen && !same && other.x() > piece.x()) next = Math.min(next, other.x() - piece.x());
        }
        return next;
    }

    private static void showLine(Item.LineItem item, Canvas canvas) {
        double left = item.left();
        double baseline = item.baseline();
        Line line = item.line();
        for (Piece piece : line.pieces()) {
            if (piece instanceof Piece.Glyphs glyphs && glyphs.style().highlight() != null && !glyphs.style().highlight().isAutomatic()) {
                canvas.fill(left + glyphs.x(), baseline - line.ascent(), glyphs.width(), line.ascent() + line.descent(), glyphs.style().highlight());
            }
        }
        for (Piece piece : line.pieces()) {
            boolean filled = piece instanceof Piece.Glyphs one && one.style().form() != null && canvas.field(one, left + one.x(), baseline - line.ascent(),
                    one.width(), line.ascent() + line.descent(), room(line, one));
            if (filled) continue;
            if (piece instanceof Piece.Glyphs glyphs) {
                Colour colour = glyphs.style().colour().isAutomatic() ? Colour.BLACK : glyphs.style().colour();
                canvas.glyphs(glyphs, left, baseline - glyphs.style().raise(), colour);
                Decoration.lines(glyphs, left, baseline, colour, canvas);
                if (glyphs.style().link() != null)
                    canvas.link(left + glyphs.x(), baseline - line.ascent(), glyphs.width(), line.ascent() + line.descent(), glyphs.style().link());
            } else if (piece instanceof Piece.PictureBox box) {
                showPicture(box.picture(), left + box.x(), baseline - box.picture().height() - box.style().raise(), canvas);
                if (box.style().link() != null)
                    canvas.link(left + box.x(), baseline - box.picture().height(), box.width(), box.picture().height(), box.style().link());
            } else if (piece instanceof Piece.Tab tab) {
                Decoration.leader(tab, left, baseline, canvas);
                if (tab.style().underline() != Underline.NONE && tab.style().underline() != Underline.WORDS)
                    Decoration.underline(tab.style(), left + tab.x(), tab.width(), baseline, canvas);
                if (tab.style().link() != null)
                    canvas.link(left + tab.x(), baseline - line.ascent(), tab.width(), line.ascent() + line.descent(), tab.style().link());
            }
        }
    }
}
