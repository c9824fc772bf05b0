package app.decant.document;

/**
 * The bytes of a picture file, shared by all its placements. Two images are the same when they are one object.
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

    @Override public String toString() { return type + ", " + bytes.length + " bytes"; }
}
