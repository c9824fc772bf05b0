package app.decant.format.binary;

import app.decant.document.Block;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Look;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.Table;
import app.decant.document.TableProperty.Insets;
import app.decant.document.TableProperty.Running;
import app.decant.document.TableProperty.VerticalAlignment;
import app.decant.document.TableProperty;
import app.decant.format.RowGrid;
import app.decant.format.binary.Modifiers.Modifier;
import java.util.ArrayList;
import java.util.List;

/** Rows of a table, each with what its end mark says, made one table over a common grid. */
final class RowReading {
    private static final int CELL = 20;

    private final List<Row> rows = new ArrayList<>();

    /** A row as read: the blocks of its cells, edges of cells in twentieths of a point, what is said of each cell, and of the row. */
    private record Row(List<List<Block>> cells, int[] edges, byte[] definition, List<Modifier> modifiers) { }

    /** Adds a row. @param modifiers of the mark at its end */
    void row(List<List<Block>> cells, List<Modifier> modifiers) {
        byte[] definition = null;
        for (Modifier one : modifiers) if (one.code() == 0xD608) definition = one.operand();
        int count = cells.size();
        int[] edges = new int[count + 1];
        int told = definition == null || definition.length == 0 ? 0 : definition[0] & 0xFF;
        for (int i = 0; i <= count; i++)
            edges[i] = i <= told && definition != null && 1 + 2 * i + 1 < definition.length ? (short) Modifiers.two(definition, 1 + 2 * i) : i == 0 ? 0
                    : edges[i - 1] + 1440;
        rows.add(new Row(cells, edges, definition, modifiers));
    }

    boolean isEmpty() { return rows.isEmpty(); }

    Table table() {
        RowGrid grid = new RowGrid();
        for (Row row : rows) {
            List<RowGrid.Cell> cells = new ArrayList<>();
            for (int c = 0; c < row.cells.size(); c++) {
                int last = c;
                while (last + 1 < row.cells.size() && isJoined(row, last + 1)) last++;
                int merge = flags(row, c) >> 5 & 3;
                cells.add(new RowGrid.Cell(row.cells.get(c), look(row, c, last), merge == 1 ? RowGrid.Merge.CONTINUES : merge == 3 ? RowGrid.Merge.BEGINS
                        : RowGrid.Merge.ALONE, isJoined(row, c)));
            }
            grid.row(cells, row.edges, rowLook(row));
        }
        return grid.table(tableLook(grid.left()));
    }

    private static int flags(Row row, int cell) {
        int at = definitionAt(row, cell);
        return at < 0 ? 0 : Modifiers.two(row.definition, at);
    }

    private static int definitionAt(Row row, int cell) {
        if (row.definition == null || row.definition.length == 0) return -1;
        int at = 1 + 2 * ((row.definition[0] & 0xFF) + 1) + CELL * cell;
        return at + 2 <= row.definition.length ? at : -1;
    }

    /** Whether a cell is one with that before it. */
    private static boolean isJoined(Row row, int cell) { return (flags(row, cell) & 3) == 2; }

    private static Look look(Row row, int cell, int last) {
        Look look = Look.PLAIN;
        int at = definitionAt(row, cell);
        Border[] sides = new Border[4];
        for (Modifier one : row.modifiers) {
            if (one.code() == 0xD605) for (int i = 0; i < 6; i++) outer(sides, i, row, cell, last, LookReading.old(one.operand(), 4 * i));
            if (one.code() == 0xD613) for (int i = 0; i < 6; i++) outer(sides, i, row, cell, last, LookReading.border(one.operand(), 8 * i));
        }
        if (at >= 0 && at + CELL <= row.definition.length) {
            for (int i = 0; i < 4; i++) {
                Border own = LookReading.old(row.definition, at + 4 + 4 * i);
                if (own != null && (own.isVisible() || sides[i] == null)) sides[i] = own;
            }
        }
        for (Modifier one : row.modifiers) {
            int side = one.code() - 0xD61A;
            if (side >= 0 && side < 4 && 4 * cell + 4 <= one.operand().length && sides[side] != null && sides[side].isVisible()) {
                Colour colour = LookReading.colour(Modifiers.four(one.operand(), 4 * cell));
                sides[side] = new Border(sides[side].line(), sides[side].width(), colour, sides[side].space());
            }
        }
        if (sides[0] != null || sides[1] != null || sides[2] != null || sides[3] != null)
            look = look.with(TableProperty.BORDERS, new Borders(sides[0], sides[3], sides[2], sides[1], null, null));
        Colour shading = shading(row, cell);
        if (shading != null) look = look.with(TableProperty.SHADING, shading);
        int vertical = flags(row, cell) >> 7 & 3;
        if (vertical == 1 || vertical == 2) look = look.with(TableProperty.VERTICAL_ALIGNMENT, VerticalAlignment.values()[vertical]);
        Running running = running(row, cell);
        if (running != Running.ACROSS) look = look.with(TableProperty.RUNNING, running);
        Insets padding = padding(row, 0xD632, cell, null);
        return padding == null ? look : look.with(TableProperty.PADDING, padding);
    }

