package app.decant.bench;

import app.decant.document.Document;
import app.decant.document.Progress;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.pdf.PdfStyle;
import app.decant.pdf.Pictures;
import app.decant.publish.Order;
import app.decant.publish.Publisher;
import app.decant.publish.Receipt;
import app.decant.publish.Recipe;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.util.concurrent.TimeUnit;
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
import org.openjdk.jmh.annotations.TearDown;
import org.openjdk.jmh.annotations.Warmup;

/** A document of 2,000 pages with 500 photographs published and checked in a heap of 512 MB: with the pictures as they are, and made smaller. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SingleShotTime)
@OutputTimeUnit(TimeUnit.SECONDS)
@Warmup(iterations = 0)
@Measurement(iterations = 1)
@Fork(value = 1, jvmArgs = {"-Xmx512m", "-Djava.awt.headless=true"})
public class PublicationWithPictures {
    @Param({"exact", "smaller"})
    private String pictures;

    private Document document;
    private Path folder;

    @Setup public void prepare() throws IOException {
        document = LongDocuments.pages(2000, 500);
        folder = Files.createTempDirectory("pictures");
    }

    @TearDown public void remove() throws IOException {
        Files.deleteIfExists(folder.resolve("made.pdf"));
        Files.delete(folder);
    }

    @Benchmark public long publish() {
        PdfStyle style = PdfStyle.PLAIN.with(pictures.equals("exact") ? Pictures.EXACT : new Pictures(75, 150));
        Receipt receipt = Publisher.publish(new Order(Layout.of(document, FontCatalogue.shipped()), Recipe.PLAIN.with(style)), folder.resolve("made.pdf"),
                Instant.EPOCH, Progress.SILENT);
        System.out.println(receipt.pages() + " pages, " + receipt.bytes() + " bytes, " + receipt.proofs().stream().filter(proof -> proof.sentence()
                .contains("picture")).toList());
        return receipt.bytes();
    }
}
