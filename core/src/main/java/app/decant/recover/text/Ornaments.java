package app.decant.recover.text;

import app.decant.pdf.read.Ink;
import app.decant.recover.line.TextLine;
import app.decant.recover.region.PageMatter;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Set;

/** Gives areas and lines that are left on a page to the paragraphs they belong to: shading behind, rules above and below. */
public final class Ornaments {
    /** Lines that end this close to each other meet in a corner, in points. */
    private static final double CORNER = 2.5;
    private static final int MOST_LINES = 300;

    private final PageMatter page;
    private final List<Para> paras;

    public Ornaments(PageMatter page, List<Para> paras) {
        this.page = page;
        this.paras = paras;
    }

    public void give() {
        joinAreas();
        Set<Ink> boxes = boxes();
        for (Ink ink : new ArrayList<>(page.ink())) {
            if (boxes.contains(ink)) continue;
            if (ink instanceof Ink.Fill fill) shade(fill);
            else if (ink instanceof Ink.Stroke stroke && stroke.isAcross() && stroke.length() > 24) rule(stroke);
            else if (ink instanceof Ink.Stroke stroke && !stroke.isAcross()) bar(stroke);
        }
    }

    /** Lines round something on all sides, and what fills them, are no rules: they stay together. */
    private Set<Ink> boxes() {
        List<Ink.Stroke> across = new ArrayList<>();
        List<Ink.Stroke> down = new ArrayList<>();
        for (Ink ink : page.ink()) if (ink instanceof Ink.Stroke stroke) (stroke.isAcross() ? across : down).add(stroke);
        Set<Ink> boxes = Collections.newSetFromMap(new IdentityHashMap<>());
        if (across.size() > MOST_LINES || down.size() > MOST_LINES) return boxes;
        for (Ink.Stroke top : across) {
            for (Ink.Stroke bottom : across) {
                if (bottom.y1() < top.y1() + 4 || Math.abs(top.x1() - bottom.x1()) > CORNER || Math.abs(top.x2() - bottom.x2()) > CORNER) continue;
                List<Ink.Stroke> sides = down.stream().filter(side -> Math.abs(side.y1() - top.y1()) < CORNER && Math.abs(side.y2() - bottom.y1()) < CORNER
                        && (Math.abs(side.x1() - top.x1()) < CORNER || Math.abs(side.x1() - top.x2()) < CORNER)).toList();
                if (sides.size() < 2) continue;
                boxes.addAll(sides);
                boxes.add(top);
                boxes.add(bottom);
                for (Ink ink : page.ink())
                    if (ink instanceof Ink.Fill fill && Math.abs(fill.x() - top.x1()) < CORNER && Math.abs(fill.right() - top.x2()) < CORNER
                            && Math.abs(fill.y() - top.y1()) < CORNER && Math.abs(fill.bottom() - bottom.y1()) < CORNER) boxes.add(fill);
            }
        }
        return boxes;
    }

    /** Shading is often painted line by line: areas of one colour and width that touch are one. */
    private void joinAreas() {
        List<Ink.Fill> fills = new ArrayList<>();
        for (Ink ink : page.ink()) if (ink instanceof Ink.Fill fill) fills.add(fill);
        fills.sort(Comparator.comparingDouble(Ink.Fill::y));
        Set<Ink> gone = Collections.newSetFromMap(new IdentityHashMap<>());
        List<Ink> joined = new ArrayList<>();
        for (int i = 0; i < fills.size(); i++) {
            Ink.Fill one = fills.get(i);
            if (gone.contains(one)) continue;
            Ink.Fill whole = one;
            // Those that begin below its end have none behind them that does not.
            for (int k = i + 1; k < fills.size() && fills.get(k).y() <= whole.bottom() + 1; k++) {
                Ink.Fill other = fills.get(k);
                if (one.rgb() != other.rgb() || Math.abs(one.x() - other.x()) > 1.5 || Math.abs(one.right() - other.right()) > 1.5 || gone.contains(other))
                    continue;
                whole = new Ink.Fill(one.x(), one.y(), one.width(), Math.max(whole.bottom(), other.bottom()) - one.y(), one.rgb(), one.order());
                gone.add(other);
            }
            if (whole == one) continue;
            gone.add(one);
            joined.add(whole);
        }
        if (joined.isEmpty()) return;
        page.ink().removeIf(gone::contains);
        page.ink().addAll(joined);
    }

