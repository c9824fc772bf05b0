package app.decant;

import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.Provenance;
import app.decant.font.FontCatalogue;
import app.decant.layout.PagedDocument;
import app.decant.layout.TextPassage;
import app.decant.layout.WordLines;
import app.decant.page.Item;
import app.decant.page.Original;
import app.decant.page.Page;
import app.decant.page.Pages;
import app.decant.page.Painted;
import app.decant.page.Rewritten;
import app.decant.pdf.keep.Correction;
import app.decant.pdf.keep.OwnPages;
import app.decant.pdf.keep.PageRewriting;
import app.decant.pdf.keep.RevisedPages;
import app.decant.pdf.read.SourceFile;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import org.slf4j.LoggerFactory;

/**
 * A PDF that was taken in and revised: tells which of its pages nothing reached, which are published as they are. A page is untouched where it is laid out
 * now exactly as it was when the file came in; and a page that is set anew must stand for exactly what its place in the file shows, or text would be lost
 * or doubled between the two.
 */
final class Revision {
    /** The label of an item is no part of its paragraph's text; no line is as short. */
    private static final int LABEL = 4;

    private final Original original;
    private final Document before;
    private final Provenance provenance;
    private final PagedDocument now;
    private final Progress progress;
    private final List<Finding> findings = new ArrayList<>();
    /** Whether all that was edited can be had by correcting lines. */
    private boolean all;

    /**
     * @param before the document as it came in
     * @param now    as it is laid out now
     */
    Revision(Original original, Document before, Provenance provenance, PagedDocument now, Progress progress) {
        this.original = original;
        this.provenance = provenance;
        this.before = before;
        this.now = now;
        this.progress = progress;
    }

    /** Why pages could not be kept, where that is so. */
    List<Finding> findings() { return findings; }

    /** What is published: the file's own pages where they are untouched. */
    Pages pages() {
        OwnPages own = OwnPages.of(original, WordLines::of);
        if (before.equals(now.document())) return own.with(now.headings());
        Map<Integer, Rewritten> inPlace = inPlace();
        if (all) return own.with(now.headings()).with(inPlace);
        PagedDocument then = Decant.layOut(before, progress);
        if (then.count() != own.count()) return anew("its text makes " + then.count() + " pages here and " + own.count() + " there");
        List<Painted> old = then.pages().stream().map(Painted::of).toList();
        List<Painted> fresh = now.pages().stream().map(Painted::of).toList();
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
            if (kept.contains(page) || !inPlace.containsKey(ground) || !extent(then, ground).equals(extent(now, page))) continue;
            reached.remove(ground);
            kept.add(page);
            rewritten.put(page, inPlace.get(ground));
        }
        reach(then, reached);
        kept.removeIf(page -> reached.contains(grounds.get(page)));
        rewritten.keySet().retainAll(kept);
        return new RevisedPages(now, original, grounds, kept, rewritten);
    }

    /** The pages whose words can be corrected where they stand. */
    private Map<Integer, Rewritten> inPlace() {
        TextEdits.Found edits = TextEdits.between(before, now.document(), provenance);
        if (edits == null) return Map.of();
        all = edits.beyond().isEmpty();
        Map<Integer, Rewritten> rewritten = new TreeMap<>();
        try (SourceFile source = SourceFile.open(original.bytes(), original.name(), original.password())) {
            for (Map.Entry<Integer, List<Correction>> page : edits.corrections().entrySet()) {
                if (edits.beyond().contains(page.getKey())) continue;
                try {
                    rewritten.put(page.getKey(), PageRewriting.rewrite(source, page.getKey(), page.getValue(), FontCatalogue.ofThisMachine()));
                } catch (PageRewriting.Refused e) {
                    all = false;
                    String where = "page " + (page.getKey() + 1);
                    findings.add(Finding.changed("Where words were changed the page was set anew, since they can't be put into the original's own: "
                            + e.getMessage() + ".", where));
                    LoggerFactory.getLogger(Revision.class).info("{} can't be corrected in place: {}", where, e.getMessage());
                }
            }
        }
        return rewritten;
    }

    /** What of the text stands on a page: its paragraphs, and where the first begins and the last ends that go on from or to another page. */
    private static String extent(PagedDocument laid, int page) {
        StringBuilder extent = new StringBuilder();
        Paragraph before = null;
        int end = 0;
        for (Item.LineItem line : laid.page(page).lines()) {
            Paragraph paragraph = TextPassage.paragraph(line);
            if (paragraph != before) {
                if (before != null && end < before.length()) extent.append("to ").append(end);
                extent.append(' ').append(laid.walk().indexOf(paragraph));
                if (line.line().start() > 0) extent.append(" from ").append(line.line().start());
            }
            before = paragraph;
            end = line.line().end();
        }
        if (before != null && end < before.length()) extent.append(" to ").append(end);
        return extent.toString();
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

    /**
     * Adds the pages that have to be set anew with others: where a paragraph stands on one page here and on another in the file, both are, or it would be lost
     * or doubled between them.
     */
    private void reach(PagedDocument then, Set<Integer> reached) {
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
        boolean grew = true;
        while (grew) {
            grew = false;
            for (Set<Integer> some : together) if (some.stream().anyMatch(reached::contains)) grew |= reached.addAll(some);
        }
    }

    private static int sum(Map<Integer, Integer> counts) { return counts.values().stream().mapToInt(Integer::intValue).sum(); }

    private static int letters(String text) { return (int) text.codePoints().filter(Character::isLetter).count(); }

    private Pages anew(String why) {
        findings.add(Finding.changed("All pages were set anew, since the original's can't be kept beside changed ones: " + why + ".", ""));
        return now;
    }
}
