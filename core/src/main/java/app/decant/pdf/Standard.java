package app.decant.pdf;

/** The ISO standards a PDF can be held to, beyond being a PDF, and what each asks of the file. */
public enum Standard {
    NONE("", 0, null, 0),
    /** ISO 14289-1: usable with screen readers. */
    UA_1("PDF/UA-1", 0, null, 1),
    /** ISO 19005-1, looks kept; and with structure told. */
    A_1B("PDF/A-1b", 1, "B", 0), A_1A("PDF/A-1a", 1, "A", 0),
    /** ISO 19005-2, looks kept; with text told; with structure told. */
    A_2B("PDF/A-2b", 2, "B", 0), A_2U("PDF/A-2u", 2, "U", 0), A_2A("PDF/A-2a", 2, "A", 0),
    /** ISO 19005-3: as the second part, and any file may be attached. */
    A_3B("PDF/A-3b", 3, "B", 0), A_3A("PDF/A-3a", 3, "A", 0),
    /** Archive and accessible in one. */
    A_2A_UA_1("PDF/A-2a and PDF/UA-1", 2, "A", 1);

    private final String words;
    private final int part;
    private final String conformance;
    private final int accessible;

    Standard(String words, int part, String conformance, int accessible) {
        this.words = words;
        this.part = part;
        this.conformance = conformance;
        this.accessible = accessible;
    }

    /** The standard of a name in the trade, in any case of letters, or {@code none}; null where there is no such standard. */
    public static Standard named(String name) {
        if (name.equalsIgnoreCase("none")) return NONE;
        for (Standard standard : values()) if (standard != NONE && standard.words.equalsIgnoreCase(name)) return standard;
        return null;
    }

    /** Its name in the trade. */
    public String words() { return words; }
    /** The part of ISO 19005, or 0. */
    public int part() { return part; }
    /** The level within the part: A, B or U; null without a part. */
    public String conformance() { return conformance; }
    public boolean isArchive() { return part > 0; }
    /** Whether ISO 14289-1 is asked for. */
    public boolean isAccessible() { return accessible > 0; }
    /** Whether the file must tell its structure. */
    public boolean needsTags() { return isAccessible() || "A".equals(conformance); }
    /** Whether nothing may shine through; ISO 19005-1, 6.4. */
    public boolean isOpaque() { return part == 1; }
    /** Whether files may be attached; ISO 19005-3, 6.8; the second part allows only archive PDFs. */
    public boolean allowsAttachments() { return part == 0 || part == 3; }
}
