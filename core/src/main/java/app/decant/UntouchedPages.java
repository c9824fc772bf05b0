package app.decant;

import app.decant.document.Paragraph;
import app.decant.document.Provenance;
import app.decant.layout.PagedDocument;
import app.decant.layout.TextPassage;
import app.decant.page.Item;
import app.decant.page.Original;
import app.decant.page.Page;
import app.decant.page.Painted;
import app.decant.page.Piece;
import app.decant.page.Rewritten;
import app.decant.pdf.keep.RevisedPages;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/**
 * Which pages of a file nothing reached, told from how its text is laid out: a page is untouched where it is laid out now exactly as it was when the file
 * came in. A page that is set anew must stand for exactly what its place in the file shows, or text would be lost or doubled between the two.
 */
final class UntouchedPages {
    /** The label of an item is no part of its paragraph's text; no line is as short. */
    private static final int LABEL = 4;

    private final PagedDocument then;
    private final Provenance provenance;
    private final List<Set<Integer>> together;
    private Map<Page, Painted> painted = new IdentityHashMap<>();

    /** @param then as it was laid out when it came in, on as many pages as the file has */
    UntouchedPages(PagedDocument then, Provenance provenance) {
        this.then = then;
        this.provenance = provenance;
        together = together();
    }

    /**
     * The pages as they are now: the file's own where nothing reached them.
     *
     * @param inPlace pages of the file whose words were corrected where they stand
     * @param came    for paragraphs that were corrected those that they were
     * @param gone    paragraphs that were taken out, each with null
     */
    RevisedPages of(PagedDocument now, Original original, Map<Integer, Rewritten> inPlace, Map<Paragraph, Paragraph> came, Map<Paragraph, Paragraph> gone) {
        List<Painted> old = painted(then, now);
        List<Painted> fresh = now.pages().stream().map(painted::get).toList();
        int[] match = aligned(old, fresh);
        List<Integer> grounds = new ArrayList<>();
        Set<Integer> kept = new HashSet<>();
        Set<Integer> reached = new HashSet<>();
        int next = 0;
        for (int page = 0; page < fresh.size(); page++) {
            if (match[page] >= 0) {
                for (; next < match[page]; next++) reached.add(next);
                grounds.add(match[page]);
                kept.add(page);
                next = match[page] + 1;
                continue;
            }
            // It stands where the file has a page that nothing of the new text matches, as long as there is one before the next that does.
            int limit = Arrays.stream(match, page, match.length).filter(ground -> ground >= 0).findFirst().orElse(old.size());
            if (next < limit) reached.add(next);
            grounds.add(next < limit ? next++ : -1);
        }
        for (; next < old.size(); next++) reached.add(next);
        Map<Integer, Rewritten> rewritten = new TreeMap<>();
        for (int page = 0; page < grounds.size(); page++) {
            int ground = grounds.get(page);
            if (kept.contains(page) || !inPlace.containsKey(ground) || !extent(then, ground, gone).equals(extent(now, page, came))) continue;
            reached.remove(ground);
            kept.add(page);
            rewritten.put(page, inPlace.get(ground));
        }
        reach(reached);
        kept.removeIf(page -> reached.contains(grounds.get(page)));
        rewritten.keySet().retainAll(kept);
        return new RevisedPages(now, original, grounds, kept, rewritten);
    }

    /** What the pages show, looked at once for each: after an edit most of them are the very ones they were. */
    private List<Painted> painted(PagedDocument old, PagedDocument fresh) {
        Map<Page, Painted> seen = new IdentityHashMap<>();
        for (PagedDocument pages : List.of(old, fresh))
            for (Page page : pages.pages()) seen.computeIfAbsent(page, key -> painted.containsKey(key) ? painted.get(key) : Painted.of(key));
        painted = seen;
        return old.pages().stream().map(seen::get).toList();
    }

