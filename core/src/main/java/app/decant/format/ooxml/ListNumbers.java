package app.decant.format.ooxml;

import app.decant.document.Numbering;
import java.util.HashMap;
import java.util.Map;

/** The numbers under which a file knows its lists, which must be whole (ISO/IEC 29500-1, 17.9.15). Where all have such numbers already, they keep them. */
final class ListNumbers {
    /** Means no list. */
    private static final int NONE = 0;

    private final Map<String, Integer> numbers = new HashMap<>();

    ListNumbers(Numbering numbering) {
        boolean kept = numbering.lists().keySet().stream().allMatch(id -> id.matches("[1-9]\\d{0,8}"));
        int next = 1;
        for (String id : numbering.lists().keySet()) numbers.put(id, kept ? Integer.parseInt(id) : next++);
    }

    /** @param id of a list, or null */
    int of(String id) { return id == null ? NONE : numbers.getOrDefault(id, NONE); }
}
