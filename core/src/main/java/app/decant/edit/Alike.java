package app.decant.edit;

import app.decant.document.Document;
import java.util.List;

/** What is alike in kind with something that is right: where it stands, and how it becomes like that. Made for one document; others have other places. */
public interface Alike {
    /** Where the others stand, in reading order, as they would be picked. */
    List<TextSelection> others();

    /** What one of them says, for a list; empty where it says nothing. */
    String words(Document document, int other);

    /**
     * Makes some of them like it, in one step.
     *
     * @param wanted which of the others, by their number
     */
    Change give(Document document, Selection picked, List<Integer> wanted);

    /** Makes what is picked like it, whether it is one of the others or not; null where it can't be, or is it itself. */
    Change giveTo(Document document, Selection picked);
}
