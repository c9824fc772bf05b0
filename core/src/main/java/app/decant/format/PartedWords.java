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

    /** What lies beneath all styles, in a file that says it of itself already. */
    public static Look beneath(StyleSheet styles, boolean parted) {
        Look defaults = styles.defaults();
        boolean own = defaults.is(ParagraphProperty.HYPHENATION);
        return own || !parted ? defaults.without(ParagraphProperty.HYPHENATION) : defaults.with(ParagraphProperty.HYPHENATION, false);
    }
}
