package app.decant.sheet;

import app.decant.sheet.Condition.Comparison;
import java.util.List;

/**
 * What may be typed into cells (ISO/IEC 29500-1, 18.3.1.32).
 *
 * @param places     the cells
 * @param kind       what is looked at
 * @param comparison how it is compared; not looked at for lists and formulas
 * @param first      what with: a formula, places in it told from the first corner of the first place; for a list its values or where they stand
 * @param second     the other end of what lies between, or null
 * @param blanks     whether a cell may be left empty
 * @param choices    whether the values of a list are shown to be chosen from
 * @param prompt     what is said when a cell is picked, or null
 * @param refusal    what is said when something else is typed, or null
 * @param strictness what happens then
 */
public record CellCheck(List<Range> places, Kind kind, Comparison comparison, String first, String second, boolean blanks, boolean choices, Words prompt,
                        Words refusal, Strictness strictness) {
    public CellCheck {
        places = List.copyOf(places);
        if (places.isEmpty()) throw new IllegalArgumentException("A check is about some cells");
    }

    /** What of an entry is looked at (18.18.21). */
    public enum Kind { ANYTHING, WHOLE_NUMBER, NUMBER, LIST, DAY, TIME, LENGTH, FORMULA }

    /** What happens to an entry that is not as it should be; {@link #SILENT} lets it pass (18.18.18). */
    public enum Strictness { STOP, WARN, TELL, SILENT }

    /** What is said. */
    public record Words(String title, String text) { }
}
