package app.decant.document;

/** A caret position: a paragraph, and an offset into its text. */
public record Place(BlockPath path, int offset) implements Comparable<Place> {
    @Override public int compareTo(Place other) {
        int byPath = path.compareTo(other.path);
        return byPath != 0 ? byPath : Integer.compare(offset, other.offset);
    }
}
