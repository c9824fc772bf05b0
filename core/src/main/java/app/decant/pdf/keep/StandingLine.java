package app.decant.pdf.keep;

import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.pdf.read.ShownGlyph;
import app.decant.words.Message;
import java.util.List;
import java.util.TreeMap;

/**
 * A line of a passage as it is.
 *
 * @param marks what of it is set anew, spaces among it
 * @param label that goes with it
 * @param first of its letters, not the number of a note before it
 */
record StandingLine(List<ShownGlyph> marks, List<ShownGlyph> label, ShownGlyph first) {
    /** Letters that are smaller than the line's stand farther above or below it than those as large: numbers of notes, powers, formulas. */
    private static final double LARGE = 0.9;
    private static final double LARGEST = 1.1;
    private static final double SMALL = 0.4;
    /** So far, in ems, letters stand above or below the line that are raised; nearer ones stand on it. */
    private static final double LEAST_RAISED = 0.1;
    private static final double MOST_RAISED = 0.6;
    private static final double MOST_LOWERED = 0.4;
    /** Letters as large as the line's, as some names and signs have them. */
    private static final double MOST_SHIFTED = 0.3;
    /** Letters are of one size that differ by no more than this, in points. */
    private static final double SAME = 0.02;

    StandingLine(List<ShownGlyph> marks, List<ShownGlyph> label) { this(marks, label, first(marks)); }

    private static ShownGlyph first(List<ShownGlyph> marks) {
        ShownGlyph like = like(marks);
        return marks.stream().filter(mark -> !mark.glyph().isSpace() && !isRaised(mark, like, like.glyph().baseline())).findFirst().orElse(like);
    }

    /** The first of its letters that are as large as another. */
    ShownGlyph first(ShownGlyph like) throws Refused {
        return marks.stream().filter(mark -> !mark.glyph().isSpace() && isAsLarge(mark, like)).findFirst()
                .orElseThrow(() -> new Refused(Message.of("keep.its-lines-are-not-set-in-one")));
    }

    double left() { return first.glyph().x(); }
    double right() { return marks.stream().filter(mark -> !mark.glyph().isSpace()).mapToDouble(mark -> mark.glyph().right()).max().orElseThrow(); }
    double baseline() { return first.glyph().baseline(); }

    /** The size of its largest letters beside that of others; those of notes are not asked. */
    double share(ShownGlyph like) {
        double baseline = baseline();
        return marks.stream().filter(mark -> !mark.glyph().isSpace() && !isRaised(mark, like, baseline)).mapToDouble(mark -> mark.glyph().size()).max()
                .orElse(like.glyph().size()) / like.glyph().size();
    }

    /** The first letter of lines in the size that most of theirs have. */
    static ShownGlyph like(Iterable<StandingLine> lines) {
        StandingLine first = null;
        TreeMap<Long, Long> sizes = new TreeMap<>();
        for (StandingLine line : lines) {
            if (first == null) first = line;
            sizes(line.marks).forEach((size, count) -> sizes.merge(size, count, Long::sum));
        }
        return like(first.marks, most(sizes));
    }

    private static ShownGlyph like(List<ShownGlyph> marks) { return like(marks, most(sizes(marks))); }

    private static ShownGlyph like(List<ShownGlyph> marks, long size) {
        return marks.stream().filter(mark -> !mark.glyph().isSpace() && key(mark) == size).findFirst()
                .orElseGet(() -> marks.stream().filter(mark -> !mark.glyph().isSpace()).findFirst().orElseThrow());
    }

    private static long key(ShownGlyph mark) { return Math.round(mark.glyph().size() / SAME); }

    private static TreeMap<Long, Long> sizes(List<ShownGlyph> marks) {
        TreeMap<Long, Long> sizes = new TreeMap<>();
        for (ShownGlyph mark : marks) if (!mark.glyph().isSpace()) sizes.merge(key(mark), 1L, Long::sum);
        return sizes;
    }

    /** The larger of two that are as frequent. */
    private static long most(TreeMap<Long, Long> sizes) {
        long most = 0;
        for (long size : sizes.keySet()) if (most == 0 || sizes.get(size) >= sizes.get(most)) most = size;
        return most;
    }

    static boolean isAsLarge(ShownGlyph mark, ShownGlyph like) { return Math.abs(mark.glyph().size() - like.glyph().size()) < SAME; }

    /** Whether a mark stands above or below the line of letters that it belongs to, as numbers of notes do. */
    static boolean isRaised(ShownGlyph mark, ShownGlyph like, double baseline) {
        double share = mark.glyph().size() / like.glyph().size();
        double raised = (baseline - mark.glyph().baseline()) / like.glyph().size();
        if (share >= LARGE) return share < LARGEST && Math.abs(raised) > LEAST_RAISED && Math.abs(raised) < MOST_SHIFTED;
        return share > SMALL && (raised > LEAST_RAISED && raised < MOST_RAISED || raised < -LEAST_RAISED && raised > -MOST_LOWERED);
    }
}
