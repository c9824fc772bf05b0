package app.decant.sheet;

import app.decant.document.Look;
import java.util.List;

/** What a cell holds; dates are numbers that a format shows as such. */
public sealed interface CellValue {
    /** Nothing: the cell is there for its look. */
    CellValue EMPTY = new Empty();

    record Empty() implements CellValue { }

    record Number(double value) implements CellValue { }

    /**
     * Words.
     *
     * @param stretches those that look otherwise than the cell, in their order; what a stretch does not say is as the cell says
     */
    record Text(String text, List<Stretch> stretches) implements CellValue {
        public Text {
            stretches = List.copyOf(stretches);
            int end = 0;
            for (Stretch one : stretches) {
                if (one.from < end || one.to <= one.from || one.to > text.length()) throw new IllegalArgumentException("No stretch of a text: " + one);
                end = one.to;
            }
        }

        public Text(String text) { this(text, List.of()); }
    }

    /** Some characters of a text, and how they look. */
    record Stretch(int from, int to, Look look) { }

    record Truth(boolean value) implements CellValue { }

    /** What a formula came to that can't be worked out, as people know it: {@code #DIV/0!} (ISO/IEC 29500-1, 18.18.11). */
    record Failure(String code) implements CellValue { }
}
