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
import org.openjdk.jmh.annotations.Param;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** One letter typed in a long table, in its last row or anywhere, until all pages are right again. Look at p0.99. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.SampleTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 2, time = 5)
@Measurement(iterations = 3, time = 5)
@Fork(value = 1, jvmArgs = {"-Xmx1g", "-Djava.awt.headless=true"})
public class TableKeystroke {
    @Param({"2000", "10000"}) private int rows;
    @Param({"last", "any"}) private String where;
    private final Random random = new Random(2);
    private final Layout layout = new Layout(FontCatalogue.shipped());
    private Document document;
    private PagedDocument pages;
    private Place place;

    @Setup public void open() {
        document = LongDocuments.timetable(rows);
        pages = layout.next(document);
    }

    @Setup(Level.Invocation) public void goSomewhere() {
        List<Walk.Stop> stops = pages.walk().stops();
        Walk.Stop stop = stops.get(where.equals("last") ? stops.size() - 1 - random.nextInt(4) : random.nextInt(stops.size()));
        // Letters come and go, so that rows keep a sensible length.
        place = new Place(stop.path(), Math.min(3, stop.paragraph().length()));
    }

    @Benchmark public PagedDocument type() {
        Place from = document.paragraph(place).length() > 60 ? place.at(0) : place;
        document = Typing.type(document, new TextSelection(from, place), "x", null).after();
        pages = layout.next(document);
        return pages;
    }
}
