package app.decant.edit;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Place;
import app.decant.document.Story;
import app.decant.document.Table;
import app.decant.edit.Outcome.Refusal;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * A table built anew: rows and columns in and out, cells merged and split, its own look and the widths of its columns.
 *
 * @param moves where the cells have gone
 */
public record TableStep(Story story, BlockPath path, Table table, CellMoves moves) implements Step {
    public TableStep { if (table.rows().isEmpty()) throw new IllegalArgumentException("A table has a row"); }

    @Override public Outcome apply(Document document) {
        if (!(document.find(story, path) instanceof Table)) return Outcome.refused(Refusal.NOT_THERE);
        return Outcome.of(document.replacing(story, new TreeMap<>(Map.of(path, (Block) table))));
    }

    @Override public TableStep inverse(Document before) { return new TableStep(story, path, (Table) before.find(story, path), back()); }

    private CellMoves back() {
        if (moves.moves() == null) return CellMoves.SAME;
        Map<CellMoves.Cell, CellMoves.Cell> back = new HashMap<>();
        // Of cells that were merged the first gets the places back.
        moves.moves().forEach((from, to) -> back.merge(new CellMoves.Cell(to.row(), to.cell(), 0), new CellMoves.Cell(from.row(), from.cell(), 0),
                (one, other) -> one.row() < other.row() || one.row() == other.row() && one.cell() < other.cell() ? one : other));
        return new CellMoves(back);
    }

    @Override public PositionMap map() {
        return PositionMap.within(story, (place, side) -> {
            int depth = path.size();
            BlockPath at = place.path();
            if (at.size() <= depth + 2 || !at.startsWith(path)) return new PositionMap.Mapped(place, false);
            CellMoves.Cell to = moves.of(at.step(depth), at.step(depth + 1));
            if (to == null) return new PositionMap.Mapped(new Place(story, path.then(nearestRow(at.step(depth)), 0, 0), 0), true);
            BlockPath moved = at.with(depth, to.row()).with(depth + 1, to.cell()).with(depth + 2, at.step(depth + 2) + to.block());
            return new PositionMap.Mapped(new Place(story, moved, place.offset()), false);
        });
    }

    private int nearestRow(int row) {
        List<Table.Row> rows = table.rows();
        int near = Math.min(row, rows.size() - 1);
        while (near > 0 && rows.get(near).cells().isEmpty()) near--;
        return near;
    }
}
