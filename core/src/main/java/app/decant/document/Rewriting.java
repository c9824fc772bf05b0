package app.decant.document;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.UnaryOperator;

/**
 * Makes a document anew with some of its values changed, wherever they stand: in the body, headers and footers, notes, boxes and cells. What does not
 * change stays the same object, so that pages know it again. A kind of rewriting says what becomes of paragraphs, inlines or more.
 */
public abstract class Rewriting {
    public final Document document(Document document) {
        List<Section> sections = each(document.sections(), this::section);
        return sections == document.sections() ? document : document.withSections(sections);
    }

    protected Section section(Section section) {
        List<Block> blocks = blocks(section.blocks());
        Map<Section.FramePlace, List<Block>> frames = new EnumMap<>(Section.FramePlace.class);
        boolean same = true;
        for (Map.Entry<Section.FramePlace, List<Block>> frame : section.frames().entrySet()) {
            frames.put(frame.getKey(), blocks(frame.getValue()));
            same &= frames.get(frame.getKey()) == frame.getValue();
        }
        Section made = blocks == section.blocks() ? section : section.withBlocks(blocks);
        return same ? made : made.withFrames(frames);
    }

    /** What becomes of each; the very list where all stay the same objects. */
    @SuppressWarnings("unchecked")
    private static <T> List<T> each(List<? extends T> all, UnaryOperator<T> change) {
        List<T> made = null;
        for (int i = 0; i < all.size(); i++) {
            T own = change.apply(all.get(i));
            if (own == all.get(i)) continue;
            if (made == null) made = new ArrayList<>(all);
            made.set(i, own);
        }
        return made == null ? (List<T>) all : made;
    }

    /** Blocks that follow each other. */
    protected List<Block> blocks(List<? extends Block> blocks) { return each(blocks, this::block); }

    protected Block block(Block block) {
        if (block instanceof Paragraph paragraph) return paragraph(paragraph);
        if (block instanceof Table table) return table(table);
        return block instanceof Contents contents ? contents(contents) : block;
    }

    protected Paragraph paragraph(Paragraph paragraph) {
        List<Inline> inlines = each(paragraph.inlines(), this::inline);
        return inlines == paragraph.inlines() ? paragraph : paragraph.withInlines(inlines);
    }

    /** An inline; a note or a box with what is in it. */
    protected Inline inline(Inline inline) {
        if (inline instanceof Inline.Note note) {
            List<Block> blocks = blocks(note.blocks());
            return blocks == note.blocks() ? inline : new Inline.Note(note.kind(), blocks, note.mark(), note.look());
        }
        if (inline instanceof Inline.Floating floating && floating.content() instanceof TextBox box) {
            List<Block> blocks = blocks(box.blocks());
            return blocks == box.blocks() ? inline : new Inline.Floating(floating.anchor(), box.withBlocks(blocks), floating.look());
        }
        return inline;
    }

    protected Table table(Table table) {
        List<Table.Row> rows = each(table.rows(), this::row);
        return rows == table.rows() ? table : new Table(table.look(), table.columns(), rows);
    }

    protected Table.Row row(Table.Row row) {
        List<Table.Cell> cells = each(row.cells(), this::cell);
        return cells == row.cells() ? row : new Table.Row(row.look(), cells);
    }

    protected Table.Cell cell(Table.Cell cell) {
        List<Block> blocks = blocks(cell.blocks());
        return blocks == cell.blocks() ? cell : cell.withBlocks(blocks);
    }

    protected Contents contents(Contents contents) {
        List<Block> entries = blocks(contents.entries());
        if (entries == (Object) contents.entries()) return contents;
        return contents.withEntries(entries.stream().map(Paragraph.class::cast).toList());
    }
}
