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
        Dress head = Dress.of(target);
        draft.add(new SplitStep(at.story(), at.path(), cut, head, last == null || last.style() == null ? head : Dress.of(last)));
        if (first != null) insert(draft, at, cut, first.inlines());
        List<Block> middle = new ArrayList<>(blocks.subList(first == null ? 0 : 1, blocks.size() - (last == null ? 0 : 1)));
        int next = at.path().last() + 1;
        if (!middle.isEmpty()) draft.add(new BlockStep(at.story(), at.path().parent(), next, next, middle));
        Place end = new Place(at.story(), at.path().sibling(next + middle.size()), 0);
        if (last == null) return end;
        insert(draft, end, Cut.before(0), last.inlines());
        return end.at(last.length());
    }

    private static void insert(Draft draft, Place at, Cut cut, List<Inline> inlines) {
        if (!inlines.isEmpty()) draft.add(new TextStep(at.story(), at.path(), cut, cut, inlines));
    }
}
