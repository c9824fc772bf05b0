package app.decant.layout;

import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.page.Item;
import app.decant.page.Line;
import java.util.List;

/**
 * The least part of a column that is never cut: a line of a paragraph, a row of a table.
 *
 * @param before  space above it, left out at the head of a column that text ran on into
 * @param height  without {@code before}
 * @param after   space below it
 * @param items   from the strip's top left corner
 * @param notes   whose marks stand in it
 * @param glued   whether it must not begin a column
 * @param offset  how far into its block it begins: a caret position, or a row
 * @param line    what its line demands to follow
 * @param owner   the paragraph it is a line of, or null
 */
record Strip(double before, double height, double after, List<Item> items, List<Inline.Note> notes, boolean glued, int offset, Line.Break line,
        Paragraph owner) {
    Strip locked() {
        return new Strip(before, height, after, items.stream().map(item -> item instanceof Item.LineItem one ? one.locked() : item).toList(), notes, glued,
                offset, line, owner);
    }

    /** The same with a share of the space around it. */
    Strip closer(double share) { return new Strip(before * share, height, after * share, items, notes, glued, offset, line, owner); }

    static double height(List<Strip> strips) {
        double height = 0;
        for (Strip strip : strips) height += strip.before + strip.height + strip.after;
        return height;
    }
}
