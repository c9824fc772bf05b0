package app.decant.document;

import app.decant.document.ParagraphProperty.ListReference;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;

/**
 * The labels of all list paragraphs of a document, counted in reading order (ISO/IEC 29500-1, 17.9): those in a text box where it hangs, those of notes behind
 * the text, those of each header and footer by themselves.
 */
public final class ListLabels {
    private final Map<Paragraph, String> labels = new IdentityHashMap<>();
    private final Map<Paragraph, Integer> numbers = new IdentityHashMap<>();
    private final Map<String, int[]> counts = new HashMap<>();
    private final Map<String, Set<Integer>> started = new HashMap<>();
    private final List<Inline.Note> notes = new ArrayList<>();
    private final Cascade cascade;
    private final Predicate<Block> counted;

    private ListLabels(Cascade cascade, Predicate<Block> counted) {
        this.cascade = cascade;
        this.counted = counted;
    }

    public static ListLabels of(Document document, Cascade cascade) { return of(document, cascade, block -> true); }

    /** @param counted whether a block is a paragraph of a list or holds some; where that is known the others need not be looked at */
    public static ListLabels of(Document document, Cascade cascade, Predicate<Block> counted) {
        ListLabels result = new ListLabels(cascade, counted);
        for (Section section : document.sections()) result.count(section.blocks());
        result.countNotes();
        for (Section section : document.sections()) for (List<Block> frame : section.frames().values()) {
            result.begin();
            result.count(frame);
        }
        return result;
    }

    private void begin() {
        counts.clear();
        started.clear();
    }

    /** Notes of one kind follow each other. */
    private void countNotes() {
        for (Inline.Note.Kind kind : Inline.Note.Kind.values()) {
            begin();
            for (Inline.Note note : List.copyOf(notes)) if (note.kind() == kind) count(note.blocks());
        }
    }

    /** The label of a paragraph, or null where it is in no list. */
    public String label(Paragraph paragraph) { return labels.get(paragraph); }

    /** What a paragraph of a list counts at its own level. */
    public int number(Paragraph paragraph) { return numbers.get(paragraph); }

    /** Whether there are none. */
    public boolean isEmpty() { return labels.isEmpty(); }

    private void count(Iterable<? extends Block> blocks) {
        for (Block block : blocks) {
            if (!counted.test(block)) continue;
            if (block instanceof Paragraph paragraph) {
                count(paragraph);
                for (Inline inline : paragraph.inlines()) {
                    if (inline instanceof Inline.Note note) notes.add(note);
                    else if (inline instanceof Inline.Floating floating && floating.content() instanceof TextBox box) count(box.blocks());
                }
            } else if (block instanceof Table table) {
                for (Table.Row row : table.rows()) for (Table.Cell cell : row.cells()) count(cell.blocks());
            }
        }
    }

    private void count(Paragraph paragraph) {
        ListReference reference = cascade.paragraph(paragraph).get(ParagraphProperty.LIST);
        Numbering numbering = cascade.numbering();
        Numbering.Level level = numbering.level(reference);
        if (level == null) return;
        Numbering.NumberedList list = numbering.lists().get(reference.list());
        int depth = reference.level();
        int[] values = counts.computeIfAbsent(list.pattern(), id -> {
            int[] fresh = new int[10];
            Arrays.fill(fresh, Integer.MIN_VALUE);
            return fresh;
        });
        Integer restart = list.starts().get(depth);
        if (restart != null && started.computeIfAbsent(list.id(), id -> new HashSet<>()).add(depth)) {
            values[depth] = restart;
        } else if (values[depth] == Integer.MIN_VALUE) {
            values[depth] = level.start();
        } else {
            values[depth]++;
        }
        for (int outer = 0; outer < depth; outer++) {
            if (values[outer] == Integer.MIN_VALUE) {
                Numbering.Level above = numbering.level(new ListReference(list.id(), outer));
                values[outer] = above == null ? 1 : above.start();
            }
        }
        for (int inner = depth + 1; inner < values.length; inner++) {
            Numbering.Level below = numbering.level(new ListReference(list.id(), inner));
            if (below == null || below.restart() == null || below.restart() > depth) values[inner] = Integer.MIN_VALUE;
        }
        numbers.put(paragraph, values[depth]);
        labels.put(paragraph, written(level, list, values, paragraph));
    }

    private String written(Numbering.Level level, Numbering.NumberedList list, int[] values, Paragraph paragraph) {
        if (level.format() == NumberFormat.BULLET) return level.label().indexOf('%') < 0 ? level.label() : level.label().replaceAll("%[1-9]", "");
        StringBuilder text = new StringBuilder();
        String pattern = level.label();
        for (int i = 0; i < pattern.length(); i++) {
            char c = pattern.charAt(i);
            if (c == '%' && i + 1 < pattern.length() && pattern.charAt(i + 1) >= '1' && pattern.charAt(i + 1) <= '9') {
                int depth = pattern.charAt(++i) - '1';
                Numbering.Level counted = cascade.numbering().level(new ListReference(list.id(), depth));
                if (counted == null || values[depth] == Integer.MIN_VALUE) continue;
                NumberFormat format = level.legal() ? NumberFormat.DECIMAL : counted.format();
                String language = format == NumberFormat.DECIMAL ? null : cascade.label(paragraph, Look.PLAIN).get(TextProperty.LANGUAGE);
                text.append(format.write(values[depth], language));
            } else {
                text.append(c);
            }
        }
        return text.toString();
    }
}
