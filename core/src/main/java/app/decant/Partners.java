package app.decant;

import app.decant.document.Paragraph;
import app.decant.document.ParagraphProperty;
import java.util.List;

/** Which of the paragraphs that came is which of those that are there now, some of them edited and others put in between. */
final class Partners {
    private Partners() { }

    /** For each of those that are which one it was: -1 for one that is new; null where any are gone. */
    static int[] of(List<Paragraph> came, List<Paragraph> all) {
        int[] partners = new int[all.size()];
        int next = 0;
        for (int i = 0; i < partners.length; i++) {
            boolean was = next < came.size() && isLike(came.get(next), all.get(i))
                    && (all.size() - i == came.size() - next || saysMostly(came.get(next).text(), all.get(i).text()));
            partners[i] = was ? next++ : -1;
        }
        return next == came.size() ? partners : null;
    }

    /** Whether two are set alike, wherever they begin. */
    static boolean isLike(Paragraph one, Paragraph other) {
        return one.style().equals(other.style()) && one.look().without(ParagraphProperty.PAGE_BREAK_BEFORE).equals(other.look()
                .without(ParagraphProperty.PAGE_BREAK_BEFORE));
    }

    /** Whether a text says mostly what it said: both begin alike, or end so. */
    static boolean saysMostly(String was, String is) {
        int most = Math.min(was.length(), is.length());
        int begins = 0;
        while (begins < most && was.charAt(begins) == is.charAt(begins)) begins++;
        int ends = 0;
        while (ends < most - begins && was.charAt(was.length() - 1 - ends) == is.charAt(is.length() - 1 - ends)) ends++;
        return 2 * (begins + ends) >= was.length();
    }
}
