package app.decant.document;

import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.SortedMap;
import java.util.TreeMap;

/** The stories of a document: reading them by their places, and the document anew with one changed. Whatever does not change stays the same object. */
public final class Stories {
    private Stories() { }

    /** Whether a document has this story. */
    public static boolean has(Document document, Story story) {
        if (story instanceof Story.Body) return true;
        if (story instanceof Story.Frame frame)
            return frame.section() >= 0 && frame.section() < document.sections().size() && document.sections().get(frame.section()).frames()
                    .containsKey(frame.place());
        return inline(document, story) != null;
    }

    /** All stories: the body, what hangs on it in the order of its places, headers and footers. */
    public static List<Story> all(Document document) {
        List<Story> all = new ArrayList<>();
        add(document, Story.BODY, all);
        for (int s = 0; s < document.sections().size(); s++)
            for (Section.FramePlace place : document.sections().get(s).frames().keySet()) add(document, new Story.Frame(s, place), all);
        return all;
    }

    private static void add(Document document, Story story, List<Story> all) {
        all.add(story);
        for (Walk.Stop stop : Walk.of(document, story).stops()) for (Story hung : on(story, stop)) add(document, hung, all);
    }

    /** The notes and boxes that hang on a paragraph, in their order. */
    public static List<Story> on(Story story, Walk.Stop stop) {
        List<Story> hung = new ArrayList<>();
        int at = 0;
        for (Inline inline : stop.paragraph().inlines()) {
            if (inline instanceof Inline.Note) hung.add(new Story.Note(new Place(story, stop.path(), at)));
            if (inline instanceof Inline.Floating floating && floating.content() instanceof TextBox) hung.add(new Story.Box(new Place(story, stop.path(), at)));
            at += inline.length();
        }
        return hung;
    }

    /**
     * The blocks of a story other than the body.
     *
     * @throws IllegalArgumentException where there is no such story
     */
    static List<Block> blocks(Document document, Story story) {
        if (!has(document, story)) throw new IllegalArgumentException("There is no " + story);
        if (story instanceof Story.Frame frame) return document.sections().get(frame.section()).frames().get(frame.place());
        Inline inline = inline(document, story);
        return inline instanceof Inline.Note note ? note.blocks() : ((TextBox) ((Inline.Floating) inline).content()).blocks();
    }

    /** The document with other blocks in a story other than the body. */
    static Document with(Document document, Story story, List<Block> blocks) {
        if (story instanceof Story.Frame frame) return withFrame(document, frame, blocks);
        Place anchor = story.anchor();
        Paragraph paragraph = document.paragraph(anchor);
        List<Inline> inlines = new ArrayList<>(paragraph.inlines());
        int index = index(paragraph, anchor.offset());
        inlines.set(index, inlines.get(index) instanceof Inline.Note note ? new Inline.Note(note.kind(), blocks, note.mark(), note.look())
                : withText((Inline.Floating) inlines.get(index), blocks));
        return document.replacing(anchor.story(), new TreeMap<>(Map.of(anchor.path(), paragraph.withInlines(inlines))));
    }

    private static Inline.Floating withText(Inline.Floating floating, List<Block> blocks) {
        TextBox box = (TextBox) floating.content();
        return new Inline.Floating(floating.anchor(), box.withBlocks(blocks), floating.look());
    }

    /** The document with a header or footer; none where {@code blocks} is null. */
    public static Document withFrame(Document document, Story.Frame frame, List<Block> blocks) {
        Section section = document.sections().get(frame.section());
        Map<Section.FramePlace, List<Block>> frames = new EnumMap<>(Section.FramePlace.class);
        frames.putAll(section.frames());
        if (blocks == null) frames.remove(frame.place());
        else frames.put(frame.place(), List.copyOf(blocks));
        List<Section> sections = new ArrayList<>(document.sections());
        sections.set(frame.section(), section.withFrames(frames));
        return document.withSections(sections);
    }

    /** The inline that a note or box hangs on, or null. */
    private static Inline inline(Document document, Story story) {
        Place anchor = story.anchor();
        if (!has(document, anchor.story()) || !(document.find(anchor.story(), anchor.path()) instanceof Paragraph paragraph)) return null;
        int index = index(paragraph, anchor.offset());
        Inline inline = index < 0 ? null : paragraph.inlines().get(index);
        if (story instanceof Story.Note) return inline instanceof Inline.Note ? inline : null;
        return inline instanceof Inline.Floating floating && floating.content() instanceof TextBox ? inline : null;
    }

    /** The index of the object at an offset, or -1. */
    private static int index(Paragraph paragraph, int offset) {
        int at = 0;
        for (int i = 0; i < paragraph.inlines().size(); i++) {
            int length = paragraph.inlines().get(i).length();
            if (at == offset && length == 1) return i;
            at += length;
        }
        return -1;
    }

    /** Blocks with some of them, however deep they lie, replaced by others one for one; each container is made anew once. */
    static List<Block> replaced(List<? extends Block> children, List<Map.Entry<BlockPath, Block>> changes, int depth) {
        List<Block> result = new ArrayList<>(children);
        for (int i = 0; i < changes.size(); ) {
            int index = changes.get(i).getKey().step(depth);
            int end = i;
            while (end < changes.size() && changes.get(end).getKey().step(depth) == index) end++;
            List<Map.Entry<BlockPath, Block>> own = changes.subList(i, end);
            if (own.get(0).getKey().size() == depth + 1) result.set(index, own.get(own.size() - 1).getValue());
            else if (children.get(index) instanceof Table table) result.set(index, replaced(table, own, depth + 1));
            else if (children.get(index) instanceof Contents contents)
                result.set(index, contents.withEntries(replaced(contents.entries(), own, depth + 1).stream()
                        .map(Paragraph.class::cast).toList()));
            else throw new IllegalArgumentException("Nothing is contained at " + own.get(0).getKey());
            i = end;
        }
        return result;
    }

    private static Table replaced(Table table, List<Map.Entry<BlockPath, Block>> changes, int depth) {
        SortedMap<Integer, SortedMap<Integer, List<Map.Entry<BlockPath, Block>>>> byCell = new TreeMap<>();
        for (Map.Entry<BlockPath, Block> change : changes) {
            BlockPath path = change.getKey();
            byCell.computeIfAbsent(path.step(depth), row -> new TreeMap<>()).computeIfAbsent(path.step(depth + 1), cell -> new ArrayList<>()).add(change);
        }
        List<Table.Row> rows = new ArrayList<>(table.rows());
        byCell.forEach((row, cells) -> {
            List<Table.Cell> made = new ArrayList<>(rows.get(row).cells());
            cells.forEach((cell, own) -> made.set(cell, made.get(cell).withBlocks(replaced(made.get(cell).blocks(), own, depth + 2))));
            rows.set(row, new Table.Row(rows.get(row).look(), made));
        });
        return new Table(table.look(), table.columns(), rows);
    }
}
