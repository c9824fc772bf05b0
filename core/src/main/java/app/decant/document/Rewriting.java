package app.decant.document;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/**
 * Makes a document anew with some of its values changed, wherever they stand: in the body, headers and footers, notes, boxes and cells. What does not
 * change stays the same object, so that pages know it again. A kind of rewriting says what becomes of paragraphs, inlines or more.
 */
public abstract class Rewriting {
    public final Document document(Document document) {
        List<Section> sections = new ArrayList<>();
        boolean same = true;
        for (Section section : document.sections()) {
            Section other = section(section);
            same &= other == section;
            sections.add(other);
        }
        return same ? document : document.withSections(sections);
    }

    private Section section(Section section) {
        List<Block> blocks = blocks(section.blocks());
        Map<Section.FramePlace, List<Block>> frames = new EnumMap<>(Section.FramePlace.class);
        boolean same = blocks == section.blocks();
        for (Map.Entry<Section.FramePlace, List<Block>> frame : section.frames().entrySet()) {
            frames.put(frame.getKey(), blocks(frame.getValue()));
            same &= frames.get(frame.getKey()) == frame.getValue();
        }
        return same ? section : section.withBlocks(blocks).withFrames(frames);
    }

    /** Blocks that follow each other. */
    @SuppressWarnings("unchecked")
    protected List<Block> blocks(List<? extends Block> blocks) {
        List<Block> made = new ArrayList<>();
        boolean same = true;
        for (Block block : blocks) {
            Block own = block(block);
            same &= own == block;
            made.add(own);
        }
        return same ? (List<Block>) blocks : made;
    }

    protected Block block(Block block) {
        if (block instanceof Paragraph paragraph) return paragraph(paragraph);
        if (block instanceof Table table) return table(table);
        return block instanceof Contents contents ? contents(contents) : block;
    }

    protected Paragraph paragraph(Paragraph paragraph) {
        List<Inline> inlines = new ArrayList<>();
        boolean same = true;
        for (Inline inline : paragraph.inlines()) {
            Inline own = inline(inline);
            same &= own == inline;
            inlines.add(own);
        }
        return same ? paragraph : paragraph.withInlines(inlines);
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
        List<Table.Row> rows = new ArrayList<>();
        boolean same = true;
        for (Table.Row row : table.rows()) {
            Table.Row own = row(row);
            same &= own == row;
            rows.add(own);
        }
        return same ? table : new Table(table.look(), table.columns(), rows);
    }

    protected Table.Row row(Table.Row row) {
        List<Table.Cell> cells = new ArrayList<>();
        boolean same = true;
        for (Table.Cell cell : row.cells()) {
            List<Block> blocks = blocks(cell.blocks());
            same &= blocks == cell.blocks();
            cells.add(blocks == cell.blocks() ? cell : cell.withBlocks(blocks));
        }
        return same ? row : new Table.Row(row.look(), cells);
    }

    protected Contents contents(Contents contents) {
        List<Block> entries = blocks(contents.entries());
        if (entries == (Object) contents.entries()) return contents;
        return new Contents(contents.fromLevel(), contents.toLevel(), entries.stream().map(Paragraph.class::cast).toList());
    }
}
