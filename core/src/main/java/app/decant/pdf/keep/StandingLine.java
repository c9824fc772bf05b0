package app.decant.pdf.keep;

import app.decant.pdf.read.ShownGlyph;
import java.util.List;

/** A line of a passage as it is: what of it is set anew, spaces among it, and the label that goes with it. */
record StandingLine(List<ShownGlyph> marks, List<ShownGlyph> label) {
    /** Letters as large as the line's are no numbers of notes, which are as small as this. */
    private static final double LARGE = 0.9;
    private static final double SMALL = 0.4;
    /** So far, in ems, numbers of notes stand above the line. */
    private static final double LEAST_RAISED = 0.15;
    private static final double MOST_RAISED = 0.6;

    /** The first of its letters, not the number of a note before it. */
    ShownGlyph first() {
        double size = marks.stream().mapToDouble(mark -> mark.glyph().size()).max().orElseThrow();
        return marks.stream().filter(mark -> !mark.glyph().isSpace() && mark.glyph().size() > LARGE * size).findFirst().orElseThrow();
    }
    double left() { return first().glyph().x(); }
    double right() { return marks.stream().filter(mark -> !mark.glyph().isSpace()).mapToDouble(mark -> mark.glyph().right()).max().orElseThrow(); }
    double baseline() { return first().glyph().baseline(); }

    /** Whether a mark is the number of a note beside letters. */
    static boolean isNote(ShownGlyph mark, ShownGlyph like, double baseline) {
        double share = mark.glyph().size() / like.glyph().size();
        double raised = (baseline - mark.glyph().baseline()) / like.glyph().size();
        return share > SMALL && share < LARGE && raised > LEAST_RAISED && raised < MOST_RAISED;
    }
}
