package app.decant.desktop.work;

import app.decant.Intake;
import app.decant.Revision;
import app.decant.desktop.part.Words;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Look;
import app.decant.document.Paragraph;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.TrackedChanges;
import app.decant.document.Walk;
import app.decant.edit.CellSelection;
import app.decant.edit.Change;
import app.decant.edit.FollowingContents;
import app.decant.edit.History;
import app.decant.edit.Selection;
import app.decant.edit.TextSelection;
import app.decant.font.FontCatalogue;
import app.decant.format.Taken;
import app.decant.format.sheet.SeparatedValues;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.page.Original;
import app.decant.page.Page;
import app.decant.pdf.Attachment;
import app.decant.pdf.form.FileForm;
import app.decant.pdf.keep.GroundPainter;
import app.decant.proof.Comparison;
import app.decant.publish.Recipe;
import app.decant.publish.SafeFile;
import app.decant.publish.Target;
import app.decant.recover.FixedFormat;
import app.decant.sheet.SheetChoice;
import app.decant.sheet.Workbook;
import app.decant.words.Message;
import java.nio.file.Path;
import java.time.LocalTime;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.List;
import java.util.Queue;
import java.util.concurrent.Executor;
import java.util.concurrent.ScheduledExecutorService;
import java.util.function.Consumer;
import javafx.animation.PauseTransition;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.util.Duration;
import org.slf4j.LoggerFactory;

/**
 * One document that is being worked on: its state, what is picked in it, its pages, its history. Edits are made at once on the JavaFX thread, since they only
 * make new values; pages follow from a thread of their own, and always those of the newest document. Read from outside, changed through its own doors.
 */
public final class Session {
    /** Letters typed within it are undone together. */
    private static final long ONE_BREATH = 1_500_000_000L;
    /** After so long without a change, what was put into the file's own pages is looked at as it will be before it is published. */
    private static final Duration REST = Duration.millis(600);

    private final ReadOnlyObjectWrapper<PagedDocument> pages = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<TextSelection> selection = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<Look> nextLook = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<Comparison> faith = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<LocalTime> kept = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyBooleanWrapper changed = new ReadOnlyBooleanWrapper();
    private final Source source;
    private final Threads threads;
    private final Consumer<DecantException> trouble;
    private final Revision revision;
    private final GroundPainter ground;
    private final Keeping keeping;
    private final Sheets sheets;
    /** The tables for which the pages of sheets are being made. */
    private PagedDocument making;
    private final ReadOnlyObjectWrapper<PagedDocument> settled = new ReadOnlyObjectWrapper<>();
    private PagedDocument settledOf;
    private Recipe.Changes settledAs;
    private Document countedOf;
    private int trackedChanges;
    private final History history = new History();
    private final Queue<Runnable> waiting = new ArrayDeque<>();
    private final PauseTransition rest = new PauseTransition(REST);
    private Layout layout;
    private Document document;
    private PagedDocument laid;
    private PagedDocument shown;
    private boolean layingOut;
    private boolean asText;
    private long lastChange;
    private boolean toldUnkept;
    private Intake intake;
    private PagedDocument intakeOf;
    /** The state that lies in a file of the user's, or that the document came in with. */
    private Document saved;

    /** Where work off the JavaFX thread is done: laying out, keeping a copy, and all else that may take a while. */
    record Threads(Executor layout, ScheduledExecutorService keeping, Executor work) { }

    /**
     * Where the document came from, and what was found when it was taken in.
     *
     * @param print by which its file is known again
     * @param bookmarked whether it is a PDF with bookmarks of its own
     * @param inside the document that a PDF was made from, where that travels inside it; else null
     */
    public record Source(Path file, Taken taken, String password, String print, boolean bookmarked, Attachment inside) {
        public String name() { return file.getFileName().toString(); }

        public boolean isPdf() { return taken.format() == FixedFormat.PDF; }

        /** The name without its ending. */
        public String title() { return SafeFile.withoutEnding(name()); }
    }

    /**
     * A document that was taken in, and what is known of it by then.
     *
     * @param laid     its pages as they are laid out
     * @param original the file, where it is a PDF; else null
     * @param revision of it, likewise
     * @param shown    its pages as they are shown
     * @param sheets   of a workbook; else null
     * @param restored what was made of it in a session that was cut short; else null
     */
    record Opened(Source source, Layout layout, PagedDocument laid, Original original, Revision revision, PagedDocument shown, Sheets sheets,
            Document restored) {
        Opened restoring(Document other) { return new Opened(source, layout, laid, original, revision, shown, sheets, other); }
    }

