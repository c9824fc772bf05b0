package app.decant.recover.made;

import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Numbering;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Section;
import app.decant.document.StyleSheet;
import app.decant.document.TextProperty;
import app.decant.pdf.read.Ink;
import app.decant.pdf.read.Placed;
import app.decant.recover.line.TextLine;
import app.decant.recover.region.FramePart;
import app.decant.recover.region.Margins;
import app.decant.recover.region.PageMatter;
import app.decant.recover.region.RunningHeads;
import app.decant.recover.region.RunningPictures;
import app.decant.recover.text.Body;
import app.decant.recover.text.Element;
import app.decant.recover.text.Para;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Puts the document together, page after page: sections with their pages, columns and frames, and in them the blocks. */
public final class Assembly {
    /** The room that is left between a header and the text, in points, as in {@link app.decant.layout.Layout}. */
    private static final double BELOW_HEADER = 2;

    private final List<PageMatter> pages;
    private final Body body;
    private final RunningHeads heads;
    private final Map<Integer, Margins> margins;
    private final BlockMaker blocks;
    private final FrameBlocks frames;
    private final PageExtents extents;
    private final DocumentDraft draft;
    private final ElementMaker elementMaker;
    private final Set<Integer> closed = new HashSet<>();
    /** What is drawn on each page and is part of nothing else. */
    private final List<List<Placed>> backdrops = new ArrayList<>();
    private double carried;

    public Assembly(List<PageMatter> pages, Body body, RunningHeads heads, Map<Integer, Margins> margins, BlockMaker blocks, CellText cells,
            LinkMarks marks) {
        this.pages = pages;
        this.body = body;
        this.heads = heads;
        this.margins = margins;
        this.blocks = blocks;
        TableMaker tables = new TableMaker(blocks, cells);
        this.frames = new FrameBlocks(blocks.runs(), tables);
        draft = new DocumentDraft(blocks.origins());
        elementMaker = new ElementMaker(draft, blocks, tables, marks);
        extents = new PageExtents(pages, body, heads, margins, blocks);
    }

    public Document document(Facts facts, Numbering numbering) {
        for (PageMatter page : pages) backdrops.add(new ArrayList<>(Backdrop.of(page, body.pages().get(page.index()))));
        List<List<Placed>> running = RunningPictures.take(pages, backdrops);
        for (PageMatter page : pages) heads.hang(page, running.get(page.index()));
        FramePlan plan = new FramePlan(heads, pages.size());
        closed.addAll(closedPages());
        Map<Integer, FramePlan.Stretch> stretches = new HashMap<>();
        for (FramePlan.Stretch stretch : plan.stretches(closed)) stretches.put(stretch.from(), stretch);
        FramePlan.Stretch stretch = null;
        for (PageMatter page : pages) {
            FramePlan.Stretch here = stretches.get(page.index());
            boolean sized = page.index() > 0 && (Math.abs(page.width() - pages.get(page.index() - 1).width()) > 1
                    || Math.abs(page.height() - pages.get(page.index() - 1).height()) > 1);
            if (here != null) stretch = here;
            page(page, here, sized, stretch);
        }
        List<Section> sections = draft.sections();
        if (sections.isEmpty()) return Document.empty();
        return new Document(facts, StyleSheet.EMPTY, numbering, sections, plan.evenAndOdd(), Document.TAB_WIDTH, List.of());
    }

    /** Pages that begin in the middle of a paragraph. */
    private Set<Integer> closedPages() {
        Set<Integer> closed = new HashSet<>();
        for (Para para : body.paragraphs()) for (TextLine line : para.lines()) if (line.page() != para.page()) closed.add(line.page());
        return closed;
    }

