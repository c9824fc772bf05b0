package app.decant.document;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** What a paragraph can say about its look. Distances in points; start and end follow the writing direction. */
public final class ParagraphProperty {
    /**
     * What stands before and after a paragraph whose space is left to the program, as between blocks of web pages: common practice, no source. By a hair more
     * than anyone would say it, so that it is told from a space that is meant.
     */
    public static final double AUTOMATIC_SPACE = 14.0001;

    /** Of how many lines in a row words are parted where nobody says it, and the zone then: common practice, no source. */
    public static final int USUAL_PARTED_LINES = 3;
    public static final double USUAL_PARTING_ZONE = 18;

    public static final Property<Alignment> ALIGNMENT = new Property<>("alignment", Alignment.class);
    public static final Property<Double> INDENT_START = new Property<>("indent at start", Double.class);
    public static final Property<Double> INDENT_END = new Property<>("indent at end", Double.class);
    /** Of the first line, against the others; negative hangs it out. */
    public static final Property<Double> FIRST_LINE = new Property<>("first line indent", Double.class);
    public static final Property<Double> SPACE_BEFORE = new Property<>("space before", Double.class);
    public static final Property<Double> SPACE_AFTER = new Property<>("space after", Double.class);
    public static final Property<LineSpacing> LINE_SPACING = new Property<>("line spacing", LineSpacing.class);
    public static final Property<Boolean> KEEP_WITH_NEXT = new Property<>("keep with next", Boolean.class);
    public static final Property<Boolean> KEEP_TOGETHER = new Property<>("keep together", Boolean.class);
    public static final Property<Boolean> PAGE_BREAK_BEFORE = new Property<>("page break before", Boolean.class);
    /** Whether words are parted at the ends of lines, in languages whose patterns are known. */
    public static final Property<Boolean> HYPHENATION = new Property<>("hyphenation", Boolean.class);
    /** Of how many lines in a row words may be parted; 0 for any number. */
    public static final Property<Integer> PARTED_LINES = new Property<>("lines parted in a row", Integer.class);
    /** How much room a line that is not spread must leave else, so that a word is parted for it. */
    public static final Property<Double> PARTING_ZONE = new Property<>("parting zone", Double.class);
    /** No single first or last line of a paragraph alone on a page. */
    public static final Property<Boolean> WIDOW_CONTROL = new Property<>("widow control", Boolean.class);
    /** No space between neighbours of the same style. */
    public static final Property<Boolean> CONTEXTUAL_SPACING = new Property<>("contextual spacing", Boolean.class);
    public static final Property<TabStops> TABS = new Property<>("tabs", TabStops.class);
    public static final Property<Borders> BORDERS = new Property<>("borders", Borders.class);
    public static final Property<Colour> SHADING = new Property<>("shading", Colour.class);
    /** 1 to 9 for headings, 0 for body text. */
    public static final Property<Integer> OUTLINE_LEVEL = new Property<>("outline level", Integer.class);
    public static final Property<ListReference> LIST = new Property<>("list", ListReference.class);
    /** The frame it stands in, apart from the text. */
    public static final Property<TextFrame> FRAME = new Property<>("frame", TextFrame.class);
    public static final Property<Boolean> RIGHT_TO_LEFT = new Property<>("paragraph right to left", Boolean.class);
    /** The content controls that a paragraph or a table stands in. */
    public static final Property<FormField.Nest> CONTROL = new Property<>("content controls", FormField.Nest.class);

    /** How lines stand between the margins. */
    public enum Alignment { START, CENTRE, END, JUSTIFY }

    /** The place of a paragraph in a list: which list, and how deep (0 is outermost). A null id takes the paragraph out of its style's list. */
    public record ListReference(String list, int level) { }

    /**
     * The height of lines.
     *
     * @param rule  what the value means
     * @param value a factor of the natural height for {@code MULTIPLE}, points for the others
     */
    public record LineSpacing(Rule rule, double value) {
        public static final LineSpacing SINGLE = new LineSpacing(Rule.MULTIPLE, 1);

        /** Multiples of the natural height, a least height, or an exact one. */
        public enum Rule { MULTIPLE, AT_LEAST, EXACTLY }
    }

    /** Tab stops in order of their position. A style's stops are joined with the paragraph's own by {@link #over}. */
    public record TabStops(List<TabStop> stops) {
        public TabStops {
            stops = stops.stream().sorted(Comparator.comparingDouble(TabStop::position)).toList();
        }

        /** Both sets, this one's winning where both have a stop at one place; {@code CLEAR} stops take out what lies below. */
        public TabStops over(TabStops below) {
            List<TabStop> all = new ArrayList<>(stops);
            for (TabStop stop : below.stops) {
                if (stops.stream().noneMatch(own -> Math.abs(own.position() - stop.position()) < 0.5)) all.add(stop);
            }
            return new TabStops(all);
        }
    }

    /** One stop: where, how text meets it, and what fills the way to it. */
    public record TabStop(double position, Kind kind, Leader leader) {
        /** How text meets the stop. */
        public enum Kind { START, CENTRE, END, DECIMAL, BAR, CLEAR }

        /** What fills the space before it. */
        public enum Leader { NONE, DOTS, HYPHENS, LINE, MIDDLE_DOTS }
    }

    private ParagraphProperty() { }
}
