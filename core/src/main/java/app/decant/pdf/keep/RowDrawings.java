package app.decant.pdf.keep;

import app.decant.pdf.keep.MovedDrawings.Drawing;
import app.decant.pdf.read.Ink;
import app.decant.pdf.read.PageReader;
import java.awt.geom.Rectangle2D;
import java.util.ArrayList;
import java.util.List;

/** Rules around rows of tables and areas behind them, on their way to another page with these: straight lines and plain areas, which can be drawn anywhere. */
final class RowDrawings {
    private final PageReader.Addressed read;

    RowDrawings(PageReader.Addressed read) { this.read = read; }

    /** What a drawing consists of, in the order of painting; null where any of it is more than a straight line or a plain area. */
    List<GivenLines.Rule> of(Drawing drawing) {
        List<GivenLines.Rule> rules = new ArrayList<>();
        if (!drawing.letters().isEmpty()) return null;
        int known = 0;
        for (Ink ink : read.page().ink()) {
            if (ink.order() < drawing.painted().from() || ink.order() >= drawing.painted().to()) continue;
            known++;
            if (ink instanceof Ink.Fill fill) {
                rules.add(new GivenLines.Rule(fill.x(), fill.y(), fill.width(), fill.height(), fill.rgb(), true));
            } else if (ink instanceof Ink.Stroke stroke && !stroke.dashed() && isStraight(stroke)) {
                double half = stroke.width() / 2;
                double x = stroke.isAcross() ? stroke.x1() : stroke.x1() - half;
                double y = stroke.isAcross() ? stroke.y1() - half : stroke.y1();
                rules.add(new GivenLines.Rule(x, y, stroke.isAcross() ? stroke.x2() - stroke.x1() : stroke.width(),
                        stroke.isAcross() ? stroke.width() : stroke.y2() - stroke.y1(), stroke.rgb(), true));
            } else {
                return null;
            }
        }
        return known < LineRoom.drawn(read).subMap(drawing.painted().from(), drawing.painted().to()).size() ? null : rules;
    }

    private static boolean isStraight(Ink.Stroke stroke) { return Math.min(stroke.x2() - stroke.x1(), stroke.y2() - stroke.y1()) < 0.01; }

    /** Whether it is a rule across the page. */
    static boolean isRule(Drawing drawing) { return drawing.box().getHeight() < LowerLines.THIN && drawing.box().getWidth() > LowerLines.THIN; }

    /** The part of what is drawn along a side of rows, or behind several of them, that is below a height. */
    static List<GivenLines.Rule> below(List<GivenLines.Rule> rules, double height) {
        List<GivenLines.Rule> below = new ArrayList<>();
        for (GivenLines.Rule rule : rules) {
            Rectangle2D box = rule.box();
            if (box.getMaxY() <= height) continue;
            double top = Math.max(height, box.getMinY());
            below.add(new GivenLines.Rule(rule.x(), top, rule.width(), box.getMaxY() - top, rule.rgb(), true));
        }
        return below;
    }
}
