package app.decant.desktop.work;

import app.decant.desktop.part.Words;
import app.decant.document.DecantException;
import app.decant.document.Progress;
import app.decant.words.Message;
import java.util.concurrent.Executor;
import java.util.function.Consumer;
import javafx.application.Platform;
import javafx.beans.property.ReadOnlyDoubleProperty;
import javafx.beans.property.ReadOnlyDoubleWrapper;
import javafx.beans.property.ReadOnlyStringProperty;
import javafx.beans.property.ReadOnlyStringWrapper;
import org.slf4j.LoggerFactory;

/** Long work off the JavaFX thread: tells how far it is, can be stopped. */
public final class Job {
    private final ReadOnlyStringWrapper what = new ReadOnlyStringWrapper();
    private final ReadOnlyDoubleWrapper share = new ReadOnlyDoubleWrapper(-1);
    private volatile boolean stopped;
    private volatile long told;

    /** Work that gives a result. */
    @FunctionalInterface
    public interface Work<T> { T run(Progress progress) throws Exception; }

    public Job(String name) { what.set(name); }

    public ReadOnlyStringProperty what() { return what.getReadOnlyProperty(); }

    /** 0 to 1, or -1 where that is not known. */
    public ReadOnlyDoubleProperty share() { return share.getReadOnlyProperty(); }

    public void stop() { stopped = true; }

    /** Runs the work; {@code done} or {@code failed} is called on the JavaFX thread. */
    public <T> void start(Executor executor, Work<T> work, Consumer<T> done, Consumer<DecantException> failed) {
        executor.execute(() -> {
            try {
                T result = work.run(this::report);
                Platform.runLater(() -> done.accept(result));
            } catch (DecantException e) {
                LoggerFactory.getLogger(Job.class).info("{}", e.getMessage(), e);
                Platform.runLater(() -> failed.accept(e));
            } catch (Exception | StackOverflowError | OutOfMemoryError e) {
                LoggerFactory.getLogger(Job.class).error("Unforeseen", e);
                Platform.runLater(() -> failed.accept(new DecantException(DecantException.Kind.UNREADABLE, Message.said(Words.of("error.unforeseen")), e)));
            }
        });
    }

    private boolean report(int done, int total, Message step) {
        long now = System.nanoTime();
        if (now - told > 50_000_000) {
            told = now;
            Platform.runLater(() -> {
                what.set(total > 0 ? Words.of("job.of", step, done, total) : done > 0 ? Words.of("job.so.far", step, done) : step.toString());
                share.set(total > 0 ? (double) done / total : -1);
            });
        }
        return !stopped;
    }
}
