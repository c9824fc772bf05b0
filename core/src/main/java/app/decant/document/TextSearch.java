package app.decant.document;

import java.util.ArrayList;
import java.util.List;

/** Finds words in a document's body. */
public final class TextSearch {
    private TextSearch() { }

    /** Every place where the words stand, in reading order; upper and lower case alike unless {@code exactCase}. */
    public static List<Span> all(Document document, String words, boolean exactCase) {
        List<Span> found = new ArrayList<>();
        if (words.isEmpty()) return found;
        for (Walk.Stop stop : Walk.of(document).stops()) {
            String text = stop.paragraph().text();
            for (int at = 0; at <= text.length() - words.length(); at++) {
                if (!text.regionMatches(!exactCase, at, words, 0, words.length())) continue;
                found.add(new Span(new Place(stop.path(), at), new Place(stop.path(), at + words.length())));
                at += words.length() - 1;
            }
        }
        return found;
    }

    /** How many words the body has; a word is what stands between white space. */
    public static int words(Document document) {
        int count = 0;
        for (Walk.Stop stop : Walk.of(document).stops()) {
            boolean inside = false;
            String text = stop.paragraph().text();
            for (int i = 0; i < text.length(); i++) {
                boolean space = Character.isWhitespace(text.charAt(i)) || text.charAt(i) == '\u00A0';
                if (!space && !inside) count++;
                inside = !space;
            }
        }
        return count;
    }
}
