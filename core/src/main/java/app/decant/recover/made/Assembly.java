package app.decant.recover.made;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Numbering;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Picture;
import app.decant.document.Section;
import app.decant.document.StyleSheet;
import app.decant.document.Table;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty;
import app.decant.document.TextBox;
import app.decant.document.TextProperty;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.Ink;
import app.decant.pdf.read.Placed;
import app.decant.pdf.read.TagTree;
import app.decant.recover.line.Chunk;
import app.decant.recover.line.TextLine;
import app.decant.recover.region.Figure;
import app.decant.recover.region.Framed;
import app.decant.recover.region.Margins;
import app.decant.recover.region.PageMatter;
import app.decant.recover.region.RunningHeads;
import app.decant.recover.table.TableGrid;
import app.decant.recover.text.Body;
import app.decant.recover.text.Element;
import app.decant.recover.text.Para;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;

/** Puts the document together, page after page: sections with their pages, columns and frames, and in them the blocks. */
public final class Assembly {
    private final List<PageMatter> pages;
    private final Body body;
    private final RunningHeads heads;
    private final Map<Integer, Margins> margins;
    private final BlockMaker blocks;
    private final TableMaker tables;
    private final FrameBlocks frames;
    private final LinkMarks marks;
    private final PageExtents extents;
    private final List<Section> sections = new ArrayList<>();
    private final List<Inline> floating = new ArrayList<>();
    private SectionDraft draft;
    private TableGrid lastTable;
    private final Set<Integer> closed = new HashSet<>();
    private double reached;
    private double carried;
    private boolean columnStart;

    /** A section while it grows. */
    private static final class SectionDraft {
        Section.Start start;
        Section.PageGeometry geometry;
        Section.Columns columns;
        Section.PageNumbering numbering = Section.PageNumbering.CONTINUED;
        Map<Section.FramePlace, List<Block>> frames = new HashMap<>();
        boolean firstDiffers;
        List<double[]> edges;
        final List<Block> blocks = new ArrayList<>();
    }

    public Assembly(List<PageMatter> pages, Body body, RunningHeads heads, Map<Integer, Margins> margins, BlockMaker blocks, LinkMarks marks,
            Function<Glyph, TagTree.Element> tags) {
        this.pages = pages;
        this.body = body;
        this.heads = heads;
        this.margins = margins;
        this.blocks = blocks;
        this.tables = new TableMaker(blocks, tags);
        this.frames = new FrameBlocks(blocks.runs());
        this.marks = marks;
        extents = new PageExtents(pages, body, heads, margins, blocks);
    }

