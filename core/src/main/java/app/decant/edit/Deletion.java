package app.decant.edit;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Cut;
import app.decant.document.Document;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Section;
import app.decant.document.Story;
import app.decant.document.Walk;
import java.util.ArrayList;
import java.util.List;

/**
 * Takes out what is picked. Whole blocks and sections go, the first and the last paragraph are joined. A table that is picked in part keeps its cells,
 * which lose their texts; one that is picked with what stands round it goes.
 */
public final class Deletion {
    private final Draft draft;
    private final Story story;
    private final TextSelection picked;

    private Deletion(Draft draft, TextSelection picked) {
        this.draft = draft;
        this.story = picked.story();
        this.picked = picked;
    }

    /** What is picked taken out. */
    public static Change delete(Document document, Selection picked) {
        Draft draft = new Draft(document, picked);
        Place at = into(draft, picked);
        return draft.done(EditKind.DELETING, at);
    }

    /** Takes what is picked out of a draft whose document is still as it was; gives where the caret is then. */
    static Place into(Draft draft, Selection selection) {
        if (selection instanceof TextSelection text) return text.isEmpty() ? text.head() : new Deletion(draft, text).made();
        Document document = draft.document();
        if (selection instanceof BlockSelection blocks) {
            // A container keeps a block, and its story a paragraph to type in.
            boolean all = blocks.to() - blocks.from() == document.children(blocks.story(), blocks.container()).size();
            boolean textless = blocks.stretches(document).size() == Walk.of(document, blocks.story()).stops().size();
            List<Block> left = all || textless ? List.of(Paragraph.of("")) : List.of();
            draft.add(new BlockStep(blocks.story(), blocks.container(), blocks.from(), blocks.to(), left));
            return Selection.near(draft.document(), blocks.head()).head();
        }
        empty(draft, selection.story(), selection.stretches(document));
        return Selection.near(draft.document(), selection.head()).head();
    }

    /** Takes stretches of text out of their paragraphs, which stay, as do the bookmark points at the edges. */
    private static void empty(Draft draft, Story story, List<Selection.Stretch> stretches) {
        List<TextStep.Part> parts = new ArrayList<>();
        for (Selection.Stretch stretch : stretches) {
            if (stretch.from() < stretch.to())
                parts.add(part(stretch.path(), Cut.after(stretch.paragraph(), stretch.from()), Cut.before(stretch.to())));
        }
        if (!parts.isEmpty()) draft.add(new TextStep(story, parts));
    }

    private static TextStep.Part part(BlockPath path, Cut from, Cut to) { return new TextStep.Part(path, from, to, List.of()); }

    private Place made() {
        Place start = picked.start();
        Place end = picked.end();
        Document document = draft.document();
        if (start.path().equals(end.path())) {
            empty(draft, story, picked.stretches(document));
            return start;
        }
        if (isAll(document)) return emptied();
        boolean inBody = story instanceof Story.Body && start.path().size() == 2 && end.path().size() == 2;
        if (inBody) end = joinSections(start, end);
        if (start.path().isSiblingOf(end.path())) return joined(start, end);
        apart(document, top(start.path()), top(end.path()));
        return Selection.near(draft.document(), start).head();
    }

    private boolean isAll(Document document) {
        List<Walk.Stop> stops = Walk.of(document, story).stops();
        Walk.Stop last = stops.get(stops.size() - 1);
        return picked.start().equals(new Place(story, stops.get(0).path(), 0)) && picked.end().equals(new Place(story, last.path(), last.paragraph().length()));
    }

    /** One empty paragraph stays, in one section. */
    private Place emptied() {
        Paragraph first = draft.document().paragraph(picked.start());
        while (story instanceof Story.Body && draft.document().sections().size() > 1) joinSection(0);
        BlockPath container = BlockPath.of(0);
        int count = draft.document().children(story, container).size();
        draft.add(new BlockStep(story, container, 0, count, List.of(Dress.of(first).on(List.of()))));
        return new Place(story, container.then(0), 0);
    }

    private void joinSection(int index) {
        draft.add(new SectionJoinStep(index, draft.document().sections().get(index).blocks().size(), draft.document().sections().get(index)));
    }