    /**
     * @param copy    that it is kept in, or null
     * @param trouble hears what goes wrong
     */
    Session(Opened opened, Threads threads, WorkingCopy copy, Consumer<DecantException> trouble) {
        this.source = opened.source;
        this.threads = threads;
        this.trouble = trouble;
        keeping = new Keeping(threads.keeping, copy, this::kept);
        revision = opened.revision;
        ground = opened.original == null ? null : new GroundPainter(opened.original);
        layout = opened.layout;
        sheets = opened.sheets;
        laid = opened.laid;
        saved = source.taken.document();
        document = opened.restored == null ? saved : opened.restored;
        history.begin(document);
        shown = opened.shown;
        pages.set(shown);
        List<Walk.Stop> stops = laid.walk().stops();
        selection.addListener((observed, before, now) -> nextLook.set(null));
        selection.set(stops.isEmpty() ? null : TextSelection.caret(new Place(stops.get(0).path(), 0)));
        rest.setOnFinished(event -> lookAgain());
        if (opened.restored == null) return;
        changed.set(true);
        layOut();
        keeping.soon(document);
    }

    Source source() { return source; }
    Document document() { return document; }
    /** The pages as they are shown: those that would be published, or those of the text alone. */
    ReadOnlyObjectProperty<PagedDocument> pages() { return pages.getReadOnlyProperty(); }
    ReadOnlyObjectProperty<TextSelection> selection() { return selection.getReadOnlyProperty(); }
    /** The look picked at a bare caret for what is typed there; gone as soon as the caret moves. */
    ReadOnlyObjectProperty<Look> nextLook() { return nextLook.getReadOnlyProperty(); }
    /** How faithful the text is to the PDF it came from, as it was taken in; null until that is known. */
    ReadOnlyObjectProperty<Comparison> faith() { return faith.getReadOnlyProperty(); }
    /** When it was kept last; null where it never was. */
    ReadOnlyObjectProperty<LocalTime> kept() { return kept.getReadOnlyProperty(); }
    ReadOnlyBooleanProperty changed() { return changed.getReadOnlyProperty(); }
    boolean canUndo() { return history.canUndo(); }
    boolean canRedo() { return history.canRedo(); }
    /** The fields of a PDF's own form. */
    public FileForm form() { return revision == null ? FileForm.NONE : revision.form(); }
    /** Paints pages that are a file's own; null where the document came from no PDF. */
    public GroundPainter ground() { return ground; }
    /** The pages as they are laid out from the text, which other formats and pages set anew are made of. */
    PagedDocument laid() { return laid; }
    /** The pages of sheets; of a large workbook the beginnings of its tables until they are made. */
    private PagedDocument sheets(SheetChoice choice) {
        PagedDocument known = sheets.known(choice, laid);
        if (known != null || !sheets.isLarge()) return known != null ? known : sheets.pages(choice, laid);
        PagedDocument now = laid;
        if (making == now) return now;
        making = now;
        threads.work.execute(() -> {
            PagedDocument pages = null;
            try {
                pages = sheets.pages(choice, now);
            } finally {
                PagedDocument made = pages;
                Platform.runLater(() -> {
                    making = null;
                    if (made != null && laid == now) settled.set(made);
                });
            }
        });
        return now;
    }

    /** How values between separators were read; null for all other files. */
    public SeparatedValues separated() { return sheets == null ? null : sheets.separated(); }

    /** Whether it is a workbook too large to be shown as tables. */
    public boolean isLarge() { return sheets != null && sheets.isLarge(); }

    /** The pages that a recipe publishes. */
    public PagedDocument published(Recipe recipe) {
        if (isSheets()) return sheets(recipe.sheets());
        PagedDocument plain = recipe.keepsPages() ? shown : laid;
        if (!hasTrackedChanges() || recipe.target() != Target.PDF || recipe.changes().settled(Target.PDF) == null) return plain;
        if (settledOf == laid && settledAs == recipe.changes()) return settled.get();
        // Until they are laid out, they are shown as they are on the desk.
        PagedDocument now = laid;
        threads.work.execute(() -> {
            PagedDocument pages = (PagedDocument) intake(now).pages(recipe, Progress.SILENT);
            Platform.runLater(() -> {
                if (laid != now) return;
                settledOf = now;
                settledAs = recipe.changes();
                settled.set(pages);
            });
        });
        return plain;
    }

