package app.decant.desktop;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Look;
import app.decant.document.Place;
import app.decant.document.Progress;
import app.decant.document.Walk;
import app.decant.edit.Change;
import app.decant.edit.FollowingContents;
import app.decant.edit.History;
import app.decant.edit.Selection;
import app.decant.edit.TextSelection;
import app.decant.font.FontCatalogue;
import app.decant.format.Formats;
import app.decant.format.Taken;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.pdf.Attachment;
import app.decant.proof.Comparison;
import app.decant.publish.Order;
import app.decant.publish.Output;
import app.decant.publish.Publisher;
import app.decant.publish.Receipt;
import app.decant.publish.ReceiptFile;
import app.decant.publish.Recipe;
import app.decant.publish.SafeFile;
import app.decant.publish.Target;
import app.decant.publish.TimeLimit;
import app.decant.publish.UserFolder;
import app.decant.recover.FixedFormat;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.Charset;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalTime;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.beans.property.BooleanProperty;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.SimpleBooleanProperty;
import javafx.beans.property.SimpleObjectProperty;
import org.slf4j.LoggerFactory;

/**
 * What is being worked on: one document, what is picked in it, its pages. Edits are made at once on the JavaFX thread, since they only make new
 * values; pages follow from a thread of their own, and always those of the newest document.
 */
final class Desk {
    /** A document that takes longer to come in is given up. */
    private static final Duration LONGEST = Duration.ofMinutes(10);
    private static final long KEPT_WITHIN = 900;
    /** Letters typed within it are undone together. */
    private static final long ONE_BREATH = 1_500_000_000L;
    private final Settings settings;
    private final ExecutorService layoutThread = Executors.newSingleThreadExecutor(task -> daemon(task, "layout"));
    private final ExecutorService workThread = Executors.newSingleThreadExecutor(task -> daemon(task, "work"));
    private final ScheduledExecutorService keeper = Executors.newSingleThreadScheduledExecutor(task -> daemon(task, "working copy"));
    private final ObjectProperty<PagedDocument> pages = new SimpleObjectProperty<>();
    private final ObjectProperty<TextSelection> selection = new SimpleObjectProperty<>();
    private final ObjectProperty<Look> nextLook = new SimpleObjectProperty<>();
    private final ObjectProperty<Source> source = new SimpleObjectProperty<>();
    private final ObjectProperty<Coming> coming = new SimpleObjectProperty<>();
    private final ObjectProperty<Comparison> faith = new SimpleObjectProperty<>();
    private final ObjectProperty<Job> job = new SimpleObjectProperty<>();
    private final ObjectProperty<DecantException> trouble = new SimpleObjectProperty<>();
    private final ObjectProperty<Receipt> receipt = new SimpleObjectProperty<>();
    private final ObjectProperty<LocalTime> kept = new SimpleObjectProperty<>();
    private final BooleanProperty changed = new SimpleBooleanProperty();
    private final History history = new History();
    private final Queue<Runnable> waiting = new ArrayDeque<>();
    private Runnable opened;
    private Layout layout;
    private Document document;
    private boolean layingOut;
    private long lastChange;
    private Path wanted;
    private WorkingCopy copy;
    private ScheduledFuture<?> keeping;
    /** The state that the working copy is to hold next. */
    private volatile Document newest;
    private boolean toldUnkept;
    private Intake intake;
    private PagedDocument intakeOf;
    private List<Receipt> others = List.of();
    /** The state that lies in a file of the user's, or that the document came in with. */
    private Document saved;
    private Consumer<Runnable> asking = Runnable::run;
    private DecantException remediable;
    private Consumer<Recipe.WhenPresent> remedy;

    /**
     * Where the document came from, and what was found when it was taken in.
     *
     * @param print by which its file is known again
     * @param bookmarked whether it is a PDF with bookmarks of its own
     * @param inside the document that a PDF was made from, where that travels inside it; else null
     */
    record Source(Path file, Taken taken, String password, String print, boolean bookmarked, Attachment inside) {
        String name() { return file.getFileName().toString(); }

