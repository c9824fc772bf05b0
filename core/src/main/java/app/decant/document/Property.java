package app.decant.document;

/**
 * One named aspect of a {@link Look}, such as a size or an alignment.
 *
 * @param name how messages and saved files call it
 * @param type what its values are
 */
public record Property<T>(String name, Class<T> type) {
    @Override public boolean equals(Object other) { return this == other; }
    @Override public int hashCode() { return name.hashCode(); }
    @Override public String toString() { return name; }
}
