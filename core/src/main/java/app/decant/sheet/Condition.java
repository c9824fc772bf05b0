package app.decant.sheet;

import app.decant.document.Colour;
import java.util.List;

/**
 * A rule by which cells look otherwise as what they hold says (ISO/IEC 29500-1, 18.3.1.10).
 *
 * @param places the cells it is about; places in its formulas are told from the first corner of the first
 * @param rank   that it comes before others with, the least first
 * @param last   whether no rule after it counts where it holds
 */
public record Condition(List<Range> places, int rank, boolean last, Rule rule) {
    public Condition {
        places = List.copyOf(places);
        if (places.isEmpty()) throw new IllegalArgumentException("A condition is about some cells");
    }

    /** What a rule asks, and what it does. */
    public sealed interface Rule permits Compared, Worded, Kind, Top, Average, Formula, Scale, Bar, Icons {
        /** What it puts over cells; nothing where it paints in other ways. */
        default CellDress dress() { return CellDress.NONE; }
    }

    /** How a cell is compared (18.18.15). */
    public enum Comparison { LESS, AT_MOST, EQUAL, OTHER, AT_LEAST, MORE, BETWEEN, OUTSIDE }

    /**
     * A cell against a value.
     *
     * @param first  a formula, mostly a number or words in quotes
     * @param second the other end of what lies between; null where there is none
     */
    public record Compared(Comparison comparison, String first, String second, CellDress dress) implements Rule { }

    /** Where words are looked for in a cell. */
    public enum Where { WITHIN, NOT_WITHIN, AT_START, AT_END }

    /** A cell that has words; case does not count. */
    public record Worded(Where where, String words, CellDress dress) implements Rule { }

    /** What a cell may be besides its value. */
    public enum State { EMPTY, FILLED, FAILED, SOUND, REPEATED, UNIQUE }

    public record Kind(State state, CellDress dress) implements Rule { }

    /**
     * The largest numbers of all places, or the least.
     *
     * @param count of them, or what share in per cent
     */
    public record Top(int count, boolean share, boolean least, CellDress dress) implements Rule { }

    /**
     * Numbers on one side of the mean of all places.
     *
     * @param equal      whether the mean itself counts
     * @param deviations how many standard deviations from it; 0 for the mean
     */
    public record Average(boolean above, boolean equal, int deviations, CellDress dress) implements Rule { }

    /** A formula that comes to a truth, told for the first corner of the first place. */
    public record Formula(String formula, CellDress dress) implements Rule { }

    /** What a point on a scale is told by (18.18.12). */
    public enum By { LEAST, MOST, NUMBER, SHARE, PERCENTILE, FORMULA }

    /**
     * A point on a scale.
     *
     * @param value  a number, or a formula; null where nothing is to be told
     * @param orMore whether the point itself belongs to what lies above it
     */
    public record Point(By by, String value, boolean orMore) { }

    /** Colours that go over into each other, from the least to the most. */
    public record Scale(List<Point> points, List<Colour> colours) implements Rule {
        public Scale {
            points = List.copyOf(points);
            colours = List.copyOf(colours);
            if (points.size() < 2 || points.size() != colours.size()) throw new IllegalArgumentException("A scale has a colour for each of its ends");
        }
    }

    /**
     * A bar as long as the number is large.
     *
     * @param shortest of the width of the cell, from 0 to 1
     * @param longest  likewise
     * @param telling  whether the number is seen as well
     */
    public record Bar(Point from, Point to, Colour colour, double shortest, double longest, boolean telling) implements Rule { }

    /**
     * A sign that says in which part of a scale the number lies.
     *
     * @param set     as files call it (18.18.42): {@code 3Arrows}
     * @param points  where its parts begin, from the lowest
     * @param turned  whether the signs go the other way
     * @param telling whether the number is seen as well
     */
    public record Icons(String set, List<Point> points, boolean turned, boolean telling) implements Rule {
        public Icons { points = List.copyOf(points); }
    }
}
