package app.decant.document;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;

/**
 * A document: its sections of blocks, and what they share.
 *
 * @param kept parts of the file it came from that Decant gives back when the same family is written
 * @param evenAndOddFrames whether even pages have headers and footers of their own
 * @param tabWidth the distance of the tab stops nobody set, in points
 * @param fonts    that travel with it; it is set with them before all others
 * @param answers  what is filled into the fields of the PDF it came from, by their full names, or into the cells of the workbook
 */
public record Document(Facts facts, StyleSheet styles, Numbering numbering, List<Section> sections, boolean evenAndOddFrames, double tabWidth,
        List<Opaque.Part> kept, List<FontFile> fonts, SortedMap<String, String> answers) {
    public static final double TAB_WIDTH = 36;

    public Document {
        sections = List.copyOf(sections);
        kept = List.copyOf(kept);
        fonts = List.copyOf(fonts);
        answers = answers == null || answers.isEmpty() ? Collections.emptySortedMap() : Collections.unmodifiableSortedMap(new TreeMap<>(answers));
    }

    public Document(Facts facts, StyleSheet styles, Numbering numbering, List<Section> sections, boolean evenAndOddFrames, double tabWidth,
            List<Opaque.Part> kept, List<FontFile> fonts) {
        this(facts, styles, numbering, sections, evenAndOddFrames, tabWidth, kept, fonts, Collections.emptySortedMap());
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

    public Document withSections(List<Section> others) {
        return new Document(facts, styles, numbering, others, evenAndOddFrames, tabWidth, kept, fonts, answers);
    }
    public Document withFacts(Facts other) {
        return new Document(other, styles, numbering, sections, evenAndOddFrames, tabWidth, kept, fonts, answers);
    }
    public Document withStyles(StyleSheet other) {
        return new Document(facts, other, numbering, sections, evenAndOddFrames, tabWidth, kept, fonts, answers);
    }
    public Document withFonts(List<FontFile> others) {
        return new Document(facts, styles, numbering, sections, evenAndOddFrames, tabWidth, kept, others, answers);
    }
    public Document withKept(List<Opaque.Part> others) {
        return new Document(facts, styles, numbering, sections, evenAndOddFrames, tabWidth, others, fonts, answers);
    }
    public Document withNumbering(Numbering other) {
        return new Document(facts, styles, other, sections, evenAndOddFrames, tabWidth, kept, fonts, answers);
    }

    /** The same with another answer in a field of the PDF, or a cell of the workbook, it came from; null takes it back. */
    public Document answering(String field, String answer) {
        SortedMap<String, String> others = new TreeMap<>(answers);
        if (answer == null) others.remove(field);
        else others.put(field, answer);
        return new Document(facts, styles, numbering, sections, evenAndOddFrames, tabWidth, kept, fonts, others);
    }

    /** The blocks of all sections, one after another. */
    public List<Block> blocks() {
        List<Block> all = new ArrayList<>();
        for (Section section : sections) all.addAll(section.blocks());
        return all;
    }

    /** The blocks in the container at {@code path} of the body: a section, a cell, a contents list. */
    public List<? extends Block> children(BlockPath path) { return children(Story.BODY, path); }

    /**
     * The blocks in a container of a story.
     *
     * @throws IllegalArgumentException where nothing is contained there
     */
    public List<? extends Block> children(Story story, BlockPath path) {
        List<? extends Block> blocks = story instanceof Story.Body ? sections.get(path.step(0)).blocks() : Stories.blocks(this, story);
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

    /** The block at {@code path} of the body. */
    public Block block(BlockPath path) { return children(path.parent()).get(path.last()); }

    /** The block at a path of a story, or null where there is none. */
    public Block find(Story story, BlockPath path) {
        try {
            List<? extends Block> siblings = path.size() < 2 || !Stories.has(this, story) ? List.of() : children(story, path.parent());
            return path.last() < siblings.size() ? siblings.get(path.last()) : null;
        } catch (IllegalArgumentException | IndexOutOfBoundsException e) {
            // A way that leads nowhere is an answer here.
            return null;
        }
    }

    /** The paragraph at {@code path} of the body. */
    public Paragraph paragraph(BlockPath path) { return (Paragraph) block(path); }

    /** The paragraph of a place. */
    public Paragraph paragraph(Place place) { return (Paragraph) children(place.story(), place.path().parent()).get(place.path().last()); }

    /** A new document in which the children {@code from} (inclusive) to {@code to} (exclusive) of a container of the body are replaced. */
    public Document replacing(BlockPath container, int from, int to, List<? extends Block> blocks) {
        return replacing(Story.BODY, container, from, to, blocks);
    }

    /** The same in any story. */
    public Document replacing(Story story, BlockPath container, int from, int to, List<? extends Block> blocks) {
        if (!(story instanceof Story.Body)) return Stories.with(this, story, replaced(Stories.blocks(this, story), container, 1, from, to, blocks));
        List<Section> changed = new ArrayList<>(sections);
        int index = container.step(0);
        Section section = sections.get(index);
        changed.set(index, section.withBlocks(replaced(section.blocks(), container, 1, from, to, blocks)));
        return withSections(changed);
    }

    /** A new document in which blocks of a story are replaced one for one; every container on the way is made anew once, however many they are. */
    public Document replacing(Story story, SortedMap<BlockPath, ? extends Block> blocks) {
        List<Map.Entry<BlockPath, Block>> changes = new ArrayList<>();
        blocks.forEach((path, block) -> changes.add(Map.entry(path, block)));
        if (changes.isEmpty()) return this;
        if (!(story instanceof Story.Body)) return Stories.with(this, story, Stories.replaced(Stories.blocks(this, story), changes, 1));
        List<Section> changed = new ArrayList<>(sections);
        for (int i = 0; i < changes.size(); ) {
            int index = changes.get(i).getKey().step(0);
            int end = i;
            while (end < changes.size() && changes.get(end).getKey().step(0) == index) end++;
            changed.set(index, changed.get(index).withBlocks(Stories.replaced(changed.get(index).blocks(), changes.subList(i, end), 1)));
            i = end;
        }
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
            result.set(index, contents.withEntries(entries));
        }
        return result;
    }
}
