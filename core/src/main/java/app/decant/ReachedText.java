package app.decant;

import app.decant.document.Block;
import app.decant.document.Contents;
import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Provenance;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.document.TextBox;
import app.decant.document.Walk;
import app.decant.layout.StretchLayout.Spot;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.function.UnaryOperator;

/**
 * Which text of a document stands on pages of its file that have to be set anew: no letter of it may stand on a page that stays as well, and none may be on
 * neither. Where a page's text can't be told from that of another, the other has to be set anew with it.
 */
final class ReachedText {
    private final Came came;
    private final Walk walk;
    private final Provenance provenance;
    private final Map<Paragraph, OtherEdit> others = new IdentityHashMap<>();
    private final Map<Paragraph, List<TextEdits.Edit>> edited = new IdentityHashMap<>();
    private final Map<Paragraph, Paragraph> described = new IdentityHashMap<>();
    private final List<Part> parts = new ArrayList<>();

    /**
     * Pages that follow each other, and the text on them.
     *
     * @param first the index of the first page in the file
     * @param last  of the last
     * @param to    where the text ends; null, as is {@code from}, where there is none
     */
    record Run(int first, int last, Spot from, Spot to) {
        boolean hasText() { return from != null; }
    }

    /**
     * A part of the text that stands together: a paragraph as far as it is on one page, a row of a table.
     *
     * @param pages none where it is not known where it stands; several where it can't be parted
     * @param fresh whether it is not as it came
     */
    private record Part(Spot begins, SortedSet<Integer> pages, boolean fresh) {
        Part on(int page) { return new Part(begins, new TreeSet<>(Set.of(page)), fresh); }
    }

    /** The text of a file as it came: where blocks of it that nobody touched stand is found out once. */
    static final class Came {
        private final Walk walk;
        private final Provenance provenance;
        private final Map<Block, List<Part>> parts = new IdentityHashMap<>();
        private final Set<Block> blocks = Collections.newSetFromMap(new IdentityHashMap<>());

        /** @param walk over the text */
        Came(Document document, Walk walk, Provenance provenance) {
            this.walk = walk;
            this.provenance = provenance;
            blocks.addAll(document.blocks());
        }
    }

    ReachedText(Came came, Document now, TextEdits.Found edits) {
        this.came = came;
        walk = came.walk;
        provenance = came.provenance;
        for (TextEdits.Edit edit : edits.edits()) for (Paragraph fresh : edit.nows()) edited.computeIfAbsent(fresh, key -> new ArrayList<>()).add(edit);
        for (List<OtherEdit> some : List.of(edits.others(), edits.answers().edits()))
            for (OtherEdit other : some) if (other.now() != null) others.put(other.now(), other);
        edits.described().forEach((old, fresh) -> described.put(fresh, old));
        for (Section section : now.sections()) for (Block block : section.blocks()) put(block);
    }

    /**
     * The text of pages.
     *
     * @param reached the pages that have to be set anew; those that have to be with them are added
     * @param more    tells further pages that have to be set anew with some
     */
    List<Run> runs(SortedSet<Integer> reached, UnaryOperator<Set<Integer>> more) {
        settle(reached);
        int before;
        do {
            before = reached.size();
            reached.addAll(more.apply(reached));
            for (Part part : parts) if (part.pages.stream().anyMatch(reached::contains)) reached.addAll(part.pages);
            for (int[] run : runs(reached)) {
                int[] ends = ends(run);
                for (int i = ends[0]; i >= 0 && i <= ends[1]; i++) reached.addAll(parts.get(i).pages);
            }
        } while (reached.size() > before);
        List<Run> runs = new ArrayList<>();
        for (int[] run : runs(reached)) {
            int[] ends = ends(run);
            Spot to = ends[1] + 1 < parts.size() ? parts.get(ends[1] + 1).begins : new Spot(null, 0);
            runs.add(ends[0] < 0 ? new Run(run[0], run[1], null, null) : new Run(run[0], run[1], parts.get(ends[0]).begins, to));
        }
        return runs;
    }

