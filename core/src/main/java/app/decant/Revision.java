package app.decant;

import app.decant.CorrectedPages.Tried;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Finding;
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
import org.slf4j.LoggerFactory;

/**
 * A PDF that was taken in and is being revised. Tells what it would be if it were published now: the file's own pages where nothing reached them, its own
 * with other words where those can be put in place, pages set anew where they can't. It is asked again after every edit, and remembers what it found.
 */
public final class Revision implements AutoCloseable {
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
    private volatile FileForm form;
    private final CorrectedPages corrected;
    private OwnPages own;

    /** The lines of a header on a page, and what they were made from. */
    private record HeadLines(Paragraph paragraph, Rewritten.Reset reset, List<Item> lines) { }

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
        TextEdits.Found edits;
        Map<Integer, Tried> tries;
        synchronized (this) {
            edits = edits(now);
            tries = tries(edits);
        }
        // Aside, since it takes a while: whoever writes on is not kept waiting.
        corrected.prove(tries, progress);
        synchronized (this) {
            return noted(retold(bookmarked(of(now, edits, tries, progress), now, edits, tries), now, edits, tries), now, edits, tries);
        }
    }

    /**
     * The pages as they would be published, to be looked at while somebody types: where the file's own are, the text stands as the file shows it. What was put
     * in place is believed until it is published. The pages as they are laid out where the file's can't be kept.
     */
    public synchronized PagedDocument shown(PagedDocument now) {
        try {
            TextEdits.Found edits = edits(now);
            Map<Integer, Tried> tries = tries(edits);
            Pages pages = of(now, edits, tries, Progress.SILENT).pages;
            if (pages == now || taken.provenance().sheets().size() != own.count()) return now;
            return pages instanceof RevisedPages revised ? (PagedDocument) revised.shown() : now.on(shown(now, pages, edits, tries));
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
        TextEdits.Found edits = edits(now);
        if (edits == null || !edits.beyond().isEmpty() || !edits.edits().stream().allMatch(TextEdits.Edit::isPlain)) return null;
        Map<Integer, Rewritten> inPlace = CorrectedPages.inPlace(tries(edits), new ArrayList<>());
        return isWhole(edits, inPlace) ? FoundStructure.of(now, taken.provenance(), edits, inPlace) : null;
    }

    private TextEdits.Found edits(PagedDocument now) {
        if (now.document() == before || now.document().equals(before)) return TextEdits.Found.NOTHING;
        return TextEdits.between(text, now.document(), now.walk(), new FieldAnswers(this::form));
    }

    private Result of(PagedDocument now, TextEdits.Found edits, Map<Integer, Tried> tries, Progress progress) {
        if (own == null) own = OwnPages.of(original, WordLines::of);
        Original filled = filled(now, edits);
        OwnPages pages = own.of(filled);
        if (edits == TextEdits.Found.NOTHING) return new Result(pages, List.of());
        List<Finding> findings = new ArrayList<>();
        Map<Integer, Rewritten> inPlace = CorrectedPages.inPlace(tries, findings);
        boolean told = now.document().facts().equals(before.facts());
        if (isWhole(edits, inPlace) && told) return new Result(pages.with(inPlace), findings);
        tellBeyond(edits, findings);
        if (edits == null || taken.provenance().sheets().size() != own.count()) return new Result(now, findings);
        if (anew == null) anew = new PagesAnew(own, before, taken.provenance(), heads, Set.of());
        Set<Integer> wanted = new TreeSet<>(edits.beyond());
        for (int page : edits.byPage().keySet()) if (!inPlace.containsKey(page)) wanted.add(page);
        RevisedPages revised = anew.of(now, edits, filled, new PagesAnew.Wished(wanted, inPlace),
                made -> showing(made, now, edits, tries), findings, progress);
        return new Result(revised == null ? now : revised, findings);
    }

    /** The file with what is filled into its fields: on its pages, or else in the text where controls stand for them. */
    private Original filled(PagedDocument now, TextEdits.Found edits) {
        Map<String, String> answers = new TreeMap<>(edits == null ? Map.of() : edits.answers().byName());
        answers.putAll(now.document().answers());
        return original.with(answers);
    }

    /** With the text where it stands on pages that are the file's own. */
    private synchronized RevisedPages showing(RevisedPages made, PagedDocument now, TextEdits.Found edits, Map<Integer, Tried> tries) {
        PagedDocument laid = (PagedDocument) made.shown();
        return made.showing(laid.on(standing.of(laid, made, reset(edits, tries), headsOf(now, edits, tries))));
    }

    /** Why pages are set anew on which more was edited than words that can be put in their place. */
    private static void tellBeyond(TextEdits.Found edits, List<Finding> findings) {
        if (edits == null) findings.add(Finding.changed(Message.of("open.more-than-text-was-changed")));
        else for (int page : edits.beyond()) findings.add(Finding.changed(Message.of("open.more-than-words-was-changed")).at(Finding.page(page)));
    }

    /** With headings that were found in the text, where they stand on the file's own pages. */
    private Result bookmarked(Result result, PagedDocument now, TextEdits.Found edits, Map<Integer, Tried> tries) {
        if (!(result.pages instanceof OwnPages kept)) return result;
        List<Pages.Heading> found = taken.provenance().sheets().size() != own.count() ? now.headings() : now.on(shown(now, kept, edits, tries)).headings();
        return new Result(kept.with(found), result.findings);
    }

    /** With what became of its headings: bookmarks and tags of the file follow. */
    private Result retold(Result result, PagedDocument now, TextEdits.Found edits, Map<Integer, Tried> tries) {
        if (edits == TextEdits.Found.NOTHING || result.pages.original().isEmpty()) return result;
        HeadingChanges changes = new HeadingChanges(before, walk, now, taken.provenance());
        if (result.pages instanceof RevisedPages revised)
            return new Result(revised.retold(changes.on((PagedDocument) revised.shown(), revised)), result.findings);
        if (changes.isNothing() || !(result.pages instanceof OwnPages kept)) return result;
        return new Result(kept.retold(changes.on(now.on(shown(now, kept, edits, tries)), kept)), result.findings);
    }

    private List<Page> shown(PagedDocument now, Pages pages, TextEdits.Found edits, Map<Integer, Tried> tries) {
        if (pages instanceof RevisedPages revised) return revised.pages();
        return standing.of(now, pages, edits == null ? null : reset(edits, tries), headsOf(now, edits, tries));
    }

    /** With what was remarked, answered and taken out on pages that are the file's. */
    private Result noted(Result result, PagedDocument now, TextEdits.Found edits, Map<Integer, Tried> tries) {
        if (result.pages.original().isEmpty()) return result;
        List<Note> notes = NoteChanges.between(before, now.document(), () -> shown(now, result.pages, edits, tries));
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
    private Map<Paragraph, Map<Integer, List<Item.LineItem>>> reset(TextEdits.Found edits, Map<Integer, Tried> tries) {
        Map<Paragraph, Map<Integer, List<Item.LineItem>>> reset = new IdentityHashMap<>();
        if (edits != null) edits.byPage().forEach((page, some) -> {
            Tried one = tries.get(page);
            boolean stands = one != null && one.refused() == null && !edits.beyond().contains(page);
            for (int i = 0; i < some.size() && !some.get(i).isLabel() && walk.indexOf(some.get(i).old()) >= 0; i++) {
                TextEdits.Edit edit = some.get(i);
                Paragraph key = edit.isOfRows() ? edit.nows().get(0) : edit.old();
                if (!edit.isOfRows()) edit.olds().forEach(old -> reset.put(old, Map.of()));
                if (!stands && edit.isPlain() && !edit.isGone()) reset.put(key, lines.staying(edit.old(), edit.nows().get(0), edit.from(), edit.to()));
                if (stands && !edit.isGone()) reset.put(key, lines.of(edit, at -> rewritten(tries, at), one.page().reset().get(i)));
            }
        });
        if (edits == null) return reset;
        for (List<OtherEdit> some : List.of(edits.others(), edits.answers().edits())) for (OtherEdit other : some)
            reset.put(other.old(), other.now() == null ? Map.of() : lines.staying(other.old(), other.now(), other.from(), other.to()));
        edits.described().forEach((old, fresh) -> reset.put(old, lines.as(old, fresh)));
        return reset;
    }

    /** A page as it is rewritten; null where it is not. */
    private static Rewritten rewritten(Map<Integer, Tried> tries, int page) {
        Tried one = tries.get(page);
        return one == null || one.refused() != null ? null : one.page();
    }

    /** The headers and footers on each page of the file, so that they can be written on there. */
    private IntFunction<List<Item>> headsOf(PagedDocument now, TextEdits.Found edits, Map<Integer, Tried> tries) {
        Map<Integer, List<TextEdits.Edit>> byPage = edits == null || edits.heads().isEmpty() ? Map.of() : edits.byPage();
        return page -> {
            List<Item> items = new ArrayList<>();
            for (StandingHeads.One one : heads.on(page)) {
                Paragraph paragraph = one.in(now.document());
                if (paragraph == null) continue;
                List<TextEdits.Edit> here = byPage.getOrDefault(page, List.of());
                int at = -1;
                for (int i = 0; i < here.size(); i++) if (here.get(i).old() == one.paragraph()) at = i;
                Tried tried = at < 0 || edits.beyond().contains(page) ? null : tries.get(page);
                if (at < 0 && !paragraph.equals(one.paragraph()) || at >= 0 && (tried == null || tried.refused() != null)) continue;
                Rewritten.Reset reset = at < 0 ? null : tried.page().reset().get(at);
                HeadLines known = headLines.get(one);
                if (known == null || known.paragraph != paragraph || known.reset != reset) {
                    known = new HeadLines(paragraph, reset, List.copyOf(reset == null ? GroundLines.of(one, paragraph)
                            : GroundLines.of(one, here.get(at), other -> rewritten(tries, other), reset)));
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