    /**
     * What of the text stands on a page: its paragraphs as they came, with their labels, and where the first begins and the last ends that go on from or to
     * another page.
     *
     * @param came for paragraphs that were edited those that they were
     */
    private static List<Object> extent(PagedDocument laid, int page, Map<Paragraph, Paragraph> came) {
        List<Object> extent = new ArrayList<>();
        Paragraph before = null;
        int end = 0;
        for (Item.LineItem line : laid.page(page).lines()) {
            Paragraph paragraph = TextPassage.paragraph(line);
            if (came.containsKey(paragraph) && came.get(paragraph) == null) continue;
            if (paragraph != before) {
                if (before != null && end < before.length()) extent.add(end);
                // Equal where it is the very paragraph.
                extent.add(new TextPassage(came.getOrDefault(paragraph, paragraph)));
                if (line.line().start() > 0) extent.add(line.line().start());
            }
            for (Piece piece : line.line().pieces()) if (piece instanceof Piece.Glyphs glyphs && !glyphs.isText()) extent.add(glyphs.text());
            before = paragraph;
            end = line.line().end();
        }
        if (before != null && end < before.length()) extent.add(end);
        return extent;
    }

    /** For each page now the one before that it is, in order; -1 for none. */
    private static int[] aligned(List<Painted> old, List<Painted> fresh) {
        int[] match = new int[fresh.size()];
        Arrays.fill(match, -1);
        int from = 0;
        while (from < Math.min(old.size(), fresh.size()) && old.get(from).equals(fresh.get(from))) match[from] = from++;
        int fromEnd = 0;
        while (fromEnd < Math.min(old.size(), fresh.size()) - from
                && old.get(old.size() - 1 - fromEnd).equals(fresh.get(fresh.size() - 1 - fromEnd))) {
            fromEnd++;
            match[fresh.size() - fromEnd] = old.size() - fromEnd;
        }
        int next = from;
        for (int page = from; page < fresh.size() - fromEnd; page++) {
            for (int ground = next; ground < old.size() - fromEnd; ground++) {
                if (!old.get(ground).equals(fresh.get(page))) continue;
                match[page] = ground;
                next = ground + 1;
                break;
            }
        }
        return match;
    }

    /** Pages of the file that can only be set anew together: a paragraph stands on one here and on another there, and would be lost or doubled between them. */
    private List<Set<Integer>> together() {
        List<Set<Integer>> together = new ArrayList<>();
        Map<Paragraph, Map<Integer, Integer>> here = new IdentityHashMap<>();
        for (Page page : then.pages()) {
            for (Item.LineItem line : page.lines()) {
                Paragraph paragraph = TextPassage.paragraph(line);
                String text = paragraph.text();
                String part = text.substring(Math.min(text.length(), line.line().start()), Math.min(text.length(), line.line().end()));
                here.computeIfAbsent(paragraph, key -> new TreeMap<>()).merge(page.index(), letters(part), Integer::sum);
            }
        }
        here.forEach((paragraph, counts) -> {
            Map<Integer, Integer> there = new TreeMap<>();
            for (Provenance.Line line : provenance.of(paragraph)) there.merge(line.page(), letters(line.letters()), Integer::sum);
            // Heads of tables are shown again on every page, and taken in once.
            if (there.isEmpty() || sum(counts) > sum(there) + LABEL) return;
            Set<Integer> differing = new HashSet<>(there.keySet());
            differing.addAll(counts.keySet());
            differing.removeIf(page -> Math.abs(there.getOrDefault(page, 0) - counts.getOrDefault(page, 0)) <= LABEL);
            if (!differing.isEmpty()) together.add(differing);
        });
        return together;
    }

    private void reach(Set<Integer> reached) {
        boolean grew = true;
        while (grew) {
            grew = false;
            for (Set<Integer> some : together) if (some.stream().anyMatch(reached::contains)) grew |= reached.addAll(some);
        }
    }

    private static int sum(Map<Integer, Integer> counts) { return counts.values().stream().mapToInt(Integer::intValue).sum(); }

    private static int letters(String text) { return (int) text.codePoints().filter(Character::isLetter).count(); }
}
