package app.decant.document;

import java.util.ArrayList;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Takes out what reaches over more than neighbouring paragraphs: whole blocks and sections go, the first and the last paragraph are joined. A table that
 * is picked in part keeps its cells, which lose their texts; one that is picked with what stands round it goes.
 */
final class Deletion {
    private final Document document;
    private final Span span;
    /** What stays of each paragraph that is touched: the inlines before and after what goes; none where all of it goes. */
    private final Map<Paragraph, List<Inline>> left = new IdentityHashMap<>();
    private final List<Walk.Stop> touched;
    private final boolean all;

    private Deletion(Document document, Span span) {
        this.document = document;
        this.span = span;
        Walk walk = Walk.of(document);
        touched = walk.between(span.start().path(), span.end().path());
        Walk.Stop last = walk.stops().get(walk.stops().size() - 1);
        all = touched.size() == walk.stops().size() && span.start().offset() == 0 && span.end().offset() == last.paragraph().length();
        for (Walk.Stop stop : touched) {
            int from = stop.path().equals(span.start().path()) ? span.start().offset() : 0;
            int to = stop.path().equals(span.end().path()) ? span.end().offset() : stop.paragraph().length();
            List<Inline> rest = new ArrayList<>(stop.paragraph().slice(0, from));
            rest.addAll(stop.paragraph().slice(to, stop.paragraph().length()));
            left.put(stop.paragraph(), from == 0 && to == stop.paragraph().length() ? List.of() : rest);
        }
    }

    static Edit of(Document document, Span span) { return new Deletion(document, span).edit(); }

    private Edit edit() {
        Paragraph first = touched.get(0).paragraph();
        Paragraph last = touched.get(touched.size() - 1).paragraph();
        boolean joins = isInBody(span.start().path()) && isInBody(span.end().path());
        Paragraph joined = joins ? first.withInlines(joined(left.get(first), left.get(last))) : null;
        List<Section> sections = new ArrayList<>();
        for (int s = 0; s < document.sections().size(); s++) {
            Section section = document.sections().get(s);
            boolean inside = s >= span.start().path().step(0) && s <= span.end().path().step(0);
            List<Block> rest = inside ? rest(section.blocks(), first, last, joined) : section.blocks();
            if (!inside || !rest.isEmpty()) sections.add(inside ? section.withBlocks(rest) : section);
        }
        mergeInto(sections, joined);
        if (sections.isEmpty()) sections.add(document.sections().get(0)
                .withBlocks(List.of(new Paragraph(first.style(), first.look(), first.mark(), List.of()))));
        Document made = document.withSections(sections);
        return new Edit("deleting", List.of(), null, null, sections, Span.caret(caret(made, joined)));
    }

    private static boolean isInBody(BlockPath path) { return path.size() == 2; }

    private static List<Inline> joined(List<Inline> one, List<Inline> other) {
        if (one == other) return one;
        List<Inline> inlines = new ArrayList<>(one);
        inlines.addAll(other);
        return inlines;
    }

    private List<Block> rest(List<Block> blocks, Paragraph first, Paragraph last, Paragraph joined) {
        List<Block> rest = new ArrayList<>();
        for (Block block : blocks) {
            if (block == first && joined != null) {
                if (!all) rest.add(joined);
            } else if (block == last && joined != null) {
                continue;
            } else if (block instanceof Paragraph paragraph && left.containsKey(paragraph)) {
                if (!left.get(paragraph).isEmpty() || (paragraph == first || paragraph == last) && !all) rest.add(paragraph.withInlines(left.get(paragraph)));
            } else if (block instanceof Table table && goes(paragraphs(List.of(table)))) {
                if (isPickedWithin(table)) rest.add(emptied(table));
            } else if (block instanceof Table table) {
                rest.add(emptied(table));
            } else if (block instanceof Contents contents) {
                if (!goes(paragraphs(List.of(contents))))
                    rest.add(contents.entries().stream().noneMatch(left::containsKey) ? contents : new Contents(contents.fromLevel(), contents.toLevel(),
                            contents.entries().stream().map(this::emptied).toList()));
            } else if (!isBetween(blocks, block)) {
                rest.add(block);
            }
        }
        return rest;
    }

