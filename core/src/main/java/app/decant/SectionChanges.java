package app.decant;

import app.decant.document.Document;
import app.decant.document.Facts;
import app.decant.document.Numbering;
import app.decant.document.Paragraph;
import app.decant.document.Section;
import app.decant.document.StyleSheet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/** Which sections of a document that came from a PDF are of another kind than they were, or have headers and footers that are set otherwise. */
final class SectionChanges {
    private static final Paragraph BLANK = Paragraph.of("");

    private SectionChanges() { }

    /**
     * Whether sections can be compared one for one: there are as many, and what pages show beyond sections, styles and lists is what it was. Facts are compared
     * elsewhere, and fonts are used for what is set anew only.
     */
    static boolean areComparable(Document before, Document now) {
        return before.sections().size() == now.sections().size() && rest(before).equals(rest(now));
    }

    private static Document rest(Document document) {
        return new Document(Facts.NONE, StyleSheet.EMPTY, Numbering.NONE, List.of(), document.evenAndOddFrames(), document.tabWidth(), document.kept());
    }

    /** The sections whose pages are of another size, or in other columns, or numbered otherwise: all of their pages are reached. */
    static Set<Integer> paged(Document before, Document now) {
        Set<Integer> paged = new TreeSet<>();
        for (int i = 0; i < before.sections().size(); i++) if (!bare(before.sections().get(i)).equals(bare(now.sections().get(i)))) paged.add(i);
        return paged;
    }

    private static Section bare(Section section) { return section.withBlocks(List.of(BLANK)).withFrames(Map.of()); }

    /** The first section whose headers and footers are others, and those behind it, which may show them too. */
    static Set<Integer> framed(Document before, Document now) {
        int first = 0;
        while (first < before.sections().size() && before.sections().get(first).frames().equals(now.sections().get(first).frames())) first++;
        Set<Integer> framed = new TreeSet<>();
        for (int i = first; i < before.sections().size(); i++) framed.add(i);
        return framed;
    }
}
