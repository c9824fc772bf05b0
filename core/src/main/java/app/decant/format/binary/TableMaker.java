package app.decant.format.binary;

import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.Table;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.Running;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TableProperty;
import app.decant.format.StandingCell;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** Writes a table as paragraphs that end in cell marks, and row marks that say what the cells are like (MS-DOC 2.4.3, 2.9.313 TDefTableOperand). */
final class TableMaker {
    private static final int MOST_CELLS = 63;

    private final StoryMaker maker;
    private final DocWriter writer;

    TableMaker(StoryMaker maker) {
        this.maker = maker;
        this.writer = maker.writer;
    }

    void table(Table table, StoryMaker.Place place) {
        for (int r = 0; r < table.rows().size(); r++) row(table, r, place);
    }

    private static List<StandingCell> standing(Table table, int r) {
        List<StandingCell> cells = StandingCell.in(table, r);
        return cells.size() > MOST_CELLS ? cells.subList(0, MOST_CELLS) : cells;
    }

    private void row(Table table, int r, StoryMaker.Place outer) {
        int depth = outer.depth() + 1;
        List<StandingCell> cells = standing(table, r);
        for (StandingCell one : cells) {
            Look look = writer.cascade().cell(table, one.firstRow(), one.cell());
            StoryMaker.Place place = new StoryMaker.Place(depth, look);
            if (one.continues()) maker.cell(List.of(Paragraph.of("")), place);
            else maker.cell(one.cell().blocks(), place);
        }
        Properties end = new Properties().flag(0x2416, true).four(0x6649, depth);
        if (depth > 1) end.flag(0x244B, true).flag(0x244C, true);
        else end.flag(0x2417, true);
        end.all(rowProperties(table, r, cells));
        maker.story.end(depth > 1 ? StoryMaker.PARAGRAPH : StoryMaker.CELL, new Properties(), 0, end);
    }

    private Properties rowProperties(Table table, int r, List<StandingCell> cells) {
        Look whole = writer.cascade().table(table);
        Look row = table.rows().get(r).look();
        Insets padding = whole.get(TableProperty.PADDING, new Insets(0, 5.4, 0, 5.4));
        Properties made = new Properties();
        Alignment alignment = whole.get(TableProperty.ALIGNMENT);
        if (alignment == Alignment.CENTRE || alignment == Alignment.END) made.two(0x5400, alignment == Alignment.CENTRE ? 1 : 2);
        int gap = LookProperties.twips((padding.left() + padding.right()) / 2);
        made.two(0x9602, gap);
        if (whole.is(TableProperty.FITTED)) made.flag(0x3615, true);
        if (row.is(TableProperty.KEEP_ROW)) made.flag(0x3403, true).flag(0x3466, true);
        if (row.is(TableProperty.HEADER_ROW)) made.flag(0x3404, true);
        Double height = row.get(TableProperty.ROW_HEIGHT);
        if (height != null) made.two(0x9407, LookProperties.twips(height) * (row.is(TableProperty.ROW_HEIGHT_EXACT) ? -1 : 1));
        List<Integer> edges = edges(table, whole, padding, cells);
        Bytes definition = new Bytes().one(cells.size());
        for (int edge : edges) definition.two(edge);
        for (int i = 0; i < cells.size(); i++) definition.all(cell(table, cells.get(i), edges.get(i + 1) - edges.get(i)));
        made.counted(0xD608, definition.toBytes());
        shading(made, table, cells);
        colours(made, table, cells);
        padding(made, table, cells, padding);
        return made;
    }

