package app.decant;

import app.decant.document.Inline;
import app.decant.document.Outline;
import app.decant.document.Paragraph;
import app.decant.document.Provenance;
import app.decant.document.Walk;
import app.decant.page.PageNumbers;
import app.decant.page.Pages;
import app.decant.page.Retold;
import app.decant.pdf.keep.Correction;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Predicate;

/**
 * Where a file prints on which page a heading stands, as its contents do. Headings that came to stand on another page take these numbers along: the number is
 * put in the place of the old one, to the same right edge, and a leader gives way.
 */
final class PageReferences {
    private static final String LEADER = ".·…․ \u00A0";

    private final StandingText text;
    private final List<Reference> references = new ArrayList<>();

    /**
     * A number that is printed.
     *
     * @param entry   the paragraph that says it
     * @param name    of the place that it leads to
     * @param heading the index of that among the headings as they came
     * @param line    that shows it
     * @param letter  the letter of the line that it begins with
     * @param printed what it says
     */
    private record Reference(Paragraph entry, String name, int heading, Provenance.Line line, int letter, String printed) { }

    /**
     * A number that has to be another.
     *
     * @param edit  that puts it in place; null where that can't be had
     * @param page  the index of the page of the file that prints it
     * @param name  of the place that it leads to
     * @param title of the heading
     */
    record Stale(TextEdits.Edit edit, int page, String name, String title, String printed, String number) { }

    /**
     * What follows from headings that stand elsewhere.
     *
     * @param edits   that put numbers in place
     * @param numbers by the names of the places that lead to those headings
     */
    record Following(List<TextEdits.Edit> edits, Map<String, String> numbers) {
        static final Following NOTHING = new Following(List.of(), Map.of());

        Following {
            edits = List.copyOf(edits);
            numbers = Map.copyOf(numbers);
        }

        static Following of(List<Stale> stale, Predicate<TextEdits.Edit> possible) {
            Map<String, String> numbers = new HashMap<>();
            for (Stale one : stale) if (one.edit != null) numbers.put(one.name, one.number);
            return new Following(stale.stream().map(Stale::edit).filter(edit -> edit != null && possible.test(edit)).toList(), numbers);
        }
    }

    /** @param headings of the text as it came */
    PageReferences(StandingText text, Outline headings) {
        this.text = text;
        Map<String, Integer> named = new HashMap<>();
        Map<Paragraph, Integer> numbers = new IdentityHashMap<>();
        for (int i = 0; i < headings.headings().size(); i++) numbers.put(headings.headings().get(i).paragraph(), i);
        for (Walk.Stop stop : text.walk().stops())
            for (Inline inline : stop.paragraph().inlines())
                if (inline instanceof Inline.BookmarkPoint point && point.start() && numbers.containsKey(stop.paragraph()))
                    named.put(point.name(), numbers.get(stop.paragraph()));
        for (Walk.Stop stop : text.walk().stops()) find(stop.paragraph(), named);
    }

    /** The number that ends an entry: nothing follows it. */
    private void find(Paragraph entry, Map<String, Integer> named) {
        Inline last = entry.inlines().stream().filter(inline -> inline.length() > 0).reduce((one, other) -> other).orElse(null);
        List<Provenance.Line> lines = text.provenance().of(entry);
        if (lines.isEmpty() || !(last instanceof Inline.Field field) || field.kind() != Inline.Field.Kind.PAGE_REFERENCE) return;
        Provenance.Line line = lines.get(lines.size() - 1);
        String letters = line.letters().stripTrailing();
        boolean ends = !field.result().isEmpty() && letters.endsWith(field.result()) && named.containsKey(field.argument());
        if (ends) references.add(new Reference(entry, field.argument(), named.get(field.argument()), line, letters.length() - field.result().length(),
                field.result()));
    }

    boolean isEmpty() { return references.isEmpty(); }

    /**
     * The numbers that are others now.
     *
     * @param told  what became of the headings
     * @param pages that are published
     */
    List<Stale> stale(Retold told, Pages pages) {
        Map<Integer, Retold.Now> byCame = new HashMap<>();
        for (Retold.Now one : told.now()) if (one.was() >= 0) byCame.put(one.was(), one);
        List<Stale> stale = new ArrayList<>();
        for (Reference one : references) {
            Retold.Now now = byCame.get(one.heading);
            int was = told.was().get(one.heading).page();
            if (now == null || was < 0) continue;
            int page = now.heading().page();
            if (page >= pages.count() || pages.ground(page) == was && !pages.isAdded(page)) continue;
            String number = number(one, told, page, pages);
            if (one.printed.equals(number)) continue;
            // Where nothing tells how such a page is numbered here, at least it is told where the heading is.
            stale.add(new Stale(number == null ? null : edit(one, number), one.line.page(), one.name, now.heading().title(), one.printed,
                    number == null ? pages.page(page).label() : number));
        }
        return stale;
    }

    /** What is printed of a page that is published; null where that can't be told. */
    private String number(Reference one, Retold told, int page, Pages pages) {
        int behind = 0;
        int at = page;
        while (at > 0 && (pages.ground(at) < 0 || pages.isAdded(at))) {
            at--;
            behind++;
        }
        String number = printed(one, told, pages.ground(at));
        boolean last = pages.ground(at) == text.provenance().sheets().size() - 1;
        for (int i = 0; i < behind && number != null; i++) number = PageNumbers.behind(number, last);
        return number;
    }

    /** What is printed of a page of the file: as it prints it itself where it and the heading's page do so alike; as another entry says; or counted on. */
    private String printed(Reference one, Retold told, int page) {
        int was = told.was().get(one.heading).page();
        if (page == was) return one.printed;
        if (one.printed.equals(text.heads().printed(was, Inline.Field.Kind.PAGE))) {
            String own = text.heads().printed(page, Inline.Field.Kind.PAGE);
            if (own != null) return own;
        }
        for (Reference other : references) if (told.was().get(other.heading).page() == page) return other.printed;
        return one.printed.matches("\\d{1,6}") ? Integer.toString(Integer.parseInt(one.printed) + page - was) : null;
    }

    /** The number in the place of the old one, which may stand on what a leader takes up; null where it is not known what shows it. */
    private TextEdits.Edit edit(Reference one, String number) {
        Provenance.Line line = one.line;
        int end = one.letter + one.printed.length();
        List<Integer> marks = new ArrayList<>();
        for (int i = one.letter; i < end; i++) {
            if (line.marks()[i] < 0) return null;
            if (!marks.contains(line.marks()[i])) marks.add(line.marks()[i]);
        }
        double wide = (line.rights()[end - 1] - line.lefts()[one.letter]) / one.printed.length();
        double left = line.rights()[end - 1] - wide * number.length();
        int like = marks.get(0);
        for (int i = one.letter - 1; i >= 0 && LEADER.indexOf(line.letters().charAt(i)) >= 0 && line.rights()[i] > left; i--)
            if (line.marks()[i] >= 0 && !marks.contains(line.marks()[i])) marks.add(0, line.marks()[i]);
        Correction.Run run = marks.get(0) == like ? Correction.Run.plain(number) : Correction.Run.as(like, number, 1, List.of());
        Correction.Passage passage = new Correction.Passage(List.of(marks), Set.of(), false, null, 0, null);
        Correction correction = new Correction(passage, 0, 0, 0, marks.size(), List.of(run), Correction.Setting.AT_RIGHT, false);
        return new TextEdits.Edit(line.page(), correction, List.of(one.entry), List.of(one.entry), 0, 0);
    }
}
