package app.decant.edit;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Border;
import app.decant.document.Borders;
import app.decant.document.Colour;
import app.decant.document.Document;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Property;
import app.decant.document.Story;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.function.Consumer;

/** What is done to tables: rows and columns in and out, cells merged and split, a table put in or taken out, the way from cell to cell. */
public final class Tables {
    private Tables() { }

    /** The cells of one table that are picked, as a rectangle of its grid: from {@code top} and {@code left} up to before {@code bottom} and {@code right}. */
    public record Area(Story story, BlockPath path, Table table, int top, int left, int bottom, int right) {
        public int rows() { return bottom - top; }
        public int columns() { return right - left; }
    }

    /** Where in a table what is picked lies, or null where it lies in none or reaches beyond one. */
    public static Area area(Document document, Selection picked) {
        List<Selection.Stretch> stretches = picked instanceof TextSelection ? List.of() : picked.stretches(document);
        BlockPath first = picked instanceof TextSelection text ? text.start().path() : stretches.isEmpty() ? picked.head().path() : stretches.get(0).path();
        BlockPath last = picked instanceof TextSelection text ? text.end().path() : stretches.isEmpty() ? first : stretches.get(stretches.size() - 1).path();
        for (int size = Math.min(first.size(), last.size()) - 3; size >= 2; size--) {
            BlockPath path = upTo(first, size);
            if (!last.startsWith(path) || !(document.find(picked.story(), path) instanceof Table table)) continue;
            Table.Cell one = table.rows().get(first.step(size)).cells().get(first.step(size + 1));
            Table.Cell other = table.rows().get(last.step(size)).cells().get(last.step(size + 1));
            return new Area(picked.story(), path, table, Math.min(first.step(size), last.step(size)), Math.min(one.column(), other.column()),
                    Math.max(first.step(size) + one.rowSpan(), last.step(size) + other.rowSpan()),
                    Math.max(one.column() + one.columnSpan(), other.column() + other.columnSpan()));
        }
        return null;
    }

    private static BlockPath upTo(BlockPath path, int size) {
        int[] steps = new int[size];
        for (int i = 0; i < size; i++) steps[i] = path.step(i);
        return BlockPath.of(steps);
    }

    /** What is picked, told as cells where it reaches over several cells of one table: then all of their rectangle is meant, and nothing beside it. */
    public static Selection asCells(Document document, TextSelection picked) {
        Area area = picked.isEmpty() ? null : area(document, picked);
        if (area == null) return picked;
        int size = area.path.size();
        CellSelection.Corner one = corner(picked.anchor().path(), size);
        CellSelection.Corner other = corner(picked.head().path(), size);
        return one.equals(other) ? picked : new CellSelection(area.story, area.path, one, other);
    }

    private static CellSelection.Corner corner(BlockPath path, int size) { return new CellSelection.Corner(path.step(size), path.step(size + 1)); }

    /** A row put in above or below what is picked. */
    public static Change insertRow(Document document, Selection picked, boolean below) {
        Area area = required(document, picked);
        int at = below ? Math.min(area.bottom, area.table.rows().size()) : area.top;
        return changed(document, picked, area, draft -> draft.insertRow(at, below ? at - 1 : at), at, area.left);
    }

    /** A row put in at the end, with the caret in its first cell: what follows when somebody goes on behind the last cell. */
    public static Change addRow(Document document, Selection picked) {
        Area area = required(document, picked);
        int at = area.table.rows().size();
        return changed(document, picked, area, draft -> draft.insertRow(at, at - 1), at, 0);
    }

    /** A column put in before or behind what is picked. */
    public static Change insertColumn(Document document, Selection picked, boolean behind) {
        Area area = required(document, picked);
        int at = behind ? area.right : area.left;
        return changed(document, picked, area, draft -> draft.insertColumn(at, behind ? at - 1 : at), area.top, at);
    }

