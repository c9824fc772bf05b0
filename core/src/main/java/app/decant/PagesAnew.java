package app.decant;

import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Inline;
import app.decant.document.Progress;
import app.decant.document.Provenance;
import app.decant.document.Section;
import app.decant.document.Walk;
import app.decant.font.FontCatalogue;
import app.decant.layout.PagedDocument;
import app.decant.layout.StretchLayout;
import app.decant.page.Original;
import app.decant.page.Page;
import app.decant.page.PageNumbers;
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
import java.util.stream.IntStream;

/**
 * Sets those pages of a file anew that can't be corrected where they stand, each with the text that stands on it; all others stay the file's own. Where a page
 * has no room for its text any more, another is put in behind it.
 */
final class PagesAnew {
    private final OwnPages own;
    private final Document before;
    private final ReachedText.Came came;
    private final Provenance provenance;
    private final StandingHeads heads;
    private final StretchLayout layout;
    /** For pages of the file the section that the text on them is of. */
    private final Map<Integer, Integer> sections = new HashMap<>();
    /** The pages that were made before. */
    private Mixed shown;

    /**
     * What is to become of pages.
     *
     * @param anew    pages of the file that have to be set anew
     * @param inPlace pages that are corrected where they stand, by their numbers
     * @param numbers of pages on which places stand that are on others than they were, by their names
     */
    record Wished(Set<Integer> anew, Map<Integer, Rewritten> inPlace, Map<String, String> numbers) { }

    /**
     * @param before the document as it came
     * @param heads  as they came
     * @param without families of fonts that are not used
     */
    PagesAnew(OwnPages own, Document before, Provenance provenance, StandingHeads heads, Set<String> without) {
        this.own = own;
        this.before = before;
        this.heads = heads;
        this.provenance = provenance;
        Walk walk = Walk.of(before);
        came = new ReachedText.Came(before, walk, provenance);
        layout = new StretchLayout(FontCatalogue.ofThisMachine(), without);
        for (Walk.Stop stop : walk.stops()) for (Provenance.Line line : provenance.of(stop.paragraph())) sections.putIfAbsent(line.page(), stop.path().step(0));
    }

    /**
     * The pages as they are now; null where none of them has any text.
     *
     * @param laid     the document as it is laid out as a whole
     * @param showing  puts the text where it stands on the pages that stay
     * @param findings is told which pages have to be set anew with others, and which take more room
     */
    RevisedPages of(PagedDocument laid, TextEdits.Found edits, Original original, Wished wished, UnaryOperator<RevisedPages> showing,
            Collection<Finding> findings, Progress progress) {
        Document now = laid.document();
        int count = provenance.sheets().size();
        SortedSet<Integer> reached = new TreeSet<>(wished.anew);
        List<ReachedText.Run> runs = new ReachedText(came, now, edits).runs(reached, pages -> together(pages, wished.inPlace, count));
        for (int page : reached)
            if (!wished.anew.contains(page)) findings.add(Finding.changed(Message.of("open.page-is-set-anew-with-another")).at(Finding.page(page)));
        Map<Integer, Rewritten> kept = new TreeMap<>(wished.inPlace);
        kept.keySet().removeIf(number -> reached.contains(number % count));
        OwnPages others = own.of(original).with(kept);
        StretchLayout.Made made = layout.next(laid, runs.stream().filter(ReachedText.Run::hasText).map(run -> stretch(run, now)).toList(),
                total(reached), wished.numbers, progress);
        Mixed mixed = new Mixed(others, laid, now.sections().stream().map(Section::frames).toList());
        mixed.put(runs, reached, made, findings);
        if (mixed.pages.isEmpty()) return null;
        shown = mixed;
        return showing.apply(new RevisedPages(made.among(mixed.pages, mixed.sectionOf.stream().mapToInt(Integer::intValue).toArray()), original, mixed.places(),
                new RevisedPages.Anew() {
            @Override public List<String> unplaced() { return made.unplaced(); }

            @Override public RevisedPages without(Set<String> families) {
                PagesAnew other = new PagesAnew(own, before, provenance, heads, families);
                return other.of(laid, edits, original, wished, showing, new ArrayList<>(), progress);
            }
        }));
    }

    private StretchLayout.Stretch stretch(ReachedText.Run run, Document now) {
        return new StretchLayout.Stretch(run.from(), run.to(), heads.number(run.first()),
                IntStream.rangeClosed(run.first(), run.last()).mapToObj(page -> counted(now, page)).toList());
    }

