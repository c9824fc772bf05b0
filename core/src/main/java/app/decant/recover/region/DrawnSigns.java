package app.decant.recover.region;

import app.decant.document.FormField;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.Ink;
import app.decant.pdf.read.SourcePage;
import java.util.ArrayList;
import java.util.List;

/** Signs that a page draws instead of writing them: boxes, rings, bullets. They are letters of its text like others. */
public final class DrawnSigns {
    private static final String PICKS = FormField.TICKED + FormField.UNTICKED + "\u2611" + DrawnBoxes.UNPICKED + DrawnBoxes.PICKED;

    private DrawnSigns() { }

    /** Takes signs out of a page's ink and puts them among its letters. */
    static void take(List<Ink> ink, List<Glyph> glyphs) {
        DrawnBoxes.take(ink, glyphs);
        DrawnBullets.take(ink, glyphs);
    }

    /** Whether a text begins with a box to be ticked or a circle to be picked. */
    public static boolean begins(String text) { return !text.isEmpty() && PICKS.indexOf(text.charAt(0)) >= 0; }

    /** The letters of a page that are seen, and its signs. */
    public static List<Glyph> with(SourcePage page, List<Glyph> seen) {
        List<Glyph> all = new ArrayList<>(seen);
        take(new ArrayList<>(page.ink()), all);
        return all;
    }
}
