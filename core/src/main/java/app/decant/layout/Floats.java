package app.decant.layout;

import app.decant.document.Anchor;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Picture;
import app.decant.document.Section.PageGeometry;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.Running;
import app.decant.document.TextBox;
import app.decant.page.Item;
import app.decant.page.Line;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;

/** Places floating objects and tells lines what room they leave. */
final class Floats {
    /** A line is not squeezed into less than this beside an object: common practice, from memory (one inch). */
    private static final double LEAST_ROOM = 72;

    private Floats() { }

    /** A floating object in its place; x and y from the page's corner. */
    record Placed(Inline.Floating source, double x, double y, double width, double height, List<Item> items) {
        /** The same told from further up; its items are as they were. */
        Placed lower(double by) { return new Placed(source, x, y + by, width, height, items); }

        boolean pushes() { return source.anchor().wrap() != Anchor.Wrap.NONE; }

        /** Whether it stands where lines above its own paragraph are. The room it wants around it counts only where it does not hang on that paragraph. */
        boolean reaches(double top, double bottom) {
            Anchor.Vertical.From from = source.anchor().vertical().from();
            boolean hangs = from == Anchor.Vertical.From.PARAGRAPH || from == Anchor.Vertical.From.LINE;
            return hangs ? pushes() && y < bottom && y + height > top : meets(top, bottom);
        }

        boolean meets(double top, double bottom) {
            Insets distance = source.anchor().distance();
            return pushes() && y - distance.top() < bottom && y + height + distance.bottom() > top;
        }
    }

    /** Where an object stands whose anchor is in a paragraph at {@code paragraphTop} of a column. */
    static Placed place(Composer composer, Inline.Floating floating, PageGeometry page, double bodyTop, double columnLeft, double columnWidth,
            double paragraphTop) { return place(composer, floating, page, bodyTop, columnLeft, columnWidth, paragraphTop, true); }

    /** @param locked whether what a box says is not text of the document itself */
    static Placed place(Composer composer, Inline.Floating floating, PageGeometry page, double bodyTop, double columnLeft, double columnWidth,
            double paragraphTop, boolean locked) {
        double width = floating.content().width();
        List<Item> items = new ArrayList<>();
        double height = items(composer, floating, items, locked);
        Anchor.Horizontal across = floating.anchor().horizontal();
        double left = switch (across.from()) {
            case PAGE -> 0;
            case MARGIN -> page.textLeft();
            case COLUMN, CHARACTER -> columnLeft;
        };
        double room = switch (across.from()) {
            case PAGE -> page.width();
            case MARGIN -> page.textWidth();
            case COLUMN, CHARACTER -> columnWidth;
        };
        double x = across.alignment() == null ? left + across.offset() : switch (across.alignment()) {
            case START, JUSTIFY -> left;
            case CENTRE -> left + (room - width) / 2;
            case END -> left + room - width;
        };
        Anchor.Vertical down = floating.anchor().vertical();
        double top = switch (down.from()) {
            case PAGE -> 0;
            case MARGIN -> bodyTop;
            case PARAGRAPH, LINE -> paragraphTop;
        };
        double depth = switch (down.from()) {
            case PAGE -> page.height();
            case MARGIN -> page.height() - page.bottom() - bodyTop;
            case PARAGRAPH, LINE -> 0;
        };
        double y = down.alignment() == null ? top + down.offset() : switch (down.alignment()) {
            case TOP -> top;
            case CENTRE -> top + (depth - height) / 2;
            case BOTTOM -> top + depth - height;
        };
        // An object is never hung off the lower edge of its page.
        y = Math.max(0, Math.min(y, page.height() - height));
        List<Item> moved = new ArrayList<>();
        for (Item item : items) moved.add(item.moved(x, y));
        return new Placed(floating, x, y, width, height, moved);
    }

    /** Whether an object is a part of its line, such as the words in a drawing that stands there: nothing runs round it, and it goes where the line goes. */
    static boolean isOnLine(Inline.Floating floating) {
        Anchor anchor = floating.anchor();
        boolean across = anchor.horizontal().from() == Anchor.Horizontal.From.CHARACTER && anchor.horizontal().alignment() == null;
        return across && anchor.vertical().from() == Anchor.Vertical.From.LINE && anchor.vertical().alignment() == null && anchor.wrap() == Anchor.Wrap.NONE;
    }

    /**
     * Adds to the items of a line what is a part of it, measured from the head of what stands there.
     *
     * @param top of the line among its items
     */
    static void onLine(Composer composer, Paragraph paragraph, Line line, boolean last, double top, List<Item> items) {
        int offset = 0;
        List<Item> behind = new ArrayList<>();
        for (Inline inline : paragraph.inlines()) {
            boolean here = offset >= line.start() && (offset < line.end() || last);
            if (here && inline instanceof Inline.Floating floating && isOnLine(floating)) {
                Anchor anchor = floating.anchor();
                double x = line.x() + line.caretX(offset) + anchor.horizontal().offset();
                double y = top + line.baseline() - line.ascent() + anchor.vertical().offset();
                List<Item> own = new ArrayList<>();
                items(composer, floating, own, true);
                for (Item item : own) (anchor.behind() ? behind : items).add(item.moved(x, y));
            }
            offset += inline.length();
        }
        items.addAll(0, behind);
    }

