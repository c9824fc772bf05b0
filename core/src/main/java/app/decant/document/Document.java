package app.decant.document;

import java.util.ArrayList;
import java.util.List;

/**
 * A document: its sections of blocks, and what they share.
 *
 * @param kept parts of the file it came from that Decant gives back when the same family is written
 * @param evenAndOddFrames whether even pages have headers and footers of their own
 * @param tabWidth the distance of the tab stops nobody set, in points
 * @param fonts    that travel with it; it is set with them before all others
 */
public record Document(Facts facts, StyleSheet styles, Numbering numbering, List<Section> sections, boolean evenAndOddFrames, double tabWidth,
        List<Opaque.Part> kept, List<FontFile> fonts) {
    public static final double TAB_WIDTH = 36;

    public Document {
        sections = List.copyOf(sections);
        kept = List.copyOf(kept);
        fonts = List.copyOf(fonts);
    }

    public Document(Facts facts, StyleSheet styles, Numbering numbering, List<Section> sections, boolean evenAndOddFrames, double tabWidth,
            List<Opaque.Part> kept) {
        this(facts, styles, numbering, sections, evenAndOddFrames, tabWidth, kept, List.of());
    }

    /** An empty document: one A4 section with one empty paragraph. */
    public static Document empty() {
        return new Document(Facts.NONE, StyleSheet.EMPTY, Numbering.NONE, List.of(Section.PLAIN.withBlocks(List.of(Paragraph.of("")))), false, TAB_WIDTH,
                List.of());
    }

    public Document withSections(List<Section> others) { return new Document(facts, styles, numbering, others, evenAndOddFrames, tabWidth, kept, fonts); }
    public Document withFacts(Facts other) { return new Document(other, styles, numbering, sections, evenAndOddFrames, tabWidth, kept, fonts); }
    public Document withStyles(StyleSheet other) { return new Document(facts, other, numbering, sections, evenAndOddFrames, tabWidth, kept, fonts); }
    public Document withFonts(List<FontFile> others) { return new Document(facts, styles, numbering, sections, evenAndOddFrames, tabWidth, kept, others); }
    public Document withKept(List<Opaque.Part> others) { return new Document(facts, styles, numbering, sections, evenAndOddFrames, tabWidth, others, fonts); }
    public Document withNumbering(Numbering other) { return new Document(facts, styles, other, sections, evenAndOddFrames, tabWidth, kept, fonts); }

    /** The blocks of all sections, one after another. */
    public List<Block> blocks() {
        List<Block> all = new ArrayList<>();
        for (Section section : sections) all.addAll(section.blocks());
        return all;
    }

    /** The blocks in the container at {@code path}: a section, a cell, a contents list. */
    public List<? extends Block> children(BlockPath path) {
        List<? extends Block> blocks = sections.get(path.step(0)).blocks();
        int at = 1;
        while (at < path.size()) {
            Block block = blocks.get(path.step(at++));
            if (block instanceof Table table) {
                blocks = table.rows().get(path.step(at)).cells().get(path.step(at + 1)).blocks();
                at += 2;
            } else if (block instanceof Contents contents) {
                blocks = contents.entries();
            } else {
                throw new IllegalArgumentException("Nothing is contained at " + path);
            }
        }
        return blocks;
    }

    /** The block at {@code path}. */
    public Block block(BlockPath path) { return children(path.parent()).get(path.last()); }

    /** The paragraph at {@code path}. */
    public Paragraph paragraph(BlockPath path) { return (Paragraph) block(path); }

    /** A new document in which the children {@code from} (inclusive) to {@code to} (exclusive) of a container are replaced. */
    public Document replacing(BlockPath container, int from, int to, List<? extends Block> blocks) {
        List<Section> changed = new ArrayList<>(sections);
        int index = container.step(0);
        Section section = sections.get(index);
        changed.set(index, section.withBlocks(replaced(section.blocks(), container, 1, from, to, blocks)));
        return withSections(changed);
    }

    private static List<Block> replaced(List<? extends Block> children, BlockPath container, int at, int from, int to, List<? extends Block> blocks) {
        List<Block> result = new ArrayList<>(children.size() + blocks.size());
        result.addAll(children);
        if (at == container.size()) {
            List<Block> range = result.subList(from, to);
            range.clear();
            range.addAll(blocks);
            return result;
        }
        int index = container.step(at);
        Block child = children.get(index);
        if (child instanceof Table table) {
            int rowIndex = container.step(at + 1);
            int cellIndex = container.step(at + 2);
            Table.Row row = table.rows().get(rowIndex);
            Table.Cell cell = row.cells().get(cellIndex);
            List<Table.Cell> cells = new ArrayList<>(row.cells());
            cells.set(cellIndex, cell.withBlocks(replaced(cell.blocks(), container, at + 3, from, to, blocks)));
            List<Table.Row> rows = new ArrayList<>(table.rows());
            rows.set(rowIndex, new Table.Row(row.look(), cells));
            result.set(index, new Table(table.look(), table.columns(), rows));
        } else if (child instanceof Contents contents) {
            List<Paragraph> entries = new ArrayList<>();
            for (Block block : replaced(contents.entries(), container, at + 1, from, to, blocks)) entries.add((Paragraph) block);
            result.set(index, new Contents(contents.fromLevel(), contents.toLevel(), entries));
        }
        return result;
    }
}
