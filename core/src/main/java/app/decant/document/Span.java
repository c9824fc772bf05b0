package app.decant.document;

/** What is picked: from where it was begun (anchor) to where it is now (head), in either direction. */
public record Span(Place anchor, Place head) {
    public static Span caret(Place place) { return new Span(place, place); }

    public Place start() { return anchor.compareTo(head) <= 0 ? anchor : head; }
    public Place end() { return anchor.compareTo(head) <= 0 ? head : anchor; }
    public boolean isEmpty() { return anchor.equals(head); }
}