    /** Gives what stands nowhere a page: what is new one that is set anew, of those that it is between; the rest goes with what is before it. */
    private void settle(SortedSet<Integer> reached) {
        for (int i = 0; i < parts.size(); i++) {
            Part part = parts.get(i);
            if (!part.pages.isEmpty()) continue;
            int next = i;
            while (next < parts.size() && parts.get(next).pages.isEmpty()) next++;
            int before = i > 0 ? parts.get(i - 1).pages.last() : next < parts.size() ? parts.get(next).pages.first() : 0;
            int after = next < parts.size() ? parts.get(next).pages.first() : before;
            SortedSet<Integer> between = reached.subSet(before, Math.max(before, after) + 1);
            parts.set(i, part.on(part.fresh && !between.isEmpty() ? between.first() : before));
            if (part.fresh) reached.addAll(parts.get(i).pages);
        }
    }

    private static List<int[]> runs(SortedSet<Integer> pages) {
        List<int[]> runs = new ArrayList<>();
        for (int page : pages) {
            if (!runs.isEmpty() && runs.get(runs.size() - 1)[1] == page - 1) runs.get(runs.size() - 1)[1] = page;
            else runs.add(new int[] {page, page});
        }
        return runs;
    }

    /** The indexes of the first and the last part on some pages; -1 where there are none. */
    private int[] ends(int[] run) {
        int[] ends = {-1, -1};
        for (int i = 0; i < parts.size(); i++) {
            if (parts.get(i).pages.subSet(run[0], run[1] + 1).isEmpty()) continue;
            if (ends[0] < 0) ends[0] = i;
            ends[1] = i;
        }
        return ends;
    }

    private void put(Block block) {
        List<Part> known = came.parts.get(block);
        if (known != null) {
            parts.addAll(known);
            return;
        }
        int from = parts.size();
        add(block);
        if (came.blocks.contains(block)) came.parts.put(block, List.copyOf(parts.subList(from, parts.size())));
    }

    private void add(Block block) {
        if (block instanceof Paragraph paragraph) add(paragraph);
        else if (block instanceof Contents contents) contents.entries().forEach(this::add);
        else if (block instanceof Table table) add(table);
        else parts.add(new Part(new Spot(block, 0), new TreeSet<>(), true));
    }

    private void add(Table table) {
        int joined = 0;
        for (int row = 0; row < table.rows().size(); row++) {
            SortedSet<Integer> pages = new TreeSet<>();
            boolean fresh = false;
            for (Table.Cell cell : table.rows().get(row).cells()) fresh |= tell(cell.blocks(), pages);
            if (row < joined) parts.get(parts.size() - 1).pages.addAll(pages);
            else parts.add(new Part(new Spot(table, row), pages, fresh));
            for (Table.Cell cell : table.rows().get(row).cells()) joined = Math.max(joined, row + cell.rowSpan());
        }
    }

    /** Tells the pages of blocks; gives whether any of them is not as it came. */
    private boolean tell(List<? extends Block> blocks, Set<Integer> pages) {
        boolean fresh = false;
        for (Block block : blocks) {
            if (block instanceof Paragraph paragraph) {
                pages.addAll(pages(paragraph));
                fresh |= old(paragraph) == null;
            } else if (block instanceof Contents contents) {
                fresh |= tell(contents.entries(), pages);
            } else if (block instanceof Table inner) {
                for (Table.Row row : inner.rows()) for (Table.Cell cell : row.cells()) fresh |= tell(cell.blocks(), pages);
            }
        }
        return fresh;
    }

