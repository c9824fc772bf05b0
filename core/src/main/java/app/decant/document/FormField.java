package app.decant.document;

import java.util.ArrayList;
import java.util.List;

/**
 * A place of a form that somebody fills in: a form field (ISO/IEC 29500-1, 17.16.17) or a content control (17.5.2). All letters of what is filled in bear
 * it; a box to be ticked shows one sign, ticked or not.
 *
 * @param number  tells apart places that are alike
 * @param control whether it is a content control
 * @param name    what it is called, or empty
 * @param choices what can be chosen; empty where it is none of these
 * @param source  what its format says of it, kept for when it is written in that again; null where it came from another
 */
public record FormField(int number, Kind kind, boolean control, String name, List<String> choices, String source) {
    public static final String TICKED = "\u2612";
    public static final String UNTICKED = "\u2610";
    /** What an empty place shows, so that there is something to write into. */
    public static final String EMPTY = "\u2002\u2002\u2002\u2002\u2002";

    public FormField {
        name = name == null ? "" : name;
        choices = List.copyOf(choices);
    }

    /** The same with other words of its format. */
    public FormField withSource(String other) { return new FormField(number, kind, control, name, choices, other); }

    /** What is filled in. */
    public enum Kind { TEXT, TICK, CHOICE, DATE, OTHER }

    public static boolean isTicked(String shown) { return shown.contains(TICKED) || shown.contains("\u2611") || shown.contains("\u2714"); }

    /** Controls within each other, the outermost first, as blocks stand in them. */
    public record Nest(List<FormField> fields) {
        public Nest {
            fields = List.copyOf(fields);
            if (fields.isEmpty()) throw new IllegalArgumentException("No controls are no nest");
        }

        /** The controls of what stands in one more, round all others. */
        public static Nest around(FormField field, Nest inner) {
            List<FormField> all = new ArrayList<>(List.of(field));
            if (inner != null) all.addAll(inner.fields);
            return new Nest(all);
        }
    }
}
