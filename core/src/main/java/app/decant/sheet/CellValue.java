package app.decant.sheet;

import app.decant.document.Look;
import java.util.List;
import java.util.Set;

/** What a cell holds; dates are numbers that a format shows as such. */
public sealed interface CellValue {
    /** Nothing: the cell is there for its look. */
    CellValue EMPTY = new Empty();

    record Empty() implements CellValue { }

    /** A number that can be held; what may be none comes by {@link #of}. */
    record Number(double value) implements CellValue {
        public Number {
            if (!Double.isFinite(value)) throw new IllegalArgumentException("No number: " + value);
        }
    }

    /** A number, or the failure that people know where it is beyond all that can be held, or none. */
    static CellValue of(double value) { return Double.isFinite(value) ? new Number(value) : new Failure("#NUM!"); }

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

    /** What a formula came to that can't be worked out, as people know it: {@code #DIV/0!} (ISO/IEC 29500-1, 18.17.3). */
    record Failure(String code) implements CellValue {
        private static final Set<String> CODES = Set.of("#DIV/0!", "#N/A", "#NAME?", "#NULL!", "#NUM!", "#REF!", "#VALUE!", "#GETTING_DATA");

        /** Whether it is one of those that the standard names; programs have others of their own. */
        public boolean isStandard() { return CODES.contains(code); }
    }
}
