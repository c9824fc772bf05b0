package app.decant.bench;

import app.decant.Decant;
import app.decant.demo.DemoArchive;
import app.decant.document.Progress;
import app.decant.folder.FolderJournal.State;
import app.decant.folder.FolderPlan.Kind;
import app.decant.folder.FolderPlan.WhenThere;
import app.decant.folder.FolderPlan;
import app.decant.folder.FolderRun;
import app.decant.folder.FolderScan;
import app.decant.publish.Recipe;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.TearDown;
import org.openjdk.jmh.annotations.Warmup;

/**
 * The demo company's archive of a hundred text documents made into PDFs, in seconds: by all cores, and by one. What is gained is the first against the
 * second.
 */
@org.openjdk.jmh.annotations.State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.SECONDS)
@Warmup(iterations = 3, time = 10)
@Measurement(iterations = 5, time = 10)
public class FolderOfNotices {
    private static final int GOOD = 100;
    private Path folder;
    private Path archive;

    @Setup public void write() throws IOException {
        folder = Files.createTempDirectory("decant-bench");
        archive = DemoArchive.into(folder);
    }

    @TearDown public void remove() throws IOException {
        try (Stream<Path> files = Files.walk(folder)) {
            for (Path file : files.sorted(Comparator.reverseOrder()).toList()) Files.delete(file);
        }
    }

    @Benchmark @Fork(value = 1, jvmArgs = {"-Xmx512m", "-Djava.awt.headless=true"})
    public Object allCores() { return run(); }

    @Benchmark @Fork(value = 1, jvmArgs = {"-Xmx512m", "-Djava.awt.headless=true", "-XX:ActiveProcessorCount=1"})
    public Object oneCore() { return run(); }

    private Object run() {
        FolderPlan plan = new FolderPlan(List.of(new FolderPlan.Source(archive, folder.resolve("out"), true, EnumSet.of(Kind.TEXT), List.of())),
                List.of(Map.entry("", Recipe.PLAIN)), WhenThere.REPLACE, true, false, Duration.ofMinutes(1), 0, 1, 1);
        var entries = Decant.runFolder(plan, FolderScan.of(plan, Progress.SILENT), folder.resolve("out"), FolderRun.Listener.NONE);
        if (entries.stream().filter(entry -> entry.state() == State.DONE).count() != GOOD) throw new IllegalStateException("Not all were made");
        return entries;
    }
}