    /** The pages with tracked changes settled as was asked last; null until there are any. */
    public ReadOnlyObjectProperty<PagedDocument> settledPages() { return settled.getReadOnlyProperty(); }

    /** Whether anything that others changed waits in the document. */
    public boolean hasTrackedChanges() {
        if (countedOf != document) trackedChanges = TrackedChanges.count(document);
        countedOf = document;
        return trackedChanges > 0;
    }

    /** Whether it is a workbook that is published as the sheets it holds, since no more than cells was changed in the tables they stand in here. */
    public boolean isSheets() { return sheets != null && sheets.fits(document); }

    /** Whether it came from a workbook, and so much was changed in its tables that these are published. */
    boolean isTables() { return sheets != null && !isSheets(); }

    /**
     * A cell of a sheet, as it reads on the desk.
     *
     * @param name      as people write it: {@code B4}
     * @param formula   that it comes of, without its equals sign; null for none
     * @param isWritten whether the formula itself stands there, to be changed
     * @param text      all that stands in it
     */
    public record SheetCell(String sheet, String name, String formula, boolean isWritten, TextSelection text) { }

    /** The cell that the caret is in; null where it is in none of a workbook. */
    public SheetCell sheetCell() { return isSheets() ? sheets.cell(document, selection.get()) : null; }

    /** The workbook as it reads now; null where it came from none. */
    public Workbook workbook() { return sheets == null ? null : sheets.corrected(document).workbook(); }

    void pick(TextSelection span) { selection.set(span); }

    void dressNext(Look look) { nextLook.set(look); }

    void faith(Comparison made) { faith.set(made); }

    /** What was found taking the document in, and what its layout has to tell. */
    List<Finding> findings() {
        List<Finding> all = new ArrayList<>(source.taken.findings());
        all.addAll(laid.findings());
        return all;
    }

    /** Whether a paragraph of a PDF is not as it came. */
    public boolean isTouched(Paragraph paragraph) { return revision != null && revision.isTouched(paragraph); }

    /** Whether the pages of the text alone are shown, of a PDF that would be published as it is. */
    public boolean isAsText() { return asText; }

    public void showAsText(boolean wanted) {
        asText = wanted && revision != null;
        pages.set(asText ? laid : shown);
    }

    /** Makes a change to the document as it is now; contents lists follow. */
    void apply(Change made) {
        if (made.isNothing()) return;
        Change change = FollowingContents.of(made, laid != null && laid.document() == made.before() ? laid.outline() : null);
        document = change.after();
        long now = System.nanoTime();
        history.add(change, now - lastChange < ONE_BREATH);
        lastChange = now;
        afterChange(change.picked());
    }

    void undo() { if (history.canUndo()) back(history.undo()); }

    void redo() { if (history.canRedo()) back(history.redo()); }

    private void back(History.Turn turn) {
        document = turn.document();
        afterChange(turn.picked());
    }

    /** The document and what is picked in it change together; the pages follow. */
    private void afterChange(Selection selected) {
        changed.set(document != saved);
        selection.set(selected instanceof TextSelection text ? text : selected instanceof CellSelection cells ? cells.asText(document)
                : TextSelection.caret(selected.head()));
        layOut();
        keeping.soon(document);
    }

    /** Runs a task once the pages are those of the newest document: at once where they are. */
    void whenLaidOut(Runnable task) {
        if (isLaidOut()) task.run();
        else waiting.add(task);
    }

    /** Runs a task that needs no pages, such as typing: at once, unless others wait for pages that were wished for before it. */
    void inOrder(Runnable task) {
        if (waiting.isEmpty()) task.run();
        else waiting.add(task);
    }

    /** Whether anybody waits for pages. */
    boolean isAwaited() { return !waiting.isEmpty(); }

    /** Whether the pages are those of the newest document. */
    boolean isLaidOut() { return pages.get().document() == document && !layingOut; }

    private void layOut() {
        if (layingOut) return;
        layingOut = true;
        Document snapshot = document;
        Layout kept = layout;
        PagedDocument.Spot spot = revision == null ? pages.get().spot(selection.get().head()) : null;
        threads.layout.execute(() -> {
            try {
                PagedDocument made = again(kept, snapshot, spot == null ? -1 : spot.page());
                PagedDocument standing = revision == null ? made : revision.shown(made);
                Platform.runLater(() -> laidOut(made, standing));
            } catch (RuntimeException | StackOverflowError | OutOfMemoryError e) {
                LoggerFactory.getLogger(Session.class).error("Pages can't be laid out", e);
                Platform.runLater(() -> notLaidOut(snapshot, e));
            }
        });
    }

