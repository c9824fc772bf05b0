package app.decant.recover.region;

import app.decant.document.DecantException;
import app.decant.document.Finding;
import app.decant.document.Progress;
import app.decant.pdf.read.Glyph;
import app.decant.pdf.read.PageReader;
import app.decant.pdf.read.SourceFile;
import app.decant.pdf.read.SourcePage;
import app.decant.pdf.read.TagTree;
import app.decant.recover.line.UnreadablePages;
import app.decant.words.Message;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.function.Consumer;
import java.util.function.Function;
import java.util.function.Supplier;
import org.slf4j.LoggerFactory;

/**
 * Reads the pages of a PDF and hands them on in order. Long files are read by several threads, each with an opened file of its own, since an opened
 * PDF may be used by one thread only.
 */
public final class PageReading {
    /** Tags are trusted on pages where they cover at least this share of the letters. */
    public static final double TRUSTED = 0.85;
    private static final int BATCH = 8;
    private static final int LEAST_FOR_TWO = 24;
    /** Batches a reader has at most, read or to be read. */
    private static final int WAITING = 2;

    private final SourceFile source;
    private final Supplier<SourceFile> another;
    private final FieldPlaces fields;
    private final Progress progress;
    private final AtomicBoolean stopped = new AtomicBoolean();

    /** A page as read, what was found out on the way, and how much of its text is tagged. */
    public record Read(SourcePage page, PageMatter matter, List<Finding> findings, double tagged) { }

    /**
     * @param another opens the same file once more
     * @param fields  that are filled in on its pages
     */
    public PageReading(SourceFile source, Supplier<SourceFile> another, FieldPlaces fields, Progress progress) {
        this.source = source;
        this.another = another;
        this.fields = fields;
        this.progress = progress;
    }

    public void each(Consumer<Read> next) {
        boolean scans = source.startsWithScan();
        int workers = source.pages() < (scans ? 2 : LEAST_FOR_TWO) ? 1 : Math.max(1, Math.min(4, Runtime.getRuntime().availableProcessors()));
        if (workers == 1) {
            for (int i = 0; i < source.pages(); i++) {
                progress.step(i, source.pages(), SourceFile.READING);
                next.accept(read(source, i, progress));
            }
            return;
        }
        List<Reader> readers = new ArrayList<>();
        try {
            for (int i = 0; i < workers; i++) readers.add(new Reader(i == 0 ? () -> source : another));
            // Read while the others open, and before any of them asks, since only one thread may read in this file.
            source.tags();
            // Scans take seconds each: one by one they keep all readers at work.
            inOrder(readers, scans ? 1 : BATCH, next);
            for (Reader reader : readers) if (reader.file() != source) reader.file().targets().forEach(source.targets()::putIfAbsent);
        } finally {
            stopped.set(true);
            readers.forEach(reader -> reader.thread.shutdownNow());
            for (Reader reader : readers) reader.close(source);
        }
    }

    /** A thread and the file that it alone reads; opened by it, so that nobody waits for the other. */
    private static final class Reader {
        private final ExecutorService thread = Executors.newSingleThreadExecutor(work -> {
            Thread made = new Thread(work, "reading pages");
            made.setDaemon(true);
            return made;
        });
        private final Future<SourceFile> opened;

        Reader(Supplier<SourceFile> file) { opened = thread.submit(file::get); }

        SourceFile file() { return result(opened); }

        /** Files are closed only once nobody reads them any more. */
        void close(SourceFile shared) {
            awaitEnd(thread);
            if (!opened.isDone() || opened.isCancelled()) return;
            try {
                SourceFile file = opened.get();
                if (file != shared) file.close();
            } catch (ExecutionException e) {
                LoggerFactory.getLogger(PageReading.class).debug("A copy did not open, which was told when it was to be read", e);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
            }
        }
    }

    /** Batches of pages go round the readers; each has one to work on and one to go on with, so that no more of them are held. */
    private void inOrder(List<Reader> readers, int batch, Consumer<Read> next) {
        Progress asked = (done, total, what) -> !stopped.get();
        int workers = readers.size();
        List<Future<List<Read>>> running = new ArrayList<>();
        int started = 0;
        int done = 0;
        while (done < source.pages()) {
            while (running.size() < WAITING * workers && started < source.pages()) {
                Reader reader = readers.get(started / batch % workers);
                int from = started;
                int to = Math.min(source.pages(), from + batch);
                running.add(reader.thread.submit(() -> {
                    List<Read> pages = new ArrayList<>();
                    for (int i = from; i < to; i++) pages.add(read(reader.file(), i, asked));
                    return pages;
                }));
                started = to;
            }
            for (Read read : result(running.remove(0))) {
                progress.step(done++, source.pages(), SourceFile.READING);
                next.accept(read);
            }
        }
    }

    private static <T> T result(Future<T> future) {
        try {
            return future.get();
        } catch (ExecutionException e) {
            if (e.getCause() instanceof RuntimeException told) throw told;
            if (e.getCause() instanceof Error error) throw error;
            throw new IllegalStateException(e.getCause());
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new DecantException(DecantException.Kind.CANCELLED, Message.of("document.stopped-nothing-was-changed"), e);
        }
    }

    private static void awaitEnd(ExecutorService threads) {
        boolean interrupted = false;
        while (!threads.isTerminated()) {
            try {
                threads.awaitTermination(1, TimeUnit.SECONDS);
            } catch (InterruptedException e) {
                interrupted = true;
            }
        }
        if (interrupted) Thread.currentThread().interrupt();
    }

    private Read read(SourceFile file, int index, Progress heard) {
        List<Finding> findings = new ArrayList<>();
        SourcePage page = new UnreadablePages(file, findings).replaced(PageReader.upright(file, index, heard));
        TagTree tags = source.tags();
        double tagged = tags.isEmpty() ? 0 : tags.coverage(page);
        Function<Glyph, TagTree.Element> element = tagged > TRUSTED ? glyph -> tags.of(index, glyph.tag()) : glyph -> null;
        PageMatter matter = PageMatter.of(page, element, fields);
        if (matter.flattened() > 0)
            findings.add(Finding.changed(Message.of("region.a-colour-gradient-behind-text-on-page", (index + 1))).at(Finding.page(index)));
        return new Read(page, matter, findings, tagged);
    }
}
