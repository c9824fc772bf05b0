package app.decant.edit;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Section;
import app.decant.document.Stories;
import app.decant.document.Story;
import app.decant.document.Table;
import com.github.difflib.DiffUtils;
import com.github.difflib.patch.AbstractDelta;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import java.util.function.BiPredicate;

/** What differs between two documents, passage by passage, and how each passage is put back as it was. Contents lists follow by themselves and are left out. */
public final class WhatChanged {
    /** Passages that share so much of their words are one passage, written anew. */
    private static final double AKIN = 0.4;

    private final BiPredicate<Block, Block> same;
    private final List<Passage> passages = new ArrayList<>();

    /** What became of a passage. */
    public enum Kind { REWORDED, RELOOKED, ADDED, REMOVED }

    /**
     * A passage that differs.
     *
     * @param container of the document now, with the story
     * @param index     of the passage in it; of one that was taken out, of what stands there now
     * @param old       null where it was added
     * @param now       null where it was taken out
     */
    public record Passage(Kind kind, Story story, BlockPath container, int index, Block old, Block now) {
        /** Where it is to be looked for. */
        public Place place(Document document) { return Selection.near(document, new Place(story, container.then(index), 0)).head(); }

        /** Its words, as they were and as they are. */
        public List<Piece> pieces() { return words(text(old), text(now)); }
    }

    /** Words that stayed, went or came. */
    public record Piece(String words, Fate fate) {
        /** What became of words. */
        public enum Fate { STAYED, GONE, CAME }
    }

    private WhatChanged(BiPredicate<Block, Block> same) { this.same = same; }

    /** What was changed in a document since it was another: what stayed the same object was not. */
    public static List<Passage> since(Document before, Document now) { return between(before, now, (one, other) -> one == other || one.equals(other)); }

    /** What reads otherwise than in a document from elsewhere; looks are not compared. */
    public static List<Passage> against(Document other, Document now) {
        return between(other, now, (one, two) -> one.getClass() == two.getClass() && text(one).equals(text(two)));
    }

    private static List<Passage> between(Document before, Document now, BiPredicate<Block, Block> same) {
        WhatChanged changed = new WhatChanged(same);
        changed.bodies(before, now);
        for (int s = 0; s < now.sections().size(); s++) {
            Section section = now.sections().get(s);
            Section old = s < before.sections().size() ? before.sections().get(s) : Section.PLAIN;
            for (Section.FramePlace place : Section.FramePlace.values()) {
                List<Block> frame = section.frames().get(place);
                if (frame != null) changed.compare(new Story.Frame(s, place), BlockPath.of(0), old.frames().getOrDefault(place, List.of()), frame);
            }
        }
        return List.copyOf(changed.passages);
    }

    /** Sections may have come and gone: what counts is the one text that runs through them. */
    private void bodies(Document before, Document now) {
        List<Block> old = new ArrayList<>();
        before.sections().forEach(section -> old.addAll(section.blocks()));
        List<Block> present = new ArrayList<>();
        List<BlockPath> ways = new ArrayList<>();
        for (int s = 0; s < now.sections().size(); s++) {
            List<Block> blocks = now.sections().get(s).blocks();
            for (int b = 0; b < blocks.size(); b++) {
                present.add(blocks.get(b));
                ways.add(BlockPath.of(s, b));
            }
        }
        compare(Story.BODY, old, present, ways);
    }

    private void compare(Story story, BlockPath container, List<? extends Block> old, List<? extends Block> now) {
        List<BlockPath> ways = new ArrayList<>();
        for (int i = 0; i < now.size(); i++) ways.add(container.then(i));
        if (now.isEmpty()) ways.add(container.then(0));
        compare(story, old, now, ways);
    }

    private void compare(Story story, List<? extends Block> old, List<? extends Block> now, List<BlockPath> ways) {
        List<Block> ones = List.copyOf(old);
        List<Block> others = List.copyOf(now);
        for (AbstractDelta<Block> delta : DiffUtils.diff(ones, others, same).getDeltas())
            pair(story, delta.getSource().getLines(), delta.getTarget().getLines(), delta.getTarget().getPosition(), ways);
    }

    /** Pairs what went with what came where they read alike; the rest went or came. */
    private void pair(Story story, List<Block> gone, List<Block> came, int position, List<BlockPath> ways) {
        int next = 0;
        for (int i = 0; i < came.size(); i++) {
            int match = -1;
            boolean even = gone.size() == came.size();
            for (int j = next; j < gone.size() && match < 0; j++) if (even ? j == i : areAkin(gone.get(j), came.get(i))) match = j;
            if (match >= 0 && even && gone.get(match).getClass() != came.get(i).getClass()) match = -1;
            if (match < 0) {
                add(Kind.ADDED, story, ways.get(position + i), null, came.get(i));
                continue;
            }
            for (; next < match; next++) add(Kind.REMOVED, story, ways.get(position + i), gone.get(next), null);
            next = match + 1;
            both(story, ways.get(position + i), gone.get(match), came.get(i));
        }
        int behind = position + came.size();
        BlockPath way = behind < ways.size() ? ways.get(behind) : ways.get(ways.size() - 1).sibling(ways.get(ways.size() - 1).last() + 1);
        boolean empty = came.isEmpty() && ways.size() == 1 && behind == 0;
        for (; next < gone.size(); next++) add(Kind.REMOVED, story, empty ? ways.get(0) : way, gone.get(next), null);
    }

