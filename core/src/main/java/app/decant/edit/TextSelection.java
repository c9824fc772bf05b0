package app.decant.edit;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Story;
import app.decant.document.Walk;
import java.util.ArrayList;
import java.util.List;

/** Text that is picked: from where it was begun (anchor) to where it is now (head), in either direction; a caret where both are one. */
public record TextSelection(Place anchor, Place head) implements Selection {
    public TextSelection {
        if (!anchor.story().equals(head.story())) throw new IllegalArgumentException("Text is picked within one story");
    }

    public static TextSelection caret(Place place) { return new TextSelection(place, place); }

    public Place start() { return anchor.compareTo(head) <= 0 ? anchor : head; }
    public Place end() { return anchor.compareTo(head) <= 0 ? head : anchor; }
    public boolean isEmpty() { return anchor.equals(head); }

    @Override public Story story() { return head.story(); }

    @Override public boolean fits(Document document) { return fits(document, anchor) && fits(document, head); }

    private static boolean fits(Document document, Place place) {
        return document.find(place.story(), place.path()) instanceof Paragraph paragraph && place.offset() <= paragraph.length();
    }

    @Override public List<Stretch> stretches(Document document) {
        Place start = start();
        Place end = end();
        if (start.path().equals(end.path())) return List.of(new Stretch(start.path(), document.paragraph(start), start.offset(), end.offset()));
        List<Stretch> stretches = new ArrayList<>();
        for (Walk.Stop stop : around(document).between(start.path(), end.path())) {
            int from = stop.path().equals(start.path()) ? start.offset() : 0;
            int to = stop.path().equals(end.path()) ? end.offset() : stop.paragraph().length();
            stretches.add(new Stretch(stop.path(), stop.paragraph(), from, to));
        }
        return stretches;
    }

    /** A walk over all that is picked: over as little of a long document as that takes. */
    private Walk around(Document document) {
        BlockPath from = start().path();
        BlockPath to = end().path();
        if (!(story() instanceof Story.Body) || from.step(0) != to.step(0) || from.step(0) >= document.sections().size()) return Walk.of(document, story());
        List<Block> blocks = document.sections().get(from.step(0)).blocks();
        return to.step(1) >= blocks.size() ? Walk.of(document) : Walk.of(blocks.subList(from.step(1), to.step(1) + 1), from.head(1), from.step(1));
    }

    /** What was put in at an edge of it stays outside. */
    @Override public TextSelection map(PositionMap map, Document after) {
        if (isEmpty()) return resolved(after, map.map(head, Side.AFTER).place());
        boolean forward = anchor.compareTo(head) <= 0;
        Place from = resolved(after, map.map(start(), Side.AFTER).place()).head();
        Place to = resolved(after, map.map(end(), Side.BEFORE).place()).head();
        if (!from.story().equals(to.story()) || from.compareTo(to) >= 0) return caret(from);
        return forward ? new TextSelection(from, to) : new TextSelection(to, from);
    }

    private static TextSelection resolved(Document document, Place place) { return fits(document, place) ? caret(place) : Selection.near(document, place); }
}
