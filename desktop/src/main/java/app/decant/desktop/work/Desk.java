package app.decant.desktop.work;

import app.decant.Decant;
import app.decant.Intake;
import app.decant.Revision;
import app.decant.desktop.part.Words;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.document.Finding;
import app.decant.document.Look;
import app.decant.document.Progress;
import app.decant.document.SameBlocks;
import app.decant.edit.Change;
import app.decant.edit.TextSelection;
import app.decant.font.FontCatalogue;
import app.decant.format.Formats;
import app.decant.format.Taken;
import app.decant.format.sheet.SeparatedValues;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.page.Original;
import app.decant.proof.Comparison;
import app.decant.proof.Difference;
import app.decant.publish.TimeLimit;
import app.decant.publish.UserFolder;
import app.decant.recover.FixedFormat;
import app.decant.words.Message;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.Charset;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.LocalTime;
import java.util.List;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.beans.property.ObjectProperty;
import javafx.beans.property.ReadOnlyBooleanProperty;
import javafx.beans.property.ReadOnlyBooleanWrapper;
import javafx.beans.property.ReadOnlyObjectProperty;
import javafx.beans.property.ReadOnlyObjectWrapper;
import javafx.beans.property.SimpleObjectProperty;
import org.slf4j.LoggerFactory;

/**
 * The desk of a window: the document that is open on it, the one that is coming, what is being done and what went wrong. What it tells of the open document
 * is that of its {@link Session}, so that whoever listens need not know when another takes its place.
 */
public final class Desk {
    /** A document that takes longer to come in is given up. */
    private static final Duration LONGEST = Duration.ofMinutes(10);
    /** Smaller files are there as soon as their first pages would be, in bytes. */
    private static final long LONG = 100_000;

    private final Settings settings;
    private final ExecutorService layoutThread = Executors.newSingleThreadExecutor(task -> daemon(task, "layout"));
    private final ExecutorService workThread = Executors.newSingleThreadExecutor(task -> daemon(task, "work"));
    private final ScheduledExecutorService keeper = Executors.newSingleThreadScheduledExecutor(task -> daemon(task, "working copy"));
    private final ReadOnlyObjectWrapper<PagedDocument> pages = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<TextSelection> selection = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<Look> nextLook = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<Session.Source> source = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<Comparison> faith = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<LocalTime> kept = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyBooleanWrapper changed = new ReadOnlyBooleanWrapper();
    private final ReadOnlyObjectWrapper<Coming> coming = new ReadOnlyObjectWrapper<>();
    private final ReadOnlyObjectWrapper<PagedDocument> ahead = new ReadOnlyObjectWrapper<>();
    private final ObjectProperty<Job> job = new SimpleObjectProperty<>();
    private final ObjectProperty<DecantException> trouble = new SimpleObjectProperty<>();
    private final Publishing publishing;
    private final WordWatch words;
    private final Aids aids;
    private Session session;
    private Runnable opened;
    private Path wanted;
    private Consumer<Runnable> asking = Runnable::run;

    /** A PDF that is being taken in: its pages can be looked at already. */
    public record Coming(Path file, String password) { }

    public Desk(Settings settings) {
        this.settings = settings;
        publishing = new Publishing(this, workThread);
        words = new WordWatch(this, settings);
        aids = new Aids(settings);
    }

    /** Reads the list of fonts ahead of the first document; called once the window is there. */
    public void getReady() { if (!layoutThread.isShutdown()) layoutThread.execute(FontCatalogue::ofThisMachine); }

    private static Thread daemon(Runnable task, String name) {
        Thread thread = new Thread(task, name);
        thread.setDaemon(true);
        return thread;
    }

