package app.decant.edit;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.TabStop.Kind;
import app.decant.document.ParagraphProperty.TabStop.Leader;
import app.decant.document.ParagraphProperty.TabStop;
import app.decant.document.ParagraphProperty.TabStops;
import app.decant.document.ParagraphProperty;
import app.decant.document.Place;
import app.decant.document.TextProperty;
import java.util.ArrayList;
import java.util.List;

/** Where people sign: a line for place and date, and one for the name beside it, each with what it is for below. Made of tabs, so that every format has it. */
public final class SignatureLine {
    /** Free above the lines, for the hand that writes. In points. */
    private static final double ABOVE = 42;
    private static final double SMALL = 9;
    /** The lines take these shares of the width, with a gap between. */
    private static final double FIRST = 0.42;
    private static final double SECOND = 0.5;

    private SignatureLine() { }

    /** Whether it can be put in where the caret is. */
    public static boolean canInsert(Document document, Selection picked) { return Tables.canInsert(document, picked); }

    /**
     * Puts it in behind the paragraph that is picked, or in its place where that is empty.
     *
     * @param width of the text, in points
     * @param date  what stands below the line for place and date
     * @param name  what stands below the other
     */
    public static Change insert(Document document, Selection picked, double width, String date, String name) {
        TabStop end = new TabStop(width * FIRST, Kind.START, Leader.LINE);
        TabStop gap = new TabStop(width * SECOND, Kind.START, Leader.NONE);
        // At the very edge a stop is none any more.
        TabStop last = new TabStop(width - 1, Kind.START, Leader.LINE);
        Look lines = Look.of(ParagraphProperty.TABS, new TabStops(List.of(end, gap, last))).with(ParagraphProperty.SPACE_BEFORE, ABOVE)
                .with(ParagraphProperty.SPACE_AFTER, 0.0).with(ParagraphProperty.KEEP_WITH_NEXT, true);
        Look below = Look.of(ParagraphProperty.TABS, new TabStops(List.of(gap)));
        Look small = Look.of(TextProperty.SIZE, SMALL);
        List<Block> blocks = new ArrayList<>();
        blocks.add(new Paragraph(null, lines, Look.PLAIN, List.of(new Inline.Text("\t\t\t", Look.PLAIN))));
        blocks.add(new Paragraph(null, below, small, List.of(new Inline.Text(date + "\t" + name, small))));
        BlockPath here = picked.head().path();
        List<? extends Block> around = document.children(picked.story(), here.parent());
        boolean empty = around.get(here.last()) instanceof Paragraph paragraph && paragraph.length() == 0;
        int at = empty ? here.last() : here.last() + 1;
        Draft draft = new Draft(document, picked).add(new BlockStep(picked.story(), here.parent(), at, empty ? at + 1 : at, blocks));
        Place caption = new Place(picked.story(), here.sibling(at + 1), date.length() + 1 + name.length());
        return draft.done(EditKind.OBJECT, caption);
    }
}