    private void add(Paragraph paragraph) {
        SortedSet<Integer> pages = pages(paragraph);
        Paragraph old = old(paragraph);
        int[] begins = pages.size() > 1 && old != null ? begins(paragraph, old, pages) : null;
        if (begins == null) {
            parts.add(new Part(new Spot(paragraph, 0), pages, old == null));
            return;
        }
        int i = 0;
        for (int page : pages) parts.add(new Part(new Spot(paragraph, begins[i++]), new TreeSet<>(Set.of(page)), false));
    }

    /** What a paragraph was; null for one that is new, or was put together from several. */
    private Paragraph old(Paragraph paragraph) {
        if (walk.indexOf(paragraph) >= 0) return paragraph;
        if (described.containsKey(paragraph)) return described.get(paragraph);
        if (others.containsKey(paragraph)) return others.get(paragraph).old();
        List<TextEdits.Edit> own = edited.getOrDefault(paragraph, List.of());
        return !own.isEmpty() && own.stream().allMatch(TextEdits.Edit::isPlain) ? own.get(0).old() : null;
    }

    /** The pages that a paragraph stands on, with its notes and what hangs on it. */
    private SortedSet<Integer> pages(Paragraph paragraph) {
        SortedSet<Integer> pages = new TreeSet<>();
        List<Paragraph> olds = new ArrayList<>();
        if (old(paragraph) != null) olds.add(old(paragraph));
        for (TextEdits.Edit edit : edited.getOrDefault(paragraph, List.of())) {
            pages.add(edit.page());
            if (!edit.isOfRows()) olds.addAll(edit.olds());
        }
        if (olds.isEmpty()) olds.add(paragraph);
        for (Paragraph old : olds) for (Provenance.Line line : provenance.of(old)) pages.add(line.page());
        if (pages.isEmpty()) for (Provenance.Shown picture : provenance.pictures(paragraph)) pages.add(picture.page());
        for (Inline inline : paragraph.inlines()) {
            if (inline instanceof Inline.Note note) tell(note.blocks(), pages);
            else if (inline instanceof Inline.Floating floating && floating.content() instanceof TextBox box) tell(box.blocks(), pages);
        }
        return pages;
    }

    /** The caret position at which each page of a paragraph begins; null where that can't be told. */
    private int[] begins(Paragraph paragraph, Paragraph old, SortedSet<Integer> pages) {
        int[][] places = provenance.places(old);
        if (places == null) return null;
        List<Provenance.Line> lines = provenance.of(old);
        List<Integer> seen = new ArrayList<>();
        List<Integer> begins = new ArrayList<>();
        for (int i = 0; i < places.length; i++) {
            if (places[i] == null) continue;
            int page = lines.get(places[i][0]).page();
            if (!seen.isEmpty() && seen.get(seen.size() - 1) == page) continue;
            seen.add(page);
            begins.add(seen.size() == 1 ? 0 : i);
        }
        // What stands on a page but in another order than the text's, or without a letter there, is not parted.
        if (!seen.equals(List.copyOf(pages)) || new HashSet<>(seen).size() != seen.size()) return null;
        int[] now = new int[begins.size()];
        for (int i = 1; i < now.length; i++) {
            now[i] = begin(paragraph, old, begins.get(i), seen.get(i));
            if (now[i] < 0) return null;
        }
        return now;
    }

    /** Where a place in an edited paragraph went: all before it is as it was, or all behind it. */
    private int begin(Paragraph paragraph, Paragraph old, int at, int page) {
        if (paragraph == old) return at;
        boolean before = paragraph.text().startsWith(old.text().substring(0, at));
        boolean behind = paragraph.text().endsWith(old.text().substring(at));
        int other = paragraph.length() - (old.length() - at);
        // Of what was put in just there it is known on which of the pages it is.
        OtherEdit change = others.get(paragraph);
        boolean earlier = change != null ? change.pages(provenance).stream().anyMatch(own -> own < page)
                : edited.getOrDefault(paragraph, List.of()).stream().anyMatch(edit -> edit.page() < page);
        return before && behind ? earlier ? other : at : before ? at : behind ? other : -1;
    }
}
