package app.decant.pdf.keep;

import app.decant.pdf.read.ShownGlyph;
import java.util.ArrayList;
import java.util.List;

/**
 * What stands after a tab on a line on which something changes: it stays at its place, and leaders give way to longer words.
 *
 * @param line  from the left
 * @param stays the index of the first mark that does not move; as many as there are where all do
 * @param after the index of the first mark after the leaders, from there on
 */
record TabbedLine(List<ShownGlyph> line, int stays, int after) {
    /** A gap this wide, in ems, leads to a tab stop. */
    private static final double TAB = 1.6;
    private static final String LEADERS = ".\u2026\u00B7_-";
    /** So many signs in a row are leaders. */
    private static final int LEAST = 4;
    /** What is kept free before what stays, in ems. */
    private static final double FREE = 0.3;

    /** @param from after the last mark that goes */
    static TabbedLine of(List<ShownGlyph> line, int from, Correction.Setting set) {
        double right = 0;
        for (int i = 0; i < line.size(); i++) {
            ShownGlyph mark = line.get(i);
            boolean tab = i > 0 && mark.glyph().x() - right > TAB * mark.glyph().size();
            int leaders = leaders(line, i);
            if (set == Correction.Setting.AT_LEFT && i >= from && !mark.glyph().isSpace() && (tab || leaders >= LEAST))
                return new TabbedLine(line, i, leaders >= LEAST ? i + leaders : i);
            if (!mark.glyph().isSpace()) right = mark.glyph().right();
        }
        return new TabbedLine(line, line.size(), line.size());
    }

    /** Whether a row of leaders begins at a mark. */
    static boolean isLed(List<ShownGlyph> line, int at) { return leaders(line, at) >= LEAST; }

    private static int leaders(List<ShownGlyph> line, int from) {
        String sign = line.get(from).glyph().text();
        int end = from;
        while (LEADERS.contains(sign) && end < line.size() && (line.get(end).glyph().text().equals(sign) || line.get(end).glyph().isSpace())) end++;
        while (end > from && line.get(end - 1).glyph().isSpace()) end--;
        return end - from;
    }

    /** How far words may reach: to what stands after the tab, over leaders but the last few. */
    double limit() {
        int first = after > stays ? Math.max(stays, after - LEAST) : stays;
        ShownGlyph mark = line.get(first);
        return mark.glyph().x() - FREE * mark.glyph().size();
    }

    /** How far to the right the words before it reach, in points. */
    double right() { return line.subList(0, stays).stream().filter(mark -> !mark.glyph().isSpace()).mapToDouble(mark -> mark.glyph().right()).max().orElse(0); }

    /** The leaders that stand where words come to end that get so much longer. */
    List<ShownGlyph> covered(double change) {
        double right = right() + change;
        List<ShownGlyph> covered = new ArrayList<>();
        for (ShownGlyph mark : line.subList(stays, after)) if (mark.glyph().x() < right + FREE * mark.glyph().size()) covered.add(mark);
        return covered;
    }
}
