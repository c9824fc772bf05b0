package app.decant.recover.made;

import app.decant.document.Anchor;
import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Colour;
import app.decant.document.Contents;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Picture;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TextBox;
import app.decant.document.TextProperty;
import app.decant.pdf.read.Placed;
import app.decant.recover.line.Chunk;
import app.decant.recover.region.Figure;
import app.decant.recover.region.Framed;
import app.decant.recover.table.TableGrid;
import app.decant.recover.text.Element;
import app.decant.recover.text.Para;
import java.util.ArrayList;
import java.util.List;

/** Puts what was found on a page into the document, each kind in its way: paragraphs, tables, pictures, what floats beside the text. */
final class ElementMaker {
    private final DocumentDraft draft;
    private final BlockMaker maker;
    private final TableMaker tables;
    private final LinkMarks marks;
    private TableGrid lastTable;
    private boolean columnStart;

    ElementMaker(DocumentDraft draft, BlockMaker maker, TableMaker tables, LinkMarks marks) {
        this.draft = draft;
        this.maker = maker;
        this.tables = tables;
        this.marks = marks;
    }

    /** Says whether the next element begins a column but the first. */
    void columnStarts(boolean starts) { columnStart = starts; }

    /** A section began: no table goes on into it. */
    void sectionBegan() { lastTable = null; }

    /** @param startsPage whether it is the first on its page, and has to stand there */
    void add(Element element, Flow flow, boolean startsPage) {
        if (!(element instanceof Element.Grid))
            lastTable = element instanceof Element.Beside || element instanceof Element.Side || element instanceof Element.Boxed ? lastTable : null;
        if (element instanceof Element.Text text) {
            if (text.para().isContentsEntry()) contentsEntry(text.para(), flow, startsPage);
            else draft.addParagraph(marks.marked(maker.paragraph(text.para(), flow), text.para(), maker.origins()), startsPage);
        } else if (element instanceof Element.Grid grid) {
            addTable(grid.table(), flow, startsPage);
        } else if (element instanceof Element.Alone alone) {
            addPicture(alone, flow, startsPage);
        } else if (element instanceof Element.Beside beside) {
            draft.floats(floating(beside.picture(), beside.behind() ? Anchor.Wrap.NONE : Anchor.Wrap.SQUARE, beside.behind() ? Insets.NONE : beside.room(),
                    beside.behind()));
        } else if (element instanceof Element.Boxed boxed) {
            draft.floats(textBox(boxed, Anchor.Wrap.SQUARE));
        } else if (element instanceof Element.Drawn drawn) {
            addFigure(drawn, flow, startsPage);
        } else if (element instanceof Element.Side side) {
            List<Block> inner = new ArrayList<>();
            Flow box = new Flow(side.left(), side.right() + 3, side.top() - 2);
            for (Element one : side.elements())
                if (one instanceof Element.Text text) inner.add(marks.marked(maker.paragraph(text.para(), box), text.para(), maker.origins()));
            TextBox content = new TextBox(inner, side.right() - side.left() + 3, side.bottom() - side.top() + 6, false, Insets.NONE, null, null);
            draft.floats(new Inline.Floating(anchor(side.left(), side.top() - 2, Anchor.Wrap.NONE, Insets.NONE, false), content, Look.PLAIN));
        } else if (element instanceof Element.Columns columns) {
            // Columns within a column run on as one.
            for (List<Element> column : columns.columns()) for (Element one : column) add(one, flow, false);
        }
    }

    /** A drawing that stands where it stood, behind whatever is written there. */
    void behind(Placed placed) {
        draft.floats(new Inline.Floating(anchor(placed.x(), placed.y(), Anchor.Wrap.NONE, Insets.NONE, true), placed.picture(), Look.PLAIN));
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
            if (one instanceof Element.Text text) inner.add(marks.marked(maker.paragraph(text.para(), flow), text.para(), maker.origins()));
        Border edge = frame.edge() == null ? null : new Border(Border.Line.SINGLE, Math.max(0.25, BlockMaker.rounded(frame.edge().width())),
                new Colour(frame.edge().rgb()), 0);
        TextBox content = new TextBox(inner, frame.width(), frame.height(), false, padding, edge, frame.fill() == null ? null : new Colour(frame.fill()));
        return new Inline.Floating(anchor(frame.left(), frame.top(), wrap, boxed.room(), false), content, Look.PLAIN);
    }

    /** A picture that floats where its page shows it. */
    static Inline.Floating floating(Placed placed, Anchor.Wrap wrap, Insets room, boolean behind) {
        return new Inline.Floating(anchor(placed.x(), placed.y(), wrap, room, behind), placed.picture(), Look.PLAIN);
    }

