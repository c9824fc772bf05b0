package app.decant.edit;

import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Place;
import app.decant.document.Story;
import app.decant.document.Table;
import java.util.ArrayList;
import java.util.List;

/**
 * Cells of a table that are picked: all that the rectangle between two of them touches.
 *
 * @param table  the way to the table
 * @param anchor the cell where picking began
 * @param moving the cell where it is now
 */
public record CellSelection(Story story, BlockPath table, Corner anchor, Corner moving) implements Selection {
    /** A cell by its row and its place among the row's cells. */
    public record Corner(int row, int cell) { }

    @Override public Place head() { return new Place(story, path(moving).then(0), 0); }

    private BlockPath path(Corner corner) { return table.then(corner.row, corner.cell); }

    @Override public boolean fits(Document document) {
        return document.find(story, table) instanceof Table found && has(found, anchor) && has(found, moving);
    }

    /** The text from the beginning of the cell where picking began to the end of the one where it is now. */
    public TextSelection asText(Document document) {
        List<Stretch> last = Selection.whole(document, story, path(moving), 0, document.children(story, path(moving)).size());
        Place begin = Selection.near(document, new Place(story, path(anchor).then(0), 0)).head();
        Place end = last.isEmpty() ? head() : new Place(story, last.get(last.size() - 1).path(), last.get(last.size() - 1).to());
        return new TextSelection(begin, end);
    }

    private static boolean has(Table table, Corner corner) {
        return corner.row >= 0 && corner.row < table.rows().size() && corner.cell >= 0 && corner.cell < table.rows().get(corner.row).cells().size();
    }

    /** The cells of the rectangle, row by row. */
    public List<Corner> cells(Document document) {
        Table found = (Table) document.find(story, table);
        Table.Cell one = found.rows().get(anchor.row).cells().get(anchor.cell);
        Table.Cell other = found.rows().get(moving.row).cells().get(moving.cell);
        int left = Math.min(one.column(), other.column());
        int right = Math.max(one.column() + one.columnSpan(), other.column() + other.columnSpan());
        int top = Math.min(anchor.row, moving.row);
        int bottom = Math.max(anchor.row + one.rowSpan(), moving.row + other.rowSpan());
        List<Corner> cells = new ArrayList<>();
        for (int r = 0; r < found.rows().size(); r++) {
            List<Table.Cell> row = found.rows().get(r).cells();
            for (int c = 0; c < row.size(); c++) {
                Table.Cell cell = row.get(c);
                boolean down = r < bottom && r + cell.rowSpan() > top;
                boolean across = cell.column() < right && cell.column() + cell.columnSpan() > left;
                if (down && across) cells.add(new Corner(r, c));
            }
        }
        return cells;
    }

    @Override public List<Stretch> stretches(Document document) {
        List<Stretch> stretches = new ArrayList<>();
        for (Corner corner : cells(document))
            stretches.addAll(Selection.whole(document, story, path(corner), 0, document.children(story, path(corner)).size()));
        return stretches;
    }

    @Override public Selection map(PositionMap map, Document after) {
        PositionMap.Mapped one = map.map(new Place(story, path(anchor).then(0), 0), Side.AFTER);
        PositionMap.Mapped other = map.map(head(), Side.AFTER);
        if (one.deleted() || other.deleted()) return Selection.near(after, other.place());
        BlockPath first = one.place().path();
        BlockPath last = other.place().path();
        int depth = first.size() - 3;
        boolean together = first.size() == last.size() && depth > 0 && last.startsWith(BlockPath.of(steps(first, depth)));
        if (!together) return Selection.near(after, other.place());
        CellSelection moved = new CellSelection(other.place().story(), BlockPath.of(steps(first, depth)), corner(first, depth), corner(last, depth));
        return moved.fits(after) ? moved : Selection.near(after, other.place());
    }

    private static Corner corner(BlockPath path, int depth) { return new Corner(path.step(depth), path.step(depth + 1)); }

    private static int[] steps(BlockPath path, int count) {
        int[] steps = new int[count];
        for (int i = 0; i < count; i++) steps[i] = path.step(i);
        return steps;
    }
}
