package app.decant;

import app.decant.CorrectedPages.Tried;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Outline;
import app.decant.document.Paragraph;
import app.decant.document.Progress;
import app.decant.document.Walk;
import app.decant.format.Taken;
import app.decant.layout.PagedDocument;
import app.decant.layout.WordLines;
import app.decant.page.Item;
import app.decant.page.LogicalStructure;
import app.decant.page.Note;
import app.decant.page.Original;
import app.decant.page.Page;
import app.decant.page.Pages;
import app.decant.page.Rewritten;
import app.decant.pdf.form.FileForm;
import app.decant.pdf.keep.Correction;
import app.decant.pdf.keep.OwnPages;
import app.decant.pdf.keep.RevisedPages;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.Collections;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.IntFunction;
import java.util.stream.IntStream;
import org.slf4j.LoggerFactory;

/**
 * A PDF that was taken in and is being revised. Tells what it would be if it were published now: the file's own pages where nothing reached them, its own
 * with other words where those can be put in place, pages set anew where they can't. It is asked again after every edit, and remembers what it found.
 */
public final class Revision implements AutoCloseable {
    /** Numbers of pages settle after so many times: each may move a line. */
    private static final int ROUNDS = 4;

    private final Original original;
    private final Taken taken;
    private final Document before;
    private final Set<Paragraph> came = Collections.newSetFromMap(new IdentityHashMap<>());
    private final Walk walk;
    private final GroundLines lines;
    private final GroundPages standing;
    private final StandingText text;
    private final StandingHeads heads;
    private final Map<StandingHeads.One, HeadLines> headLines = new IdentityHashMap<>();
    private PagesAnew anew;
    private Outline headings;
    private PageReferences references;
    private PageReferences.Following following = PageReferences.Following.NOTHING;
    private volatile FileForm form;
    private final CorrectedPages corrected;
    private OwnPages own;

    /** The lines of a header on a page, and what they were made from. */
    private record HeadLines(Paragraph paragraph, Rewritten.Reset reset, List<Item> lines) { }

    /**
     * What comes of what was edited.
     *
     * @param edits    with those that follow from them; null where more was edited than can be told
     * @param tries    page by page
     * @param result   the pages, and what is to be told of them
     */
    private record Made(PagedDocument now, TextEdits.Found edits, Map<Integer, Tried> tries, Result result) {
        Made with(Result other) { return new Made(now, edits, tries, other); }

        /** A page as it is rewritten; null where it is not. */
        Rewritten rewritten(int page) {
            Tried one = tries.get(page);
            return one == null || one.refused() != null ? null : one.page();
        }
    }

    /**
     * What is published.
     *
     * @param findings what is to be told of it: why pages could not be kept
     */
    public record Result(Pages pages, List<Finding> findings) {
        public Result { findings = List.copyOf(findings); }
    }

    /**
     * Begins a revision.
     *
     * @param taken what was taken in from the file
     */
    public Revision(Original original, Taken taken) {
        this.original = original;
        this.taken = taken;
        this.before = taken.document();
        text = StandingText.of(before, taken.provenance());
        walk = text.walk();
        for (Walk.Stop stop : walk.stops()) came.add(stop.paragraph());
        lines = new GroundLines(taken.provenance());
        heads = text.heads();
        corrected = new CorrectedPages(original, text.flow(), page -> HeadEdits.recounted(heads, page, page == taken.provenance().sheets().size() - 1,
                text.cascade()));
        standing = new GroundPages(walk, lines, taken.provenance().sheets(), this::isTouched, this::form);
    }

    /** The fields of the file's form that can be filled in. */
    public FileForm form() {
        if (form == null) form = FileForm.of(original);
        return form;
    }

    /** Whether a paragraph is not as it came. */
    public boolean isTouched(Paragraph paragraph) { return !came.contains(paragraph); }

    /**
     * What is published of a document: everything in it was looked at again.
     *
     * @throws app.decant.document.DecantException where the file can't be opened, or its owner forbids that it is changed
     */
    public Result published(PagedDocument now, Progress progress) {
        Made made = made(now, progress);
        for (int again = 0; again < ROUNDS; again++) {
            // Aside, since it takes a while: whoever writes on is not kept waiting.
            corrected.prove(made.tries, progress);
            Made proven = made(now, progress);
            boolean same = proven.tries.equals(made.tries);
            made = proven;
            if (same) break;
        }
        synchronized (this) {
            return noted(retold(bookmarked(made)));
        }
    }

