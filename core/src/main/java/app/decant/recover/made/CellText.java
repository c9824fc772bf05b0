package app.decant.recover.made;

import app.decant.document.TableProperty.Insets;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.Placed;
import app.decant.pdf.read.TagTree;
import app.decant.recover.line.Chunk;
import app.decant.recover.line.TextLine;
import app.decant.recover.region.Part;
import app.decant.recover.region.ReadingOrder;
import app.decant.recover.table.TableGrid;
import app.decant.recover.text.Body;
import app.decant.recover.text.Para;
import app.decant.recover.text.ParagraphFinder;
import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Function;

/** The paragraphs in the cells of tables: found once, so that lists are told among them before tables are made. */
public final class CellText {
    private static final double MOST_PADDING = 9;

    private final Function<Glyph, TagTree.Element> tags;
    private final SharedColumns columns;
    private final Map<TableGrid.Cell, List<Para>> paragraphs = new IdentityHashMap<>();

    public CellText(Body body, Function<Glyph, TagTree.Element> tags) {
        this.tags = tags;
        columns = new SharedColumns(body);
    }

    /** The paragraphs of all cells of some tables, cell by cell. */
    public List<List<Para>> all(List<TableGrid> tables) {
        List<List<Para>> all = new ArrayList<>();
        for (TableGrid table : tables) {
            TableGrid grid = grid(table);
            Insets padding = padding(grid);
            for (TableGrid.Cell cell : grid.cells()) all.add(of(grid, cell, padding));
        }
        return all;
    }

    /** A table with the columns that it shares with those that go on from it. */
    TableGrid grid(TableGrid found) { return columns.of(found); }

    /** The room between cell edges and text that most cells show. */
    static Insets padding(TableGrid grid) {
        double left = MOST_PADDING;
        double right = MOST_PADDING;
        double top = MOST_PADDING;
        for (TableGrid.Cell cell : grid.cells()) {
            for (Chunk chunk : cell.chunks()) {
                left = Math.min(left, chunk.left() - grid.xs()[cell.column()]);
                right = Math.min(right, grid.xs()[cell.column() + cell.columnSpan()] - chunk.right());
                top = Math.min(top, chunk.top() - chunk.size() * 0.15 - grid.ys()[cell.row()]);
            }
            for (Placed picture : cell.pictures()) {
                left = Math.min(left, picture.left() - grid.xs()[cell.column()]);
                right = Math.min(right, grid.xs()[cell.column() + cell.columnSpan()] - picture.right());
                top = Math.min(top, picture.top() - grid.ys()[cell.row()]);
            }
        }
        double sides = Math.max(0, left);
        // Text that was set ragged may come near the right edge; it must still fit there.
        return new Insets(BlockMaker.rounded(Math.max(0, Math.min(top, 6))), BlockMaker.rounded(Math.max(0, Math.min(sides, right - 0.5))), 0,
                BlockMaker.rounded(sides));
    }

    /** Where text flows in a cell. */
    static Flow flow(TableGrid grid, TableGrid.Cell cell, Insets padding) {
        double left = grid.xs()[cell.column()] + padding.left();
        double right = grid.xs()[cell.column() + cell.columnSpan()] - padding.right();
        return new Flow(left, Math.max(left + 4, right), grid.ys()[cell.row()] + padding.top());
    }

    List<Para> of(TableGrid grid, TableGrid.Cell cell, Insets padding) {
        return paragraphs.computeIfAbsent(cell, key -> {
            Flow flow = flow(grid, cell, padding);
            List<Para> found = new ArrayList<>();
            ParagraphFinder finder = grid.blocks() ? ParagraphFinder.ofBlocks(tags) : new ParagraphFinder(tags);
            for (Part part : new ReadingOrder(grid.page()).parts(cell.chunks(), flow.left, flow.right)) collect(part, flow, finder, found);
            return found;
        });
    }

    private static void collect(Part part, Flow flow, ParagraphFinder finder, List<Para> paras) {
        if (part instanceof Part.Lines lines) paras.addAll(finder.find(lines.lines(), flow.left, flow.right));
        else if (part instanceof Part.Columns columns) columns.columns().forEach(column -> column.forEach(inner -> collect(inner, flow, finder, paras)));
        else if (part instanceof Part.Side side) side.parts().forEach(inner -> collect(inner, flow, finder, paras));
        else if (part instanceof Part.Grid grid) {
            // A table that seemed to lie in a cell: its rows are lines of the cell.
            List<TextLine> lines = new ArrayList<>();
            for (int r = 0; r < grid.table().rows(); r++) {
                List<Chunk> chunks = new ArrayList<>();
                for (TableGrid.Cell inner : grid.table().row(r)) chunks.addAll(inner.chunks());
                if (!chunks.isEmpty()) lines.addAll(TextLine.byBaseline(chunks, grid.table().page()));
            }
            paras.addAll(finder.find(lines, flow.left, flow.right));
        }
    }
}