    /** The open document, or null. */
    public Session session() { return session; }
    public Publishing publishing() { return publishing; }
    /** Looks words up. */
    public WordWatch words() { return words; }
    /** Which helps while typing are wanted. */
    public Aids aids() { return aids; }
    Settings settings() { return settings; }
    public ReadOnlyObjectProperty<PagedDocument> pages() { return pages.getReadOnlyProperty(); }
    public ReadOnlyObjectProperty<TextSelection> selection() { return selection.getReadOnlyProperty(); }
    public ReadOnlyObjectProperty<Look> nextLook() { return nextLook.getReadOnlyProperty(); }
    public ReadOnlyObjectProperty<Session.Source> source() { return source.getReadOnlyProperty(); }
    public ReadOnlyObjectProperty<Comparison> faith() { return faith.getReadOnlyProperty(); }
    public ReadOnlyObjectProperty<LocalTime> kept() { return kept.getReadOnlyProperty(); }
    public ReadOnlyBooleanProperty changed() { return changed.getReadOnlyProperty(); }
    public ReadOnlyObjectProperty<Coming> coming() { return coming.getReadOnlyProperty(); }
    /** The first pages of a document that is being taken in; null where there is nothing to be seen of one. */
    public ReadOnlyObjectProperty<PagedDocument> ahead() { return ahead.getReadOnlyProperty(); }
    public ObjectProperty<Job> job() { return job; }
    public ObjectProperty<DecantException> trouble() { return trouble; }
    /** The document as it is now; null where none is open. */
    public Document document() { return session == null ? null : session.document(); }
    public boolean canUndo() { return session != null && session.canUndo(); }
    public boolean canRedo() { return session != null && session.canRedo(); }
    /** Whether its pages are those of the PDF that it came from. */
    public boolean hasOwnPages() { return isLaidOut() && pages().get() != null && pages().get().pages().stream().anyMatch(page -> page.ground() != null); }

    public boolean isLaidOut() { return session != null && session.isLaidOut(); }
    public List<Finding> findings() { return session == null ? List.of() : session.findings(); }

    public void pick(TextSelection span) { if (session != null) session.pick(span); }

    public void dressNext(Look look) { if (session != null) session.dressNext(look); }

    public void apply(Change change) { if (session != null) session.apply(change); }

    public void undo() { if (session != null) session.undo(); }

    public void redo() { if (session != null) session.redo(); }

    public void whenLaidOut(Runnable task) { if (session != null) session.whenLaidOut(task); }

    public void inOrder(Runnable task) { if (session != null) session.inOrder(task); }

    /** Gives unsaved work up. */
    public void discard() { if (session != null) session.discard(); }

    /** Takes a file in; the original is only read. */
    public void open(Path file, String password) { open(file, password, null); }

    /** Looks aside in what the open PDF and the document inside it differ; null is told where that can't be. */
    public void compareInside(Consumer<List<Difference>> told) {
        Session.Source pdf = source.get();
        // On a thread of its own: it may take long, and nobody waits for it.
        daemon(() -> {
            try {
                List<Difference> differences = Decant.differencesInside(pdf.file(), pdf.password(), pdf.inside(), Progress.SILENT);
                Platform.runLater(() -> told.accept(differences));
            } catch (DecantException e) {
                LoggerFactory.getLogger(Desk.class).info("{} can't be compared with its PDF", pdf.inside().name(), e);
                Platform.runLater(() -> told.accept(null));
            }
        }, "comparing").start();
    }

    /** Takes in the document that the open PDF was made from; it is laid where only this user reads. */
    public void openInside() {
        Session.Source pdf = source.get();
        Path folder = UserFolder.ready(Decant.home().resolve("inside")).resolve(pdf.print().substring(0, 16));
        try {
            Files.createDirectories(folder);
            Path file = folder.resolve(pdf.inside().name());
            if (!Files.exists(file)) Files.write(file, pdf.inside().bytes());
            open(file, null);
        } catch (IOException e) {
            LoggerFactory.getLogger(Desk.class).warn("{} can't be laid out of its PDF", pdf.inside().name(), e);
            trouble.set(new DecantException(DecantException.Kind.TARGET_LOCKED, Message.said(pdf.inside().name() + " can't be taken out of the PDF: " + folder
                    + " can't be written to."), e));
        }
    }

    /** Takes plain text in whose encoding is known. */
    public void openText(Path file, Charset letters) { open(file, null, progress -> Decant.openText(file, letters)); }

