package app.decant.edit;

import app.decant.document.Document;
import app.decant.document.Place;

/** Text carried from where it stands to another place, as it is dressed; as one step. */
public final class Carrying {
    private Carrying() { }

    /** Whether what is picked can be carried: text, but no cells and nothing that stands by itself. */
    public static boolean canCarry(Document document, TextSelection picked) {
        return !picked.isEmpty() && Tables.asCells(document, picked) == picked && Pictures.picked(document, picked) == null;
    }

    /**
     * Carries what is picked to a place, and picks it there; nothing is changed where that is within it.
     *
     * @param copy whether it also stays where it is
     */
    public static Change carry(Document document, TextSelection picked, Place to, boolean copy) {
        Draft draft = new Draft(document, picked);
        boolean within = to.story().equals(picked.story()) && to.compareTo(picked.start()) >= 0 && to.compareTo(picked.end()) <= 0;
        if (within) return draft.done(EditKind.PASTING, picked);
        Slice slice = Slice.of(document, picked);
        if (!copy) Deletion.into(draft, picked);
        Place at = draft.map().map(to, Side.BEFORE).place();
        return draft.done(EditKind.PASTING, new TextSelection(at, Pasting.into(draft, at, slice.blocks())));
    }
}
