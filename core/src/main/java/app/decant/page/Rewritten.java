package app.decant.page;

import java.util.List;

/**
 * A page of a file that says something else in some places, and is itself everywhere else.
 *
 * @param content the page's content stream, not packed
 * @param forms   forms that it calls and that say something else as well
 * @param areas   outside of which nothing on it looks otherwise
 */
public record Rewritten(byte[] content, List<Form> forms, List<Area> areas) {
    public Rewritten {
        forms = List.copyOf(forms);
        areas = List.copyOf(areas);
    }

    /**
     * A copy of a form (ISO 32000-2, 8.10) for one call of it; other pages go on using the form itself.
     *
     * @param name     by which the copy is called
     * @param original the name of the form it is a copy of, among the same resources
     * @param content  its content stream, not packed
     * @param forms    forms that it calls itself and that are changed
     */
    public record Form(String name, String original, byte[] content, List<Form> forms) {
        public Form { forms = List.copyOf(forms); }
    }

    /** A part of a page as it is seen, in points from its top left corner. */
    public record Area(double left, double top, double right, double bottom) {
        public boolean holds(double x, double y) { return x >= left && x <= right && y >= top && y <= bottom; }
    }
}