    /** Takes values between separators in, read as it is wished. */
    public void openSeparated(Path file, SeparatedValues wished) {
        open(file, told -> plain(file, null, null, wished, told), null);
    }

    private void open(Path file, String password, Job.Work<Taken> reading) { open(file, told -> opened(file, password, reading, told), password); }

    private void open(Path file, Job.Work<Session.Opened> opener, String password) {
        Document before = document();
        Job opening = new Job(Words.of("job.opening", file.getFileName()));
        job.set(opening);
        trouble.set(null);
        boolean pdf = isPdf(file);
        if (pdf) coming.set(new Coming(file, password));
        boolean looks = !pdf && session == null && isLong(file);
        // On a thread of its own: the open document is laid out while another comes in.
        opening.start(task -> daemon(task, "opening").start(),
                progress -> TimeLimit.run(LONGEST, progress, (gate, told) -> {
                    if (looks) lookAhead(file, opening);
                    return run(opener, told);
                }), came -> {
            job.set(null);
            ahead.set(null);
            Document now = document();
            Runnable replace = () -> {
                show(came);
                coming.set(null);
                Runnable next = opened;
                opened = null;
                if (next != null) next.run();
            };
            // Somebody may have gone on writing in the open document meanwhile.
            if (now != before && changed.get() || session != null && session.isAwaited()) asking.accept(replace);
            else replace.run();
        }, problem -> {
            job.set(null);
            coming.set(null);
            ahead.set(null);
            wanted = file;
            // A file that wants its password is opened again; what was to follow still follows.
            if (problem.kind() != DecantException.Kind.NEEDS_PASSWORD) opened = null;
            if (problem.kind() != DecantException.Kind.CANCELLED) trouble.set(problem);
        });
    }

    /** The first pages of what takes a while, where nothing else is on the desk: before all is read, which would only make them late. */
    private void lookAhead(Path file, Job opening) {
        Decant.ahead(file).ifPresent(first -> Platform.runLater(() -> {
            if (job.get() == opening && session == null) ahead.set(first);
        }));
    }

    private static boolean isLong(Path file) {
        try {
            return Files.size(file) > LONG;
        } catch (IOException e) {
            // Taking it in tells what is wrong with it.
            return false;
        }
    }

    private static Session.Opened opened(Path file, String password, Job.Work<Taken> reading, Progress told) {
        Path origin = reading == null ? WorkingCopy.origin(file) : null;
        Session.Opened restored = origin == null ? null : restored(file, origin, password, told);
        return restored != null ? restored : plain(file, password, reading, SeparatedValues.AS_FOUND, told);
    }

    /** A working copy of a PDF or a workbook, with what it was made from: its own pages, its sheets. Null where that is neither, or does not open. */
    private static Session.Opened restored(Path copy, Path origin, String password, Progress told) {
        try {
            Session.Opened came = plain(origin, password, null, SeparatedValues.AS_FOUND, told);
            if (came.revision() == null && came.sheets() == null) return null;
            return came.restoring(SameBlocks.of(Decant.open(copy, password, told).document(), came.source().taken().document()));
        } catch (DecantException e) {
            if (e.kind() == DecantException.Kind.CANCELLED || e.kind() == DecantException.Kind.NEEDS_PASSWORD) throw e;
            LoggerFactory.getLogger(Desk.class).info("{} does not open any more; its copy does", origin, e);
            return null;
        }
    }

