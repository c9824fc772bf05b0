package app.decant.desktop.work;

import app.decant.desktop.part.Words;
import app.decant.document.DecantException;
import app.decant.document.Document;
import app.decant.words.Message;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.function.BiConsumer;
import javafx.application.Platform;
import org.slf4j.LoggerFactory;

/** Keeps a working copy of what somebody writes, within a moment, however steadily they type. Called on the JavaFX thread. */
public final class Keeping {
    private static final long WITHIN = 900;

    private final ScheduledExecutorService thread;
    private final WorkingCopy copy;
    private final BiConsumer<Document, DecantException> told;
    private ScheduledFuture<?> next;
    private volatile Document newest;
    /** How many times it was given up. */
    private final AtomicInteger discarded = new AtomicInteger();

    /**
     * @param copy that it is written to, or null to keep none
     * @param told hears what was kept, or why it could not be
     */
    Keeping(ScheduledExecutorService thread, WorkingCopy copy, BiConsumer<Document, DecantException> told) {
        this.thread = thread;
        this.copy = copy;
        this.told = told;
    }

    /** Keeps a state, unless a newer one comes before it is written. */
    void soon(Document document) {
        newest = document;
        if (copy == null || next != null && !next.isDone()) return;
        next = thread.schedule(this::keep, WITHIN, TimeUnit.MILLISECONDS);
    }

    private void keep() {
        Document snapshot = newest;
        int own = discarded.get();
        DecantException trouble = null;
        try {
            copy.keep(snapshot);
        } catch (RuntimeException e) {
            LoggerFactory.getLogger(Keeping.class).warn("The working copy can't be kept", e);
            trouble = e instanceof DecantException known ? known
                    : new DecantException(DecantException.Kind.UNFORESEEN, Message.said(Words.of("error.unkept")), e);
        }
        if (own != discarded.get()) {
            // Given up while it was written: it would be there again, and whatever hindered it hinders nobody.
            copy.discard();
            return;
        }
        DecantException hindrance = trouble;
        Platform.runLater(() -> told.accept(snapshot, hindrance));
    }

    /** Takes the copy away: the work is saved, or given up. */
    void discard() {
        discarded.incrementAndGet();
        if (next != null) next.cancel(false);
        if (copy != null) copy.discard();
    }
}
