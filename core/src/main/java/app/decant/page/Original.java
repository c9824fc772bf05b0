package app.decant.page;

/** A PDF whose own pages are published: what is not touched leaves as it came. Its bytes are not copied; do not change them. */
public final class Original {
    private final String name;
    private final byte[] bytes;
    private final String password;

    /**
     * @param name     what people call the file, for sentences
     * @param password that opened it, or null
     */
    public Original(String name, byte[] bytes, String password) {
        this.name = name;
        this.bytes = bytes;
        this.password = password;
    }

    public String name() { return name; }
    public byte[] bytes() { return bytes; }
    public String password() { return password; }

    /** Says nothing of its password. */
    @Override public String toString() { return "Original[" + name + ", " + bytes.length + " bytes]"; }
}