    private static Session.Opened plain(Path file, String password, Job.Work<Taken> reading, SeparatedValues wished, Progress told) {
        Optional<Decant.Sheets> sheets = reading == null ? Decant.sheets(file, password, wished, told) : Optional.empty();
        Taken taken = sheets.isPresent() ? sheets.get().taken() : run(reading == null ? progress -> Decant.open(file, password, progress) : reading, told);
        Layout layout = new Layout(FontCatalogue.ofThisMachine());
        PagedDocument laid = layout.next(taken.document(), told);
        if (taken.format() != FixedFormat.PDF)
            return new Session.Opened(new Session.Source(file, taken, password, null, false, null), layout, laid, null, null, laid,
                    sheets.map(of -> new Sheets(of, laid)).orElse(null), null);
        Original original = Intake.original(file, password);
        Revision revision = new Revision(original, taken);
        Session.Source source = new Session.Source(file, taken, password, Intake.fingerprint(file), Intake.hasBookmarks(file, password),
                Decant.sourceInside(file, password).orElse(null));
        // Looked for here, where it keeps nobody waiting.
        revision.form();
        return new Session.Opened(source, layout, laid, original, revision, revision.shown(laid), null, null);
    }

    private static <T> T run(Job.Work<T> work, Progress progress) {
        try {
            return work.run(progress);
        } catch (RuntimeException e) {
            throw e;
        } catch (Exception e) {
            throw new IllegalStateException(e);
        }
    }

    private static boolean isPdf(Path file) {
        try (InputStream in = Files.newInputStream(file)) {
            return Formats.of(in.readNBytes(2048)) == FixedFormat.PDF;
        } catch (IOException | DecantException e) {
            // Taking it in tells what is wrong with it.
            return false;
        }
    }

    private void show(Session.Opened came) {
        Session before = session;
        if (before != null) {
            before.discard();
            before.close();
        }
        Path file = came.source().file();
        WorkingCopy copy = settings.isForgetful() ? null : new WorkingCopy(Decant.home().resolve("working"), file, came.source().password());
        session = new Session(came, new Session.Threads(layoutThread, keeper, this::aside), copy, trouble::set);
        publishing.forget();
        selection.unbind();
        selection.set(null);
        changed.bind(session.changed());
        kept.bind(session.kept());
        faith.bind(session.faith());
        nextLook.bind(session.nextLook());
        pages.bind(session.pages());
        source.set(session.source());
        selection.bind(session.selection());
        settings.opened(file);
        if (came.source().isPdf()) compare(session);
    }

    /** In a thread of its own, which gives way to others: every page is painted twice, while somebody works. */
    private void compare(Session taken) {
        Thread comparing = daemon(() -> {
            try {
                Progress whileOpen = (done, total, what) -> session == taken && !workThread.isShutdown();
                Comparison made = Decant.faith(taken.source().file(), taken.source().password(), taken.laid(), whileOpen);
                Platform.runLater(() -> taken.faith(made));
            } catch (DecantException e) {
                if (e.kind() != DecantException.Kind.CANCELLED) LoggerFactory.getLogger(Desk.class).warn("{}", e.getMessage(), e);
            }
        }, "comparing");
        comparing.setPriority(Thread.MIN_PRIORITY);
        comparing.start();
    }

    /** How somebody is asked before a document takes the place of one with changes. */
    public void asking(Consumer<Runnable> other) { asking = other; }

    /** Runs a task once the document that is being opened is in; nothing happens if it cannot be. */
    public void whenOpened(Runnable task) { opened = task; }

    /** The file that could not be opened for want of a password. */
    public Path wanted() { return wanted; }

    /** How many places want a look: findings, and numbers that are missing among the headings. */
    public int looks() {
        int gaps = pages.get() == null ? 0 : pages.get().outline().gaps().size();
        return gaps + (int) findings().stream().filter(finding -> finding.weight() != Finding.Weight.NOTE).count();
    }

    /** Work off the JavaFX thread for views, such as pictures of pages; left undone once the window is closed. */
    public void aside(Runnable task) {
        if (workThread.isShutdown()) return;
        workThread.execute(() -> {
            if (!workThread.isShutdown()) task.run();
        });
    }

    /** Ends the threads; a working copy is taken away only where nothing would be lost. */
    public void close() {
        if (session != null) session.close();
        if (job.get() != null) job.get().stop();
        layoutThread.shutdownNow();
        // Not interrupted: that would close files under whoever reads them at the moment, with loud complaints.
        workThread.shutdown();
        keeper.shutdownNow();
        words.close();
    }
}