    public Document document(Facts facts, Numbering numbering) {
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
        endSection();
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
        boolean newSection = draft == null || starts != null || sized;
        // Text that flows over from the page before may be all there is.
        if (elements.isEmpty() && carried > 0 && !newSection) return;
        Margins edges = margins.get(PageExtents.sizeKey(page));
        boolean columnsFirst = !elements.isEmpty() && elements.get(0) instanceof Element.Columns;
        if (newSection) {
            begin(Section.Start.NEXT_PAGE, extents.geometry(page), Section.Columns.ONE, null);
            dressFrames(starts != null ? starts : stretch, starts != null, page);
        } else if (draft.edges != null && carried > 0 && elements.stream().allMatch(element -> isWithin(element, draft.edges.get(0)))) {
            // The last page of columns often fills the first one only.
            Flow column = new Flow(draft.edges.get(0)[0], draft.edges.get(0)[1], carried);
            carried = 0;
            for (Element element : elements) add(element, column, false);
            if (!floating.isEmpty()) attachToLast();
            if (continues(elements, page.index())) carried = column.y;
            reached = column.y;
            return;
        } else if (draft.edges != null && !(columnsFirst && sameEdges(draft.edges, ((Element.Columns) elements.get(0)).edges()))) {
            begin(Section.Start.NEXT_PAGE, extents.geometry(page), Section.Columns.ONE, null);
        }
        double top = draft.geometry.top();
        boolean carries = carried > 0;
        Flow flow = new Flow(edges.left(), edges.right(), carries ? carried : top);
        carried = 0;
        boolean first = !newSection && draft.edges == null && !carries;
        SectionDraft opened = draft;
        int before = draft.blocks.size();
        boolean follows = first;
        for (Element element : elements) {
            if (element instanceof Element.Columns columns) {
                columns(columns, flow, page, first || !newSection && draft.edges != null);
                first = false;
                continue;
            }
            if (draft.edges != null) begin(Section.Start.CONTINUOUS, extents.geometry(page), Section.Columns.ONE, null);
            boolean breaks = first && !(element instanceof Element.Beside) && !(element instanceof Element.Side) && !(element instanceof Element.Boxed);
            add(element, flow, breaks);
            if (breaks) first = false;
        }
        if (elements.isEmpty() && !closed.contains(page.index())) {
            // An empty page stays one.
            Paragraph blank = new Paragraph("Normal", first ? Look.of(ParagraphProperty.PAGE_BREAK_BEFORE, true) : Look.PLAIN,
                    Look.of(TextProperty.SIZE, 8.0), List.of());
            draft.blocks.add(blank);
        }
        // Where all that a page holds floats, it must not hang on the page before.
        if (!floating.isEmpty() && follows && draft == opened && draft.blocks.size() == before)
            draft.blocks.add(new Paragraph("Normal", Look.of(ParagraphProperty.PAGE_BREAK_BEFORE, true), Look.of(TextProperty.SIZE, 1.0), List.of()));
        if (!floating.isEmpty()) attachToLast();
        if (continues(elements, page.index())) carried = flow.y;
        else if (page.index() + 1 < pages.size()) releaseHeading();
        reached = flow.y;
    }

