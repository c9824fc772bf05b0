package app.decant.pdf;

import app.decant.pdf.PdfChoices.Bookmarks;
import app.decant.pdf.PdfChoices.Fonts;
import java.util.Set;

/**
 * What a PDF is to be like, whatever document it is made of.
 *
 * @param bookmarks  which headings become bookmarks
 * @param fonts      how much of each font goes in
 * @param wholeFamilies families whose fonts go in whole, whatever {@code fonts} says
 * @param pictures   what becomes of pictures
 * @param compressed whether text, objects and other data are compressed
 * @param opening    how a reader is asked to open it
 * @param tagged     whether it tells its structure
 * @param standard   what it is held to
 * @param version    of PDF, such as 1.4 or 2.0; 0 for the one that fits
 * @param linearized whether it is ordered for quick display from the web
 * @param fillable   whether places of forms become fields that are filled in wherever it is read
 * @param incremental whether what is new goes behind the bytes of the PDF it is made of (ISO 32000-2, 7.5.6), whose lock then stays as well
 */
public record PdfStyle(Bookmarks bookmarks, Fonts fonts, Set<String> wholeFamilies, Pictures pictures, boolean compressed, Opening opening, boolean tagged,
        Standard standard, double version, boolean linearized, boolean fillable, boolean incremental) {
    public PdfStyle { wholeFamilies = Set.copyOf(wholeFamilies); }

    /** Bookmarks from headings 1 to 3 with the first level unfolded, characters used, pictures as they are, tagged. */
    public static final PdfStyle PLAIN = new PdfStyle(new Bookmarks(1, 3, 1), Fonts.USED_CHARACTERS, Set.of(), Pictures.EXACT, true, Opening.PLAIN, true,
            Standard.NONE, 0, false, false, false);

    public PdfStyle with(Bookmarks other) {
        return new PdfStyle(other, fonts, wholeFamilies, pictures, compressed, opening, tagged, standard, version, linearized, fillable, incremental);
    }
    public PdfStyle with(Fonts other) {
        return new PdfStyle(bookmarks, other, wholeFamilies, pictures, compressed, opening, tagged, standard, version, linearized, fillable, incremental);
    }
    public PdfStyle whole(Set<String> families) {
        return new PdfStyle(bookmarks, fonts, families, pictures, compressed, opening, tagged, standard, version, linearized, fillable, incremental);
    }
    public PdfStyle with(Pictures other) {
        return new PdfStyle(bookmarks, fonts, wholeFamilies, other, compressed, opening, tagged, standard, version, linearized, fillable, incremental);
    }
    public PdfStyle with(Opening other) {
        return new PdfStyle(bookmarks, fonts, wholeFamilies, pictures, compressed, other, tagged, standard, version, linearized, fillable, incremental);
    }
    public PdfStyle with(Standard other) {
        return new PdfStyle(bookmarks, fonts, wholeFamilies, pictures, compressed, opening, tagged, other, version, linearized, fillable, incremental);
    }
    public PdfStyle compressed(boolean other) {
        return new PdfStyle(bookmarks, fonts, wholeFamilies, pictures, other, opening, tagged, standard, version, linearized, fillable, incremental);
    }
    public PdfStyle tagged(boolean other) {
        return new PdfStyle(bookmarks, fonts, wholeFamilies, pictures, compressed, opening, other, standard, version, linearized, fillable, incremental);
    }
    public PdfStyle version(double other) {
        return new PdfStyle(bookmarks, fonts, wholeFamilies, pictures, compressed, opening, tagged, standard, other, linearized, fillable, incremental);
    }

    public PdfStyle linearized(boolean other) {
        return new PdfStyle(bookmarks, fonts, wholeFamilies, pictures, compressed, opening, tagged, standard, version, other, fillable, incremental);
    }

    public PdfStyle fillable(boolean other) {
        return new PdfStyle(bookmarks, fonts, wholeFamilies, pictures, compressed, opening, tagged, standard, version, linearized, other, incremental);
    }

    public PdfStyle incremental(boolean other) {
        return new PdfStyle(bookmarks, fonts, wholeFamilies, pictures, compressed, opening, tagged, standard, version, linearized, fillable, other);
    }

    public boolean takesWhole(String family) { return fonts == Fonts.WHOLE || wholeFamilies.contains(family); }

    /** Whether structure is told, wished or because the standard asks for it. */
    public boolean tells() { return tagged || standard.needsTags(); }
}
