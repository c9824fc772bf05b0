package app.decant.pdf.keep;

import app.decant.pdf.keep.GivenLines.FontAddress;
import java.util.List;

/**
 * Words of a passage that their page has no room for, on their way to its lines on the next: they are set before these, as part of them.
 *
 * @param from  the index of the page they come from
 * @param to    the passage on the next page
 * @param set   how it is set
 * @param width of the column that they come from, in points
 * @param size  of their letters
 * @param joins whether the last of them goes on in the first word there, since it was parted
 * @param words from the first on, letter by letter
 */
public record GivenWords(int from, Correction.Passage to, Correction.Setting set, double width, double size, boolean joins, List<List<Letter>> words)
        implements Arrival {
    public GivenWords {
        words = words.stream().map(List::copyOf).toList();
        if (words.isEmpty()) throw new IllegalArgumentException("Something is given over");
    }

    @Override public int page() { return from + 1; }

    /**
     * A letter.
     *
     * @param code   by which its font shows it, as hexadecimal digits
     * @param em     its advance, 1 for an em of the passage's letters
     * @param before what is kept free before it within its word, in points
     * @param share  its size beside that of the passage's letters
     * @param raised how far it stands above the line, in points
     * @param rgb    what it is painted in
     * @param mark   its number in the order of painting of the page that it comes from; -1 where it was put in
     * @param at     where in the new text it is, where it was put in
     */
    public record Letter(String text, String code, FontAddress font, double em, double before, double share, double raised, int rgb, int mark, int at) { }

    /** Of how many letters of text they are. */
    int count() { return words.stream().flatMap(List::stream).mapToInt(letter -> letter.text().length()).sum(); }
}
