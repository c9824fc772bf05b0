package app.decant.recover.made;

import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Inline;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import app.decant.document.Table;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TableProperty;
import app.decant.document.TextProperty;
import app.decant.pdf.read.Ink;
import app.decant.pdf.read.Placed;
import app.decant.recover.line.Chunk;
import app.decant.recover.table.TableGrid;
import app.decant.recover.text.Para;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Objects;

/** Makes tables of the document from grids on pages. */
public final class TableMaker {
    /** The size of letters in cells that nothing tells it of, in points. */
    private static final double BLANK = 8;
    /** What ends this close to each other, in points, ends at one edge. */
    private static final double AT_EDGE = 1.2;

    private final BlockMaker blocks;
    private final CellText cells;

    TableMaker(BlockMaker blocks, CellText cells) {
        this.blocks = blocks;
        this.cells = cells;
    }

    Table table(TableGrid found, Flow flow) {
        TableGrid grid = cells.grid(found);
        Insets padding = CellText.padding(grid);
        List<Double> widths = new ArrayList<>();
        for (int c = 0; c < grid.columns(); c++) widths.add(BlockMaker.rounded(grid.xs()[c + 1] - grid.xs()[c]));
        List<Table.Row> rows = new ArrayList<>();
        int heads = grid.heads() >= 0 ? grid.heads() : hasHeader(grid) ? 1 : 0;
        for (int r = 0; r < grid.rows(); r++) {
            List<Table.Cell> row = new ArrayList<>();
            for (TableGrid.Cell cell : grid.row(r)) row.add(cell(grid, cell, padding));
            Look look = Look.of(TableProperty.ROW_HEIGHT, BlockMaker.rounded(grid.ys()[r + 1] - grid.ys()[r]));
            if (r < heads) look = look.with(TableProperty.HEADER_ROW, true);
            rows.add(new Table.Row(look, dressed(row)));
        }
        Look look = Look.of(TableProperty.PADDING, padding).with(TableProperty.INDENT, BlockMaker.rounded(grid.left() - flow.left));
        flow.y = grid.bottom();
        return new Table(look, widths, rows);
    }

    private Table.Cell cell(TableGrid grid, TableGrid.Cell cell, Insets padding) {
        double y1 = grid.ys()[cell.row()];
        double y2 = grid.ys()[cell.row() + cell.rowSpan()];
        Flow flow = CellText.flow(grid, cell, padding);
        List<Block> content = new ArrayList<>();
        List<Para> paras = cells.of(grid, cell, padding);
        if (cell.columnSpan() == 1 && !grid.blocks()) for (Para para : paras) if (para.item() == null) align(para, grid, cell.column(), flow);
        Look look = Look.of(TableProperty.BORDERS, borders(cell));
        if (cell.shading() != null) look = look.with(TableProperty.SHADING, new Colour(cell.shading()));
        if (!paras.isEmpty() && cell.pictures().isEmpty()) {
            double above = paras.get(0).first().top() - y1;
            double below = y2 - paras.get(paras.size() - 1).last().bottom();
            if (above > padding.top() + 5 && Math.abs(above - below) < 3) look = look.with(TableProperty.VERTICAL_ALIGNMENT, VerticalAlignment.CENTRE);
            else if (above > padding.top() + 8 && below < above / 3) look = look.with(TableProperty.VERTICAL_ALIGNMENT, VerticalAlignment.BOTTOM);
            if (look.says(TableProperty.VERTICAL_ALIGNMENT)) flow.y = paras.get(0).first().top() - 1;
        }
        content.addAll(inOrder(cell.pictures(), paras, flow));
        if (content.isEmpty()) content.add(new Paragraph("Normal", Look.PLAIN, Look.of(TextProperty.SIZE, BlockMaker.rounded(Math.max(1,
                Math.min(BLANK, (y2 - y1) * 0.6)))), List.of()));
        return new Table.Cell(cell.column(), cell.columnSpan(), cell.rowSpan(), look, content);
    }

    /** Pictures and paragraphs as they stand below each other. */
    private List<Block> inOrder(List<Placed> pictures, List<Para> paras, Flow flow) {
        List<Block> content = new ArrayList<>();
        List<Placed> open = new ArrayList<>(pictures);
        open.sort(Comparator.comparingDouble(Placed::top));
        for (Para para : paras) {
            while (!open.isEmpty() && open.get(0).middleY() < para.first().baseline()) content.add(picture(open.remove(0), flow));
            content.add(blocks.paragraph(para, flow));
        }
        for (Placed picture : open) content.add(picture(picture, flow));
        return content;
    }

    /** A picture as a paragraph of its own, where it stands in a column. */
    static Paragraph picture(Placed placed, Flow flow) {
        Look look = Look.of(ParagraphProperty.SPACE_BEFORE, BlockMaker.rounded(Math.max(0, placed.top() - flow.y)));
        boolean centred = Math.abs(placed.middleX() - (flow.left + flow.right) / 2) < 3 && placed.left() > flow.left + 6;
        if (centred) look = look.with(ParagraphProperty.ALIGNMENT, ParagraphProperty.Alignment.CENTRE);
        else if (Math.abs(placed.left() - flow.left) > 0.6) look = look.with(ParagraphProperty.INDENT_START, BlockMaker.rounded(placed.left() - flow.left));
        look = look.with(ParagraphProperty.LINE_SPACING, ParagraphProperty.LineSpacing.SINGLE);
        flow.y = Math.max(flow.y, placed.top()) + placed.picture().height() + 0.25;
        return new Paragraph("Normal", look, Look.of(TextProperty.SIZE, 1.0), List.of(new Inline.InlinePicture(placed.picture(),
                Look.of(TextProperty.SIZE, 1.0))));
    }

