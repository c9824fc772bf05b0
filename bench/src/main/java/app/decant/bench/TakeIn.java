package app.decant.bench;

import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.write.PdfWriter;
import app.decant.recover.Recovery;
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

/** A PDF of 200 text pages taken in as an editable document, page ends fitted, in a heap of 512 MB. The counter {@code pages} is pages a second. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.Throughput)
@OutputTimeUnit(TimeUnit.SECONDS)
@Warmup(iterations = 7, time = 10)
@Measurement(iterations = 5, time = 10)
@Fork(value = 1, jvmArgs = {"-Xmx512m", "-Djava.awt.headless=true"})
public class TakeIn {
    private byte[] pdf;

    /** Counts pages. */
    @AuxCounters @State(Scope.Thread)
    public static class Count {
        public long pages;
    }

    @Setup public void publish() throws IOException {
        PagedDocument pages = new Layout(FontCatalogue.shipped()).next(LongDocuments.pages(200));
        ByteArrayOutputStream bytes = new ByteArrayOutputStream(4 << 20);
        PdfChoices choices = new PdfChoices(IntStream.range(0, pages.count()).boxed().toList(), PdfStyle.PLAIN.tagged(false), pages.document().facts(),
                Instant.EPOCH);
        PdfWriter.write(pages, choices, bytes, Progress.SILENT);
        pdf = bytes.toByteArray();
    }

    @Benchmark public Object takeIn(Count count) {
        var recovered = Recovery.of(pdf, "long.pdf", null, FontCatalogue.shipped(), Progress.SILENT);
        count.pages += recovered.pages();
        return recovered;
    }
}
