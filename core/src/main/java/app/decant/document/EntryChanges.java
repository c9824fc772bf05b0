package app.decant.document;

import java.util.ArrayList;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;

/**
 * What an edit of headings changes in a list that does not name all of them, or more than them: entries of headings that were renamed, taken out, moved or
 * came between those it names. All others stay as they are.
 */
final class EntryChanges {
    private final Contents contents;
    private final Map<String, Outline.Heading> was = new HashMap<>();
    private final Map<String, Outline.Heading> is = new HashMap<>();
    private final List<Outline.Heading> were;
    private final List<Outline.Heading> are;
    private final StyleSheet styles;
    private final Function<Outline.Heading, String> marking;

    /** @param marking gives the bookmark that leads to a heading, which may get one for it */
    EntryChanges(Contents contents, List<Outline.Heading> were, List<Outline.Heading> are, StyleSheet styles, Function<Outline.Heading, String> marking) {
        this.contents = contents;
        this.were = were;
        this.are = are;
        this.styles = styles;
        this.marking = marking;
        named(were, was);
        named(are, is);
    }

    private static void named(List<Outline.Heading> headings, Map<String, Outline.Heading> named) {
        for (Outline.Heading heading : headings) {
            String mark = mark(heading);
            if (mark != null) named.putIfAbsent(mark, heading);
        }
    }

    List<Paragraph> entries() {
        List<Paragraph> entries = new ArrayList<>();
        for (Paragraph entry : contents.entries()) {
            Outline.Heading before = was.get(ContentsEntryText.target(entry));
            Outline.Heading now = is.get(ContentsEntryText.target(entry));
            // What leads to no heading stays, and so does one that leads to what is a heading from now on.
            if (before == null) entries.add(entry);
            else if (now != null && !leaves(before, now)) entries.add(changed(entry, before, now));
        }
        moved(entries);
        for (Outline.Heading heading : fresh()) putIn(entries, heading);
        return entries;
    }

    private boolean leaves(Outline.Heading before, Outline.Heading now) {
        return ContentsList.isListed(contents, before) && !ContentsList.isListed(contents, now);
    }

    private Paragraph changed(Paragraph entry, Outline.Heading before, Outline.Heading now) {
        boolean same = before.title().equals(now.title()) || !ContentsEntryText.isWhole(entry);
        Paragraph said = same ? entry : ContentsEntryText.retitled(entry, now);
        boolean styled = before.level() != now.level() && ContentsList.entryStyle(styles, before.level()).equals(entry.style());
        return styled ? said.withStyle(ContentsList.entryStyle(styles, now.level())) : said;
    }

    /** Entries that stood in the order of their headings stand in it still. */
    private void moved(List<Paragraph> entries) {
        List<Integer> slots = new ArrayList<>();
        for (int i = 0; i < entries.size(); i++) if (known(entries.get(i)) != null) slots.add(i);
        List<Paragraph> known = new ArrayList<>(slots.stream().map(entries::get).toList());
        Map<Paragraph, Integer> before = places(were);
        Map<Paragraph, Integer> now = places(are);
        Comparator<Paragraph> asWas = Comparator.comparingInt(entry -> before.get(was.get(ContentsEntryText.target(entry)).paragraph()));
        for (int i = 1; i < known.size(); i++) if (asWas.compare(known.get(i - 1), known.get(i)) > 0) return;
        known.sort(Comparator.comparingInt(entry -> now.get(is.get(ContentsEntryText.target(entry)).paragraph())));
        for (int i = 0; i < slots.size(); i++) entries.set(slots.get(i), known.get(i));
    }

    private Outline.Heading known(Paragraph entry) {
        String target = ContentsEntryText.target(entry);
        return was.containsKey(target) ? is.get(target) : null;
    }

    private static Map<Paragraph, Integer> places(List<Outline.Heading> headings) {
        Map<Paragraph, Integer> places = new IdentityHashMap<>();
        for (int i = 0; i < headings.size(); i++) places.put(headings.get(i).paragraph(), i);
        return places;
    }

    /** Headings that came, or came to a level that is listed. One without a bookmark that was only edited is none of these. */
    private List<Outline.Heading> fresh() {
        List<Outline.Heading> gone = new ArrayList<>(unnamed(were, are));
        List<Outline.Heading> come = new ArrayList<>(unnamed(are, were));
        List<Outline.Heading> same = new ArrayList<>();
        for (Outline.Heading one : come) {
            Optional<Outline.Heading> before = gone.stream().filter(other -> other.title().equals(one.title())).findFirst();
            before.ifPresent(gone::remove);
            if (before.isPresent()) same.add(one);
        }
        come.removeAll(same);
        Set<Outline.Heading> fresh = Collections.newSetFromMap(new IdentityHashMap<>());
        fresh.addAll(come.subList(Math.min(gone.size(), come.size()), come.size()));
        is.forEach((mark, heading) -> {
            if (was.containsKey(mark) && !ContentsList.isListed(contents, was.get(mark))) fresh.add(heading);
        });
        return are.stream().filter(heading -> ContentsList.isListed(contents, heading) && fresh.contains(heading)).toList();
    }

    /** Headings that are listed, have no bookmark known from before, and are not among the others. */
    private List<Outline.Heading> unnamed(List<Outline.Heading> headings, List<Outline.Heading> others) {
        Map<Paragraph, Integer> known = places(others);
        return headings.stream().filter(one -> ContentsList.isListed(contents, one) && !was.containsKey(mark(one)) && !known.containsKey(one.paragraph()))
                .toList();
    }

    private static String mark(Outline.Heading heading) { return ContentsList.bookmark(heading.paragraph()); }

    /** Behind the entry of the last heading before it that has one; before that of the first, where it comes before all. */
    private void putIn(List<Paragraph> entries, Outline.Heading heading) {
        Map<String, Integer> places = new HashMap<>();
        for (int i = 0; i < entries.size(); i++) places.put(ContentsEntryText.target(entries.get(i)), i);
        places.remove(null);
        if (places.containsKey(mark(heading))) return;
        int at = are.indexOf(heading);
        for (int i = at - 1; i >= 0; i--) if (putIn(entries, places.get(mark(are.get(i))), 1, heading)) return;
        for (int i = at + 1; i < are.size(); i++) if (putIn(entries, places.get(mark(are.get(i))), 0, heading)) return;
    }

    private boolean putIn(List<Paragraph> entries, Integer beside, int behind, Outline.Heading heading) {
        if (beside == null) return false;
        entries.add(beside + behind, ContentsList.entry(heading, marking.apply(heading), styles));
        return true;
    }
}
