package app.decant.pdf.read;

/**
 * A face as a PDF uses it.
 *
 * @param family     by its name, subset mark and style words taken off, written with spaces as people write it
 * @param serif      whether the file says so, or its name
 * @param fixed      whether all its letters are as wide as each other
 * @param mapped     false where nothing in the file tells which characters its glyphs are
 * @param smallCapitals whether its small letters are drawn as small capitals
 */
public record FaceUse(String family, boolean bold, boolean italic, boolean serif, boolean fixed, boolean mapped, boolean smallCapitals) {
    public FaceUse(String family, boolean bold, boolean italic, boolean serif, boolean fixed, boolean mapped) {
        this(family, bold, italic, serif, fixed, mapped, false);
    }

    /** Every glyph is sorted by its face, often; names remember their own hash. */
    @Override public int hashCode() { return 4 * family.hashCode() + (bold ? 2 : 0) + (italic ? 1 : 0); }

    @Override public boolean equals(Object other) {
        return this == other || other instanceof FaceUse use && bold == use.bold && italic == use.italic && serif == use.serif && fixed == use.fixed
                && mapped == use.mapped && smallCapitals == use.smallCapitals && family.equals(use.family);
    }

    FaceUse inSmallCapitals() { return smallCapitals ? this : new FaceUse(family, bold, italic, serif, fixed, mapped, true); }
    public FaceUse plain() { return smallCapitals ? new FaceUse(family, bold, italic, serif, fixed, mapped, false) : this; }
}
