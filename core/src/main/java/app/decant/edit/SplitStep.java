package app.decant.edit;

import app.decant.document.BlockPath;
import app.decant.document.Cut;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Story;
import app.decant.edit.Outcome.Refusal;
import java.util.List;

/**
 * A paragraph cut in two.
 *
 * @param head what the first of them is dressed in
 * @param tail what the second is
 */
public record SplitStep(Story story, BlockPath path, Cut at, Dress head, Dress tail) implements Step {
    @Override public Outcome apply(Document document) {
        if (document.find(story, path) == null) return Outcome.refused(Refusal.NOT_THERE);
        if (!(document.find(story, path) instanceof Paragraph whole)) return Outcome.refused(Refusal.NO_PARAGRAPH);
        if (at.offset() > whole.length() || at.points() > whole.pointsAt(at.offset())) return Outcome.refused(Refusal.OUT_OF_RANGE);
        Paragraph first = head.on(whole.part(Cut.before(0), at));
        Paragraph second = tail.on(whole.part(at, Cut.after(whole, whole.length())));
        return Outcome.of(document.replacing(story, path.parent(), path.last(), path.last() + 1, List.of(first, second)));
    }

    @Override public JoinStep inverse(Document before) { return new JoinStep(story, path, at.offset(), Dress.of((Paragraph) before.find(story, path))); }

    @Override public PositionMap map() {
        PositionMap.Way later = PositionMap.blocks(path.parent(), path.last() + 1, path.last() + 1, 1);
        return PositionMap.within(story, (place, side) -> {
            if (!place.path().equals(path)) return later.map(place, side);
            boolean moves = place.offset() > at.offset() || place.offset() == at.offset() && side == Side.AFTER;
            return new PositionMap.Mapped(moves ? new Place(story, path.sibling(path.last() + 1), place.offset() - at.offset()) : place, false);
        });
    }
}