    /** What a page is counted as: as it prints it, else as the text does. */
    private String counted(Document now, int page) {
        String printed = heads.printed(page, Inline.Field.Kind.PAGE);
        return printed != null ? printed : now.sections().get(sections.getOrDefault(page, 0)).numbering().format().write(heads.number(page));
    }

    /** How many pages there are, as some print it; as many as the file has where none does. */
    private int total(Set<Integer> pages) {
        return pages.stream().map(page -> heads.printed(page, Inline.Field.Kind.PAGES)).filter(printed -> printed != null && printed.matches("\\d{1,6}"))
                .findFirst().map(Integer::parseInt).orElse(provenance.sheets().size());
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

    /** Pages that stay, and among them those that are set anew. */
    private final class Mixed {
        private final OwnPages others;
        /** Where what shows no letter stands about, such as pictures: on as many pages as the file has, or it is not known. */
        private final PagedDocument about;
        /** The headers and footers that those are made with. */
        private final List<?> frames;
        private final List<Page> pages = new ArrayList<>();
        private final List<Integer> sectionOf = new ArrayList<>();
        private final List<Integer> grounds = new ArrayList<>();
        private final Set<Integer> stay = new HashSet<>();
        private final Map<Integer, Integer> numbers = new HashMap<>();
        private final Map<Integer, Rewritten> rewritten = new HashMap<>();

        Mixed(OwnPages others, PagedDocument about, List<?> frames) {
            this.others = others;
            this.about = about;
            this.frames = frames;
        }

        RevisedPages.Places places() { return new RevisedPages.Places(grounds, stay, numbers, rewritten); }

        void put(List<ReachedText.Run> runs, Set<Integer> reached, StretchLayout.Made made, Collection<Finding> findings) {
            Map<Integer, StretchLayout.Laid> anew = new HashMap<>();
            Map<Integer, ReachedText.Run> begun = new HashMap<>();
            for (ReachedText.Run run : runs) {
                if (!run.hasText()) continue;
                anew.put(run.first(), made.stretches().get(anew.size()));
                begun.put(run.first(), run);
            }
            int count = others.count() - reached.size() + made.stretches().stream().mapToInt(one -> one.pages().size()).sum();
            for (int page = 0; page < others.count(); page++) {
                int ground = others.ground(page);
                if (!reached.contains(ground)) stays(page);
                else if (anew.containsKey(ground)) put(begun.get(ground), anew.get(ground), count, findings);
            }
        }

        private void stays(int page) {
            int at = pages.size();
            int number = others.number(page);
            stay.add(at);
            if (others.isAdded(page)) numbers.put(at, number);
            if (others.rewritten(page) != null) rewritten.put(at, others.rewritten(page));
            grounds.add(others.ground(page));
            sectionOf.add(sections.getOrDefault(others.ground(page), at == 0 ? 0 : sectionOf.get(at - 1)));
            boolean known = about.count() == own.count() && !others.isAdded(page);
            pages.add(at(known ? about.page(others.ground(page)) : others.page(page), at, others.page(page).label()));
        }

        private void put(ReachedText.Run run, StretchLayout.Laid laid, int count, Collection<Finding> findings) {
            int room = run.last() - run.first() + 1;
            if (laid.pages().size() > room)
                findings.add(Finding.changed(Message.of("open.pages-take-more", room, laid.pages().size())).at(Finding.page(run.first())));
            for (int i = 0; i < laid.pages().size(); i++) {
                int at = pages.size();
                String label = i < room ? own.page(run.first() + i).label() : PageNumbers.behind(pages.get(at - 1).label(), run.to().block() == null);
                Page here = at(laid.pages().get(i), at, label);
                // One that shows what it showed is the very page, so that nobody paints it again.
                Page before = shown != null && shown.pages.size() == count && at < count && shown.frames.equals(frames) ? shown.pages.get(at) : null;
                boolean same = before != null && before.label().equals(label) && before.text().equals(here.text());
                grounds.add(i < room ? run.first() + i : -1);
                sectionOf.add(laid.sections().get(i));
                pages.add(same ? before : here);
            }
        }

        private static Page at(Page page, int index, String label) {
            boolean there = page.index() == index && page.label().equals(label);
            return there ? page : new Page(index, label, page.width(), page.height(), page.text(), page.frame());
        }
    }
}
