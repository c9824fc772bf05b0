package app.decant;

import app.decant.document.Look;
import app.decant.document.ParagraphProperty.Alignment;
import app.decant.document.ParagraphProperty.LineSpacing;
import app.decant.document.ParagraphProperty;
import app.decant.document.Property;
import app.decant.document.Provenance;
import app.decant.pdf.keep.Correction;
import java.util.List;
import java.util.Objects;

/** What it means for the lines of a paragraph on the page of a file that it is aligned, indented or spaced otherwise. */
final class Realignment {
    /** What moves the lines of a paragraph, none of which says anything else for it. */
    private static final List<Property<?>> MOVING = List.of(ParagraphProperty.ALIGNMENT, ParagraphProperty.INDENT_START, ParagraphProperty.INDENT_END,
            ParagraphProperty.FIRST_LINE, ParagraphProperty.SPACE_BEFORE, ParagraphProperty.SPACE_AFTER, ParagraphProperty.LINE_SPACING);
    /** What only tells where pages may end, or what a paragraph is counted as. */
    private static final List<Property<?>> UNSEEN = List.of(ParagraphProperty.KEEP_WITH_NEXT, ParagraphProperty.KEEP_TOGETHER,
            ParagraphProperty.WIDOW_CONTROL, ParagraphProperty.HYPHENATION, ParagraphProperty.PARTED_LINES, ParagraphProperty.PARTING_ZONE,
            ParagraphProperty.OUTLINE_LEVEL);
    /** A column is at least as wide, in ems. */
    private static final double NARROWEST = 4;

    private Realignment() { }

    /** Whether two looks of a paragraph differ in nothing but where its lines stand, and in what its letters tell by themselves. */
    static boolean isAll(Look was, Look is) { return rest(was).equals(rest(is)); }

    /** Whether nothing on a page is another for what differs in two looks of a paragraph. */
    static boolean isUnseen(Look was, Look is) { return isAll(was, is) && stands(was).equals(stands(is)); }

    /** A look without what tells of the paragraph where its lines stand. */
    static Look still(Look look) { return without(without(look, MOVING), UNSEEN); }

    private static Look rest(Look look) { return StyleChange.set(still(look)); }

    /** Where lines stand, also where a look does not say it. */
    private static List<Object> stands(Look look) {
        return List.of(look.get(ParagraphProperty.ALIGNMENT, Alignment.START), look.get(ParagraphProperty.INDENT_START, 0.0),
                look.get(ParagraphProperty.INDENT_END, 0.0), look.get(ParagraphProperty.FIRST_LINE, 0.0), look.get(ParagraphProperty.SPACE_BEFORE, 0.0),
                look.get(ParagraphProperty.SPACE_AFTER, 0.0), look.get(ParagraphProperty.LINE_SPACING, LineSpacing.SINGLE));
    }

    private static Look without(Look look, List<Property<?>> properties) {
        Look without = look;
        for (Property<?> property : properties) without = without.without(property);
        return without;
    }

    /**
     * Between which edges the lines are to stand, and where from above; null where that can't be told.
     *
     * @param was    the look in force of the paragraph as it came, {@code is} as it is
     * @param lines  as the page shows them, from above
     * @param column the left and the right edge of the text of the page
     */
    static Correction.Edges edges(Look was, Look is, List<Provenance.Line> lines, double[] column) {
        if (was.is(ParagraphProperty.RIGHT_TO_LEFT)) return null;
        double apart = apart(was.get(ParagraphProperty.LINE_SPACING, LineSpacing.SINGLE), is.get(ParagraphProperty.LINE_SPACING, LineSpacing.SINGLE));
        if (!(apart > 0)) return null;
        Alignment before = was.get(ParagraphProperty.ALIGNMENT, Alignment.START);
        double first = was.get(ParagraphProperty.FIRST_LINE, 0.0);
        double opens = StandingPassages.left(lines.get(0));
        double left = lines.size() == 1 ? opens - first : lines.subList(1, lines.size()).stream().mapToDouble(StandingPassages::left).min().orElseThrow();
        if (before == Alignment.CENTRE || before == Alignment.END) {
            left = column[0] + was.get(ParagraphProperty.INDENT_START, 0.0);
            opens = left + first;
        }
        double reach = lines.stream().mapToDouble(StandingPassages::right).max().orElseThrow();
        boolean fills = before == Alignment.END || before == Alignment.JUSTIFY && lines.size() > 1;
        double right = fills ? reach : Math.max(reach, column[1] - was.get(ParagraphProperty.INDENT_END, 0.0));
        double start = more(was, is, ParagraphProperty.INDENT_START);
        left += start;
        opens += start + more(was, is, ParagraphProperty.FIRST_LINE);
        right -= more(was, is, ParagraphProperty.INDENT_END);
        if (right - Math.max(left, opens) < NARROWEST * lines.get(0).size() || Math.min(left, opens) < 0) return null;
        return new Correction.Edges(left, opens, right, more(was, is, ParagraphProperty.SPACE_BEFORE), more(was, is, ParagraphProperty.SPACE_AFTER), apart);
    }

    private static double more(Look was, Look is, Property<Double> property) { return is.get(property, 0.0) - was.get(property, 0.0); }

    /** How much farther apart lines stand; 0 where that can't be told. */
    private static double apart(LineSpacing was, LineSpacing is) {
        if (Objects.equals(was, is)) return 1;
        return was.rule() == is.rule() && was.rule() != LineSpacing.Rule.AT_LEAST ? is.value() / was.value() : 0;
    }
}
