package app.decant.layout;

import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.page.Item;
import app.decant.page.Passage;
import java.util.HashMap;
import java.util.Map;

/** A paragraph on paper. Two are equal where they are of the very same paragraph, not of one that reads alike. */
public record TextPassage(Paragraph paragraph) implements Passage {
    /** The paragraph that a laid-out line is of. */
    public static Paragraph paragraph(Item.LineItem line) { return ((TextPassage) line.passage()).paragraph; }

    @Override public int length() { return paragraph.length(); }

    @Override public Map<String, Integer> marks() {
        Map<String, Integer> marks = null;
        int at = 0;
        for (Inline inline : paragraph.inlines()) {
            if (inline instanceof Inline.BookmarkPoint point && point.start()) {
                if (marks == null) marks = new HashMap<>();
                marks.putIfAbsent(point.name(), at);
            }
            at += inline.length();
        }
        return marks == null ? Map.of() : marks;
    }

    @Override public boolean equals(Object other) { return other instanceof TextPassage passage && passage.paragraph == paragraph; }
    @Override public int hashCode() { return System.identityHashCode(paragraph); }
}
