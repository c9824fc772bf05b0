package app.decant.format.formula;

import java.util.List;

/** A formula, or a part of one. Where a part is missing, as a fraction's upper half in a formula that is being written, it is an empty row. */
public sealed interface Formula {
    Formula NOTHING = new Row(List.of());

    /** Parts beside each other. */
    record Row(List<Formula> parts) implements Formula {
        public Row { parts = List.copyOf(parts); }
    }

    /** Letters, numbers and signs in one weight and slant. @param words whether they are text, in which nothing is spaced as in sums */
    record Letters(String text, boolean bold, boolean italic, boolean words) implements Formula { }

    /** A sign that works on what follows it, such as a sum. */
    record Large(String sign) implements Formula { }

    /** How a fraction's halves are parted: by a bar, by nothing, by a slanted stroke. */
    enum Line { BAR, NONE, SLANT }

    record Fraction(Formula over, Formula under, Line line) implements Formula { }

    /** Raised and lowered parts. @param below or null @param above or null @param before whether they stand before what they belong to */
    record Scripts(Formula base, Formula below, Formula above, boolean before) implements Formula { }

    /** Parts straight under and over another. @param under or null @param over or null */
    record Limits(Formula base, Formula under, Formula over) implements Formula { }

    /** @param degree or null for a square root */
    record Root(Formula base, Formula degree) implements Formula { }

    /** Parts between signs that grow with them. @param open and the next two may be empty */
    record Fence(String open, String between, String close, List<Formula> parts) implements Formula {
        public Fence { parts = List.copyOf(parts); }
    }

    /** A sign straight over or under a part. @param stretches whether it is as wide as the part, as bars and braces are */
    record Accent(Formula base, String sign, boolean under, boolean stretches) implements Formula { }

    /** Rows of parts in columns. @param equations whether every second column begins where the one before ends, as equations under each other do */
    record Grid(List<List<Formula>> rows, boolean equations) implements Formula {
        public Grid { rows = rows.stream().map(List::copyOf).toList(); }
    }

    /** The formula in a line of letters, to be searched and read aloud. */
    default String inWords() {
        StringBuilder line = new StringBuilder();
        FormulaLine.write(this, line);
        return line.toString().replaceAll(" {2,}", " ").strip();
    }
}
