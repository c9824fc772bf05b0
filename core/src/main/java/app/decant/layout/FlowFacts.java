package app.decant.layout;

import app.decant.document.Block;
import app.decant.document.Contents;
import app.decant.document.Inline;
import app.decant.document.NoteCount;
import app.decant.document.Paragraph;
import app.decant.document.Section;
import app.decant.document.Table;
import app.decant.page.Item;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.function.Consumer;

/** What blocks of a flow say that others need: the marks of notes, the texts and pages of named places. Rows that hold none of it are passed over. */
final class FlowFacts {
    private final Flow flow;
    private final Traits traits;
    private final int[] own;
    /** The traits of what came or went since the flow before; all of them where there was none. */
    private final int changed;
    private final boolean shifted;
    private Map<PageFlow.Body, List<String>> bookmarks;

    /** @param before of a flow of the same styles, from which is taken what stayed; or null */
    FlowFacts(Flow flow, Traits traits, FlowFacts before) {
        this.flow = flow;
        this.traits = traits;
        bookmarks = before == null ? Map.of() : before.bookmarks;
        int size = flow.bodySize();
        own = new int[size];
        int most = before == null ? 0 : Math.min(size, before.own.length);
        int first = 0;
        for (; first < most && flow.block(first) == before.flow.block(first); first++) own[first] = before.own[first];
        int last = size;
        int shift = before == null ? 0 : before.own.length - size;
        while (size - last < most - first && flow.block(last - 1) == before.flow.block(last - 1 + shift)) {
            last--;
            own[last] = before.own[last + shift];
        }
        int other = before == null ? ~0 : 0;
        for (int b = first; b < last; b++) other |= own[b] = traits.of(flow.block(b));
        for (int b = first; before != null && b < last + shift; b++) other |= before.own[b];
        changed = other;
        shifted = before == null || shift != 0;
    }

    /** Whether all that has one of some traits is what it was before. */
    boolean stays(int wanted) { return (changed & wanted) == 0; }

    /** Whether it also stands where it stood. */
    boolean staysInPlace(int wanted) { return !shifted && stays(wanted); }

    /** Whether a block has one of some traits. */
    boolean has(int block, int wanted) { return (own[block] & wanted) != 0; }

    /** Whether anything in the document, its headers and footers too, has one of some traits. */
    boolean any(int wanted) { return anyInFlow(wanted) || anyInFrames(wanted); }

    boolean anyInFlow(int wanted) {
        for (int traitsOfOne : own) if ((traitsOfOne & wanted) != 0) return true;
        return false;
    }

    private boolean anyInFrames(int wanted) {
        for (int s = 0; s < flow.sectionCount(); s++) {
            Section section = flow.section(s);
            for (List<Block> frame : section.frames().values()) for (Block block : frame) if (traits.has(block, wanted)) return true;
        }
        return false;
    }

    /** The marks of notes that have none of their own, counted in reading order. */
    Map<Inline.Note, String> noteMarks() {
        Map<Inline.Note, String> marks = new IdentityHashMap<>();
        int[] counts = new int[2];
        boolean[] begun = new boolean[2];
        for (int section = 0; section < flow.sectionCount(); section++) {
            NoteCount[] ways = {flow.section(section).dress().footnotes(), flow.section(section).dress().endnotes()};
            for (int kind = 0; kind < 2; kind++) if (ways[kind].bySection()) begun[kind] = false;
            for (int b = flow.sectionStart(section); b < Math.min(flow.bodySize(), flow.sectionEnd(section)); b++) {
                if (has(b, Traits.NOTE)) each(flow.block(b), Traits.NOTE, paragraph -> {
                    for (Inline inline : paragraph.inlines()) {
                        if (!(inline instanceof Inline.Note note) || note.mark() != null) continue;
                        int kind = note.kind() == Inline.Note.Kind.FOOTNOTE ? 0 : 1;
                        counts[kind] = begun[kind] ? counts[kind] + 1 : ways[kind].start();
                        begun[kind] = true;
                        marks.put(note, ways[kind].format().write(counts[kind]));
                    }
                });
            }
        }
        return marks;
    }

    /** The text between the points of each bookmark. */
    Map<String, String> bookmarkTexts() {
        Map<String, String> texts = new HashMap<>();
        each(Traits.POINT, paragraph -> {
            List<Inline> inlines = paragraph.inlines();
            for (int i = 0; i < inlines.size(); i++) {
                if (!(inlines.get(i) instanceof Inline.BookmarkPoint point) || !point.start()) continue;
                StringBuilder text = new StringBuilder();
                for (int j = i + 1; j < inlines.size(); j++) {
                    Inline inline = inlines.get(j);
                    if (inline instanceof Inline.BookmarkPoint end && !end.start() && end.name().equals(point.name())) break;
                    if (inline instanceof Inline.Text run) text.append(run.text());
                }
                texts.putIfAbsent(point.name(), text.toString());
            }
        });
        return texts;
    }

    /** The notes that stand at the end of the document, in the order of their marks. */
    List<Inline.Note> endnotes() {
        List<Inline.Note> endnotes = new ArrayList<>();
        each(Traits.NOTE, paragraph -> {
            for (Inline inline : paragraph.inlines())
                if (inline instanceof Inline.Note note && note.kind() == Inline.Note.Kind.ENDNOTE) endnotes.add(note);
        });
        return endnotes;
    }

    /** The label of the page each bookmark stands on. Pages that are the very ones of the flow before are not looked through again. */
    Map<String, String> bookmarkPages(List<PageFlow.Body> bodies, List<String> labels) {
        Map<PageFlow.Body, List<String>> found = new IdentityHashMap<>();
        Map<String, String> pages = new HashMap<>();
        for (int i = 0; i < bodies.size(); i++) {
            List<String> names = bookmarks.get(bodies.get(i));
            if (names == null) names = bookmarks(bodies.get(i).items());
            found.put(bodies.get(i), names);
            for (String name : names) pages.putIfAbsent(name, labels.get(i));
        }
        bookmarks = found;
        return pages;
    }

    private static List<String> bookmarks(List<Item> items) {
        List<String> names = new ArrayList<>();
        for (Item item : items) {
            if (!(item instanceof Item.LineItem line)) continue;
            int at = 0;
            for (Inline inline : TextPassage.paragraph(line).inlines()) {
                boolean here = at >= line.line().start() && at <= line.line().end();
                if (here && inline instanceof Inline.BookmarkPoint point && point.start()) names.add(point.name());
                at += inline.length();
            }
        }
        return List.copyOf(names);
    }

    /** Tells every paragraph of the flow that has one of some traits. */
    private void each(int wanted, Consumer<Paragraph> told) {
        for (int b = 0; b < flow.bodySize(); b++) if (has(b, wanted)) each(flow.block(b), wanted, told);
    }

    private void each(Block block, int wanted, Consumer<Paragraph> told) {
        if (block instanceof Paragraph paragraph) told.accept(paragraph);
        else if (block instanceof Contents contents) contents.entries().forEach(told);
        else if (block instanceof Table table)
            for (Table.Row row : table.rows())
                if (traits.has(row, wanted)) for (Table.Cell cell : row.cells()) for (Block inner : cell.blocks()) each(inner, wanted, told);
    }
}