    /**
     * The pages as they would be published, to be looked at while somebody types: where the file's own are, the text stands as the file shows it. What was put
     * in place is believed until it is published. The pages as they are laid out where the file's can't be kept.
     */
    public synchronized PagedDocument shown(PagedDocument now) {
        try {
            Made made = made(now, Progress.SILENT);
            Pages pages = made.result.pages;
            if (pages == now || taken.provenance().sheets().size() != own.count()) return now;
            return pages instanceof RevisedPages revised ? (PagedDocument) revised.shown() : now.on(shown(made, pages));
        } catch (DecantException e) {
            LoggerFactory.getLogger(Revision.class).info("{}", e.getMessage());
            return now;
        } catch (RuntimeException e) {
            // Whoever types must not lose a step because the file is odd; what is published is told by itself.
            LoggerFactory.getLogger(Revision.class).error("The file's own pages can't be shown", e);
            return now;
        }
    }

    /** The structure that was found in its pages, as far as these are its own; null where it is not known any more. */
    synchronized LogicalStructure structure(PagedDocument now) {
        Made made = made(now, Progress.SILENT);
        TextEdits.Found edits = made.edits;
        if (edits == null || !edits.beyond().isEmpty() || !edits.edits().stream().allMatch(TextEdits.Edit::isPlain)) return null;
        Map<Integer, Rewritten> inPlace = CorrectedPages.inPlace(made.tries, new ArrayList<>());
        return isWhole(edits, inPlace) ? FoundStructure.of(now, taken.provenance(), edits, inPlace) : null;
    }

    private TextEdits.Found edits(PagedDocument now) {
        if (now.document() == before || now.document().equals(before)) return TextEdits.Found.NOTHING;
        return TextEdits.between(text, now.document(), now.walk(), new FieldAnswers(this::form));
    }

    /** What comes of the edits, and of those that follow from them: numbers of pages that are printed elsewhere. */
    private synchronized Made made(PagedDocument now, Progress progress) {
        TextEdits.Found edits = edits(now);
        Set<Integer> unable = new TreeSet<>();
        for (int again = 0;; again++) {
            Made made = made(now, edits, progress);
            for (TextEdits.Edit edit : following.edits())
                if (!made.result.pages.original().isEmpty() && made.rewritten(edit.page()) == null) unable.add(edit.page());
            List<PageReferences.Stale> stale = stale(made);
            PageReferences.Following next = PageReferences.Following.of(stale, edit -> !unable.contains(edit.page()) && edits.takes(edit));
            if (next.equals(following) || again == ROUNDS) return made.with(told(made.result, stale));
            following = next;
        }
    }

    private Made made(PagedDocument now, TextEdits.Found edits, Progress progress) {
        TextEdits.Found all = edits == null || edits == TextEdits.Found.NOTHING ? edits : edits.with(following.edits());
        Map<Integer, Tried> tries = tries(all);
        return of(new Made(now, all, tries, null), progress);
    }

    /** Numbers of pages that are printed of headings which came to stand on others; none as long as every page keeps its own. */
    private List<PageReferences.Stale> stale(Made made) {
        boolean moves = made.result.pages instanceof RevisedPages || made.tries.values().stream().anyMatch(Tried::gives);
        if (made.edits == null || !moves || made.result.pages.original().isEmpty()) return List.of();
        HeadingChanges changes = changes(made.now);
        if (references == null) references = new PageReferences(text, headings);
        return references.isEmpty() ? List.of() : references.stale(changes.places(standing(made), made.result.pages), made.result.pages);
    }

    /** With the numbers that stay as they were though their headings went elsewhere, since nothing else can be put in their place. */
    private Result told(Result result, List<PageReferences.Stale> stale) {
        List<Finding> findings = new ArrayList<>(result.findings);
        for (PageReferences.Stale one : stale) {
            boolean own = IntStream.range(0, result.pages.count()).anyMatch(page -> result.pages.number(page) == one.page() && result.pages.isOwn(page));
            if (one.edit() == null || own && !following.edits().contains(one.edit()))
                findings.add(Finding.changed(Message.of("open.number-of-page-stays", one.title(), one.printed(), one.number())).at(Finding.page(one.page())));
        }
        return new Result(result.pages, findings);
    }

