package app.decant.edit;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Place;
import app.decant.document.Section;
import app.decant.document.Story;
import app.decant.edit.Outcome.Refusal;
import java.util.ArrayList;
import java.util.List;

/**
 * A section and the one after it made one.
 *
 * @param index  of the first
 * @param size   how many blocks that has
 * @param joined the one but for its text
 */
public record SectionJoinStep(int index, int size, Section joined) implements Step {
    public SectionJoinStep { joined = joined.withBlocks(List.of()); }

    @Override public Outcome apply(Document document) {
        if (index < 0 || index + 1 >= document.sections().size()) return Outcome.refused(Refusal.NOT_THERE);
        List<Section> sections = new ArrayList<>(document.sections());
        if (sections.get(index).blocks().size() != size) return Outcome.refused(Refusal.OTHER_TEXT);
        List<Block> blocks = new ArrayList<>(sections.get(index).blocks());
        blocks.addAll(sections.remove(index + 1).blocks());
        sections.set(index, joined.withBlocks(blocks));
        return Outcome.of(document.withSections(sections));
    }

    @Override public SectionSplitStep inverse(Document before) {
        return new SectionSplitStep(index, size, before.sections().get(index), before.sections().get(index + 1));
    }

    @Override public PositionMap map() {
        return new PositionMap() {
            @Override public Mapped map(Place place, Side side) {
                Story story = place.story();
                if (story instanceof Story.Body) return new Mapped(body(place), false);
                if (story instanceof Story.Frame frame) {
                    if (frame.section() <= index) return new Mapped(place, false);
                    if (frame.section() > index + 1)
                        return new Mapped(new Place(new Story.Frame(frame.section() - 1, frame.place()), place.path(), place.offset()), false);
                    return new Mapped(new Place(Story.BODY, BlockPath.of(index, size), 0), true);
                }
                Mapped anchor = map(story.anchor(), Side.AFTER);
                if (anchor.deleted()) return anchor;
                return new Mapped(new Place(story.at(anchor.place()), place.path(), place.offset()), false);
            }
        };
    }

    private Place body(Place place) {
        BlockPath path = place.path();
        if (path.step(0) <= index) return place;
        BlockPath moved = path.with(0, path.step(0) - 1);
        return new Place(place.story(), path.step(0) == index + 1 ? moved.with(1, path.step(1) + size) : moved, place.offset());
    }
}
