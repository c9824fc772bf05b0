package app.decant.document;

/**
 * How notes of a kind are counted (ISO/IEC 29500-1, 17.11).
 *
 * @param format    of their marks
 * @param start     the first count
 * @param bySection whether it begins again with each section
 */
public record NoteCount(NumberFormat format, int start, boolean bySection) {
    public static final NoteCount FOOTNOTES = new NoteCount(NumberFormat.DECIMAL, 1, false);
    public static final NoteCount ENDNOTES = new NoteCount(NumberFormat.LOWER_ROMAN, 1, false);

    public NoteCount {
        if (format == null || format == NumberFormat.BULLET || format == NumberFormat.NONE) throw new IllegalArgumentException("Marks of notes count");
        start = Math.max(1, start);
    }
}
