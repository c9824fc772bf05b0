package app.decant.document;

import java.util.Arrays;
import java.util.Map;
import java.util.Objects;

/**
 * Something of a file that Decant does not edit but gives back when the same family of format is written.
 *
 * @param family   the format family it came from, such as {@code ooxml}
 * @param what     what it is, in words for people
 * @param source   its own markup
 * @param parts    the parts of the file that its markup names, by the name it calls them
 * @param likeness a picture of it, or null
 */
public record Opaque(String family, String what, String source, Map<String, Part> parts, Picture likeness) {
    public Opaque { parts = Map.copyOf(parts); }

    /**
     * One part of a container kept whole.
     *
     * @param name where it stood in the container
     * @param type its media type
     * @param role the relation by which it was reached
     * @param bytes never changed; null where the relation leads out of the file, to {@code name}
     */
    public record Part(String name, String type, String role, byte[] bytes) {
        @Override public boolean equals(Object other) {
            return other instanceof Part part && Objects.equals(name, part.name) && Objects.equals(type, part.type) && Objects.equals(role, part.role)
                    && Arrays.equals(bytes, part.bytes);
        }

        @Override public int hashCode() { return Objects.hash(name, type, role, bytes == null ? -1 : bytes.length); }
    }
}
