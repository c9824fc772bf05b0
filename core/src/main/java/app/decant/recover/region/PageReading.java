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

/**
 * Reads the pages of a PDF and hands them on in order. Long files are read by several threads, each with an opened file of its own, since an opened
 * PDF may be used by one thread only.
 */
public final class PageReading {
    /** Tags are trusted on pages where they cover at least this share of the letters. */
    public static final double TRUSTED = 0.85;
    private static final int BATCH = 8;
    private static final int LEAST_FOR_TWO = 24;

    private final SourceFile source;
    private final Supplier<SourceFile> another;
    private final Progress progress;
    private final AtomicBoolean stopped = new AtomicBoolean();

    /** A page as read, what was found out on the way, and how much of its text is tagged. */
    public record Read(SourcePage page, PageMatter matter, List<Finding> findings, double tagged) { }

    /** @param another opens the same file once more */
    public PageReading(SourceFile source, Supplier<SourceFile> another, Progress progress) {
        this.source = source;
        this.another = another;
        this.progress = progress;
    }

    public void each(Consumer<Read> next) {
        int workers = source.pages() < LEAST_FOR_TWO ? 1 : Math.max(1, Math.min(4, Runtime.getRuntime().availableProcessors()));
        if (workers == 1) {
            for (int i = 0; i < source.pages(); i++) {
                progress.step(i, source.pages(), SourceFile.READING);
                next.accept(read(source, i, progress));
            }
            return;
        }
        List<SourceFile> files = new ArrayList<>(List.of(source));
        ExecutorService threads = Executors.newFixedThreadPool(workers, work -> {
            Thread thread = new Thread(work, "reading pages");
            thread.setDaemon(true);
            return thread;
        });
        try {
            while (files.size() < workers) files.add(another.get());
            inOrder(files, threads, next);
            for (SourceFile file : files) if (file != source) file.targets().forEach(source.targets()::putIfAbsent);
        } finally {
            stopped.set(true);
            threads.shutdownNow();
            awaitEnd(threads);
            for (SourceFile file : files) if (file != source) file.close();
        }
    }

    /** Batches of pages go round the files, so that no more of them are held than are being worked on. */
    private void inOrder(List<SourceFile> files, ExecutorService threads, Consumer<Read> next) {
        Progress asked = (done, total, what) -> !stopped.get();
        int workers = files.size();
        List<Future<List<Read>>> running = new ArrayList<>();
        int started = 0;
        int done = 0;
        while (done < source.pages()) {
            while (running.size() < workers && started < source.pages()) {
                SourceFile file = files.get(started / BATCH % workers);
                int from = started;
                int to = Math.min(source.pages(), from + BATCH);
                running.add(threads.submit(() -> {
                    List<Read> batch = new ArrayList<>();
                    for (int i = from; i < to; i++) batch.add(read(file, i, asked));
                    return batch;
                }));
                started = to;
            }
            for (Read read : result(running.remove(0))) {
                progress.step(done++, source.pages(), SourceFile.READING);
                next.accept(read);
            }
        }
    }

    private static List<Read> result(Future<List<Read>> future) {
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

    /** Files are closed only once nobody reads them any more. */
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
        PageMatter matter = PageMatter.of(page, element);
        if (matter.flattened() > 0)
            findings.add(Finding.changed(Message.of("region.a-colour-gradient-behind-text-on-page", (index + 1))).at(Finding.page(index)));
        return new Read(page, matter, findings, tagged);
    }
}