    private void both(Story story, BlockPath way, Block old, Block now) {
        if (old instanceof Contents || now instanceof Contents) return;
        if (old instanceof Table one && now instanceof Table other && isOneForOne(one, other)) {
            int before = passages.size();
            for (int r = 0; r < other.rows().size(); r++)
                for (int c = 0; c < other.rows().get(r).cells().size(); c++)
                    compare(story, way.then(r, c), one.rows().get(r).cells().get(c).blocks(), other.rows().get(r).cells().get(c).blocks());
            if (passages.size() > before) return;
        }
        add(text(old).equals(text(now)) ? Kind.RELOOKED : Kind.REWORDED, story, way, old, now);
    }

    private static boolean isOneForOne(Table one, Table other) {
        if (one.rows().size() != other.rows().size()) return false;
        for (int r = 0; r < one.rows().size(); r++) if (one.rows().get(r).cells().size() != other.rows().get(r).cells().size()) return false;
        return true;
    }

    private void add(Kind kind, Story story, BlockPath way, Block old, Block now) {
        if (old instanceof Contents || now instanceof Contents) return;
        passages.add(new Passage(kind, story, way.parent(), way.last(), old, now));
    }

    private static boolean areAkin(Block one, Block other) {
        if (one.getClass() != other.getClass()) return false;
        Set<String> words = new HashSet<>(Arrays.asList(text(one).split("\\s+")));
        Set<String> others = new HashSet<>(Arrays.asList(text(other).split("\\s+")));
        Set<String> both = new HashSet<>(words);
        both.retainAll(others);
        return both.size() >= AKIN * Math.max(words.size(), others.size());
    }

    /** The words of a block, cells behind each other; empty for none. */
    static String text(Block block) {
        if (block instanceof Paragraph paragraph) return paragraph.plainText();
        StringBuilder text = new StringBuilder();
        if (block instanceof Table table)
            for (Table.Row row : table.rows()) for (Table.Cell cell : row.cells()) for (Block inner : cell.blocks()) text.append(text(inner)).append('\n');
        return text.toString();
    }

    private static List<Piece> words(String old, String now) {
        List<String> ones = tokens(old);
        List<String> others = tokens(now);
        List<Piece> pieces = new ArrayList<>();
        int at = 0;
        for (AbstractDelta<String> delta : DiffUtils.diff(ones, others).getDeltas()) {
            int from = delta.getTarget().getPosition();
            add(pieces, others.subList(at, from), Piece.Fate.STAYED);
            add(pieces, delta.getSource().getLines(), Piece.Fate.GONE);
            add(pieces, delta.getTarget().getLines(), Piece.Fate.CAME);
            at = from + delta.getTarget().size();
        }
        add(pieces, others.subList(at, others.size()), Piece.Fate.STAYED);
        return pieces;
    }

    private static void add(List<Piece> pieces, List<String> tokens, Piece.Fate fate) {
        if (!tokens.isEmpty()) pieces.add(new Piece(String.join("", tokens), fate));
    }

    /** Words and what stands between them. */
    private static List<String> tokens(String text) {
        return text.isEmpty() ? List.of() : Arrays.asList(text.split("(?<=[^\\p{L}\\p{N}])|(?=[^\\p{L}\\p{N}])"));
    }

    /** A passage put back as it was. */
    public static Change putBack(Document document, Selection picked, Passage passage) {
        Draft draft = new Draft(document, picked);
        int end = passage.index + (passage.now == null ? 0 : 1);
        List<Block> back = passage.old == null ? List.of() : List.of(passage.old);
        int siblings = document.children(passage.story, passage.container).size();
        // Nothing is ever empty of paragraphs.
        if (back.isEmpty() && siblings == 1) back = List.of(new Paragraph(null, Paragraph.of("").look(), Paragraph.of("").mark(), List.of()));
        draft.add(new BlockStep(passage.story, passage.container, passage.index, end, back));
        return draft.done(EditKind.REPLACING, Selection.near(draft.document(), new Place(passage.story, passage.container.then(passage.index), 0)));
    }

    /** Whether a passage still stands where it was found. */
    public static boolean stands(Document document, Passage passage) {
        if (!Stories.has(document, passage.story)) return false;
        return passage.now == null || document.find(passage.story, passage.container.then(passage.index)) == passage.now;
    }
}
