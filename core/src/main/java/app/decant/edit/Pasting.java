package app.decant.edit;

import app.decant.document.Block;
import app.decant.document.Cut;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import java.util.ArrayList;
import java.util.List;

/** Putting a slice into a document: its first paragraph joins what stands before, its last what stands after. */
public final class Pasting {
    private Pasting() { }

    /** A slice put in the place of what is picked. */
    public static Change paste(Document document, Selection picked, Slice slice) {
        Draft draft = new Draft(document, picked);
        Place at = Deletion.into(draft, picked);
        return draft.done(EditKind.PASTING, into(draft, at, slice.blocks()));
    }

    /** Blocks put in at a place; gives where they end. A block that is no paragraph stands by itself. */
    static Place into(Draft draft, Place at, List<? extends Block> blocks) {
        if (blocks.isEmpty()) return at;
        Paragraph target = draft.document().paragraph(at);
        Cut cut = Cut.in(target, at.offset());
        Paragraph first = blocks.get(0) instanceof Paragraph one ? one : null;
        if (blocks.size() == 1 && first != null) {
            insert(draft, at, cut, first.inlines());
            return at.at(at.offset() + first.length());
        }
        Paragraph last = blocks.get(blocks.size() - 1) instanceof Paragraph one ? one : null;
        Dress head = Dress.parted(target);
        draft.add(new SplitStep(at.story(), at.path(), cut, head, last == null || last.style() == null ? Dress.of(target) : Dress.of(last)));
        if (first != null) insert(draft, at, cut, first.inlines());
        List<Block> middle = new ArrayList<>(blocks.subList(first == null ? 0 : 1, blocks.size() - (last == null ? 0 : 1)));
        int next = at.path().last() + 1;
        if (!middle.isEmpty()) draft.add(new BlockStep(at.story(), at.path().parent(), next, next, middle));
        Place end = new Place(at.story(), at.path().sibling(next + middle.size()), 0);
        if (last == null) return end;
        insert(draft, end, Cut.before(0), last.inlines());
        return end.at(last.length());
    }

    /** Blocks put in as they are, in the place of an empty paragraph, or before, behind or between the halves of another; gives where they end. */
    static Place between(Draft draft, Place at, List<? extends Block> blocks) {
        Paragraph target = draft.document().paragraph(at);
        int index = at.path().last();
        boolean empty = target.length() == 0;
        boolean within = at.offset() > 0 && at.offset() < target.length();
        if (within) draft.add(new SplitStep(at.story(), at.path(), Cut.in(target, at.offset()), Dress.parted(target), Dress.of(target)));
        int first = at.offset() > 0 ? index + 1 : index;
        List<Block> made = new ArrayList<>(blocks);
        boolean last = first + (empty ? 1 : 0) >= draft.document().children(at.story(), at.path().parent()).size();
        // Behind a table one can go on writing.
        if (last && !(made.get(made.size() - 1) instanceof Paragraph)) made.add(Dress.of(target).on(List.of()));
        draft.add(new BlockStep(at.story(), at.path().parent(), first, empty ? first + 1 : first, made));
        int end = first + made.size() - 1;
        if (made.get(made.size() - 1) instanceof Paragraph paragraph) return new Place(at.story(), at.path().sibling(end), paragraph.length());
        return Selection.near(draft.document(), new Place(at.story(), at.path().sibling(end + 1), 0)).head();
    }

    private static void insert(Draft draft, Place at, Cut cut, List<Inline> inlines) {
        if (!inlines.isEmpty()) draft.add(new TextStep(at.story(), at.path(), cut, cut, inlines));
    }
}