    private static Anchor anchor(double x, double y, Anchor.Wrap wrap, Insets distance, boolean behind) {
        return new Anchor(new Anchor.Horizontal(Anchor.Horizontal.From.PAGE, null, BlockMaker.rounded(x)), new Anchor.Vertical(Anchor.Vertical.From.PAGE,
                null, BlockMaker.rounded(y)), wrap, distance, behind);
    }

    private void addPicture(Element.Alone alone, Flow flow, boolean startsPage) {
        Placed placed = alone.picture();
        Picture picture = placed.picture();
        Section.PageGeometry page = draft.section().geometry;
        double foot = page.height() - page.bottom();
        double room = flow.y + picture.height() > foot + 1 ? Math.max(10, foot - flow.y - 2) : picture.height();
        boolean beyond = placed.left() < -1 || placed.right() > page.width() + 1 || picture.height() > 0.95 * page.height();
        // What hangs above the text, such as a sign beside a header, must not push it down.
        boolean above = placed.bottom() < flow.y + 2;
        if (beyond || above || room < picture.height() && placed.top() < flow.y - 1) {
            behind(placed);
            return;
        }
        draft.addParagraph(TableMaker.picture(placed, flow), startsPage);
    }

    /** A figure's parts float in their places; an empty line as tall as the figure keeps its room. */
    private void addFigure(Element.Drawn drawn, Flow flow, boolean startsPage) {
        Figure figure = drawn.figure();
        figure.pictures().forEach(this::behind);
        for (Element.Boxed label : drawn.labels()) draft.floats(textBox(label, Anchor.Wrap.NONE));
        Section.PageGeometry page = draft.section().geometry;
        double room = Math.max(1, Math.min(figure.height(), page.height() - page.bottom() - Math.max(flow.y, figure.top())));
        Look look = Look.of(ParagraphProperty.SPACE_BEFORE, BlockMaker.rounded(Math.max(0, figure.top() - flow.y))).with(ParagraphProperty.LINE_SPACING,
                new ParagraphProperty.LineSpacing(ParagraphProperty.LineSpacing.Rule.EXACTLY, BlockMaker.rounded(room)));
        draft.addParagraph(new Paragraph("Normal", look, Look.of(TextProperty.SIZE, 1.0), List.of()), startsPage);
        flow.y = Math.max(flow.y, figure.top()) + room;
    }

    private void addTable(TableGrid grid, Flow flow, boolean startsPage) {
        double reached = startsPage ? draft.section().geometry.top() : flow.y;
        Table table = tables.table(grid, flow);
        int index = draft.blocks().size() - 1;
        if (startsPage && lastTable != null && index >= 0 && draft.blocks().get(index) instanceof Table above && ContinuedTable.goesOn(lastTable, grid)) {
            draft.blocks().set(index, ContinuedTable.joined(above, lastTable, table, grid));
            lastTable = grid;
            return;
        }
        double gap = grid.top() - reached;
        boolean afterParagraph = !columnStart && index >= 0 && draft.blocks().get(index) instanceof Paragraph;
        if (startsPage || draft.hasFloating() || gap > 1 && !afterParagraph) {
            double size = Math.max(1, Math.min(8, gap));
            Look look = Look.of(ParagraphProperty.LINE_SPACING, new ParagraphProperty.LineSpacing(ParagraphProperty.LineSpacing.Rule.EXACTLY,
                    BlockMaker.rounded(Math.max(0.5, gap))));
            draft.addParagraph(new Paragraph("Normal", look, Look.of(TextProperty.SIZE, size), List.of()), startsPage);
        } else if (gap > 0.3 && afterParagraph && draft.blocks().get(index) instanceof Paragraph paragraph) {
            draft.replaceLast(paragraph, paragraph.withLook(paragraph.look().with(ParagraphProperty.SPACE_AFTER, BlockMaker.rounded(gap))));
        }
        draft.blocks().add(table);
        lastTable = grid;
    }

    private void contentsEntry(Para para, Flow flow, boolean startsPage) {
        Paragraph entry = marks.entry(para, maker.paragraph(para, flow), flow);
        if (startsPage) entry = entry.withLook(entry.look().with(ParagraphProperty.PAGE_BREAK_BEFORE, true));
        maker.origins().put(entry, para);
        int index = draft.blocks().size() - 1;
        int level = StandardStyle.of(entry.style()).contents();
        if (index >= 0 && draft.blocks().get(index) instanceof Contents contents) {
            List<Paragraph> entries = new ArrayList<>(contents.entries());
            entries.add(entry);
            draft.blocks().set(index, new Contents(1, Math.max(level, contents.toLevel()), entries));
        } else {
            draft.blocks().add(new Contents(1, level, List.of(entry)));
        }
    }
}