    /** The rows that are picked taken out; all of them, and the table goes. */
    public static Change removeRows(Document document, Selection picked) {
        Area area = required(document, picked);
        int bottom = Math.min(area.bottom, area.table.rows().size());
        if (area.top == 0 && bottom == area.table.rows().size()) return remove(document, picked);
        return changed(document, picked, area, draft -> {
            for (int row = bottom - 1; row >= area.top; row--) draft.removeRow(row);
        }, area.top, area.left);
    }

    /** The columns that are picked taken out; all of them, and the table goes. */
    public static Change removeColumns(Document document, Selection picked) {
        Area area = required(document, picked);
        if (area.left == 0 && area.right >= new TableDraft(area.table).columns()) return remove(document, picked);
        return changed(document, picked, area, draft -> {
            for (int column = area.right - 1; column >= area.left; column--) draft.removeColumn(column);
        }, area.top, area.left);
    }

    /** The cells that are picked made one. */
    public static Change merge(Document document, Selection picked) {
        Area area = required(document, picked);
        return changed(document, picked, area, draft -> draft.merge(area.top, area.left, area.bottom, area.right), area.top, area.left);
    }

    /** Whether the cell that is picked was merged of others. */
    public static boolean isMerged(Area area) { return new TableDraft(area.table).isMerged(area.top, area.left); }

    /** The merged cell that is picked parted again. */
    public static Change split(Document document, Selection picked) {
        Area area = required(document, picked);
        return changed(document, picked, area, draft -> draft.split(area.top, area.left), area.top, area.left);
    }

    /** Whether the rows from the first to those picked repeat at the head of every page. */
    public static boolean isHead(Area area) { return area.table.rows().get(area.top).look().is(TableProperty.HEADER_ROW); }

    /** The rows down to those picked made heads that repeat on every page, or no heads any more. */
    public static Change head(Document document, Selection picked) {
        Area area = required(document, picked);
        boolean on = !isHead(area);
        List<Table.Row> rows = new ArrayList<>(area.table.rows());
        for (int r = on ? 0 : area.top; r < (on ? Math.min(area.bottom, rows.size()) : rows.size()); r++) {
            Look look = rows.get(r).look();
            rows.set(r, new Table.Row(on ? look.with(TableProperty.HEADER_ROW, true) : look.without(TableProperty.HEADER_ROW), rows.get(r).cells()));
        }
        Table made = new Table(area.table.look(), area.table.columns(), rows);
        return new Draft(document, picked).add(new TableStep(area.story, area.path, made, CellMoves.SAME)).done(EditKind.TABLE);
    }

    /**
     * Says something of the look of the cells that are picked.
     *
     * @param value null to leave it to the table
     */
    public static <T> Change dress(Document document, Selection picked, Property<T> property, T value) {
        Area area = required(document, picked);
        List<Table.Row> rows = new ArrayList<>();
        for (int r = 0; r < area.table.rows().size(); r++) {
            int at = r;
            Table.Row row = area.table.rows().get(r);
            rows.add(new Table.Row(row.look(), row.cells().stream().map(cell -> {
                boolean meant = at >= area.top && at < area.bottom && cell.column() >= area.left && cell.column() < area.right;
                Look look = value == null ? cell.look().without(property) : cell.look().with(property, value);
                return meant ? new Table.Cell(cell.column(), cell.columnSpan(), cell.rowSpan(), look, cell.blocks()) : cell;
            }).toList()));
        }
        Table made = new Table(area.table.look(), area.table.columns(), rows);
        return new Draft(document, picked).add(new TableStep(area.story, area.path, made, CellMoves.SAME)).done(EditKind.TABLE);
    }

    /** The first of the cells that are picked. */
    public static Table.Cell first(Area area) {
        return area.table.rows().get(area.top).cells().stream().filter(cell -> cell.column() >= area.left).findFirst()
                .orElseGet(() -> area.table.rows().get(area.top).cells().get(0));
    }

    /** The table that what is picked lies in taken out. */
    public static Change remove(Document document, Selection picked) {
        Area area = required(document, picked);
        int at = area.path.last();
        boolean alone = document.children(area.story, area.path.parent()).size() == 1;
        Draft draft = new Draft(document, picked);
        draft.add(new BlockStep(area.story, area.path.parent(), at, at + 1, alone ? List.of(Paragraph.of("")) : List.of()));
        return draft.done(EditKind.TABLE, Selection.near(draft.document(), new Place(area.story, area.path, 0)));
    }