    private Made of(Made made, Progress progress) {
        TextEdits.Found edits = made.edits;
        PagedDocument now = made.now;
        if (own == null) own = OwnPages.of(original, WordLines::of);
        Original filled = filled(now, edits);
        OwnPages pages = own.of(filled);
        if (edits == TextEdits.Found.NOTHING) return made.with(new Result(pages, List.of()));
        List<Finding> findings = new ArrayList<>();
        Map<Integer, Rewritten> inPlace = CorrectedPages.inPlace(made.tries, findings);
        boolean told = now.document().facts().equals(before.facts());
        if (isWhole(edits, inPlace) && told) return made.with(new Result(pages.with(inPlace), findings));
        tellBeyond(edits, findings);
        if (edits == null || taken.provenance().sheets().size() != own.count()) return made.with(new Result(now, findings));
        if (anew == null) anew = new PagesAnew(own, before, taken.provenance(), heads, Set.of());
        Set<Integer> wanted = new TreeSet<>(edits.beyond());
        for (int page : edits.byPage().keySet()) if (!inPlace.containsKey(page)) wanted.add(page);
        RevisedPages revised = anew.of(now, edits, filled, new PagesAnew.Wished(wanted, inPlace, following.numbers()), all -> showing(all, made), findings,
                progress);
        return made.with(new Result(revised == null ? now : revised, findings));
    }

    /** The file with what is filled into its fields: on its pages, or else in the text where controls stand for them. */
    private Original filled(PagedDocument now, TextEdits.Found edits) {
        Map<String, String> answers = new TreeMap<>(edits == null ? Map.of() : edits.answers().byName());
        answers.putAll(now.document().answers());
        return original.with(answers);
    }

    /** With the text where it stands on pages that are the file's own. */
    private synchronized RevisedPages showing(RevisedPages pages, Made made) {
        PagedDocument laid = (PagedDocument) pages.shown();
        return pages.showing(laid.on(standing.of(laid, pages, reset(made), headsOf(made))));
    }

    /** Why pages are set anew on which more was edited than words that can be put in their place. */
    private static void tellBeyond(TextEdits.Found edits, List<Finding> findings) {
        if (edits == null) findings.add(Finding.changed(Message.of("open.more-than-text-was-changed")));
        else for (int page : edits.beyond()) findings.add(Finding.changed(Message.of("open.more-than-words-was-changed")).at(Finding.page(page)));
    }

    /** With headings that were found in the text, where they stand on the file's own pages. */
    private Made bookmarked(Made made) {
        if (!(made.result.pages instanceof OwnPages kept)) return made;
        List<Pages.Heading> found = taken.provenance().sheets().size() != own.count() ? made.now.headings() : made.now.on(shown(made, kept)).headings();
        return made.with(new Result(kept.with(found), made.result.findings));
    }

    /** With what became of its headings: bookmarks and tags of the file follow. */
    private Made retold(Made made) {
        Pages pages = made.result.pages;
        if (made.edits == TextEdits.Found.NOTHING || pages.original().isEmpty()) return made;
        HeadingChanges changes = changes(made.now);
        if (pages instanceof RevisedPages revised) return made.with(new Result(revised.retold(changes.on(standing(made), pages)), made.result.findings));
        if (changes.isNothing() || !(pages instanceof OwnPages kept)) return made;
        return made.with(new Result(kept.retold(changes.on(standing(made), kept)), made.result.findings));
    }

    private HeadingChanges changes(PagedDocument now) {
        if (headings == null) headings = HeadingChanges.came(text);
        return new HeadingChanges(text, headings, now);
    }

    /** The document with its text where it stands on the pages. */
    private PagedDocument standing(Made made) {
        return made.result.pages instanceof RevisedPages revised ? (PagedDocument) revised.shown() : made.now.on(shown(made, made.result.pages));
    }

    private List<Page> shown(Made made, Pages pages) {
        if (pages instanceof RevisedPages revised) return revised.pages();
        return standing.of(made.now, pages, made.edits == null ? null : reset(made), headsOf(made));
    }

