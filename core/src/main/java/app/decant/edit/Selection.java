package app.decant.edit;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Stories;
import app.decant.document.Story;
import app.decant.document.Walk;
import java.util.ArrayList;
import java.util.List;

/** What is picked. All of it lies in one story. */
public sealed interface Selection permits TextSelection, CellSelection, ObjectSelection, BlockSelection {
    Story story();

    /** The place that says where on paper it is: the one that moves when it is extended. */
    Place head();

    /** Whether a document has all of what it names. */
    boolean fits(Document document);

    /** The stretches of text it covers, in their order; an empty one for a caret. */
    List<Stretch> stretches(Document document);

    /** What is picked after a change; where nothing of it is left, a caret where it was. */
    Selection map(PositionMap map, Document after);

    /** A stretch of one paragraph. */
    record Stretch(BlockPath path, Paragraph paragraph, int from, int to) {
        /** Whether it reaches to the paragraph's end mark. */
        public boolean isToEnd() { return to == paragraph.length(); }
    }

    /** A caret at a place, or where that is none, at the nearest: the first after it, else the last before; in the body where the story is gone. */
    static TextSelection near(Document document, Place place) {
        Story story = Stories.has(document, place.story()) ? place.story() : Story.BODY;
        Walk walk = Walk.of(document, story);
        Place wanted = place;
        // What hung on a place that has no text any more leaves the caret there.
        while (!wanted.story().equals(story) && wanted.story().anchor() != null) wanted = wanted.story().anchor();
        List<Walk.Stop> stops = walk.stops();
        for (Walk.Stop stop : stops) {
            int order = stop.path().compareTo(wanted.path());
            if (order == 0) return TextSelection.caret(new Place(story, stop.path(), Math.min(wanted.offset(), stop.paragraph().length())));
            if (order > 0) return TextSelection.caret(new Place(story, stop.path(), 0));
        }
        if (stops.isEmpty()) return TextSelection.caret(new Place(story, BlockPath.of(0, 0), 0));
        Walk.Stop last = stops.get(stops.size() - 1);
        return TextSelection.caret(new Place(story, last.path(), last.paragraph().length()));
    }

    /** The whole text of some blocks as stretches. */
    static List<Stretch> whole(Document document, Story story, BlockPath container, int from, int to) {
        List<Stretch> stretches = new ArrayList<>();
        List<? extends Block> blocks = document.children(story, container);
        for (Walk.Stop stop : Walk.of(blocks.subList(from, to), container, from).stops())
            stretches.add(new Stretch(stop.path(), stop.paragraph(), 0, stop.paragraph().length()));
        return stretches;
    }
}
