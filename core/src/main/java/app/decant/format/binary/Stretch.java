package app.decant.format.binary;

import app.decant.format.binary.Modifiers.Modifier;
import java.util.List;

/**
 * A stretch of a file's text, and what is said of it.
 *
 * @param from  its first character, {@code to} that after its last
 * @param style the number of its paragraph's style; 0 for runs and sections
 */
record Stretch(int from, int to, int style, List<Modifier> modifiers) {
    Stretch {
        modifiers = List.copyOf(modifiers);
    }

    /** Those that share something with a part of the text; they stand in order. */
    static List<Stretch> between(List<Stretch> all, int from, int to) {
        int low = 0;
        int high = all.size();
        while (low < high) {
            int middle = (low + high) >>> 1;
            if (all.get(middle).to <= from) low = middle + 1;
            else high = middle;
        }
        int end = low;
        while (end < all.size() && all.get(end).from < to) end++;
        return all.subList(low, end);
    }
}
