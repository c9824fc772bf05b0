package app.decant.pdf.mend;

import app.decant.pdf.mend.Marked.Owner;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.SourcePage;
import app.decant.pdf.structure.Structure;
import app.decant.pdf.structure.Tag;

/**
 * Text that no structure was found for and that is all its page says: what lies unseen on a scan, or a page that was taken for nothing but heads and feet. It
 * is told in paragraphs, parted where a line is left out or another column begins.
 */
final class ScanLayer {
    /** Lines of a paragraph are no further apart, in sizes of their letters. */
    private static final double APART = 1.9;

    private final Structure structure;
    private final Tag page;
    private final boolean seen;
    private Glyph before;
    private Tag paragraph;
    private int rank;

    private ScanLayer(Structure structure, Tag page, boolean seen) {
        this.structure = structure;
        this.page = page;
        this.seen = seen;
    }

    /**
     * Tells whether there is such text.
     *
     * @param figure the scan, which no longer is one if there is; null for none
     */
    static ScanLayer of(SourcePage page, Tag figure, Structure structure) {
        if (figure == null || page.glyphs().stream().allMatch(glyph -> glyph.seen() || glyph.isSpace())) return null;
        figure.become("Div");
        return new ScanLayer(structure, figure, false);
    }

    /** The same of a page none of whose letters belongs to anything. */
    static ScanLayer ofWhole(Structure structure) { return new ScanLayer(structure, structure.whole(), true); }

    /** Whether a letter is one of the text. */
    boolean has(Glyph glyph) { return seen || !glyph.seen(); }

    /** The paragraph of the next glyph in the order of painting; null for spaces, which go with what is before them. */
    Owner owner(Glyph glyph) {
        if (glyph.isSpace()) return null;
        double down = before == null ? 0 : glyph.baseline() - before.baseline();
        double size = before == null ? 1 : Math.max(glyph.size(), before.size());
        if (paragraph == null || down > APART * size || down < -0.7 * size) paragraph = structure.within("P", page);
        before = glyph;
        return new Owner(paragraph, rank++, false);
    }
}
