package app.decant;

import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Provenance;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/**
 * A paragraph in which something was edited that can't be put in the place of what stands there.
 *
 * @param old  as it came
 * @param now  as it is; null where it is gone, or the same and looks otherwise
 * @param from the first letter of the old one that is another
 * @param to   the letter after the last
 */
record OtherEdit(Paragraph old, Paragraph now, int from, int to) {
    /** One of which nothing stays as it was. */
    static OtherEdit whole(Paragraph old) { return new OtherEdit(old, null, 0, old.length()); }

    /** One that is another: as far as its letters are, or all of it where it is set otherwise. */
    static OtherEdit between(Paragraph old, Paragraph now) {
        boolean set = old.style().equals(now.style()) && old.look().equals(now.look()) && old.mark().equals(now.mark());
        if (!set) return new OtherEdit(old, now, 0, old.length());
        List<Object> was = letters(old);
        List<Object> is = letters(now);
        int most = Math.min(was.size(), is.size());
        int from = 0;
        while (from < most && was.get(from).equals(is.get(from))) from++;
        int behind = 0;
        while (behind < most - from && was.get(was.size() - 1 - behind).equals(is.get(is.size() - 1 - behind))) behind++;
        return new OtherEdit(old, now, from, was.size() - behind);
    }

    /** For each caret position what stands there: a letter in its look, or an object. */
    private static List<Object> letters(Paragraph paragraph) {
        List<Object> letters = new ArrayList<>();
        for (Inline inline : paragraph.inlines())
            for (int i = 0; i < inline.length(); i++)
                letters.add(inline instanceof Inline.Text run ? new Inline.Text(run.text().substring(i, i + 1), run.look()) : inline);
        return letters;
    }

    /** The pages on which anything of it is another; all of its pages where that can't be told. */
    Set<Integer> pages(Provenance provenance) {
        List<Provenance.Line> lines = provenance.of(old);
        Set<Integer> pages = new TreeSet<>();
        int[][] places = provenance.places(old);
        // What is put in stands behind the letter before it.
        for (int i = from == to ? from - 1 : from; places != null && i < to; i++) if (i >= 0 && places[i] != null) pages.add(lines.get(places[i][0]).page());
        if (pages.isEmpty()) for (Provenance.Line line : lines) pages.add(line.page());
        return pages;
    }
}
