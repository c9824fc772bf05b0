package app.decant.edit;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Place;
import app.decant.document.Stories;
import app.decant.document.Story;
import app.decant.edit.Outcome.Refusal;
import java.util.List;

/**
 * A header or footer put in, replaced or taken out as a whole.
 *
 * @param blocks null where there is to be none
 */
public record FrameStep(Story.Frame frame, List<Block> blocks) implements Step {
    public FrameStep { blocks = blocks == null ? null : List.copyOf(blocks); }

    @Override public Outcome apply(Document document) {
        if (frame.section() < 0 || frame.section() >= document.sections().size()) return Outcome.refused(Refusal.NOT_THERE);
        return Outcome.of(Stories.withFrame(document, frame, blocks));
    }

    @Override public FrameStep inverse(Document before) { return new FrameStep(frame, before.sections().get(frame.section()).frames().get(frame.place())); }

    @Override public PositionMap map() {
        return (place, side) -> {
            Story story = place.story();
            while (story.anchor() != null) story = story.anchor().story();
            if (!story.equals(frame)) return new PositionMap.Mapped(place, false);
            return new PositionMap.Mapped(blocks == null ? new Place(BlockPath.of(frame.section(), 0), 0) : new Place(frame, BlockPath.of(0, 0), 0), true);
        };
    }
}