    /** Whether a table can be put in at a place: not in a contents list, whose lines are made from headings, and not in a cell. */
    public static boolean canInsert(Document document, Selection picked) {
        int depth = picked.head().path().size();
        return depth == 2 && document.find(picked.story(), picked.head().path()) instanceof Paragraph;
    }

    /**
     * A table with nothing in it yet put in behind the paragraph that is picked, or in its place where that is empty.
     *
     * @param width of all columns together, in points
     */
    public static Change insert(Document document, Selection picked, int rows, int columns, double width) {
        Border line = Border.single(0.5, Colour.BLACK);
        List<Table.Row> made = new ArrayList<>();
        for (int r = 0; r < rows; r++) {
            List<Table.Cell> cells = new ArrayList<>();
            for (int c = 0; c < columns; c++) cells.add(new Table.Cell(c, 1, 1, Look.PLAIN, List.of(new Paragraph(null, Look.PLAIN, Look.PLAIN, List.of()))));
            made.add(new Table.Row(r == 0 ? Look.of(TableProperty.HEADER_ROW, true) : Look.PLAIN, cells));
        }
        Look look = Look.of(TableProperty.BORDERS, Borders.all(line)).with(TableProperty.PADDING, new TableProperty.Insets(2, 5, 2, 5));
        Table table = new Table(look, Collections.nCopies(columns, width / columns), made);
        BlockPath here = picked.head().path();
        List<? extends Block> around = document.children(picked.story(), here.parent());
        boolean empty = around.get(here.last()) instanceof Paragraph paragraph && paragraph.length() == 0 && here.last() + 1 < around.size();
        int at = empty ? here.last() : here.last() + 1;
        List<Block> blocks = new ArrayList<>(List.of(table));
        // Below a table one can go on writing.
        if (at >= around.size()) blocks.add(new Paragraph(null, Look.PLAIN, Look.PLAIN, List.of()));
        Draft draft = new Draft(document, picked).add(new BlockStep(picked.story(), here.parent(), at, empty ? at + 1 : at, blocks));
        return draft.done(EditKind.TABLE, new Place(picked.story(), here.sibling(at).then(0, 0, 0), 0));
    }

    /** The first place of the cell behind or before the one that is picked, or null at the table's end. */
    public static Place next(Document document, Selection picked, boolean forward) {
        Area area = required(document, picked);
        int row = picked.head().path().step(area.path.size());
        int cell = picked.head().path().step(area.path.size() + 1) + (forward ? 1 : -1);
        while (row >= 0 && row < area.table.rows().size()) {
            int count = area.table.rows().get(row).cells().size();
            if (cell >= 0 && cell < count) return first(document, area.story, area.path.then(row, cell));
            row += forward ? 1 : -1;
            if (row >= 0 && row < area.table.rows().size()) cell = forward ? 0 : area.table.rows().get(row).cells().size() - 1;
        }
        return null;
    }

    private static Place first(Document document, Story story, BlockPath cell) { return Selection.near(document, new Place(story, cell.then(0), 0)).head(); }

    private static Area required(Document document, Selection picked) {
        Area area = area(document, picked);
        if (area == null) throw new IllegalArgumentException("What is picked lies in no table");
        return area;
    }

    /** A table built anew, with the caret in the cell that covers a point of its grid. */
    private static Change changed(Document document, Selection picked, Area area, Consumer<TableDraft> change, int row, int column) {
        TableDraft table = new TableDraft(area.table);
        change.accept(table);
        Draft draft = new Draft(document, picked).add(new TableStep(area.story, area.path, table.table(), table.moves()));
        CellMoves.Cell at = table.at(row, column);
        return draft.done(EditKind.TABLE, first(draft.document(), area.story, area.path.then(at.row(), at.cell())));
    }
}