    private void page(PageMatter page, FramePlan.Stretch starts, boolean sized, FramePlan.Stretch stretch) {
        List<Element> elements = body.pages().get(page.index());
        boolean newSection = draft.section() == null || starts != null || sized;
        // Text that flows over from the page before may be all there is.
        if (elements.isEmpty() && carried > 0 && !newSection) return;
        Margins edges = margins.get(PageExtents.sizeKey(page));
        boolean columnsFirst = !elements.isEmpty() && elements.get(0) instanceof Element.Columns;
        if (newSection) {
            begin(Section.Start.NEXT_PAGE, extents.geometry(page), Section.Columns.ONE, null);
            dressFrames(starts != null ? starts : stretch, starts != null, page);
        } else if (draft.section().edges != null && carried > 0 && elements.stream().allMatch(element -> isWithin(element, draft.section().edges.get(0)))) {
            // The last page of columns often fills the first one only.
            Flow column = new Flow(draft.section().edges.get(0)[0], draft.section().edges.get(0)[1], carried);
            carried = 0;
            for (Element element : elements) elementMaker.add(element, column, false);
            if (draft.hasFloating()) draft.attachToLast();
            if (continues(elements, page.index())) carried = column.y;
            draft.reached(column.y);
            return;
        } else if (draft.section().edges != null && !(columnsFirst && sameEdges(draft.section().edges, ((Element.Columns) elements.get(0)).edges()))) {
            begin(Section.Start.NEXT_PAGE, extents.geometry(page), Section.Columns.ONE, null);
        }
        // A header that reaches below where text begins on other pages pushes it down.
        List<FramePart> header = heads.header(page.index());
        double reach = header.stream().mapToDouble(FramePart::bottom).max().orElse(0) + FrameBlocks.tail(header, heads.pictures(page.index(), true));
        double top = Math.max(draft.section().geometry.top(), reach + BELOW_HEADER);
        boolean carries = carried > 0;
        Flow flow = new Flow(edges.left(), edges.right(), carries ? carried : top);
        carried = 0;
        boolean first = !newSection && draft.section().edges == null && !carries;
        DocumentDraft.SectionDraft opened = draft.section();
        int before = draft.blocks().size();
        boolean follows = first;
        for (Placed drawing : backdrops.get(page.index())) elementMaker.behind(drawing);
        for (Element element : elements) {
            if (element instanceof Element.Columns columns) {
                columns(columns, flow, page, first || !newSection && draft.section().edges != null);
                first = false;
                continue;
            }
            if (draft.section().edges != null) begin(Section.Start.CONTINUOUS, extents.geometry(page), Section.Columns.ONE, null);
            boolean breaks = first && !(element instanceof Element.Beside) && !(element instanceof Element.Side) && !(element instanceof Element.Boxed);
            elementMaker.add(element, flow, breaks);
            if (breaks) first = false;
        }
        if (elements.isEmpty() && !closed.contains(page.index())) {
            // An empty page stays one.
            Paragraph blank = new Paragraph("Normal", first ? Look.of(ParagraphProperty.PAGE_BREAK_BEFORE, true) : Look.PLAIN,
                    Look.of(TextProperty.SIZE, 8.0), List.of());
            draft.blocks().add(blank);
        }
        // Where all that a page holds floats, it must not hang on the page before.
        if (draft.hasFloating() && follows && draft.section() == opened && draft.blocks().size() == before)
            draft.blocks().add(new Paragraph("Normal", Look.of(ParagraphProperty.PAGE_BREAK_BEFORE, true), Look.of(TextProperty.SIZE, 1.0), List.of()));
        if (draft.hasFloating()) draft.attachToLast();
        if (continues(elements, page.index())) carried = flow.y;
        else if (page.index() + 1 < pages.size()) draft.releaseHeading();
        draft.reached(flow.y);
    }

    private static boolean isWithin(Element element, double[] column) {
        if (element instanceof Element.Text text) return text.para().left() > column[0] - 3 && text.para().right() < column[1] + 3;
        if (element instanceof Element.Grid grid) return grid.table().left() > column[0] - 6 && grid.table().right() < column[1] + 6;
        return element instanceof Element.Alone alone && alone.picture().left() > column[0] - 3 && alone.picture().right() < column[1] + 3;
    }

    /** Whether the last paragraph among elements goes on: on to a page after {@code page}, or anywhere where that is -1. */
    private static boolean continues(List<Element> elements, int page) {
        Element last = elements.isEmpty() ? null : elements.get(elements.size() - 1);
        return last instanceof Element.Text text && text.para().continues() && text.para().last().page() > page;
    }

    private static boolean sameEdges(List<double[]> one, List<double[]> other) {
        if (one.size() != other.size()) return false;
        for (int i = 0; i < one.size(); i++) if (Math.abs(one.get(i)[0] - other.get(i)[0]) > 5) return false;
        return true;
    }