    /** An object anchored inside a cell, note or frame; its place and its items from the paragraph's top left corner. */
    static Placed inStack(Composer composer, Inline.Floating floating, double width, boolean locked) {
        List<Item> items = new ArrayList<>();
        double height = items(composer, floating, items, locked);
        Anchor.Horizontal across = floating.anchor().horizontal();
        double own = floating.content().width();
        double x = across.alignment() == null ? across.offset() : switch (across.alignment()) {
            case START, JUSTIFY -> 0;
            case CENTRE -> (width - own) / 2;
            case END -> width - own;
        };
        boolean fromParagraph = floating.anchor().vertical().from() == Anchor.Vertical.From.PARAGRAPH || floating.anchor().vertical()
                .from() == Anchor.Vertical.From.LINE;
        double y = floating.anchor().vertical().alignment() == null && fromParagraph ? floating.anchor().vertical().offset() : 0;
        return new Placed(floating, x, y, own, height, items.stream().map(item -> item.moved(x, y)).toList());
    }

    /** Adds the object's items from its own corner and tells its height. */
    private static double items(Composer composer, Inline.Floating floating, List<Item> items, boolean locked) {
        if (floating.content() instanceof Picture picture) {
            items.add(new Item.PictureItem(picture, 0, 0));
            return picture.height();
        }
        TextBox box = (TextBox) floating.content();
        Insets padding = box.padding();
        boolean across = box.running() == Running.ACROSS;
        double along = across ? box.width() - padding.left() - padding.right() : box.height() - padding.top() - padding.bottom();
        List<Strip> strips = composer.stack(box.blocks(), Look.PLAIN, Math.max(4, along), true, locked);
        double needed = padding.top() + Strip.height(strips) + padding.bottom();
        double height = across && box.grows() ? Math.max(needed, box.height() > 0 && !box.blocks().isEmpty() ? 0 : box.height()) : box.height();
        if (box.fill() != null) items.add(new Item.Fill(0, 0, box.width(), height, box.fill()));
        if (box.border() != null && box.border().isVisible()) {
            Frames.rule(items, 0, 0, box.width(), 0, box.border());
            Frames.rule(items, 0, height, box.width(), height, box.border());
            Frames.rule(items, 0, 0, 0, height, box.border());
            Frames.rule(items, box.width(), 0, box.width(), height, box.border());
        }
        double left = Math.max(0, height - needed);
        double above = switch (box.standing()) {
            case TOP -> 0;
            case CENTRE -> left / 2;
            case BOTTOM -> left;
        };
        List<Item> text = across ? Composer.placed(strips, padding.left(), padding.top() + above)
                : TurnedCell.placed(strips, new Rectangle2D.Double(0, 0, box.width(), height), padding, box.standing(), box.running());
        for (Item item : text)
            items.add(locked && item instanceof Item.LineItem line ? line.locked() : item);
        return height;
    }

    /** Those objects that a paragraph keeps clear of. */
    static List<Placed> noticed(List<Placed> floats, Paragraph paragraph) {
        boolean blank = paragraph.inlines().stream().allMatch(inline -> inline instanceof Inline.Floating || inline.length() == 0);
        return !blank || floats.isEmpty() ? floats : floats.stream().filter(placed -> !placed.source().anchor().overBlanks()).toList();
    }

    /** The room that objects leave in a column for a paragraph whose top is at {@code paragraphTop}. */
    static LineSpace beside(List<Placed> floats, double columnLeft, double columnWidth, double paragraphTop) {
        return (y, height) -> {
            double down = 0;
            for (int tries = 0; tries < 50; tries++) {
                double top = paragraphTop + y + down;
                LineSpace.Slot slot = widest(floats, columnLeft, columnWidth, top, top + height, down);
                if (slot != null) return slot;
                double next = Double.MAX_VALUE;
                for (Placed placed : floats) {
                    double bottom = placed.y() + placed.height() + placed.source().anchor().distance().bottom();
                    if (placed.meets(top, top + height) && bottom > top) next = Math.min(next, bottom);
                }
                if (next == Double.MAX_VALUE) break;
                down += next - top + 0.01;
            }
            return new LineSpace.Slot(0, columnWidth, down);
        };
    }

    private static LineSpace.Slot widest(List<Placed> floats, double left, double width, double top, double bottom, double down) {
        List<double[]> free = new ArrayList<>(List.of(new double[] {0, width}));
        boolean met = false;
        for (Placed placed : floats) {
            if (!placed.meets(top, bottom)) continue;
            Insets distance = placed.source().anchor().distance();
            boolean whole = placed.source().anchor().wrap() == Anchor.Wrap.TOP_AND_BOTTOM;
            double from = whole ? 0 : placed.x() - distance.left() - left;
            double to = whole ? width : placed.x() + placed.width() + distance.right() - left;
            if (to <= 0 || from >= width) continue;
            met = true;
            List<double[]> rest = new ArrayList<>();
            for (double[] span : free) {
                if (from > span[0]) rest.add(new double[] {span[0], Math.min(span[1], from)});
                if (to < span[1]) rest.add(new double[] {Math.max(span[0], to), span[1]});
            }
            free = rest;
        }
        if (!met) return new LineSpace.Slot(0, width, down);
        double[] best = null;
        for (double[] span : free) if (span[1] > span[0] && (best == null || span[1] - span[0] > best[1] - best[0] + 0.5)) best = span;
        return best == null || best[1] - best[0] < Math.min(LEAST_ROOM, width) ? null : new LineSpace.Slot(best[0], best[1] - best[0], down);
    }
}
