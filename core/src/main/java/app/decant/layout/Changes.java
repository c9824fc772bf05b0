package app.decant.layout;

import app.decant.document.Block;
import app.decant.document.Contents;
import app.decant.document.Inline;
import app.decant.document.ListLabels;
import app.decant.document.Paragraph;
import app.decant.document.Table;
import app.decant.document.TextBox;
import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.Predicate;

/**
 * Where a flow differs from the one before it: block by block, and in a table that kept its shape row by row. Whatever is the same object, with the same
 * label, is the same.
 */
final class Changes {
    private static final int ALL_ROWS = Integer.MAX_VALUE;

    private final Flow now;
    private final Flow before;
    private final int shift;
    private final int sameFrom;
    private final Traits traits;
    private final ListLabels labels;
    private final ListLabels oldLabels;
    /** Whether there are labels that may be others. */
    private final boolean listed;
    private final Stale stale;
    /** The blocks that differ, in their order. */
    private final List<Stretch> stretches = new ArrayList<>();
    private final Map<Table, Table> kin = new IdentityHashMap<>();

    /** A block that differs, and the rows of it that do. */
    private record Stretch(int block, int firstRow, int lastRow) { }

    /**
     * Tells of what is the same object whether it counts as other all the same.
     *
     * @param traits without which nothing does; {@link #ANY} where that is not known
     */
    record Stale(int traits, Predicate<Block> test) {
        static final int ANY = 0;
    }

    private Changes(Flow now, Flow before, int sameFrom, Traits traits, ListLabels labels, ListLabels oldLabels, Stale stale) {
        this.now = now;
        this.before = before;
        this.shift = now.size() - before.size();
        this.sameFrom = sameFrom;
        this.traits = traits;
        this.labels = labels;
        this.oldLabels = oldLabels;
        this.listed = labels != oldLabels && !(labels.isEmpty() && oldLabels.isEmpty());
        this.stale = stale;
    }

    /**
     * Between two states of a document.
     *
     * @param stale null where what is the same object is the same
     */
    static Changes of(Flow now, Flow before, Traits traits, ListLabels labels, ListLabels oldLabels, Stale stale) {
        int most = Math.min(now.size(), before.size());
        int first = 0;
        while (first < most && now.block(first) == before.block(first)) first++;
        int same = 0;
        while (same < most - first && now.block(now.size() - 1 - same) == before.block(before.size() - 1 - same)) same++;
        Changes changes = new Changes(now, before, now.size() - same, traits, labels, oldLabels, stale);
        boolean oneForOne = now.size() == before.size();
        for (int b = 0; b < now.size(); b++) {
            boolean apart = b >= first && b < changes.sameFrom;
            Block old = apart ? oneForOne ? before.block(b) : null : now.block(b);
            changes.compare(b, now.block(b), old);
        }
        changes.gone(first);
        return changes;
    }

    /** Where blocks went and none came, what stands behind them differs in what is before it: no page that meets them there stays. */
    private void gone(int first) {
        if (first < sameFrom || before.size() <= now.size() || now.size() == 0) return;
        Stretch there = new Stretch(Math.min(first, now.size() - 1), 0, ALL_ROWS);
        int at = Collections.binarySearch(stretches, there, Comparator.comparingInt(Stretch::block));
        if (at >= 0) stretches.set(at, there);
        else stretches.add(-at - 1, there);
    }

    private void compare(int b, Block block, Block old) {
        if (block == old && !(listed && traits.has(block, Traits.LIST)) && !mayBeStale(block)) return;
        if (block instanceof Table table && old instanceof Table other && isKin(table, other)) {
            if (table != other) kin.put(table, other);
            compareRows(b, table, other);
        } else if (block != old || isStale(block) || listed && !sameLabels(block)) {
            stretches.add(new Stretch(b, 0, ALL_ROWS));
        }
    }

    /** Whether rows may be compared one for one: what cells look like depends on where they stand. */
    private static boolean isKin(Table one, Table other) {
        return one == other || one.rows().size() == other.rows().size() && one.look().equals(other.look()) && one.columns().equals(other.columns());
    }

