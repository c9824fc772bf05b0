package app.decant.document;

import java.util.ArrayList;
import java.util.Collections;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.BiFunction;

/**
 * The lists of a document. A {@link Pattern} says how nine levels are labelled; a {@link NumberedList} follows a pattern and may change it.
 * Lists of one pattern count on together unless a list restarts (ISO/IEC 29500-1, 17.9).
 */
public record Numbering(Map<String, Pattern> patterns, Map<String, NumberedList> lists) {
    public static final Numbering NONE = new Numbering(Map.of(), Map.of());

    public Numbering {
        patterns = Collections.unmodifiableMap(new LinkedHashMap<>(patterns));
        lists = Collections.unmodifiableMap(new LinkedHashMap<>(lists));
    }

    /** How the levels of a list are labelled, outermost first. */
    public record Pattern(String id, List<Level> levels) {
        public Pattern { levels = List.copyOf(levels); }
    }

    /**
     * One level.
     *
     * @param format  of its count
     * @param start   the first count
     * @param label   the label with {@code %1} to {@code %9} for the counts of the levels
     * @param suffix  what follows the label
     * @param restart the level (1 or more) after which it starts again; 0 never, null after any outer one
     * @param style   the paragraph style tied to it, or null
     * @param look    paragraph properties, mainly indents, and text properties of the label
     * @param legal   whether the counts of all levels in its label are plain figures
     * @param standing which part of the label stands where the paragraph's first line begins: its start, middle or end
     */
    public record Level(NumberFormat format, int start, String label, Suffix suffix, Integer restart, String style, Look look, boolean legal,
                        ParagraphProperty.Alignment standing) {
        public Level { if (standing == null) standing = ParagraphProperty.Alignment.START; }

        public Level(NumberFormat format, int start, String label, Suffix suffix, Integer restart, String style, Look look) {
            this(format, start, label, suffix, restart, style, look, false, ParagraphProperty.Alignment.START);
        }

        /** The same, in another look. */
        public Level looking(Look other) { return new Level(format, start, label, suffix, restart, style, other, legal, standing); }

        /** The same, beginning again after another level. */
        public Level restarting(Integer other) { return new Level(format, start, label, suffix, other, style, look, legal, standing); }

        /** The same, counted and labelled otherwise. */
        public Level counting(NumberFormat other, String words) { return new Level(other, start, words, suffix, restart, style, look, legal, standing); }

        /** The same, its label standing and counted otherwise. */
        public Level labelled(boolean plainFigures, ParagraphProperty.Alignment other) {
            return new Level(format, start, label, suffix, restart, style, look, plainFigures, other);
        }
    }

    /** What stands between a label and the text. */
    public enum Suffix { TAB, SPACE, NOTHING }

    /** A list: its pattern, and per level a changed start or a whole other level. */
    public record NumberedList(String id, String pattern, Map<Integer, Integer> starts, Map<Integer, Level> changed) {
        public NumberedList {
            starts = Collections.unmodifiableMap(new TreeMap<>(starts));
            changed = Collections.unmodifiableMap(new TreeMap<>(changed));
        }
    }

    /** The level that a reference leads to, or null. */
    public Level level(ParagraphProperty.ListReference reference) {
        if (reference == null || reference.list() == null) return null;
        NumberedList list = lists.get(reference.list());
        if (list == null) return null;
        Level changed = list.changed().get(reference.level());
        if (changed != null) return changed;
        Pattern pattern = patterns.get(list.pattern());
        return pattern == null || reference.level() < 0 || reference.level() >= pattern.levels().size() ? null : pattern.levels().get(reference.level());
    }

    /** This numbering with each level made another, told with its depth; the very numbering where none changes. */
    public Numbering each(BiFunction<Level, Integer, Level> change) {
        Map<String, Pattern> newPatterns = new LinkedHashMap<>();
        patterns.forEach((id, pattern) -> {
            List<Level> levels = new ArrayList<>();
            for (int depth = 0; depth < pattern.levels().size(); depth++) levels.add(change.apply(pattern.levels().get(depth), depth));
            newPatterns.put(id, new Pattern(pattern.id(), levels));
        });
        Map<String, NumberedList> newLists = new LinkedHashMap<>();
        lists.forEach((id, list) -> {
            Map<Integer, Level> changed = new TreeMap<>();
            list.changed().forEach((depth, level) -> changed.put(depth, change.apply(level, depth)));
            newLists.put(id, new NumberedList(list.id(), list.pattern(), list.starts(), changed));
        });
        Numbering made = new Numbering(newPatterns, newLists);
        return made.equals(this) ? this : made;
    }

    /** This numbering with a list of a new pattern added. */
    public Numbering with(Pattern pattern, NumberedList list) {
        Map<String, Pattern> newPatterns = new LinkedHashMap<>(patterns);
        newPatterns.put(pattern.id(), pattern);
        Map<String, NumberedList> newLists = new LinkedHashMap<>(lists);
        newLists.put(list.id(), list);
        return new Numbering(newPatterns, newLists);
    }
}
