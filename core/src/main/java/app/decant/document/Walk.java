package app.decant.document;

import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;

/** Every editable paragraph of a story with the way to it, in reading order; tables row by row. */
public final class Walk {
    private final List<Stop> stops;
    /** Filled when it is first asked for: typing seldom asks. */
    private final Map<Paragraph, Integer> order = new IdentityHashMap<>();

    /** One paragraph on the way. */
    public record Stop(BlockPath path, Paragraph paragraph) { }

    private Walk(List<Stop> stops) { this.stops = Collections.unmodifiableList(stops); }

    public static Walk of(Document document) {
        List<Stop> stops = new ArrayList<>();
        for (int i = 0; i < document.sections().size(); i++) add(document.sections().get(i).blocks(), BlockPath.of(i), 0, stops);
        return new Walk(stops);
    }

    /**
     * The same of a document that was another before: what is still where it was is not walked through again.
     *
     * @param before what was walked through, and {@code walk} how
     */
    public static Walk of(Document document, Document before, Walk walk) {
        List<Stop> stops = new ArrayList<>(walk.stops.size() + 1);
        int at = 0;
        for (int s = 0; s < document.sections().size(); s++) {
            List<Block> blocks = document.sections().get(s).blocks();
            List<Block> old = s < before.sections().size() ? before.sections().get(s).blocks() : List.of();
            for (int b = 0; b < Math.max(blocks.size(), old.size()); b++) {
                int from = at;
                while (at < walk.stops.size() && walk.isWithin(at, s, b)) at++;
                if (b < Math.min(blocks.size(), old.size()) && blocks.get(b) == old.get(b)) stops.addAll(walk.stops.subList(from, at));
                else if (b < blocks.size()) add(blocks.subList(b, b + 1), BlockPath.of(s), b, stops);
            }
        }
        return new Walk(stops);
    }

    private boolean isWithin(int stop, int section, int block) {
        BlockPath path = stops.get(stop).path();
        return path.step(0) == section && path.step(1) == block;
    }

    /** The same of another story. */
    public static Walk of(Document document, Story story) {
        return story instanceof Story.Body ? of(document) : of(Stories.blocks(document, story), BlockPath.of(0), 0);
    }

    /** The same of some blocks only, the first of which is the child {@code first} of a container. */
    public static Walk of(List<? extends Block> blocks, BlockPath container, int first) {
        List<Stop> stops = new ArrayList<>();
        add(blocks, container, first, stops);
        return new Walk(stops);
    }

    private static void add(List<? extends Block> blocks, BlockPath container, int first, List<Stop> stops) {
        for (int i = 0; i < blocks.size(); i++) {
            Block block = blocks.get(i);
            BlockPath path = container.then(first + i);
            if (block instanceof Paragraph paragraph) {
                stops.add(new Stop(path, paragraph));
            } else if (block instanceof Contents contents) {
                add(contents.entries(), path, 0, stops);
            } else if (block instanceof Table table) {
                for (int r = 0; r < table.rows().size(); r++) {
                    List<Table.Cell> cells = table.rows().get(r).cells();
                    for (int c = 0; c < cells.size(); c++) add(cells.get(c).blocks(), path.then(r, c), 0, stops);
                }
            }
        }
    }

    public List<Stop> stops() { return stops; }

    /** Where in the order the paragraph (this very object) stands, or -1. */
    public synchronized int indexOf(Paragraph paragraph) {
        if (order.isEmpty()) for (int i = 0; i < stops.size(); i++) order.put(stops.get(i).paragraph(), i);
        return order.getOrDefault(paragraph, -1);
    }

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
