package app.decant.recover.made;

import app.decant.document.Section;
import app.decant.recover.line.TextLine;
import app.decant.recover.region.FramePart;
import app.decant.recover.region.Margins;
import app.decant.recover.region.PageMatter;
import app.decant.recover.region.RunningHeads;
import app.decant.recover.text.Body;
import app.decant.recover.text.Element;
import app.decant.recover.text.Para;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** How far text reaches on pages of each size, and the margins that follow from it. */
public final class PageExtents {
    private final List<PageMatter> pages;
    private final Body body;
    private final RunningHeads heads;
    private final Map<Integer, Margins> margins;
    private final BlockMaker blocks;
    private final Map<Integer, double[]> heights = new HashMap<>();
    private final Map<Integer, List<Double>> bottoms = new HashMap<>();

    PageExtents(List<PageMatter> pages, Body body, RunningHeads heads, Map<Integer, Margins> margins, BlockMaker blocks) {
        this.pages = pages;
        this.body = body;
        this.heads = heads;
        this.margins = margins;
        this.blocks = blocks;
        measure();
    }

    /** The highest and lowest place of text for each size of page. */
    private void measure() {
        Map<Integer, List<Para>> byPage = new HashMap<>();
        for (Para para : body.paragraphs())
            for (int page = para.first().page(); page <= para.last().page(); page++) byPage.computeIfAbsent(page, key -> new ArrayList<>()).add(para);
        for (PageMatter page : pages) {
            double[] extent = heights.computeIfAbsent(sizeKey(page), key -> new double[] {Double.MAX_VALUE, 0});
            double lowest = 0;
            for (Para para : byPage.getOrDefault(page.index(), List.of())) {
                double[] reach = blocks.reach(para);
                for (TextLine line : para.lines()) {
                    if (line.page() != page.index()) continue;
                    extent[0] = Math.min(extent[0], line.baseline() - reach[0] - (line == para.first() ? reach[2] : 0));
                    lowest = Math.max(lowest, line.baseline() + reach[1]);
                }
                for (Para.Footnote note : para.notes())
                    for (Para own : note.paragraphs())
                        if (own.page() == page.index()) lowest = Math.max(lowest, own.last().baseline() + own.last().size() * 0.27);
            }
            // A sign that stands in a line of the header is no part of the text.
            double head = heads.header(page.index()).stream().mapToDouble(FramePart::baseline).max().orElse(Double.NEGATIVE_INFINITY);
            for (Element element : body.pages().get(page.index())) {
                if (element instanceof Element.Grid grid) reach(extent, grid.table().top() - 0.5, grid.table().bottom() + 0.5);
                if (element instanceof Element.Alone alone && alone.picture().top() > head)
                    reach(extent, alone.picture().top(), alone.picture().bottom() + 1.5);
            }
            bottoms.computeIfAbsent(sizeKey(page), key -> new ArrayList<>()).add(lowest);
            extent[1] = Math.max(extent[1], lowest);
        }
        // Where only one or two pages tell, and they end early, the margin below is taken to be like the one above.
        bottoms.forEach((size, some) -> {
            double[] extent = heights.get(size);
            long full = some.stream().filter(bottom -> bottom > extent[1] - 16).count();
            PageMatter page = pages.stream().filter(one -> sizeKey(one) == size).findFirst().orElseThrow();
            double foot = page.height() - Math.max(40, Math.min(extent[0], 80));
            for (FramePart part : heads.footer(page.index())) foot = Math.min(foot, part.top() - 8);
            if (full < 3 && extent[1] < foot) extent[1] = foot;
        });
    }

    private static void reach(double[] extent, double top, double bottom) {
        extent[0] = Math.min(extent[0], top);
        extent[1] = Math.max(extent[1], bottom);
    }

    /** Tells sizes of pages apart. */
    public static int sizeKey(PageMatter page) { return (int) Math.round(page.width()) * 20_000 + (int) Math.round(page.height()); }

    /** The page as the document describes it. */
    Section.PageGeometry geometry(PageMatter page) {
        Margins edges = margins.get(sizeKey(page));
        double[] extent = heights.get(sizeKey(page));
        double top = extent[0] == Double.MAX_VALUE ? 72 : Math.max(0, extent[0]);
        double bottom = extent[1] == 0 ? 72 : Math.max(0, page.height() - extent[1] - 0.8);
        double header = 36;
        double footer = 36;
        for (int i = pages.size() - 1; i >= 0; i--) {
            if (sizeKey(pages.get(i)) != sizeKey(page)) continue;
            List<FramePart> above = heads.header(i);
            List<FramePart> below = heads.footer(i);
            if (!above.isEmpty()) header = above.get(0).top();
            if (!below.isEmpty()) footer = page.height() - below.get(below.size() - 1).bottom() - FrameBlocks.tail(below, heads.pictures(i, false));
        }
        return new Section.PageGeometry(page.width(), page.height(), BlockMaker.rounded(top), BlockMaker.rounded(page.width() - edges.right()),
                BlockMaker.rounded(bottom), BlockMaker.rounded(edges.left()),
                BlockMaker.rounded(Math.max(0, header)), BlockMaker.rounded(Math.max(0, footer)), 0);
    }
}
