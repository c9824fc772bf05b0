package app.decant.bench;

import app.decant.document.Document;
import app.decant.document.Progress;
import app.decant.format.Formats;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.time.Instant;
import java.util.concurrent.TimeUnit;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.openjdk.jmh.annotations.AuxCounters;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** A text document of 1,000 pages read in a heap of 512 MB. The counter {@code megabytes} is, a second, of the text's own markup or file. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.Throughput)
@OutputTimeUnit(TimeUnit.SECONDS)
@Warmup(iterations = 2, time = 10)
@Measurement(iterations = 3, time = 10)
@Fork(value = 1, jvmArgs = {"-Xmx512m", "-Djava.awt.headless=true"})
public class Reading {
    @Param({"docx", "doc", "odt", "rtf"})
    private String ending;

    private byte[] file;
    private double size;

    /** Counts what was read. */
    @AuxCounters @State(Scope.Thread)
    public static class Count {
        public double megabytes;
    }

    @Setup public void write() throws IOException {
        file = Formats.called(ending).write(LongDocuments.pages(1000), Instant.EPOCH).bytes();
        size = file.length / 1e6;
        try (ZipInputStream in = new ZipInputStream(new ByteArrayInputStream(file))) {
            for (ZipEntry entry = in.getNextEntry(); entry != null; entry = in.getNextEntry()) {
                if (entry.getName().matches("word/document.xml|content.xml")) size = in.readAllBytes().length / 1e6;
            }
        }
    }

    @Benchmark public Document read(Count count) {
        Document document = Formats.read(file, "long." + ending, null, Progress.SILENT).document();
        count.megabytes += size;
        return document;
    }
}
