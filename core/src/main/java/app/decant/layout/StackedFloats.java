package app.decant.layout;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.TextBox;
import app.decant.page.Item;
import app.decant.page.Line;
import java.util.ArrayList;
import java.util.List;

/** What hangs on the paragraphs of a cell, a note or a box, where nothing is known of the page: it stands where it says, and lines run round it. */
final class StackedFloats {
    private final Composer composer;
    private final Look table;
    private final double width;
    private final boolean hung;
    private final List<Floats.Placed> pushing = new ArrayList<>();
    private final List<Floats.Placed> waiting = new ArrayList<>();

    /** @param hung whether what hangs on paragraphs is set here; else only what stands apart from them */
    StackedFloats(Composer composer, Look table, double width, boolean hung) {
        this.composer = composer;
        this.table = table;
        this.width = width;
        this.hung = hung;
    }

    /** What stands apart from the text hangs on the paragraph behind it. */
    void hang(Inline.Floating floating) { waiting.add(Floats.inStack(composer, floating, width, false)); }

    /** The lines of a paragraph whose strips begin at {@code y}, as they stand where nothing hangs on it, with what does. */
    List<Strip> around(Paragraph paragraph, List<Strip> free, Block previous, Block next, double y) {
        if (free.isEmpty()) return free;
        double top = y + free.get(0).before();
        List<Item> items = new ArrayList<>();
        List<Floats.Placed> own = new ArrayList<>(waiting);
        waiting.clear();
        for (Inline inline : paragraph.inlines())
            if (hung && inline instanceof Inline.Floating floating && !Floats.isOnLine(floating)) own.add(Floats.inStack(composer, floating, width, true));
        for (Floats.Placed placed : own) {
            items.addAll(placed.items());
            if (placed.pushes() && isOfParagraph(placed.source().anchor())) pushing.add(placed.lower(top));
        }
        double bottom = y + Strip.height(free);
        List<Strip> strips = free;
        List<Floats.Placed> noticed = Floats.noticed(pushing, paragraph);
        if (noticed.stream().anyMatch(placed -> placed.meets(top, bottom))) {
            SetParagraph set = composer.set(paragraph, table, 0, Floats.beside(noticed, 0, width, top));
            strips = composer.strips(paragraph, set, previous, next, table, width);
        }
        return items.isEmpty() ? strips : withItems(strips, items);
    }

    private static boolean isOfParagraph(Anchor anchor) {
        Anchor.Vertical.From from = anchor.vertical().from();
        return from == Anchor.Vertical.From.PARAGRAPH || from == Anchor.Vertical.From.LINE;
    }

    private static List<Strip> withItems(List<Strip> strips, List<Item> items) {
        List<Strip> result = new ArrayList<>(strips);
        Strip first = strips.get(0);
        List<Item> all = new ArrayList<>(items);
        all.addAll(first.items());
        result.set(0, new Strip(first.before(), first.height(), first.after(), all, first.notes(), first.glued(), first.offset(), first.line(),
                first.owner()));
        return result;
    }

    /** The strips of the whole, with room below the last for boxes of text that reach further down. */
    List<Strip> holding(List<Strip> strips) {
        if (!waiting.isEmpty()) {
            // No paragraph is behind it.
            List<Item> items = waiting.stream().flatMap(placed -> placed.items().stream()).toList();
            double low = waiting.stream().mapToDouble(placed -> placed.y() + placed.height()).max().orElse(0);
            strips.add(new Strip(0, low, 0, items, List.of(), false, 0, Line.Break.NONE, null));
            return strips;
        }
        double height = Strip.height(strips);
        double reach = pushing.stream().filter(placed -> placed.source().content() instanceof TextBox).mapToDouble(placed -> placed.y() + placed.height())
                .max().orElse(0);
        if (strips.isEmpty() || reach <= height) return strips;
        List<Strip> result = new ArrayList<>(strips);
        Strip last = strips.get(strips.size() - 1);
        result.set(strips.size() - 1, new Strip(last.before(), last.height(), last.after() + reach - height, last.items(), last.notes(), last.glued(),
                last.offset(), last.line(), last.owner()));
        return result;
    }
}
