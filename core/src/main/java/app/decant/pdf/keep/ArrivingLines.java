package app.decant.pdf.keep;

import app.decant.document.Finding;
import app.decant.pdf.keep.GivenLines.Letter;
import app.decant.pdf.keep.GivenLines.Line;
import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.pdf.read.PageReader;
import app.decant.pdf.read.ShownGlyph;
import app.decant.words.Message;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.List;
import java.util.Set;
import java.util.function.IntFunction;

/** Puts lines that another page has no room for at the head of the text of a page: what is there goes down as it is, and so do they stand above it. */
final class ArrivingLines {
    /** How far letters reach above and below their baseline, in ems. */
    private static final double ABOVE = 0.75;
    private static final double BELOW = 0.22;
    /** From what is drawn of rows to the baseline of the text below them, in lines. */
    private static final double BELOW_ROWS = 1.5;
    /** From one baseline to the next where nothing tells, in ems. */
    private static final double LEADING = 1.2;

    private final ChangedPage at;
    private final PageReader.Addressed read;
    private final PageChanges changes;

    ArrivingLines(ChangedPage at) {
        this.at = at;
        read = at.read;
        changes = at.changes;
    }

    /** Puts them on a page that is put in for them; how much lower they stand than on the page they come from. */
    double putOnAdded(GivenLines given, IntFunction<PageReader.Addressed> others) throws Refused, IOException {
        AddedPage page = AddedPage.begin(at, given, others);
        double begins = page.begins(given);
        at.written.write(given.from(), given.standing(begins), page.like());
        at.findings.add(Finding.changed(Message.of("keep.page-added", given.from() + 1)));
        return begins - given.lines().get(0).baseline();
    }

    /** How much lower the lines stand than on the page they come from. */
    double put(GivenLines given, Onward onward) throws Refused, IOException {
        List<ShownGlyph> head = PageRewriting.movable(given.to().lines().get(0), at.byOrder);
        ShownGlyph first = head.get(0);
        double large = head.stream().mapToDouble(mark -> mark.glyph().size()).max().orElseThrow();
        double leading = LEADING * large;
        double was = first.glyph().baseline();
        List<List<Integer>> all = given.to().lines();
        Correction.Passage passage = new Correction.Passage(all.subList(0, 1), Set.of(), false, all.subList(1, all.size()), given.to().foot(), null, Set.of(),
                onward, null);
        LowerLines lower = new LowerLines(at);
        StandingRow row = given.to().head() == null ? null : new StandingRow(at, lower, passage, given.to().head());
        // Words come to stand above a table, not in it.
        double begins = row == null || row.goesOn() ? was + ABOVE * (given.lines().get(0).size() - large) : row.top() + ABOVE * given.lines().get(0).size();
        List<Line> lines = given.standing(row != null && row.goesOn() ? was : begins);
        boolean within = row != null && row.goesOn();
        double next = Math.max(lines.get(lines.size() - 1).baseline() + given.to().gap(), within ? 0 : drawn(lines) + BELOW_ROWS * leading);
        double by = row == null || within ? next - was : next - ABOVE * large - row.top();
        Rectangle2D box = box(lines);
        double height = row == null ? was - ABOVE * large : row.opens();
        double lowest = lower.move(passage, List.of(head), height - BELOW * leading, by, leading);
        if (row == null) lower.refuseObstacles(passage, List.of(), box.getMinX(), box.getMaxX(), lowest, 0, leading);
        else row.grow(by, lowest, leading);
        Rectangle2D touched = new Rectangle2D.Double(Math.min(box.getMinX(), lower.left()), Math.min(box.getMinY(), height - large), 0, 0);
        touched.add(Math.max(box.getMaxX(), lower.right()), Math.max(lowest, lower.bottom()) + BELOW * large);
        at.refuseAnnotations(lower.extent(large), touched);
        changes.touches(touched.getMinX() - 0.5 * large, touched.getMinY() - 0.6 * large, touched.getMaxX() + 0.5 * large, touched.getMaxY() + 0.4 * large);
        at.written.write(given.from(), lines, first);
        return lines.get(0).baseline() - given.lines().get(0).baseline();
    }

    /** How far down what is drawn of lines reaches. */
    private static double drawn(List<Line> lines) {
        return lines.stream().flatMap(line -> line.rules().stream()).mapToDouble(rule -> rule.box().getMaxY()).max().orElse(0);
    }

    private static Rectangle2D box(List<Line> lines) {
        Rectangle2D box = null;
        for (Line line : lines) {
            for (Letter letter : line.letters()) {
                Rectangle2D one = new Rectangle2D.Double(letter.x(), letter.baseline() - ABOVE * letter.size(), Math.max(0.1, letter.width()), letter.size());
                box = box == null ? one : box.createUnion(one);
            }
            for (GivenLines.Shown picture : line.pictures()) box = box == null ? picture.box() : box.createUnion(picture.box());
            for (GivenLines.Rule rule : line.rules()) box = box == null ? rule.box() : box.createUnion(rule.box());
        }
        return box;
    }
}
