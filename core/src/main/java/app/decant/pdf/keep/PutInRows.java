package app.decant.pdf.keep;

import app.decant.page.Rewritten;
import app.decant.pdf.keep.Correction.AddedRow;
import app.decant.pdf.keep.Correction.Passage;
import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.pdf.read.Ink;
import app.decant.pdf.read.ShownGlyph;
import app.decant.words.Message;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * Puts rows into a table below one of its rows: what stands below goes down, the sides and areas of the row's cells get longer, the rules that it ends with
 * are drawn between the new rows, and the words of these stand in its columns.
 */
final class PutInRows {
    /** A rule this near to the edge of a row, in points, is drawn along it. */
    private static final double NEAR = 1.2;
    /** Letters reach so far below their baseline, in ems. */
    private static final double BELOW = 0.2;

    private final ChangedPage at;
    private final PlacedAnew placed;

    /** A cell's lines, and what they are of. */
    record Filled(Correction cell, List<ComposedLine> lines, int row, int first) {
        Rewritten.Beside beside() { return Rewritten.Beside.inCell(cell.cell().away(), row + 1); }
    }

    /** A rule across, as it is drawn. */
    record Rule(Rectangle2D box, int rgb, boolean dashed) { }

    /** @param placed hears where letters come to stand, and behind those of each cell where it ends */
    PutInRows(ChangedPage at, PlacedAnew placed) {
        this.at = at;
        this.placed = placed;
    }

    /** How many places are told: for each cell one more than it has letters. */
    static int letters(Correction correction) {
        return correction.rows().stream().flatMap(row -> row.cells().stream()).mapToInt(cell -> cell.text().length() + 1).sum();
    }

    void set(Correction correction) throws Refused, IOException {
        Passage passage = correction.passage();
        ShownGlyph like = CellFilling.like(passage, at);
        double size = like.glyph().size();
        double leading = CellFilling.LEADING * size;
        List<Filled> cells = new ArrayList<>();
        double[] heights = composed(correction, like, cells);
        LowerLines lower = new LowerLines(at);
        GrownRow row = new GrownRow(at, lower, passage, leading);
        double edge = row.edge();
        boolean head = correction.rows().get(0).head() && !passage.row().below().isEmpty();
        List<Rule> rules = rules(edge, row);
        if (head && !rules.isEmpty()) rules = orLower(rules, edge, passage, row);
        int stays = heights.length;
        while (!head && passage.row().onward() != null && stays > 0 && !row.fits(sum(heights, stays))) stays--;
        boolean over = stays < heights.length;
        double by = sum(heights, stays);
        if (over) row.over(by);
        else row.below(by, head);
        double down = head ? heights[0] : 0;
        for (int i = 0; i < (over && stays > 0 ? stays + 1 : stays); i++) {
            for (Rule rule : rules) {
                Rectangle2D box = rule.box();
                at.drawn.rule(new Rectangle2D.Double(box.getX(), edge + box.getY() + down, box.getWidth(), box.getHeight()), rule.rgb(), like);
            }
            if (i + 1 < heights.length) down += heights[head ? i + 1 : i];
        }
        if (over) at.overflow.give(new RowsGoingOver(at, row, edge, rules, like).lines(cells, heights, stays), sum(heights, heights.length),
                passage.row().onward());
        double left = Math.min(row.left(), lower.left());
        double right = Math.max(row.right(), lower.right());
        for (Filled one : cells) {
            if (one.lines.isEmpty() || one.row >= stays) continue;
            Rectangle2D set = PassageSetting.extent(one.lines);
            left = Math.min(left, set.getMinX());
            right = Math.max(right, set.getMaxX());
        }
        Rectangle2D touched = new Rectangle2D.Double(left, edge - NEAR, right - left, Math.max(edge + by, lower.bottom()) + BELOW * size - edge + NEAR);
        at.refuseAnnotations(lower.extent(size), touched);
        at.changes.touches(left - 0.5 * size, touched.getMinY() - 0.6 * size, right + 0.5 * size, touched.getMaxY() + 0.4 * size);
        for (Filled one : cells) {
            Correction.Cell cell = one.cell.cell();
            Rewritten.Spot end = PageRewriting.spot(cell.left(), cell.left(), cell.baseline());
            if (one.row < stays) CellFilling.put(one.lines, one.beside(), like, at, placed, one.first);
            else for (ComposedLine line : one.lines) CellFilling.tell(line, like, placed, one.first, true);
            placed.letter(one.first + one.cell.text().length(), one.row < stays ? end : end.goingOver(), like);
        }
    }

