package app.decant;

import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.document.Provenance;
import app.decant.layout.PagedDocument;
import app.decant.layout.WordLines;
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
import app.decant.recover.PageText;
import java.text.Normalizer;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.slf4j.LoggerFactory;

/**
 * A PDF that was taken in and revised: tells which of its pages nothing reached, which are published as they are. A page is untouched where it is laid out
 * now exactly as it was when the file came in; and a page that is set anew must stand for exactly what its place in the file shows, or text would be lost
 * or doubled between the two.
 */
final class Revision {
    private final Original original;
    private final Document before;
    private final Provenance provenance;
    private final PagedDocument now;
    private final Progress progress;
    private final List<Finding> findings = new ArrayList<>();
    private String why;

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
        if (before == now.document()) return own.with(now.headings());
        Map<Integer, Rewritten> inPlace = inPlace();
        if (inPlace != null) return own.with(now.headings()).with(inPlace);
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
        String other = differing(then, reached);
        if (other != null) return anew(other);
        if (why != null) findings.add(Finding.changed("Where words were changed the page was set anew, since they can't be put into the original's own ("
                + why + ").", ""));
        return new RevisedPages(now, original, grounds, kept);
    }

    /** The pages whose words can be corrected where they stand; null where something was done that asks for more. */
    private Map<Integer, Rewritten> inPlace() {
        Map<Integer, List<Correction>> edits = TextEdits.between(before, now.document(), provenance);
        if (edits == null || edits.isEmpty()) return null;
        Map<Integer, Rewritten> rewritten = new TreeMap<>();
        try (SourceFile source = SourceFile.open(original.bytes(), original.name(), original.password())) {
            for (Map.Entry<Integer, List<Correction>> page : edits.entrySet()) {
                try {
                    rewritten.put(page.getKey(), PageRewriting.rewrite(source, page.getKey(), page.getValue()));
                } catch (PageRewriting.Refused e) {
                    why = "page " + (page.getKey() + 1) + ": " + e.getMessage();
                    LoggerFactory.getLogger(Revision.class).info("Page {} can't be corrected in place: {}", page.getKey() + 1, e.getMessage());
                    return null;
                }
            }
        }
        return rewritten;
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

    /** Why pages that were reached can't be set anew by themselves; null where they can. */
    private String differing(PagedDocument then, Set<Integer> reached) {
        try {
            for (PageText shown : PageText.of(original.bytes(), original.name(), original.password(), reached::contains, progress)) {
                Page laid = then.page(shown.index());
                if (!letters(shown).equals(letters(PageText.of(laid))))
                    return "page " + (shown.index() + 1) + " does not hold the same text when it is set here";
            }
            return null;
        } catch (DecantException e) {
            if (e.kind() != DecantException.Kind.NOT_PERMITTED) throw e;
            return "its owner forbids that its text is read";
        }
    }

    /** The letters of a page, whatever their order. */
    private static String letters(PageText page) {
        String text = page.lines().stream().map(PageText.Line::text).collect(Collectors.joining());
        int[] letters = Normalizer.normalize(text, Normalizer.Form.NFKC).codePoints().filter(letter -> !Character.isWhitespace(letter)
                && !Character.isSpaceChar(letter) && letter != 0xAD && letter != '-' && Character.getType(letter) != Character.FORMAT).sorted().toArray();
        return new String(letters, 0, letters.length);
    }

    private Pages anew(String why) {
        findings.add(Finding.changed("All pages were set anew, since the original's can't be kept beside changed ones: " + why + ".", ""));
        return now;
    }
}
