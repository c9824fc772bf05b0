package app.decant.pdf.keep;

import app.decant.pdf.keep.Correction.Setting;
import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.pdf.read.ShownGlyph;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.List;

/**
 * Where the lines of a passage stand, in points.
 *
 * @param indent where lines after the first begin
 * @param opens  where the first line of a paragraph begins
 * @param begins the first letters of all lines of the passage as they are
 */
record PassageColumn(double left, double indent, double opens, double right, double leading, List<ShownGlyph> begins) {
    /** The height of a line of a passage that has but one, in ems; common practice. */
    private static final double LEADING = 1.2;
    /** Lines nearer or farther than these, in ems, are no passage. */
    private static final double TIGHTEST = 0.8;
    private static final double LOOSEST = 4;

    /**
     * The column of a passage.
     *
     * @param lines  those that are set anew
     * @param coming words that are set before them; null for none
     */
    static PassageColumn of(ChangedPage at, Correction correction, List<StandingLine> lines, GoingOn.Coming coming) throws Refused {
        List<List<Integer>> all = correction.passage().lines();
        ShownGlyph like = StandingLine.like(lines);
        double size = like.glyph().size();
        List<StandingLine> whole = new ArrayList<>();
        for (List<Integer> marks : all)
            whole.add(line(at.rows, PageRewriting.movable(marks, at.byOrder).stream().filter(correction::isText).toList(), List.of()));
        Correction.Parting parting = correction.passage().parting();
        double leading = LEADING * size;
        if (parting != null) leading = parting.leading();
        else if (lines.size() > 1) leading = lines.get(1).baseline() - lines.get(0).baseline();
        else if (all.size() > 1) leading = whole.get(all.size() - 1).baseline() - whole.get(all.size() - 2).baseline();
        Correction.Edges edges = correction.edges();
        if (edges != null) leading *= edges.apart();
        if (leading < TIGHTEST * size || leading > LOOSEST * size) throw new Refused(Message.of("keep.its-lines-do-not-stand-one-below"));
        List<ShownGlyph> firsts = whole.stream().map(StandingLine::first).toList();
        if (edges != null) return new PassageColumn(edges.opens(), edges.left(), edges.opens(), edges.right(), leading, firsts);
        int second = all.size() > 2 && all.size() - 1 > correction.first() ? correction.first() + 1 : all.size() - 1;
        double indent = parting != null ? indent(whole, parting) : all.size() > 1 ? whole.get(second).left() : lines.get(0).left();
        double right;
        if (coming != null && (correction.set() != Setting.JUSTIFIED || all.size() == 1)) {
            right = indent + coming.width();
        } else if (correction.set() == Setting.JUSTIFIED && all.size() > 1) {
            right = whole.subList(0, all.size() - (correction.passage().goesOn() ? 0 : 1)).stream().mapToDouble(StandingLine::right).max().orElseThrow();
        } else {
            right = at.room.right(lines.get(0).marks(), lines.get(0).right(), correction);
        }
        return new PassageColumn(lines.get(0).left(), indent, whole.get(0).left(), right, leading, firsts);
    }

    /** Where the second line of a paragraph begins; where none has one, as the first. */
    private static double indent(List<StandingLine> whole, Correction.Parting parting) {
        for (int i = 1; i < whole.size(); i++) if (!parting.starts().contains(i)) return whole.get(i).left();
        return whole.get(0).left();
    }

    /** A line with the spaces in it. */
    static StandingLine line(MarkRows rows, List<ShownGlyph> marks, List<ShownGlyph> label) throws Refused {
        if (marks.isEmpty()) throw new Refused(Message.of("keep.its-text-is-not-where-it-seems"));
        return new StandingLine(rows.withSpaces(marks), label.isEmpty() ? label : rows.withSpaces(label));
    }
}
