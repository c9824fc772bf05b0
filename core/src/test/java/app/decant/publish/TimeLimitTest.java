package app.decant.publish;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.decant.document.DecantException.Kind;
import app.decant.document.DecantException;
import app.decant.document.Progress;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicReference;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** What was given up stays given up, and what has its name is told as made. */
class TimeLimitTest {
    @TempDir private Path folder;

    private Path write(Path file, Guard.Gate gate) {
        return SafeFile.write(file, Recipe.WhenPresent.REPLACE, Guard.NONE.through(gate), out -> out.write('x'), SafeFile.UNSEEN);
    }

    @Test void aFileThatWasGivenUpIsNotWrittenLater() throws InterruptedException {
        Path file = folder.resolve("late.txt");
        CountDownLatch goOn = new CountDownLatch(1);
        CountDownLatch ended = new CountDownLatch(1);
        AtomicReference<Throwable> how = new AtomicReference<>();
        assertThatThrownBy(() -> TimeLimit.run(Duration.ofMillis(100), Progress.SILENT, (gate, progress) -> {
            // It does not listen to being interrupted, as a reader that hangs does not.
            while (goOn.getCount() > 0) Thread.onSpinWait();
            try {
                return write(file, gate);
            } catch (DecantException e) {
                how.set(e);
                throw e;
            } finally {
                ended.countDown();
            }
        })).isInstanceOf(DecantException.class).satisfies(e -> assertThat(((DecantException) e).kind()).isEqualTo(Kind.GIVEN_UP));
        goOn.countDown();
        assertThat(ended.await(10, TimeUnit.SECONDS)).isTrue();
        assertThat(how.get()).isInstanceOf(DecantException.class);
        assertThat(file).doesNotExist();
        assertThat(folder).isEmptyDirectory();
    }

    @Test void aFileThatHasItsNameIsToldAsMadeHoweverLongTheRestTakes() {
        Path file = folder.resolve("made.txt");
        Path made = TimeLimit.run(Duration.ofMillis(1000), Progress.SILENT, (gate, progress) -> {
            Path written = write(file, gate);
            try {
                Thread.sleep(1300);
            } catch (InterruptedException e) {
                throw new IllegalStateException(e);
            }
            return written;
        });
        assertThat(made).isEqualTo(file).exists();
    }

    @Test void whatNobodyForesawIsToldInASentence() {
        for (Throwable problem : new Throwable[] {new StackOverflowError(), new OutOfMemoryError(), new NoClassDefFoundError("x"),
            new IllegalStateException("x")}) {
            assertThatThrownBy(() -> TimeLimit.run(Duration.ofSeconds(5), Progress.SILENT, (gate, progress) -> {
                if (problem instanceof Error error) throw error;
                throw (RuntimeException) problem;
            })).isInstanceOf(DecantException.class).hasMessageEndingWith(".").hasMessageNotContaining("Exception");
        }
        assertThat(Files.exists(folder)).isTrue();
    }
}
