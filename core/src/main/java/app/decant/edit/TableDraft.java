package app.decant.edit;

import app.decant.document.Block;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import app.decant.edit.CellMoves.Cell;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * A table while rows and columns come and go, cells are merged and split. Cells stand on a grid here, each covering a rectangle of it, so that every way of
 * spanning comes out whole.
 */
final class TableDraft {
    private final Look look;
    private final List<Double> widths;
    private final List<Look> rows = new ArrayList<>();
    private final List<Slot> slots = new ArrayList<>();
    private final Map<Cell, Slot> origins = new HashMap<>();
    private final Map<Cell, Integer> blocksBefore = new HashMap<>();

    /** A cell and the rectangle that it covers. */
    private static final class Slot {
        private int row;
        private int column;
        private int down;
        private int across;
        private final Look look;
        private final List<Block> blocks;

        Slot(int row, int column, int down, int across, Look look, List<Block> blocks) {
            this.row = row;
            this.column = column;
            this.down = down;
            this.across = across;
            this.look = look;
            this.blocks = new ArrayList<>(blocks);
        }

        boolean covers(int r, int c) { return r >= row && r < row + down && c >= column && c < column + across; }

        /** A new cell of its kind, with nothing in it but a paragraph dressed as its first. */
        Slot emptyAt(int r, int c, int wide) {
            Paragraph first = blocks.stream().filter(Paragraph.class::isInstance).map(Paragraph.class::cast).findFirst().orElse(Paragraph.of(""));
            return new Slot(r, c, 1, wide, look, List.of(new Paragraph(first.style(), first.look(), first.mark(), List.of())));
        }
    }

    TableDraft(Table table) {
        look = table.look();
        widths = new ArrayList<>(table.columns());
        for (int r = 0; r < table.rows().size(); r++) {
            rows.add(table.rows().get(r).look());
            List<Table.Cell> cells = table.rows().get(r).cells();
            for (int i = 0; i < cells.size(); i++) {
                Table.Cell cell = cells.get(i);
                Slot slot = new Slot(r, cell.column(), cell.rowSpan(), cell.columnSpan(), cell.look(), cell.blocks());
                slots.add(slot);
                origins.put(new Cell(r, i, 0), slot);
            }
        }
        int columns = slots.stream().mapToInt(slot -> slot.column + slot.across).max().orElse(0);
        while (widths.size() < columns) widths.add(widths.isEmpty() ? 72.0 : widths.get(widths.size() - 1));
    }

    int rows() { return rows.size(); }
    int columns() { return widths.size(); }

    /** A row put in before the one that is {@code at}, its cells like those of the row {@code like}. */
    void insertRow(int at, int like) {
        List<Slot> made = new ArrayList<>();
        for (int c = 0; c < columns(); ) {
            Slot crossing = at > 0 && at < rows() && slot(at - 1, c) == slot(at, c) ? slot(at, c) : null;
            Slot model = slot(like, c);
            int end = crossing != null ? crossing.column + crossing.across : model == null ? c + 1 : model.column + model.across;
            if (crossing == null && model != null) {
                int wide = 1;
                while (c + wide < end && !(at > 0 && at < rows() && slot(at, c + wide) != null && slot(at - 1, c + wide) == slot(at, c + wide))) wide++;
                made.add(model.emptyAt(at, c, wide));
                end = c + wide;
            }
            c = end;
        }
        for (Slot slot : slots) {
            if (slot.row >= at) slot.row++;
            else if (slot.row + slot.down > at) slot.down++;
        }
        Look dress = rows.get(like);
        rows.add(at, at > like ? dress.without(TableProperty.HEADER_ROW) : dress);
        slots.addAll(made);
    }

    /** A column put in before the one that is {@code at}, like the column {@code like}; all give way so that the table stays as wide. */
    void insertColumn(int at, int like) {
        List<Slot> made = new ArrayList<>();
        for (int r = 0; r < rows(); r++) {
            Slot crossing = at > 0 && at < columns() ? slot(r, at) : null;
            if (crossing != null && crossing == slot(r, at - 1)) continue;
            Slot model = slot(r, like);
            if (model != null) made.add(model.emptyAt(r, at, 1));
        }
        for (Slot slot : slots) {
            if (slot.column >= at) slot.column++;
            else if (slot.column + slot.across > at) slot.across++;
        }
        double total = widths.stream().mapToDouble(Double::doubleValue).sum();
        widths.add(at, widths.get(like));
        double now = widths.stream().mapToDouble(Double::doubleValue).sum();
        if (now > 0) widths.replaceAll(width -> width * total / now);
        slots.addAll(made);
    }

