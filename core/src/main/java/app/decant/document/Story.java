package app.decant.document;

/** A text that runs by itself: the body, a header or footer, a note, a text box. In all but the body a {@link BlockPath} begins with the step 0. */
public sealed interface Story {
    Story BODY = new Body();

    /** What runs down the pages; its paths begin with the section. */
    record Body() implements Story { }

    /** A header or footer of a section. */
    record Frame(int section, Section.FramePlace place) implements Story { }

    /** The note whose mark stands at a place. */
    record Note(Place mark) implements Story { }

    /** The text box that is anchored at a place. */
    record Box(Place anchor) implements Story { }

    /** The place in another story that this one hangs on, or null. */
    default Place anchor() { return this instanceof Note note ? note.mark() : this instanceof Box box ? box.anchor() : null; }

    /** The same story where what it hangs on has moved. */
    default Story at(Place other) { return this instanceof Note ? new Note(other) : this instanceof Box ? new Box(other) : this; }
}
