package app.decant.document;

import java.util.Arrays;

/**
 * The bytes of a picture file, shared by all its placements.
 */
public final class Image {
    private final String type;
    private final byte[] bytes;

    /**
     * @param type  its media type, such as {@code image/png}
     * @param bytes the file as it came; not copied, never to be changed
     */
    public Image(String type, byte[] bytes) {
        this.type = type;
        this.bytes = bytes;
    }

    public String type() { return type; }

    /** The file as it came. Not a copy: do not change it. */
    public byte[] bytes() { return bytes; }

    @Override public boolean equals(Object other) {
        return this == other || other instanceof Image image && type.equals(image.type) && Arrays.equals(bytes, image.bytes);
    }

    /** Of its size and first bytes: pictures are large, and asked for often. */
    @Override public int hashCode() { return 31 * (31 * type.hashCode() + bytes.length) + Arrays.hashCode(Arrays.copyOf(bytes, Math.min(bytes.length, 64))); }

    @Override public String toString() { return type + ", " + bytes.length + " bytes"; }
}
