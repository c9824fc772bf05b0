package app.decant.proof;

/**
 * How alike two pages are. Each part goes from 0, nothing alike, to 1.
 *
 * @param page     from 0
 * @param text     characters that are there in the same order
 * @param lineEnds lines that hold the same text
 * @param places   lines that stand where they stood
 * @param pictures pictures that are there, as large, in their places
 * @param looks    letters in their colour, font, weight, slant and size
 */
public record PageScore(int page, double text, double lineEnds, double places, double pictures, double looks) {
    /** All of it in one number from 0 to 100; the words weigh most. */
    public double score() { return 100 * (0.5 * text + 0.2 * lineEnds + 0.15 * places + 0.1 * pictures + 0.05 * looks); }
}