    /** With what was remarked, answered and taken out on pages that are the file's. */
    private Result noted(Made made) {
        Result result = made.result;
        if (result.pages.original().isEmpty()) return result;
        List<Note> notes = NoteChanges.between(before, made.now.document(), () -> shown(made, result.pages));
        if (notes.isEmpty()) return result;
        Original noted = result.pages.original().get().noted(notes);
        return new Result(result.pages instanceof OwnPages kept ? kept.of(noted) : ((RevisedPages) result.pages).of(noted), result.findings);
    }

    /** What comes of the corrections, page by page; of pages where more was edited nothing is tried. */
    private Map<Integer, Tried> tries(TextEdits.Found edits) {
        if (edits == null) return Map.of();
        Map<Integer, List<Correction>> wished = new TreeMap<>();
        edits.byPage().forEach((page, some) -> {
            if (!edits.beyond().contains(page)) wished.put(page, some.stream().map(TextEdits.Edit::correction).toList());
        });
        return corrected.tried(wished, edits.beyond());
    }

    /** Whether every page on which something was edited was corrected in place. */
    private static boolean isWhole(TextEdits.Found edits, Map<Integer, Rewritten> inPlace) {
        return edits != null && edits.beyond().isEmpty() && inPlace.keySet().containsAll(edits.byPage().keySet());
    }

    /** What was put in place, by the paragraphs as they came. */
    private Map<Paragraph, Map<Integer, List<Item.LineItem>>> reset(Made made) {
        TextEdits.Found edits = made.edits;
        Map<Paragraph, Map<Integer, List<Item.LineItem>>> reset = new IdentityHashMap<>();
        if (edits != null) edits.byPage().forEach((page, some) -> {
            Rewritten one = made.rewritten(page);
            boolean stands = one != null && !edits.beyond().contains(page);
            for (int i = 0; i < some.size() && !some.get(i).isLabel() && walk.indexOf(some.get(i).old()) >= 0; i++) {
                TextEdits.Edit edit = some.get(i);
                Paragraph key = edit.isOfRows() ? edit.nows().get(0) : edit.old();
                if (!edit.isOfRows()) edit.olds().forEach(old -> reset.put(old, Map.of()));
                if (!stands && edit.isPlain() && !edit.isGone()) reset.put(key, lines.staying(edit.old(), edit.nows().get(0), edit.from(), edit.to()));
                if (stands && !edit.isGone()) reset.put(key, lines.of(edit, made::rewritten, one.reset().get(i)));
            }
        });
        if (edits == null) return reset;
        for (List<OtherEdit> some : List.of(edits.others(), edits.answers().edits())) for (OtherEdit other : some)
            reset.put(other.old(), other.now() == null ? Map.of() : lines.staying(other.old(), other.now(), other.from(), other.to()));
        edits.described().forEach((old, fresh) -> reset.put(old, lines.as(old, fresh)));
        return reset;
    }

    /** The headers and footers on each page of the file, so that they can be written on there. */
    private IntFunction<List<Item>> headsOf(Made made) {
        TextEdits.Found edits = made.edits;
        Map<Integer, List<TextEdits.Edit>> byPage = edits == null || edits.heads().isEmpty() ? Map.of() : edits.byPage();
        return page -> {
            List<Item> items = new ArrayList<>();
            for (StandingHeads.One one : heads.on(page)) {
                Paragraph paragraph = one.in(made.now.document());
                if (paragraph == null) continue;
                List<TextEdits.Edit> here = byPage.getOrDefault(page, List.of());
                int at = -1;
                for (int i = 0; i < here.size(); i++) if (here.get(i).old() == one.paragraph()) at = i;
                Rewritten rewritten = at < 0 || edits.beyond().contains(page) ? null : made.rewritten(page);
                if (at < 0 && !paragraph.equals(one.paragraph()) || at >= 0 && rewritten == null) continue;
                Rewritten.Reset reset = at < 0 ? null : rewritten.reset().get(at);
                HeadLines known = headLines.get(one);
                if (known == null || known.paragraph != paragraph || known.reset != reset) {
                    known = new HeadLines(paragraph, reset, List.copyOf(reset == null ? GroundLines.of(one, paragraph)
                            : GroundLines.of(one, here.get(at), made::rewritten, reset)));
                    headLines.put(one, known);
                }
                items.addAll(known.lines);
            }
            return items;
        };
    }

    @Override public void close() {
        corrected.close();
        synchronized (this) {
            corrected.forget();
        }
    }
}
