package app.decant.document;

import java.util.HashSet;
import java.util.Set;

/**
 * Where a paragraph's inlines are cut: at a caret position, after so many of the bookmark points that stand there.
 *
 * @param offset in caret positions
 * @param points that lie before the cut
 */
public record Cut(int offset, int points) {
    /** Before all bookmark points at an offset. */
    public static Cut before(int offset) { return new Cut(offset, 0); }

    /**
     * Where what is typed goes: into a bookmark that was emptied; else before the bookmark points, which go with the character after them, or at a
     * paragraph's end behind them.
     */
    public static Cut in(Paragraph paragraph, int offset) {
        Set<String> begun = new HashSet<>();
        int at = 0;
        int points = 0;
        for (Inline inline : paragraph.inlines()) {
            if (at > offset) break;
            if (at == offset && inline instanceof Inline.BookmarkPoint point) {
                if (point.start()) begun.add(point.name());
                else if (begun.contains(point.name())) return new Cut(offset, points);
                points++;
            }
            at += inline.length();
        }
        return new Cut(offset, offset < paragraph.length() ? 0 : points);
    }

    /** Behind all bookmark points at an offset. */
    public static Cut after(Paragraph paragraph, int offset) { return new Cut(offset, paragraph.pointsAt(offset)); }
}
