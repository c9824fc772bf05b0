package app.decant.edit;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Story;
import app.decant.edit.Outcome.Refusal;
import java.util.List;

/** Blocks of a container replaced by others: put in, taken out or both. */
public record BlockStep(Story story, BlockPath container, int from, int to, List<Block> blocks) implements Step {
    public BlockStep {
        if (from < 0 || from > to) throw new IllegalArgumentException("No blocks lie between " + from + " and " + to);
        blocks = List.copyOf(blocks);
    }

    @Override public Outcome apply(Document document) {
        List<? extends Block> present = present(document);
        if (present == null) return Outcome.refused(Refusal.NOT_THERE);
        if (to > present.size()) return Outcome.refused(Refusal.OUT_OF_RANGE);
        if (blocks.isEmpty() && to - from == present.size()) return Outcome.refused(Refusal.WOULD_BE_EMPTY);
        return Outcome.of(document.replacing(story, container, from, to, blocks));
    }

    private List<? extends Block> present(Document document) {
        try {
            return document.children(story, container);
        } catch (IllegalArgumentException | IndexOutOfBoundsException e) {
            // A container that is not there is a refusal.
            return null;
        }
    }

    @Override public BlockStep inverse(Document before) {
        return new BlockStep(story, container, from, from + blocks.size(), List.copyOf(before.children(story, container).subList(from, to)));
    }

    @Override public PositionMap map() { return PositionMap.within(story, PositionMap.blocks(container, from, to, blocks.size())); }
}
