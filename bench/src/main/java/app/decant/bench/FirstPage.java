package app.decant.bench;

import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import app.decant.pdf.PdfChoices;
import app.decant.pdf.PdfPages;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.write.PdfWriter;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.concurrent.TimeUnit;
import java.util.stream.IntStream;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.TearDown;
import org.openjdk.jmh.annotations.Warmup;

/** How long it takes until page 1 of a PDF of 200 text pages can be seen, the first time that a program just started does it, once it has prepared itself. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 0)
@Measurement(iterations = 1)
@Fork(value = 5, jvmArgs = {"-Xmx512m", "-Djava.awt.headless=true"})
public class FirstPage {
    private Path file;

    @Setup public void publish() throws IOException {
        PagedDocument pages = new Layout(FontCatalogue.shipped()).next(LongDocuments.pages(200));
        file = Files.createTempFile("first", ".pdf");
        try (OutputStream out = Files.newOutputStream(file)) {
            PdfWriter.write(pages, new PdfChoices(IntStream.range(0, pages.count()).boxed().toList(), PdfStyle.PLAIN, pages.document().facts(),
                    Instant.EPOCH), out, Progress.SILENT);
        }
        PdfPages.prepare();
    }

    @TearDown public void remove() throws IOException { Files.delete(file); }

    @Benchmark public Object seen() {
        try (PdfPages pages = PdfPages.open(file, null)) {
            return pages.image(0, 1.33);
        }
    }
}
