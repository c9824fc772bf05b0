package app.decant.edit;

/** What a person did: the name of a step in the list of what can be undone is said from it. */
public enum EditKind {
    TYPING, DELETING, NEW_PARAGRAPH, LINE_BREAK, PASTING, REPLACING, LOOK, PARAGRAPH, STYLE, HEADING, LIST, TABLE, OBJECT, SECTION, FRAME, FACTS
}
