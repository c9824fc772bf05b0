package app.decant.publish;

import app.decant.pdf.PdfChoices;

/**
 * The choices of a publication.
 *
 * @param pages     which pages; office formats always hold the whole document
 * @param bookmarks which headings become bookmarks of a PDF
 * @param fonts     how much of each font a PDF holds
 * @param present   what happens to a file that is there already
 */
public record Recipe(Target target, PageRange pages, PdfChoices.Bookmarks bookmarks, PdfChoices.Fonts fonts, WhenPresent present) {
    /** A PDF of all pages, bookmarks from headings 1 to 3 with the first level unfolded, used characters only. */
    public static final Recipe PLAIN = new Recipe(Target.PDF, PageRange.ALL, new PdfChoices.Bookmarks(1, 3, 1), PdfChoices.Fonts.USED_CHARACTERS, WhenPresent.REFUSE);

    /** What happens to a file that is there already: the publication stops, takes its place, or takes the next free name. */
    public enum WhenPresent { REFUSE, REPLACE, KEEP_BOTH }

    public Recipe to(Target other) { return new Recipe(other, pages, bookmarks, fonts, present); }
    public Recipe of(PageRange other) { return new Recipe(target, other, bookmarks, fonts, present); }
    public Recipe with(PdfChoices.Bookmarks other) { return new Recipe(target, pages, other, fonts, present); }
    public Recipe with(PdfChoices.Fonts other) { return new Recipe(target, pages, bookmarks, other, present); }
    public Recipe with(WhenPresent other) { return new Recipe(target, pages, bookmarks, fonts, other); }
}
