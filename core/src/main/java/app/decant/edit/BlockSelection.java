package app.decant.edit;

import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Place;
import app.decant.document.Story;
import java.util.List;

/** Whole blocks of a container, such as a table or a section's heading with what follows it. */
public record BlockSelection(Story story, BlockPath container, int from, int to) implements Selection {
    public BlockSelection { if (from < 0 || from >= to) throw new IllegalArgumentException("At least one block is picked"); }

    @Override public Place head() { return new Place(story, container.then(from), 0); }

    @Override public boolean fits(Document document) {
        return document.find(story, container.then(from)) != null && document.find(story, container.then(to - 1)) != null;
    }

    @Override public List<Stretch> stretches(Document document) { return Selection.whole(document, story, container, from, to); }

    @Override public Selection map(PositionMap map, Document after) {
        PositionMap.Mapped first = map.map(new Place(story, container.then(from), 0), Side.AFTER);
        PositionMap.Mapped last = map.map(new Place(story, container.then(to - 1), 0), Side.BEFORE);
        BlockPath one = first.place().path();
        BlockPath other = last.place().path();
        boolean together = first.place().story().equals(last.place().story()) && one.isSiblingOf(other);
        int end = together ? other.last() + (last.deleted() ? 0 : 1) : 0;
        if (!together || one.last() >= end) return Selection.near(after, first.place());
        BlockSelection moved = new BlockSelection(first.place().story(), one.parent(), one.last(), end);
        return moved.fits(after) ? moved : Selection.near(after, first.place());
    }
}
