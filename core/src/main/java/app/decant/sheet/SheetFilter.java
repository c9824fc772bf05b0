package app.decant.sheet;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * A filter over a range, the first of whose rows are its heads (ISO/IEC 29500-1, 18.3.1.2). The rows that it hides say so themselves.
 *
 * @param values by columns of the range, from 0: what is shown
 */
public record SheetFilter(Range range, Map<Integer, List<String>> values) {
    public SheetFilter {
        Map<Integer, List<String>> sorted = new TreeMap<>();
        values.forEach((column, shown) -> sorted.put(column, List.copyOf(shown)));
        values = sorted;
    }
}