    /** Pages after an edit; where that fails on what is remembered of the pages before, all of them from nothing. */
    private PagedDocument again(Layout kept, Document snapshot, int looked) {
        try {
            return kept.next(snapshot, Progress.SILENT, looked, page -> Platform.runLater(() -> glimpsed(snapshot, page)));
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(Session.class).error("Laid out anew, since going on from the pages before failed", e);
            Layout fresh = new Layout(FontCatalogue.ofThisMachine());
            PagedDocument made = fresh.next(snapshot);
            Platform.runLater(() -> {
                if (layout == kept) layout = fresh;
            });
            return made;
        }
    }

    /** The page that is looked at is there before the others, which are still as they were. */
    private void glimpsed(Document snapshot, Page page) {
        if (document != snapshot || !layingOut || page.index() >= pages.get().count()) return;
        List<Page> others = new ArrayList<>(pages.get().pages());
        others.set(page.index(), page);
        pages.set(pages.get().on(others));
    }

    /** A step whose pages can't be made is taken back and told; work goes on from the last pages there are. */
    private void notLaidOut(Document failed, Throwable cause) {
        layingOut = false;
        if (document != failed) {
            layOut();
            return;
        }
        waiting.clear();
        layout = new Layout(FontCatalogue.ofThisMachine());
        trouble.accept(new DecantException(DecantException.Kind.UNFORESEEN, Message.said(Words.of("error.layout")), cause));
        Document shown = pages.get().document();
        while (document != shown && history.canUndo()) document = history.undo().document();
        document = shown;
        changed.set(document != saved);
        keeping.soon(document);
    }

    private void laidOut(PagedDocument made, PagedDocument standing) {
        layingOut = false;
        if (made.document() != document) {
            layOut();
            return;
        }
        laid = made;
        shown = standing;
        pages.set(asText ? laid : shown);
        if (revision != null) rest.playFromStart();
        while (!waiting.isEmpty() && !layingOut) waiting.poll().run();
    }

    /** Looks at the pages as closely as before they are published: what can't be put in place after all is shown set anew. */
    private void lookAgain() {
        PagedDocument now = laid;
        threads.work.execute(() -> {
            try {
                revision.published(now, Progress.SILENT);
                PagedDocument standing = revision.shown(now);
                Platform.runLater(() -> {
                    if (laid != now || !isLaidOut() || isSame(standing.pages(), shown.pages())) return;
                    shown = standing;
                    if (!asText) pages.set(shown);
                });
            } catch (DecantException e) {
                LoggerFactory.getLogger(Session.class).info("{}", e.getMessage(), e);
            }
        });
    }

    private static boolean isSame(List<Page> some, List<Page> others) {
        if (some.size() != others.size()) return false;
        for (int i = 0; i < some.size(); i++) if (some.get(i) != others.get(i)) return false;
        return true;
    }

    /** A state was kept, or could not be. */
    private void kept(Document snapshot, DecantException hindrance) {
        kept.set(hindrance == null ? LocalTime.now() : null);
        if (hindrance == null) {
            // What was typed while it was written is kept next.
            if (document != snapshot && changed.get()) keeping.soon(document);
            return;
        }
        if (!toldUnkept) trouble.accept(hindrance);
        toldUnkept = true;
    }

    /** What is published of the newest pages; kept until there are others, since looking what a PDF's pages became takes a while. */
    synchronized Intake intake(PagedDocument now) {
        if (intake == null || intakeOf != now) {
            intake = sheets != null && sheets.fits(now.document()) ? Intake.corrected(source.file, source.password, sheets.corrected(now.document()))
                    : Intake.revised(source.file, source.password, revision, now).telling(sheets == null ? List.of() : sheets.lostInTables());
            intakeOf = now;
        }
        return intake;
    }

    /** A state lies in a file; what was written since stays unsaved, and its working copy stays. */
    void saved(Document written) {
        saved = written;
        changed.set(document != saved);
        if (!changed.get()) keeping.discard();
    }

    /** Gives unsaved work up. */
    void discard() { saved(document); }

    /** Ends it: nothing of it is shown any more. A working copy is taken away only where nothing would be lost. */
    void close() {
        rest.stop();
        waiting.clear();
        if (!changed.get()) keeping.discard();
        // Whoever reads the file at the moment is waited for, but not here.
        Thread closing = new Thread(() -> {
            if (ground != null) ground.close();
            if (revision != null) revision.close();
        }, "closing");
        closing.setDaemon(true);
        closing.start();
    }
}
