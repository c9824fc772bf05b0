package app.decant.layout;

import app.decant.document.Inline;
import app.decant.document.Picture;
import app.decant.font.Shaped;
import app.decant.page.TextStyle;

/**
 * A stretch of a paragraph that is set as one: a word or the space after it in one style, or one object.
 *
 * @param text    what it reads as, after capitals and fields
 * @param level   of its direction; odd runs leftward (Unicode Standard Annex 9)
 * @param shaped  its glyphs, or null where it has none
 * @param picture for pictures
 * @param note    for marks of notes
 */
record Segment(int start, int end, Kind kind, TextStyle style, String text, int level, Shaped shaped, Picture picture, Inline.Note note) {
    /** What it is. */
    enum Kind { WORD, SPACE, TAB, OBJECT, PICTURE, BREAK, NOTHING }

    /** The whole advance, in points. */
    double width() {
        return switch (kind) {
            case PICTURE -> picture.width();
            case WORD, SPACE, OBJECT -> shaped.width() * style.size() * style.widthScale() + style.letterSpacing() * text.length();
            case TAB, BREAK, NOTHING -> 0;
        };
    }

    boolean hasGlyphs() { return shaped != null && (kind == Kind.WORD || kind == Kind.SPACE || kind == Kind.OBJECT); }
}
