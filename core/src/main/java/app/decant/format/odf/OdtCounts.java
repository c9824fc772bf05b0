package app.decant.format.odf;

import app.decant.document.Numbering;
import app.decant.document.ParagraphProperty.ListReference;
import java.util.HashMap;
import java.util.Map;
import java.util.TreeMap;

/** How this format counts lists by itself (OpenDocument 1.2, 5.3.2): each alone, every level again after any outer one. */
final class OdtCounts {
    private final Map<String, String> firsts = new HashMap<>();
    private final Map<String, TreeMap<Integer, Integer>> lists = new HashMap<>();

    /** The list under whose name a list is written: those of one pattern count together, so they are one here unless a level is another in one of them. */
    ListReference together(ListReference list, Numbering numbering) {
        Numbering.NumberedList own = numbering.lists().get(list.list());
        return own.changed().isEmpty() ? new ListReference(firsts.computeIfAbsent(own.pattern(), pattern -> list.list()), list.level()) : list;
    }

    /** What the next paragraph of a list would count. */
    int counts(ListReference list, Numbering numbering) {
        Integer last = lists.computeIfAbsent(list.list(), id -> new TreeMap<>()).get(list.level());
        if (last != null) return last + 1;
        Integer own = numbering.lists().get(list.list()).starts().get(list.level());
        return own != null ? own : numbering.level(list).start();
    }

    /** That the next one counts this. */
    void set(ListReference list, int number) {
        TreeMap<Integer, Integer> levels = lists.computeIfAbsent(list.list(), id -> new TreeMap<>());
        levels.tailMap(list.level(), false).clear();
        levels.put(list.level(), number);
    }
}