        boolean isPdf() { return taken.format() == FixedFormat.PDF; }

        /** The name without its ending. */
        String title() { return SafeFile.withoutEnding(name()); }
    }

    /** A PDF that is being taken in: its pages can be looked at already. */
    record Coming(Path file, String password) { }

    Desk(Settings settings) {
        this.settings = settings;
        selection.addListener((observed, before, now) -> nextLook.set(null));
    }

    /** Reads the list of fonts ahead of the first document; called once the window is there. */
    void getReady() { if (!layoutThread.isShutdown()) layoutThread.execute(FontCatalogue::ofThisMachine); }

    private static Thread daemon(Runnable task, String name) {
        Thread thread = new Thread(task, name);
        thread.setDaemon(true);
        return thread;
    }

    ObjectProperty<PagedDocument> pages() { return pages; }
    ObjectProperty<TextSelection> selection() { return selection; }
    /** The look picked at a bare caret for what is typed there; gone as soon as the caret moves. */
    ObjectProperty<Look> nextLook() { return nextLook; }
    ObjectProperty<Source> source() { return source; }
    ObjectProperty<Coming> coming() { return coming; }
    /** How faithful the document is to the PDF it came from, as it was taken in; null until that is known. */
    ObjectProperty<Comparison> faith() { return faith; }
    ObjectProperty<Job> job() { return job; }
    ObjectProperty<DecantException> trouble() { return trouble; }
    ObjectProperty<Receipt> receipt() { return receipt; }
    /** The receipts of what was made in the same go as that of {@link #receipt()}. */
    List<Receipt> others() { return others; }
    ObjectProperty<LocalTime> kept() { return kept; }
    BooleanProperty changed() { return changed; }
    Document document() { return document; }
    Settings settings() { return settings; }
    boolean canUndo() { return history.canUndo(); }
    boolean canRedo() { return history.canRedo(); }

    /** What was found taking the document in, and what its layout has to tell. */
    List<Finding> findings() {
        List<Finding> all = new ArrayList<>();
        if (source.get() != null) all.addAll(source.get().taken().findings());
        if (pages.get() != null) all.addAll(pages.get().findings());
        return all;
    }

    /** Takes a file in; the original is only read. */
    void open(Path file, String password) { open(file, password, progress -> Decant.open(file, password, progress)); }

    /** Takes in the document that the open PDF was made from; it is laid where only this user reads. */
    void openInside() {
        Source pdf = source.get();
        Path folder = UserFolder.ready(Decant.home().resolve("inside")).resolve(pdf.print.substring(0, 16));
        try {
            Files.createDirectories(folder);
            Path file = folder.resolve(pdf.inside.name());
            if (!Files.exists(file)) Files.write(file, pdf.inside.bytes());
            open(file, null);
        } catch (IOException e) {
            LoggerFactory.getLogger(Desk.class).warn("{} can't be laid out of its PDF", pdf.inside.name(), e);
            trouble.set(new DecantException(DecantException.Kind.TARGET_LOCKED, pdf.inside.name() + " can't be taken out of the PDF: " + folder
                    + " can't be written to.", e));
        }
    }

    /** Takes plain text in whose encoding is known. */
    void openText(Path file, Charset letters) { open(file, null, progress -> Decant.openText(file, letters)); }

