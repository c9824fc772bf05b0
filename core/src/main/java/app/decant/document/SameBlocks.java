package app.decant.document;

import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** A document that came back from where it was kept, told by the very blocks of the one it was made from: what nobody touched is known by identity again. */
public final class SameBlocks {
    private SameBlocks() { }

    /** The same as {@code kept}, with the blocks of {@code came} wherever they are equal, in their order. */
    public static Document of(Document kept, Document came) {
        Map<Block, Deque<Block>> known = new HashMap<>();
        for (Section section : came.sections())
            for (Block block : section.blocks()) known.computeIfAbsent(block, key -> new ArrayDeque<>()).add(block);
        List<Section> sections = new ArrayList<>();
        for (Section section : kept.sections()) {
            List<Block> blocks = new ArrayList<>();
            for (Block block : section.blocks()) {
                Deque<Block> same = known.get(block);
                blocks.add(same == null || same.isEmpty() ? block : same.remove());
            }
            sections.add(section.withBlocks(blocks));
        }
        return kept.withSections(sections);
    }
}
