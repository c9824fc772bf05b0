package app.decant.document;

/** Where a link leads: out, to a web or mail address, or to a {@link BookmarkPoint} of this document. */
public sealed interface Link {
    /** To an address, kept as written. */
    record Address(String uri) implements Link { }

    /** To a bookmark of the same document. */
    record Inside(String bookmark) implements Link { }
}
