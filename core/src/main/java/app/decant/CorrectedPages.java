package app.decant;

import app.decant.document.DecantException;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import app.decant.page.Original;
import app.decant.page.Rewritten;
import app.decant.pdf.keep.Arrival;
import app.decant.pdf.keep.Correction;
import app.decant.pdf.keep.GivenLines;
import app.decant.pdf.keep.Onward;
import app.decant.pdf.keep.PageRewriting;
import app.decant.pdf.read.PageReader;
import app.decant.pdf.read.SourceFile;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.IntFunction;
import org.slf4j.LoggerFactory;

/**
 * The pages of a file that are corrected where they stand. What a page has no room for goes over to the next, and from there on, until a page has room: either
 * all of them can take it, or the last that can gives it to a page that is put in; or none gives anything. What was found is remembered, page by page.
 */
final class CorrectedPages implements AutoCloseable {
    private static final Message PROVING = Message.of("step.looking-at-changed-pages");
    /** Lines go over to so many pages at most, one after the other. */
    private static final int FARTHEST = 60;

    private final Original original;
    private final TextFlow flow;
    private final IntFunction<List<Correction>> heads;
    private final Map<Integer, PageReader.Addressed> read = new HashMap<>();
    private final Map<Integer, Tried> known = new HashMap<>();
    private SourceFile source;
    /** Held while pages are looked at again, in a file opened for that. */
    private final Object proving = new Object();
    private SourceFile another;

    /** What came of a page's corrections: the page or why it can't be; looked at again or not yet. */
    static final class Tried {
        private final Asked asked;
        private final PageRewriting.Made made;
        private volatile String refused;
        private volatile boolean proven;
        private Rewritten page;
        private PageRewriting.Made next;

        private Tried(Asked asked, PageRewriting.Made made, String refused) {
            this.asked = asked;
            this.made = made;
            this.refused = refused;
            page = made == null ? null : made.page();
        }

        /** Why the page can't be corrected in place; null where it can. */
        String refused() { return refused; }

        /** Whether it gives lines over to another page. */
        boolean gives() { return made != null && made.given() != null; }

        /** The page as it is to be. */
        Rewritten page() { return page; }

        /** It is known what came of the page that takes what it gives over. */
        private void told(Tried taking) {
            if (next == taking.made) return;
            next = taking.made;
            page = made.page(next);
        }
    }

    /** What a page is asked to be. */
    private record Asked(List<Correction> corrections, Arrival come, Way way) { }

    /** Where a page gives over what it has no room for. */
    private enum Way { ON, ADDED, NOWHERE }

    /**
     * @param flow  how the text of the file goes on from page to page
     * @param heads what a page that is put in says otherwise in its headers and footers than the one that it stands behind
     */
    CorrectedPages(Original original, TextFlow flow, IntFunction<List<Correction>> heads) {
        this.original = original;
        this.flow = flow;
        this.heads = heads;
    }

    /**
     * What comes of corrections.
     *
     * @param wished by the indexes of their pages
     * @param fixed  pages that can take nothing, since they are set anew
     */
    Map<Integer, Tried> tried(Map<Integer, List<Correction>> wished, Set<Integer> fixed) {
        Map<Integer, Way> ways = new HashMap<>();
        TreeMap<Integer, Tried> tries = new TreeMap<>();
        TreeSet<Integer> open = new TreeSet<>(wished.keySet());
        while (!open.isEmpty()) {
            int page = open.pollFirst();
            Arrival come = before(tries, page);
            Tried one = fixed.contains(page) ? new Tried(null, null, "") : tried(page, new Asked(wished(wished, come, page), come,
                    ways.getOrDefault(page, Way.ON)));
            List<Integer> giving = giving(tries, page);
            if (come != null && (one.refused != null || giving.size() > FARTHEST)) {
                boolean adds = come instanceof GivenLines lines && lines.to().added() == null && flow.added(come.from()) != null;
                // The last of them gives it to a page that is put in; or none of them gives over what this one can't take.
                for (int back : adds ? List.of(come.from()) : giving) {
                    ways.put(back, adds ? Way.ADDED : Way.NOWHERE);
                    tries.remove(back);
                    if (adds || wished.containsKey(back)) open.add(back);
                }
                if (wished.containsKey(page)) open.add(page);
                continue;
            }
            tries.put(page, one);
            if (come != null) tries.get(come.from()).told(one);
            if (one.made != null && one.made.given() != null) open.add(one.made.given().page());
        }
        return tries;
    }