    void removeRow(int at) {
        slots.removeIf(slot -> slot.row == at && slot.down == 1);
        for (Slot slot : slots) {
            if (slot.row <= at && slot.row + slot.down > at) slot.down--;
            else if (slot.row > at) slot.row--;
        }
        rows.remove(at);
    }

    void removeColumn(int at) {
        slots.removeIf(slot -> slot.column == at && slot.across == 1);
        for (Slot slot : slots) {
            if (slot.column <= at && slot.column + slot.across > at) slot.across--;
            else if (slot.column > at) slot.column--;
        }
        widths.remove(at);
    }

    /** All cells that a rectangle touches made one, with what is in them one below the other. */
    void merge(int top, int left, int bottom, int right) {
        int[] box = {top, left, bottom, right};
        List<Slot> in = grown(box);
        in.sort(Comparator.comparingInt((Slot slot) -> slot.row).thenComparingInt(slot -> slot.column));
        Slot first = in.get(0);
        for (Slot slot : in.subList(1, in.size())) {
            boolean empty = slot.blocks.size() == 1 && slot.blocks.get(0) instanceof Paragraph paragraph && paragraph.length() == 0;
            int begins = empty ? 0 : first.blocks.size();
            origins.replaceAll((cell, standing) -> {
                if (standing == slot) blocksBefore.merge(cell, begins, Integer::sum);
                return standing == slot ? first : standing;
            });
            if (!empty) first.blocks.addAll(slot.blocks);
            slots.remove(slot);
        }
        first.row = box[0];
        first.column = box[1];
        first.down = box[2] - box[0];
        first.across = box[3] - box[1];
    }

    /** The cells that a rectangle touches; it grows until it cuts none of them. */
    private List<Slot> grown(int[] box) {
        while (true) {
            List<Slot> in = new ArrayList<>(slots.stream().filter(slot -> slot.row < box[2] && slot.row + slot.down > box[0] && slot.column < box[3]
                    && slot.column + slot.across > box[1]).toList());
            int[] before = box.clone();
            for (Slot slot : in) {
                box[0] = Math.min(box[0], slot.row);
                box[1] = Math.min(box[1], slot.column);
                box[2] = Math.max(box[2], slot.row + slot.down);
                box[3] = Math.max(box[3], slot.column + slot.across);
            }
            if (Arrays.equals(before, box)) return in;
        }
    }

    /** A merged cell parted into those that the grid has there; what was in it stays in the first. */
    void split(int row, int column) {
        Slot whole = slot(row, column);
        for (int r = whole.row; r < whole.row + whole.down; r++)
            for (int c = whole.column; c < whole.column + whole.across; c++)
                if (r != whole.row || c != whole.column) slots.add(whole.emptyAt(r, c, 1));
        whole.down = 1;
        whole.across = 1;
    }

    boolean isMerged(int row, int column) {
        Slot slot = slot(row, column);
        return slot != null && (slot.down > 1 || slot.across > 1);
    }

    private Slot slot(int row, int column) {
        for (Slot slot : slots) if (slot.covers(row, column)) return slot;
        return null;
    }

    Table table() {
        List<Table.Row> made = new ArrayList<>();
        for (int r = 0; r < rows(); r++) made.add(new Table.Row(rows.get(r), in(r).stream().map(slot -> new Table.Cell(slot.column, slot.across, slot.down,
                slot.look, slot.blocks)).toList()));
        return new Table(look, widths, made);
    }

    private List<Slot> in(int row) { return slots.stream().filter(slot -> slot.row == row).sorted(Comparator.comparingInt(slot -> slot.column)).toList(); }

    /** Where the cells of the table it was made from are now. */
    CellMoves moves() {
        Map<Cell, Cell> moves = new HashMap<>();
        origins.forEach((cell, slot) -> {
            if (slots.contains(slot)) moves.put(cell, new Cell(slot.row, in(slot.row).indexOf(slot), blocksBefore.getOrDefault(cell, 0)));
        });
        return new CellMoves(moves);
    }

    /** Where the cell that covers a point of the grid stands among its row's. */
    Cell at(int row, int column) {
        Slot slot = slot(Math.min(row, rows() - 1), Math.min(column, columns() - 1));
        return slot == null ? new Cell(0, 0, 0) : new Cell(slot.row, in(slot.row).indexOf(slot), 0);
    }
}
