package app.decant;

import app.decant.document.Document;
import app.decant.document.Inline;
import app.decant.document.Paragraph;
import app.decant.document.Provenance;
import app.decant.document.Section.FramePlace;
import app.decant.document.Section;
import app.decant.document.Stories;
import app.decant.document.Story;
import app.decant.document.Walk;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Which header or footer of a document that came from a PDF stands on which of its pages. It is told by what the pages show: one that says something else than
 * its page is none of it.
 */
final class StandingHeads {
    private final Document document;
    private final List<Integer> sections;
    private final Map<Integer, List<One>> byPage = new HashMap<>();
    private final Map<Story.Frame, List<Walk.Stop>> walks = new HashMap<>();

    /**
     * A line of a page that is a paragraph of a header or footer.
     *
     * @param frame     the one that says it, of the section that has it
     * @param stop      the index of its paragraph there, those in cells of tables counted
     * @param paragraph as it came
     * @param letters   for each letter of the paragraph the letter of the line, or -1
     * @param counted   the parts of the line that count pages, each from one letter up to another
     */
    record One(int page, Provenance.Line line, Story.Frame frame, int stop, Paragraph paragraph, int[] letters, List<int[]> counted) {
        /** The letter of the line after those that show a letter of the paragraph: a field shows several. */
        int after(int letter) {
            return counted.stream().filter(part -> part[0] == letters[letter]).map(part -> part[1]).findFirst().orElse(letters[letter] + 1);
        }

        /** The same paragraph as a document has it now; null where it has it no more. */
        Paragraph in(Document document) {
            if (!Stories.has(document, frame)) return null;
            List<Walk.Stop> stops = Walk.of(document, frame).stops();
            return stop < stops.size() ? stops.get(stop).paragraph() : null;
        }
    }

    private StandingHeads(Document document, List<Integer> sections) {
        this.document = document;
        this.sections = sections;
    }

    /** @param walk over the document's body as it came */
    static StandingHeads of(Document document, Walk walk, Provenance provenance) {
        StandingHeads heads = new StandingHeads(document, sections(walk, provenance));
        for (Provenance.Head head : provenance.heads()) heads.place(head);
        return heads;
    }

    /** Those of a page, in the order in which it shows them. */
    List<One> on(int page) { return byPage.getOrDefault(page, List.of()); }

    /** The pages that have any. */
    Iterable<Integer> pages() { return byPage.keySet(); }

    /** What a page is counted as in the text: the number that it would have if it printed one. */
    int number(int page) {
        Integer section = sections.get(page);
        return page + start(section == null ? candidates(page).get(0) : section, page);
    }

    /** What a page prints where one of its headers or footers has a field; null where none has. */
    String printed(int page, Inline.Field.Kind kind) {
        for (One one : on(page)) {
            int at = 0;
            for (Inline inline : one.paragraph.inlines()) {
                boolean its = inline instanceof Inline.Field field && field.kind() == kind && one.letters[at] >= 0;
                if (its) return one.line.letters().substring(one.letters[at], one.after(at));
                at += inline.length();
            }
        }
        return null;
    }

    /** The section that each page begins with; null for a page on which nothing of the body is known to stand. */
    private static List<Integer> sections(Walk walk, Provenance provenance) {
        List<Integer> sections = new ArrayList<>(Collections.nCopies(provenance.sheets().size(), null));
        for (Walk.Stop stop : walk.stops())
            for (Provenance.Line line : provenance.of(stop.paragraph()))
                if (line.page() < sections.size() && sections.get(line.page()) == null) sections.set(line.page(), stop.path().step(0));
        return sections;
    }

    /** The sections that a page may be of: one of those between its neighbours' where nothing else tells. */
    private List<Integer> candidates(int page) {
        if (sections.get(page) != null) return List.of(sections.get(page));
        int from = 0;
        int to = document.sections().size() - 1;
        for (int i = page - 1; i >= 0 && from == 0; i--) if (sections.get(i) != null) from = sections.get(i);
        for (int i = sections.size() - 1; i > page; i--) if (sections.get(i) != null) to = Math.max(from, sections.get(i));
        List<Integer> candidates = new ArrayList<>();
        for (int i = from; i <= to; i++) candidates.add(i);
        return candidates;
    }

    private void place(Provenance.Head head) {
        int page = head.line().page();
        if (page >= sections.size()) return;
        for (int section : candidates(page)) {
            for (FramePlace place : wanted(section, page, head.top())) {
                Story.Frame frame = owner(section, place);
                One one = frame == null ? null : in(frame, head);
                if (one == null) continue;
                byPage.computeIfAbsent(page, key -> new ArrayList<>()).add(one);
                sections.set(page, section);
                return;
            }
        }
    }

    /** The paragraph of a header or footer that a line of a page is; null where none is. */
    private One in(Story.Frame frame, Provenance.Head head) {
        List<Walk.Stop> stops = walks.computeIfAbsent(frame, key -> Walk.of(document, key).stops());
        for (int i = 0; i < stops.size(); i++) {
            Paragraph paragraph = stops.get(i).paragraph();
            if (isTaken(head.line().page(), paragraph)) continue;
            int[] letters = paragraph.text().isBlank() ? null : head.letters(paragraph.text());
            if (letters != null) return new One(head.line().page(), head.line(), frame, i, paragraph, letters, head.counted());
        }
        return null;
    }

    private boolean isTaken(int page, Paragraph paragraph) { return on(page).stream().anyMatch(one -> one.paragraph == paragraph); }

    /** The places that may stand on a page, the likeliest first: pages are numbered from the first that their section has, which need not be odd. */
    private List<FramePlace> wanted(int section, int page, boolean top) {
        List<FramePlace> places = new ArrayList<>();
        boolean first = page == 0 || !Integer.valueOf(section).equals(sections.get(page - 1));
        if (first && document.sections().get(section).firstPageDiffers()) places.add(top ? FramePlace.FIRST_HEADER : FramePlace.FIRST_FOOTER);
        FramePlace even = top ? FramePlace.EVEN_HEADER : FramePlace.EVEN_FOOTER;
        FramePlace usual = top ? FramePlace.HEADER : FramePlace.FOOTER;
        boolean isEven = (page + start(section, page)) % 2 == 0;
        places.add(document.evenAndOddFrames() && isEven ? even : usual);
        if (document.evenAndOddFrames()) places.add(isEven ? usual : even);
        return places;
    }

    /** What is added to a page's index for its number: as the section says, or as one of those before it. */
    private int start(int section, int page) {
        for (int i = section; i >= 0; i--) {
            Integer start = document.sections().get(i).numbering().start();
            int first = sections.indexOf(i);
            if (start != null) return start - (first < 0 ? page : Math.min(page, first));
        }
        return 1;
    }

    /** A place that a section does not name is the section's before. */
    private Story.Frame owner(int section, FramePlace place) {
        for (int i = section; i >= 0; i--) {
            Section one = document.sections().get(i);
            if (one.frames().containsKey(place)) return new Story.Frame(i, place);
        }
        return null;
    }
}
