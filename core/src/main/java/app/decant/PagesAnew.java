package app.decant;

import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.document.Provenance;
import app.decant.document.Section;
import app.decant.document.Walk;
import app.decant.font.FontCatalogue;
import app.decant.layout.PagedDocument;
import app.decant.layout.StretchLayout;
import app.decant.page.Original;
import app.decant.page.Page;
import app.decant.page.Rewritten;
import app.decant.pdf.keep.OwnPages;
import app.decant.pdf.keep.RevisedPages;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.UnaryOperator;

/**
 * Sets those pages of a file anew that can't be corrected where they stand, each with the text that stands on it; all others stay the file's own. Where a page
 * has no room for its text any more, another is put in behind it.
 */
final class PagesAnew {
    private final OwnPages own;
    private final Walk walk;
    private final Provenance provenance;
    private final FontCatalogue fonts;
    private final StretchLayout layout;
    /** For pages of the file the section that the text on them is of. */
    private final Map<Integer, Integer> sections = new HashMap<>();
    /** The pages that were made before, by their indexes: one that shows the same is the very page, so that nobody paints it again. */
    private Map<Integer, Page> known = Map.of();
    /** What their headers and footers were made of. */
    private List<Object> heads = List.of();

    /**
     * What is to become of pages.
     *
     * @param anew    pages of the file that have to be set anew
     * @param inPlace pages that are corrected where they stand, by their numbers
     */
    record Wished(Set<Integer> anew, Map<Integer, Rewritten> inPlace) { }

    /** @param walk over the text as it came */
    PagesAnew(OwnPages own, Walk walk, Provenance provenance, FontCatalogue fonts) {
        this.own = own;
        this.walk = walk;
        this.provenance = provenance;
        this.fonts = fonts;
        layout = new StretchLayout(fonts);
        for (Walk.Stop stop : walk.stops()) for (Provenance.Line line : provenance.of(stop.paragraph())) sections.putIfAbsent(line.page(), stop.path().step(0));
    }

    /**
     * The pages as they are now; null where none of them has any text.
     *
     * @param showing  puts the text where it stands on the pages that stay
     * @param findings is told which pages have to be set anew with others, and which take more room
     */
    RevisedPages of(Document now, TextEdits.Found edits, Original original, Wished wished, UnaryOperator<RevisedPages> showing,
            Collection<Finding> findings, Progress progress) {
        int count = provenance.sheets().size();
        SortedSet<Integer> reached = new TreeSet<>(wished.anew);
        List<ReachedText.Run> runs = new ReachedText(walk, provenance, now, edits).runs(reached, pages -> together(pages, wished.inPlace, count));
        for (int page : reached)
            if (!wished.anew.contains(page)) findings.add(Finding.changed(Message.of("open.page-is-set-anew-with-another")).at(Finding.page(page)));
        Map<Integer, Rewritten> kept = new TreeMap<>(wished.inPlace);
        kept.keySet().removeIf(number -> reached.contains(number % count));
        OwnPages others = own.of(original).with(kept);
        List<StretchLayout.Stretch> stretches = runs.stream().filter(run -> run.from() != null)
                .map(run -> new StretchLayout.Stretch(run.from(), run.to(), run.first(), own.labels().subList(run.first(), run.last() + 1))).toList();
        List<Object> fresh = new ArrayList<>();
        for (Section section : now.sections()) fresh.add(section.frames());
        StretchLayout.Made made = layout.next(now, stretches, others.count() - reached.size(), progress);
        fresh.add(others.count() - reached.size() + made.stretches().stream().mapToInt(one -> one.pages().size()).sum());
        if (!fresh.equals(heads)) known = Map.of();
        heads = fresh;
        RevisedPages pages = assembled(made, runs, others, original, kept, new RevisedPages.Anew() {
            @Override public List<String> unplaced() { return made.unplaced(); }

            @Override public RevisedPages without(Set<String> families) {
                Document bare = now.withFonts(now.fonts().stream().filter(font -> families.stream().noneMatch(font.family()::equalsIgnoreCase)).toList());
                return new PagesAnew(own, walk, provenance, fonts.without(families)).of(bare, edits, original, wished, showing, new ArrayList<>(), progress);
            }
        }, findings);
        return pages == null ? null : showing.apply(pages);
    }

