package app.decant.format;

import app.decant.document.Document;
import app.decant.document.Look;
import app.decant.document.ParagraphProperty;
import app.decant.document.Stories;
import app.decant.document.Story;
import app.decant.document.Style;
import app.decant.document.StyleSheet;
import app.decant.document.Walk;

/** Whether words are parted at the ends of lines, in formats that say it of a whole file first, and then of what is to stay whole in it. */
public final class PartedWords {
    private PartedWords() { }

    /** Whether they are anywhere in a document. */
    public static boolean areIn(Document document) {
        if (document.styles().defaults().is(ParagraphProperty.HYPHENATION)) return true;
        for (Style style : document.styles().styles().values()) if (style.look().is(ParagraphProperty.HYPHENATION)) return true;
        for (Story story : Stories.all(document))
            for (Walk.Stop stop : Walk.of(document, story).stops()) if (stop.paragraph().look().is(ParagraphProperty.HYPHENATION)) return true;
        return false;
    }

    /**
     * The styles of a file that parts words of itself.
     *
     * @param inRow of how many lines in a row; 0 or null for any number
     * @param zone  how much room a line must leave, in points; null where that is not said
     */
    public static StyleSheet parted(StyleSheet styles, Integer inRow, Double zone) {
        int lines = inRow == null ? 0 : Math.max(0, inRow);
        Look said = Look.of(ParagraphProperty.HYPHENATION, true).with(ParagraphProperty.PARTED_LINES, lines);
        if (zone != null && zone >= 0 && zone != ParagraphProperty.USUAL_PARTING_ZONE) said = said.with(ParagraphProperty.PARTING_ZONE, zone);
        // Where a file says of its own defaults that they stay whole, they do.
        return new StyleSheet(styles.defaults().over(said), styles.defaultParagraph(), styles.defaultTable(), styles.styles());
    }

    /** The styles of a document that parts words of any number of lines in a row. */
    public static StyleSheet inAnyLines(StyleSheet styles) {
        return new StyleSheet(styles.defaults().with(ParagraphProperty.PARTED_LINES, 0), styles.defaultParagraph(), styles.defaultTable(), styles.styles());
    }

    /** Of how many lines in a row a document parts words. */
    public static int inRow(Document document) {
        return document.styles().defaults().get(ParagraphProperty.PARTED_LINES, ParagraphProperty.USUAL_PARTED_LINES);
    }

    /** How much room a line must leave, in twentieths of a point. */
    public static int zone(Document document) {
        return (int) Math.round(document.styles().defaults().get(ParagraphProperty.PARTING_ZONE, ParagraphProperty.USUAL_PARTING_ZONE) * 20);
    }

    /** What lies beneath all styles, in a file that says it of itself already. */
    public static Look beneath(StyleSheet styles, boolean parted) {
        Look defaults = styles.defaults();
        boolean own = defaults.is(ParagraphProperty.HYPHENATION);
        return own || !parted ? defaults.without(ParagraphProperty.HYPHENATION) : defaults.with(ParagraphProperty.HYPHENATION, false);
    }
}