    /** The section in which what is picked ends goes on in that in which it begins; gives where it ends then. */
    private Place joinSections(Place start, Place end) {
        Place moved = end;
        int first = start.path().step(0);
        for (int i = first; i < end.path().step(0); i++) {
            Section section = draft.document().sections().get(first);
            SectionJoinStep step = new SectionJoinStep(first, section.blocks().size(), section);
            draft.add(step);
            moved = step.map().map(moved, Side.AFTER).place();
        }
        return moved;
    }

    /** What lies between two paragraphs of one container goes, and both are made one. */
    private Place joined(Place start, Place end) {
        Document document = draft.document();
        Paragraph first = document.paragraph(start);
        Paragraph last = document.paragraph(end);
        Dress dress = Dress.of(start.offset() == 0 && end.offset() < last.length() ? last : first);
        BlockPath container = start.path().parent();
        if (start.offset() == 0 && end.offset() == 0) {
            // Whole paragraphs go; the one after them is none other for it.
            draft.add(new BlockStep(story, container, start.path().last(), end.path().last(), List.of()));
            return start;
        }
        int between = start.path().last() + 1;
        List<TextStep.Part> parts = new ArrayList<>();
        // The points of a paragraph that goes as a whole go with it.
        if (start.offset() == 0) parts.add(part(start.path(), Cut.before(0), Cut.after(first, first.length())));
        else if (start.offset() < first.length()) parts.add(part(start.path(), Cut.after(first, start.offset()), Cut.before(first.length())));
        if (end.offset() == last.length()) parts.add(part(end.path(), Cut.before(0), Cut.after(last, last.length())));
        else if (end.offset() > 0) parts.add(part(end.path(), Cut.after(last, 0), Cut.before(end.offset())));
        if (!parts.isEmpty()) draft.add(new TextStep(story, parts));
        if (end.path().last() > between) draft.add(new BlockStep(story, container, between, end.path().last(), List.of()));
        draft.add(new JoinStep(story, start.path(), start.offset(), dress));
        return start;
    }

    /** What begins or ends inside a table or a list of contents: what stays of those blocks loses its text, the blocks between them go. */
    private void apart(Document document, BlockPath first, BlockPath last) {
        boolean together = first.equals(last);
        boolean firstGoes = !together && goes(document, first);
        boolean lastGoes = !together && goes(document, last);
        empty(draft, story, picked.stretches(document).stream().filter(stretch -> {
            BlockPath own = top(stretch.path());
            return own.equals(first) && !firstGoes || own.equals(last) && !lastGoes;
        }).toList());
        if (together) return;
        int from = firstGoes ? first.last() : first.last() + 1;
        int to = lastGoes ? last.last() + 1 : last.last();
        for (int s = last.step(0); s >= first.step(0); s--) {
            int count = draft.document().children(story, BlockPath.of(s)).size();
            remove(s, s == first.step(0) ? from : 0, s == last.step(0) ? to : count, count);
        }
    }

    private static BlockPath top(BlockPath path) { return BlockPath.of(path.step(0), path.step(1)); }

    /** Whether a block of the story's first level is picked as a whole; a paragraph stays. */
    private boolean goes(Document document, BlockPath path) {
        if (document.find(story, path) instanceof Paragraph) return false;
        List<Selection.Stretch> own = Selection.whole(document, story, path.parent(), path.last(), path.last() + 1);
        if (own.isEmpty()) return true;
        Place from = new Place(story, own.get(0).path(), 0);
        Selection.Stretch end = own.get(own.size() - 1);
        return picked.start().compareTo(from) <= 0 && picked.end().compareTo(new Place(story, end.path(), end.to())) >= 0;
    }

    private void remove(int section, int from, int to, int count) {
        if (from >= to) return;
        if (to - from == count && story instanceof Story.Body && draft.document().sections().size() > 1) removeSection(section);
        else draft.add(new BlockStep(story, BlockPath.of(section), from, to, to - from == count ? List.of(Paragraph.of("")) : List.of()));
    }

    /** A section goes with its pages: the one before it, or the one after it, keeps its own. */
    private void removeSection(int index) {
        int count = draft.document().sections().get(index).blocks().size();
        if (index > 0) {
            int before = draft.document().sections().get(index - 1).blocks().size();
            joinSection(index - 1);
            draft.add(new BlockStep(story, BlockPath.of(index - 1), before, before + count, List.of()));
        } else {
            draft.add(new SectionJoinStep(0, count, draft.document().sections().get(1)));
            draft.add(new BlockStep(story, BlockPath.of(0), 0, count, List.of()));
        }
    }
}
