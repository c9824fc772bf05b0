package app.decant.recover.table;

import app.decant.pdf.read.Box;
import app.decant.pdf.read.Ink;
import app.decant.pdf.read.Placed;
import app.decant.pdf.read.TagTree;
import app.decant.recover.line.Chunk;
import java.util.ArrayList;
import java.util.List;

/**
 * A table as found on a page.
 *
 * @param xs    the edges of its columns, one more than there are columns
 * @param ys    the edges of its rows
 * @param tag   the element of the tags that it is, or null where tags do not tell
 * @param heads how many rows of heads the tags tell of; -1 where that has to be guessed
 * @param blocks whether its cells are blocks of lines that were each ended by hand, such as addresses
 */
public record TableGrid(double[] xs, double[] ys, List<Cell> cells, int order, int page, TagTree.Element tag, int heads, boolean blocks) implements Box {
    TableGrid(double[] xs, double[] ys, List<Cell> cells, int order, int page) { this(xs, ys, cells, order, page, null, -1, false); }

    /** One cell: where it stands, what stands in it, and how it is drawn; a null side has no line. */
    public record Cell(int row, int column, int rowSpan, int columnSpan, List<Chunk> chunks, List<Placed> pictures, Ink.Stroke top, Ink.Stroke right,
            Ink.Stroke bottom, Ink.Stroke left, Integer shading) {
        public String text() {
            List<String> texts = new ArrayList<>();
            for (Chunk chunk : chunks) texts.add(chunk.text());
            return String.join(" ", texts);
        }
    }

    /** The same with other edges of its columns. */
    public TableGrid withColumns(double[] edges) { return new TableGrid(edges, ys, cells, order, page, tag, heads, blocks); }

    public int rows() { return ys.length - 1; }
    public int columns() { return xs.length - 1; }
    @Override public double left() { return xs[0]; }
    @Override public double right() { return xs[xs.length - 1]; }
    @Override public double top() { return ys[0]; }
    @Override public double bottom() { return ys[ys.length - 1]; }

    /** The cells of one row. */
    public List<Cell> row(int index) { return cells.stream().filter(cell -> cell.row == index).toList(); }
}