    /** What is written into a cell that says nothing looks as what is said in the cell nearest to it in its row. */
    private static List<Table.Cell> dressed(List<Table.Cell> cells) {
        List<Table.Cell> dressed = new ArrayList<>();
        for (int i = 0; i < cells.size(); i++) {
            Table.Cell cell = cells.get(i);
            boolean blank = cell.blocks().size() == 1 && cell.blocks().get(0) instanceof Paragraph one && one.inlines().isEmpty();
            Look like = null;
            for (int away = 1; blank && like == null && away < cells.size(); away++)
                for (int beside : new int[] {i - away, i + away}) if (like == null && beside >= 0 && beside < cells.size()) like = letters(cells.get(beside));
            Look mark = like;
            dressed.add(mark == null ? cell : cell.withBlocks(List.of(((Paragraph) cell.blocks().get(0)).withMark(mark))));
        }
        return dressed;
    }

    /** The font and the size of the first words of a cell; null where it has none. */
    private static Look letters(Table.Cell cell) {
        for (Block block : cell.blocks()) {
            if (!(block instanceof Paragraph paragraph)) continue;
            for (Inline inline : paragraph.inlines()) {
                Look look = inline.look();
                boolean says = inline instanceof Inline.Text text && !text.text().isBlank() && look.says(TextProperty.SIZE) && look.says(TextProperty.FAMILY);
                if (says) return Look.of(TextProperty.SIZE, look.get(TextProperty.SIZE)).with(TextProperty.FAMILY, look.get(TextProperty.FAMILY));
            }
        }
        return null;
    }

    /** What ends or stands in the middle where others of its column do is set so, not indented. */
    private static void align(Para para, TableGrid grid, int column, Flow flow) {
        if (para.lines().size() > 1 || para.first().hasTab() || para.first().isRightToLeft() || para.alignment() != ParagraphProperty.Alignment.START) return;
        int alike = 0;
        int ending = 0;
        int centred = 0;
        for (TableGrid.Cell cell : grid.cells()) {
            if (cell.column() != column || cell.columnSpan() != 1 || cell.chunks().size() != 1) continue;
            Chunk other = cell.chunks().get(0);
            if (Math.abs(other.right() - para.right()) < AT_EDGE && Math.abs(other.left() - para.left()) > 2 * AT_EDGE) ending++;
            if (Math.abs(other.middleX() - (para.left() + para.right()) / 2) < AT_EDGE && Math.abs(other.left() - para.left()) > 2 * AT_EDGE) centred++;
            if (Math.abs(other.left() - para.left()) < AT_EDGE) alike++;
        }
        boolean inMiddle = Math.abs(para.left() + para.right() - flow.left - flow.right) < 2 * AT_EDGE;
        // One of the column is the paragraph itself.
        if (ending >= 1 && ending + 1 > alike && para.left() > flow.left + AT_EDGE) para.align(ParagraphProperty.Alignment.END);
        else if (centred >= 1 && centred + 1 > alike && inMiddle && para.left() > flow.left + AT_EDGE) para.align(ParagraphProperty.Alignment.CENTRE);
    }

    private static Borders borders(TableGrid.Cell cell) {
        return new Borders(border(cell.top()), border(cell.right()), border(cell.bottom()), border(cell.left()), null, null);
    }

    private static Border border(Ink.Stroke stroke) {
        if (stroke == null) return Border.NONE;
        return new Border(stroke.dashed() ? Border.Line.DASHED : Border.Line.SINGLE, Math.max(0.25, Math.round(stroke.width() * 8) / 8.0),
                new Colour(stroke.rgb()), 0);
    }

    /** Whether the first row stands out from the others as a row of heads. */
    static boolean hasHeader(TableGrid grid) {
        if (grid.rows() < 2) return false;
        List<TableGrid.Cell> first = grid.row(0);
        List<TableGrid.Cell> second = grid.row(1);
        if (first.stream().allMatch(cell -> cell.chunks().isEmpty())) return false;
        boolean bold = first.stream().allMatch(cell -> cell.chunks().stream().allMatch(chunk -> chunk.first().face().bold()));
        boolean otherBold = second.stream().anyMatch(cell -> !cell.chunks().isEmpty() && cell.chunks().stream().noneMatch(chunk -> chunk.first().face()
                .bold()));
        boolean shaded = first.stream().allMatch(cell -> cell.shading() != null) && second.stream()
                .anyMatch(cell -> !Objects.equals(cell.shading(), first.get(0).shading()));
        return bold && otherBold || shaded;
    }

    /** The words of a row, by which a repeated one is known. */
    static String rowText(TableGrid grid, int row) {
        StringBuilder text = new StringBuilder();
        for (TableGrid.Cell cell : grid.row(row)) text.append(cell.text()).append('|');
        return text.toString();
    }
}