    private void open(Path file, String password, Job.Work<Taken> reading) {
        Document before = document;
        Job opening = new Job(Words.of("job.opening", file.getFileName()));
        job.set(opening);
        trouble.set(null);
        if (isPdf(file)) coming.set(new Coming(file, password));
        // On a thread of its own: the open document is laid out while another comes in.
        opening.start(task -> daemon(task, "opening").start(), progress -> TimeLimit.run(LONGEST, progress, (gate, told) -> {
            Taken taken = read(reading, told);
            Layout fresh = new Layout(FontCatalogue.ofThisMachine());
            boolean pdf = taken.format() == FixedFormat.PDF;
            return new Opened(taken, fresh, fresh.next(taken.document(), told), pdf ? Intake.fingerprint(file) : null,
                    pdf && Intake.hasBookmarks(file, password), pdf ? Decant.sourceInside(file, password).orElse(null) : null);
        }), opened -> {
            job.set(null);
            Document now = document;
            Runnable replace = () -> {
                show(file, password, opened);
                coming.set(null);
                Runnable next = this.opened;
                this.opened = null;
                if (next != null) next.run();
            };
            // Somebody may have gone on writing in the open document meanwhile.
            if (now != before && changed.get() || !waiting.isEmpty()) asking.accept(replace);
            else replace.run();
        }, problem -> {
            job.set(null);
            coming.set(null);
            wanted = file;
            // A file that wants its password is opened again; what was to follow still follows.
            if (problem.kind() != DecantException.Kind.NEEDS_PASSWORD) this.opened = null;
            if (problem.kind() != DecantException.Kind.CANCELLED) trouble.set(problem);
        });
    }