    private void columns(Element.Columns columns, Flow flow, PageMatter page, boolean pageStart) {
        boolean goesOn = pageStart && draft.section().edges != null && sameEdges(draft.section().edges, columns.edges());
        List<double[]> edges = goesOn ? draft.section().edges : columns.edges();
        if (!goesOn) {
            Section.PageGeometry geometry = extents.geometry(page);
            // The outer columns reach to the page's margins; what stands further in is indented.
            widen(edges, flow);
            List<Double> widths = new ArrayList<>();
            for (int i = 0; i < edges.size(); i++) {
                widths.add(edges.get(i)[1] - edges.get(i)[0]);
                if (i + 1 < edges.size()) widths.add(edges.get(i + 1)[0] - edges.get(i)[1]);
            }
            boolean line = page.ink().removeIf(ink -> ink instanceof Ink.Stroke stroke && !stroke.isAcross() && isBetween(stroke.x1(), edges));
            boolean onlyStart = draft.blocks().isEmpty();
            Section.Start start = onlyStart ? draft.section().start : pageStart ? Section.Start.NEXT_PAGE : Section.Start.CONTINUOUS;
            DocumentDraft.SectionDraft before = draft.section();
            if (onlyStart) draft.giveUp();
            begin(start, geometry, new Section.Columns(edges.size(), widths.get(1), line, widths), edges);
            if (onlyStart) {
                draft.section().frames = before.frames;
                draft.section().firstDiffers = before.firstDiffers;
                draft.section().numbering = before.numbering;
            }
        }
        double top = flow.y;
        double lowest = top;
        double over = 0;
        for (int i = 0; i < columns.columns().size(); i++) {
            Flow column = new Flow(edges.get(i)[0], edges.get(i)[1], over > 0 ? over : top);
            over = 0;
            for (Element element : columns.columns().get(i)) {
                elementMaker.columnStarts(i > 0 && element == columns.columns().get(i).get(0));
                elementMaker.add(element, column, false);
            }
            elementMaker.columnStarts(false);
            if (continues(columns.columns().get(i), page.index())) carried = column.y;
            else if (continues(columns.columns().get(i), -1)) over = column.y;
            else lowest = Math.max(lowest, column.y);
            if (i + 1 < columns.columns().size()) endColumn(columns, i);
        }
        flow.y = lowest;
    }

    /** Ragged columns are as wide as the widest; the first and last reach to the margins. */
    private static void widen(List<double[]> edges, Flow flow) {
        double widest = edges.stream().mapToDouble(edge -> edge[1] - edge[0]).max().orElse(0);
        for (int i = 0; i < edges.size(); i++) {
            double limit = i + 1 < edges.size() ? edges.get(i + 1)[0] - 5 : Math.max(flow.right, edges.get(i)[1]);
            edges.get(i)[1] = Math.min(limit, Math.max(edges.get(i)[1], edges.get(i)[0] + widest));
        }
        edges.get(0)[0] = Math.min(edges.get(0)[0], flow.left);
        edges.get(edges.size() - 1)[1] = Math.max(edges.get(edges.size() - 1)[1], flow.right);
    }

    /** Whether a place lies between two columns. */
    static boolean isBetween(double x, List<double[]> edges) {
        for (int i = 1; i < edges.size(); i++) if (x > edges.get(i - 1)[1] - 1 && x < edges.get(i)[0] + 1) return true;
        return false;
    }

    /** The next column begins where it began: a column break, unless a paragraph flows over by itself. */
    private void endColumn(Element.Columns columns, int index) {
        List<Element> column = columns.columns().get(index);
        Element last = column.isEmpty() ? null : column.get(column.size() - 1);
        if (last instanceof Element.Text text && text.para().continues()) return;
        draft.appendToLast(new Inline.Text(String.valueOf(Inline.COLUMN_BREAK), Look.PLAIN));
    }

    private void begin(Section.Start start, Section.PageGeometry geometry, Section.Columns columns, List<double[]> edges) {
        draft.begin(start, geometry, columns, edges);
        elementMaker.sectionBegan();
    }

    private void dressFrames(FramePlan.Stretch stretch, boolean numbered, PageMatter page) {
        Margins edges = margins.get(PageExtents.sizeKey(page));
        boolean own = PageExtents.sizeKey(pages.get(stretch.normal())) != PageExtents.sizeKey(page);
        int sample = own ? page.index() : stretch.normal();
        put(Section.FramePlace.HEADER, sample, edges);
        put(Section.FramePlace.FOOTER, sample, edges);
        if (stretch.even() >= 0) {
            int even = own ? page.index() : stretch.even();
            put(Section.FramePlace.EVEN_HEADER, even, edges);
            put(Section.FramePlace.EVEN_FOOTER, even, edges);
        }
        if (stretch.firstDiffers() && numbered) {
            draft.section().firstDiffers = true;
            put(Section.FramePlace.FIRST_HEADER, stretch.from(), edges);
            put(Section.FramePlace.FIRST_FOOTER, stretch.from(), edges);
        }
        if (numbered) draft.section().numbering = new Section.PageNumbering(stretch.format(), stretch.start());
    }

    /** Gives the section the header or footer of a page. */
    private void put(Section.FramePlace place, int page, Margins edges) {
        boolean top = place == Section.FramePlace.HEADER || place == Section.FramePlace.EVEN_HEADER || place == Section.FramePlace.FIRST_HEADER;
        draft.section().frames.put(place, frames.blocks(top ? heads.header(page) : heads.footer(page), heads.pictures(page, top), edges.left(), edges.right(),
                top));
    }
}
