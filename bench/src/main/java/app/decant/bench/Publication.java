package app.decant.bench;

import app.decant.document.Document;
import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.write.PdfWriter;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.time.Instant;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.openjdk.jmh.annotations.AuxCounters;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** A text document of 500 pages laid out from nothing and written as PDF, in a heap of 512 MB. The counter {@code pages} is pages a second. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.Throughput)
@OutputTimeUnit(TimeUnit.SECONDS)
@Warmup(iterations = 3, time = 10)
@Measurement(iterations = 5, time = 10)
@Fork(value = 1, jvmArgs = {"-Xmx512m", "-Djava.awt.headless=true"})
public class Publication {
    private Document document;

    /** Counts pages. */
    @AuxCounters @State(Scope.Thread)
    public static class Count {
        public long pages;
    }

    @Setup public void open() { document = LongDocuments.pages(500); }

    @Benchmark public int layOutAndWrite(Count count) throws IOException {
        PagedDocument pages = new Layout(FontCatalogue.shipped()).next(document);
        ByteArrayOutputStream bytes = new ByteArrayOutputStream(4 << 20);
        PdfChoices choices = new PdfChoices(IntStream.range(0, pages.count()).boxed().toList(), PdfStyle.PLAIN.tagged(true), document.facts(), Instant.EPOCH);
        PdfWriter.write(pages, choices, bytes, Progress.SILENT);
        count.pages += pages.count();
        return bytes.size();
    }

    @Benchmark public int layOut(Count count) {
        PagedDocument pages = new Layout(FontCatalogue.shipped()).next(document);
        count.pages += pages.count();
        return pages.count();
    }
}
