package app.decant.pdf;

import app.decant.document.Facts;
import java.time.Instant;
import java.util.List;

/**
 * What a PDF is to be like.
 *
 * @param pages     indexes of the pages to write, in order
 * @param bookmarks which headings become bookmarks
 * @param fonts     how much of each font goes in
 * @param facts     written into the file; null values are left out
 * @param when      the file's time of making
 */
public record PdfChoices(List<Integer> pages, Bookmarks bookmarks, Fonts fonts, Facts facts, Instant when) {
    public PdfChoices { pages = List.copyOf(pages); }

    /** Headings {@code from} to {@code to}; those up to level {@code open} are unfolded at first. {@code from} 0 means none. */
    public record Bookmarks(int from, int to, int open) {
        public static final Bookmarks NONE = new Bookmarks(0, 0, 0);

        public boolean any() { return from > 0; }

        public boolean includes(int level) { return any() && level >= from && level <= to; }
    }

    /** The characters used only, or whole fonts. */
    public enum Fonts { USED_CHARACTERS, WHOLE }
}
