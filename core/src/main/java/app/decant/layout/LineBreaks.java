package app.decant.layout;

import com.ibm.icu.text.BreakIterator;
import java.util.Arrays;
import java.util.Locale;

/** Where a line may end (Unicode Standard Annex 14, by ICU). */
public final class LineBreaks {
    private static final ThreadLocal<BreakIterator> LINES = ThreadLocal.withInitial(() -> BreakIterator.getLineInstance(Locale.ROOT));

    private LineBreaks() { }

    /** Every index after which a line may end, in order; the end of the text is the last. */
    public static int[] of(String text) {
        BreakIterator lines = LINES.get();
        lines.setText(text);
        int[] found = new int[text.length() / 4 + 4];
        int count = 0;
        for (int at = lines.next(); at != BreakIterator.DONE; at = lines.next()) {
            if (count == found.length) found = Arrays.copyOf(found, count * 2);
            found[count++] = at;
        }
        return Arrays.copyOf(found, count);
    }
}