    private static double sum(double[] heights, int count) {
        double sum = 0;
        for (int i = 0; i < count; i++) sum += heights[i];
        return sum;
    }

    /** The lines of all cells, where they come to stand, and how high each row is. */
    private double[] composed(Correction correction, ShownGlyph like, List<Filled> cells) throws Refused, IOException {
        double[] heights = new double[correction.rows().size()];
        double down = 0;
        int first = 0;
        for (int i = 0; i < heights.length; i++) {
            AddedRow row = correction.rows().get(i);
            double more = 0;
            for (Correction one : row.cells()) {
                Correction cell = Correction.into(one.cell().lower(down), one.passage(), one.runs(), one.set());
                List<ComposedLine> lines = cell.text().isBlank() ? List.of() : CellFilling.composed(cell, like, at);
                if (!lines.isEmpty()) more = Math.max(more, PassageSetting.extent(lines).getMaxY() - cell.cell().baseline());
                cells.add(new Filled(cell, lines, i, first));
                first += cell.text().length() + 1;
            }
            heights[i] = row.height() + more;
            down += more;
        }
        return heights;
    }

    /** All that is drawn across the page as a rule. */
    private List<Rule> across() {
        List<Rule> across = new ArrayList<>();
        for (Ink ink : at.read.page().ink()) {
            if (at.changes.isUndrawn(ink.order())) continue;
            if (ink instanceof Ink.Stroke stroke && stroke.isAcross()) {
                across.add(new Rule(new Rectangle2D.Double(stroke.x1(), stroke.y1() - stroke.width() / 2, stroke.x2() - stroke.x1(), stroke.width()),
                        stroke.rgb(), stroke.dashed()));
            } else if (ink instanceof Ink.Fill fill && fill.height() < LowerLines.THIN && fill.width() > LowerLines.THIN) {
                across.add(new Rule(new Rectangle2D.Double(fill.x(), fill.y(), fill.width(), fill.height()), fill.rgb(), false));
            }
        }
        return across;
    }

    /** The rules along an edge of the row, told from that; the same edge may be drawn by the cells above it and by those below. */
    private List<Rule> rules(double edge, GrownRow row) throws Refused {
        Set<Rule> rules = new LinkedHashSet<>();
        for (Rule one : across()) {
            Rectangle2D box = one.box;
            if (Math.abs(box.getCenterY() - edge) > NEAR || box.getMaxX() < row.left() || box.getMinX() > row.right()) continue;
            if (one.dashed) throw new Refused(Message.of("keep.something-stands-in-its-way"));
            rules.add(new Rule(new Rectangle2D.Double(box.getX(), box.getY() - edge, box.getWidth(), box.getHeight()), one.rgb, false));
        }
        return List.copyOf(rules);
    }

    /** Below a head the new rows end as the row below them does, if that ends with rules. */
    private List<Rule> orLower(List<Rule> rules, double edge, Passage passage, GrownRow row) throws Refused {
        double words = passage.row().below().get(0).stream().map(at.byOrder::get).filter(mark -> mark != null)
                .mapToDouble(mark -> mark.glyph().baseline()).max().orElse(edge);
        double next = across().stream().mapToDouble(one -> one.box.getCenterY()).filter(y -> y > words).min().orElse(Double.MAX_VALUE);
        List<Rule> lower = next < words + (words - edge) + 2 * BELOW * (words - edge) ? rules(next, row) : List.of();
        return lower.isEmpty() ? rules : lower;
    }
}