    /** Whether all of some paragraphs is taken out. */
    private boolean goes(List<Paragraph> paragraphs) {
        return !paragraphs.isEmpty() && paragraphs.stream().allMatch(paragraph -> left.containsKey(paragraph) && left.get(paragraph).isEmpty());
    }

    /** Whether a table holds all that is picked, so that its texts are meant; with the whole document it goes. */
    private boolean isPickedWithin(Table table) {
        Set<Paragraph> own = paragraphs(List.of(table)).stream()
                .collect(Collectors.toCollection(() -> java.util.Collections.newSetFromMap(new IdentityHashMap<>())));
        return !all && own.containsAll(touched.stream().map(Walk.Stop::paragraph).toList());
    }

    /** Whether a block without text, such as a drawing, stands between two paragraphs that are touched. */
    private boolean isBetween(List<Block> blocks, Block block) {
        int at = blocks.indexOf(block);
        return at > 0 && at + 1 < blocks.size() && paragraphs(blocks.subList(0, at)).stream().anyMatch(left::containsKey)
                && paragraphs(blocks.subList(at + 1, blocks.size())).stream().anyMatch(left::containsKey) && !(block instanceof Paragraph);
    }

    private static List<Paragraph> paragraphs(List<? extends Block> blocks) {
        List<Paragraph> all = new ArrayList<>();
        for (Block block : blocks) {
            if (block instanceof Paragraph paragraph) all.add(paragraph);
            else if (block instanceof Contents contents) all.addAll(contents.entries());
            else if (block instanceof Table table) for (Table.Row row : table.rows()) for (Table.Cell cell : row.cells()) all.addAll(paragraphs(cell.blocks()));
        }
        return all;
    }

    private Table emptied(Table table) {
        List<Table.Row> rows = new ArrayList<>();
        for (Table.Row row : table.rows())
            rows.add(new Table.Row(row.look(), row.cells().stream().map(cell -> cell.withBlocks(cell.blocks().stream().map(this::emptied).toList())).toList()));
        return new Table(table.look(), table.columns(), rows);
    }

    private Block emptied(Block block) {
        return block instanceof Paragraph paragraph ? emptied(paragraph) : block instanceof Table table ? emptied(table) : block;
    }

    private Paragraph emptied(Paragraph paragraph) { return left.containsKey(paragraph) ? paragraph.withInlines(left.get(paragraph)) : paragraph; }

    /** The section in which what is picked ends goes on in that in which it begins. */
    private void mergeInto(List<Section> sections, Paragraph joined) {
        int begins = span.start().path().step(0);
        if (joined == null || all || span.end().path().step(0) == begins) return;
        int at = -1;
        for (int i = 0; i < sections.size(); i++) for (Block block : sections.get(i).blocks()) if (block == joined) at = i;
        int removed = document.sections().size() - sections.size();
        boolean follows = at >= 0 && at + 1 < sections.size() && document.sections().size() - removed > at + 1 && at + 1 + removed >= span.end().path()
                .step(0) && isRestOfLast(sections.get(at + 1));
        if (!follows) return;
        List<Block> blocks = new ArrayList<>(sections.get(at).blocks());
        blocks.addAll(sections.get(at + 1).blocks());
        sections.set(at, sections.get(at).withBlocks(blocks));
        sections.remove(at + 1);
    }

    private boolean isRestOfLast(Section section) {
        List<Block> last = document.sections().get(span.end().path().step(0)).blocks();
        return section.blocks().get(section.blocks().size() - 1) == last.get(last.size() - 1);
    }

    private Place caret(Document made, Paragraph joined) {
        Walk walk = Walk.of(made);
        BlockPath path = joined == null ? null : walk.pathOf(joined);
        if (path != null) return new Place(path, span.start().offset());
        // Blocks before what went stand where they stood.
        for (Walk.Stop stop : walk.stops())
            if (stop.path().compareTo(span.start().path()) >= 0)
                return new Place(stop.path(), stop.path().equals(span.start().path()) ? Math.min(span.start().offset(), stop.paragraph().length()) : 0);
        Walk.Stop last = walk.stops().get(walk.stops().size() - 1);
        return new Place(last.path(), last.paragraph().length());
    }
}
