package app.decant.document;

import java.util.Arrays;
import java.util.Objects;

/**
 * A font that travels with a document, for one style of a family.
 *
 * @param family as the document calls it
 * @param subset whether it holds the document's characters only, so that nothing else can be written with it
 * @param bytes  a TrueType or OpenType file; not copied, never to be changed
 */
public record FontFile(String family, boolean bold, boolean italic, boolean subset, byte[] bytes) {
    @Override public boolean equals(Object other) {
        return other instanceof FontFile file && family.equals(file.family) && bold == file.bold && italic == file.italic && subset == file.subset
                && Arrays.equals(bytes, file.bytes);
    }

    @Override public int hashCode() { return Objects.hash(family, bold, italic, subset, bytes.length); }
}
