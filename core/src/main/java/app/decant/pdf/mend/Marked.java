package app.decant.pdf.mend;

import app.decant.pdf.structure.Tag;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** What the operators of one content stream show, and which elements that belongs to; and the same of the forms it calls. */
final class Marked {
    /** Text by its operator and character code. */
    final Map<Integer, TreeMap<Integer, Owner>> text = new HashMap<>();
    /** All else that is painted, by its operator. */
    final Map<Integer, Owner> painted = new HashMap<>();
    final Map<Integer, Marked> called = new HashMap<>();

    /**
     * What a mark belongs to.
     *
     * @param tag   its element; null for an ornament of the page
     * @param rank  its place in the order of reading
     * @param blank whether nothing is seen of it, so that it may go with what stands before it
     */
    record Owner(Tag tag, int rank, boolean blank) {
        static final Owner ORNAMENT = new Owner(null, Integer.MAX_VALUE, false);
        static final Owner BLANK = new Owner(null, Integer.MAX_VALUE, true);
    }

    /** Of the stream at the end of a path of calls. */
    Marked at(List<Integer> path) {
        Marked at = this;
        for (int call : path) at = at.called.computeIfAbsent(call, key -> new Marked());
        return at;
    }

    /** Whether anything in it belongs to an element. */
    boolean belongs() {
        return text.values().stream().anyMatch(codes -> codes.values().stream().anyMatch(owner -> owner.tag != null))
                || painted.values().stream().anyMatch(owner -> owner.tag != null) || called.values().stream().anyMatch(Marked::belongs);
    }

    /** Codes of one operator that go together, in their order: where each part begins, and what it belongs to. */
    List<Map.Entry<Integer, Owner>> parts(int operator) {
        List<Map.Entry<Integer, Owner>> parts = new ArrayList<>();
        for (Map.Entry<Integer, Owner> code : text.getOrDefault(operator, new TreeMap<>()).entrySet()) {
            Owner owner = code.getValue();
            Owner before = parts.isEmpty() ? null : parts.get(parts.size() - 1).getValue();
            if (before != null && (owner.blank || owner.tag == before.tag && !before.blank)) continue;
            parts.add(Map.entry(code.getKey(), owner));
        }
        // What is blank at the beginning goes with what follows.
        if (parts.size() > 1 && parts.get(0).getValue().blank) parts.set(0, Map.entry(0, parts.remove(1).getValue()));
        return parts;
    }
}
