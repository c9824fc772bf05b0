package app.decant.pdf.keep;

import app.decant.pdf.keep.GivenLines.Letter;
import app.decant.pdf.keep.GivenLines.Line;
import app.decant.pdf.keep.PageRewriting.NoRoom;
import app.decant.pdf.keep.PageRewriting.Refused;
import app.decant.pdf.keep.PutInRows.Filled;
import app.decant.pdf.keep.PutInRows.Rule;
import app.decant.pdf.read.Ink;
import app.decant.pdf.read.ShownGlyph;
import app.decant.words.Message;
import java.awt.geom.Rectangle2D;
import java.io.IOException;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Rows that are put into a table at the foot of a page, on their way to the next: their words, with rules and areas as the row above them has. */
final class RowsGoingOver {
    /** What is drawn along the row ends at most this much above its edge, in points. */
    private static final double NEAR = 1.2;

    private final ChangedPage at;
    private final GrownRow row;
    private final double edge;
    private final List<Rule> rules;
    private final ShownGlyph like;

    /**
     * @param row   below which they are put in
     * @param edge  where it ends
     * @param rules along that, told from it
     */
    RowsGoingOver(ChangedPage at, GrownRow row, double edge, List<Rule> rules, ShownGlyph like) {
        this.at = at;
        this.row = row;
        this.edge = edge;
        this.rules = rules;
        this.like = like;
    }

    /** Their lines as if they stood below the row. @param first of those that go */
    List<Line> lines(List<Filled> cells, double[] heights, int first) throws Refused, IOException {
        List<Line> lines = new ArrayList<>();
        double top = edge;
        for (int i = 0; i < first; i++) top += heights[i];
        for (int i = first; i < heights.length; i++) {
            List<GivenLines.Rule> drawn = sides(top, heights[i]);
            if (i == first) for (Rule rule : rules) drawn.add(rule(rule, top));
            for (Rule rule : rules) drawn.add(rule(rule, top + heights[i]));
            List<Line> own = new ArrayList<>();
            int number = i;
            List<Filled> some = cells.stream().filter(one -> one.row() == number).toList();
            for (Filled one : some) for (ComposedLine line : one.lines()) own.add(line(one, line));
            double baseline = some.get(0).cell().cell().baseline();
            if (own.isEmpty()) own.add(new Line(baseline, Double.NaN, like.glyph().size(), List.of()));
            own.sort(Comparator.comparingDouble(Line::baseline));
            own.set(0, own.get(0).with(drawn));
            lines.addAll(own);
            top += heights[i];
        }
        return lines;
    }

    private Line line(Filled filled, ComposedLine line) throws Refused, IOException {
        List<Letter> letters = new ArrayList<>();
        for (ComposedLine.Placed one : line.places(like)) {
            if (one.letter().otherFont() != null) throw new NoRoom(Message.of("keep.its-last-lines-cannot-go-over"));
            letters.add(at.overflow.set(one, line, like).of(at.stream.contents(like), filled.beside()));
        }
        return new Line(line.baseline(), Double.NaN, like.glyph().size(), letters);
    }

    private static GivenLines.Rule rule(Rule rule, double edge) {
        Rectangle2D box = rule.box();
        return new GivenLines.Rule(box.getX(), edge + box.getY(), box.getWidth(), box.getHeight(), rule.rgb(), true);
    }

    /** What is drawn down along the row above or behind it, as much of it as another row has. */
    private List<GivenLines.Rule> sides(double top, double height) {
        List<GivenLines.Rule> sides = new ArrayList<>();
        for (Ink ink : at.read.page().ink()) {
            if (ink instanceof Ink.Stroke stroke && !stroke.isAcross() && !stroke.dashed() && crosses(stroke.y1(), stroke.y2(), stroke.x1())) {
                sides.add(new GivenLines.Rule(stroke.x1() - stroke.width() / 2, top, stroke.width(), height, stroke.rgb(), true));
            } else if (ink instanceof Ink.Fill fill && fill.height() > LowerLines.THIN && fill.x() > row.left() - NEAR && fill.right() < row.right() + NEAR
                    && crosses(fill.y(), fill.bottom(), fill.x() + fill.width() / 2)) {
                sides.add(new GivenLines.Rule(fill.x(), top, fill.width(), height, fill.rgb(), true));
            }
        }
        return sides;
    }

    private boolean crosses(double from, double to, double x) {
        return from < edge - NEAR && to > edge - NEAR && x > row.left() - NEAR && x < row.right() + NEAR;
    }
}
