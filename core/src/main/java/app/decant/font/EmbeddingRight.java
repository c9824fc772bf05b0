package app.decant.font;

/** What a face's licence bits allow (OpenType 1.9, table OS/2, {@code fsType}). */
public enum EmbeddingRight {
    INSTALLABLE, EDITABLE, PREVIEW_AND_PRINT, RESTRICTED;

    /** The least restrictive right that the bits grant, as the specification asks where several are set. */
    public static EmbeddingRight of(int fsType) {
        int usage = fsType & 0x000F;
        if (usage == 0) return INSTALLABLE;
        if ((usage & 0x0008) != 0) return EDITABLE;
        if ((usage & 0x0004) != 0) return PREVIEW_AND_PRINT;
        return RESTRICTED;
    }

    /** Whether the bits forbid embedding only the characters used (bit 8). */
    public static boolean forbidsSubsets(int fsType) { return (fsType & 0x0100) != 0; }

    /** Whether outlines may be embedded at all (bit 9: bitmaps only). */
    public static boolean forbidsOutlines(int fsType) { return of(fsType) == RESTRICTED || (fsType & 0x0200) != 0; }
}
