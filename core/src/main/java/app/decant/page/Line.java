package app.decant.page;

import java.util.List;
import java.util.function.IntPredicate;

/**
 * One line of a passage.
 *
 * @param start    the first caret position on it
 * @param end      the caret position after its last character
 * @param x        of its left end, from the column's left edge
 * @param gap      kept free above it, beside floating objects only
 * @param width    of what shows, without spaces that hang out at its end
 * @param height   of the whole line with its spacing
 * @param baseline from the line's top
 * @param ascent   above the baseline, of what stands on it
 * @param descent  below the baseline
 * @param pieces   in order from left to right
 * @param after    what its last character demands
 */
public record Line(int start, int end, double x, double gap, double width, double height, double baseline, double ascent, double descent, List<Piece> pieces,
                   Break after) {
    /** Carets that are less apart are in one place, in points. */
    private static final double NEXT = 0.01;

    /** Nothing, or the rest of the passage in the next column or on the next page. */
    public enum Break { NONE, LINE, COLUMN, PAGE }

    /**
     * How far a caret before {@code offset} stands from the line's left end. Between words that run in two directions it stands beside the letter that runs
     * as the line does, so that every position of mixed text has a place of its own (Unicode Standard Annex 9; the choice is ours).
     */
    public double caretX(int offset) {
        double x = pieces.isEmpty() ? 0 : pieces.get(0).x();
        boolean any = false;
        Piece at = null;
        Piece before = null;
        for (Piece piece : pieces) {
            if (piece.start() == piece.end()) {
                if (!any) x = piece.x() + piece.width();
                continue;
            }
            if (offset >= piece.start() && offset < piece.end()) at = piece;
            if (offset == piece.end()) {
                before = piece;
                any = true;
            } else if (offset > piece.end() && !any) {
                x = piece.x() + piece.width();
            }
        }
        boolean seam = at != null && before != null && leftward(at) != leftward(before);
        if (at != null && !(seam && leftward(before) == isLeftward())) return within(at, offset);
        return before == null ? x : leftward(before) ? before.x() : before.x() + before.width();
    }

    /** Whether the line runs from right to left: what comes first in it is farther to the right. Told where it holds words of both directions. */
    private boolean isLeftward() {
        List<Piece> text = pieces.stream().filter(piece -> piece.start() < piece.end()).toList();
        return !text.isEmpty() && text.get(0).start() > text.get(text.size() - 1).start();
    }

    /**
     * The caret position that is next to another by eye; -1 where the line ends there.
     *
     * @param stop where a caret may stand
     */
    public int beside(int offset, boolean rightward, IntPredicate stop) {
        double from = caretX(offset);
        double nearest = Double.MAX_VALUE;
        int found = -1;
        for (int other = start; other <= lastCaret(); other++) {
            double away = rightward ? caretX(other) - from : from - caretX(other);
            if (away < NEXT || away > nearest - NEXT || !stop.test(other)) continue;
            nearest = away;
            found = other;
        }
        return found;
    }

    private int lastCaret() { return after == Break.NONE ? end : Math.max(start, end - 1); }

    /** The caret position nearest to a distance from the line's left end. */
    public int offsetAt(double x) {
        if (pieces.stream().noneMatch(Line::leftward)) return offsetRightward(x);
        int best = start;
        double distance = Double.MAX_VALUE;
        for (int offset = start; offset <= lastCaret(); offset++) {
            double away = Math.abs(caretX(offset) - x);
            if (away < distance) {
                distance = away;
                best = offset;
            }
        }
        return best;
    }

    /** Where all runs to the right, carets of more letters stand farther there. */
    private int offsetRightward(double x) {
        int after = firstFrom(x);
        if (after == start) return start;
        double before = caretX(after - 1);
        boolean nearer = after <= lastCaret() && caretX(after) - x < x - before;
        return nearer ? after : firstFrom(before);
    }

    /** The first caret position no less far from the left end; one after the last where there is none. */
    private int firstFrom(double x) {
        int from = start;
        int to = lastCaret() + 1;
        while (from < to) {
            int middle = from + to >>> 1;
            if (caretX(middle) < x) from = middle + 1;
            else to = middle;
        }
        return from;
    }

    private static boolean leftward(Piece piece) {
        return piece instanceof Piece.Glyphs glyphs && glyphs.rightToLeft() || piece instanceof Piece.Letters letters && letters.rightToLeft();
    }

    private static double within(Piece piece, int offset) {
        if (piece instanceof Piece.Letters letters) return letters.caretX(offset);
        if (!(piece instanceof Piece.Glyphs glyphs) || !glyphs.isText()) return piece.x();
        int index = offset - glyphs.start();
        int count = glyphs.glyphs().length;
        int[] clusters = glyphs.clusters();
        int from = 0;
        int to = glyphs.text().length();
        for (int cluster : clusters) {
            if (cluster <= index && cluster > from) from = cluster;
            if (cluster > index && cluster < to) to = cluster;
        }
        double left = Double.MAX_VALUE;
        double right = -Double.MAX_VALUE;
        for (int g = 0; g < count; g++) {
            if (clusters[g] != from) continue;
            left = Math.min(left, glyphs.glyphX()[g]);
            right = Math.max(right, glyphs.glyphX()[g + 1]);
        }
        if (left == Double.MAX_VALUE) return glyphs.x();
        // A mark above or below a letter is drawn back over it, and takes no room.
        left = Math.min(left, right);
        double share = (index - from) / (double) (to - from);
        return glyphs.rightToLeft() ? right - (right - left) * share : left + (right - left) * share;
    }
}
