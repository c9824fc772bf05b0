package app.decant.document;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.List;
import java.util.function.Predicate;

/**
 * Settles tracked changes: what was taken out goes and what was put in stays, or the other way round. Where the end of a paragraph goes, the next
 * paragraph takes its text in (ISO/IEC 29500-1, 17.13.5.15). What holds no such change stays the same object.
 */
public final class TrackedChanges extends Rewriting {
    private final boolean accepted;
    private final boolean rowsOnly;
    private final Predicate<TrackedChange> meant;

    private TrackedChanges(boolean accepted, boolean rowsOnly, Predicate<TrackedChange> meant) {
        this.accepted = accepted;
        this.rowsOnly = rowsOnly;
        this.meant = meant;
    }

    /** The document with all changes accepted, or all rejected; itself where it has none. */
    public static Document settled(Document document, boolean accepted) { return new TrackedChanges(accepted, false, change -> true).document(document); }

    /** The document with the rows accepted that came and went, for formats that know changes of text only. */
    public static Document withRowsAccepted(Document document) { return new TrackedChanges(true, true, change -> true).document(document); }

    /** Blocks with the changes that are meant settled; the very list where nothing differs. Never empty where {@code blocks} is not. */
    public static List<Block> settled(List<? extends Block> blocks, boolean accepted, Predicate<TrackedChange> meant) {
        return new TrackedChanges(accepted, false, meant).blocks(blocks);
    }

    /** How many stretches of text, ends of paragraphs and rows still wait to be settled. */
    public static int count(Document document) {
        int count = 0;
        for (Section section : document.sections()) {
            count += count(section.blocks());
            for (List<Block> frame : section.frames().values()) count += count(frame);
        }
        return count;
    }

    private static int count(List<? extends Block> blocks) {
        int count = 0;
        for (Block block : blocks) {
            if (block instanceof Paragraph paragraph) count += count(paragraph);
            else if (block instanceof Contents contents) count += count(contents.entries());
            else if (block instanceof Table table) {
                for (Table.Row row : table.rows()) {
                    if (row.look().says(TableProperty.TRACKED)) count++;
                    for (Table.Cell cell : row.cells()) count += count(cell.blocks());
                }
            }
        }
        return count;
    }

    private static int count(Paragraph paragraph) {
        int count = 0;
        TrackedChange before = null;
        for (Inline inline : paragraph.inlines()) {
            TrackedChange change = inline.look().get(TextProperty.TRACKED);
            if (change != null && !change.equals(before)) count++;
            if (inline.length() > 0) before = change;
            if (inline instanceof Inline.Note note) count += count(note.blocks());
            if (inline instanceof Inline.Floating floating && floating.content() instanceof TextBox box) count += count(box.blocks());
        }
        TrackedChange end = paragraph.mark().get(TextProperty.TRACKED);
        return end != null && !end.equals(before) ? count + 1 : count;
    }

    @Override @SuppressWarnings("unchecked")
    protected List<Block> blocks(List<? extends Block> blocks) {
        List<Block> settled = new ArrayList<>();
        boolean same = true;
        Paragraph open = null;
        for (Block block : blocks) {
            if (block instanceof Paragraph paragraph) {
                Paragraph own = paragraph(paragraph);
                if (open != null) own = own.withInlines(both(open.inlines(), own.inlines()));
                same &= own == paragraph;
                open = goes(paragraph.mark()) ? own : null;
                if (open == null) settled.add(own);
                else same = false;
                continue;
            }
            // No text can go over into a table: the paragraph stays where it has any.
            if (open != null && open.length() > 0) settled.add(open);
            open = null;
            Block own = block(block);
            same &= own == block;
            if (own != null) settled.add(own);
        }
        if (open != null && (open.length() > 0 || settled.isEmpty() || !(settled.get(settled.size() - 1) instanceof Paragraph))) settled.add(open);
        if (settled.isEmpty() && !blocks.isEmpty()) settled.add(Paragraph.of(""));
        return same ? (List<Block>) blocks : settled;
    }

    private static List<Inline> both(List<Inline> one, List<Inline> other) {
        List<Inline> all = new ArrayList<>(one);
        all.addAll(other);
        return all;
    }

    private boolean goes(Look look) {
        TrackedChange change = look.get(TextProperty.TRACKED);
        return !rowsOnly && change != null && meant.test(change) && !change.stays(accepted);
    }

    private Look settled(Look look) {
        TrackedChange change = look.get(TextProperty.TRACKED);
        return rowsOnly || change == null || !meant.test(change) ? look : look.without(TextProperty.TRACKED);
    }

    @Override protected Paragraph paragraph(Paragraph paragraph) {
        List<Inline> inlines = new ArrayList<>();
        boolean same = true;
        for (Inline inline : paragraph.inlines()) {
            if (goes(inline.look())) {
                same = false;
                continue;
            }
            Look look = settled(inline.look());
            Inline own = look == inline.look() ? inline(inline) : inline(inline).with(look);
            same &= own == inline;
            inlines.add(own);
        }
        Look mark = settled(paragraph.mark());
        return same && mark == paragraph.mark() ? paragraph : paragraph.withMark(mark).withInlines(inlines);
    }

    /** The table without the rows that go; null where none is left. */
    @Override protected Table table(Table table) {
        List<Table.Row> rows = new ArrayList<>();
        List<Integer> gone = new ArrayList<>();
        boolean same = true;
        for (int r = 0; r < table.rows().size(); r++) {
            Table.Row row = table.rows().get(r);
            TrackedChange change = row.look().get(TableProperty.TRACKED);
            boolean its = change != null && meant.test(change);
            if (its && !change.stays(accepted)) gone.add(r);
            Table.Row own = row(row);
            if (its) own = new Table.Row(row.look().without(TableProperty.TRACKED), own.cells());
            same &= own == row;
            rows.add(own);
        }
        if (same) return table;
        Collections.reverse(gone);
        for (int row : gone) without(rows, row);
        return rows.isEmpty() ? null : new Table(table.look(), table.columns(), rows);
    }

    /** Takes a row out: cells that reach into it become shorter, those that begin in it and reach on begin in the next. */
    private static void without(List<Table.Row> rows, int gone) {
        for (int r = 0; r < gone; r++) {
            int above = r;
            List<Table.Cell> cells = rows.get(r).cells().stream()
                    .map(cell -> above + cell.rowSpan() > gone ? cell.withSpans(cell.columnSpan(), cell.rowSpan() - 1) : cell).toList();
            rows.set(r, new Table.Row(rows.get(r).look(), cells));
        }
        if (gone + 1 < rows.size()) {
            List<Table.Cell> next = new ArrayList<>(rows.get(gone + 1).cells());
            for (Table.Cell cell : rows.get(gone).cells()) if (cell.rowSpan() > 1) next.add(cell.withSpans(cell.columnSpan(), cell.rowSpan() - 1));
            next.sort(Comparator.comparingInt(Table.Cell::column));
            rows.set(gone + 1, new Table.Row(rows.get(gone + 1).look(), next));
        }
        rows.remove(gone);
    }
}