    private void compareRows(int b, Table table, Table old) {
        int first = -1;
        int last = -1;
        int reach = -1;
        int group = 0;
        for (int r = 0; r < table.rows().size(); r++) {
            Table.Row row = table.rows().get(r);
            // Rows that a cell reaches over are as high as all of them need.
            if (r > reach) group = r;
            for (Table.Cell cell : row.cells()) reach = Math.max(reach, r + cell.rowSpan() - 1);
            for (Table.Cell cell : old.rows().get(r).cells()) reach = Math.max(reach, r + cell.rowSpan() - 1);
            boolean labelled = listed && traits.has(row, Traits.LIST);
            boolean same = row == old.rows().get(r) && !isStale(row) && (!labelled || sameLabels(row));
            if (same) continue;
            if (first < 0) first = group;
            last = Math.max(r, reach);
        }
        if (first < 0) return;
        boolean head = first < TableSetter.headerRows(table) || first < TableSetter.headerRows(old);
        stretches.add(head ? new Stretch(b, 0, ALL_ROWS) : new Stretch(b, first, last));
    }

    private boolean mayBeStale(Block block) { return stale != null && (stale.traits == Stale.ANY || traits.has(block, stale.traits)); }

    private boolean isStale(Block block) { return mayBeStale(block) && stale.test.test(block); }

    private boolean isStale(Table.Row row) {
        if (stale == null || stale.traits != Stale.ANY && !traits.has(row, stale.traits)) return false;
        for (Table.Cell cell : row.cells()) for (Block inner : cell.blocks()) if (isStale(inner)) return true;
        return false;
    }

    private boolean sameLabels(Table.Row row) {
        for (Table.Cell cell : row.cells()) for (Block inner : cell.blocks()) if (!sameLabels(inner)) return false;
        return true;
    }

    private boolean sameLabel(Paragraph paragraph) { return Objects.equals(labels.label(paragraph), oldLabels.label(paragraph)); }

    /** The same of what stands in boxes and notes that hang on it. */
    private boolean sameHung(Paragraph paragraph) {
        for (Inline inline : paragraph.inlines()) {
            List<Block> hung = inline instanceof Inline.Note note ? note.blocks()
                    : inline instanceof Inline.Floating floating && floating.content() instanceof TextBox box ? box.blocks() : List.of();
            for (Block block : hung) if (!sameLabels(block)) return false;
        }
        return true;
    }

    private boolean sameLabels(Block block) {
        if (block instanceof Paragraph paragraph) return sameLabel(paragraph) && sameHung(paragraph);
        if (block instanceof Contents contents) return contents.entries().stream().allMatch(this::sameLabel);
        if (block instanceof Table table) for (Table.Row row : table.rows()) if (!sameLabels(row)) return false;
        return true;
    }

    /** The table before whose rows this one has, but for some; null where there is none. */
    Table kin(Table table) { return kin.get(table); }

    /** The place of the block in the flow before, or -1 where it had none. */
    int before(int block) { return block >= sameFrom ? block - shift : now.size() == before.size() || now.block(block) == before.block(block) ? block : -1; }

    /** How much further on blocks stand now that lie behind all that came or went. */
    int shift(int oldBlock) { return oldBlock + shift >= sameFrom ? shift : 0; }

    /** Whether a page between two places of the flow now holds nothing that differs; what stands next to it has its say too. */
    boolean isSame(Cursor from, Cursor to) {
        int at = Collections.binarySearch(stretches, new Stretch(from.block() - 1, 0, 0), Comparator.comparingInt(Stretch::block));
        for (int i = at < 0 ? -at - 1 : at; i < stretches.size() && stretches.get(i).block <= to.block() + 1; i++) {
            Stretch stretch = stretches.get(i);
            if (stretch.lastRow == ALL_ROWS) return false;
            // Neighbours of a table do not mind its rows.
            if (stretch.block < from.block() || stretch.block > to.block()) continue;
            int firstRow = stretch.block == from.block() ? from.offset() : 0;
            int lastRow = stretch.block == to.block() ? to.offset() : ALL_ROWS;
            if (stretch.firstRow <= lastRow && stretch.lastRow >= firstRow) return false;
        }
        return true;
    }
}
