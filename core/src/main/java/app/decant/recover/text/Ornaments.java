package app.decant.recover.text;

import app.decant.pdf.read.Ink;
import app.decant.recover.line.TextLine;
import app.decant.recover.region.PageMatter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** Gives areas and lines that are left on a page to the paragraphs they belong to: shading behind, rules above and below. */
public final class Ornaments {
    private final PageMatter page;
    private final List<Para> paras;

    public Ornaments(PageMatter page, List<Para> paras) {
        this.page = page;
        this.paras = paras;
    }

    public void give() {
        joinAreas();
        for (Ink ink : new ArrayList<>(page.ink())) {
            if (ink instanceof Ink.Fill fill) shade(fill);
            else if (ink instanceof Ink.Stroke stroke && stroke.isAcross() && stroke.length() > 24) rule(stroke);
            else if (ink instanceof Ink.Stroke stroke && !stroke.isAcross()) bar(stroke);
        }
    }

    /** Shading is often painted line by line: areas of one colour and width that touch are one. */
    private void joinAreas() {
        List<Ink.Fill> fills = new ArrayList<>();
        for (Ink ink : page.ink()) if (ink instanceof Ink.Fill fill) fills.add(fill);
        fills.sort(Comparator.comparingDouble(Ink.Fill::y));
        for (int i = 0; i < fills.size(); i++) {
            for (int k = i + 1; k < fills.size(); k++) {
                Ink.Fill one = fills.get(i);
                Ink.Fill other = fills.get(k);
                if (one.rgb() != other.rgb() || Math.abs(one.x() - other.x()) > 1.5 || Math.abs(one.right() - other.right()) > 1.5
                        || other.y() > one.bottom() + 1) continue;
                Ink.Fill joined = new Ink.Fill(one.x(), one.y(), one.width(), Math.max(one.bottom(), other.bottom()) - one.y(), one.rgb(), one.order());
                page.ink().remove(one);
                page.ink().remove(other);
                page.ink().add(joined);
                fills.set(i, joined);
                fills.remove(k--);
            }
        }
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

    private void shade(Ink.Fill fill) {
        for (Para para : paras) {
            double top = para.first().top();
            double bottom = para.lines().stream().filter(line -> line.page() == page.index()).mapToDouble(TextLine::bottom).max().orElse(top);
            boolean within = fill.x() < para.left() + 1 && fill.right() > para.right() - 1 && fill.y() < top + 2 && fill.bottom() > bottom - 2;
            if (within && fill.height() < 0.8 * page.height()) {
                para.shading(fill.rgb());
                page.ink().remove(fill);
            }
        }
    }

    private void rule(Ink.Stroke rule) {
        Para above = null;
        Para below = null;
        for (Para para : paras) {
            if (para.page() != page.index() || rule.x1() > para.right() + 4 || rule.x2() < para.left() - 4) continue;
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
