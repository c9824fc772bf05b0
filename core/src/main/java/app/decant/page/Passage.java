package app.decant.page;

import java.util.Map;

/** The stretch of text that lines are of, such as a paragraph or a cell: equal for all its lines, on whatever page they stand. Who laid it out knows more. */
public interface Passage {
    /** In caret positions. */
    int length();

    /** The places in it that have a name, with the caret position of each. */
    Map<String, Integer> marks();
}
