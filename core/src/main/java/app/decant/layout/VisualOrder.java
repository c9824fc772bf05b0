package app.decant.layout;

import com.ibm.icu.text.Bidi;
import java.util.ArrayList;
import java.util.List;
import java.util.function.ToIntFunction;

/** The order in which parts of a line stand from left to right (Unicode Standard Annex 9, rule L2). */
final class VisualOrder {
    private VisualOrder() { }

    static <T> List<T> of(List<T> parts, ToIntFunction<T> level) {
        if (parts.size() < 2) return parts;
        byte[] levels = new byte[parts.size()];
        for (int i = 0; i < levels.length; i++) levels[i] = (byte) level.applyAsInt(parts.get(i));
        List<T> order = new ArrayList<>(parts.size());
        for (int index : Bidi.reorderVisual(levels)) order.add(parts.get(index));
        return order;
    }
}
