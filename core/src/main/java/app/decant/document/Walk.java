package app.decant.document;

import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/** Every editable paragraph of a story with the way to it, in reading order; tables row by row. */
public final class Walk {
    private final List<Stop> stops = new ArrayList<>();
    private final Map<Paragraph, Integer> order = new IdentityHashMap<>();

    /** One paragraph on the way. */
    public record Stop(BlockPath path, Paragraph paragraph) { }

    private Walk() { }

    public static Walk of(Document document) {
        Walk walk = new Walk();
        for (int i = 0; i < document.sections().size(); i++) walk.add(document.sections().get(i).blocks(), BlockPath.of(i));
        return walk;
    }

    /** The same of another story. */
    public static Walk of(Document document, Story story) {
        if (story instanceof Story.Body) return of(document);
        Walk walk = new Walk();
        walk.add(Stories.blocks(document, story), BlockPath.of(0));
        return walk;
    }

    /** The same of some blocks only, the first of which is the child {@code first} of a container. */
    public static Walk of(List<? extends Block> blocks, BlockPath container, int first) {
        Walk walk = new Walk();
        walk.add(blocks, container, first);
        return walk;
    }

    private void add(List<? extends Block> blocks, BlockPath container) { add(blocks, container, 0); }

    private void add(List<? extends Block> blocks, BlockPath container, int first) {
        for (int i = 0; i < blocks.size(); i++) {
            Block block = blocks.get(i);
            BlockPath path = container.then(first + i);
            if (block instanceof Paragraph paragraph) {
                order.put(paragraph, stops.size());
                stops.add(new Stop(path, paragraph));
            } else if (block instanceof Contents contents) {
                add(contents.entries(), path);
            } else if (block instanceof Table table) {
                for (int r = 0; r < table.rows().size(); r++) {
                    List<Table.Cell> cells = table.rows().get(r).cells();
                    for (int c = 0; c < cells.size(); c++) add(cells.get(c).blocks(), path.then(r, c));
                }
            }
        }
    }

    public List<Stop> stops() { return Collections.unmodifiableList(stops); }

    /** Where in the order the paragraph (this very object) stands, or -1. */
    public int indexOf(Paragraph paragraph) { return order.getOrDefault(paragraph, -1); }

    /** The way to this very paragraph, or null. */
    public BlockPath pathOf(Paragraph paragraph) {
        int index = indexOf(paragraph);
        return index < 0 ? null : stops.get(index).path();
    }

    /** Where in the order the paragraph at a path stands, or -1. */
    public int indexOf(BlockPath path) {
        int low = 0;
        int high = stops.size() - 1;
        while (low <= high) {
            int middle = (low + high) >>> 1;
            int order = stops.get(middle).path().compareTo(path);
            if (order == 0) return middle;
            if (order < 0) low = middle + 1;
            else high = middle - 1;
        }
        return -1;
    }

    /** The stops from one path to another, both included. */
    public List<Stop> between(BlockPath from, BlockPath to) {
        int first = indexOf(from);
        int last = indexOf(to);
        return first < 0 || last < first ? List.of() : stops.subList(first, last + 1);
    }
}
