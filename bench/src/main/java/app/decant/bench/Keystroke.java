package app.decant.bench;

import app.decant.document.Document;
import app.decant.document.Place;
import app.decant.document.Walk;
import app.decant.edit.TextSelection;
import app.decant.edit.Typing;
import app.decant.font.FontCatalogue;
import app.decant.layout.Layout;
import app.decant.layout.PagedDocument;
import java.util.List;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Level;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** One letter typed at a random place of a 300-page document, until all pages are right again. Look at p0.99. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 3, time = 5)
@Measurement(iterations = 5, time = 5)
@Fork(value = 1, jvmArgs = {"-Xmx512m", "-Djava.awt.headless=true"})
public class Keystroke {
    private final Random random = new Random(2);
    private final Layout layout = new Layout(FontCatalogue.shipped());
    private Document document;
    private PagedDocument pages;
    private Place place;

    @Setup public void open() {
        document = LongDocuments.pages(300);
        pages = layout.next(document);
    }

    @Setup(Level.Invocation) public void goSomewhere() {
        List<Walk.Stop> stops = pages.walk().stops();
        Walk.Stop stop = stops.get(random.nextInt(stops.size()));
        place = new Place(stop.path(), random.nextInt(stop.paragraph().length() + 1));
    }

    @Benchmark public PagedDocument type() {
        document = Typing.type(document, TextSelection.caret(place), "x", null).after();
        pages = layout.next(document);
        return pages;
    }
}