    /** Which way lines run: told with the cell (2.9.321), or of some of the row (2.6.3, sprmTTextFlow). */
    private static Running running(Row row, int cell) {
        int told = flags(row, cell) >> 2 & 7;
        for (Modifier one : row.modifiers) {
            byte[] operand = one.operand();
            if (one.code() == 0x7629 && operand.length >= 4 && cell >= (operand[0] & 0xFF) && cell < (operand[1] & 0xFF)) told = operand[2] & 7;
        }
        return told == 3 ? Running.UP : told == 1 || told == 5 ? Running.DOWN : Running.ACROSS;
    }

    /** Borders said of the whole row: top, left, bottom, right, between rows, between cells (2.9.301). */
    private static void outer(Border[] sides, int which, Row row, int cell, int last, Border border) {
        if (border == null) return;
        boolean first = cell == 0;
        boolean end = last == row.cells.size() - 1;
        if (which == 0 && sides[0] == null) sides[0] = border;
        if (which == 1 && first) sides[1] = border;
        if (which == 2 && sides[2] == null) sides[2] = border;
        if (which == 3 && end) sides[3] = border;
        if (which == 4 && border.isVisible()) {
            sides[0] = sides[0] == null || !sides[0].isVisible() ? border : sides[0];
            sides[2] = sides[2] == null || !sides[2].isVisible() ? border : sides[2];
        }
        if (which == 5) {
            if (!first) sides[1] = border;
            if (!end) sides[3] = border;
        }
    }

    private static Colour shading(Row row, int cell) {
        int[] codes = {0xD612, 0xD616, 0xD60C};
        Colour old = null;
        for (Modifier one : row.modifiers) {
            if (cell < 66 && one.code() == codes[cell / 22] && 10 * (cell % 22) + 10 <= one.operand().length)
                return LookReading.shaded(one.operand(), 10 * (cell % 22));
            if (one.code() == 0xD609 && 2 * cell + 2 <= one.operand().length) old = LookReading.oldShaded(Modifiers.two(one.operand(), 2 * cell));
        }
        return old;
    }

    private static Insets padding(Row row, int code, int cell, Insets otherwise) {
        double[] sides = otherwise == null ? new double[] {0, 5.4, 0, 5.4} : new double[] {otherwise.top(), otherwise.left(), otherwise.bottom(),
                otherwise.right()};
        boolean any = false;
        for (Modifier one : row.modifiers) {
            byte[] operand = one.operand();
            if (one.code() != code || operand.length < 6 || cell < (operand[0] & 0xFF) || cell >= (operand[1] & 0xFF)) continue;
            for (int side = 0; side < 4; side++) if ((operand[2] >> side & 1) != 0) sides[side] = Modifiers.two(operand, 4) / 20.0;
            any = true;
        }
        return any ? new Insets(sides[0], sides[3], sides[2], sides[1]) : otherwise;
    }

    private static Look rowLook(Row row) {
        Look look = Look.PLAIN;
        for (Modifier one : row.modifiers) {
            if (one.code() == 0x9407 && one.signed() != 0)
                look = look.with(TableProperty.ROW_HEIGHT, Math.abs(one.points())).with(TableProperty.ROW_HEIGHT_EXACT, one.signed() < 0 ? Boolean.TRUE : null);
            if (one.code() == 0x3404 && one.on()) look = look.with(TableProperty.HEADER_ROW, true);
            if ((one.code() == 0x3403 || one.code() == 0x3466) && one.on()) look = look.with(TableProperty.KEEP_ROW, true);
        }
        return look;
    }

    private Look tableLook(int left) {
        Row first = rows.get(0);
        int gap = 108;
        Look look = Look.PLAIN;
        for (Modifier one : first.modifiers) {
            if (one.code() == 0x9602) gap = one.two();
            if (one.code() == 0x3615) look = look.with(TableProperty.FITTED, one.on());
            if (one.code() == 0x5400 || one.code() == 0x548A)
                look = one.two() == 1 ? look.with(TableProperty.ALIGNMENT, Alignment.CENTRE) : one.two() == 2 ? look.with(TableProperty.ALIGNMENT,
                        Alignment.END) : look;
        }
        Insets padding = padding(first, 0xD634, 0, new Insets(0, gap / 20.0, 0, gap / 20.0));
        double indent = left / 20.0 + padding.left();
        if (Math.abs(indent) >= 0.1) look = look.with(TableProperty.INDENT, indent);
        return look.with(TableProperty.PADDING, padding);
    }
}
