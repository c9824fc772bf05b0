package app.decant.edit;

import app.decant.document.BlockPath;
import app.decant.document.Cut;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Story;
import app.decant.edit.Outcome.Refusal;
import java.util.ArrayList;
import java.util.List;

/**
 * Two paragraphs that follow one another made one.
 *
 * @param path   of the first
 * @param length of the first
 * @param dress  what the one is dressed in
 */
public record JoinStep(Story story, BlockPath path, int length, Dress dress) implements Step {
    @Override public Outcome apply(Document document) {
        if (document.find(story, next()) == null) return Outcome.refused(Refusal.NOT_THERE);
        if (!(document.find(story, path) instanceof Paragraph first) || !(document.find(story, next()) instanceof Paragraph second))
            return Outcome.refused(Refusal.NO_PARAGRAPH);
        if (first.length() != length) return Outcome.refused(Refusal.OTHER_TEXT);
        List<Inline> inlines = new ArrayList<>(first.inlines());
        inlines.addAll(second.inlines());
        return Outcome.of(document.replacing(story, path.parent(), path.last(), path.last() + 2, List.of(dress.on(inlines))));
    }

    private BlockPath next() { return path.sibling(path.last() + 1); }

    @Override public SplitStep inverse(Document before) {
        Paragraph first = (Paragraph) before.find(story, path);
        return new SplitStep(story, path, Cut.after(first, length), Dress.of(first), Dress.of((Paragraph) before.find(story, next())));
    }

    @Override public PositionMap map() {
        PositionMap.Way later = PositionMap.blocks(path.parent(), path.last() + 2, path.last() + 2, -1);
        return PositionMap.within(story, (place, side) -> place.path().equals(next())
                ? new PositionMap.Mapped(new Place(story, path, place.offset() + length), false) : later.map(place, side));
    }
}
