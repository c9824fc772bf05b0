package app.decant.publish;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Progress;
import app.decant.words.Message;
import java.io.IOException;
import java.time.Duration;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.TimeoutException;

/**
 * Does work within a time, after which it is given up: asked to stop, and where it does not hear, left behind. A file that was given up never takes its
 * name later; one that has its name is waited for, so that what is told of it is true.
 */
public final class TimeLimit {
    /** Threads that are left behind where they hang must not keep the program from ending. */
    private static final ExecutorService HANDS = Executors.newCachedThreadPool(work -> {
        // Deeply nested documents are read by recursion; what is too deep even for this is refused in words.
        Thread thread = new Thread(null, work, "limited work", 16L << 20);
        thread.setDaemon(true);
        return thread;
    });

    private TimeLimit() { }

    /** Work that asks a gate before a file takes its name. */
    @FunctionalInterface
    public interface Work<T> { T run(Guard.Gate gate, Progress progress); }

    /**
     * @param progress hears how far the work is, and can stop it
     * @throws DecantException as the work throws it; {@code GIVEN_UP} where the time is over; {@code CANCELLED} where this thread was interrupted
     */
    public static <T> T run(Duration limit, Progress progress, Work<T> work) {
        Naming naming = new Naming();
        Future<T> hand = HANDS.submit(() -> work.run(naming, (done, total, what) -> !naming.isGivenUp() && progress.goOn(done, total, what)));
        try {
            try {
                return hand.get(limit.toMillis(), TimeUnit.MILLISECONDS);
            } catch (TimeoutException e) {
                if (naming.giveUp()) return hand.get(limit.toMillis(), TimeUnit.MILLISECONDS);
                throw e;
            }
        } catch (TimeoutException e) {
            hand.cancel(true);
            throw new DecantException(Kind.GIVEN_UP, Message.of("publish.it-was-given-up-after-seconds", limit.toSeconds()), e);
        } catch (InterruptedException e) {
            naming.giveUp();
            hand.cancel(true);
            Thread.currentThread().interrupt();
            throw new DecantException(Kind.CANCELLED, Message.of("document.stopped-nothing-was-changed"), e);
        } catch (ExecutionException e) {
            throw told(e.getCause());
        }
    }

    private static DecantException told(Throwable cause) {
        if (cause instanceof DecantException told) return told;
        if (cause instanceof OutOfMemoryError) return new DecantException(Kind.UNSUPPORTED, Message.of("publish.it-is-too-large-for-the-memory"), cause);
        if (cause instanceof StackOverflowError)
            return new DecantException(Kind.UNREADABLE, Message.of("publish.it-nests-deeper-than-any-real-document"), cause);
        return new DecantException(Kind.UNFORESEEN, Message.of("publish.something-went-wrong-that-was-not-foreseen"), cause);
    }

    /** Either a file takes its name or it is given up, never both. */
    private static final class Naming implements Guard.Gate {
        private boolean given;
        private boolean named;

        @Override public synchronized void pass(Move move) throws IOException {
            if (given) throw new DecantException(Kind.CANCELLED, Message.of("publish.it-was-given-up"));
            move.run();
            named = true;
        }

        synchronized boolean isGivenUp() { return given; }

        /** @return whether it has its name already */
        synchronized boolean giveUp() {
            given = !named;
            return named;
        }
    }
}
