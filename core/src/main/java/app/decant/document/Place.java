package app.decant.document;

/**
 * A caret position: a paragraph of a story, and an offset into its text.
 *
 * @param path within the story
 */
public record Place(Story story, BlockPath path, int offset) implements Comparable<Place> {
    public Place { if (offset < 0) throw new IllegalArgumentException("No place lies before a paragraph: " + offset); }

    /** A place in the body. */
    public Place(BlockPath path, int offset) { this(Story.BODY, path, offset); }

    /** Another offset in the same paragraph. */
    public Place at(int other) { return new Place(story, path, other); }

    /** The place in the body that this one hangs on: itself there; of a header or footer, where its section begins. */
    public Place inBody() {
        Place place = this;
        while (place.story.anchor() != null) place = place.story.anchor();
        return place.story instanceof Story.Frame frame ? new Place(BlockPath.of(frame.section(), 0), 0) : place;
    }

    /** Which of two places of one story comes first as it is read. */
    @Override public int compareTo(Place other) {
        int byPath = path.compareTo(other.path);
        return byPath != 0 ? byPath : Integer.compare(offset, other.offset);
    }
}
