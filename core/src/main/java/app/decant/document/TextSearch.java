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
        String wanted = plain(words, null);
        for (Walk.Stop stop : Walk.of(document).stops()) {
            String whole = stop.paragraph().text();
            int[] places = new int[whole.length() + 1];
            String text = plain(whole, places);
            for (int at = 0; at <= text.length() - wanted.length(); at++) {
                if (!text.regionMatches(!exactCase, at, wanted, 0, wanted.length())) continue;
                found.add(new Span(new Place(stop.path(), places[at]), new Place(stop.path(), places[at + wanted.length() - 1] + 1)));
                at += wanted.length() - 1;
            }
        }
        return found;
    }

    /** Text as people look for it: without soft hyphens, all spaces alike; {@code places} takes where each character stood. */
    private static String plain(String text, int[] places) {
        StringBuilder plain = new StringBuilder(text.length());
        for (int i = 0; i < text.length(); i++) {
            char c = text.charAt(i);
            if (c == '\u00AD') continue;
            if (places != null) places[plain.length()] = i;
            plain.append(c == '\u00A0' ? ' ' : c);
        }
        return plain.toString();
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
