package app.decant.proof;

/**
 * How alike two pages are. Each part goes from 0, nothing alike, to 1.
 *
 * @param page      from 0
 * @param text      characters that are there in the same order
 * @param structure passages that are what they were: whole paragraphs, headings of their level, items, cells
 * @param kept      links, fields to fill in and the page's number
 * @param painting  what an eye sees, region by region; as {@code letters} where pages were not painted
 * @param lineEnds  lines that hold the same text
 * @param places    lines that stand where they stood
 * @param pictures  pictures that are there, as large, in their places
 * @param letters   letters in their colour, font, weight, slant and size
 */
public record PageScore(int page, double text, double structure, double kept, double painting, double lineEnds, double places, double pictures,
                        double letters) {
    /** How it looks, from 0 to 100. */
    public double looks() { return 100 * (0.8 * painting + 0.05 * (lineEnds + places + pictures + letters)); }

    /** What it says and how that is built, from 0 to 100: without its words a page has no structure. */
    public double words() { return 100 * text * (0.75 + 0.15 * structure + 0.1 * kept); }

    /** Both in one number from 0 to 100. */
    public double score() { return (looks() + words()) / 2; }
}
