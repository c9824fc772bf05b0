package app.decant.document;

import java.util.ArrayList;
import java.util.List;

/** What an entry of a contents list says of its heading: the number, if it has one, the words, and what is behind the last tab. */
final class ContentsEntryText {
    private ContentsEntryText() { }

    /** The bookmark that an entry leads to; null where it leads nowhere. */
    static String target(Paragraph entry) {
        for (Inline inline : entry.inlines()) {
            if (inline.look().get(TextProperty.LINK) instanceof Link.Inside inside) return inside.bookmark();
            if (inline instanceof Inline.Field field && field.kind() == Inline.Field.Kind.PAGE_REFERENCE) return field.argument();
        }
        return null;
    }

    /** Whether an entry is words that lead to a page still: one that was parted does not, and in some there are pictures. */
    static boolean isWhole(Paragraph entry) {
        String text = entry.text();
        int object = text.indexOf(Inline.OBJECT);
        if (object < 0) return text.lastIndexOf(Inline.TAB) > 0 && !text.endsWith(String.valueOf(Inline.TAB));
        return entry.slice(object, object + 1).stream().anyMatch(one -> one instanceof Inline.Field page && page.kind() == Inline.Field.Kind.PAGE_REFERENCE);
    }

    /** Whether an entry says the title of a heading, whatever stands between its words. */
    static boolean says(Paragraph entry, Outline.Heading heading) { return squeezed(words(entry)).equals(squeezed(heading.title())); }

    /** The entry with the title of a heading in the place of its own; the same where it says that. What stays of its words stays as it looks. */
    static Paragraph retitled(Paragraph entry, Outline.Heading heading) {
        if (says(entry, heading)) return entry;
        String text = entry.text();
        int end = text.indexOf(Inline.OBJECT);
        String words = end < 0 ? text : text.substring(0, end);
        int page = words.lastIndexOf(Inline.TAB);
        String own = page < 0 ? words : words.substring(0, page);
        String title = heading.title();
        int tab = own.indexOf(Inline.TAB);
        int blank = title.indexOf(' ');
        boolean numbered = tab >= 0 && blank > 0 && (!heading.label().isEmpty() || Character.isDigit(title.charAt(0)));
        if (!numbered) return with(entry, 0, own, title);
        // The words first: what stands before them keeps its offsets.
        Paragraph renamed = with(entry, tab + 1, own.substring(tab + 1), title.substring(blank + 1));
        return with(renamed, 0, own.substring(0, tab), title.substring(0, blank));
    }

    /** Other words from an offset on, in the look of the place: only what differs is put in. */
    private static Paragraph with(Paragraph entry, int at, String old, String now) {
        int same = 0;
        while (same < Math.min(old.length(), now.length()) && old.charAt(same) == now.charAt(same)) same++;
        int tail = 0;
        while (tail < Math.min(old.length(), now.length()) - same && old.charAt(old.length() - 1 - tail) == now.charAt(now.length() - 1 - tail)) tail++;
        if (old.equals(now)) return entry;
        int from = at + same;
        int to = at + old.length() - tail;
        List<Inline> inlines = new ArrayList<>(entry.slice(0, from));
        if (same + tail < now.length()) inlines.add(new Inline.Text(now.substring(same, now.length() - tail), lookAt(entry, from)));
        inlines.addAll(entry.slice(to, entry.length()));
        return entry.withInlines(inlines);
    }

    private static Look lookAt(Paragraph entry, int offset) {
        int end = 0;
        for (Inline inline : entry.inlines()) {
            end += inline.length();
            if (inline.length() > 0 && end > offset) return inline.look();
        }
        return entry.lookBefore(offset);
    }

    private static String words(Paragraph entry) {
        StringBuilder text = new StringBuilder();
        for (Inline inline : entry.inlines()) if (inline instanceof Inline.Text run) text.append(run.text());
        return text.toString();
    }

    private static String squeezed(String text) { return text.replaceAll("\\s+", ""); }
}