    /** A bar beside paragraphs belongs to each of them. */
    private void bar(Ink.Stroke bar) {
        boolean given = false;
        for (Para para : paras) {
            boolean along = para.page() == page.index() && bar.y1() < para.first().middleY() && bar.y2() > para.last().middleY();
            double away = para.left() - bar.x1();
            if (!along || away < 0 || away > 24) continue;
            para.bar(bar);
            given = true;
        }
        if (given) page.ink().remove(bar);
    }

    /** Shading is as large as the lines before it; what reaches further is an area of its own that text stands on. */
    private void shade(Ink.Fill fill) {
        List<Para> within = new ArrayList<>();
        double top = Double.MAX_VALUE;
        double bottom = -Double.MAX_VALUE;
        double size = 0;
        for (Para para : paras) {
            double from = para.first().top();
            double to = para.lines().stream().filter(line -> line.page() == page.index()).mapToDouble(TextLine::bottom).max().orElse(from);
            boolean before = fill.x() < para.left() + 1 && fill.right() > para.right() - 1 && fill.y() < from + 2 && fill.bottom() > to - 2;
            if (!before || para.page() != page.index()) continue;
            within.add(para);
            top = Math.min(top, from);
            bottom = Math.max(bottom, to);
            size = Math.max(size, para.size());
        }
        if (within.isEmpty()) return;
        Para first = within.get(0);
        boolean tight = top - fill.y() < size && fill.bottom() - bottom < size && Math.abs(fill.right() - first.frameRight()) < size
                && fill.x() > first.frameLeft() - size && first.left() - fill.x() < size;
        if (!tight || !areClose(within)) return;
        for (Para para : within) para.shading(fill.rgb());
        page.ink().remove(fill);
    }

    /** Whether paragraphs stand so close that nothing shows between the shading of one and the next. */
    private static boolean areClose(List<Para> paras) {
        for (int i = 1; i < paras.size(); i++)
            if (paras.get(i).first().baseline() - paras.get(i - 1).last().baseline() > 1.6 * paras.get(i).size()) return false;
        return true;
    }

    /** A rule of a paragraph runs from edge to edge of it, or of its column. */
    private static boolean isAsWide(Ink.Stroke rule, Para para) {
        double size = para.size();
        boolean from = Math.abs(rule.x1() - para.left()) < size || Math.abs(rule.x1() - para.frameLeft()) < size;
        return from && Math.abs(rule.x2() - para.frameRight()) < size;
    }

    private void rule(Ink.Stroke rule) {
        Para above = null;
        Para below = null;
        for (Para para : paras) {
            if (para.page() != page.index() || rule.x1() > para.right() + 4 || rule.x2() < para.left() - 4 || !isAsWide(rule, para)) continue;
            double under = rule.y1() - para.last().baseline();
            double over = para.first().top() - rule.y1();
            if (para.last().page() == page.index() && under > 0 && under < 26 && (above == null || para.last().baseline() > above.last().baseline()))
                above = para;
            if (over > -1 && over < 26 && (below == null || para.first().top() < below.first().top())) below = para;
        }
        if (above != null && (below == null || rule.y1() - above.last().baseline() < below.first().top() - rule.y1() + 2)) above.ruleBelow(rule);
        else if (below != null) below.ruleAbove(rule);
        else return;
        page.ink().remove(rule);
    }
}
