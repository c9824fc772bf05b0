package app.decant;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Story;
import app.decant.document.Table;
import app.decant.document.Walk;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SortedMap;
import java.util.TreeMap;
import java.util.function.Predicate;

/** Whether the blocks of a document are what they were but for edits of their text and of the rows of tables that are known. */
final class BlockEdits {
    private final Document before;
    private final Document now;
    private final Walk walk;
    private final List<TextEdits.Edit> edits;
    private final Map<Paragraph, Paragraph> pairs;

    /**
     * @param walk      over the text as it came
     * @param pairs     paragraphs as they are of which it is known otherwise what is another, by what they were
     */
    BlockEdits(Document before, Document now, Walk walk, List<TextEdits.Edit> edits, Map<Paragraph, Paragraph> pairs) {
        this.before = before;
        this.now = now;
        this.walk = walk;
        this.edits = edits;
        this.pairs = pairs;
    }

    /** Whether the edits are all that is another. */
    boolean areAll() { return edited().equals(now.blocks()); }

    /** Blocks as they came, and as they are, that are no paragraphs and of which more is another. */
    List<Block> others() {
        List<Block> was = before.blocks();
        List<Block> gone = without(was, now.blocks());
        List<Block> come = without(now.blocks(), was);
        if (gone.isEmpty() && come.isEmpty()) return List.of();
        Map<Block, Block> edited = new IdentityHashMap<>();
        List<Block> all = gone.size() == come.size() ? edited() : List.of();
        for (int i = 0; i < all.size(); i++) edited.put(was.get(i), all.get(i));
        List<Block> others = new ArrayList<>();
        for (int i = 0; i < Math.max(gone.size(), come.size()); i++) {
            boolean same = !edited.isEmpty() && without(edited.get(gone.get(i)), TextEdits.Edit::isGone).equals(without(come.get(i),
                    TextEdits.Edit::isOfRows));
            if (same) continue;
            if (i < gone.size()) others.add(gone.get(i));
            if (i < come.size()) others.add(come.get(i));
        }
        return others;
    }

    /** Those that are no paragraphs and not among others. */
    private static List<Block> without(List<Block> blocks, List<Block> others) {
        Set<Block> known = Collections.newSetFromMap(new IdentityHashMap<>());
        known.addAll(others);
        return blocks.stream().filter(block -> !(block instanceof Paragraph) && !known.contains(block)).toList();
    }

    /** The blocks as they came, with the paragraphs that say something else. */
    private List<Block> edited() {
        SortedMap<BlockPath, Block> changed = new TreeMap<>();
        for (TextEdits.Edit edit : edits) if (edit.isPlain() && !edit.isGone()) changed.put(walk.pathOf(edit.old()), edit.nows().get(0));
        pairs.forEach((old, fresh) -> changed.put(walk.pathOf(old), fresh));
        return before.replacing(Story.BODY, changed).blocks();
    }

    /** A table without the rows, a contents list without the entries that are known to have come, or to be gone. */
    private Block without(Block block, Predicate<TextEdits.Edit> which) {
        Set<Block> known = Collections.newSetFromMap(new IdentityHashMap<>());
        for (TextEdits.Edit edit : edits) if (which.test(edit)) known.addAll(edit.isGone() ? edit.olds() : edit.nows());
        if (block instanceof Contents list) return list.withEntries(list.entries().stream().filter(entry -> !known.contains(entry)).toList());
        if (!(block instanceof Table table)) return block;
        List<Table.Row> rows = table.rows().stream().filter(row -> row.cells().isEmpty() || row.cells().get(0).blocks().isEmpty()
                || !known.contains(row.cells().get(0).blocks().get(0))).toList();
        return new Table(table.look(), table.columns(), rows);
    }
}