    /** Where cells begin and end, from the text's edge: the first one's letters stand there, so its edge lies before it by its padding. */
    private List<Integer> edges(Table table, Look whole, Insets padding, List<StandingCell> cells) {
        double start = whole.get(TableProperty.INDENT, 0.0) - padding.left();
        List<Integer> edges = new ArrayList<>();
        double at = start;
        List<Double> columns = new ArrayList<>();
        for (double width : table.columns()) {
            columns.add(at);
            at += width;
        }
        columns.add(at);
        for (StandingCell one : cells) edges.add(LookProperties.twips(columns.get(Math.min(one.cell().column(), columns.size() - 1))));
        Table.Cell last = cells.isEmpty() ? null : cells.get(cells.size() - 1).cell();
        edges.add(LookProperties.twips(last == null ? at : columns.get(Math.min(last.column() + last.columnSpan(), columns.size() - 1))));
        return edges;
    }

    /** 2.9.327, TC80. */
    private byte[] cell(Table table, StandingCell one, int width) {
        Look look = writer.cascade().cell(table, one.firstRow(), one.cell());
        int merge = !one.reaches() ? 0 : one.continues() ? 1 : 3;
        VerticalAlignment vertical = look.get(TableProperty.VERTICAL_ALIGNMENT, VerticalAlignment.TOP);
        Running running = look.get(TableProperty.RUNNING, Running.ACROSS);
        int flow = running == Running.UP ? 3 : running == Running.DOWN ? 1 : 0;
        int flags = flow << 2 | merge << 5 | vertical.ordinal() << 7 | 3 << 9;
        Bytes bytes = new Bytes().two(flags).two(width);
        for (Border side : sides(look)) bytes.four(side == null ? 0xFFFFFFFFL : LookProperties.oldBorder(side));
        return bytes.toBytes();
    }

    private static List<Border> sides(Look look) {
        Borders borders = look.get(TableProperty.BORDERS, Borders.OPEN);
        return Arrays.asList(borders.top(), borders.left(), borders.bottom(), borders.right());
    }

    /** 2.9.52: in three lists of at most 22 cells. */
    private void shading(Properties made, Table table, List<StandingCell> cells) {
        int[] codes = {0xD612, 0xD616, 0xD60C};
        boolean any = cells.stream().anyMatch(one -> colour(table, one) != null);
        if (!any) return;
        for (int part = 0; part < 3 && part * 22 < cells.size(); part++) {
            Bytes list = new Bytes();
            for (StandingCell one : cells.subList(part * 22, Math.min(cells.size(), part * 22 + 22))) {
                Colour colour = colour(table, one);
                list.all(colour == null || colour.isAutomatic() ? new Bytes().four(0xFF000000L).four(0xFF000000L).two(0).toBytes()
                        : LookProperties.shading(colour));
            }
            made.variable(codes[part], list.toBytes());
        }
    }

    private Colour colour(Table table, StandingCell one) { return writer.cascade().cell(table, one.firstRow(), one.cell()).get(TableProperty.SHADING); }

    /** The true colours of borders (2.9.20, BrcCv), which the first readers pass over. */
    private void colours(Properties made, Table table, List<StandingCell> cells) {
        for (int side = 0; side < 4; side++) {
            Bytes list = new Bytes();
            for (StandingCell one : cells) {
                Border border = sides(writer.cascade().cell(table, one.firstRow(), one.cell())).get(side);
                list.four(border == null || !border.isVisible() ? 0xFF000000L : LookProperties.colour(border.colour()));
            }
            made.variable(0xD61A + side, list.toBytes());
        }
    }

    /** 2.9.43, CSSAOperand: for the whole row, then for cells that have their own. */
    private static void padding(Properties made, Table table, List<StandingCell> cells, Insets whole) {
        padding(made, 0xD634, 0, 1, whole);
        for (int i = 0; i < cells.size(); i++) {
            Insets own = cells.get(i).cell().look().get(TableProperty.PADDING);
            if (own != null) padding(made, 0xD632, i, i + 1, own);
        }
    }

    private static void padding(Properties made, int code, int from, int to, Insets padding) {
        double[] sides = {padding.top(), padding.left(), padding.bottom(), padding.right()};
        for (int side = 0; side < 4; side++)
            made.variable(code, new Bytes().one(from).one(to).one(1 << side).one(3).two(LookProperties.twips(sides[side])).toBytes());
    }
}