    /** All that pages are set anew with: pages that give lines to the next, or take some, stay together. */
    private static Set<Integer> together(Set<Integer> pages, Map<Integer, Rewritten> inPlace, int count) {
        Set<Integer> together = new HashSet<>();
        boolean grew = true;
        while (grew) {
            grew = false;
            for (Map.Entry<Integer, Rewritten> one : inPlace.entrySet()) {
                Set<Integer> linked = new HashSet<>(Set.of(one.getKey() % count));
                one.getValue().given().forEach(given -> linked.add(given.page() % count));
                boolean reached = linked.stream().anyMatch(page -> pages.contains(page) || together.contains(page));
                if (reached) grew |= together.addAll(linked);
            }
        }
        return together;
    }

    private RevisedPages assembled(StretchLayout.Made made, List<ReachedText.Run> runs, OwnPages others, Original original, Map<Integer, Rewritten> kept,
            RevisedPages.Anew anew, Collection<Finding> findings) {
        Map<Integer, ReachedText.Run> starts = new HashMap<>();
        Set<Integer> reached = new HashSet<>();
        for (ReachedText.Run run : runs) {
            starts.put(run.first(), run);
            for (int page = run.first(); page <= run.last(); page++) reached.add(page);
        }
        List<Page> pages = new ArrayList<>();
        List<Integer> grounds = new ArrayList<>();
        List<Integer> of = new ArrayList<>();
        Set<Integer> stay = new HashSet<>();
        Map<Integer, Integer> numbers = new HashMap<>();
        Map<Integer, Rewritten> rewritten = new HashMap<>();
        int next = 0;
        for (int i = 0; i < others.count(); i++) {
            int ground = others.ground(i);
            if (!reached.contains(ground)) {
                stay.add(pages.size());
                if (others.isAdded(i)) numbers.put(pages.size(), others.number(i));
                if (kept.containsKey(others.number(i))) rewritten.put(pages.size(), kept.get(others.number(i)));
                grounds.add(ground);
                of.add(sections.getOrDefault(ground, of.isEmpty() ? 0 : of.get(of.size() - 1)));
                pages.add(placed(others.page(i), pages.size()));
                continue;
            }
            ReachedText.Run run = starts.get(ground);
            if (run == null || run.from() == null) continue;
            StretchLayout.Laid laid = made.stretches().get(next++);
            int room = run.last() - run.first() + 1;
            if (laid.pages().size() > room)
                findings.add(Finding.changed(Message.of("open.pages-take-more", room, laid.pages().size())).at(Finding.page(run.first())));
            for (int page = 0; page < laid.pages().size(); page++) {
                grounds.add(page < room ? run.first() + page : -1);
                of.add(laid.sections().get(page));
                pages.add(placed(laid.pages().get(page), pages.size()));
            }
        }
        if (pages.isEmpty()) return null;
        Map<Integer, Page> same = new HashMap<>();
        for (Page page : pages) same.put(page.index(), page);
        known = same;
        PagedDocument all = made.among(pages, of.stream().mapToInt(Integer::intValue).toArray());
        return new RevisedPages(all, original, new RevisedPages.Places(grounds, stay, numbers, rewritten), anew);
    }

    private Page placed(Page page, int index) {
        Page here = page.index() == index ? page : new Page(index, page.label(), page.width(), page.height(), page.text(), page.frame());
        Page before = known.get(index);
        return before != null && before.label().equals(here.label()) && before.text().equals(here.text()) ? before : here;
    }
}
