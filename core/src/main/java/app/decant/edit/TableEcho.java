package app.decant.edit;

import app.decant.document.Block;
import app.decant.document.BlockPath;
import app.decant.document.Document;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Property;
import app.decant.document.Story;
import app.decant.document.Table;
import app.decant.document.TableProperty;
import java.util.ArrayList;
import java.util.List;

/** Tables with the borders, shades and edges of one that is right: rows of heads like its heads, all others like its first row below them. */
public record TableEcho(Table model, BlockPath path, List<TextSelection> others) implements Alike {
    /** What of a table is its look, and not its measure. */
    private static final List<Property<?>> OF_TABLE = List.of(TableProperty.BORDERS, TableProperty.PADDING, TableProperty.STYLE, TableProperty.PARTS);
    private static final List<Property<?>> OF_CELL = List.of(TableProperty.BORDERS, TableProperty.SHADING, TableProperty.PADDING,
            TableProperty.VERTICAL_ALIGNMENT, TableProperty.RUNNING);

    /** The other tables of the body that stand in no table; null where a caret stands in none. */
    public static TableEcho of(Document document, Selection picked) {
        if (!(picked.story() instanceof Story.Body)) return null;
        BlockPath model = outermost(document, picked.head().path());
        if (model == null) return null;
        List<TextSelection> others = new ArrayList<>();
        for (int section = 0; section < document.sections().size(); section++) {
            List<Block> blocks = document.sections().get(section).blocks();
            for (int i = 0; i < blocks.size(); i++) {
                BlockPath at = BlockPath.of(section, i);
                if (blocks.get(i) instanceof Table && !at.equals(model)) others.add(TextSelection.caret(new Place(at.then(0, 0).then(0), 0)));
            }
        }
        return new TableEcho((Table) document.find(Story.BODY, model), model, others);
    }

    private static BlockPath outermost(Document document, BlockPath inside) {
        if (inside.size() < 5) return null;
        BlockPath path = BlockPath.of(inside.step(0), inside.step(1));
        return document.find(Story.BODY, path) instanceof Table ? path : null;
    }

    @Override public String words(Document document, int other) {
        Table table = (Table) document.find(Story.BODY, outermost(document, others.get(other).start().path()));
        List<String> words = new ArrayList<>();
        for (Table.Cell cell : table.rows().get(0).cells())
            for (Block block : cell.blocks()) if (block instanceof Paragraph paragraph) words.add(paragraph.plainText());
        return String.join(" ", words).replaceAll("\\s+", " ").strip();
    }

    @Override public Change give(Document document, Selection picked, List<Integer> wanted) {
        return dress(document, picked, wanted.stream().map(other -> outermost(document, others.get(other).start().path())).toList());
    }

    private Change dress(Document document, Selection picked, List<BlockPath> wanted) {
        Draft draft = new Draft(document, picked);
        for (BlockPath at : wanted) {
            Table table = (Table) document.find(Story.BODY, at);
            Table made = dressed(table);
            if (!made.equals(table)) draft.add(new TableStep(Story.BODY, at, made, CellMoves.SAME));
        }
        return draft.done(EditKind.TABLE, picked);
    }

    @Override public Change giveTo(Document document, Selection picked) {
        BlockPath at = picked.story() instanceof Story.Body ? outermost(document, picked.head().path()) : null;
        return at == null || at.equals(path) ? null : dress(document, picked, List.of(at));
    }

    private Table dressed(Table table) {
        List<Table.Row> rows = new ArrayList<>();
        for (Table.Row row : table.rows()) {
            Look look = like(row.look().is(TableProperty.HEADER_ROW));
            List<Table.Cell> cells = new ArrayList<>();
            for (Table.Cell cell : row.cells())
                cells.add(new Table.Cell(cell.column(), cell.columnSpan(), cell.rowSpan(), given(cell.look(), look, OF_CELL), cell.blocks()));
            rows.add(new Table.Row(row.look(), cells));
        }
        return new Table(given(table.look(), model.look(), OF_TABLE), table.columns(), rows);
    }

    /** The look of a cell of the model: of its heads, or of what stands below them; where it has none of a kind, of the other. */
    private Look like(boolean head) {
        Look found = null;
        for (Table.Row row : model.rows()) {
            if (row.cells().isEmpty()) continue;
            if (found == null) found = row.cells().get(0).look();
            if (row.look().is(TableProperty.HEADER_ROW) == head) return row.cells().get(0).look();
        }
        return found == null ? Look.PLAIN : found;
    }

    private static Look given(Look look, Look from, List<Property<?>> some) {
        Look made = look;
        for (Property<?> property : some) made = kept(made, from, property);
        return made;
    }

    private static <T> Look kept(Look look, Look from, Property<T> property) {
        return from.says(property) ? look.with(property, from.get(property)) : look.without(property);
    }
}