    private static Taken read(Job.Work<Taken> reading, Progress progress) {
        try {
            return reading.run(progress);
        } catch (RuntimeException e) {
            throw e;
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }

    /** How somebody is asked before a document takes the place of one with changes. */
    void asking(Consumer<Runnable> other) { asking = other; }

    /** What makes the output that failed once more, with another rule for a file that is there; null where the trouble told is no such. */
    Consumer<Recipe.WhenPresent> remedy() { return trouble.get() != null && trouble.get() == remediable ? remedy : null; }

    /** Runs a task once the document that is being opened is in; nothing happens if it cannot be. */
    void whenOpened(Runnable task) { opened = task; }

    /** The file that could not be opened for want of a password. */
    Path wanted() { return wanted; }

    private record Opened(Taken taken, Layout layout, PagedDocument pages, String print, boolean bookmarked, Attachment inside) { }

    private static boolean isPdf(Path file) {
        try (InputStream in = Files.newInputStream(file)) {
            return Formats.of(in.readNBytes(2048)) == FixedFormat.PDF;
        } catch (IOException | DecantException e) {
            // Taking it in tells what is wrong with it.
            return false;
        }
    }

    private void compare(Source taken, PagedDocument laidOut) {
        workThread.execute(() -> {
            try {
                Comparison made = Decant.faith(taken.file(), taken.password(), laidOut, Progress.SILENT);
                Platform.runLater(() -> {
                    if (source.get() == taken) faith.set(made);
                });
            } catch (DecantException e) {
                LoggerFactory.getLogger(Desk.class).warn("{}", e.getMessage(), e);
            }
        });
    }

    private void show(Path file, String password, Opened opened) {
        if (copy != null) copy.discard();
        layout = opened.layout;
        document = opened.taken.document();
        saved = document;
        newest = document;
        // What waits was meant for the document before.
        waiting.clear();
        changed.set(false);
        kept.set(null);
        receipt.set(null);
        List<Walk.Stop> stops = opened.pages.walk().stops();
        TextSelection start = stops.isEmpty() ? null : TextSelection.caret(new Place(stops.get(0).path(), 0));
        history.begin(document);
        copy = settings.isForgetful() ? null : new WorkingCopy(Decant.home().resolve("working"), file, password);
        faith.set(null);
        Source taken = new Source(file, opened.taken, password, opened.print, opened.bookmarked, opened.inside);
        pages.set(opened.pages);
        source.set(taken);
        selection.set(start);
        settings.opened(file);
        if (taken.isPdf()) compare(taken, opened.pages);
    }

    /** Makes a change to the document as it is now; contents lists follow. */
    void apply(Change made) {
        if (document == null || made.isNothing()) return;
        Change change = FollowingContents.of(made);
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
        selection.set(selected instanceof TextSelection text ? text : TextSelection.caret(selected.head()));
        layOut();
        keepSoon();
    }

    /** Runs a task once the pages are those of the newest document: at once where they are. */
    void whenLaidOut(Runnable task) {
        if (document == null) return;
        if (isLaidOut()) task.run();
        else waiting.add(task);
    }

    /** Runs a task that needs no pages, such as typing: at once, unless others wait for pages that were wished for before it. */
    void inOrder(Runnable task) {
        if (document == null) return;
        if (waiting.isEmpty()) task.run();
        else waiting.add(task);
    }

    /** Whether the pages are those of the newest document. */
    boolean isLaidOut() { return pages.get() != null && pages.get().document() == document && !layingOut; }

    private void layOut() {
        if (layingOut) return;
        layingOut = true;
        Document snapshot = document;
        Layout kept = layout;
        layoutThread.execute(() -> {
            try {
                PagedDocument made = again(kept, snapshot);
                Platform.runLater(() -> laidOut(made));
            } catch (RuntimeException | StackOverflowError | OutOfMemoryError e) {
                LoggerFactory.getLogger(Desk.class).error("Pages can't be laid out", e);
                Platform.runLater(() -> notLaidOut(snapshot, e));
            }
        });
    }

    /** Pages after an edit; where that fails on what is remembered of the pages before, all of them from nothing. */
    private PagedDocument again(Layout kept, Document snapshot) {
        try {
            return kept.next(snapshot);
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(Desk.class).error("Laid out anew, since going on from the pages before failed", e);
            Layout fresh = new Layout(FontCatalogue.ofThisMachine());
            PagedDocument made = fresh.next(snapshot);
            Platform.runLater(() -> {
                if (layout == kept) layout = fresh;
            });
            return made;
        }
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
        trouble.set(new DecantException(DecantException.Kind.UNFORESEEN, Words.of("error.layout"), cause));
        Document shown = pages.get().document();
        while (document != shown && history.canUndo()) document = history.undo().document();
        document = shown;
        changed.set(document != saved);
        keepSoon();
    }

    private void laidOut(PagedDocument made) {
        layingOut = false;
        if (made.document() != document) {
            layOut();
            return;
        }
        pages.set(made);
        while (!waiting.isEmpty() && !layingOut) waiting.poll().run();
    }

    /** Keeps the newest state within a moment, however steadily somebody types. */
    private void keepSoon() {
        newest = document;
        if (copy == null || keeping != null && !keeping.isDone()) return;
        WorkingCopy into = copy;
        keeping = keeper.schedule(() -> keep(into), KEPT_WITHIN, TimeUnit.MILLISECONDS);
    }

    private void keep(WorkingCopy into) {
        Document snapshot = newest;
        try {
            into.keep(snapshot);
            Platform.runLater(() -> {
                kept.set(LocalTime.now());
                // What was typed while it was written is kept next.
                if (into == copy && document != snapshot && changed.get()) keepSoon();
            });
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(Desk.class).warn("The working copy can't be kept", e);
            Platform.runLater(() -> {
                kept.set(null);
                if (!toldUnkept) trouble.set(e instanceof DecantException told ? told : new DecantException(DecantException.Kind.UNFORESEEN,
                        Words.of("error.unkept"), e));
                toldUnkept = true;
            });
        }
    }

    /**
     * Publishes the newest document; the first receipt or the trouble is told through the properties, then all of them to {@code after}.
     *
     * @param recipes of all that is made in one go, the main one first
     */
    void publish(List<Map.Entry<String, Recipe>> recipes, Recipe.Passwords passwords, Path file, Consumer<List<Receipt>> after) {
        whenLaidOut(() -> {
            PagedDocument laidOut = pages.get();
            Path from = source.get() == null ? null : source.get().file();
            List<Path> names = Output.names(file, recipes);
            Intake intake = intake(laidOut);
            Job publishing = new Job(Words.of("job.publishing", file.getFileName()));
            job.set(publishing);
            trouble.set(null);
            publishing.start(workThread, progress -> {
                List<Output> outputs = new ArrayList<>();
                for (int i = 0; i < names.size(); i++) {
                    Recipe recipe = recipes.get(i).getValue();
                    outputs.add(new Output(new Order(intake.pages(recipe, progress), recipe, passwords, from), names.get(i)));
                }
                List<Receipt> made = new ArrayList<>(Decant.publish(outputs, progress));
                if (recipes.get(0).getValue().target() == Target.PDF) made.set(0, made.get(0).with(intake.findings()));
                for (Receipt one : made) ReceiptFile.keep(one, Instant.now(), Decant.home().resolve("receipts"));
                return made;
            }, made -> {
                job.set(null);
                others = List.copyOf(made.subList(1, made.size()));
                receipt.set(made.get(0));
                if (recipes.stream().anyMatch(recipe -> recipe.getValue().target() == Target.DOCX)) saved(laidOut.document());
                after.accept(made);
            }, problem -> {
                job.set(null);
                if (problem.kind() == DecantException.Kind.CANCELLED) return;
                remediable = problem;
                remedy = present -> publish(recipes.stream().map(one -> Map.entry(one.getKey(), one.getValue().with(present))).toList(), passwords, file,
                        after);
                trouble.set(problem);
            });
        });
    }

    /** What is published of the newest document; kept until there are other pages, since looking what a PDF's pages became takes a while. */
    private synchronized Intake intake(PagedDocument laidOut) {
        if (intake == null || intakeOf != laidOut) {
            Source from = source.get();
            intake = Intake.revised(from.file(), from.password(), from.taken(), laidOut, from.print());
            intakeOf = laidOut;
        }
        return intake;
    }

    /** About how large a PDF will be, worked out aside. */
    void estimate(Recipe recipe, Consumer<Long> told) {
        PagedDocument laidOut = pages.get();
        Path file = source.get() == null ? null : source.get().file();
        new Job("").start(this::aside, progress -> Publisher.estimate(new Order(intake(laidOut).pages(recipe, progress), recipe, Recipe.Passwords.NONE, file),
                progress), told, problem ->
                told.accept(-1L));
    }

    /** Tells what a format will not carry of the document. */
    void losses(Recipe recipe, Consumer<List<Finding>> told) {
        PagedDocument laidOut = pages.get();
        new Job("").start(this::aside, progress -> {
            Intake intake = intake(laidOut);
            List<Finding> found = new ArrayList<>(Publisher.losses(new Order(intake.pages(recipe, progress), recipe)));
            if (recipe.target() == Target.PDF) found.addAll(intake.findings());
            return found;
        }, told, problem ->
                told.accept(List.of(Finding.lost(problem.getMessage(), ""))));
    }

    /** A state lies in a file; what was written since stays unsaved, and its working copy stays. */
    private void saved(Document written) {
        saved = written;
        changed.set(document != saved);
        if (changed.get()) return;
        if (keeping != null) keeping.cancel(false);
        if (copy != null) copy.discard();
    }

    /** How many places want a look: findings, and numbers that are missing among the headings. */
    int looks() {
        int gaps = pages.get() == null ? 0 : pages.get().outline().gaps().size();
        return gaps + (int) findings().stream().filter(finding -> finding.weight() != Finding.Weight.NOTE).count();
    }

    /** Work off the JavaFX thread for views, such as pictures of pages; left undone once the window is closed. */
    void aside(Runnable task) {
        if (workThread.isShutdown()) return;
        workThread.execute(() -> {
            if (!workThread.isShutdown()) task.run();
        });
    }

    /** Ends the threads; a working copy is taken away only where nothing would be lost. */
    void close() {
        if (copy != null && !changed.get()) copy.discard();
        if (job.get() != null) job.get().stop();
        layoutThread.shutdownNow();
        // Not interrupted: that would close files under whoever reads them at the moment, with loud complaints.
        workThread.shutdown();
        keeper.shutdownNow();
    }

    /** Gives unsaved work up. */
    void discard() {
        saved = document;
        changed.set(false);
        if (keeping != null) keeping.cancel(false);
        if (copy != null) copy.discard();
    }
}
