package app.decant.document;

import java.util.Collections;
import java.util.HashMap;
import java.util.Map;
import java.util.Set;

/**
 * How something looks, as far as it says so itself: a set of {@linkplain Property properties} with values. What is not named is left to
 * whatever lies below (a style, its parent, the document's defaults); {@link #over} joins the two.
 */
public final class Look {
    /** Says nothing. */
    public static final Look PLAIN = new Look(Map.of());

    private final Map<Property<?>, Object> values;
    private final int hash;

    private Look(Map<Property<?>, Object> values) {
        this.values = values;
        this.hash = values.hashCode();
    }

    /** A look that says one thing. */
    public static <T> Look of(Property<T> property, T value) { return PLAIN.with(property, value); }

    /** What this look says of the property, or null where it says nothing. */
    public <T> T get(Property<T> property) { return property.type().cast(values.get(property)); }

    /** What this look says of the property, or {@code otherwise}. */
    public <T> T get(Property<T> property, T otherwise) {
        T value = get(property);
        return value == null ? otherwise : value;
    }

    /** Whether the property is set and true. */
    public boolean is(Property<Boolean> property) { return Boolean.TRUE.equals(values.get(property)); }

    public boolean says(Property<?> property) { return values.containsKey(property); }

    /** This look with one property set; a null value takes the property out. */
    public <T> Look with(Property<T> property, T value) {
        if (value == null) return without(property);
        if (value.equals(values.get(property))) return this;
        Map<Property<?>, Object> copy = new HashMap<>(values);
        copy.put(property, value);
        return new Look(copy);
    }

    public Look without(Property<?> property) {
        if (!values.containsKey(property)) return this;
        Map<Property<?>, Object> copy = new HashMap<>(values);
        copy.remove(property);
        return copy.isEmpty() ? PLAIN : new Look(copy);
    }

    /** This look laid over another: what this one says wins, what it leaves open comes from below. */
    public Look over(Look below) {
        if (below.values.isEmpty() || this == below) return this;
        if (values.isEmpty()) return below;
        Map<Property<?>, Object> copy = new HashMap<>(below.values);
        copy.putAll(values);
        return new Look(copy);
    }

    public boolean isPlain() { return values.isEmpty(); }

    public Set<Property<?>> properties() { return Collections.unmodifiableSet(values.keySet()); }

    @Override public boolean equals(Object other) {
        return this == other || other instanceof Look look && hash == look.hash && values.equals(look.values);
    }

    @Override public int hashCode() { return hash; }

    @Override public String toString() { return values.toString(); }
}
