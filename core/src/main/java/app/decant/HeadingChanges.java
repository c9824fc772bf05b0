package app.decant;

import app.decant.document.Cascade;
import app.decant.document.ListLabels;
import app.decant.document.Outline;
import app.decant.document.Paragraph;
import app.decant.document.Provenance;
import app.decant.document.Walk;
import app.decant.layout.PagedDocument;
import app.decant.page.Pages;
import app.decant.page.Retold;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** What became of the headings of a PDF that was taken in and revised: which of those that are were which of those that came. */
final class HeadingChanges {
    private final Walk walk;
    private final Provenance provenance;
    private final Cascade cascade;
    private final Outline came;
    private final PagedDocument now;
    /** For paragraphs as they came what they are. */
    private final Map<Paragraph, Paragraph> partners = new IdentityHashMap<>();
    private final Map<Paragraph, Integer> numbers = new IdentityHashMap<>();

    /** @param came the headings of the text as it came, which are found once: see {@link #came} */
    HeadingChanges(StandingText text, Outline came, PagedDocument now) {
        this.walk = text.walk();
        this.now = now;
        this.came = came;
        provenance = text.provenance();
        cascade = text.cascade();
        pair(walk.stops(), now.walk());
        Map<Paragraph, Integer> headings = new IdentityHashMap<>();
        for (int i = 0; i < came.headings().size(); i++) headings.put(came.headings().get(i).paragraph(), i);
        partners.forEach((old, is) -> {
            if (headings.containsKey(old)) numbers.put(is, headings.get(old));
        });
    }

    private void pair(List<Walk.Stop> old, Walk fresh) {
        int from = 0;
        int next = 0;
        for (int i = 0; i <= old.size(); i++) {
            int same = i == old.size() ? fresh.stops().size() : fresh.indexOf(old.get(i).paragraph());
            if (same < 0) continue;
            if (i < old.size()) partners.put(old.get(i).paragraph(), old.get(i).paragraph());
            if (same < next) {
                // It went elsewhere, with what stood beside it.
                pair(old.subList(from, i), List.of());
            } else {
                pair(old.subList(from, i), fresh.stops().subList(next, same));
                next = same + 1;
            }
            from = i + 1;
        }
    }

    /** Pairs what stands between two that are the same: where they are as many each is the other; else those that say mostly the same. */
    private void pair(List<Walk.Stop> old, List<Walk.Stop> fresh) {
        int at = 0;
        for (int i = 0; i < old.size(); i++) {
            Paragraph one = old.get(i).paragraph();
            for (int j = old.size() == fresh.size() ? i : at; j < fresh.size(); j++) {
                Paragraph other = fresh.get(j).paragraph();
                if (partners.containsKey(other) || old.size() != fresh.size() && !(one.length() > 0 && Partners.saysMostly(one.text(), other.text()))) continue;
                partners.put(one, other);
                at = j + 1;
                break;
            }
        }
    }

    static Outline came(StandingText text) { return Outline.of(text.document(), text.cascade(), ListLabels.of(text.document(), text.cascade())); }

    /** Whether all headings are what they were. */
    boolean isNothing() {
        List<Outline.Heading> is = now.outline().headings();
        if (came.headings().size() != is.size()) return false;
        for (int i = 0; i < is.size(); i++) {
            Outline.Heading heading = is.get(i);
            boolean same = numbers.getOrDefault(heading.paragraph(), -1) == i && heading.title().equals(came.headings().get(i).title())
                    && heading.level() == came.headings().get(i).level();
            if (!same) return false;
        }
        return true;
    }

    /**
     * What became of them.
     *
     * @param standing the document with its text where it stands on the pages
     * @param pages    that are published
     */
    Retold on(PagedDocument standing, Pages pages) { return new Retold(was(), is(standing, pages), roles()); }

    /** Where they stand, as far as they are known: the same as {@link #on} tells, without what paragraphs are. */
    Retold places(PagedDocument standing, Pages pages) { return new Retold(was(), is(standing, pages), List.of()); }

    private List<Pages.Heading> was() {
        List<Pages.Heading> was = new ArrayList<>();
        for (Outline.Heading heading : came.headings()) {
            List<Provenance.Line> lines = provenance.of(heading.paragraph());
            Provenance.Line first = lines.isEmpty() ? null : lines.get(0);
            was.add(new Pages.Heading(heading.level(), heading.title(), heading.text(), first == null ? -1 : first.page(),
                    first == null ? 0 : Math.max(0, first.baseline() - first.size())));
        }
        return was;
    }

    private List<Retold.Now> is(PagedDocument standing, Pages pages) {
        List<Pages.Heading> was = was();
        List<Retold.Now> is = new ArrayList<>();
        boolean shuffled = isShuffled();
        for (Outline.Heading heading : now.outline().headings()) {
            int number = numbers.getOrDefault(heading.paragraph(), -1);
            Pages.Heading place = standing.heading(heading);
            if (place == null && number < 0) continue;
            // What only went down with its lines, or over to a page that takes them, is led to by these.
            boolean plain = place != null && !pages.isAdded(place.page()) && pages.rewritten(place.page()) == null;
            boolean moved = place != null && number >= 0
                    && (shuffled || !pages.isOwn(place.page()) || plain && pages.ground(place.page()) != was.get(number).page());
            is.add(new Retold.Now(number, place != null ? place
                    : new Pages.Heading(heading.level(), heading.title(), heading.text(), was.get(number).page(), was.get(number).top()), moved));
        }
        return is;
    }

    /** Whether headings are in another order than they came in. */
    private boolean isShuffled() {
        int before = -1;
        for (Outline.Heading heading : now.outline().headings()) {
            int number = numbers.getOrDefault(heading.paragraph(), -1);
            if (number >= 0 && number < before) return true;
            before = Math.max(before, number);
        }
        return false;
    }

    private List<Retold.Role> roles() {
        Cascade fresh = Cascade.of(now.document());
        List<Retold.Role> roles = new ArrayList<>();
        for (Walk.Stop stop : walk.stops()) {
            Paragraph is = partners.get(stop.paragraph());
            int level = is == null ? 0 : level(fresh, is);
            if (is == null || level == level(cascade, stop.paragraph())) continue;
            Map<Integer, Set<Integer>> marks = new HashMap<>();
            for (Provenance.Line line : provenance.of(stop.paragraph()))
                for (int mark : line.marks()) if (mark >= 0) marks.computeIfAbsent(line.page(), key -> new HashSet<>()).add(mark);
            marks.forEach((page, some) -> roles.add(new Retold.Role(page, some, level)));
        }
        return roles;
    }

    /** The level of the heading that a paragraph is, 0 for none: one that says nothing is none. */
    private static int level(Cascade cascade, Paragraph paragraph) { return paragraph.plainText().isBlank() ? 0 : cascade.outlineLevel(paragraph); }
}
