package app.decant.edit;

import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Place;
import app.decant.document.Section;
import app.decant.document.Story;
import app.decant.edit.Outcome.Refusal;
import java.util.ArrayList;
import java.util.List;

/**
 * A section cut in two before one of its blocks.
 *
 * @param head the first of them but for its text
 * @param tail the second
 */
public record SectionSplitStep(int index, int at, Section head, Section tail) implements Step {
    public SectionSplitStep {
        head = head.withBlocks(List.of());
        tail = tail.withBlocks(List.of());
    }

    @Override public Outcome apply(Document document) {
        if (index < 0 || index >= document.sections().size()) return Outcome.refused(Refusal.NOT_THERE);
        Section whole = document.sections().get(index);
        if (at < 1 || at >= whole.blocks().size()) return Outcome.refused(Refusal.WOULD_BE_EMPTY);
        List<Section> sections = new ArrayList<>(document.sections());
        sections.set(index, head.withBlocks(whole.blocks().subList(0, at)));
        sections.add(index + 1, tail.withBlocks(whole.blocks().subList(at, whole.blocks().size())));
        return Outcome.of(document.withSections(sections));
    }

    @Override public SectionJoinStep inverse(Document before) { return new SectionJoinStep(index, at, before.sections().get(index)); }

    @Override public PositionMap map() {
        return new PositionMap() {
            @Override public Mapped map(Place place, Side side) {
                Story story = place.story();
                if (story instanceof Story.Body) return new Mapped(body(place), false);
                if (story instanceof Story.Frame frame)
                    return new Mapped(frame.section() <= index ? place : new Place(new Story.Frame(frame.section() + 1, frame.place()), place.path(),
                            place.offset()), false);
                Mapped anchor = map(story.anchor(), Side.AFTER);
                return new Mapped(new Place(story.at(anchor.place()), place.path(), place.offset()), anchor.deleted());
            }
        };
    }

    private Place body(Place place) {
        BlockPath path = place.path();
        if (path.step(0) < index || path.step(0) == index && path.step(1) < at) return place;
        BlockPath moved = path.with(0, path.step(0) + 1);
        return new Place(place.story(), path.step(0) == index ? moved.with(1, path.step(1) - at) : moved, place.offset());
    }
}
