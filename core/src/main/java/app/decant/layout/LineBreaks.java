package app.decant.layout;

import app.decant.document.Inline;
import com.ibm.icu.text.BreakIterator;
import java.util.Arrays;
import java.util.Locale;
import java.util.stream.IntStream;

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

    /** The same, and before each tab too: the leader of a line that is full begins the next one (common practice, no source). */
    static int[] andBeforeTabs(String text) {
        int[] standard = of(text);
        if (text.indexOf(Inline.TAB) < 0) return standard;
        IntStream tabs = IntStream.range(1, text.length()).filter(at -> text.charAt(at) == Inline.TAB);
        return IntStream.concat(Arrays.stream(standard), tabs).sorted().distinct().toArray();
    }
}