    /** What is wished of a page; one that is put in has the heads of the one before it, its number a new one. */
    private List<Correction> wished(Map<Integer, List<Correction>> wished, Arrival come, int page) {
        boolean added = come instanceof GivenLines lines && lines.to().added() != null;
        return added ? heads.apply(come.from()) : wished.getOrDefault(page, List.of());
    }

    private static Arrival before(Map<Integer, Tried> tries, int page) {
        return tries.values().stream().filter(one -> one.made != null && one.made.given() != null && one.made.given().page() == page)
                .map(one -> one.made.given()).findFirst().orElse(null);
    }

    /** The pages that give lines to a page, each to the next, and the last of them to it. */
    private static List<Integer> giving(Map<Integer, Tried> tries, int page) {
        List<Integer> giving = new ArrayList<>();
        for (Arrival come = before(tries, page); come != null; come = before(tries, come.from())) giving.add(0, come.from());
        return giving;
    }

    private Tried tried(int page, Asked asked) {
        Tried old = known.get(page);
        if (old != null && old.asked.equals(asked)) return old;
        if (source == null) source = SourceFile.open(original.bytes(), original.name(), original.password());
        Tried made;
        try {
            int like = asked.come instanceof GivenLines lines && lines.to().added() != null ? lines.to().added().like() : page;
            PageReader.Addressed there = read(like);
            Onward onward = switch (asked.way) {
                case ON -> like == page ? flow.after(page) : null;
                case ADDED -> flow.added(page);
                case NOWHERE -> null;
            };
            List<Correction> corrections = asked.way == Way.ON ? asked.corrections
                    : asked.corrections.stream().map(one -> onward == null ? one.alone() : one.goingTo(onward)).toList();
            made = new Tried(asked, PageRewriting.rewrite(source, there, corrections, asked.come, onward, FontCatalogue.ofThisMachine(),
                    this::read), null);
        } catch (PageRewriting.Refused e) {
            LoggerFactory.getLogger(CorrectedPages.class).debug("Page {} can't be corrected: {}", page + 1, e.getMessage());
            made = new Tried(asked, null, Objects.requireNonNullElse(e.getMessage(), ""));
        }
        known.put(page, made);
        return made;
    }

    private PageReader.Addressed read(int page) { return read.computeIfAbsent(page, key -> PageReader.addressed(source, key, Progress.SILENT)); }

    /**
     * Looks again at pages. Where one is not as it should be, those that gave lines to it or took some from it are refused with it.
     *
     * @throws DecantException where it is cancelled
     */
    void prove(Map<Integer, Tried> tries, Progress progress) {
        synchronized (proving) {
            int done = 0;
            for (Tried one : tries.values()) {
                progress.step(done++, tries.size(), PROVING);
                prove(one);
            }
        }
        List<Integer> pages = List.copyOf(tries.keySet());
        for (int page : pages) refuseAfter(tries, page);
        for (int i = pages.size() - 1; i >= 0; i--) refuseAfter(tries, pages.get(i));
    }

    /** Pages stand and fall together of which one gives lines to the other. */
    private static void refuseAfter(Map<Integer, Tried> tries, int page) {
        Tried one = tries.get(page);
        Tried next = one.made == null || one.made.given() == null ? null : tries.get(one.made.given().page());
        if (next == null) return;
        if (one.refused == null) one.refused = next.refused;
        else if (next.refused == null) next.refused = one.refused;
    }

    private void prove(Tried one) {
        if (one.refused != null || one.proven) return;
        if (another == null) another = SourceFile.open(original.bytes(), original.name(), original.password());
        try {
            one.made.prove(another);
            one.proven = true;
        } catch (PageRewriting.Refused e) {
            one.refused = e.getMessage();
        }
    }

    /** The pages whose words can be corrected where they stand, and those that take lines of these. */
    static Map<Integer, Rewritten> inPlace(Map<Integer, Tried> tries, Collection<Finding> findings) {
        Map<Integer, Rewritten> rewritten = new TreeMap<>();
        tries.forEach((page, one) -> {
            if (one.refused == null) {
                rewritten.put(page, one.page);
                return;
            }
            Message where = Finding.page(page);
            findings.add(Finding.changed(Message.of("open.where-words-were-changed-the-page", one.refused)).at(where));
            LoggerFactory.getLogger(CorrectedPages.class).info("{} can't be corrected in place: {}", where, one.refused);
        });
        return rewritten;
    }

    @Override public void close() {
        synchronized (proving) {
            if (another != null) another.close();
            another = null;
        }
    }

    /** Forgets what was found; to be called by whoever asks for it. */
    void forget() {
        if (source != null) source.close();
        source = null;
        read.clear();
        known.clear();
    }
}