    /** A heading that ends a page stays there, though its text comes on the next. */
    private void releaseHeading() {
        int index = draft.blocks.size() - 1;
        if (index < 0 || !(draft.blocks.get(index) instanceof Paragraph paragraph)) return;
        Para origin = blocks.origins().get(paragraph);
        if (origin != null && origin.headingLevel() > 0)
            replaceLast(paragraph, paragraph.withLook(paragraph.look().with(ParagraphProperty.KEEP_WITH_NEXT, false)));
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
        boolean goesOn = pageStart && draft.edges != null && sameEdges(draft.edges, columns.edges());
        List<double[]> edges = goesOn ? draft.edges : columns.edges();
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
            boolean onlyStart = draft.blocks.isEmpty();
            Section.Start start = onlyStart ? draft.start : pageStart ? Section.Start.NEXT_PAGE : Section.Start.CONTINUOUS;
            SectionDraft before = draft;
            if (onlyStart) draft = null;
            begin(start, geometry, new Section.Columns(edges.size(), widths.get(1), line, widths), edges);
            if (onlyStart) {
                draft.frames = before.frames;
                draft.firstDiffers = before.firstDiffers;
                draft.numbering = before.numbering;
            }
        }
        double top = flow.y;
        double lowest = top;
        double over = 0;
        for (int i = 0; i < columns.columns().size(); i++) {
            Flow column = new Flow(edges.get(i)[0], edges.get(i)[1], over > 0 ? over : top);
            over = 0;
            for (Element element : columns.columns().get(i)) {
                columnStart = i > 0 && element == columns.columns().get(i).get(0);
                add(element, column, false);
            }
            columnStart = false;
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

    private static boolean isBetween(double x, List<double[]> edges) {
        for (int i = 1; i < edges.size(); i++) if (x > edges.get(i - 1)[1] - 1 && x < edges.get(i)[0] + 1) return true;
        return false;
    }

    /** The next column begins where it began: a column break, unless a paragraph flows over by itself. */
    private void endColumn(Element.Columns columns, int index) {
        List<Element> column = columns.columns().get(index);
        Element last = column.isEmpty() ? null : column.get(column.size() - 1);
        if (last instanceof Element.Text text && text.para().continues()) return;
        appendToLast(new Inline.Text(String.valueOf(Inline.COLUMN_BREAK), Look.PLAIN));
    }

    private void appendToLast(Inline inline) {
        int index = draft.blocks.size() - 1;
        if (index >= 0 && draft.blocks.get(index) instanceof Paragraph paragraph) {
            replaceLast(paragraph, inlinesWith(paragraph, inline));
        } else {
            draft.blocks.add(new Paragraph("Normal", Look.PLAIN, Look.of(TextProperty.SIZE, 1.0), List.of(inline)));
        }
    }

    private static Paragraph inlinesWith(Paragraph paragraph, Inline inline) {
        List<Inline> inlines = new ArrayList<>(paragraph.inlines());
        inlines.add(inline instanceof Inline.Text text ? text.with(paragraph.mark()) : inline);
        return paragraph.withInlines(inlines);
    }

    private void replaceLast(Paragraph before, Paragraph now) {
        draft.blocks.set(draft.blocks.size() - 1, now);
        Para origin = blocks.origins().get(before);
        if (origin != null) blocks.origins().put(now, origin);
    }

    private void add(Element element, Flow flow, boolean startsPage) {
        if (!(element instanceof Element.Grid))
            lastTable = element instanceof Element.Beside || element instanceof Element.Side || element instanceof Element.Boxed ? lastTable : null;
        if (element instanceof Element.Text text) {
            if (text.para().isContentsEntry()) contentsEntry(text.para(), flow, startsPage);
            else addParagraph(marks.marked(blocks.paragraph(text.para(), flow), text.para(), blocks.origins()), startsPage);
        } else if (element instanceof Element.Grid grid) {
            addTable(grid.table(), flow, startsPage);
        } else if (element instanceof Element.Alone alone) {
            addPicture(alone, flow, startsPage);
        } else if (element instanceof Element.Beside beside) {
            floating.add(new Inline.Floating(anchor(beside.picture().x(), beside.picture().y(), beside.behind() ? Anchor.Wrap.NONE : Anchor.Wrap.SQUARE,
                    beside.behind() ? Insets.NONE : beside.room(), beside.behind()), beside.picture().picture(), Look.PLAIN));
        } else if (element instanceof Element.Boxed boxed) {
            floating.add(textBox(boxed, Anchor.Wrap.SQUARE));
        } else if (element instanceof Element.Drawn drawn) {
            addFigure(drawn, flow, startsPage);
        } else if (element instanceof Element.Side side) {
            List<Block> inner = new ArrayList<>();
            Flow box = new Flow(side.left(), side.right() + 3, side.top() - 2);
            for (Element one : side.elements())
                if (one instanceof Element.Text text) inner.add(marks.marked(blocks.paragraph(text.para(), box), text.para(), blocks.origins()));
            TextBox content = new TextBox(inner, side.right() - side.left() + 3, side.bottom() - side.top() + 6, false, Insets.NONE, null, null);
            floating.add(new Inline.Floating(anchor(side.left(), side.top() - 2, Anchor.Wrap.NONE, Insets.NONE, false), content, Look.PLAIN));
        } else if (element instanceof Element.Columns columns) {
            // Columns within a column run on as one.
            for (List<Element> column : columns.columns()) for (Element one : column) add(one, flow, false);
        }
    }

    private Inline textBox(Element.Boxed boxed, Anchor.Wrap wrap) {
        Framed frame = boxed.box();
        double left = frame.chunks().stream().mapToDouble(Chunk::left).min().orElse(frame.left());
        double top = frame.chunks().stream().mapToDouble(chunk -> chunk.baseline() - chunk.size()).min().orElse(frame.top());
        Insets padding = new Insets(BlockMaker.rounded(Math.max(0, Math.min(12, top - frame.top()))),
                BlockMaker.rounded(Math.max(0, Math.min(4, left - frame.left()))), 0, BlockMaker.rounded(Math.max(0, left - frame.left())));
        Flow flow = new Flow(frame.left() + padding.left(), frame.right() - padding.right(), frame.top() + padding.top());
        List<Block> inner = new ArrayList<>();
        for (Element one : boxed.elements())
            if (one instanceof Element.Text text) inner.add(marks.marked(blocks.paragraph(text.para(), flow), text.para(), blocks.origins()));
        Border edge = frame.edge() == null ? null : new Border(Border.Line.SINGLE, Math.max(0.25, BlockMaker.rounded(frame.edge().width())),
                new Colour(frame.edge().rgb()), 0);
        TextBox content = new TextBox(inner, frame.width(), frame.height(), false, padding, edge, frame.fill() == null ? null : new Colour(frame.fill()));
        return new Inline.Floating(anchor(frame.left(), frame.top(), wrap, boxed.room(), false), content, Look.PLAIN);
    }

    private static Anchor anchor(double x, double y, Anchor.Wrap wrap, Insets distance, boolean behind) {
        return new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.PAGE, null, BlockMaker.rounded(x)), new Anchor.Vertical(Anchor.Vertical.From.PAGE,
                null, BlockMaker.rounded(y)), wrap, distance, behind);
    }

    private void addParagraph(Paragraph made, boolean startsPage) {
        Paragraph paragraph = made;
        Para origin = blocks.origins().get(made);
        if (!floating.isEmpty()) {
            List<Inline> inlines = new ArrayList<>(floating);
            inlines.addAll(paragraph.inlines());
            floating.clear();
            paragraph = paragraph.withInlines(inlines);
        }
        if (startsPage && needsBreak(paragraph, origin)) paragraph = paragraph.withLook(paragraph.look().with(ParagraphProperty.PAGE_BREAK_BEFORE, true));
        if (origin != null) blocks.origins().put(paragraph, origin);
        draft.blocks.add(paragraph);
    }

    /** Whether the page before had room for the paragraph's first line, so that it would not come here by itself. */
    private boolean needsBreak(Paragraph paragraph, Para origin) {
        if (origin == null || paragraph.look().get(ParagraphProperty.SPACE_BEFORE, 0.0) > 1.5) return true;
        double room = draft.geometry.height() - draft.geometry.bottom() - reached;
        double need = origin.size() * 1.25 * (origin.headingLevel() > 0 ? 2.3 : 1);
        return room > need;
    }

    /** What floats at the end of a page hangs on its last paragraph. */
    private void attachToLast() {
        int index = draft.blocks.size() - 1;
        if (index < 0 || !(draft.blocks.get(index) instanceof Paragraph))
            draft.blocks.add(new Paragraph("Normal", Look.PLAIN, Look.of(TextProperty.SIZE, 1.0), List.of()));
        for (Inline inline : floating) appendToLast(inline);
        floating.clear();
    }

    private void addPicture(Element.Alone alone, Flow flow, boolean startsPage) {
        Placed placed = alone.picture();
        Picture picture = placed.picture();
        double room = flow.y + picture.height() > draft.geometry.height() - draft.geometry.bottom() + 1 ? Math.max(10, draft.geometry.height()
                - draft.geometry.bottom() - flow.y - 2) : picture.height();
        if (placed.left() < -1 || placed.right() > draft.geometry.width() + 1 || picture.height() > 0.95 * draft.geometry.height() || room < picture.height()
                && placed.top() < flow.y - 1) {
            floating.add(new Inline.Floating(anchor(placed.x(), placed.y(), Anchor.Wrap.NONE, Insets.NONE, true), picture, Look.PLAIN));
            return;
        }
        Look look = Look.of(ParagraphProperty.SPACE_BEFORE, BlockMaker.rounded(Math.max(0, placed.top() - flow.y)));
        boolean centred = Math.abs(placed.middleX() - (flow.left + flow.right) / 2) < 3 && placed.left() > flow.left + 6;
        if (centred) look = look.with(ParagraphProperty.ALIGNMENT, ParagraphProperty.Alignment.CENTRE);
        else if (Math.abs(placed.left() - flow.left) > 0.6) look = look.with(ParagraphProperty.INDENT_START, BlockMaker.rounded(placed.left() - flow.left));
        look = look.with(ParagraphProperty.LINE_SPACING, ParagraphProperty.LineSpacing.SINGLE);
        Paragraph plain = TableMaker.picture(placed);
        addParagraph(new Paragraph("Normal", look, plain.mark(), plain.inlines()), startsPage);
        flow.y = Math.max(flow.y, placed.top()) + picture.height() + 0.25;
    }

    /** A figure's parts float in their places; an empty line as tall as the figure keeps its room. */
    private void addFigure(Element.Drawn drawn, Flow flow, boolean startsPage) {
        Figure figure = drawn.figure();
        for (Placed placed : figure.pictures())
            floating.add(new Inline.Floating(anchor(placed.x(), placed.y(), Anchor.Wrap.NONE, Insets.NONE, true), placed.picture(), Look.PLAIN));
        for (Element.Boxed label : drawn.labels()) floating.add(textBox(label, Anchor.Wrap.NONE));
        double room = Math.max(1, Math.min(figure.height(), draft.geometry.height() - draft.geometry.bottom() - Math.max(flow.y, figure.top())));
        Look look = Look.of(ParagraphProperty.SPACE_BEFORE, BlockMaker.rounded(Math.max(0, figure.top() - flow.y))).with(ParagraphProperty.LINE_SPACING,
                new ParagraphProperty.LineSpacing(ParagraphProperty.LineSpacing.Rule.EXACTLY, BlockMaker.rounded(room)));
        addParagraph(new Paragraph("Normal", look, Look.of(TextProperty.SIZE, 1.0), List.of()), startsPage);
        flow.y = Math.max(flow.y, figure.top()) + room;
    }

    private void addTable(TableGrid grid, Flow flow, boolean startsPage) {
        double reached = startsPage ? draft.geometry.top() : flow.y;
        Table table = tables.table(grid, flow);
        int index = draft.blocks.size() - 1;
        if (startsPage && lastTable != null && index >= 0 && draft.blocks.get(index) instanceof Table above && goesOn(lastTable, grid)) {
            draft.blocks.set(index, joined(above, lastTable, table, grid));
            lastTable = grid;
            return;
        }
        double gap = grid.top() - reached;
        boolean afterParagraph = !columnStart && index >= 0 && draft.blocks.get(index) instanceof Paragraph;
        if (startsPage || !floating.isEmpty() || gap > 1 && !afterParagraph) {
            double size = Math.max(1, Math.min(8, gap));
            Look look = Look.of(ParagraphProperty.LINE_SPACING, new ParagraphProperty.LineSpacing(ParagraphProperty.LineSpacing.Rule.EXACTLY,
                    BlockMaker.rounded(Math.max(0.5, gap))));
            addParagraph(new Paragraph("Normal", look, Look.of(TextProperty.SIZE, size), List.of()), startsPage);
        } else if (gap > 0.3 && afterParagraph && draft.blocks.get(index) instanceof Paragraph paragraph) {
            replaceLast(paragraph, paragraph.withLook(paragraph.look().with(ParagraphProperty.SPACE_AFTER, BlockMaker.rounded(gap))));
        }
        draft.blocks.add(table);
        lastTable = grid;
    }

    private static boolean goesOn(TableGrid above, TableGrid below) {
        if (above.page() == below.page() || above.columns() != below.columns()) return false;
        if (above.tag() != null && above.tag() == below.tag()) return true;
        for (int i = 0; i < above.xs().length; i++) if (Math.abs(above.xs()[i] - below.xs()[i]) > 4) return false;
        return true;
    }

    /** One table of two parts on following pages; a row of heads that comes again stands once, marked to be repeated. */
    private static Table joined(Table above, TableGrid first, Table below, TableGrid grid) {
        List<Table.Row> rows = new ArrayList<>(above.rows());
        boolean again = TableMaker.rowText(first, 0).equals(TableMaker.rowText(grid, 0)) && grid.rows() > 1;
        if (again) rows.set(0, new Table.Row(rows.get(0).look().with(TableProperty.HEADER_ROW, true), rows.get(0).cells()));
        for (int r = again ? 1 : 0; r < below.rows().size(); r++)
            rows.add(new Table.Row(below.rows().get(r).look().without(TableProperty.HEADER_ROW), below.rows().get(r).cells()));
        return new Table(above.look(), above.columns(), rows);
    }

    private void contentsEntry(Para para, Flow flow, boolean startsPage) {
        Paragraph entry = marks.entry(para, blocks.paragraph(para, flow), flow);
        if (startsPage) entry = entry.withLook(entry.look().with(ParagraphProperty.PAGE_BREAK_BEFORE, true));
        blocks.origins().put(entry, para);
        int index = draft.blocks.size() - 1;
        int level = Integer.parseInt(entry.style().substring(3));
        if (index >= 0 && draft.blocks.get(index) instanceof Contents contents) {
            List<Paragraph> entries = new ArrayList<>(contents.entries());
            entries.add(entry);
            draft.blocks.set(index, new Contents(1, Math.max(level, contents.toLevel()), entries));
        } else {
            draft.blocks.add(new Contents(1, level, List.of(entry)));
        }
    }

    private void begin(Section.Start start, Section.PageGeometry geometry, Section.Columns columns, List<double[]> edges) {
        endSection();
        draft = new SectionDraft();
        draft.start = start;
        draft.geometry = geometry;
        draft.columns = columns;
        draft.edges = edges;
        lastTable = null;
    }

    private void endSection() {
        if (draft == null || draft.blocks.isEmpty()) return;
        sections.add(new Section(draft.start, draft.geometry, draft.columns, draft.numbering, draft.frames, draft.firstDiffers, draft.blocks));
    }

    private void dressFrames(FramePlan.Stretch stretch, boolean numbered, PageMatter page) {
        Margins edges = margins.get(PageExtents.sizeKey(page));
        boolean own = PageExtents.sizeKey(pages.get(stretch.normal())) != PageExtents.sizeKey(page);
        int sample = own ? page.index() : stretch.normal();
        draft.frames.put(Section.FramePlace.HEADER, frames.blocks(heads.header(sample), edges.left(), edges.right(), true));
        draft.frames.put(Section.FramePlace.FOOTER, frames.blocks(heads.footer(sample), edges.left(), edges.right(), false));
        if (stretch.even() >= 0) {
            int even = own ? page.index() : stretch.even();
            draft.frames.put(Section.FramePlace.EVEN_HEADER, frames.blocks(heads.header(even), edges.left(), edges.right(), true));
            draft.frames.put(Section.FramePlace.EVEN_FOOTER, frames.blocks(heads.footer(even), edges.left(), edges.right(), false));
        }
        if (stretch.firstDiffers() && numbered) {
            draft.firstDiffers = true;
            draft.frames.put(Section.FramePlace.FIRST_HEADER, frames.blocks(heads.header(stretch.from()), edges.left(), edges.right(), true));
            draft.frames.put(Section.FramePlace.FIRST_FOOTER, frames.blocks(heads.footer(stretch.from()), edges.left(), edges.right(), false));
        }
        if (numbered) draft.numbering = new Section.PageNumbering(stretch.format(), stretch.start());
    }
}
