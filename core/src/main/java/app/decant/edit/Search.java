package app.decant.edit;

import app.decant.document.Document;
import app.decant.document.Place;
import app.decant.document.Stories;
import app.decant.document.Story;
import app.decant.document.Walk;
import java.util.ArrayList;
import java.util.List;

/** Finds words in a document: in its body, notes, boxes, headers and footers. */
public final class Search {
    private final Document document;
    private final String wanted;
    private final boolean exactCase;
    private final List<TextSelection> found = new ArrayList<>();

    private Search(Document document, String words, boolean exactCase) {
        this.document = document;
        this.wanted = plain(words, null);
        this.exactCase = exactCase;
    }

    /** Every place where the words stand, in reading order, headers and footers last; upper and lower case alike unless {@code exactCase}. */
    public static List<TextSelection> all(Document document, String words, boolean exactCase) {
        Search search = new Search(document, words, exactCase);
        if (search.wanted.isEmpty()) return List.of();
        search.look(Story.BODY);
        for (Story story : Stories.all(document)) if (story instanceof Story.Frame) search.look(story);
        return search.found;
    }

    /** The same in one story, with what hangs on it. */
    public static List<TextSelection> in(Document document, Story story, String words, boolean exactCase) {
        Search search = new Search(document, words, exactCase);
        if (!search.wanted.isEmpty()) search.look(story);
        return search.found;
    }

    private void look(Story story) {
        for (Walk.Stop stop : Walk.of(document, story).stops()) {
            look(story, stop);
            for (Story hung : Stories.on(story, stop)) look(hung);
        }
    }

    private void look(Story story, Walk.Stop stop) {
        String whole = stop.paragraph().text();
        int[] places = new int[whole.length() + 1];
        String text = plain(whole, places);
        for (int at = 0; at <= text.length() - wanted.length(); at++) {
            if (!text.regionMatches(!exactCase, at, wanted, 0, wanted.length())) continue;
            found.add(new TextSelection(new Place(story, stop.path(), places[at]), new Place(story, stop.path(), places[at + wanted.length() - 1] + 1)));
            at += wanted.length() - 1;
        }
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
